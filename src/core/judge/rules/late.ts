import { RENEWS, type Role } from '../../method';
import { oursBefore, overLast, type PlannedStep, windowsOver } from '../../plan';
import { at, listed, minutes, texts } from '../../say';
import type { MilestoneId } from '../../system';
import { type Finding, findings, type Notice } from '../finding';
import { isAsked } from './live-pot';
import type { JudgeContext, Rule } from './rule';

const F = findings({
  'late:open': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'Open time is over before the joint closes',
    why: 'It is closed at {end}; what was spread first has skinned by then and does not wet the other face.',
    todo: 'One batch at a time, each closed before the next; smaller faces, more hands, or a cooler hour.',
  },
  'late:use-by': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'The joint closes after its working time',
    why: 'It is closed at {end}; the sheet gives no open time, and what was mixed has stiffened by then.',
    todo: 'A shorter way, a cooler pot, more hands or less to close at once. Walk the way once dry and type what it takes.',
  },
  'late:hands': {
    id: 'late',
    severity: 'caution',
    stage: 'place',
    title: 'Little time to close the joint',
    why: '{steps} {n, plural, one {is} other {are}} planned with {ours}, {n, plural, one {a figure} other {figures}} of Grenko’s own; {left} are left of the working time.',
    todo: 'Try it dry against the clock and type what it takes; with more than {left}, a smaller face, more hands or a cooler hour.',
  },
  missed: {
    severity: 'caution',
    stage: 'place',
    title: 'The window to go on as it is was missed',
    why: '{open, select, no {It closed at {until}} other {It was open from {from} to {until}}}{closed, select, yes {, all of it outside the working hours} other {}}. It goes on at {start} only.',
    todo: 'Wash and abrade first; the plan has it with its minutes. {closed, select, yes {Or end what lies under it later in the day, so that its window falls into your hours.} other {}}',
  },
  tight: {
    severity: 'note',
    stage: 'place',
    title: 'Little in hand before the window closes',
    why: 'It is placed by {end}; what lies under it may be gone over as it is until {until}: {left} in hand.',
    todo: 'Have all of it ready beforehand; past the window it is washed and abraded.',
  },
  'tight:over': {
    id: 'tight',
    severity: 'caution',
    stage: 'place',
    title: 'The window closes while it is placed',
    why: 'It begins in time and is placed by {end}; what lies under it may be gone over as it is until {until}.',
    todo: 'Begin sooner, bring more hands, or wash and abrade what comes last.',
  },
  'late:primer-wet': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'The primer dries before the mortar comes',
    why: 'The last of this batch is placed at {end}; what was primed first has dried by then.',
    todo: 'Smaller batches, each primed only as far as it reaches; more hands, or a cooler hour.',
  },
  'late:primer-hands': {
    id: 'late',
    severity: 'caution',
    stage: 'place',
    title: 'Little time before the primer dries',
    why: '{steps} {n, plural, one {is} other {are}} planned with {ours}, {n, plural, one {a figure} other {figures}} of Grenko’s own; {left} are left before what was primed first has dried.',
    todo: 'Try it against the clock and type what it takes; with more than {left}, prime only as far as the next half of the batch reaches, more hands, or a cooler hour.',
  },
  'late:wash-hands': {
    id: 'late',
    severity: 'caution',
    stage: 'place',
    title: 'Little time before what was filled first has set',
    why: '{steps} {n, plural, one {is} other {are}} planned with {ours}, {n, plural, one {a figure} other {figures}} of Grenko’s own; {left} are left before what was filled first has set on the units.',
    todo: 'Try a stretch against the clock and type what it takes; with more than {left}, a second pair of hands that washes, smaller batches, or a cooler base.',
  },
  'late:wash-until': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'What was filled first is past its washing',
    why: 'It is washed from {start} only; what was filled first has set on the units by then, and stays as a haze.',
    todo: 'A second pair of hands that washes, smaller batches, or a cooler base.',
  },
  'late:bare': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'The bared face has stood too long',
    why: 'It is wetted at {start} only; by then it has dulled.',
    todo: 'Abrade and wipe it once more before it is wetted: the pot does not wait, so be quick or mix anew.',
  },
  'bare-again': {
    severity: 'caution',
    stage: 'place',
    title: 'A bared face would stand too long',
    why: 'It is good until {until}, and its turn comes later: the plan bares it again, {takes}.',
    todo: 'Begin mixing by {mixBy} and it need not be; or bare it last.',
  },
  'tight:close': {
    severity: 'note',
    stage: 'place',
    title: 'Little in hand before it skins',
    why: '“{step}” ends at {end}, {left, select, none {less than a minute} other {{in}}} before what was spread first has skinned or stiffened.',
    todo: 'Everybody at their places before anything is spread; whoever sees that it will not do says so before the joint is closed.',
  },
  'late:tool': {
    id: 'late',
    severity: 'caution',
    stage: 'place',
    title: 'The tool is cleaned after its pot is dead',
    why: '“{step}” ends at {end}, {over} after the mix in the pot has set by its sheet.',
    todo: 'Stop pouring sooner, or take a tool that is thrown away; have the solvent open beside you.',
  },
  'late:gel': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'It has gelled by then',
    why: '“{step}” is done at {end}, {over} after what was placed first has gelled; from then on it is neither moved nor pressed in.',
    todo: 'Do it right after each portion, with more hands or smaller portions; or in a cooler hour, or with a slower system.',
  },
  'late:gel-hands': {
    id: 'late',
    severity: 'caution',
    stage: 'place',
    title: 'Little time before it gels',
    why: '{steps} {n, plural, one {is} other {are}} planned with {ours}, {n, plural, one {a figure} other {figures}} of Grenko’s own; {left} are left before what was placed first has gelled.',
    todo: 'Try it dry against the clock and type what it takes; with more than {left}, more hands, smaller portions or a cooler hour.',
  },
  'tight:gel': {
    id: 'tight',
    severity: 'stop',
    stage: 'place',
    title: 'What lies under it gels while it is placed',
    why: 'It begins in time and is placed by {end}; what it is to join wet in wet has gelled by {until}.',
    todo: 'Mix it before the first is placed, bring more hands, or smaller portions; or choose another way for one to follow the other.',
  },
  'late:gel-under': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'What lies under it has gelled by then',
    why: 'It goes on wet in wet and begins at {start} only; what was placed first has gelled {over} before.',
    todo: 'Have both ready before the first is mixed, bring more hands; or choose another way for one to follow the other.',
  },
  'late:glass': {
    id: 'late',
    severity: 'caution',
    stage: 'place',
    title: 'It is glass-hard before it is cut back',
    why: '“{step}” is planned from {start} to {end}; {crossed, select, yes {the first of it may be cut until {until}, the last from {from} only} other {it may be cut from {from} to {until}{closed, select, yes {, while nobody works} other {}}}}. Past that it polishes instead of cutting: it takes a coarser disc and several times as long.',
    todo: '{closed, select, yes {Begin so much earlier that the window falls into your hours, or stay for it.} other {Bring more hands, or cut it back in parts as they come due.}}',
  },
});
const WAY = texts('finding.late.way', { earlier: 'Begin {from}' });
const SAY = texts('finding.late.say', { step: '“{title}”' });

