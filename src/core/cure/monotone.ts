import { refuse, texts } from '../say';

const REFUSED = texts('refused.cure.monotone', {
  'point-does-not': 'Point {n} does not come after the one before it.',
});

/**
 * A smooth curve through points that never overshoots: cubic Hermite pieces with the slopes of Fritsch & Carlson
 * (1980).
 * Level before the first point and after the last.
 * @param x rising, at least one
 * @throws Refusal for places that do not rise
 */
export function monotoneCurve(x: readonly number[], y: readonly number[]): (at: number) => number {
  const n = x.length;
  for (let i = 1; i < n; i++)
    if (!(x[i]! > x[i - 1]!)) refuse(`points.${i}`, x[i]!, 'rising places', REFUSED['point-does-not']({ n: i + 1 }));
  if (n < 2) return () => y[0] ?? 0;
  const secant = Array.from({ length: n - 1 }, (_, i) => (y[i + 1]! - y[i]!) / (x[i + 1]! - x[i]!));
  const slope = Array.from({ length: n }, (_, i) => {
    if (i === 0) return secant[0]!;
    if (i === n - 1) return secant[n - 2]!;
    return secant[i - 1]! * secant[i]! <= 0 ? 0 : (secant[i - 1]! + secant[i]!) / 2;
  });
  for (let i = 0; i < n - 1; i++) {
    if (secant[i] === 0) {
      slope[i] = 0;
      slope[i + 1] = 0;
      continue;
    }
    const [a, b] = [slope[i]! / secant[i]!, slope[i + 1]! / secant[i]!];
    const size = Math.hypot(a, b);
    // Inside the circle of radius 3 a cubic piece is monotone.
    if (size > 3) {
      slope[i] = ((3 * a) / size) * secant[i]!;
      slope[i + 1] = ((3 * b) / size) * secant[i]!;
    }
  }
  return (at) => {
    if (at <= x[0]!) return y[0]!;
    if (at >= x[n - 1]!) return y[n - 1]!;
    let i = 0;
    while (i < n - 2 && x[i + 1]! <= at) i++;
    const h = x[i + 1]! - x[i]!;
    const t = (at - x[i]!) / h;
    const [t2, t3] = [t * t, t * t * t];
    return (
      (2 * t3 - 3 * t2 + 1) * y[i]! +
      (t3 - 2 * t2 + t) * h * slope[i]! +
      (3 * t2 - 2 * t3) * y[i + 1]! +
      (t3 - t2) * h * slope[i + 1]!
    );
  };
}
