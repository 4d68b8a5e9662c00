import { sheetFlaws } from '@/core/cure';
import { kitVolumeMl, proportionOf, type SheetRevision } from '@/core/system';
import { plainWords } from '@/words';
import { blankDraft, draftOf, ofKind, type SheetDraft } from './draft';
import { readDraft } from './read-draft';

/** A sheet with a pack and one time, the rest as it is typed. */
const typed = (
  kind: SheetRevision['kind'],
  pack: Partial<Record<'A' | 'B' | 'C' | 'D', string>>,
  over: Partial<SheetDraft> = {},
): SheetDraft => {
  const d = ofKind(blankDraft(), kind);
  return {
    ...d,
    name: 'As printed',
    times: d.times.map((t) => (t.kind === 'use-by' ? { ...t, text: '10: 45 min\n20: 25 min' } : t)),
    kits: [{ ...d.kits[0]!, label: 'Pack', massG: { ...d.kits[0]!.massG, ...pack } }],
    ...over,
  };
};
const withDensities = (d: SheetDraft, densities: Partial<Record<'A' | 'B' | 'C' | 'D', string>>): SheetDraft => {
  const parts = { ...d.parts };
  for (const [id, density] of Object.entries(densities)) parts[id as 'A'] = { ...parts[id as 'A'], density };
  return { ...d, parts };
};
const read = (d: SheetDraft) => readDraft(d, { system: 'metric', money: null, role: 'foreman', nowMs: 1000 });
const made = (d: SheetDraft): SheetRevision => {
  const r = read(d);
  if ('faults' in r) throw new Error(JSON.stringify(r.faults));
  return r.sheet;
};
const faults = (d: SheetDraft) => {
  const r = read(d);
  return 'faults' in r
    ? Object.fromEntries(Object.entries(r.faults).map(([k, f]) => [k, plainWords(f!.sentence)]))
    : {};
};

describe('a kit that is made up as it is mixed', () => {
  const kit = { A: '2.60 kg', B: '1.30 kg', C: '16.5 kg' };
  test('says its ratio, with the aggregate, by what is in it', () => {
    const { ratio } = made(typed('mortar-kit', kit));
    expect(ratio).toMatchObject({ basis: 'weight', a: 100, b: 50, cByWeight: 634.615 });
  });
  test('what is typed stands, and what is not comes on its scale', () => {
    const d = withDensities(typed('mortar-kit', kit, { ratio: '2:1 by volume' }), { A: '1.12', B: '1.05' });
    const { ratio } = made(d);
    expect([ratio.basis, ratio.a, ratio.b]).toEqual(['volume', 2, 1]);
    // Two volumes of A weigh 2.24, and 16.5 kg go to 2.6 kg of it.
    expect(ratio.cByWeight).toBeCloseTo((16.5 / 2.6) * 2.24, 3);
  });
  test('in litres as in kilograms, and never one of each', () => {
    const { ratio } = made(typed('paste', { A: '0.6 L', B: '300 mL' }));
    expect([ratio.basis, ratio.a, ratio.b]).toEqual(['volume', 100, 50]);
    expect(faults(typed('paste', { A: '0.3 L', B: '300 g' })).ratio).toBeDefined();
  });
  test('a packet that is kneaded in its own bag needs none', () => {
    const sheet = made(typed('sachets', { A: '4.5 mL', B: '4.5 mL' }, { potLoss: '15 %' }));
    expect([kitVolumeMl(sheet, sheet.kits[0]!), sheet.potLossMl]).toEqual([
      expect.closeTo(9, 6),
      expect.closeTo(1.35, 6),
    ]);
    expect(draftOf(sheet).potLoss).toBe('15 %');
    expect(made(draftOf(sheet)).potLossMl).toBeCloseTo(1.35, 6);
    expect(faults(typed('sachets', { A: '4.5 mL', B: '4.5 mL' }, { potLoss: '100 %' })).potLoss).toMatch(
      /Less than all/,
    );
  });
  test('a pack that cannot be read says none', () => {
    expect(faults(typed('mortar-kit', { A: '2.60 kg', B: '1.3 furlongs', C: '16.5 kg' })).ratio).toMatch(
      /Which is it|Type/,
    );
    expect(faults(typed('paste', {})).ratio).toBeDefined();
  });
});

