import type { Trouble } from './trouble';

/** What goes wrong with the pot. */
export const MIXING: readonly Trouble[] = [
  {
    id: 'pot-hot',
    label: 'The pot is hot or stiff',
    out: ['pot'],
    binder: ['resin'],
    during: ['mix', 'prime', 'place', 'close'],
    ofDeadPot: true,
    answers: {
      effect: 'redo-batch',
      keepsPlaced: true,
    },
  },
  {
    id: 'putty-stiff',
    label: 'It turns warm or stiff in the hand',
    out: ['hand'],
    during: ['mix', 'place', 'close'],
    ofDeadPot: true,
    answers: {
      effect: 'redo-batch',
      keepsPlaced: true,
    },
  },
  {
    id: 'ratio',
    label: 'The ratio is in doubt',
    out: ['pot', 'hand'],
    binder: ['resin'],
    during: ['mix', 'prime', 'place'],
    answers: {
      effect: 'redo-batch',
    },
  },
  {
    id: 'streaks',
    label: 'It is not one colour',
    out: ['pot', 'hand'],
    binder: ['resin'],
    during: ['mix', 'place'],
    answers: {
      effect: 'redo-batch',
    },
  },
  {
    id: 'foamed',
    label: 'It foamed',
    binder: ['resin'],
    during: ['mix', 'place', 'hold'],
    answers: [
      { id: 'pot', sign: 'in the pot', effect: 'redo-batch' },
      { id: 'placed', sign: 'where it was placed', effect: 'redo-batch', face: ['dry'] },
    ],
    unsigned: { effect: 'redo-preparation' },
  },
  {
    id: 'splash',
    label: 'Splash, spill or fumes',
    during: ['prepare', 'prime', 'mix', 'place', 'finish'],
    answers: {
      effect: 'review',
      waitsFor: 'The work stops until somebody answerable has said that it may go on.',
    },
  },
];
