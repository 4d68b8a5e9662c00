import { DateTime } from 'luxon';
import { type SheetRevision, type Stock, systemKind } from '../core/system';
import { boatSheets } from './boat-systems';
import { furtherSheets } from './further-systems';
import { bands, common, curve, EDGES, holesOf, kitOf, limits, partsOf, ratioOf, single } from './sheet-words';

export { furtherSheets };

/** Times in temperature bands; metered through a static mixer. */
export const resinSheet: SheetRevision = {
  ...common,
  id: 'sheet-anchor-1',
  systemId: 'system-anchor',
  name: 'Quick anchor resin 10:1',
  kind: 'anchor-pack',
  family: 'methacrylate',
  parts: partsOf('anchor-pack'),
  ratio: ratioOf({ basis: 'volume', a: 10, b: 1 }),
  milestones: [
    bands('use-by', 'mix-begins', 'base', EDGES, [60, 25, 15, 7, 4, 2]),
    bands('idle', 'mix-begins', 'material', EDGES, [45, 18, 10, 5, 3, 1.5]),
    bands('release', 'placed', 'base', EDGES, [480, 120, 70, 45, 30, 20]),
    bands('load', 'placed', 'base', EDGES, [720, 180, 100, 60, 45, 30]),
  ],
  limits: {
    ...limits,
    baseMinC: -5,
    baseMaxC: 40,
    materialMinC: 5,
    materialMaxC: 40,
    baseAgeMinDays: 21,
    bases: ['concrete', 'stone'],
    wetness: 'wiped damp',
  },
  kits: [
    kitOf('cartridge', 'Cartridge 300 mL', [463.6, 40.9], {
      splittable: true,
      price: 18,
      contents: [{ what: 'static mixer', count: 2 }],
    }),
  ],
  mixer: { volumeMl: 9, purgeMl: 14, reachMm: 180, flowMl: 0 },
  holes: holesOf(
    'M8: 10, 60 to 150, brush 12\nM10: 12, 65 to 180\nM12: 14, 75 to 220, brush 16\nM16: 18, 85 to 300, brush 20\nM20: 24, 100 to 380, brush 26',
    '2 blow, 2 brush, 2 blow',
  ),
  potLossMl: 0,
  mixMin: 0,
  primer: 'none',
  protection: [...systemKind('anchor-pack').protection],
  hazards: [
    'Sensitising: no bare skin, for both parts.',
    'Peroxide in part B: keep from eyes, flames and accelerators.',
  ],
};

/** Times as a curve of ranges; three parts sold in whole kits. */
export const mortarSheet: SheetRevision = {
  ...common,
  id: 'sheet-mortar-1',
  systemId: 'system-mortar',
  name: 'Ramp mortar 3-part',
  kind: 'mortar-kit',
  flow: 'mortar',
  family: 'resin-amine',
  parts: partsOf('mortar-kit'),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 40, cByWeight: 650, tolerancePct: 5 }),
  milestones: [
    curve(
      'use-by',
      'mix-begins',
      'pot',
      [
        [5, 50, 60],
        [10, 40, 48],
        [20, 22, 28],
        [30, 12, 15],
      ],
      1000,
    ),
    curve('primer-wet', 'last-coat', 'base', [
      [5, 90, 110],
      [10, 64, 80],
      [20, 34, 44],
      [30, 18, 24],
    ]),
    curve('gel', 'placed', 'base', [
      [5, 360, 440],
      [10, 240, 300],
      [20, 110, 140],
      [30, 55, 70],
    ]),
    curve('next-lift', 'placed', 'base', [
      [5, 380, 460],
      [10, 255, 315],
      [20, 120, 150],
      [30, 60, 75],
    ]),
    curve('recoat-until', 'placed', 'base', [
      [5, 3000, 3600],
      [10, 2000, 2400],
      [20, 960, 1200],
      [30, 500, 620],
    ]),
    curve('sandable', 'placed', 'base', [
      [5, 1300, 1560],
      [10, 780, 960],
      [20, 330, 400],
      [30, 155, 190],
    ]),
    curve('foot', 'placed', 'base', [
      [5, 1440, 1740],
      [10, 860, 1050],
      [20, 360, 440],
      [30, 170, 210],
    ]),
    curve('load', 'placed', 'base', [
      [5, 2700, 3240],
      [10, 1620, 1980],
      [20, 690, 830],
      [30, 320, 390],
    ]),
    curve('full-cure', 'placed', 'base', [
      [5, 20000, 24000],
      [10, 14400, 17300],
      [20, 7200, 8640],
      [30, 3900, 4700],
    ]),
  ],
  limits: {
    ...limits,
    baseMinC: 5,
    baseMaxC: 35,
    airMinC: 5,
    airMaxC: 35,
    materialMinC: 10,
    materialMaxC: 30,
    humidityMaxPct: 85,
    dewMarginK: 3,
    cureMinC: 5,
    fullCureMinC: 10,
    glassC: 54,
    baseAgeMinDays: 28,
    liftMaxMm: 20,
    liftMinMm: 6,
    bases: ['concrete', 'stone'],
  },
  kits: [
    kitOf('small', 'Kit 2.5 kg', [316.5, 126.6, 2056.9], {
      yieldMl: 1150,
      price: 34,
      contents: [{ what: 'mixing pail', count: 1 }],
    }),
    kitOf('large', 'Kit 5 kg', [633, 253.2, 4113.8], {
      yieldMl: 2300,
      price: 58,
      contents: [{ what: 'mixing pail', count: 1 }],
    }),
  ],
  strength: {
    test: 'compression',
    tempC: 20,
    points: [
      { afterMin: 1440, mpa: 41 },
      { afterMin: 3 * 1440, mpa: 58 },
      { afterMin: 7 * 1440, mpa: 67 },
    ],
    characteristicMpa: 48,
    characteristicToC: 40,
  },
  potLossMl: 60,
  mixRpm: { from: 300, to: 400 },
  mixManner: 'slow paddle, scrape the sides once',
  primer: 'drawn-off',
  coverageKgPerM2Mm: 2.15,
  protection: [...systemKind('mortar-kit').protection],
  hazards: ['Sensitising: no bare skin, for both parts.', 'Silica dust when pouring and when grinding.'],
};

