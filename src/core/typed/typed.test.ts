import fc from 'fast-check';
import { plainWords } from '@/words';
import { saying } from '@/words/saying.testing';
import { asMeasured, format, type Kind } from '../units';
import { fieldText, figureAndDoubt, parseQuantity, parseRatio } from '.';

const read = (kind: Kind, text: string, system: 'metric' | 'us' = 'metric') => {
  const parsed = parseQuantity(kind, text, system);
  if (!parsed.ok) throw new Error(plainWords(parsed.sentence));
  return parsed.value;
};
const choices = (kind: Kind, text: string) => {
  const parsed = parseQuantity(kind, text, 'metric');
  if (parsed.ok) throw new Error(`${text} was guessed as ${parsed.value}`);
  return (parsed.choices ?? []).map((choice) => choice.text);
};

test.each<[Kind, string, number]>([
  ['length', '12 mm', 12],
  ['length', '12', 12],
  ['length', '3/8 in', 9.525],
  ['length', '1 1/2"', 38.1],
  ['length', '1-1/2 in', 38.1],
  ['length', '2½ in', 63.5],
  ['length', '½"', 12.7],
  ['length', `2'6"`, 762],
  ['length', '5 ft 3 1/2 in', 1612.9],
  ['length', '1.2m', 1200],
  ['length', '12,5 mm', 12.5],
  ['length', '1,234.5 mm', 1234.5],
  ['length', '1.234,5 mm', 1234.5],
  ['volume', '0,5 l', 500],
  ['volume', '250ml', 250],
  ['volume', '1 US gal', 3785.411784],
  ['temperature', '68F', 20],
  ['temperature', '-4 °C', -4],
  ['temperature', '−4', -4],
  ['duration', '2 h 30', 150],
  ['duration', '2h30min', 150],
  ['duration', '1 d 4 h', 1680],
  ['duration', '90 s', 1.5],
  ['mass', '1.2 kg', 1200],
  ['mass', '2 lb', 907.18474],
  ['area', '2 ft2', 185806.08],
  ['density', '1450 kg/m3', 1.45],
  ['percent', '10 %', 10],
])('%s %s', (kind, text, value) => {
  expect(read(kind, text)).toBeCloseTo(value, 9);
});

test('a bare number is read in the unit the person works in', () => {
  expect(read('length', '2', 'us')).toBeCloseTo(50.8, 12);
  expect(read('temperature', '50', 'us')).toBeCloseTo(10, 12);
});

test('what has two meanings is asked, and each choice then reads without doubt', () => {
  expect(choices('length', '1,500')).toEqual(['1.500', '1500']);
  expect(choices('mass', '6 oz')).toEqual(['6 oz av']);
  expect(choices('volume', '6 oz')).toEqual(['6 US fl oz', '6 UK fl oz']);
  expect(choices('volume', '2 gal')).toEqual(['2 US gal', '2 UK gal']);
  expect(choices('duration', '2:30')).toEqual(['2 h 30 min', '2 min 30 s']);
  for (const [kind, text] of [
    ['volume', '6 oz'],
    ['length', '1,500 mm'],
    ['duration', '2:30'],
  ] as const)
    for (const choice of choices(kind, text)) expect(Number.isFinite(read(kind, choice))).toBe(true);
});

test.each([
  ['length', ''],
  ['length', 'wide'],
  ['length', '12 kg'],
  ['length', '12 13 mm'],
  ['length', '3/0 in'],
  ['length', '1,23,4'],
  ['temperature', '-300 C'],
  ['duration', '30 min 2 h'],
] as [Kind, string][])('%s “%s” gets a sentence, not a number', (kind, text) => {
  const parsed = parseQuantity(kind, text, 'metric');
  expect(parsed.ok).toBe(false);
  if (!parsed.ok) expect(plainWords(parsed.sentence)).toMatch(/\.$/);
});

test('any junk text never yields a value that is not finite, and never throws', () => {
  fc.assert(
    fc.property(
      fc.string(),
      fc.constantFrom<Kind>('length', 'volume', 'mass', 'temperature', 'duration', 'density'),
      (text, kind) => {
        const parsed = parseQuantity(kind, text, 'metric');
        return !parsed.ok || Number.isFinite(parsed.value);
      },
    ),
  );
});

