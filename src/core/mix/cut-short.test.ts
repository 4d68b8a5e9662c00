import { seeded } from '@/sample/seeded';
import { cutShort } from './cut-short';

interface Pot {
  readonly portion: number;
  readonly placedMl: number;
  readonly kits: number | null;
  readonly meantMl?: number;
}
const pot = (placedMl: number, portion = 0): Pot => ({ portion, placedMl, kits: null });
/** Even pots of at most so much. */
const evenly = (mostMl: number) => (restMl: number) => {
  const n = Math.ceil(restMl / mostMl - 1e-9);
  return Array.from({ length: n }, () => ({ kits: null, share: 1 / n }));
};
const sum = (pots: readonly Pot[]) => pots.reduce((s, p) => s + p.placedMl, 0);

test('what a pot left unplaced, and all that was to come after it, is shared out anew', () => {
  const pots = cutShort([pot(100), pot(100), pot(100)], [{ batch: 1, placedMl: 30 }], evenly(100));
  expect(pots.map((p) => p.placedMl)).toEqual([100, 30, 85, 85]);
  expect(pots.map((p) => p.meantMl)).toEqual([undefined, 100, undefined, undefined]);
});

test('other portions stay as they are, before it and after it', () => {
  const pots = cutShort([pot(50), pot(100, 1), pot(100, 1), pot(70, 2)], [{ batch: 1, placedMl: 40 }], evenly(90));
  expect(pots.map((p) => [p.portion, p.placedMl])).toEqual([
    [0, 50],
    [1, 40],
    [1, 80],
    [1, 80],
    [2, 70],
  ]);
});

test('one that placed all it was for, or is not there, changes nothing', () => {
  const pots = [pot(100), pot(100)];
  expect(cutShort(pots, [{ batch: 0, placedMl: 100 }], evenly(100))).toBe(pots);
  expect(cutShort(pots, [{ batch: 7, placedMl: 10 }], evenly(100))).toBe(pots);
  expect(cutShort(pots, [], evenly(100))).toBe(pots);
});

test('however often it happens, no millilitre is lost or made, and no pot is larger than it may be', () => {
  const { uniform } = seeded(11);
  for (let n = 0; n < 200; n++) {
    const most = 20 + 200 * uniform();
    const need = most * (0.3 + 6 * uniform());
    const share = evenly(most);
    const pots = share(need).map((p) => pot(p.share * need));
    const cuts: { batch: number; placedMl: number }[] = [];
    for (let batch = 0; uniform() < 0.8 && batch < 5; batch += 1 + Math.floor(2 * uniform()))
      cuts.push({ batch, placedMl: most * 0.9 * uniform() + 0.01 });
    const after = cutShort(pots, cuts, share);
    expect(sum(after)).toBeCloseTo(need, 6);
    for (const p of after) expect(p.placedMl).toBeLessThanOrEqual(most * (1 + 1e-9));
    // Twice told is the same as told in one: each cut is of the pots as they are by then.
    const step = cuts.reduce<readonly Pot[]>((now, cut) => cutShort(now, [cut], share), pots);
    expect(step).toEqual(after);
  }
});
