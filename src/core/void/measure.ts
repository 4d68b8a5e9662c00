import { figure, line, type Problem, refuse, type WorkLine } from '../units';
import { type Doubt, type DoubtfulInput, propagate } from './doubt';
import { halfWidthMm, toolOf } from './measured';
import { type Faces, problemsOf } from './shape';
import { SHAPES, type Void } from './shapes';

/** The measured void: its volume with the doubt, what decides it, its faces and the working. Volumes cover all like voids together. */
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
  /** Of one void. */
  readonly eachMl: number;
  /** Of one void. */
  readonly faces: Faces;
  readonly working: readonly WorkLine[];
}

/** Every problem of a void, with full field paths `shapes.N.key`. */
export function voidProblems(v: Void): readonly Problem[] {
  return v.shapes.flatMap((shape, i) => problemsOf(SHAPES[shape.shape], shape).map((p) => ({ ...p, field: `shapes.${i}.${p.field}` })));
}

/** Labels of the dimensions nobody has measured yet. */
export function unmeasuredIn(v: Void): readonly string[] {
  return v.shapes.flatMap((shape) =>
    SHAPES[shape.shape]
      .dimensions(shape)
      .filter((d) => d.measured.text === '')
      .map((d) => d.label),
  );
}

/**
 * Measures a void: closed forms summed over its shapes, times the number of like voids.
 * Inputs of one tool share one bias across all shapes.
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
    const kind = SHAPES[shape.shape];
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
    return { volume: kind.volume(shape), from, to: inputs.length };
  });
  const total = (values: readonly number[]) =>
    v.count * parts.reduce((sum, part) => sum + part.volume(values.slice(part.from, part.to)), 0);
  const doubt = propagate(inputs, total);
  const faces = v.shapes.map((shape) => SHAPES[shape.shape].faces(shape));
  const decides = [...doubt.shares].sort((a, b) => b.share - a.share)[0];
  const each = doubt.nominal / v.count;
  const working: WorkLine[] = v.shapes.flatMap((shape) => SHAPES[shape.shape].working(shape));
  if (v.shapes.length > 1) working.push(line('One void', 'sum of its shapes', each, 'mL'));
  if (v.count > 1) working.push(line('All like voids', `${v.count} × ${figure(each, 4)}`, doubt.nominal, 'mL'));
  working.push(
    line(
      'Doubt',
      doubt.method === 'first-order' ? 'a/√3 of each tolerance, one tool one bias; ± 1.645 u' : `seeded simulation, 20 000 draws`,
      `${figure(doubt.p5)} to ${figure(doubt.p95)}`,
      'mL',
      doubt.method === 'first-order' ? 'GUM, first order' : 'GUM supplement 1',
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
