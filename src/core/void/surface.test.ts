import fc from 'fast-check';
import { plainWords } from '@/words';
import { sampleData } from '../../sample/jobs';
import { attempt } from '../say';
import {
  cornersOf,
  depthSurface,
  type Edge,
  edgeLaws,
  inside,
  measured,
  measureVoid,
  type Patch,
  type Point,
  type Reading,
  SHAPES,
  signedAreaMm2,
  voidOf,
  withValue,
} from '.';

const CARRIED: Edge = { kind: 'vertical', law: 'carried' };
const HELD: Edge = { kind: 'vertical', law: 'held' };
const FEATHERED: Edge = { kind: 'given', depthMm: 0 };
const SQUARE = [
  [0, 0],
  [90, 0],
  [90, 90],
  [0, 90],
] as const;
const ELL = [
  [0, 0],
  [200, 0],
  [200, 60],
  [60, 60],
  [60, 200],
  [0, 200],
] as const;
const HEXAGON = Array.from(
  { length: 6 },
  (_, k): Point => [100 + 90 * Math.cos((k * Math.PI) / 3), 100 + 90 * Math.sin((k * Math.PI) / 3)],
);
const read = (places: readonly Point[], depth: (x: number, y: number) => number): Reading[] =>
  places.map(([xMm, yMm]) => ({ xMm, yMm, depthMm: depth(xMm, yMm) }));
const sentenceOf = (run: () => unknown) => {
  const tried = attempt(run);
  if (tried.ok) throw new Error('was not refused');
  return tried.problem;
};

/**
 * Volume of a plane over an outline, by a fan of triangles from the first corner: signed, so any simple outline is
 * right.
 */
function underPlaneMl(outline: readonly Point[], depth: (x: number, y: number) => number): number {
  let sum = 0;
  for (let k = 1; k + 1 < outline.length; k++) {
    const three = [outline[0]!, outline[k]!, outline[k + 1]!];
    sum += (signedAreaMm2(three) * three.reduce((s, [x, y]) => s + depth(x, y), 0)) / 3;
  }
  return Math.abs(sum) / 1000;
}

describe('exact for planar data with readings at the edge', () => {
  const slope = fc.double({ min: -0.05, max: 0.05, noNaN: true });
  test.each([
    ['square', SQUARE],
    ['L', ELL],
    ['hexagon', HEXAGON],
  ] as const)('%s, by both laws', (_, outline) => {
    fc.assert(
      fc.property(slope, slope, fc.boolean(), (gx, gy, middle) => {
        const depth = (x: number, y: number) => 30 + gx * x + gy * y;
        const readings = read([...outline, ...(middle ? ([[50, 55]] as const) : [])], depth);
        for (const edge of [CARRIED, HELD]) {
          const s = depthSurface(outline, readings, edge);
          expect(s.volumeMl).toBeCloseTo(underPlaneMl(outline, depth), 6);
          expect(s.areaMm2).toBeCloseTo(Math.abs(signedAreaMm2(outline)), 6);
        }
      }),
      { numRuns: 40 },
    );
  });
  test('readings along the sides and in some corners', () => {
    const on = read(
      [
        [0, 0],
        [45, 0],
        [90, 45],
        [45, 90],
        [20, 30],
      ],
      (x) => 10 + 0.1 * x,
    );
    expect(depthSurface(SQUARE, on, CARRIED).volumeMl).toBeCloseTo((8100 * 14.5) / 1000, 6);
  });
});

