'use client';
import { useState } from 'react';
import { METHODS, type Stage } from '@/core/method';
import { GATES, passName, type Repair, whyNotNext, withMoved, withNext, withoutPass } from '@/core/plan';
import { type RepairView, windowOn } from '@/core/record';
import { attempt, type Said } from '@/core/say';
import { phrase } from '@/words';
import { Choice, Prose } from '../shared/bits';
import { Dialog } from '../shared/Dialog';
import { Link } from '../shared/Link';
import { dayAndClock } from '../shared/when';
import { changePass, changeRepair, stateNow } from '../workspace/workspace';
import { passQuery } from './stage-props';
import { TakesFields } from './TakesFields';

/**
 * What lies between the passes of a repair, and what may come next. Which is open is told by the joints of the rule; on
 * a phone, where that is folded, here.
 */
export function PassBar({
  whole,
  open,
  stage,
  ofOne,
  zone,
}: {
  whole: RepairView;
  open: string;
  stage: Stage;
  ofOne: boolean;
  zone: string;
}) {
  const [asking, setAsking] = useState<'none' | 'next' | 'this'>('none');
  const { draft } = whole;
  const begun = whole.actuals.startedAt !== null;
  const many = draft.chain.length > 1;
  if (!many && (!ofOne || begun)) return null;
  return (
    <nav aria-label="Chain" className="flex flex-wrap items-center gap-x-3 gap-y-1.5 no-print">
      {many && (
        <span className={`flex flex-wrap items-center gap-1.5 ${ofOne ? 'md:hidden' : ''}`}>
          {draft.chain.map((id, i) => (
            <span key={id} className="flex items-center gap-1.5 min-w-0">
              {i > 0 && <span className="soft text-sm whitespace-nowrap">{GATES[draft.passes[id]!.gate].label} →</span>}
              {ofOne ? (
                <Link
                  href={`/job/${draft.jobId}/${draft.id}/${stage}${passQuery(whole, id)}`}
                  aria-current={id === open ? 'step' : undefined}
                  className="btn text-sm truncate max-w-[16rem]"
                  style={id === open ? { background: 'var(--ink)', color: 'var(--paper)' } : undefined}
                >
                  {passName(draft, i)}
                </Link>
              ) : (
                <span className="font-semibold truncate max-w-[16rem]">{passName(draft, i)}</span>
              )}
            </span>
          ))}
        </span>
      )}
      {many && ofOne && <Between whole={whole} open={open} zone={zone} />}
      {!begun && (
        <button type="button" className="btn btn-link text-sm fine:!min-h-9" onClick={() => setAsking('next')}>
          then…
        </button>
      )}
      {many && ofOne && (
        <button type="button" className="btn btn-link text-sm fine:!min-h-9" onClick={() => setAsking('this')}>
          this pass…
        </button>
      )}
      <Dialog open={asking === 'next'} title="What comes next" onClose={() => setAsking('none')}>
        <Next draft={draft} onDone={() => setAsking('none')} />
      </Dialog>
      <Dialog
        open={asking === 'this'}
        title={passName(draft, draft.chain.indexOf(open))}
        onClose={() => setAsking('none')}
      >
        <ThisPass whole={whole} id={open} onDone={() => setAsking('none')} />
      </Dialog>
    </nav>
  );
}

/** What ties the open pass to the one before and the one after, and when. */
function Between({ whole, open, zone }: { whole: RepairView; open: string; zone: string }) {
  const { draft } = whole;
  const at = draft.chain.indexOf(open);
  const tied = (i: number) => {
    const { fromMs, untilMs } = windowOn(whole, i);
    const gate = GATES[draft.passes[draft.chain[i]!]!.gate].label;
    const until = untilMs === null ? '' : phrase` until ${dayAndClock(untilMs, zone)}`;
    return fromMs === null ? phrase`${gate}${until}` : phrase`${gate}, from ${dayAndClock(fromMs, zone)}${until}`;
  };
  return (
    <span className="hidden md:inline text-sm">
      {at > 0 && (
        <>
          after <strong>{passName(draft, at - 1)}</strong>: {tied(at)}
        </>
      )}
      {at > 0 && at < draft.chain.length - 1 && ' · '}
      {at < draft.chain.length - 1 && (
        <>
          then <strong>{passName(draft, at + 1)}</strong>: {tied(at + 1)}
        </>
      )}
    </span>
  );
}

