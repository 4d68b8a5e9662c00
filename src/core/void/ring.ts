import { z } from 'zod';
import { exactly, line, ml, mm, mm2, type Problem, texts } from '../say';
import { asMeasured, Degrees, figure, Mm } from '../units';
import { across, arc, base, down, drawing, hollow, rect } from './draw';
import { Measured, measured, unmeasured } from './measured';
import { check, type Dimension, type Outline, type Shape } from './shape';

const WORK = texts('work.ring', {
  floor: 'Floor',
  round: 'π/4 × (({a})² − ({b})²)',
  straight: '{a} × {b}',
  poured: 'Poured',
  'poured-by': 'floor × ({deep} − {clear})',
  displaced: 'Displaced by the part',
  'displaced-by': '{long} × {thick} × ({full} − {foot})',
  before: 'Level above the floor before the part is seated',
  'before-by': 'pour / floor',
  after: 'Level above the floor when it is seated',
  'after-by': '{deep} − {clear}',
  slope: 'Taken of the clear space by the slope',
  'slope-both': '√(tan²({along}°) + tan²({across}°)) × reach of the rim',
  'slope-one': 'tan({along}°) × reach of the rim',
});

const REFUSED = texts('refused.void.ring', {
  'inner-diameter-must': 'The inner diameter must be smaller than the outer one.',
  'nothing-left-pour': 'Nothing is left to pour: the clear space is as deep as the channel.',
  'part-does-not': 'The part, {thickness}, does not fit a channel {width} wide.',
  'what-stands-across': 'What stands in it, {inner} to {outer} across, does not stand in the channel.',
  'slope-pour-stands':
    'On this slope the pour stands {slope} higher at one side of the rim: leave at least that clear, or level it first.',
});

/** A ring or straight channel that is poured full, with or without a part standing in it. */
export const Ring = z.object({
  shape: z.literal('ring'),
  version: z.literal(1),
  run: z.discriminatedUnion('form', [
    z.object({ form: z.literal('round'), outer: Measured, inner: Measured }),
    z.object({ form: z.literal('straight'), length: Measured, width: Measured }),
  ]),
  depth: Measured,
  /** How far below the rim the pour ends. */
  clear: Measured,
  /**
   * A wall or foot standing in the channel: its thickness, the gap under it, and in a round one its outer diameter, mm;
   * null stands in the middle.
   */
  part: z.object({ thickness: Measured, foot: Measured, outerMm: Mm.nullable().default(null) }).nullable(),
  /** Slope of the rim along and across it, degrees: the pour levels itself, the rim does not. */
  tiltDeg: Degrees,
  acrossDeg: Degrees.default(0),
});
export type Ring = z.infer<typeof Ring>;

const dimensions = (s: Ring): readonly Dimension[] => [
  ...(s.run.form === 'round'
    ? [
        { key: 'run.outer', label: 'Outer diameter', measured: s.run.outer, minMm: 0, maxMm: 50_000 },
        {
          key: 'run.inner',
          label: 'Inner diameter',
          measured: s.run.inner,
          minMm: 0,
          minInclusive: true,
          maxMm: 50_000,
        },
      ]
    : [
        { key: 'run.length', label: 'Length', measured: s.run.length, minMm: 0, maxMm: 100_000 },
        { key: 'run.width', label: 'Width', measured: s.run.width, minMm: 0, maxMm: 10_000 },
      ]),
  { key: 'depth', label: 'Depth', measured: s.depth, minMm: 0, maxMm: 5000 },
  { key: 'clear', label: 'Left clear under the rim', measured: s.clear, minMm: 0, minInclusive: true, maxMm: 5000 },
  ...(s.part
    ? [
        { key: 'part.thickness', label: 'Thickness of the part', measured: s.part.thickness, minMm: 0, maxMm: 10_000 },
        {
          key: 'part.foot',
          label: 'Gap under the part',
          measured: s.part.foot,
          minMm: 0,
          minInclusive: true,
          maxMm: 5000,
        },
      ]
    : []),
];

