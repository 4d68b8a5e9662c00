import { ENGINES, methodOf } from '../method';
import { plansBy } from './actuals';
import type { PassAsk, Preparation } from './plan-chain';
import type { Reached } from './reached';

/** From this version of the core on repairs stay together when the first of them is begun. */
const BY_KEPT_TOGETHER = [0, 36] as const;

/** What is asked of a repair, and how far it was worked. */
export interface AskedRepair {
  readonly passes: readonly PassAsk[];
  readonly reached: Reached;
}

/** A place as it is named, to be told from others. */
export const spotOf = (place: string): string => place.trim().toLowerCase();

/** What a repair is like where it may be prepared before others are mixed; null where it goes by itself. */
function kindOf({ passes: [first], reached }: AskedRepair) {
  if (!first?.sheet || first.repair.plannedStart !== null) return null;
  if (!plansBy(BY_KEPT_TOGETHER, first.actuals) || reached.wetMs !== null) return null;
  const method = methodOf(first.repair.method.id);
  // A face that goes stale is not bared before its turn.
  if (!method || method.keeps) return null;
  return {
    work: `${method.id}|${first.sheet.id}`,
    spot: spotOf(first.repair.place),
    liesOpen: ENGINES[method.engine].liesOpen === 'set',
  };
}

/**
 * Repairs in their order, those together of which all are prepared before anything is mixed: like ones that follow each
 * other, by the same method and system; and what throws dust or water at the place of one whose fresh face would lie
 * open beside it, where half a day does for preparing both. Nobody saws beside fresh mortar.
 * @param prepared how a repair is prepared, with nothing else on the hands
 * @param dayMs the longest stretch of a working day
 */
export function preparedFirst<T extends AskedRepair>(
  asked: readonly T[],
  prepared: (one: T) => Preparation,
  dayMs: number,
): readonly (readonly T[])[] {
  const groups: T[][] = [];
  const takesMs = (one: T): number => prepared(one).work.reduce((ms, w) => ms + w.toMs - w.fromMs, 0);
  const joins = (group: readonly T[], one: T): boolean => {
    const [kind, ...before] = [kindOf(one), ...group.map(kindOf)];
    if (!kind || before.some((k) => k === null)) return false;
    if (before.every((k) => k!.work === kind.work)) return true;
    if (!before.every((k) => k!.spot === kind.spot) || !before.some((k) => k!.liesOpen)) return false;
    return prepared(one).throws && [...group, one].reduce((ms, each) => ms + takesMs(each), 0) <= dayMs / 2;
  };
  for (const one of asked) {
    const last = groups.at(-1);
    if (last && joins(last, one)) last.push(one);
    else groups.push([one]);
  }
  return groups;
}
