import { type Answer, isTaken, METHODS, methodOf, questionsOn } from '@/core/method';
import { pieceOf, planJob, withPiece } from '@/core/plan';
import type { BaseMaterial, SheetRevision } from '@/core/system';
import { sampleRecords } from '@/sample/jobs';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';

/** What is asked of a base is what can be the matter with it. */
const NOW = at('2027-05-10T07:00');
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };
const sheets = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet');
const planned = (id: string, material: BaseMaterial, answers: Record<string, Answer>) => {
  const method = methodOf(id)!;
  const { base } = pieceOf(freshRepair(job.id, id, 1, NOW, material));
  return firstPlanned({ job, nowMs: NOW }, method, sheets.find((s) => isTaken(method, s))!, {
    over: { base, answers },
  });
};
const wanted = (id: string, material: BaseMaterial): Record<string, Answer> =>
  Object.fromEntries(questionsOn(methodOf(id)!, material).map((q) => [q.id, q.wants]));

test.each(METHODS.map((m) => [m.id, m] as const))('%s: on every base it is done on something is asked', (_, method) => {
  for (const base of method.bases) expect([base, questionsOn(method, base).length > 0]).toEqual([base, true]);
  // What is asked on some bases alone is asked on one that the method knows.
  for (const { id, on } of method.questions)
    if (on) expect([id, on.filter((b) => !method.bases.includes(b))]).toEqual([id, []]);
});

test('a beam is not asked of cracked concrete, and what was answered there once forbids nothing', () => {
  const ids = (material: BaseMaterial) => questionsOn(methodOf('anchor')!, material).map((q) => q.id);
  expect(ids('concrete')).toEqual(expect.arrayContaining(['uncracked', 'bore', 'hollow']));
  for (const id of ['uncracked', 'bore', 'hollow']) expect(ids('timber')).not.toContain(id);
  const stops = (material: BaseMaterial, more: Record<string, Answer>) =>
    planned('anchor', material, { ...wanted('anchor', material), ...more })
      .findings.filter((f) => f.severity === 'stop')
      .map((f) => f.id);
  expect(stops('concrete', { uncracked: 'no' })).toContain('inspection:uncracked');
  expect(stops('timber', { uncracked: 'no' })).not.toContain('inspection:uncracked');
});

test('with all that is asked of its base answered, nothing of the inspection is open', () => {
  const open = (material: BaseMaterial, answered: BaseMaterial) => {
    const fresh = freshRepair(job.id, 'body-filler', 1, NOW, material);
    const repair = withPiece(fresh, { ...pieceOf(fresh), answers: wanted('body-filler', answered) });
    const plan = planJob({ job, repairs: [repair], sheets, stock: [], actuals: new Map(), nowMs: NOW });
    return plan.repairs[0]!.passes[0]!.unanswered.map((q) => q.id);
  };
  expect(open('metal', 'metal')).toEqual([]);
  expect(open('laminate', 'laminate')).toEqual([]);
  // Turned out to be of metal, it is asked what only metal is asked.
  expect(open('metal', 'laminate')).toEqual(['primer']);
});
