import { valueAt } from '../climate';
import { type Answer, defaultSchools, type Method, type MethodContext, methodOf, type Question, type StepDraft } from '../method';
import { amounts, type Batch, type MixResult, topUp } from '../mix';
import { clockOf, type Kit, MILESTONES, type Milestone, type MilestoneId, milestoneOf, type SheetRevision, type StartId } from '../system';
import { attempt, type Problem, refuse } from '../units';
import { measureVoid, SHAPES, unmeasuredIn, type VoidResult } from '../void';
import type { Actuals } from './actuals';
import { earliestSlot, type Window } from './calendar';
import type { Job, Repair } from './job';
import { type MilestoneTime, milestoneTime } from './milestone-times';
import { type Ask, asker } from './reach-try';
import type { Thermal } from './thermal';

/** A step with its time. */
export interface PlannedStep extends StepDraft {
  readonly startMs: number;
  readonly endMs: number;
  readonly begunAt: number | null;
  readonly doneAt: number | null;
  /** Why it could not start sooner. */
  readonly forcedBy: 'before' | 'crew or hours' | 'sheet' | 'chosen' | 'now';
  /** It begins after the window it should have met; the way out is part of its detail. */
  readonly lateFor: MilestoneId | null;
}

export type CureState = 'liquid' | 'gelled' | 'hardening' | 'set';

export interface RepairPlan {
  readonly repairId: string;
  readonly method: Method | null;
  readonly sheet: SheetRevision | null;
  readonly kit: Kit | null;
  readonly open: Readonly<Partial<Record<'inspect' | 'measure' | 'material' | 'mix' | 'place', readonly string[]>>>;
  readonly problems: readonly (Problem & { readonly stage: 'measure' | 'material' | 'mix' | 'place' })[];
  readonly unanswered: readonly Question[];
  readonly void: VoidResult | null;
  readonly context: MethodContext | null;
  readonly usableMin: number | null;
  readonly potC: number | null;
  readonly mix: MixResult | null;
  readonly batches: readonly Batch[];
  readonly steps: readonly PlannedStep[];
  readonly milestones: readonly MilestoneTime[];
  /** The milestone that opens it, by choice or method; null when the sheet has none. */
  readonly serves: MilestoneId | null;
  readonly placedMs: number | null;
  readonly openMs: number | null;
  readonly habitMs: number | null;
  readonly inHandMin: number | null;
  readonly band: readonly { readonly state: CureState; readonly fromMs: number; readonly toMs: number }[];
  readonly thermal: Thermal | null;
  readonly overruns: boolean;
}

const DAY_MS = 86_400_000;
const MIN_MS = 60_000;

export const schoolsOf = (method: Method, repair: Repair): Record<string, string> => ({ ...defaultSchools(method), ...repair.schools });
export const settingOf = (method: Method, repair: Repair, id: string): number =>
  repair.settings[id] ?? method.settings.find((s) => s.id === id)?.byDefault ?? 0;

/** What a repair still is before anything is known of it. */
function nothing(repair: Repair): RepairPlan {
  return {
    repairId: repair.id,
    method: null,
    sheet: null,
    kit: null,
    open: {},
    problems: [],
    unanswered: [],
    void: null,
    context: null,
    usableMin: null,
    potC: null,
    mix: null,
    batches: [],
    steps: [],
    milestones: [],
    serves: null,
    placedMs: null,
    openMs: null,
    habitMs: null,
    inHandMin: null,
    band: [],
    thermal: null,
    overruns: false,
  };
}

export interface RepairAsk {
  readonly job: Job;
  readonly repair: Repair;
  readonly sheet: SheetRevision | null;
  readonly thermal: Thermal;
  readonly windows: readonly Window[];
  /** Hands-on stretches of the crew so far. */
  readonly busy: readonly Window[];
  readonly actuals: Actuals;
  readonly nowMs: number;
}

