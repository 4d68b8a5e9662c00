import { ENGINES, RELEASE, type StepDraft, stepFrom, TOOL_IDS, WET_ROLES } from '../method';
import { attempt, type Problem, type Said } from '../say';
import { FAMILIES, type MilestoneId } from '../system';
import type { Window } from './calendar';
import { derive, servedBy } from './derive';
import { attempted } from './extra-steps';
import { isTied, liesOn } from './gates';
import type { Hands } from './hands';
import type { Laying } from './lay-ask';
import { layingOf } from './laying';
import { foundOn, isBefore, isCovered, keptOff } from './on-face';
import { upTo } from './pass-clocks';
import { preparePass, type ReadyPass } from './plan-pass';
import type { Piece } from './repair';
import type { ChainPlan, RepairAsk, RepairPlan } from './repair-plan';
import type { PlanStop } from './stand-in';
import { workedAt } from './step-time';
import { takenVoid } from './taken-void';
import { type ToolHold, toolLacks } from './tools';
import { toolsHeld } from './tools-held';
import { awaited, withTools } from './within-tools';

const MIN_MS = 60_000;
const DAY_MS = 86_400_000;

/** What each pass is planned from, in the order they are worked. Hands are the job's: one list for all. */
export type PassAsk = Omit<RepairAsk, 'hands'>;

/** A pass of a chain while it is planned. */
interface Going {
  readonly ask: RepairAsk;
  readonly plan: RepairPlan;
  readonly ready: ReadyPass | null;
  readonly laying: Laying | null;
  /** Why it has no times although it is all there. */
  readonly problem: Problem | null;
}

/**
 * Plans a repair as a chain of passes on one clock: the wet work of each after that of the one before it, as its gate
 * says; what is done once they have set fits in between and after; the tests come last, when all of them bear what the
 * repair must.
 */
export function planChain(asks: readonly PassAsk[], taken: Hands, tools: readonly ToolHold[] = []): ChainPlan {
  const all = new Map(asks.map((a) => [a.repair.passId, a.repair]));
  const { going, done, clash, waits } = withTools(asks, tools, (notBefore) => {
    const hands = taken.fork();
    const going: Going[] = [];
    for (const ask of asks)
      going.push(begun(notBefore ? { ...ask, hands, notBefore } : { ...ask, hands }, going, all, asks));
    return { going, done: ended(going) };
  });
  const holds = toolsHeld(done);
  const lacks = [...toolLacks(holds, asks[0]!.job.atHand), ...awaited(clash, asks)];
  const plan = chainOf(done, { holds, lacks, awaits: waits });
  laidOut.set(plan, { going, taken, tools });
  return plan;
}

/** The block in which a place is prepared. */
const PREPARED = 'prep';

/** Where nothing tells how a place is prepared. */
const NOT_PREPARED = { work: [], throws: false } as const;

/** How the place of a repair is prepared, before anything of it is mixed. */
export interface Preparation {
  /** When it is worked at. */
  readonly work: readonly Window[];
  /** It throws dust or water about. */
  readonly throws: boolean;
}

/** The preparing of a place: the first steps of its plan, without the rest. */
export function preparationOf(asks: readonly PassAsk[], taken: Hands): Preparation {
  const [first] = asks;
  if (!first) return NOT_PREPARED;
  const ask: RepairAsk = { ...first, hands: taken.fork() };
  const { ready } = preparePass(ask, { below: null, readyMs: null, onFace: false, roughly: true });
  if (!ready) return NOT_PREPARED;
  const laying = layingFor(ask, ready, null, false);
  const drafts = ready.wet.slice(0, ready.wet.findLastIndex((d) => d.block === PREPARED) + 1);
  const laid = attempt(() => laying.run(drafts));
  if (!laid.ok) return NOT_PREPARED;
  const steps = laying.steps.filter((s) => s.block === PREPARED);
  return { work: steps.flatMap(workedAt), throws: steps.some((s) => s.throws !== undefined) };
}

/** A minute between two steps is no pause. */
const PAUSE_MS = MIN_MS;

/**
 * When the hands are still busy with the wet work they are at, were there nothing else: what follows what was touched
 * last without a pause, up to where it may rest or is left to set.
 */
