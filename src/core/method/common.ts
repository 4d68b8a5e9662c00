import type { Batch } from '../mix';
import { type BaseMaterial, PART_IDS } from '../system';
import { figure } from '../units';
import { SHAPES, type Void } from '../void';
import type { MethodContext, Question, School, Setting, StepDraft } from './method';

/** mL drunk by a square metre of bare base; estimates to be set on the job. */
export const UPTAKE_ML_PER_M2: Readonly<Record<BaseMaterial, number>> = {
  concrete: 120,
  stone: 40,
  timber: 180,
  metal: 0,
  plastic: 0,
  laminate: 10,
};

export const uptakeSetting: Setting = {
  id: 'uptake',
  label: 'Uptake of the base',
  kind: 'uptake',
  byDefault: -1,
  min: 0,
  max: 2000,
  stage: 'mix',
};

export const endOfMixing: School = {
  id: 'end-of-mixing',
  matter: 'When mixing is over',
  stage: 'mix',
  options: [
    { id: 'both', label: 'clock and colour', fits: 'the full time, and no streaks' },
    { id: 'clock', label: 'by the clock', fits: 'parts of one colour, where streaks cannot be seen' },
    { id: 'colour', label: 'by even colour', fits: 'small amounts in a fast system' },
  ],
  byDefault: 'both',
  why: 'Time without colour misses a scraped corner; colour without time misses the last grains.',
};

export const waiting: School = {
  id: 'waiting',
  matter: 'How long to wait',
  stage: 'hold',
  options: [
    { id: 'proved', label: 'computed and proved', fits: 'anything that is walked on, driven on or loaded' },
    { id: 'computed', label: 'computed', fits: 'where no touch or tap test is possible' },
    { id: 'fixed', label: 'fixed 24 hours', fits: 'only where the computed time is shorter anyway' },
  ],
  byDefault: 'proved',
  why: 'The night decides the time, and the touch decides whether it is true.',
};

export const partKits: School = {
  id: 'part-kits',
  matter: 'Part kits',
  stage: 'mix',
  options: [
    { id: 'whole', label: 'whole kits only', fits: 'kits whose sheet forbids splitting, and coarse scales' },
    { id: 'weighed', label: 'split by weighing', fits: 'a sheet that allows it and a scale fine enough' },
  ],
  byDefault: 'whole',
  why: 'Half a kit by eye is the commonest way to a soft repair.',
};

export const soundBase: Question = {
  id: 'sound',
  ask: 'Does the base ring sound when tapped all round, with nothing loose or hollow?',
  wants: 'yes',
  otherwise: {
    severity: 'stop',
    title: 'Base not sound',
    why: 'A repair holds no better than what it sticks to.',
    todo: 'Cut back to sound material, measure again, then answer again.',
  },
};

export const noWaterPressure: Question = {
  id: 'water-pressure',
  ask: 'Does water press or seep from behind?',
  wants: 'no',
  otherwise: {
    severity: 'stop',
    title: 'Water pressing from behind',
    why: 'Water under the resin lifts it before it has set.',
    todo: 'Drain or stop the water first, or take a system made for running water.',
  },
};

export const notMoving: Question = {
  id: 'moving',
  ask: 'Does a crack or joint run through the place and move?',
  wants: 'no',
  otherwise: {
    severity: 'stop',
    title: 'Moving crack',
    why: 'A rigid fill breaks again beside the old line.',
    todo: 'Keep the joint open, or have the movement judged by a competent person.',
  },
};

/** Mixing steps of a batch by pot: begin and end are both told, since clocks count from them. */
export function mixSteps(batch: Batch, of: number, mixMin: number, school: string, order: string, block: string): StepDraft[] {
  const n = batch.index + 1;
  const kits = batch.kits === null ? '' : batch.kits === 1 ? 'One whole kit. ' : `${batch.kits} whole kits. `;
  const parts = [...PART_IDS.filter((id) => batch.massG[id] > 0).map((id) => `${figure(batch.massG[id])} g of ${id}`)].join(', ');
  const end =
    {
      both: `Until one even colour, and the full ${figure(mixMin)} min.`,
      clock: `The full ${figure(mixMin)} min by the clock.`,
      colour: 'Until one even colour without streaks.',
    }[school] ?? '';
  return [
    {
      id: `b${n}:weigh`,
      stage: 'mix',
      title: of > 1 ? `Set out batch ${n} of ${of}` : 'Set out the batch',
      detail: `${kits}${parts}. Stir each part in its own tin first; note the lot numbers.`,
      handsOnMin: 4,
      confirm: batch.kits === null ? 'Weighed out' : 'Set out',
      block,
      batch: batch.index,
    },
    {
      id: `b${n}:mix`,
      stage: 'mix',
      title: of > 1 ? `Mix batch ${n}` : 'Mix',
      detail: `${order} ${end} Scrape sides and bottom. Keep a cupful as the witness of its cure.`,
      handsOnMin: Math.max(1, mixMin),
      confirm: 'Mixed',
      block,
      batch: batch.index,
      marks: { begin: ['mix-begins'], end: ['mix-ends', 'stand-ends'] },
    },
  ];
}

/** What is different about some of the like voids, as said to whoever does the work. */
export function variantsText(v: Void): string {
  return v.variants
    .map((x) => {
      const [, at, ...rest] = x.key.split('.');
      const shape = v.shapes[Number(at)];
      const label =
        shape &&
        SHAPES[shape.shape]
          .dimensions(shape)
          .find((d) => d.key === rest.join('.'))
          ?.label.toLowerCase();
      return ` ${x.count} of them with ${label ?? 'a size'} ${figure(Math.abs(x.byMm))} mm ${x.byMm < 0 ? 'less' : 'more'}.`;
    })
    .join('');
}

/** Where the places lie, as said at the hold point before anything irreversible. */
export function settingOutText(c: MethodContext): string {
  const s = c.settingOut;
  if (!s) return '';
  const many = c.void.count > 1 ? `, then every ${figure(s.spacing.valueMm)} mm${s.angleDeg ? ` at ${figure(s.angleDeg)}°` : ''}` : '';
  const facing = s.orientation.trim() ? ` Facing ${s.orientation.trim()}.` : '';
  return `From ${s.datum.trim() || 'the datum'}: ${figure(s.along.valueMm)} mm along, ${figure(s.from.valueMm)} mm in${many}; ${figure(s.clearance.valueMm)} mm clear all round.${facing} `;
}

/** Damming an open back and masking what must stay clear, where there is either. */
export function clearSteps(v: Void, block: string): readonly StepDraft[] {
  const names = v.keepClear.map((k) => k.name.trim() || 'the marked space');
  if (!names.length && v.back === 'closed') return [];
  const dam = v.back === 'open' ? 'Close the back with tape, a board or a dam that the material cannot pass. ' : '';
  return [
    {
      id: 'prep:clear',
      stage: 'place',
      title: v.back === 'open' ? (names.length ? 'Dam the back, mask what stays clear' : 'Dam the back') : 'Mask what stays clear',
      detail: `${dam}${names.length ? `Stays clear: ${names.join(', ')}.` : ''}`.trim(),
      handsOnMin: 5 + 3 * names.length,
      confirm: 'Dammed and masked',
      hold: true,
      block,
    },
  ];
}
