import { z } from 'zod';
import { exactly, line, ml, mm, mm2, texts, type WorkLine } from '../say';
import { Figure } from '../units';
import { bounds, drawing, rect } from './draw';
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

const WORK = texts('work.coat', {
  texture: 'Texture, mean depth',
  estimated: '{texture}, estimated',
  'sand-patch': '4 × {sand} / (π × ({circle})²)',
  'sand-patch-test': 'sand-patch test',
  area: 'Area',
  'area-but-holes': '{outline} − {count} × π/4 × ({across})²',
  volume: 'Volume',
  'volume-by': 'area × ({thick} + texture)',
});

const REFUSED = texts('refused.void.coat', {
  'take-up-whole': '{count} × Ø{diameter} take up the whole face. Check their number and diameter.',
});

/** Mean texture depth of a prepared face, mm: estimates for where no sand-patch test was made. */
export const TEXTURES = {
  none: { label: 'none to speak of: sealed, or sanded fine', mm: 0 },
  smooth: { label: 'smooth, sanded', mm: 0.1 },
  fine: { label: 'fine, ground', mm: 0.3 },
  medium: { label: 'medium, lightly blasted', mm: 0.7 },
  coarse: { label: 'coarse, blasted or scabbled', mm: 1.5 },
  rough: { label: 'rough, broken out', mm: 3 },
} as const;

/** A coat or skim over a face with texture. */
export const Coat = z.object({
  shape: z.literal('coat'),
  version: z.literal(1),
  outline: PlanOutline,
  /** Fittings and openings in it that are left out. */
  holes: z
    .object({ count: z.number().int().nonnegative().max(1000), diameter: Measured })
    .default({ count: 0, diameter: unmeasured(100, 'calliper') }),
  thickness: Measured,
  texture: z.discriminatedUnion('from', [
    z.object({ from: z.literal('class'), class: z.enum(['none', 'smooth', 'fine', 'medium', 'coarse', 'rough']) }),
    /** Sand-patch test: this much sand, spread flat into a circle of this diameter. */
    z.object({ from: z.literal('sand-patch'), sandMl: Figure, circle: Measured }),
  ]),
});
export type Coat = z.infer<typeof Coat>;

const dimensions = (s: Coat): readonly Dimension[] => [
  ...outlineDimensions(s.outline, 'outline'),
  {
    key: 'thickness',
    label: s.texture.from === 'class' && s.texture.class === 'none' ? 'Thickness' : 'Thickness over the peaks',
    measured: s.thickness,
    minMm: 0,
    minInclusive: true,
    maxMm: 200,
  },
  ...(s.texture.from === 'sand-patch'
    ? [
        {
          key: 'texture.circle',
          label: 'Sand-patch circle, diameter',
          measured: s.texture.circle,
          minMm: 0,
          maxMm: 2000,
        },
      ]
    : []),
  ...(s.holes.count > 0
    ? [{ key: 'holes.diameter', label: 'Diameter left out', measured: s.holes.diameter, minMm: 0, maxMm: 10_000 }]
    : []),
];

const holesMm2 = (s: Coat, d = s.holes.diameter.valueMm) => s.holes.count * (Math.PI / 4) * d * d;

/** Mean texture depth, mm: 4 V / (π D²) of a sand patch, or the class. */
const textureMm = (s: Coat, circle: number): number =>
  s.texture.from === 'class'
    ? TEXTURES[s.texture.class].mm
    : (4 * s.texture.sandMl * 1000) / (Math.PI * circle * circle);
const ownTexture = (s: Coat) => textureMm(s, s.texture.from === 'sand-patch' ? s.texture.circle.valueMm : 0);

