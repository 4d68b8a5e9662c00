import fc from 'fast-check';
import { liftShares, measured, measureVoid, SHAPES, type VoidShape, voidOf, voidProblems } from '.';

const hollow = (lengthMm: number, meanMm: number, deepestMm?: number) =>
  voidOf({
    ...SHAPES.patch.blank(),
    outline: { kind: 'rectangle', length: measured(lengthMm, 'rule'), width: measured(200, 'rule') },
    depth: {
      kind: 'mean',
      mean: measured(meanMm, 'gauge'),
      ...(deepestMm === undefined ? {} : { deepest: measured(deepestMm, 'gauge') }),
    },
  } as VoidShape);

const depths = fc.record({
  mean: fc.double({ min: 2, max: 40, noNaN: true }),
  times: fc.double({ min: 1, max: 4, noNaN: true }),
  lifts: fc.integer({ min: 1, max: 6 }),
});

test('the deepest place decides how deep it is, and nothing of what it holds', () => {
  fc.assert(
    fc.property(depths, ({ mean, times }) => {
      const [plain, deep] = [measureVoid(hollow(300, mean)), measureVoid(hollow(300, mean, mean * times))];
      expect(deep.nominalMl).toBeCloseTo(plain.nominalMl, 6);
      expect(deep.faces.maxDepthMm).toBeCloseTo(mean * times, 9);
      expect(deep.faces.wettedAreaMm2).toBeCloseTo(plain.faces.wettedAreaMm2, 6);
    }),
  );
});
test('lifts of a hollow that narrows hold more the higher they lie, and all of them what it holds', () => {
  fc.assert(
    fc.property(depths, ({ mean, times, lifts }) => {
      const shares = liftShares(hollow(300, mean, mean * times), lifts);
      expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      for (let i = 1; i < shares.length; i++) expect(shares[i]!).toBeGreaterThanOrEqual(shares[i - 1]! - 1e-9);
      // Summed slice by slice: the section shrinks evenly in depth so that its mean is the mean depth.
      const n = 4000;
      const deepest = mean * times;
      const slice = (k: number) => (1 - (k + 0.5) / n) ** (deepest / mean - 1);
      const whole = Array.from({ length: n }, (_, k) => slice(k)).reduce((a, b) => a + b, 0);
      const top = Array.from({ length: Math.round(n / lifts) }, (_, k) => slice(k)).reduce((a, b) => a + b, 0);
      expect(shares.at(-1)!).toBeCloseTo(top / whole, 2);
    }),
    { numRuns: 60 },
  );
});
test('a deepest place over the mean is refused at its field, and can be chosen and let go', () => {
  expect(voidProblems(hollow(300, 20, 12))[0]).toMatchObject({ field: 'shapes.0.depth.deepest' });
  const shape = hollow(300, 20).shapes[0]!;
  const kind = SHAPES.patch;
  const with_ = kind.write!(shape, 'depth.kind', 'deepest')!;
  expect(kind.dimensions(with_).map((d) => d.key)).toContain('depth.deepest');
  expect(kind.dimensions(kind.write!(with_, 'depth.kind', 'mean')!).map((d) => d.key)).not.toContain('depth.deepest');
});

describe('a coat with openings left out', () => {
  const coat = (holes: number, mm: number, thick = 0.5) =>
    voidOf({
      ...SHAPES.coat.blank(),
      outline: { kind: 'ellipse', length: measured(300, 'rule'), width: measured(300, 'rule') },
      holes: { count: holes, diameter: measured(mm, 'calliper') },
      thickness: measured(thick, 'film'),
      texture: { from: 'class', class: 'fine' },
    } as VoidShape);
  test('holds what the ring holds, texture and all', () => {
    const areaMm2 = (Math.PI / 4) * (300 * 300 - 110 * 110);
    const found = measureVoid(coat(1, 110));
    expect(found.nominalMl).toBeCloseTo((areaMm2 * 0.8) / 1000, 6);
    expect(found.faces.planAreaMm2).toBeCloseTo(areaMm2, 6);
    // A film gauge reads to a tenth of what it reads.
    expect(found.p95Ml - found.p5Ml).toBeLessThan(0.2 * found.nominalMl);
  });
  test('openings larger than the face are refused', () => {
    expect(voidProblems(coat(1, 310))[0]).toMatchObject({ field: 'shapes.0.holes.diameter' });
    expect(voidProblems(coat(2, 100))).toEqual([]);
  });
  test('an older coat, of which no opening was told, has none', () => {
    const { holes: _none, ...old } = coat(0, 100).shapes[0]! as Extract<VoidShape, { shape: 'coat' }>;
    expect(SHAPES.coat.schema.parse(old)).toMatchObject({ holes: { count: 0 } });
  });
});
