'use client';
import { useState } from 'react';
import { type AsOne, repairName, type Tally } from '@/core/plan';
import type { JobView } from '@/core/record';
import type { Said } from '@/core/say';
import { formatDuration, joined, phrase } from '@/words';
import { useSay } from '../shared/bits';
import { shortWhen } from '../shared/when';
import { asDrawnUp, useAskedInWorker } from '../workspace/plan-worker';
import { joinRepairs } from '../workspace/workspace';

/** More names than that are told by the first and the last. */
const MOST_NAMED = 4;

/** Like repairs as one of several places: what that spares, by whole plans in a worker, and done with one press. */
export function LikeOffer({ view, nowMs }: { view: JobView; nowMs: number }) {
  const says = useSay(view.job.zone);
  const [why, setWhy] = useState<Said | null>(null);
  const drafts = view.repairs.map((r) => r.draft);
  const { found, busy, look } = useAskedInWorker(view, nowMs, asDrawnUp(view), (api, ask) => api.asOne(ask));
  const free = view.repairs.filter((r) => r.actuals.startedAt === null && r.passes.length === 1);
  const methods = free.map((r) => r.draft.passes[r.draft.chain[0]!]?.method.id);
  // Where no two are repaired alike there is nothing to ask.
  if (new Set(methods).size === methods.length) return null;
  const nameOf = new Map(drafts.map((r) => [r.id, repairName(r)]));
  const named = ({ ids }: AsOne): string =>
    ids.length > MOST_NAMED
      ? phrase`${ids.length} of them, “${nameOf.get(ids[0]!)}” to “${nameOf.get(ids.at(-1)!)}”,`
      : joined(
          ids.map((id) => `“${nameOf.get(id)}”`),
          ', ',
        );
  const takes = ({ mixes, handsMin, kits, openMs }: Tally): string =>
    phrase`${mixes} mix${mixes === 1 ? '' : 'es'}, ${kits} kit${kits === 1 ? '' : 's'} in all, ${formatDuration(Math.round(handsMin))} of hands, open ${openMs === null ? 'at a time not in sight yet' : shortWhen(openMs, view.job.zone, nowMs)}`;
  const take = ({ ids }: AsOne) => {
    const made = joinRepairs(ids);
    setWhy('why' in made ? made.why : null);
  };
  return (
    <div className="mb-3 no-print" data-testid="like-offer">
      {found === undefined && (
        <button type="button" className="btn text-sm" disabled={busy} onClick={look}>
          {busy ? 'Reckoning …' : 'What if like ones were one repair?'}
        </button>
      )}
      <div role="status">
        {found?.length === 0 && <p>As one they would take no less, or they are not alike.</p>}
        {found?.map((offer) => (
          <div key={offer.ids.join()} className="paper p-3 mb-2">
            <p>
              {phrase`${named(offer)} as one repair of ${offer.ids.length} places, prepared first, mixed and placed one after the other: ${takes(offer.one)}.`}{' '}
              <span className="soft">{phrase`Each by itself: ${takes(offer.each)}.`}</span>
            </p>
            <button type="button" className="btn text-sm mt-1" onClick={() => take(offer)}>
              Make them one
            </button>
          </div>
        ))}
        {why && <p>{says(why)}</p>}
      </div>
    </div>
  );
}
