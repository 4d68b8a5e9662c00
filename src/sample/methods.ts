import type { DateTime } from 'luxon';
import { ONLY_AIR } from '../core/climate';
import { methodOf } from '../core/method';
import { type Colour, type ColourTrial, FRESH_TRIAL } from '../core/mix';
import { type Job, type Piece, pieceOf, READY_CHAINS, type Repair, withChain, withPiece } from '../core/plan';
import type { BaseMaterial } from '../core/system';
import { type Void, voidOf } from '../core/void';
import { shaped, typed } from './typed';

const read = typed(0, 'gauge', 'read');

/** One pass as it is chosen and measured. */
interface Chosen {
  readonly void?: Void;
  readonly sheet: string;
  readonly kit: string;
  readonly thicknessMm?: number;
  readonly over?: Partial<Piece>;
}

interface Place {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  readonly on: BaseMaterial;
  readonly thickMm: number;
  /** A method, or the id of a ready-made chain. */
  readonly by: string;
  readonly passes: readonly Chosen[];
  readonly over?: Partial<Piece>;
}

const FITS = { wetDay: true, dryDay: true, wetLamp: true, dryLamp: true };
const trial = (n: number, over: Partial<ColourTrial> & Pick<ColourTrial, 'tints'>): ColourTrial => ({
  ...FRESH_TRIAL,
  id: `granite-${n}`,
  name: `T${n}`,
  inG: 20,
  judged: FITS,
  ...over,
});
const tint = (name: string, massG: number, densityGPerMl: number | null = null) => ({ name, massG, densityGPerMl });
const dust = (massG: number) => tint('dust', massG, 2.65);

/** The grey of the landing step, found at the fourth trial. */
const GRANITE: Colour = {
  chosen: 'granite-4',
  veins: null,
  trials: [
    trial(1, {
      tints: [dust(6)],
      judged: { wetDay: false, dryDay: false, wetLamp: null, dryLamp: null },
      note: 'Far too light, glassy.',
    }),
    trial(2, {
      tints: [dust(9), tint('grey', 0.4)],
      judged: { ...FITS, wetDay: false, wetLamp: false },
      note: 'Wet it stays pale where the stone goes dark.',
    }),
    trial(3, {
      tints: [dust(9), tint('grey', 0.4), tint('black', 0.3)],
      judged: { ...FITS, dryDay: false, dryLamp: false },
      note: 'Right when wet, too dark when dry.',
    }),
    trial(4, {
      tints: [dust(9), tint('grey', 0.4), tint('black', 0.15), tint('ochre', 0.2)],
      why: 'Wet and dry, by day and by the lamp over the steps.',
    }),
  ],
};

/** The job on concrete and stone. */
const FLOORS: readonly Place[] = [
  {
    id: 'sample-mesh',
    name: 'Waiting room crack',
    place: 'Waiting room, across the door',
    on: 'concrete',
    thickMm: 160,
    by: 'mesh-skim',
    passes: [
      {
        void: voidOf(
          shaped(
            'chase',
            {},
            {
              form: 'vee',
              stations: [
                { atMm: 0, widthMm: 3, depthMm: 12 },
                { atMm: 900, widthMm: 5, depthMm: 16 },
                { atMm: 1800, widthMm: 3, depthMm: 10 },
              ],
              readWidth: read,
              readDepth: read,
            },
          ),
          // The paste under and over the mesh.
          shaped('coat', { 'outline.length': 1800, 'outline.width': 150, thickness: 3 }),
        ),
        sheet: 'sheet-mortar-1',
        kit: 'small',
      },
      {
        void: voidOf(shaped('coat', { 'outline.length': 1200, 'outline.width': 300, thickness: 2 })),
        sheet: 'sheet-mortar-1',
        kit: 'small',
      },
    ],
  },
  {
    id: 'sample-kerb',
    name: 'Kerb by the gate',
    place: 'Forecourt, gate side; notice OL-14',
    on: 'concrete',
    thickMm: 250,
    by: 'cement-patch',
    passes: [
      {
        void: voidOf(shaped('edge', { down: 45, back: 45, length: 700 })),
        sheet: 'sheet-cement-1',
        kit: 'bag',
        over: { surface: 'saturated, no puddles' },
      },
    ],
    over: { notice: { code: 'OL-14', by: 'road inspector', dated: null, acceptBy: null } },
  },
  {
    id: 'sample-slabs',
    name: 'Granite slabs at the door',
    place: 'Waiting room, threshold',
    on: 'concrete',
    thickMm: 160,
    by: 'bed-joints-colour',
    passes: [
      {
        void: voidOf(
          shaped('notchedBed', {
            'outline.length': 3600,
            'outline.width': 2000,
            'notch.width': 8,
            'notch.depth': 8,
            'notch.gap': 8,
          }),
        ),
        sheet: 'sheet-tile-1',
        kit: 'bag',
        over: { surface: 'wiped damp' },
      },
      {
        void: voidOf(
          shaped(
            'joints',
            {
              'outline.length': 3600,
              'outline.width': 2000,
              tileLength: 600,
              tileWidth: 300,
              jointWidth: 8,
              depth: 20,
            },
            // In line with the joint of the slab under it.
            { movement: { lengthMm: 0, widthMm: 8, lines: [{ runs: 'down', atMm: 1824 }] } },
          ),
        ),
        sheet: 'sheet-joint-resin-1',
        kit: 'unit',
      },
      {
        void: voidOf(
          shaped(
            'coat',
            { 'outline.length': 3600, 'outline.width': 2000, thickness: 0.1 },
            { texture: { from: 'class', class: 'none' } },
          ),
        ),
        sheet: 'sheet-joint-1',
        kit: 'bottles',
      },
    ],
    over: { crew: 2 },
  },
  {
    id: 'sample-chip',
    name: 'Chip in the landing step',
    place: 'Granite landing step, upper arris',
    on: 'stone',
    thickMm: 180,
    by: 'stone-chip',
    passes: [
      {
        void: voidOf(shaped('corner', { down: 30, along: 45, back: 25 })),
        sheet: 'sheet-shell-1',
        kit: 'tubs',
        over: { colour: GRANITE },
      },
    ],
    over: { scaleStepG: 0.001 },
  },
  {
    id: 'sample-moving',
    name: 'Joint of ramp and apron',
    place: 'Head of the slip ramp',
    on: 'concrete',
    thickMm: 220,
    by: 'flexible-joint',
    passes: [
      {
        void: voidOf(shaped('groove', { length: 4000, width: 20, depth: 12 })),
        sheet: 'sheet-elastic-1',
        kit: 'pail',
      },
    ],
  },
];

