import fc from 'fast-check';
import { parseQuantity } from '../typed';
import { partsByName, readPack } from './pack-text';

const grams = (text: string | undefined) => {
  const read = parseQuantity('mass', text ?? '', 'metric');
  return read.ok ? read.value : Number.NaN;
};
const millilitres = (text: string | undefined) => {
  const read = parseQuantity('volume', text ?? '', 'metric');
  return read.ok ? read.value : Number.NaN;
};

test('one amount and a ratio are parted by it, and the ratio has the basis of the amount', () => {
  const read = readPack('300 mL cartridge 10:1', { kind: 'anchor-pack' }, 'metric')!;
  expect(read.ratio).toBe('10:1 by volume');
  expect(millilitres(read.parts.A)).toBeCloseTo(272.727, 3);
  expect(millilitres(read.parts.B)).toBeCloseTo(27.273, 3);
});

test.each([
  ['420 g + 210 g', 'paste', { A: '420 g', B: '210 g' }],
  ['A 420 g / B 210 g tin pair', 'paste', { A: '420 g', B: '210 g' }],
  ['2 × 150 mL', 'cartridge-paste', { A: '150 mL', B: '150 mL' }],
  ['2 gal (US) + 1 gal (US)', 'liquid-resin', { A: '2 US gal', B: '1 US gal' }],
  ['10 oz av and 5 oz av', 'paste', { A: '10 oz av', B: '5 oz av' }],
  ['0,5 l + 25 cl', 'liquid-resin', { A: '0,5 l', B: '250 mL' }],
  ['1.2 kg, 0.6 kg, 7.8 kg', 'mortar-kit', { A: '1.2 kg', B: '0.6 kg', C: '7.8 kg' }],
  ['25 kg bag', 'cement-water', { A: '25 kg' }],
  ['resin 800g hardener 200g', 'liquid-resin', { A: '800 g', B: '200 g' }],
  ['Kit 1 000 + 1 000 g', 'putty', { A: '1000 g', B: '1000 g' }],
  ['500 + 250 g', 'paste', { A: '500 g', B: '250 g' }],
  ['1 500 g + 750 g', 'paste', { A: '1500 g', B: '750 g' }],
  // The hardener told first is still the hardener.
  ['B 200 g, A 1 kg', 'liquid-resin', { A: '1 kg', B: '200 g' }],
  ['hardener 0.25 kg, resin 1 kg', 'liquid-resin', { A: '1 kg', B: '0.25 kg' }],
  // What both make together is no third part.
  ['5 kg (4 kg + 1 kg)', 'liquid-resin', { A: '4 kg', B: '1 kg' }],
  ['600 mL (2 x 300 mL)', 'cartridge-paste', { A: '300 mL', B: '300 mL' }],
  ['4 kg + 1 kg = 5 kg', 'liquid-resin', { A: '4 kg', B: '1 kg' }],
] as const)('“%s” of a %s', (text, kind, parts) => {
  expect(readPack(text, { kind }, 'metric')?.parts).toEqual(parts);
});

test.each([
  ['300 mL', 'anchor-pack'],
  ['Foil pack 300 mL', 'anchor-pack'],
  ['400 ml cartridge', 'cartridge-paste'],
  ['9 mL packet', 'sachets'],
] as const)('“%s” of a %s is all that its pack tells, and all that is needed', (text, kind) => {
  const amount = /\d+ m[lL]/.exec(text)![0];
  expect(readPack(text, { kind }, 'metric')).toEqual({ ratio: null, parts: {}, whole: amount });
  // A ratio that is known parts it.
  const parted = readPack(text, { kind, ratio: '2:1 by volume' }, 'metric')!;
  expect(parted.whole).toBeNull();
  expect(millilitres(parted.parts.A) / millilitres(parted.parts.B)).toBeCloseTo(2, 4);
});

test('one mass of three parts is parted by the ratio of the sheet, sand and all', () => {
  const { parts } = readPack('19 kg kit', { kind: 'mortar-kit', ratio: '100:50 by weight', cByWeight: 800 }, 'metric')!;
  expect([grams(parts.A), grams(parts.B), grams(parts.C)]).toEqual([2000, 1000, 16000]);
});

