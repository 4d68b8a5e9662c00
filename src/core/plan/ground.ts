import { ENGINES, type MethodContext } from '../method';
import type { Batch, Portion } from '../mix';
import { along, type Message, texts } from '../say';
import { milestoneKind } from '../system';
import { attempt } from '../units';
import { cornersOf, kindOf, type PlanOutline, type Point, signedAreaMm2, type VoidShape } from '../void';
import type { RepairPlan } from './repair-plan';
import type { Side } from './side';

const SAY = texts('ground', { whole: '{from} to {to}', end: '{at}' });

/** A stretch of a run from its beginning, and the end at which the next batch goes on, mm. */
function reachOf(from: number, to: number, rising: boolean, runMm: number): Laid['reach'] {
  const at = (mm: number) => along(mm, runMm);
  return { whole: SAY.whole({ from: at(from), to: at(to) }), end: SAY.end({ at: at(rising ? to : from) }) };
}

/** Round a smaller face one walks, and nobody stands on it, mm². */
const LEAST_MM2 = 1_000_000;

/** What is laid in one go: a spread, or what one batch covers. */
export interface Laid {
  /** Its place in the order of work, from 0. */
  readonly order: number;
  readonly batch: number;
  /** Corners, mm, in the coordinates of its shape. */
  readonly points: readonly Point[];
  readonly areaM2: number;
  /** Along what runs along a line: from where to where, and where it ends; null where it is a face. */
  readonly reach: { readonly whole: Message; readonly end: Message } | null;
  /** When it is laid; null while the plan has no times. */
  readonly span: { readonly fromMs: number; readonly toMs: number } | null;
  /** When it is washed; null where it is not. */
  readonly wash: { readonly fromMs: number; readonly toMs: number } | null;
}

/** The work seen from above, in its order, always away from where one goes out. */
export interface Ground {
  /** Of which shape of the void. */
  readonly shape: number;
  readonly corners: readonly Point[];
  readonly out: Side;
  /** Along which axis work goes, and whether towards its larger end. */
  readonly axis: 0 | 1;
  readonly rising: boolean;
  readonly laid: readonly Laid[];
  /**
   * Borders between batches, as shares of the face from where work begins; empty where they are not one’s own to pull.
   */
  readonly borders: readonly number[];
  /** The largest share of the face that one batch may be for. */
  readonly mostShare: number;
  /** Length of what stays open in it, mm. */
  readonly keptOpenMm: number;
}

/** The part of a polygon on one side of a line x = at (axis 0) or y = at (axis 1). */
export function cutOff(points: readonly Point[], axis: 0 | 1, at: number, keep: 'below' | 'above'): readonly Point[] {
  const inside = (p: Point) => (keep === 'below' ? p[axis] <= at : p[axis] >= at);
  return points.flatMap((p, i): Point[] => {
    const next = points[(i + 1) % points.length]!;
    const mine = inside(p) ? [p] : [];
    if (inside(p) === inside(next)) return mine;
    const t = (at - p[axis]) / (next[axis] - p[axis]);
    return [...mine, [p[0] + (next[0] - p[0]) * t, p[1] + (next[1] - p[1]) * t] as const];
  });
}

const areaOf = (points: readonly Point[]): number => Math.abs(signedAreaMm2(points));

