'use client';
import { useState } from 'react';
import {
  actedOn,
  endsOf,
  type MilestoneTime,
  overLast,
  partName,
  passName,
  pieceName,
  type RepairPlan,
  servedBy,
  servedLast,
  undisturbed,
} from '@/core/plan';
import { MILESTONES, milestoneKind, milestoneOf, STARTS } from '@/core/system';

import { formatDuration, lowered, phrase } from '@/words';
import { ClimateFields } from '../job/ClimateFields';
import { StepList } from '../place/StepList';
import type { StageProps } from '../repair/stage-props';
import { Answer, Heading, useSay, Working } from '../shared/bits';
import { ClockLearned } from '../shared/LearnedHere';
import { ChoicesOfAll } from '../shared/Schools';
import { PassesStillNeed, StageFindings } from '../shared/StageFindings';
import { StandInsChosen } from '../shared/StandIns';
import { WhenField } from '../shared/WhenField';
import { shortWhen } from '../shared/when';
import { changeJob, changePass } from '../workspace/workspace';
import { Rests } from './Rests';

/**
 * The clocks that decide, each once: of many pots and places a working time is worked out for the first, a wait for the
 * one that is over last, whose hour is the answer.
 */
const worked = ({ milestones, serves }: RepairPlan): readonly MilestoneTime[] =>
  [...new Set([serves, 'use-by', 'release'])].flatMap((kind) => {
    const known = milestones.filter((m) => m.kind === kind && m.working.length > 0 && m.planMs !== null);
    return (known[0]?.clock === 'waiting' ? overLast(known, known[0].kind) : known[0]) ?? [];
  });

/** What it is left alone for; “keep dry until” says so itself. */
const leftFor = (label: string): string => (label.endsWith(' until') ? label : phrase`left alone for ${label} until`);

const STANDING = { sheet: '', extrapolated: ' beyond the sheet’s points', estimated: ' estimated' } as const;

