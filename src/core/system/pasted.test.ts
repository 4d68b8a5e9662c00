import { MILESTONES, type MilestoneId } from './milestone';
import { linesOf, milestoneMeant, readPasted, wantsUnit } from './pasted';
import { parseTable } from './table-text';

const read = (text: string) =>
  readPasted(text, 'paste').map((t) => [t.heading, t.guess, linesOf(t).split('\n')] as const);

test('a table with gaps: temperatures down the side, a heading over each time', () => {
  expect(
    read(`Application data
Temperature   Pot life   Handling strength   Full cure
10 °C         60 min     24 h                10 d
20 °C         30 min     10 h                7 d
30 °C         15 - 20 min   5 h              4 d`),
  ).toEqual([
    ['Pot life', 'use-by', ['10 C: 60 min', '20 C: 30 min', '30 C: 15 - 20 min']],
    ['Handling strength', 'release', ['10 C: 24 h', '20 C: 10 h', '30 C: 5 h']],
    ['Full cure', 'full-cure', ['10 C: 10 d', '20 C: 7 d', '30 C: 4 d']],
  ]);
});

test('the same table after a reader has taken every gap out', () => {
  expect(
    read(`10 °C 60 min 24 h 10 d
20 °C 30 min 10 h 7 d`),
  ).toEqual([
    ['', null, ['10 C: 60 min', '20 C: 30 min']],
    ['', null, ['10 C: 24 h', '20 C: 10 h']],
    ['', null, ['10 C: 10 d', '20 C: 7 d']],
  ]);
});

test('temperatures along the top, words at the side, a hole in the table', () => {
  expect(read('\t5 °C\t10 °C\t20 °C\nWorking time\t90 min\t55 min\t25 min\nFixture time\t-\t9 h\t4 h')).toEqual([
    ['Working time', 'use-by', ['5 C: 90 min', '10 C: 55 min', '20 C: 25 min']],
    ['Fixture time', 'release', ['10 C: 9 h', '20 C: 4 h']],
  ]);
});

test('along the top without gaps', () => {
  expect(read('Base temperature 5 °C 15 °C 25 °C\nSet to touch 8 h 4 h 2 h')).toEqual([
    ['Set to touch', 'tack-free', ['5 C: 8 h', '15 C: 4 h', '25 C: 2 h']],
  ]);
});

test('bands with their unit said once, numbers with their unit in the heading', () => {
  expect(
    read('Base °C | Working time (min) | Loading time (h)\n-5 to 0 | 45 | 18\n0 to 5 | 30 | 12\n+5 – 10 | 20 | 6'),
  ).toEqual([
    ['Working time', 'use-by', ['-5 to 0 C: 45 min', '0 to 5 C: 30 min', '5 to 10 C: 20 min']],
    ['Loading time', 'load', ['-5 to 0 C: 18 h', '0 to 5 C: 12 h', '5 to 10 C: 6 h']],
  ]);
});

test('degrees Fahrenheit are kept as they are', () => {
  expect(read('°F\tOpen time\n50 °F\t40 min\n70 °F\t20 min')).toEqual([
    ['Open time', 'open', ['50 F: 40 min', '70 F: 20 min']],
  ]);
});

test('a column of bare numbers without a unit is asked, not guessed', () => {
  const [time] = readPasted('Temp °C\tGel time\n10\t40\n20\t20', 'paste');
  expect([time!.guess, wantsUnit(time!), linesOf(time!, 'min')]).toEqual(['gel', true, '10 C: 40 min\n20 C: 20 min']);
});

test('a column too many is there to be left out, and a line of words is no row', () => {
  const times = read(
    'Temp\tPot life\tRemarks\n10 °C\t40 min\tstir well\nall figures at 50 % humidity\n20 °C\t20 min\t',
  );
  expect(times.map(([heading]) => heading)).toEqual(['Pot life', 'Remarks']);
  expect(times[0]![2]).toEqual(['10 C: 40 min', '20 C: 20 min']);
});

test.each(['', 'no table here', '10 °C', 'Pot life 20 min'])('“%s” holds no table, and that is said', (text) => {
  expect(() => readPasted(text, 'paste')).toThrow(/No temperatures with times/);
});

test('what is taken from a table is read by the field it goes to', () => {
  for (const t of readPasted(
    'Temp  Pot life  Sandable\n5 to 10 °C  1 h 30 min  4 to 5 h\n10 to 20 °C  45 min  2 h',
    'x',
  ))
    expect(parseTable(linesOf(t), 'x', 'us').form).toBe('bands');
});

const WORDS: readonly (readonly [string, MilestoneId])[] = [
  ['Pot life', 'use-by'],
  ['Gel time', 'gel'],
  ['Max. overcoating time', 'recoat-until'],
  ['Overcoating, min', 'recoat-from'],
  ['Light traffic', 'light-load'],
  ['Foot traffic', 'foot'],
  ['Full load', 'load'],
  ['Torque after', 'load'],
  ['Time to dust-free', 'tack-free'],
  ['Resistant to rain', 'dry'],
  ['Water immersion', 'wet'],
  ['Clamp time', 'release'],
  ['Can be sanded after', 'sandable'],
  ['Time to remain in the static mixer nozzle', 'idle'],
];
test.each(WORDS)('“%s” is %s', (words, id) => expect(milestoneMeant(words)).toBe(id));

test.each(['Pot life in heaps', 'Working time, spread out', 'Use-by out of the bucket'])(
  '%s is the life once poured out',
  (label) => {
    expect(milestoneMeant(label)).toBe('use-by-out');
  },
);
test('our own words for a time are known to be that time, but for those nobody else prints', () => {
  const ours = Object.entries(MILESTONES).filter(([id, m]) => milestoneMeant(m.label) !== id);
  expect(ours.map(([id]) => id)).toEqual(['bare', 'wash-from', 'wash-until', 'sandable-until']);
});
