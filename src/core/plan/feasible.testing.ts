import { valueAt } from '../climate';
import { paceOf } from '../cure';
import { type MilestoneId, milestoneKind, milestoneOf } from '../system';
import type { JobPlan } from './plan-job';
import { historyOf } from './reach-try';
import type { PlannedStep, RepairPlan } from './repair-plan';
import { workedAt, workedMs } from './step-time';

/** Even steps of the naive clock, and what they may be off by. */
const STEP_MS = 5 * 60_000;
const OFF_MS = 10 * 60_000;
const EDGE_K = 0.3;
/** What the even steps of the naive clock may be off by, as a share of a wait. */
const WALKED = 0.005;
const MIN_MS = 60_000;

/**
 * When a wait of a batch is over, walked in even steps from the step that starts it; null where the sheet cannot say.
 */
function waited(
  { steps, sheet, thermal }: RepairPlan,
  kind: MilestoneId,
  batch: number,
  by: 'soonest' | 'latest',
): number | null {
  const m = milestoneOf(sheet!, kind);
  const from = steps.findLast((s) => s.batch === batch && m && s.marks?.end?.includes(m.startsAt));
  if (!m || !from) return null;
  const pace = paceOf(m, 'long', sheet!.family);
  const history = historyOf(m, thermal!);
  // Washing begins where it was filled first.
  let ms = milestoneKind(kind).firstSpot ? from.startMs : from.endMs;
  let [progress, credited, longest] = [0, 0, 0];
  // Rows for bands give no credit across: the longest of those that were met counts from the beginning. Whether a band
  // was met at all turns on a hair at its edge: at the soonest it is credited as if it were a curve, at the latest the
  // base is a little colder than it was.
  const bands = pace.form === 'bands' && by === 'latest';
  const colder = bands ? EDGE_K : 0;
  // A wait that ends a minute before the base goes too cold would else be walked past, and stand through the night.
  const need = by === 'soonest' ? 1 - WALKED : 1 + WALKED;
  const done = () => (bands ? longest > 0 && credited >= longest * need : progress >= need);
  for (; !done(); ms += STEP_MS) {
    if (ms >= history.times.at(-1)!) return null;
    const tempC = valueAt(history, ms + STEP_MS / 2);
    // Below what it cures at it stands still.
    if (tempC < (sheet!.limits.cureMinC ?? pace.lowC)) continue;
    const minutes = pace.minutesAt(Math.max(pace.lowC, Math.min(tempC, pace.highC) - colder));
    progress += STEP_MS / MIN_MS / minutes;
    credited += STEP_MS / MIN_MS;
    longest = Math.max(longest, minutes);
  }
  return ms;
}

/**
 * What is wrong with a plan as work of people: read off its steps alone, without the scheduler that made them. Empty
 * for one that can be done as it stands.
 */