export function wetInHand(asks: readonly PassAsk[], taken: Hands): readonly Window[] {
  const { steps } = planChain(asks, taken);
  const touched = steps.findLastIndex((s) => s.doneAt !== null || s.begunAt !== null);
  const out: Window[] = [];
  for (const [i, s] of steps.entries()) {
    if (i < touched || s.doneAt !== null) continue;
    // Who lingers has it in hand all the same.
    const from = i === touched ? s.startMs : Math.max(steps[i - 1]!.endMs, asks[0]!.nowMs);
    const goesOn = WET_ROLES.has(s.role) && !s.afterRest && s.startMs - from <= PAUSE_MS;
    if (!goesOn) break;
    out.push(...workedAt(s));
  }
  return out;
}

/** The clock of a ready pass with nothing on it yet. */
const layingFor = (ask: RepairAsk, ready: ReadyPass, below: Laying | null, endAlone: boolean): Laying =>
  layingOf({
    ask,
    sheet: ready.sheet,
    method: ready.method,
    context: ready.context,
    reachOf: ready.reachOf,
    shares: ready.shares,
    lastBatch: Math.max(0, ...ready.wet.map((d) => d.batch ?? 0)),
    hands: ask.hands,
    below,
    endAlone,
  });

/**
 * What a plan was laid out from, to lay it out from another beginning. It belongs to no result: a plan is plain data.
 */
const laidOut = new WeakMap<
  ChainPlan,
  { readonly going: readonly Going[]; readonly taken: Hands; readonly tools: readonly ToolHold[] }
>();

/** What is done once the passes have set, of each as it becomes free, and the tests that open the repair. */
function ended(going: readonly Going[]): readonly Going[] {
  for (const [i, g] of going.entries()) {
    if (!g.laying || !g.ready) continue;
    // What was cut off with what lies on it stands there already.
    const cut = new Set(g.laying.untimed.map((d) => d.id));
    const { repair, actuals } = g.ask;
    const next = going[i + 1]?.ask.repair;
    const over = next && liesOn(next, repair.passId) ? next : null;
    const rest = g.ready.finish.filter(
      (d) => !g.laying!.laid.has(d.id) && !cut.has(d.id) && !(over && isCovered(over, d, actuals)),
    );
    const tried = attempt(() => g.laying!.run(rest));
    if (!tried.ok) return going.map((x) => (x === g ? { ...x, problem: tried.problem } : x));
  }
  const released = attempt(() => release(going));
  return released.ok ? going : [...going.slice(0, -1), { ...going.at(-1)!, problem: released.problem }];
}

/**
 * When a repair would be open, were its work begun at another instant: the same steps of the same amounts, laid out by
 * the same scheduler.
 * @param startMs the first of its steps not before this
 * @returns null where it stops for want of a time, or never opens within the weather and hours that are known;
 *   undefined for a plan
 *   that has not been laid out
 */
export function opensFrom(plan: ChainPlan, startMs: number): number | null | undefined {
  const kept = laidOut.get(plan);
  if (!kept || kept.going.some((g) => !g.ready)) return undefined;
  // Steps are kept only where they are read again for the tools they take.
  const counted = TOOL_IDS.some((tool) => kept.going[0]!.ask.job.atHand[tool] !== null);
  const { failed, done } = withTools(
    kept.going.map((g) => g.ask),
    kept.tools,
    (notBefore) => {
      const hands = kept.taken.fork();
      const again: Going[] = [];
      for (const { ask: was, plan: planned, ready } of kept.going) {
        const { notBefore: _, ...rest } = was;
        const repair = again.length ? was.repair : { ...was.repair, plannedStart: startMs };
        const ask: RepairAsk = { ...rest, hands, repair, ...(notBefore ? { notBefore } : {}) };
        const next = kept.going[again.length + 1]?.ask.repair;
        const laid = wetWork(ask, planned, ready!, again.at(-1) ?? null, next, !counted);
        if (laid.problem) return { failed: true, done: [] };
        again.push(laid);
      }
      return { failed: false, done: ended(again) };
    },
  );
  const last = done.at(-1);
  return failed || !last || last.problem || !last.laying || last.laying.stop ? null : last.laying.cursor;
}

