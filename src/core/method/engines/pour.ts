import { type TaskRow, tasks } from '../task';
import { BEGINS, byRate, type Engine, PORTION, POT_CLOCKS, UNPARTED } from './engine';
import { mix, weigh } from './potted';

/** It runs to its level by itself, behind a dam. */
export const pour: Engine = {
  ...UNPARTED,
  onFaces: false,
  oneKitAPot: (c) => !c.params.weighed,
  inLifts: false,
  pace: byRate,
  byApproval: false,
  eachBatch: new Set(POT_CLOCKS),
  begins: BEGINS.mixed(),
  portions: () => [{ label: PORTION.pour(), share: 1 }],
  // A pour never stops until it is full.
  blockOf: () => 'pour',
};

/** Batch by batch without a stop, from one side, so that air can escape on the other. */
export const pouredFull: readonly TaskRow[] = [
  weigh,
  mix,
  ...tasks('pour', [
    {
      task: 'pour',
      role: 'place',
      each: 'batch',
      block: 'work',
      title: '{of, plural, one {Pour from one side} other {Pour batch {n} of {of}, go on where the last one ran to}}',
      detail:
        'From one side only, in a thin stream, so that the air runs out ahead of it. {stopAt} What is over stays in the pail.',
      confirm: '{of, plural, one {It is full} other {Batch {n} is in}}',
      work: { by: { setting: 'rate', driver: 'mL' } },
      marks: { end: ['placed', 'last-coat', 'faces-closed'] },
    },
  ]),
];
