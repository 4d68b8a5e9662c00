import { z } from 'zod';
import { bare, line, ml, mm, type Problem, texts, type WorkLine } from '../say';
import { asMeasured, Degrees } from '../units';
import { arc, base, down, rect } from './draw';
import { Measured, unmeasured } from './measured';
import type { Point } from './point';
import type { Dimension, DimensionLine, Outline, Parameter } from './shape';

const WORK = texts('work.bore', {
  mouth: 'Mouth outside the bore',
  counterbore: 'π/4 × ({mouth}² − {hole}²) × {deep}',
  countersink: 'π/12 × {deep} × ({mouth}² + {mouth} × {hole} − 2 × {hole}²)',
  point: 'Drill point',
  'point-by': 'π × {hole}³ / (24 tan({angle}°/2))',
});

const REFUSED = texts('refused.void.bore', {
  'mouth-must-wider': 'The mouth must be wider than the hole; else choose a straight one.',
  'mouth-reaches-deeper': 'The mouth reaches deeper than the hole.',
});

/** What widens the mouth of a drilled hole. */
export const Mouth = z.discriminatedUnion('form', [
  z.object({ form: z.literal('none') }),
  z.object({ form: z.enum(['countersink', 'counterbore']), diameter: Measured, depth: Measured }),
]);
export type Mouth = z.infer<typeof Mouth>;

/** What a drilled hole is, with or without a rod in it. */
export const boreFields = {
  /** The bit that was really used decides most. */
  holeDiameter: Measured,
  /** From the surface to the shoulder. */
  holeDepth: Measured,
  mouth: Mouth,
  /** Included angle of the drill point, degrees; null for a flat bottom. */
  pointAngleDeg: Degrees.nullable(),
} as const;
const Bore = z.object(boreFields);
type Bore = z.infer<typeof Bore>;

/** Cone of the drill point, mm³: π d³ / (24 tan(φ/2)). */
export const pointMm3 = (d: number, angleDeg: number | null): number =>
  angleDeg === null ? 0 : (Math.PI * d ** 3) / (24 * Math.tan((angleDeg * Math.PI) / 360));

/** Depth of the drill point below the shoulder, mm. */
const tipMm = (d: number, angleDeg: number | null) =>
  angleDeg === null ? 0 : d / 2 / Math.tan((angleDeg * Math.PI) / 360);

/** The ring of a widened mouth outside the bore, mm³: frustum or cylinder less the bore inside it. */
export const mouthMm3 = (form: Mouth['form'], d: number, mouthD: number, depth: number): number =>
  form === 'none'
    ? 0
    : form === 'counterbore'
      ? (Math.PI / 4) * (mouthD ** 2 - d ** 2) * depth
      : (Math.PI / 12) * depth * (mouthD ** 2 + mouthD * d - 2 * d ** 2);

/** Its dimensions as whoever measures it names them: a hole that is drilled for a rod, or one that was there before. */
export const boreDimensions = (
  s: Bore,
  [across, deep]: readonly [string, string] = ['Hole diameter, actual bit', 'Hole depth to the shoulder'],
): readonly Dimension[] => [
  { key: 'holeDiameter', label: across, measured: s.holeDiameter, minMm: 0.5, maxMm: 500 },
  { key: 'holeDepth', label: deep, measured: s.holeDepth, minMm: 0.5, maxMm: 5000 },
];
export const mouthDimensions = (s: Bore): readonly Dimension[] =>
  s.mouth.form === 'none'
    ? []
    : [
        { key: 'mouth.diameter', label: 'Mouth diameter', measured: s.mouth.diameter, minMm: 0.5, maxMm: 1000 },
        { key: 'mouth.depth', label: 'Mouth depth', measured: s.mouth.depth, minMm: 0, maxMm: 1000 },
      ];

export const boreParameters = (s: Bore): readonly Parameter[] => [
  {
    key: 'mouth.form',
    label: 'Mouth of the hole',
    kind: 'choice',
    value: s.mouth.form,
    options: [
      { id: 'none', label: 'straight' },
      { id: 'countersink', label: 'countersunk' },
      { id: 'counterbore', label: 'stepped' },
    ],
  },
  {
    key: 'pointAngleDeg',
    label: 'Drill point angle (empty: flat)',
    kind: 'angle',
    value: s.pointAngleDeg,
    min: 60,
    max: 179,
    empty: 'flat bottom',
  },
];

