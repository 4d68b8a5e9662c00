import type { z } from 'zod';
import { type Problem, refuse, type WorkLine } from '../units';
import type { Measured } from './measured';

/** One dimension of a shape: where it lives in the record, what it is called, and the values it may take. */
export interface Dimension {
  readonly key: string;
  readonly label: string;
  readonly measured: Measured;
  /** Lowest value allowed, mm; exclusive unless `minInclusive`. */
  readonly minMm: number;
  readonly minInclusive?: boolean;
  readonly maxMm: number;
}

/** A closed or open line in the drawing, in mm, x to the right, y down from the surface. */
export interface Outline {
  readonly role: 'base' | 'void' | 'rod' | 'plate' | 'overbuild' | 'keep-clear';
  readonly points: readonly (readonly [number, number])[];
  readonly open?: boolean;
}

/** A dimension line of the drawing. Dragging its `to` end along the line changes the dimension `key` by `perMm` for every mm moved. */
export interface DimensionLine {
  readonly key: string;
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  /** Value change for each mm of movement away from `from`; 2 for a diameter drawn from its centre line. */
  readonly perMm: number;
  readonly label: string;
}

/** A drawing in mm, drawn to scale by the interface. */
export interface Drawing {
  readonly title: string;
  readonly outlines: readonly Outline[];
  readonly dimensions: readonly DimensionLine[];
  /** Small open circles: places where a depth was read, with the reading. */
  readonly marks: readonly { readonly at: readonly [number, number]; readonly label: string }[];
}

/** What later stages need to know of the void's faces. */
export interface Faces {
  /** Area seen from outside, mm². */
  readonly planAreaMm2: number;
  /** Base surface wetted by the material, mm². */
  readonly wettedAreaMm2: number;
  readonly maxDepthMm: number;
  /** Length of the visible edge, mm. */
  readonly perimeterMm: number;
  /** Thickness of the material as it works (bond line, annular gap or mean depth), mm. */
  readonly thicknessMm: number;
}

/** A shape: one file with one object of this kind in the table of shapes. */
export interface Shape<P> {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  /** What a technician sees, for choosing it. */
  readonly seen: string;
  readonly schema: z.ZodType<P>;
  readonly blank: () => P;
  readonly dimensions: (shape: P) => readonly Dimension[];
  /** Problems between dimensions (a rod thicker than its hole). */
  readonly problems: (shape: P) => readonly Problem[];
  /** Volume in mL as a function of the dimension values, in the order of `dimensions`; the other parameters are those of `shape`. */
  readonly volume: (shape: P) => (values: readonly number[]) => number;
  readonly working: (shape: P) => readonly WorkLine[];
  readonly faces: (shape: P) => Faces;
  readonly section: (shape: P) => Drawing;
  readonly plan: (shape: P) => Drawing;
  /** The shape with the dimension `key` set. */
  readonly withDimension: (shape: P, key: string, measured: Measured) => P;
}

/** Every problem of a shape: each dimension against its range, then those between dimensions. */
export function problemsOf<P>(kind: Shape<P>, shape: P): readonly Problem[] {
  const out: Problem[] = [];
  for (const d of kind.dimensions(shape)) {
    const v = d.measured.valueMm;
    const low = d.minInclusive ? v < d.minMm : v <= d.minMm;
    if (!Number.isFinite(v) || low || v > d.maxMm) {
      const allowed = `${d.minInclusive ? 'from' : 'more than'} ${d.minMm} to ${d.maxMm} mm`;
      out.push({
        field: d.key,
        value: v,
        allowed,
        sentence: `${d.label} must be ${allowed}; ${Number.isFinite(v) ? `${v} mm` : 'this'} is not.`,
      });
    }
  }
  return out.length ? out : kind.problems(shape);
}

/** Throws the first problem of a shape, if it has one. */
export function check<P>(kind: Shape<P>, shape: P): void {
  const first = problemsOf(kind, shape)[0];
  if (first) refuse(first.field, first.value, first.allowed, first.sentence);
}
