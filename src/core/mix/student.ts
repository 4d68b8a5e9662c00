/**
 * How much of Student’s t with so many degrees of freedom lies below a value. Closed form for whole degrees
 * (Abramowitz & Stegun, 26.7.3 and 26.7.4).
 * @param freedom a whole number from 1
 * @returns 0 to 1
 */
export function studentBelow(t: number, freedom: number): number {
  const angle = Math.atan(t / Math.sqrt(freedom));
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const odd = freedom % 2 === 1;
  // 1 + ½cos² + ½·¾cos⁴ + …, or cos + ⅔cos³ + …, up to the power of the degrees less two.
  let term = odd ? cos : 1;
  let sum = freedom === 1 ? 0 : term;
  for (let k = odd ? 3 : 2; k <= freedom - 2; k += 2) {
    term *= ((k - 1) / k) * cos * cos;
    sum += term;
  }
  const within = odd ? (2 / Math.PI) * (angle + sin * sum) : sin * sum;
  return Math.min(1, Math.max(0, (1 + within) / 2));
}
