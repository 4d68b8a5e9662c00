import { figure } from '../../units';
import {
  type BondLine,
  blankSettingOut,
  disagreements,
  halfWidthMm,
  oddReadings,
  SHAPES,
  settingOutMissing,
  settingOutProblems,
} from '../../void';
import type { Finding } from '../finding';
import { finding, type Rule } from './rule';

/** What is noticed about the void and where it is set out. */
export const voidRules: Readonly<Record<string, Rule>> = {
  'bond-thickness': ({ repair, plan }) => {
    const shape = repair.void?.shapes[0];
    if (shape?.shape !== 'bondLine' || !plan.sheet || !plan.void) return [];
    const t = (shape as BondLine).thickness.valueMm;
    const { bondMinMm, bondMaxMm } = plan.sheet.limits;
    if (bondMaxMm !== null && t > bondMaxMm)
      return [
        finding(
          'bond-thickness',
          'stop',
          'measure',
          'Bond line too thick',
          `${figure(t)} mm against ${bondMaxMm} mm on the sheet.`,
          'Grind until the plate lies closer, or fill the hollow first.',
        ),
      ];
    if (bondMinMm !== null && t < bondMinMm)
      return [
        finding(
          'bond-thickness',
          'stop',
          'measure',
          'Bond line too thin',
          `${figure(t)} mm against at least ${bondMinMm} mm on the sheet.`,
          'Lay wire or beads of the right size as spacers.',
        ),
      ];
    return [];
  },

  lift: ({ plan, repair }) => {
    if (!plan.sheet || !plan.void || !plan.context || plan.method?.engine !== 'fill in lifts') return [];
    const { liftMaxMm, liftMinMm } = plan.sheet.limits;
    const depth = plan.void.faces.maxDepthMm;
    const out: Finding[] = [];
    if (liftMaxMm !== null && depth > liftMaxMm) {
      const lifts = Math.ceil(depth / liftMaxMm - 1e-9);
      out.push(
        plan.context.school('deep-fills') === 'one'
          ? finding(
              'lift:deep',
              'stop',
              'place',
              'Deeper than one pass allows',
              `${figure(depth)} mm against ${liftMaxMm} mm on the sheet: it heats itself and cracks.`,
              `Place it in ${lifts} lifts.`,
            )
          : finding(
              'lift:deep',
              'note',
              'measure',
              'Deeper than one lift allows',
              `${figure(depth)} mm against ${liftMaxMm} mm on the sheet.`,
              `Placed in ${lifts} lifts of ${figure(depth / lifts)} mm.`,
            ),
      );
    }
    if (liftMinMm !== null && depth < liftMinMm)
      out.push(
        finding(
          'lift:thin',
          'stop',
          'measure',
          'Thinner than the mortar allows',
          `${figure(depth)} mm at its deepest against at least ${liftMinMm} mm on the sheet.`,
          'Cut deeper, or choose a finer system.',
        ),
      );
    const feathered = repair.void?.shapes.some((s) => s.shape === 'patch' && s.depth.kind === 'readings' && s.depth.edge === 'feathered');
    if (feathered)
      out.push(
        finding(
          'lift:feather',
          liftMinMm ? 'stop' : 'caution',
          'measure',
          'Feathered edge',
          'Mortar run out to nothing breaks off under the first wheel.',
          'Cut the edge vertical and measure it so.',
        ),
      );
    return out;
  },

  'two-readings': ({ repair }) =>
    (repair.void ? disagreements(repair.void) : []).map(({ key, label, measured: m }) =>
      finding(
        `two-readings:${key}`,
        'caution',
        'measure',
        `Two readings of ${label.toLowerCase()} disagree`,
        `${figure(m.valueMm, 4)} mm ± ${figure(halfWidthMm(m))} and ${figure(m.again!.valueMm, 4)} mm ± ${figure(halfWidthMm(m.again!))} cannot both be right; the first is planned with.`,
        'Measure a third time and keep the one it confirms.',
      ),
    ),

  'odd-reading': ({ repair }) =>
    (repair.void?.shapes ?? []).flatMap((shape, i) => {
      if (shape.shape !== 'patch' || shape.depth.kind !== 'readings') return [];
      return oddReadings(shape.depth.readings, halfWidthMm(shape.depth.read)).map((odd) =>
        finding(
          `odd-reading:${i}.${odd.index}`,
          'caution',
          'measure',
          `Reading ${odd.index + 1} stands out`,
          `${figure(odd.depthMm)} mm where its neighbours read about ${figure(odd.aroundMm)} mm.`,
          'Read it again; if it is right, take more readings round it.',
        ),
      );
    }),

  'shape-notice': ({ repair }) =>
    (repair.void?.shapes ?? []).flatMap((shape, i) =>
      (SHAPES[shape.shape].notices?.(shape) ?? []).map((n) =>
        finding(`shape-notice:${i}.${n.id}`, n.severity, 'measure', n.title, n.why, n.todo),
      ),
    ),

  'open-back': ({ repair }) =>
    repair.void?.back === 'open'
      ? [
          finding(
            'open-back',
            'caution',
            'measure',
            'The back is open',
            'What is filled in runs out behind until it has set, and nobody sees it.',
            'Close it first; a hold point for that stands in the steps.',
          ),
        ]
      : [],

  'setting-out': ({ repair, plan }) => {
    if (!plan.method?.setsOut || !repair.void) return [];
    const { count } = repair.void;
    const first = repair.void.shapes[0];
    const sizeMm = first?.shape === 'annulus' ? first.holeDiameter.valueMm : 0;
    const missing = settingOutMissing(repair.settingOut ?? blankSettingOut(), count);
    if (!repair.settingOut || missing.length)
      return [
        finding(
          'setting-out:missing',
          'note',
          'measure',
          'Not set out yet',
          repair.settingOut
            ? `Still open: ${missing.join(', ').toLowerCase()}.`
            : 'Where it goes is not written down: datum, distances, direction, what must stay clear.',
          'Set it out under the drawing; it is checked at the hold point before drilling or grinding.',
        ),
      ];
    return settingOutProblems(repair.settingOut, count, sizeMm).map((p) =>
      finding(
        `setting-out:${p.field}`,
        'stop',
        'measure',
        'Too close',
        p.sentence,
        'Change the setting-out, or go on with the reason and the role of who answers for it.',
      ),
    );
  },
};