/**
 * The same repair among the same others with one of its passes asked anew: another system, another kit.
 * @returns null for a plan that was not laid out here
 */
export function replanned(plan: ChainPlan, passId: string, anew: (was: PassAsk) => PassAsk): ChainPlan | null {
  const kept = laidOut.get(plan);
  const asks = kept?.going.map(({ ask: { hands: _, notBefore: __, ...was } }) =>
    was.repair.passId === passId ? anew(was) : was,
  );
  return kept && asks ? planChain(asks, kept.taken, kept.tools) : null;
}

/** Whether the hands were planned for other repairs before this one. */
export const sharesHands = (plan: ChainPlan): boolean => laidOut.get(plan)?.taken.isBusy ?? false;

/** A pass with its wet work on the clock. */
function begun(
  ask: RepairAsk,
  before: readonly Going[],
  all: ReadonlyMap<string, Piece>,
  asks: readonly PassAsk[],
): Going {
  const below = before.at(-1) ?? null;
  const { repair } = ask;
  const onFace = below !== null && isTied(repair);
  const taken = attempt(() => takenVoid(repair, all));
  const under = below?.ready && onFace ? FAMILIES[below.ready.sheet.family].layer : null;
  const here: RepairAsk =
    taken.ok && onFace
      ? {
          ...ask,
          repair: { ...repair, void: taken.value, meets: { ...repair.meets, under: repair.meets.under ?? under } },
        }
      : ask;
  const readyMs = below?.laying ? below.laying.cursor : null;
  const { plan, ready } = preparePass(here, {
    below: below?.laying ?? null,
    keepsOff: below?.ready ? keptOff(below.ready.method, ask.actuals) : null,
    found: foundOn(repair, below, ask.actuals),
    readyMs,
    onFace,
  });
  const lacks = (problem: Problem | null): Going => ({ ask: here, plan, ready: null, laying: null, problem });
  if (!taken.ok) return lacks({ ...taken.problem });
  // Nothing has a time on top of what has none.
  if (!ready || (below && !below.laying)) return lacks(null);
  const next = asks[asks.findIndex((a) => a.repair.passId === repair.passId) + 1]?.repair;
  return wetWork(here, plan, ready, below, next);
}

/** The wet work of a pass put on the clock, after that of the pass below. @param next the pass on top of it */
function wetWork(
  ask: RepairAsk,
  plan: RepairPlan,
  ready: ReadyPass,
  below: Going | null,
  next: Piece | undefined,
  endAlone = false,
): Going {
  const { repair } = ask;
  const laying = layingFor(ask, ready, below?.laying ?? null, endAlone);
  const covered = next !== undefined && liesOn(next, repair.passId);
  const first = covered ? [...ready.wet, ...ready.finish.filter((d) => isBefore(next, d, ask.actuals))] : ready.wet;
  if (below?.laying?.stop) {
    laying.cut(below.laying.stop, first);
    return { ask, plan, ready, laying, problem: null };
  }
  const before = ask.hands.fork();
  const laid = attempt(() => laying.run(first, below?.laying ? { readyMs: below.laying.cursor } : {}));
  if (laid.ok) return { ask, plan, ready, laying, problem: null };
  // What is not planned to its end keeps nobody from other work.
  ask.hands.restore(before);
  return { ask, plan, ready: null, laying: null, problem: laid.problem };
}

