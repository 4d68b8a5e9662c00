import { type Finding, findings, standingStops } from '../judge';
import { kindOfTest, type MethodTest, testsUnder } from '../method';
import {
  type Acceptance,
  type ChainPlan,
  MEASURED_KINDS,
  overLast,
  pieceName,
  reviewOf,
  servedLast,
  type TestReading,
  type Verdict,
  verdictOf,
} from '../plan';
import { minutes, type Said, texts, type Value } from '../say';
import { type MilestoneId, milestoneKind } from '../system';
import { placesIn } from '../void';
import type { PassView, RepairView } from './bundle';
import { toldFrom } from './running';

/** A test by hand, as it stands. */
export interface HandTest {
  /** How the record names it: by its pass, too, where it is not of the last. */
  readonly id: string;
  readonly test: MethodTest;
  /** The name of its pass, where there are several. */
  readonly of: string | null;
  readonly answer: 'yes' | 'no' | null;
  readonly atMs: number | null;
  /** It was answered before it could say anything: instant from which it can. */
  readonly tooEarly: number | null;
}

/** A test by figures, as it stands. */
export interface FigureTest {
  readonly id: string;
  readonly asked: Acceptance;
  readonly readings: readonly TestReading[];
  readonly verdict: Verdict;
}

/** How the record names a measured test. */
export const figureTestId = ({ id }: Pick<Acceptance, 'id'>): string => `asked/${id}`;

/** Nobody’s watch is better. */
const MINUTE_MS = 60_000;

/** What a pass must have reached before it can be found set, ms; null where that is not known. */
const setFrom = ({ plan }: PassView): number | null => servedLast(plan)?.planMs ?? null;

/** Tests by hand of all passes; of one that another lies on, those that can still be done. */
export function handTests({ passes, draft }: Pick<RepairView, 'passes' | 'draft'>): readonly HandTest[] {
  return passes.flatMap((pass, i) => {
    const { repair, plan, actuals } = pass;
    if (!plan.method) return [];
    const covered = passes.some((p) => p.repair.takes.from !== 'own' && p.repair.takes.of === repair.passId);
    const isLast = i === passes.length - 1;
    const from = setFrom(pass);
    return testsUnder(plan.method, { covered, noticed: draft.notice !== null }).map((test): HandTest => {
      const id = isLast ? test.id : `${repair.passId}/${test.id}`;
      const said = actuals.tests.get(id);
      const early =
        said?.answer === 'yes' && kindOfTest(test).proves === 'set' && from !== null && said.atMs < from - MINUTE_MS;
      return {
        id,
        test,
        of: passes.length > 1 ? pieceName(repair, i) : null,
        answer: said?.answer ?? null,
        atMs: said?.atMs ?? null,
        tooEarly: early && !actuals.overrides.has(EARLY_LOAD) ? from : null,
      };
    });
  });
}

/** Tests by figures that were asked for. A trouble with any pass makes them be read again. */
export function figureTests({ passes, draft }: Pick<RepairView, 'passes' | 'draft'>): readonly FigureTest[] {
  const places = Math.max(1, ...passes.map(({ repair: { void: v } }) => (v ? placesIn(v) : 1)));
  return draft.acceptance.map((asked): FigureTest => {
    const id = figureTestId(asked);
    const each = passes.map((p) => p.actuals.measured.get(id) ?? []);
    const readings = each.reduce((a, b) => (b.length < a.length ? b : a));
    return { id, asked, readings, verdict: verdictOf(asked, readings, places) };
  });
}

const F = findings({
  'early:load': {
    id: 'early',
    severity: 'stop',
    stage: 'release',
    title: 'Not before {at}',
    why: '{what} is not reached at this site’s temperatures; {left} to go.',
    todo: 'Leave the barrier up.',
  },
});
/** What a stop on loading before the computed time is about: the record overrides it by that name. */
const TESTS = 'release:tests';
const EARLY_LOAD = `early:${TESTS}`;

/** Loading before its time, as a stop; null once it may be, or where the time is not known. */
export function earlyLoad({ plan, actuals }: Pick<PassView, 'plan' | 'actuals'>, nowMs: number): Finding | null {
  const main = servedLast(plan);
  if (!main?.planMs || nowMs >= main.planMs || actuals.startedAt === null || actuals.released) return null;
  const told = { at: toldFrom(main.planMs, nowMs), what: main.label, left: minutes((main.planMs - nowMs) / 60_000) };
  return F['early:load'](told, { of: TESTS });
}

