import { parseQuantity } from '../typed';
import { kindOf, measured, shapeInInches, type VoidShape, voidOf, withValue } from '.';
import { voidProblems } from './measure';
import { SHAPES } from './shapes';

/** The same, as if somebody had typed what is drawn. */
const typed = (shape: VoidShape): VoidShape =>
  kindOf(shape)
    .dimensions(shape)
    .reduce((s, { key, measured: m }) => withValue(kindOf(s), s, key, measured(m.valueMm)), shape);
const every = Object.values(SHAPES).map((kind) => [kind.id, kind.blank()] as const);

test.each(every)('a %s nobody has measured is drawn in round inches, and stays unmeasured', (_, blank) => {
  const before = kindOf(blank).dimensions(blank);
  const drawn = shapeInInches(blank);
  for (const [i, { measured: now }] of kindOf(drawn).dimensions(drawn).entries()) {
    const was = before[i]!.measured;
    expect(now.text === '').toBe(was.text === '');
    // As a rule has it, or in thousandths where it is thinner than an eighth.
    const step = now.valueMm >= 3.175 ? 25.4 / 16 : 25.4 / 1000;
    const steps = now.valueMm / step;
    expect(Math.abs(steps - Math.round(steps))).toBeLessThan(1e-6);
    if (was.valueMm > 0.2) expect(now.valueMm / was.valueMm).toBeGreaterThan(0.6);
    if (was.valueMm > 0.2) expect(now.valueMm / was.valueMm).toBeLessThan(1.7);
    const read = now.text ? parseQuantity('length', now.text, 'us') : null;
    if (read) expect(read).toMatchObject({ ok: true, value: expect.closeTo(now.valueMm, 6) });
  }
  // What fits in millimetres fits in inches: a rod its hole, a ring its inner edge.
  const faults = (shape: typeof blank) => voidProblems(voidOf(typed(shape))).map((p) => p.field);
  expect(faults(drawn)).toEqual(faults(blank));
});
