import { ENGINES, type MethodContext } from '../method';
import type { Batch, Portion } from '../mix';
import { along, attempt, type Message, texts } from '../say';
import { milestoneKind } from '../system';
import {
  cornersOf,
  courseOf,
  type KeptOpen,
  kindOf,
  nominalMl,
  type PlanOutline,
  type Point,
  type VoidShape,
} from '../void';
import { areaOf, cutAt, cutOff } from './ground-cut';
import type { PlannedStep, RepairPlan } from './repair-plan';
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

/** One face seen from above: what is laid on it, in its order, always away from where one goes out. */
export interface Ground {
  /** Which of how many faces that are worked one after the other, from 0. */
  readonly place: number;
  readonly places: number;
  readonly corners: readonly Point[];
  readonly out: Side;
  /** Along which axis work goes, and whether towards its larger end. */
  readonly axis: 0 | 1;
  readonly rising: boolean;
  readonly laid: readonly Laid[];
  /**
   * Borders between batches, as shares of all faces together from where work begins; empty where nobody may pull them.
   */
  readonly borders: readonly number[];
  /** What of all faces together comes before this one, and what with it. */
  readonly share: { readonly from: number; readonly to: number };
  /** The largest share of all faces that one batch may be for. */
  readonly mostShare: number;
  /** Joints in it that stay open, where they lie; and their length, where nobody says where, mm. */
  readonly keptOpen: readonly (KeptOpen & { readonly at: Message })[];
  readonly keptOpenMm: number;
}

const AXIS: Readonly<Record<Side, { readonly axis: 0 | 1; readonly rising: boolean }>> = {
  right: { axis: 0, rising: true },
  left: { axis: 0, rising: false },
  // As every drawing has it, y runs down the page.
  top: { axis: 1, rising: false },
  bottom: { axis: 1, rising: true },
};

/** What is worked round a fitting is not laid from one side to the other. */
const outlineOf = (shape: VoidShape): PlanOutline | null => {
  if ('outline' in shape) return shape.outline;
  const { faceOutline, faceOpening } = kindOf(shape);
  return faceOpening ? null : ((faceOutline?.(shape) as PlanOutline | undefined) ?? null);
};

/** What is laid in one go, before it is drawn: of which batch, which part of it, on which area where it has its own. */
interface Portioned {
  readonly batch: number;
  readonly part: number | null;
  readonly size: number;
  readonly area: number | null;
}

/** What is laid one after the other: the spreads of a bed, else the batches of the first layer on the whole face. */
function piecesOf(
  batches: readonly Batch[],
  context: MethodContext,
  portions: readonly Portion[],
): readonly Portioned[] {
  const first = batches.filter((b) => b.portion === 0 && !b.topUp);
  if (context.params.rolling)
    return first.flatMap((b) =>
      Array.from({ length: b.places }, (_, part) => ({
        batch: b.index,
        // Areas are counted through all batches.
        part: b.places > 1 ? (b.fromTo?.[0] ?? 1) - 1 + part : null,
        size: b.placedMl / b.places,
        area: null,
      })),
    );
  // Of several areas each is its own; what of the first layer lies where is told by its area.
  const layer = portions.flatMap((p, i) => ((p.over?.layer ?? i) === 0 ? [i] : []));
  return batches
    .filter((b) => layer.includes(b.portion) && !b.topUp)
    .map((b) => ({ batch: b.index, part: null, size: b.placedMl, area: portions[b.portion]!.over?.area ?? null }));
}

/** A piece on one face: which of all it is, and from where to where of that face it lies, as shares of it. */
interface OnFace extends Portioned {
  readonly order: number;
  readonly from: number;
  readonly to: number;
}

/** What of the pieces, laid one after the other, lies on each of the faces; an area of its own is laid whole. */
function onFaces(
  pieces: readonly Portioned[],
  sizes: readonly number[],
  /** So many of them are one void; like voids follow it. */
  each: number,
): readonly (readonly OnFace[])[] {
  const out: OnFace[][] = sizes.map(() => []);
  const lay = (mine: readonly (readonly [Portioned, number])[], places: readonly number[]) => {
    const all = mine.reduce((sum, [p]) => sum + p.size, 0);
    let before = 0;
    for (const [piece, order] of mine) {
      const ends = before + piece.size;
      const own = places.map((i) => sizes[i]!);
      for (const { place, from, to } of courseOf(own, before / all, ends / all))
        out[places[place]!]!.push({ ...piece, order, from, to });
      before = ends;
    }
  };
  const numbered = pieces.map((p, order) => [p, order] as const);
  const areas = new Set(pieces.map((p) => p.area));
  for (const area of areas)
    lay(
      numbered.filter(([p]) => p.area === area),
      sizes.map((_, i) => i).filter((i) => area === null || i % each === area),
    );
  return out;
}

/** More faces than these are not drawn: a list tells them better. */
const MOST_FACES = 12;

/**
 * Where each batch or spread of a pass ends on the faces it is laid on, and when, face by face. Work begins at the far
 * side of each and goes towards the way out.
 * @returns none for what is laid in one go, or on no face of its own
 */
