import { z } from 'zod';
import { bare, exactly, line, ml, mm, mm2, type Problem, percent, texts } from '../say';
import { asMeasured, figure, Mm } from '../units';
import { across, bounds, down, drawing, hollow, rect } from './draw';
import { chordsOf, drawnOpen, OpenLine, openLineProblems, openLinesList, openMm } from './kept-open';
import { Measured, unmeasured } from './measured';
import {
  cornersOf,
  OUTLINE_SIZES,
  outlineArea,
  outlineDimensions,
  outlineLists,
  outlineParameters,
  outlinePlan,
  outlineProblems,
  outlineWorked,
  PlanOutline,
  writeOutline,
} from './outline';
import { check, type Dimension, type Shape } from './shape';

const WORK = texts('work.joints', {
  area: 'Area with joints',
  share: 'Share that is joint',
  'share-by': '1 − {long} × {short} / (({long} + {wide}) × ({short} + {wide}))',
  open: 'Movement joints stay open',
  'open-by': '{long} × {wide}',
  volume: 'Volume',
  'volume-by': 'joint area × {deep}',
});

const REFUSED = texts('refused.void.joints', {
  'tile-larger-whole': 'A tile of {long} × {short} is larger than the whole area, {across} × {down}.',
  'joint-wide-no': 'A joint {width} wide is no narrower than its tile, {short}.',
  'movement-joints-take': 'The movement joints take up more than all joints together. Check their length and width.',
});

/** The joints of a tiled area, movement joints left out. */
export const Joints = z.object({
  shape: z.literal('joints'),
  version: z.literal(1),
  /** The whole area, joints included. */
  outline: PlanOutline,
  tileLength: Measured,
  tileWidth: Measured,
  jointWidth: Measured,
  depth: Measured,
  /**
   * The movement joints that stay open: their width, and where they lie; or their length where nobody says where, mm.
   */
  movement: z.object({ lengthMm: Mm, widthMm: Mm, lines: z.array(OpenLine).max(50).optional() }),
});
export type Joints = z.infer<typeof Joints>;

const dimensions = (s: Joints): readonly Dimension[] => [
  ...outlineDimensions(s.outline, 'outline'),
  { key: 'tileLength', label: 'Tile, length', measured: s.tileLength, minMm: 0, maxMm: 5000 },
  { key: 'tileWidth', label: 'Tile, width', measured: s.tileWidth, minMm: 0, maxMm: 5000 },
  { key: 'jointWidth', label: 'Joint, width', measured: s.jointWidth, minMm: 0, maxMm: 200 },
  { key: 'depth', label: 'Joint, depth to fill', measured: s.depth, minMm: 0, maxMm: 500 },
];

/** Exact share of the area that is joint: 1 − L·B / ((L + w)(B + w)). */
export const jointShare = (l: number, b: number, w: number): number => 1 - (l * b) / ((l + w) * (b + w));

const own = (s: Joints) => [s.tileLength.valueMm, s.tileWidth.valueMm, s.jointWidth.valueMm, s.depth.valueMm] as const;
const linesOf = ({ movement }: Joints) => movement.lines ?? [];
const keptOpen = (s: Joints) => linesOf(s).flatMap((l) => chordsOf(cornersOf(s.outline), l));
/** Where they are drawn their length is theirs. */
const openLengthMm = (s: Joints) => (linesOf(s).length ? openMm(keptOpen(s)) : s.movement.lengthMm);
const openMm2 = (s: Joints) => openLengthMm(s) * s.movement.widthMm;

function problems(s: Joints): readonly Problem[] {
  const outline = outlineProblems(s.outline, 'outline');
  if (outline.length) return outline;
  const misplaced = openLineProblems(cornersOf(s.outline), linesOf(s), 'movement.lines');
  if (misplaced.length) return misplaced;
  const [l, b, w] = own(s);
  const corners = cornersOf(s.outline);
  const extents = ([0, 1] as const).map((axis) => {
    const on = corners.map((p) => p[axis]);
    return Math.max(...on) - Math.min(...on);
  });
  // A slab may be cut to its place, but not be larger than all of it whichever way it is turned.
  const [long, short] = [Math.max(l, b), Math.min(l, b)];
  const tooLong = long > Math.max(...extents) + 0.5;
  if (tooLong || short > Math.min(...extents) + 0.5)
    return [
      {
        field: tooLong === l >= b ? 'tileLength' : 'tileWidth',
        value: tooLong ? long : short,
        allowed: `up to ${figure(Math.max(...extents))} × ${figure(Math.min(...extents))} mm`,
        sentence: REFUSED['tile-larger-whole']({
          long: exactly(mm(long)),
          short: exactly(mm(short)),
          across: mm(Math.max(...extents)),
          down: mm(Math.min(...extents)),
        }),
      },
    ];
  if (w >= short)
    return [
      {
        field: 'jointWidth',
        value: w,
        allowed: `under ${asMeasured(short)} mm`,
        sentence: REFUSED['joint-wide-no']({ width: exactly(mm(w)), short: exactly(mm(short)) }),
      },
    ];
  const joint = outlineArea(s.outline).areaMm2 * jointShare(l, b, w);
  return openMm2(s) >= joint
    ? [
        {
          field: linesOf(s).length ? 'movement.lines' : 'movement.lengthMm',
          value: openLengthMm(s),
          allowed: `under ${figure(joint / 100)} cm² together`,
          sentence: REFUSED['movement-joints-take'](),
        },
      ]
    : [];
}