export function faultsOf({ repairs, windows }: JobPlan): readonly string[] {
  const out: string[] = [];
  const at = (ms: number) => new Date(ms).toISOString().slice(5, 16);
  const named = (s: PlannedStep) => `${s.passId}/${s.id} ${at(s.startMs)}–${at(s.endMs)}`;
  const all = repairs.flatMap((r) => r.steps.map((step) => ({ step, of: r.repairId })));
  const planned = all.filter(({ step }) => step.doneAt === null);

  // Nobody is in two places.
  const inOrder = planned
    .flatMap(({ step, of }) => workedAt(step).map((w) => ({ step, of, ...w })))
    .filter((w) => w.toMs > w.fromMs)
    .sort((a, b) => a.fromMs - b.fromMs);
  for (const [i, { step, of, toMs }] of inOrder.entries()) {
    const next = inOrder[i + 1];
    if (next && next.fromMs < toMs) out.push(`two places: ${of} ${named(step)} and ${next.of} ${named(next.step)}`);
  }
  const dayMs = Math.max(...windows.map((w) => w.toMs - w.fromMs));
  for (const repair of repairs) {
    for (const pass of repair.passes) {
      const { passId, steps } = pass;
      for (const [i, s] of steps.entries()) {
        const before = steps[i - 1];
        if (before && s.startMs < before.endMs) out.push(`order: ${named(s)} before ${named(before)} is done`);
        // What belongs together is not torn apart, but by a wait that the sheet asks for.
        const apart = before && before.block === s.block && !s.waitFor && s.startMs > before.endMs;
        if (apart && s.forcedBy !== 'chosen' && s.forcedBy !== 'eve' && !s.rested)
          out.push(`torn apart: ${named(before)}, ${named(s)}`);
        // It rests only where it may, and where no day would have held all of it.
        const ofBlock = steps.filter((b) => b.block === s.block);
        const allMs = ofBlock.reduce((ms, b) => ms + workedMs(b), 0);
        if (apart && s.rested && (!s.afterRest || allMs <= dayMs)) out.push(`rests for nothing: ${named(s)}`);
        if (s.days && (!s.dry || workedMs(s) <= dayMs)) out.push(`over days for nothing: ${named(s)}`);
        if (s.days && Math.abs(workedMs(s) - s.handsOnMin * MIN_MS) > MIN_MS)
          out.push(`days lose minutes: ${named(s)}`);
      }
      // Nothing begins before what it waits for has had its time at the temperatures it lay in.
      for (const s of steps)
        for (const batch of s.waitFor?.batches ?? []) {
          const doneMs = waited(pass, s.waitFor!.kind, batch, 'soonest');
          if (doneMs !== null && s.startMs < doneMs - OFF_MS)
            out.push(`too soon: ${named(s)}, ${s.waitFor!.kind} of batch ${batch + 1} ${at(doneMs)}`);
        }
      // Whoever begins does so when somebody is there; what belongs to it may run on as long as was agreed.
      for (const [i, s] of steps.entries()) {
        const stayMs = steps[i - 1]?.block === s.block ? pass.piece.overtimeMin * MIN_MS : 0;
        const there = windows.some((w) => s.startMs >= w.fromMs && s.startMs < w.toMs + stayMs);
        const inside = (s.days ?? []).every((d) => windows.some((w) => d.fromMs >= w.fromMs && d.toMs <= w.toMs));
        if (s.doneAt === null && !(there && inside) && !repair.overruns) out.push(`closed: ${passId} ${named(s)}`);
      }
      // Whoever has all that is needed does not stand about: minute by minute, nothing could have begun sooner.
      // Where one of them found no place its hours were kept free for it.
      for (const [i, s] of repairs.every((r) => r.steps.length) ? steps.entries() : []) {
        const before = steps[i - 1];
        if (s.doneAt !== null || !before || before.block === s.block || s.gate || s.forcedBy !== 'crew or hours')
          continue;
        const waits = (s.waitFor?.batches ?? []).map((batch) => waited(pass, s.waitFor!.kind, batch, 'latest'));
        // The tests of a chain wait for all its passes.
        const all = s.stage === 'release' && repair.passes.length > 1;
        if (s.waitMin || all || waits.includes(null)) continue;
        const readyMs = Math.max(before.endMs, ...waits.map((ms) => ms! + OFF_MS));
        const rest = steps.slice(i);
        const torn = rest.findIndex((r, k) => k > 0 && (r.block !== s.block || r.waitFor !== undefined));
        const block = new Set(torn < 0 ? rest : rest.slice(0, torn));
        const needMs = [...block].reduce((ms, b) => ms + workedMs(b), 0);
        const others = planned.filter(({ step }) => !block.has(step));
        const stayMs = pass.piece.overtimeMin * MIN_MS;
        for (let ms = readyMs; ms < s.startMs; ms += MIN_MS) {
          const open = windows.some((w) => ms >= w.fromMs && ms < w.toMs && ms + needMs <= w.toMs + stayMs);
          const free = others.every(({ step }) => workedAt(step).every((w) => ms >= w.toMs || ms + needMs <= w.fromMs));
          if (!open || !free) continue;
          out.push(`idle: ${passId} ${named(s)} could begin ${at(ms)}`);
          break;
        }
      }
    }
  }
  return out;
}
