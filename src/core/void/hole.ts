import { z } from 'zod';
import { exactly, line, ml, mm, texts } from '../say';
import {
  boreDimensions,
  boreFields,
  boreParameters,
  borePlan,
  boreProblems,
  boreSection,
  boreWorking,
  boreWrite,
  mouthDimensions,
  mouthMm3,
  pointMm3,
} from './bore';
import { across, drawing } from './draw';
import { unmeasured } from './measured';
import { check, type Dimension, type Shape } from './shape';

const WORK = texts('work.hole', {
  hole: 'Hole',
  'hole-by': 'π/4 × ({across})² × {deep}',
});

/** A drilled hole with nothing in it. */
export const Hole = z.object({ shape: z.literal('hole'), version: z.literal(1), ...boreFields });
export type Hole = z.infer<typeof Hole>;

const dimensions = (s: Hole): readonly Dimension[] => [
  // Only where a drill left its point is there a shoulder to measure to.
  ...boreDimensions(s, ['Hole diameter', s.pointAngleDeg === null ? 'Hole depth' : 'Hole depth to the shoulder']),
  ...mouthDimensions(s),
];

export const hole: Shape<Hole> = {
  id: 'hole',
  version: 1,
  label: 'Drilled hole',
  seen: 'a round hole, screw hole or core hole, nothing standing in it',
  broke: 'hole',
  sizes: { across: ['holeDiameter'], depth: ['holeDepth'] },
  schema: Hole,
  blank: () => ({
    shape: 'hole',
    version: 1,
    holeDiameter: unmeasured(20, 'calliper'),
    holeDepth: unmeasured(60, 'gauge'),
    mouth: { form: 'none' },
    pointAngleDeg: null,
  }),
  dimensions,
  bore: (s) => ({ deepMm: s.holeDepth.valueMm, acrossMm: s.holeDiameter.valueMm }),
  // A widened mouth is filled with it.
  faceOutline: ({ holeDiameter, mouth }) => {
    const across = mouth.form === 'none' ? holeDiameter : mouth.diameter;
    return { kind: 'ellipse', length: across, width: across };
  },
  parameters: boreParameters,
  problems: boreProblems,
  write: boreWrite,
  volume:
    (s) =>
    ([D = 0, L = 0, M = 0, h = 0]) =>
      ((Math.PI / 4) * D ** 2 * L + pointMm3(D, s.pointAngleDeg) + mouthMm3(s.mouth.form, D, M, h)) / 1000,
  working: (s) => {
    const [D, L] = [s.holeDiameter.valueMm, s.holeDepth.valueMm];
    const by = WORK['hole-by']({ across: exactly(mm(D)), deep: exactly(mm(L)) });
    return [line(WORK.hole(), by, ml(((Math.PI / 4) * D * D * L) / 1000)), ...boreWorking(s)];
  },
  faces: (s) => {
    check(hole, s);
    const [D, L] = [s.holeDiameter.valueMm, s.holeDepth.valueMm];
    return {
      planAreaMm2: (Math.PI / 4) * D * D,
      wettedAreaMm2: Math.PI * D * L + (Math.PI / 4) * D * D,
      maxDepthMm: L,
      perimeterMm: Math.PI * D,
      thicknessMm: D,
    };
  },
  section: (s) => {
    const { outlines, dimensions: lines, top } = boreSection(s);
    return drawing('section through the hole', outlines, [
      ...lines,
      across('holeDiameter', 0, s.holeDiameter.valueMm / 2, -top * 0.4, 'hole ⌀', 2),
    ]);
  },
  plan: (s) => drawing('from above', borePlan(s)),
};
