import { factorsOf, kindOfTest, type Method, type Setting } from '../method';
import { FIRST_PASS, type PlannedStep, settingOf } from '../plan';
import { type Event, handsAt, type PassView, type RepairView, standingEvents, ticksOf } from '../record';
import type { Said } from '../say';
import { isMetered, PART_IDS } from '../system';
import type { Observation } from './estimate';

/** What a record can teach: how much was used, how long the hands took, how late it set. */
export type Lesson = 'material' | 'minutes' | 'clock';

/** One observation, and where it comes from. */
export interface Seen {
  readonly lesson: Lesson;
  readonly methodId: string;
  /** The task of minutes, the system of a clock; null of material. */
  readonly of: string | null;
  readonly repairId: string;
  /** The words of the task, as its repair had them. */
  readonly title?: Said;
  readonly observation: Observation;
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
function planScale(method: Method, { plan, repair }: PassView, step: PlannedStep): number | null {
  const now = (id: string) => plan.context?.settings[id] ?? settingOf(method, repair, id);
  const scales = step.factors.flatMap((id) => {
    const factor = factorsOf(method).find((f) => f.id === id);
    if (factor) return factor.byDefault > 0 ? [now(id) / factor.byDefault] : [];
    const setting = method.settings.find((s) => s.id === id);
    if (!setting || !(setting.byDefault > 0)) return [];
    return [isRate(setting) ? setting.byDefault / now(id) : now(id) / setting.byDefault];
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

/** What was used against what was planned: from what was weighed, and from what had to be topped up. */
function materialSeen(view: RepairView, pass: PassView): readonly Seen[] {
  const { plan, actuals, repair } = pass;
  const { mix, method, sheet } = plan;
  if (!mix || !method || !sheet || isMetered(sheet.kind)) return [];
  const placed = plan.steps.some(
    (s) => s.passId === repair.passId && s.marks?.end?.includes('placed') && s.doneAt !== null,
  );
  if (!placed) return [];
  const topUps = actuals.topUpsMl.reduce((a, b) => a + b, 0);
  const mL = actuals.pours.reduce((sum, p) => {
    const part = sheet.parts.find((x) => x.id === p.part);
    return sum + (part?.densityGPerMl ? p.massG / part.densityGPerMl : 0);
  }, 0);
  const ofPlanned = (used: number) => used / mix.toMixMl;
  const seen = (observation: Observation): readonly Seen[] => [
    { lesson: 'material', methodId: method.id, of: null, repairId: view.repair.id, observation },
  ];
  const gone = view.actuals.released !== null;
  // It ran out, and what made up for it is not known to have been enough until the work is released.
  if (topUps > 0) {
    const used = mix.toMixMl + topUps;
    return seen(gone ? { is: 'exact', ratio: ofPlanned(used) } : { is: 'least', ratio: ofPlanned(used) });
  }
  const weighed = PART_IDS.filter((id) => sheet.parts.some((p) => p.id === id)).every((id) =>
    actuals.pours.some((p) => p.part === id),
  );
  // Fillers and aggregate make more of it than what was poured: only plain liquids tell by their weights.
  const plain = Math.abs(mix.toMixMl - mix.batches.reduce((s, b) => s + volumeOf(b.volumeMl), 0)) < 0.02 * mix.toMixMl;
  return weighed && plain && mL > 0 && gone ? seen({ is: 'exact', ratio: ofPlanned(mL) }) : [];
}
const volumeOf = (by: Readonly<Partial<Record<string, number>>>): number =>
  Object.values(by).reduce<number>((a, b) => a + (b ?? 0), 0);

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
