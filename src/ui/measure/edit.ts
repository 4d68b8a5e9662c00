import { blankShape } from '@/core/method';
import { firstShape, type PassRef, type Piece, pieceOf, thickBySheet } from '@/core/plan';
import {
  areHoles,
  kindOf,
  MOST_SHAPES,
  type Point,
  runAt,
  type ShapeId,
  shapeInInches,
  type Void,
  type VoidShape,
  voidOf,
  withAlike,
  withShapes,
  withStandIns,
  withValue,
} from '@/core/void';
import { usePrefs } from '../workspace/prefs';
import { changePass, stateNow } from '../workspace/workspace';

/** Changes of the void of a repair, each of which can be undone. */
export const changeVoid = (of: PassRef, change: (v: Void) => Void, key: string): void =>
  changePass(of, (r) => (r.void ? { ...r, void: change(r.void) } : r), `void:${key}`);

/** Replaces what stands at a path of one of its shapes; of holes of one size it is all of them. */
export const writeShape = (of: PassRef, index: number, key: string, value: unknown): void =>
  changeVoid(
    of,
    (v) => {
      const run = runAt(v, index);
      const written = (s: VoidShape) => withStandIns(s, withValue(kindOf(s), s, key, value), key);
      return { ...v, shapes: v.shapes.map((s, i) => (run.includes(i) ? written(s) : s)) };
    },
    `${index}:${key}`,
  );

export const replaceShape = (of: PassRef, index: number, shape: VoidShape): void =>
  changeVoid(of, (v) => ({ ...v, shapes: v.shapes.map((s, i) => (i === index ? shape : s)) }), `${index}:shape`);

/** A pulled length, as if it had been typed. */
export function pullDimension(of: PassRef, index: number, shape: VoidShape, key: string, valueMm: number): void {
  const d = kindOf(shape)
    .dimensions(shape)
    .find((x) => x.key === key);
  if (d)
    writeShape(of, index, key, {
      ...d.measured,
      valueMm,
      text: `${Number(valueMm.toFixed(2))} mm`,
      textSystem: 'metric',
    });
}

/** The thickness of a pass that covers the face of another, pulled. @returns whether it is such a pass */
export function pullThickness(piece: Piece, key: string, valueMm: number): boolean {
  if (key !== 'thickness' || piece.takes.from === 'own') return false;
  changePass(
    piece,
    (r) =>
      r.takes.from === 'face'
        ? {
            ...r,
            takes: {
              ...r.takes,
              thickness: {
                ...r.takes.thickness,
                valueMm,
                text: `${Number(valueMm.toFixed(2))} mm`,
                textSystem: 'metric',
              },
            },
          }
        : r,
    'thickness',
  );
  return true;
}

/** A point moved in the drawing; whole millimetres are as fine as a hand points. */
export function movePoint(of: PassRef, index: number, key: string, [x, y]: Point): void {
  const zone = /^keepClear\.(\d+)$/.exec(key);
  if (!zone) {
    writeShape(of, index, key, [Math.round(x), Math.round(y)]);
    return;
  }
  changeVoid(
    of,
    (v) => ({
      ...v,
      keepClear: v.keepClear.map((k, i) =>
        i === Number(zone[1]) ? { ...k, xMm: Math.round(x), yMm: Math.round(y) } : k,
      ),
    }),
    key,
  );
}

/** How many shapes there are: two taken out one after the other are two steps to undo. */
const shapesOf = (of: PassRef): number => {
  const draft = stateNow().repairs.get(of.id);
  return (draft && pieceOf(draft, of.passId).void?.shapes.length) ?? 0;
};

/** As thick as the chosen sheet says, where nobody has said how thick. */
const estimated = (r: Piece): Piece => {
  const sheet = stateNow().sheets.get(r.sheetId ?? '');
  return sheet ? { ...r, ...thickBySheet(r, sheet) } : r;
};

/**
 * Adds a shape to the void, or begins it. Like holes that another size comes to are so many of the first: what was
 * said of all of them does not hold for the new one.
 * @returns nothing; the new one is the last
 */
export const addShape = (of: PassRef, id: ShapeId): void =>
  changePass(
    of,
    (r) => {
      const draft = stateNow().repairs.get(of.id);
      const theirs = usePrefs.getState().system === 'us' ? shapeInInches : (shape: VoidShape) => shape;
      if (!r.void && draft) return estimated({ ...r, void: voidOf(theirs(firstShape(draft, of.passId, id))) });
      const shape = theirs(blankShape(r.method.id, id));
      if (!r.void) return estimated({ ...r, void: voidOf(shape) });
      const { shapes, count, variants } = r.void;
      const apart =
        shapes.length === 1 && !variants.length && count < MOST_SHAPES && areHoles([...shapes, shape]) && count > 1;
      return estimated(
        apart
          ? { ...r, void: { ...withShapes(r.void, [...withAlike(r.void, 0, count).shapes, shape]), count: 1 } }
          : { ...r, void: withShapes(r.void, [...shapes, shape], r.void.places && [...r.void.places, '']) },
      );
    },
    `void:add:${shapesOf(of)}`,
  );

/** How many holes of one size there are. */
export const alikeShapes = (of: PassRef, index: number, count: number): void =>
  changeVoid(
    of,
    (v) => {
      const { shapes, places } = withAlike(v, index, count);
      return withShapes(v, shapes, places);
    },
    `alike:${index}`,
  );

/** Whether each shape is a place by itself, or they add up to one void. */
export const setApart = (of: PassRef, apart: boolean): void =>
  changeVoid(of, (v) => withShapes(v, v.shapes, apart ? v.shapes.map(() => '') : undefined), 'apart');

/** What the place of a shape is called. */
export const namePlace = (of: PassRef, index: number, name: string): void =>
  changeVoid(
    of,
    (v) => ({ ...v, places: v.shapes.map((_, i) => (i === index ? name.slice(0, 60) : (v.places?.[i] ?? ''))) }),
    `place:${index}`,
  );

/** Takes a shape out, of like holes all of them; the last one takes the void with it. */
export const removeShape = (of: PassRef, index: number): void =>
  changePass(
    of,
    (r) => {
      if (!r.void) return r;
      const gone = runAt(r.void, index);
      if (r.void.shapes.length === gone.length) return { ...r, void: null };
      // What differs in a shape that goes, goes with it; what differs in later ones follows them down.
      const variants = r.void.variants.flatMap((x) => {
        const [, at, ...rest] = x.key.split('.');
        const i = Number(at);
        return gone.includes(i) ? [] : [{ ...x, key: ['shapes', i > index ? i - gone.length : i, ...rest].join('.') }];
      });
      const stays = (_: unknown, i: number) => !gone.includes(i);
      return {
        ...r,
        void: { ...withShapes(r.void, r.void.shapes.filter(stays), r.void.places?.filter(stays)), variants },
      };
    },
    `void:remove:${shapesOf(of)}`,
  );
