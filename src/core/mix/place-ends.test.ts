import fc from 'fast-check';
import type { Batch, Portion } from './mix-ask';
import { endingAtPlaces, withCovers } from './place-ends';

const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);

/** Places as shares of all of them. */
const shares = (sizes: readonly number[]) => sizes.map((s) => s / sum(sizes));

/** Every way of cutting a row between its pieces into so many batches. */
function* cuttings(pieces: readonly number[], n: number): Generator<readonly number[]> {
  if (n === 1) {
    yield [sum(pieces)];
    return;
  }
  for (let first = 1; first <= pieces.length - n + 1; first++)
    for (const rest of cuttings(pieces.slice(first), n - 1)) yield [sum(pieces.slice(0, first)), ...rest];
}

test('a place goes whole into one mix: three of unlike size, two mixes', () => {
  expect(endingAtPlaces([0.5, 0.2, 0.3], 0.6, 2)).toEqual([0.5, 0.5]);
  // Cut evenly the first mix would end in the second place: that one is done out of the second.
  const made = endingAtPlaces([0.45, 0.25, 0.3], 0.6, 2)!;
  expect(made.map((x) => Number(x.toFixed(2)))).toEqual([0.45, 0.55]);
});

test('one that is too much for a mix is done out of a row of like ones', () => {
  expect(endingAtPlaces([0.1, 0.9], 0.3, 4)!.map((x) => Number(x.toFixed(4)))).toEqual([0.1, 0.3, 0.3, 0.3]);
});

test('places that would have it mixed much too often are not ended at', () => {
  // Twelve of 0.51 of a mix each: seven would do, twelve are too many. Of 0.6 each eight would do, and twelve are taken.
  const twelve = Array.from({ length: 12 }, () => 1 / 12);
  expect(endingAtPlaces(twelve, 1 / 12 / 0.51, 7)).toBeNull();
  expect(endingAtPlaces(twelve, 1 / 12 / 0.6, 8)).toHaveLength(12);
  expect(endingAtPlaces(twelve, 0, 8)).toBeNull();
});

test('no cutting between places has fewer mixes, and none of as many is more even: tried against all of them', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 2, maxLength: 6 }),
      fc.integer({ min: 8, max: 60 }),
      (sizes, mostOf) => {
        const [places, most] = [shares(sizes), mostOf / sum(sizes)];
        const fewest = Math.ceil(1 / most - 1e-9);
        const made = endingAtPlaces(places, most, fewest);
        const pieces = sizes.flatMap((size) => {
          const n = Math.ceil(size / mostOf - 1e-9);
          return Array.from({ length: n }, () => size / n / sum(sizes));
        });
        const fits = (row: readonly number[]) => row.every((x) => x <= most + 1e-9);
        let best: readonly number[] | null = null;
        for (let n = 1; n <= pieces.length && !best; n++)
          for (const row of cuttings(pieces, n))
            if (fits(row) && (!best || Math.max(...row) < Math.max(...best) - 1e-12)) best = row;
        const taken = best!.length <= Math.max(fewest, Math.floor(1.5 * fewest)) ? best! : null;
        expect(made === null).toBe(taken === null);
        if (!taken) return;
        expect(made!.length).toBe(taken.length);
        expect(fits(made!)).toBe(true);
        expect(Math.max(...made!)).toBeCloseTo(Math.max(...taken), 9);
        expect(sum(made!)).toBeCloseTo(1, 9);
        // Each batch ends where a place does, or within one that is too much for one.
        const ends = new Set(places.map((_, i) => sum(places.slice(0, i + 1)).toFixed(9)));
        for (const i of made!.keys()) {
          const end = sum(made!.slice(0, i + 1));
          const inside = places.findIndex((_, k) => sum(places.slice(0, k + 1)) > end + 1e-9);
          expect(ends.has(end.toFixed(9)) || places[inside]! > most).toBe(true);
        }
      },
    ),
    { numRuns: 150 },
  );
});

test('every place is covered once, from its beginning to its end, by whatever batches', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 2, maxLength: 8 }),
      fc.array(fc.integer({ min: 1, max: 50 }), { minLength: 1, maxLength: 6 }),
      (sizes, poured) => {
        const portions = [
          { share: 0.4, places: shares(sizes) },
          { share: 0.6, places: shares(sizes.map((_, i) => (i === 0 ? 0 : sizes[i]!))) },
        ] as unknown as readonly Portion[];
        const batches = [0, 1].flatMap((portion) => poured.map((placedMl) => ({ portion, placedMl }) as Batch));
        const covers = withCovers(batches, portions);
        for (const portion of [0, 1])
          for (const place of sizes.keys()) {
            const mine = covers.filter((b) => b.portion === portion).flatMap((b) => b.covers!);
            const here = mine.filter((c) => c.place === place);
            // Nothing of the second is at the first place.
            expect(here.length > 0).toBe(portion === 0 || place > 0);
            if (!here.length) continue;
            expect(here[0]!.from).toBeCloseTo(0, 6);
            expect(here.at(-1)!.to).toBeCloseTo(1, 6);
            for (const [i, c] of here.slice(1).entries()) expect(c.from).toBeCloseTo(here[i]!.to, 6);
          }
      },
    ),
    { numRuns: 100 },
  );
  // The work of one place says nothing, and like places by their numbers have that already.
  const one = [{ portion: 0, placedMl: 5 } as Batch];
  expect(withCovers(one, [{ share: 1, label: { id: 'x' } }])).toEqual(one);
});