test('ratios need their basis', () => {
  expect(parseRatio('2:1 by volume')).toMatchObject({ ok: true, basis: 'volume', parts: [2, 1] });
  expect(parseRatio('100 : 48 : 650 w/w')).toMatchObject({ ok: true, basis: 'weight', parts: [100, 48, 650] });
  const bare = parseRatio('2:1');
  expect(bare.ok).toBe(false);
  if (!bare.ok) expect(bare.choices?.map((choice) => parseRatio(choice.text).ok)).toEqual([true, true]);
  expect(parseRatio('2:0 by weight').ok).toBe(false);
  expect(parseRatio('2').ok).toBe(false);
});

test.each([
  ['100 parts A to 48 parts B by weight', 'weight', [100, 48]],
  ['2 parts to 1 part by volume', 'volume', [2, 1]],
  ['A : B = 2 : 1 by volume', 'volume', [2, 1]],
  ['2:1 (A:B) by volume', 'volume', [2, 1]],
  ['resin/hardener 5/1 by weight', 'weight', [5, 1]],
  ['2A:1B by volume', 'volume', [2, 1]],
  ['100 g to 25 g', 'weight', [100, 25]],
  ['100g A : 25g B', 'weight', [100, 25]],
  ['100 ml : 50 ml', 'volume', [100, 50]],
  ['by weight 100:30', 'weight', [100, 30]],
  ['resin 100, hardener 25 by weight', 'weight', [100, 25]],
  ['equal parts by volume', 'volume', [1, 1]],
  ['100 to 33,5 by weight', 'weight', [100, 33.5]],
  ['Harz 100 : Härter 40 nach Gewicht', 'weight', [100, 40]],
  ['2:1 Volumen', 'volume', [2, 1]],
  // The hardener told first is still the hardener.
  ['B : A = 1 : 2 by volume', 'volume', [2, 1]],
  ['hardener 25, resin 100 by weight', 'weight', [100, 25]],
  ['1 part hardener to 4 parts resin by volume', 'volume', [4, 1]],
] as const)('the ratio %s', (text, basis, parts) => {
  expect(parseRatio(text)).toMatchObject({ ok: true, basis, parts });
});

test.each(['equal parts', '3 to 1', '50/50', 'A:B = 2:1'])(
  '%s has no basis yet, and each press gives it one',
  (text) => {
    const parsed = parseRatio(text);
    expect(parsed.ok).toBe(false);
    if (!parsed.ok)
      expect(parsed.choices!.map((c) => parseRatio(c.text))).toMatchObject([{ basis: 'weight' }, { basis: 'volume' }]);
  },
);

test.each(['20 % hardener by weight', '2', 'half and half', 'a lot to a little'])('%s is no ratio', (text) => {
  expect(parseRatio(text).ok).toBe(false);
});

test('a ratio says the same whichever part is told first', () => {
  const number = fc.integer({ min: 1, max: 999 });
  fc.assert(
    fc.property(number, number, fc.constantFrom('weight', 'volume'), (a, b, basis) => {
      const meant = { ok: true, basis, parts: [a, b] };
      for (const text of [
        `${a}:${b} by ${basis}`,
        `${a} parts A to ${b} parts B by ${basis}`,
        `${b} parts B to ${a} parts A by ${basis}`,
        `A:B = ${a} : ${b} by ${basis}`,
        `B:A = ${b} : ${a} by ${basis}`,
        `resin ${a}, hardener ${b} by ${basis}`,
      ])
        expect(parseRatio(text)).toMatchObject(meant);
    }),
  );
});

test.each<[Kind, string, number]>([
  ['length', 'ca. 20 mm', 20],
  ['length', '~ 20', 20],
  ['length', 'about 3/4 in', 19.05],
  ['length', '20mm deep', 20],
  ['length', '16 dia', 16],
  ['length', '1 1/2 in wide', 38.1],
  ['length', '12 mm tief', 12],
  ['temperature', '20°', 20],
  ['temperature', '12.5 degrees', 12.5],
  ['temperature', 'etwa -3 °C', -3],
  ['duration', 'two hours', 120],
  ['duration', 'two h 30', 150],
  ['duration', '2 weeks', 20_160],
  ['density', '1,4 kg/dm³', 1.4],
  ['density', 'approx. 1.4 g/ml at 20 °C', 1.4],
  ['density', '1.4 kg per litre', 1.4],
  ['density', '1.4 SG', 1.4],
  ['rate', '250 mL per min', 250],
])('%s as people say it: %s', (kind, text, value) => expect(read(kind, text)).toBeCloseTo(value, 9));

