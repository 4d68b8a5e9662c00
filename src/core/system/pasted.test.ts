import fc from 'fast-check';
import type { SystemKindId } from './kinds';
import { MILESTONES, type MilestoneId } from './milestone';
import { readPasted, untoldIn } from './pasted';
import { linesOf, type PastedTime, saferOf, wantsUnit, windowIn } from './pasted-time';
import { milestoneMeant } from './pasted-words';
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

test('a band of whole degrees is one row, and “30 °C and above” the last of them', () => {
  expect(
    read(`Base material temperature Gel time Cure time
-5 °C to -1 °C 90 min 6 h
0 °C to +4 °C 45 min 3 h
+5 °C to +9 °C 25 min 2 h
≥ 30 °C 4 min 25 min`),
  ).toEqual([
    ['Gel time', 'gel', ['-5 to -1 C: 90 min', '0 to 4 C: 45 min', '5 to 9 C: 25 min', 'above 30 C: 4 min']],
    ['Cure time', 'full-cure', ['-5 to -1 C: 6 h', '0 to 4 C: 3 h', '5 to 9 C: 2 h', 'above 30 C: 25 min']],
  ]);
});

test('what a table of an anchor calls gel and cure is its working time and its load; beside those words they stay', () => {
  const kinds = (text: string, kind: SystemKindId) => readPasted(text, 'paste', kind).map((t) => t.guess);
  const two = 'Base Gel time Cure time\n10 °C 15 min 80 min\n20 °C 6 min 45 min';
  expect(kinds(two, 'anchor-pack')).toEqual(['use-by', 'load']);
  expect(kinds(two, 'liquid-resin')).toEqual(['gel', 'full-cure']);
  const all = 'Base;Working time;Gel time;Load;Cure\n10 °C;12 min;15 min;80 min;1 d';
  expect(kinds(all, 'anchor-pack')).toEqual(['use-by', 'gel', 'load', 'full-cure']);
});

test('the hardening of a wet hole is not taken for that of a dry one', () => {
  expect(
    read('Concrete\tWorking time\tCuring time dry\tCuring time wet\n5 to 9 °C\t25 min\t2 h\t4 h').map(([h, guess]) => [
      h,
      guess,
    ]),
  ).toEqual([
    ['Working time', 'use-by'],
    ['Curing time dry', 'full-cure'],
    ['Curing time wet', null],
  ]);
});

test.each([
  [
    'Pot life at 20 °C: 30 min\nSandable at 20 °C: 8 h',
    [
      ['Pot life', 'use-by', ['20 C: 30 min']],
      ['Sandable', 'sandable', ['20 C: 8 h']],
    ],
  ],
  [
    'Pot life (20 °C)   30 min\nFoot traffic   12 hours',
    [
      ['Pot life', 'use-by', ['20 C: 30 min']],
      ['Foot traffic', 'foot', ['20 C: 12 hours']],
    ],
  ],
  [
    'Pot life: 25 min\nFull cure: 5-7 days at 25 °C\nTack free: 2 h at 20 °C',
    [
      ['Pot life', 'use-by', ['25 min']],
      ['Full cure', 'full-cure', ['25 C: 5-7 days']],
      ['Tack free', 'tack-free', ['20 C: 2 h']],
    ],
  ],
  [
    'Pot life (10 °C / 20 °C / 30 °C): 60 / 30 / 15 min',
    [['Pot life', 'use-by', ['10 C: 60 min', '20 C: 30 min', '30 C: 15 min']]],
  ],
  ['Foot traffic (10 / 20 °C): 24 h / 12 h', [['Foot traffic', 'foot', ['10 C: 24 h', '20 C: 12 h']]]],
  ['Handling: 24 h at 10 °C, 10 h at 20 °C', [['Handling', 'release', ['10 C: 24 h', '20 C: 10 h']]]],
  [
    'Gel time 25 min at 20 °C. Cured after 24 h',
    [
      ['Gel time', 'gel', ['20 C: 25 min']],
      ['Cured', 'full-cure', ['20 C: 24 h']],
    ],
  ],
  [
    'Initial cure 8 h, full cure 48 h at 25 °C',
    [
      ['Initial cure', 'release', ['25 C: 8 h']],
      ['full cure', 'full-cure', ['25 C: 48 h']],
    ],
  ],
  [
    'Recoat (20 °C): min. 4 h, max. 24 h',
    [
      ['Recoat', 'recoat-from', ['20 C: 4 h']],
      ['Recoat', 'recoat-until', ['20 C: 24 h']],
    ],
  ],
  [
    'Verarbeitungszeit bei 20 °C: ca. 30 Minuten\nBegehbar nach 12 Stunden',
    [
      ['Verarbeitungszeit', 'use-by', ['20 C: 30 min']],
      ['Begehbar', 'foot', ['20 C: 12 h']],
    ],
  ],
])('a line for each time, its temperature beside it or said once: %j', (text, times) => {
  expect(read(text)).toEqual(times);
});

