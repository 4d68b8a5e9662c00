import fc from 'fast-check';
import type { Caps } from './caps';
import { partsPerPot, type Sharing } from './like-parts';
import type { MixAsk, PartsAsk } from './mix-ask';
import { outOfOnePot, type Row, rowsOf, shareOfRow, sizesMl } from './unlike-parts';

const sharing = (parts: Partial<PartsAsk>, over: Partial<MixAsk> = {}, heldMl = 1e6): Sharing => ({
  ask: {
    placingMlPerMin: 10,
    crew: 1,
    usableMin: 30,
    sheet: { potLossMl: 10 },
    parts: { count: 20, closeMin: 5, called: 'part', ...parts },
    ...over,
  } as MixAsk,
  caps: { heldMl } as Caps,
  several: { heldMl } as Caps,
  before: null,
  kitMl: 200,
  kitsPerPot: 2,
  whole: false,
});

/** Some pot, and what it has of time, room and patience. */
const anyPot = fc.record({
  usableMin: fc.integer({ min: 5, max: 90 }),
  closeMin: fc.integer({ min: 0, max: 12 }),
  heldMl: fc.integer({ min: 100, max: 900 }),
  whole: fc.boolean(),
  spreadFirst: fc.boolean(),
  openMin: fc.option(fc.integer({ min: 10, max: 60 }), { nil: null }),
  keepsMin: fc.option(fc.integer({ min: 20, max: 120 }), { nil: null }),
});
type Drawn = typeof anyPot extends fc.Arbitrary<infer T> ? T : never;
const potOf = (
  { usableMin, closeMin, heldMl, whole, spreadFirst, openMin, keepsMin }: Drawn,
  bareEach: readonly number[] | null = [3, 12, 5, 9, 4, 15, 7, 6],
) => ({
  ...sharing(
    {
      closeMin,
      spreadFirst,
      openMin: spreadFirst ? openMin : null,
      faces: keepsMin === null ? null : { keepsMin, bareMin: 6, untilMin: 8, ...(bareEach ? { bareEach } : {}) },
    },
    { usableMin },
    heldMl,
  ),
  whole,
});

/** Minute by minute: what a row does, told by somebody who knows none of the formulas. */
function isDone(sizes: readonly number[], s: Sharing, first = 0): boolean {
  const { usableMin, placingMlPerMin, parts, sheet } = s.ask;
  const { closeMin, spreadFirst, openMin, faces } = parts!;
  if (sizes.reduce((a, b) => a + b, sheet.potLossMl) > (s.whole ? s.kitsPerPot * s.kitMl : s.caps.heldMl)) return false;
  let now = 0;
  const begun: number[] = [];
  const closed: number[] = [];
  for (const ml of sizes) {
    begun.push(now);
    now += ml / placingMlPerMin;
    if (now > usableMin + 1e-9) return false;
    if (!spreadFirst) {
      now += closeMin;
      closed.push(now);
    }
  }
  if (spreadFirst)
    for (const _ of sizes) {
      now += closeMin;
      closed.push(now);
    }
  if (openMin != null && sizes.length > 1 && closed.some((at, i) => at - begun[i]! > openMin + 1e-9)) return false;
  if (!faces || sizes.length < 2) return true;
  let clock = 0;
  const bared = sizes.map((_, i) => {
    clock += faces.bareEach![first + i]!;
    return clock;
  });
  clock += faces.untilMin;
  return sizes.every((ml, i) => {
    const stood = clock - bared[i]!;
    clock += Math.ceil(ml / placingMlPerMin - 1e-9) + (spreadFirst ? 0 : closeMin);
    return stood <= faces.keepsMin + 1e-9;
  });
}

test('a row comes out of one pot exactly where somebody who does it minute by minute is done in time', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 5, max: 200 }), { minLength: 1, maxLength: 8 }), anyPot, (sizes, pot) => {
      expect(outOfOnePot(sizes, potOf(pot))).toBe(isDone(sizes, potOf(pot)));
    }),
    { numRuns: 500 },
  );
});