/** Plans one repair as far as what is known allows; what is missing or impossible is said by stage, never thrown. */
export function planRepair(ask: RepairAsk): RepairPlan {
  const { repair, sheet, actuals } = ask;
  const method = methodOf(repair.method.id) ?? null;
  const empty = nothing(repair);
  if (!method) return { ...empty, open: { inspect: [`The method “${repair.method.id}” is not known here.`] } };
  const unanswered = method.questions.filter((q) => repair.answers[q.id] === undefined);
  const open: Record<string, readonly string[]> = {};
  const problems: (Problem & { stage: 'measure' | 'material' | 'mix' | 'place' })[] = [];
  if (unanswered.length) open.inspect = unanswered.map((q) => q.ask);

  let measured: VoidResult | null = null;
  if (!repair.void) open.measure = ['Choose the shape of the void.'];
  else {
    const missing = unmeasuredIn(repair.void);
    if (missing.length) open.measure = missing;
    else {
      const tried = attempt(() => measureVoid(repair.void!));
      if (tried.ok) measured = tried.value;
      else problems.push({ ...tried.problem, stage: 'measure' });
    }
  }
  const kit = sheet ? (sheet.kits.find((k) => k.id === repair.kitId) ?? sheet.kits[0] ?? null) : null;
  if (!sheet) open.material = ['Choose a system from the shelf.'];
  else if (!method.kinds.includes(sheet.kind))
    problems.push({
      stage: 'material',
      field: 'sheetId',
      value: sheet.kind,
      allowed: method.kinds.join(', '),
      sentence: `${sheet.name} does not serve “${method.label}”. Choose another system.`,
    });
  const main = repair.void?.shapes[0];
  if (measured && main && !method.shapes.includes(main.shape))
    problems.push({
      stage: 'measure',
      field: 'shapes.0.shape',
      value: main.shape,
      allowed: method.shapes.map((id) => SHAPES[id].label).join(', '),
      sentence: `“${method.label}” is not planned over ${SHAPES[main.shape].label.toLowerCase()}. The volume stands; choose another method, or another shape as the first.`,
    });
  const base: RepairPlan = { ...empty, method, sheet, kit, open, problems, unanswered, void: measured, thermal: ask.thermal };
  if (!measured || !sheet || !kit || problems.length) {
    open.mix = [...(measured ? [] : ['The void must be measured.']), ...(sheet && kit ? [] : ['A system must be chosen.'])];
    open.place = open.mix;
    return base;
  }

  const schools = schoolsOf(method, repair);
  const context: MethodContext = {
    sheet,
    void: repair.void!,
    measured,
    settingOut: repair.settingOut,
    base: repair.base.material,
    school: (id) => schools[id] ?? '',
    setting: (id) => settingOf(method, repair, id),
  };
  const reachOf = asker(sheet, ask.thermal);
  // Amounts depend on the pot's temperature, that on the hour, the hour on the steps before mixing. A first look lays out no more
  // than those; the second has the hour they lead to.
  const guess = repair.plannedStart ?? Math.max(ask.job.startFrom, actuals.startedAt ?? ask.nowMs);
  const prepare = (atMs: number) => {
    const { mix, usableMin, potC } = mixAt(context, method, repair, kit, ask.thermal, reachOf, atMs, actuals);
    const batches: Batch[] = [...mix.batches];
    for (const ml of actuals.topUpsMl) batches.push(topUp(mix, sheet, batches.length, ml));
    return { mix, usableMin, potC, batches };
  };
  const draft = (batches: readonly Batch[]) =>
    withTrouble(method.steps({ ...context, batches, portions: method.portions(context) }), actuals);
  const mixed = attempt(() => {
    const first = prepare(guess);
    if (actuals.usableMin !== null) return first;
    const look = attempt(() => layOut(ask, draft(first.batches), sheet, context, reachOf, true));
    const mixing = look.ok ? look.value.steps.find((s) => s.marks?.begin?.includes('mix-begins')) : undefined;
    return !mixing || Math.abs(mixing.startMs - guess) < 10 * MIN_MS ? first : prepare(mixing.startMs);
  });
  if (!mixed.ok) return { ...base, context, problems: [...problems, { ...mixed.problem, stage: 'mix' }] };
  const result: RepairPlan = { ...base, context, ...mixed.value };
  const laid = attempt(() => layOut(ask, draft(mixed.value.batches), sheet, context, reachOf));
  if (!laid.ok) return { ...result, problems: [...problems, { ...laid.problem, stage: 'place' }] };
  return { ...result, ...derive(ask, laid.value, sheet, context) };
}

