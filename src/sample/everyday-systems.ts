import { byDose, curve, dryLimits, kitOf, limits, partsOf, ratioOf, single, system } from './sheet-words';

/** Systems of the sample shelf that the first page begins with, beside the three of `first-systems`. */
const H = 60;

export const fillerSheet = system('filler', 'Panel filler', 'polyester-filler', {
  ratio: ratioOf({ basis: 'weight', a: 100, b: 2 }),
  dose: { minPct: 1, maxPct: 3, usualPct: 2, of: 'A' },
  milestones: [
    byDose('use-by', 'mix-begins', 'pot', [
      [
        1,
        [
          [10, 14, 17],
          [20, 8, 10],
          [30, 4, 5],
        ],
      ],
      [
        2,
        [
          [10, 8, 10],
          [20, 4.5, 5.5],
          [30, 2.5, 3],
        ],
      ],
      [
        3,
        [
          [10, 5, 6.5],
          [20, 3, 3.6],
          [30, 1.6, 2],
        ],
      ],
    ]),
    byDose('sandable', 'placed', 'base', [
      [
        1,
        [
          [10, 70, 90],
          [20, 38, 48],
          [30, 20, 26],
        ],
      ],
      [
        2,
        [
          [10, 42, 52],
          [20, 22, 28],
          [30, 12, 15],
        ],
      ],
      [
        3,
        [
          [10, 30, 38],
          [20, 16, 20],
          [30, 9, 11],
        ],
      ],
    ]),
  ],
  limits: { ...limits, baseMinC: 8, baseMaxC: 35, liftMaxMm: 5, sagWallMm: 5, bases: ['metal', 'laminate'] },
  kits: [kitOf('tin', 'Tin 1 kg with tube', [1000, 25], { splittable: true, price: 16 })],
  potLossMl: 5,
  mixMin: 1.5,
  mixManner: 'fold, never whip',
  finish: { colour: 'pale green', sanding: 'easy', paintable: 'yes' },
  storage: {
    minC: 5,
    maxC: 25,
    shelfMonths: 12,
    openedMonths: 6,
    checks: ['Stir the tin; knead the tube until it is one paste.'],
  },
});

export const crackSheet = system('crack', 'Three-minute crack filler', 'crack-filler', {
  ratio: ratioOf({ basis: 'volume', a: 1, b: 1, cByWeight: 3.4, tolerancePct: 5 }),
  milestones: [
    single('use-by', 'mix-begins', 'pot', 2.5, 3, 300),
    single('sandable', 'placed', 'base', 10, 15),
    single('sandable-until', 'placed', 'base', 90, 120),
    single('load', 'placed', 'base', 25, 30),
  ],
  limits: { ...limits, baseMinC: -5, baseMaxC: 40, moistureMaxPct: 6, bases: ['concrete'] },
  kits: [kitOf('pair', 'Bottle pair 600 mL and sand', [315, 360, 1019], { splittable: true, price: 29 })],
  potLossMl: 15,
  mixMin: 0.3,
});

export const tileSheet = system('tile', 'Granite setting bed', 'tile-adhesive', {
  ratio: ratioOf({ basis: 'weight', a: 100, b: 25 }),
  dose: { minPct: 24, maxPct: 27, usualPct: 25, of: 'A' },
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [5, 240, 300],
      [20, 120, 180],
      [30, 60, 80],
    ]),
    curve('open', 'placed', 'base', [
      [5, 30, 40],
      [20, 20, 30],
      [30, 10, 15],
    ]),
    curve('foot', 'placed', 'base', [
      [5, 2400, 2880],
      [20, 1200, 1440],
      [30, 720, 900],
    ]),
    curve('load', 'placed', 'base', [
      [5, 14_400, 20_160],
      [20, 8640, 10_080],
      [30, 5760, 7200],
    ]),
  ],
  limits: {
    ...limits,
    baseMinC: 5,
    baseMaxC: 30,
    bondMinMm: 3,
    bondMaxMm: 10,
    bases: ['concrete', 'stone'],
    wetness: 'wiped damp',
  },
  kits: [kitOf('bag', 'Bag 20 kg', [20_000, 5000], { splittable: true, price: 24 })],
  potLossMl: 60,
  coverageKgPerM2Mm: 1.35,
});

export const shellSheet = system('shell', 'Shell filler paste 1:1', 'paste', {
  ratio: ratioOf({ basis: 'volume', a: 1, b: 1, tolerancePct: 5 }),
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [10, 40, 50],
      [20, 20, 25],
      [30, 10, 13],
    ]),
    curve('gel', 'placed', 'base', [
      [10, 100, 120],
      [20, 50, 60],
      [30, 25, 30],
    ]),
    curve('next-lift', 'placed', 'base', [
      [10, 120, 150],
      [20, 60, 75],
      [30, 30, 38],
    ]),
    curve('sandable', 'placed', 'base', [
      [10, 700, 840],
      [20, 330, 390],
      [30, 160, 200],
    ]),
    curve('recoat-from', 'placed', 'base', [
      [10, 700, 840],
      [20, 330, 390],
      [30, 160, 200],
    ]),
    curve('release', 'placed', 'base', [
      [10, 400, 480],
      [20, 200, 240],
      [30, 100, 120],
    ]),
    curve('load', 'placed', 'base', [
      [10, 2600, 3000],
      [20, 1300, 1500],
      [30, 650, 760],
    ]),
  ],
  limits: {
    ...limits,
    baseMinC: 8,
    liftMinMm: 1,
    liftMaxMm: 12,
    bondMinMm: 0.2,
    bondMaxMm: 3,
    sagWallMm: 10,
    sagOverheadMm: 6,
    bases: ['laminate', 'plastic', 'timber', 'metal', 'stone'],
  },
  kits: [kitOf('tubs', 'Tub pair 500 g', [290, 210], { splittable: true, price: 24 })],
  potLossMl: 1,
  mixMin: 2,
  mixManner: 'fold on a board, scrape twice',
  finish: { colour: 'off-white', sanding: 'easy', paintable: 'yes' },
});

export const collarSheet = system('collar', 'Slow pouring resin in pails', 'liquid-resin', {
  parts: partsOf('liquid-resin', { A: { densityGPerMl: 1.6 }, B: { densityGPerMl: 1.35 } }),
  ratio: ratioOf({ basis: 'volume', a: 4, b: 1, tolerancePct: 3 }),
  milestones: [
    curve(
      'use-by',
      'mix-begins',
      'pot',
      [
        [10, 80, 90],
        [20, 40, 45],
      ],
      5000,
    ),
    curve('gel', 'placed', 'base', [
      [5, 6 * H, 7 * H],
      [20, 2 * H, 150],
    ]),
    curve('next-lift', 'placed', 'base', [
      [5, 14 * H, 20 * H],
      [20, 5 * H, 6 * H],
    ]),
    curve('release', 'placed', 'base', [
      [5, 22 * H, 26 * H],
      [20, 8 * H, 9 * H],
    ]),
    curve('load', 'placed', 'base', [
      [5, 90 * H, 96 * H],
      [20, 28 * H, 30 * H],
    ]),
  ],
  limits: {
    ...dryLimits,
    baseMinC: 5,
    cureMinC: 5,
    liftMaxMm: 60,
    bases: ['concrete', 'stone', 'metal'],
  },
  kits: [kitOf('pail', 'Pail 5.6 kg', [4608, 972], { yieldMl: 3600, splittable: false, price: 84 })],
  potLossMl: 80,
  finish: { colour: 'grey', sanding: 'hard', paintable: 'yes' },
});
