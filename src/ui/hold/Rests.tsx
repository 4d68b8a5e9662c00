import { Plus, Trash2 } from 'lucide-react';
import { holdsIn, type Piece, type Rest, type RestFit, restsOf } from '@/core/plan';
import type { PassView } from '@/core/record';

import { figure, formatDuration, phrase } from '@/words';
import { Heading } from '../shared/bits';
import { useRowKeys } from '../shared/use-row-keys';
import { WhenField } from '../shared/WhenField';
import { shortWhen } from '../shared/when';
import { changePass, useWorkspace } from '../workspace/workspace';

const HOUR_MS = 3_600_000;
const MOST = 20;

/** What a time of rest is worth, in one line. */
function Worth({ fit, zone, nowMs }: { fit: RestFit; zone: string; nowMs: number }) {
  const { rest, doneMs, share, latestMs, fromMs, planned } = fit;
  const begun = planned ? 'as planned' : phrase`closed ${shortWhen(fromMs, zone, nowMs)}`;
  if (holdsIn(fit))
    return (
      <p className="text-sm mt-1" data-rest="holds">
        <strong className="fig">{shortWhen(doneMs!, zone, nowMs)}</strong>
        {phrase` it holds, ${begun}; ${formatDuration((rest.untilMs - doneMs!) / 60_000)} to spare. Closed by `}
        <span className="fig">{shortWhen(latestMs!, zone, nowMs)}</span> it still does.
      </p>
    );
  return (
    <p
      className="text-sm mt-1"
      style={{ color: 'var(--stop)' }}
      data-rest="moved"
    >{phrase`Too short: ${share === null ? 'not through' : phrase`${figure(share * 100, 2)} % of the way`} when it ends, ${begun}${latestMs === null ? '' : phrase`; closed by ${shortWhen(latestMs, zone, nowMs)} it would hold`}.`}</p>
  );
}

interface RestsProps extends Pick<PassView, 'repair' | 'plan'> {
  readonly zone: string;
  readonly nowMs: number;
}

/** The times in which it need not move, and which of them the wait fits into. */
export function Rests({ repair, plan, zone, nowMs }: RestsProps) {
  // As it is drafted this moment: what is typed would come back from a plan that is a moment older.
  const rests = useWorkspace((d) => d.repairs.get(repair.id))?.rests ?? repair.rests;
  const write = (to: (rests: readonly Rest[]) => readonly Rest[]) =>
    changePass(repair, (r: Piece) => ({ ...r, rests: [...to(r.rests)].sort((a, b) => a.fromMs - b.fromMs) }), 'rests');
  const set = (i: number, over: Partial<Rest>) => write((all) => all.map((r, k) => (k === i ? { ...r, ...over } : r)));
  const fits = restsOf(plan, rests);
  const keys = useRowKeys(rests);
  const last = rests.at(-1);
  const from = last?.untilMs ?? Math.ceil((plan.placedMs ?? nowMs) / HOUR_MS) * HOUR_MS;
  return (
    <section aria-label="When it may rest">
      <Heading aside="none: at any time">When it may be left alone</Heading>
      {rests.map((r, i) => (
        <div key={keys[i]} className="mb-2">
          <div className="grid grid-cols-[1fr_auto] gap-x-2 items-end">
            <WhenField
              label={phrase`Rests from, ${i + 1}`}
              value={r.fromMs}
              zone={zone}
              atHour={20}
              check={(ms) => (ms < r.untilMs ? null : 'It has to begin before it ends.')}
              onChange={(fromMs) => set(i, { fromMs })}
            />
            <button
              type="button"
              className="btn btn-link min-h-[44px]"
              aria-label={phrase`Take out rest ${i + 1}`}
              onClick={() => write((all) => all.filter((_, k) => k !== i))}
            >
              <Trash2 size={16} aria-hidden="true" />
            </button>
            <WhenField
              label={phrase`until, ${i + 1}`}
              value={r.untilMs}
              zone={zone}
              atHour={6}
              check={(ms) => (ms > r.fromMs ? null : 'It has to end after it begins.')}
              onChange={(untilMs) => set(i, { untilMs })}
            />
          </div>
          <label className="block">
            <span className="soft text-sm">What it costs</span>
            <input
              className="input"
              aria-label={phrase`What rest ${i + 1} costs`}
              maxLength={160}
              value={r.costs}
              placeholder="a run that is dropped, a closed lane"
              onChange={(e) => set(i, { costs: e.target.value })}
            />
          </label>
          {fits[i] && <Worth fit={fits[i]} zone={zone} nowMs={nowMs} />}
        </div>
      ))}
      {rests.length < MOST && (
        <button
          type="button"
          className="btn btn-link"
          onClick={() => write((all) => [...all, { fromMs: from, untilMs: from + 10 * HOUR_MS, costs: '' }])}
        >
          <Plus size={16} aria-hidden="true" /> {rests.length ? 'another time' : 'only at times…'}
        </button>
      )}
    </section>
  );
}
