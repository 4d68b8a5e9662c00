import { attempt } from '../say';
import { parseQuantity } from '../typed';
import type { UnitSystem } from '../units';
import { factsIn, linesOf, parseRods, readPack, readPasted, type SystemKindId, unsureOf, untoldIn } from '.';

const facts = (kind: SystemKindId, text: string, system: UnitSystem = 'us') =>
  Object.fromEntries(factsIn(text, { kind, system }).map((f) => [f.field, f.text]));
const times = (kind: SystemKindId, text: string, system: UnitSystem = 'us') =>
  readPasted(text, 'paste', kind, system).map((t) => [t.guess, linesOf(t).split('\n')]);

describe('a sheet of an anchor resin', () => {
  const SHEET = `Supplied in 22 fl oz cartridges, 1:1 by volume. Two-part epoxy.
Gel time 30 min at 70 F
Full cure: 40 F 72 h; 50 F 48 h; 70 F 24 h; 90 F 12 h
Base material temperature 40 to 100 F
Hole: 5/8 in rod, 3/4 in bit; #4 bar, 5/8 in bit
Clean the hole: blow 2x, brush 2x, blow 2x`;
  test('its times: what stands behind a semicolon belongs to the words before it', () => {
    expect(times('anchor-pack', SHEET)).toEqual([
      ['use-by', ['70 F: 30 min']],
      ['load', ['40 F: 72 h', '50 F: 48 h', '70 F: 24 h', '90 F: 12 h']],
    ]);
    expect(untoldIn(SHEET)).toEqual([]);
  });
  test('its figures: the base material is the base, rods are a table, cleaning is whole', () => {
    expect(facts('anchor-pack', SHEET)).toEqual({
      pack: '22 US fl oz cartridge, 1:1 by volume',
      ratio: '1:1 by volume',
      family: 'resin-amine',
      'limits.baseMinC': '40 F',
      'limits.baseMaxC': '100 F',
      rods: '5/8 in: 3/4 in\n#4 bar: 5/8 in',
      cleaning: 'blow 2x, brush 2x, blow 2x',
    });
  });
  test('its rods read as they are typed, in millimetres', () => {
    const rows = parseRods(facts('anchor-pack', SHEET).rods!, 'rods', 'us');
    expect(rows.map((r) => [r.rodMm, r.holeMm])).toEqual([
      [15.875, 19.05],
      [12.7, 15.875],
    ]);
  });
});

test.each([
  ['M12  14 mm  70-240 mm', 'M12: 14 mm, 70-240 mm', [12, 14, 70, 240]],
  ['M16: hole 18, depth 80 to 320', 'M16: 18 mm, 80 to 320 mm', [16, 18, 80, 320]],
  ['Anchor dia 1/2" hole 9/16"', '1/2": 9/16"', [12.7, 14.2875, null, null]],
  ['3/8 7/16 2-3/8 to 4-1/2', '3/8 in: 7/16 in, 2-3/8 to 4-1/2 in', [9.525, 11.1125, 60.325, 114.3]],
])('“%s” is a row of the table of rods, whoever reads it', (line, text, [rodMm, holeMm, leastMm, mostMm]) => {
  for (const system of ['metric', 'us'] as const) {
    expect(facts('anchor-pack', line, system).rods).toBe(text);
    expect(parseRods(text, 'rods', system)).toEqual([expect.objectContaining({ rodMm, holeMm, leastMm, mostMm })]);
  }
});

test.each([
  'M8 to M30 threaded rod',
  'M12 torque 40 Nm',
  'Tension of M12 rods in 30 mm holes',
  'M12 edge distance 60 mm',
  'M12 9 mm', // a hole under its rod
])('“%s” is no row of it', (line) => {
  expect(facts('anchor-pack', line, 'metric').rods).toBeUndefined();
});

test('only what is pressed has rods', () => {
  expect(facts('liquid-resin', 'M12  14 mm  70-240 mm', 'metric').rods).toBeUndefined();
});

