import { factorsOf, kindOfTest, type Method, type Setting, usualOf } from '../method';
import { massOf } from '../mix';
import { FIRST_PASS, type PlannedStep, settingOf } from '../plan';
import { type Event, handsAt, type PassView, type RepairView, standingEvents, ticksOf } from '../record';
import type { Said } from '../say';
import { isMetered, PART_IDS } from '../system';
import { toolAt } from '../void';
import type { Observation } from './estimate';

/**
 * What a record can teach: how much was used, how long the hands took, how late it set; what stays in a pot, how far a
 * system goes, and what measuring with a tool comes to.
 */
export type Lesson = 'material' | 'minutes' | 'clock' | 'loss' | 'yield' | 'tool';

/** One observation, and where it comes from. */
export interface Seen {
  readonly lesson: Lesson;
  readonly methodId: string;
  /** The task of minutes, the system of a clock, a loss or a yield, the tool; null of material. */
  readonly of: string | null;
  readonly repairId: string;
  /** The words of the task, as its repair had them. */
  readonly title?: Said;
  readonly observation: Observation;
  /** What was used lies within the range that the measuring gave; absent where nobody asked. */
  readonly inside?: boolean;
}

/** Longer than that nobody worked at one thing without a break: a tick was forgotten. */
const MOST_RATIO = 20;
/** A step ticked within so many minutes of the one before was ticked afterwards, with others. */
const LEAST_MIN = 0.3;

/** Minutes of hands-on work from the ticks. */
function minutesOf(step: PlannedStep, ticks: readonly number[]): number | null {
  const at = handsAt(step, ticks);
  const min = at ? (at.toMs - at.fromMs) / 60_000 : 0;
  return min >= LEAST_MIN ? min : null;
}

/** Whether a setting is so much in a time: the more of it, the fewer minutes. */
export const isRate = ({ kind }: Pick<Setting, 'kind'>): boolean => kind === 'rate' || kind === 'area-rate';

/** How the minutes that were planned with compare to Grenko’s own, where figures of one’s own stand behind them. */
export function planScale(method: Method, { plan, repair }: PassView, step: PlannedStep): number | null {
  const now = (id: string) => plan.context?.settings[id] ?? settingOf(method, repair, id, plan.sheet);
  const scales = step.factors.flatMap((id) => {
    const factor = factorsOf(method).find((f) => f.id === id);
    if (factor) return factor.byDefault > 0 ? [now(id) / factor.byDefault] : [];
    const setting = method.settings.find((s) => s.id === id);
    const usual = setting ? usualOf(setting, plan.sheet) : 0;
    if (!setting || !(usual > 0)) return [];
    return [isRate(setting) ? usual / now(id) : now(id) / usual];
  });
  return scales.length ? scales.reduce((a, b) => a + b, 0) / scales.length : null;
}

/** The name a step’s minutes are learned by: of a ladder all grits together, of a row whatever its batch. */
export const learnedAs = (step: Pick<PlannedStep, 'key' | 'formerly'>): string =>
  step.formerly ? step.key.task.split(':').slice(0, -1).join(':') : step.key.task;

function minutesSeen(view: RepairView, pass: PassView, ticks: readonly number[]): readonly Seen[] {
  const { method } = pass.plan;
  if (!method) return [];
  const by = new Map<string, { real: number; planned: number; title: Said }>();
  for (const step of view.plan.steps) {
    if (step.passId !== pass.repair.passId || !step.factors.length || step.handsOnMin <= 0) continue;
    const real = minutesOf(step, ticks);
    const scale = planScale(method, pass, step);
    if (real === null || scale === null || !(scale > 0)) continue;
    const planned = step.handsOnMin / scale;
    if (real / planned > MOST_RATIO) continue;
    const known = by.get(learnedAs(step)) ?? { real: 0, planned: 0, title: step.title };
    by.set(learnedAs(step), { ...known, real: known.real + real, planned: known.planned + planned });
  }
  return [...by].map(([of, { real, planned, title }]) => ({
    lesson: 'minutes' as const,
    methodId: method.id,
    of,
    repairId: view.repair.id,
    title,
    observation: { is: 'exact' as const, ratio: real / planned },
  }));
}

/** What a pass used of what was planned for it; null while its record does not tell. */
interface Used {
  readonly observation: Observation;
  /** It was weighed, and all of it went where it was planned for. */
  readonly weighed: boolean;
}

/**
 * What was used against what was planned: from what was weighed less what was left over, and from what had to be topped
 * up.
 */