describe('fillers by the liquid they go into', () => {
  const paste = (c: string, d: string) =>
    withDensities(
      typed(
        'four-part-paste',
        { A: '2 kg', B: '0.84 kg', C: '600 g', D: '200 g' },
        {
          ratio: '100:42 by weight',
          cByWeight: c,
          dByWeight: d,
        },
      ),
      { A: '1.12', B: '1.00', C: '0.30', D: '2.2' },
    );

  test.each([
    ['12 g per 100 mL', '6 g per 100 mL'],
    ['12 g to 100 mL of liquid', '60 g to 1 L'],
    ['12 g / 100 mL', '6 g for each 100 mL of the mix'],
    ['12 g auf 100 ml', '6 g je 100 ml'],
  ])('%s, %s: in 300.7 mL of it are 36.1 g of spheres and 18.0 g of thickener', (c, d) => {
    const sheet = made(paste(c, d));
    const liquidMl = 100 / 1.12 + 42 / 1.0;
    expect((sheet.ratio.cByWeight! / liquidMl) * 300.7).toBeCloseTo(36.1, 1);
    expect((sheet.ratio.dByWeight! / liquidMl) * 300.7).toBeCloseTo(18.0, 1);
    const again = draftOf(sheet);
    expect([again.cByWeight, again.dByWeight]).toEqual([c, d]);
    expect(made(again).ratio).toEqual(sheet.ratio);
  });
  test('by the weight of it as well', () => {
    // Of 142 g of liquid 14.2 go to the hundred.
    expect(made(paste('10 g per 100 g', '5')).ratio.cByWeight).toBeCloseTo(14.2, 9);
  });
  test.each(['12 mL per 100 mL', '12 g per', '12 g per tin', 'some', '-3'])('“%s” is said at its field', (c) => {
    expect(faults(paste(c, '5')).cByWeight).toBeDefined();
  });
});

describe('water as bags print it', () => {
  const bag = (over: Partial<SheetDraft>) => typed('cement-water', { A: '25 kg' }, over);

  test.each([
    ['3.25 L per 25 kg', '3.5 L per 25 kg'],
    ['3.25 L to a bag of 25 kg', '3.50 L'],
    ['3.25 L', '3.50 L/25 kg'],
    ['0.13 L per kg', '14 %'],
  ])('%s, at most %s: 13 to 14 %% of the powder', (doseUsual, doseMax) => {
    const sheet = made(bag({ doseUsual, doseMax }));
    expect(sheet.dose).toEqual({
      minPct: expect.closeTo(13, 9),
      usualPct: expect.closeTo(13, 9),
      maxPct: expect.closeTo(14, 9),
      of: 'A',
    });
    // The water that belongs to the bag comes from the tap.
    expect(sheet.kits[0]!.massG.B).toBeCloseTo(3250, 6);
    expect(made(draftOf(sheet)).dose).toEqual(sheet.dose);
  });
  test.each([
    ['25 kg', '6 kg'],
    ['25 kg', '6 L'],
    ['12.5 kg', '3 kg'],
  ])('a pack of %s with %s of water says its dose', (A, B) => {
    const sheet = made(typed('tile-adhesive', { A, B }));
    expect(sheet.dose).toEqual({
      minPct: expect.closeTo(24, 6),
      usualPct: expect.closeTo(24, 6),
      maxPct: expect.closeTo(24, 6),
      of: 'A',
    });
    // What is typed of the dose goes first, and a tube beside a tin is no dose.
    expect(made(typed('tile-adhesive', { A, B }, { doseUsual: '26 %', doseOf: 'A' })).dose!.usualPct).toBe(26);
    expect(faults(typed('polyester-filler', { A: '1 kg', B: '20 g' })).doseUsual).toBeDefined();
    expect(faults(typed('tile-adhesive', { A })).doseUsual).toBeDefined();
  });
  test('a tube to its tin, of part A or of the whole', () => {
    const filler = (over: Partial<SheetDraft>) => typed('polyester-filler', { A: '1.5 kg', B: '30 g' }, over);
    expect(made(filler({ doseUsual: '30 g' })).dose).toMatchObject({ usualPct: expect.closeTo(2, 9), of: 'A' });
    expect(made(filler({ doseUsual: '30 g per 1.5 kg', doseOf: 'total' })).dose).toMatchObject({
      usualPct: expect.closeTo((100 * 30) / 1530, 9),
      of: 'total',
    });
  });
  test('one figure is enough: what is not printed ends at it', () => {
    expect(made(bag({ doseUsual: '13 %', doseOf: 'A' })).dose).toEqual({
      minPct: 13,
      usualPct: 13,
      maxPct: 13,
      of: 'A',
    });
  });
  test('swapped, without its bag, far too much, or without its whole: said at the field', () => {
    expect(faults(bag({ doseUsual: '3.25 L', doseMin: '3.5 L', doseMax: '3 L' })).doseMax).toMatch(/swapped/);
    expect(faults(typed('cement-water', {}, { doseUsual: '3.25 L' })).doseUsual).toBeDefined();
    expect(faults(bag({ doseUsual: '20 L' })).doseUsual).toMatch(/At most 60/);
    expect(faults(bag({ doseUsual: '13 %' })).doseOf).toMatch(/whole/);
  });
});

