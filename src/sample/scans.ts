import { seeded } from '../core/void';

/** A made-up scan with a void of known volume. */
export interface MadeScan {
  /** Places side by side, mm; for a mesh, three points a triangle. */
  readonly xyz: Float32Array;
  readonly triangles: number;
  /** Volume under the undamaged face, mL, summed on a grid three times finer than the scan. */
  readonly volumeMl: number;
  readonly areaMm2: number;
}

export interface MadeOptions {
  readonly lengthMm: number;
  readonly widthMm: number;
  /** Distance between points, mm. */
  readonly spacingMm: number;
  /** Depth under the undamaged face at a place, mm; 0 where it is sound. */
  readonly depthAt: (x: number, y: number) => number;
  /** Height of the undamaged face at a place, mm. */
  readonly faceAt: (x: number, y: number) => number;
  /** Standard deviation of the scanner, mm. */
  readonly noiseMm: number;
  readonly seed: number;
  readonly mesh: boolean;
  /** The whole scan turned about these angles, degrees: a scanner does not know where up is. */
  readonly turnedDeg?: readonly [number, number, number];
}

/** Two numbers from a normal distribution (Box–Muller). */
function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** Makes a scan from a seed: the same options give the same numbers on every machine. */
export function makeScan(o: MadeOptions): MadeScan {
  const random = seeded(o.seed);
  const nx = Math.round(o.lengthMm / o.spacingMm) + 1;
  const ny = Math.round(o.widthMm / o.spacingMm) + 1;
  const [a, b, c] = (o.turnedDeg ?? [0, 0, 0]).map((d) => (d * Math.PI) / 180) as [number, number, number];
  const turn = (x: number, y: number, z: number): readonly [number, number, number] => {
    const [x1, y1] = [x * Math.cos(c) - y * Math.sin(c), x * Math.sin(c) + y * Math.cos(c)];
    const [x2, z2] = [x1 * Math.cos(b) + z * Math.sin(b), -x1 * Math.sin(b) + z * Math.cos(b)];
    return [x2, y1 * Math.cos(a) - z2 * Math.sin(a), y1 * Math.sin(a) + z2 * Math.cos(a)];
  };
  const points = new Float32Array(3 * nx * ny);
  for (let i = 0; i < nx * ny; i++) {
    // Points of a scanner do not lie on a grid.
    const jitter = () => (o.mesh ? 0 : (random() - 0.5) * o.spacingMm);
    const x = (i % nx) * o.spacingMm + jitter();
    const y = Math.floor(i / nx) * o.spacingMm + jitter();
    points.set(turn(x, y, o.faceAt(x, y) - o.depthAt(x, y) + o.noiseMm * normal(random)), 3 * i);
  }
  let volume = 0;
  let area = 0;
  const fine = o.spacingMm / 3;
  for (let x = fine / 2; x < o.lengthMm; x += fine)
    for (let y = fine / 2; y < o.widthMm; y += fine) {
      const d = o.depthAt(x, y);
      volume += d;
      if (d > 0) area++;
    }
  const truth = { volumeMl: (volume * fine * fine) / 1000, areaMm2: area * fine * fine };
  if (!o.mesh) return { xyz: points, triangles: 0, ...truth };
  const triangles = 2 * (nx - 1) * (ny - 1);
  const xyz = new Float32Array(9 * triangles);
  let at = 0;
  const corner = (i: number) => {
    for (let k = 0; k < 3; k++) xyz[at++] = points[3 * i + k]!;
  };
  for (let y = 0; y + 1 < ny; y++)
    for (let x = 0; x + 1 < nx; x++) {
      const i = y * nx + x;
      for (const k of [i, i + 1, i + nx + 1, i, i + nx + 1, i + nx]) corner(k);
    }
  return { xyz, triangles, ...truth };
}

/** A wavy closed outline about (x, y): distance from its middle as a share of its reach, 1 on the rim. */
const blob = (x: number, y: number, cx: number, cy: number, rx: number, ry: number): number => {
  const [u, v] = [(x - cx) / rx, (y - cy) / ry];
  const angle = Math.atan2(v, u);
  return Math.hypot(u, v) / (1 + 0.13 * Math.sin(3 * angle + 0.7) + 0.06 * Math.cos(5 * angle));
};

/** A spalled place at the edge of the slip ramp: steep rim, rough floor, running off the edge of the slab. */
export const rampEdgeScan = (spacingMm: number, noiseMm = 0.4, mesh = true): MadeScan =>
  makeScan({
    lengthMm: 360,
    widthMm: 220,
    spacingMm,
    noiseMm,
    seed: 11,
    mesh,
    turnedDeg: [8, -5, 20],
    faceAt: () => 0,
    depthAt: (x, y) => {
      const r = blob(x, y, 185, 6, 95, 120);
      if (r >= 1) return 0;
      return (34 * (1 - r ** 3) + 2.2 * Math.sin(x / 9) * Math.cos(y / 7)) * Math.min(1, (1 - r) * 6);
    },
  });

/** A gouge along the curved hull of the workboat. */
export const hullGougeScan = (spacingMm: number, noiseMm = 0.3, mesh = false): MadeScan =>
  makeScan({
    lengthMm: 420,
    widthMm: 260,
    spacingMm,
    noiseMm,
    seed: 23,
    mesh,
    turnedDeg: [-12, 25, 40],
    faceAt: (x, y) => -((x - 210) ** 2) / 2600 - (y - 130) ** 2 / 1500 + ((x - 210) * (y - 130)) / 9000,
    depthAt: (x, y) => {
      const r = blob(x, y, 215, 128, 130, 34);
      return r >= 1 ? 0 : 14 * (1 - r * r) ** 1.2;
    },
  });
