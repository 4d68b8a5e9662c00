'use client';
import { useCallback, useState } from 'react';
import { preparedFrom, type Starts, type StartsAsk, startsAsked, startsAskOf, startWindows } from '@/core/plan';
import { phrase } from '@/words';
import type { StageProps } from '../repair/stage-props';
import { Heading } from '../shared/bits';
import { useBitByBit } from '../shared/use-bit-by-bit';
import { changePass } from '../workspace/workspace';
import { Openers } from './Openers';
import { goodPct, StartsBar } from './StartsBar';

interface Found {
  readonly ask: StartsAsk;
  readonly starts: Starts;
}

/** The plan is laid out from every start, one after the other; null where nothing is to be begun. */
function* weekOf(ask: StartsAsk | null): Generator<void, Found | null> {
  if (!ask) return null;
  // Each answer is kept by the ask.
  for (const ms of ask.opensFrom ? startsAsked(ask) : []) {
    ask.opensFrom?.(ms);
    yield;
  }
  return { ask, starts: startWindows(ask) };
}

/**
 * Every start of mixing in the coming week of a repair; pulled along, it says what speaks against it, and is taken when
 * let go.
 */
export function StartStrip({ view, at, nowMs }: StageProps) {
  const { repair, actuals } = at;
  const { plan } = at.whole;
  const started = actuals.startedAt !== null;
  // Whole tens of minutes: the week does not shift with every tick.
  const from = Math.floor(nowMs / 600_000) * 600_000;
  const { job } = view;
  const { windows } = view.plan;
  const found = useBitByBit(
    at.whole.repair.id,
    useCallback(
      () => weekOf(started ? null : startsAskOf(plan, job, windows, from)),
      [plan, job, windows, from, started],
    ),
  );
  const [pointed, setPointed] = useState<number | null>(null);
  if (found === undefined && !started)
    return (
      <section aria-label="Starts" aria-busy="true" className="min-h-[11rem]">
        <Heading aside="looking at every start of the week">When to begin</Heading>
      </section>
    );
  if (started) return null;
  // Where it cannot be planned at all what would open it is wanted most.
  if (!found)
    return plan.sheet && plan.void && plan.problems.some((p) => p.field === 'materialC') ? (
      <section aria-label="Starts">
        <Heading aside="as it is no hour can be planned">When to begin</Heading>
        <Openers view={view} at={at} nowMs={nowMs} none />
      </section>
    ) : null;
  const { ask, starts } = found;
  const mixing = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs ?? null;
  return (
    <section aria-label="Starts">
      <Heading aside={phrase`${goodPct(starts)} % of the week is good; mixing begins at the place pointed to`}>
        When to begin
      </Heading>
      <StartsBar
        starts={starts}
        zone={view.job.zone}
        nowMs={nowMs}
        shown={pointed ?? mixing}
        onPoint={setPointed}
        onTake={(mixMs) => {
          setPointed(null);
          changePass(repair, (r) => ({ ...r, plannedStart: preparedFrom(ask, mixMs) }), 'start');
        }}
      />
      <Openers view={view} at={at} nowMs={nowMs} none={starts.earliestMs === null} />
    </section>
  );
}
