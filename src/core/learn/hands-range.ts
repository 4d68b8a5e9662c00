import type { PassView } from '../record';
import { type Lessons, minutesLearned } from './learned';
import { learnedAs, planScale } from './observe';

/** Hands-on minutes of what is still to be done, as a crew's records have them. */
export interface HandsRange {
  readonly plannedMin: number;
  /** In the middle, and where nine jobs in ten lie. */
  readonly likelyMin: number;
  readonly lowMin: number;
  readonly highMin: number;
  /** Minutes of the plan that rest on records; the rest is as planned. */
  readonly knownMin: number;
}

/** Minutes that a task may lie off its middle: for what is not known of the crew, and from one job to the next. */
interface Apart {
  readonly crew: number;
  readonly job: number;
}
const NONE: Apart = { crew: 0, job: 0 };
const and = (a: Apart, min: number, crew: number, next: number): Apart => ({
  crew: a.crew + min * Math.max(0, crew),
  job: a.job + min * Math.sqrt(Math.max(0, next ** 2 - crew ** 2)),
});
/**
 * A crew that is quick or slow is so at all its tasks: what is not known of it adds up. What varies from job to job
 * does so task by task, as independent things do.
 */
const together = (tasks: readonly Apart[]): number =>
  Math.hypot(
    tasks.reduce((sum, t) => sum + t.crew, 0),
    ...tasks.map((t) => t.job),
  );

/**
 * How long the hands will really take, by what the records say of each task.
 * @returns null where no record says anything of what is to be done
 */
export function handsRange(lessons: Lessons, passes: readonly PassView[]): HandsRange | null {
  const byTask = new Map<string, { likely: number; below: Apart; above: Apart }>();
  let [plannedMin, likelyMin, knownMin] = [0, 0, 0];
  for (const pass of passes) {
    const { method, steps } = pass.plan;
    if (!method) continue;
    for (const step of steps) {
      if (step.doneAt !== null || step.handsOnMin <= 0) continue;
      plannedMin += step.handsOnMin;
      const task = learnedAs(step);
      const learned = minutesLearned(lessons, method.id, task);
      const scale = learned ? planScale(method, pass, step) : null;
      if (!learned || !scale || !(scale > 0)) {
        likelyMin += step.handsOnMin;
        continue;
      }
      knownMin += step.handsOnMin;
      const { ratio, low, high, nextLow, nextHigh } = learned.estimate;
      const own = step.handsOnMin / scale;
      const key = `${method.id} ${task}`;
      const before = byTask.get(key) ?? { likely: 0, below: NONE, above: NONE };
      byTask.set(key, {
        likely: before.likely + own * ratio,
        below: and(before.below, own, ratio - low, ratio - nextLow),
        above: and(before.above, own, high - ratio, nextHigh - ratio),
      });
    }
  }
  if (!byTask.size) return null;
  const tasks = [...byTask.values()];
  likelyMin += tasks.reduce((sum, t) => sum + t.likely, 0);
  return {
    plannedMin,
    likelyMin,
    lowMin: likelyMin - together(tasks.map((t) => t.below)),
    highMin: likelyMin + together(tasks.map((t) => t.above)),
    knownMin,
  };
}
