import type { MilestoneId } from '../system';
import type { MilestoneTime } from './milestone-times';
import type { ChainPlan, RepairPlan } from './repair-plan';

type OfTwo<T> = (a: T, b: T) => T;

/** The later of two by an instant; one that has none is not known to be over at all. */
export const laterBy =
  <T>(at: (of: T) => number | null): OfTwo<T> =>
  (a, b) => {
    const [x, y] = [at(a), at(b)];
    return x === null ? a : y === null || y >= x ? b : a;
  };

/** The sooner of two by an instant; one that has none ends nothing. */
export const soonerBy =
  <T>(at: (of: T) => number | null): OfTwo<T> =>
  (a, b) => {
    const [x, y] = [at(a), at(b)];
    return x === null ? b : y === null || y >= x ? a : b;
  };

const planned = (m: MilestoneTime): number | null => m.planMs;
const later = laterBy(planned);

/**
 * Of the clocks of one kind, of all pots and places, that which is over last. In bands it need not be that of what was
 * placed last: a warm hour overtakes a cold one.
 * @returns undefined where there is none of that kind
 */
export const overLast = (
  milestones: readonly MilestoneTime[],
  kind: MilestoneId | null | undefined,
): MilestoneTime | undefined => {
  const all = milestones.filter((m) => m.kind === kind);
  return all.length ? all.reduce(later) : undefined;
};

/** Of like clocks those that tell the others: the first, the last, and that which is over last where it is neither. */
export const endsOf = (like: readonly MilestoneTime[]): readonly MilestoneTime[] => [
  ...new Set([like[0], overLast(like, like[0]?.kind), like.at(-1)].flatMap((m) => m ?? [])),
];

/** What opens a pass, or a repair of several: of the clocks they serve by that which is over last. */
export const servedLast = (plan: RepairPlan | ChainPlan): MilestoneTime | undefined => {
  const passes = 'passes' in plan ? plan.passes : [plan];
  const all = passes.flatMap((p) => overLast(p.milestones, p.serves) ?? []);
  return all.length ? all.reduce(later) : undefined;
};
