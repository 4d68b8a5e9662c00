import { KIND_IDS, mixedDensity, SheetRevision, systemKind } from '@/core/system';
import { sampleSheets } from '@/sample/systems';
import { plainWords } from '@/words';
import { inBothEnds } from './both-ends';
import { blankDraft, draftOf, ofKind, type SheetDraft } from './draft';
import { LIMIT_FIELDS } from './limit-list';
import { readDraft } from './read-draft';
import { Reader } from './sheet-reader';

const read = (d: SheetDraft, before: SheetRevision | null = null) =>
  readDraft(d, { system: 'metric', money: null, role: 'foreman', nowMs: 1000 }, before);
const faults = (d: SheetDraft) => {
  const r = read(d);
  return 'faults' in r ? r.faults : {};
};
const paste = () => draftOf(sampleSheets.find((s) => s.id === 'sheet-paste-1')!);

test.each(sampleSheets.map((s) => [s.name, s] as const))(
  '%s: opened and put back unchanged it says the same',
  (_, sheet) => {
    const r = read(draftOf(sheet), sheet);
    if ('faults' in r) throw new Error(JSON.stringify(r.faults));
    const { id, revision, supersedes, typedAt, typedByRole, sample, milestones, ...same } = r.sheet;
    expect(sheet).toMatchObject({
      ...same,
      parts: same.parts.map((p) => expect.objectContaining({ id: p.id, densityGPerMl: p.densityGPerMl })),
    });
    expect([revision, supersedes, sample, typedByRole]).toEqual([sheet.revision + 1, sheet.id, false, 'foreman']);
    expect(milestones.map(({ printed, ...m }) => m)).toEqual(sheet.milestones.map(({ printed, ...m }) => m));
    expect(SheetRevision.parse(r.sheet)).toEqual(r.sheet);
    expect([id === sheet.id, typedAt]).toEqual([false, 1000]);
  },
);

test('an empty draft of any kind says at its fields what is missing, and nothing is thrown', () => {
  for (const kind of KIND_IDS) {
    const said = faults(ofKind(blankDraft(), kind));
    expect(plainWords(said.name?.sentence ?? '')).toMatch(/name/);
    const asked = systemKind(kind).dosed ? ['doseUsual', 'doseOf'] : ['ratio'];
    for (const field of asked) expect(said[field]).toBeDefined();
  }
});

test('how dry the base is: what the sheet says, or as usual for its kind and marked so, through every revision', () => {
  const sheetOf = (kind: SheetRevision['kind'], wetness: SheetDraft['wetness']) => {
    const made = read({ ...draftOf(sampleSheets.find((s) => s.kind === kind)!), wetness });
    if (!('sheet' in made)) throw new Error(JSON.stringify(made.faults));
    return made.sheet;
  };
  for (const [kind, usual] of [
    ['cement-water', 'saturated, no puddles'],
    ['paste', 'bone dry'],
  ] as const) {
    const silent = sheetOf(kind, '');
    expect([silent.limits.wetness, silent.estimated]).toEqual([usual, expect.arrayContaining(['wetness'])]);
    expect(draftOf(silent).wetness).toBe('');
    const said = sheetOf(kind, usual);
    expect([said.limits.wetness, said.estimated.includes('wetness')]).toEqual([usual, false]);
    expect(draftOf(said).wetness).toBe(usual);
  }
  // Sheets of the sample say it, and go on saying it.
  for (const sheet of sampleSheets) expect(draftOf(sheet).wetness).toBe(sheet.limits.wetness);
});