describe('corners read, the floor curved', () => {
  // Between two readings of one side the depth runs straight, whatever facets lie beside it.
  const bowl = (x: number, y: number) => 40 - ((x - 100) ** 2 + (y - 100) ** 2) / 800;
  /** Volume under a function over an outline, mL, on a grid of 1 mm. */
  const gridMl = (outline: readonly Point[], depth: (x: number, y: number) => number) => {
    let sum = 0;
    for (let x = 0.5; x < 200; x++) for (let y = 0.5; y < 200; y++) if (inside(outline, [x, y])) sum += depth(x, y);
    return sum / 1000;
  };
  test.each([
    ['L', ELL, 0.01],
    ['hexagon', HEXAGON, 0.005],
  ] as const)(
    '%s with its corners and a net of readings 20 mm apart is what a fine grid gives',
    (_, outline, within) => {
      const net: Point[] = [];
      for (let x = 20; x < 200; x += 20)
        for (let y = 20; y < 200; y += 20) if (inside(outline, [x, y])) net.push([x, y]);
      const sides = outline.flatMap(([x, y], i) => {
        const [xx, yy] = outline[(i + 1) % outline.length]!;
        return [0.25, 0.5, 0.75].map((f): Point => [x + f * (xx - x), y + f * (yy - y)]);
      });
      const s = depthSurface(outline, read([...outline, ...sides, ...net], bowl), CARRIED);
      expect(Math.abs(s.volumeMl / gridMl(outline, bowl) - 1)).toBeLessThan(within);
    },
  );
  test('a hexagon of six corners read alike and a middle is prism and pyramid', () => {
    const readings = [...read(HEXAGON, () => 20), { xMm: 100, yMm: 100, depthMm: 35 }];
    const area = Math.abs(signedAreaMm2(HEXAGON));
    expect(depthSurface(HEXAGON, readings, CARRIED).volumeMl).toBeCloseTo((area * (20 + 15 / 3)) / 1000, 6);
  });
  test('no facet that lies across the notch of an L is carried on', () => {
    // Shallow arms; the reading far out in each arm and one at the knee. The facet over the notch would tilt the inner
    // edges.
    const readings = read(
      [
        [30, 30],
        [180, 30],
        [30, 180],
        [170, 20],
        [20, 170],
      ],
      (x, y) => (x > 100 || y > 100 ? 10 : 30),
    );
    const s = depthSurface(ELL, readings, CARRIED);
    const deepest = Math.max(...s.corners.slice(0, s.edgeCorners).map((c) => c[2]));
    // Half the range beyond it at most: 30 + (30 − 10) / 2.
    expect(deepest).toBeLessThanOrEqual(40);
  });
});

describe('readings that stop short of a vertical edge', () => {
  const places: readonly Point[] = [
    [30, 30],
    [60, 30],
    [60, 60],
    [30, 60],
    [45, 45],
  ];
  test('the facet carried on stays within half the range of its readings beyond them', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 5, max: 60, noNaN: true }), { minLength: 5, maxLength: 5 }), (depths) => {
        const readings = places.map(([xMm, yMm], i) => ({ xMm, yMm, depthMm: depths[i]! }));
        const [low, high] = [Math.min(...depths), Math.max(...depths)];
        for (const [, , d] of depthSurface(SQUARE, readings, CARRIED).corners) {
          expect(d).toBeGreaterThanOrEqual(Math.max(0, low - (high - low) / 2) - 1e-9);
          expect(d).toBeLessThanOrEqual(high + (high - low) / 2 + 1e-9);
        }
        for (const [, , d] of depthSurface(SQUARE, readings, HELD).corners) {
          expect(d).toBeGreaterThanOrEqual(low - 1e-9);
          expect(d).toBeLessThanOrEqual(high + 1e-9);
        }
      }),
      { numRuns: 80 },
    );
  });
  test('the larger plans, and the range spans both', () => {
    // Deep in the middle, as hollows are: carried on, the floor rises to the edge; held, it stays.
    const readings = read(places, (x, y) => 31 - Math.hypot(x - 45, y - 45) / 1.7);
    const laws = edgeLaws(SQUARE, readings);
    expect(laws.moreBy).toBe('held');
    expect(laws.more.volumeMl).toBeGreaterThan(1.05 * laws.less.volumeMl);
    const patch: Patch = {
      ...(withValue(SHAPES.patch, SHAPES.patch.blank(), 'outline.length', measured(90)) as Patch),
      depth: { kind: 'readings', edge: 'vertical', read: { ...measured(0, 'gauge'), text: 'read' }, readings },
    };
    const square: Patch = { ...patch, outline: { kind: 'rectangle', length: measured(90), width: measured(90) } };
    const r = measureVoid(voidOf(square));
    expect(r.nominalMl).toBeCloseTo(laws.more.volumeMl, 9);
    expect(r.p5Ml).toBeLessThan(laws.less.volumeMl);
    expect(r.p95Ml).toBeGreaterThan(laws.more.volumeMl);
    const [notice] = SHAPES.patch.notices!(square);
    expect(notice!.id).toBe('edge-open');
    // The reading asked for lies on the edge, and once it is there with its like, nothing is asked any more.
    const { at } = laws.apart;
    expect(at.some((x) => x === 0 || x === 90)).toBe(true);
    const all = { ...square, depth: { ...square.depth, readings: [...readings, ...read(SQUARE, () => 12)] } } as Patch;
    expect(SHAPES.patch.notices!(all)).toEqual([]);
    const settled = measureVoid(voidOf(all));
    expect((settled.p95Ml - settled.p5Ml) / settled.nominalMl).toBeLessThan((r.p95Ml - r.p5Ml) / r.nominalMl);
  });
  test('readings of 18 to 31 mm give no mean below them', () => {
    // 350 × 330 mm with the corners far from the readings: facets carried on fell to nought at three of them (mean
    // 15.75 mm).
    const outline = cornersOf({ kind: 'rectangle', length: measured(350), width: measured(330) });
    const readings = read(
      [
        [100, 90],
        [250, 90],
        [175, 165],
        [100, 240],
        [250, 240],
      ],
      (x, y) => 31 - Math.max(Math.abs(x - 175), Math.abs(y - 165)) / 5.8,
    );
    const laws = edgeLaws(outline, readings);
    expect((laws.more.volumeMl * 1000) / laws.more.areaMm2).toBeGreaterThan(18);
    expect(Math.min(...laws.more.corners.map((c) => c[2]))).toBeGreaterThanOrEqual(17);
  });
  test('two slivers along the edge do not throw the surface', () => {
    // Readings nearly on a line at x = 205..210: their own facet is so thin that half a millimetre would tilt it to the
    // surface.
    const { depth } = sampleData(0, 'utc').bundles[0]!.repairs[0]!.passes.p1!.void!.shapes[0] as Patch;
    const readings = depth.kind === 'readings' ? depth.readings : [];
    expect(readings).toHaveLength(9);
    const outline = cornersOf({ kind: 'rectangle', length: measured(240), width: measured(160) });
    const s = depthSurface(outline, readings, CARRIED);
    expect(s.edgesAboveSurface).toBe(0);
    const atRight = s.corners.filter((c) => c[0] === 240).map((c) => c[2]);
    expect(Math.min(...atRight)).toBeGreaterThan(12);
    expect(Math.max(...atRight)).toBeLessThan(34);
  });
});

