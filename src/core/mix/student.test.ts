import { studentBelow } from './student';

// Of a printed table: the value below which so much lies, by degrees of freedom.
test.each([
  [1, 6.314, 0.95],
  [1, 31.82, 0.99],
  [2, 2.92, 0.95],
  [2, 0.816, 0.75],
  [3, 2.353, 0.95],
  [4, 2.132, 0.95],
  [4, 4.604, 0.995],
  [5, 2.571, 0.975],
  [9, 1.383, 0.9],
  [10, 1.812, 0.95],
  [30, 2.042, 0.975],
])('with %i degrees of freedom, below %d lies %d', (freedom, t, share) => {
  expect(studentBelow(t, freedom)).toBeCloseTo(share, 3);
  expect(studentBelow(-t, freedom)).toBeCloseTo(1 - share, 3);
});

test('half lies below nought; it grows, and with many degrees it is the normal', () => {
  for (let freedom = 1; freedom < 40; freedom++) {
    expect(studentBelow(0, freedom)).toBeCloseTo(0.5, 12);
    const row = [-50, -3, -1, -0.2, 0.2, 1, 3, 50].map((t) => studentBelow(t, freedom));
    expect(row).toEqual([...row].sort((a, b) => a - b));
    expect(row[0]!).toBeGreaterThanOrEqual(0);
    expect(row.at(-1)!).toBeLessThanOrEqual(1);
  }
  expect(studentBelow(1.96, 4001)).toBeCloseTo(0.975, 3);
});

test('its slope is the density, summed up in small steps', () => {
  // Γ((ν+1)/2) / (√(νπ) Γ(ν/2)) for 3 and 6 degrees, by hand.
  const heights = { 3: 2 / (Math.PI * Math.sqrt(3)), 6: 15 / (16 * Math.sqrt(6)) } as const;
  for (const freedom of [3, 6] as const) {
    let sum = 0;
    const [from, to, n] = [-1, 2, 3000];
    for (let i = 0; i < n; i++) {
      const t = from + ((i + 0.5) / n) * (to - from);
      sum += (heights[freedom] * (1 + (t * t) / freedom) ** (-(freedom + 1) / 2) * (to - from)) / n;
    }
    expect(studentBelow(2, freedom) - studentBelow(-1, freedom)).toBeCloseTo(sum, 6);
  }
});