/** The tests that open it: when the last pass has what they wait for, and no other is behind. */
function release(going: readonly Going[]): void {
  const last = going.at(-1)!;
  if (!last.laying || !last.ready) return;
  const { method, context } = last.ready;
  const wanted = servesOf(last);
  const step = stepFrom(
    method,
    RELEASE,
    { ...context, batch: null },
    { task: 'release:tests', batch: null, attempt: 1 },
  );
  // A trouble with any of the passes has the tests done again.
  const doneAgain = going.flatMap((g) => g.ask.actuals.doneAgain).sort((a, b) => a.atMs - b.atMs);
  const draft: StepDraft = {
    ...attempted(step, { ...last.ask.actuals, doneAgain }),
    block: 'release',
    ...(context.effects.fixedWaitMin !== null
      ? { waitMin: context.effects.fixedWaitMin }
      : { waitFor: { kind: wanted.serves ?? wanted.wanted, batches: upTo(last.laying.lastBatch) } }),
  };
  let readyMs = Number.NEGATIVE_INFINITY;
  let stop: PlanStop | null = last.laying.stop;
  for (const g of going.slice(0, -1)) {
    const { laying } = g;
    if (!laying) continue;
    stop ??= laying.stop;
    const { serves } = servesOf(g);
    const wait = serves === null ? null : laying.waitOf(serves, upTo(laying.lastBatch));
    if (wait?.atMs === null) stop ??= laying.stopAt(draft, serves!, upTo(laying.lastBatch), wait.why);
    readyMs = Math.max(readyMs, laying.cursor, wait?.atMs ?? Number.NEGATIVE_INFINITY);
  }
  if (stop && !last.laying.stop) last.laying.cut(stop, [draft]);
  else last.laying.run([draft], Number.isFinite(readyMs) ? { readyMs } : {});
}

const servesOf = ({ ask, ready }: Going): { readonly wanted: MilestoneId; readonly serves: MilestoneId | null } => {
  const wanted = ask.repair.serves ?? ready!.method.serves;
  return { wanted, serves: servedBy(ready!.sheet, wanted) };
};

/** Plans of all passes as one. */
function chainOf(going: readonly Going[], tools: Pick<ChainPlan, 'holds' | 'lacks' | 'awaits'>): ChainPlan {
  const passes = going.map((g): RepairPlan => {
    const stage = g.problem && ({ takes: 'measure' }[g.problem.field.split('.')[0]!] as 'measure' | undefined);
    const plan = g.problem
      ? { ...g.plan, problems: [...g.plan.problems, { ...g.problem, stage: stage ?? ('place' as const) }] }
      : g.plan;
    if (!g.laying || !g.ready) return plan;
    const times = derive(g.ask, g.laying, g.ready.sheet, servesOf(g).serves, ENGINES[g.ready.method.engine]);
    // Only the last pass opens the repair.
    const mine = ({ passId }: { readonly passId: string }) => passId === plan.passId;
    const here = { lacks: tools.lacks.filter(mine), awaits: tools.awaits.filter(mine) };
    return { ...plan, ...times, ...here, ...(g === going.at(-1) ? {} : { openMs: null, inHandMin: null }) };
  });
  const last = passes.at(-1)!;
  if (passes.length === 1) return { ...last, passes, ...tools };
  const steps = passes.flatMap((p) => p.steps).sort((a, b) => a.startMs - b.startMs || a.endMs - b.endMs);
  const untimed = passes.flatMap((p) => p.untimed);
  const placed = passes.flatMap((p) => p.placedMs ?? []);
  const placedMs = placed.length ? Math.max(...placed) : null;
  const missing = passes.some((p) => p.placedMs === null || p.untimed.length > 0);
  const open: Record<string, readonly Said[]> = {};
  for (const p of passes)
    for (const [stage, texts] of Object.entries(p.open)) open[stage] = [...(open[stage] ?? []), ...(texts ?? [])];
  const { job } = going[0]!.ask;
  const openMs = missing ? null : last.openMs;
  return {
    ...last,
    passes,
    ...tools,
    open,
    problems: passes.flatMap((p) => p.problems),
    unanswered: passes.flatMap((p) => p.unanswered).filter((q, i, list) => list.findIndex((x) => x.id === q.id) === i),
    steps,
    untimed,
    stop: passes.find((p) => p.stop)?.stop ?? null,
    milestones: passes.flatMap((p) => p.milestones),
    placedMs,
    openMs,
    habitMs: placedMs === null || missing ? null : placedMs + DAY_MS,
    inHandMin: openMs !== null && job.wantedAt !== null ? (job.wantedAt - openMs) / MIN_MS : null,
    band: passes.flatMap((p) => p.band),
    overruns: passes.some((p) => p.overruns),
  };
}

/** Plans one pass by itself, as a repair of nothing else. */
export const planPass = (ask: RepairAsk): ChainPlan => planChain([ask], ask.hands);
