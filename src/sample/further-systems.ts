import { type SheetRevision, systemKind } from '../core/system';
import { byDose, common, curve, kitOf, limits, partsOf, ratioOf, single, tiers } from './sheet-words';

/** A further system of the sample shelf: what differs from the usual of its kind. */
export function system(
  id: string,
  name: string,
  kind: SheetRevision['kind'],
  over: Pick<SheetRevision, 'ratio' | 'milestones' | 'kits'> & Partial<SheetRevision>,
): SheetRevision {
  const spec = systemKind(kind);
  return {
    ...common,
    id: `sheet-${id}-1`,
    systemId: `system-${id}`,
    name,
    kind,
    family: spec.families[0]!,
    parts: partsOf(kind),
    limits,
    hazards: [...spec.hazards],
    protection: [...spec.protection],
    ...over,
  };
}

export const furtherSheets: readonly SheetRevision[] = [
  system('pour', 'Clear pouring resin 100:30', 'liquid-resin', {
    ratio: ratioOf({ basis: 'weight', a: 100, b: 30, also: { a: 3, b: 1 }, tolerancePct: 3 }),
    milestones: [
      curve(
        'use-by',
        'mix-begins',
        'pot',
        [
          [10, 75, 90],
          [20, 38, 46],
          [30, 19, 24],
        ],
        500,
      ),
      curve('gel', 'placed', 'base', [
        [10, 600, 720],
        [20, 270, 330],
        [30, 130, 160],
      ]),
      curve('release', 'placed', 'base', [
        [10, 1900, 2300],
        [20, 840, 1010],
        [30, 390, 470],
      ]),
      curve('load', 'placed', 'base', [
        [10, 3400, 4100],
        [20, 1440, 1750],
        [30, 660, 800],
      ]),
    ],
    parts: partsOf('liquid-resin', { A: { densityGPerMl: 1.12 }, B: { densityGPerMl: 1.0 } }),
    limits: {
      ...limits,
      baseMinC: 10,
      baseMaxC: 30,
      materialMinC: 15,
      materialMaxC: 28,
      humidityMaxPct: 80,
      dewMarginK: 3,
      cureMinC: 8,
      liftMaxMm: 30,
      bondMinMm: 0.2,
      bondMaxMm: 30,
      serviceMaxC: 50,
      bases: ['concrete', 'stone', 'metal', 'timber', 'laminate'],
    },
    kits: [
      kitOf('pair', 'Can pair 1.3 kg', [1000, 300], { splittable: true, price: 39 }),
      kitOf('large', 'Can pair 6.5 kg', [5000, 1500], { splittable: true, price: 160 }),
    ],
    mixManner: 'stir slowly, decant and stir again',
    storage: {
      minC: 10,
      maxC: 30,
      shelfMonths: 24,
      openedMonths: 12,
      checks: ['Crystals in A: warm it closed to 50 °C until clear.'],
    },
    finish: { colour: 'clear', sanding: 'easy', paintable: 'yes' },
  }),
  system('bracket', 'Quick bracket adhesive 1:1', 'cartridge-paste', {
    family: 'methacrylate',
    ratio: ratioOf({ basis: 'volume', a: 1, b: 1 }),
    milestones: [
      single('use-by', 'mix-begins', 'base', 4, 6),
      single('idle', 'mix-begins', 'material', 3, 4),
      single('release', 'faces-closed', 'base', 14, 18),
      single('load', 'faces-closed', 'base', 50, 60),
    ],
    limits: {
      ...limits,
      baseMinC: 5,
      baseMaxC: 35,
      bondMinMm: 0.2,
      bondMaxMm: 5,
      sagWallMm: 4,
      serviceMaxC: 70,
      bases: ['metal', 'plastic', 'laminate'],
    },
    kits: [
      kitOf('twin', 'Twin cartridge 50 mL', [32.5, 27.5], {
        splittable: true,
        price: 14,
        contents: [{ what: 'static mixer', count: 1 }],
      }),
    ],
    mixer: { volumeMl: 3, purgeMl: 4, reachMm: 90, flowMl: 0 },
    potLossMl: 0,
    mixMin: 0,
  }),
  system('hull', 'Hull structural paste, 4 parts', 'four-part-paste', {
    ratio: ratioOf({ basis: 'weight', a: 100, b: 45, cByWeight: 40, dByWeight: 6, tolerancePct: 5 }),
    milestones: [
      curve(
        'use-by',
        'mix-begins',
        'pot',
        [
          [10, 55, 65],
          [20, 28, 34],
          [30, 14, 17],
        ],
        300,
      ),
      curve('gel', 'placed', 'base', [
        [10, 420, 500],
        [20, 190, 230],
        [30, 90, 110],
      ]),
      curve('next-lift', 'placed', 'base', [
        [10, 430, 520],
        [20, 200, 240],
        [30, 95, 115],
      ]),
      curve('recoat-until', 'placed', 'base', [
        [10, 1900, 2300],
        [20, 900, 1100],
        [30, 430, 520],
      ]),
      curve('sandable', 'placed', 'base', [
        [10, 1500, 1800],
        [20, 660, 800],
        [30, 310, 380],
      ]),
      curve('load', 'placed', 'base', [
        [10, 3000, 3600],
        [20, 1320, 1600],
        [30, 620, 750],
      ]),
    ],
    limits: {
      ...limits,
      baseMinC: 10,
      baseMaxC: 30,
      materialMinC: 15,
      materialMaxC: 28,
      humidityMaxPct: 80,
      dewMarginK: 3,
      cureMinC: 8,
      liftMaxMm: 12,
      liftMinMm: 1,
      sagWallMm: 10,
      sagOverheadMm: 6,
      serviceMaxC: 55,
      bases: ['laminate', 'timber', 'concrete', 'metal'],
    },
    kits: [
      kitOf('set', 'Set 1.9 kg', [1000, 450, 400, 60], {
        splittable: true,
        price: 62,
        contents: [{ what: 'measuring spoon', count: 1 }],
      }),
    ],
    finish: { colour: 'grey-brown', sanding: 'hard', paintable: 'yes' },
  }),
  system('timber', 'Thin timber consolidant', 'consolidant', {
    ratio: ratioOf({ basis: 'volume', a: 2, b: 1, tolerancePct: 5 }),
    milestones: [
      single('use-by', 'mix-begins', 'pot', 40, 50, 250),
      single('recoat-from', 'last-coat', 'base', 180, 240),
      single('recoat-until', 'last-coat', 'base', 1200, 1440),
      single('load', 'last-coat', 'base', 2880, 4320),
    ],
    limits: { ...limits, baseMinC: 10, baseMaxC: 30, moistureMaxPct: 18, humidityMaxPct: 80, bases: ['timber'] },
    kits: [kitOf('pair', 'Bottle pair 750 mL', [510, 245], { splittable: true, price: 31 })],
    uptakeMlPerM2: 350,
    potLossMl: 10,
  }),
  system('dab', 'Sachet bonder 20 g', 'sachets', {
    ratio: ratioOf({ basis: 'weight', a: 100, b: 50 }),
    milestones: [
      single('use-by', 'mix-begins', 'pot', 12, 15, 20),
      single('release', 'faces-closed', 'base', 180, 240),
      single('load', 'faces-closed', 'base', 960, 1200),
    ],
    limits: { ...limits, baseMinC: 10, bondMinMm: 0.1, bondMaxMm: 1, bases: ['metal', 'plastic', 'laminate', 'stone'] },
    kits: [kitOf('sachet', 'Sachet 20 g', [13.33, 6.67], { price: 3.2 })],
    potLossMl: 1,
    mixMin: 1,
    mixManner: 'knead in the closed bag',
  }),
  system('filler', 'Panel filler', 'polyester-filler', {
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
  }),
  system('coat', 'White finish resin', 'finish-resin', {
    ratio: ratioOf({ basis: 'weight', a: 100, b: 2 }),
    dose: { minPct: 1, maxPct: 2.5, usualPct: 2, of: 'A' },
    milestones: [
      byDose('use-by', 'mix-begins', 'pot', [
        [
          1,
          [
            [15, 32, 38],
            [20, 24, 28],
            [25, 17, 20],
          ],
        ],
        [
          2,
          [
            [15, 17, 20],
            [20, 12, 15],
            [25, 9, 11],
          ],
        ],
        [
          2.5,
          [
            [15, 13, 16],
            [20, 9.5, 12],
            [25, 7, 9],
          ],
        ],
      ]),
      byDose('sandable', 'last-coat', 'base', [
        [
          1,
          [
            [15, 420, 540],
            [20, 300, 380],
            [25, 210, 270],
          ],
        ],
        [
          2,
          [
            [15, 240, 300],
            [20, 170, 210],
            [25, 120, 150],
          ],
        ],
        [
          2.5,
          [
            [15, 200, 250],
            [20, 140, 175],
            [25, 100, 125],
          ],
        ],
      ]),
    ],
    limits: {
      ...limits,
      baseMinC: 15,
      baseMaxC: 30,
      humidityMaxPct: 75,
      dewMarginK: 3,
      liftMaxMm: 0.8,
      liftMinMm: 0.3,
      bases: ['laminate'],
    },
    kits: [kitOf('jar', 'Jar 500 g with bottle', [500, 12.5], { splittable: true, price: 22 })],
    potLossMl: 5,
    mixMin: 2,
    mixManner: 'stir slowly, no bubbles',
    finish: { colour: 'white', sanding: 'easy', paintable: 'no' },
  }),
  system('tab', 'Shroud rebuild powder and liquid', 'powder-liquid', {
    ratio: ratioOf({ basis: 'weight', a: 100, b: 60, tolerancePct: 10 }),
    milestones: [
      single('use-by', 'mix-begins', 'pot', 3, 4, 10),
      single('release', 'placed', 'base', 15, 20),
      single('sandable', 'placed', 'base', 35, 45),
      single('load', 'placed', 'base', 100, 120),
    ],
    limits: { ...limits, baseMinC: 15, baseMaxC: 30, liftMaxMm: 4, bases: ['plastic'] },
    kits: [kitOf('set', 'Set 100 g', [62.5, 37.5], { splittable: true, price: 27 })],
    potLossMl: 1,
    mixMin: 0.5,
    mixManner: 'wet the powder bead by bead',
    finish: { colour: 'grey', sanding: 'easy', paintable: 'yes' },
  }),
  system('putty', 'Ramming putty 1:1', 'putty', {
    ratio: ratioOf({ basis: 'volume', a: 1, b: 1, tolerancePct: 10 }),
    milestones: [
      single('use-by', 'mix-begins', 'pot', 25, 35, 50),
      single('release', 'placed', 'base', 240, 300),
      single('load', 'placed', 'base', 1200, 1440),
    ],
    limits: {
      ...limits,
      baseMinC: 5,
      liftMaxMm: 40,
      sagWallMm: 25,
      sagOverheadMm: 15,
      bases: ['metal', 'stone', 'concrete', 'timber'],
    },
    kits: [kitOf('bars', 'Bar pair 200 g', [102.7, 97.3], { splittable: true, price: 12 })],
    potLossMl: 2,
    mixManner: 'knead to one colour, no streaks',
  }),
  system('crack', 'Three-minute crack filler', 'crack-filler', {
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
  }),
  system('cement', 'Stiff cement patch', 'cement-water', {
    ratio: ratioOf({ basis: 'weight', a: 100, b: 14 }),
    dose: { minPct: 13, maxPct: 15, usualPct: 14, of: 'A' },
    milestones: [
      curve('use-by', 'mix-begins', 'pot', [
        [5, 45, 60],
        [20, 20, 25],
        [30, 12, 16],
      ]),
      curve('foot', 'placed', 'base', [
        [5, 480, 600],
        [20, 180, 240],
        [30, 120, 150],
      ]),
      curve('load', 'placed', 'base', [
        [5, 2880, 3600],
        [20, 1320, 1500],
        [30, 800, 960],
      ]),
    ],
    limits: {
      ...limits,
      baseMinC: 5,
      baseMaxC: 30,
      liftMinMm: 5,
      liftMaxMm: 50,
      bases: ['concrete', 'stone'],
      wetness: 'saturated, no puddles',
      preparation: { concrete: 'wetted the evening before, no puddles' },
    },
    kits: [kitOf('bag', 'Bag 25 kg', [25_000, 3500], { splittable: true, yieldMl: 13_000, price: 21 })],
    potLossMl: 80,
    mixRpm: { from: 400, to: 600 },
    coverageKgPerM2Mm: 2.0,
    storage: {
      minC: 5,
      maxC: 35,
      shelfMonths: 12,
      openedMonths: 1,
      checks: ['No lumps that do not fall apart between two fingers.'],
    },
  }),
  system('joint', 'Joint colour, two bottles', 'joint-colour', {
    ratio: ratioOf({ basis: 'volume', a: 4, b: 1, cByWeight: 0.5 }),
    milestones: [
      single('stand', 'mix-ends', 'pot', 10, 15),
      single('use-by', 'stand-ends', 'pot', 60, 90),
      tiers('recoat-from', 'last-coat', [
        [10, 18, 60, 180, 240],
        [18, 30, 60, 90, 120],
        [10, 18, 80, 300, 420],
        [18, 30, 80, 150, 200],
      ]),
      tiers('tack-free', 'last-coat', [
        [10, 18, 60, 120, 180],
        [18, 30, 60, 60, 90],
        [10, 18, 80, 300, 420],
        [18, 30, 80, 150, 240],
      ]),
      tiers('dry', 'last-coat', [
        [10, 18, 60, 720, 960],
        [18, 30, 60, 360, 480],
        [10, 18, 80, 1200, 1600],
        [18, 30, 80, 600, 800],
      ]),
    ],
    limits: { ...limits, baseMinC: 10, baseMaxC: 30, humidityMaxPct: 80, bases: ['stone', 'concrete'] },
    kits: [kitOf('bottles', 'Bottle pair 250 mL', [240, 52.5, 25], { splittable: true, price: 19 })],
    potLossMl: 5,
    mixMin: 1,
    // 5.5 m² with a pair of bottles.
    coversM2PerL: 20,
    finish: { colour: 'slate grey', sanding: 'not', paintable: 'no' },
  }),
  system('tile', 'Granite setting bed', 'tile-adhesive', {
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
  }),
];
