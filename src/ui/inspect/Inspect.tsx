'use client';
import { BASE_PROPERTIES } from '@/core/climate';
import { askOf, foundBy, METHODS, methodOf, type Question, questionsOn } from '@/core/method';
import { cautionsOf, passes, pieceName, reviewOf } from '@/core/plan';
import type { PassView } from '@/core/record';
import { lowered, phrase } from '@/words';
import { Photos } from '../photo/Photos';
import type { StageProps, StageView } from '../repair/stage-props';
import { Answer, Choice, Heading, TextField, useSay } from '../shared/bits';
import { NotesLeft } from '../shared/LearnedHere';
import { StageFindings } from '../shared/StageFindings';
import { DayField } from '../shared/WhenField';
import { usePrefs } from '../workspace/prefs';
import { changePass } from '../workspace/workspace';
import { BaseFields, type BaseProps } from './BaseFields';
import { GaugeFields } from './GaugeFields';
import { KnownFields } from './KnownFields';
import { MeetsFields } from './MeetsFields';
import { NoticeFields } from './NoticeFields';
import { SeatMap } from './SeatMap';
import { SurroundingsFields } from './SurroundingsFields';

const ANSWERS = [
  { id: 'yes', label: 'yes' },
  { id: 'no', label: 'no' },
  { id: 'unsure', label: 'not sure' },
] as const;

const nameIn = ({ whole }: StageView, { repair }: PassView): string =>
  pieceName(repair, whole.draft.chain.indexOf(repair.passId));

/** What is asked of a repair: by the pass that is open, then by each other what was not asked before. */
function askedOf(at: StageView): readonly { readonly pass: PassView; readonly questions: readonly Question[] }[] {
  const asked = new Set<string>();
  const others = at.whole.passes.filter((p) => p.repair.passId !== at.repair.passId);
  return [at, ...others].flatMap((pass) => {
    const open = new Set(pass.plan.unanswered.map((q) => q.id));
    // On the face of another pass less is asked.
    const all = pass.plan.method ? questionsOn(pass.plan.method, pass.repair.base.material) : [];
    const mine = all.filter(
      ({ id }) => !asked.has(id) && (pass === at || open.has(id) || pass.repair.answers[id] !== undefined),
    );
    for (const { id } of mine) asked.add(id);
    return mine.length ? [{ pass, questions: mine }] : [];
  });
}

/** One question, its answer, and what a wrong one means. */
function Asked({
  pass: { repair },
  question: q,
  ruled,
}: {
  pass: PassView;
  question: Question;
  /** A line parts it from the one above. */
  ruled: boolean;
}) {
  const says = useSay();
  const answer = repair.answers[q.id];
  const bad = answer !== undefined && !passes(q, answer);
  return (
    <li
      className="flex items-center gap-4 py-2.5 flex-wrap"
      style={{ borderTop: ruled ? '1px solid var(--paper-line)' : undefined }}
    >
      <p className={`flex-1 min-w-[16rem] ${bad ? 'font-semibold' : ''}`}>
        {says(askOf(q))}
        {bad && (
          <span
            className="block text-sm"
            style={{ color: q.otherwise.severity === 'stop' ? 'var(--stop)' : 'inherit' }}
          >
            {q.otherwise.severity === 'stop' ? 'stop' : 'caution'}: {lowered(says(foundBy(q).title))}
          </span>
        )}
      </p>
      <Choice
        label={says(askOf(q))}
        hideLabel
        options={ANSWERS}
        value={answer}
        onChange={(id) => changePass(repair, (r) => ({ ...r, answers: { ...r.answers, [q.id]: id } }))}
      />
    </li>
  );
}

/** May this be repaired this way at all? */
function Sheet({ view, at, nowMs }: StageProps) {
  const { repair, plan, actuals } = at;
  const role = usePrefs((p) => p.role);
  return (
    <div className="p-4">
      <h2 className="font-bold text-lg mb-1">Look, tap, ask</h2>
      {askedOf(at).map(({ pass, questions }) => (
        <section key={pass.repair.passId} aria-label={pass === at ? undefined : nameIn(at, pass)}>
          {pass.repair.passId !== repair.passId && <Heading>{phrase`${nameIn(at, pass)} asks as well`}</Heading>}
          <ol className="flex flex-col">
            {questions.map((q, i) => (
              <Asked key={q.id} pass={pass} question={q} ruled={i > 0} />
            ))}
          </ol>
        </section>
      ))}
      {plan.method?.seats && <SeatMap repair={repair} />}
      {at.whole.passes.some((p) => p.plan.method?.watched) && (
        <GaugeFields repair={repair} zone={view.job.zone} nowMs={nowMs} />
      )}
      <Heading>Usual mistakes</Heading>
      <ul className="list-disc pl-5 soft">
        {plan.method?.mistakes.map((m) => (
          <li key={m}>{m}</li>
        ))}
      </ul>
      <Heading>Cautions</Heading>
      <ul className="list-disc pl-5">
        {cautionsOf(at.whole.passes).map((m) => (
          <li key={m}>{m}</li>
        ))}
      </ul>
      <Photos
        repairId={repair.id}
        zone={view.job.zone}
        nowMs={nowMs}
        role={role}
        first={actuals.startedAt === null ? 'before' : 'work'}
      />
    </div>
  );
}

