import type { Trouble } from './trouble';

/** What goes wrong while material is placed, closed and set on its mark. */
export const PLACING: readonly Trouble[] = [
  {
    id: 'ran-out',
    label: 'The material ran out',
    engines: ['spread', 'fill', 'pour', 'coat'],
    methods: ['flexible-joint', 'laminate-hole'],
    during: ['place', 'close', 'prime'],
    answers: {
      effect: 'more-material',
    },
  },
  {
    id: 'swallowed',
    label: 'The void swallows more than it should',
    engines: ['pour', 'fill'],
    methods: ['flexible-joint', 'laminate-hole'],
    during: ['place'],
    answers: {
      effect: 'more-material',
    },
  },
  {
    id: 'part-moved',
    label: 'The part moved',
    during: ['close', 'hold', 'place'],
    until: ['open', 'gel', 'use-by'],
    answers: {
      effect: 'restart-hold',
    },
  },
  {
    id: 'part-set',
    label: 'A part was moved after it had begun to set',
    engines: ['spread'],
    during: ['close', 'hold'],
    ofPart: true,
    answers: {
      effect: 'more-material',
    },
  },
  {
    id: 'bead',
    label: 'The bead does not show all round',
    engines: ['spread'],
    methods: ['flexible-joint'],
    during: ['place', 'close'],
    until: ['open', 'use-by', 'gel'],
    answers: {
      effect: 'more-material',
    },
  },
  {
    id: 'rocks',
    label: 'It rocks on its base',
    methods: ['small-part', 'fitting-tack', 'plate-bond', 'poured-collar', 'setting-bed'],
    during: ['set-out', 'place', 'close', 'refit'],
    until: ['use-by', 'open', 'gel'],
    answers: {
      effect: 'redo-pass',
      local: true,
    },
  },
  {
    id: 'wrong-place',
    label: 'Wrong side, or in the wrong place',
    engines: ['spread', 'fill', 'pour', 'coat'],
    methods: ['flexible-joint', 'laminate-hole'],
    during: ['set-out', 'place', 'close', 'hold'],
    until: ['gel', 'open', 'use-by'],
    answers: {
      effect: 'redo-pass',
      local: true,
    },
  },
  {
    id: 'dam-leak',
    label: 'It leaks at the dam or the seam',
    engines: ['pour', 'fill'],
    during: ['place', 'hold'],
    answers: {
      effect: 'more-material',
    },
  },
  {
    id: 'floated',
    label: 'It floated or sank',
    engines: ['pour', 'spread'],
    during: ['place', 'close', 'hold'],
    until: ['gel', 'use-by'],
    answers: {
      effect: 'restart-hold',
    },
  },
  {
    id: 'sagged',
    label: 'It sagged or ran',
    engines: ['fill', 'coat', 'spread'],
    during: ['place', 'hold'],
    answers: {
      effect: 'more-material',
    },
  },
  {
    id: 'skinned',
    label: 'The bed skinned, or the slurry dried',
    methods: ['setting-bed', 'cement-patch', 'mortar-patch', 'plate-bond', 'crack-mesh', 'felt-wet-out'],
    during: ['prime', 'place', 'close'],
    answers: [
      { id: 'spread', sign: 'what was spread or placed', effect: 'redo-batch' },
      {
        id: 'primer',
        sign: 'the primer or slurry, before anything was placed on it',
        where: 'prime',
        effect: 'redo-preparation',
        face: ['abrade'],
        primer: true,
      },
    ],
    unsigned: { effect: 'redo-batch' },
  },
  {
    id: 'bubbles',
    label: 'Bubbles come up',
    engines: ['coat', 'fill', 'pour'],
    during: ['place', 'hold'],
    answers: {
      effect: 'more-material',
      onceSet: true,
    },
  },
  {
    id: 'curled',
    label: 'An edge curled or a ridge stands up',
    methods: ['felt-wet-out', 'crack-mesh', 'laminate-hole'],
    during: ['place', 'hold'],
    answers: {
      effect: 'more-material',
      onceSet: true,
    },
  },
  {
    id: 'bar-hit',
    label: 'A bar, cable or pipe was hit',
    during: ['access', 'prepare', 'set-out'],
    answers: {
      effect: 'review',
      waitsFor: 'A new place, or going on here, is decided by a competent person.',
    },
  },
];
