/** Steps of one round, those far from each other first: halves, then the halves of those. */
const spread = (n: number): readonly number[] =>
  n % 2 || n <= 2 ? Array.from({ length: n }, (_, i) => i) : spread(n / 2).flatMap((i) => [i, i + n / 2]);

/**
 * The order in which fasteners in a round are drawn up, numbered as they stand, from 1: each as far as it may be from
 * the one before.
 * @example crosswise(4) // [1, 3, 2, 4]
 * @example crosswise(5) // [1, 3, 5, 2, 4]
 */
export function crosswise(n: number): readonly number[] {
  if (n % 2 === 0) return spread(n).map((i) => i + 1);
  const step = Math.max(1, (n - 1) / 2);
  return Array.from({ length: n }, (_, i) => ((i * step) % n) + 1);
}
