import { type Piece, repairOf } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { kitOf, partsOf, ratioOf, single } from '@/sample/sheet-words';
import { furtherSheets } from '@/sample/systems';
import { at, baseAt, printedPlan, walkJob, walkPiece } from './made';

/** A gouge in the aluminium fairlead, metal paste by the length of its strip. */
const NOW = at('2027-04-19T08:00');
const job = walkJob({ id: 'walk-7', startFrom: NOW });
const filler = furtherSheets.find((s) => s.kind === 'polyester-filler')!;
const sheet: SheetRevision = {
  ...filler,
  id: 'metal-1',
  systemId: 'metal',
  name: 'Metal paste',
  parts: partsOf('polyester-filler', { A: { densityGPerMl: 2.05 }, B: { densityGPerMl: 1.18 } }),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 2.2 }),
  dose: { minPct: 1.5, maxPct: 3, usualPct: 2.2, of: 'A' },
  mixMin: 1,
  potLossMl: 1.5,
  milestones: [
    { ...single('use-by', 'mix-begins', 'pot', 5, 6), table: { form: 'single', tempC: 20, fromMin: 5, toMin: 6 } },
    { ...single('sandable', 'placed', 'base', 20, 30), table: { form: 'single', tempC: 20, fromMin: 20, toMin: 30 } },
  ],
  limits: { ...filler.limits, liftMaxMm: 10, liftMinMm: null, baseMinC: null, materialMinC: null },
  kits: [kitOf('tin', 'Tin', [200, 6], { yieldMl: null, splittable: true })],
};
const piece = (over: Partial<Piece> = {}): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'metal-filler', version: 1 },
    void: voidOf({
      ...SHAPES.chase.blank(),
      form: 'vee',
      stations: [
        { atMm: 0, widthMm: 5, depthMm: 1.2 },
        { atMm: 35, widthMm: 10, depthMm: 3.8 },
        { atMm: 85, widthMm: 8, depthMm: 2.4 },
        { atMm: 110, widthMm: 0, depthMm: 0 },
      ],
      readWidth: { ...measured(0, 'rule'), text: 'read' },
      readDepth: { ...measured(0, 'rule'), toleranceMm: 0.5, text: 'read' },
    } as VoidShape),
    sheetId: sheet.id,
    kitId: 'tin',
    materialC: 18,
    dosePct: 2.2,
    settings: { crown: 0.6, 'allowed-depth': 4 },
  });
  return {
    ...plain,
    base: { ...plain.base, material: 'metal', thicknessMm: 12, known: baseAt(['2027-04-18T00:00', 11]) },
    ...over,
  };
};
const plan = (over: Partial<Piece> = {}) =>
  printedPlan({ job, repairs: [repairOf(piece(over))], sheets: [sheet] }, NOW).repairs[0]!;

test('1.13 mL and a dome of 0.49: 3.12 mL mixed, 6.16 g and 0.135 g', () => {
  const p = plan();
  expect(p.volumeMl!.nominal).toBeCloseTo(1.13, 2);
  expect(p.amounts.find((a) => /proud/.test(a.label))!.ml).toBeCloseTo(0.49, 2);
  expect(p.toMixMl).toBeCloseTo(3.12, 2);
  expect(p.batches).toHaveLength(1);
  expect(p.batches[0]!.massG.A).toBeCloseTo(6.16, 1);
  expect(p.batches[0]!.massG.B).toBeCloseTo(0.135, 2);
});
test('use-by is an estimate at 18 °C, 5.8 min; sandable at 11 °C is 80 min by the long end, not 30', () => {
  const p = plan();
  const use = p.milestones.find((m) => m.kind === 'use-by')!;
  const minutes = (m: typeof use) => (Date.parse(m.plans!) - Date.parse(m.since!)) / 60_000;
  expect(minutes(use)).toBeCloseTo(5.8, 0);
  const sand = p.milestones.find((m) => m.kind === 'sandable')!;
  expect(minutes(sand)).toBeGreaterThan(75);
  expect(minutes(sand)).toBeLessThan(84);
});
test('3.8 ± 0.5 straddles the 4.0 this part may have; 4.1 is too deep; without a limit nothing is said', () => {
  const told = (over: Partial<Piece> = {}) => plan(over).findings.filter((f) => f.id === 'part-depth');
  expect(told()).toHaveLength(1);
  expect(told()[0]!.severity).toBe('stop');
  expect(told()[0]!.todo).toMatch(/gauge/);
  expect(told({ settings: { 'allowed-depth': 3.7 } })[0]!.why).not.toMatch(/give or take/);
  expect(told({ settings: { 'allowed-depth': 4.4 } })).toEqual([]);
  expect(told({ settings: {} })).toEqual([]);
});

test('a sheet that does not say what stays behind: a dab leaves no pot of it, and the figure is ours and not the sheet’s', () => {
  const silent: SheetRevision = { ...sheet, id: 'metal-2', potLossMl: 20, estimated: ['potLoss'] };
  const p = printedPlan({ job, repairs: [repairOf(piece({ sheetId: silent.id }))], sheets: [silent] }, NOW).repairs[0]!;
  const left = p.amounts.find((a) => /left in pots/.test(a.label))!;
  expect(left.ml).toBe(1);
  expect(left.voice).toBe('computed');
  expect(p.toMixMl).toBeLessThan(3);
  expect(plan().amounts.find((a) => /left in pots/.test(a.label))!.voice).toBe('sheet');
});