describe('an edge of one depth', () => {
  const middle = { xMm: 45, yMm: 45, depthMm: 30 };
  test('one reading in the middle is a pyramid on what the edge holds', () => {
    expect(depthSurface(SQUARE, [middle], FEATHERED).volumeMl).toBeCloseTo((8100 * 30) / 3 / 1000, 9);
    expect(depthSurface(SQUARE, [middle], { kind: 'given', depthMm: 12 }).volumeMl).toBeCloseTo(
      (8100 * (12 + 18 / 3)) / 1000,
      9,
    );
  });
  test('two readings and the depth of the edge are planned, and the edge has a doubt of its own', () => {
    const patch = (edgeMm: number, half: number): Patch => ({
      ...(SHAPES.patch.blank() as Patch),
      outline: { kind: 'rectangle', length: measured(90, 'tape', 0), width: measured(90, 'tape', 0) },
      depth: {
        kind: 'readings',
        edge: 'given',
        edgeDepth: measured(edgeMm, 'gauge', half),
        read: { ...measured(0, 'gauge', 0), text: 'read' },
        readings: [
          { xMm: 30, yMm: 45, depthMm: 30 },
          { xMm: 60, yMm: 45, depthMm: 30 },
        ],
      },
    });
    // A ridge roof upside down: pyramid ends of 30 mm and a prism of 30 mm between, over an edge 12 mm deep.
    const ridge = (e: number) => (8100 * e + (30 - e) * ((60 * 90) / 3 + (30 * 90) / 2)) / 1000;
    const at = (e: number) => measureVoid(voidOf(patch(e, 0))).nominalMl;
    expect(at(12)).toBeCloseTo(ridge(12), 6);
    const r = measureVoid(voidOf(patch(12, 2)));
    expect(r.uMl).toBeCloseTo((ridge(14) - ridge(10)) / 2 / Math.sqrt(3), 6);
    expect(r.decides?.label).toBe('Depth at the edge');
  });
});

test('bad readings are refused by name', () => {
  const at = (x: number, y: number, d = 10) => ({ xMm: x, yMm: y, depthMm: d });
  expect(plainWords(sentenceOf(() => depthSurface(SQUARE, [at(1, 1), at(5, 5)], CARRIED)).sentence)).toMatch(
    /at least three.*how deep the edge is/,
  );
  expect(
    plainWords(sentenceOf(() => depthSurface(SQUARE, [at(10, 10), at(20, 20), at(30, 30)], HELD)).sentence),
  ).toMatch(/one line/);
  expect(plainWords(sentenceOf(() => depthSurface(SQUARE, [], FEATHERED)).sentence)).toMatch(/at least one/);
  for (const edge of [CARRIED, FEATHERED]) {
    const third = (r: Reading) => sentenceOf(() => depthSurface(SQUARE, [at(10, 10), at(20, 40), r], edge)).field;
    expect(third(at(300, 30))).toBe('depth.readings.2');
    expect(third(at(60, 30, -2))).toBe('depth.readings.2');
  }
});
