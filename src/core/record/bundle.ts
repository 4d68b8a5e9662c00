import { dequal } from 'dequal';
import { besideOf, byRank, type Finding, judge, type StageState, stageStates, type WetFace, wetFaces } from '../judge';
import { STAGES, type Stage } from '../method';
import {
  type Actuals,
  type Away,
  bearing,
  type ChainPlan,
  FIRST_PASS,
  type Job,
  type JobPlan,
  type JobsBefore,
  liesOn,
  NO_POTS,
  NONE_BEFORE,
  opensAbove,
  type Piece,
  type PlanStop,
  type Pots,
  type Promised,
  passesUnder,
  passKey,
  pieceName,
  pieceOf,
  piecesOf,
  planJob,
  type Repair,
  type RepairPlan,
} from '../plan';
import type { SheetRevision, Stock } from '../system';
import type { Change } from './changes';
import type { Event } from './event';
import { foldEvents } from './fold';
import { frozenOf, type KeptPlan, planOf } from './frozen';
import { jobsBefore, promisedBy, type YardAsk } from './yard';

/** Everything of one job, as the store and the job file hold it. */
export interface Bundle {
  readonly job: Job;
  readonly repairs: readonly Repair[];
  readonly sheets: readonly SheetRevision[];
  readonly stock: readonly Stock[];
  readonly events: readonly Event[];
  /** Plans kept when work began: what is worked by. A bundle without them plans from the drafts. */
  readonly snapshots?: readonly KeptPlan[];
}

/** A job among the others of the yard, of the same sheets and shelf. */
export interface JobInYard extends Bundle {
  /** All jobs, this one among them: what goes before it takes of its crew and its lots. Alone where nothing is said. */
  readonly yard?: readonly Bundle[];
}

/** One pass with its plan and what happened. */
export interface PlannedPass {
  readonly repair: Piece;
  readonly plan: RepairPlan;
  readonly actuals: Actuals;
}

/** The same, and what was noticed. */
export interface PassView extends PlannedPass {
  readonly findings: readonly Finding[];
  readonly states: Readonly<Record<Stage, StageState>>;
}

/** A repair with its plan over all passes; what belongs to one pass is read from `passes`. */
export interface PlannedRepair extends PlannedPass {
  readonly draft: Repair;
  readonly plan: ChainPlan;
  readonly passes: readonly PlannedPass[];
  /** What was changed in the draft since the work began, and is not worked by. */
  readonly changes: readonly Change[];
}

/** The same, judged. */
export interface RepairView extends PlannedRepair, PassView {
  readonly plan: ChainPlan;
  readonly passes: readonly PassView[];
}

/** A job with the plans of all its repairs. */
export interface PlannedJob<R extends PlannedRepair = PlannedRepair> {
  readonly job: Job;
  readonly plan: JobPlan;
  readonly repairs: readonly R[];
}

/** The same, all of them judged. */
export type JobView = PlannedJob<RepairView>;

/** A job as one looks at one repair of it: all are planned, and that one is judged. */
export interface JobAtRepair extends PlannedJob {
  /** Null where the job has no such repair. */
  readonly at: RepairView | null;
}

/** What was read and found in a plan: one object as long as nothing it was made from changes, events among it. */
const read = new WeakMap<ChainPlan, PlannedRepair>();
const seen = new WeakMap<
  PlannedRepair,
  {
    readonly sheets: readonly SheetRevision[];
    readonly stock: readonly Stock[];
    readonly others: Others;
    readonly view: RepairView;
  }
>();

/** What of the other repairs of the job bears on the judgement of one. */
interface Others {
  readonly beside: readonly WetFace[];
  readonly mixerGoesOn: boolean;
  readonly away: readonly Away[];
}

/** Whether the same faces lie wet at the same hours, the mixer goes on or does not, and the crew is away as it was. */
const sameOthers = ({ beside: a, mixerGoesOn, away }: Others, { beside: b, ...then }: Others) =>
  mixerGoesOn === then.mixerGoesOn &&
  dequal(away, then.away) &&
  a.length === b.length &&
  a.every((w, i) => {
    const x = b[i]!;
    return w.repairId === x.repairId && w.name === x.name && w.fromMs === x.fromMs && w.untilMs === x.untilMs;
  });

