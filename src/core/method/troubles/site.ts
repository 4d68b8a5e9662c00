import type { Trouble } from './trouble';

/** What the place, the weather and people bring. */
export const SITE: readonly Trouble[] = [
  {
    id: 'rain',
    label: 'Rain or water on it',
    binder: ['resin', 'water'],
    during: ['set-out', 'prepare', 'prime', 'place', 'close', 'hold', 'finish'],
    answers: [
      { id: 'bare', sign: 'the prepared face, nothing on it yet', effect: 'redo-preparation', face: ['dry'] },
      {
        id: 'primer',
        sign: 'the primer, before anything was placed on it',
        where: 'prime',
        effect: 'redo-preparation',
        face: ['dry', 'abrade'],
        primer: true,
      },
      { id: 'placed', sign: 'what is placed', effect: 'redo-preparation', face: ['dry'] },
    ],
    unsigned: { effect: 'redo-preparation' },
  },
  {
    id: 'dust',
    label: 'Dust, oil or silicone came onto the face',
    during: ['set-out', 'prepare', 'prime', 'place', 'close', 'finish'],
    answers: [
      { id: 'bare', sign: 'the prepared face, nothing on it yet', effect: 'redo-preparation', face: ['clean'] },
      {
        id: 'primer',
        sign: 'the primer, before anything was placed on it',
        where: 'prime',
        effect: 'redo-preparation',
        face: ['abrade'],
        primer: true,
      },
      { id: 'placed', sign: 'what is placed, still wet', effect: 'redo-preparation', face: ['abrade'] },
    ],
    unsigned: { effect: 'redo-preparation' },
  },
  {
    id: 'contaminated',
    label: 'It was dirty underneath, found late',
    during: ['place', 'close', 'hold', 'finish', 'test'],
    answers: {
      effect: 'redo-pass',
      local: true,
    },
  },
  {
    id: 'too-cold',
    label: 'It is too cold, it has stalled',
    during: ['place', 'close', 'hold', 'finish', 'test'],
    answers: {
      effect: 'none',
    },
  },
  {
    id: 'power',
    label: 'Power or light failed',
    during: ['prepare', 'mix', 'prime', 'place', 'close', 'hold', 'finish'],
    answers: {
      effect: 'none',
    },
  },
  {
    id: 'leave',
    label: 'Somebody has to leave',
    during: ['prepare', 'mix', 'prime', 'place', 'close', 'hold', 'finish'],
    answers: {
      effect: 'fewer-hands',
    },
  },
  {
    id: 'window-missed',
    label: 'The window to go on was missed',
    binder: ['resin'],
    during: ['prepare', 'prime', 'mix', 'place', 'finish'],
    answers: {
      effect: 'none',
    },
  },
  {
    id: 'loaded',
    label: 'It was touched, walked on or loaded too early',
    during: ['hold', 'finish', 'refit', 'test'],
    answers: {
      effect: 'restart-hold',
    },
  },
];
