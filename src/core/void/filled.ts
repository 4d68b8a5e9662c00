import { z } from 'zod';
import { density, exactly, grams, line, ml, type Problem, texts } from '../say';
import { asMeasured, Figure } from '../units';
import type { DoubtfulInput } from './doubt';
import { across, block, down, drawing, hollow } from './draw';
import { Measured, unmeasured } from './measured';
import { check, type Dimension, type Shape } from './shape';

const DENSITY_OF = { water: 'Density of the water', sand: 'Density of the sand' } as const;

const WORK = texts('work.filled', {
  went: 'Went in',
  'went-by': '{before} − {after}',
  volume: 'Volume',
  'volume-by': 'went in / {density}',
});

const REFUSED = texts('refused.void.filled', {
  'weigh-vessel-before':
    'Weigh the vessel before and after: what went into the void is the difference, and it must be more than 0.',
});

/** A void measured by what filled it: water in a film liner, or dry sand, weighed before and after. */
export const Filled = z.object({
  shape: z.literal('filled'),
  version: z.literal(1),
  medium: z.enum(['water', 'sand']),
  /** The vessel with what was in it, before and after filling, g. */
  beforeG: Figure,
  afterG: Figure,
  /** Step of the scale, g. */
  stepG: Figure,
  /** Bulk density of the sand as it lies, or of the water, g/mL. */
  densityGPerMl: Figure,
  /** Rough size, for the drawing and the lifts; the volume does not rest on it. */
  across: Measured,
  depth: Measured,
});
export type Filled = z.infer<typeof Filled>;

/** How far the density of the medium may be off, as a share. */
const DENSITY_DOUBT = { water: 0.002, sand: 0.02 } as const;

const dimensions = (s: Filled): readonly Dimension[] => [
  { key: 'across', label: 'Across, roughly', measured: s.across, minMm: 0, maxMm: 50_000 },
  { key: 'depth', label: 'Deepest place', measured: s.depth, minMm: 0, maxMm: 5000 },
];

const inputs = (s: Filled): readonly DoubtfulInput[] => [
  { key: 'beforeG', label: 'Weight before', value: s.beforeG, halfWidth: s.stepG / 2, group: 'scale before' },
  { key: 'afterG', label: 'Weight after', value: s.afterG, halfWidth: s.stepG / 2, group: 'scale after' },
  {
    key: 'densityGPerMl',
    label: DENSITY_OF[s.medium],
    value: s.densityGPerMl,
    halfWidth: s.densityGPerMl * DENSITY_DOUBT[s.medium],
    group: 'density',
  },
];

const volumeMl = (s: Filled) => (s.beforeG - s.afterG) / s.densityGPerMl;

export const filled: Shape<Filled> = {
  id: 'filled',
  version: 1,
  label: 'Measured by filling',
  seen: 'any hollow that holds water in a film, or dry sand',
  broke: 'hollow',
  schema: Filled,
  blank: () => ({
    shape: 'filled',
    version: 1,
    medium: 'water',
    beforeG: 0,
    afterG: 0,
    stepG: 1,
    densityGPerMl: 0.998,
    across: unmeasured(150, 'guess'),
    depth: unmeasured(30, 'gauge'),
  }),
  dimensions,
  inputs,
  parameters: (s) => [
    {
      key: 'medium',
      label: 'Filled with',
      kind: 'choice',
      value: s.medium,
      options: [
        { id: 'water', label: 'water in a film' },
        { id: 'sand', label: 'dry sand' },
      ],
    },
    { key: 'beforeG', label: 'Weighed before filling', kind: 'mass', value: s.beforeG, min: 0, max: 1e7 },
    { key: 'afterG', label: 'Weighed after filling', kind: 'mass', value: s.afterG, min: 0, max: 1e7 },
    { key: 'stepG', label: 'Step of the scale', kind: 'mass', value: s.stepG, min: 0, max: 1000, minExclusive: true },
    {
      key: 'densityGPerMl',
      label: DENSITY_OF[s.medium],
      kind: 'density',
      value: s.densityGPerMl,
      min: 0.2,
      max: 3,
    },
  ],
  write: (s, key, value) =>
    key === 'medium' && value !== s.medium
      ? { ...s, medium: value as Filled['medium'], densityGPerMl: value === 'water' ? 0.998 : 1.6 }
      : undefined,
  problems: (s): readonly Problem[] =>
    s.beforeG > s.afterG
      ? []
      : [
          {
            field: 'afterG',
            value: s.afterG,
            allowed: `under ${asMeasured(s.beforeG)} g`,
            sentence: REFUSED['weigh-vessel-before'](),
          },
        ],
  volume:
    () =>
    ([, , before = 0, after = 0, density = 1]) =>
      (before - after) / density,
  working: (s) => [
    line(
      WORK.went(),
      WORK['went-by']({ before: exactly(grams(s.beforeG)), after: exactly(grams(s.afterG)) }),
      grams(s.beforeG - s.afterG),
      undefined,
      'measured',
    ),
    line(WORK.volume(), WORK['volume-by']({ density: exactly(density(s.densityGPerMl)) }), ml(volumeMl(s))),
  ],
  faces: (s) => {
    check(filled, s);
    const d = s.depth.valueMm;
    // The area that gives this volume at that depth, the hollow taken as a bowl of half its depth on average.
    const plan = (volumeMl(s) * 1000 * 2) / d;
    const around = 2 * Math.sqrt(Math.PI * plan);
    return {
      planAreaMm2: plan,
      wettedAreaMm2: plan + around * (d / 2),
      maxDepthMm: d,
      perimeterMm: around,
      thicknessMm: d / 2,
    };
  },
  section: (s) => {
    const [w, d] = [s.across.valueMm, s.depth.valueMm];
    const bowl = Array.from(
      { length: 25 },
      (_, i) => [w / 2 - (w * i) / 24, d * (1 - (1 - i / 12) ** 2) ** 0.7] as const,
    );
    return drawing(
      'section, as far as it is known',
      [block(-w / 2, w / 2, d), hollow(bowl)],
      [across('across', 0, w / 2, -Math.max(d, w * 0.1) * 0.5, 'across', 2), down('depth', 0, d, w * 0.6, 'depth')],
    );
  },
  plan: (s) => {
    const r = s.across.valueMm / 2;
    return drawing('from above, roughly', [
      hollow(
        Array.from(
          { length: 25 },
          (_, i) =>
            [
              r * (1 + 0.12 * Math.sin(i * 2.1)) * Math.cos((i * Math.PI) / 12),
              r * (0.8 + 0.1 * Math.cos(i * 1.7)) * Math.sin((i * Math.PI) / 12),
            ] as const,
        ),
      ),
    ]);
  },
};