test('of a range is asked which figure counts, of a figure with what it is off by the figure alone', () => {
  expect(choices('length', '10-12 mm')).toEqual(['10 mm', '11 mm', '12 mm']);
  expect(choices('density', '1.35 to 1.45')).toEqual(['1.35', '1.4', '1.45']);
  expect(choices('temperature', '12 °C - 15 °C')).toEqual(['12 °C', '13.5 °C', '15 °C']);
  expect(choices('length', '20 mm ± 1')).toEqual(['20 mm']);
  expect(choices('length', '20 ± 0.5 mm')).toEqual(['20 mm']);
  expect(choices('density', '11.7 lb/gal')).toEqual(['11.7 lb/US gal', '11.7 lb/UK gal']);
  // A pound a US gallon is 453.59237 g in 3785.411784 mL.
  expect(read('density', '11.7 lb/gal', 'us')).toBeCloseTo((11.7 * 453.59237) / 3785.411784, 9);
  // One number with its fraction is no range.
  expect(read('length', '1-1/2 in')).toBeCloseTo(38.1, 9);
});

test.each([
  ['20 ± 0.5 mm', ['20 mm', '0.5 mm']],
  ['20 mm ± 1', ['20 mm', '1 mm']],
  ['20 mm +/- 1 mm', ['20 mm', '1 mm']],
  ['2 1/2 in ± 1/8', ['2 1/2 in', '1/8 in']],
  ['900 ±2', ['900', '2']],
  ['900 – 2', null],
  ['± 2', null],
])('%s is a figure and what it may be off by: %j', (text, parts) => expect(figureAndDoubt(text)).toEqual(parts));

test.each(['1 x ', '1.', '1/2 ', '10 mm + ', 'about '])(
  'what goes on for pages of “%s” is no quantity and no ratio',
  (piece) => {
    const pages = piece.repeat(20_000);
    const parsed = parseQuantity('length', pages, 'metric');
    expect(parsed.ok).toBe(false);
    if (!parsed.ok) expect(plainWords(parsed.sentence).length).toBeLessThan(200);
    expect(parseRatio(pages).ok).toBe(false);
  },
);

test('switching units shows the typed text again without drift', () => {
  const typed = { text: '2 1/2 in', system: 'us' as const };
  expect(fieldText('length', 63.5, 'us', typed)).toBe('2 1/2 in');
  expect(fieldText('length', 63.5, 'metric', typed)).toBe('63.5 mm');
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 9999, noNaN: true }), (value) => {
      const again = read('length', fieldText('length', value, 'us'), 'us');
      // To the thousandth of an inch that a field shows, and to three figures below a tenth.
      return Math.abs(again - value) <= Math.max(0.0128, value * 0.005);
    }),
  );
});

describe('densities are read as the example shows them', () => {
  test.each(['metric', 'us'] as const)('a bare 1.3 in %s units is 1.3 g/mL', (system) => {
    expect(parseQuantity('density', '1.3', system)).toMatchObject({ ok: true, value: 1.3 });
    expect(fieldText('density', 1.3, system)).toBe('1.3 g/mL');
  });
  test('what nothing weighs is asked, with the units in which it could be', () => {
    const heavy = parseQuantity('density', '1300', 'us');
    expect(heavy).toMatchObject({ ok: false, sentence: saying(/heavier than lead/) });
    expect('choices' in heavy && heavy.choices!.map((c) => c.label)).toEqual(['kg/m³']);
    const pounds = parseQuantity('density', '90', 'metric');
    expect('choices' in pounds && pounds.choices!.map((c) => c.label)).toEqual([
      'kg/m³',
      'lb/US gal',
      'lb/UK gal',
      'lb/ft³',
    ]);
    expect(parseQuantity('density', '0.001 g/mL', 'metric')).toMatchObject({
      ok: false,
      sentence: saying(/lighter than any filler/),
    });
    expect(parseQuantity('density', '0.03', 'metric')).toMatchObject({ ok: true, value: 0.03 });
  });
});