/** Starts are offered in steps of that, ms. */
const STEP_MS = 10 * 60_000;
const MIN_MS = 60_000;
const HOUR_MS = 3_600_000;
const DAY_MS = 86_400_000;
/** Less in hand than this is said, ms. */
const TIGHT_MS = 30 * 60_000;
/** Less of its working time than this in hand when a joint closes is said. */
const TIGHT_SHARE = 0.15;

/** What it means to come too late, by the working time that is over and by what is late; the first that fits speaks. */
interface LateRow {
  readonly of: MilestoneId;
  readonly role?: Role;
  /** The time is that of the pass below. */
  readonly below?: true;
  /** It is in time when it begins in time; else when it ends so. */
  readonly begins?: true;
  readonly says: Notice;
  /** What is said instead where quicker hands than Grenko’s own figure would still do it. */
  readonly quick?: Notice;
  /** What is said where it is done in time, with little in hand. */
  readonly tight?: Notice;
  /** What is said where it begins in time and is over only while it is placed; washing and abrading are, else. */
  readonly over?: Notice;
  readonly ways?: (step: PlannedStep, c: JudgeContext) => Finding['ways'];
}
const LATE: readonly LateRow[] = [
  { of: 'open', says: F['late:open'], quick: F['late:hands'], tight: F['tight:close'] },
  { of: 'use-by', role: 'close', says: F['late:use-by'], quick: F['late:hands'], tight: F['tight:close'] },
  { of: 'use-by', says: F['late:tool'] },
  { of: 'primer-wet', says: F['late:primer-wet'], quick: F['late:primer-hands'] },
  { of: 'bare', says: F['late:bare'] },
  { of: 'wash-until', begins: true, says: F['late:wash-until'], quick: F['late:wash-hands'] },
  { of: 'gel', below: true, begins: true, says: F['late:gel-under'], quick: F['late:gel-hands'], over: F['tight:gel'] },
  { of: 'gel', says: F['late:gel'], quick: F['late:gel-hands'] },
  { of: 'sandable-until', says: F['late:glass'], ways: earlier },
];