const same = <T>(a: readonly T[], b: readonly T[]) => a.length === b.length && a.every((x, i) => x === b[i]);

/** Findings of a pass of several bear its name; what is asked once of the whole place is not said twice. */
function named(
  findings: readonly Finding[],
  { passId, name }: { readonly passId: string; readonly name: string },
  before: readonly Finding[],
): readonly Finding[] {
  return findings.flatMap((f) => {
    if (f.once || f.stage === 'inspect') return before.some((b) => b.id === f.id) ? [] : [f];
    return [{ ...f, id: passId === FIRST_PASS ? f.id : `${passId}/${f.id}`, passId, passName: name }];
  });
}

const WORST: readonly StageState[] = ['stop', 'caution', 'open', 'done'];

/** A stage is as far as the pass that is furthest behind in it. */
const together = (all: readonly PassView['states'][]): PassView['states'] =>
  Object.fromEntries(
    STAGES.map((stage) => [stage, WORST.find((state) => all.some((s) => s[stage] === state))!]),
  ) as PassView['states'];

/** A pass as drafted, with what was worked out of it; as planned where the draft no longer has it. */
function draftPiece(draft: Repair, planned: Piece): Piece {
  if (!Object.hasOwn(draft.passes, planned.passId)) return planned;
  const piece = pieceOf(draft, planned.passId);
  return piece.takes.from === 'own' ? piece : { ...piece, void: planned.void, meets: planned.meets };
}

function plannedRepair(
  plan: ChainPlan,
  draft: Repair,
  changes: readonly Change[],
  actuals: ReadonlyMap<string, Actuals>,
): PlannedRepair {
  const known = read.get(plan);
  if (known?.draft === draft) return known;
  const passes = plan.passes.map((p) => ({
    repair: draftPiece(draft, p.piece),
    plan: p,
    actuals: actuals.get(passKey(p.piece))!,
  }));
  const [first] = passes;
  const made = { draft, repair: first!.repair, plan, actuals: first!.actuals, passes, changes };
  read.set(plan, made);
  return made;
}

/** Whether two passes stop for want of the same time. */
const sameStop = (a: PlanStop, b: PlanStop | null): boolean =>
  a.passId === b?.passId && a.kind === b.kind && a.step.id === b.step.id;

function judgedPasses(
  { job, sheets, stock }: Bundle,
  of: PlannedRepair,
  nowMs: number,
  others: Others,
): readonly PassView[] {
  const passes: PassView[] = [];
  for (const [i, pass] of of.passes.entries()) {
    const { plan, actuals } = pass;
    const next = of.passes[i + 1]?.plan.piece;
    const covered = next !== undefined && liesOn(next, plan.passId);
    const borneElsewhere = bearing(of.plan, plan.piece.load).passId !== plan.passId;
    const stopsBelow = of.passes.slice(0, i).some((p) => p.plan.stop !== null && sameStop(p.plan.stop, plan.stop));
    const context = {
      job,
      repair: plan.piece,
      plan,
      actuals,
      sheets,
      stock,
      nowMs,
      ...others,
      covered,
      borneElsewhere,
      stopsBelow,
    };
    const before = passes.flatMap((x) => x.findings);
    const name = pieceName(plan.piece, passes.length);
    const found = judge(context);
    const findings = of.passes.length === 1 ? found : named(found, { passId: plan.passId, name }, before);
    passes.push({ ...pass, findings, states: stageStates(context, findings) });
  }
  return passes;
}

function viewRepair(bundle: Bundle, of: PlannedRepair, nowMs: number, others: Others): RepairView {
  const { sheets, stock } = bundle;
  const known = seen.get(of);
  // The same plan of the same draft was judged before; only another shelf could change what is found in it.
  const shelf = known && same(known.sheets, sheets) && same(known.stock, stock);
  if (known && shelf && sameOthers(known.others, others)) return known.view;
  const passes = judgedPasses(bundle, of, nowMs, others);
  const [first] = passes;
  const view = {
    ...of,
    passes,
    findings: passes.length === 1 ? first!.findings : byRank(passes.flatMap((p) => p.findings)),
    states: passes.length === 1 ? first!.states : together(passes.map((p) => p.states)),
  };
  seen.set(of, { sheets, stock, others, view });
  return view;
}

