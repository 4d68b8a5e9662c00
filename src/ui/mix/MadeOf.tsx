'use client';
import { type Batch, weighedOf } from '@/core/mix';
import type { RepairPlan } from '@/core/plan';
import { PART_IDS } from '@/core/system';
import { joined, phrase } from '@/words';
import { useFormat } from '../shared/bits';

/** What a part of a batch is made of where that is more than one tin, and what comes on top of all parts. */
export function MadeOf({ plan, batch }: { plan: RepairPlan; batch: Batch }) {
  const format = useFormat();
  const all = weighedOf(plan.context?.ingredients ?? [], batch.massG);
  const told = (of: typeof all) =>
    joined(
      of.map((i) => phrase`${format('mass', i.massG).text} of ${i.name}`),
      ' and ',
    );
  const parts = PART_IDS.map((id) => ({ id, of: all.filter((i) => i.part === id) })).filter(({ of }) => of.length > 1);
  const top = all.filter((i) => i.part === null);
  if (!parts.length && !top.length) return null;
  return (
    <ul className="text-sm" data-testid="made-of">
      {parts.map(({ id, of }) => (
        <li key={id}>{phrase`${id} is ${told(of)}, each weighed by itself.`}</li>
      ))}
      {top.length > 0 && <li>{phrase`On top of it ${told(top)}.`}</li>}
    </ul>
  );
}
