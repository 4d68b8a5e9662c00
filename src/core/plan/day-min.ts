import { factorsOf, type Method, type MethodContext, ONCE_A_DAY } from '../method';
import { longestMs, type Window } from './calendar';

const MIN_MS = 60_000;
const FORTNIGHT = 14;

/** The longest stretch of working time in a day, less what comes once in each, min. */
export const dayMinOf = (windows: readonly Window[], onceMin: number): number | null =>
  windows.length ? Math.max(1, longestMs(windows.slice(0, FORTNIGHT)) / MIN_MS - onceMin) : null;

/** What the wet work of a day takes beside the places themselves: a fresh mixer, and leaving all of it safe. */
export const oncePerDayMin = (method: Method, { settings }: MethodContext): number => {
  const once = new Set(method.tasks.filter((t) => t.block === 'work' && t.each !== 'part').map((t) => t.task));
  return factorsOf(method)
    .filter((f) => once.has(f.task) && ONCE_A_DAY.has(f.per))
    .reduce((min, f) => min + Math.ceil(settings[f.id] ?? f.byDefault), 0);
};
