import { dequal } from 'dequal';
import { methodOf, TOOL_IDS } from '../method';
import { attempt, type Budget, meter, type Problem, texts } from '../say';
import type { SheetRevision, Stock } from '../system';
import { type Actuals, NOTHING_YET } from './actuals';
import { longestMs, type Window, windowsOver } from './calendar';
import { Hands } from './hands';
import type { Job } from './job';
import { jobKits, type SystemKits } from './job-kits';
import { type JobsBefore, NONE_BEFORE, shelfFor } from './jobs-before';
import { type LeftMixer, mixerBears, mixerFor, mixerLeft } from './mixer-on';
import { type PassAsk, type Preparation, planChain, preparationOf, wetInHand } from './plan-chain';
import { NO_POTS, type Pots } from './pots';
import { type AskedRepair, preparedFirst } from './prepared-first';
import { byReached, inHandOf, reachedIn } from './reached';
import { type Piece, passKey, piecesOf, type Repair } from './repair';
import { type ChainPlan, sameAsk, settingOf } from './repair-plan';
import { workedAt } from './step-time';
import { AHEAD_MS, type LaidOn, type SiteClimate, siteClimate, type Thermal, thermalOf } from './thermal';
import type { ToolHold } from './tools';

const WORDS = texts('plan-job', { 'of-repairs': 'A job of {n} repairs' });

export interface JobPlan {
  readonly jobId: string;
  readonly nowMs: number;
  /** First instant of the planned days: the earliest thing that happened or is planned. */
  readonly fromMs: number;
  readonly site: SiteClimate | null;
  readonly windows: readonly Window[];
  readonly repairs: readonly ChainPlan[];
  /** What the jobs before it were planned to take. */
  readonly before: JobsBefore;
  /** The prepared pots it was planned with. */
  readonly pots: Pots;
  /**
   * Kits over all repairs, system by system. Worked out when first asked for: a pulled temperature needs the clocks at
   * once.
   */
  readonly kits: () => readonly SystemKits[];
  /** Why kits could not be worked out; null where they could. */
  readonly kitProblem: () => Problem | null;
  /** Problems of the job itself: climate, hours, zone. */
  readonly problems: readonly Problem[];
}

export interface JobAsk {
  readonly job: Job;
  readonly repairs: readonly Repair[];
  readonly sheets: readonly SheetRevision[];
  readonly stock: readonly Stock[];
  /** What happened to each pass, by {@link passKey}. */
  readonly actuals: ReadonlyMap<string, Actuals>;
  readonly nowMs: number;
  /** What jobs that go before this one take of the hands and of the shelf. */
  readonly before?: JobsBefore;
  /** Prepared pots by sheet; a sheet without one is planned by the sheet's figure alone. */
  readonly pots?: Pots;
  /** What it may cost, in steps of work laid out, and whether it is still wanted. */
  readonly budget?: Budget;
}

/** Steps laid out over all repairs: some hundred large repairs, seconds of computing. */
const MOST_STEPS = 100_000;

const DAY_MS = 86_400_000;
const SHOWN_BEFORE_MS = 3 * DAY_MS;

/** What a repair was asked: its passes, and what the hands are busy with. */
interface ChainAsk {
  readonly passes: readonly PassAsk[];
  readonly hands: Hands;
  /** What the repairs before it hold of the site’s tools. */
  readonly tools: readonly ToolHold[];
}

/**
 * The last answer for each repair with what it was asked. Drafts are immutable: what is asked again in the same words
 * is answered again.
 */
type Answers<T> = WeakMap<Repair, { readonly ask: ChainAsk; readonly answer: T }>;
const plans: Answers<ChainPlan> = new WeakMap();
const onMixers: Answers<ChainPlan> = new WeakMap();
const preparations: Answers<Preparation> = new WeakMap();
/** The same where nothing else is on the hands. */
const alone: Answers<Preparation> = new WeakMap();
const atHand: Answers<readonly Window[]> = new WeakMap();

const samePass = (was: PassAsk, now: PassAsk): boolean => sameAsk(was, now) && dequal(was.actuals, now.actuals);

function once<T>(
  known: Answers<T>,
  repair: Repair,
  ask: ChainAsk,
  make: (passes: ChainAsk['passes'], hands: Hands, tools: ChainAsk['tools']) => T,
): T {
  const last = known.get(repair);
  if (last) {
    const { ask: was } = last;
    if (
      was.passes.every((p, i) => samePass(p, ask.passes[i]!)) &&
      was.hands.same(ask.hands) &&
      dequal(was.tools, ask.tools)
    )
      return last.answer;
  }
  const answer = make(ask.passes, ask.hands, ask.tools);
  known.set(repair, { ask, answer });
  return answer;
}

