import { dequal } from 'dequal';
import { line, ml, mm, type Problem, refuse, texts, WORKED_DIGITS, type WorkLine } from '../say';
import { figure } from '../units';
import { roomWorked } from './cavity';
import { type Doubt, type DoubtfulInput, propagate } from './doubt';
import { disagreementMm, halfWidthMm, type Measured, toolOf } from './measured';
import { type Dimension, type Faces, problemsOf, type Shape, type StandingRod, withValue } from './shape';
import { type KeepClear, SHAPES, type Void, type VoidShape } from './shapes';

const WORK = texts('work.void', {
  clear: 'Kept clear: {name}',
  one: 'One void',
  sum: 'sum of the above',
  differ: '{count} that differ',
  'differ-by': '{what} {less, select, yes {−} other {+}} {by}: {count} × {one}',
  all: 'All like voids',
  alike: '{count} × {one} + those that differ',
  each: '{count} × {one}',
  doubt: 'Doubt',
  'first-order':
    'a/√3 of each tolerance, one tool one bias; ± 1.645 u{two, select, yes {; from the low end of one law of the edge to the high end of the other} other {}}',
  simulated:
    'seeded simulation, 20 000 draws{two, select, yes {; from the low end of one law of the edge to the high end of the other} other {}}',
  span: '{low} to {high}',
  'gum-first': 'GUM, first order',
  'gum-1': 'GUM supplement 1',
});

const REFUSED = texts('refused.void.measure', {
  'choose-which-dimension': 'Choose which dimension differs.',
  'of-those-that-differ': 'The {count} that differ: {why}',
  'voids-said-differ': '{different} voids are said to differ, but there are only {count}.',
  'what-must-stay': 'What must stay clear, {clear}, is as large as the void, {each}.',
});

/**
 * The measured void: its volume with the doubt, what decides it, its faces and the working. Volumes cover all like
 * voids together.
 */
export interface VoidResult {
  readonly nominalMl: number;
  readonly p5Ml: number;
  readonly p90Ml: number;
  readonly p95Ml: number;
  /** Standard uncertainty, mL. */
  readonly uMl: number;
  readonly method: Doubt['method'];
  readonly shares: Doubt['shares'];
  /** The dimension that contributes most, if anything is in doubt. */
  readonly decides: { readonly key: string; readonly label: string; readonly share: number } | undefined;
  readonly count: number;
  /** Of one void without what is different about some. */
  readonly eachMl: number;
  /** Of one void. */
  readonly faces: Faces;
  readonly working: readonly WorkLine[];
}

export const kindOf = (shape: VoidShape): Shape<VoidShape> => SHAPES[shape.shape];

/**
 * The tool that a dimension of a void was measured with, by the dimension's key; null for one that was not measured.
 * @example toolAt(shapes, 'shapes.0.depth.mean') // 'gauge'
 */
export function toolAt(shapes: readonly VoidShape[], key: string): string | null {
  const found = /^shapes\.(\d+)\.(.+)$/.exec(key);
  const shape = found && shapes[Number(found[1])];
  return (
    (shape &&
      kindOf(shape)
        .dimensions(shape)
        .find((d) => d.key === found[2])?.measured.tool) ||
    null
  );
}

const known = new WeakMap<VoidShape, Faces>();
/**
 * The faces of a shape. A shape is never changed but replaced, so they are worked out once for each.
 * @throws Refusal for a shape that cannot be
 */
export function facesOf(shape: VoidShape): Faces {
  const there = known.get(shape);
  if (there) return there;
  const faces = kindOf(shape).faces(shape);
  known.set(shape, faces);
  return faces;
}

/** How thick the rod in a void is by its name, and how deep it goes in, mm; null where none stands in it. */
export function rodIn(v: Void): StandingRod | null {
  const main = v.shapes[0];
  return (main && kindOf(main).rod?.(main)) ?? null;
}