export const joints: Shape<Joints> = {
  id: 'joints',
  version: 1,
  label: 'Joints between tiles',
  seen: 'the open joints of a tiled or paved area',
  broke: 'joints',
  fromAbove: true,
  sizes: { length: OUTLINE_SIZES.length, width: OUTLINE_SIZES.width, depth: ['depth'] },
  schema: Joints,
  blank: () => ({
    shape: 'joints',
    version: 1,
    outline: { kind: 'rectangle', length: unmeasured(3000), width: unmeasured(2000) },
    tileLength: unmeasured(300, 'rule'),
    tileWidth: unmeasured(300, 'rule'),
    jointWidth: unmeasured(5, 'calliper'),
    depth: unmeasured(9, 'gauge'),
    movement: { lengthMm: 0, widthMm: 8 },
  }),
  dimensions,
  parameters: (s) => [
    ...outlineParameters(s.outline, 'outline'),
    ...(linesOf(s).length
      ? []
      : [
          {
            key: 'movement.lengthMm',
            label: 'Movement joints kept open, length',
            kind: 'length' as const,
            value: s.movement.lengthMm,
            min: 0,
            max: 1e6,
          },
        ]),
    {
      key: 'movement.widthMm',
      label: 'Movement joints, width',
      kind: 'length',
      value: s.movement.widthMm,
      min: 0,
      max: 200,
    },
  ],
  lists: (s) => [
    ...outlineLists(s.outline, 'outline'),
    { ...openLinesList(linesOf(s), 'movement.lines'), label: 'Movement joints, where they lie' },
  ],
  keptOpen,
  inArea: (s) => {
    const [l, b, w, d] = own(s);
    const mm2 = outlineArea(s.outline).areaMm2;
    return { mm2, ml: (mm2 * jointShare(l, b, w) * d) / 1000 };
  },
  write: writeOutline,
  problems,
  volume: (s) => {
    const { at, takes } = outlineArea(s.outline);
    return (v) => {
      const [l, b, w, d] = v.slice(takes) as [number, number, number, number];
      return ((at(v) * jointShare(l, b, w) - openMm2(s)) * d) / 1000;
    };
  },
  working: (s) => {
    const area = outlineArea(s.outline).areaMm2;
    const [l, b, w, d] = own(s);
    const share = jointShare(l, b, w);
    return [
      line(WORK.area(), outlineWorked(s.outline), mm2(area)),
      line(
        WORK.share(),
        WORK['share-by']({ long: bare(mm(l)), short: bare(mm(b)), wide: bare(mm(w)) }),
        percent(share * 100),
      ),
      ...(openMm2(s) > 0
        ? [
            line(
              WORK.open(),
              WORK['open-by']({ long: exactly(mm(openLengthMm(s))), wide: exactly(mm(s.movement.widthMm)) }),
              mm2(-openMm2(s)),
            ),
          ]
        : []),
      line(WORK.volume(), WORK['volume-by']({ deep: exactly(mm(d)) }), ml(((area * share - openMm2(s)) * d) / 1000)),
    ];
  },
  faces: (s) => {
    check(joints, s);
    const { areaMm2 } = outlineArea(s.outline);
    const [l, b, w, d] = own(s);
    const plan = areaMm2 * jointShare(l, b, w) - openMm2(s);
    return {
      planAreaMm2: plan,
      wettedAreaMm2: plan * (1 + (2 * d) / w),
      maxDepthMm: d,
      perimeterMm: (2 * plan) / w,
      thicknessMm: d,
    };
  },
  section: (s) => {
    const [l, , w, d] = own(s);
    const shown = Math.min(l, w * 7);
    const drawn = drawing(
      'section across a joint',
      [
        { role: 'base', points: rect(-shown, d, shown + w, d * 2.2) },
        { role: 'plate', points: rect(-shown, 0, 0, d) },
        { role: 'plate', points: rect(w, 0, w + shown, d) },
        hollow(rect(0, 0, w, d)),
      ],
      [across('jointWidth', 0, w, -d * 0.5, 'joint'), down('depth', 0, d, w + shown * 0.4, 'depth')],
    );
    // A piece of it alone.
    return { ...drawn, origin: null };
  },
  plan: (s) => {
    const drawn = outlinePlan(s.outline, 'outline');
    const [x0, y0, x1, y1] = bounds(cornersOf(s.outline));
    const [l, b, w] = own(s);
    // Tiles are drawn while they can be told apart, those at the far edges cut.
    const [nx, ny] = [Math.ceil((x1 - x0) / (l + w)), Math.ceil((y1 - y0) / (b + w))];
    const open = drawnOpen(keptOpen(s));
    if (s.outline.kind !== 'rectangle' || nx * ny > 400) return { ...drawn, outlines: [...drawn.outlines, ...open] };
    const tiles = Array.from({ length: nx * ny }, (_, i) => {
      const [tx, ty] = [x0 + (i % nx) * (l + w) + w / 2, y0 + Math.floor(i / nx) * (b + w) + w / 2];
      return { role: 'keep-clear' as const, points: rect(tx, ty, Math.min(tx + l, x1), Math.min(ty + b, y1)) };
    });
    return { ...drawn, outlines: [...drawn.outlines, ...tiles, ...open] };
  },
};
