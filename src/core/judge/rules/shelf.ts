import { dayOf } from '../../climate';
import { measuredBatch, saidTolerance, scaledColour, TINT_MAX_PCT, toleranceOf } from '../../mix';
import { passedOver } from '../../plan';
import { coverageMl, isMetered, kitVolumeMl, WETNESS } from '../../system';
import { attempt, figure } from '../../units';
import type { Finding } from '../finding';
import { finding, type Rule } from './rule';

/** What is noticed about lots, the surface against the sheet, the instrument at hand, colour and the cups kept. */
export const shelfRules: Readonly<Record<string, Rule>> = {
  lots: ({ job, plan, stock }) => {
    const { sheet, mix } = plan;
    if (!sheet || !mix) return [];
    const begins = plan.steps.find((s) => s.stage === 'mix')?.startMs ?? job.startFrom;
    const day = dayOf(job.zone, begins).date;
    return stock
      .filter((l) => l.systemId === sheet.systemId && (l.quantity > 0 || l.openedShare > 0))
      .flatMap((l): Finding[] => {
        const why = passedOver(l, sheet, day);
        return why
          ? [
              finding(
                `lot:${l.id}`,
                'caution',
                'mix',
                `Lot ${l.lot} is passed over`,
                `It is ${why}.`,
                'Do not use it here; the plan counts without it.',
              ),
            ]
          : [];
      });
  },

  surface: ({ repair, plan }) => {
    const { sheet } = plan;
    if (!sheet) return [];
    const out: Finding[] = [];
    const limit = sheet.limits.moistureMaxPct;
    if (limit !== null && repair.moisturePct !== null && repair.moisturePct > limit)
      out.push(
        finding(
          'moisture',
          'stop',
          'material',
          'Base too damp inside',
          `It holds ${figure(repair.moisturePct)} %, the sheet allows ${figure(limit)} %.`,
          'Let it dry and measure again, or choose a system for damp bases.',
        ),
      );
    if (WETNESS.indexOf(repair.surface) > WETNESS.indexOf(sheet.limits.wetness))
      out.push(
        finding(
          'wetness',
          'stop',
          'material',
          'Surface wetter than the sheet allows',
          `It is found ${repair.surface}, the sheet wants ${sheet.limits.wetness}.`,
          'Dry it, or choose a system that bears the wet.',
        ),
      );
    const sag =
      repair.orientation === 'wall' ? sheet.limits.sagWallMm : repair.orientation === 'overhead' ? sheet.limits.sagOverheadMm : null;
    const deep = plan.void?.faces.maxDepthMm ?? 0;
    const lift = Math.min(deep, sheet.limits.liftMaxMm ?? deep);
    if (sag !== null && lift > sag)
      out.push(
        finding(
          'sag',
          'stop',
          'material',
          'It would sag out',
          `${figure(lift)} mm ${repair.orientation === 'wall' ? 'on a wall' : 'overhead'}, the sheet holds ${figure(sag)} mm.`,
          'Build it in thinner lifts, shutter it, or thicken it within the sheet.',
        ),
      );
    return out;
  },

  coverage: ({ plan }) => {
    const { sheet, kit } = plan;
    if (!sheet || !kit) return [];
    const stated = [kit.yieldMl, coverageMl(sheet, kit)].filter((x): x is number => x !== null);
    const geometry = kitVolumeMl(sheet, kit);
    const least = Math.min(...stated, geometry);
    return least < geometry * 0.95
      ? [
          finding(
            'coverage',
            'note',
            'mix',
            'The sheet counts with less from a kit',
            `By its masses ${kit.label} makes ${figure(geometry)} mL, by the sheet’s own figure ${figure(least)} mL: ${figure((1 - least / geometry) * 100, 2)} % less.`,
            'The smaller figure plans.',
          ),
        ]
      : [];
  },

  instrument: ({ repair, plan }) => {
    const { sheet, batches } = plan;
    const { way } = repair.bench;
    if (!sheet || !batches.length || way === null || way === 'weight' || isMetered(sheet.kind) || batches.every((b) => b.kits !== null))
      return [];
    const smallest = batches.reduce((a, b) => (b.massG.A < a.massG.A ? b : a));
    const m = attempt(() => measuredBatch(sheet, smallest.massG, { ...repair.bench, way, scaleStepG: repair.scaleStepG }));
    if (!m.ok)
      return [
        finding(
          'instrument:unknown',
          'stop',
          'mix',
          'The measure is not known yet',
          m.problem.sentence,
          'Calibrate it on the mix sheet, or weigh.',
        ),
      ];
    const tolerance = toleranceOf(sheet);
    return m.value.worstShortPct > tolerance.shortPct + 1e-9 || m.value.worstOverPct > tolerance.overPct + 1e-9
      ? [
          finding(
            'instrument:coarse',
            'stop',
            'mix',
            'The measure is too coarse for this batch',
            `Rounding alone puts B/A ${figure(m.value.roundingPct, 2)} % off, with half a step of each up to ${figure(m.value.worstShortPct, 2)} % short or ${figure(m.value.worstOverPct, 2)} % over; ${tolerance.fromSheet ? 'the sheet allows' : 'assumed, not from the sheet:'} ${saidTolerance(tolerance)}.`,
            `Weigh it, take a finer measure, or mix more at once${sheet.dose ? '; a dose in the middle of its range leaves the most room' : ''}.`,
          ),
        ]
      : [];
  },

  colour: ({ repair, plan }) => {
    const trial = repair.colour?.trials.find((t) => t.id === repair.colour!.chosen);
    if (!trial || !plan.batches.length) return [];
    const masses = plan.batches.map((b) => Object.values(b.massG).reduce((s, x) => s + x, 0));
    const least = Math.min(...masses);
    const scaled = scaledColour(trial, least, repair.scaleStepG);
    const out: Finding[] = [];
    if (scaled.sharePct > TINT_MAX_PCT)
      out.push(
        finding(
          'colour:much',
          'caution',
          'mix',
          'Much tint in the mix',
          `${figure(scaled.sharePct, 2)} % of tints and dust; above ${TINT_MAX_PCT} % most sheets no longer stand for strength and cure (assumed, not from this sheet).`,
          'Ask the maker, or colour a thin last coat only.',
        ),
      );
    if (least < scaled.leastMixG)
      out.push(
        finding(
          'colour:fine',
          'caution',
          'mix',
          'A tint too small for the scale',
          `In ${figure(least)} g of mix its smallest tint is lost in a step of ${figure(repair.scaleStepG)} g.`,
          `Weigh on a finer scale, or colour at least ${figure(scaled.leastMixG)} g at once and divide it.`,
        ),
      );
    return out;
  },

  witness: ({ plan, actuals, nowMs }) =>
    plan.batches.flatMap((b): Finding[] => {
      const placed = plan.steps.some((s) => s.batch === b.index && s.marks?.end?.includes('placed') && s.doneAt !== null);
      if (!placed || isMetered(plan.sheet!.kind)) return [];
      const cup = actuals.witness.get(b.index);
      if (!cup)
        return [
          finding(
            `witness:${b.index}:none`,
            'note',
            'hold',
            `No cup kept of batch ${b.index + 1}`,
            'A left-over cup shows whether the batch cured.',
            'Set what is left in the pot aside as its witness and note it.',
          ),
        ];
      const bears = plan.milestones.findLast((m) => m.kind === plan.serves)?.planMs ?? null;
      const due = bears !== null && nowMs >= bears;
      return due && cup.state !== 'hard' && cup.state !== 'kept'
        ? [
            finding(
              `witness:${b.index}:soft`,
              'stop',
              'release',
              `The cup of batch ${b.index + 1} is not hard`,
              `By the clock it should bear load now.`,
              'Do not load it. Touch the cup again; doubt the ratio if it stays soft.',
            ),
          ]
        : [];
    }),
};