test('what was converted reads in steps of its unit, and working without the noise of the conversion', () => {
  expect(asMeasured(6 * 25.4)).toBe('152.4');
  expect(asMeasured(12.7)).toBe('12.7');
  expect(fieldText('length', 10, 'us')).toBe('0.394 in');
  expect(fieldText('length', 6 * 25.4, 'us')).toBe('6 in');
  expect(fieldText('length', 0.3, 'us')).toBe('0.012 in');
  // A hundredth of a millimetre has no thousandth of an inch of its own: its figures are kept.
  expect(fieldText('length', 0.01, 'us')).toBe('0.394 mil');
  expect(fieldText('length', 10, 'metric')).toBe('10 mm');
  // What was weighed in grams has no five figures in ounces, and none of its whole ones is lost.
  expect(fieldText('mass', 0.15, 'us')).toBe('0.00529 oz av');
  expect(fieldText('rate', 25, 'us')).toBe('0.845 US fl oz/min');
  expect(fieldText('temperature', 12.7778, 'us')).toBe('55 °F');
  expect(fieldText('mass', 453.59237 * 1000, 'us')).toBe('16000 oz av');
  expect(fieldText('mass', 1234.5, 'metric')).toBe('1234.5 g');
});

describe('as people say it', () => {
  test.each([
    ['length', 'half an inch', 12.7],
    ['length', '1 and a half in', 38.1],
    ['volume', 'half a litre', 500],
    ['volume', 'a quarter litre', 250],
    ['volume', 'three quarters of a litre', 750],
    ['volume', 'a litre', 1000],
    ['duration', 'half an hour', 30],
    ['duration', '1 and a half hours', 90],
    ['duration', 'an hour', 60],
    ['count', 'half', 0.5],
    ['volume', '2 gal (US)', 7570.823568],
    ['volume', '2 gallons US', 7570.823568],
    ['volume', '10 fl oz US', 295.735295625],
    ['volume', '10 fl. oz. (UK)', 284.130625],
    ['volume', '1 gallon imperial', 4546.09],
    ['volume', '3 pts UK', 1704.78375],
  ] as const)('%s: “%s”', (kind, text, value) => {
    const read = parseQuantity(kind, text, 'metric');
    expect(read.ok && read.value).toBeCloseTo(value, 6);
  });

  test('a gallon without its country is asked in metric, and is theirs in US customary units; a bare ounce is asked in both', () => {
    expect(parseQuantity('volume', '2 gal', 'metric').ok).toBe(false);
    const theirs = parseQuantity('volume', '2 gal', 'us');
    expect(theirs.ok && theirs.value).toBeCloseTo(7570.823568, 6);
    const fluid = parseQuantity('volume', '10 fl oz', 'us');
    expect(fluid.ok && fluid.value).toBeCloseTo(295.735295625, 6);
    const uk = parseQuantity('volume', '2 gal UK', 'us');
    expect(uk.ok && uk.value).toBeCloseTo(9092.18, 6);
    for (const system of ['metric', 'us'] as const) expect(parseQuantity('volume', '6 oz', system).ok).toBe(false);
  });

  test.each([
    ['half', 50],
    ['half a kit', 50],
    ['a quarter of the tin', 25],
    ['two thirds', 200 / 3],
    ['empty', 0],
    ['half a per cent', 0.5],
    ['half %', 0.5],
  ] as const)('a share: “%s”', (text, value) => {
    const read = parseQuantity('percent', text, 'metric');
    expect(read.ok && read.value).toBeCloseTo(value, 9);
  });

  test.each(['half 12', 'halfway', 'third 5 %'])('“%s” is no share', (text) => {
    expect(parseQuantity('percent', text, 'metric').ok).toBe(false);
  });

  test.each(['half', 'a', 'half half', 'half a kit', 'quarter to seven', 'a 12'])('“%s” is no length', (text) => {
    const read = parseQuantity('length', text, 'metric');
    // A half alone is half of the unit that is shown.
    expect(read.ok).toBe(text === 'half');
  });
});

