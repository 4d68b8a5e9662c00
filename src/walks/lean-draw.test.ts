import { methodOf } from '@/core/method';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';
import { typed } from './papers';

/** Sand left out to match the primer that is drawn off: said once for batches of which as much is left out. */
const NOW = at('2027-05-10T08:20');
const job = { ...freshJob(NOW), zone: ZONE };
const sheet = typed(
  ['mortar-kit', '2:1 by weight', '2 kg, 1 kg, 12 kg', 'use-by 40 min, foot 12 h, load 24 h', { cByWeight: '12' }],
  NOW,
);
const planned = (length: number) =>
  firstPlanned({ job, nowMs: NOW }, methodOf('mortar-patch')!, sheet, {
    dims: { 'outline.length': length, 'outline.width': 600, 'depth.mean': 60 },
  });
/** Which batches a text names, each by its number. */
const named = (text: string): number[] =>
  [...text.matchAll(/batch(?:es)? (\d+)(?: to (\d+))?/g)].flatMap(([, from, to = from]) =>
    Array.from({ length: Number(to) - Number(from) + 1 }, (_, i) => Number(from) + i),
  );

test.each([300, 900, 1500, 2400])(
  'a patch %i mm long: every batch is named, once, with what its step says',
  (length) => {
    const p = planned(length);
    const { todo } = p.findings.find((f) => f.id === 'lean:draw')!;
    const cut = p.steps.flatMap(({ id, detail }) =>
      /of the sand out/.test(detail) ? [Number(/^b(\d+):weigh$/.exec(id)![1])] : [],
    );
    expect(cut).toHaveLength(p.batches.length);
    expect(named(todo)).toEqual(cut);
    for (const [, said, first] of todo.matchAll(/([\d.]+ k?g) from (?:each of )?batch(?:es)? (\d+)/g))
      expect(p.steps.find((s) => s.id === `b${first}:weigh`)!.detail).toContain(`Leave ${said} of the sand out`);
  },
);

test('kits all alike are one run; a text of seven masses is no longer read out', () => {
  const p = planned(900);
  expect(p.batches.length).toBeGreaterThan(3);
  const { todo } = p.findings.find((f) => f.id === 'lean:draw')!;
  expect(todo).toMatch(new RegExp(`^Leave out [\\d.]+ g from each of batches 1 to ${p.batches.length};`));
});

test('one batch is called by its number', () => {
  const { todo } = planned(150).findings.find((f) => f.id === 'lean:draw')!;
  expect(todo).toMatch(/^Leave out [\d.]+ g from batch 1;/);
});
