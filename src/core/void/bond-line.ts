import { z } from 'zod';
import { line, type Problem } from '../units';
import { Measured, unmeasured } from './measured';
import { cornersOf, outlineDimensions, outlineProblems, outlineWith, PlanOutline, perimeterMm, signedAreaMm2 } from './outline';
import { check, type Dimension, type Shape } from './shape';

/** The thin space between a plate or part and its base. */
export const BondLine = z.object({
  shape: z.literal('bondLine'),
  version: z.literal(1),
  outline: PlanOutline,
  /** Fastener and inspection holes through the plate. */
  holes: z.object({ count: z.number().int().nonnegative().max(1000), diameter: Measured }),
  thickness: Measured,
});
export type BondLine = z.infer<typeof BondLine>;

function dimensions(s: BondLine): readonly Dimension[] {
  const out = [...outlineDimensions(s.outline, 'outline')];
  if (s.outline.kind === 'polygon')
    out.push({
      key: 'outline.placed',
      label: 'Corners of the plate',
      measured: { ...s.outline.placed, valueMm: 0 },
      minMm: 0,
      minInclusive: true,
      maxMm: 0,
    });
  out.push({ key: 'thickness', label: 'Bond line thickness', measured: s.thickness, minMm: 0, maxMm: 20 });
  if (s.holes.count > 0) out.push({ key: 'holes.diameter', label: 'Hole diameter', measured: s.holes.diameter, minMm: 0, maxMm: 2000 });
  return out;
}

const holeAreaMm2 = (s: BondLine, d = s.holes.diameter.valueMm) => s.holes.count * (Math.PI / 4) * d * d;

function problems(s: BondLine): readonly Problem[] {
  const outline = outlineProblems(s.outline, 'outline');
  if (outline.length) return outline;
  const footprint = Math.abs(signedAreaMm2(cornersOf(s.outline)));
  if (holeAreaMm2(s) >= footprint)
    return [
      {
        field: 'holes.diameter',
        value: s.holes.diameter.valueMm,
        allowed: 'holes smaller than the plate together',
        sentence: `${s.holes.count} holes of ${s.holes.diameter.valueMm} mm take up the whole plate. Check their number and diameter.`,
      },
    ];
  return [];
}

