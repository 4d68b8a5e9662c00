import { arc, bounds, rect } from './draw';
import { kindOf } from './measure';
import type { Point } from './point';
import type { Drawing, Outline } from './shape';
import type { KeepClear, Void } from './shapes';

/** Shapes whose section runs along the same x as their drawing from above, so that a zone can be shown in both. */
const sameAcross = (v: Void, index: number) =>
  'outline' in v.shapes[index]! || kindOf(v.shapes[index]!).sameAcross === true;

const zonePlan = (k: KeepClear): Outline => ({
  role: 'keep-clear',
  label: k.name,
  points:
    k.form === 'box'
      ? rect(k.xMm - k.aMm / 2, k.yMm - k.bMm / 2, k.xMm + k.aMm / 2, k.yMm + k.bMm / 2)
      : arc(k.aMm / 2, k.xMm, k.yMm, 0, 360, 32),
});

/**
 * One shape of a void from above, with what must stay clear in it: zones stand in the first shape, and can be moved.
 * @param at where the section is cut, as a share of the way across
 */
export function voidPlan(v: Void, index: number, at?: number): Drawing {
  const shape = v.shapes[index]!;
  const drawn = kindOf(shape).plan(shape, at);
  if (index > 0 || !v.keepClear.length) return drawn;
  return {
    ...drawn,
    outlines: [...drawn.outlines, ...v.keepClear.map(zonePlan)],
    handles: [
      ...(drawn.handles ?? []),
      ...v.keepClear.map((k, i) => ({ key: `keepClear.${i}`, at: [k.xMm, k.yMm] as const, label: k.name })),
    ],
  };
}

/** One shape of a void in section: what stays clear in it, and the way out behind where the back is open. */
export function voidSection(v: Void, index: number, at?: number): Drawing {
  const shape = v.shapes[index]!;
  const drawn = kindOf(shape).section(shape, at);
  const extra: Outline[] = [];
  if (index === 0 && sameAcross(v, index))
    for (const k of v.keepClear)
      extra.push({
        role: 'keep-clear',
        label: k.name,
        points: rect(k.xMm - k.aMm / 2, 0, k.xMm + k.aMm / 2, k.depthMm),
      });
  const voids = drawn.outlines.filter((o) => o.role === 'void').flatMap((o) => o.points);
  const bases = drawn.outlines.filter((o) => o.role === 'base').flatMap((o) => o.points);
  if (v.back === 'open' && voids.length && bases.length) {
    const [x0, , x1, deep] = bounds(voids);
    const [, , , bottom] = bounds(bases);
    // Where the void is deepest its floor is taken as missing, down through the base.
    const floor = voids.filter((p) => p[1] > deep - 0.25 * Math.max(1e-6, deep));
    const [f0, f1] =
      floor.length > 1
        ? [Math.min(...floor.map((p) => p[0])), Math.max(...floor.map((p) => p[0]))]
        : [x0 * 0.6 + x1 * 0.4, x0 * 0.4 + x1 * 0.6];
    const side = (x: number): readonly Point[] => [
      [x, deep],
      [x, bottom],
    ];
    extra.push(
      { role: 'level', open: true, points: side(f0) },
      { role: 'level', open: true, points: side(f1), label: 'open behind' },
    );
  }
  return extra.length ? { ...drawn, outlines: [...drawn.outlines, ...extra] } : drawn;
}