test('another kind brings its family, hazards and parts, and keeps what was typed', () => {
  const typed = { ...blankDraft(), name: 'Mine', hazards: 'Only mine.' };
  const mortar = ofKind(typed, 'mortar-kit');
  expect(mortar).toMatchObject({ name: 'Mine', hazards: 'Only mine.' });
  expect(mortar.parts.C.name).toBe('graded sand');
  // The family is the usual one of the kind, until somebody says another that this kind comes in, too.
  const anchorOf = (d: SheetDraft) => ofKind(d, 'anchor-pack').family;
  expect([ofKind(blankDraft(), 'paste').family, anchorOf(ofKind(blankDraft(), 'paste'))]).toEqual([
    'resin-amine',
    'methacrylate',
  ]);
  expect(anchorOf({ ...blankDraft(), kind: 'cartridge-paste', family: 'resin-amine' })).toBe('methacrylate');
  expect(anchorOf({ ...ofKind(blankDraft(), 'polyester-filler'), family: 'resin-amine' })).toBe('resin-amine');
  expect(ofKind({ ...blankDraft(), kind: 'anchor-pack', family: 'resin-amine' }, 'mortar-kit').family).toBe(
    'resin-amine',
  );
  // Whatever the kind, nobody has said how dry its base is until somebody does.
  expect(ofKind(blankDraft(), 'cement-water').wetness).toBe('');
  expect(ofKind({ ...blankDraft(), wetness: 'wiped damp' }, 'cement-water').wetness).toBe('wiped damp');
  expect(ofKind(blankDraft(), 'finish-resin')).toMatchObject({
    family: 'peroxide',
    hazards: systemKind('finish-resin').hazards.join('\n'),
  });
});

test.each([
  ['ratio', { ratio: '2:1' }, /Which is it/],
  ['ratio', { ratio: '2:0 by volume' }, /above 0/],
  ['also', { also: '3:1 by volume' }, /Both ratios are by volume/],
  ['tolerance', { tolerance: '80 %' }, /at most 50/],
  ['densityA', { parts: { ...paste().parts, A: { name: '', density: '0 g/mL', bulk: '' } } }, /any filler/],
  ['mixRpm', { mixRpm: 'slowly' }, /300 to 400/],
  ['coverage', { coverage: '0' }, /more than 0/],
  ['limits.baseMinC', { limits: { baseMinC: 'warm' } }, /not understood/],
  ['storeMin', { storeMin: '-400 C' }, /absolute zero/],
] as const)('%s: what cannot be is said there', (field, over, words) => {
  expect(plainWords(faults({ ...paste(), ...over } as SheetDraft)[field]?.sentence ?? '')).toMatch(words);
});

test('kits: nothing in them, ounces without their kind, contents that are no things', () => {
  const d = paste();
  const kit = {
    ...d.kits[0]!,
    massG: { ...d.kits[0]!.massG, A: '0 g', B: '5 oz' },
    contents: '2 static mixers, 0 spatulas',
  };
  const said = faults({ ...d, kits: [kit] });
  expect(plainWords(said[`kits.${kit.key}.a`]!.sentence)).toMatch(/more than 0/);
  expect(said[`kits.${kit.key}.b`]!.choices!.length).toBeGreaterThan(0);
  expect(plainWords(said[`kits.${kit.key}.contents`]!.sentence)).toMatch(/0 spatulas/);
  const r = read({ ...d, kits: [{ ...d.kits[0]!, contents: '2 static mixers, a pail' }] });
  expect('sheet' in r && r.sheet.kits[0]!.contents).toEqual([
    { what: 'static mixers', count: 2 },
    { what: 'a pail', count: 1 },
  ]);
});

test('a table in Fahrenheit comes back as the paper prints it', () => {
  const d = paste();
  const text = '50 F: 30 h\n68 F: 12 h\n86 F: 6 h';
  const r = read({ ...d, times: [{ ...d.times[0]!, text }] });
  if ('faults' in r) throw new Error('faults');
  expect(draftOf(r.sheet).times[0]!.text).toBe(text);
  // A bare number would mean another unit for another reader: then the figures are written out.
  const bare = read({ ...d, times: [{ ...d.times[0]!, text: '10: 30 h\n20: 12 h' }] });
  expect('sheet' in bare && draftOf(bare.sheet).times[0]!.text).toMatch(/^10: 30 h/);
});

