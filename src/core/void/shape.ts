import type { z } from 'zod';
import { exactly, type Message, mm, type Problem, refuse, type Said, texts, type WorkLine } from '../say';
import type { Kind } from '../units';
import type { DoubtfulInput } from './doubt';
import type { Measured } from './measured';
import type { Point } from './point';
import type { SizeId } from './sizes';

const REFUSED = texts('refused.void.shape', {
  'out-of-bounds': '{label} must be {open, select, yes {more than} other {from}} {low} to {high}; {is} is not.',
  'no-length': '{label} must be {open, select, yes {more than} other {from}} {low} to {high}; this is not.',
  parameter: '{label}: {why}',
  'no-option': 'Choose one of the options.',
  empty: 'It may not be empty.',
  'no-number':
    '{whole, select, yes {A whole number} other {A number}} {open, select, yes {more than} other {from}} {low} to {high}.',
});

/** What a technician sees broken: the groups in which shapes are offered. */
export const BROKE = {
  hole: 'a hole',
  crack: 'a crack or joint',
  edge: 'a missing edge',
  hollow: 'a worn hollow',
  gap: 'a gap to fill',
  face: 'a face to bond',
  joints: 'joints between tiles',
  surface: 'a surface',
  piece: 'a missing piece',
  cavity: 'a cavity to pack',
} as const;
export type BrokeId = keyof typeof BROKE;

/** One dimension of a shape: where it lives in the record, what it is called, and the values it may take. */
export interface Dimension {
  /** Path in the shape, dotted. */
  readonly key: string;
  readonly label: string;
  readonly measured: Measured;
  /** Lowest value allowed, mm; exclusive unless `minInclusive`. */
  readonly minMm: number;
  readonly minInclusive?: boolean;
  readonly maxMm: number;
  /** A shift from zero common to many readings of one tool: its value is no input, only its doubt. */
  readonly shift?: boolean;
}

/** Something else a shape has: a choice, a number, an angle. */
export type Parameter = {
  /** Path in the shape, dotted. */
  readonly key: string;
  readonly label: string;
} & (
  | {
      readonly kind: 'choice';
      readonly value: string;
      readonly options: readonly { readonly id: string; readonly label: string }[];
    }
  | {
      readonly kind: Kind;
      /** In the core unit of its kind; null where it may be left empty. */
      readonly value: number | null;
      readonly min: number;
      readonly max: number;
      readonly minExclusive?: boolean;
      readonly whole?: boolean;
      /** What an empty field means; without it the field may not be empty. */
      readonly empty?: string;
    }
);

/**
 * A list a shape carries: stations along a crack, cavities, readings. Every column is a number of a kind, or a choice.
 */
export interface RowList {
  /** Path of the list in the shape. */
  readonly key: string;
  readonly label: string;
  readonly columns: readonly {
    readonly key: string;
    readonly label: string;
    readonly kind: Kind | 'text' | 'choice';
    readonly options?: readonly { readonly id: string; readonly label: string }[];
    /** It may be left empty, which is 0. */
    readonly mayLack?: true;
  }[];
  readonly rows: readonly Readonly<Record<string, number | string>>[];
  readonly blank: Readonly<Record<string, number | string>>;
  readonly max: number;
}

/** A closed or open line in the drawing, in mm, x to the right, y down from the surface. */
export interface Outline {
  readonly role:
    | 'base'
    | 'void'
    | 'rod'
    | 'plate'
    | 'part'
    | 'keep-clear'
    | 'centre'
    | 'level'
    | 'datum'
    | 'already'
    | 'later';
  readonly points: readonly Point[];
  readonly open?: boolean;
  readonly label?: string;
}

/**
 * A dimension line of the drawing. Dragging its `to` end along the line changes the dimension `key` by `perMm` for
 * every mm moved.
 */
export interface DimensionLine {
  readonly key: string;
  readonly from: Point;
  readonly to: Point;
  /** Value change for each mm of movement away from `from`; 2 for a diameter drawn from its centre line. */
  readonly perMm: number;
  readonly label: string;
}

