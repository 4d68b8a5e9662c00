import { z } from 'zod';
import { exactly, line, ml, mm, mm2, texts } from '../say';
import { Degrees } from '../units';
import { across, down, drawing, rect } from './draw';
import { derived, Measured, unmeasured } from './measured';
import type { Point } from './point';
import { check, type Dimension, type Shape } from './shape';

const WORK = texts('work.fillet', {
  section: 'Section',
  square: '(1 − π/4) × ({radius})²',
  angled: '({radius})² × (cot({angle}°/2) − (π − {angle}°)/2)',
  volume: 'Volume',
  'volume-by': 'section × {long}',
});

/** A rounded fillet in the angle between two faces. */
export const Fillet = z.object({
  shape: z.literal('fillet'),
  version: z.literal(1),
  radius: Measured,
  length: Measured,
  /** Open angle between the faces, degrees. */
  angleDeg: Degrees,
});
export type Fillet = z.infer<typeof Fillet>;

const dimensions = (s: Fillet): readonly Dimension[] => [
  { key: 'radius', label: 'Radius', measured: s.radius, minMm: 0, maxMm: 2000 },
  { key: 'length', label: 'Length', measured: s.length, minMm: 0, maxMm: 100_000 },
];

/** Section of a fillet, mm²: r² (cot(θ/2) − (π − θ)/2). */
export const filletMm2 = (r: number, angleDeg: number): number => {
  const t = (angleDeg * Math.PI) / 180;
  return r * r * (1 / Math.tan(t / 2) - (Math.PI - t) / 2);
};

export const fillet: Shape<Fillet> = {
  id: 'fillet',
  version: 1,
  label: 'Fillet in an angle',
  seen: 'an inside angle to be rounded out or sealed',
  broke: 'gap',
  sizes: { length: ['length'], thickness: ['radius'] },
  schema: Fillet,
  blank: () => ({
    shape: 'fillet',
    version: 1,
    radius: unmeasured(15, 'rule'),
    length: unmeasured(600, 'tape'),
    angleDeg: 90,
  }),
  dimensions,
  // The round, laid flat: as far as the faces turn from one to the other.
  faceOutline: ({ radius, length, angleDeg }) => {
    const turn = Math.PI - (angleDeg * Math.PI) / 180;
    return { kind: 'rectangle', length, width: derived(radius.valueMm * turn, [[radius, turn]]) };
  },
  parameters: (s) => [
    { key: 'angleDeg', label: 'Angle between the faces', kind: 'angle', value: s.angleDeg, min: 5, max: 175 },
  ],
  problems: () => [],
  volume:
    (s) =>
    ([r = 0, L = 0]) =>
      (filletMm2(r, s.angleDeg) * L) / 1000,
  working: (s) => {
    const [r, L] = [s.radius.valueMm, s.length.valueMm];
    return [
      line(
        WORK.section(),
        WORK[s.angleDeg === 90 ? 'square' : 'angled']({ radius: exactly(mm(r)), angle: s.angleDeg }),
        mm2(filletMm2(r, s.angleDeg)),
      ),
      line(WORK.volume(), WORK['volume-by']({ long: exactly(mm(L)) }), ml((filletMm2(r, s.angleDeg) * L) / 1000)),
    ];
  },
  faces: (s) => {
    check(fillet, s);
    const [r, L] = [s.radius.valueMm, s.length.valueMm];
    const leg = r / Math.tan((s.angleDeg * Math.PI) / 360);
    return {
      planAreaMm2: leg * L,
      wettedAreaMm2: 2 * leg * L,
      maxDepthMm: leg,
      perimeterMm: 2 * L,
      thicknessMm: filletMm2(r, s.angleDeg) / (2 * leg),
    };
  },
  section: (s) => {
    const r = s.radius.valueMm;
    const t = (s.angleDeg * Math.PI) / 180;
    const leg = r / Math.tan(t / 2);
    // One face lies to the right, the other rises at the open angle; the round touches both a leg away from the corner.
    const side: Point = [Math.cos(t), -Math.sin(t)];
    const centre: Point = [leg, -r];
    const turn = Math.PI - t;
    const round = Array.from({ length: 25 }, (_, i) => {
      const a = Math.PI / 2 + (turn * i) / 24;
      return [centre[0] + r * Math.cos(a), centre[1] + r * Math.sin(a)] as const;
    });
    const far = leg * 2 + r;
    const thick = r * 0.7;
    const normal: Point = [-Math.sin(t), -Math.cos(t)];
    return drawing(
      'section of the fillet',
      [
        { role: 'base', points: rect(-thick, 0, far, thick) },
        {
          role: 'base',
          points: [
            [0, 0],
            [side[0] * far, side[1] * far],
            [side[0] * far + normal[0] * thick, side[1] * far + normal[1] * thick],
            [normal[0] * thick, normal[1] * thick],
          ],
        },
        { role: 'void', points: [[0, 0], ...round] },
      ],
      [down('radius', 0, -r, leg + r * 0.6, 'radius')],
    );
  },
  plan: (s) => {
    const [r, L] = [s.radius.valueMm, s.length.valueMm];
    const leg = r / Math.tan((s.angleDeg * Math.PI) / 360);
    return drawing(
      'along the angle',
      [
        { role: 'base', points: rect(0, -leg, L, leg * 3) },
        { role: 'void', points: rect(0, 0, L, leg) },
      ],
      [across('length', 0, L, leg * 3.6, 'length')],
    );
  },
};