test('a bag of what is dosed is part A, and its water follows from the usual dose', () => {
  const { parts } = readPack('25 kg', { kind: 'cement-water', dosePct: 14 }, 'metric')!;
  expect([parts.A, grams(parts.B)]).toEqual(['25 kg', 3500]);
});

test('a quart of what is dosed is weighed through its density, its own or the usual one', () => {
  const b = (densityA: number | null) =>
    grams(readPack('1 US qt', { kind: 'finish-resin', dosePct: 2, densityA }, 'metric')!.parts.B);
  expect(b(1.1)).toBeCloseTo(946.353 * 1.1 * 0.02, 3);
  expect(b(null)).toBeCloseTo(946.353 * 1.2 * 0.02, 3);
});

test('nothing is made up: no amount, no ratio, a ratio on the other basis, sand of which nothing is said', () => {
  expect(readPack('Large tin', { kind: 'paste' }, 'metric')).toBeNull();
  expect(readPack('450 mL', { kind: 'paste' }, 'metric')).toEqual({ ratio: null, parts: {}, whole: null });
  expect(readPack('450 mL', { kind: 'paste', ratio: '2:1 by weight' }, 'metric')!.parts).toEqual({});
  expect(readPack('19 kg', { kind: 'mortar-kit', ratio: '100:50 by weight' }, 'metric')!.parts).toEqual({});
  // The ounce of a pack may be of mass or of fluid: the field of the part asks.
  expect(readPack('10 oz 2:1', { kind: 'paste' }, 'metric')).toBeNull();
});

test('law: whatever is parted adds up to the pack again, in the ratio it was parted by', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 50_000 }),
      fc.integer({ min: 1, max: 100 }),
      fc.integer({ min: 1, max: 100 }),
      fc.constantFrom('g', 'mL'),
      (total, a, b, unit) => {
        const { parts } = readPack(`${total} ${unit} ${a}:${b}`, { kind: 'paste' }, 'metric')!;
        const of = unit === 'g' ? grams : millilitres;
        // Six digits of each: far finer than any pack is filled.
        expect((of(parts.A) + of(parts.B)) / total).toBeCloseTo(1, 5);
        expect((of(parts.A) * b) / (of(parts.B) * a)).toBeCloseTo(1, 4);
      },
    ),
  );
});

test('a carton of packs is read as one of them, a gallon or a quart by the country of the reader', () => {
  const carton = readPack('carton of 12 x 300 mL 10:1', { kind: 'anchor-pack' }, 'metric')!;
  expect(millilitres(carton.parts.A) + millilitres(carton.parts.B)).toBeCloseTo(300, 2);
  // In the unit that stands on it.
  expect(readPack('9.5 US fl oz 10:1', { kind: 'anchor-pack' }, 'us')!.parts.A).toBe('8.63636 US fl oz');
  const us = readPack('3 gallon kit 2:1', { kind: 'liquid-resin' }, 'us')!;
  expect([us.ratio, millilitres(us.parts.B)]).toEqual(['2:1 by volume', expect.closeTo(3785.411784, 3)]);
  expect(readPack('3 gallon kit 2:1', { kind: 'liquid-resin' }, 'metric')).toBeNull();
});