/** The job on metal, plastic, hull and timber. */
const WORKSHOP: readonly Place[] = [
  {
    id: 'sample-sensor',
    name: 'Gate sensor',
    place: 'Ramp gate, hinge post',
    on: 'metal',
    thickMm: 6,
    by: 'small-part',
    passes: [
      {
        void: voidOf(shaped('bondLine', { 'outline.length': 45, 'outline.width': 30, thickness: 0.5 })),
        sheet: 'sheet-bracket-1',
        kit: 'cartridge',
      },
    ],
  },
  {
    id: 'sample-cleat',
    name: 'Holes of the old cleat',
    place: 'Workboat, foredeck',
    on: 'laminate',
    thickMm: 14,
    by: 'hole-coat',
    passes: [
      {
        void: { ...voidOf(shaped('hole', { holeDiameter: 10, holeDepth: 14 })), count: 4 },
        sheet: 'sheet-shell-1',
        kit: 'tubs',
      },
      { sheet: 'sheet-wet-1', kit: 'set' },
    ],
    over: { scaleStepG: 0.01 },
  },
  {
    id: 'sample-dent',
    name: 'Dent in the winch cover',
    place: 'Winch house, bench',
    on: 'metal',
    thickMm: 2,
    by: 'body-filler',
    passes: [
      {
        void: voidOf(shaped('patch', { 'outline.length': 220, 'outline.width': 140, 'depth.mean': 4 })),
        sheet: 'sheet-filler-1',
        kit: 'tin',
      },
    ],
    over: { scaleStepG: 0.1 },
  },
  {
    id: 'sample-gouge',
    name: 'Gouge in the sheave cheek',
    place: 'Winch house, bench',
    on: 'metal',
    thickMm: 20,
    by: 'metal-filler',
    passes: [
      {
        void: voidOf(shaped('patch', { 'outline.length': 60, 'outline.width': 18, 'depth.mean': 3 })),
        sheet: 'sheet-steel-1',
        kit: 'tin',
      },
    ],
    over: { scaleStepG: 0.01 },
  },
  {
    id: 'sample-shroud',
    name: 'Tab of the cabinet shroud',
    place: 'Control cabinet, lake side',
    on: 'plastic',
    thickMm: 4,
    by: 'rebuilt-part',
    passes: [
      {
        void: voidOf(shaped('castCopy', { 'outline.length': 40, 'outline.width': 25, thickness: 4 })),
        sheet: 'sheet-tab-1',
        kit: 'set',
      },
    ],
    over: { scaleStepG: 0.01 },
  },
  {
    id: 'sample-pad',
    name: 'Chafing pad under the bow',
    place: 'Workboat, forefoot',
    on: 'laminate',
    thickMm: 18,
    by: 'felt-wet-out',
    passes: [
      {
        void: voidOf(
          shaped(
            'wetOut',
            { 'outline.length': 500, 'outline.width': 250 },
            { layers: 1, arealGPerM2: 320, fibrePct: 25, fibreGPerMl: 1.38 },
          ),
        ),
        sheet: 'sheet-wet-1',
        kit: 'set',
      },
    ],
  },
  {
    id: 'sample-beam',
    name: 'End of the fender beam',
    place: 'Landing, lake side',
    on: 'timber',
    thickMm: 140,
    by: 'timber',
    passes: [
      {
        void: voidOf(shaped('coat', { 'outline.length': 400, 'outline.width': 140, thickness: 0.1 })),
        sheet: 'sheet-timber-1',
        kit: 'bottles',
      },
      {
        void: voidOf(shaped('corner', { down: 18, along: 90, back: 60 })),
        sheet: 'sheet-build-1',
        kit: 'set',
      },
      {
        void: voidOf(shaped('patch', { 'outline.length': 90, 'outline.width': 70, 'depth.mean': 2 })),
        sheet: 'sheet-fair-1',
        kit: 'set',
      },
    ],
    over: { scaleStepG: 0.1 },
  },
  {
    id: 'sample-rail',
    name: 'Piece let into the fender rail',
    place: 'Landing, lake side',
    on: 'timber',
    thickMm: 120,
    by: 'timber-part',
    passes: [
      {
        void: voidOf(shaped('bondLine', { 'outline.length': 280, 'outline.width': 110, thickness: 2 })),
        sheet: 'sheet-shell-1',
        kit: 'tubs',
      },
    ],
  },
  {
    id: 'sample-cavities',
    name: 'Pockets of the anchor head',
    place: 'Sheave post, foot',
    on: 'metal',
    thickMm: 30,
    by: 'cavity-packing',
    passes: [
      {
        void: {
          ...voidOf(
            shaped(
              'cavity',
              {},
              { rooms: [{ name: 'pocket', form: 'box', aMm: 60, bMm: 30, depthMm: 20 }], clear: [], read },
            ),
          ),
          count: 4,
        },
        sheet: 'sheet-putty-1',
        kit: 'bars',
      },
    ],
  },
];