/** What a plan was made with that was kept before versions were. */
const BEFORE_VERSIONS = '0.0';

/** The jobs of the yard, as each is planned with what those before it take. */
function yardAsk(jobs: readonly Bundle[], nowMs: number, pots: Pots): YardAsk<Bundle> {
  const lots = new Set(jobs.flatMap(({ stock }) => stock.map((lot) => lot.systemId)));
  return {
    jobs,
    onShelf: new Set(jobs.flatMap(({ sheets }) => sheets.flatMap((s) => (lots.has(s.systemId) ? s.id : [])))),
    plan: (of, before) => planned(of, nowMs, pots, before).plan,
  };
}

/** What all open jobs of the yard take of the shelf, in turn. */
export const promisedInYard = (jobs: readonly Bundle[], nowMs: number, pots: Pots = NO_POTS): readonly Promised[] =>
  promisedBy(yardAsk(jobs, nowMs, pots));

/** What the jobs before this one in the yard take. */
const beforeOf = (bundle: JobInYard, nowMs: number, pots: Pots): JobsBefore =>
  bundle.yard && bundle.yard.length > 1 ? jobsBefore(bundle, yardAsk(bundle.yard, nowMs, pots)) : NONE_BEFORE;

/** Plans a job from its drafts and its record; how each of its repairs is judged where somebody asks. */
function planned(bundle: JobInYard, nowMs: number, pots: Pots, before = beforeOf(bundle, nowMs, pots)) {
  const { job, repairs, sheets, stock } = bundle;
  const frozen = new Map(repairs.map((r) => [r.id, frozenOf(r, bundle.events, bundle.snapshots ?? [])]));
  const worked = repairs.map((r) => frozen.get(r.id)?.repair ?? r);
  const madeWith = new Map(
    repairs.map((r) => {
      const kept = planOf(r.id, bundle.events, bundle.snapshots ?? []);
      return [r.id, kept ? (kept.coreVersion ?? BEFORE_VERSIONS) : null];
    }),
  );
  const actuals = new Map(
    worked.flatMap((r) => {
      const version = madeWith.get(r.id) ?? null;
      const chain = piecesOf(r);
      return chain.map((p) => {
        const under = opensAbove(version) ? passesUnder(chain, p.passId) : undefined;
        return [passKey(p), { ...foldEvents(bundle.events, p.id, p.passId, under), madeWith: version }] as const;
      });
    }),
  );
  const plan = planJob({ job, repairs: worked, sheets, stock, actuals, nowMs, pots, before });
  const drafts = new Map(repairs.map((r) => [r.id, r]));
  const wet = wetFaces(plan.repairs);
  const takenOn = new Set(plan.repairs.map((p) => p.passes[0]?.context?.mixerOn?.repairId));
  return {
    plan,
    repairs: plan.repairs.map((p) =>
      plannedRepair(p, drafts.get(p.repairId)!, frozen.get(p.repairId)?.changes ?? [], actuals),
    ),
    judged: (of: PlannedRepair) =>
      viewRepair(bundle, of, nowMs, {
        beside: besideOf(wet, of.plan),
        mixerGoesOn: takenOn.has(of.draft.id),
        away: before.away,
      }),
  };
}

/**
 * Plans and judges a job at an instant, from its drafts and its record. Pure: the same bundle, instant and pots give
 * the same view.
 */
export function viewJob(bundle: JobInYard, nowMs: number, pots: Pots = NO_POTS): JobView {
  const { plan, repairs, judged } = planned(bundle, nowMs, pots);
  return { job: bundle.job, plan, repairs: repairs.map(judged) };
}

/** The same for whoever looks at one repair: what is found in the others, a fifth of the work, nobody reads there. */
export function viewJobAt(repairId: string, bundle: JobInYard, nowMs: number, pots: Pots = NO_POTS): JobAtRepair {
  const { plan, repairs, judged } = planned(bundle, nowMs, pots);
  const at = repairs.find((r) => r.draft.id === repairId);
  return { job: bundle.job, plan, repairs, at: at ? judged(at) : null };
}