describe('parts by their names', () => {
  test.each([
    ['300 g colour, 60 g hardener, 40 g water', 'joint-colour', { A: '300 g', B: '60 g', C: '40 g' }],
    // In whatever order; either side of the amounts.
    ['Hardener 60 g, colour 300 g', 'joint-colour', { A: '300 g', B: '60 g' }],
    ['1 L activator with 4 L of base', 'liquid-resin', { A: '4 L', B: '1 L' }],
    ['2 kg paste, 1 kg paste hardener', 'paste', { A: '2 kg', B: '1 kg' }],
    ['5 kg bag of powder and a 1.5 L bottle of liquid', 'powder-liquid', { A: '5 kg', B: '1.5 L' }],
    ['Bottle B 1 kg, bottle A 2 kg', 'liquid-resin', { A: '2 kg', B: '1 kg' }],
    // Now before, now behind: nobody knows which is of which.
    ['20 g hardener, filler 1 kg', 'polyester-filler', null],
    // A filler is the first part of one kind and the sand of another.
    ['Hardener 20 g, filler 1 kg', 'polyester-filler', { A: '1 kg', B: '20 g' }],
    ['Filler 12 kg, resin 2 kg, hardener 1 kg', 'mortar-kit', { A: '2 kg', B: '1 kg', C: '12 kg' }],
    ['Binder 2 kg, härter 1 kg, quarzsand 12 kg', 'mortar-kit', null],
    ['Harz 2 kg, Härter 1 kg, Quarzsand 12 kg', 'mortar-kit', { A: '2 kg', B: '1 kg', C: '12 kg' }],
    // So much to so much, a share and a density are in no pack.
    ['40 g water to 300 g colour', 'joint-colour', null],
    ['Resin 1.1 kg/L, hardener 1.0 kg/L', 'liquid-resin', null],
    ['1 kg or 5 kg resin, hardener', 'liquid-resin', null],
    ['resin and hardener', 'liquid-resin', null],
    // What the product is called is no part of it.
    ['Repair putty 1 kg resin + 1 kg hardener', 'putty', { A: '1 kg', B: '1 kg' }],
    [
      'kit consisting of resin 2.0 kg, hardener 1.0 kg and filler 17 kg (20 kg)',
      'mortar-kit',
      { A: '2.0 kg', B: '1.0 kg', C: '17 kg' },
    ],
    // Read from the left one way, from the right another.
    ['Resin 1 kg hardener 2 kg base', 'liquid-resin', null],
    ['A'.repeat(400), 'liquid-resin', null],
  ] as const)('%s', (text, kind, parts) => {
    expect(partsByName(text, kind, 'metric')).toEqual(parts);
    const read = readPack(text, { kind }, 'metric');
    if (parts) expect(read).toEqual({ ratio: null, parts, whole: null });
  });
  test('what is told of each is in both', () => {
    const read = readPack('twin tins of 500 g each', { kind: 'paste', ratio: '1:1 by weight' }, 'metric');
    expect(read).toEqual({ ratio: null, parts: { A: '500 g', B: '500 g' }, whole: null });
    expect(readPack('5 kg each', { kind: 'cement-water' }, 'metric')!.parts).toEqual({ A: '5 kg' });
  });
  test('a part that weighs as much as the others is no sum of them; all of it is told first or besides', () => {
    const parts = (text: string) => readPack(text, { kind: 'mortar-kit' }, 'metric')!.parts;
    expect(parts('2 kg + 1 kg + 3 kg')).toEqual({ A: '2 kg', B: '1 kg', C: '3 kg' });
    expect(parts('3 kg (2 kg + 1 kg)')).toEqual({ A: '2 kg', B: '1 kg' });
    expect(parts('2 kg + 1 kg + 12 kg (15 kg)')).toEqual({ A: '2 kg', B: '1 kg', C: '12 kg' });
  });
  test('a ratio beside them has the basis of the amounts', () => {
    const read = readPack('Resin 1 kg, hardener 250 g (4:1)', { kind: 'liquid-resin' }, 'metric');
    expect(read).toEqual({ ratio: '4:1 by weight', parts: { A: '1 kg', B: '250 g' }, whole: null });
  });
  test('law: the order in which they are told changes nothing', () => {
    const amount = fc.integer({ min: 1, max: 9_000 }).map((n) => `${n} g`);
    const told = fc.record({ A: amount, B: amount, C: amount });
    const order = fc.shuffledSubarray(['A', 'B', 'C'] as const, { minLength: 3 });
    const names = { A: 'resin', B: 'hardener', C: 'sand' };
    fc.assert(
      fc.property(told, order, fc.boolean(), (parts, turn, behind) => {
        const line = turn.map((id) => (behind ? `${names[id]} ${parts[id]}` : `${parts[id]} ${names[id]}`)).join(', ');
        expect(partsByName(line, 'mortar-kit', 'metric')).toEqual(parts);
      }),
    );
  });
});
