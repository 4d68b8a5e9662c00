import { say } from '@/words';
import { attempt } from '../say';
import {
  cleaningOf,
  cleaningSaid,
  cleaningText,
  Holes,
  parseCleaning,
  parseRods,
  rodRow,
  rodsText,
  strokesIn,
} from './holes';

const rods = (text: string, system: 'metric' | 'us' = 'metric') => parseRods(text, 'rods', system);
const flaw = (text: string, system: 'metric' | 'us' = 'metric') => {
  const read = attempt(() => rods(text, system));
  return read.ok ? 'read' : say(read.problem.sentence, { system, zone: 'utc', language: 'en' });
};
const holes = (text: string): Holes => ({ rods: [...rods(text)], cleaning: [], wet: null, printed: text });

describe('the table of rods', () => {
  const m12 = { rod: 'M12', rodMm: 12, holeMm: 14, leastMm: 75, mostMm: 220, brushMm: 16 };

  test.each([
    ['as it is typed', 'M12: 14, 75 to 220, brush 16'],
    ['with units', 'M12: 14 mm, 75 mm to 22 cm, brush 16 mm'],
    ['with the unit of a range said once', 'M12: 14, 7.5-22 cm, brush 16'],
    ['as columns with tabs', 'M12\t14\t75–220\t16'],
    ['as columns with wide gaps', 'M12    14   75 - 220   16'],
    ['as columns with single gaps', 'M12 14 75-220 16'],
    ['with marks of diameter', 'M12 Ø14 75-220 Ø16'],
    ['with dashes between', 'M12 – 14 – 75-220 – 16'],
    ['with a heading, and an empty line', 'Rod  Hole  Depth  Brush\n\nM12; 14; 75 bis 220; 16'],
  ])('%s', (_, text) => {
    expect(rods(text)).toEqual([m12]);
  });

  test('depth and brush may be missing; one depth is least and most', () => {
    expect(rods('M8: 10')[0]).toMatchObject({ holeMm: 10, leastMm: null, mostMm: null, brushMm: null });
    expect(rods('M8: 10, 80')[0]).toMatchObject({ leastMm: 80, mostMm: 80 });
    expect(rods('M8: 10, brush 12')[0]).toMatchObject({ leastMm: null, brushMm: 12 });
  });

  test('rods are named as they are anywhere: threads, bars, a plain diameter, in inches', () => {
    expect(
      rods('1/2-13: 9/16 in, 2 3/4 to 10 in\n#5 bar: 3/4 in, 3 1/8 to 12 1/2 in\nØ16: 20', 'us').map((r) => r.rodMm),
    ).toEqual([12.7, 15.875, expect.any(Number)]);
    const [half] = rods('1/2-13: 9/16 in, 2 3/4 to 10 in', 'us');
    expect([half!.holeMm, half!.leastMm, half!.mostMm].map((v) => Number(v!.toFixed(2)))).toEqual([14.29, 69.85, 254]);
  });

  test('what is wrong is said with its line, and nothing of it is kept', () => {
    expect(flaw('M12: 14\nM13: 15')).toMatch(/^Line 2: There is no thread M13/);
    expect(flaw('M12: 11')).toBe('Line 1: a hole of 11 mm does not take a rod of 12 mm.');
    expect(flaw('M12: 14, 220 to 75')).toBe('Line 1: the depths have their ends swapped.');
    expect(flaw('M12: 14\nM10: 12\nM12: 16')).toBe('Line 3: M12 stands there twice.');
    expect(flaw('M12: 14, 75 to 220, brush 16, 9')).toBe(
      'Line 1, “M12: 14, 75 to 220, brush 16, 9”, must be like M12: 14, 70 to 120.',
    );
    for (const bad of [
      'M12',
      'M12: wide',
      'M12: 14, deep 3',
      'M12: 14, 75 to 100 to 220',
      'M12: -14',
      '12 14 16 18 20',
    ])
      expect([bad, flaw(bad)]).toEqual([bad, expect.stringMatching(/^Line 1, /)]);
    expect(flaw(Array.from({ length: 41 }, (_, i) => `Ø${i + 10}: ${i + 12}`).join('\n'))).toBe('At most 40 lines.');
  });

  test('what is written out is read again as the same', () => {
    const table = rods('M8: 10, 60 to 150, brush 12\nM10: 12\n#5 bar: 20, 90');
    expect(rods(rodsText(table))).toEqual(table);
  });

  test('a rod is found by its size, the nearest one; another size is not', () => {
    const table = holes('M12: 14\n1/2-13: 9/16 in\nM16: 18');
    expect(rodRow(table, 12)?.rod).toBe('M12');
    expect(rodRow(table, 12.2)?.rod).toBe('M12');
    expect(rodRow(table, 12.7)?.rod).toBe('1/2-13');
    for (const none of [13, 14, 11]) expect(rodRow(table, none)).toBeNull();
    expect(rodRow(null, 12)).toBeNull();
  });
});