test('quantities come back on the next revision as the paper prints them, whoever opens it', () => {
  const us = (d: SheetDraft, before: SheetRevision | null) => {
    const r = readDraft(d, { system: 'us', money: null, role: 'foreman', nowMs: 1000 }, before);
    if ('faults' in r) throw new Error(JSON.stringify(r.faults));
    return r.sheet;
  };
  const was = paste();
  const kit = was.kits[0]!;
  const typed: SheetDraft = {
    ...was,
    parts: { ...was.parts, A: { ...was.parts.A, density: '11.2 lb/US gal' } },
    kits: [{ ...kit, massG: { ...kit.massG, A: '1.5 kg' } }],
    // A bare number is in the typist’s own units, and stays so for readers with others.
    limits: { ...was.limits, baseMinC: '50', bondMaxMm: '1/8 in' },
    times: was.times.map((t) => (t.kind === 'use-by' ? { ...t, reference: '7 oz av' } : t)),
  };
  const sheet = us(typed, null);
  expect(sheet.limits.baseMinC).toBeCloseTo(10, 9);
  expect(sheet.printed).toMatchObject({
    densityA: '11.2 lb/US gal',
    [`kits.${kit.key}.a`]: '1.5 kg',
    'limits.baseMinC': '50 °F',
  });
  expect(SheetRevision.parse(JSON.parse(JSON.stringify(sheet)))).toEqual(sheet);
  const again = draftOf(sheet);
  expect(again.parts.A.density).toBe('11.2 lb/US gal');
  expect(again.kits[0]!.massG.A).toBe('1.5 kg');
  expect([again.limits.baseMinC, again.limits.bondMaxMm]).toEqual(['50 °F', '1/8 in']);
  expect(again.times.find((t) => t.kind === 'use-by')!.reference).toBe('7 oz av');
  // Read by somebody with metric units nothing has moved.
  const r = read(again, sheet);
  if ('faults' in r) throw new Error(JSON.stringify(r.faults));
  expect(r.sheet.limits).toEqual(sheet.limits);
  expect(r.sheet.printed).toEqual(sheet.printed);
});

test('what is printed but no longer reads to the kept value is not trusted', () => {
  const sheet = sampleSheets.find((s) => s.id === 'sheet-paste-1')!;
  const stale = { ...sheet, printed: { 'limits.baseMinC': '90 °F', densityA: 'heavy' } };
  const d = draftOf(stale);
  expect(d.limits.baseMinC).toBe(draftOf(sheet).limits.baseMinC);
  expect(d.parts.A.density).toBe(draftOf(sheet).parts.A.density);
});

describe('packs and prices as they are printed', () => {
  const withKit = (a: string, b: string, price = '') => {
    const d = paste();
    return { ...d, kits: d.kits.map((k) => ({ ...k, massG: { ...k.massG, A: a, B: b }, price })) };
  };
  const read = (d: ReturnType<typeof paste>, money: string | null = null) =>
    readDraft(d, { system: 'metric', money, role: 'role', nowMs: 0 });
  test('a cartridge by volume is as good as a tin by mass, and comes back as printed', () => {
    const got = read(withKit('145 mL', '8 US fl oz', '$34'), 'USD');
    if (!('sheet' in got)) throw new Error(JSON.stringify(got.faults));
    const [a, b] = got.sheet.parts;
    expect(got.sheet.kits[0]!.massG.A).toBeCloseTo(145 * a!.densityGPerMl, 9);
    expect(got.sheet.kits[0]!.massG.B).toBeCloseTo(8 * 29.5735295625 * b!.densityGPerMl, 9);
    expect(got.sheet.kits[0]!.price).toBe(34);
    expect(draftOf(got.sheet).kits[0]!.massG).toMatchObject({ A: '145 mL', B: '8 US fl oz' });
  });
  test.each([
    ['34 €', 34, 'EUR'],
    ['EUR 1,250.50', 1250.5, 'EUR'],
    ['18', 18, 'CHF'],
    ['', null, null],
  ])('%s', (price, wanted, currency) => {
    const got = read(withKit('1 kg', '300 g', price), 'CHF');
    if (!('sheet' in got)) throw new Error(JSON.stringify(got.faults));
    expect(got.sheet.kits[0]!.price).toBe(wanted);
    expect(got.sheet.currency).toBe(currency);
    // Whoever opens it next, in whatever money he pays, reads the same.
    const again = read(draftOf(got.sheet), 'USD');
    expect('sheet' in again && again.sheet.currency).toBe(currency);
  });
  test('a price whose money is not known is asked at its field; two packs are priced in one money', () => {
    const asked = read(withKit('1 kg', '300 g', '18'));
    const faults = 'faults' in asked ? Object.entries(asked.faults) : [];
    expect(faults.map(([field]) => field)).toEqual([expect.stringMatching(/price$/)]);
    expect(faults[0]![1].choices!.map((c) => c.text)).toContain('18 EUR');
    const d = withKit('1 kg', '300 g', '18 €');
    const two = [...d.kits, { ...d.kits[0]!, key: 'second', price: '$20' }];
    const both = read({ ...d, kits: two }, 'USD');
    expect('faults' in both && plainWords(both.faults['kits.second.price']!.sentence)).toBe(
      'The other price is in EUR: give both in one money.',
    );
    // A bare number beside a price with its sign is in the same money.
    const bare = read({ ...d, kits: [two[0]!, { ...two[1]!, price: '20' }] }, 'USD');
    expect('sheet' in bare && [bare.sheet.currency, bare.sheet.kits[1]!.price]).toEqual(['EUR', 20]);
  });
  test.each([
    ['12 oz', /mass or of fluid/, ['oz av', 'US fl oz', 'UK fl oz']],
    ['1 gal', /gallon differs/, ['US gal', 'UK gal']],
  ])('%s is asked', (text, says, choices) => {
    const got = read(withKit(text, '300 g'));
    const fault = 'faults' in got ? Object.entries(got.faults).find(([k]) => k.endsWith('.a'))![1] : null;
    expect(plainWords(fault!.sentence)).toMatch(says);
    expect(fault!.choices!.map((c) => c.label)).toEqual(choices);
  });
  test('nothing, nought and words are refused', () => {
    for (const text of ['', '0 mL', 'a tin']) expect('faults' in read(withKit(text, '300 g'))).toBe(true);
  });
});

