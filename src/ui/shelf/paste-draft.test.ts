import { factsIn, type SheetRevision, type SystemKindId } from '@/core/system';
import { blankDraft, draftOf, ofKind, type SheetDraft } from './draft';
import { labelOfFact, typedAt, withFacts, withTimes } from './paste-draft';
import { readDraft } from './read-draft';

const read = (d: SheetDraft) => readDraft(d, { system: 'metric', money: null, role: 'foreman', nowMs: 1000 }, null);
const pasted = (kind: SystemKindId, text: string, over: Partial<SheetDraft> = {}) => {
  const draft = { ...ofKind(blankDraft(), kind), name: 'Pasted', ...over };
  return withFacts(draft, factsIn(text, { kind, system: 'metric' }));
};
const sheetOf = (draft: SheetDraft): SheetRevision => {
  const made = read(draft);
  if (!('sheet' in made)) throw new Error(JSON.stringify(made.faults));
  return made.sheet;
};
/** What the words on a pack say goes to its parts as the field is left; here by hand. */
const withParts = (draft: SheetDraft, massG: Partial<SheetDraft['kits'][number]['massG']>): SheetDraft => ({
  ...draft,
  kits: draft.kits.map((k) => ({ ...k, massG: { ...k.massG, ...massG } })),
});

test('what a page of a paste says stands on its sheet', () => {
  const sheet = sheetOf(
    withParts(
      pasted(
        'paste',
        `Packaging: A 1 kg + B 0.5 kg
Mixing ratio: 2:1 by weight
Density: A 1.42 kg/l, B 1.06 kg/l
Application temperature: +10 °C to +30 °C
Bond line 0.2 to 1 mm
Max. relative humidity 85 %
Surface at least 3 °C above dew point
Shelf life 2 years, store between 5 and 30 °C`,
      ),
      { A: '1 kg', B: '0.5 kg' },
    ),
  );
  expect(sheet.ratio).toMatchObject({ basis: 'weight', a: 2, b: 1 });
  expect(sheet.parts.map((p) => p.densityGPerMl)).toEqual([1.42, 1.06]);
  expect(sheet.kits[0]?.label).toBe('A 1 kg + B 0.5 kg');
  expect(sheet.limits).toMatchObject({
    baseMinC: 10,
    baseMaxC: 30,
    bondMinMm: 0.2,
    bondMaxMm: 1,
    humidityMaxPct: 85,
    dewMarginK: 3,
  });
  expect(sheet.storage).toMatchObject({ shelfMonths: 24, minC: 5, maxC: 30 });
});

test('a bag with its water as a range: the middle is usual, marked, and open again in the next revision', () => {
  const bag = pasted(
    'cement-water',
    'Bag 25 kg\nWater 3.0 to 3.5 L per 25 kg bag\nYield 13 L per bag\nLayers 5 to 40 mm',
  );
  const sheet = sheetOf(withParts(bag, { A: '25 kg' }));
  // 3.0, 3.25 and 3.5 L of water to 25 kg.
  expect(sheet.dose).toMatchObject({ minPct: 12, usualPct: 13, maxPct: 14, of: 'A' });
  expect(sheet.kits[0]).toMatchObject({ yieldMl: 13_000, massG: { A: 25_000, B: 3250 } });
  expect(sheet.estimated).toContain('doseUsual');
  expect(draftOf(sheet)).toMatchObject({ doseUsual: '', doseMin: '3.0 L to 25 kg', doseMax: '3.5 L to 25 kg' });
  const said = sheetOf({ ...withParts(bag, { A: '25 kg' }), doseUsual: '12 %' });
  expect([said.dose?.usualPct, said.estimated.includes('doseUsual')]).toEqual([12, false]);
  // An end alone is no range: what is usual is asked.
  const one = read({ ...withParts(bag, { A: '25 kg' }), doseMin: '' });
  expect('faults' in one && Object.keys(one.faults)).toContain('doseUsual');
});

test('a field says what is typed in it, and every field that is found has a name of the form', () => {
  const page =
    'Kit 3 kg + 1 kg\nRatio 3:1 by weight, 2.5:1 by volume\nDensity A 1.5, B 1.1, mixed 1.4 kg/l\nYield 2 L\n' +
    'Consumption 1.4 kg/m²/mm\nCoverage 5 m²/L\nPaddle 300 rpm\nStored 5 to 25 °C\nShelf life 12 months\nColour: grey';
  const facts = factsIn(page, { kind: 'liquid-resin', system: 'metric' });
  expect(facts.length).toBeGreaterThan(11);
  const before = ofKind(blankDraft(), 'liquid-resin');
  const filled = withFacts(before, facts);
  for (const { field, text } of facts) {
    expect([field, typedAt(before, field), typedAt(filled, field)]).toEqual([field, '', text]);
    expect(labelOfFact(field, 'liquid-resin')).not.toBe(field);
  }
  expect(labelOfFact('doseMin', 'cement-water')).toBe('Least water');
});

test('times go to their lines, the pot to a time that runs on it, and a new one gets a line', () => {
  const lines = ofKind(blankDraft(), 'paste').times;
  const filled = withTimes(lines, [
    { kind: 'use-by', text: '20 C: 30 min', reference: '100 g' },
    { kind: 'release', text: '20 C: 8 h', reference: '100 g' },
    { kind: 'idle', text: '5 min', reference: '' },
  ]);
  const at = (kind: string) => filled.find((t) => t.kind === kind);
  expect(at('use-by')).toMatchObject({ text: '20 C: 30 min', reference: '100 g' });
  expect(at('release')).toMatchObject({ text: '20 C: 8 h', reference: '' });
  expect(at('idle')?.text).toBe('5 min');
  expect(filled.length).toBe(lines.length + 1);
});
