import { z } from 'zod';
import { bare, line, ml, mm, type Problem, texts } from '../say';
import { coarsePitchMm, readRod } from '../typed';
import { asMeasured, Figure, Mm } from '../units';
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
import { across, arc, down, drawing, rect } from './draw';
import { Measured, unmeasured } from './measured';
import { check, type Dimension, type Shape } from './shape';

const WORK = texts('work.annulus', {
  rod: 'Rod taken at its pitch diameter',
  'rod-at': '{rod} − 3√3/8 × {pitch}',
  gap: 'Gap round the rod',
  'gap-by': 'π/4 × ({hole}² − {rod}²) × {deep}',
  below: 'Hole below the rod',
  'below-by': 'π/4 × {hole}² × ({deep} − {rod})',
  notches: 'Notches and grooves',
  given: 'as given',
});

const REFUSED = texts('refused.void.annulus', {
  'rod-does-not': 'The rod, {rodDiameter}, does not fit a hole of {holeDiameter}. Check the bit or the rod.',
  'embedment-deeper-hole': 'The embedment, {embedment}, is deeper than the hole, {holeDepth}.',
  'thread-pitch-must': 'The thread pitch must be under half the rod diameter.',
});

/** The gap round a plain or threaded rod in a drilled hole. */
export const Annulus = z.object({
  shape: z.literal('annulus'),
  version: z.literal(2),
  ...boreFields,
  rodDiameter: Measured,
  embedment: Measured,
  thread: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('plain') }),
    z.object({ kind: z.literal('threaded'), pitchMm: Mm }),
  ]),
  /** Notches, grooves and slots of the rod that fill with resin, mL. */
  notchesMl: Figure,
});
export type Annulus = z.infer<typeof Annulus>;

/**
 * Diameter that counts for displaced volume: the pitch diameter d − 3√3/8·P of a thread (ISO 724), 1–2 % under its true
 * section and so on the safe side.
 */
export function effectiveRodMm(nominalMm: number, thread: Annulus['thread']): number {
  return thread.kind === 'threaded' ? nominalMm - ((3 * Math.sqrt(3)) / 8) * thread.pitchMm : nominalMm;
}

const dimensions = (s: Annulus): readonly Dimension[] => [
  ...boreDimensions(s),
  {
    key: 'rodDiameter',
    label: s.thread.kind === 'threaded' ? 'Rod, nominal thread' : 'Rod diameter',
    measured: s.rodDiameter,
    minMm: 1,
    maxMm: 480,
  },
  { key: 'embedment', label: 'Embedment of the rod', measured: s.embedment, minMm: 0, minInclusive: true, maxMm: 5000 },
  ...mouthDimensions(s),
];

function problems(s: Annulus): Problem[] {
  const out: Problem[] = [];
  const gap = s.holeDiameter.valueMm - s.rodDiameter.valueMm;
  if (gap <= 0)
    out.push({
      field: 'rodDiameter',
      value: s.rodDiameter.valueMm,
      allowed: `under ${asMeasured(s.holeDiameter.valueMm)} mm`,
      sentence: REFUSED['rod-does-not']({
        rodDiameter: mm(s.rodDiameter.valueMm),
        holeDiameter: mm(s.holeDiameter.valueMm),
      }),
    });
  if (s.embedment.valueMm > s.holeDepth.valueMm)
    out.push({
      field: 'embedment',
      value: s.embedment.valueMm,
      allowed: `up to ${asMeasured(s.holeDepth.valueMm)} mm`,
      sentence: REFUSED['embedment-deeper-hole']({
        embedment: mm(s.embedment.valueMm),
        holeDepth: mm(s.holeDepth.valueMm),
      }),
    });
  if (s.thread.kind === 'threaded' && s.thread.pitchMm >= s.rodDiameter.valueMm / 2)
    out.push({
      field: 'thread.pitchMm',
      value: s.thread.pitchMm,
      allowed: 'under half the rod',
      sentence: REFUSED['thread-pitch-must'](),
    });
  return [...out, ...boreProblems(s)];
}