/** Floor area of the run, and length of its middle line, mm², mm. */
const floor = (form: Ring['run']['form'], a: number, b: number) =>
  form === 'round'
    ? { area: (Math.PI / 4) * (a * a - b * b), middle: (Math.PI * (a + b)) / 2, width: (a - b) / 2, reach: a / 2 }
    : { area: a * b, middle: a, width: b, reach: a / 2 };

/** Slope of the rim where it is steepest: that of both directions together, as a tangent. */
const slopeOf = ({ tiltDeg, acrossDeg }: Pick<Ring, 'tiltDeg' | 'acrossDeg'>): number =>
  Math.hypot(...[tiltDeg, acrossDeg].map((deg) => Math.tan((deg * Math.PI) / 180)));

/** Length of the middle line of what stands in it, mm. */
const partMiddleMm = (s: Ring, thickMm: number, channelMm: number): number =>
  s.part?.outerMm && s.run.form === 'round' ? Math.PI * (s.part.outerMm - thickMm) : channelMm;

/** What stands in the channel, level before and after the part is seated, and what the slope takes, mm and mL. */
export function levels(s: Ring): { pourMl: number; beforeMm: number; afterMm: number; slopeMm: number } {
  const v = dimensions(s).map((d) => d.measured.valueMm);
  const pourMl = ring.volume(s)(v);
  const { area, reach } = floor(s.run.form, v[0]!, v[1]!);
  return {
    pourMl,
    beforeMm: (pourMl * 1000) / area,
    afterMm: s.depth.valueMm - s.clear.valueMm,
    slopeMm: slopeOf(s) * reach,
  };
}

function problems(s: Ring): readonly Problem[] {
  const out: Problem[] = [];
  if (s.run.form === 'round' && s.run.inner.valueMm >= s.run.outer.valueMm)
    out.push({
      field: 'run.inner',
      value: s.run.inner.valueMm,
      allowed: `under ${asMeasured(s.run.outer.valueMm)} mm`,
      sentence: REFUSED['inner-diameter-must'](),
    });
  const full = s.depth.valueMm - s.clear.valueMm;
  if (full <= 0)
    out.push({
      field: 'clear',
      value: s.clear.valueMm,
      allowed: `under ${asMeasured(s.depth.valueMm)} mm`,
      sentence: REFUSED['nothing-left-pour'](),
    });
  const [a, b] = dimensions(s).map((d) => d.measured.valueMm) as [number, number];
  const { width, reach } = floor(s.run.form, a, b);
  if (s.part && s.part.thickness.valueMm >= width)
    out.push({
      field: 'part.thickness',
      value: s.part.thickness.valueMm,
      allowed: `under ${figure(width)} mm`,
      sentence: REFUSED['part-does-not']({ thickness: mm(s.part.thickness.valueMm), width: mm(width) }),
    });
  const { outerMm = null } = s.part ?? {};
  if (s.run.form === 'round' && s.part && outerMm !== null) {
    const innerMm = outerMm - 2 * s.part.thickness.valueMm;
    if (outerMm > s.run.outer.valueMm || innerMm < s.run.inner.valueMm)
      out.push({
        field: 'part.outerMm',
        value: outerMm,
        allowed: `from ${figure(s.run.inner.valueMm + 2 * s.part.thickness.valueMm)} to ${figure(s.run.outer.valueMm)} mm`,
        sentence: REFUSED['what-stands-across']({ inner: mm(innerMm), outer: mm(outerMm) }),
      });
  }
  const slope = slopeOf(s) * reach;
  if (slope > 1e-9 && slope > s.clear.valueMm + 1e-9)
    out.push({
      field: 'clear',
      value: s.clear.valueMm,
      allowed: `at least ${figure(slope)} mm on this slope`,
      sentence: REFUSED['slope-pour-stands']({ slope: mm(slope) }),
    });
  return out;
}