/** How deep and how wide the drilled place of a void is, mm; null where it is none. */
export function boreOf(v: Void): { readonly deepMm: number; readonly acrossMm: number } | null {
  const [main] = v.shapes;
  return (main && kindOf(main).bore?.(main)) ?? null;
}

/** Volume of a space that must stay clear, mL. */
export const keepClearMl = (k: KeepClear): number =>
  (k.form === 'box' ? k.aMm * k.bMm : (Math.PI / 4) * k.aMm ** 2) * (k.depthMm / 1000);

/** The shape that a variant of a void has: one dimension longer or shorter. Undefined when it names none. */
function varied(
  v: Void,
  key: string,
  byMm: number,
): { index: number; shape: VoidShape; dimension: Dimension } | undefined {
  const [, at, ...rest] = key.split('.');
  const shape = v.shapes[Number(at)];
  const dimension =
    shape &&
    kindOf(shape)
      .dimensions(shape)
      .find((d) => d.key === rest.join('.') && !d.shift);
  if (!shape || !dimension) return undefined;
  const longer: Measured = { ...dimension.measured, valueMm: dimension.measured.valueMm + byMm };
  return { index: Number(at), shape: withValue(kindOf(shape), shape, dimension.key, longer), dimension };
}

/** Every problem of a void, with full field paths `shapes.N.key`, `variants.N`, `keepClear.N`. */
export function voidProblems(v: Void): readonly Problem[] {
  const own = v.shapes.flatMap((shape, i) =>
    problemsOf(kindOf(shape), shape).map((p) => ({ ...p, field: `shapes.${i}.${p.field}` })),
  );
  if (own.length) return own;
  const out: Problem[] = [];
  v.variants.forEach((variant, i) => {
    const found = varied(v, variant.key, variant.byMm);
    const field = `variants.${i}`;
    if (!found)
      out.push({
        field,
        value: variant.key,
        allowed: 'a dimension of the void',
        sentence: REFUSED['choose-which-dimension'](),
      });
    else {
      const bad = problemsOf(kindOf(found.shape), found.shape)[0];
      if (bad)
        out.push({
          ...bad,
          field,
          sentence: REFUSED['of-those-that-differ']({ count: variant.count, why: bad.sentence }),
        });
    }
  });
  const different = v.variants.reduce((sum, x) => sum + x.count, 0);
  if (different > v.count)
    out.push({
      field: 'variants.0',
      value: different,
      allowed: `up to ${v.count}`,
      sentence: REFUSED['voids-said-differ']({ different, count: v.count }),
    });
  if (out.length) return out;
  const clear = v.keepClear.reduce((sum, k) => sum + keepClearMl(k), 0);
  const each = v.shapes.reduce((sum, shape) => sum + nominalMl(shape), 0);
  if (clear > 0 && clear >= each)
    out.push({
      field: 'keepClear.0',
      value: clear,
      allowed: `under ${figure(each)} mL`,
      sentence: REFUSED['what-must-stay']({ clear: ml(clear), each: ml(each) }),
    });
  return out;
}

/** Values of a shape's dimensions and other inputs, in the order of its volume. */
const valuesOf = (shape: VoidShape): readonly number[] => {
  const kind = kindOf(shape);
  return [
    ...kind.dimensions(shape).map((d) => d.measured.valueMm),
    ...(kind.inputs?.(shape) ?? []).map((x) => x.value),
  ];
};
/** Volume of one shape as measured, mL. */
export const nominalMl = (shape: VoidShape): number => kindOf(shape).volume(shape)(valuesOf(shape));

/** Dimensions nobody has measured yet. */
export function unmeasuredIn(v: Void): readonly Dimension[] {
  // Of equal ones one behind the other it is asked once.
  const told = v.shapes.filter((shape, i) => i === 0 || !dequal(shape, v.shapes[i - 1]));
  return told.flatMap((shape) =>
    kindOf(shape)
      .dimensions(shape)
      .filter((d) => d.measured.text === ''),
  );
}

