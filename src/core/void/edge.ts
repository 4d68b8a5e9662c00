import { z } from 'zod';
import { exactly, line, ml, mm, mm2, texts } from '../say';
import { across, arc, base, down, drawing, rect } from './draw';
import { derived, Measured, unmeasured } from './measured';
import type { Point } from './point';
import { check, type Dimension, type Shape } from './shape';

const WORK = texts('work.edge', {
  section: 'Section',
  'section-by': '{a} × {b} / 2 × {factor} ({form})',
  volume: 'Volume',
  'volume-by': 'section × {long}',
});

/** How the broken face runs between the two legs; factor on a·b/2 of the section. */
export const BREAKS = {
  straight: { label: 'straight', factor: 1 },
  scooped: { label: 'scooped out', factor: Math.PI / 2 },
  stepped: { label: 'square step', factor: 2 },
  bulging: { label: 'bulging', factor: 2 - Math.PI / 2 },
} as const;
export type BreakId = keyof typeof BREAKS;

/** A missing edge or nosing: how far down, how far back, how long. */
export const Edge = z.object({
  shape: z.literal('edge'),
  version: z.literal(1),
  form: z.enum(['straight', 'scooped', 'stepped', 'bulging']),
  down: Measured,
  back: Measured,
  length: Measured,
});
export type Edge = z.infer<typeof Edge>;

const dimensions = (s: Edge): readonly Dimension[] => [
  { key: 'down', label: 'How far down', measured: s.down, minMm: 0, maxMm: 5000 },
  { key: 'back', label: 'How far back', measured: s.back, minMm: 0, maxMm: 5000 },
  { key: 'length', label: 'Length along the edge', measured: s.length, minMm: 0, maxMm: 100_000 },
];

/** Outline of the missing piece: from the back edge on the surface, over the edge, down, and along the break. */
export function breakOutline(form: BreakId, a: number, b: number): readonly Point[] {
  const corner: Point[] = [
    [-b, 0],
    [0, 0],
    [0, a],
  ];
  if (form === 'stepped') return [...corner, [-b, a]];
  if (form === 'straight') return corner;
  // A quarter ellipse: scooped round the lost edge, bulging round the corner of the step.
  const quarter = form === 'scooped' ? arc(1, 0, 0, 90, 180, 16) : arc(1, 0, 0, 0, -90, 16);
  const curve =
    form === 'scooped'
      ? quarter.map(([x, y]) => [b * x, a * y] as const)
      : quarter.map(([x, y]) => [b * (x - 1), a * (1 + y)] as const);
  return [...corner, ...curve];
}

export const edge: Shape<Edge> = {
  id: 'edge',
  version: 1,
  label: 'Edge or nosing',
  seen: 'an edge, nosing or arris broken off along its length',
  broke: 'edge',
  sizes: { length: ['length'], width: ['back'], depth: ['down'] },
  schema: Edge,
  blank: () => ({
    shape: 'edge',
    version: 1,
    form: 'straight',
    down: unmeasured(40, 'rule'),
    back: unmeasured(60, 'rule'),
    length: unmeasured(300, 'tape'),
  }),
  dimensions,
  // Built up again it has its two sides, laid flat beside one another.
  faceOutline: ({ down: a, back: b, length }) => ({
    kind: 'rectangle',
    length,
    width: derived(a.valueMm + b.valueMm, [
      [a, 1],
      [b, 1],
    ]),
  }),
  parameters: (s) => [
    {
      key: 'form',
      label: 'The broken face is',
      kind: 'choice',
      value: s.form,
      options: Object.entries(BREAKS).map(([id, { label }]) => ({ id, label })),
    },
  ],
  problems: () => [],
  volume:
    (s) =>
    ([a = 0, b = 0, L = 0]) =>
      (((a * b) / 2) * BREAKS[s.form].factor * L) / 1000,
  below: (s, z) => {
    const [a, b, L] = dimensions(s).map((d) => d.measured.valueMm) as [number, number, number];
    const left = Math.max(0, 1 - z / a);
    if (s.form === 'stepped') return (a * b * L * left) / 1000;
    if (s.form === 'straight') return ((a * b * L) / 2 / 1000) * left ** 2;
    // Quarter ellipse: width at depth z is b √(1 − (z/a)²), or what that leaves of the step when it bulges.
    const u = Math.min(1, z / a);
    const quarter = Math.PI / 4 - (u * Math.sqrt(1 - u * u) + Math.asin(u)) / 2;
    if (s.form === 'scooped') return (a * b * L * quarter) / 1000;
    const v = 1 - u;
    return (a * b * L * (v - (v * Math.sqrt(1 - v * v) + Math.asin(v)) / 2)) / 1000;
  },
  working: (s) => {
    const [a, b, L] = dimensions(s).map((d) => d.measured.valueMm) as [number, number, number];
    const { factor, label } = BREAKS[s.form];
    return [
      line(
        WORK.section(),
        WORK['section-by']({ a: exactly(mm(a)), b: exactly(mm(b)), factor: factor.toFixed(3), form: label }),
        mm2((a * b * factor) / 2),
      ),
      line(WORK.volume(), WORK['volume-by']({ long: exactly(mm(L)) }), ml((a * b * factor * L) / 2000)),
    ];
  },
  faces: (s) => {
    check(edge, s);
    const [a, b, L] = dimensions(s).map((d) => d.measured.valueMm) as [number, number, number];
    const run =
      s.form === 'stepped'
        ? a + b
        : s.form === 'straight'
          ? Math.hypot(a, b)
          : (Math.PI / 2) * Math.sqrt((a * a + b * b) / 2);
    return {
      planAreaMm2: b * L,
      wettedAreaMm2: run * L,
      maxDepthMm: a,
      perimeterMm: 2 * L,
      thicknessMm: (a * BREAKS[s.form].factor) / 2,
    };
  },
  section: (s) => {
    const [a, b] = dimensions(s).map((d) => d.measured.valueMm) as [number, number];
    const [w, h] = [b * 2.2 + a * 0.4, a * 2 + b * 0.3];
    return drawing(
      'section across the edge',
      [base(rect(-w, 0, 0, h)), { role: 'void', points: breakOutline(s.form, a, b) }],
      [across('back', 0, -b, -Math.max(a, b) * 0.2, 'back'), down('down', 0, a, Math.max(a, b) * 0.22, 'down')],
    );
  },
  plan: (s) => {
    const [, b, L] = dimensions(s).map((d) => d.measured.valueMm) as [number, number, number];
    return drawing(
      'from above',
      [base(rect(0, -b * 1.6, L, b)), { role: 'void', points: rect(0, 0, L, b) }],
      [across('length', 0, L, b + Math.max(b, L * 0.08) * 0.4, 'length')],
    );
  },
};