export const ring: Shape<Ring> = {
  id: 'ring',
  version: 1,
  label: 'Ring or channel to pour',
  seen: 'a collar, groove, baseplate edge or channel that is poured',
  broke: 'gap',
  sizes: { across: ['run.outer'], inner: ['run.inner'], depth: ['depth'] },
  schema: Ring,
  blank: () => ({
    shape: 'ring',
    version: 1,
    run: { form: 'round', outer: unmeasured(320, 'rule'), inner: unmeasured(240, 'rule') },
    depth: unmeasured(35, 'gauge'),
    clear: measured(0, 'gauge', 0),
    part: null,
    tiltDeg: 0,
    acrossDeg: 0,
  }),
  dimensions,
  faceOutline: ({ run }) =>
    run.form === 'round'
      ? { kind: 'ellipse', length: run.outer, width: run.outer }
      : { kind: 'rectangle', length: run.length, width: run.width },
  faceOpening: ({ run }) => (run.form === 'round' ? run.inner : null),
  parameters: (s) => [
    {
      key: 'run.form',
      label: 'It runs',
      kind: 'choice',
      value: s.run.form,
      options: [
        { id: 'round', label: 'round' },
        { id: 'straight', label: 'straight' },
      ],
    },
    {
      key: 'part',
      label: 'Something stands in it',
      kind: 'choice',
      value: s.part ? 'wall' : 'none',
      options: [
        { id: 'none', label: 'no' },
        { id: 'wall', label: 'a wall or foot' },
      ],
    },
    ...(s.part && s.run.form === 'round'
      ? [
          {
            key: 'part.outerMm',
            label: 'Outer diameter of the part',
            kind: 'length',
            value: s.part.outerMm,
            min: 0,
            max: 50_000,
            minExclusive: true,
            empty: 'in the middle of the channel',
          } as const,
        ]
      : []),
    { key: 'tiltDeg', label: 'Slope of the rim, along', kind: 'angle', value: s.tiltDeg, min: 0, max: 30 },
    { key: 'acrossDeg', label: 'Slope of the rim, across', kind: 'angle', value: s.acrossDeg, min: 0, max: 30 },
  ],
  write: (s, key, value) => {
    if (key === 'run.form' && value !== s.run.form)
      return {
        ...s,
        run:
          value === 'round'
            ? { form: 'round', outer: unmeasured(320, 'rule'), inner: unmeasured(240, 'rule') }
            : { form: 'straight', length: unmeasured(600, 'tape'), width: unmeasured(40, 'rule') },
      };
    if (key === 'part' && typeof value === 'string')
      return {
        ...s,
        part:
          value === 'wall'
            ? (s.part ?? { thickness: unmeasured(10, 'calliper'), foot: unmeasured(5, 'gauge'), outerMm: null })
            : null,
      };
    return undefined;
  },
  problems,
  volume:
    (s) =>
    ([a = 0, b = 0, depth = 0, clear = 0, thick = 0, foot = 0]) => {
      const { area, middle } = floor(s.run.form, a, b);
      const full = depth - clear;
      const dipped = s.part ? Math.max(0, full - foot) : 0;
      return (area * full - partMiddleMm(s, thick, middle) * thick * dipped) / 1000;
    },
  working: (s) => {
    const v = dimensions(s).map((d) => d.measured.valueMm);
    const [a, b, depth, clear, thick = 0, foot = 0] = v as [number, number, number, number, number?, number?];
    const { area, middle } = floor(s.run.form, a, b);
    const full = depth - clear;
    const { beforeMm, afterMm, slopeMm } = levels(s);
    return [
      line(
        WORK.floor(),
        WORK[s.run.form === 'round' ? 'round' : 'straight']({ a: exactly(mm(a)), b: exactly(mm(b)) }),
        mm2(area),
      ),
      line(
        WORK.poured(),
        WORK['poured-by']({ deep: exactly(mm(depth)), clear: exactly(mm(clear)) }),
        ml((area * full) / 1000),
      ),
      ...(s.part
        ? [
            line(
              WORK.displaced(),
              WORK['displaced-by']({
                long: mm(partMiddleMm(s, thick, middle)),
                thick: exactly(mm(thick)),
                full: exactly(mm(full)),
                foot: exactly(mm(foot)),
              }),
              ml((-partMiddleMm(s, thick, middle) * thick * Math.max(0, full - foot)) / 1000),
            ),
            line(WORK.before(), WORK['before-by'](), mm(beforeMm)),
            line(WORK.after(), WORK['after-by']({ deep: exactly(mm(depth)), clear: exactly(mm(clear)) }), mm(afterMm)),
          ]
        : []),
      ...(slopeMm > 1e-9
        ? [
            line(
              WORK.slope(),
              WORK[s.acrossDeg > 0 ? 'slope-both' : 'slope-one']({
                along: figure(s.tiltDeg),
                across: figure(s.acrossDeg),
              }),
              mm(slopeMm),
            ),
          ]
        : []),
    ];
  },
  faces: (s) => {
    check(ring, s);
    const [a, b] = dimensions(s).map((d) => d.measured.valueMm) as [number, number];
    const { area, middle, width } = floor(s.run.form, a, b);
    const full = s.depth.valueMm - s.clear.valueMm;
    return {
      planAreaMm2: area,
      wettedAreaMm2: area + 2 * middle * full,
      maxDepthMm: full,
      perimeterMm: 2 * middle,
      thicknessMm: Math.min(full, width),
    };
  },
  section: (s) => {
    const [a, b] = dimensions(s).map((d) => d.measured.valueMm) as [number, number];
    const { width } = floor(s.run.form, a, b);
    const [d, c] = [s.depth.valueMm, s.clear.valueMm];
    // A round channel is cut on both sides of its middle, drawn close together so that the channel stays readable.
    const x0 = 0;
    const side = Math.max(width * 0.8, d * 0.6);
    const outlines: Outline[] = [
      base(rect(x0 - side, 0, x0 + width + side, d + Math.max(d * 0.7, width * 0.3))),
      { role: 'keep-clear', points: rect(x0, 0, x0 + width, Math.max(c, 1e-6)) },
      hollow(rect(x0, c, x0 + width, d)),
    ];
    if (s.part) {
      const t = s.part.thickness.valueMm;
      const mid = x0 + width / 2;
      outlines.push({ role: 'part', points: rect(mid - t / 2, -d * 0.6, mid + t / 2, d - s.part.foot.valueMm) });
      outlines.push({
        role: 'level',
        open: true,
        points: [
          [x0, d - levels(s).beforeMm],
          [x0 + width, d - levels(s).beforeMm],
        ],
        label: 'before seating',
      });
    }
    const drawn = drawing('section across the channel', outlines, [
      ...(s.run.form === 'straight' ? [across('run.width', x0, x0 + width, -d * 0.75, 'width')] : []),
      down('depth', 0, d, x0 + width + side * 0.55, 'depth'),
      ...(c > 0 ? [down('clear', 0, c, x0 - side * 0.5, 'clear')] : []),
    ]);
    // A round one is cut at its right side: its centre line lies to the left.
    return s.run.form === 'round' ? { ...drawn, origin: [-b / 2, 0] } : drawn;
  },
  plan: (s) => {
    const [a, b] = dimensions(s).map((d) => d.measured.valueMm) as [number, number];
    if (s.run.form === 'straight')
      return drawing(
        'from above',
        [base(rect(-b, -b, a + b, b * 2)), hollow(rect(0, 0, a, b))],
        [across('run.length', 0, a, b * 2.4, 'length')],
      );
    return drawing(
      'from above',
      [base(rect(-a * 0.62, -a * 0.62, a * 0.62, a * 0.62)), hollow(arc(a / 2)), { role: 'base', points: arc(b / 2) }],
      [across('run.outer', 0, a / 2, a * 0.7, 'outer ⌀', 2), across('run.inner', 0, b / 2, -a * 0.68, 'inner ⌀', 2)],
    );
  },
};

/** Whether a shape is a ring or channel that is poured. */
export const isRing = (shape: { readonly shape: string }): shape is Ring => shape.shape === 'ring';

/** Standard gravity, N/kg (ISO 80000-3). */
export const GRAVITY = 9.80665;

/** What a part that stands in the pour displaces once it is seated, mL; 0 where nothing does. */
export function partSeatedMl(s: Ring): number {
  if (!s.part) return 0;
  const [a = 0, b = 0] = dimensions(s).map((d) => d.measured.valueMm);
  const dipped = Math.max(0, s.depth.valueMm - s.clear.valueMm - s.part.foot.valueMm);
  const thick = s.part.thickness.valueMm;
  return (partMiddleMm(s, thick, floor(s.run.form, a, b).middle) * thick * dipped) / 1000;
}
