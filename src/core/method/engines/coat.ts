import { type MethodContext, type Setting, settingIn } from '../context';
import { type TaskRow, tasks } from '../task';
import { BEGINS, type Engine, PORTION, POT_CLOCKS, UNPARTED } from './engine';
import { mix, weigh } from './potted';

/** One coat without what the texture of the bare face takes of the first, mL. */
export const plainCoatMl = (c: MethodContext): number =>
  c.void.shapes.reduce(
    (sum, s) => sum + ('thickness' in s ? (c.measured.faces.planAreaMm2 * s.thickness.valueMm) / 1000 : 0),
    0,
  ) * c.void.count;
export const coatsOf = (c: MethodContext): number => Math.round(settingIn(c, 'coats'));

/** Area of all faces, m². */
export const faceM2 = (c: MethodContext): number => (c.void.count * c.measured.faces.planAreaMm2) / 1e6;

/** Brushed or rolled on in coats, each on the one before it within its window. */
export const coat: Engine = {
  ...UNPARTED,
  onFaces: true,
  oneKitAPot: () => false,
  inLifts: false,
  byApproval: false,
  spends: [],
  eachBatch: new Set(POT_CLOCKS),
  begins: BEGINS.mixed(),
  portions: (c) => {
    const n = coatsOf(c);
    // The first takes what the bare face takes as well.
    const [first, each] = [c.measured.nominalMl, plainCoatMl(c)];
    const all = first + (n - 1) * each;
    return Array.from({ length: n }, (_, i) => ({
      label: n === 1 ? PORTION.only() : PORTION.coat({ n: i + 1 }),
      share: (i === 0 ? first : each) / all,
    }));
  },
  // A face is coated at so many square metres an hour, however thin.
  pace: (c) => ({ setting: 'coat-rate', mlPerMin: c.measured.nominalMl / faceM2(c) / 60 }),
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

const further = (c: {
  readonly batch: { readonly portion: number } | null;
  readonly batches: readonly { readonly portion: number }[];
}) => c.batch!.portion > 0 && c.batches.find((b) => b.portion === c.batch!.portion) === c.batch;

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
