import type { Trouble } from './trouble';

/** What goes wrong with powder and water, and with what dries. */
export const MINERAL: readonly Trouble[] = [
  {
    id: 'stiffened',
    label: 'The mix has stiffened in the pail',
    binder: ['cement'],
    during: ['mix', 'prime', 'place', 'close'],
    ofDeadPot: true,
    answers: {
      effect: 'redo-batch',
      keepsPlaced: true,
    },
  },
  {
    id: 'too-wet',
    label: 'Too much water, or nobody counted it',
    binder: ['cement'],
    during: ['mix', 'place'],
    answers: {
      effect: 'redo-batch',
    },
  },
  {
    id: 'lumps',
    label: 'Lumps, or dry powder in it',
    binder: ['cement'],
    during: ['mix', 'place'],
    answers: {
      effect: 'redo-batch',
    },
  },
  {
    id: 'rained-on',
    label: 'Rain on the fresh face, or water standing',
    binder: ['cement'],
    during: ['place', 'close', 'hold', 'finish'],
    answers: {
      effect: 'none',
    },
  },
  {
    id: 'weak',
    label: 'It has not set, or it dusts and scratches',
    binder: ['cement'],
    during: ['hold', 'finish', 'refit', 'test'],
    answers: [
      {
        id: 'late',
        sign: 'soft all through, and it was cold',
        effect: 'none',
      },
      {
        id: 'frozen',
        sign: 'flakes and crumbles, and there was frost',
        effect: 'redo-pass',
      },
      {
        id: 'skin',
        sign: 'only the skin dusts, beneath it is hard',
        effect: 'redo-finish',
      },
    ],
  },
  {
    id: 'past-use',
    label: 'It thickens, or is past its use-by',
    binder: ['water'],
    during: ['mix', 'place'],
    ofDeadPot: true,
    answers: {
      effect: 'redo-batch',
      keepsPlaced: true,
    },
  },
  {
    id: 'still-wet',
    label: 'It has not dried when it should have',
    binder: ['water'],
    during: ['hold', 'finish', 'refit', 'test'],
    answers: {
      effect: 'none',
    },
  },
];
