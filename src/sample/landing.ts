import { type Measured, measured, type SettingOut, type Void, type VoidShape, voidOf } from '../core/void';
import { Scanned } from '../core/void/scanned';
import rampEdge from './ramp-edge.json';
import { typed } from './typed';

const read = (tool: string): Measured => ({ ...measured(0, tool), text: 'read' });

const apronCrack: VoidShape = {
  shape: 'chase',
  version: 1,
  form: 'vee',
  stations: [
    { atMm: 0, widthMm: 3, depthMm: 18 },
    { atMm: 400, widthMm: 6, depthMm: 34 },
    { atMm: 900, widthMm: 9, depthMm: 41 },
    { atMm: 1300, widthMm: 4, depthMm: 22 },
  ],
  readWidth: read('rule'),
  readDepth: read('gauge'),
  slot: { width: typed(12, 'calliper'), depth: typed(15, 'gauge') },
  // The contraction joint of the apron.
  crossings: [{ atMm: 650 }],
};

const stepNosing: VoidShape = {
  shape: 'edge',
  version: 1,
  form: 'scooped',
  down: typed(45, 'rule'),
  back: {
    ...typed(70, 'rule'),
    again: { valueMm: 76, toleranceMm: null, tool: 'rule', text: '76 mm', textSystem: 'metric' },
  },
  length: typed(520, 'tape'),
};
const stepCorner: VoidShape = {
  shape: 'corner',
  version: 1,
  form: 'straight',
  down: typed(60, 'rule'),
  along: typed(85, 'rule'),
  back: typed(75, 'rule'),
};

const bollardFoot: VoidShape = {
  shape: 'ring',
  version: 1,
  run: { form: 'round', outer: typed(360, 'rule'), inner: typed(250, 'rule') },
  depth: typed(32, 'gauge'),
  clear: typed(4, 'gauge'),
  part: { thickness: typed(14, 'calliper'), foot: typed(8, 'gauge'), outerMm: null },
  tiltDeg: 1,
  acrossDeg: 0,
};

const coreHoles: VoidShape = {
  shape: 'hole',
  version: 1,
  holeDiameter: typed(52, 'calliper'),
  holeDepth: typed(60, 'gauge'),
  mouth: { form: 'countersink', diameter: typed(64, 'calliper'), depth: typed(6, 'gauge') },
  pointAngleDeg: null,
};

const pocket: VoidShape = {
  shape: 'filled',
  version: 1,
  medium: 'water',
  beforeG: 2430,
  afterG: 1686,
  stepG: 2,
  densityGPerMl: 0.998,
  across: typed(180, 'guess'),
  depth: typed(40, 'gauge'),
};

const scannedEdge: VoidShape = Scanned.parse(rampEdge);

/** The repairs round the landing: one of many a shape, in the order of work. */
export const LANDING: readonly {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  readonly void: Void;
  /** Method, sheet and kit; resin mortar where nothing is said. */
  readonly by?: readonly [methodId: string, sheetId: string, kitId: string];
  /** Gauge marks over it: how many days ago, and how far apart they stood, mm. */
  readonly marks?: readonly (readonly [daysAgo: number, mm: number])[];
}[] = [
  {
    id: 'sample-crack',
    name: 'Apron crack',
    place: 'Landing apron, along the drain',
    void: voidOf(apronCrack),
    by: ['poured-crack', 'sheet-crack-1', 'pair'],
    marks: [
      [9, 41.2],
      [6, 41.3],
      [2, 41.2],
    ],
  },
  { id: 'sample-step', name: 'Step nosing', place: 'Upper step, lake side', void: voidOf(stepNosing, stepCorner) },
  { id: 'sample-spall', name: 'Ramp edge', place: 'Slip ramp, fifth bay', void: voidOf(scannedEdge) },
  {
    id: 'sample-foot',
    name: 'Bollard foot',
    place: 'Head of the landing',
    void: voidOf(bollardFoot),
    by: ['poured-collar', 'sheet-collar-1', 'pail'],
  },
  {
    id: 'sample-cores',
    name: 'Core holes',
    place: 'Slip ramp, test cores',
    void: { ...voidOf(coreHoles), count: 6, variants: [{ count: 2, key: 'shapes.0.holeDepth', byMm: 15 }] },
  },
  {
    id: 'sample-pocket',
    name: 'Drain pocket',
    place: 'Landing apron, drain',
    void: {
      ...voidOf(pocket),
      keepClear: [{ name: 'drain pipe', form: 'round', xMm: 0, yMm: 0, aMm: 50, bMm: 50, depthMm: 40 }],
      back: 'open',
    },
  },
];

/** The mooring eyes, set out from the lake edge of the step. */
export const EYES_SET_OUT: SettingOut = {
  datum: 'the lake corner of the step',
  along: typed(220, 'tape'),
  from: typed(160, 'tape'),
  spacing: typed(450, 'tape'),
  angleDeg: 0,
  orientation: 'eye across the step',
  clearance: typed(120, 'tape'),
};
