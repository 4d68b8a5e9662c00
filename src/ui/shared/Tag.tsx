'use client';
import { valueAt } from '@/core/climate';
import { jobName, repairName } from '@/core/plan';
import type { PlannedJob, RepairView } from '@/core/record';
import { attempt } from '@/core/say';
import { formatDuration } from '@/words';
import { useFormat, Ways } from './bits';
import { Link } from './Link';
import { shortWhen } from './when';

/** What one works on, hanging at the top like a tag on the part. */
export function Tag({ view, repair, nowMs }: { view: PlannedJob; repair?: RepairView; nowMs: number }) {
  const format = useFormat();
  const { job } = view;
  const plan = repair?.plan;
  const now = plan?.thermal
    ? attempt(() => ({ base: valueAt(plan.thermal!.base, nowMs), dew: valueAt(plan.thermal!.dew, nowMs) }))
    : null;
  const hand = plan?.inHandMin ?? null;
  return (
    <header className="flex items-center gap-x-5 gap-y-2 flex-wrap">
      <Link
        href={`/job/${job.id}`}
        className="no-underline flex items-baseline gap-2 pl-4 pr-10 py-2 relative min-w-[13rem] max-w-full"
        style={{
          background: 'var(--ink)',
          color: 'var(--paper)',
          clipPath: 'polygon(0 0, calc(100% - 14px) 0, 100% 50%, calc(100% - 14px) 100%, 0 100%)',
        }}
      >
        <strong className="text-[1.2rem] whitespace-nowrap overflow-hidden text-ellipsis">
          {repair ? repairName(repair.repair) : jobName(job)}
        </strong>
        <span className="truncate text-[0.95rem] opacity-85">{repair?.repair.place || job.place}</span>
        <svg
          className="absolute right-4 top-1/2 -translate-y-1/2"
          width="10"
          height="10"
          viewBox="0 0 10 10"
          aria-hidden="true"
        >
          <circle cx="5" cy="5" r="4.5" fill="var(--ground)" />
        </svg>
      </Link>
      {job.sample && (
        <span className="px-2 border border-dashed" style={{ borderColor: 'var(--rule)' }}>
          sample
        </span>
      )}
      {job.wantedAt !== null && (
        <p>
          reopen by <strong className="fig">{shortWhen(job.wantedAt, job.zone, nowMs)}</strong>
        </p>
      )}
      {hand !== null && (
        <p style={hand < 0 ? { color: 'var(--stop)', fontWeight: 700 } : undefined}>
          {formatDuration(Math.abs(hand))} {hand < 0 ? 'short' : 'in hand'}
        </p>
      )}
      <div className="ml-auto flex items-center gap-x-5 gap-y-1 flex-wrap">
        {now?.ok && (
          <p className="flex gap-5">
            <span>
              base <strong className="fig">{format('temperature', now.value.base).text}</strong>
            </span>
            <span>
              dew{' '}
              <strong className="fig">
                {now.value.base - now.value.dew < 0 ? '−' : '+'}{' '}
                {format('interval', Math.abs(now.value.base - now.value.dew)).text}
              </strong>
            </span>
          </p>
        )}
        <Ways />
      </div>
    </header>
  );
}
