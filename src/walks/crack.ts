import type { Piece } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { mortarSheet } from '@/sample/systems';
import { at, baseAt, walkJob, walkPiece } from './made';

/** The ramp crack, poured in batches that are in and cleaned up before the pot is dead. */
export const NOW = at('2027-04-22T08:00');
export const job = walkJob({ id: 'walk-10', startFrom: NOW });
/** Sand for 100 g of A: 1.8 times the mixed liquid by bulk. */
export const cFor = (times: number) => (200 / 1.05) * times * 1.58;
export const sheet: SheetRevision = {
  ...mortarSheet,
  id: 'fast-1',
  systemId: 'fast',
  name: 'Fast resin 1:1',
  kind: 'crack-filler',
  flow: null,
  family: 'isocyanate',
  parts: partsOf('crack-filler', {
    A: { densityGPerMl: 1.05 },
    B: { densityGPerMl: 1.05 },
    C: { densityGPerMl: 2.64, bulkGPerMl: 1.58 },
  }),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 100, cByWeight: cFor(1.8) }),
  mixMin: 0.75,
  potLossMl: 15,
  coverageKgPerM2Mm: null,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [10, 6.5, 6.5],
      [20, 3.2, 3.2],
    ]),
    curve('sandable', 'placed', 'base', [
      [5, 110, 110],
      [20, 50, 50],
    ]),
    curve('sandable-until', 'placed', 'base', [
      [5, 480, 480],
      [20, 240, 240],
    ]),
    curve('foot', 'placed', 'base', [
      [5, 240, 240],
      [20, 120, 120],
    ]),
  ],
  limits: { ...mortarSheet.limits, baseMinC: null, materialMinC: null, liftMaxMm: null, liftMinMm: null },
  kits: [kitOf('set', 'Set', [2100, 2100, 12_000], { yieldMl: null, splittable: true })],
};
/** A crack with a V chased over its slot, both from the surface: how long it runs, each how wide and how deep, mm. */
export const chased = (
  runMm: number,
  slot: readonly [wide: number, deep: number],
  vee: readonly [wide: number, deep: number],
): VoidShape =>
  ({
    ...SHAPES.chase.blank(),
    form: 'vee',
    stations: [0, runMm].map((atMm) => ({ atMm, widthMm: vee[0], depthMm: vee[1] })),
    readWidth: { ...measured(0, 'rule'), text: 'read' },
    readDepth: { ...measured(0, 'rule'), text: 'read' },
    slot: { width: measured(slot[0], 'calliper'), depth: measured(slot[1], 'gauge') },
  }) as VoidShape;
export const piece = (over: Partial<Piece> = {}): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'poured-crack', version: 1 },
    void: voidOf(chased(9600, [3, 48], [14, 26])),
    sheetId: sheet.id,
    kitId: 'set',
    materialC: 16,
    settings: { overfill: 10, rate: 210, clean: 1 },
    serves: 'foot',
  });
  return { ...plain, base: { ...plain.base, known: baseAt(['2027-04-21T00:00', 9]) }, ...over };
};