/** Another form of mouth brings its own dimensions. */
export function boreWrite<S extends Bore>(s: S, key: string, value: unknown): S | undefined {
  if (key !== 'mouth.form' || value === s.mouth.form) return undefined;
  if (value === 'none') return { ...s, mouth: { form: 'none' } };
  const kept = s.mouth.form === 'none' ? null : s.mouth;
  const form = value as 'countersink' | 'counterbore';
  return {
    ...s,
    mouth: {
      form,
      diameter: kept?.diameter ?? unmeasured(s.holeDiameter.valueMm * 1.8, 'calliper'),
      depth: kept?.depth ?? unmeasured(s.holeDiameter.valueMm * 0.4, 'gauge'),
    },
  };
}

export function boreProblems(s: Bore): Problem[] {
  if (s.mouth.form === 'none') return [];
  const out: Problem[] = [];
  if (s.mouth.diameter.valueMm <= s.holeDiameter.valueMm)
    out.push({
      field: 'mouth.diameter',
      value: s.mouth.diameter.valueMm,
      allowed: `more than ${asMeasured(s.holeDiameter.valueMm)} mm`,
      sentence: REFUSED['mouth-must-wider'](),
    });
  if (s.mouth.depth.valueMm > s.holeDepth.valueMm)
    out.push({
      field: 'mouth.depth',
      value: s.mouth.depth.valueMm,
      allowed: `up to ${asMeasured(s.holeDepth.valueMm)} mm`,
      sentence: REFUSED['mouth-reaches-deeper'](),
    });
  return out;
}

/** Working of mouth and point. */
export function boreWorking(s: Bore): WorkLine[] {
  const D = s.holeDiameter.valueMm;
  const out: WorkLine[] = [];
  if (s.mouth.form !== 'none') {
    const [M, h] = [s.mouth.diameter.valueMm, s.mouth.depth.valueMm];
    out.push(
      line(
        WORK.mouth(),
        WORK[s.mouth.form]({ mouth: bare(mm(M)), hole: bare(mm(D)), deep: bare(mm(h)) }),
        ml(mouthMm3(s.mouth.form, D, M, h) / 1000),
      ),
    );
  }
  if (s.pointAngleDeg !== null)
    out.push(
      line(
        WORK.point(),
        WORK['point-by']({ hole: bare(mm(D)), angle: s.pointAngleDeg }),
        ml(pointMm3(D, s.pointAngleDeg) / 1000),
      ),
    );
  return out;
}

/** The bore in section: base, void, dimension of the depth, and the half-width of the block drawn. */
export function boreSection(s: Bore): { outlines: Outline[]; dimensions: DimensionLine[]; side: number; top: number } {
  const [D, L] = [s.holeDiameter.valueMm, s.holeDepth.valueMm];
  const tip = tipMm(D, s.pointAngleDeg);
  const [M, h] = s.mouth.form === 'none' ? [D, 0] : [s.mouth.diameter.valueMm, s.mouth.depth.valueMm];
  const side = Math.max(D * 1.6, M, L * 0.55);
  const mouth: Point[] =
    s.mouth.form === 'none'
      ? []
      : s.mouth.form === 'counterbore'
        ? [
            [M / 2, 0],
            [M / 2, h],
          ]
        : [[M / 2, 0]];
  const right: Point[] = [...mouth, [D / 2, h], [D / 2, L]];
  return {
    outlines: [
      base(rect(-side, 0, side, L + tip + Math.max(D, L * 0.3))),
      { role: 'void', points: [...right, [0, L + tip], ...right.toReversed().map(([x, y]) => [-x, y] as const)] },
    ],
    dimensions: [down('holeDepth', 0, L, side * 0.72, 'hole')],
    side,
    top: Math.max(D, L * 0.28),
  };
}

/** Rings seen from above: mouth, hole. */
export const borePlan = (s: Bore): Outline[] => [
  ...(s.mouth.form === 'none' ? [] : [{ role: 'void' as const, points: arc(s.mouth.diameter.valueMm / 2) }]),
  { role: 'void', points: arc(s.holeDiameter.valueMm / 2) },
];
