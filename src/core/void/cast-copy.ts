import { z } from 'zod';
import { exactly, line, listed, ml, mm, mm2, type Problem, texts } from '../say';
import { Mm } from '../units';
import { arc, bounds, down, drawing, rect } from './draw';
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

const WORK = texts('work.cast-copy', {
  outline: 'Outline',
  holes: 'Holes',
  'holes-by': 'π/4 × d² of each: {across}',
  volume: 'Volume',
  'volume-by': '(outline − holes) × {thick}',
});

const REFUSED = texts('refused.void.cast-copy', {
  'hole-diameter-must': 'Hole {n}: its diameter must be more than nought.',
  'holes-take-up': 'The holes take up the whole piece.',
});

/** A missing piece built up again after a sound twin: traced outline × thickness, less its holes. */
export const CastCopy = z.object({
  shape: z.literal('castCopy'),
  version: z.literal(1),
  outline: PlanOutline,
  thickness: Measured,
  holes: z.array(z.object({ xMm: Mm, yMm: Mm, diameterMm: Mm })).max(100),
});
export type CastCopy = z.infer<typeof CastCopy>;

const holesMm2 = (s: CastCopy) => s.holes.reduce((sum, h) => sum + (Math.PI / 4) * h.diameterMm ** 2, 0);
const dimensions = (s: CastCopy): readonly Dimension[] => [
  ...outlineDimensions(s.outline, 'outline', 'Corners of the piece'),
  { key: 'thickness', label: 'Thickness', measured: s.thickness, minMm: 0, maxMm: 1000 },
];

export const castCopy: Shape<CastCopy> = {
  id: 'castCopy',
  version: 1,
  label: 'Tab, lug or piece to rebuild',
  seen: 'a tab, lug or corner broken away, with a sound twin to copy',
  broke: 'piece',
  fromAbove: true,
  sizes: { ...OUTLINE_SIZES, thickness: ['thickness'] },
  schema: CastCopy,
  blank: () => ({
    shape: 'castCopy',
    version: 1,
    outline: { kind: 'rectangle', length: unmeasured(40, 'calliper'), width: unmeasured(25, 'calliper') },
    thickness: unmeasured(4, 'calliper'),
    holes: [],
  }),
  dimensions,
  parameters: (s) => outlineParameters(s.outline, 'outline'),
  lists: (s) => {
    const [x0, y0, x1, y1] = bounds(cornersOf(s.outline));
    return [
      ...outlineLists(s.outline, 'outline'),
      {
        key: 'holes',
        label: 'Holes in it',
        columns: [
          { key: 'xMm', label: 'along', kind: 'length' },
          { key: 'yMm', label: 'across', kind: 'length' },
          { key: 'diameterMm', label: '⌀', kind: 'length' },
        ],
        rows: s.holes,
        blank: { xMm: (x0 + x1) / 2, yMm: (y0 + y1) / 2, diameterMm: 5 },
        max: 100,
      },
    ];
  },
  write: (s, key, value) => {
    const moved = /^holes\.(\d+)$/.exec(key);
    if (moved && Array.isArray(value))
      return {
        ...s,
        holes: s.holes.map((h, i) =>
          i === Number(moved[1]) ? { ...h, xMm: value[0] as number, yMm: value[1] as number } : h,
        ),
      };
    return writeOutline(s, key, value);
  },
  problems: (s): readonly Problem[] => {
    const outline = outlineProblems(s.outline, 'outline');
    if (outline.length) return outline;
    const bad = s.holes.findIndex((h) => !(h.diameterMm > 0));
    if (bad >= 0)
      return [
        {
          field: `holes.${bad}`,
          value: s.holes[bad]!.diameterMm,
          allowed: 'more than 0 mm',
          sentence: REFUSED['hole-diameter-must']({ n: bad + 1 }),
        },
      ];
    return holesMm2(s) >= outlineArea(s.outline).areaMm2
      ? [
          {
            field: 'holes',
            value: holesMm2(s),
            allowed: 'less than the piece',
            sentence: REFUSED['holes-take-up'](),
          },
        ]
      : [];
  },
  volume: (s) => {
    const { at, takes } = outlineArea(s.outline);
    return (v) => ((at(v) - holesMm2(s)) * v[takes]!) / 1000;
  },
  working: (s) => {
    const area = outlineArea(s.outline).areaMm2;
    return [
      line(WORK.outline(), outlineWorked(s.outline), mm2(area)),
      ...(s.holes.length
        ? [
            line(
              WORK.holes(),
              WORK['holes-by']({
                across: listed(
                  s.holes.map((h) => exactly(mm(h.diameterMm))),
                  'comma',
                ),
              }),
              mm2(-holesMm2(s)),
            ),
          ]
        : []),
      line(
        WORK.volume(),
        WORK['volume-by']({ thick: exactly(mm(s.thickness.valueMm)) }),
        ml(((area - holesMm2(s)) * s.thickness.valueMm) / 1000),
      ),
    ];
  },
  faces: (s) => {
    check(castCopy, s);
    const { areaMm2, aroundMm } = outlineArea(s.outline);
    const t = s.thickness.valueMm;
    // Only the break itself is wetted; a quarter of the way round is taken for it.
    return {
      planAreaMm2: areaMm2 - holesMm2(s),
      wettedAreaMm2: (aroundMm / 4) * t,
      maxDepthMm: t,
      perimeterMm: aroundMm,
      thicknessMm: t,
    };
  },
  section: (s) => {
    const [x0, , x1] = bounds(cornersOf(s.outline));
    const t = s.thickness.valueMm;
    const w = x1 - x0;
    const drawn = drawing(
      'section through the piece',
      [
        { role: 'base', points: rect(x0 - w * 0.5, 0, x0, t) },
        { role: 'void', points: rect(x0, 0, x1, t) },
      ],
      [down('thickness', 0, t, x1 + w * 0.12, 'thickness')],
    );
    // A piece of it alone.
    return { ...drawn, origin: null };
  },
  plan: (s) => {
    const drawn = outlinePlan(s.outline, 'outline', 'the piece from above');
    return {
      ...drawn,
      outlines: [
        ...drawn.outlines,
        ...s.holes.map((h) => ({
          role: 'keep-clear' as const,
          points: arc(h.diameterMm / 2, h.xMm, h.yMm, 0, 360, 24),
        })),
      ],
      handles: [
        ...(drawn.handles ?? []),
        ...s.holes.map((h, i) => ({ key: `holes.${i}`, at: [h.xMm, h.yMm] as const, label: `hole ${i + 1}` })),
      ],
    };
  },
};