test('what no pack prints is taken as usual and marked so, and comes back as an empty field', () => {
  const d = paste();
  const r = read({
    ...d,
    mixMin: '',
    potLoss: ' ',
    parts: { ...d.parts, B: { name: '', density: '', bulk: '' } },
  });
  if ('faults' in r) throw new Error(JSON.stringify(r.faults));
  expect(r.sheet.estimated).toEqual(['densityB', 'potLoss', 'mixMin']);
  expect(r.sheet.parts.find((p) => p.id === 'B')!.densityGPerMl).toBe(
    systemKind('paste').parts.find((p) => p.id === 'B')!.densityGPerMl,
  );
  const again = draftOf(r.sheet);
  expect([again.mixMin, again.potLoss, again.parts.B.density, again.parts.A.density]).toEqual([
    '',
    '',
    '',
    d.parts.A.density,
  ]);
});

test('a sheet of four answers can stand on the shelf: name, pack, ratio and one time', () => {
  const blank = blankDraft();
  const r = read({
    ...blank,
    name: 'Short sheet',
    ratio: '2:1 by weight',
    kits: [{ ...blank.kits[0]!, label: 'tins', massG: { ...blank.kits[0]!.massG, A: '400 g', B: '200 g' } }],
    times: blank.times.map((t) => (t.kind === 'use-by' ? { ...t, text: '30 min' } : t)),
  });
  if ('faults' in r) throw new Error(JSON.stringify(r.faults));
  expect(r.sheet.milestones).toEqual([
    {
      kind: 'use-by',
      startsAt: 'mix-begins',
      runsOn: 'pot',
      referenceMassG: null,
      printed: '30 min',
      table: { form: 'single', tempC: null, fromMin: 30, toMin: 30 },
    },
  ]);
});

test('another kind keeps the times that were typed and offers those that its sheets print', () => {
  const typed = blankDraft();
  const mortar = ofKind(
    { ...typed, times: typed.times.map((t) => (t.kind === 'load' ? { ...t, text: '1 d' } : t)) },
    'mortar-kit',
  );
  expect(mortar.times.filter((t) => t.text).map((t) => [t.kind, t.text])).toEqual([['load', '1 d']]);
  expect(mortar.times.map((t) => t.kind).sort()).toEqual([...systemKind('mortar-kit').times].sort());
});