/** A drawing in mm, drawn to scale by the interface. */
export interface Drawing {
  readonly title: Said;
  readonly outlines: readonly Outline[];
  readonly dimensions: readonly DimensionLine[];
  /**
   * Small circles: places where a depth was read, with the reading, or a word. `odd` readings disagree with their
   * neighbours.
   */
  readonly marks: readonly {
    readonly at: Point;
    readonly depthMm?: number;
    readonly label?: string;
    readonly odd?: boolean;
  }[];
  /**
   * Points that can be moved both ways: corners of an outline, places of readings. `key` is the path of their pair of
   * numbers.
   */
  readonly handles?: readonly { readonly key: string; readonly at: Point; readonly label: string }[];
  /** Lines of equal depth. */
  readonly contours?: readonly { readonly depthMm: number; readonly lines: readonly (readonly Point[])[] }[];
  /** Where the section is cut, across the plan, mm; it can be dragged between `from` and `to`. */
  readonly cut?: { readonly y: number; readonly from: number; readonly to: number };
  /** The place where one more reading would help most. */
  readonly next?: Point;
  /** Of a section: where its centre line meets the face of the base; null where it is cut to a scale of its own. */
  readonly origin?: Point | null;
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

/** Something a shape notices about itself, short of a problem. */
export interface Notice {
  readonly id: string;
  readonly severity: 'caution' | 'note';
  readonly title: Message;
  readonly why: Message;
  readonly todo: Message;
}

/** A joint that crosses what is filled: where it lies on the face, and how far from its edge or beginning, mm. */
export interface KeptOpen {
  readonly atMm: number;
  readonly from: Point;
  readonly to: Point;
}

/** Where a listed size goes: a dimension that is so long, or something that the size says besides. */
export type SizeWrite = string | { readonly key: string; readonly is: string };

/** A rod in its hole: its diameter as it is named, how far it goes in, mm; and the dimension that its hole is. */
export interface StandingRod {
  readonly acrossMm: number;
  readonly deepMm: number;
  readonly isTyped: boolean;
  readonly holeKey: string;
  /** How deep its hole is, and whether somebody has said how deep it is set. */
  readonly depthKey: string;
  readonly isSet: boolean;
}

/** A shape: one file with one object of this kind in the table of shapes. */
export interface Shape<P> {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  /** What a technician sees, for choosing it. */
  readonly seen: string;
  readonly broke: BrokeId;
  /** It is best seen from above; others in section. */
  readonly fromAbove?: true;
  /** What of it the sizes are that people list damage by; a shape that no list can tell has none. */
  readonly sizes?: Readonly<Partial<Record<SizeId, readonly SizeWrite[]>>>;
  readonly schema: z.ZodType<P>;
  readonly blank: () => P;
  readonly dimensions: (shape: P) => readonly Dimension[];
  /** Of a drilled place: how deep and how wide, mm. */
  readonly bore?: (shape: P) => { readonly deepMm: number; readonly acrossMm: number };
  /** Of a drilled place that a rod stands in. */
  readonly rod?: (shape: P) => StandingRod;
  /** Of what runs along a line: how long it is, mm. */
  readonly runMm?: (shape: P) => number;
  /** Of the same: how far along it a share of its volume reaches, mm. */
  readonly alongMm?: (shape: P, share: number) => number;
  /** Joints through its face that stay open, in the coordinates of that face. */
  readonly keptOpen?: (shape: P) => readonly KeptOpen[];
  /** Of what is told by the area it lies in: that area, mm², and what it would take with nothing kept open, mL. */
  readonly inArea?: (shape: P) => { readonly mm2: number; readonly ml: number };
  /** Of what has no outline of its own: the one its filled face has. */
  readonly faceOutline?: (shape: P) => {
    readonly kind: 'rectangle' | 'ellipse';
    readonly length: Measured;
    readonly width: Measured;
  };
  /** Of such a face: the width of what stands in its middle and is left free; null where nothing does. */
  readonly faceOpening?: (shape: P) => Measured | null;
  /** Of a bond line: how thick, mm. */
  readonly bondMm?: (shape: P) => number;
  /**
   * Of a combed bed: how thick it is pressed flat, and how far its ridges reach before that, both with the back, mm.
   */
  readonly combed?: (shape: P) => { readonly flatMm: number; readonly ridgeMm: number };
  /**
   * Depths that were read one by one, how exactly, and whether the edge runs out to nothing; null where it was measured
   * otherwise.
   */
  readonly readings?: (shape: P) => {
    readonly list: readonly { readonly xMm: number; readonly yMm: number; readonly depthMm: number }[];
    readonly read: Measured;
    readonly feathered: boolean;
  } | null;
  /** What a second reader found otherwise, beyond what both tools allow: it is told, never averaged. */
  readonly secondReadings?: (shape: P) => readonly {
    readonly label: Said;
    readonly firstMm: number;
    readonly secondMm: number;
    readonly halfMm: number;
    /** What the shape holds by the second, as a share of what it holds by the first. */
    readonly ratio: number;
  }[];
  /** Its section runs along the same x as its drawing from above. */
  readonly sameAcross?: true;
  readonly parameters?: (shape: P) => readonly Parameter[];
  /** Those of them that are printed on what is laid in: nobody measures them, and what a shape begins with is ours. */
  readonly told?: readonly (keyof P & string)[];
  readonly lists?: (shape: P) => readonly RowList[];
  /** Doubtful inputs that are no lengths (a weighed mass), after the dimensions. */
  readonly inputs?: (shape: P) => readonly DoubtfulInput[];
  /** Problems between dimensions (a rod thicker than its hole). */
  readonly problems: (shape: P) => readonly Problem[];
  readonly notices?: (shape: P) => readonly Notice[];
  /**
   * Volume in mL as a function of the dimension values, in the order of `dimensions` and `inputs`; the other parameters
   * are those of `shape`.
   */
  readonly volume: (shape: P) => (values: readonly number[]) => number;
  /**
   * Volume by another law that the same readings allow, never more than `volume` at the nominal values: the range spans
   * both.
   */
  readonly less?: (shape: P) => ((values: readonly number[]) => number) | undefined;
  /** Volume deeper than a depth, mL, for lifts; without it the shape holds as much in every mm of its depth. */
  readonly below?: (shape: P, depthMm: number) => number;
  readonly working: (shape: P) => readonly WorkLine[];
  readonly faces: (shape: P) => Faces;
  /** @param at where it is cut, as a share of the way across; the middle unless given */
  readonly section: (shape: P, at?: number) => Drawing;
  readonly plan: (shape: P, at?: number) => Drawing;
  /**
   * The shape with what stands at `key` replaced, where other fields must follow (another kind of outline); else {@link
   * withValue} serves.
   */
  readonly write?: (shape: P, key: string, value: unknown) => P | undefined;
}

/** An object with what stands at a dotted path replaced. */
function put(target: unknown, path: readonly string[], value: unknown): unknown {
  const [head, ...rest] = path;
  if (head === undefined) return value;
  if (Array.isArray(target)) return target.map((item, i) => (String(i) === head ? put(item, rest, value) : item));
  const record = target as Readonly<Record<string, unknown>>;
  return { ...record, [head]: put(record[head], rest, value) };
}

/**
 * A shape with what stands at `key` replaced: a dimension, a parameter, a list, one number of a row.
 * @example withValue(annulus, shape, 'holeDepth', measured(120))
 */
export function withValue<P>(kind: Shape<P>, shape: P, key: string, value: unknown): P {
  return kind.write?.(shape, key, value) ?? (put(shape, key.split('.'), value) as P);
}

/** What is wrong with a dimension by itself: that it lies outside its range; null where it does not. */
export function rangeProblem(d: Dimension): Problem | null {
  const v = d.measured.valueMm;
  const low = d.minInclusive ? v < d.minMm : v <= d.minMm;
  if (d.shift || (Number.isFinite(v) && !low && v <= d.maxMm)) return null;
  const bounds = {
    label: d.label,
    open: d.minInclusive ? 'no' : 'yes',
    low: exactly(mm(d.minMm)),
    high: exactly(mm(d.maxMm)),
  };
  return {
    field: d.key,
    value: v,
    allowed: `${d.minInclusive ? 'from' : 'more than'} ${d.minMm} to ${d.maxMm} mm`,
    sentence: Number.isFinite(v)
      ? REFUSED['out-of-bounds']({ ...bounds, is: exactly(mm(v)) })
      : REFUSED['no-length'](bounds),
  };
}

/** Every problem of a shape: each dimension and parameter against its range, then those between dimensions. */
export function problemsOf<P>(kind: Shape<P>, shape: P): readonly Problem[] {
  const out: Problem[] = kind.dimensions(shape).flatMap((d) => rangeProblem(d) ?? []);
  for (const p of kind.parameters?.(shape) ?? []) {
    const sentence = parameterObjection(p);
    if (sentence)
      out.push({
        field: p.key,
        value: p.value,
        allowed: p.kind === 'choice' ? p.options.map((o) => o.id).join(', ') : `${p.min} to ${p.max}`,
        sentence: REFUSED.parameter({ label: p.label, why: sentence }),
      });
  }
  return out.length ? out : kind.problems(shape);
}

/** What is wrong with a parameter's value, as a message; null when nothing is. */
export function parameterObjection(p: Parameter, value = p.value): Message | null {
  if (p.kind === 'choice') return p.options.some((o) => o.id === value) ? null : REFUSED['no-option']();
  if (value === null) return p.empty === undefined ? REFUSED.empty() : null;
  const v = value as number;
  const sound =
    Number.isFinite(v) && (p.minExclusive ? v > p.min : v >= p.min) && v <= p.max && (!p.whole || Number.isInteger(v));
  return sound
    ? null
    : REFUSED['no-number']({
        whole: p.whole ? 'yes' : 'no',
        open: p.minExclusive ? 'yes' : 'no',
        low: exactly({ is: p.kind, value: p.min }),
        high: exactly({ is: p.kind, value: p.max }),
      });
}

/** Throws the first problem of a shape, if it has one. */
export function check<P>(kind: Shape<P>, shape: P): void {
  const first = problemsOf(kind, shape)[0];
  if (first) refuse(first.field, first.value, first.allowed, first.sentence);
}
