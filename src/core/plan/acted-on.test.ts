import { methodsData, sampleData } from '@/sample/jobs';
import { shaped } from '@/sample/typed';
import { viewJob } from '../record';
import { milestoneKind } from '../system';
import { voidOf } from '../void';
import { actedOn, pieceOf, repairOf } from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const bundles = [...sampleData(NOW, 'Europe/Helsinki').bundles, ...methodsData(NOW, 'Europe/Helsinki').bundles];
const plans = bundles.flatMap((b) =>
  viewJob({ ...b, events: [] }, NOW).repairs.map((r) => r.passes.map((p) => p.plan)),
);

test('what no step waits for is of layers alone, and no step of the pass or of the one on it names it', () => {
  let unused = 0;
  for (const passes of plans)
    for (const [i, plan] of passes.entries())
      for (const m of plan.milestones) {
        if (actedOn(passes, m)) continue;
        unused++;
        expect(milestoneKind(m.kind).ofLayers).toBe(true);
        const said = JSON.stringify([
          plan.steps.map(({ waitFor, within, eveOf }) => ({ waitFor, within, eveOf })),
          passes[i + 1]?.steps.map(({ gate }) => gate) ?? [],
        ]);
        expect([plan.piece.name, m.kind, said.includes(`"${m.kind}"`)]).toEqual([plan.piece.name, m.kind, false]);
      }
  // The sample has sheets with a time for a next layer that never comes.
  expect(unused).toBeGreaterThan(3);
});

test('a patch of one lift waits for no next lift; as deep as two it does', () => {
  const b = bundles.find((x) => x.repairs.some((r) => pieceOf(r).method.id === 'mortar-patch'))!;
  const ramp = b.repairs.find((r) => pieceOf(r).method.id === 'mortar-patch')!;
  const waits = (deepMm: number) => {
    const shape = shaped('patch', { 'outline.length': 300, 'outline.width': 200, 'depth.mean': deepMm });
    const repair = repairOf({ ...pieceOf(ramp), void: voidOf(shape) });
    const { passes } = viewJob({ ...b, repairs: [repair], events: [] }, NOW).repairs[0]!;
    const all = passes.map((p) => p.plan);
    const next = all[0]!.milestones.find((m) => m.kind === 'next-lift')!;
    return actedOn(all, next);
  };
  expect([20, 60].map(waits)).toEqual([false, true]);
});

test('until when the next pass may go on decides where there is one, and nothing on the last', () => {
  const chain = plans.find(
    (p) =>
      p.length > 1 && p[0]!.milestones.some((m) => m.kind === 'recoat-until') && p[1]!.steps.some((s) => s.gate?.until),
  )!;
  const until = chain[0]!.milestones.find((m) => m.kind === chain[1]!.steps.find((s) => s.gate?.until)!.gate!.until)!;
  expect(actedOn(chain, until)).toBe(true);
  expect(actedOn(chain.slice(0, 1), until)).toBe(false);
});