/** Every cutting of so many parts into rows. */
const cuttings = (n: number): Row[][] =>
  Array.from({ length: 2 ** (n - 1) }, (_, mask) => {
    const rows: Row[] = [];
    let from = 1;
    for (let i = 1; i <= n; i++)
      if (i === n || mask & (1 << (i - 1))) {
        rows.push([from, i]);
        from = i + 1;
      }
    return rows;
  });

test('rows are as few as any cutting has, and of those the most even, by trying every one', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 5, max: 150 }), { minLength: 1, maxLength: 8 }), anyPot, (sizes, pot) => {
      const s = potOf(pot);
      const of = ([from, to]: Row) => sizes.slice(from - 1, to);
      // What is too much for one pot has a row of its own.
      const fits = (row: Row) => row[0] === row[1] || isDone(of(row), s, row[0] - 1);
      const may = cuttings(sizes.length).filter((rows) => rows.every(fits));
      const fewest = Math.min(...may.map((rows) => rows.length));
      const squares = (rows: readonly Row[]) =>
        rows.reduce((sum, row) => sum + of(row).reduce((a, b) => a + b, 0) ** 2, 0);
      const mine = rowsOf(sizes, s);
      expect(mine.flatMap(([from, to]) => Array.from({ length: to - from + 1 }, (_, i) => from + i))).toEqual(
        sizes.map((_, i) => i + 1),
      );
      expect(mine.every(fits)).toBe(true);
      expect(mine).toHaveLength(fewest);
      const best = Math.min(...may.filter((rows) => rows.length === fewest).map(squares));
      expect(squares(mine)).toBeCloseTo(best, 6);
    }),
    { numRuns: 300 },
  );
});

test('of parts that are alike as many go into one pot as by the rule for like ones', () => {
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 150 }), anyPot, (ml, pot) => {
      const s = potOf(pot, null);
      const n = Math.floor(partsPerPot(ml, s));
      const alike = (k: number) => Array.from({ length: k }, () => ml);
      if (n > 1) expect([n, outOfOnePot(alike(n), s)]).toEqual([n, true]);
      if (n >= 1 && n < 20) expect([n, outOfOnePot(alike(n + 1), s)]).toEqual([n, false]);
    }),
    { numRuns: 300 },
  );
});

test('what takes most of a packet more to knead leaves less time for the rest', () => {
  const s = { ...sharing({}, { usableMin: 20 }), whole: true };
  // 50 + 50 mL: 5 + 5 + 5 min; 150 + 150 mL are two kits.
  expect(outOfOnePot([50, 50], s)).toBe(true);
  expect(outOfOnePot([50, 100], { ...s, ask: { ...s.ask, packetMin: 1 } })).toBe(true);
  expect(outOfOnePot([70, 80], s)).toBe(true);
  expect(outOfOnePot([70, 80], { ...s, kitMl: 100, ask: { ...s.ask, packetMin: 1 } })).toBe(false);
});

test('never more than a place at a time, where the method has it so', () => {
  expect(outOfOnePot([5, 5], sharing({ most: 1 }))).toBe(false);
  expect(rowsOf([5, 9, 7], sharing({ most: 1 }))).toEqual([
    [1, 1],
    [2, 2],
    [3, 3],
  ]);
});

test('what each takes, and what a row has of all: by its own size, else all alike', () => {
  const parts: PartsAsk = { count: 3, closeMin: 5, called: 'part', shares: [0.5, 0.2, 0.3] };
  expect(sizesMl(parts, 200)).toEqual([100, 40, 60]);
  expect(shareOfRow(parts, [2, 3])).toBeCloseTo(0.5, 12);
  const { shares: _, ...alike } = parts;
  expect(sizesMl(alike, 90)).toEqual([30, 30, 30]);
  expect(shareOfRow(alike, [2, 3])).toBeCloseTo(2 / 3, 12);
});