/** How a step is told that comes too late; undefined where something is done about it instead. */
export const lateRowOf = (of: MilestoneId, { role, below }: { readonly role: Role; readonly below: boolean }) =>
  LATE.find((row) => row.of === of && (!row.role || row.role === role) && (!row.below || below));

/** When what a step waits for is reached; its own begin where it waits for nothing. */
const opensMs = ({ waitFor, startMs }: PlannedStep, { plan }: JudgeContext): number =>
  overLast(plan.milestones, waitFor?.kind)?.planMs ?? startMs;

/** Hours of work from the day before an instant until another. */
const hoursUntil = ({ job }: JudgeContext, fromMs: number, untilMs: number) =>
  windowsOver(job, fromMs - DAY_MS, untilMs).filter((w) => w.fromMs < untilMs);

/** A start that brings the window of a step into the hours before it; none where the work has begun or that is gone. */
function earlier(step: PlannedStep, c: JudgeContext): Finding['ways'] {
  const [first] = c.plan.steps;
  const from = opensMs(step, c);
  const untilMs = step.dueMs ?? step.endMs;
  const needMs = step.endMs - step.startMs;
  const hours = hoursUntil(c, from, untilMs).at(-1);
  if (!hours || untilMs - from < needMs || c.plan.steps.some((s) => s.begunAt !== null || s.doneAt !== null)) return [];
  const backMs = from + needMs - Math.min(hours.toMs, untilMs);
  const startMs = Math.floor((first!.startMs - backMs) / STEP_MS) * STEP_MS;
  return backMs > 0 && startMs >= Math.max(hours.fromMs, c.nowMs)
    ? [{ say: WAY.earlier({ from: at(startMs) }), set: { path: ['plannedStart'], value: startMs } }]
    : [];
}

