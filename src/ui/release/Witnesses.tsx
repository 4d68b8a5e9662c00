'use client';
import { pieceName, WITNESS_LABELS, WITNESS_STATES, WITNESSES, type WitnessId, WitnessState } from '@/core/plan';
import type { PassView, RepairView } from '@/core/record';
import { isMetered } from '@/core/system';
import { phrase } from '@/words';
import { shortWhen } from '../shared/when';
import { record } from '../workspace/record';

/** What was kept of each batch, and what it proves. */
export function Witnesses({
  whole,
  zone,
  nowMs,
  role,
  closed,
}: {
  whole: RepairView;
  zone: string;
  nowMs: number;
  role: string;
  closed: boolean;
}) {
  const passes = whole.passes.filter((p) => p.plan.sheet && !isMetered(p.plan.sheet.kind) && p.plan.batches.length);
  if (!passes.length || whole.actuals.startedAt === null) return null;
  return (
    <section aria-label="Witnesses">
      <h2 className="font-bold text-lg mt-4">What was kept</h2>
      <p className="soft text-sm max-w-xl">
        A cup proves ratio and mixing only: it cures in its own heat and is hard long before a thin, cold layer. How far
        the place has come is proved by a smear as thick as the pass, on a like base, left beside it.
      </p>
      <table className="table text-[0.95rem] mt-1">
        <thead className="soft text-sm text-left">
          <tr>
            <th className="font-normal pr-4">batch</th>
            <th className="font-normal pr-4">cup: ratio and mixing</th>
            <th className="font-normal">smear: how far it is</th>
          </tr>
        </thead>
        <tbody>
          {passes.map((p) =>
            p.plan.batches.map((b) => (
              <tr key={`${p.repair.passId} ${b.index}`}>
                <td className="pr-4 whitespace-nowrap">
                  {passes.length > 1 ? phrase`${pieceName(p.repair, whole.passes.indexOf(p))} ` : ''}
                  {b.index + 1}
                </td>
                {WITNESSES.map((of) => (
                  <td key={of} className="pr-4">
                    <Touch at={p} batch={b.index} of={of} zone={zone} nowMs={nowMs} role={role} closed={closed} />
                  </td>
                ))}
              </tr>
            )),
          )}
        </tbody>
      </table>
    </section>
  );
}

function Touch({
  at,
  batch,
  of,
  zone,
  nowMs,
  role,
  closed,
}: {
  at: PassView;
  batch: number;
  of: WitnessId;
  zone: string;
  nowMs: number;
  role: string;
  closed: boolean;
}) {
  const said = (of === 'cup' ? at.actuals.witness : at.actuals.smear).get(batch);
  if (closed) return <>{said ? WITNESS_STATES[said.state] : 'none'}</>;
  return (
    <>
      <select
        className="select !w-auto"
        aria-label={phrase`${WITNESS_LABELS[of]} of batch ${batch + 1}`}
        value={said?.state ?? ''}
        onChange={(e) =>
          void record(
            at.repair,
            {
              kind: 'witness',
              batch,
              state: e.target.value as WitnessState,
              ...(of === 'smear' ? { of } : {}),
            },
            role,
          )
        }
      >
        <option value="" disabled>
          none kept
        </option>
        {WitnessState.options.map((id) => (
          <option key={id} value={id}>
            {WITNESS_STATES[id]}
          </option>
        ))}
      </select>
      {said && <span className="soft text-sm ml-1">{shortWhen(said.atMs, zone, nowMs)}</span>}
    </>
  );
}
