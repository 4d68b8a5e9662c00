import { valueAt } from '../core/climate';
import { type Batch, massOf } from '../core/mix';
import { FIRST_PASS, type PlannedStep } from '../core/plan';
import {
  type Bundle,
  type Event,
  type EventBody,
  eventHash,
  handTests,
  linkAfter,
  type PlanSnapshot,
  type RepairView,
  reviewNeeded,
  snapshotOf,
  viewJob,
} from '../core/record';
import { isMetered } from '../core/system';
import { type Seeded, seeded } from './seeded';

const MIN = 60_000;

/** How much later than they might the tests are made. */
const TEST_LATER_MS = 75 * MIN;

/** How a made-up crew works. */
export interface Crew {
  readonly seed: number;
  /** What its hands need over what was planned. */
  readonly slower: number;
  /** Scatter of the logarithm of that, from step to step. */
  readonly scatter: number;
  /** What it uses over what is planned, and what stays in its pots over what the sheet has. */
  readonly uses?: number;
  readonly sticks?: number;
  /** How late it set over the sheet’s time. */
  readonly late: number;
  /** Minutes from one look at what has not set to the next. */
  readonly looksEvery: number;
  /** What is left for the next like repair, by repair. */
  readonly lessons?: Readonly<Record<string, string>>;
  readonly notes?: Readonly<Record<string, string>>;
}

/**
 * A job as it was worked to its release: every step ticked with the minutes it took, pots weighed, faces read, what was
 * kept touched until it was hard, tests answered, signed. The same seed gives the same record.
 */
export function workedJob(plain: Bundle, crew: Crew): Bundle & { readonly snapshots: readonly PlanSnapshot[] } {
  const chance = seeded(crew.seed);
  const { job } = plain;
  const startMs = job.startFrom;
  const view = viewJob({ ...plain, events: [] }, startMs);
  const snapshot = snapshotOf({ ...plain, events: [] }, startMs, `${job.id}-plan`);
  const events: Event[] = [];
  const heads = new Map<string, { n: number; hash: string }>();
  const tell = (repairId: string, at: number, body: EventBody, role = 'technician', passId: string = FIRST_PASS) => {
    const event: Event = {
      record: 'event',
      version: 1,
      id: `${repairId}-e${(heads.get(repairId)?.n ?? 0) + 1}`,
      device: 'sample.phone',
      sequence: events.length,
      at: Math.round(at),
      recordedAt: Math.round(at),
      jobId: job.id,
      repairId,
      ...(passId === FIRST_PASS ? {} : { passId }),
      amends: null,
      role,
      body,
      link: linkAfter(heads.get(repairId) ?? null),
    };
    heads.set(repairId, { n: event.link!.n, hash: eventHash(event) });
    events.push(event);
  };
  const planned = view.repairs.flatMap((r) => r.plan.steps.map((step) => ({ r, step })));
  const delays = new Map<string, number>();
  const begun = new Set<string>();
  let free = startMs;
  for (const { r, step } of planned.sort((a, b) => a.step.startMs - b.step.startMs)) {
    const id = r.repair.id;
    const delay = delays.get(id) ?? 0;
    const min = step.handsOnMin * crew.slower * Math.exp(crew.scatter * chance.normal());
    // Whoever tests comes when there is time for it, not at the minute.
    const ready =
      step.role === 'test'
        ? Math.max(step.startMs + delay + TEST_LATER_MS, lastLook(r, crew) + 5 * MIN)
        : step.startMs + delay;
    const from = Math.max(ready, free);
    const to = from + Math.max(0.5, min) * MIN;
    free = to;
    delays.set(id, Math.max(delay, to - step.endMs));
    if (!begun.has(id)) {
      const usable = Object.fromEntries(r.passes.map((p) => [p.repair.passId, p.plan.usableMin]));
      tell(id, from, { kind: 'started', snapshotId: snapshot.id, usableMin: usable[FIRST_PASS] ?? null, usable });
      begun.add(id);
    }
    if (step.role === 'test') tested(r, from, crew, tell);
    if (step.hold || step.marks?.begin?.length)
      tell(id, from, { kind: 'step-begun', step: step.id }, 'technician', step.passId);
    beside(r, step, { from, to }, crew, chance, tell);
    tell(id, to, { kind: 'step-done', step: step.id }, 'technician', step.passId);
    const note = crew.notes?.[`${id} ${step.id}`];
    if (note) tell(id, to, { kind: 'note', text: note });
    if (step.role === 'test') signed(r, to + 5 * MIN, crew, tell);
  }
  return { ...plain, events, snapshots: [snapshot] };
}

type Tell = (repairId: string, at: number, body: EventBody, role?: string, passId?: string) => void;

