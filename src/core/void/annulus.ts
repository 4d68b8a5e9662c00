import { z } from 'zod';
import { figure, line, type Problem } from '../units';
import { Measured, unmeasured } from './measured';
import { check, type Dimension, type Shape } from './shape';

/** The gap round a plain or threaded rod in a drilled hole. */
export const Annulus = z.object({
  shape: z.literal('annulus'),
  version: z.literal(1),
  /** The bit that was really used decides most. */
  holeDiameter: Measured,
  /** From the surface to the shoulder. */
  holeDepth: Measured,
  rodDiameter: Measured,
  embedment: Measured,
  thread: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('plain') }),
    z.object({ kind: z.literal('threaded'), pitchMm: z.number() }),
  ]),
  /** Included angle of the drill point, degrees; null for a flat bottom. */
  pointAngleDeg: z.number().nullable(),
});
export type Annulus = z.infer<typeof Annulus>;

/** Coarse pitch of metric threads by nominal diameter, mm (ISO 261). */
export const COARSE_PITCH_MM: Readonly<Record<number, number>> = {
  6: 1,
  8: 1.25,
  10: 1.5,
  12: 1.75,
  14: 2,
  16: 2,
  18: 2.5,
  20: 2.5,
  22: 2.5,
  24: 3,
  27: 3,
  30: 3.5,
  36: 4,
};

/** Diameter that counts for displaced volume: the pitch diameter d − 3√3/8·P of a thread (ISO 724), 1–2 % under its true section and so on the safe side. */
export function effectiveRodMm(nominalMm: number, thread: Annulus['thread']): number {
  return thread.kind === 'threaded' ? nominalMm - ((3 * Math.sqrt(3)) / 8) * thread.pitchMm : nominalMm;
}

const cone = (d: number, angleDeg: number | null) =>
  angleDeg === null ? 0 : (Math.PI * d ** 3) / (24 * Math.tan((angleDeg * Math.PI) / 360));

const dimensions = (s: Annulus): readonly Dimension[] => [
  { key: 'holeDiameter', label: 'Hole diameter, actual bit', measured: s.holeDiameter, minMm: 2, maxMm: 500 },
  { key: 'holeDepth', label: 'Hole depth to the shoulder', measured: s.holeDepth, minMm: 2, maxMm: 5000 },
  {
    key: 'rodDiameter',
    label: s.thread.kind === 'threaded' ? 'Rod, nominal thread' : 'Rod diameter',
    measured: s.rodDiameter,
    minMm: 1,
    maxMm: 480,
  },
  { key: 'embedment', label: 'Embedment of the rod', measured: s.embedment, minMm: 1, maxMm: 5000 },
];

function problems(s: Annulus): Problem[] {
  const out: Problem[] = [];
  const gap = s.holeDiameter.valueMm - s.rodDiameter.valueMm;
  if (gap <= 0)
    out.push({
      field: 'rodDiameter',
      value: s.rodDiameter.valueMm,
      allowed: `under ${s.holeDiameter.valueMm} mm`,
      sentence: `The rod, ${figure(s.rodDiameter.valueMm)} mm, does not fit a hole of ${figure(s.holeDiameter.valueMm)} mm. Check the bit or the rod.`,
    });
  if (s.embedment.valueMm > s.holeDepth.valueMm)
    out.push({
      field: 'embedment',
      value: s.embedment.valueMm,
      allowed: `up to ${s.holeDepth.valueMm} mm`,
      sentence: `The embedment, ${figure(s.embedment.valueMm)} mm, is deeper than the hole, ${figure(s.holeDepth.valueMm)} mm.`,
    });
  if (s.thread.kind === 'threaded' && !(s.thread.pitchMm > 0 && s.thread.pitchMm < s.rodDiameter.valueMm / 2))
    out.push({
      field: 'thread.pitchMm',
      value: s.thread.pitchMm,
      allowed: 'more than 0, under half the rod',
      sentence: 'The thread pitch must be more than 0 and under half the rod diameter.',
    });
  if (s.pointAngleDeg !== null && !(s.pointAngleDeg >= 60 && s.pointAngleDeg < 180))
    out.push({
      field: 'pointAngleDeg',
      value: s.pointAngleDeg,
      allowed: '60° to under 180°',
      sentence: 'The point angle of a drill lies between 60° and 180°.',
    });
  return out;
}

