'use client';
import { repairName } from '@/core/plan';
import type { PassView } from '@/core/record';
import { phrase } from '@/words';
import { useFormat } from '../shared/bits';
import { dayAndClock } from '../shared/when';

/** The tag that goes on the pot: what, from which lot, mixed when, dead when. */
export function BatchLabel({ at, batch, lot, zone }: { at: PassView; batch: number; lot: string; zone: string }) {
  const format = useFormat();
  const { plan, repair } = at;
  const b = plan.batches[batch];
  if (!b || !plan.sheet) return null;
  const mix = plan.steps.find((s) => s.batch === batch && s.marks?.begin?.includes('mix-begins'));
  const useBy = plan.milestones.find((m) => m.kind === 'use-by' && m.batch === batch);
  const really = mix?.begunAt != null;
  return (
    <section
      aria-label="Label of the batch"
      className="mt-4 p-3 pl-12 relative w-[27rem] max-w-full"
      style={{ background: 'var(--paper)', border: '2px solid var(--ink)' }}
    >
      <svg className="absolute left-3 top-1/2 -mt-3" width="24" height="24" viewBox="0 0 24 24" aria-hidden="true">
        <circle cx="12" cy="12" r="8" fill="var(--ground)" stroke="var(--ink)" strokeWidth="2" />
      </svg>
      <p className="font-bold text-lg leading-tight">{plan.sheet.name}</p>
      <p>{phrase`${repairName(repair)}, batch ${batch + 1} of ${plan.batches.length}, ${
        format('volume', b.ml).text
      }`}</p>
      <p>
        lot <strong className="fig">{lot || '__________'}</strong>
      </p>
      <p className="flex gap-6">
        <span>
          {really ? 'mixed' : 'to be mixed'}{' '}
          <strong className="fig">{mix ? dayAndClock(mix.begunAt ?? mix.startMs, zone) : ''}</strong>
        </span>
        <span>
          dead at{' '}
          <strong className="fig text-lg">
            {useBy?.planMs ? dayAndClock(useBy.planMs, zone) : 'not on the sheet'}
          </strong>
        </span>
      </p>
    </section>
  );
}