test('what a coat takes by weight is what a litre covers, by the density of its mix', () => {
  const coat = (over: Partial<SheetDraft>) =>
    made(typed('paste', { A: '1 kg', B: '500 g' }, { covers: '200 g/m²', ...over }));
  // A kilogram covers 5 m²; a litre of 1.3 g/mL weighs 1.3 kg.
  expect(coat({ mixed: '1.3' }).coversM2PerL).toBeCloseTo(6.5, 9);
  const byParts = made(
    withDensities(typed('paste', { A: '1 kg', B: '500 g' }, { covers: '200 g/m²' }), { A: '1.25', B: '1.0' }),
  );
  // 1000 g in 800 mL and 500 g in 500 mL: 1500 g in 1.3 L.
  expect(byParts.coversM2PerL).toBeCloseTo((5 * 1500) / 1300, 9);
  expect(draftOf(byParts).covers).toBe('200 g/m²');
});

describe('a pack that meters its parts itself', () => {
  const whole = (kind: SheetRevision['kind'], ...labels: string[]): SheetDraft => {
    const d = typed(kind, {});
    return { ...d, kits: labels.map((label, i) => ({ ...d.kits[0]!, key: `k${i}`, label })) };
  };

  test.each([
    ['anchor-pack', '300 mL', 300],
    ['cartridge-paste', 'Cartridge 0.4 L', 400],
    ['sachets', '9 mL packet', 9],
  ] as const)('a %s of “%s” needs no ratio and no parts', (kind, label, ml) => {
    const sheet = made(whole(kind, label));
    expect(kitVolumeMl(sheet, sheet.kits[0]!)).toBeCloseTo(ml, 6);
    expect(sheet.estimated).toContain('ratio');
    expect(sheet.estimated.filter((f) => f === 'ratio')).toHaveLength(1);
    expect(sheetFlaws(sheet)).toEqual([]);
    // Of a ratio that nobody was told nothing is said.
    expect(
      proportionOf(sheet)
        .working.map((w) => plainWords(w.label))
        .join(),
    ).not.toMatch(/ratio/i);
    expect(
      proportionOf({ ...sheet, estimated: [] })
        .working.map((w) => plainWords(w.label))
        .join(),
    ).toMatch(/ratio/i);
    // Typed again it is still what the pack says, and no more.
    const again = draftOf(sheet);
    expect([again.ratio, again.kits[0]!.massG.A, again.kits[0]!.massG.B]).toEqual(['', '', '']);
    expect(made(again).kits).toEqual(sheet.kits);
  });
  test('told by weight its halves weigh alike', () => {
    const sheet = made(whole('anchor-pack', '480 g pack'));
    expect([sheet.kits[0]!.massG.A, sheet.kits[0]!.massG.B, sheet.ratio.basis]).toEqual([240, 240, 'weight']);
    expect(sheetFlaws(sheet)).toEqual([]);
  });
  test('two sizes of it, each by its whole', () => {
    const sheet = made(whole('anchor-pack', '150 mL', '400 mL'));
    expect(sheet.kits.map((k) => Math.round(kitVolumeMl(sheet, k)))).toEqual([150, 400]);
  });
  test('a ratio or parts that are typed are the sheet’s', () => {
    const sheet = made({ ...typed('anchor-pack', { A: '270 mL', B: '30 mL' }) });
    expect([sheet.ratio.a / sheet.ratio.b, sheet.estimated.includes('ratio')]).toEqual([expect.closeTo(9, 4), false]);
  });
  test('words without an amount, and half of its parts, are asked for', () => {
    expect(faults(whole('anchor-pack', 'Large'))['kits.k0.a']).toMatch(/whole pack as it is printed/);
    const d = typed('anchor-pack', { A: '300 mL' });
    expect(faults(d)[`kits.${d.kits[0]!.key}.b`]).toMatch(/whole pack as it is printed/);
  });
  test('what stands in tins has no such way out', () => {
    expect(faults(whole('paste', '300 mL')).ratio).toBeDefined();
  });
});