test('a window in one cell is its two ends, a doubt of an hour is not', () => {
  const times = readPasted('Temperature  Recoat window  Sandable\n10 °C  8-24 h  4-5 h\n20 °C  4-12 h  3-4 h', 'paste');
  expect(times.map((t) => [t.guess, t.end, linesOf(t)])).toEqual([
    ['recoat-from', 'first', '10 C: 8 h\n20 C: 4 h'],
    ['recoat-until', 'last', '10 C: 24 h\n20 C: 12 h'],
    ['sandable', null, '10 C: 4-5 h\n20 C: 3-4 h'],
  ]);
});

test('the pot that a time is said of goes with it', () => {
  const [pot, foot] = readPasted('Temperature 10 °C 20 °C\nPot life (100 g) 60 min 30 min\nWalk on 24 h 12 h', 'paste');
  expect([pot!.reference, foot!.reference]).toEqual(['100 g', null]);
  expect(readPasted('Pot life: 25 minutes (150 g at 25 °C)', 'paste')[0]!.reference).toBe('150 g');
});

test.each([
  'Working time\nTemperature  1 %  2 %\n10 °C  16 min  8 min\n20 °C  8 min  5 min',
  'Working time  10 °C  20 °C\n1 %  16 min  8 min\n2 %  8 min  5 min',
])('times by dose, along the top or down the side, are one time: %j', (text) => {
  const [time, ...more] = readPasted(text, 'paste');
  expect(more).toEqual([]);
  expect(time!.guess).toBe('use-by');
  expect(parseTable(linesOf(time!), 'x', 'metric')).toMatchObject({
    form: 'by-dose',
    doses: [
      {
        dosePct: 1,
        table: {
          points: [
            { tempC: 10, fromMin: 16 },
            { tempC: 20, fromMin: 8 },
          ],
        },
      },
      {
        dosePct: 2,
        table: {
          points: [
            { tempC: 10, fromMin: 8 },
            { tempC: 20, fromMin: 5 },
          ],
        },
      },
    ],
  });
});

test('what else stands in the cells: units in a row of their own, hours and minutes, a gap, degrees in the words', () => {
  expect(read('Temperature Pot life Walk on Full cure\n(°C) (min) (h) (d)\n10 40 24 10\n20 20 12 7')).toEqual([
    ['Pot life', 'use-by', ['10 C: 40 min', '20 C: 20 min']],
    ['Walk on', 'foot', ['10 C: 24 h', '20 C: 12 h']],
    ['Full cure', 'full-cure', ['10 C: 10 d', '20 C: 7 d']],
  ]);
  expect(read('Temp. 50°F 68°F 86°F\nPot life 1 hr 30 min 15 min\nWalk on n/a 12 hrs 6 hrs')).toEqual([
    ['Pot life', 'use-by', ['50 F: 1 hr', '68 F: 30 min', '86 F: 15 min']],
    ['Walk on', 'foot', ['68 F: 12 hrs', '86 F: 6 hrs']],
  ]);
  expect(read('Temperature (°C) 5 10 20\nPot life (min) 90 60 30\nFull cure (days) 10 7 4')).toEqual([
    ['Pot life', 'use-by', ['5 C: 90 min', '10 C: 60 min', '20 C: 30 min']],
    ['Full cure', 'full-cure', ['5 C: 10 d', '10 C: 7 d', '20 C: 4 d']],
  ]);
});

test('“min.” over a coat is the least of it, not minutes: its unit is in brackets, or asked', () => {
  const [from, until] = readPasted('Temp °C\tRecoat min. (h)\tRecoat max. (d)\n10\t24\t3', 'paste');
  expect([linesOf(from!), linesOf(until!)]).toEqual(['10 C: 24 h', '10 C: 3 d']);
  expect(wantsUnit(readPasted('Temp °C\tRecoat min\n10\t24', 'paste')[0]!)).toBe(true);
});