export const coat: Shape<Coat> = {
  id: 'coat',
  version: 1,
  label: 'Coat or skim',
  seen: 'a face to be coated, skimmed or levelled',
  broke: 'surface',
  fromAbove: true,
  sizes: { ...OUTLINE_SIZES, thickness: ['thickness'] },
  schema: Coat,
  blank: () => ({
    shape: 'coat',
    version: 1,
    outline: { kind: 'rectangle', length: unmeasured(1000), width: unmeasured(600) },
    holes: { count: 0, diameter: unmeasured(100, 'calliper') },
    thickness: unmeasured(2, 'film'),
    texture: { from: 'class', class: 'fine' },
  }),
  dimensions,
  parameters: (s) => [
    ...outlineParameters(s.outline, 'outline'),
    {
      key: 'holes.count',
      label: 'Fittings and openings left out',
      kind: 'count',
      value: s.holes.count,
      min: 0,
      max: 1000,
      whole: true,
    },
    {
      key: 'texture.from',
      label: 'Texture of the face',
      kind: 'choice',
      value: s.texture.from,
      options: [
        { id: 'class', label: 'by how it looks' },
        { id: 'sand-patch', label: 'sand-patch test' },
      ],
    },
    s.texture.from === 'class'
      ? {
          key: 'texture.class',
          label: 'It looks',
          kind: 'choice',
          value: s.texture.class,
          options: Object.entries(TEXTURES).map(([id, t]) => ({ id, label: t.label })),
        }
      : {
          key: 'texture.sandMl',
          label: 'Sand used',
          kind: 'volume',
          value: s.texture.sandMl,
          min: 0,
          max: 10_000,
          minExclusive: true,
        },
  ],
  lists: (s) => outlineLists(s.outline, 'outline'),
  write: (s, key, value) => {
    if (key === 'holes.count' && s.holes.count === 0) return { ...s, holes: { ...s.holes, count: value as number } };
    if (key === 'texture.from')
      return {
        ...s,
        texture:
          value === 'class'
            ? { from: 'class', class: 'fine' }
            : { from: 'sand-patch', sandMl: 25, circle: unmeasured(200, 'rule') },
      };
    return writeOutline(s, key, value);
  },
  problems: (s) => {
    const outline = outlineProblems(s.outline, 'outline');
    if (outline.length || holesMm2(s) < outlineArea(s.outline).areaMm2) return outline;
    return [
      {
        field: 'holes.diameter',
        value: s.holes.diameter.valueMm,
        allowed: 'less than the whole face',
        sentence: REFUSED['take-up-whole']({ count: s.holes.count, diameter: exactly(mm(s.holes.diameter.valueMm)) }),
      },
    ];
  },
  volume: (s) => {
    const { at, takes } = outlineArea(s.outline);
    const bySand = s.texture.from === 'sand-patch' ? 1 : 0;
    return (v) => {
      const left = s.holes.count > 0 ? holesMm2(s, v[takes + 1 + bySand]!) : 0;
      return ((at(v) - left) * (v[takes]! + textureMm(s, v[takes + 1] ?? 0))) / 1000;
    };
  },
  working: (s) => {
    const area = outlineArea(s.outline).areaMm2 - holesMm2(s);
    const deep = ownTexture(s);
    const texture: WorkLine =
      s.texture.from === 'class'
        ? line(
            WORK.texture(),
            WORK.estimated({ texture: TEXTURES[s.texture.class].label }),
            mm(deep),
            undefined,
            'chosen',
          )
        : line(
            WORK.texture(),
            WORK['sand-patch']({ sand: exactly(ml(s.texture.sandMl)), circle: exactly(mm(s.texture.circle.valueMm)) }),
            mm(deep),
            WORK['sand-patch-test'](),
          );
    return [
      line(
        WORK.area(),
        s.holes.count
          ? WORK['area-but-holes']({
              outline: outlineWorked(s.outline),
              count: s.holes.count,
              across: exactly(mm(s.holes.diameter.valueMm)),
            })
          : outlineWorked(s.outline),
        mm2(area),
      ),
      texture,
      line(
        WORK.volume(),
        WORK['volume-by']({ thick: exactly(mm(s.thickness.valueMm)) }),
        ml((area * (s.thickness.valueMm + deep)) / 1000),
      ),
    ];
  },
  faces: (s) => {
    check(coat, s);
    const { areaMm2: whole, aroundMm } = outlineArea(s.outline);
    const areaMm2 = whole - holesMm2(s);
    const t = s.thickness.valueMm + ownTexture(s);
    return { planAreaMm2: areaMm2, wettedAreaMm2: areaMm2, maxDepthMm: t, perimeterMm: aroundMm, thicknessMm: t };
  },
  section: (s) => {
    const t = s.thickness.valueMm;
    const deep = ownTexture(s) * 2;
    const wide = Math.max(20, (t + deep) * 9);
    const ripples = Array.from(
      { length: 41 },
      (_, i) => [(i * wide) / 40, t + (deep * (1 - Math.cos(i * 2.399))) / 2] as Point,
    );
    const drawn = drawing(
      'section, texture as deep as measured',
      [
        { role: 'base', points: [...ripples, [wide, t + deep + wide * 0.18], [0, t + deep + wide * 0.18]] },
        { role: 'void', points: [[0, 0], [wide, 0], ...ripples.toReversed()] },
      ],
      [{ key: 'thickness', from: [wide * 1.05, t], to: [wide * 1.05, 0], perMm: 1, label: 'thickness' }],
    );
    // A piece of it, so large that its texture is seen.
    return { ...drawn, origin: null };
  },
  plan: (s) => {
    const [x0, y0, x1, y1] = bounds(cornersOf(s.outline));
    const drawn = outlinePlan(s.outline, 'outline');
    const m = (x1 - x0) * 0.06;
    return { ...drawn, outlines: [{ role: 'base', points: rect(x0 - m, y0 - m, x1 + m, y1 + m) }, ...drawn.outlines] };
  },
};