export const annulus: Shape<Annulus> = {
  id: 'annulus',
  version: 1,
  label: 'Rod in a drilled hole',
  seen: 'a bolt, rod or eye standing in a round hole',
  schema: Annulus,
  blank: () => ({
    shape: 'annulus',
    version: 1,
    holeDiameter: unmeasured(14, 'calliper'),
    holeDepth: unmeasured(110, 'gauge'),
    rodDiameter: unmeasured(12, 'marked'),
    embedment: unmeasured(110, 'gauge'),
    thread: { kind: 'threaded', pitchMm: 1.75 },
    pointAngleDeg: null,
  }),
  dimensions,
  problems,
  volume:
    (s) =>
    ([holeD = 0, depth = 0, rodD = 0, embed = 0]) => {
      const rod = effectiveRodMm(rodD, s.thread);
      return (
        ((Math.PI / 4) * (holeD ** 2 - rod ** 2) * embed + (Math.PI / 4) * holeD ** 2 * (depth - embed) + cone(holeD, s.pointAngleDeg)) /
        1000
      );
    },
  working: (s) => {
    const [D, L, d, e] = dimensions(s).map((x) => x.measured.valueMm) as [number, number, number, number];
    const rod = effectiveRodMm(d, s.thread);
    const lines = [];
    if (s.thread.kind === 'threaded')
      lines.push(line('Rod taken at its pitch diameter', `${d} − 3√3/8 × ${s.thread.pitchMm}`, rod, 'mm', 'ISO 724'));
    lines.push(
      line('Gap round the rod', `π/4 × (${D}² − ${figure(rod, 5)}²) × ${e}`, ((Math.PI / 4) * (D * D - rod * rod) * e) / 1000, 'mL'),
    );
    if (L > e) lines.push(line('Hole below the rod', `π/4 × ${D}² × (${L} − ${e})`, ((Math.PI / 4) * D * D * (L - e)) / 1000, 'mL'));
    if (s.pointAngleDeg !== null)
      lines.push(line('Drill point', `π × ${D}³ / (24 tan(${s.pointAngleDeg}°/2))`, cone(D, s.pointAngleDeg) / 1000, 'mL'));
    return lines;
  },
  faces: (s) => {
    check(annulus, s);
    const [D, L, d] = dimensions(s).map((x) => x.measured.valueMm) as [number, number, number, number];
    return {
      planAreaMm2: (Math.PI / 4) * D * D,
      wettedAreaMm2: Math.PI * D * L,
      maxDepthMm: L,
      perimeterMm: Math.PI * D,
      thicknessMm: (D - d) / 2,
    };
  },
  section: (s) => {
    const [D, L, d, e] = dimensions(s).map((x) => x.measured.valueMm) as [number, number, number, number];
    const tip = s.pointAngleDeg === null ? 0 : D / 2 / Math.tan((s.pointAngleDeg * Math.PI) / 360);
    const side = Math.max(D * 1.6, L * 0.55);
    const below = Math.max(D, L * 0.3);
    const stick = Math.max(D, L * 0.28);
    return {
      title: 'section through the hole',
      outlines: [
        {
          role: 'base',
          points: [
            [-side, 0],
            [side, 0],
            [side, L + tip + below],
            [-side, L + tip + below],
          ],
        },
        {
          role: 'void',
          points: [
            [-D / 2, 0],
            [D / 2, 0],
            [D / 2, L],
            [0, L + tip],
            [-D / 2, L],
          ],
        },
        {
          role: 'rod',
          points: [
            [-d / 2, -stick],
            [d / 2, -stick],
            [d / 2, e],
            [-d / 2, e],
          ],
        },
      ],
      dimensions: [
        { key: 'holeDiameter', from: [0, -stick * 0.35], to: [D / 2, -stick * 0.35], perMm: 2, label: 'hole ⌀' },
        { key: 'holeDepth', from: [side * 0.72, 0], to: [side * 0.72, L], perMm: 1, label: 'hole' },
        { key: 'rodDiameter', from: [0, -stick * 0.8], to: [d / 2, -stick * 0.8], perMm: 2, label: 'rod ⌀' },
        { key: 'embedment', from: [-side * 0.6, 0], to: [-side * 0.6, e], perMm: 1, label: 'rod in' },
      ],
      marks: [],
    };
  },
  plan: (s) => {
    const [D, , d] = dimensions(s).map((x) => x.measured.valueMm) as [number, number, number, number];
    const ring = (r: number) =>
      Array.from({ length: 48 }, (_, i) => [r * Math.cos((i * Math.PI) / 24), r * Math.sin((i * Math.PI) / 24)] as const);
    return {
      title: 'from above',
      outlines: [
        { role: 'void', points: ring(D / 2) },
        { role: 'rod', points: ring(d / 2) },
      ],
      dimensions: [],
      marks: [],
    };
  },
  withDimension: (s, key, m) => ({ ...s, [key]: m }),
};
