import fc from 'fast-check';
import { conduct, leftOf, type Plate, secondsTo } from '.';

/** A moulding stick of 8 mm in hot water, and pressed to 5 mm in the air. */
const stick: Plate = { halfM: 0.004, kWPerMK: 0.25, rhoC: 1080 * 1900, h: 500 };
const pressed: Plate = { ...stick, halfM: 0.0025, h: 25 };

test('a stick of 12 °C in water of 68 °C is soft at its centre after 2.44 min, not after one', () => {
  expect(secondsTo(stick, { fromC: 12, intoC: 68, toC: 60, at: 'centre' })! / 60).toBeCloseTo(2.44, 2);
  expect(68 - 56 * leftOf(stick, 60, 'centre')).toBeCloseTo(39, 0);
  expect(68 - 56 * leftOf(stick, 2.44 * 60, 'mean')).toBeCloseTo(62.4, 1);
});
test('pressed to 5 mm it is stiff by its mean after 62 s, a little later than a piece without resistance', () => {
  const seconds = secondsTo(pressed, { fromC: 62.4, intoC: 12, toC: 50, at: 'mean' })!;
  expect(Math.abs(seconds - 62)).toBeLessThan(1);
  const lumped = ((pressed.rhoC * pressed.halfM) / pressed.h) * Math.log(50.4 / 38);
  expect(lumped).toBeGreaterThan(57);
  expect(lumped).toBeLessThan(seconds);
});
test('it agrees with the finite volumes, which know no series', () => {
  fc.assert(
    fc.property(
      fc.record({
        halfM: fc.double({ min: 0.002, max: 0.02, noNaN: true }),
        h: fc.double({ min: 10, max: 800, noNaN: true }),
        minutes: fc.integer({ min: 2, max: 30 }),
      }),
      ({ halfM, h, minutes }) => {
        const plate = { ...stick, halfM, h };
        const steps = 1200;
        const { cellsC } = conduct(
          // The middle of the piece lets no heat through.
          { thicknessM: halfM, kWPerMK: 0.25, rhoC: stick.rhoC, hOuter: h, inner: { kind: 'insulated' }, cells: 60 },
          new Float64Array(steps).fill(0),
          null,
          1,
          (minutes * 60) / steps,
        );
        const mean = cellsC.reduce((a, b) => a + b, 0) / cellsC.length;
        expect(Math.abs(leftOf(plate, minutes * 60, 'mean') - mean)).toBeLessThan(0.004);
        expect(Math.abs(leftOf(plate, minutes * 60, 'centre') - cellsC.at(-1)!)).toBeLessThan(0.006);
      },
    ),
    { numRuns: 25 },
  );
});
test('it only ever comes nearer, and the centre lags behind the mean', () => {
  let before = 1;
  for (let s = 0; s <= 600; s += 20) {
    const [centre, mean] = [leftOf(stick, s, 'centre'), leftOf(stick, s, 'mean')];
    expect(mean).toBeLessThanOrEqual(centre + 1e-9);
    expect(centre).toBeLessThanOrEqual(before + 1e-9);
    before = centre;
  }
});
test('what is never reached is null, what is there already takes no time, a piece of nothing is refused', () => {
  expect(secondsTo(stick, { fromC: 12, intoC: 55, toC: 60, at: 'centre' })).toBeNull();
  expect(secondsTo(stick, { fromC: 12, intoC: 68, toC: 12, at: 'centre' })).toBe(0);
  expect(() => leftOf({ ...stick, halfM: 0 }, 10, 'mean')).toThrow(/more than 0/);
});