function Sheet({ view, at, nowMs }: StageProps) {
  const prose = useSay();
  const says = useSay(view.job.zone);
  const [all, setAll] = useState(false);
  const [everyOne, setEveryOne] = useState(false);
  const { plan } = at;
  const zone = view.job.zone;
  if (!plan.milestones.length)
    return (
      <div className="p-5">
        <PassesStillNeed whole={at.whole} />
      </div>
    );
  const dominant = (m: (typeof plan.milestones)[number]) => m.kind === plan.serves;
  // Many rounds have the same clocks one behind the other: the first and the last of each tell them, the others on
  // asking.
  const between = (m: (typeof plan.milestones)[number]) => {
    const like = plan.milestones.filter((x) => x.kind === m.kind && x.passId === m.passId);
    return like.length > 2 && !endsOf(like).includes(m);
  };
  /** Of several batches the name of this one: holes by their numbers, pots by theirs. */
  const batchName = (m: (typeof plan.milestones)[number]) => {
    const of = at.whole.passes.find((p) => p.repair.passId === m.passId)?.plan ?? plan;
    const { batches } = of;
    if (m.part !== null) return `, ${partName(of, m.part) || phrase`part ${m.part + 1}`}`;
    const b = batches[m.batch!];
    return batches.length < 2 || !b ? '' : b.fromTo ? phrase`, ${says(b.label)}` : phrase`, batch ${m.batch! + 1}`;
  };
  const passes = at.whole.passes.map((p) => p.plan);
  const idle = (m: (typeof plan.milestones)[number]) => !actedOn(passes, m);
  const folded = plan.milestones.filter((m) => between(m) && !idle(m)).length;
  const unused = plan.milestones.filter(idle).length;
  return (
    <div className="p-4">
      <table className="table table-fixed text-[0.95rem]">
        <thead className="text-left soft text-sm">
          <tr>
            <th className="font-normal py-1 w-[28%]">clock</th>
            <th className="font-normal w-[27%]">the sheet says</th>
            <th className="font-normal w-[19%]">Grenko computes</th>
            <th className="font-normal">range</th>
          </tr>
        </thead>
        <tbody>
          {plan.milestones
            .filter((m) => (all || !between(m)) && (everyOne || !idle(m)))
            .map((m) => (
              <tr
                key={`${m.passId}${m.kind}${m.batch}.${m.part}`}
                style={{
                  borderTop: '1px solid var(--paper-line)',
                  background: dominant(m) ? 'var(--leaf)' : undefined,
                }}
                data-milestone={m.kind}
              >
                <td className="py-1.5 pr-2">
                  <span className={dominant(m) ? 'font-bold' : ''}>
                    {m.label}
                    {m.batch !== null || m.part !== null ? batchName(m) : ''}
                    {at.whole.passes.length > 1
                      ? phrase` · ${passName(at.whole.draft, at.whole.draft.chain.indexOf(m.passId))}`
                      : ''}
                  </span>
                  <span className="block soft text-xs">{phrase`${m.clock === 'working' ? 'over' : 'reached'}, from when ${STARTS[m.startsAt]}`}</span>
                </td>
                <td className="fig text-[0.8rem] pr-2">{prose(m.sheetSays)}</td>
                <td className="pr-2">
                  {m.planMs !== null ? (
                    <>
                      <strong className="fig">{shortWhen(m.planMs, zone, nowMs)}</strong>
                      <span className="soft text-xs block">
                        {m.originMs !== null ? formatDuration((m.planMs - m.originMs) / 60_000) : ''}
                        {STANDING[m.standing]}
                      </span>
                    </>
                  ) : (
                    <span className="soft text-xs">{says(m.problem ?? '')}</span>
                  )}
                </td>
                <td className="fig text-[0.8rem] soft">
                  {m.fromMs !== null && m.toMs !== null && m.toMs - m.fromMs >= 60_000
                    ? phrase`${shortWhen(m.fromMs, zone, nowMs)} to ${shortWhen(m.toMs, zone, nowMs)}`
                    : ''}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
      {folded > 0 && (
        <button type="button" className="btn btn-link text-sm mt-1" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'fold' : phrase`and ${folded} more between them`}
        </button>
      )}
      {unused > 0 && (
        <button
          type="button"
          className="btn btn-link text-sm mt-1"
          aria-expanded={everyOne}
          onClick={() => setEveryOne(!everyOne)}
        >
          {everyOne
            ? 'only those that somebody here waits for'
            : unused > 1
              ? phrase`and ${unused} times of the sheet that nobody here waits for`
              : 'and one time of the sheet that nobody here waits for'}
        </button>
      )}
      <Heading>To be done meanwhile</Heading>
      <StepList at={at} zone={zone} stages={['hold']} />
    </div>
  );
}

function Side({ view, at, nowMs }: StageProps) {
  const prose = useSay();
  const { plan, repair } = at;
  const zone = view.job.zone;
  // What is done last is what has to be left alone in the end.
  const lastPass = at.whole.passes.at(-1)!;
  const main = servedLast(plan);
  const computed = main?.planMs ?? null;
  const habit = plan.habitMs;
  const off = computed !== null && habit !== null ? (habit - computed) / 60_000 : null;
  const usual = plan.sheet && plan.method ? servedBy(plan.sheet, plan.method.serves) : null;
  // What the method waits for stands among them, whatever it is: the field never shows what was not chosen.
  const servable = (['release', 'foot', 'light-load', 'load', 'dry', 'wet', 'full-cure'] as const).filter(
    (k) => k !== usual && plan.sheet && milestoneOf(plan.sheet, k),
  );
  return (
    <>
      <Answer
        over={leftFor(main ? lowered(main.label) : 'load')}
        digits={computed !== null ? shortWhen(computed, zone, nowMs) : main?.problem ? 'not in sight' : '—'}
        beside={
          main && main.fromMs !== null && main.toMs !== null && main.toMs - main.fromMs >= 60_000 ? (
            <>
              between <strong className="fig">{shortWhen(main.fromMs, zone, nowMs)}</strong>
              <span className="block">
                and <strong className="fig">{shortWhen(main.toMs, zone, nowMs)}</strong>
              </span>
            </>
          ) : undefined
        }
      />
      <table className="table">
        <tbody>
          <tr>
            <td className="soft py-0.5">the sheet says</td>
            <td className="fig text-[0.85rem]">{prose(main?.sheetSays ?? '—')}</td>
          </tr>
          <tr>
            <td className="soft py-0.5">Grenko computes</td>
            <td className="fig text-[0.85rem]">
              {main?.planMs && main.originMs
                ? phrase`${formatDuration((main.planMs - main.originMs) / 60_000)} at this site’s temperatures`
                : '—'}
            </td>
          </tr>
          <tr>
            <td className="soft py-0.5">the plain habit</td>
            <td className="fig text-[0.85rem]" data-testid="habit">
              {off === null
                ? '24 h'
                : off >= 0
                  ? phrase`24 h: ${formatDuration(off)} later than needed`
                  : phrase`24 h: ${formatDuration(-off)} too early`}
            </td>
          </tr>
          <tr>
            <td className="soft py-0.5">I chose to wait for</td>
            <td>
              <select
                className="select fine:!min-h-8 fine:!py-0"
                aria-label="Wait for"
                value={servable.find((k) => k === repair.serves) ?? ''}
                onChange={(e) =>
                  changePass(repair, (r) => ({ ...r, serves: servable.find((k) => k === e.target.value) ?? null }))
                }
              >
                <option value="">
                  {usual ? lowered(MILESTONES[usual].label) : 'nothing the sheet has a time for'}
                </option>
                {servable.map((k) => (
                  <option key={k} value={k}>
                    {lowered(MILESTONES[k].label)}
                  </option>
                ))}
              </select>
            </td>
          </tr>
        </tbody>
      </table>
      <ClockLearned at={at} />
      <StageFindings at={at} zone={zone} stage="hold" />
      <StandInsChosen of={at.whole} />
      {plan.milestones.some((m) => milestoneKind(m.kind).keptDry) && (
        <WhenField
          label={phrase`Water comes on it next (${zone})`}
          value={repair.waterAt}
          zone={zone}
          atHour={view.job.workingHours.fromHour}
          onChange={(waterAt) => changePass(repair, (r) => ({ ...r, waterAt }), 'water')}
          onClear={() => changePass(repair, (r) => ({ ...r, waterAt: null }), 'water')}
        />
      )}
      {undisturbed(lastPass.plan) && <Rests repair={lastPass.repair} plan={lastPass.plan} zone={zone} nowMs={nowMs} />}
      <Heading aside="pull the curve below, or type">Temperature of the site</Heading>
      <ClimateFields
        job={view.job}
        write={(climate) => changeJob(view.job.id, (j) => ({ ...j, climate }), 'climate')}
      />
      <ChoicesOfAll whole={at.whole} stage="hold" />
      {at.whole.passes.flatMap((pass, i) =>
        worked(pass.plan).map((m) => (
          <Working
            key={`${m.passId}${m.kind}`}
            title={
              at.whole.passes.length > 1
                ? phrase`how ${lowered(m.label)} of ${pieceName(pass.repair, i)} comes about`
                : phrase`how ${lowered(m.label)} comes about`
            }
            lines={m.working}
          />
        )),
      )}
    </>
  );
}

export const Hold = { Sheet, Side };