describe('a sheet of a mortar in bags', () => {
  test('water in pints or quarts is to the bag that is printed, and the most of it its end', () => {
    expect(facts('cement-water', '50 lb bag\nWater 5.5 to 6.5 pints per bag\nYield 0.42 cu ft per bag')).toEqual({
      pack: '50 lb bag',
      doseMin: '5.5 US pt to 50 lb',
      doseMax: '6.5 US pt to 50 lb',
      yieldMl: '0.42 cu ft',
    });
    expect(
      facts('cement-water', 'Packaging: 50-lb. (22.7-kg) bags\nMixing water: 3 qt. (2.8 L) per 50-lb bag, max 3.5 qt'),
    ).toEqual({ pack: '50-lb. bag', doseUsual: '3 US qt to 50 lb', doseMax: '3.5 US qt to 50 lb' });
  });
  test('water to a bag of which no size is known is nobody’s figure', () => {
    expect(facts('cement-water', 'Water 5.5 to 6.5 pints per bag')).toEqual({});
  });
  test('the final set is no cure', () => {
    expect(times('cement-water', 'Set time: initial 25 min, final 40 min')).toEqual([
      ['use-by', ['25 min']],
      [null, ['40 min']],
    ]);
  });
});

test.each([
  ['Thickness 1/2 in to 4 in per lift', { min: 12.7, max: 101.6 }],
  ['Maximum thickness 1/4 in', { max: 6.35 }],
  ['Layer thickness: min. 1/4"; max. 2"', { min: 6.35, max: 50.8 }],
  ['Lift thickness 1-1/2" max', { max: 38.1 }],
  ['Layer 1/8-inch to 1-inch', { min: 3.175, max: 25.4 }],
  ['Layer thickness 5/10 mm', { min: 5, max: 10 }],
])('a fraction of an inch is not its last figure: %s', (line, mm) => {
  const said = facts('cement-water', line);
  const inMm = (text: string | undefined) => {
    const read = text === undefined ? null : parseQuantity('length', text, 'us');
    return read?.ok ? read.value : undefined;
  };
  expect({ min: inMm(said['limits.liftMinMm']), max: inMm(said['limits.liftMaxMm']) }).toEqual({
    min: undefined,
    ...mm,
  });
});

test('bare numbers under a heading in °F are of that degree, and under none those of the reader', () => {
  const rows = '  Gel (min)  Full cure (h)\n40   60   72\n70   20   24';
  const gel = (head: string, system: UnitSystem) => times('liquid-resin', `${head}${rows}`, system)[0]![1];
  for (const head of ['Base temp (F)', 'Temp °F', 'Temperature, deg F', 'Temp. F']) {
    expect(gel(head, 'metric')).toEqual(['40 F: 60 min', '70 F: 20 min']);
    expect(gel(head, 'us')).toEqual(['40 F: 60 min', '70 F: 20 min']);
  }
  expect(gel('Temp (C)', 'us')).toEqual(['40 C: 60 min', '70 C: 20 min']);
  expect(gel('Temperature', 'us')).toEqual(['40 F: 60 min', '70 F: 20 min']);
  expect(gel('Temperature', 'metric')).toEqual(['40 C: 60 min', '70 C: 20 min']);
});

test('a second column of temperatures is no time', () => {
  expect(
    times('anchor-pack', 'Temp °F  Temp °C  Gel time  Cure time\n41  5  2 hr  72 hr\n68  20  30 min  24 hr'),
  ).toEqual([
    ['use-by', ['41 F: 2 hr', '68 F: 30 min']],
    ['load', ['41 F: 72 hr', '68 F: 24 hr']],
  ]);
});

test('two times whose gap is lost are two columns', () => {
  const text =
    'Temp °C  Working time  Dry hole  Wet hole\n10 to 19  10 min  1 h  2 h\n20 to 29  1 h 30 min  45 min 90 min';
  expect(readPasted(text, 'paste').map((t) => t.cells.at(-1)!.time)).toEqual(['1 h 30 min', '45 min', '90 min']);
});

test('parts in words are a ratio, and minutes of mixing are none', () => {
  expect(facts('paste', 'Mix 1 part A to 1 part B by volume').ratio).toBe('1:1 by volume');
  expect(facts('paste', 'Mix 2 to 3 minutes').ratio).toBeUndefined();
});

test('what is pressed out of its pack is metered by volume, where its pack is told so', () => {
  expect(facts('anchor-pack', 'Cartridge 585 ml, ratio 3:1', 'metric').ratio).toBe('3:1 by volume');
  expect(facts('liquid-resin', 'Kit 2 L\nRatio 3:1', 'metric').ratio).toBe('3:1');
});

