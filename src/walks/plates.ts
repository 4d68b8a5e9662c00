import { type Piece, repairOf } from '@/core/plan';
import type { EventBody } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { pasteSheet } from '@/sample/systems';
import { at, baseAt, happened, printedPlan, walkJob, walkPiece } from './made';

/** Two wear plates from one mix, plate by plate, on steel of 12 °C. */
export const H = 60;
export const job = walkJob({
  id: 'walk-2',
  startFrom: at('2027-04-13T06:00'),
  climate: { kind: 'constant', tempC: 12, humidityPct: 68 },
});
export const sheet: SheetRevision = {
  ...pasteSheet,
  id: 'slow-1',
  systemId: 'slow',
  name: 'Slow paste adhesive 2:1',
  parts: partsOf('paste', { A: { densityGPerMl: 1.32 }, B: { densityGPerMl: 1.1 } }),
  ratio: ratioOf({ basis: 'volume', a: 2, b: 1 }),
  mixMin: 3,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [15, 48, 48],
      [25, 26, 26],
    ]),
    curve('open', 'last-coat', 'material', [
      [10, 40, 40],
      [20, 25, 25],
    ]),
    curve('recoat-from', 'faces-closed', 'base', [
      [10, 6 * H, 6 * H],
      [20, 3 * H, 3 * H],
    ]),
    curve('recoat-until', 'faces-closed', 'base', [
      [10, 24 * H, 24 * H],
      [20, 12 * H, 12 * H],
    ]),
    curve('release', 'faces-closed', 'base', [
      [10, 5 * H, 5 * H],
      [20, 2 * H, 2 * H],
    ]),
    curve('load', 'faces-closed', 'base', [
      [10, 24 * H, 24 * H],
      [20, 8 * H, 8 * H],
    ]),
  ],
  kits: [kitOf('pair', 'Tin pair', [1320, 550], { yieldMl: null, splittable: true })],
  potLossMl: 12,
  limits: { ...pasteSheet.limits, bondMinMm: 0.3, bondMaxMm: 0.8 },
};
export const line = (thicknessMm: number, count: number) => ({
  ...voidOf({
    ...SHAPES.bondLine.blank(),
    outline: { kind: 'rectangle', length: measured(180, 'rule'), width: measured(120, 'rule') },
    holes: { count: 4, diameter: measured(13, 'calliper') },
    thickness: measured(thicknessMm, 'gauge'),
  } as VoidShape),
  count,
});
export const piece = (over: Partial<Piece> = {}, count = 2, thicknessMm = 0.5) => {
  const plain = walkPiece(job, {
    method: { id: 'plate-bond', version: 1 },
    void: line(thicknessMm, count),
    sheetId: sheet.id,
    kitId: 'pair',
    materialC: 18,
    schools: { 'part-kits': 'weighed' },
    // 13.2 mL a plate in 6 min.
    settings: { bead: 25, 'back-butter': 0, rate: 2.2, carry: 2, 'close min': 9 },
  });
  return {
    ...plain,
    base: { ...plain.base, material: 'metal' as const, thicknessMm: 12, known: baseAt(['2027-04-12T00:00', 12]) },
    ...over,
  };
};
export type Told = readonly (readonly [string, EventBody])[];
export const plan = (repair = piece(), nowIso = '2027-04-13T08:45', events: Told = []) =>
  printedPlan({ job, repairs: [repairOf(repair)], sheets: [sheet], events: happened(job, events) }, at(nowIso))
    .repairs[0]!;