/** Every method that may follow, and why the others may not. */
function Next({ draft, onDone }: { draft: Repair; onDone: () => void }) {
  const all = METHODS.map((method) => ({ method, why: whyNotNext(method, draft) }));
  const row = ({ method, why }: (typeof all)[number]) => (
    <div key={method.id}>
      <button
        type="button"
        className="btn w-full text-left"
        disabled={why !== null}
        onClick={() => {
          const below = stateNow().sheets.get(draft.passes[draft.chain.at(-1)!]!.sheetId ?? '') ?? null;
          changeRepair(draft.id, (r) => withNext(r, method, below), 'chain');
          onDone();
        }}
      >
        {method.label}
      </button>
      <p className="soft text-sm mt-0.5">{why ? <Prose>{why}</Prose> : method.does}</p>
    </div>
  );
  const not = all.filter((x) => x.why !== null);
  return (
    <div className="flex flex-col gap-2">
      {all.filter((x) => x.why === null).map(row)}
      {not.length > 0 && (
        <details>
          <summary className="cursor-pointer font-semibold py-1">{phrase`${not.length} that may not follow here, and why`}</summary>
          <div className="flex flex-col gap-2 mt-2">{not.map(row)}</div>
        </details>
      )}
    </div>
  );
}

/** What a pass takes, what lies between it and the one before, where it stands in the chain. */
function ThisPass({ whole, id, onDone }: { whole: RepairView; id: string; onDone: () => void }) {
  const [fault, setFault] = useState<Said | null>(null);
  const { draft } = whole;
  const at = draft.chain.indexOf(id);
  const pass = draft.passes[id]!;
  const ref = { id: draft.id, passId: id };
  const mine = whole.passes.find((p) => p.repair.passId === id);
  const started = mine !== undefined && (mine.actuals.begun.size > 0 || mine.actuals.done.size > 0);
  const try_ = (how: (r: Repair) => Repair, done = false) => {
    const tried = attempt(() => how(draft));
    setFault(tried.ok ? null : tried.problem.sentence);
    if (!tried.ok) return;
    changeRepair(draft.id, how, 'chain');
    if (done) onDone();
  };
  return (
    <div className="flex flex-col gap-3">
      {at > 0 && (
        <>
          <TakesFields whole={whole} id={id} />
          <Choice
            label={phrase`Between it and ${passName(draft, at - 1)}`}
            options={Object.entries(GATES).map(([gate, g]) => ({
              id: gate as keyof typeof GATES,
              label: g.label,
              title: g.fits,
            }))}
            value={pass.gate}
            onChange={(gate) => changePass(ref, (p) => ({ ...p, gate }), 'gate')}
          />
          <p className="soft text-sm">{phrase`Fits ${GATES[pass.gate].fits}.`}</p>
        </>
      )}
      {fault && (
        <p role="alert">
          <Prose>{fault}</Prose>
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn text-sm"
          disabled={at === 0}
          onClick={() => try_((r) => withMoved(r, id, -1))}
        >
          Earlier
        </button>
        <button
          type="button"
          className="btn text-sm"
          disabled={at === draft.chain.length - 1}
          onClick={() => try_((r) => withMoved(r, id, 1))}
        >
          Later
        </button>
        <button
          type="button"
          className="btn text-sm btn-outline btn-error"
          onClick={() => try_((r) => withoutPass(r, id, started), true)}
        >
          Remove this pass
        </button>
      </div>
    </div>
  );
}