test('sand is so many times the liquid, and its most or a range is nobody’s usual', () => {
  const sand = (line: string) => facts('crack-filler', line, 'metric').cByWeight;
  expect(sand('Sand: 2 parts sand to 1 part mixed liquid by volume')).toBe('2 times by volume');
  expect(sand('Sand 3 parts to 2 parts of liquid by volume')).toBe('1.5 times by volume');
  expect(sand('Sand: up to 2 parts sand to 1 part mixed liquid by volume')).toBeUndefined();
  expect(sand('Sand 1 to 2 parts by volume')).toBeUndefined();
});

test('chemistry is taken where a kind knows several, and not from what lies below or above', () => {
  expect(facts('anchor-pack', 'Vinylester resin, styrene free').family).toBe('peroxide');
  expect(facts('anchor-pack', 'Epoxy acrylate resin').family).toBe('peroxide');
  expect(facts('anchor-pack', 'Epoxy mortar').family).toBe('resin-amine');
  expect(facts('liquid-resin', 'Goes over existing epoxy').family).toBeUndefined();
  expect(facts('cement-water', 'Epoxy primer').family).toBeUndefined();
});

test.each([
  'Water cure 24 hours',
  'Moist curing: 3 days',
  'Keep damp for 24 h',
  'Nachbehandlung 3 Tage',
  'Wet cure: 7 days',
])('“%s” is how long it is kept damp, not how soon it may get wet', (line) => {
  expect(times('cement-water', line, 'metric').map(([guess]) => guess)).toEqual(['damp']);
});

test('a refusal of heat and cold heads no table', () => {
  const text =
    'Working time: 20 minutes @ 70°F (21°C)\nDo not apply below 40 F or above 95 F\nWater cure 24 hours 36 hours';
  expect(times('cement-water', text)).toContainEqual(['use-by', ['70 F: 20 minutes']]);
});

test.each([
  ['1 quart', '1 US qt'],
  ['1/2 pint', '1/2 US pt'],
  ['5 gallons', '5 US gal'],
  ['2 lb', '2 lb'],
])('a line that is an amount alone is the pack: %s', (line, pack) => {
  expect(facts('finish-resin', line).pack).toBe(pack);
  expect(facts('finish-resin', `${line} per square foot`).pack).toBeUndefined();
});

describe('amounts on packs', () => {
  const grams = (text: string | undefined, kind: 'mass' | 'volume') => {
    const read = attempt(() => parseQuantity(kind, text ?? '', 'us'));
    return read.ok && read.value.ok ? read.value.value : Number.NaN;
  };
  test('half a pint is not two pints', () => {
    const { parts } = readPack('1 qt resin + 1/2 pt hardener', { kind: 'liquid-resin' }, 'us')!;
    expect(grams(parts.A, 'volume') / grams(parts.B, 'volume')).toBeCloseTo(4, 9);
    expect(readPack('½ gal', { kind: 'cement-water' }, 'us')!.parts.A).toBe('½ US gal');
  });
  test('a pack printed in two measures is one pack', () => {
    expect(readPack('50-lb bag (22.7 kg)', { kind: 'cement-water' }, 'us')!.parts).toEqual({ A: '50 lb' });
    expect(readPack('Cartridge 22 fl. oz. (650 mL)', { kind: 'anchor-pack' }, 'us')!.whole).toBe('22 US fl oz');
  });
  test('half a fraction is parted by its value', () => {
    const { parts } = readPack('1 1/2 gal', { kind: 'liquid-resin', ratio: '2:1 by volume' }, 'us')!;
    expect(grams(parts.A, 'volume')).toBeCloseTo(3785.41, 1);
    expect(grams(parts.B, 'volume')).toBeCloseTo(1892.71, 1);
  });
  test('ounces are asked for, and the answer is read', () => {
    const label = '1 US pt kit: 12 oz A, 4 oz B';
    expect(readPack(label, { kind: 'paste' }, 'us')).toBeNull();
    const choices = unsureOf(label, 'us')!.choices!;
    expect(choices.map((c) => c.label)).toEqual(['oz av', 'US fl oz', 'UK fl oz']);
    for (const { text } of choices) {
      expect(unsureOf(text, 'us')).toBeNull();
      expect(readPack(text, { kind: 'paste' }, 'us')!.parts.B).toContain('4');
    }
    expect(unsureOf('1 gal + 1 gal', 'metric')!.choices!.map((c) => c.text)).toEqual([
      '1 US gal + 1 US gal',
      '1 UK gal + 1 UK gal',
    ]);
    for (const sure of ['22 fl oz', '1 gal', '10 oz av', '300 mL', 'large tin'])
      expect(unsureOf(sure, 'us')).toBeNull();
  });
});
