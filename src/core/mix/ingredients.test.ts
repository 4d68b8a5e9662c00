import { furtherSheets } from '../../sample/further-systems';
import { pasteSheet, resinSheet } from '../../sample/systems';
import { PART_IDS, type PartId, proportionOf, type SheetRevision } from '../system';
import {
  type Blend,
  type Colour,
  type ColourTrial,
  FILLERS,
  type FillerId,
  FRESH_TRIAL,
  filledMix,
  ingredientsOf,
  liquidDensity,
  recipeFor,
  weighedOf,
  withBlend,
  withRecipe,
} from '.';

const NOTHING = { blend: null, colour: null };
const named = (sheet: SheetRevision) => ingredientsOf(sheet, NOTHING).map((i) => i.name);
const of = (kind: SheetRevision['kind']) => furtherSheets.find((s) => s.kind === kind)!;
/** Parts of a batch of so much liquid, g, by the proportion of the sheet as it holds. */
const massesOf = (sheet: SheetRevision, grams: number): Record<PartId, number> => {
  const { massShare } = proportionOf(sheet);
  return { A: 0, B: 0, C: 0, D: 0, ...Object.fromEntries(PART_IDS.map((id) => [id, grams * massShare[id]])) };
};
const blendOf = (fillers: Partial<Record<FillerId, number>>): Blend => ({
  consistency: 'stands',
  fillers: Object.entries(fillers).map(([filler, share]) => ({ filler: filler as FillerId, share, per100G: null })),
});
const trial = (over: Partial<ColourTrial> = {}): ColourTrial => ({
  ...FRESH_TRIAL,
  id: 't',
  name: 'T1',
  inG: 20,
  tints: [
    { name: 'dust', massG: 11, densityGPerMl: 2.65 },
    { name: 'black', massG: 0.08, densityGPerMl: null },
  ],
  ...over,
});
const taken = (t: ColourTrial): Colour => ({ trials: [t], chosen: t.id, veins: null });

test('tins of resin and hardener go by their letters, all else by its name', () => {
  expect(named(resinSheet)).toEqual(['A', 'B']);
  expect(named(of('cement-water'))).toEqual(['powder', 'water']);
  expect(named(of('powder-liquid'))).toEqual(['powder', 'liquid']);
  expect(named(of('joint-colour'))).toEqual(['A', 'B', 'water']);
  // Where a little is dosed into much, an A and a B would be asked which is which.
  for (const kind of ['polyester-filler', 'finish-resin'] as const)
    expect(named(of(kind))).toEqual(of(kind).parts.map((p) => p.name));
});

test('own fillers make up parts C and D to the gram, each as filledMix loads it, thickener last', () => {
  const mixes = [{ silica: 1 }, { silica: 1, fibre: 3 }, { sand: 4, silica: 1, spheres: 2 }, { sand: 1 }];
  for (const shares of mixes) {
    const blend = blendOf(shares);
    const sheet = withBlend(resinSheet, blend);
    const massG = massesOf(sheet, 500);
    const all = weighedOf(ingredientsOf(resinSheet, { blend, colour: null }), massG);
    expect(all.reduce((s, i) => s + i.massG, 0)).toBeCloseTo(500, 6);
    const loaded = filledMix(blend, liquidDensity(resinSheet)).fillers;
    const liquid = massG.A + massG.B;
    for (const { label, per100G } of loaded)
      expect([label, all.find((i) => i.name === label)!.massG]).toEqual([
        label,
        expect.closeTo((per100G * liquid) / 100, 6),
      ]);
    const own = all.filter((i) => i.own);
    expect(own).toHaveLength(loaded.length);
    const inC = own.filter((i) => i.part === 'C');
    if (Object.hasOwn(shares, 'silica')) expect(inC.at(-1)!.name).toBe(FILLERS.silica.label);
    expect(own.filter((i) => i.as === 'grains').map((i) => i.part)).toEqual(Object.hasOwn(shares, 'sand') ? ['D'] : []);
  }
});

test('a colour that was tried in the base is weighed as its recipe has it; in a filled or ready mix it comes on top', () => {
  const colour = taken(trial({ of: 'base' }));
  const sheet = withRecipe(resinSheet, colour);
  const massG = massesOf(sheet, 100);
  const rows = weighedOf(ingredientsOf(resinSheet, { blend: null, colour }), massG);
  // The recipe is scaled by volume and counts its own masses: another way to the same grams.
  const batchMl = PART_IDS.reduce(
    (s, id) =>
      s + (sheet.parts.find((p) => p.id === id) ? massG[id] / sheet.parts.find((p) => p.id === id)!.densityGPerMl : 0),
    0,
  );
  const recipe = recipeFor(colour.trials[0]!, resinSheet, batchMl, 0.01);
  for (const name of ['dust', 'black'])
    expect(rows.find((r) => r.name === name)!.massG).toBeCloseTo(recipe.rows.find((r) => r.name === name)!.massG, 6);
  expect(rows.every((r) => r.part !== null)).toBe(true);

  const ready = taken(trial({ of: 'mix' }));
  const plain = massesOf(resinSheet, 100);
  const top = weighedOf(ingredientsOf(resinSheet, { blend: null, colour: ready }), plain).filter(
    (r) => r.part === null,
  );
  expect(top.map((r) => [r.name, r.massG])).toEqual([
    ['dust', expect.closeTo((100 * 11) / 20, 9)],
    ['black', expect.closeTo((100 * 0.08) / 20, 9)],
  ]);
  const blend = blendOf({ fibre: 1 });
  const filled = weighedOf(ingredientsOf(resinSheet, { blend, colour }), massesOf(withBlend(resinSheet, blend), 100));
  const dust = filled.find((r) => r.name === 'dust')!;
  expect([dust.part, dust.massG / filled.find((r) => r.name === 'A')!.massG]).toEqual([
    null,
    expect.closeTo(11 / 20, 9),
  ]);
});

test('what there is nothing of is not weighed, and no trial that was not taken is', () => {
  const none = { A: 10, B: 0, C: 0, D: 0 };
  expect(weighedOf(ingredientsOf(pasteSheet, NOTHING), none).map((i) => i.name)).toEqual(['A']);
  const open: Colour = { trials: [trial()], chosen: null, veins: null };
  expect(ingredientsOf(resinSheet, { blend: null, colour: open }).some((i) => i.own)).toBe(false);
});
