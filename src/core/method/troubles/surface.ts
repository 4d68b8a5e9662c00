import type { Trouble } from './trouble';

const SANDED = [
  'body-filler',
  'fairing-skin',
  'metal-filler',
  'finish-coat',
  'laminate-hole',
  'stone-chip',
  'rebuilt-part',
  'felt-wet-out',
];

/** What shows once it should have set, and while the surface is brought back. */
export const SURFACE: readonly Trouble[] = [
  {
    id: 'not-set',
    label: 'It has not set when it should have',
    binder: ['resin'],
    during: ['hold', 'finish', 'refit', 'test'],
    answers: [
      {
        id: 'liquid',
        sign: 'still liquid, the cup as well',
        effect: 'redo-pass',
      },
      {
        id: 'soft-all',
        sign: 'soft all over, the cup is soft too',
        effect: 'redo-pass',
      },
      {
        id: 'soft-cold',
        sign: 'soft, but the cup is hard',
        effect: 'none',
      },
      {
        id: 'patchy',
        sign: 'hard here, soft there',
        effect: 'more-material',
      },
      {
        id: 'tacky',
        sign: 'hard beneath, sticky on top',
        effect: 'redo-finish',
      },
    ],
  },
  {
    id: 'hollow',
    label: 'Air in it, or it sounds hollow',
    during: ['hold', 'finish', 'refit', 'test'],
    answers: [
      {
        id: 'spot',
        sign: 'one spot, smaller than a hand',
        effect: 'more-material',
      },
      {
        id: 'edge',
        sign: 'along an edge',
        effect: 'more-material',
      },
      {
        id: 'most',
        sign: 'most of it',
        effect: 'redo-pass',
        local: true,
      },
      {
        id: 'beside',
        sign: 'beside the repair as well',
        effect: 'review',
        waitsFor: 'The work stops until a competent person has said how far it goes back.',
      },
    ],
  },
  {
    id: 'pinholes',
    label: 'Pinholes',
    methods: [...SANDED, 'barrier-coat', 'skim-coat', 'mortar-patch', 'cement-patch'],
    during: ['finish', 'refit', 'test'],
    answers: {
      effect: 'more-material',
    },
  },
  {
    id: 'low-spot',
    label: 'A low spot',
    methods: [...SANDED, 'skim-coat', 'mortar-patch', 'poured-crack', 'resin-joints'],
    during: ['finish', 'test'],
    answers: {
      effect: 'more-material',
    },
  },
  {
    id: 'sanded-through',
    label: 'Sanded through',
    methods: SANDED,
    during: ['finish', 'test'],
    answers: {
      effect: 'more-material',
    },
  },
  {
    id: 'colour-off',
    label: 'The colour is off',
    methods: ['finish-coat', 'stone-chip', 'joint-colour', 'resin-joints'],
    during: ['place', 'finish', 'test'],
    answers: {
      effect: 'redo-batch',
    },
  },
  {
    id: 'fish-eyes',
    label: 'Fish-eyes',
    engines: ['coat'],
    during: ['prime', 'place', 'hold'],
    answers: {
      effect: 'redo-pass',
    },
  },
  {
    id: 'greasy',
    label: 'A greasy film on it',
    binder: ['resin'],
    during: ['hold', 'finish', 'test'],
    answers: {
      effect: 'redo-finish',
    },
  },
  {
    id: 'wrinkled',
    label: 'It wrinkled or lifted',
    engines: ['coat'],
    during: ['place', 'hold', 'finish'],
    answers: {
      effect: 'redo-pass',
    },
  },
];
