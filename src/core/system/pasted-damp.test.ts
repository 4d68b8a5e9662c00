import fc from 'fast-check';
import type { SystemKindId } from './kinds';
import { readPasted } from './pasted';
import { dampOf, dampsIn, inTiers, ofHumidity } from './pasted-damp';
import { linesOf, type PastedTime } from './pasted-time';
import { parseTable } from './table-text';

const dries: SystemKindId = 'joint-colour';
const told = (text: string, kind: SystemKindId | null = dries, system: 'metric' | 'us' = 'metric') =>
  readPasted(text, 'paste', kind, system).map((t) => [t.guess, linesOf(t)]);
const TWO = '10 to 20 C, up to 80 %: 6 h\nabove 20 C, up to 50 %: 2 h\nabove 20 C, up to 80 %: 6 h';

test.each([
  ['in a column', 'Temperature | Humidity | Drying time\n20 °C | 50 % | 2 h\n10 °C | 80 % | 6 h'],
  ['in a line', 'Drying time 2 h at 20 °C and 50 % RH, 6 h at 10 °C and 80 % RH'],
  ['in a column without its sign', 'Temperature (°C) | RH (%) | Drying time\n20 | 50 | 2 h\n10 | 80 | 6 h'],
  [
    'as a range, of which the damper end counts,',
    'Temp | Humidity | Drying time\n20 °C | 30-50 % | 2 h\n10 °C | < 80 % | 6 h',
  ],
  ['in a row', 'Temperature | 20 °C | 10 °C\nHumidity | 50 % | 80 %\nDrying time | 2 h | 6 h'],
  ['in German', 'Trocknung: 2 h bei 20 °C und 50 % rF, 6 h bei 10 °C und 80 % rF'],
])('a humidity %s beside each temperature makes tiers of what dries', (_, text) => {
  expect(told(text)).toEqual([['tack-free', TWO]]);
});

test('bands keep their ends, every time of the table its humidity', () => {
  const text = 'Temp.  RH  Recoat  Dry\n5-10 °C  85 %  4 h  12 h\n10-20 °C  85 %  2 h  8 h\n10-20 °C  60 %  1 h  4 h';
  expect(told(text)).toEqual([
    ['recoat-from', '5 to 10 C, up to 85 %: 4 h\n10 to 20 C, up to 85 %: 2 h\n10 to 20 C, up to 60 %: 1 h'],
    ['tack-free', '5 to 10 C, up to 85 %: 12 h\n10 to 20 C, up to 85 %: 8 h\n10 to 20 C, up to 60 %: 4 h'],
  ]);
});

test('“else” in a pasted line is understood as it is where it is typed', () => {
  const tiers = 'above 15 C, up to 70 %: 2 h\nabove 15 C, up to 100 %: 6 h\n0 to 15 C, up to 100 %: 6 h';
  expect(told('Drying: 2 h if ≥ 15 °C and ≤ 70 %, else 6 h')).toEqual([['tack-free', tiers]]);
  expect(told('Dry after: 2 h if above 15 °C and below 70 % RH, otherwise 6 h')).toEqual([['tack-free', tiers]]);
});

test('what does not dry keeps its curve, and its humidities are no column of times', () => {
  const text = 'Temperature | Humidity | Recoat\n20 °C | 50 % | 2 h\n10 °C | 80 % | 6 h';
  expect(told(text, 'liquid-resin')).toEqual([['recoat-from', '20 C: 2 h\n10 C: 6 h']]);
  expect(told(text, null)).toEqual([['recoat-from', '20 C: 2 h\n10 C: 6 h']]);
});

test('one humidity for all of it is only what it was tried in', () => {
  expect(told('Recoat after 1 h (20 °C, 50 % RH)')).toEqual([['recoat-from', '20 C: 1 h']]);
  expect(told('Drying 1 h at 20 °C and 50 % RH, 3 h at 10 °C and 50 % RH')).toEqual([
    ['tack-free', '20 C: 1 h\n10 C: 3 h'],
  ]);
});

test('doses of a catalyst are no humidities, and headings that only name one are', () => {
  expect(dampsIn('2 %: 15 min at 20 °C')).toEqual([]);
  expect(dampsIn('2 h at 15 °C and 70 % RH; up to 85,5 %')).toEqual(['70', '85.5']);
  // The damper end of a cell; a figure too long for a humidity is none, however long it is.
  expect(['50 %', '< 70 % RH', '40-60', '85,5', '1234', '9'.repeat(50_000), 'dry', undefined].map(dampOf)).toEqual([
    ...['50', '70', '60', '85.5'],
    ...[undefined, undefined, undefined, undefined],
  ]);
  expect(['Humidity', 'RH (%)', 'r.h.', 'Relative humidity', 'max. humidity'].every(ofHumidity)).toBe(true);
  expect(['Drying', 'Recoat at 50 % RH', 'Humid', 'Rh value of it'].some(ofHumidity)).toBe(false);
});

/** Minutes a film takes: shorter when warm, longer in damp air. */
const minutes = (tempC: number, damp: number) => Math.ceil(600 * 2 ** (-tempC / 10) * (1 + damp / 50));
const points = fc.uniqueArray(
  fc.record({ tempC: fc.integer({ min: -5, max: 34 }), damp: fc.integer({ min: 30, max: 95 }) }),
  { minLength: 2, maxLength: 8, selector: ({ tempC, damp }) => `${tempC}/${damp}` },
);

test('its tiers tell the shortest wait that a point vouches for: one as cold or colder, in air as damp or damper', () => {
  fc.assert(
    fc.property(points, fc.integer({ min: -5, max: 39 }), fc.integer({ min: 20, max: 95 }), (told, tempC, damp) => {
      fc.pre(new Set(told.map((p) => p.damp)).size > 1);
      const time: PastedTime = {
        heading: 'Drying',
        end: null,
        guess: 'tack-free',
        unit: null,
        reference: null,
        cells: told.map((p) => ({
          temp: `${p.tempC} C`,
          damp: `${p.damp}`,
          time: `${minutes(p.tempC, p.damp)} min`,
        })),
      };
      const table = parseTable(linesOf(inTiers(time, true)), 'times', 'metric');
      if (table.form !== 'tiers') throw new Error(table.form);
      const [tier] = table.tiers
        .filter((t) => t.fromC <= tempC && tempC < t.toC && t.humidityToPct >= damp)
        .sort((a, b) => a.humidityToPct - b.humidityToPct);
      const vouched = told.filter((p) => p.tempC <= tempC && p.damp >= damp).map((p) => minutes(p.tempC, p.damp));
      expect(tier?.toMin ?? null).toBe(vouched.length ? Math.min(...vouched) : null);
    }),
    { numRuns: 400 },
  );
});
