import fc from 'fast-check';
import { readPasted } from './pasted';
import { linesOf } from './pasted-time';

const told = (text: string) => readPasted(text, 'paste').map((t) => [t.guess, linesOf(t)]);

const TABLE = 'Temperature | Pot life | Handling\n10 °C | 40 min | 12 h\n20 °C | 20 min | 6 h';
const FROM_TABLE = [
  ['use-by', '10 C: 40 min\n20 C: 20 min'],
  ['release', '10 C: 12 h\n20 C: 6 h'],
];

test('times in lines beside a table are told as well, above it and below', () => {
  expect(told(`Let stand 5 min after mixing\n${TABLE}\nFull cure 7 d at 20 °C`)).toEqual([
    ...FROM_TABLE,
    ['stand', '5 min'],
    ['full-cure', '20 C: 7 d'],
  ]);
});

test('what the table tells at every temperature is not told again by a line', () => {
  expect(told(`Pot life 25 min at 20 °C\n${TABLE}`)).toEqual(FROM_TABLE);
});

test('lines that name no time of the trade stay out of it, and a table alone is what it was', () => {
  expect(told(`Lunch 30 min\nStore at 5 to 25 °C\n${TABLE}\nDelivery 3 d`)).toEqual(FROM_TABLE);
  expect(told(TABLE)).toEqual(FROM_TABLE);
});

test('a table with temperatures along its top keeps its rows, beside the lines', () => {
  const text =
    'Temperature 10 °C 20 °C 30 °C\nPot life 40 min 20 min 10 min\nHandling 12 h 6 h 3 h\nRainproof after 2 h';
  expect(told(text)).toEqual([
    ['use-by', '10 C: 40 min\n20 C: 20 min\n30 C: 10 min'],
    ['release', '10 C: 12 h\n20 C: 6 h\n30 C: 3 h'],
    ['dry', '2 h'],
  ]);
});

test('no line beside a table takes anything from it', () => {
  const LINES = ['Full cure 7 d at 20 °C', 'Stand 5 min', 'Foot traffic 24 h', 'Pot life 30 min', 'Open time 15 min'];
  fc.assert(
    fc.property(fc.shuffledSubarray(LINES), fc.nat({ max: LINES.length }), (lines, at) => {
      const text = [...lines.slice(0, at), TABLE, ...lines.slice(at)].join('\n');
      const all = told(text);
      expect(all.slice(0, 2)).toEqual(FROM_TABLE);
      // Each milestone once: what is told twice is asked nowhere.
      expect(new Set(all.map(([guess]) => guess)).size).toBe(all.length);
      expect(all).toHaveLength(2 + lines.filter((l) => !l.startsWith('Pot life')).length);
    }),
  );
});
