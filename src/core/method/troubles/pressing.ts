import type { Trouble } from './trouble';

/** What goes wrong with packs, mixers and holes that are filled through them. */
export const PRESSING: readonly Trouble[] = [
  {
    id: 'mixer-stiff',
    label: 'The mixer presses hard',
    out: ['mixer'],
    during: ['mix', 'place', 'close'],
    answers: {
      effect: 'redo-batch',
      keepsPlaced: true,
    },
  },
  {
    id: 'starved',
    label: 'The line ran dry, or one part stopped coming',
    out: ['mixer'],
    during: ['place', 'mix'],
    answers: {
      effect: 'redo-batch',
      keepsPlaced: true,
    },
  },
  {
    id: 'hole-short',
    label: 'No collar came up: the hole is starved',
    methods: ['anchor'],
    during: ['place', 'close'],
    until: ['use-by', 'open', 'gel'],
    answers: {
      effect: 'more-material',
      local: true,
    },
  },
  {
    id: 'packs-out',
    label: 'The packs ran out',
    methods: ['anchor'],
    during: ['mix', 'place', 'close'],
    answers: {
      effect: 'more-material',
    },
  },
  {
    id: 'hole-swallows',
    label: 'A hole takes half as much again',
    methods: ['anchor'],
    during: ['place'],
    answers: {
      effect: 'review',
      waitsFor: 'A competent person says whether it is a sieve sleeve, another place, or another fixing.',
    },
  },
  {
    id: 'rod-wrong',
    label: 'A rod in the wrong place, too shallow, or the wrong way up',
    methods: ['anchor'],
    during: ['place', 'close', 'hold', 'test'],
    answers: {
      effect: 'redo-pass',
      local: true,
    },
  },
];
