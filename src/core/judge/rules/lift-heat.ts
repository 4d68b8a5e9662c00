import { BASE_PROPERTIES } from '../../climate';
import { BASE_BEARS_C, type HeatCell } from '../../cure';
import { ENGINES, liftsMm } from '../../method';
import { degC, exactly, mm } from '../../say';
import type { Faces } from '../../void';
import { findings } from '../finding';
import { type Rule, rangeOver } from './rule';

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
/** A base so many times as thick as was reckoned with takes up more of the heat. */
const THICKER = 1.5;
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

/** What becomes of the thickest lift once it is placed, by the prepared table of its sheet. */
export const liftHeatRules: Readonly<Record<string, Rule>> = {
  'lift-heat': ({ plan }) => {
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
    const counts = heatThicknessMm(thick, context.measured.faces);
    const begin = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs ?? placedMs;
    const base = rangeOver(thermal.base, { fromMs: begin, toMs: Math.max(placedMs, begin + 1) });
    const tempC = Math.max(base.ok ? base.value.max : potC, potC);
    const found = pot.lift(counts, tempC);
    const bears = BASE_BEARS_C[context.base];
    const bad = (c: HeatCell) => c.verdict !== 'calm' || (c.peakC !== null && c.peakC > bears);
    if (!found || !bad(found.worst)) return [];
    const near = bad(found.nearest);
    const cell = near ? found.nearest : found.worst;
    // What the maker allows overrules an estimate of ours: then it is a word, and no stop.
    const said = context.sheet.limits.liftMaxMm;
    const allowed = said !== null && thick <= said + 1e-9;
    const deep = BASE_PROPERTIES[context.base].usualMm;
    // Fillers take up heat, and so does a base that is thicker than was reckoned with: either may end it.
    const isCooler = pot.filled || plan.piece.base.thicknessMm > THICKER * deep;
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
        allowed || isCooler ? { severity: 'caution' } : {},
      ),
    ];
  },
};