describe('a pack of which its paper says how much it makes', () => {
  const yielding = (kind: SheetRevision['kind'], pack: Parameters<typeof typed>[1], yieldMl: string, over = {}) => {
    const d = typed(kind, pack, over);
    return { ...d, kits: [{ ...d.kits[0]!, yieldMl }] };
  };
  test('makes that much: a density nobody printed gives way to the yield', () => {
    const bag = { doseMin: '3 L to 25 kg', doseMax: '3.5 L to 25 kg' };
    const sheet = made(yielding('cement-water', { A: '25 kg' }, '13 L', bag));
    // 25 kg and 3.25 kg of water in 13 L: powder in the 9.75 L that the water leaves.
    expect(kitVolumeMl(sheet, sheet.kits[0]!)).toBeCloseTo(13_000, 0);
    expect(sheet.parts[0]!.densityGPerMl).toBeCloseTo(25 / 9.75, 4);
    expect(sheet.parts[1]!.densityGPerMl).toBe(1);
    // It stands as silent on its density, as its paper is.
    expect(sheet.estimated).toContain('densityA');
    expect(draftOf(sheet).parts.A.density).toBe('');
  });
  test('of a kit of three parts all that is not printed follows in step, what is printed stands', () => {
    const kit = { A: '2.4 kg', B: '1.2 kg', C: '16.4 kg' };
    const plain = made(typed('mortar-kit', kit, { ratio: '2:1 by weight' }));
    const was = kitVolumeMl(plain, plain.kits[0]!);
    const sheet = made(yielding('mortar-kit', kit, `${(was * 1.05) / 1000} L`, { ratio: '2:1 by weight' }));
    expect(kitVolumeMl(sheet, sheet.kits[0]!) / was).toBeCloseTo(1.05, 4);
    const known = withDensities(yielding('mortar-kit', kit, `${(was * 1.02) / 1000} L`, { ratio: '2:1 by weight' }), {
      A: '1.12',
      B: '1.05',
    });
    expect(
      made(known)
        .parts.map((p) => p.densityGPerMl)
        .slice(0, 2),
    ).toEqual([1.12, 1.05]);
  });
  test('with all densities printed, far from any of ours, or not read, it is only compared', () => {
    const bag = { doseUsual: '13 %', doseOf: 'A' as const };
    const densities = (d: SheetDraft) => made(d).parts[0]!.densityGPerMl;
    const usual = densities(typed('cement-water', { A: '25 kg' }, bag));
    expect(densities(yielding('cement-water', { A: '25 kg' }, '30 L', bag))).toBe(usual);
    expect(densities(withDensities(yielding('cement-water', { A: '25 kg' }, '13 L', bag), { A: '2.75' }))).toBe(2.75);
    const unread = yielding('cement-water', { A: '25 kg' }, 'much', bag);
    expect(Object.keys(faults(unread))).toEqual([`kits.${unread.kits[0]!.key}.yieldMl`]);
  });
});

describe('sand that is not in the pack', () => {
  const bottles = (over: Partial<SheetDraft> = {}) =>
    typed(
      'crack-filler',
      { A: '1 L', B: '1 L' },
      { ratio: '1:1 by volume', cByWeight: '1.8 times by volume', ...over },
    );
  test('belongs to the mix by its ratio, comes by the bag, and stays out of the pack in the next revision', () => {
    const sheet = made(bottles());
    const [kit] = sheet.kits;
    // 2 L of liquid with 3.6 L of sand by its bulk, 1.75 g/mL where nobody said another.
    expect(kit!.massG.C).toBeCloseTo(3600 * 1.75, 0);
    expect([kit!.apart, sheet.estimated.includes('bulkC')]).toEqual([['C'], true]);
    expect(sheet.parts.find((p) => p.id === 'C')!.bulkGPerMl).toBeNull();
    const again = draftOf(sheet);
    expect([again.kits[0]!.massG.C, again.cByWeight]).toEqual(['', '1.8 times by volume']);
    expect(made({ ...again, name: 'Again' }).kits[0]).toMatchObject({ apart: ['C'] });
    // Its own bulk density goes before ours.
    const own = made({ ...bottles(), parts: { ...bottles().parts, C: { ...bottles().parts.C, bulk: '1.58' } } });
    expect([own.kits[0]!.massG.C, own.estimated.includes('bulkC')]).toEqual([expect.closeTo(3600 * 1.58, 0), false]);
  });
  test('in the pack it is not fetched besides; without a ratio it is asked for', () => {
    const d = bottles();
    const packed = made({ ...d, kits: [{ ...d.kits[0]!, massG: { ...d.kits[0]!.massG, C: '6 kg' } }] });
    expect(packed.kits[0]).toMatchObject({ massG: { C: 6000 } });
    expect(packed.kits[0]).not.toHaveProperty('apart');
    expect(Object.keys(faults(bottles({ cByWeight: '' })))).toContain('cByWeight');
  });
});

test('two ratios side by side tell the densities themselves: steel in one part is no slip of the sheet', () => {
  const steel = typed('putty', { A: '400 g', B: '100 g' }, { ratio: '4:1 by weight', also: '2.2:1 by volume' });
  const [a, b] = made(steel).parts;
  expect(a!.densityGPerMl / b!.densityGPerMl).toBeCloseTo(4 / 2.2, 6);
  expect(sheetFlaws(made(steel))).toEqual([]);
  // What no pair of parts weighs is a slip, and so is what typed densities speak against.
  expect(sheetFlaws(made({ ...steel, also: '1.1:1 by volume' }))).not.toEqual([]);
  expect(sheetFlaws(made(withDensities(steel, { A: '1.9 g/mL', B: '1.8 g/mL' })))).not.toEqual([]);
});