test('the table is found among the other lines of a page', () => {
  expect(
    read(`TECHNICAL DATA (page 2)
Density 1.6 kg/l
Temp Pot life Foot traffic Full load
+8 °C 60 min 24 h 7 days
+20 °C 30 min 12 h 3 days
Values depend on humidity. Wait 24 h before testing.`),
  ).toEqual([
    ['Pot life', 'use-by', ['8 C: 60 min', '20 C: 30 min']],
    ['Foot traffic', 'foot', ['8 C: 24 h', '20 C: 12 h']],
    ['Full load', 'load', ['8 C: 7 days', '20 C: 3 days']],
  ]);
});

/** A table as papers print it, in one of the ways its cells are parted, and what was in it. */
const printed = fc
  .record({
    kinds: fc.subarray(['Pot life', 'Foot traffic', 'Full cure', 'Sandable'], { minLength: 1 }),
    temps: fc.uniqueArray(fc.integer({ min: -5, max: 40 }), { minLength: 2, maxLength: 5 }),
    hours: fc.array(fc.integer({ min: 1, max: 48 }), { minLength: 20, maxLength: 20 }),
    gap: fc.constantFrom('\t', '   ', ' | ', ' '),
    along: fc.boolean(),
  })
  .map(({ kinds, temps, hours, gap, along }) => {
    const time = (k: number, t: number) => `${hours[(k * temps.length + t) % hours.length]} h`;
    const degrees = temps.map((t) => `${t} °C`);
    const text = along
      ? [['Temperature', ...degrees], ...kinds.map((name, k) => [name, ...temps.map((_, t) => time(k, t))])]
      : [['Temperature', ...kinds], ...degrees.map((d, t) => [d, ...kinds.map((_, k) => time(k, t))])];
    return {
      text: text.map((row) => row.join(gap)).join('\n'),
      holds: kinds.map((name, k) => [name, temps.map((t, i) => `${t} C: ${time(k, i)}`)]),
    };
  });

test('however a table is parted and whichever way it runs, every cell comes back under its name', () => {
  fc.assert(
    fc.property(printed, ({ text, holds }) => {
      expect(read(text).map(([heading, , lines]) => [heading, lines])).toEqual(holds);
    }),
  );
});

test('a column too many is there to be left out, and a line of words is no row', () => {
  const times = read(
    'Temp\tPot life\tRemarks\n10 °C\t40 min\tstir well\nall figures at 50 % humidity\n20 °C\t20 min\t',
  );
  expect(times.map(([heading]) => heading)).toEqual(['Pot life', 'Remarks']);
  expect(times[0]![2]).toEqual(['10 C: 40 min', '20 C: 20 min']);
});

test.each(['', 'no table here', '10 °C', 'Density 1.6 kg/l at 20 °C'])(
  '“%s” holds no table, and that is said',
  (text) => {
    expect(() => readPasted(text, 'paste')).toThrow(/No temperatures with times/);
  },
);

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
  ['Use within', 'use-by'],
  ['Use up within', 'use-by'],
  ['Dry after', 'tack-free'],
  ['Drying time', 'tack-free'],
  ['Keep dry for', 'dry'],
  ['Light traffic', 'light-load'],
  ['Foot traffic', 'foot'],
  ['Full load', 'load'],
  ['Torque after', 'load'],
  ['Time to dust-free', 'tack-free'],
  ['Resistant to rain', 'dry'],
  ['Water immersion', 'wet'],
  ['Clamp time', 'release'],
  ['Wash within', 'wash-until'],
  ['First washing after', 'wash-from'],
  ['Time before grouting', 'overlay'],
  ['Can be sanded after', 'sandable'],
  ['Time to remain in the static mixer nozzle', 'idle'],
  ['Grout', 'overlay'],
  ['Ready to grout', 'overlay'],
  ['Fill the joints', 'overlay'],
  ['Bucket life', 'use-by'],
  ['Grout pot life', 'use-by'],
  ['Trowelling time', 'use-by'],
  ['Let stand', 'stand'],
  ['Slake', 'stand'],
  ['Set to touch', 'tack-free'],
  ['Sets', 'gel'],
  ['Ready to drill', 'sandable'],
  ['Cure time in drilled holes', 'full-cure'],
  ['Ready to polish', 'sandable'],
  ['Remove forms', 'release'],
  ['Props off', 'release'],
  ['Paint', 'recoat-from'],
  ['Topcoat, latest', 'recoat-until'],
  ['Second coat', 'recoat-from'],
  ['Second layer', 'next-lift'],
  ['Launch', 'wet'],
  ['Drive on', 'load'],
  ['Fork lift traffic', 'load'],
  ['Lorries', 'load'],
  ['Korrigierzeit', 'open'],
  ['Entformbar', 'release'],
  ['Überlackierbar, spätestens', 'recoat-until'],
  ['Stapler', 'load'],
];
test.each(WORDS)('“%s” is %s', (words, id) => expect(milestoneMeant(words)).toBe(id));