/** One figure at 23 °C for most milestones; tins mixed by hand or by weight. */
export const pasteSheet: SheetRevision = {
  ...common,
  id: 'sheet-paste-1',
  systemId: 'system-paste',
  name: 'Slow paste adhesive 2:1',
  kind: 'paste',
  family: 'resin-amine',
  parts: partsOf('paste'),
  ratio: ratioOf({ basis: 'volume', a: 2, b: 1, also: { a: 100, b: 37.5 }, tolerancePct: 5 }),
  milestones: [
    single('use-by', 'mix-begins', 'pot', 45, 60, 200),
    single('open', 'mix-ends', 'base', 60, 75),
    curve('release', 'faces-closed', 'base', [
      [10, 1500, 1800],
      [15, 960, 1140],
      [23, 480, 570],
      [35, 190, 230],
    ]),
    single('load', 'faces-closed', 'base', 1200, 1440),
    single('full-cure', 'faces-closed', 'base', 7200, 10080),
  ],
  limits: {
    ...limits,
    baseMinC: 10,
    baseMaxC: 35,
    materialMinC: 15,
    materialMaxC: 30,
    humidityMaxPct: 85,
    dewMarginK: 3,
    cureMinC: 8,
    fullCureMinC: 12,
    glassC: 58,
    bondMinMm: 0.3,
    bondMaxMm: 2,
    bases: ['metal', 'laminate', 'stone'],
  },
  kits: [kitOf('pair', 'Tin pair 450 mL', [420, 157.5], { splittable: true, yieldMl: 430, price: 41 })],
  strength: {
    test: 'lap shear',
    tempC: 23,
    points: [
      { afterMin: 720, mpa: 6 },
      { afterMin: 1440, mpa: 12 },
      { afterMin: 5 * 1440, mpa: 16.5 },
    ],
    characteristicMpa: 9,
    characteristicToC: 40,
  },
  mixMin: 4,
  mixManner: 'fold on a board, scrape twice',
  protection: [...systemKind('paste').protection],
  hazards: ['Sensitising: no bare skin, for both parts.', 'Solvent wipes and hot work do not go together.'],
};

export const sampleSheets: readonly SheetRevision[] = [
  resinSheet,
  mortarSheet,
  pasteSheet,
  ...furtherSheets,
  ...boatSheets,
];

/** Lots on the sample shelf as of a day: most are good for a while, one is over its date, one stood in the frost. */
export function sampleStock(nowMs: number): readonly Stock[] {
  const day = (months: number) => DateTime.fromMillis(nowMs, { zone: 'utc' }).plus({ months }).toISODate()!;
  const lot = (
    id: string,
    systemId: string,
    kitId: string,
    name: string,
    quantity: number,
    months: number,
    over: Partial<Stock> = {},
  ): Stock => ({
    record: 'stock',
    version: 2,
    id,
    systemId,
    kitId,
    lot: name,
    quantity,
    expiresOn: day(months),
    openedOn: null,
    openedShare: 0,
    breaches: [],
    price: null,
    currency: null,
    dropsPerMl: null,
    stripMm: null,
    where: 'stores, winch house',
    sample: true,
    ...over,
  });
  return [
    lot('stock-anchor', 'system-anchor', 'cartridge', 'AN-0417', 3, 9),
    lot('stock-mortar-small', 'system-mortar', 'small', 'RM-2210', 2, 6),
    lot('stock-mortar-large', 'system-mortar', 'large', 'RM-2188', 1, 8),
    lot('stock-paste', 'system-paste', 'pair', 'SP-0093', 1, 11, { openedOn: day(0), openedShare: 0.4 }),
    lot('stock-filler', 'system-filler', 'tin', 'PF-118', 1, 7, { stripMm: 5 }),
    lot('stock-coat', 'system-coat', 'jar', 'WF-031', 1, -1, { dropsPerMl: 38 }),
    lot('stock-cement', 'system-cement', 'bag', 'CP-77', 4, 5, {
      breaches: [{ on: day(-2), text: 'stood in the open boat house, −6 °C' }],
    }),
    lot('stock-hull', 'system-hull', 'set', 'HP-9', 1, 10),
    lot('stock-putty', 'system-putty', 'bars', 'RP-55', 5, 20),
  ];
}