test('a joint colour is used up from its last shake, and whoever says otherwise is believed', () => {
  const countsFrom = (draft: SheetDraft) => draft.times.find((t) => t.kind === 'use-by')!.startsAt;
  const colour = ofKind(blankDraft(), 'joint-colour');
  expect([countsFrom(blankDraft()), countsFrom(colour)]).toEqual(['mix-begins', 'stand-ends']);
  // Of nothing else that it prints.
  expect(colour.times.filter((t) => t.startsAt === 'stand-ends').map((t) => t.kind)).toEqual(['use-by']);
  const typed = {
    ...blankDraft(),
    times: blankDraft().times.map((t) => (t.kind === 'use-by' ? { ...t, text: '45 min' } : t)),
  };
  expect(countsFrom(ofKind(typed, 'joint-colour'))).toBe('mix-begins');
  // Another kind counts it from mixing again.
  expect(countsFrom(ofKind(colour, 'paste'))).toBe('mix-begins');
});

test('two tins are weighed out of, a kit with its sand is mixed whole, unless somebody has said otherwise', () => {
  const split = (d: SheetDraft) => d.kits.map((k) => k.splittable);
  const paste = blankDraft();
  expect(split(paste)).toEqual([null]);
  const mortar = ofKind(paste, 'mortar-kit');
  expect(split(mortar)).toEqual([null]);
  const said = { ...mortar, kits: mortar.kits.map((k) => ({ ...k, splittable: true })) };
  expect(split(ofKind(said, 'sachets'))).toEqual([true]);
  // As it is kept: by what is usual for its kind, with a mark that nobody said it; read again it is not said still.
  const kept = (kind: SheetRevision['kind'], splittable: boolean | null) => {
    const d = draftOf(sampleSheets.find((s) => s.kind === kind)!);
    const made = read({ ...d, kits: d.kits.map((k) => ({ ...k, splittable })) });
    if (!('sheet' in made)) throw new Error(JSON.stringify(made.faults));
    const [kit] = made.sheet.kits;
    expect(split(draftOf(made.sheet))[0]).toBe(splittable);
    return [kit!.splittable, kit!.splitUntold ?? false];
  };
  expect([kept('mortar-kit', null), kept('paste', null)]).toEqual([
    [false, true],
    [true, true],
  ]);
  expect([kept('mortar-kit', true), kept('paste', false)]).toEqual([
    [true, false],
    [false, false],
  ]);
});

describe('sand told by bulk volume', () => {
  const crack = (over: Partial<SheetDraft> = {}): SheetDraft => {
    const d = draftOf(sampleSheets.find((s) => s.parts.some((p) => p.filler === 'grains'))!);
    return {
      ...d,
      ratio: '1:1 by volume',
      also: '',
      cByWeight: '1.8 by volume',
      parts: {
        ...d.parts,
        A: { ...d.parts.A, density: '1.1 g/mL' },
        B: { ...d.parts.B, density: '1.0 g/mL' },
        C: { ...d.parts.C, density: '2.64 g/mL', bulk: '1.58 g/mL' },
      },
      ...over,
    };
  };
  const made = (d: SheetDraft) => {
    const r = read(d);
    if ('faults' in r) throw new Error(JSON.stringify(r.faults));
    return r.sheet;
  };
  test('1.8 times the mixed liquid is weighed through its tamped bulk density, and stays as it was typed', () => {
    // 1 + 1 mL of liquid, 3.6 mL of loose sand of 1.58.
    expect(made(crack()).ratio.cByWeight).toBeCloseTo(3.6 * 1.58, 9);
    expect(draftOf(made(crack())).cByWeight).toBe('1.8 by volume');
    const byWeight = made(crack({ ratio: '110:50 by weight' }));
    expect(byWeight.ratio.cByWeight).toBeCloseTo(1.8 * (100 + 50) * 1.58, 6);
    for (const words of ['1.8 × the liquid by bulk volume', '1,8 times by vol.'])
      expect(made(crack({ cByWeight: words })).ratio.cByWeight).toBeCloseTo(3.6 * 1.58, 9);
  });
  test('without a bulk density it is weighed as is usual for sand, marked; a number is by weight', () => {
    const d = crack();
    const [own, usual] = ['1.40', ''].map((bulk) => made({ ...d, parts: { ...d.parts, C: { ...d.parts.C, bulk } } }));
    expect(usual!.ratio.cByWeight! / own!.ratio.cByWeight!).toBeCloseTo(1.75 / 1.4, 5);
    expect([own!.estimated.includes('bulkC'), usual!.estimated.includes('bulkC')]).toEqual([false, true]);
    expect(made(crack({ cByWeight: '5' })).ratio.cByWeight).toBe(5);
    expect(faults(crack({ cByWeight: 'some' })).cByWeight).toBeDefined();
  });
});