export const annulus: Shape<Annulus> = {
  id: 'annulus',
  version: 2,
  label: 'Rod in a drilled hole',
  seen: 'a bolt, rod or eye standing in a round hole',
  broke: 'hole',
  sizes: { across: ['holeDiameter'], depth: ['holeDepth'], rod: ['rodDiameter'], embedment: ['embedment'] },
  schema: Annulus,
  blank: () => ({
    shape: 'annulus',
    version: 2,
    holeDiameter: unmeasured(14, 'calliper'),
    holeDepth: unmeasured(110, 'gauge'),
    rodDiameter: unmeasured(12, 'marked'),
    embedment: unmeasured(110, 'gauge'),
    thread: { kind: 'threaded', pitchMm: 1.75 },
    notchesMl: 0,
    mouth: { form: 'none' },
    pointAngleDeg: null,
  }),
  dimensions,
  rod: (s) => ({
    acrossMm: s.rodDiameter.valueMm,
    deepMm: s.embedment.valueMm,
    isTyped: s.rodDiameter.text !== '',
    holeKey: 'holeDiameter',
    depthKey: 'holeDepth',
    isSet: s.embedment.text !== '',
  }),
  bore: (s) => ({ deepMm: s.holeDepth.valueMm, acrossMm: s.holeDiameter.valueMm }),
  parameters: (s) => [
    {
      key: 'thread.kind',
      label: 'Rod',
      kind: 'choice',
      value: s.thread.kind,
      options: [
        { id: 'threaded', label: 'threaded' },
        { id: 'plain', label: 'plain' },
      ],
    },
    ...(s.thread.kind === 'threaded'
      ? [
          {
            key: 'thread.pitchMm',
            label: 'Pitch of the thread',
            kind: 'length',
            value: s.thread.pitchMm,
            min: 0,
            max: 50,
            minExclusive: true,
          } as const,
        ]
      : []),
    {
      key: 'notchesMl',
      label: 'Notches and grooves of the rod',
      kind: 'volume',
      value: s.notchesMl,
      min: 0,
      max: 10_000,
    },
    ...boreParameters(s),
  ],
  write: (s, key, value) => {
    if (key === 'thread.kind')
      return {
        ...s,
        thread:
          value === 'plain'
            ? { kind: 'plain' }
            : {
                kind: 'threaded',
                pitchMm: coarsePitchMm(s.rodDiameter.valueMm),
              },
      };
    const rod = key === 'rodDiameter' ? (value as Annulus['rodDiameter']) : null;
    const named = rod && readRod(rod.text);
    // A reinforcing bar is counted by the diameter it is named for, ribs and all.
    if (rod && named && 'pitchMm' in named && named.pitchMm === null)
      return { ...s, rodDiameter: rod, thread: { kind: 'plain' } };
    if (rod && s.thread.kind === 'threaded') {
      // A designation brings its pitch; else it follows the size, unless somebody typed another.
      const follows = s.thread.pitchMm === coarsePitchMm(s.rodDiameter.valueMm);
      if (named && 'pitchMm' in named && named.pitchMm !== null)
        return { ...s, rodDiameter: rod, thread: { kind: 'threaded', pitchMm: named.pitchMm } };
      if (follows) return { ...s, rodDiameter: rod, thread: { kind: 'threaded', pitchMm: coarsePitchMm(rod.valueMm) } };
    }
    return boreWrite(s, key, value);
  },
  problems,
  volume:
    (s) =>
    ([D = 0, L = 0, rodD = 0, embed = 0, M = 0, h = 0]) => {
      const rod = effectiveRodMm(rodD, s.thread);
      const gap = (Math.PI / 4) * (D ** 2 - rod ** 2) * embed + (Math.PI / 4) * D ** 2 * (L - embed);
      return (gap + pointMm3(D, s.pointAngleDeg) + mouthMm3(s.mouth.form, D, M, h)) / 1000 + s.notchesMl;
    },
  working: (s) => {
    const [D, L, d, e] = dimensions(s).map((x) => x.measured.valueMm) as [number, number, number, number];
    const rod = effectiveRodMm(d, s.thread);
    const lines = [];
    if (s.thread.kind === 'threaded')
      lines.push(
        line(WORK.rod(), WORK['rod-at']({ rod: bare(mm(d)), pitch: bare(mm(s.thread.pitchMm)) }), mm(rod), 'ISO 724'),
      );
    lines.push(
      line(
        WORK.gap(),
        WORK['gap-by']({ hole: bare(mm(D)), rod: bare(mm(rod, 5)), deep: bare(mm(e)) }),
        ml(((Math.PI / 4) * (D * D - rod * rod) * e) / 1000),
      ),
    );
    if (L > e)
      lines.push(
        line(
          WORK.below(),
          WORK['below-by']({ hole: bare(mm(D)), deep: bare(mm(L)), rod: bare(mm(e)) }),
          ml(((Math.PI / 4) * D * D * (L - e)) / 1000),
        ),
      );
    lines.push(...boreWorking(s));
    if (s.notchesMl > 0) lines.push(line(WORK.notches(), WORK.given(), ml(s.notchesMl), undefined, 'chosen'));
    return lines;
  },
  faces: (s) => {
    check(annulus, s);
    const [D, L, d] = dimensions(s).map((x) => x.measured.valueMm) as [number, number, number];
    return {
      planAreaMm2: (Math.PI / 4) * D * D,
      wettedAreaMm2: Math.PI * D * L,
      maxDepthMm: L,
      perimeterMm: Math.PI * D,
      thicknessMm: (D - d) / 2,
    };
  },
  section: (s) => {
    const [D, , d, e] = dimensions(s).map((x) => x.measured.valueMm) as [number, number, number, number];
    const { outlines, dimensions: lines, side, top } = boreSection(s);
    return drawing(
      'section through the hole',
      [...outlines, { role: 'rod', points: rect(-d / 2, -top, d / 2, e) }],
      [
        across('holeDiameter', 0, D / 2, -top * 0.35, 'hole ⌀', 2),
        across('rodDiameter', 0, d / 2, -top * 0.8, 'rod ⌀', 2),
        ...lines,
        down('embedment', 0, e, -side * 0.6, 'rod in'),
      ],
    );
  },
  plan: (s) => drawing('from above', [...borePlan(s), { role: 'rod', points: arc(s.rodDiameter.valueMm / 2) }]),
};
