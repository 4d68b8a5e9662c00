import { dosed, type Paper } from './papers';

/** An ordinary piece of work of every method, of round figures, each with a paper as most are. */
export const flat = (long: number, wide: number) => ({ 'outline.length': long, 'outline.width': wide });
export const POWDER = (useBy: string): Paper => [
  'powder-liquid',
  '1.4:1 by weight',
  '100 g, 70 g',
  `use-by ${useBy}, load 1 h`,
];
export const CANS: Paper = ['liquid-resin', '4:1 by weight', '4 kg, 1 kg', 'use-by 40 min, load 24 h'];
export const RING = { outerDiameter: 300, innerDiameter: 200, depth: 30 };
/** Method, its paper, what is measured of it, and how many there are. */
export const ORDINARY: readonly (readonly [
  method: string,
  paper: Paper,
  dims: Readonly<Record<string, number>>,
  count: number,
])[] = [
  [
    'anchor',
    ['anchor-pack', '10:1 by volume', '300 mL, 30 mL', 'use-by 5 min, load 1 h'],
    { holeDiameter: 14, holeDepth: 110 },
    8,
  ],
  [
    'plate-bond',
    ['paste', '2:1 by volume', '500 g, 200 g', 'use-by 45 min, load 24 h'],
    { ...flat(200, 100), thickness: 0.5 },
    2,
  ],
  [
    'mortar-patch',
    ['mortar-kit', '2:1 by weight', '2 kg, 1 kg, 12 kg', 'use-by 40 min, foot 12 h, load 24 h', { cByWeight: '8' }],
    { ...flat(500, 400), 'depth.mean': 30 },
    1,
  ],
  ['poured-collar', CANS, RING, 1],
  [
    'small-part',
    ['sachets', '1:1 by weight', '10 g, 10 g', 'use-by 20 min, load 8 h'],
    { ...flat(60, 30), thickness: 0.5 },
    1,
  ],
  [
    'body-filler',
    ['polyester-filler', '', '1 kg, 20 g', 'use-by 6 min, sandable 25 min', dosed(1, 2, 3)],
    { ...flat(300, 200), 'depth.mean': 3 },
    1,
  ],
  ['metal-filler', ['putty', '1:1 by volume', '50 g, 50 g', 'use-by 10 min, load 2 h'], {}, 1],
  [
    'finish-coat',
    ['finish-resin', '', '1 kg, 20 g', 'use-by 15 min, sandable 3 h', dosed(1.5, 2, 2.5)],
    { ...flat(200, 100), thickness: 0.5 },
    1,
  ],
  ['cavity-packing', ['putty', '1:1 by weight', '500 g, 500 g', 'use-by 30 min, load 24 h'], {}, 4],
  [
    'cement-patch',
    ['cement-water', '', '25 kg, 3.5 kg', 'use-by 20 min, foot 2 h', dosed(12, 13, 14)],
    { ...flat(400, 300), 'depth.mean': 40 },
    1,
  ],
  [
    'setting-bed',
    ['tile-adhesive', '', '25 kg, 6 kg', 'use-by 2 h, open 20 min, foot 24 h', dosed(22, 24, 26)],
    flat(3000, 2000),
    1,
  ],
  ['crack-mesh', ['paste', '2:1 by weight', '2 kg, 1 kg', 'use-by 45 min, load 24 h'], {}, 1],
  [
    'skim-coat',
    ['mortar-kit', '2:1 by weight', '2 kg, 1 kg, 9 kg', 'use-by 40 min, foot 12 h', { cByWeight: '6' }],
    { ...flat(2000, 1500), thickness: 2 },
    1,
  ],
  ['rebuilt-part', POWDER('5 min'), {}, 1],
  ['stone-chip', ['polyester-filler', '', '500 g, 15 g', 'use-by 8 min, sandable 1 h', dosed(1, 2, 3)], {}, 1],
  [
    'felt-wet-out',
    ['liquid-resin', '100:38 by weight', '500 g, 190 g', 'use-by 30 min, open 45 min, load 24 h'],
    {},
    2,
  ],
  ['timber-soak', ['consolidant', '2:1 by volume', '1 kg, 0.5 kg', 'use-by 2 h, load 24 h'], flat(400, 150), 1],
  [
    'timber-part',
    ['paste', '1:1 by volume', '500 g, 400 g', 'use-by 40 min, load 24 h'],
    { ...flat(200, 100), thickness: 2 },
    1,
  ],
  [
    'fitting-tack',
    ['cartridge-paste', '1:1 by volume', '25 mL, 25 mL', 'use-by 8 min, load 1 h'],
    { ...flat(100, 60), thickness: 1 },
    2,
  ],
  [
    'fairing-skin',
    [
      'four-part-paste',
      '100:50 by weight',
      '1 kg, 0.5 kg, 0.2 kg, 0.1 kg',
      'use-by 30 min, load 8 h',
      { cByWeight: '12', dByWeight: '4' },
    ],
    {},
    1,
  ],
];