describe('a bag that is mixed with water', () => {
  const bag = (over: Partial<SheetDraft> = {}, b = ''): SheetDraft => {
    const d = draftOf(
      sampleSheets.find((s) => s.dose !== null && s.parts.some((p) => p.id === 'B' && p.role === 'water'))!,
    );
    return {
      ...d,
      doseMin: '12 %',
      doseUsual: '13 %',
      doseMax: '14 %',
      doseOf: 'A',
      kits: [{ ...d.kits[0]!, massG: { ...d.kits[0]!.massG, A: '25 kg', B: b } }],
      ...over,
    };
  };
  const kit = (d: SheetDraft) => {
    const r = read(d);
    if ('faults' in r) throw new Error(JSON.stringify(r.faults));
    return r.sheet.kits[0]!.massG;
  };
  test('names its powder: the water is the tap’s, by the usual dose', () => {
    expect(kit(bag()).A).toBe(25_000);
    expect(kit(bag()).B).toBeCloseTo(3250, 6);
    // Typed, it is what was typed.
    expect(kit(bag({}, '3.4 kg')).B).toBe(3400);
  });
  test('without a dose it is asked for as before, and a hardener is never taken for water', () => {
    expect(faults(bag({ doseUsual: '', doseMin: '' })).doseUsual).toBeDefined();
    const d = paste();
    const none = { ...d, kits: [{ ...d.kits[0]!, massG: { ...d.kits[0]!.massG, B: '' } }] };
    expect(faults(none)[`kits.${d.kits[0]!.key}.b`]).toBeDefined();
  });
});

describe('a set of two bottles that water is added to', () => {
  const set = (c: string, cByWeight: string): SheetDraft => {
    const d = ofKind(blankDraft(), 'joint-colour');
    const massG = { ...d.kits[0]!.massG, A: '300 g', B: '150 g', C: c };
    return { ...d, name: 'Colour', cByWeight, kits: [{ ...d.kits[0]!, label: 'Set', massG }] };
  };
  const made = (c: string, cByWeight: string) => {
    const r = read(set(c, cByWeight));
    if ('faults' in r) throw new Error(JSON.stringify(r.faults));
    const { ratio, kits } = r.sheet;
    return [ratio.a, ratio.b, ratio.cByWeight, kits[0]!.massG.C];
  };
  test('water stands in the set, or beside it as so much to so much: the same, and nobody types it twice', () => {
    const told = [
      made('900 mL', ''),
      made('', '900 mL to 450 g'),
      made('', '0.9 L to 450 g'),
      made('', '900 g to 450 g'),
    ];
    for (const one of told) {
      expect(one.slice(0, 2)).toEqual([100, 50]);
      expect(one[2]).toBeCloseTo(300, 6);
      expect(one[3]).toBeCloseTo(900, 6);
    }
  });
  test('bottles told by their millilitres are bottles as well', () => {
    const d = set('900 mL', '');
    const massG = { ...d.kits[0]!.massG, A: '250 mL', B: '150 mL' };
    const r = read({ ...d, kits: [{ ...d.kits[0]!, massG }] });
    if ('faults' in r) throw new Error(JSON.stringify(r.faults));
    const { massG: holds } = r.sheet.kits[0]!;
    expect(holds.C).toBe(900);
    // By weight on the scale of A and B by weight, whatever they are told by.
    const scale = r.sheet.ratio.a * r.sheet.parts[0]!.densityGPerMl;
    expect(r.sheet.ratio.cByWeight! / scale).toBeCloseTo(900 / holds.A, 5);
  });
  test('told nowhere it is asked for, and half told in words that are no amount as well', () => {
    expect(Object.keys(faults(set('', ''))).filter((f) => /^kits|cBy/.test(f)).length).toBeGreaterThan(0);
    expect(faults(set('', 'some to 450 g')).cByWeight).toBeDefined();
  });
});

