import { madeUpProbe, probeAfter } from './probe';

test('held to a face the tip comes to it, and says when it may be read', () => {
  const face = { tempC: 6, humidityPct: 80 };
  expect(probeAfter(0, face, 24, 0)).toMatchObject({ tempC: 24, settled: false });
  expect(probeAfter(6, face, 24, 0).tempC).toBeCloseTo(6 + 18 / Math.E, 1);
  expect(probeAfter(40, face, 24, 0)).toEqual({ tempC: 6, humidityPct: 80, settled: true });
});

test('readings come second by second, the same for the same seed, humidity inside its range', () => {
  const take = (seed: number) => {
    const probe = madeUpProbe({ tempC: 10, humidityPct: 99.8 }, seed, 1000);
    return Array.from({ length: 60 }, () => probe.next().value!);
  };
  expect(take(3)).toEqual(take(3));
  expect(take(3)).not.toEqual(take(4));
  for (const [i, r] of take(3).entries()) {
    expect(r.atMs).toBe(1000 + (i + 1) * 1000);
    expect(r.humidityPct).toBeLessThanOrEqual(100);
  }
  const settled = take(5).filter((r) => r.settled);
  expect(Math.abs(settled.reduce((s, r) => s + r.tempC, 0) / settled.length - 10)).toBeLessThan(0.1);
});