test('cars before lorries are the light load of two; alone they are all it bears', () => {
  const guesses = (lines: string) => readPasted(lines, 'x', 'cement-water').map(({ guess }) => guess);
  expect(guesses('Foot traffic 4 h\nCars 24 h\nLorries 72 h')).toEqual(['foot', 'light-load', 'load']);
  expect(guesses('Foot traffic 4 h\nPallet truck 12 h\nForklift 24 h')).toEqual(['foot', 'light-load', 'load']);
  expect(guesses('Foot traffic 4 h\nCars 24 h')).toEqual(['foot', 'load']);
  expect(guesses('Light load 12 h\nCars 24 h\nLorries 72 h')).toEqual(['light-load', 'load', 'load']);
  expect(guesses('Temp  Foot  Car  Truck\n10 °C  8 h  48 h  96 h\n20 °C  4 h  24 h  48 h')).toEqual([
    'foot',
    'light-load',
    'load',
  ]);
});

test('what a floor layer’s bag says of grouting and of walking is taken as it stands there', () => {
  const times = readPasted('Bucket life 2 hours\nOpen time 20 minutes\nGrout after 24 h\nFoot traffic 24 hours', 'x');
  expect(times.map(({ guess }) => guess)).toEqual(['use-by', 'open', 'overlay', 'foot']);
});

test.each(['Pot life in heaps', 'Working time, spread out', 'Use-by out of the bucket'])(
  '%s is the life once poured out',
  (label) => {
    expect(milestoneMeant(label)).toBe('use-by-out');
  },
);
test('our own words for a time are known to be that time, but for those nobody else prints', () => {
  const ours = Object.entries(MILESTONES).filter(([id, m]) => milestoneMeant(m.label) !== id);
  expect(ours.map(([id]) => id)).toEqual(['bare', 'sandable-until']);
});

test.each([
  ['recoat-from', '4 h to 24 h', '4 h', '24 h', 'recoat-until'],
  ['recoat-from', '10 C: 8-24 h\n20 C: 4-12 h', '10 C: 8 h\n20 C: 4 h', '10 C: 24 h\n20 C: 12 h', 'recoat-until'],
  ['sandable', 'between 2 and 6 h at 20 °C', '20 °C: 2 h', '20 °C: 6 h', 'sandable-until'],
] as const)('%s typed as “%s” is a window', (kind, text, first, last, until) => {
  expect(windowIn(kind, text)).toEqual({ first, last, until });
  expect(parseTable(first, 'x', 'metric').form).toBe(parseTable(last, 'x', 'metric').form);
});
test.each([
  ['recoat-from', '4 h to 5 h'],
  ['recoat-from', '10 C: 8-24 h\n20 C: 6 h'],
  ['use-by', '10 min to 40 min'],
  ['recoat-from', 'soon to 4 h'],
  ['recoat-from', ''],
] as const)('%s typed as “%s” is none', (kind, text) => expect(windowIn(kind, text)).toBeNull());

describe('two times that a sheet prints for one milestone', () => {
  const [clamp, handling, later] = readPasted(
    'Clamp time 6 h at 20 C\nHandling strength 8 h at 20 C\nFixture time 12 h at 10 C',
    'paste',
  ) as [PastedTime, PastedTime, PastedTime];
  test('where one waits the longer is safe, where one works the shorter', () => {
    for (const pair of [[clamp, handling] as const, [handling, clamp] as const]) {
      expect(saferOf(...pair, 'waiting')).toBe(handling);
      expect(saferOf(...pair, 'working')).toBe(clamp);
    }
  });
  test('neither, where they are told at other temperatures or cross each other', () => {
    expect(saferOf(clamp, later, 'waiting')).toBeNull();
    const [one, other] = readPasted('°C | Clamp (h) | Handling (h)\n10 | 8 | 12\n20 | 6 | 4', 'paste') as [
      PastedTime,
      PastedTime,
    ];
    expect(saferOf(one, other, 'waiting')).toBeNull();
  });
  test('bare numbers by their units: an hour is longer than thirty minutes', () => {
    const [one, other] = readPasted('°C | Clamp (min) | Handling (h)\n10 | 30 | 1\n20 | 20 | 1', 'paste') as [
      PastedTime,
      PastedTime,
    ];
    expect(saferOf(one, other, 'waiting')).toBe(other);
  });
});

