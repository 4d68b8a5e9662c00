/**
 * Of a long row those near one, with the first and the last: as many as fit beside each other. Each is worked by
 * itself, and none is out of reach.
 * @param most how many are shown, at least 3
 * @returns their indices in order, each once
 * @example near(27, 13, 7) // [0, 11, 12, 13, 14, 15, 26]
 */
export function near(count: number, at: number, most: number): readonly number[] {
  if (count <= most) return Array.from({ length: count }, (_, i) => i);
  const between = most - 2;
  const from = Math.min(Math.max(1, at - Math.floor(between / 2)), count - 1 - between);
  return [0, ...Array.from({ length: between }, (_, i) => from + i), count - 1];
}
