import { z } from 'zod';
import { exactly, line, ml, mm, mm2, type Problem, texts } from '../say';
import { asMeasured } from '../units';
import { across, block, down, drawing, hollow, rect } from './draw';
import { Crossing, crossingsList, drawnCrossings } from './kept-open';
import { Measured, unmeasured } from './measured';
import { check, type Dimension, type Shape } from './shape';

const WORK = texts('work.groove', {
  section: 'Section',
  'section-by': '{wide} × {deep}{vee, select, yes { × ½} other {}}',
  volume: 'Volume',
  'volume-by': 'section × {long}',
});

const REFUSED = texts('refused.void.groove', {
  'joint-does-not': 'Joint {n}, at {at}, does not cross it: it runs from 0 to {ends}.',
});

/** A joint, saw cut or crack of one width and depth from end to end: three figures instead of a list of stations. */
export const Groove = z.object({
  shape: z.literal('groove'),
  version: z.literal(1),
  form: z.enum(['slot', 'vee']),
  length: Measured,
  width: Measured,
  depth: Measured,
  /** Joints that cross it and stay open, from its beginning, mm. */
  crossings: z.array(Crossing).max(50),
});
export type Groove = z.infer<typeof Groove>;

const dimensions = (s: Groove): readonly Dimension[] => [
  { key: 'length', label: 'Length along it', measured: s.length, minMm: 0, maxMm: 1_000_000 },
  { key: 'width', label: 'Width', measured: s.width, minMm: 0, maxMm: 500 },
  { key: 'depth', label: 'Depth', measured: s.depth, minMm: 0, maxMm: 1000 },
];

const sizes = (s: Groove) => [s.length.valueMm, s.width.valueMm, s.depth.valueMm] as const;

/** Share of width times depth that is open, by how it runs in. */
const OPEN = { slot: 1, vee: 0.5 } as const;

const problems = (s: Groove): readonly Problem[] =>
  s.crossings.flatMap(({ atMm }, i) =>
    atMm > 0 && atMm < s.length.valueMm
      ? []
      : [
          {
            field: `crossings.${i}`,
            value: atMm,
            allowed: `between 0 and ${asMeasured(s.length.valueMm)} mm`,
            sentence: REFUSED['joint-does-not']({
              n: i + 1,
              at: exactly(mm(atMm)),
              ends: exactly(mm(s.length.valueMm)),
            }),
          },
        ],
  );

export const groove: Shape<Groove> = {
  id: 'groove',
  version: 1,
  label: 'Joint, saw cut or crack of one width',
  seen: 'a joint, a saw cut or a crack as wide and deep all along',
  broke: 'crack',
  sizes: { length: ['length'], width: ['width'], depth: ['depth'] },
  schema: Groove,
  blank: () => ({
    shape: 'groove',
    version: 1,
    form: 'slot',
    length: unmeasured(2000, 'tape'),
    width: unmeasured(20, 'rule'),
    depth: unmeasured(10, 'gauge'),
    crossings: [],
  }),
  dimensions,
  runMm: (s) => s.length.valueMm,
  alongMm: (s, share) => s.length.valueMm * Math.min(1, Math.max(0, share)),
  faceOutline: ({ length, width }) => ({ kind: 'rectangle', length, width }),
  keptOpen: (s) =>
    s.crossings.map(({ atMm }) => ({ atMm, from: [atMm, 0] as const, to: [atMm, s.width.valueMm] as const })),
  parameters: (s) => [
    {
      key: 'form',
      label: 'It runs in',
      kind: 'choice',
      value: s.form,
      options: [
        { id: 'slot', label: 'as wide below' },
        { id: 'vee', label: 'to a point' },
      ],
    },
  ],
  lists: (s) => [crossingsList(s.crossings, Math.round(s.length.valueMm / 2))],
  problems,
  volume:
    (s) =>
    ([long = 0, wide = 0, deep = 0]) =>
      (long * wide * deep * OPEN[s.form]) / 1000,
  below: (s, z) => {
    const [long, wide, deep] = sizes(s);
    const left = Math.max(0, 1 - z / deep);
    return ((long * wide * deep) / 1000) * (s.form === 'vee' ? left ** 2 / 2 : left);
  },
  working: (s) => {
    const [long, wide, deep] = sizes(s);
    const sectionMm2 = wide * deep * OPEN[s.form];
    return [
      line(
        WORK.section(),
        WORK['section-by']({
          wide: exactly(mm(wide)),
          deep: exactly(mm(deep)),
          vee: s.form === 'vee' ? 'yes' : 'no',
        }),
        mm2(sectionMm2),
      ),
      line(WORK.volume(), WORK['volume-by']({ long: exactly(mm(long)) }), ml((sectionMm2 * long) / 1000)),
    ];
  },
  faces: (s) => {
    check(groove, s);
    const [long, wide, deep] = sizes(s);
    return {
      planAreaMm2: long * wide,
      wettedAreaMm2: long * (s.form === 'vee' ? 2 * Math.hypot(wide / 2, deep) : 2 * deep + wide),
      maxDepthMm: deep,
      perimeterMm: 2 * long,
      thicknessMm: wide,
    };
  },
  section: (s) => {
    const [, wide, deep] = sizes(s);
    const half = wide / 2;
    const side = Math.max(deep * 0.7, half * 1.5);
    return drawing(
      'section across it',
      [
        block(-half, half, deep, side, deep * 0.6),
        hollow(
          s.form === 'vee'
            ? [
                [half, 0],
                [0, deep],
                [-half, 0],
              ]
            : rect(-half, 0, half, deep),
        ),
      ],
      [
        across('width', 0, half, -Math.max(deep, half) * 0.2, 'width', 2),
        down('depth', 0, deep, half + side * 0.4, 'depth'),
      ],
    );
  },
  plan: (s) => {
    const [long, wide] = sizes(s);
    const half = Math.max(wide / 2, long * 0.012);
    const beside = long * 0.12;
    return drawing(
      'along it, from above',
      [
        { role: 'base', points: rect(-long * 0.03, -beside, long * 1.03, beside) },
        hollow(rect(0, -half, long, half)),
        ...drawnCrossings(s.crossings, long),
      ],
      [across('length', 0, long, beside * 0.55, 'length')],
    );
  },
};
