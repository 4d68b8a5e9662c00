import { z } from 'zod';
import { bare, line, ml, mm, type Problem, texts } from '../say';
import { across, arc, down, drawing, rect } from './draw';
import { Measured, unmeasured } from './measured';
import { check, type Dimension, type Shape } from './shape';

const WORK = texts('work.fairing', {
  frustum: 'Cone frustum',
  'frustum-by': 'π/12 × {high} × ({foot}² + {foot} × {top} + {top}²)',
  fitting: 'The fitting itself',
  'fitting-by': 'π/4 × {fitting}² × {high}',
});

const REFUSED = texts('refused.void.fairing', {
  'top-fairing-no': 'The top of a fairing is no wider than its foot.',
  'fitting-wider-top': 'The fitting, {fitting}, is wider than the top of the fairing.',
});

/** A sloped collar that fairs a fitting into a face. */
export const Fairing = z.object({
  shape: z.literal('fairing'),
  version: z.literal(1),
  foot: Measured,
  top: Measured,
  height: Measured,
  fitting: Measured,
});
export type Fairing = z.infer<typeof Fairing>;

const dimensions = (s: Fairing): readonly Dimension[] => [
  { key: 'foot', label: 'Diameter at the foot', measured: s.foot, minMm: 0, maxMm: 10_000 },
  { key: 'top', label: 'Diameter at the top', measured: s.top, minMm: 0, minInclusive: true, maxMm: 10_000 },
  { key: 'height', label: 'Height', measured: s.height, minMm: 0, maxMm: 5000 },
  {
    key: 'fitting',
    label: 'Diameter of the fitting',
    measured: s.fitting,
    minMm: 0,
    minInclusive: true,
    maxMm: 10_000,
  },
];
const own = (s: Fairing) => dimensions(s).map((d) => d.measured.valueMm) as [number, number, number, number];
const frustum = (a: number, b: number, h: number) => (Math.PI / 12) * h * (a * a + a * b + b * b);

export const fairing: Shape<Fairing> = {
  id: 'fairing',
  version: 1,
  label: 'Fairing round a fitting',
  seen: 'a fitting or boss to be faired into the face round it',
  broke: 'gap',
  schema: Fairing,
  // Seen along the fitting: its slope is as wide as its foot.
  faceOutline: ({ foot }) => ({ kind: 'ellipse', length: foot, width: foot }),
  faceOpening: ({ fitting }) => fitting,
  blank: () => ({
    shape: 'fairing',
    version: 1,
    foot: unmeasured(160, 'rule'),
    top: unmeasured(90, 'rule'),
    height: unmeasured(30, 'rule'),
    fitting: unmeasured(80, 'calliper'),
  }),
  dimensions,
  problems: (s): Problem[] => {
    const [foot, top, , fitting] = own(s);
    const out: Problem[] = [];
    if (top > foot)
      out.push({
        field: 'top',
        value: top,
        allowed: `up to ${foot} mm`,
        sentence: REFUSED['top-fairing-no'](),
      });
    if (fitting > top)
      out.push({
        field: 'fitting',
        value: fitting,
        allowed: `up to ${top} mm`,
        sentence: REFUSED['fitting-wider-top']({ fitting: mm(fitting) }),
      });
    return out;
  },
  volume:
    () =>
    ([foot = 0, top = 0, h = 0, fitting = 0]) =>
      (frustum(foot, top, h) - (Math.PI / 4) * fitting ** 2 * h) / 1000,
  below: (s, z) => {
    const [foot, top, h, fitting] = own(s);
    const left = Math.max(0, h - z);
    const level = foot + ((top - foot) * left) / h;
    return (frustum(foot, level, left) - (Math.PI / 4) * fitting ** 2 * left) / 1000;
  },
  working: (s) => {
    const [foot, top, h, fitting] = own(s);
    return [
      line(
        WORK.frustum(),
        WORK['frustum-by']({ high: bare(mm(h)), foot: bare(mm(foot)), top: bare(mm(top)) }),
        ml(frustum(foot, top, h) / 1000),
      ),
      line(
        WORK.fitting(),
        WORK['fitting-by']({ fitting: bare(mm(fitting)), high: bare(mm(h)) }),
        ml((-(Math.PI / 4) * fitting ** 2 * h) / 1000),
      ),
    ];
  },
  faces: (s) => {
    check(fairing, s);
    const [foot, , h, fitting] = own(s);
    const plan = (Math.PI / 4) * (foot ** 2 - fitting ** 2);
    return {
      planAreaMm2: plan,
      wettedAreaMm2: plan + Math.PI * fitting * h,
      maxDepthMm: h,
      perimeterMm: Math.PI * foot,
      thicknessMm: (foot - fitting) / 2,
    };
  },
  section: (s) => {
    const [foot, top, h, fitting] = own(s);
    const half = (x: 1 | -1) =>
      [
        [(x * fitting) / 2, h],
        [(x * foot) / 2, h],
        [(x * top) / 2, 0],
        [(x * fitting) / 2, 0],
      ] as const;
    const drawn = drawing(
      'section through the fitting',
      [
        { role: 'base', points: rect(-foot * 0.7, h, foot * 0.7, h + Math.max(h, foot * 0.16)) },
        { role: 'void', points: half(-1) },
        { role: 'void', points: half(1) },
        { role: 'part', points: rect(-fitting / 2, -h * 0.6, fitting / 2, h) },
      ],
      [
        // Those two from edge to edge: their words stand in the middle, clear of the height and of the fitting's own.
        across('top', -top / 2, top / 2, -h * 0.15, 'top ⌀', 2),
        across('foot', -foot / 2, foot / 2, h + Math.max(h, foot * 0.16) * 1.25, 'foot ⌀', 2),
        across('fitting', 0, fitting / 2, -h * 1.05, 'fitting ⌀', 2),
        down('height', h, 0, foot * 0.6, 'height'),
      ],
    );
    // It stands on the face.
    return { ...drawn, origin: [0, h] };
  },
  plan: (s) => {
    const [foot, top, , fitting] = own(s);
    return drawing('from above', [
      { role: 'base', points: rect(-foot * 0.6, -foot * 0.6, foot * 0.6, foot * 0.6) },
      { role: 'void', points: arc(foot / 2) },
      { role: 'void', points: arc(top / 2) },
      { role: 'part', points: arc(fitting / 2) },
    ]);
  },
};
