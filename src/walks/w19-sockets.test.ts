import { repairOf } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { pasteSheet } from '@/sample/systems';
import { at, baseAt, printedPlan, walkJob, walkPiece } from './made';

/** Seven fender sockets packed with putty round a plug. */
const NOW = at('2027-05-04T08:00');
const job = walkJob({ id: 'walk-19', startFrom: NOW });
const sheet: SheetRevision = {
  ...pasteSheet,
  id: 'putty-1',
  systemId: 'putty',
  name: 'Marine putty',
  kind: 'putty',
  parts: partsOf('putty', { A: { densityGPerMl: 1.9 }, B: { densityGPerMl: 1.9 } }),
  ratio: ratioOf({ basis: 'weight', a: 1, b: 1 }),
  mixMin: 4,
  potLossMl: 0,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [10, 38, 38],
      [20, 22, 22],
    ]),
    curve('gel', 'mix-begins', 'pot', [
      [10, 80, 80],
      [20, 45, 45],
    ]),
    curve('load', 'placed', 'base', [
      [10, 1440, 1440],
      [20, 600, 600],
    ]),
  ],
  limits: {
    ...pasteSheet.limits,
    bondMinMm: null,
    bondMaxMm: null,
    liftMaxMm: null,
    baseMinC: null,
    materialMinC: null,
  },
  kits: [kitOf('bars', 'Bars 2 kg', [1000, 1000], { yieldMl: null, splittable: true })],
};
const plan = () => {
  const plain = walkPiece(job, {
    method: { id: 'cavity-packing', version: 1 },
    void: {
      ...voidOf({
        ...SHAPES.cavity.blank(),
        rooms: [{ name: 'socket', form: 'round', aMm: 54, bMm: 0, depthMm: 70 }],
        clear: [{ name: 'plug', form: 'round', aMm: 20, bMm: 0, depthMm: 70 }],
        read: measured(0, 'rule'),
      } as VoidShape),
      count: 7,
    },
    sheetId: sheet.id,
    kitId: 'bars',
    materialC: 16,
    settings: { gloves: 3, rate: 16 },
  });
  return printedPlan(
    {
      job,
      repairs: [
        repairOf({
          ...plain,
          base: { ...plain.base, material: 'metal', known: baseAt(['2027-05-03T00:00', 12]) },
        }),
      ],
      sheets: [sheet],
    },
    NOW,
  ).repairs[0]!;
};

test('138.3 mL a socket, 1 895 g for seven with what stays on the gloves: one kit, in mixes that are packed in time', () => {
  const p = plan();
  expect(p.volumeMl!.nominal / 7).toBeCloseTo(138.3, 1);
  const grams = p.batches.reduce((s, b) => s + b.massG.A! + b.massG.B!, 0);
  expect(grams).toBeGreaterThan(1895 * 0.99);
  expect(grams).toBeLessThan(1895 * 1.01);
  expect(p.kits!.use).toBe(1);
  // Equal parts, and none larger than is packed while it works: 27.3 min of which 4 are kneaded.
  for (const b of p.batches) {
    expect(b.massG.A!).toBeCloseTo(b.massG.B!, 6);
    expect(b.ml / 16).toBeLessThanOrEqual(23.4);
  }
});
test('the mating tool is freed before gel, which runs on the putty and not on the base', () => {
  const p = plan();
  const gel = p.milestones.findLast((m) => m.kind === 'gel')!;
  const minutes = (Date.parse(gel.plans!) - Date.parse(gel.since!)) / 60_000;
  expect(minutes).toBeGreaterThan(54);
  expect(minutes).toBeLessThan(58);
});
