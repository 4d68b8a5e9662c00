import { kindOf, measured, shapeInInches, type VoidShape, withStandIns, withValue } from '.';
import { SHAPES } from './shapes';

const type = (shape: VoidShape, key: string, mm: number) =>
  withStandIns(shape, withValue(kindOf(shape), shape, key, measured(mm)), key);
const dim = (shape: VoidShape, key: string) =>
  kindOf(shape)
    .dimensions(shape)
    .find((d) => d.key === key)!.measured;

test('a rod wider than the hole that is only drawn widens the drawing, and refuses nothing', () => {
  const drawn = type(SHAPES.annulus.blank(), 'rodDiameter', 24);
  expect(kindOf(drawn).problems(drawn)).toEqual([]);
  expect(dim(drawn, 'rodDiameter').valueMm).toBe(24);
  expect(dim(drawn, 'holeDiameter')).toMatchObject({ text: '', valueMm: 28 });
});

test('what alone is in the way moves alone, in round inches where those are read', () => {
  const deep = type(SHAPES.annulus.blank(), 'embedment', 220);
  expect([dim(deep, 'holeDepth').valueMm, dim(deep, 'rodDiameter').valueMm, dim(deep, 'holeDiameter').valueMm]).toEqual(
    [220, 12, 14],
  );
  const inches = type(shapeInInches(SHAPES.annulus.blank()), 'embedment', 6 * 25.4);
  expect(dim(inches, 'holeDepth').valueMm).toBeCloseTo(6 * 25.4, 9);
  expect(dim(inches, 'rodDiameter').valueMm).toBeCloseTo(0.5 * 25.4, 9);
});

test('a hole that was measured stays as it was measured, and the rod that does not fit is refused', () => {
  const drawn = type(type(SHAPES.annulus.blank(), 'holeDiameter', 18), 'rodDiameter', 24);
  expect(dim(drawn, 'holeDiameter').valueMm).toBe(18);
  expect(
    kindOf(drawn)
      .problems(drawn)
      .map((p) => p.field),
  ).toEqual(['rodDiameter']);
});

test('what goes with the rest moves nothing', () => {
  const blank: VoidShape = SHAPES.annulus.blank();
  expect(dim(type(blank, 'rodDiameter', 10), 'holeDiameter')).toBe(dim(blank, 'holeDiameter'));
});

const every = Object.values(SHAPES).flatMap((of) => {
  const blank: VoidShape = of.blank();
  return kindOf(blank)
    .dimensions(blank)
    .filter((d) => d.measured.text === '')
    .map((d) => [of.id, d.key, blank, d] as const);
});
test.each(every)(
  '%s, %s: whatever is typed first is not refused for what nobody has typed',
  (_, key, blank, { maxMm }) => {
    const faults = (shape: VoidShape) =>
      kindOf(shape)
        .problems(shape)
        .map((p) => p.field);
    for (const by of [0.5, 1.5, 4]) {
      const drawn = type(blank, key, Math.min(dim(blank, key).valueMm * by, maxMm));
      expect([by, faults(drawn)]).toEqual([by, faults(blank)]);
    }
  },
);
