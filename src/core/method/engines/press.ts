import { type TaskRow, tasks } from '../task';
import { BEGINS, type Engine, PORTION } from './engine';

/** Through a mixer or nozzle out of packs, into holes or along a line. */
export const press: Engine = {
  inLifts: false,
  byApproval: true,
  begins: BEGINS.pressed(),
  portions: () => [{ label: PORTION.holes(), share: 1 }],
  blockOf: (c) => `b${(c.batch?.index ?? c.batches.length - 1) + 1}`,
};

/** A fresh mixer where one is due, then place by place. */
export const pressed: readonly TaskRow[] = tasks('press', [
  {
    task: 'purge',
    role: 'mix',
    each: 'batch',
    block: 'work',
    when: ({ batch }) => batch!.mixers > 0 || batch!.index === 0,
    title: '{purges, select, yes {Fresh mixer: throw the first shots away} other {Fresh mixer on}}',
    detail:
      'See both parts flow, put the mixer on, {purges, select, yes {press out {purge} until the colour is even} other {go on at once}}.',
    confirm: 'Colour is even',
    work: { fixed: 1.5 },
  },
  {
    task: 'fill',
    role: 'place',
    each: 'batch',
    block: 'work',
    title: 'Fill {count, plural, one {the hole} other {{places, plural, one {hole {n} of {count}} other {# holes}}}} and turn the rod in',
    detail: 'Nozzle to the back, withdraw as it fills, no air. Turn the rod in to its mark; wipe the surplus to an even collar.',
    confirm: '{places, plural, one {Rod is at its mark} other {Rods are at their marks}}',
    work: { by: { setting: 'per-place', driver: 'place' } },
    marks: { begin: ['mix-begins'], end: ['placed', 'last-coat', 'faces-closed'] },
  },
]);
