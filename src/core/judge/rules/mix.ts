import { BASE_BEARS_C, type HeatCell } from '../../cure';
import { liftsOf, primerOf } from '../../method';
import { massOf, saidTolerance, scaleErrorPct, smallestBatchAG, toleranceOf } from '../../mix';
import { grainsUntold, isMetered, milestoneOf, proportionOf } from '../../system';
import { figure } from '../../units';
import type { Annulus } from '../../void';
import type { Finding } from '../finding';
import { deg, finding, type Rule, rangeOver } from './rule';

/** A pot this many times the mass of the sheet’s pot life no longer keeps to it. */
const POT_MASS_FACTOR = 1.5;

/** Of the sheet’s pot life; above it nobody would notice. */
const NOTICED_SHARE = 0.95;

/** What is noticed about amounts, reach and scale. */
export const mixRules: Readonly<Record<string, Rule>> = {
  starved: ({ repair, plan }) => {
    const shape = repair.void?.shapes[0];
    if (shape?.shape !== 'annulus' || !plan.mix || !plan.void || plan.context?.school('filling') !== 'two-thirds') return [];
    const extra = plan.mix.lines.find((l) => l.id === 'two-thirds')?.ml ?? 0;
    return extra < 0
      ? [
          finding(
            'starved',
            'stop',
            'mix',
            'Two thirds starves this anchor',
            `The gap is ${figure(plan.void.nominalMl)} mL, two thirds of the bore ${figure(plan.void.nominalMl + extra)} mL: the rod is too thin for its hole.`,
            'Overfill and wipe, or use a closer-fitting bit.',
          ),
        ]
      : [];
  },

  'hole-gap': ({ repair, plan }) => {
    const shape = repair.void?.shapes[0];
    const reach = plan.sheet?.mixer?.reachMm;
    if (shape?.shape !== 'annulus' || !plan.void || !reach) return [];
    const deep = (shape as Annulus).holeDepth.valueMm;
    return deep > reach
      ? [
          finding(
            'hole-gap:reach',
            'caution',
            'place',
            'Nozzle does not reach the bottom',
            `The hole is ${figure(deep)} mm, the mixer reaches ${reach} mm: air stays behind the resin.`,
            'Fit an extension tube of the hole’s depth.',
          ),
        ]
      : [];
  },

  scale: ({ repair, plan }) => {
    const { sheet, mix, batches } = plan;
    if (repair.bench.way !== null && repair.bench.way !== 'weight') return [];
    if (!sheet || !mix || isMetered(sheet.kind) || !batches.length) return [];
    if (batches.every((b) => b.kits !== null)) return [];
    const tolerance = toleranceOf(sheet);
    const tight = Math.min(tolerance.shortPct, tolerance.overPct);
    const smallest = batches.reduce((a, b) => (b.massG.A < a.massG.A ? b : a));
    const error = scaleErrorPct(smallest.massG.A, smallest.massG.B, repair.scaleStepG);
    if (error <= tight + 1e-9) return [];
    const least = tight > 0 ? smallestBatchAG(smallest.massG.B / smallest.massG.A, repair.scaleStepG, tight) : null;
    // At the end of a dose’s range no scale is fine enough: it is the dose that is moved.
    const ways = least === null ? 'Choose a dose inside its range' : `Use a finer scale, or mix at least ${figure(least)} g of A`;
    return [
      finding(
        'scale',
        sheet.dose && least === null ? 'caution' : 'stop',
        'mix',
        'Scale too coarse for this batch',
        `A step of ${repair.scaleStepG} g on ${figure(smallest.massG.B)} g of B is up to ±${figure(error, 2)} %, ${tolerance.fromSheet ? 'the sheet allows' : 'assumed, not from the sheet:'} ${saidTolerance(tolerance)}.`,
        `${ways}${sheet.dose && least !== null ? '; a dose in the middle of its range leaves the most room' : ''}.`,
      ),
    ];
  },

  'pot-mass': ({ plan }) => {
    const { sheet, batches, pot } = plan;
    if (!sheet || isMetered(sheet.kind) || sheet.family !== 'resin-amine' || !batches.length) return [];
    const massG = Math.max(...batches.map((b) => massOf(b.massG)));
    const share = pot?.shareOf(massG) ?? null;
    const stated = milestoneOf(sheet, 'use-by')?.referenceMassG ?? null;
    const outgrown = stated !== null && massG > POT_MASS_FACTOR * stated;
    if (share === null ? !outgrown : share > NOTICED_SHARE) return [];
    const leaves = pot?.leftAlone(massG)?.verdict;
    return [
      finding(
        'pot-mass',
        'caution',
        'mix',
        share === null ? 'A bigger pot than the sheet’s pot life is for' : 'The pot warms itself and dies sooner',
        `${figure(massG)} g stand in one pot, the sheet’s time is for ${figure(pot?.referenceG ?? stated!)} g${stated === null ? ' (assumed, the sheet names none)' : ''}: ${
          share === null
            ? 'it heats itself and dies sooner than the clock says.'
            : `an estimated ${figure(share * 100, 2)} % of that time is left, and the clocks here count with it${
                pot?.beyond(massG) ? ', as if it lost nothing to the air, since it is beyond what was prepared' : ''
              }${pot?.filled ? '; your own fillers are left out of it, they make it milder' : ''}.`
        }${leaves === 'runaway' ? ' Left in the pot, a rest of that size may run away: smoke and fire.' : leaves === 'hot' ? ' Left in the pot, it gets hotter than 120 °C.' : ''}`,
        'Mix smaller batches, spread it out at once, or keep it in a flat tray; never leave a rest standing in the pot.',
      ),
    ];
  },

  'lift-heat': ({ plan }) => {
    const { pot, context, thermal, placedMs, potC } = plan;
    if (!pot || !context || !thermal || placedMs === null || potC === null || plan.method?.engine !== 'fill in lifts') return [];
    const lifts = liftsOf(context);
    const thick = context.measured.faces.maxDepthMm / lifts;
    const begin = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs ?? placedMs;
    const base = rangeOver(thermal.base, { fromMs: begin, toMs: Math.max(placedMs, begin + 1) });
    const tempC = Math.max(base.ok ? base.value.max : potC, potC);
    const found = pot.lift(thick, tempC);
    const bears = BASE_BEARS_C.concrete;
    const bad = (c: HeatCell) => c.verdict !== 'calm' || (c.peakC !== null && c.peakC > bears);
    if (!found || !bad(found.worst)) return [];
    const says = (c: HeatCell) => (c.verdict === 'runaway' ? 'it runs away' : `it reaches some ${figure(c.peakC ?? bears, 2)} °C`);
    const stop = bad(found.nearest);
    return [
      finding(
        'lift-heat',
        stop ? 'stop' : 'caution',
        'place',
        stop ? 'This lift gets too hot' : 'This lift may get too hot',
        `${figure(thick)} mm at ${deg(tempC)}: ${says(stop ? found.nearest : found.worst)}${stop ? '' : ' if it is a little thicker or warmer'}; ${bears} °C is what concrete bears beside it. An estimate.`,
        'Thinner lifts, cooler material, or longer between them; the lab shows the thickest that stays calm.',
      ),
    ];
  },

  lean: ({ plan }) => {
    const out: Finding[] = [];
    if (plan.sheet && plan.mix && proportionOf(plan.sheet).lean)
      out.push(
        finding(
          'lean',
          'caution',
          'mix',
          'Lean mix',
          'The liquid does not fill the space between the grains: air stays in it and its volume is that of the loose sand.',
          'Check the aggregate on the sheet.',
        ),
      );
    if (plan.sheet && plan.mix && grainsUntold(plan.sheet))
      out.push(
        finding(
          'lean:untold',
          'note',
          'mix',
          'Whether it is lean cannot be told',
          'The sheet gives no tamped bulk density of the grains: their voids are not known.',
          'Fill a cup with it, tamp, weigh: mass over volume is the figure. Type it on the sheet.',
        ),
      );
    const cut = plan.batches.filter((b) => b.leftOutG > 0);
    if (cut.length && plan.context?.school('draw-off') === 'computed') {
      const lifts = primerOf(plan.context);
      const most = cut.map((b) => lifts[b.portion]!).reduce((a, b) => (b.share > a.share ? b : a));
      out.push(
        finding(
          'lean:draw',
          'note',
          'mix',
          'Sand is left out to match the primer',
          `${figure(most.share * 100, 2)} % of the liquid is drawn off${
            most.threshold === null
              ? ', and the sheet gives no bulk density of its sand that would tell how much may stay'
              : `; up to ${figure(most.threshold * 100, 2)} % the sand could stay whole`
          }.`,
          `Leave out ${cut.map((b) => `${figure(b.leftOutG)} g from batch ${b.index + 1}`).join(', ')}; the steps say it where it is set out.`,
        ),
      );
    }
    return out;
  },

  estimate: ({ plan }) => {
    const used = plan.milestones.filter(
      (m) => m.standing !== 'sheet' && m.planMs !== null && (m.kind === plan.serves || m.kind === 'use-by' || m.kind === 'release'),
    );
    const estimated = [...new Set(used.filter((m) => m.standing === 'estimated').map((m) => m.label.toLowerCase()))];
    const beyond = [...new Set(used.filter((m) => m.standing === 'extrapolated').map((m) => m.label.toLowerCase()))];
    return [
      ...(estimated.length
        ? [
            finding(
              'estimate',
              'note',
              'hold',
              'Estimated, not the sheet’s word',
              `The sheet gives one figure for ${estimated.join(' and ')}; away from its temperature it is carried by the family’s activation energy ± 10 kJ/mol.`,
              'Prove it by touch and by the left-over cup before release.',
            ),
          ]
        : []),
      ...(beyond.length
        ? [
            finding(
              'extrapolated',
              'caution',
              'hold',
              'Beyond the sheet’s points',
              `The temperature runs past the outer points of the sheet for ${beyond.join(' and ')}.`,
              'Prove it by touch and by the left-over cup before release.',
            ),
          ]
        : []),
    ];
  },
};
