import fc from 'fast-check';
import { partsOf, ratioOf } from '@/sample/sheet-words';
import { furtherSheets, pasteSheet } from '@/sample/systems';
import { type Mixable, mixedDensity, partsOfMix } from '.';

const two = (ratio: Mixable['ratio'], a: number, b: number): Mixable => ({
  name: 'Two',
  ratio,
  parts: partsOf('paste', { A: { densityGPerMl: a }, B: { densityGPerMl: b } }),
});
const densities = (parts: ReturnType<typeof partsOfMix>) => parts!.map((p) => p.densityGPerMl);

describe('a sheet that prints how heavy its mix is', () => {
  test('powder beside a liquid of 0.94, cured 1.18, 1.4 to 1 by weight: 3.01 g are 2.55 mL', () => {
    const sheet = { ...two(ratioOf({ basis: 'weight', a: 140, b: 100 }), 1.2, 0.94) };
    const parts = partsOfMix(sheet, ['A'], 1.18)!;
    expect(densities(parts)).toEqual([expect.closeTo(1.4 / (2.4 / 1.18 - 1 / 0.94), 6), 0.94]);
    // Added up by hand: grams of each through its density.
    const [powder, liquid] = [(3.01 * 1.4) / 2.4, 3.01 / 2.4];
    expect(powder / parts[0]!.densityGPerMl + liquid / 0.94).toBeCloseTo(2.55, 2);
  });
  test('of a resin whose parts it does not print, both are lighter alike and make it together', () => {
    const [a, b] = densities(partsOfMix(two(ratioOf({ basis: 'weight', a: 100, b: 38 }), 1.15, 1), ['A', 'B'], 1.1));
    expect(a! / b!).toBeCloseTo(1.15, 9);
    expect(138 / (100 / a! + 38 / b!)).toBeCloseTo(1.1, 9);
  });
  test('by volume as by weight: 4 to 1, 1.55', () => {
    const [a, b] = densities(partsOfMix(two(ratioOf({ basis: 'volume', a: 4, b: 1 }), 1.6, 1.35), ['A', 'B'], 1.55));
    expect((4 * a! + b!) / 5).toBeCloseTo(1.55, 9);
  });
  test('what cannot be is none', () => {
    // A fifth of it lead would not make that of a mix of which the rest is known.
    expect(partsOfMix(two(ratioOf({ basis: 'weight', a: 100, b: 1 }), 1.1, 1), ['B'], 3)).toBeNull();
    expect(partsOfMix(two(ratioOf({ basis: 'weight', a: 100, b: 38 }), 1.1, 1), [], 1.1)).toBeNull();
  });
  test('whatever is left open, the mix weighs what is printed, and what is printed of a part stays', () => {
    const sheets = [pasteSheet, ...furtherSheets].filter((s) => s.parts.length > 1);
    fc.assert(
      fc.property(
        fc.constantFrom(...sheets),
        fc.double({ min: 0.8, max: 1.3, noNaN: true }),
        fc.nat(14),
        (s, by, mask) => {
          const free = s.parts.filter((p, i) => p.filler === null && (mask >> i) & 1).map((p) => p.id);
          const mixed = mixedDensity(s) * by;
          const parts = partsOfMix(s, free, mixed);
          if (!parts) return;
          expect(mixedDensity({ ...s, parts: [...parts] })).toBeCloseTo(mixed, 6);
          for (const [i, p] of parts.entries()) if (!free.includes(p.id)) expect(p).toEqual(s.parts[i]);
        },
      ),
      { numRuns: 200 },
    );
  });
});
