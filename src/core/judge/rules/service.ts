import { sheetFlaws } from '../../cure';
import {
  holdsIn,
  inTimeOf,
  loadCheck,
  type PlannedStep,
  type RestFit,
  restsOf,
  reviewOf,
  strengthOver,
  undisturbed,
  windowsOver,
} from '../../plan';
import { at, attempt, minutes, on, percent, plain, texts } from '../../say';
import { milestoneKind } from '../../system';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  deadline: {
    severity: 'caution',
    stage: 'release',
    title: '{short} short of the wanted reopening',
    why: 'Computed with the long end of the sheet’s range on the base’s own temperature.{clock, select, none {} met { The clock is out in time, the checks before it is opened are not.} other { Of that {clock} are the clock’s, the rest the checks before it is opened.}}',
    todo: '{by, select, none {Start earlier,} other {Begin {sooner} earlier and its clock is out in time: begun {begin}, it starts for the last of it by {by}. Or}} tent and warm the base, choose a faster system on the shelf, or move the reopening.',
  },
  'wanted-closed': {
    once: true,
    severity: 'note',
    stage: 'release',
    title: 'It is wanted when nobody works',
    why: 'The reopening is wanted {wanted}, outside the working hours: nobody is there to test it, sign, and take the barrier off.{last, select, none {} other { The last working hour before that is {last}.}}',
    todo: 'Plan to be ready by then, or have somebody there at that hour.',
  },
  water: {
    severity: 'stop',
    stage: 'hold',
    title: 'Water comes before it may',
    why: 'It is expected {comes}; “{clock}” runs to {until}.',
    todo: 'Move the washing, or the work; or keep it off with a cover that holds.',
  },
  'rest:moved': {
    id: 'rest',
    severity: 'stop',
    stage: 'hold',
    title: 'It is moved before it holds',
    why: '{closed, select, outside {The plan closes it {at}, when it may not be left alone.} other {Closed {at} it holds from {done}; it may rest until {until}{share, select, unknown {} other { and is {share} of the way by then}}.}}',
    todo: '{other, select, none {Warm it, take a faster system, or ask for a longer rest.} other {Close it between {from} and {latest}, in the rest that ends {other}{costs, select, none {} other {: {costs}}}.}}',
  },
  rest: {
    severity: 'note',
    stage: 'hold',
    title: 'It holds before it is moved again',
    why: 'Closed {at} it holds from {done}; it may rest until {until}: {spare} to spare.',
    todo: '{costs, select, none {Say so to whoever runs it, and hang the tag on it.} other {Say so to whoever runs it: {costs}.}}',
  },
  untried: {
    severity: 'stop',
    stage: 'release',
    title: 'Passed without its dry trial',
    why: '“{ask}” was answered yes, and nobody tried it dry: there is nothing to compare with.',
    todo: 'Take the readings of a like part that is known to work, or say in the record by what it was judged.',
  },
  'day-end': {
    severity: 'note',
    stage: 'place',
    title: 'A little past the end of the day',
    why: '“{step}”, with what belongs to it, would end {by} after the working hours, at {closes}; it is not torn apart, and waits for {start}.',
    todo: 'Stay that long and it is done the same day, or begin sooner.',
  },
  stays: {
    severity: 'note',
    stage: 'place',
    title: '{by} past the end of the working day',
    why: '“{step}”, with what belongs to it, ends {by} after {closes}: that long was agreed to stay.',
    todo: 'Tell the crew and whoever closes the site; light and a way out go with it.',
  },
  'load:unchecked': {
    severity: 'caution',
    stage: 'release',
    title: 'The load is not checked',
    why: '{missing}',
    todo: 'Have it judged by a competent person.',
  },
  'load-too-much': {
    id: 'load',
    severity: 'stop',
    stage: 'release',
    title: 'More than it bears',
    why: 'The load takes {share} of what the bond has when it is fully cured.',
    todo: 'A larger area, another system, a fastener beside it, or less load.',
  },
  'load-never': {
    id: 'load',
    severity: 'stop',
    stage: 'release',
    title: 'Not strong enough within the forecast',
    why: 'The load takes {share} of the full strength, and that is not reached in these days.',
    todo: 'Warm it, or keep the load off until it has been proved.',
  },
  load: {
    severity: 'stop',
    stage: 'release',
    title: 'This load only from {from}',
    why: 'It takes {share} of the full strength; at the opening it has {has}.',
    todo: 'Open it for less, and let this load on later.',
  },
  review: {
    once: true,
    severity: 'caution',
    stage: 'release',
    title: 'Needs a competent person’s review',
    why: '{needs} The figures here never replace that review, the sheet, the local code or licensed practice.',
    todo: 'Have it reviewed before it is released; role and time are kept.',
  },
  'sheet:flaw': {
    severity: 'caution',
    stage: 'material',
    title: 'The sheet looks mistyped',
    why: '{flaw}',
    todo: 'Compare with the maker’s sheet and make a new revision.',
  },
  'sheet:newer': {
    severity: 'note',
    stage: 'material',
    title: 'A newer revision of this sheet is on the shelf',
    why: 'This repair was planned with revision {planned}; revision {newer} exists.',
    todo: 'Choose it in Material if the plan should move to it.',
  },
});

