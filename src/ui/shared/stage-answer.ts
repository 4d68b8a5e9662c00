import type { Stage } from '@/core/method';
import { type ChainPlan, inRounds, type RepairPlan, servedLast } from '@/core/plan';
import type { PassView } from '@/core/record';
import { isMetered } from '@/core/system';
import type { Shown, UnitSystem } from '@/core/units';
import { placesIn } from '@/core/void';
import { format, lowered, phrase, say } from '@/words';
import { readerAt } from '../workspace/prefs';
import { shortWhen } from './when';

/** How many packs are pressed out, and into how many places where that is not plain. */
function pressed(plan: RepairPlan, packs: number, count: number): string {
  const of = phrase`${packs} pack${packs > 1 ? 's' : ''}`;
  if (inRounds(plan)) return phrase`${of}, ${count} hole${count > 1 ? 's' : ''}`;
  return count > 1 ? phrase`${of}, ${count} parts` : of;
}

/** The one answer of each stage in a few words, as the folding rule carries it. */
export function stageAnswer(
  stage: Stage,
  { plan, repair, findings, actuals }: PassView,
  system: UnitSystem,
  zone: string,
  nowMs: number,
): string {
  const passes = isChain(plan) ? plan.passes : [plan];
  const together = passes.length > 1 ? ofAll(stage, passes, system) : null;
  if (together !== null) return together;
  const stops = findings.filter((f) => f.stage === stage && f.severity === 'stop' && !actuals.overrides.has(f.id));
  switch (stage) {
    case 'inspect': {
      if (plan.unanswered.length) return phrase`${plan.unanswered.length} to answer`;
      if (!stops.length) return 'may go on';
      const title = say(stops[0]!.title, { ...readerAt(zone), system });
      return title.length > 20 ? phrase`${stops.length} stop${stops.length > 1 ? 's' : ''}` : lowered(title);
    }
    case 'measure':
      return plan.void
        ? holds(plan, system).text
        : plan.problems.some((p) => p.stage === 'measure')
          ? 'does not fit'
          : 'to measure';
    case 'material':
      return plan.sheet?.name ?? 'to choose';
    case 'mix':
      if (!plan.mix) return plan.problems.some((p) => p.stage === 'mix') ? 'not possible' : 'waits';
      if (plan.sheet && isMetered(plan.sheet.kind))
        return pressed(plan, plan.mix.kits.use, repair.void ? placesIn(repair.void) : 1);
      return phrase`${plan.batches.length} batch${plan.batches.length > 1 ? 'es' : ''}, ${format('volume', plan.mix.toMixMl, system).text}`;
    case 'place': {
      const mine = plan.steps.filter((s) => s.stage === 'place' || s.stage === 'mix');
      if (!mine.length) return 'waits';
      const done = mine.filter((s) => s.doneAt !== null).length;
      if (actuals.startedAt !== null) return phrase`${done} of ${mine.length} done`;
      return phrase`${mine.length} steps, ${
        format(
          'duration',
          mine.reduce((m, s) => m + s.handsOnMin, 0),
          system,
        ).text
      }`;
    }
    case 'hold': {
      const to = servedLast(plan)?.planMs;
      return to ? phrase`to ${shortWhen(to, zone, nowMs)}` : plan.steps.length ? 'no time' : 'waits';
    }
    case 'finish':
      return plan.method?.finishAnswer ?? '';
    case 'release':
      if (actuals.released) return phrase`signed ${shortWhen(actuals.released.atMs, zone, nowMs)}`;
      return plan.openMs !== null ? shortWhen(plan.openMs, zone, nowMs) : plan.steps.length ? 'not in sight' : 'waits';
  }
}

/** What a void holds; of a film too thin to be measured, what it covers. */
export const holds = (plan: Pick<RepairPlan, 'method' | 'void' | 'piece'>, system: UnitSystem): Shown =>
  plan.method?.params?.byCoverage
    ? format('area', plan.void!.faces.planAreaMm2 * (plan.piece.void?.count ?? 1), system)
    : format('volume', plan.void!.nominalMl, system);

const isChain = (plan: RepairPlan): plan is ChainPlan => 'passes' in plan;

/** What all passes of a chain have together; null where the stage is one for all of them, or one has nothing yet. */
function ofAll(stage: Stage, passes: readonly RepairPlan[], system: UnitSystem): string | null {
  const sum = (of: (p: RepairPlan) => number | undefined) => {
    const all = passes.map(of);
    return all.every((x) => x !== undefined) ? all.reduce((a, b) => a + b, 0) : null;
  };
  const volume = (ml: number | null) => (ml === null ? null : format('volume', ml, system).text);
  switch (stage) {
    case 'measure': {
      const ml = volume(sum((p) => p.void?.nominalMl));
      return ml && phrase`${passes.length} passes, ${ml}`;
    }
    case 'material': {
      if (passes.some((p) => !p.sheet)) return null;
      const systems = new Set(passes.map((p) => p.sheet!.id)).size;
      return systems > 1 ? phrase`${systems} systems` : null;
    }
    case 'mix': {
      const batches = sum((p) => p.mix?.batches.length);
      const ml = volume(sum((p) => p.mix?.toMixMl));
      return batches === null || !ml ? null : phrase`${batches} batches, ${ml}`;
    }
    default:
      return null;
  }
}
