import fc from 'fast-check';
import { KIND_IDS, systemKind } from './kinds';
import { USUAL, usualPotLossMl } from './usual';

test('a pot keeps a tenth of little, a smear at the least, and no more than a pailful’s rest', () => {
  expect(usualPotLossMl('liquid-resin', 60)).toBeCloseTo(6, 9);
  expect(usualPotLossMl('liquid-resin', 2)).toBe(1);
  expect(usualPotLossMl('liquid-resin', 9000)).toBe(USUAL.potLossMl);
  // What is mixed on a board leaves a knife of it.
  expect(usualPotLossMl('polyester-filler', 9000)).toBe(4);
});
test('it never falls with what is mixed, is never nought, and never more than all of it for anything worth a pot', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...KIND_IDS),
      fc.double({ min: 0.1, max: 1e5, noNaN: true }),
      fc.double({ min: 0, max: 1e4, noNaN: true }),
      (kind, ml, more) => {
        const [a, b] = [usualPotLossMl(kind, ml), usualPotLossMl(kind, ml + more)];
        expect(a).toBeGreaterThan(0);
        expect(b).toBeGreaterThanOrEqual(a);
        expect(a).toBeLessThanOrEqual(systemKind(kind).keepsMl ?? USUAL.potLossMl);
        if (ml > 2) expect(a).toBeLessThan(ml);
      },
    ),
  );
});
