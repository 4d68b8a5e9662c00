import type { Limits, Milestone, SheetRevision, Stock } from '../core/system';

const TYPED_AT = Date.UTC(2026, 2, 2, 9);
type Row = readonly [tempC: number, fromMin: number, toMin: number];

const curve = (
  kind: Milestone['kind'],
  startsAt: Milestone['startsAt'],
  runsOn: Milestone['runsOn'],
  rows: readonly Row[],
  referenceMassG: number | null = null,
): Milestone => ({
  kind,
  startsAt,
  runsOn,
  referenceMassG,
  table: { form: 'curve', points: rows.map(([tempC, fromMin, toMin]) => ({ tempC, fromMin, toMin })) },
});
const bands = (
  kind: Milestone['kind'],
  startsAt: Milestone['startsAt'],
  runsOn: Milestone['runsOn'],
  edges: readonly number[],
  minutes: readonly number[],
): Milestone => ({
  kind,
  startsAt,
  runsOn,
  referenceMassG: null,
  table: { form: 'bands', bands: minutes.map((m, i) => ({ fromC: edges[i]!, toC: edges[i + 1]!, fromMin: m, toMin: m })) },
});
const single = (
  kind: Milestone['kind'],
  startsAt: Milestone['startsAt'],
  runsOn: Milestone['runsOn'],
  fromMin: number,
  toMin: number,
  referenceMassG: number | null = null,
): Milestone => ({
  kind,
  startsAt,
  runsOn,
  referenceMassG,
  table: { form: 'single', tempC: 23, fromMin, toMin },
});

const limits: Limits = {
  baseMinC: null,
  baseMaxC: null,
  airMinC: null,
  airMaxC: null,
  materialMinC: null,
  materialMaxC: null,
  humidityMaxPct: null,
  dewMarginK: null,
  cureMinC: null,
  baseAgeMinDays: null,
  liftMaxMm: null,
  liftMinMm: null,
  bondMinMm: null,
  bondMaxMm: null,
  bases: [],
  wetness: 'bone dry',
};

const common = {
  record: 'sheet',
  version: 1,
  revision: 1,
  supersedes: null,
  typedFrom: 'sample sheet',
  typedByRole: 'foreman',
  typedAt: TYPED_AT,
  sample: true,
} as const;
const EDGES = [-5, 0, 5, 10, 20, 30, 40];

/** Times in temperature bands; metered through a static mixer. */
export const resinSheet: SheetRevision = {
  ...common,
  id: 'sheet-anchor-1',
  systemId: 'system-anchor',
  name: 'Quick anchor resin 10:1',
  kind: 'anchor-pack',
  family: 'methacrylate',
  parts: [
    { id: 'A', name: 'resin', role: 'resin', densityGPerMl: 1.7, bulkGPerMl: null },
    { id: 'B', name: 'hardener', role: 'hardener', densityGPerMl: 1.5, bulkGPerMl: null },
  ],
  ratio: { basis: 'volume', a: 10, b: 1, cByWeight: null, tolerancePct: null },
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
  kits: [{ id: 'cartridge', label: 'Cartridge 300 mL', massG: { A: 463.6, B: 40.9, C: null }, splittable: true, yieldMl: null, price: 18 }],
  mixer: { volumeMl: 9, purgeMl: 14, reachMm: 180 },
  potLossMl: 0,
  mixMin: 0,
  primer: 'none',
  hazards: ['Sensitising: gloves and eye cover for both parts.', 'Peroxide in part B: keep from eyes, flames and accelerators.'],
};

/** Times as a curve of ranges; three parts sold in whole kits. */
export const mortarSheet: SheetRevision = {
  ...common,
  id: 'sheet-mortar-1',
  systemId: 'system-mortar',
  name: 'Ramp mortar 3-part',
  kind: 'mortar-kit',
  family: 'resin-amine',
  parts: [
    { id: 'A', name: 'resin', role: 'resin', densityGPerMl: 1.1, bulkGPerMl: null },
    { id: 'B', name: 'hardener', role: 'hardener', densityGPerMl: 1.0, bulkGPerMl: null },
    { id: 'C', name: 'graded sand', role: 'aggregate', densityGPerMl: 2.65, bulkGPerMl: 1.75 },
  ],
  ratio: { basis: 'weight', a: 100, b: 40, cByWeight: 650, tolerancePct: 5 },
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
    baseAgeMinDays: 28,
    liftMaxMm: 20,
    liftMinMm: 6,
    bases: ['concrete', 'stone'],
  },
  kits: [
    { id: 'small', label: 'Kit 2.5 kg', massG: { A: 316.5, B: 126.6, C: 2056.9 }, splittable: false, yieldMl: 1150, price: 34 },
    { id: 'large', label: 'Kit 5 kg', massG: { A: 633, B: 253.2, C: 4113.8 }, splittable: false, yieldMl: 2300, price: 58 },
  ],
  mixer: null,
  potLossMl: 60,
  mixMin: 3,
  primer: 'drawn-off',
  hazards: ['Sensitising: gloves and eye cover for both parts.', 'Silica dust: breathing protection when pouring sand and when grinding.'],
};

/** One figure at 23 °C for most milestones; tins mixed by hand or by weight. */
export const pasteSheet: SheetRevision = {
  ...common,
  id: 'sheet-paste-1',
  systemId: 'system-paste',
  name: 'Slow paste adhesive 2:1',
  kind: 'paste',
  family: 'resin-amine',
  parts: [
    { id: 'A', name: 'paste resin', role: 'resin', densityGPerMl: 1.4, bulkGPerMl: null },
    { id: 'B', name: 'paste hardener', role: 'hardener', densityGPerMl: 1.05, bulkGPerMl: null },
  ],
  ratio: { basis: 'volume', a: 2, b: 1, cByWeight: null, tolerancePct: 5 },
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
    bondMinMm: 0.3,
    bondMaxMm: 2,
    bases: ['metal', 'laminate', 'stone'],
  },
  kits: [{ id: 'pair', label: 'Tin pair 450 mL', massG: { A: 420, B: 157.5, C: null }, splittable: true, yieldMl: 430, price: 41 }],
  mixer: null,
  potLossMl: 20,
  mixMin: 4,
  primer: 'none',
  hazards: ['Sensitising: gloves and eye cover for both parts.', 'Solvent wipes and hot work do not go together.'],
};

export const sampleSheets: readonly SheetRevision[] = [resinSheet, mortarSheet, pasteSheet];

const lot = (id: string, systemId: string, kitId: string, lotName: string, quantity: number, expiresOn: string): Stock => ({
  record: 'stock',
  version: 1,
  id,
  systemId,
  kitId,
  lot: lotName,
  quantity,
  expiresOn,
  sample: true,
});

/** Lots on the sample shelf. */
export const sampleStock: readonly Stock[] = [
  lot('stock-anchor', 'system-anchor', 'cartridge', 'AN-0417', 3, '2027-08-31'),
  lot('stock-mortar-small', 'system-mortar', 'small', 'RM-2210', 2, '2027-05-31'),
  lot('stock-mortar-large', 'system-mortar', 'large', 'RM-2188', 1, '2027-05-31'),
  lot('stock-paste', 'system-paste', 'pair', 'SP-0093', 2, '2027-02-28'),
];