export const bondLine: Shape<BondLine> = {
  id: 'bondLine',
  version: 1,
  label: 'Face to bond',
  seen: 'a plate, bracket or part laid on a face',
  schema: BondLine,
  blank: () => ({
    shape: 'bondLine',
    version: 1,
    outline: { kind: 'rectangle', length: unmeasured(300, 'rule'), width: unmeasured(200, 'rule') },
    holes: { count: 0, diameter: unmeasured(10, 'calliper') },
    thickness: unmeasured(0.8, 'calliper'),
  }),
  dimensions,
  problems,
  volume: (s) => {
    const corners = cornersOf(s.outline);
    const area = Math.abs(signedAreaMm2(corners));
    const around = perimeterMm(corners);
    const rectangular = s.outline.kind !== 'polygon' ? s.outline : undefined;
    return (values) => {
      const footprint = rectangular
        ? (area * values[0]! * values[1]!) / (rectangular.length.valueMm * rectangular.width.valueMm)
        : area + around * values[0]!;
      const at = rectangular ? 2 : 1;
      return ((footprint - (s.holes.count > 0 ? holeAreaMm2(s, values[at + 1]!) : 0)) * values[at]!) / 1000;
    };
  },
  working: (s) => {
    const area = Math.abs(signedAreaMm2(cornersOf(s.outline))) / 100;
    const net = area - holeAreaMm2(s) / 100;
    const text =
      s.outline.kind === 'polygon'
        ? `shoelace over ${s.outline.points.length} corners`
        : `${s.outline.kind === 'ellipse' ? 'π/4 × ' : ''}${s.outline.length.valueMm} × ${s.outline.width.valueMm} / 100`;
    return [
      line('Footprint', text, area, 'cm²'),
      ...(s.holes.count ? [line('Holes', `${s.holes.count} × π/4 × ${s.holes.diameter.valueMm}² / 100`, holeAreaMm2(s) / 100, 'cm²')] : []),
      line(
        'Bond line',
        `${s.holes.count ? '(footprint − holes)' : 'footprint'} × ${s.thickness.valueMm} mm`,
        (net * s.thickness.valueMm) / 10,
        'mL',
      ),
    ];
  },
  faces: (s) => {
    check(bondLine, s);
    const corners = cornersOf(s.outline);
    const net = Math.abs(signedAreaMm2(corners)) - holeAreaMm2(s);
    return {
      planAreaMm2: net,
      wettedAreaMm2: net,
      maxDepthMm: s.thickness.valueMm,
      perimeterMm: perimeterMm(corners),
      thicknessMm: s.thickness.valueMm,
    };
  },
  section: (s) => {
    const xs = cornersOf(s.outline).map((p) => p[0]);
    const [x0, x1] = [Math.min(...xs), Math.max(...xs)];
    const span = x1 - x0;
    const t = s.thickness.valueMm;
    const plate = span * 0.05;
    return {
      title: 'section through plate and base',
      outlines: [
        {
          role: 'base',
          points: [
            [x0 - span * 0.15, t],
            [x1 + span * 0.15, t],
            [x1 + span * 0.15, t + span * 0.22],
            [x0 - span * 0.15, t + span * 0.22],
          ],
        },
        {
          role: 'void',
          points: [
            [x0, 0],
            [x1, 0],
            [x1, t],
            [x0, t],
          ],
        },
        {
          role: 'plate',
          points: [
            [x0, -plate],
            [x1, -plate],
            [x1, 0],
            [x0, 0],
          ],
        },
      ],
      dimensions:
        s.outline.kind === 'polygon'
          ? []
          : [{ key: 'outline.length', from: [x0, -plate - span * 0.09], to: [x1, -plate - span * 0.09], perMm: 1, label: 'length' }],
      marks: [],
    };
  },
  plan: (s) => {
    const corners = cornersOf(s.outline);
    const xs = corners.map((p) => p[0]);
    const ys = corners.map((p) => p[1]);
    const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    const n = s.holes.count;
    const r = s.holes.diameter.valueMm / 2;
    // The record holds how many holes there are, not where: they are shown evenly along the middle.
    const holes = Array.from({ length: Math.min(n, 24) }, (_, i) => {
      const cx = x0 + ((i + 0.5) * (x1 - x0)) / Math.min(n, 24);
      return {
        role: 'keep-clear' as const,
        points: Array.from(
          { length: 24 },
          (_, k) => [cx + r * Math.cos((k * Math.PI) / 12), (y0 + y1) / 2 + r * Math.sin((k * Math.PI) / 12)] as const,
        ),
      };
    });
    return {
      title: 'bonded face from above',
      outlines: [{ role: 'void', points: corners }, ...holes],
      dimensions:
        s.outline.kind === 'polygon'
          ? []
          : [
              { key: 'outline.length', from: [x0, y1 + (y1 - y0) * 0.14], to: [x1, y1 + (y1 - y0) * 0.14], perMm: 1, label: 'length' },
              { key: 'outline.width', from: [x1 + (x1 - x0) * 0.06, y0], to: [x1 + (x1 - x0) * 0.06, y1], perMm: 1, label: 'width' },
            ],
      marks: [],
    };
  },
  withDimension: (s, key, m) => {
    if (key === 'thickness') return { ...s, thickness: m };
    if (key === 'holes.diameter') return { ...s, holes: { ...s.holes, diameter: m } };
    if (key === 'outline.placed' && s.outline.kind === 'polygon') return { ...s, outline: { ...s.outline, placed: m } };
    return { ...s, outline: outlineWith(s.outline, key.replace('outline.', ''), m) };
  },
};