const DAY_MS = 86_400_000;
/** Nobody agrees on staying to the minute. */
const STAY_STEP_MIN = 5;
const WAY = texts('way.rest', { rest: 'Close it {from}' });
const { stay: STAY } = texts('way.hours', { stay: 'Stay up to {by} longer' });

/** What stands between the repair and its service: deadline, hours, review, the sheet itself. */
export const serviceRules: Readonly<Record<string, Rule>> = {
  deadline: ({ plan, job, nowMs }) => {
    if (plan.inHandMin === null || plan.inHandMin >= 0) return [];
    const hours = attempt(() => windowsOver(job, nowMs - DAY_MS, plan.openMs ?? nowMs));
    const found = inTimeOf(plan, job.wantedAt!, nowMs, hours.ok ? hours.value : []);
    const clock = found?.clockShortMin ?? 0;
    return [
      F.deadline({
        short: minutes(-plan.inHandMin),
        clock: found && clock === 0 ? 'met' : clock > 0 && clock < -plan.inHandMin - 0.5 ? minutes(clock) : 'none',
        by: found?.byMs != null ? at(found.byMs) : 'none',
        sooner: minutes(found?.soonerMin ?? 0),
        begin: at(found?.beginMs ?? nowMs),
      }),
    ];
  },

  'wanted-closed': ({ job }) => {
    const { wantedAt } = job;
    if (wantedAt === null) return [];
    const around = attempt(() => windowsOver(job, wantedAt - 8 * DAY_MS, wantedAt + DAY_MS));
    if (!around.ok || around.value.some((w) => w.fromMs <= wantedAt && wantedAt <= w.toMs)) return [];
    const last = around.value.findLast((w) => w.toMs < wantedAt);
    return [F['wanted-closed']({ wanted: on(wantedAt), last: last ? on(last.toMs) : 'none' })];
  },

  water: ({ repair, plan }) => {
    const { waterAt } = repair;
    if (waterAt === null) return [];
    const last = plan.milestones
      .filter((m) => milestoneKind(m.kind).keptDry && m.planMs !== null && m.planMs > waterAt)
      .sort((a, b) => b.planMs! - a.planMs!)[0];
    return last ? [F.water({ comes: on(waterAt), clock: last.label, until: on(last.planMs!) })] : [];
  },

  rest: ({ repair, plan, job, nowMs }) => {
    if (!repair.rests.length) return [];
    const fits = restsOf(plan, repair.rests);
    const wait = undisturbed(plan);
    if (!fits.length || !wait || wait.originMs === null) return [];
    const here = fits.find((f) => f.planned);
    const costsOf = (f: RestFit) => f.rest.costs.trim() || 'none';
    if (here && holdsIn(here))
      return [
        F.rest({
          at: at(here.fromMs),
          done: at(here.doneMs!),
          until: at(here.rest.untilMs),
          spare: minutes((here.rest.untilMs - here.doneMs!) / 60_000),
          costs: costsOf(here),
        }),
      ];
    // The next rest that is long enough and not over: begun as long before it as the plan needs now.
    const leadMs = wait.originMs - (plan.steps[0]?.startMs ?? wait.originMs);
    const soonest = Math.max(nowMs, job.startFrom) + leadMs;
    const other = fits.find((f) => f.latestMs !== null && f.latestMs >= soonest);
    const from = other ? Math.max(other.rest.fromMs, soonest) : 0;
    return [
      F['rest:moved'](
        {
          closed: here ? 'inside' : 'outside',
          at: at(wait.originMs),
          done: here?.doneMs ? at(here.doneMs) : 'later',
          until: here ? at(here.rest.untilMs) : 'none',
          share: here && here.share !== null ? percent(here.share * 100, 2) : 'unknown',
          other: other ? at(other.rest.untilMs) : 'none',
          from: at(from),
          latest: at(other?.latestMs ?? 0),
          costs: other ? costsOf(other) : 'none',
        },
        {
          ways:
            other && plan.steps.every((s) => s.begunAt === null && s.doneAt === null)
              ? [{ say: WAY.rest({ from: at(from) }), set: { path: ['plannedStart'], value: from - leadMs } }]
              : [],
        },
      ),
    ];
  },

  untried: ({ plan, repair, actuals }) =>
    (plan.method?.tests ?? [])
      .filter(
        (t) =>
          t.against !== undefined &&
          repair.answers[t.against] !== 'yes' &&
          [t.id, `${repair.passId}/${t.id}`].some((id) => actuals.tests.get(id)?.answer === 'yes'),
      )
      .slice(0, 1)
      .map((t) => F.untried({ ask: t.ask })),

  'day-end': ({ plan }) => {
    const ahead = plan.steps.filter((s) => s.doneAt === null && s.begunAt === null);
    const waits = ahead.find((s) => s.dayEnd && !s.dayEnd.stayed);
    const late = (s: PlannedStep) => (s.dayEnd?.stayed ? s.dayEnd.byMin : 0);
    const [stays] = ahead.filter((s) => late(s) > 0).sort((a, b) => late(b) - late(a));
    const told = ({ title, startMs, dayEnd }: PlannedStep) => ({
      step: title,
      by: minutes(Math.ceil(dayEnd!.byMin)),
      closes: at(dayEnd!.closesMs),
      start: at(startMs),
    });
    const by = waits && Math.ceil(waits.dayEnd!.byMin / STAY_STEP_MIN) * STAY_STEP_MIN;
    return [
      ...(waits
        ? [
            F['day-end'](told(waits), {
              ways: [{ say: STAY({ by: minutes(by!) }), set: { path: ['overtimeMin'], value: by! } }],
            }),
          ]
        : []),
      ...(stays ? [F.stays(told(stays))] : []),
    ];
  },

  load: (c) => {
    const { repair, plan } = c;
    if (!repair.load || plan.placedMs === null || c.borneElsewhere) return [];
    const strength = strengthOver(plan);
    const check = loadCheck(plan, repair.load, strength);
    if (check.missing) return [F['load:unchecked']({ missing: check.missing })];
    if (check.needs !== null && check.needs > 1) return [F['load-too-much']({ share: percent(check.needs * 100) })];
    const share = percent((check.needs ?? 0) * 100, 2);
    if (check.fromMs === null) return [F['load-never']({ share })];
    return plan.openMs !== null && check.fromMs > plan.openMs
      ? [F.load({ from: at(check.fromMs), share, has: percent((strength?.shareAt(plan.openMs) ?? 0) * 100, 2) })]
      : [];
  },

  review: ({ repair, plan, actuals }) => {
    const needs = reviewOf(repair, plan.method);
    return needs && !actuals.reviewed ? [F.review({ needs: plain(needs) })] : [];
  },

  sheet: ({ plan, sheets }) => {
    const { sheet } = plan;
    if (!sheet) return [];
    const newer = sheets.find((s) => s.systemId === sheet.systemId && s.revision > sheet.revision);
    return [
      ...sheetFlaws(sheet).map((p, i) => F['sheet:flaw']({ flaw: p.sentence }, { of: i })),
      ...(newer ? [F['sheet:newer']({ planned: sheet.revision, newer: newer.revision })] : []),
    ];
  },
};