/** Amounts with the pot life of the hour. */
function mixAt(
  context: MethodContext,
  method: Method,
  repair: Repair,
  kit: Kit,
  thermal: Thermal,
  reachOf: Ask,
  atMs: number,
  actuals: Actuals,
): { mix: MixResult; usableMin: number; potC: number } {
  const { sheet, measured } = context;
  const useBy = milestoneOf(sheet, 'use-by');
  const history = useBy?.runsOn === 'pot' ? thermal.pot : thermal.hot;
  const potC = attempt(() => valueAt(history, atMs));
  let usable = Number.POSITIVE_INFINITY;
  if (useBy) {
    const reached = reachOf(useBy, 'short', atMs);
    if (reached.atMs === null)
      refuse(
        'materialC',
        potC.ok ? potC.value : null,
        'a temperature the sheet answers for',
        reached.problem ?? 'The sheet gives no pot life for this temperature.',
      );
    const spent = useBy.startsAt === 'mix-begins' ? sheet.mixMin : 0;
    usable = (reached.atMs! - atMs) / MIN_MS - spent;
  } else usable = 30;
  if (actuals.usableMin !== null) usable = actuals.usableMin;
  const idle = milestoneOf(sheet, 'idle');
  const idleReach = idle ? reachOf(idle, 'short', atMs) : null;
  const school = context.school;
  const mix = amounts({
    sheet,
    kit,
    netMl: measured.nominalMl,
    p90Ml: measured.p90Ml,
    p95Ml: measured.p95Ml,
    reserve: repair.reserve,
    allowances: method.allowances(context),
    portions: method.portions(context),
    usableMin: usable,
    placingMlPerMin: context.setting('rate') || 100,
    split: school('part-kits') === 'weighed' ? 'weighed' : 'whole',
    count: context.void.count,
    minutesPerPlace: context.setting('per-place') || 1,
    grouping: school('several') === 'several' ? 'several' : 'one',
    purge: school('first-shots') !== 'used',
    idleMin: idleReach?.atMs ? (idleReach.atMs - atMs) / MIN_MS : null,
  });
  return { mix, usableMin: usable, potC: potC.ok ? potC.value : Number.NaN };
}

/** Steps with the marks of trouble: lost batches get new steps, a wetted base is dried and checked again. */
function withTrouble(drafts: readonly StepDraft[], actuals: Actuals): readonly StepDraft[] {
  const renamed = drafts.map((d) => {
    const times = d.batch !== undefined ? (actuals.redone[d.batch] ?? 0) : 0;
    return times > 0 && d.id.startsWith(`b${d.batch! + 1}:`)
      ? { ...d, id: d.id.replace(':', `~${times + 1}:`), title: `${d.title}, again` }
      : d;
  });
  if (!actuals.preparedAgain.length) return renamed;
  const at = renamed.findIndex((d) => actuals.done[d.id] === undefined && (d.stage === 'mix' || d.stage === 'place'));
  if (at < 0) return renamed;
  const again = actuals.preparedAgain.map(
    (_, i): StepDraft => ({
      id: `prep~${i + 2}:dry`,
      stage: 'place',
      title: 'Dry the place and check the base again',
      detail: 'Cover against more rain. No dark patches, base above the dew point by what the sheet asks; read it again.',
      handsOnMin: 20,
      confirm: 'Dry again, and read',
      hold: true,
      block: renamed[at]!.block,
    }),
  );
  return [...renamed.slice(0, at), ...again, ...renamed.slice(at)];
}

type Marks = Record<number, Partial<Record<StartId, number>>>;

/** Steps with their times, and the way to ask any milestone that counts from them. */
interface Layout {
  readonly steps: readonly PlannedStep[];
  readonly serves: MilestoneId | null;
  readonly placedMs: number | null;
  readonly overruns: boolean;
  readonly lastBatch: number;
  readonly timeOf: (m: Milestone, batch: number, named: number | null) => MilestoneTime;
}

/** Time a step is planned with: whole minutes, rounded up. Nobody works to the second, and a hair more material moves nobody's day. */
const handsOnMs = (step: StepDraft): number => Math.ceil(step.handsOnMin - 1e-9) * MIN_MS;