/** Milestones that let something onto the repair, one after the other. */
const OPENS: readonly MilestoneId[] = ['release', 'foot', 'light-load', 'load', 'dry', 'wet', 'full-cure'];

/** One use that a repair is opened for. */
export interface Opening {
  readonly kind: MilestoneId;
  readonly label: string;
  /** From when the first of its places bears it, and from when all of them do; null where that has no time. */
  readonly firstMs: number | null;
  readonly atMs: number | null;
}

/**
 * What a repair is opened for, use by use, each once however many places and passes have a clock of it. What would be
 * borne before its last pass lies in place is no opening: that pass is wet then.
 */
export function openingsOf({ milestones, placedMs }: Pick<ChainPlan, 'milestones' | 'placedMs'>): readonly Opening[] {
  const kinds = [...new Set(milestones.map((m) => m.kind))].filter((kind) => OPENS.includes(kind));
  return kinds.flatMap((kind) => {
    const last = overLast(milestones, kind)!;
    if (last.planMs !== null && placedMs !== null && last.planMs < placedMs) return [];
    const known = milestones.flatMap((m) => (m.kind === kind && m.planMs !== null ? [m.planMs] : []));
    return [{ kind, label: last.label, firstMs: known.length ? Math.min(...known) : null, atMs: last.planMs }];
  });
}

const KEEPS = texts('release', {
  begun: 'Work has not begun.',
  steps: '{n, plural, one {# step is not ticked} other {# steps are not ticked}}, next: “{next}”.',
  early: '{what} is reached later than now.',
  open: 'Test open: {ask}',
  failed: 'Test failed: {ask}',
  soon: 'Test again, it was answered too early to say anything: {ask}',
  figures: '{what}: {why}',
  stop: 'Stop: {title}.',
  review: 'Not reviewed by a competent person yet.',
  asked: '{by} was asked to see it and has not said yet.',
  refused: '{by} did not accept it.',
  notice: 'Notice {code}: {by} has not accepted it yet.',
  photo: 'Notice {code}: no photograph of it done.',
});

const ofTest = ({ answer, tooEarly, test: { ask } }: HandTest): readonly Said[] => {
  if (answer === null) return [KEEPS.open({ ask })];
  if (answer === 'no') return [KEEPS.failed({ ask })];
  return tooEarly === null ? [] : [KEEPS.soon({ ask })];
};

/** Steps that are not done, but for the test itself. */
const undoneSteps = ({ plan }: Pick<PassView, 'plan'>) =>
  [...plan.steps.filter((s) => s.doneAt === null), ...plan.untimed].filter((s) => s.stage !== 'release');

/** Tests that nobody has passed yet: the last step is not done before them. */
export const openTests = (view: Pick<RepairView, 'passes' | 'draft'>): readonly Said[] => [
  ...handTests(view).flatMap(ofTest),
  ...figureTests(view).flatMap(({ asked, verdict }) =>
    verdict.answer === 'yes'
      ? []
      : [KEEPS.figures({ what: MEASURED_KINDS[asked.kind].label, why: verdict.why as Value })],
  ),
];

/** What keeps a repair from being opened for one use: less than for all of it, never less than that it has set. */
export function obstaclesToOpen(view: RepairView, kind: MilestoneId, nowMs: number): readonly Said[] {
  const { plan, actuals, findings } = view;
  const it = overLast(plan.milestones, kind);
  const undone = undoneSteps(view).filter((s) => s.stage !== 'finish');
  const failed = figureTests(view).filter((t) => t.verdict.answer === 'no');
  /** A yes from before this use had come says nothing of it. */
  const before = ({ answer, atMs }: HandTest): number | null =>
    answer === 'yes' && atMs !== null && it?.planMs != null && atMs < it.planMs - MINUTE_MS ? it.planMs : null;
  return [
    ...(actuals.startedAt === null ? [KEEPS.begun()] : []),
    ...(undone.length ? [KEEPS.steps({ n: undone.length, next: undone[0]!.title })] : []),
    ...(it?.planMs == null || nowMs < it.planMs ? [KEEPS.early({ what: it?.label ?? kind })] : []),
    ...handTests(view).flatMap((t) =>
      t.answer === 'no' || kindOfTest(t.test).proves === 'set' ? ofTest({ ...t, tooEarly: before(t) }) : [],
    ),
    ...failed.map((t) => KEEPS.figures({ what: MEASURED_KINDS[t.asked.kind].label, why: t.verdict.why as Value })),
    ...standingStops(findings, actuals.overrides).map((f) => KEEPS.stop({ title: f.title })),
  ];
}