/** What comes too late for its working time, and what comes just in time. */
export const lateRules: Readonly<Record<string, Rule>> = {
  late: (c) =>
    c.plan.steps.flatMap((s) => {
      const row =
        s.lateFor &&
        !RENEWS[s.lateFor] &&
        !isAsked(c, s) &&
        lateRowOf(s.lateFor, { role: s.role, below: s.within?.kind !== s.lateFor });
      if (!row) return [];
      const ours = row.quick ? oursBefore(s, row.begins ? s.startMs : s.endMs, c.plan, c.repair.settings) : [];
      const oursMs = ours.reduce((ms, o) => ms + o.endMs - o.startMs, 0);
      const leftMs = oursMs - s.lateMs;
      // Hours are told in whole minutes: what is left is less than what is planned, and reads so.
      const leftMin = leftMs < HOUR_MS ? leftMs / 60_000 : Math.ceil(leftMs / 60_000) - 1;
      const [from, untilMs] = [opensMs(s, c), s.dueMs ?? s.endMs];
      const worked = hoursUntil(c, from, untilMs).some((w) => w.toMs > from);
      const told = {
        step: s.title,
        start: at(s.startMs),
        end: at(s.endMs),
        over: minutes(s.lateMs / 60_000),
        left: minutes(leftMin),
        ours: minutes(oursMs / 60_000),
        steps: listed(ours.map(({ title }) => SAY.step({ title }))),
        n: ours.length,
        from: at(from),
        until: at(untilMs),
        closed: worked ? 'no' : 'yes',
        crossed: from > untilMs ? 'yes' : 'no',
      };
      return [(row.quick && leftMs > 0 ? row.quick : row.says)(told, { of: s.id, ways: row.ways?.(s, c) })];
    }),

  missed: ({ plan }) =>
    plan.steps.flatMap(({ id, missed, doneAt, endMs }) =>
      missed && missed.mixByMs === null && doneAt === null
        ? [
            F.missed(
              {
                open: missed.fromMs !== null && missed.fromMs < missed.untilMs ? 'yes' : 'no',
                from: at(missed.fromMs ?? missed.untilMs),
                until: at(missed.untilMs),
                closed: missed.whileClosed ? 'yes' : 'no',
                start: at(endMs),
              },
              { of: id },
            ),
          ]
        : [],
    ),

  tight: ({ plan }) =>
    plan.steps.flatMap(({ insideUntilMs, doneAt, gate }) => {
      if (insideUntilMs === null || doneAt !== null) return [];
      // The first of what is placed is what lies on the pass below.
      const endMs = plan.steps.findLast(
        (s) => s.marks?.end?.includes('placed') && plan.batches[s.batch ?? 0]?.portion === 0,
      )?.endMs;
      if (endMs === undefined) return [];
      const left = insideUntilMs - endMs;
      if (left > TIGHT_MS) return [];
      const told = { end: at(endMs), until: at(insideUntilMs), left: minutes(Math.max(0, Math.floor(left / 60_000))) };
      if (left >= 0) return [F.tight(told)];
      // What was to join wet in wet is not joined by washing and abrading.
      const row = gate?.until ? lateRowOf(gate.until, { role: 'place', below: true }) : undefined;
      return [(row?.over ?? F['tight:over'])(told)];
    }),

  'tight:close': ({ plan }) =>
    plan.steps.flatMap((s) => {
      const row = s.within && lateRowOf(s.within.kind, { role: s.role, below: false });
      if (!row?.tight || s.doneAt !== null || s.lateFor !== null || s.dueMs === null) return [];
      const spread = plan.steps.find(
        (x) => x.marks?.end?.includes('placed') && x.part === s.part && x.passId === s.passId,
      );
      const left = s.dueMs - s.endMs;
      if (!spread || left > TIGHT_MS || left > TIGHT_SHARE * (s.dueMs - spread.startMs)) return [];
      const told = { left: left < MIN_MS ? 'none' : 'some', in: minutes(Math.max(0, left) / MIN_MS) };
      return [row.tight({ step: s.title, end: at(s.endMs), ...told }, { of: s.id })];
    }),

  'bare-again': ({ plan }) =>
    plan.steps.flatMap(({ id, doneAt, missed, startMs, endMs }) =>
      missed && missed.mixByMs !== null && doneAt === null
        ? [
            F['bare-again'](
              { until: at(missed.untilMs), takes: minutes((endMs - startMs) / 60_000), mixBy: at(missed.mixByMs) },
              { of: id },
            ),
          ]
        : [],
    ),
};
