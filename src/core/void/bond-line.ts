import { z } from 'zod';
import { exactly, line, ml, mm, mm2, type Problem, texts } from '../say';
import { across, arc, bounds, drawing, hollow, rect } from './draw';
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

const WORK = texts('work.bond-line', {
  footprint: 'Footprint',
  holes: 'Holes',
  'holes-by': '{count} × π/4 × ({across})²',
  bond: 'Bond line',
  'bond-by': 'footprint × {thick}',
  'bond-but-holes': '(footprint − holes) × {thick}',
});

const REFUSED = texts('refused.void.bond-line', {
  'holes-take-up': '{count} holes of {diameter} take up the whole plate. Check their number and diameter.',
});

/** The thin space between a plate or part and its base. */
export const BondLine = z.object({
  shape: z.literal('bondLine'),
  version: z.literal(1),
  outline: PlanOutline,
  /** Fastener and inspection holes through the plate. */
  holes: z.object({ count: z.number().int().nonnegative().max(1000), diameter: Measured }),
  thickness: Measured,
});
export type BondLine = z.infer<typeof BondLine>;

const dimensions = (s: BondLine): readonly Dimension[] => [
  ...outlineDimensions(s.outline, 'outline', 'Corners of the plate'),
  { key: 'thickness', label: 'Bond line thickness', measured: s.thickness, minMm: 0, maxMm: 20 },
  ...(s.holes.count > 0
    ? [{ key: 'holes.diameter', label: 'Hole diameter', measured: s.holes.diameter, minMm: 0, maxMm: 2000 }]
    : []),
];

const holeAreaMm2 = (s: BondLine, d = s.holes.diameter.valueMm) => s.holes.count * (Math.PI / 4) * d * d;

function problems(s: BondLine): readonly Problem[] {
  const outline = outlineProblems(s.outline, 'outline');
  if (outline.length) return outline;
  if (holeAreaMm2(s) >= outlineArea(s.outline).areaMm2)
    return [
      {
        field: 'holes.diameter',
        value: s.holes.diameter.valueMm,
        allowed: 'holes smaller than the plate together',
        sentence: REFUSED['holes-take-up']({ count: s.holes.count, diameter: exactly(mm(s.holes.diameter.valueMm)) }),
      },
    ];
  return [];
}

export const bondLine: Shape<BondLine> = {
  id: 'bondLine',
  version: 1,
  label: 'Face to bond',
  seen: 'a plate, bracket or part laid on a face',
  broke: 'face',
  fromAbove: true,
  sizes: { ...OUTLINE_SIZES, thickness: ['thickness'] },
  schema: BondLine,
  blank: () => ({
    shape: 'bondLine',
    version: 1,
    outline: { kind: 'rectangle', length: unmeasured(300, 'rule'), width: unmeasured(200, 'rule') },
    holes: { count: 0, diameter: unmeasured(10, 'calliper') },
    thickness: unmeasured(0.8, 'calliper'),
  }),
  dimensions,
  bondMm: (s) => s.thickness.valueMm,
  parameters: (s) => [
    ...outlineParameters(s.outline, 'outline'),
    {
      key: 'holes.count',
      label: 'Holes in the plate',
      kind: 'count',
      value: s.holes.count,
      min: 0,
      max: 1000,
      whole: true,
    },
  ],
  lists: (s) => outlineLists(s.outline, 'outline'),
  write: (s, key, value) => {
    if (key === 'holes.count' && s.holes.count === 0)
      return { ...s, holes: { count: value as number, diameter: unmeasured(10, 'calliper') } };
    return writeOutline(s, key, value);
  },
  problems,
  volume: (s) => {
    const { at, takes } = outlineArea(s.outline);
    return (values) =>
      ((at(values) - (s.holes.count > 0 ? holeAreaMm2(s, values[takes + 1]!) : 0)) * values[takes]!) / 1000;
  },
  working: (s) => {
    const area = outlineArea(s.outline).areaMm2;
    const net = area - holeAreaMm2(s);
    return [
      line(WORK.footprint(), outlineWorked(s.outline), mm2(area)),
      ...(s.holes.count
        ? [
            line(
              WORK.holes(),
              WORK['holes-by']({ count: s.holes.count, across: exactly(mm(s.holes.diameter.valueMm)) }),
              mm2(holeAreaMm2(s)),
            ),
          ]
        : []),
      line(
        WORK.bond(),
        WORK[s.holes.count ? 'bond-but-holes' : 'bond-by']({ thick: exactly(mm(s.thickness.valueMm)) }),
        ml((net * s.thickness.valueMm) / 1000),
      ),
    ];
  },
  faces: (s) => {
    check(bondLine, s);
    const { areaMm2, aroundMm } = outlineArea(s.outline);
    const net = areaMm2 - holeAreaMm2(s);
    return {
      planAreaMm2: net,
      wettedAreaMm2: net,
      maxDepthMm: s.thickness.valueMm,
      perimeterMm: aroundMm,
      thicknessMm: s.thickness.valueMm,
    };
  },
  section: (s) => {
    const [x0, , x1] = bounds(cornersOf(s.outline));
    const span = x1 - x0;
    const t = s.thickness.valueMm;
    const plate = span * 0.05;
    const drawn = drawing(
      'section through plate and base',
      [
        { role: 'base', points: rect(x0 - span * 0.15, t, x1 + span * 0.15, t + span * 0.22) },
        hollow(rect(x0, 0, x1, t)),
        { role: 'plate', points: rect(x0, -plate, x1, 0) },
      ],
      s.outline.kind === 'polygon' ? [] : [across('outline.length', x0, x1, -plate - span * 0.09, 'length')],
    );
    // It stands on the face.
    return { ...drawn, origin: [(x0 + x1) / 2, t] };
  },
  plan: (s) => {
    const drawn = outlinePlan(s.outline, 'outline', 'bonded face from above');
    const [x0, y0, x1, y1] = bounds(cornersOf(s.outline));
    const shown = Math.min(s.holes.count, 24);
    // The record holds how many holes there are, not where: they are shown evenly along the middle.
    const holes = Array.from({ length: shown }, (_, i) => ({
      role: 'keep-clear' as const,
      points: arc(s.holes.diameter.valueMm / 2, x0 + ((i + 0.5) * (x1 - x0)) / shown, (y0 + y1) / 2, 0, 360, 24),
    }));
    return { ...drawn, outlines: [...drawn.outlines, ...holes] };
  },
};
