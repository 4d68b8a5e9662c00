import fc from 'fast-check';
import { attempt } from '../say';
import { linesOf, parseTable, readPasted } from '.';
import { spelledOut } from './time-short';

test.each([
  // A unit said once holds for all: of time forwards, of temperature from wherever it stands.
  ['48 min at 15, 26 at 25 °C', '15 C: 48 min\n25 C: 26 min'],
  ['9 min at 10–20 °C, 5 min at 20–30 (resin)', '10 to 20 C: 9 min\n20 to 30 C: 5 min'],
  ['6 h at 10, 3 h at 20', '10 C: 6 h\n20 C: 3 h'],
  ['5 h at 5–10, 2 h 30 at 10–20, 1 h 15 at 20–30 (base)', '5 to 10 C: 5 h\n10 to 20 C: 150 min\n20 to 30 C: 75 min'],
  ['14–20 h at 5, 5–6 h at 20', '5 C: 14 h to 20 h\n20 C: 5 h to 6 h'],
  ['10-20C 2h30, 20-30C 1h15', '10 to 20 C: 150 min\n20 to 30 C: 75 min'],
  ['from 18 °C 20 h, 10–18 36 h', 'above 18 C: 20 h\n10 to 18 C: 36 h'],
  // By strokes, in one order.
  ['30/20/8 h at 5/10/20 °C', '5 C: 30 h\n10 C: 20 h\n20 C: 8 h'],
  ['30 / 20 / 8 h at 5 / 10 / 20', '5 C: 30 h\n10 C: 20 h\n20 C: 8 h'],
  ['10/20 °C: 10/5 min', '10 C: 10 min\n20 C: 5 min'],
  ['2 h 30 / 45 min at 10/20 °C', '10 C: 150 min\n20 C: 45 min'],
  // For each dose.
  [
    '1 % 16/8, 2 % 10/5, 3 % 7/3.5 min at 10/20 °C',
    '1 %, 10 C: 16 min\n1 %, 20 C: 8 min\n2 %, 10 C: 10 min\n2 %, 20 C: 5 min\n3 %, 10 C: 7 min\n3 %, 20 C: 3.5 min',
  ],
  // Otherwise.
  [
    '2 h if ≥ 15 °C and ≤ 70 %, else 6 h',
    'above 15 C, up to 70 %: 2 h\nabove 15 C, up to 100 %: 6 h\n0 to 15 C, up to 100 %: 6 h',
  ],
  ['20 °C → 3 h', '20 C: 3 h'],
])('“%s” is the table of its lines', (short, lines) => {
  expect(parseTable(short, 'x', 'metric')).toEqual(parseTable(lines, 'x', 'metric'));
});

test('bare temperatures behind “at” are in the degrees of the reader', () => {
  expect(parseTable('72 h at 40, 24 h at 70', 'x', 'us')).toEqual(parseTable('40 F: 72 h\n70 F: 24 h', 'x', 'us'));
});

test.each([
  '10/20 °C: 15 min', // Two temperatures, one time.
  '10/5 min', // No share of anything.
  '20 min 10, 10 min 20', // Which is which?
  '4 h, 8 h',
  '10: 40, 20: 20',
  '1 % 16/8, 2 % 10 min at 10/20 °C', // One time for two temperatures.
])('“%s” is no table, and no fraction either', (text) => {
  expect(attempt(() => parseTable(text, 'x', 'metric')).ok).toBe(false);
});

test.each(['4 h to 24 h', '45 to 60 min at 23 °C', '1/2 h', '2 %, 20 C: 15 min', '1,5 h at 20,5 °C', '20/30 min'])(
  '“%s” is one saying, and stays as it is',
  (line) => {
    expect(spelledOut(line)).toEqual([line]);
  },
);

test('law: however short it is said, the same times belong to the same temperatures', () => {
  const hours = fc.integer({ min: 1, max: 90 });
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 1, max: 40 }), { minLength: 2, maxLength: 4 }),
      hours,
      (temps, most) => {
        const sorted = [...temps].sort((a, b) => a - b);
        const times = sorted.map((_, i) => most + 4 * (sorted.length - i));
        const table = parseTable(sorted.map((t, i) => `${t} C: ${times[i]} h`).join('\n'), 'x', 'metric');
        const said = [
          `${times.join('/')} h at ${sorted.join('/')} °C`,
          `${sorted.join('/')} °C: ${times.join('/')} h`,
          sorted.map((t, i) => `${times[i]}${i ? '' : ' h'} at ${t}`).join(', '),
          sorted.map((t, i) => `${times[i]} h at ${t}${i === sorted.length - 1 ? ' °C' : ''}`).join(', '),
        ];
        for (const short of said) expect([short, parseTable(short, 'x', 'metric')]).toEqual([short, table]);
      },
    ),
  );
});

test('in a pasted text such a line is the time of its name', () => {
  const read = (text: string, system: 'metric' | 'us') =>
    readPasted(text, 'x', 'paste', system).map((t) => [t.guess, linesOf(t).split('\n')]);
  expect(read('Pot life: 48 min at 15, 26 at 25 °C\nFoot traffic 30/20/8 h at 5/10/20 °C', 'metric')).toEqual([
    ['use-by', ['15 C: 48 min', '25 C: 26 min']],
    ['foot', ['5 C: 30 h', '10 C: 20 h', '20 C: 8 h']],
  ]);
  expect(read('Pot life 40 min at 50, 20 min at 70', 'us')).toEqual([['use-by', ['50 F: 40 min', '70 F: 20 min']]]);
});
