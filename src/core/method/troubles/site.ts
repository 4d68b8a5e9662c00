import type { Trouble } from './trouble';

/** What the place, the weather and people bring. */
export const SITE: readonly Trouble[] = [
  {
    id: 'rain',
    label: 'Rain or water on it',
    binder: ['resin', 'water'],
    during: ['prepare', 'prime', 'place', 'close', 'hold', 'finish'],
    answers: {
      effect: 'redo-preparation',
    },
  },
  {
    id: 'dust',
    label: 'Dust, oil or silicone came onto the face',
    during: ['prepare', 'prime', 'place', 'close', 'finish'],
    answers: {
      effect: 'redo-preparation',
    },
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