/** Dimensions of which two readings differ by more than both tools allow. */
export function disagreements(
  v: Void,
): readonly { readonly key: string; readonly label: string; readonly measured: Measured; readonly beyondMm: number }[] {
  return v.shapes.flatMap((shape, i) =>
    kindOf(shape)
      .dimensions(shape)
      .filter((d) => !d.shift && disagreementMm(d.measured) > 0)
      .map((d) => ({
        key: `shapes.${i}.${d.key}`,
        label: d.label,
        measured: d.measured,
        beyondMm: disagreementMm(d.measured),
      })),
  );
}

/**
 * Measures a void: closed forms summed over its shapes, less what must stay clear, times the number of like voids,
 * those that differ taken as they are. Inputs of one tool share one bias across all shapes.
 * @throws Refusal naming the field for impossible dimensions
 */
export function measureVoid(v: Void): VoidResult {
  const found = results.get(v) ?? measureAnew(v);
  results.set(v, found);
  return found;
}

/** Voids are immutable: dragging a temperature must not measure them again. */
const results = new WeakMap<Void, VoidResult>();

function measureAnew(v: Void): VoidResult {
  const first = voidProblems(v)[0];
  if (first) refuse(first.field, first.value, first.allowed, first.sentence);
  const inputs: DoubtfulInput[] = [];
  const parts = v.shapes.map((shape, i) => {
    const kind = kindOf(shape);
    const from = inputs.length;
    for (const d of kind.dimensions(shape)) {
      const tool = toolOf(d.measured);
      const key = `shapes.${i}.${d.key}`;
      inputs.push({
        key,
        label: d.label,
        value: d.measured.valueMm,
        halfWidth: halfWidthMm(d.measured),
        group: tool.sharedBias ? tool.id : key,
      });
    }
    for (const x of kind.inputs?.(shape) ?? [])
      inputs.push({ ...x, key: `shapes.${i}.${x.key}`, group: `${i}:${x.group}` });
    const volume = kind.volume(shape);
    return { volume, less: kind.less?.(shape) ?? volume, from, to: inputs.length };
  });
  const clear = v.keepClear.reduce((sum, k) => sum + keepClearMl(k), 0);
  const variants = v.variants.map((x) => {
    const { index, shape, dimension } = varied(v, x.key, x.byMm)!;
    // Some shapes take other fixed values along with a dimension: the varied shape's own function is asked.
    const volume = kindOf(shape).volume(shape);
    return {
      ...x,
      index,
      volume,
      less: kindOf(shape).less?.(shape) ?? volume,
      at:
        parts[index]!.from +
        kindOf(shape)
          .dimensions(shape)
          .findIndex((d) => d.key === dimension.key),
    };
  });
  const alike = v.count - variants.reduce((sum, x) => sum + x.count, 0);
  const one = (values: readonly number[], other?: (typeof variants)[number], by: 'volume' | 'less' = 'volume') =>
    parts.reduce((sum, part, i) => {
      if (other?.index !== i) return sum + part[by](values.slice(part.from, part.to));
      return sum + other[by](values.map((x, k) => (k === other.at ? x + other.byMm : x)).slice(part.from, part.to));
    }, -clear);
  const total = (by: 'volume' | 'less') => (values: readonly number[]) =>
    alike * one(values, undefined, by) + variants.reduce((sum, x) => sum + x.count * one(values, x, by), 0);
  const planned = propagate(inputs, total('volume'));
  const twoLaws = parts.some((part) => part.less !== part.volume);
  const doubt = twoLaws ? spanning(planned, propagate(inputs, total('less'))) : planned;
  const faces = v.shapes.map(facesOf);
  const decides = [...doubt.shares].sort((a, b) => b.share - a.share)[0];
  const nominal = inputs.map((x) => x.value);
  const each = one(nominal);
  const working: WorkLine[] = v.shapes.flatMap((shape) => kindOf(shape).working(shape));
  for (const k of v.keepClear) working.push(line(WORK.clear({ name: k.name }), roomWorked(k), ml(-keepClearMl(k))));
  if (v.shapes.length > 1 || v.keepClear.length) working.push(line(WORK.one(), WORK.sum(), ml(each)));
  for (const x of variants)
    working.push(
      line(
        WORK.differ({ count: x.count }),
        WORK['differ-by']({
          what: inputs[x.at]!.label.toLowerCase(),
          less: x.byMm < 0 ? 'yes' : 'no',
          by: mm(Math.abs(x.byMm)),
          count: x.count,
          one: ml(one(nominal, x), WORKED_DIGITS),
        }),
        ml(x.count * one(nominal, x)),
      ),
    );
  if (v.count > 1)
    working.push(
      line(
        WORK.all(),
        WORK[variants.length ? 'alike' : 'each']({
          count: variants.length ? alike : v.count,
          one: ml(each, WORKED_DIGITS),
        }),
        ml(doubt.nominal),
      ),
    );
  working.push(
    line(
      WORK.doubt(),
      WORK[doubt.method === 'first-order' ? 'first-order' : 'simulated']({ two: twoLaws ? 'yes' : 'no' }),
      WORK.span({ low: ml(doubt.p5), high: ml(doubt.p95) }),
      doubt.method === 'first-order' ? WORK['gum-first']() : WORK['gum-1'](),
    ),
  );
  return {
    nominalMl: doubt.nominal,
    p5Ml: Math.max(0, doubt.p5),
    p90Ml: doubt.p90,
    p95Ml: doubt.p95,
    uMl: doubt.u,
    method: doubt.method,
    shares: doubt.shares,
    decides: decides && decides.share > 0 ? decides : undefined,
    count: v.count,
    eachMl: each,
    faces: {
      planAreaMm2: faces.reduce((s, f) => s + f.planAreaMm2, 0),
      wettedAreaMm2: faces.reduce((s, f) => s + f.wettedAreaMm2, 0),
      maxDepthMm: Math.max(...faces.map((f) => f.maxDepthMm)),
      perimeterMm: faces.reduce((s, f) => s + f.perimeterMm, 0),
      thicknessMm: Math.max(...faces.map((f) => f.thicknessMm)),
    },
    working,
  };
}