test('a window told as after and within is its two ends', () => {
  expect(read('Recoat after 6 h at 20 °C, within 24 h\nFull cure 7 d at 20 °C')).toEqual([
    ['Recoat', 'recoat-from', ['20 C: 6 h']],
    ['Recoat', 'recoat-until', ['20 C: 24 h']],
    ['Full cure', 'full-cure', ['20 C: 7 d']],
  ]);
});

test.each([
  ['Wash between 20 and 40 min at 20 °C', 'wash-from', 'wash-until', '20 C: 20 min', '20 C: 40 min'],
  ['Wash off within 20 to 40 min at 20 °C', 'wash-from', 'wash-until', '20 C: 20 min', '20 C: 40 min'],
  ['Recoat between 6 and 8 h at 20 °C', 'recoat-from', 'recoat-until', '20 C: 6 h', '20 C: 8 h'],
  ['Recoat within 6 to 24 h at 20 °C', 'recoat-from', 'recoat-until', '20 C: 6 h', '20 C: 24 h'],
  ['Überarbeiten zwischen 6 und 24 h bei 20 °C', 'recoat-from', 'recoat-until', '20 C: 6 h', '20 C: 24 h'],
  ['Sponge off after 15 to 30 min', 'wash-from', 'wash-until', '15 min', '30 min'],
  ['Fill after 1 hour, within 24 hours', 'recoat-from', 'recoat-until', '1 hour', '24 hours'],
  ['Grind within 50 min to 4 h', 'sandable', 'sandable-until', '50 min', '4 h'],
])('%s: a window by its words', (line, from, until, first, last) => {
  expect(readPasted(line, 'x').map((t) => [t.guess, linesOf(t)])).toEqual([
    [from, first],
    [until, last],
  ]);
});
test.each([
  ['At 20 °C pot life is 45 minutes', 'use-by', '20 C: 45 minutes'],
  [
    'At 20 °C it remains usable for about 45 minutes; at 10 °C for about 90 minutes.',
    'use-by',
    '20 C: 45 minutes\n10 C: 90 minutes.',
  ],
  ['Usable for 45 minutes at 20 °C; at 10 °C for 90 minutes', 'use-by', '20 C: 45 minutes\n10 C: 90 minutes'],
  ['Bei 20 °C begehbar nach 12 h und bei 10 °C nach 24 h', 'foot', '20 C: 12 h\n10 C: 24 h'],
  ['Initial hardening 8 h at 20 °C', 'release', '20 C: 8 h'],
] as const)('%s: its words may stand behind its temperature', (line, kind, lines) => {
  expect(readPasted(line, 'x').map((t) => [t.guess, linesOf(t)])).toEqual([[kind, lines]]);
  expect(parseTable(lines, 'x', 'metric').form).not.toBeNull();
  expect(untoldIn(line)).toEqual([]);
});
test('one figure for a narrow band is of a room so warm, on the side of more to wait and less to work', () => {
  const lines = (text: string) => readPasted(text, 'x').map((t) => linesOf(t));
  expect(lines('Working time 6-8 mins at 18-20 °C')).toEqual(['18 C: 6-8 mins']);
  expect(lines('Sand after 30 mins at 18–20 °C')).toEqual(['20 C: 30 mins']);
  expect(lines('Pot life 30 min at 68 to 75 °F')).toEqual(['68 F: 30 min']);
  // A wide band, and several, are what they say.
  expect(lines('Foot traffic 4 h at 10 to 20 °C')).toEqual(['10 to 20 C: 4 h']);
  expect(lines('Base | Load\n15 to 20 °C | 4 h\n20 to 25 °C | 2 h')).toEqual(['15 to 20 C: 4 h\n20 to 25 C: 2 h']);
});
test.each([
  ['Overcoat before 24 h', [['recoat-until', '24 h']]],
  ['Recoat up to 4 hours', [['recoat-until', '4 hours']]],
  [
    'Recoat when tacky (about 4 hrs) up to 72 hrs',
    [
      ['recoat-from', '4 hrs'],
      ['recoat-until', '72 hrs'],
    ],
  ],
  ['Application life 90 min', [['use-by', '90 min']]],
  ['Can be ground after 1 hour', [['sandable', '1 hour']]],
  ['Tooling time 45 min', [['open', '45 min']]],
  ['Ground temperature reached after 1 h', [[null, '1 h']]],
  // How it is put on is no end.
  ['Overcoat by roller after 6 h', [['recoat-from', '6 h']]],
  // Minutes shortened before a capital end a sentence.
  [
    'Topfzeit 30 Min. Begehbar nach 12 h',
    [
      ['use-by', '30 Min'],
      ['foot', '12 h'],
    ],
  ],
  ['Do not recoat before 12 hours', [['recoat-from', '12 hours']]],
  ['Do not recoat after 48 hours without sanding', [['recoat-until', '48 hours']]],
  [
    'Recoat not before 6 h and not after 24 h',
    [
      ['recoat-from', '6 h'],
      ['recoat-until', '24 h'],
    ],
  ],
  ['Do not load before 7 days', [['load', '7 days']]],
  ['Do not walk on it before 12 h', [['foot', '12 h']]],
  ['Do not disturb for 12 hours', [['release', '12 hours']]],
  ['Wait 1 hour between coats', [['recoat-from', '1 hour']]],
  ['Wait 4 h at 20 °C before recoating', [['recoat-from', '20 C: 4 h']]],
  ['Allow 6 hours before grinding', [['sandable', '6 hours']]],
  ['24 h before loading at 20 °C', [['load', '20 C: 24 h']]],
  ['Use mixed material within 20 minutes', [['use-by', '20 minutes']]],
  ['Apply mortar onto wet primer within 60 min', [['primer-wet', '60 min']]],
  ['Sets in 15 minutes', [['gel', '15 minutes']]],
  // What is done where it is missed is no time to begin at: it is asked what it is.
  ['If more than 24 hours have passed, abrade before recoating', [[null, '24 hours']]],
])('%s', (line, times) => expect(readPasted(line, 'x').map((t) => [t.guess, linesOf(t)])).toEqual(times));
test('of a line of which one time is read the other is told', () => {
  expect(untoldIn('Recoat after 4 h at 20 °C or 8 h. Pot life 30 min at 20 °C')).toEqual([
    'Recoat after 4 h at 20 °C or 8 h',
  ]);
});
test('within a time that is told with its doubt is an end alone', () => {
  expect(readPasted('Recoat within 20 to 24 h at 20 °C', 'x').map((t) => [t.guess, linesOf(t)])).toEqual([
    ['recoat-until', '20 C: 20 to 24 h'],
  ]);
  expect(readPasted('Use within 20 to 60 min at 20 °C', 'x').map((t) => t.guess)).toEqual(['use-by']);
});
test('the window of a lift is two ends as that of a coat; its doubt stays doubt', () => {
  expect(read('Next layer after 6 h at 20 °C, within 24 h')).toEqual([
    ['Next layer', 'next-lift', ['20 C: 6 h']],
    ['Next layer', 'recoat-until', ['20 C: 24 h']],
  ]);
  expect(read('Next layer 5 to 6 h at 20 °C')).toEqual([['Next layer', 'next-lift', ['20 C: 5 to 6 h']]]);
  // However near they lie, a first and a last hour are two.
  expect(read('Next layer min. 5 h, max. 6 h at 20 °C').map(([, kind]) => kind)).toEqual(['next-lift', 'recoat-until']);
});

test('a line that names a time and cannot be read is told; prose, figures and tables are not', () => {
  const text = 'Recoat after 4 h at 20 °C or 8 h\nPot life 30 min at 20 °C\nMix for 3 min\nLayers up to 40 mm';
  expect(untoldIn(text)).toEqual(['Recoat after 4 h at 20 °C or 8 h']);
  expect(untoldIn('°C | Pot life (min)\n10 | 40\n20 | 20\nRecoat 4 h at 20 °C or 8 h')).toEqual([]);
  expect(untoldIn('')).toEqual([]);
});
