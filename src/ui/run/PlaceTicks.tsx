'use client';
import type { PlannedStep } from '@/core/plan';
import type { PassView } from '@/core/record';
import { phrase } from '@/words';
import { SavingButton } from '../shared/SavingButton';
import { record } from '../workspace/record';

/** Like places that one step goes through one after the other, ticked as each is done: nobody loses count. */
export function PlaceTicks({ at, step, role }: { at: PassView; step: PlannedStep; role: string }) {
  const count = step.counted ?? 0;
  if (count < 2) return null;
  const done = at.actuals.placesDone.get(step.id) ?? new Set<number>();
  const next = Array.from({ length: count }, (_, i) => i).find((i) => !done.has(i));
  return (
    <section aria-label="One by one" className="p-2.5 flex flex-col gap-2" style={{ border: '1px dashed var(--rule)' }}>
      <p className="flex items-baseline justify-between gap-3">
        <strong className="text-lg" role="status">
          {phrase`${done.size} of ${count} done`}
        </strong>
        <span className="fig tracking-[0.2em] text-right break-all" aria-hidden="true">
          {count <= MOST_DRAWN ? Array.from({ length: count }, (_, i) => (done.has(i) ? '●' : '○')).join('') : ''}
        </span>
      </p>
      {next === undefined ? (
        <p>All of them are done.</p>
      ) : (
        <SavingButton
          className="btn min-h-[3.2rem] justify-center text-lg"
          onSave={() =>
            record({ id: at.repair.id, passId: step.passId }, { kind: 'place-done', step: step.id, place: next }, role)
          }
          data-testid="place-done"
        >
          {phrase`Place ${next + 1} is done`}
        </SavingButton>
      )}
    </section>
  );
}

/** More marks than that are counted by nobody. */
const MOST_DRAWN = 40;