/** Puts the steps on the clock; `toMixing` stops at the first mixing. */
function layOut(
  ask: RepairAsk,
  drafts: readonly StepDraft[],
  sheet: SheetRevision,
  context: MethodContext,
  reachOf: Ask,
  toMixing = false,
): Layout {
  const { repair, job, actuals, thermal } = ask;
  const running = actuals.startedAt !== null;
  const marks: Marks = {};
  const originOf = (m: Milestone, batch: number): number | null => {
    // A mark that only an earlier batch made (the primer) serves the later ones too.
    let found: number | null = null;
    for (let b = batch; b >= 0 && found === null; b--) found = marks[b]?.[m.startsAt] ?? null;
    const restart = actuals.holdRestartedAt;
    const held = m.startsAt === 'placed' || m.startsAt === 'faces-closed' || m.startsAt === 'last-coat';
    return found !== null && restart !== null && held && restart > found && MILESTONES[m.kind].clock === 'waiting' ? restart : found;
  };
  const timeOf = (m: Milestone, batch: number, named: number | null): MilestoneTime =>
    milestoneTime(sheet, m, originOf(m, batch), named, thermal, reachOf);
  // Laying out needs the planning end alone; words and ranges are made once, at the end.
  const reachedAt = (kind: MilestoneId, batch: number): number | null => {
    const m = milestoneOf(sheet, kind);
    const origin = m ? originOf(m, batch) : null;
    return m && origin !== null ? reachOf(m, clockOf(m) === 'waiting' ? 'long' : 'short', origin).atMs : null;
  };

  const lastBatch = Math.max(0, ...drafts.map((d) => d.batch ?? 0));
  const serves = servedBy(sheet, repair.serves ?? methodOf(repair.method.id)!.serves);
  const all: StepDraft[] = [
    ...drafts,
    {
      id: 'release:tests',
      stage: 'release',
      title: 'Test, inspect, sign',
      detail: 'Answer the tests at the place itself; take the barrier away only when it is signed.',
      handsOnMin: 10,
      confirm: 'Tests are done',
      hold: true,
      block: 'release',
      ...(context.school('waiting') === 'fixed' || !serves ? { waitMin: 1440 } : { waitFor: { kind: serves, batch: lastBatch } }),
    },
  ];

  const steps: PlannedStep[] = [];
  const busy: Window[] = [...ask.busy];
  let cursor = repair.plannedStart ?? job.startFrom;
  let overruns = false;
  let block = '';
  let placedMs: number | null = null;
  const mark = (draft: StepDraft, which: 'begin' | 'end', at: number) => {
    for (const start of draft.marks?.[which] ?? []) {
      const of = draft.batch ?? lastBatch;
      marks[of] = { ...marks[of], [start]: at };
      // Closing the joint closes it for every batch that lies in it.
      if (start === 'faces-closed' && draft.id === 'close') for (let b = 0; b <= lastBatch; b++) marks[b] = { ...marks[b], [start]: at };
    }
  };

  for (const [i, draft] of all.entries()) {
    const doneAt = actuals.done[draft.id] ?? null;
    const begunAt = actuals.begun[draft.id] ?? null;
    let forcedBy: PlannedStep['forcedBy'] = i === 0 && repair.plannedStart !== null ? 'chosen' : 'before';
    let startMs: number;
    let endMs: number;
    if (doneAt !== null) {
      startMs = begunAt ?? Math.max(Math.min(cursor, doneAt), doneAt - handsOnMs(draft));
      endMs = doneAt;
    } else {
      let ready = cursor;
      if (draft.waitFor) {
        const at = reachedAt(draft.waitFor.kind, draft.waitFor.batch ?? lastBatch);
        if (at !== null && at > ready) {
          ready = at;
          forcedBy = 'sheet';
        }
      }
      if (draft.waitMin && placedMs !== null && placedMs + draft.waitMin * MIN_MS > ready) {
        ready = placedMs + draft.waitMin * MIN_MS;
        forcedBy = 'chosen';
      }
      if (begunAt !== null) {
        startMs = begunAt;
        endMs = Math.max(begunAt + handsOnMs(draft), ask.nowMs);
      } else {
        if (running && ask.nowMs > ready) {
          ready = ask.nowMs;
          forcedBy = 'now';
        }
        if (draft.block !== block && !(running && ready <= ask.nowMs)) {
          // A block is not torn apart by the end of the day: it moves as one.
          let need = 0;
          for (let k = i; k < all.length && all[k]!.block === draft.block && (k === i || !all[k]!.waitFor); k++)
            need += handsOnMs(all[k]!) / MIN_MS;
          const slot = earliestSlot(ask.windows, busy, ready, need);
          if (slot.startMs > ready) forcedBy = 'crew or hours';
          overruns ||= slot.overruns;
          ready = slot.startMs;
        }
        startMs = ready;
        endMs = startMs + handsOnMs(draft);
      }
      busy.push({ fromMs: startMs, toMs: endMs });
    }
    block = draft.block;
    const until = draft.within ? reachedAt(draft.within.kind, draft.within.batch ?? lastBatch) : null;
    const lateFor = until !== null && startMs > until ? draft.within!.kind : null;
    steps.push({
      ...draft,
      startMs,
      endMs,
      begunAt,
      doneAt,
      forcedBy,
      lateFor,
      ...(lateFor === 'recoat-until' ? { detail: `The recoat window is over: wash and abrade the last lift first. ${draft.detail}` } : {}),
    });
    mark(draft, 'begin', startMs);
    mark(draft, 'end', endMs);
    if (draft.marks?.end?.includes('placed') || draft.marks?.end?.includes('faces-closed')) placedMs = endMs;
    cursor = endMs;
    if (toMixing && draft.marks?.begin?.includes('mix-begins')) break;
  }

  return { steps, serves, placedMs, overruns, lastBatch, timeOf };
}

