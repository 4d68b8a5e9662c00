import { areaOf, texts, uptake } from '../say';
import { type BaseMaterial, type Kit, keepsWater, type MilestoneId, mayBeSplit } from '../system';
import { type MethodContext, type Question, type School, type Setting, settingIn } from './context';
import { options } from './effects';
import type { AllowanceRow } from './method';
import { tasks } from './task';

/** mL drunk by a square metre of bare base; estimates to be set on the job. */
export const UPTAKE_ML_PER_M2: Readonly<Record<BaseMaterial, number>> = {
  concrete: 120,
  stone: 40,
  timber: 180,
  metal: 0,
  plastic: 0,
  laminate: 10,
};

/** Uptake of the base as set, or the usual one of its material, mL/m². */
export const uptakeOf = (c: MethodContext): number => {
  const own = settingIn(c, 'uptake');
  return own < 0 ? UPTAKE_ML_PER_M2[c.base] : own;
};

const AMOUNT = texts('amount', {
  drunk: 'drunk by the bare base',
  wall: 'drunk by the wall of the hole',
  area: '{area} × {uptake}',
});

/** What a bare base drinks of the mix. */
export const drunk = (what: 'drunk' | 'wall'): AllowanceRow => ({
  id: 'uptake',
  of: (c) => {
    const mm2 = c.void.count * c.measured.faces.wettedAreaMm2;
    const per = uptakeOf(c);
    return {
      label: AMOUNT[what](),
      ml: (mm2 / 1e6) * per,
      expression: AMOUNT.area({ area: areaOf(mm2), uptake: uptake(per) }),
    };
  },
});

export const uptakeSetting: Setting = {
  id: 'uptake',
  label: 'Uptake of the base',
  kind: 'uptake',
  byDefault: -1,
  min: 0,
  max: 2000,
  stage: 'mix',
};

/** Where whole packs serve each lift by itself, a thicker first one may save one of them. */
export const firstThicker: Setting = {
  id: 'lead',
  label: 'First layer thicker than an even one by',
  kind: 'percent',
  byDefault: 0,
  min: -50,
  max: 200,
  stage: 'place',
};

export const endOfMixing: School = {
  id: 'end-of-mixing',
  matter: 'When mixing is over',
  stage: 'mix',
  ofPots: true,
  options: options('end-of-mixing', [
    {
      id: 'both',
      label: 'clock and colour',
      fits: 'the full time, and no streaks',
      says: { end: 'Until one even colour, and the full {mixMin}.' },
    },
    {
      id: 'clock',
      label: 'by the clock',
      fits: 'parts of one colour, where streaks cannot be seen',
      says: { end: 'The full {mixMin} by the clock.' },
    },
    {
      id: 'colour',
      label: 'by even colour',
      fits: 'small amounts in a fast system',
      says: { end: 'Until one even colour without streaks.' },
    },
  ]),
  byDefault: 'both',
  why: 'Time without colour misses a scraped corner; colour without time misses the last grains.',
};

export const waiting: School = {
  id: 'waiting',
  matter: 'How long to wait',
  stage: 'hold',
  options: options('waiting', [
    { id: 'proved', label: 'computed and proved', fits: 'anything that is walked on, driven on or loaded' },
    { id: 'computed', label: 'computed', fits: 'where no touch or tap test is possible' },
    {
      id: 'fixed',
      label: 'fixed 24 hours',
      fits: 'only where the computed time is shorter anyway',
      effect: { fixedWaitMin: 1440 },
    },
  ]),
  byDefault: 'proved',
  why: 'The night decides the time, and the touch decides whether it is true.',
};

/** A kit that may not be split is not split by choosing so. */
export const NOT_SPLIT = { where: (kit: Kit) => !mayBeSplit(kit), why: 'The sheet does not let this kit be split.' };

export const partKits: School = {
  id: 'part-kits',
  matter: 'Part kits',
  stage: 'mix',
  ofPots: true,
  options: options('part-kits', [
    {
      id: 'whole',
      label: 'whole kits only',
      fits: 'kits whose sheet forbids splitting, and coarse scales',
      effect: { split: 'whole' },
    },
    {
      id: 'weighed',
      label: 'split by weighing',
      fits: 'a sheet that allows it and a scale fine enough',
      effect: { split: 'weighed' },
      idle: NOT_SPLIT,
    },
  ]),
  byDefault: 'whole',
  why: 'Half a kit by eye is the commonest way to a soft repair.',
};

