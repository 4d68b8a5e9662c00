import fc from 'fast-check';
import { inOneMeasure } from './one-measure';
import { plainLine } from './time-line';

test.each([
  ['20 min at 70 °F (21 °C)', '20 min at 70 °F'],
  ['70°F/21°C: 20 min', '70°F: 20 min'],
  ['40°F - 110°F (4°C - 43°C)', '40°F - 110°F'],
  ['1/4 in (6 mm) to 2 in (50 mm)', '1/4 in to 2 in'],
  ['1/2 in. to 4 in. (13 to 100 mm)', '1/2 in. to 4 in.'],
  ['1/4" / 6 mm', '1/4"'],
  ['50-lb. (22.7-kg) bags', '50-lb. bags'],
  ['50-lb bag (22.7 kg)', '50-lb bag'],
  ['9.6 lb/gal (1.15 kg/L)', '9.6 lb/gal'],
  ['0.40 ft³ (0.011 m³)', '0.40 ft³'],
  ['12 mils (300 µm)', '12 mils'],
  ['1 gal (3.8 L) / 1 qt (0.95 L)', '1 gal / 1 qt'],
  ['3/8" (10 mm) rod, 7/16" (11 mm) hole', '3/8" rod, 7/16" hole'],
])('%s in one measure is %s', (printed, plain) => {
  expect(inOneMeasure(printed)).toBe(plain);
});

test.each([
  ['22 oz (650 mL) cartridge', '650 mL cartridge'],
  ['22 oz cartridge (650 mL)', '650 mL cartridge'],
  ['hardener 4 oz (113 g)', 'hardener 113 g'],
])('of ounces that may be either the other figure tells which: %s', (printed, plain) => {
  expect(inOneMeasure(printed)).toBe(plain);
});

test.each([
  '5 kg (4 kg + 1 kg)',
  '600 mL (2 x 300 mL)',
  'A 420 g / B 210 g',
  '1 kg / 500 g',
  '1 L / 1 kg',
  '10 °C / 20 °C / 30 °C',
  '4 h / 2 h',
  '20/30 min',
  'Pot life 20 min (100 g)',
  'Kit 10 lb (2 gal)',
  '10 °C (68 °F room)',
  '50 °F (21 °C)',
])('two figures that are not the same stay: %s', (printed) => {
  expect(inOneMeasure(printed)).toBe(printed);
});

test('law: a figure followed by itself in the other measure is that figure, however both were rounded', () => {
  const places = fc.integer({ min: 0, max: 2 });
  fc.assert(
    fc.property(fc.integer({ min: -10, max: 60 }), places, (c, p) => {
      const f = ((c * 9) / 5 + 32).toFixed(p);
      expect(inOneMeasure(`cure at ${c} °C (${f} °F)`)).toBe(`cure at ${c} °C`);
    }),
  );
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 500 }), places, (inches, p) => {
      expect(inOneMeasure(`up to ${inches / 10} in (${(inches * 2.54).toFixed(p)} mm) deep`)).toBe(
        `up to ${inches / 10} in deep`,
      );
    }),
  );
});

test('a line of times keeps nothing of the second measure', () => {
  expect(plainLine('Working time: 20 minutes @ 70℉ (21℃)')).toBe('Working time: 20 minutes at 70°F');
});