describe('the density of the mix', () => {
  const resin = (over: Partial<SheetDraft>): SheetDraft => {
    const d = ofKind(blankDraft(), 'liquid-resin');
    const use = d.times.find((t) => t.kind === 'use-by')!;
    return {
      ...d,
      name: 'Resin',
      ratio: '100:38 by weight',
      kits: [{ ...d.kits[0]!, label: 'Kit', massG: { ...d.kits[0]!.massG, A: '500 g', B: '190 g' } }],
      times: d.times.map((t) => (t === use ? { ...t, text: '20: 30 min' } : t)),
      ...over,
    };
  };
  const made = (d: SheetDraft) => {
    const r = read(d);
    if ('faults' in r) throw new Error(JSON.stringify(r.faults));
    return r.sheet;
  };

  test('is enough: the parts make it together, and opened again it is what was typed', () => {
    const sheet = made(resin({ mixed: '1.10' }));
    expect([sheet.mixedGPerMl, mixedDensity(sheet)]).toEqual([1.1, expect.closeTo(1.1, 9)]);
    const again = draftOf(sheet);
    expect([again.mixed, again.parts.A.density, again.parts.B.density]).toEqual(['1.10 g/mL', '', '']);
    expect(made(again).parts).toEqual(sheet.parts);
  });
  test('beside one part it tells the other, and packs by volume weigh by it', () => {
    const d = resin({ mixed: '1.10 kg/L' });
    const known = made({ ...d, parts: { ...d.parts, B: { ...d.parts.B, density: '1.0' } } });
    expect(known.parts.map((p) => p.densityGPerMl)).toEqual([expect.closeTo(100 / (138 / 1.1 - 38), 6), 1]);
    const byVolume = made({ ...d, kits: [{ ...d.kits[0]!, massG: { ...d.kits[0]!.massG, A: '0.5 L', B: '0.2 L' } }] });
    expect(byVolume.kits[0]!.massG.A).toBeCloseTo(500 * byVolume.parts[0]!.densityGPerMl, 6);
  });
  test.each([
    ['heavy', {}, /not understood/],
    ['11', { A: '1.1' }, /no density of B makes that/],
    ['1.6', { A: '1.1', B: '1' }, /make 1\.07 g\/mL/],
  ] as const)('%s beside what is typed of the parts is said at its field', (mixed, known, says) => {
    const d = resin({ mixed });
    const parts = { ...d.parts };
    for (const [id, density] of Object.entries(known)) parts[id as 'A' | 'B'] = { ...parts[id as 'A' | 'B'], density };
    expect(plainWords(faults({ ...d, parts }).mixed!.sentence)).toMatch(says);
  });
});

describe('what a sheet says of holes', () => {
  const pack = () => draftOf(sampleSheets.find((s) => s.id === 'sheet-anchor-1')!);
  const made = (d: SheetDraft) => {
    const r = read(d);
    if ('faults' in r) throw new Error(JSON.stringify(r.faults));
    return r.sheet.holes;
  };
  const none: Partial<SheetDraft> = { rods: '', cleaning: '', wetHoles: '', wetTimes: '' };

  test('nothing typed is nothing said; one of them is kept without the others', () => {
    expect(made({ ...pack(), ...none })).toBeNull();
    expect(made({ ...pack(), ...none, wetHoles: 'no' })).toEqual({ rods: [], cleaning: [], wet: 'no', printed: '' });
    expect(made({ ...pack(), ...none, cleaning: '4 blow' })).toMatchObject({
      cleaning: [{ do: 'blow', times: 4 }],
      wet: null,
    });
    expect(made({ ...pack(), ...none, rods: 'M12 14 75-220' })!.rods).toHaveLength(1);
  });

  test('the table stands in the next revision as the paper has it', () => {
    const typed = 'Rod  Hole  Depth\nM12  14  75-220\nM16  18  85-300';
    const first = read({ ...pack(), rods: typed });
    if ('faults' in first) throw new Error('refused');
    expect(draftOf(first.sheet).rods).toBe(typed);
    expect(made(draftOf(first.sheet))).toEqual(first.sheet.holes);
  });

  test.each([
    ['rods', { rods: 'M13: 15' }, /no thread M13/],
    ['cleaning', { cleaning: 'polish 2' }, /must be like 2 blow/],
    ['wetTimes', { wetHoles: 'yes', wetTimes: '' }, /./],
    ['wetTimes', { wetHoles: 'yes', wetTimes: '0.5' }, /From 1/],
    ['wetTimes', { wetHoles: 'yes', wetTimes: '20' }, /to 10/],
  ] as const)('%s: what is wrong is said there, whatever else stands', (field, over, says) => {
    expect(plainWords(faults({ ...pack(), ...over })[field]!.sentence)).toMatch(says);
  });

  test('what is mixed in a pot keeps none: no rod is set with it', () => {
    expect(made({ ...paste(), rods: 'M12: 14', wetHoles: 'no' })).toBeNull();
  });
});