export function groundsOf(plan: RepairPlan): readonly Ground[] {
  const { batches, steps, context, method, mix, piece } = plan;
  if (!context || !method) return [];
  const found = attempt(() => ENGINES[method.engine].portions(context));
  if (!found.ok) return [];
  const portions = found.value;
  const pieces = piecesOf(batches, context, portions);
  const shapes = Array.from({ length: context.void.count }, () => context.void.shapes).flat();
  if (pieces.length < 2 || shapes.length > MOST_FACES) return [];
  // Of places that are filled in lifts each takes its own of the first: a shallow one all of it.
  const { places } = portions.find((p, i) => (p.over?.layer ?? i) === 0)!;
  const sizes = places?.length === shapes.length ? places : shapes.map(nominalMl);
  const own = pieces.every((p) => p.part === null && p.area === null) && batches.every((b) => !b.fromTo);
  const all = pieces.reduce((sum, p) => sum + p.size, 0);
  let sum = 0;
  const ends = pieces.map(({ size }) => {
    sum += size;
    return sum / all;
  });
  const total = sizes.reduce((a, b) => a + b, 0);
  let begins = 0;
  return onFaces(pieces, sizes, context.void.shapes.length).flatMap((mine, place): Ground[] => {
    const share = { from: begins, to: begins + sizes[place]! / total };
    begins = share.to;
    const shape = shapes[place]!;
    const outline = outlineOf(shape);
    if (!outline || !mine.length) return [];
    const corners = cornersOf(outline);
    const isLine = kindOf(shape).alongMm !== undefined;
    if (!isLine && areaOf(corners) < LEAST_MM2) return [];
    return [
      {
        place,
        places: shapes.length,
        ...faceOf({ shape, corners, mine, wayOut: piece.wayOut, steps }),
        share,
        mostShare: mix ? mix.mostPlacedMl / all : 1,
        borders: own ? ends.slice(0, -1) : [],
        keptOpen: (kindOf(shape).keptOpen?.(shape) ?? []).map((k) => ({
          ...k,
          at: SAY.end({ at: along(k.atMm, Math.max(...corners.flat())) }),
        })),
        keptOpenMm: 'movement' in shape ? shape.movement.lengthMm : 0,
      },
    ];
  });
}

/** A batch for less than this share of the whole is none. */
const LEAST_SHARE = 0.02;
/** Borders are kept to a ten-thousandth of the whole. */
const STEPS = 10_000;

/**
 * Where a border comes to lie when it is pulled: no batch beside it gets more than is placed in time, nor next to
 * nothing. Rounded towards where it fits, as a share of all faces.
 * @param to where it is pulled, as such a share
 */
export function borderAt({ borders, mostShare }: Pick<Ground, 'borders' | 'mostShare'>, i: number, to: number): number {
  const [before, after] = [borders[i - 1] ?? 0, borders[i + 1] ?? 1];
  const low = Math.max(before + LEAST_SHARE, after - mostShare);
  const high = Math.min(after - LEAST_SHARE, before + mostShare);
  const near = Math.round(Math.min(high, Math.max(low, to)) * STEPS) / STEPS;
  if (near > high) return Math.floor(high * STEPS) / STEPS;
  return near < low ? Math.ceil(low * STEPS) / STEPS : near;
}

/** What is laid on one face, drawn. */
function faceOf(o: {
  readonly shape: VoidShape;
  readonly corners: readonly Point[];
  readonly mine: readonly OnFace[];
  readonly wayOut: Side;
  readonly steps: readonly PlannedStep[];
}): Pick<Ground, 'corners' | 'out' | 'axis' | 'rising' | 'laid'> {
  const { shape, corners, steps } = o;
  const { alongMm } = kindOf(shape);
  // What runs along a line is filled along it.
  const out: Side = alongMm && AXIS[o.wayOut].axis === 1 ? 'right' : o.wayOut;
  const { axis, rising } = AXIS[out];
  const whole = corners.map((p) => p[axis]);
  const [low, high] = [Math.min(...whole), Math.max(...whole)];
  const at = (share: number): number => {
    const from = rising ? share : 1 - share;
    if (from <= 0) return low;
    if (from >= 1) return high;
    return alongMm ? low + alongMm(shape, from) : cutAt(corners, axis, from);
  };
  const laid = o.mine.map((p): Laid => {
    const [a, b] = [at(p.from), at(p.to)];
    const points = cutOff(cutOff(corners, axis, Math.max(a, b), 'below'), axis, Math.min(a, b), 'above');
    const placed = steps.filter(
      (s) => s.marks?.end?.includes('placed') && s.batch === p.batch && (p.part === null || s.part === p.part),
    );
    const wash = steps.find((s) => s.batch === p.batch && s.waitFor && milestoneKind(s.waitFor.kind).washed);
    return {
      order: p.order,
      batch: p.batch,
      points,
      areaM2: areaOf(points) / 1e6,
      reach: alongMm ? reachOf(Math.min(a, b) - low, Math.max(a, b) - low, rising, high - low) : null,
      span: placed.length
        ? { fromMs: Math.min(...placed.map((s) => s.startMs)), toMs: Math.max(...placed.map((s) => s.endMs)) }
        : null,
      wash: wash ? { fromMs: wash.startMs, toMs: wash.endMs } : null,
    };
  });
  return { corners, out, axis, rising, laid };
}