/** What is said of one way to deal with part kits. */
interface KitWords {
  readonly label: string;
  readonly fits: string;
}

/**
 * Faces wetted with neat resin before a filled mix goes on them, or left as they are; what it shows is called *neat*.
 * @param owner the ids of its words begin with it
 */
export const neatFirst = (
  owner: string,
  o: { readonly matter: string; readonly painted: KitWords; readonly bare: KitWords; readonly why: string },
): School => ({
  id: 'neat',
  matter: o.matter,
  stage: 'place',
  options: options(`${owner}.neat`, [
    { id: 'painted', ...o.painted, effect: { shows: ['neat'] } },
    { id: 'bare', ...o.bare },
  ]),
  byDefault: 'painted',
  why: o.why,
});

/**
 * The matter of part kits in the words of one method: as much as is wanted weighed out, or whole kits alone.
 * @param owner the ids of its words begin with it
 */
export const weighedOrWhole = (
  owner: string,
  { weighed, whole, why }: { readonly weighed: KitWords; readonly whole: KitWords; readonly why: string },
  byDefault: 'weighed' | 'whole' = 'weighed',
): School => ({
  id: 'part-kits',
  matter: 'Part kits',
  stage: 'mix',
  ofPots: true,
  options: options(`${owner}.part-kits`, [
    { id: 'weighed', ...weighed, effect: { split: 'weighed' }, idle: NOT_SPLIT },
    { id: 'whole', ...whole, effect: { split: 'whole' } },
  ]),
  byDefault,
  why,
});

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

/** Damming an open back and masking what must stay clear, where there is either. */
export const clear = tasks('common', [
  {
    task: 'prep:clear',
    role: 'prepare',
    when: ({ void: v }) => v.keepClear.length > 0 || v.back !== 'closed',
    title:
      '{back, select, open {{masks, select, yes {Dam the back, mask what stays clear} other {Dam the back}}} other {Mask what stays clear}}',
    detail:
      '{back, select, open {Close the back with tape, a board or a dam that the material cannot pass.} other {}} {masks, select, yes {Stays clear: {clear}.} other {}}',
    confirm: 'Dammed and masked',
    work: { fixed: 5, per: { 'kept clear': 3 } },
    hold: true,
  },
]);

/** What is fresh and of cement gives its water to the wind: asked only where there is cement in it. */
const drying = (row: Pick<Setting, 'id' | 'label' | 'kind' | 'byDefault' | 'min' | 'max'>): Setting => ({
  ...row,
  stage: 'hold',
  when: (_, sheet) => sheet === null || keepsWater(sheet),
});
export const dryingSettings: readonly Setting[] = [
  drying({ id: 'wind', label: 'Wind at the place', kind: 'speed', byDefault: 10, min: 0, max: 150 }),
  drying({
    id: 'evaporation',
    label: 'Evaporation that calls for cover',
    kind: 'evaporation',
    byDefault: 0.5,
    min: 0.01,
    max: 5,
  }),
];

/** How far a face is left proud or low, asked where that level is chosen. */
export const levelSetting = (
  id: 'crown' | 'recess',
  { label, byDefault, max }: Pick<Setting, 'label' | 'byDefault' | 'max'>,
): Setting => ({ id, label, kind: 'length', byDefault, min: 0, max, stage: 'finish', when: (e) => e.level === id });

/**
 * What ends a wait as well where a sheet prints no time to let go or to grind: what bears that much is let go, and
 * takes an abrasive. Not for what gets too hard to be cut.
 */
export const HELD_LONGER: readonly MilestoneId[] = ['foot', 'light-load', 'load'];
/** The same of what holds a bond together: many an adhesive prints when it has cured, and no more. */
export const LET_GO_LONGER: readonly MilestoneId[] = [...HELD_LONGER, 'full-cure'];
