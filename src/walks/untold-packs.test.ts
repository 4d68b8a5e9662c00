import { methodOf } from '@/core/method';
import { type Piece, pieceOf, withPiece } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { freshJob } from '@/ui/workspace/fresh';
import { plainWords } from '@/words';
import { at, firstRepair, untouched, ZONE } from './made';
import { flat } from './ordinary';
import { type Paper, typed } from './papers';

/** A kit of which nobody said whether it may be split: mixed whole as is usual, and parted as soon as one wants it. */
const NOW = at('2027-05-10T07:00');
const PAPER: Paper = [
  'mortar-kit',
  '2:1 by weight',
  '2 kg, 1 kg, 16 kg',
  'use-by 60 min, foot 12 h, load 24 h',
  { cByWeight: '16' },
];
const untold = typed(PAPER, NOW);
const told = (splittable: boolean): SheetRevision => ({
  ...untold,
  kits: untold.kits.map(({ splitUntold: _, ...k }) => ({ ...k, splittable })),
});

function planned(sheet: SheetRevision, over: Partial<Piece> = {}, deepMm = 30) {
  const job = {
    ...freshJob(NOW),
    zone: ZONE,
    startFrom: NOW,
    climate: { kind: 'constant' as const, tempC: 18, humidityPct: 60 },
  };
  const fresh = firstRepair({ job, nowMs: NOW }, methodOf('mortar-patch')!, sheet, {
    dims: { ...flat(500, 400), 'depth.mean': deepMm },
  });
  const view = untouched(
    {
      job,
      repairs: [withPiece(fresh, { ...pieceOf(fresh), ...over })],
      sheets: [sheet],
    },
    NOW,
  );
  const { plan, findings } = view.repairs[0]!;
  const found = (id: string) => findings.filter((f) => f.id === id);
  return { plan, found, says: (id: string) => found(id).map((f) => `${plainWords(f.why)} ${plainWords(f.todo)}`) };
}
const SPLIT = { schools: { 'part-kits': 'weighed' } };
const isWhole = ({ plan }: ReturnType<typeof planned>) => plan.batches.every((b) => b.kits !== null);

test('by default it is mixed whole, and what is mixed for nothing can be spared with one press', () => {
  const p = planned(untold);
  expect([isWhole(p), p.plan.mix!.kits.use]).toEqual([true, 1]);
  expect(p.says('waste')).toEqual([expect.stringMatching(/Split the kit by weighing, take a smaller one/)]);
  expect(p.says('waste').join()).not.toMatch(/sheet does not let/);
  const [way] = p.found('waste')[0]!.ways!;
  expect(way!.set).toEqual({ path: ['schools', 'part-kits'], value: 'weighed' });
});

test('chosen so, it is parted: as much as goes in, and no more', () => {
  const p = planned(untold, SPLIT);
  expect(isWhole(p)).toBe(false);
  expect(p.found('waste')).toEqual([]);
  const mixed = p.plan.batches.reduce((sum, b) => sum + b.ml, 0);
  expect(mixed).toBeCloseTo(p.plan.mix!.toMixMl, 6);
  expect(mixed).toBeLessThan(0.8 * p.plan.mix!.kits.volumeMl);
});

test('where the sheet says no, it stays whole whatever is chosen; where it says yes, the method’s own default holds', () => {
  const no = planned(told(false), SPLIT);
  expect(isWhole(no)).toBe(true);
  expect(no.says('waste')).toEqual([expect.stringMatching(/The sheet does not let this kit be split/)]);
  expect(isWhole(planned(told(true), SPLIT))).toBe(false);
  expect(isWhole(planned(told(true)))).toBe(true);
});

test('a density nobody printed: of whole kits nothing is weighed, and it is told only where what they make may not do', () => {
  expect(planned(untold).found('density')).toEqual([]);
  const near = planned(untold, {}, 42);
  expect(isWhole(near)).toBe(true);
  const { toMixMl, kits } = near.plan.mix!;
  expect(toMixMl).toBeGreaterThan(0.85 * kits.use * kits.volumeMl);
  expect(near.says('density')).toEqual([expect.stringMatching(/The kit makes 8\.\d+ L by it; 8\.\d+ L are needed\./)]);
  // The paper tells what it makes.
  const yields = { ...untold, kits: untold.kits.map((k) => ({ ...k, yieldMl: 8800 })) };
  expect(planned(yields, {}, 42).found('density')).toEqual([]);
  expect(planned(untold, SPLIT).says('density')).toEqual([expect.stringMatching(/What is weighed for this void/)]);
  // Weighed by densities that make what the paper says the pack makes, it is known; by others it is not.
  const yielding = (yieldMl: number) => ({ ...untold, kits: untold.kits.map((k) => ({ ...k, yieldMl })) });
  const makes = kits.volumeMl;
  expect(planned(yielding(makes * 1.003), SPLIT).found('density')).toEqual([]);
  expect(planned(yielding(makes * 1.05), SPLIT).found('density')).toHaveLength(1);
});