/** The doubt of what plans, its range widened to that of another law that fits the readings as well. */
const spanning = (planned: Doubt, other: Doubt): Doubt => ({
  ...planned,
  p5: Math.min(planned.p5, other.p5),
  p90: Math.max(planned.p90, other.p90),
  p95: Math.max(planned.p95, other.p95),
});

/** What a shape holds below a depth, mL: where its form does not say, as if its walls were upright. */
export const belowMl = (shape: VoidShape, depthMm: number): number => {
  const kind = kindOf(shape);
  return kind.below
    ? kind.below(shape, depthMm)
    : nominalMl(shape) * Math.max(0, 1 - depthMm / facesOf(shape).maxDepthMm);
};

/**
 * Shares of the volume in layers, deepest first, summing to 1. A hollow that narrows downwards holds less in its deeper
 * layers.
 * @param ofDepth each layer's share of the deepest depth, deepest first, summing to 1
 */
export function layerShares(v: Void, ofDepth: readonly number[]): readonly number[] {
  const deepest = Math.max(...v.shapes.map((shape) => facesOf(shape).maxDepthMm));
  let filled = 0;
  // From the bottom up: what lies below the top of each layer.
  const below = [0, ...ofDepth].map((share) => {
    filled += share;
    const z = Math.max(0, 1 - filled) * deepest;
    return v.shapes.reduce((sum, shape) => sum + belowMl(shape, z), 0);
  });
  return ofDepth.map((_, i) => (below[i + 1]! - below[i]!) / below.at(-1)!);
}

const evenShares = new WeakMap<Void, readonly number[]>();

/** The same in `lifts` layers of equal thickness. */
export function liftShares(v: Void, lifts: number): readonly number[] {
  const known = evenShares.get(v);
  if (known?.length === lifts) return known;
  const found = layerShares(
    v,
    Array.from({ length: lifts }, () => 1 / lifts),
  );
  evenShares.set(v, found);
  return found;
}