describe('cleaning', () => {
  const read = (text: string) => parseCleaning(text, 'cleaning');
  const twice = [
    { do: 'blow', times: 2 },
    { do: 'brush', times: 2 },
    { do: 'blow', times: 2 },
  ];

  test.each([
    '2 blow, 2 brush, 2 blow',
    '2x blow; 2 × brush; 2 x blow',
    'blow 2, brush 2, blow 2',
    'blow 2 times then brush 2 then blow 2',
    '2 ausblasen, 2 bürsten, 2 ausblasen',
    'blown 2, brushed 2, blown 2',
    '2x blow 2x brush 2x blow',
    'blow out twice, brush twice, blow out twice',
    'zweimal ausblasen, zweimal bürsten, zweimal ausblasen',
  ])('%s', (text) => {
    expect(read(text)).toEqual(twice);
  });

  test('pages of it are asked again', () => {
    expect(() => read(' '.repeat(50_000))).toThrow(/must be like/);
    expect(() => read('blow 2, '.repeat(5000))).toThrow(/must be like/);
  });

  test('once is not said, a flushed hole is', () => {
    expect(read('flush, brush, flush, 2 blow').map((s) => [s.do, s.times])).toEqual([
      ['flush', 1],
      ['brush', 1],
      ['flush', 1],
      ['blow', 2],
    ]);
    expect(read('')).toEqual([]);
  });

  test.each(['2 suck', 'blow 0', '30 brush', '2 blow 2', 'twice', '2'])('%s is no stroke', (text) => {
    expect(attempt(() => read(text))).toMatchObject({ ok: false, problem: { field: 'cleaning' } });
  });

  test('it is written out as it is typed, and said as at the hole; silent sheets are cleaned as is usual', () => {
    expect(read(cleaningText(read('flush, 3 brush, 2 blow')))).toEqual(read('flush, 3 brush, 2 blow'));
    const heard = (text: string) => say(cleaningSaid(read(text)), { system: 'metric', zone: 'utc', language: 'en' });
    expect(heard('2 blow, 4 brush, blow')).toBe('blow twice, brush 4 times, blow');
    const silent = cleaningOf(null);
    expect([silent.length, strokesIn(silent)]).toEqual([3, 6]);
    expect(strokesIn(cleaningOf({ ...holes('M8: 10'), cleaning: [{ do: 'blow', times: 4 }] }))).toBe(4);
    expect(strokesIn(cleaningOf(holes('M8: 10')))).toBe(6);
  });
});

test('a sheet out of a file is held to its bounds', () => {
  const good = { rods: [...rods('M8: 10')], cleaning: [], wet: { times: 2 }, printed: '' };
  expect(Holes.safeParse(good).success).toBe(true);
  for (const bad of [
    { ...good, wet: { times: 0.5 } },
    { ...good, wet: { times: 11 } },
    { ...good, wet: 'yes' },
    { ...good, rods: [{ ...good.rods[0], holeMm: 0 }] },
    { ...good, cleaning: [{ do: 'suck', times: 1 }] },
    { ...good, cleaning: [{ do: 'blow', times: 1.5 }] },
  ])
    expect(Holes.safeParse(bad).success).toBe(false);
});
