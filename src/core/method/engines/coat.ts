import { layerOf } from '../../mix';
import { refuse, texts } from '../../say';
import { facesOf, type VoidShape } from '../../void';
import { type MethodContext, type Setting, settingIn, type TaskContext } from '../context';
import { type TaskRow, tasks } from '../task';
import { BEGINS, type Engine, inPlaces, PORTION, POT_CLOCKS, UNPARTED } from './engine';
import { mix, weigh } from './potted';

const REFUSED = texts('refused.engines.coat', {
  'coat-without-thickness':
    'A coat without a thickness has no amount: type how thick it is, or what the sheet says a litre covers.',
});

/** Area of one shape of the face, mm². */
const areaMm2 = (s: VoidShape): number => facesOf(s).planAreaMm2;

/** One coat without what the texture of the bare face takes of the first, mL. */
export const plainCoatMl = (c: MethodContext, shapes: readonly VoidShape[] = c.void.shapes): number =>
  c.void.count * shapes.reduce((sum, s) => sum + ('thickness' in s ? (areaMm2(s) * s.thickness.valueMm) / 1000 : 0), 0);
export const coatsOf = (c: MethodContext): number => Math.round(settingIn(c, 'coats'));

/** The setting of a method whose lot may not change in the middle of a face: over more than this it is one lot, mm². */
export const LOT_AREA = 'lot-area';

/**
 * Faces that are each coated to their end before the next: where a lot may change between them they are areas of their
 * own.
 */
const areasOf = (c: MethodContext): readonly (readonly VoidShape[])[] =>
  c.effects.lots === 'area' && c.void.shapes.length > 1 ? c.void.shapes.map((s) => [s]) : [c.void.shapes];

/** What the sheet says a coat over these faces takes, mL; null where it gives no coverage. */
export const claimedMl = (c: MethodContext, shapes: readonly VoidShape[] = c.void.shapes): number | null =>
  c.sheet.coversM2PerL === null
    ? null
    : (c.void.count * shapes.reduce((sum, s) => sum + areaMm2(s), 0)) / 1000 / c.sheet.coversM2PerL;

/** One coat by its geometry, mL: the first takes what the texture of the bare face takes as well. */
export const geometricMl = (c: MethodContext, layer: number, shapes: readonly VoidShape[] = c.void.shapes): number => {
  const plain = plainCoatMl(c, shapes);
  if (layer > 0) return plain;
  const whole = plainCoatMl(c);
  // What is drunk by texture is shared out by area.
  const area = (list: readonly VoidShape[]) => list.reduce((sum, s) => sum + areaMm2(s), 0);
  return plain + ((c.measured.nominalMl - whole) * area(shapes)) / area(c.void.shapes);
};

/** One coat as it is planned, mL: by the sheet where it says more, or where the film is too thin to be measured. */
const coatMl = (c: MethodContext, layer: number, shapes: readonly VoidShape[]): number => {
  const [claimed, geometric] = [claimedMl(c, shapes), geometricMl(c, layer, shapes)];
  return claimed === null ? geometric : c.params.byCoverage ? claimed : Math.max(claimed, geometric);
};

/** Area of all faces, m². */
export const faceM2 = (c: MethodContext): number => (c.void.count * c.measured.faces.planAreaMm2) / 1e6;

/** Brushed or rolled on in coats, each on the one before it within its window. */
export const coat: Engine = {
  ...UNPARTED,
  onFaces: true,
  liesOpen: 'set',
  oneKitAPot: () => false,
  inRounds: false,
  inLifts: false,
  byApproval: false,
  spends: [],
  eachBatch: new Set(POT_CLOCKS),
  begins: BEGINS.mixed(),
  oneLot: (c) => c.effects.lots === 'one' && faceM2(c) > settingIn(c, LOT_AREA) / 1e6,
  portions: (c) => {
    const n = coatsOf(c);
    const areas = areasOf(c);
    const each = Array.from({ length: n }, (_, layer) => areas.map((shapes) => coatMl(c, layer, shapes)));
    const all = each.flat().reduce((sum, ml) => sum + ml, 0);
    if (!(all > 0)) refuse('shapes.0.thickness', 0, 'more than nothing', REFUSED['coat-without-thickness']());
    if (areas.length === 1)
      return each.map(([ml], i) => ({
        label: n === 1 ? PORTION.only() : PORTION.coat({ n: i + 1 }),
        share: ml! / all,
        ...inPlaces(c),
      }));
    return each.flatMap((list, layer) =>
      list.map((ml, area) => ({
        label: PORTION.coatOver({ n: n === 1 ? 0 : layer + 1, area: area + 1 }),
        share: ml / all,
        over: {
          layer,
          area,
          faceShare: (areas[area]!.reduce((sum, s) => sum + areaMm2(s), 0) * c.void.count) / (faceM2(c) * 1e6),
        },
      })),
    );
  },
  // A face is coated at so many square metres an hour, however thin.
  pace: (c) => ({ setting: 'coat-rate', mlPerMin: coatMl(c, 0, c.void.shapes) / faceM2(c) / 60 }),
  blockOf: (c) => `coat${(c.batch?.portion ?? c.portions.length - 1) + 1}`,
};

/** How many coats, and how many square metres of one in an hour. */
export const coatSettings = (usual: { readonly coats: number; readonly perHour: number }): readonly Setting[] => [
  { id: 'coats', label: 'Coats', kind: 'count', byDefault: usual.coats, min: 1, max: 20, stage: 'place' },
  {
    id: 'coat-rate',
    label: 'Coated in an hour',
    kind: 'area-rate',
    byDefault: usual.perHour,
    min: 0.05,
    max: 500,
    stage: 'place',
  },
];

/** Whether a batch is the first of a coat that lies on another. */
export const further = (c: TaskContext): boolean =>
  layerOf(c.portions, c.batch!.portion) > 0 && c.batches.find((b) => b.portion === c.batch!.portion) === c.batch;

const RESTS = texts('coat.rests', {
  tape: 'The coat ends at a joint or a tape, drawn while it is wet, and is covered as the last of it will be; it goes on from that edge.',
});
/** Where the work rests over night, of a coat that is longer than a working day. */
export const restsAtTape = RESTS.tape();

/** Coat on coat: each batch ends at a joint or a tape, each coat waits for the one below. */
export const coated: readonly TaskRow[] = [
  {
    ...weigh,
    waits: { for: 'recoat-from', on: 'below', when: further },
    within: { of: 'recoat-until', on: 'below', by: 'begin', when: further },
  },
  mix,
  ...tasks('coat', [
    {
      task: 'coat',
      role: 'place',
      each: 'batch',
      block: 'work',
      title:
        '{coats, plural, one {Coat it, edge to edge} other {Coat {lift} of {coats}}}{several, select, yes {, batch {n}} other {}}',
      detail:
        'Thin and even, from the far corner out, wet edge to wet edge{several, select, yes {; end this batch at a joint or a tape} other {}}. Look along it against the light for misses and runs.',
      confirm: '{coats, plural, one {It is coated} other {Coat {lift} is on}}',
      work: { by: { setting: 'coat-rate', driver: 'm2 coated' } },
      marks: { end: ['placed', 'last-coat', 'faces-closed'] },
    },
  ]),
];
