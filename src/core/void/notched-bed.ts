import { z } from 'zod';
import { bare, exactly, line, ml, mm, mm2, type Problem, texts } from '../say';
import { Degrees, Mm } from '../units';
import { across, bounds, down, drawing, hollow, rect } from './draw';
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
import type { Point } from './point';
import { check, type Dimension, type Shape } from './shape';

const WORK = texts('work.notched-bed', {
  area: 'Area',
  notch: 'One notch',
  square: '{wide} × {deep}',
  vee: '½ × {wide} × {deep}',
  round: '{wide} × ({deep} − {wide}/2) + π × {wide}²/8',
  bed: 'Mean bed',
  'bed-by': 'notch × sin {angle}° / ({wide} + {gap})',
  back: 'On the back',
  chosen: 'as chosen',
  volume: 'Volume',
  'with-back': 'area × (bed + back)',
  'bed-alone': 'area × bed',
});

const REFUSED = texts('refused.void.notched-bed', {
  'round-ended-notch-least': 'A round-ended notch is at least half as deep as it is wide.',
});

/** A setting bed combed with a notched trowel. */
export const NotchedBed = z.object({
  shape: z.literal('notchedBed'),
  version: z.literal(1),
  outline: PlanOutline,
  notch: z.object({ form: z.enum(['square', 'vee', 'round']), width: Measured, depth: Measured, gap: Measured }),
  /** How steeply the trowel is held to the base, degrees. */
  trowelDeg: Degrees,
  /** Thickness buttered on the back of the piece, mm. */
  backMm: Mm,
});
export type NotchedBed = z.infer<typeof NotchedBed>;

/** How high a combed ridge stands before it is pressed flat, mm. */
export const ridgeMm = (d: number, trowelDeg: number): number => d * Math.sin((trowelDeg * Math.PI) / 180);

const flatMm = ({ notch, trowelDeg, backMm }: NotchedBed): number =>
  bedMm(notch.form, notch.width.valueMm, notch.depth.valueMm, notch.gap.valueMm, trowelDeg) + backMm;

const dimensions = (s: NotchedBed): readonly Dimension[] => [
  ...outlineDimensions(s.outline, 'outline'),
  { key: 'notch.width', label: 'Notch, width', measured: s.notch.width, minMm: 0, maxMm: 100 },
  { key: 'notch.depth', label: 'Notch, depth', measured: s.notch.depth, minMm: 0, maxMm: 100 },
  // The notches of a V trowel may stand tip to tip.
  {
    key: 'notch.gap',
    label: 'Tooth between notches',
    measured: s.notch.gap,
    minMm: 0,
    minInclusive: s.notch.form === 'vee',
    maxMm: 100,
  },
];

/** Area of one notch, mm²: square w·d, V ½·w·d, round end w·(d − w/2) + π w²/8. */
export function notchMm2(form: NotchedBed['notch']['form'], w: number, d: number): number {
  if (form === 'square') return w * d;
  if (form === 'vee') return (w * d) / 2;
  return w * (d - w / 2) + (Math.PI * w * w) / 8;
}

/** Mean thickness of the bed when it is pressed flat, mm. */
export const bedMm = (
  form: NotchedBed['notch']['form'],
  w: number,
  d: number,
  gap: number,
  trowelDeg: number,
): number => (notchMm2(form, w, d) * Math.sin((trowelDeg * Math.PI) / 180)) / (w + gap);

function problems(s: NotchedBed): readonly Problem[] {
  const outline = outlineProblems(s.outline, 'outline');
  if (outline.length) return outline;
  const [w, d] = [s.notch.width.valueMm, s.notch.depth.valueMm];
  return s.notch.form === 'round' && d < w / 2
    ? [
        {
          field: 'notch.depth',
          value: d,
          allowed: `at least ${w / 2} mm`,
          sentence: REFUSED['round-ended-notch-least'](),
        },
      ]
    : [];
}

