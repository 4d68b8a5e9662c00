import fc from 'fast-check';
import { inTurn } from './in-turn';
import type { StepDraft } from './task';

const draft = (id: string, over: Partial<StepDraft>): StepDraft =>
  ({ id, key: { task: id, batch: null, attempt: 1 }, block: 'work', handsOnMin: 0, ...over }) as StepDraft;
const bare = (part: number, min: number) =>
  draft(`bare ${part}`, { role: 'prepare', block: 'prep', part, handsOnMin: min });
const press = (part: number, batch: number, min: number) =>
  draft(`press ${part}`, { role: 'place', part, batch, handsOnMin: min, within: { kind: 'bare', by: 'begin' } });
const mix = (batch: number) => draft(`mix ${batch}`, { role: 'mix', batch, handsOnMin: 5 });
/** So many parts a pot, each ground for so long and pressed for so long. */
const work = (pots: readonly number[], grindMin: number, pressMin: number): readonly StepDraft[] => {
  const parts = pots.flatMap((n, batch) => Array.from({ length: n }, () => batch));
  return [
    draft('fit', { role: 'set-out', block: 'prep', handsOnMin: 8 }),
    ...parts.map((_, part) => bare(part, grindMin)),
    draft('wipe', { role: 'prepare', block: 'prep', handsOnMin: 4 }),
    ...pots.flatMap((_, batch) => [
      mix(batch),
      ...parts.flatMap((of, part) => (of === batch ? [press(part, batch, pressMin)] : [])),
    ]),
  ];
};
const ids = (drafts: readonly StepDraft[]) => drafts.map((d) => d.id);
/** The longest that a face waits from its grinding to its turn, min. */
const longest = (drafts: readonly StepDraft[]): number => {
  const ends = new Map<number, number>();
  let [min, most] = [0, 0];
  for (const d of drafts) {
    if (d.within) most = Math.max(most, min - ends.get(d.part!)!);
    min += d.handsOnMin;
    if (d.role === 'prepare' && d.part !== undefined) ends.set(d.part, min);
  }
  return most;
};

test('three plates of one pot and two of another: the two are ground once the three are closed', () => {
  const turned = inTurn(work([3, 2], 37, 15), 90);
  expect(ids(turned)).toEqual([
    ...['fit', 'bare 0', 'bare 1', 'bare 2', 'wipe', 'mix 0', 'press 0', 'press 1', 'press 2'],
    ...['bare 3', 'bare 4', 'b2:wipe', 'mix 1', 'press 3', 'press 4'],
  ]);
  // A turn is one piece of work, and none with what was ground at first.
  const blocks = turned.map((d) => d.block);
  expect(blocks.slice(turned.findIndex((d) => d.id === 'bare 3'))).toEqual(Array.from({ length: 6 }, () => 'work:2'));
  expect(blocks.slice(0, 5)).toEqual(Array.from({ length: 5 }, () => 'prep'));
  expect(blocks[5]).toBe('work');
});
test('all at first where every face keeps until its turn, and in one pot whatever it keeps', () => {
  const quick = work([3, 2], 5, 5);
  expect(inTurn(quick, 90)).toBe(quick);
  const one = work([4], 60, 20);
  expect(ids(inTurn(one, 30))).toEqual(ids(one));
});
test('nothing is lost or done twice, each is still ground before its turn, and no face waits longer than it did', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 4 }),
      fc.integer({ min: 1, max: 60 }),
      fc.integer({ min: 1, max: 30 }),
      fc.integer({ min: 5, max: 240 }),
      (pots, grindMin, pressMin, lifeMin) => {
        const plain = work(pots, grindMin, pressMin);
        const turned = inTurn(plain, lifeMin);
        const isWipe = (id: string) => id.endsWith(':wipe');
        expect(
          ids(turned)
            .filter((id) => !isWipe(id))
            .sort(),
        ).toEqual([...ids(plain)].sort());
        // What is ground in a turn is wiped in it, before its pot is mixed.
        const wiped = ids(turned).flatMap((id, i) => (isWipe(id) ? [ids(turned)[i + 1]] : []));
        expect(wiped).toEqual(turned === plain ? [] : pots.slice(1).map((_, i) => `mix ${i + 1}`));
        for (const d of turned)
          if (d.within) expect(ids(turned).indexOf(`bare ${d.part}`)).toBeLessThan(turned.indexOf(d));
        expect(longest(turned)).toBeLessThanOrEqual(longest(plain));
        if (longest(plain) <= lifeMin) expect(turned).toBe(plain);
      },
    ),
  );
});
test('a part that takes several pots is ground before the first of them, never beside what is wet', () => {
  const plain = [
    ...[0, 1, 2].map((part) => bare(part, 60)),
    ...[0, 1, 2].flatMap((part) =>
      [2 * part, 2 * part + 1].flatMap((batch) => [
        mix(batch),
        // The second pot goes on beside the first: its face has no clock any more.
        batch % 2 ? { ...press(part, batch, 40), within: undefined as never } : press(part, batch, 40),
      ]),
    ),
  ];
  const twice = plain.map((d) =>
    d.within === undefined && d.id.startsWith('press') ? { ...d, within: { kind: 'bare', by: 'begin' } as never } : d,
  );
  for (const drafts of [plain, twice])
    expect(ids(inTurn(drafts, 70))).toEqual([
      ...['bare 0', 'mix 0', 'press 0', 'mix 1', 'press 0'],
      ...['bare 1', 'mix 2', 'press 1', 'mix 3', 'press 1'],
      ...['bare 2', 'mix 4', 'press 2', 'mix 5', 'press 2'],
    ]);
});