describe('a range typed whole into the first of two fields', () => {
  const blank = blankDraft();
  const limits = (text: string, more: Record<string, string> = {}) =>
    inBothEnds({ ...blank, limits: { baseMinC: text, ...more } }, 'limits.baseMinC', '.')?.limits;

  test.each([
    ['5 to 30 °C', { baseMinC: '5 °C', baseMaxC: '30 °C' }],
    ['+5 - +30 °C', { baseMinC: '+5 °C', baseMaxC: '+30 °C' }],
    ['-5–30', { baseMinC: '-5', baseMaxC: '30' }],
    ['5 bis 30 °C', { baseMinC: '5 °C', baseMaxC: '30 °C' }],
  ])('%s', (text, ends) => expect(limits(text)).toEqual(ends));

  test('what is there already stands, and one figure stays one', () => {
    expect(limits('5 to 30 °C', { baseMaxC: '25 °C' })).toBeUndefined();
    expect(limits('5 °C')).toBeUndefined();
    expect(limits('30 to 5 °C')).toBeUndefined();
    expect(inBothEnds({ ...blank, limits: { cureMinC: '5 to 30 °C' } }, 'limits.cureMinC', '.')).toBeNull();
  });

  test('of a dose and of the store as of the base', () => {
    expect(inBothEnds({ ...blank, doseMin: '1 - 3 %' }, 'doseMin', '.')).toEqual({ doseMin: '1 %', doseMax: '3 %' });
    expect(inBothEnds({ ...blank, storeMin: '5-25 C' }, 'storeMin', '.')).toEqual({
      storeMin: '5 C',
      storeMax: '25 C',
    });
  });
});

describe('limits in the words of a sheet', () => {
  const limitOf = (id: string, text: string) => {
    const reader = new Reader('metric', null);
    const kind = LIMIT_FIELDS.find((f) => f.id === id)!.kind;
    const value = reader.quantity(`limits.${id}`, kind, text, true);
    return Object.keys(reader.faults).length ? 'asked' : value;
  };

  test.each([
    ['baseMinC', 'min. +5 °C', 5],
    ['baseMinC', '≥ 5 °C', 5],
    ['baseMinC', '5 °C minimum', 5],
    ['baseMinC', 'not below -5 °C', -5],
    ['humidityMaxPct', 'max. 85 % r.h.', 85],
    ['humidityMaxPct', '< 85 % RH', 85],
    ['liftMaxMm', 'up to 40 mm', 40],
    ['liftMaxMm', '40 mm max.', 40],
    ['baseAgeMinDays', 'at least 28 days', 28],
    ['baseAgeMinDays', '4 weeks', 28],
    ['baseAgeMinDays', '28', 28],
    ['baseMinC', 'warm', 'asked'],
    ['liftMaxMm', 'max. thick', 'asked'],
  ])('%s: %s', (id, text, meant) => expect(limitOf(id, text)).toBe(meant));

  test.each([
    ['12 months', 12],
    ['2 years', 24],
    ['1 1/2 years', 18],
    ['18', 18],
    ['2 Jahre', 24],
  ])('a shelf life of %s', (text, months) => {
    const reader = new Reader('metric', null);
    expect([reader.aboveOrNone('shelfMonths', 'count', text), reader.faults]).toEqual([months, {}]);
  });
});