export const notchedBed: Shape<NotchedBed> = {
  id: 'notchedBed',
  version: 1,
  label: 'Combed setting bed',
  seen: 'a tile, slab or plate set into a bed combed with a notched trowel',
  broke: 'face',
  fromAbove: true,
  sizes: OUTLINE_SIZES,
  schema: NotchedBed,
  blank: () => ({
    shape: 'notchedBed',
    version: 1,
    outline: { kind: 'rectangle', length: unmeasured(1200), width: unmeasured(800) },
    notch: {
      form: 'square',
      width: unmeasured(8, 'marked'),
      depth: unmeasured(8, 'marked'),
      gap: unmeasured(8, 'calliper'),
    },
    trowelDeg: 60,
    backMm: 0,
  }),
  dimensions,
  parameters: (s) => [
    ...outlineParameters(s.outline, 'outline'),
    {
      key: 'notch.form',
      label: 'Notch',
      kind: 'choice',
      value: s.notch.form,
      options: [
        { id: 'square', label: 'square' },
        { id: 'vee', label: 'V' },
        { id: 'round', label: 'round-ended' },
      ],
    },
    { key: 'trowelDeg', label: 'Trowel held at', kind: 'angle', value: s.trowelDeg, min: 20, max: 90 },
    { key: 'backMm', label: 'Buttered on the back', kind: 'length', value: s.backMm, min: 0, max: 20 },
  ],
  lists: (s) => outlineLists(s.outline, 'outline'),
  write: (s, key, value) => {
    if (key !== 'notch.width') return writeOutline(s, key, value);
    const { notch } = s;
    const width = value as Measured;
    // A trowel with square notches goes by one figure: as deep and as far apart as they are wide, until somebody says
    // otherwise.
    const isNamed = (m: Measured) => !m.text || (m.text === notch.width.text && m.valueMm === notch.width.valueMm);
    const alike = (m: Measured): Measured =>
      notch.form === 'square' && isNamed(m) ? { ...width, tool: m.tool, again: null } : m;
    return { ...s, notch: { ...notch, width, depth: alike(notch.depth), gap: alike(notch.gap) } };
  },
  problems,
  volume: (s) => {
    const { at, takes } = outlineArea(s.outline);
    return (v) =>
      (at(v) * (bedMm(s.notch.form, v[takes]!, v[takes + 1]!, v[takes + 2]!, s.trowelDeg) + s.backMm)) / 1000;
  },
  working: (s) => {
    const area = outlineArea(s.outline).areaMm2;
    const [w, d, g] = [s.notch.width.valueMm, s.notch.depth.valueMm, s.notch.gap.valueMm];
    const one = notchMm2(s.notch.form, w, d);
    const mean = bedMm(s.notch.form, w, d, g, s.trowelDeg);
    const by = WORK[s.notch.form]({ wide: bare(mm(w)), deep: bare(mm(d)) });
    return [
      line(WORK.area(), outlineWorked(s.outline), mm2(area)),
      line(WORK.notch(), by, mm2(one)),
      line(WORK.bed(), WORK['bed-by']({ angle: s.trowelDeg, wide: exactly(mm(w)), gap: exactly(mm(g)) }), mm(mean)),
      ...(s.backMm > 0 ? [line(WORK.back(), WORK.chosen(), mm(s.backMm), undefined, 'chosen' as const)] : []),
      line(WORK.volume(), WORK[s.backMm > 0 ? 'with-back' : 'bed-alone'](), ml((area * (mean + s.backMm)) / 1000)),
    ];
  },
  faces: (s) => {
    check(notchedBed, s);
    const { areaMm2, aroundMm } = outlineArea(s.outline);
    const t = flatMm(s);
    return { planAreaMm2: areaMm2, wettedAreaMm2: areaMm2, maxDepthMm: t, perimeterMm: aroundMm, thicknessMm: t };
  },
  combed: (s) => ({ flatMm: flatMm(s), ridgeMm: ridgeMm(s.notch.depth.valueMm, s.trowelDeg) + s.backMm }),
  section: (s) => {
    const [w, d, g] = [s.notch.width.valueMm, s.notch.depth.valueMm, s.notch.gap.valueMm];
    const h = ridgeMm(d, s.trowelDeg);
    const ridges = Array.from({ length: 5 }, (_, i) => {
      const x = i * (w + g);
      const top: readonly Point[] =
        s.notch.form === 'square'
          ? [
              [x, d - h],
              [x + w, d - h],
            ]
          : s.notch.form === 'vee'
            ? [[x + w / 2, d - h]]
            : [
                [x, d - h * 0.5],
                [x + w * 0.25, d - h * 0.92],
                [x + w / 2, d - h],
                [x + w * 0.75, d - h * 0.92],
                [x + w, d - h * 0.5],
              ];
      return hollow([[x, d], ...top, [x + w, d]]);
    });
    const end = 5 * w + 4 * g;
    const drawn = drawing(
      'the combed bed before it is pressed',
      [{ role: 'base', points: rect(-w, d, end + w, d + Math.max(d, w) * 1.2) }, ...ridges],
      [
        across('notch.width', 0, w, -d * 0.25, 'notch'),
        across('notch.gap', w, w + g, -d * 0.7, 'tooth'),
        down('notch.depth', d, 0, end + w * 0.5, 'depth'),
      ],
    );
    // A piece of it alone.
    return { ...drawn, origin: null };
  },
  plan: (s) => {
    const drawn = outlinePlan(s.outline, 'outline');
    const [x0, y0, x1, y1] = bounds(cornersOf(s.outline));
    const lines = Array.from({ length: 9 }, (_, i) => x0 + ((i + 1) * (x1 - x0)) / 10);
    return {
      ...drawn,
      outlines: [
        ...drawn.outlines,
        ...lines.map((x) => ({ role: 'centre' as const, open: true, points: rect(x, y0, x, y1).slice(1, 3) })),
      ],
    };
  },
};