function usedIn(view: RepairView, { plan, actuals, repair }: PassView): Used | null {
  const { mix, sheet, batches } = plan;
  if (!mix || !sheet || isMetered(sheet.kind)) return null;
  const placed = plan.steps.some(
    (s) => s.passId === repair.passId && s.marks?.end?.includes('placed') && s.doneAt !== null,
  );
  if (!placed) return null;
  const gone = view.actuals.released !== null;
  // Where some of it was made anew, what was used says nothing of how much the void takes.
  if (actuals.placesAgain.size || actuals.remade.size) return null;
  const topUps = actuals.topUpsMl.reduce((a, b) => a + b, 0);
  // It ran out, and what made up for it is not known to have been enough until the work is released.
  if (topUps > 0) {
    const ratio = (mix.toMixMl + topUps) / mix.toMixMl;
    return { observation: { is: gone ? 'exact' : 'least', ratio }, weighed: false };
  }
  const weighed = PART_IDS.filter((id) => sheet.parts.some((p) => p.id === id)).every((id) =>
    actuals.pours.some((p) => p.part === id),
  );
  const mixedMl = batches.reduce((sum, b) => sum + b.ml, 0);
  const plannedG = (batches.reduce((sum, b) => sum + massOf(b.massG), 0) * mix.toMixMl) / mixedMl;
  // Where more is mixed than is needed, only what was left over tells what was used.
  const told = batches.every((b) => actuals.left.has(b.index));
  if (!weighed || !gone || !(plannedG > 0) || !(told || mixedMl < mix.toMixMl * (1 + NO_MORE))) return null;
  const over = [...actuals.left.values()].reduce((sum, l) => sum + l.overG, 0);
  const usedG = actuals.pours.reduce((sum, p) => sum + p.massG, 0) - over;
  return usedG > 0 ? { observation: { is: 'exact', ratio: usedG / plannedG }, weighed: true } : null;
}
/** Mixed over what is needed by less than this, a pot has nothing left over. */
const NO_MORE = 0.02;
/** A void measured more roughly than this, end to end, says nothing of how far a system goes. */
const ROUGH = 0.15;

/** How much was used, how far its system went, and how good the measuring was. */
function materialSeen(view: RepairView, pass: PassView): readonly Seen[] {
  const { plan, actuals } = pass;
  const { method, sheet, void: measured, mix } = plan;
  const used = method && sheet ? usedIn(view, pass) : null;
  if (!used || !method || !sheet || !mix) return [];
  const about = { methodId: method.id, repairId: view.repair.id };
  const { observation } = used;
  const out: Seen[] = [{ lesson: 'material', of: null, ...about, observation }];
  if (used.weighed && observation.is === 'exact' && measured) {
    const { nominalMl, p5Ml, p95Ml } = measured;
    const tool = measured.decides ? toolAt(pass.repair.void?.shapes ?? [], measured.decides.key) : null;
    const filled = nominalMl * observation.ratio;
    if (tool) out.push({ lesson: 'tool', of: tool, ...about, observation, inside: filled >= p5Ml && filled <= p95Ml });
    if (p95Ml - p5Ml < ROUGH * nominalMl)
      out.push({
        lesson: 'yield',
        of: sheet.systemId,
        ...about,
        observation: { is: 'exact', ratio: 1 / observation.ratio },
      });
  }
  const stuck = [...actuals.left.values()].flatMap((l) => l.stuckG ?? []);
  const [batch] = plan.batches;
  const densityGPerMl = batch ? massOf(batch.massG) / batch.ml : 0;
  const plannedG = stuck.length * sheet.potLossMl * densityGPerMl;
  const stuckG = stuck.reduce((a, b) => a + b, 0);
  if (plannedG > 0 && stuckG > 0)
    out.push({ lesson: 'loss', of: sheet.systemId, ...about, observation: { is: 'exact', ratio: stuckG / plannedG } });
  return out;
}

/** States that say it has set, and those that say it has not. */
const SET = new Set(['hard']);

/**
 * How late it set: between the last look at which it had not and the first at which it had, against the sheet’s time.
 */
function clockSeen(view: RepairView, pass: PassView, events: readonly Event[]): readonly Seen[] {
  const { plan, repair } = pass;
  const due = plan.milestones.findLast((m) => m.kind === plan.serves);
  if (!due?.originMs || !due.planMs || !plan.method || !plan.sheet || due.planMs <= due.originMs) return [];
  const proofs = plan.method.tests.filter((t) => kindOfTest(t).proves === 'set').map((t) => t.id);
  const looks = events.flatMap(({ body, at, passId = FIRST_PASS }) => {
    // A cup cures in its own heat: only what is as thin and as cold as the place tells of the place.
    if (body.kind === 'witness' && body.of === 'smear' && passId === repair.passId && body.state !== 'kept')
      return [{ at, set: SET.has(body.state) }];
    if (body.kind === 'test' && proofs.includes(body.test.split('/').at(-1)!))
      return [{ at, set: body.answer === 'yes' }];
    return [];
  });
  const firstSet = looks.find((l) => l.set);
  const lastSoft = looks.findLast((l) => !l.set && (!firstSet || l.at < firstSet.at));
  const ratio = (at: number) => (at - due.originMs!) / (due.planMs! - due.originMs!);
  const of = plan.sheet.systemId;
  const seen = (observation: Observation): readonly Seen[] => [
    { lesson: 'clock', methodId: plan.method!.id, of, repairId: view.repair.id, observation },
  ];
  if (!lastSoft || ratio(lastSoft.at) <= 0) return [];
  if (!firstSet) return seen({ is: 'least', ratio: ratio(lastSoft.at) });
  return seen({ is: 'between', from: ratio(lastSoft.at), to: ratio(firstSet.at) });
}

/** All that the record of a repair can teach. @param events of its job */
export function seenIn(view: RepairView, events: readonly Event[]): readonly Seen[] {
  if (view.actuals.startedAt === null) return [];
  const standing = standingEvents(events);
  const mine = standing.filter((e) => e.repairId === view.repair.id);
  const ticks = ticksOf(standing);
  return view.passes.flatMap((p) => [
    ...minutesSeen(view, p, ticks),
    ...materialSeen(view, p),
    ...clockSeen(view, p, mine),
  ]);
}
