import { z } from 'zod';
import { exactly, line, ml, mm, texts } from '../say';
import { across, base, down, drawing, rect } from './draw';
import { derived, Measured, unmeasured } from './measured';
import { check, type Dimension, type Shape } from './shape';

const WORK = texts('work.corner', {
  corner: 'Corner',
  'corner-by': '{a} × {b} × {c} / 6 × {factor} ({form})',
});

/**
 * How the broken face runs between the three legs; factor on a·b·c/6, and what of the rectangle between two legs is
 * gone from the face they lie in: a triangle, a quarter of an ellipse, all of it.
 */
const FORMS = {
  straight: { label: 'straight', factor: 1, ofFace: 1 / 2 },
  scooped: { label: 'scooped out', factor: Math.PI, ofFace: Math.PI / 4 },
  stepped: { label: 'square block', factor: 6, ofFace: 1 },
} as const;

/** A missing corner: three legs from where it was. */
export const Corner = z.object({
  shape: z.literal('corner'),
  version: z.literal(1),
  form: z.enum(['straight', 'scooped', 'stepped']),
  down: Measured,
  along: Measured,
  back: Measured,
});
export type Corner = z.infer<typeof Corner>;

const dimensions = (s: Corner): readonly Dimension[] => [
  { key: 'down', label: 'How far down', measured: s.down, minMm: 0, maxMm: 5000 },
  { key: 'along', label: 'How far along', measured: s.along, minMm: 0, maxMm: 5000 },
  { key: 'back', label: 'How far back', measured: s.back, minMm: 0, maxMm: 5000 },
];
const legs = (s: Corner) => dimensions(s).map((d) => d.measured.valueMm) as [number, number, number];

export const corner: Shape<Corner> = {
  id: 'corner',
  version: 1,
  label: 'Corner',
  seen: 'a corner broken off',
  broke: 'edge',
  sizes: { length: ['along'], width: ['back'], depth: ['down'] },
  schema: Corner,
  blank: () => ({
    shape: 'corner',
    version: 1,
    form: 'straight',
    down: unmeasured(60, 'rule'),
    along: unmeasured(80, 'rule'),
    back: unmeasured(70, 'rule'),
  }),
  dimensions,
  // Built up again it has its three faces: as much, laid flat along its longest leg.
  faceOutline: (s) => {
    const [longest, b, c] = [s.down, s.along, s.back].sort((x, y) => y.valueMm - x.valueMm) as [
      Measured,
      Measured,
      Measured,
    ];
    const share = FORMS[s.form].ofFace;
    const across = longest.valueMm > 0 ? 1 / longest.valueMm : 0;
    return {
      kind: 'rectangle',
      length: longest,
      width: derived(share * (b.valueMm + c.valueMm + b.valueMm * c.valueMm * across), [
        [longest, -share * b.valueMm * c.valueMm * across ** 2],
        [b, share * (1 + c.valueMm * across)],
        [c, share * (1 + b.valueMm * across)],
      ]),
    };
  },
  parameters: (s) => [
    {
      key: 'form',
      label: 'The broken face is',
      kind: 'choice',
      value: s.form,
      options: Object.entries(FORMS).map(([id, { label }]) => ({ id, label })),
    },
  ],
  problems: () => [],
  volume:
    (s) =>
    ([a = 0, b = 0, c = 0]) =>
      ((a * b * c) / 6000) * FORMS[s.form].factor,
  below: (s, z) => {
    const [a, b, c] = legs(s);
    const u = Math.min(1, z / a);
    // Levels of a pyramid shrink with the square, of an octant of an ellipsoid with 1 − (z/a)².
    const share = s.form === 'stepped' ? 1 - u : s.form === 'straight' ? (1 - u) ** 3 : 1 - 1.5 * u + 0.5 * u ** 3;
    return ((a * b * c) / 6000) * FORMS[s.form].factor * share;
  },
  working: (s) => {
    const [a, b, c] = legs(s);
    const { factor, label } = FORMS[s.form];
    return [
      line(
        WORK.corner(),
        WORK['corner-by']({
          a: exactly(mm(a)),
          b: exactly(mm(b)),
          c: exactly(mm(c)),
          factor: factor.toFixed(3),
          form: label,
        }),
        ml(((a * b * c) / 6000) * factor),
      ),
    ];
  },
  faces: (s) => {
    check(corner, s);
    const [a, b, c] = legs(s);
    const plan = (b * c) / (s.form === 'stepped' ? 1 : 2);
    const slope = 0.5 * Math.sqrt((a * b) ** 2 + (b * c) ** 2 + (a * c) ** 2);
    return {
      planAreaMm2: plan,
      wettedAreaMm2: s.form === 'stepped' ? a * b + b * c + a * c : slope * (s.form === 'scooped' ? 1.5 : 1),
      maxDepthMm: a,
      perimeterMm: b + c,
      thicknessMm: a / 3,
    };
  },
  section: (s) => {
    const [a, b] = legs(s);
    const [w, h] = [b * 2.2 + a * 0.4, a * 2 + b * 0.3];
    return drawing(
      'the face with the corner off',
      [
        base(rect(-w, 0, 0, h)),
        {
          role: 'void',
          points:
            s.form === 'stepped'
              ? rect(-b, 0, 0, a)
              : [
                  [-b, 0],
                  [0, 0],
                  [0, a],
                ],
        },
      ],
      [across('along', 0, -b, -Math.max(a, b) * 0.2, 'along'), down('down', 0, a, Math.max(a, b) * 0.22, 'down')],
    );
  },
  plan: (s) => {
    const [, b, c] = legs(s);
    return drawing(
      'from above',
      [
        base(rect(-b * 2, -c * 2, 0, 0)),
        {
          role: 'void',
          points:
            s.form === 'stepped'
              ? rect(-b, -c, 0, 0)
              : [
                  [-b, 0],
                  [0, 0],
                  [0, -c],
                ],
        },
      ],
      [down('back', 0, -c, Math.max(b, c) * 0.2, 'back')],
    );
  },
};