describe('sums, as a centre is figured from a datum and an offset', () => {
  const of = (text: string, system: 'metric' | 'us' = 'metric', kind: Kind = 'length') =>
    parseQuantity(kind, text, system);
  test.each([
    ['1200 + 32 mm', 1232],
    ['1200 mm + 32', 1232],
    ['1,2 m + 32 mm', 1232],
    ['1200+64/2', 1232],
    ['1200 less 32', 1168],
    ['1 m minus 2 cm plus 5 mm', 985],
    ['½ in + ½ in', 25.4],
  ])('%s is %d mm', (text, mm) => {
    const read = of(text);
    expect(read).toMatchObject({ ok: true, text });
    expect(read.ok && read.value).toBeCloseTo(mm, 9);
  });
  test('in inches where inches are bare; of other kinds, too', () => {
    const read = of('12 + 3/8', 'us');
    expect(read.ok && read.value).toBeCloseTo(12.375 * 25.4, 9);
    const mixed = of('4 ft less 1 1/2 in', 'us');
    expect(mixed.ok && mixed.value).toBeCloseTo(46.5 * 25.4, 9);
    const time = of('1 h + 20 min', 'metric', 'duration');
    expect(time.ok && time.value).toBe(80);
    const mass = of('1 kg + 250 g', 'metric', 'mass');
    expect(mass.ok && mass.value).toBeCloseTo(1250, 6);
    // Nobody means 251 kg, or 33.2 m.
    expect(of('1 kg + 250', 'metric', 'mass')).toMatchObject({
      ok: false,
      sentence: saying('“250” has no unit of its own: say which.'),
    });
    expect(of('1.2 m + 32').ok).toBe(false);
  });
  test('what is no sum, or only half of one, is told and nothing is guessed', () => {
    for (const text of ['1200 +', '+ 32 +', '1200 + abc', '8 - 5 mm', '1200 + 32 kg', 'plus'])
      expect([text, of(text).ok]).toEqual([text, false]);
    expect(of('1200 +')).toMatchObject({ sentence: saying('“1200 +” ends in the middle.') });
    // A temperature adds up nothing.
    expect(parseQuantity('temperature', '6 + 2', 'metric').ok).toBe(false);
    // A sign before a number is no sum.
    expect(of('+5 mm')).toMatchObject({ ok: true, value: 5 });
  });
  test('a sum is the sum of its terms, whatever they are', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9999 }), { minLength: 2, maxLength: 6 }), (terms) => {
        const read = of(terms.map((t) => `${t} mm`).join(' + '));
        expect(read.ok && read.value).toBeCloseTo(
          terms.reduce((a, b) => a + b),
          6,
        );
      }),
      { numRuns: 60 },
    );
  });
});

test.each([
  ['12 mm/m', Math.atan(0.012)],
  ['20 ‰', Math.atan(0.02)],
  ['2 %', Math.atan(0.02)],
  ['1:80', Math.atan(1 / 80)],
  ['1 in 50', Math.atan(0.02)],
  ['1/4 in/ft', null],
  ['0.25 in/ft', Math.atan(0.25 / 12)],
  ['1.15°', (1.15 * Math.PI) / 180],
] as const)('a slope of %s is an angle', (text, radians) => {
  const parsed = parseQuantity('angle', text, 'metric');
  if (radians === null) return expect(parsed.ok).toBe(false);
  expect(parsed.ok && parsed.value).toBeCloseTo((radians * 180) / Math.PI, 9);
});

test.each([
  ['length', '1.5 in', 38.1],
  ['length', '3/8 in', 9.525],
  ['length', '2.54 in', 64.516],
  ['temperature', '46.4 F', 8],
  ['temperature', '53.6 F', 12],
  ['mass', '1.1 lb', 498.951607],
  ['duration', '0.7 h', 42],
] as const)('%s %s is %d to the last place: it meets a limit that is typed in the other units', (kind, text, core) => {
  expect(parseQuantity(kind, text, 'us')).toMatchObject({ ok: true, value: core });
});

describe('so many times the same', () => {
  test.each<[Kind, string, number]>([
    ['volume', '3 × 9 mL', 27],
    ['volume', '3 x 9 mL', 27],
    ['volume', '3 shots of 9 mL', 27],
    ['volume', '2 tins of 0,5 L', 1000],
    ['length', '4 × 2.5 m', 10_000],
    ['mass', '2 * 1 kg 250 g', 2500],
    ['duration', '3 times 20 min', 60],
  ])('%s: %s', (kind, text, value) => {
    expect(parseQuantity(kind, text, 'metric')).toEqual({ ok: true, value: expect.closeTo(value, 9), text });
  });
  test.each<[Kind, string]>([
    ['volume', '3 × mL'],
    ['volume', '3 shots'],
    ['volume', '1.5 × 9 mL'],
    ['temperature', '2 × 20 °C'],
    ['density', '2 x 1.2'],
  ])('%s: “%s” is none', (kind, text) => {
    expect(parseQuantity(kind, text, 'metric').ok).toBe(false);
  });
});

