'use client';
import { alike, type Finding } from '@/core/judge';
import { TROUBLES } from '@/core/method';
import type { RepairView } from '@/core/record';
import { FindingCard } from '../shared/bits';
import { Override } from '../shared/StageFindings';
import { StandInAsk } from '../shared/StandIns';

interface Props {
  readonly at: RepairView;
  readonly zone: string;
  readonly stops: readonly Finding[];
  /** The coming step is not due yet. */
  readonly early: Finding | null;
  /** Says what went wrong, where a stop knows it. */
  readonly onTrouble: (trouble: string) => void;
}

/** What holds the work here, each with its ways on. */
export function StopsHere({ at, zone, stops, early, onTrouble }: Props) {
  return (
    <>
      {alike(stops).map(({ first: f, more }) => {
        const trouble = TROUBLES.find((t) => t.id === f.trouble);
        return (
          <FindingCard key={f.id} zone={zone} finding={f} more={more}>
            {trouble && (
              <button
                type="button"
                className="btn btn-outline btn-error mt-1 mr-2"
                onClick={() => onTrouble(trouble.id)}
              >
                It is out: plan the rest anew…
              </button>
            )}
            <StandInAsk at={at} zone={zone} finding={f}>
              <Override at={at} zone={zone} finding={f} more={more} />
            </StandInAsk>
          </FindingCard>
        );
      })}
      {early && (
        <FindingCard zone={zone} finding={early}>
          <Override at={at} zone={zone} finding={early} />
        </FindingCard>
      )}
    </>
  );
}