function Side({ view, at }: StageProps) {
  const { repair, plan } = at;
  // Why somebody has to look at it whatever is chosen here.
  const always = reviewOf({ ...repair, safety: { class: 'plain', why: '' } }, plan.method);
  const change = (over: Partial<typeof repair>, key = 'inspect') => changePass(repair, (r) => ({ ...r, ...over }), key);
  const changeBase: BaseProps['change'] = (over, key) =>
    changePass(repair, (r) => ({ ...r, base: { ...r.base, ...over } }), key);
  const stops = at.whole.findings.filter(
    (f) => f.stage === 'inspect' && f.severity === 'stop' && !at.whole.actuals.overrides.has(f.id),
  ).length;
  const left = at.whole.plan.unanswered.length;
  const asked = askedOf(at).reduce((sum, { questions }) => sum + questions.length, 0);
  return (
    <>
      <Answer
        over="by what you saw, it"
        digits={left ? phrase`${left} open` : stops ? 'must stop' : 'may go on'}
        beside={
          left
            ? 'questions still to answer'
            : stops
              ? phrase`${stops} stop${stops > 1 ? 's' : ''}, below`
              : phrase`${asked} of ${asked} answered`
        }
      />
      <div className="grid grid-cols-2 gap-2">
        <TextField label="Name of the repair" value={repair.name} onChange={(name) => change({ name })} />
        <TextField label="Where it is" value={repair.place} onChange={(place) => change({ place })} />
      </div>
      <label className="block mt-2">
        Method
        <select
          className="select"
          value={repair.method.id}
          onChange={(e) => {
            const method = methodOf(e.target.value)!;
            // Another method asks other questions and fits other shapes: what does not fit it is let go, undo brings it
            // back.
            changePass(repair, (r) => ({
              ...r,
              method: { id: method.id, version: method.version },
              answers: {},
              schools: {},
              settings: {},
              void: r.void && method.shapes.includes(r.void.shapes[0]!.shape) ? r.void : null,
              sheetId: null,
              kitId: null,
              base: method.bases.includes(r.base.material) ? r.base : { ...r.base, material: method.bases[0]! },
            }));
          }}
        >
          {METHODS.map((m) => (
            <option key={m.id} value={m.id}>
              {m.label}
            </option>
          ))}
        </select>
      </label>
      <p className="soft text-sm">{plan.method?.does}</p>
      <Heading>The base</Heading>
      <div className="grid grid-cols-2 gap-2">
        <BaseFields base={repair.base} change={changeBase} />
        {BASE_PROPERTIES[repair.base.material].isCast && (
          <DayField
            label="Cast on"
            value={repair.base.castOn}
            whole="last"
            zone={view.job.zone}
            onChange={(castOn) => change({ base: { ...repair.base, castOn } })}
          />
        )}
      </div>
      <MeetsFields repair={repair} />
      <SurroundingsFields base={repair.base} change={changeBase} zone={view.job.zone} />
      <KnownFields
        base={repair.base}
        change={changeBase}
        zone={view.job.zone}
        fromMs={repair.plannedStart ?? view.job.startFrom}
      />
      <NoticeFields repair={repair} zone={view.job.zone} />
      <Heading>Who must look at it</Heading>
      <Choice
        label="Safety class"
        hideLabel
        options={[
          {
            id: 'plain',
            label: 'plain',
            idle: always !== null,
            ...(always ? { title: always } : {}),
          },
          { id: 'review', label: 'needs a competent person’s review' },
        ]}
        value={always ? 'review' : repair.safety.class}
        onChange={(id) => change({ safety: { ...repair.safety, class: id } })}
      />
      {always && (
        <p
          className="mt-1"
          data-testid="always-reviewed"
        >{phrase`It is reviewed in any case and cannot be set to plain: ${lowered(always)}`}</p>
      )}
      <p className="soft text-sm mt-1">
        Anything that holds up people, vehicles or loads, is pressurised, below the waterline, road-going, lifting,
        fall-arresting or structural.
      </p>
      {(repair.safety.class === 'review' || always) && (
        <TextField
          label="What hangs on it"
          value={repair.safety.why}
          onChange={(why) => change({ safety: { class: 'review', why } })}
        />
      )}
      <NotesLeft at={at} />
      <StageFindings at={at} zone={view.job.zone} stage="inspect" />
    </>
  );
}

export const Inspect = { Sheet, Side };
