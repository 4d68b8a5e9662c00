import { BASE_PROPERTIES } from '../../climate';
import { BASE_BEARS_C } from '../../cure';
import { depthToFill, ENGINES, liftsMm, type Method, type MethodContext } from '../../method';
import type { LiftHeat, Piece } from '../../plan';
import { degC, exactly, mm } from '../../say';
import { milestoneOf } from '../../system';
import type { Faces } from '../../void';
import { type Finding, findings } from '../finding';
import { type Rule, rangeOver } from './rule';
import { WAYS } from './ways';

const F = findings({
  'lift-heat': {
    severity: 'stop',
    stage: 'place',
    title: 'This lift gets too hot',
    why: '{thick}{narrow, select, yes {, counted as {counts} because its walls take heat off as well,} other {}} at {from}: {peak, select, runaway {it runs away} other {it reaches some {peak}}}; {bears} is what {base} bears beside it. {sheet, select, none {An estimate, for {base} of {deep}{filled, select, yes { and the mix without the fillers added to it} other {}}.} other {An estimate, for {base} of {deep}{filled, select, yes { and the mix without the fillers added to it} other {}}; the sheet itself allows {sheet}.}}',
    todo: 'Thinner lifts, cooler material, or longer between them; the lab shows the thickest that stays calm.',
  },
  'lift-heat-near': {
    id: 'lift-heat',
    severity: 'caution',
    stage: 'place',
    title: 'This lift may get too hot',
    why: '{thick}{narrow, select, yes {, counted as {counts} because its walls take heat off as well,} other {}} at {from}: {peak, select, runaway {it runs away} other {it reaches some {peak}}} if it is a little thicker or warmer; {bears} is what {base} bears beside it. {sheet, select, none {An estimate, for {base} of {deep}{filled, select, yes { and the mix without the fillers added to it} other {}}.} other {An estimate, for {base} of {deep}{filled, select, yes { and the mix without the fillers added to it} other {}}; the sheet itself allows {sheet}.}}',
    todo: 'Thinner lifts, cooler material, or longer between them; the lab shows the thickest that stays calm.',
  },
});
const yes = (is: boolean | undefined) => (is ? 'yes' : 'no');

/**
 * A round body of the same volume over face cools slower than a slab: the slowest mode of a slab of half-thickness M
 * goes by (π/2)²/M², that of a cylinder of radius 2 M by 2.405²/4M² (Carslaw and Jaeger 1959, 3.3 and 7.6).
 */
const ROUND = Math.PI / 2 / (2.405 / 2);

/**
 * How thick a lift counts where it cools, mm: what is narrow loses heat to its walls as well, so it counts by its
 * volume
 * over the base it wets, as a round body would; a broad one counts as thick as it lies, and none for more.
 */
export const heatThicknessMm = (
  liftMm: number,
  { planAreaMm2, wettedAreaMm2, maxDepthMm }: Pick<Faces, 'planAreaMm2' | 'wettedAreaMm2' | 'maxDepthMm'>,
): number => {
  const walls = Math.max(0, wettedAreaMm2 - planAreaMm2) * Math.min(1, liftMm / Math.max(maxDepthMm, 1e-9));
  return planAreaMm2 > 0 ? Math.min(liftMm, (ROUND * liftMm * planAreaMm2) / (planAreaMm2 + walls)) : liftMm;
};

/** Lifts as people speak of them, thickest first, mm. */
const LIFTS_MM = [60, 50, 40, 30, 25, 20, 15, 12, 10, 8, 6, 5, 4, 3, 2];
/** Nobody builds one thing up in more. */
const MOST_LIFTS = 8;

/**
 * The thickest lifts that stay calm, as a press. Not where it is placed in one pass as somebody chose, nor where
 * nothing tells when the next may follow: that would stop it elsewhere.
 */
function thinner(
  { context, method }: { readonly context: MethodContext; readonly method: Method },
  standIns: Piece['standIns'],
  isBad: (liftMm: number) => boolean,
): NonNullable<Finding['ways']> {
  const waits = method.tasks.find((row) => row.waits?.on === 'below')?.waits;
  const kinds = waits ? [waits.for, ...(waits.orElse ?? [])] : [];
  const isTold = kinds.some((kind) => milestoneOf(context.sheet, kind) || standIns[kind]);
  if (context.effects.onePass || context.params.narrow || !isTold) return [];
  const deep = depthToFill(context);
  const now = Math.max(...liftsMm(context));
  const calm = LIFTS_MM.find((lift) => lift < now && deep / lift <= MOST_LIFTS && !isBad(lift));
  return calm === undefined
    ? []
    : [{ say: WAYS.lifts({ thick: exactly(mm(calm)) }), set: { path: ['liftMm'], value: calm } }];
}

/** What becomes of the thickest lift once it is placed, by the prepared table of its sheet. */
export const liftHeatRules: Readonly<Record<string, Rule>> = {
  'lift-heat': ({ plan, repair }) => {
    const { pot, context, thermal, placedMs, potC } = plan;
    if (
      !pot ||
      !context ||
      !thermal ||
      placedMs === null ||
      potC === null ||
      !plan.method ||
      !ENGINES[plan.method.engine].inLifts
    )
      return [];
    const thick = Math.max(...liftsMm(context));
    const { faces } = context.measured;
    const counts = heatThicknessMm(thick, faces);
    const begin = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs ?? placedMs;
    const base = rangeOver(thermal.base, { fromMs: begin, toMs: Math.max(placedMs, begin + 1) });
    const tempC = Math.max(base.ok ? base.value.max : potC, potC);
    const found = pot.lift(counts, tempC);
    const bears = BASE_BEARS_C[context.base];
    const bad = (c: LiftHeat) => c.verdict !== 'calm' || (c.peakC !== null && c.peakC > bears);
    if (!found || !bad(found.worse)) return [];
    const isBad = (liftMm: number) => {
      const cell = pot.lift(heatThicknessMm(liftMm, faces), tempC);
      return !cell || bad(cell.worse);
    };
    const near = bad(found.likely);
    const cell = near ? found.likely : found.worse;
    // What the maker allows overrules an estimate of ours: then it is a word, and no stop.
    const said = context.sheet.limits.liftMaxMm;
    const allowed = said !== null && thick <= said + 1e-9;
    const { usualMm: deep, usualBack } = BASE_PROPERTIES[context.base];
    // What a thin base takes up hangs on what stands behind it, and nobody has told that; fillers take up heat, too.
    // An estimate that may be so far off forbids nothing.
    const isUnsure = usualBack === 'air' || pot.filled;
    return [
      F[near ? 'lift-heat' : 'lift-heat-near'](
        {
          thick: mm(thick),
          narrow: yes(counts < 0.9 * thick),
          counts: mm(counts, 2),
          from: degC(tempC),
          peak: cell.verdict === 'runaway' ? 'runaway' : exactly(degC(Math.round(cell.peakC ?? bears))),
          bears: exactly(degC(bears)),
          sheet: allowed ? exactly(mm(said)) : 'none',
          base: context.base,
          deep: exactly(mm(deep)),
          filled: yes(pot.filled),
        },
        {
          ...(allowed || isUnsure ? { severity: 'caution' as const } : {}),
          ways: thinner({ context, method: plan.method }, repair.standIns, isBad),
        },
      ),
    ];
  },
};
