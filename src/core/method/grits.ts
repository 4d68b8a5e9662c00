/**
 * Mean grain of coated abrasives, µm, by grade (FEPA P, ISO 6344-2 and -3).
 */
export const GRAIN_UM = {
  P24: 764,
  P36: 538,
  P40: 425,
  P60: 269,
  P80: 201,
  P100: 162,
  P120: 125,
  P150: 100,
  P180: 82,
  P220: 68,
  P240: 58.5,
  P280: 52.2,
  P320: 46.2,
  P400: 35,
  P500: 30.2,
  P600: 25.8,
  P800: 21.8,
  P1000: 18.3,
  P1200: 15.3,
  P1500: 12.6,
  P2000: 10.3,
  P2500: 8.4,
} as const;
export type GritId = keyof typeof GRAIN_UM;
export const GRITS = Object.keys(GRAIN_UM) as readonly GritId[];

/** Grades that a box usually holds; others are taken where somebody chooses them. */
export const USUAL: readonly GritId[] = [
  'P40',
  'P60',
  'P80',
  'P120',
  'P180',
  'P240',
  'P320',
  'P400',
  'P600',
  'P800',
  'P1000',
  'P1200',
  'P1500',
  'P2000',
];

export const gradeOf = (grit: GritId): number => Number(grit.slice(1));

/** The next grit is at most so many times as fine by its grade: what a coarser one left is else not got out. */
export const SKIP_MOST = 2;
/** Depth of the scratches that a grit leaves, as a share of its grain. */
export const SCRATCH_SHARE = 0.4;
/** Depth of the scratches that a grit leaves, mm. */
export const scratchMm = (grit: GritId): number => (SCRATCH_SHARE * GRAIN_UM[grit]) / 1000;

/**
 * Grits as somebody wrote them, coarse to fine, each once; words that are no grade are left out. @example gritsIn('P80,
 * p180') // ['P80', 'P180']
 */
export const gritsIn = (text: string): readonly GritId[] => {
  const named = new Set(text.toUpperCase().match(/P\d+/g) ?? []);
  return GRITS.filter((g) => named.has(g));
};

/** Every way to put so many grits between two that keeps to the skip rule. */
function ways(from: GritId, to: GritId, n: number): readonly (readonly GritId[])[] {
  if (n === 0) return gradeOf(to) <= gradeOf(from) * SKIP_MOST ? [[]] : [];
  const next = USUAL.filter((g) => gradeOf(g) > gradeOf(from) && gradeOf(g) < gradeOf(to));
  return next
    .filter((g) => gradeOf(g) <= gradeOf(from) * SKIP_MOST)
    .flatMap((g) => ways(g, to, n - 1).map((rest) => [g, ...rest]));
}

/** Largest step of a row of grits. */
const steepest = (grits: readonly GritId[]): number =>
  Math.max(...grits.slice(1).map((g, i) => gradeOf(g) / gradeOf(grits[i]!)));

/** Grits between two that keep to the skip rule: as few of a usual box as there can be, as evenly as they lie. */
export function between(from: GritId, to: GritId): readonly GritId[] {
  const all = [0, 1, 2, 3, 4, 5, 6, 7].map((n) => ways(from, to, n)).find((found) => found.length) ?? [];
  return [...all].sort((a, b) => steepest([from, ...a, to]) - steepest([from, ...b, to]))[0] ?? [];
}

/** Pairs of grits that skip too far, with what belongs between them. */
export const skipsOf = (
  grits: readonly GritId[],
): readonly { from: GritId; to: GritId; between: readonly GritId[] }[] =>
  grits.flatMap((to, i) => {
    const from = grits[i - 1];
    return from && gradeOf(to) > gradeOf(from) * SKIP_MOST ? [{ from, to, between: between(from, to) }] : [];
  });