/** Site, hours and temperatures of a job: they stand as long as the job and its first instant do. */
interface Setting {
  readonly fromMs: number;
  readonly site: SiteClimate;
  readonly windows: readonly Window[];
  readonly thermals: WeakMap<
    Piece['base'],
    { readonly materialC: number | null; readonly laidMm: number | null; readonly thermal: Thermal }
  >;
}
const settings = new WeakMap<Job, Setting>();

function settingFor(job: Job, fromMs: number): Setting {
  const known = settings.get(job);
  if (known?.fromMs === fromMs) return known;
  const made: Setting = {
    fromMs,
    site: siteClimate(job, fromMs),
    windows: windowsOver(job, fromMs - 86_400_000, fromMs + AHEAD_MS - 86_400_000),
    thermals: new WeakMap(),
  };
  settings.set(job, made);
  return made;
}

/** The part that the method of a repair lays on its base, of the same material. */
function laidOn(repair: Piece): LaidOn | null {
  const method = methodOf(repair.method.id);
  if (!method?.laidOn) return null;
  const thicknessMm = settingOf(method, repair, method.laidOn);
  return thicknessMm > 0 ? { thicknessMm, material: repair.base.material } : null;
}

/** Temperatures of a repair, kept where no reading has changed them. */
function thermalIn({ site, thermals }: Setting, repair: Piece, actuals: Actuals): Thermal {
  const laid = laidOn(repair);
  if (actuals.readings.length || actuals.humidity.length) return thermalOf(site, repair, actuals, laid);
  const known = thermals.get(repair.base);
  const laidMm = laid?.thicknessMm ?? null;
  if (known?.materialC === repair.materialC && known.laidMm === laidMm) return known.thermal;
  const thermal = thermalOf(site, repair, actuals, laid);
  thermals.set(repair.base, { materialC: repair.materialC, laidMm, thermal });
  return thermal;
}

type Asked = AskedRepair & { readonly repair: Repair };

/** A plan as it goes on with the mixer that the repair before it leaves, where that bears the pause; else as it is. */
function withMixerOn(repair: Repair, ask: ChainAsk, plan: ChainPlan, left: LeftMixer | null): ChainPlan {
  const on = mixerFor(ask.passes, plan, left);
  if (!on) return plan;
  const [first, ...others] = ask.passes;
  const goesOn = once(onMixers, repair, { ...ask, passes: [{ ...first!, mixerOn: on }, ...others] }, planChain);
  return mixerBears(goesOn, on) ? goesOn : plan;
}

/** When each of a group that is prepared before the first is mixed is prepared: one after the other. */
function preparedEarly(group: readonly Asked[], hands: Hands): readonly (readonly Window[])[] {
  if (group.length < 2) return [];
  const preparing = hands.fork();
  return group.map(({ repair, passes }) => {
    const { work } = once(preparations, repair, { passes, hands: preparing.fork(), tools: [] }, preparationOf);
    for (const w of work) preparing.add(w);
    return work;
  });
}

/** When the hands are at what is wet: nobody leaves it for what another place waits for, though its turn be sooner. */
const goingOn = ({ repair, passes }: Asked): readonly Window[] =>
  once(atHand, repair, { passes, hands: Hands.of(), tools: [] }, wetInHand);

/** Kits a job has fetched from the shelf, by lot: what is fetched for a repair stands in the actuals of each pass. */
function fetchedOf({ repairs, actuals }: Pick<JobAsk, 'repairs' | 'actuals'>): ReadonlyMap<string, number> {
  const all = new Map<string, number>();
  for (const repair of repairs) {
    const [first] = piecesOf(repair);
    for (const [lot, n] of actuals.get(passKey(first!))?.taken ?? []) all.set(lot, (all.get(lot) ?? 0) + n);
  }
  return all;
}

/** Groups in the order in which they take the hands, wherever they stand in the order of the work. */
const inTurn = (groups: readonly (readonly Asked[])[]): readonly (readonly Asked[])[] => {
  const furthest = (group: readonly Asked[]) =>
    group.map((a) => a.reached).reduce((a, b) => (byReached(b, a) < 0 ? b : a));
  return [...groups].sort((a, b) => byReached(furthest(a), furthest(b)));
};

/**
 * Plans a whole job: repairs in their order, what has begun before what has not, one crew, inside the working hours. A
 * serial schedule: each repair takes the earliest time the ones before it leave free.
 */
