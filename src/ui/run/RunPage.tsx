'use client';
import { Camera, ListChecks, NotebookPen, Scale, Thermometer, TriangleAlert, ZoomIn, ZoomOut } from 'lucide-react';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { alike, standingStops } from '@/core/judge';
import { ENGINES, STAGES } from '@/core/method';
import { pieceName, repairName } from '@/core/plan';
import { earlyStep, figureTests, idleMixer, liveClock, nextWait, openTests } from '@/core/record';
import { isMetered } from '@/core/system';
import { formatDuration, lowered, phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { PhotoDialog } from '../photo/PhotoForm';
import { StepList } from '../place/StepList';
import { HandTests } from '../release/HandTests';
import { ChangedDraft } from '../repair/ChangedDraft';
import { FindingCard, useFormat, useSay, Ways } from '../shared/bits';
import { CalendarButton } from '../shared/CalendarButton';
import { Link } from '../shared/Link';
import { SavingButton } from '../shared/SavingButton';
import { StandInsChosen } from '../shared/StandIns';
import { countdown, shortWhen } from '../shared/when';
import { useNow } from '../workspace/now';
import { setPrefs, usePrefs } from '../workspace/prefs';
import { record } from '../workspace/record';
import { useJobAt } from '../workspace/view';
import { clock as deviceClock, startWork } from '../workspace/workspace';
import { useAlarm, useAwake } from './alarm';
import { NoteDialog, ReadDialog } from './dialogs';
import { ElsewhereFirst } from './ElsewhereFirst';
import { PlaceTicks } from './PlaceTicks';
import { Pot } from './Pot';
import { potShown, runningAt, standingWords } from './pot-shown';
import { StopsHere } from './StopsHere';
import { TroubleDialog } from './TroubleDialog';
import { Uptakes } from './Uptakes';

/** What an address may ask to be opened at once. */
type Asked = 'read' | 'note' | 'photo' | 'trouble';
const ASKED_BY: ReadonlyMap<string, Asked> = new Map([
  ['reading', 'read'],
  ['note', 'note'],
  ['photo', 'photo'],
  ['trouble', 'trouble'],
]);

export function RunPage({ jobId, repairId }: { jobId: string; repairId: string }) {
  const view = useJobAt(jobId, repairId);
  const at = view?.at ?? undefined;
  const nowMs = useNow(1000);
  const { role, sound, speak, notify, afar } = usePrefs();
  const format = useFormat();
  const says = useSay(view?.job.zone ?? 'utc');
  const awake = useAwake();
  const [dialog, setDialog] = useState<'none' | Asked>('none');
  const [checked, setChecked] = useState<string | null>(null);
  /** What went wrong, where a finding knows. */
  const [known, setKnown] = useState<string | null>(null);
  const wentWrong = (trouble: string | null) => {
    setKnown(trouble);
    setDialog('trouble');
  };
  // Asked for by typing, from wherever one was.
  const asked = useSearchParams().get('do');
  const router = useRouter();
  useEffect(() => {
    const wanted = ASKED_BY.get(asked ?? '');
    if (!wanted) return;
    setDialog(wanted);
    router.replace(`/job/${jobId}/${repairId}/run`);
  }, [asked, router, jobId, repairId]);
  // While the device's clock is in doubt, working times go by the later of both times, waits by the earlier.
  const spentMs = nowMs + (deviceClock.latest() - deviceClock.now());
  const step = at?.plan.steps.find((s) => s.doneAt === null);
  const live = at ? liveClock(at, step, spentMs) : null;
  const clockOn = live?.clock ?? null;
  const ofPot = live?.ofPot ?? false;
  const wait = at ? nextWait(at, step, nowMs) : null;
  const running = runningAt(live, wait, { nowMs, spentMs });
  useAlarm(
    clockOn
      ? {
          key: `${clockOn.kind}${clockOn.batch}${clockOn.part}${clockOn.originMs}`,
          name: `${clockOn.batch == null ? '' : phrase`Batch ${clockOn.batch + 1}, `}${
            ofPot ? 'the pot' : lowered(clockOn.label)
          }`,
        }
      : wait
        ? { key: `wait${wait.kind}`, name: wait.label }
        : null,
    running.left ?? running.waitLeft,
    { sound, speak, notify },
  );
  if (!view || !at)
    return (
      <main id="main" className="p-6 flex flex-col gap-3">
        <h1 className="text-xl font-bold">This repair is not in this browser</h1>
        <Ways />
      </main>
    );
  const { plan, repair, actuals } = at;
  /** The pass that the next step belongs to. */
  const pass = at.passes.find((p) => p.repair.passId === step?.passId) ?? at.passes.at(-1)!;
  const zone = view.job.zone;
  const steps = plan.steps;
  const started = actuals.startedAt !== null;
  /** Behind a wait without a time there is more to do, though nothing of it has a time. */
  const allDone = started && !step && !plan.stop;
  const stageAt = step ? STAGES.indexOf(step.stage) : 7;
  // A stop of an earlier stage, or of this one, holds the work here.
  const stops = standingStops(at.findings, actuals.overrides).filter(
    (f) => STAGES.indexOf(f.stage) <= Math.max(stageAt, started ? 0 : 4),
  );
  const earlyFinding = started ? earlyStep(step, nowMs) : null;
  const earlyHeld = earlyFinding !== null && !actuals.overrides.has(earlyFinding.id);
  const mixes = step?.marks?.begin?.includes('mix-begins') ?? false;
  const toBegin = mixes && step?.begunAt === null;
  const holdOpen = step?.hold === true && checked !== step.id;
  const wet = plan.milestones.find(
    (m) =>
      m.kind === 'primer-wet' && m.originMs !== null && m.planMs !== null && m.originMs <= nowMs && m.planMs > spentMs,
  );
  // Before the work is begun the first step is not shown above: it is what comes.
  const next = step && started ? steps[steps.indexOf(step) + 1] : step;
  const mixerLeft = idleMixer(pass, spentMs);

  const go = async () => {
    if (!started)
      return startWork(repairId, Object.fromEntries(at.passes.map((p) => [p.repair.passId, p.plan.usableMin])), role);
    if (!step) return;
    await record(
      { id: repairId, passId: step.passId },
      toBegin ? { kind: 'step-begun', step: step.id } : { kind: 'step-done', step: step.id },
      role,
    );
    setChecked(null);
  };
  // The tests are answered where they stand; ticking them off answers none.
  const untested = started && step?.role === 'test' && openTests(at).length > 0;
  const blocked =
    stops.length > 0 ||
    untested ||
    earlyHeld ||
    (started && holdOpen) ||
    (!started && (at.passes.some((p) => p.plan.mix === null) || plan.unanswered.length > 0));
  const word = !started
    ? 'Begin the work'
    : toBegin
      ? says(ENGINES[pass.plan.method!.engine].begins)
      : step
        ? says(step.confirm)
        : 'Say first what stands in';

  return (
    <div
      data-afar={afar || undefined}
      className="run mx-auto max-w-[76rem] px-3.5 py-3 grid gap-4 md:grid-cols-[minmax(0,27rem)_minmax(0,1fr)]"
    >
      <main id="main" className="flex flex-col gap-2.5 min-w-0">
        <div className="flex flex-col gap-2.5 min-w-0">
          <header className="flex items-center gap-3">
            <Link
              href={`/job/${jobId}/${repairId}/place`}
              className="no-underline flex-1 min-w-0 flex items-center justify-between pl-3.5 pr-7 py-2"
              style={{
                background: 'var(--ink)',
                color: 'var(--paper)',
                clipPath: 'polygon(0 0, calc(100% - 12px) 0, 100% 50%, calc(100% - 12px) 100%, 0 100%)',
              }}
            >
              <h1 className="font-bold truncate text-[1.08rem]">
                <Own>{repairName(repair)}</Own>
                {ofPot && clockOn?.batch != null && pass.plan.batches.length > 1
                  ? phrase` · batch ${clockOn.batch + 1}`
                  : ''}
              </h1>
              <svg width="9" height="9" viewBox="0 0 9 9" aria-hidden="true">
                <circle cx="4.5" cy="4.5" r="4" fill="var(--ground)" />
              </svg>
            </Link>
            <button
              type="button"
              className="btn p-2.5 min-h-[44px]"
              aria-pressed={afar}
              aria-label="Large, to be read from two metres"
              onClick={() => setPrefs({ afar: !afar })}
            >
              {afar ? <ZoomOut size={24} aria-hidden="true" /> : <ZoomIn size={24} aria-hidden="true" />}
            </button>
            <a href="#steps" className="md:hidden p-2.5" aria-label="To the list of steps">
              <ListChecks size={24} aria-hidden="true" />
            </a>
          </header>
          <ChangedDraft whole={at} />
          <Pot
            {...potShown(running, {
              standing: standingWords({ started, step, stop: plan.stop }),
              done: allDone,
              openMs: plan.openMs,
              pot: format('temperature', pass.plan.potC ?? 0).text,
              zone,
              nowMs,
              tell: says,
            })}
          />
        </div>
        <div className="flex flex-col gap-2.5 min-w-0">
          <ElsewhereFirst view={view} at={at} nowMs={nowMs} />
          {started && step && (
            <section aria-label="Next step" aria-live="polite">
              <p className="soft text-[0.95rem]">
                <span data-testid="step-count">{phrase`step ${
                  steps.indexOf(step) + 1
                } of ${steps.length + plan.untimed.length}`}</span>
                {at.passes.length > 1 ? phrase` · ${pieceName(pass.repair, at.passes.indexOf(pass))}` : ''}
                {wet?.planMs ? phrase` · primer still wet for ${formatDuration((wet.planMs - spentMs) / 60_000)}` : ''}
              </p>
              <h2 className="text-[1.6rem] font-bold leading-tight" data-testid="step">
                {says(step.title)}
              </h2>
              <p className="text-[1.02rem] leading-snug">{says(step.detail)}</p>
              {step.stage === 'mix' &&
                step.batch !== undefined &&
                pass.plan.sheet &&
                !isMetered(pass.plan.sheet.kind) && (
                  <Link
                    className="btn mt-2 min-h-[44px]"
                    href={`/job/${jobId}/${repairId}/bench?pass=${step.passId}&batch=${step.batch + 1}`}
                  >
                    <Scale size={18} aria-hidden="true" /> To the scale
                  </Link>
                )}
              {mixerLeft !== null && (
                <p className="mt-1.5 font-semibold" role="timer" data-testid="mixer-clock">
                  {mixerLeft > 0
                    ? phrase`The part-used mixer may stand for ${countdown(mixerLeft)} more.`
                    : 'The resin in the mixer is dead: fit a fresh one and throw its first shots away.'}
                </p>
              )}
            </section>
          )}
          {!started && (
            <section>
              <h2 className="text-[1.5rem] font-bold leading-tight">
                {steps.length
                  ? phrase`${steps.length} steps, ${formatDuration(
                      steps.reduce((m, s) => m + s.handsOnMin, 0),
                    )} hands on`
                  : 'Not ready to begin'}
              </h2>
              <p>
                {plan.mix
                  ? 'From here the plan is kept as it stands, and what happens goes into the record.'
                  : 'Measure the void and choose the material first.'}
              </p>
              {plan.unanswered.length > 0 && (
                <p className="font-semibold">{phrase`${plan.unanswered.length} questions of the inspection are not answered yet.`}</p>
              )}
            </section>
          )}
          <StopsHere at={at} zone={zone} stops={stops} early={earlyHeld ? earlyFinding : null} onTrouble={wentWrong} />
          {started && step?.role === 'test' && (
            <section
              aria-label="Tests"
              className="p-2.5 [&_.btn]:min-h-[44px]"
              style={{ border: '1px dashed var(--rule)' }}
            >
              <HandTests whole={at} zone={zone} nowMs={nowMs} role={role} closed={actuals.released !== null} />
              {figureTests(at).length > 0 && (
                <Link className="btn mt-2 min-h-[44px]" href={`/job/${jobId}/${repairId}/release`}>
                  <ListChecks size={18} aria-hidden="true" /> To the tests by figures
                </Link>
              )}
            </section>
          )}
          {started && step?.stage === 'place' && step.batch !== undefined && <Uptakes at={pass} role={role} />}
          {started && step?.counted && <PlaceTicks at={pass} step={step} role={role} />}
          {started && step?.hold && !earlyHeld && (
            <label className="flex items-center gap-3 p-2.5 min-h-12" style={{ border: '2px solid var(--ink)' }}>
              <input
                type="checkbox"
                className="checkbox size-7"
                checked={checked === step.id}
                onChange={(e) => setChecked(e.target.checked ? step.id : null)}
              />
              <span>
                <strong>Hold point.</strong> I have checked this myself.
              </span>
            </label>
          )}
          {allDone ? (
            <Link
              href={`/job/${jobId}/${repairId}/release`}
              className="btn btn-neutral justify-center text-xl min-h-[4.4rem]"
            >
              To tests and signature
            </Link>
          ) : (
            <SavingButton
              className="btn btn-neutral justify-center text-xl font-bold min-h-[4.4rem] w-full"
              disabled={blocked || (started && !step)}
              onSave={go}
              data-testid="go"
            >
              {word}
            </SavingButton>
          )}
          <div className="grid grid-cols-3 gap-2.5">
            <button
              type="button"
              className="btn justify-center min-h-[3.6rem] font-medium"
              onClick={() => setDialog('read')}
            >
              <Thermometer size={20} aria-hidden="true" /> Read a value
            </button>
            <button
              type="button"
              className="btn justify-center min-h-[3.6rem] font-medium"
              onClick={() => setDialog('note')}
            >
              <NotebookPen size={20} aria-hidden="true" /> Note
            </button>
            <button
              type="button"
              className="btn justify-center min-h-[3.6rem] font-medium"
              onClick={() => setDialog('photo')}
            >
              <Camera size={20} aria-hidden="true" /> Photo
            </button>
          </div>
          <button
            type="button"
            className="btn btn-outline btn-error justify-center min-h-[3.6rem]"
            style={{ background: 'var(--stop-bg)', color: 'var(--stop-ink)', borderWidth: 2 }}
            disabled={!started}
            onClick={() => wentWrong(null)}
          >
            <TriangleAlert size={20} aria-hidden="true" /> Something went wrong
          </button>
          {next && (
            <p>
              {phrase`${started ? 'next' : 'first'}: ${lowered(says(next.title))}, about `}
              <strong className="fig">{shortWhen(next.startMs, zone, nowMs)}</strong>
            </p>
          )}
        </div>
      </main>
      <aside className="min-w-0" id="steps">
        <div className="paper p-3">
          <StepList at={at} zone={zone} stages={STAGES} />
        </div>
        <p className="mt-2 soft text-sm">{phrase`${
          awake
            ? 'The screen is kept awake; the alarm sounds while this page is open.'
            : 'This browser does not keep the screen awake: the alarm is not assured. Take the calendar file as well.'
        } Clocks are kept as instants: a closed tab or an empty battery loses nothing.`}</p>
        <CalendarButton view={view} name={repairName(repair)} className="btn mt-1 text-sm" />
        <StandInsChosen of={at} />
        {alike(at.findings.filter((f) => f.severity !== 'stop')).map(({ first, more }) => (
          <FindingCard key={first.id} zone={zone} finding={first} more={more} />
        ))}
        <div className="mt-3">
          <Ways />
        </div>
      </aside>
      <ReadDialog
        at={pass}
        zone={view.job.zone}
        practice={view.job.sample}
        open={dialog === 'read'}
        onClose={() => setDialog('none')}
        repairId={repairId}
        role={role}
      />
      <PhotoDialog
        key={String(dialog === 'photo')}
        open={dialog === 'photo'}
        onClose={() => setDialog('none')}
        repairId={repairId}
        role={role}
        first={!started ? 'before' : allDone ? 'after' : 'work'}
        step={started ? step?.id : undefined}
      />
      <NoteDialog open={dialog === 'note'} onClose={() => setDialog('none')} repairId={repairId} role={role} />
      <TroubleDialog
        key={known}
        known={known}
        open={dialog === 'trouble'}
        onClose={() => {
          setDialog('none');
          setKnown(null);
        }}
        whole={at}
        step={step}
        role={role}
        zone={zone}
      />
    </div>
  );
}