/** What is read and weighed with a step. */
function beside(
  r: RepairView,
  step: PlannedStep,
  { from, to }: { readonly from: number; readonly to: number },
  crew: Crew,
  chance: Seeded,
  tell: Tell,
): void {
  const pass = r.passes.find((p) => p.repair.passId === step.passId)!;
  const { plan, repair } = pass;
  const id = r.repair.id;
  if (step.role === 'prepare' && step.hold && plan.thermal) {
    const valueC = Number((valueAt(plan.thermal.base, from) + 0.4 * chance.normal()).toFixed(1));
    tell(id, to - MIN / 2, { kind: 'reading', channel: 'base', valueC, source: 'contact probe, typed' });
  }
  const batch = step.batch === undefined ? undefined : plan.batches[step.batch];
  if (!batch || !plan.sheet || isMetered(plan.sheet.kind)) return;
  const mine = plan.steps.filter((s) => s.batch === step.batch);
  // Weighed before it is mixed, or as it is.
  if (step === mine.find((s) => s.role === 'mix'))
    for (const [part, massG] of Object.entries(batch.massG).filter(([, g]) => g > 0))
      tell(
        id,
        from + (to - from) / 2,
        {
          kind: 'poured',
          batch: batch.index,
          part: part as 'A',
          massG: Number((massG * Math.exp(0.006 * chance.normal())).toPrecision(4)),
          lot: `OL-${String(100 + (id.length % 7)).padStart(4, '0')}`,
          source: 'bench scale (simulated)',
        },
        'technician',
        repair.passId,
      );
  if (step.marks?.end?.includes('mix-ends'))
    tell(id, to, { kind: 'witness', batch: batch.index, state: 'kept' }, 'technician', repair.passId);
  const placedLast = plan.steps.findLast((s) => s.batch === step.batch && s.marks?.end?.includes('placed'));
  if (step === placedLast && crew.uses !== undefined)
    tell(
      id,
      to,
      { kind: 'left', batch: batch.index, ...leftOf(pass, batch, crew, chance) },
      'technician',
      repair.passId,
    );
  if (step.marks?.end?.includes('placed') && batch.index === plan.batches.length - 1)
    tell(id, to, { kind: 'witness', batch: batch.index, state: 'kept', of: 'smear' }, 'technician', repair.passId);
}

/** What is left of a batch: over what it took, and in the pot. */
function leftOf({ plan }: RepairView['passes'][number], batch: Batch, { uses = 1, sticks = 1 }: Crew, chance: Seeded) {
  const { mix, sheet, batches } = plan;
  const mixedMl = batches.reduce((sum, b) => sum + b.ml, 0);
  const gPerMl = massOf(batch.massG) / batch.ml;
  const takes = ((batch.ml * mix!.toMixMl) / mixedMl) * uses * Math.exp(0.03 * chance.normal());
  const stuck = sheet!.potLossMl * sticks * Math.exp(0.15 * chance.normal());
  const scale = (ml: number) => Math.round(Math.max(0, ml) * gPerMl);
  return { overG: scale(batch.ml - takes), stuckG: scale(stuck) };
}

/** When the smear of a pass is hard, and what it stands for counts from; null where it has none. */
function hardAt({ plan }: RepairView['passes'][number], crew: Crew): number | null {
  const due = plan.milestones.findLast((m) => m.kind === plan.serves);
  if (!due?.originMs || !due.planMs || !plan.sheet || isMetered(plan.sheet.kind)) return null;
  return due.originMs + (due.planMs - due.originMs) * crew.late;
}
/** The look at which the last of its smears is found hard. */
const lastLook = (r: RepairView, crew: Crew): number =>
  Math.max(...r.passes.map((p) => (hardAt(p, crew) ?? 0) + crew.looksEvery * 0.4 * MIN));

/** The smear is touched until it is hard; then the tests are answered. */
function tested(r: RepairView, atMs: number, crew: Crew, tell: Tell): void {
  const id = r.repair.id;
  for (const pass of r.passes) {
    const { plan, repair } = pass;
    const hardMs = hardAt(pass, crew);
    if (hardMs === null) continue;
    const batch = plan.batches.length - 1;
    const every = crew.looksEvery * MIN;
    const look = (at: number, state: 'nail' | 'hard') =>
      tell(id, at, { kind: 'witness', batch, state, of: 'smear' }, 'technician', repair.passId);
    look(hardMs - every * 0.6, 'nail');
    look(hardMs + every * 0.4, 'hard');
    for (const b of plan.batches)
      tell(id, atMs - MIN, { kind: 'witness', batch: b.index, state: 'hard' }, 'technician', repair.passId);
  }
  for (const t of handTests(r))
    tell(id, Math.max(atMs, r.plan.openMs ?? atMs), { kind: 'test', test: t.id, answer: 'yes' });
}

function signed(r: RepairView, atMs: number, crew: Crew, tell: Tell): void {
  const id = r.repair.id;
  if (reviewNeeded(r) !== null) tell(id, atMs, { kind: 'reviewed', note: '' }, 'site engineer');
  tell(id, atMs + MIN, { kind: 'released', note: '', to: 'ferry office' }, 'foreman');
  const lesson = crew.lessons?.[id];
  if (lesson) tell(id, atMs + 10 * MIN, { kind: 'lesson', text: lesson });
}