test.each([
  ['320', 'metric', 320],
  ['300 gsm', 'metric', 300],
  ['300 g/m²', 'us', 300],
  ['6', 'us', 203.43],
  // A boat yard calls its cloth by its ounces alone, and means a square yard of it.
  ['10 oz', 'us', 339.06],
  ['10 oz', 'metric', 339.06],
  ['17 oz/yd²', 'us', 576.4],
  ['9.4 oz/sq yd', 'metric', 318.71],
] as const)('cloth of “%s” in %s units', (text, system, gPerM2) => {
  const read = parseQuantity('areal', text, system);
  expect(read.ok ? read.value : Number.NaN).toBeCloseTo(gPerM2, 1);
});
test('and it is told so: metric by the square metre, in the States by the square yard', () => {
  expect(format('areal', 320, 'metric').text).toBe('320 g/m²');
  expect(format('areal', 320, 'us').text).toBe('9.44 oz/yd²');
});

test('the thickness of a film in mils: understood where inches are, and asked where it may be a millimetre', () => {
  const us = parseQuantity('length', '5 mils', 'us');
  expect(us.ok ? us.value : null).toBeCloseTo(0.127, 9);
  const metric = parseQuantity('length', '5 mil', 'metric');
  if (metric.ok) throw new Error('not asked');
  expect(plainWords(metric.sentence)).toMatch(/thousandth of an inch, or a millimetre/);
  expect(metric.choices!.map((c) => parseQuantity('length', c.text, 'metric'))).toEqual([
    expect.objectContaining({ ok: true, value: expect.closeTo(0.127, 9) }),
    expect.objectContaining({ ok: true, value: 5 }),
  ]);
  // Told so as well, and read again as it is told.
  for (const mm of [0.05, 0.12, 0.2]) {
    const again = parseQuantity('length', fieldText('length', mm, 'us'), 'us');
    expect(again.ok ? Math.abs(again.value / mm - 1) : 1).toBeLessThan(0.005);
    expect(format('length', mm, 'us').text).toMatch(/ mil$/);
  }
  expect([0, 0.3].map((mm) => format('length', mm, 'us').text)).toEqual(['0 in', '0.0118 in']);
});

test.each<[Kind, string, number]>([
  ['volume', '16 mL a pack', 16],
  ['volume', '12 mL per mixer', 12],
  ['duration', '2 min each', 2],
  ['duration', '0.5 min per hole', 0.5],
  ['area-rate', '11 m²/h each', 11],
])('%s: of what “%s” is one the field says itself', (kind, text, value) => {
  expect(parseQuantity(kind, text, 'metric')).toEqual({ ok: true, value: expect.closeTo(value, 9), text });
  // What it is one of changes nothing of what it is: words that say more are not understood.
  expect(parseQuantity(kind, `${text} or so`, 'metric').ok).toBe(false);
});

test.each([
  ['500 kg', 500 * 9.80665],
  ['2 t', 2000 * 9.80665],
  ['300 lb', 300 * 0.45359237 * 9.80665],
])('a load is told by what hangs there: %s', (text, newton) => {
  expect(parseQuantity('force', text, 'us')).toEqual({ ok: true, value: expect.closeTo(newton, 6), text });
});

test.each([
  ['34x18', ['34', '18']],
  ['900 × 640 mm', ['900 mm', '640 mm']],
  ['12 in x 9 in', ['12 in', '9 in']],
  ['2 x 3', ['2', '3']],
])('“%s” is a length and a width, and not so many times as long', (text, either) => {
  const read = parseQuantity('length', text, 'metric');
  expect(read.ok ? [] : (read.choices ?? []).map((c) => c.text)).toEqual(either);
});

test.each<[Kind, string, number]>([
  ['mass', '1 000 g', 1000],
  ['length', '1 200', 1200],
  ['length', '12 500 mm', 12_500],
  ['length', '1\u202f200,5 mm', 1200.5],
  ['uptake', '1 500 mL/m²', 1500],
  ['length', '5 1/2 in', 139.7],
  ['duration', '2 h 300', 420],
])('%s: thousands of “%s” are parted by a gap', (kind, text, value) => {
  expect(parseQuantity(kind, text, 'metric')).toMatchObject({ ok: true, value: expect.closeTo(value, 9) });
});
test.each(['10 12', '1 20 mm', '1 2000 mm'])('“%s” is no number of thousands', (text) => {
  expect(parseQuantity('length', text, 'metric').ok).toBe(false);
});