/** Every milestone, the band and the opening of steps laid out. */
function derive(
  { job, actuals }: RepairAsk,
  { steps, serves, placedMs, overruns, lastBatch, timeOf }: Layout,
  sheet: SheetRevision,
  context: MethodContext,
): Pick<RepairPlan, 'steps' | 'milestones' | 'serves' | 'placedMs' | 'openMs' | 'habitMs' | 'inHandMin' | 'band' | 'overruns'> {
  const milestones: MilestoneTime[] = [];
  for (const m of sheet.milestones) {
    const perBatch = m.kind === 'use-by' || m.kind === 'idle';
    for (let b = perBatch ? 0 : lastBatch; b <= lastBatch; b++) milestones.push(timeOf(m, b, perBatch ? b : null));
  }
  const release = steps.at(-1)!;
  const missing = serves !== null && milestones.find((m) => m.kind === serves)?.planMs == null && context.school('waiting') !== 'fixed';
  const openMs = missing ? null : (actuals.released?.atMs ?? release.endMs);
  return {
    steps,
    milestones,
    serves,
    placedMs,
    openMs,
    habitMs: placedMs === null ? null : placedMs + DAY_MS,
    inHandMin: openMs !== null && job.wantedAt !== null ? (job.wantedAt - openMs) / MIN_MS : null,
    band: bandOf(steps, milestones, serves),
    overruns,
  };
}

/** The chosen milestone, or the next later one that the sheet states. */
function servedBy(sheet: SheetRevision, wanted: MilestoneId): MilestoneId | null {
  const order: MilestoneId[] = ['release', 'foot', 'load', 'full-cure'];
  const from = order.indexOf(wanted);
  return order.slice(Math.max(0, from)).find((kind) => milestoneOf(sheet, kind)) ?? null;
}

/** From liquid to set, for the time band. */
function bandOf(steps: readonly PlannedStep[], milestones: readonly MilestoneTime[], serves: MilestoneId | null): RepairPlan['band'] {
  const begin = steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs;
  if (begin === undefined) return [];
  const at = (kind: MilestoneId) => milestones.findLast((m) => m.kind === kind)?.planMs ?? null;
  const gel = at('gel') ?? milestones.findLast((m) => m.kind === 'use-by')?.toMs ?? null;
  const load = at(serves ?? 'load') ?? at('load');
  const firm = at('sandable') ?? at('release') ?? (gel !== null && load !== null ? gel + (load - gel) / 2 : null);
  const full = at('full-cure') ?? (load === null ? null : load + DAY_MS);
  const ends = [gel, firm, load, full];
  const states: CureState[] = ['liquid', 'gelled', 'hardening', 'set'];
  const out: { state: CureState; fromMs: number; toMs: number }[] = [];
  let from = begin;
  states.forEach((state, i) => {
    const to = ends[i];
    if (to == null || to <= from) return;
    out.push({ state, fromMs: from, toMs: to });
    from = to;
  });
  return out;
}

/** Answer of a question that lets the repair go on. */
export const passes = (q: Question, answer: Answer | undefined): boolean => answer === q.wants;