export function planJob(ask: JobAsk): JobPlan {
  const { job, nowMs, pots = NO_POTS, before = NONE_BEFORE } = ask;
  const repairs = [...ask.repairs].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
  const happened = [...ask.actuals.values()].flatMap((a) =>
    [a.startedAt, ...a.begun.values(), ...a.done.values()].filter((t): t is number => t !== null),
  );
  const underWay = [...ask.actuals.values()].some((a) => a.startedAt !== null);
  // Work that is some days off shows the days until then as well; whole days, so that the answer holds as long as the
  // day.
  const today = Math.floor(nowMs / DAY_MS) * DAY_MS;
  const fromMs = Math.min(
    Math.max(today, job.startFrom - SHOWN_BEFORE_MS),
    ...happened,
    ...repairs.flatMap((r) => (r.plannedStart === null ? [] : [Math.max(today, r.plannedStart)])),
  );
  const set = attempt(() => settingFor(job, fromMs));
  if (!set.ok)
    return {
      jobId: job.id,
      nowMs,
      fromMs,
      site: null,
      windows: [],
      repairs: [],
      before,
      pots,
      kits: () => [],
      kitProblem: () => null,
      problems: [set.problem],
    };
  const { site, windows } = set.value;
  const hands = Hands.of(before.away);
  const problems: Problem[] = [];
  const spend = meter(ask.budget ?? { turns: MOST_STEPS }, 'repairs', WORDS['of-repairs']({ n: repairs.length }));
  let stopped = false;
  const asked = repairs.flatMap((repair) => {
    const passes = attempt(() =>
      piecesOf(repair).map((piece): PassAsk => {
        const actuals = ask.actuals.get(passKey(piece)) ?? NOTHING_YET;
        const sheet = ask.sheets.find((x) => x.id === piece.sheetId) ?? null;
        const thermal = thermalIn(set.value, piece, actuals);
        return {
          job,
          repair: piece,
          sheet,
          thermal,
          windows,
          actuals,
          nowMs,
          underWay,
          pots: (sheet && pots.get(sheet.id)) ?? null,
        };
      }),
    );
    if (passes.ok) {
      const told = passes.value.map((p) => p.actuals);
      return [{ repair, passes: passes.value, reached: reachedIn(told) }];
    }
    problems.push({ ...passes.problem, field: `${repair.id}.${passes.problem.field}` });
    return [];
  });
  const made: ChainPlan[] = [];
  let left: LeftMixer | null = null;
  const held: ToolHold[] = [];
  const counted = TOOL_IDS.some((tool) => job.atHand[tool] !== null);
  const prepared = ({ repair, passes }: Asked) =>
    once(alone, repair, { passes, hands: Hands.of(), tools: [] }, preparationOf);
  const groups = inTurn(preparedFirst(asked, prepared, longestMs(windows)));
  const inHand = inHandOf(asked);
  const going = inHand && groups[0]?.[0] !== inHand ? goingOn(inHand) : [];
  for (const group of groups) {
    const early = preparedEarly(group, hands);
    for (const [i, { repair, passes }] of group.entries()) {
      if (stopped) break;
      const taken = hands.fork();
      for (const s of early.slice(i + 1).flat()) taken.add(s);
      if (repair !== inHand?.repair) for (const w of going) taken.add(w);
      const asked = { passes, hands: taken, tools: counted ? [...held] : [] };
      const plan = withMixerOn(repair, asked, once(plans, repair, asked, planChain), left);
      left = mixerLeft(plan) ?? left;
      held.push(...plan.holds);
      for (const s of plan.steps) for (const w of workedAt(s)) hands.add(w);
      made.push(plan);
      const spent = attempt(() => spend(1 + plan.steps.length));
      if (!spent.ok) {
        // What is planned already stands; the rest is told to be missing.
        problems.push(spent.problem);
        stopped = true;
      }
    }
  }
  const turn = new Map(repairs.map((r, i) => [r.id, i]));
  made.sort((a, b) => turn.get(a.repairId)! - turn.get(b.repairId)!);
  let kits: ReturnType<typeof attempt<readonly SystemKits[]>> | undefined;
  const askKits = () => {
    kits ??= attempt(() =>
      jobKits(
        job,
        made.flatMap((p) => p.passes),
        shelfFor(ask.stock, before, fetchedOf(ask)),
        ask.sheets,
      ),
    );
    return kits;
  };
  return {
    jobId: job.id,
    nowMs,
    fromMs,
    site,
    windows,
    repairs: made,
    before,
    pots,
    kits: () => {
      const tried = askKits();
      return tried.ok ? tried.value : [];
    },
    kitProblem: () => {
      const tried = askKits();
      return tried.ok ? null : tried.problem;
    },
    problems,
  };
}
