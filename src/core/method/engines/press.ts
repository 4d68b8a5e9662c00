import { stepId, type TaskRow, tasks } from '../task';
import { BEGINS, type Engine, inPlaces, PORTION, POT_CLOCKS, UNPARTED } from './engine';

/** Through a mixer or nozzle out of packs, into holes or along a line. */
export const press: Engine = {
  ...UNPARTED,
  onFaces: false,
  liesOpen: 'never',
  oneKitAPot: () => false,
  inRounds: true,
  inLifts: false,
  pace: null,
  byApproval: true,
  // Each round is loaded by its own setting.
  spends: [],
  eachBatch: new Set([...POT_CLOCKS, 'release', 'light-load', 'load']),
  begins: BEGINS.pressed(),
  portions: (c) => [{ label: PORTION.holes(), share: 1, ...inPlaces(c) }],
  // What shares a mixer is not torn apart by the end of the day.
  blockOf: (c) => {
    const at = c.batch?.index ?? c.batches.length - 1;
    const fresh = c.batches.findLastIndex((b) => b.index <= at && b.mixers > 0);
    return `b${Math.max(0, fresh) + 1}`;
  },
};

/** A pause in pressing that is known beforehand. */
export const [pause] = tasks('press', [
  {
    task: 'pause',
    role: 'place',
    each: 'batch',
    block: 'work',
    when: ({ batch }) => (batch!.pauseMin ?? 0) > 0,
    title: 'Pause, as known beforehand',
    detail:
      '{fresh, select, yes {The resin in the mixer does not bear it: a fresh mixer is made ready meanwhile.} other {The mixer stays good; do not let it stand longer.}}',
    confirm: 'On it goes',
    work: { sheet: ({ batch }) => batch!.pauseMin ?? 0 },
  },
]) as readonly [TaskRow];

/** Whether a step, named by its id, puts the first mixer of a pass on. */
export const isFirstMixer = (id: string): boolean => id === stepId({ task: 'purge', batch: 0, attempt: 1 });

/** A fresh mixer where one is due, then place by place. */
export const pressed: readonly TaskRow[] = [
  pause,
  ...tasks('press', [
    {
      task: 'purge',
      role: 'mix',
      each: 'batch',
      block: 'work',
      when: ({ batch, mixerOn }) => batch!.mixers > 0 || (batch!.index === 0 && mixerOn === null),
      title: '{purges, select, yes {Fresh mixer: throw the first shots away} other {Fresh mixer on}}',
      detail:
        'See both parts flow, put the mixer on, {purges, select, yes {press out {purge} until the colour is even} other {go on at once}}.',
      confirm: 'Colour is even',
      // In a pause there is time for it.
      work: { per: { 'fresh mixer': 1.5 } },
    },
    {
      task: 'fill',
      role: 'place',
      each: 'batch',
      block: 'work',
      title:
        '{besides, select, anew {{places, plural, one {The hole made anew: fill it, turn the rod in} other {The # holes made anew: fill, turn the rod in, next}}} more {{places, plural, one {Fill up what was starved, turn the rod in} other {The # holes that are left: fill, turn the rod in, next}}} other {{count, plural, one {Fill the hole and turn the rod in} other {{places, plural, one {Fill hole {first} of {count}, turn the rod in} other {Holes {first} to {last} of {count}: fill, turn the rod in, next}}}}}}',
      detail:
        'Nozzle to the back, withdraw as it fills, no air. Turn the rod in to its mark; wipe the surplus to an even collar.',
      confirm: '{places, plural, one {Rod is at its mark} other {Rods are at their marks}}',
      work: { by: { setting: 'per-place', driver: 'place' } },
      exact: true,
      marks: { begin: ['mix-begins'], end: ['placed', 'last-coat', 'faces-closed'] },
    },
  ]),
];