/** What still keeps a repair from being signed, in the order it is dealt with. */
export function obstaclesToRelease(view: RepairView, nowMs: number): readonly Said[] {
  const { plan, actuals, findings, draft } = view;
  const { inspection } = actuals;
  const main = servedLast(plan);
  const undone = undoneSteps(view);
  return [
    ...(actuals.startedAt === null ? [KEEPS.begun()] : []),
    ...(undone.length ? [KEEPS.steps({ n: undone.length, next: undone[0]!.title })] : []),
    ...(main?.planMs && nowMs < main.planMs && !actuals.overrides.has(EARLY_LOAD)
      ? [KEEPS.early({ what: main.label })]
      : []),
    ...openTests(view),
    ...standingStops(findings, actuals.overrides).map((f) => KEEPS.stop({ title: f.title })),
    ...(draft.notice && !inspection
      ? [KEEPS.notice({ code: draft.notice.code || '—', by: draft.notice.by || 'whoever wrote it' })]
      : []),
    ...(draft.notice && !actuals.shown.has('after') ? [KEEPS.photo({ code: draft.notice.code || '—' })] : []),
    ...(inspection?.state === 'asked' ? [KEEPS.asked({ by: inspection.by })] : []),
    ...(inspection?.state === 'refused' ? [KEEPS.refused({ by: inspection.by })] : []),
    ...(reviewNeeded(view) !== null && !actuals.reviewed ? [KEEPS.review()] : []),
  ];
}

/** Why a competent person has to look at it, for any of its passes; null where nobody has to. */
export function reviewNeeded({ passes }: Pick<RepairView, 'passes'>): string | null {
  for (const p of passes) {
    const why = reviewOf(p.repair, p.plan.method);
    if (why !== null) return why;
  }
  return null;
}

/**
 * Why what keeps people off may not come down yet; null where it may: the repair is released, or was never begun. A
 * use that was opened for itself is let through it.
 */
export function barrierHeld({ actuals }: Pick<RepairView, 'actuals'>): Said | null {
  if (actuals.startedAt === null || actuals.released) return null;
  return BARRIER.held({ opened: actuals.opened.size });
}

/** Whether people walk or drive over it, by whether its sheet says from when they may. */
export const isWalkedOn = ({ plan }: Pick<RepairView, 'plan'>): boolean =>
  plan.milestones.some((m) => milestoneKind(m.kind).walkedOn === true);

/** Whether something has to keep people off and nothing does: it lies in place, and may not be walked on or loaded. */
export function barrierMissing({ plan, actuals }: Pick<RepairView, 'plan' | 'actuals'>, nowMs: number): boolean {
  if (actuals.startedAt === null || actuals.released || actuals.barrier?.state === 'up') return false;
  const placed = plan.steps.some((s) => s.doneAt !== null && s.marks?.end?.includes('placed'));
  const main = servedLast(plan);
  return placed && isWalkedOn({ plan }) && (main?.planMs == null || main.planMs > nowMs);
}
const BARRIER = texts('barrier', {
  held: 'It stays until the repair is released{opened, plural, =0 {} other {; what it was opened for is let through it}}.',
});

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Why somebody cannot be the one from outside; null where they can. @param role in which the work is done here */
export const inspectorRefused = (by: string, role: string): Said | null =>
  same(by, role) ? SIGNS.outside({ role }) : null;

/** Why a release may not be signed in a role; null where it may. */
export function roleRefused({ actuals, passes }: Pick<RepairView, 'actuals' | 'passes'>, role: string): Said | null {
  if (reviewNeeded({ passes }) === null || !actuals.reviewed || !same(actuals.reviewed.role, role)) return null;
  return SIGNS.same({ role: actuals.reviewed.role });
}
const SIGNS = texts('signature', {
  outside: '{role} does the work here: whoever accepts it from outside is somebody else.',
  same: 'Reviewed in the role of {role}: whoever releases it is somebody else.',
});