type Make = (
  over: Partial<Piece> & Pick<Piece, 'id' | 'jobId' | 'order' | 'name' | 'place' | 'void'>,
  methodId: string,
  sheetId: string,
  kitId: string,
) => Repair;

/** All questions of some methods answered as they want it. */
const soundly = (...methods: readonly string[]): Repair['answers'] =>
  Object.fromEntries(methods.flatMap((m) => methodOf(m)!.questions.map((q) => [q.id, q.wants])));

function repairAt(make: Make, jobId: string, order: number, p: Place): Repair {
  const chain = READY_CHAINS.find((c) => c.id === p.by) ?? null;
  const first = chain?.first.method ?? p.by;
  const methods = chain ? [chain.first.method, ...chain.next.map((t) => t.method)] : [p.by];
  const [own] = p.passes;
  const one = make(
    {
      id: p.id,
      jobId,
      order,
      name: p.name,
      place: p.place,
      void: own!.void ?? null,
      answers: soundly(...methods),
      base: {
        material: p.on,
        thicknessMm: p.thickMm,
        back: p.on === 'concrete' || p.on === 'stone' ? 'ground' : 'air',
        exposure: 'sheltered',
        surroundings: ONLY_AIR,
        known: [],
        castOn: p.on === 'concrete' ? '2009-06-15' : null,
      },
      ...p.over,
      ...own!.over,
    },
    first,
    own!.sheet,
    own!.kit,
  );
  const repair = chain ? withChain(one, chain) : one;
  return p.passes.slice(1).reduce((r, pass, i) => {
    const piece = pieceOf(r, r.chain[i + 1]);
    const takes = pass.void ? { from: 'own' as const } : piece.takes;
    return withPiece(r, {
      ...piece,
      takes,
      void: pass.void ?? null,
      sheetId: pass.sheet,
      kitId: pass.kit,
      materialC: 18,
      ...pass.over,
    });
  }, repair);
}

/** A job with its repairs. */
export interface MethodsJob {
  readonly job: Job;
  readonly repairs: readonly Repair[];
}

/** Two jobs with a repair of every method that the first four jobs of the sample have none of. */
export function methodsJobs(
  common: Omit<Job, 'id' | 'name' | 'place' | 'wantedAt' | 'startFrom' | 'workingHours' | 'climate'>,
  tomorrow: DateTime,
  make: Make,
): readonly MethodsJob[] {
  const of = (over: Pick<Job, 'id' | 'name' | 'place' | 'doneBy'>, places: readonly Place[]): MethodsJob => ({
    job: {
      ...common,
      wantedAt: tomorrow.plus({ days: 14 }).set({ hour: 12 }).toMillis(),
      startFrom: tomorrow.set({ hour: 8 }).toMillis(),
      workingHours: { fromHour: 7, toHour: 18, days: [1, 2, 3, 4, 5, 6, 7] },
      climate: { kind: 'daily', lowC: 14, lowHour: 6, highC: 21, highHour: 15, humidityAtLowPct: 66 },
      ...over,
    },
    repairs: places.map((p, i) => repairAt(make, over.id, i + 1, p)),
  });
  return [
    of(
      {
        id: 'sample-floors',
        name: 'Floors and stone',
        place: 'Waiting room and landing, Ostrel Lake ferry',
        doneBy: 'floor layer',
      },
      FLOORS,
    ),
    of(
      {
        id: 'sample-workshop',
        name: 'Workshop bench',
        place: 'Winch house and workboat, Ostrel Lake ferry',
        doneBy: 'bench hands',
      },
      WORKSHOP,
    ),
  ];
}
