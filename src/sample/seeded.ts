/** Numbers that are the same for the same seed (mulberry32), and normals from them (Box and Muller). */
export interface Seeded {
  /** Between 0 and 1, neither of them. */
  readonly uniform: () => number;
  readonly normal: () => number;
}

export function seeded(seed: number): Seeded {
  let a = seed >>> 0;
  const uniform = () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return (((t ^ (t >>> 14)) >>> 0) + 0.5) / 4294967296;
  };
  return { uniform, normal: () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform()) };
}
