import { texts } from '../say';
import { bounds, rect } from './draw';
import { kindOf } from './measure';
import type { Point } from './point';
import type { Drawing, Outline } from './shape';
import type { Void, VoidShape } from './shapes';

const TITLES = texts('title.in-place', {
  'with-what-lies': '{section}, with what lies there',
  inside: 'section, with what lies there',
});

/** What else is put into the place that is drawn: what lies there already, or comes over it later. */
export interface Lying {
  readonly name: string;
  readonly void: Void;
  readonly lies: 'already' | 'later';
}

const voidsOf = ({ outlines }: Drawing): readonly Outline[] => outlines.filter((o) => o.role === 'void');
const boxOf = (outlines: readonly Outline[]) => bounds(outlines.flatMap((o) => o.points));

/**
 * Where the centre line meets the face of the base in a section; null for one that is cut to another scale, as a coat
 * is. A section that does not say lies in its base, and its middle is that of its void.
 */
function originOf(section: Drawing): Point | null {
  if (section.origin !== undefined) return section.origin;
  const [x0, y0, x1] = boxOf(voidsOf(section));
  return y0 >= -1e-9 ? [(x0 + x1) / 2, 0] : null;
}

const moved = (points: readonly Point[], dx: number, dy: number): readonly Point[] =>
  points.map(([x, y]) => [x + dx, y + dy]);

/** Whether two boxes lie in each other, by more than a touching edge. */
const overlap = (a: readonly number[], b: readonly number[]): boolean =>
  Math.min(a[2]!, b[2]!) - Math.max(a[0]!, b[0]!) > 1e-6 && Math.min(a[3]!, b[3]!) - Math.max(a[1]!, b[1]!) > 1e-6;

/**
 * A section with what lies in its place already and what comes over it, each to the same scale and about the same
 * centre line. What would lie in the same room as the void that is drawn lies under it, or over it.
 * @param others in the order they are placed
 */
export function inPlace(section: Drawing, others: readonly Lying[]): Drawing {
  const origin = originOf(section);
  if (!origin) return section;
  const drawn: Outline[] = [];
  const mine = boxOf(voidsOf(section));
  let [floor, top] = [mine[3], mine[1]];
  const add = ({ name, void: v, lies }: Lying) => {
    const shape = v.shapes[0]!;
    const theirs = kindOf(shape).section(shape);
    const from = originOf(theirs);
    if (!from) return;
    const outlines = voidsOf(theirs).map((o) => moved(o.points, origin[0] - from[0], origin[1] - from[1]));
    const box = bounds(outlines.flat());
    const sunk = box[1] >= origin[1] - 1e-9;
    // Two fills of one hollow lie on one another.
    const down = sunk && overlap(box, mine) ? (lies === 'already' ? floor - box[1] : top - box[3]) : 0;
    if (down > 0) floor += box[3] - box[1];
    if (down < 0) top -= box[3] - box[1];
    drawn.push(
      ...outlines.map(
        (points, i): Outline => ({ role: lies, points: moved(points, 0, down), ...(i ? {} : { label: name }) }),
      ),
    );
  };
  // The nearest first: it lies right against the void that is drawn.
  for (const o of others.filter((x) => x.lies === 'already').toReversed()) add(o);
  for (const o of others.filter((x) => x.lies === 'later')) add(o);
  if (!drawn.length) return section;
  const deepest = Math.max(...drawn.flatMap((o) => o.points.map((p) => p[1])));
  // The base reaches under all that lies in it.
  const outlines = section.outlines.map((o) => {
    if (o.role !== 'base') return o;
    const [, , , bottom] = bounds(o.points);
    const lower = deepest + (bottom - mine[3]) - bottom;
    return lower > 0 && mine[3] > origin[1]
      ? { ...o, points: o.points.map(([x, y]): Point => [x, y === bottom ? y + lower : y]) }
      : o;
  });
  return { ...section, title: TITLES['with-what-lies']({ section: section.title }), outlines: [...outlines, ...drawn] };
}

/**
 * A section through a fill and the layer that goes on its face, or into what it left low, to scale.
 * @param shape of the void that is filled already
 * @param thicknessMm of the layer
 * @param over whether it stands on the face; else it lies in what was left low
 * @param beyondMm how far it reaches past the fill on each side
 * @returns null where the fill has no section in which a face can be seen
 */
export function layerInPlace(
  shape: VoidShape,
  name: string,
  thicknessMm: number,
  over: boolean,
  beyondMm = 0,
): Drawing | null {
  const section = kindOf(shape).section(shape);
  const origin = originOf(section);
  const filled = voidsOf(section);
  if (!origin || !filled.length) return null;
  const [x0, y0, x1] = boxOf(filled);
  const face = y0;
  const [from, to] = over ? [face - thicknessMm, face] : [face, face + thicknessMm];
  // The base reaches under all of the layer.
  const middle = (x0 + x1) / 2;
  const under = (o: Outline): Outline =>
    o.role === 'base'
      ? { ...o, points: o.points.map(([x, y]): Point => [x + Math.sign(x - middle) * beyondMm, y]) }
      : o;
  return {
    title: TITLES.inside(),
    origin,
    outlines: [
      ...section.outlines.filter((o) => o.role !== 'void' && o.role !== 'plate').map(under),
      ...filled.map((o, i): Outline => ({ role: 'already', points: o.points, ...(i ? {} : { label: name }) })),
      { role: 'void', points: rect(x0 - beyondMm, from, x1 + beyondMm, to) },
    ],
    dimensions: [
      {
        key: 'thickness',
        from: [x1 + beyondMm + (x1 - x0) * 0.06, to],
        to: [x1 + beyondMm + (x1 - x0) * 0.06, from],
        perMm: 1,
        label: 'thickness',
      },
    ],
    marks: [],
  };
}