/** Where a line across the axis leaves so large a share of the area below it, mm. */
export function cutAt(points: readonly Point[], axis: 0 | 1, share: number): number {
  let low = Math.min(...points.map((p) => p[axis]));
  let high = Math.max(...points.map((p) => p[axis]));
  const wanted = areaOf(points) * share;
  for (let i = 0; i < 50; i++) {
    const mid = (low + high) / 2;
    if (areaOf(cutOff(points, axis, mid, 'below')) < wanted) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

const AXIS: Readonly<Record<Side, { readonly axis: 0 | 1; readonly rising: boolean }>> = {
  right: { axis: 0, rising: true },
  left: { axis: 0, rising: false },
  // As every drawing has it, y runs down the page.
  top: { axis: 1, rising: false },
  bottom: { axis: 1, rising: true },
};

const outlineOf = (shape: VoidShape): PlanOutline | null =>
  'outline' in shape ? shape.outline : ((kindOf(shape).faceOutline?.(shape) as PlanOutline | undefined) ?? null);

/** Share of the face at which each piece ends, of so many even ones or by their amounts. */
function endsOf(sizes: readonly number[]): readonly number[] {
  const all = sizes.reduce((a, b) => a + b, 0);
  let sum = 0;
  return sizes.map((size) => {
    sum += size;
    return sum / all;
  });
}

/** A piece before it is drawn: of which batch, which part of it. */
interface Piece {
  readonly batch: number;
  readonly part: number | null;
  readonly size: number;
}

/** What is laid one after the other: the spreads of a bed, else the batches of the first layer on the whole face. */
function piecesOf(batches: readonly Batch[], context: MethodContext, portions: readonly Portion[]): readonly Piece[] {
  const first = batches.filter((b) => b.portion === 0 && !b.topUp);
  if (context.params.rolling)
    return first.flatMap((b) =>
      Array.from({ length: b.places }, (_, part) => ({
        batch: b.index,
        // Areas are counted through all batches.
        part: b.places > 1 ? (b.fromTo?.[0] ?? 1) - 1 + part : null,
        size: b.placedMl / b.places,
      })),
    );
  // Of several areas each is its own; what of the first layer lies where is told by its area.
  const layer = portions.flatMap((p, i) => ((p.over?.layer ?? i) === 0 ? [i] : []));
  return batches
    .filter((b) => layer.includes(b.portion) && !b.topUp)
    .map((b) => ({ batch: b.index, part: null, size: b.placedMl }));
}

/**
 * Where each batch or spread of a pass ends on the face it is laid on, and when. Work begins at the far side and goes
 * towards the way out.
 * @returns null for what is laid in one go, or on no face of its own
 */
export function groundOf({ batches, steps, context, method, mix, piece }: RepairPlan): Ground | null {
  if (!context || !method || context.void.shapes.length !== 1 || context.void.count !== 1) return null;
  const found = attempt(() => ENGINES[method.engine].portions(context));
  if (!found.ok) return null;
  const portions = found.value;
  const shape = context.void.shapes[0]!;
  const outline = outlineOf(shape);
  const kind = kindOf(shape);
  if (!outline) return null;
  const pieces = piecesOf(batches, context, portions);
  if (pieces.length < 2) return null;
  const corners = cornersOf(outline);
  const line = kind.alongMm !== undefined;
  if (!line && areaOf(corners) < LEAST_MM2) return null;
  // What runs along a line is filled along it.
  const out: Side = line && AXIS[piece.wayOut].axis === 1 ? 'right' : piece.wayOut;
  const { axis, rising } = AXIS[out];
  const ends = endsOf(pieces.map((p) => p.size));
  const whole = corners.map((p) => p[axis]);
  const [low, high] = [Math.min(...whole), Math.max(...whole)];
  const at = (share: number): number => {
    const from = rising ? share : 1 - share;
    if (from <= 0) return low;
    if (from >= 1) return high;
    return line ? low + kind.alongMm!(shape, from) : cutAt(corners, axis, from);
  };
  const cuts = [0, ...ends].map(at);
  const laid = pieces.map((p, order): Laid => {
    const [a, b] = [cuts[order]!, cuts[order + 1]!];
    const points = cutOff(cutOff(corners, axis, Math.max(a, b), 'below'), axis, Math.min(a, b), 'above');
    const mine = steps.filter(
      (s) => s.marks?.end?.includes('placed') && s.batch === p.batch && (p.part === null || s.part === p.part),
    );
    const wash = steps.find((s) => s.batch === p.batch && s.waitFor && milestoneKind(s.waitFor.kind).washed);
    return {
      order,
      batch: p.batch,
      points,
      areaM2: areaOf(points) / 1e6,
      reach: line ? reachOf(Math.min(a, b) - low, Math.max(a, b) - low, rising, high - low) : null,
      span: mine.length
        ? { fromMs: Math.min(...mine.map((s) => s.startMs)), toMs: Math.max(...mine.map((s) => s.endMs)) }
        : null,
      wash: wash ? { fromMs: wash.startMs, toMs: wash.endMs } : null,
    };
  });
  const own = pieces.every((p) => p.part === null) && portions.every((p) => !p.over);
  return {
    shape: 0,
    corners,
    out,
    axis,
    rising,
    laid,
    mostShare: mix ? (mix.capMl - context.sheet.potLossMl) / pieces.reduce((sum, p) => sum + p.size, 0) : 1,
    borders: own ? ends.slice(0, -1) : [],
    keptOpenMm: 'movement' in shape ? shape.movement.lengthMm : 0,
  };
}
