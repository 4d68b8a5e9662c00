import fc from 'fast-check';
import { format } from '@/core/units';
import { COLUMNS_FROM, type ColumnWords, columnsIn, MIX_GAP, underLines, wordsPx } from './columns-fit';

const words = (system: 'metric' | 'us', massesG: readonly number[]): ColumnWords => {
  const mass = (g: number) => format('mass', g, system).text;
  const volume = (ml: number) => format('volume', ml, system).text;
  const all = massesG.reduce((a, b) => a + b, 0);
  return {
    figures: massesG.map(mass),
    unders: massesG.map((g) => volume(g / 1.2)),
    mix: { figure: volume(all / 1.5), unders: [mass(all)] },
  };
};
const masses = fc.array(fc.double({ min: 0.5, max: 60_000, noNaN: true }), { minLength: 2, maxLength: 4 });

test('on a laptop no word of the mixing picture lies under a column or is cut, in either units', () => {
  fc.assert(
    fc.property(masses, fc.constantFrom('metric' as const, 'us' as const), (massesG, system) => {
      const width = 757;
      const said = words(system, massesG);
      const fit = columnsIn(width, said);
      said.figures.forEach((_, i) => {
        const from = COLUMNS_FROM + i * fit.slot + fit.column + fit.gap;
        const next = COLUMNS_FROM + (i + 1) * fit.slot - fit.out;
        for (const [text, size] of [
          [said.figures[i]!, fit.figure],
          [said.unders[i]!, fit.under],
        ] as const)
          expect(from + wordsPx(text, size)).toBeLessThanOrEqual(next + 1e-6);
      });
      const mixFrom = COLUMNS_FROM + massesG.length * fit.slot + fit.column + MIX_GAP;
      expect(mixFrom + wordsPx(said.mix.figure, fit.figure)).toBeLessThanOrEqual(width + 1e-6);
      expect(mixFrom + wordsPx(said.mix.unders[0]!, fit.under)).toBeLessThanOrEqual(width + 1e-6);
      expect(fit.figure).toBeGreaterThanOrEqual(12);
    }),
  );
});

test('two parts in grams keep their large figures and wide columns; three in ounces give way', () => {
  const plain = columnsIn(757, words('metric', [246, 92]));
  expect([plain.figure, plain.column]).toEqual([23, (757 / 3.25) * 0.42]);
  const ounces = columnsIn(757, words('us', [84, 96, 271]));
  expect(ounces.column).toBeLessThan((757 / 4.25) * 0.42);
});

test('a word and its amount stand in one line where it has room, else in two', () => {
  const of = [['was 240 g'], ['on the scale', '246 g']];
  expect(underLines(of, { room: 300, under: 13 })).toEqual(['was 240 g', 'on the scale 246 g']);
  expect(underLines(of, { room: 110, under: 13 })).toEqual(['was 240 g', 'on the scale', '246 g']);
});
