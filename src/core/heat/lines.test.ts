import fc from 'fast-check';
import { layered, potGrid } from './grid';
import { conductAlong, type Lines, linesOf } from './lines';

const size = fc.double({ min: 0.01, max: 0.3, noNaN: true });
const film = fc.double({ min: 2, max: 500, noNaN: true });
const pot = fc.record({
  r: size,
  h: size,
  hWall: film,
  hBottom: film,
  hTop: film,
  nu: fc.integer({ min: 1, max: 7 }),
  nv: fc.integer({ min: 1, max: 7 }),
});
const potOf = (p: { r: number; h: number; hWall: number; hBottom: number; hTop: number; nu: number; nv: number }) =>
  potGrid({
    radiusM: p.r,
    heightM: p.h,
    k: 0.4,
    rhoC: 2e6,
    reacting: 0.5,
    hWall: p.hWall,
    hBottom: p.hBottom,
    hTop: p.hTop,
    cellsR: p.nu,
    cellsZ: p.nv,
  });
const seeded = (n: number, seed: number) =>
  Float64Array.from({ length: n }, (_, i) => 20 + 40 * Math.abs(Math.sin((i + 1) * 12.9898 * seed)));

/** The same step of one line by Gauss on the whole matrix. */
function naive(l: Lines, line: number, t: Float64Array, dt: number, first: number, last: number): number[] {
  const cell = (k: number) => l.starts[line]! + k * l.stride;
  const rows = Array.from({ length: l.count }, (_, k) => {
    const row = new Array<number>(l.count + 1).fill(0);
    const store = l.cap[cell(k)]! / dt;
    const left = k > 0 ? l.link[cell(k - 1)]! : l.outFirst[line]!;
    const right = k < l.count - 1 ? l.link[cell(k)]! : l.outLast[line]!;
    row[k] = store + left + right;
    if (k > 0) row[k - 1] = -left;
    if (k < l.count - 1) row[k + 1] = -right;
    row[l.count] = store * t[cell(k)]! + (k === 0 ? left * first : 0) + (k === l.count - 1 ? right * last : 0);
    return row;
  });
  for (let p = 0; p < l.count; p++)
    for (let r = 0; r < l.count; r++) {
      if (r === p) continue;
      const by = rows[r]![p]! / rows[p]![p]!;
      for (let c = p; c <= l.count; c++) rows[r]![c]! -= by * rows[p]![c]!;
    }
  return rows.map((row, k) => row[l.count]! / row[k]!);
}

test.each(['u', 'v'] as const)(
  'along %s every line of a pot takes the step that Gauss on its whole matrix takes',
  (along) => {
    fc.assert(
      fc.property(
        pot,
        fc.double({ min: 0.5, max: 3600, noNaN: true }),
        fc.integer({ min: 1, max: 99 }),
        (p, dt, seed) => {
          const g = potOf(p);
          const lines = linesOf(g, along);
          expect(lines.alike).toBe(true);
          const t = seeded(g.nu * g.nv, seed);
          const hand = Array.from(lines.starts, (_, line) => naive(lines, line, t, dt, 5, 35));
          conductAlong(lines, t, dt, 5, 35);
          hand.forEach((line, at) => {
            line.forEach((c, k) => {
              expect(Math.abs(t[lines.starts[at]! + k * lines.stride]! - c)).toBeLessThan(1e-8);
            });
          });
        },
      ),
      { numRuns: 60 },
    );
  },
);

test('what a body loses is what leaves through its ends, whatever it is made of', () => {
  const layer = fc.record({
    lengthM: size,
    cells: fc.integer({ min: 1, max: 6 }),
    k: fc.double({ min: 0.1, max: 60, noNaN: true }),
    rhoC: fc.double({ min: 5e5, max: 4e6, noNaN: true }),
  });
  fc.assert(
    fc.property(
      fc.array(layer, { minLength: 1, maxLength: 4 }),
      film,
      fc.constantFrom('slab' as const, 'cylinder' as const, 'sphere' as const),
      (layers, h, form) => {
        const g = layered(
          form,
          layers.map((l) => ({ ...l, reacting: 0 })),
          h,
          h,
        );
        const lines = linesOf(g, 'u');
        const t = seeded(g.nu, 3);
        const heat = () => t.reduce((sum, c, i) => sum + c * lines.cap[i]!, 0);
        const before = heat();
        const lost = conductAlong(lines, t, 120, 10, 10);
        expect(Math.abs(before - heat() - lost)).toBeLessThan(1e-9 * Math.abs(before) + 1e-6);
      },
    ),
  );
});

test('lines that differ are worked out one by one; along a line of one closed cell nothing passes', () => {
  const g = potOf({ r: 0.1, h: 0.1, hWall: 10, hBottom: 5, hTop: 8, nu: 4, nv: 3 });
  // The wall of the lowest row stands in water.
  const wet = { ...g, outU: [g.outU[0], Float64Array.from(g.outU[1], (x, v) => (v === 0 ? 20 * x : x))] as const };
  const lines = linesOf(wet, 'u');
  expect(lines.alike).toBe(false);
  const t = seeded(12, 7);
  const hand = [0, 1, 2].map((line) => naive(lines, line, t, 60, 0, 0));
  conductAlong(lines, t, 60, 0, 0);
  expect(hand.flat().every((c, i) => Math.abs(t[i]! - c) < 1e-9)).toBe(true);
  const closed = layered('slab', [{ lengthM: 1, cells: 1, k: 1, rhoC: 2e6, reacting: 1 }], null, null);
  expect(linesOf(closed, 'u').still && linesOf(closed, 'v').still).toBe(true);
});
