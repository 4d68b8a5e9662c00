import fc from 'fast-check';
import { evaporation } from '.';

const AT = { surfaceC: 15, airC: 17, humidityPct: 45, windKmh: 22 };
test('the worked figures: 0.389 in the wind, 0.135 in a light one, 0.154 in damp air', () => {
  expect(evaporation(AT)).toBeCloseTo(0.389, 3);
  expect(evaporation({ ...AT, windKmh: 5 })).toBeCloseTo(0.135, 3);
  expect(evaporation({ ...AT, humidityPct: 70 })).toBeCloseTo(0.154, 3);
});
test('more wind and warmer mortar take more, damper air less, and nothing is ever given back', () => {
  const c = fc.double({ min: -5, max: 40, noNaN: true });
  fc.assert(
    fc.property(
      fc.record({
        surfaceC: c,
        airC: c,
        humidityPct: fc.double({ min: 0, max: 100, noNaN: true }),
        windKmh: fc.double({ min: 0, max: 80, noNaN: true }),
      }),
      (o) => {
        const e = evaporation(o);
        expect(e).toBeGreaterThanOrEqual(0);
        expect(evaporation({ ...o, windKmh: o.windKmh + 5 })).toBeGreaterThanOrEqual(e);
        expect(evaporation({ ...o, surfaceC: o.surfaceC + 3 })).toBeGreaterThanOrEqual(e);
        expect(evaporation({ ...o, humidityPct: Math.min(100, o.humidityPct + 10) })).toBeLessThanOrEqual(e);
      },
    ),
  );
});
