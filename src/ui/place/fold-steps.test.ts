import type { PlannedStep } from '@/core/plan';
import { foldedSteps } from './fold-steps';

const MIN = 60_000;
const step = (task: string, batch: number | undefined, atMin: number, over: Partial<PlannedStep> = {}): PlannedStep =>
  ({
    id: batch === undefined ? task : `b${batch + 1}:${task}`,
    key: { task, batch: batch ?? null, attempt: 1 },
    passId: 'p1',
    ...(batch === undefined ? {} : { batch }),
    startMs: atMin * MIN,
    endMs: (atMin + 3) * MIN,
    doneAt: null,
    begunAt: null,
    ...over,
  }) as PlannedStep;
const holes = (n: number, from = 10, over: (i: number) => Partial<PlannedStep> = () => ({})) =>
  Array.from({ length: n }, (_, i) => step('fill', i, from + 3 * i, over(i)));
const told = (steps: readonly PlannedStep[]) =>
  foldedSteps(steps, 20 * MIN).map((l) => (l.kind === 'step' ? l.step.id : `+${l.times} of ${l.steps.length}`));

test('two dozen like holes are the first of them and a line for the others', () => {
  expect(told([step('drill', undefined, 0), ...holes(24), step('clean', undefined, 90)])).toEqual([
    'drill',
    'b1:fill',
    '+23 of 23',
    'clean',
  ]);
});
test('three are read at a glance; rounds of several steps are folded whole', () => {
  expect(told(holes(3))).toEqual(['b1:fill', 'b2:fill', 'b3:fill']);
  const rounds = Array.from({ length: 6 }, (_, i) => [step('fill', i, 10 * i), step('set', i, 10 * i + 4)]).flat();
  expect(told(rounds)).toEqual(['b1:fill', 'b1:set', '+5 of 10']);
});
test('a round that does something else, and one after a long wait, begin anew', () => {
  const fresh = [
    ...holes(10),
    step('mixer', 10, 41),
    step('fill', 10, 44),
    ...holes(8, 47).map((s, i) => ({ ...s, batch: 11 + i })),
  ];
  expect(told(fresh)).toEqual(['b1:fill', '+9 of 9', 'b11:mixer', 'b11:fill', 'b1:fill', '+7 of 7']);
  const night = [...holes(6), ...holes(6, 900).map((s, i) => ({ ...s, id: `n${i}` }))];
  expect(told(night)).toEqual(['b1:fill', '+5 of 5', 'n0', '+5 of 5']);
});
test('a round that meets something of its own is shown, and the others go on folded after it', () => {
  const all = holes(12, 10, (i) => (i === 3 ? { apart: true } : {}));
  expect(told(all)).toEqual(['b1:fill', 'b2:fill', 'b3:fill', 'b4:fill', 'b5:fill', '+7 of 7']);
  expect(told(holes(12, 10, (i) => (i === 5 ? { apart: true } : {})))).toEqual([
    'b1:fill',
    '+4 of 4',
    'b6:fill',
    'b7:fill',
    '+5 of 5',
  ]);
});
test('under way the next one is never folded away', () => {
  const done = holes(20, 10, (i) => (i < 8 ? { doneAt: 1 } : {}));
  expect(told(done)).toEqual(['b1:fill', '+7 of 7', 'b9:fill', '+11 of 11']);
});
test('nothing is lost and nothing changes its place', () => {
  const all = [step('drill', undefined, 0), ...holes(30), step('clean', undefined, 120)];
  const flat = foldedSteps(all, 20 * MIN).flatMap((l) => (l.kind === 'step' ? [l.step] : l.steps));
  expect(flat).toEqual(all);
});
