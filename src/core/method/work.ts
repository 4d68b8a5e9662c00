import { ANY_TASKS } from './any';
import { settingIn, type TaskContext } from './context';
import { DRIVERS, type Driver, handsFor } from './drivers';
import type { Method } from './method';
import { factorId, type TaskRow } from './task';

/**
 * A figure the hands-on time of a task is made of: a starting value of Grenko’s that the technician may change and the
 * record corrects.
 */
export interface Factor {
  /** Its name in the settings of a repair. */
  readonly id: string;
  readonly task: string;
  /** For each of what it counts; null for once. */
  readonly per: Driver | null;
  /** Minutes. */
  readonly byDefault: number;
  /** It lies between the value divided and multiplied by this, nine times in ten. */
  readonly spread: number;
  readonly source: 'Grenko';
  /** Minutes of another name that were typed before it was counted so: this many times them. */
  readonly formerly?: { readonly id: string; readonly times: number };
}

/** Until records say better: practised people differ by about half either way. */
const SPREAD = 1.5;

/** Every factor of a method. */
export function factorsOf(method: Method): readonly Factor[] {
  const known = factors.get(method);
  if (known) return known;
  const made = [...method.tasks, ...(method.resumes ? [method.resumes] : []), ...ANY_TASKS].flatMap((row) => [
    ...(row.work.fixed === undefined ? [] : [factor(row, null, row.work.fixed)]),
    ...Object.entries(row.work.per ?? {}).map(([per, value]) => factor(row, per as Driver, value)),
  ]);
  factors.set(method, made);
  return made;
}
const factors = new WeakMap<Method, readonly Factor[]>();

const factor = (row: TaskRow, per: Driver | null, byDefault: number): Factor => ({
  id: factorId(row, per),
  task: row.task,
  per,
  byDefault,
  spread: SPREAD,
  source: 'Grenko',
  ...(row.work.formerly && per === row.work.formerly.now
    ? { formerly: { id: factorId(row, row.work.formerly.per), times: row.work.formerly.times } }
    : {}),
});

/**
 * How many hands share what is dry and counted by places, metres or faces: as many as there are, as far as each has its
 * own. What is wet goes by its engine.
 */
function handsAt({ block, within }: TaskRow, per: Driver, c: TaskContext): number {
  const dry = (block === 'prep' || block === 'finish') && !within;
  return dry && !c.workedAlone ? handsFor(c, per) : 1;
}

/** What a task takes however little there is of it, min; 0 where it goes by what there is. */
export const leastMinOf = (method: Method, task: string): number =>
  [...method.tasks, ...ANY_TASKS].find((row) => row.task === task)?.work.least ?? 0;

/** Minutes of hands-on work, how many share what of it is dry, and the factors they are made of. */
export function workOf(
  method: Method,
  row: TaskRow,
  c: TaskContext,
): { min: number; sharedMin: number; hands: number; factors: readonly string[] } {
  const { work } = row;
  const kindOf = (id: string) => method.settings.find((s) => s.id === id)!.kind;
  let min = 0;
  let sharedMin = 0;
  let most = 1;
  const factors: string[] = [];
  if (work.fixed !== undefined) {
    factors.push(factorId(row, null));
    min += settingIn(c, factors.at(-1)!);
  }
  for (const per of Object.keys(work.per ?? {}) as Driver[]) {
    factors.push(factorId(row, per));
    const [alone, hands] = [settingIn(c, factors.at(-1)!) * DRIVERS[per](c), handsAt(row, per, c)];
    if (hands > 1) sharedMin += alone / hands;
    most = Math.max(most, hands);
    min += alone / hands;
  }
  if (work.by) {
    factors.push(work.by.setting);
    const [value, driven] = [settingIn(c, work.by.setting), DRIVERS[work.by.driver](c)];
    const perHour = kindOf(work.by.setting) === 'area-rate';
    const byRate = perHour || kindOf(work.by.setting) === 'rate';
    const took = byRate ? ((perHour ? 60 : 1) * driven) / (value * c.crew) : driven * value;
    if (byRate) sharedMin += took;
    min += took;
  }
  if (work.sheet) min += work.sheet(c);
  return { min: Math.max(min, work.least ?? 0), sharedMin, hands: most, factors };
}
