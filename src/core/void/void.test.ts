import { plainWords } from '@/words';
import { worked } from '@/words/saying.testing';
import { Refusal } from '../say';
import {
  type Annulus,
  type BondLine,
  cornersOf,
  depthSurface,
  effectiveRodMm,
  liftShares,
  measured,
  measureVoid,
  type Patch,
  parsePoints,
  propagate,
  SHAPES,
  seeded,
  unmeasuredIn,
  type VoidShape,
  voidOf,
  voidProblems,
  volumeBelowMl,
  withValue,
} from '.';

const one = (shape: VoidShape, count = 1) => measureVoid({ ...voidOf(shape), count });
const anchor = (over: Partial<Annulus> = {}): Annulus => ({ ...(SHAPES.annulus.blank() as Annulus), ...over });
const floor = (over: Partial<Patch> = {}): Patch => ({ ...(SHAPES.patch.blank() as Patch), ...over });
const plate = (over: Partial<BondLine> = {}): BondLine => ({ ...(SHAPES.bondLine.blank() as BondLine), ...over });
const sentenceOf = (run: () => unknown) => {
  try {
    run();
  } catch (error) {
    if (error instanceof Refusal) return error.problem;
    throw error;
  }
  throw new Error('was not refused');
};

describe('rod in a drilled hole', () => {
  test('M12 in a 14 mm hole, 110 mm deep, by hand', () => {
    // d2 = 12 - 0.649519 * 1.75 = 10.863342; π/4 (196 - 118.0122) * 110 = 6737.62 mm³
    expect(effectiveRodMm(12, { kind: 'threaded', pitchMm: 1.75 })).toBeCloseTo(10.863342, 6);
    expect(one(anchor()).nominalMl).toBeCloseTo(6.7376, 3);
  });
  test('a drill point adds its cone, a short rod leaves a cylinder', () => {
    const plain = anchor({ thread: { kind: 'plain' }, embedment: measured(100, 'gauge'), pointAngleDeg: 118 });
    const hand =
      ((Math.PI / 4) * (14 ** 2 - 12 ** 2) * 100 +
        (Math.PI / 4) * 14 ** 2 * 10 +
        (Math.PI / 3) * 7 ** 2 * (7 / Math.tan((59 * Math.PI) / 180))) /
      1000;
    expect(one(plain).nominalMl).toBeCloseTo(hand, 9);
  });
  test('like voids are counted', () => {
    expect(one(anchor(), 4).nominalMl).toBeCloseTo(4 * one(anchor()).nominalMl, 9);
  });
  test('impossible sizes are refused at their field', () => {
    expect(voidProblems(voidOf(anchor({ rodDiameter: measured(16) })))[0]).toMatchObject({
      field: 'shapes.0.rodDiameter',
    });
    expect(voidProblems(voidOf(anchor({ embedment: measured(140) })))[0]).toMatchObject({
      field: 'shapes.0.embedment',
    });
    expect(voidProblems(voidOf(anchor({ holeDepth: measured(-3) })))[0]).toMatchObject({ field: 'shapes.0.holeDepth' });
    expect(sentenceOf(() => one(anchor({ holeDiameter: measured(Number.NaN) }))).field).toBe('shapes.0.holeDiameter');
  });
});

describe('patch', () => {
  test('rectangle, ellipse and polygon by mean depth', () => {
    expect(one(floor()).nominalMl).toBeCloseTo(300 * 200 * 20 * 1e-3, 9);
    expect(
      one(floor({ outline: { kind: 'ellipse', length: measured(300), width: measured(200) } })).nominalMl,
    ).toBeCloseTo((Math.PI / 4) * 300 * 200 * 20 * 1e-3, 9);
    const triangle = floor({
      outline: {
        kind: 'polygon',
        points: [
          [0, 0],
          [300, 0],
          [0, 200],
        ],
        placed: measured(0),
        photoId: null,
      },
    });
    expect(one(triangle).nominalMl).toBeCloseTo(600, 9);
  });

  test('volume below a level: nothing lost between layers, a cone against its own formula', () => {
    const square = [
      [0, 0],
      [90, 0],
      [90, 90],
      [0, 90],
    ] as const;
    const pit = depthSurface(
      square,
      [
        [45, 45],
        [45.001, 45],
        [45, 45.001],
      ].map(([x, y]) => ({ xMm: x!, yMm: y!, depthMm: 30 })),
      { kind: 'given', depthMm: 0 },
    );
    expect(volumeBelowMl(pit, 0)).toBeCloseTo(pit.volumeMl, 9);
    // The part of a pyramid below a third of its depth is (2/3)³ of it.
    expect(volumeBelowMl(pit, 10) / pit.volumeMl).toBeCloseTo((2 / 3) ** 3, 3);
    const shares = liftShares(
      voidOf(
        floor({
          depth: {
            kind: 'readings',
            edge: 'vertical',
            read: measured(0, 'gauge'),
            readings: [
              [10, 10, 10],
              [290, 20, 30],
              [150, 190, 22],
            ].map(([x, y, d]) => ({ xMm: x!, yMm: y!, depthMm: d! })),
          },
        }),
      ),
      3,
    );
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    expect(shares[0]).toBeLessThan(shares[2]!);
  });

  test('what nobody has measured is named', () => {
    expect(unmeasuredIn(voidOf(SHAPES.patch.blank())).map((d) => d.label)).toEqual(['Length', 'Width', 'Mean depth']);
    expect(
      unmeasuredIn(
        voidOf(
          floor({
            outline: { kind: 'rectangle', length: measured(3), width: measured(3) },
            depth: { kind: 'mean', mean: measured(3) },
          }),
        ),
      ),
    ).toEqual([]);
  });

  test('an outline that crosses itself is refused', () => {
    const bow = floor({
      outline: {
        kind: 'polygon',
        points: [
          [0, 0],
          [100, 100],
          [100, 0],
          [0, 100],
        ],
        placed: measured(0),
        photoId: null,
      },
    });
    expect(plainWords(sentenceOf(() => one(bow)).sentence)).toMatch(/crosses itself/);
    expect(sentenceOf(() => parsePoints('1 2\nfoo'))).toMatchObject({ field: 'points' });
    expect(parsePoints('0, 0\n120, 4.5; 60 80')).toEqual([
      [0, 0],
      [120, 4.5],
      [60, 80],
    ]);
  });
});

describe('bond line', () => {
  test('holes are left out', () => {
    const p = plate({ holes: { count: 4, diameter: measured(10, 'calliper') } });
    expect(one(p).nominalMl).toBeCloseTo(((300 * 200 - Math.PI * 100) * 0.8) / 1000, 9);
    expect(one(p).faces.planAreaMm2).toBeCloseTo(60000 - Math.PI * 100, 6);
  });
  test('holes larger than the plate are refused', () => {
    expect(sentenceOf(() => one(plate({ holes: { count: 3, diameter: measured(300) } }))).field).toBe(
      'shapes.0.holes.diameter',
    );
  });
});

describe('doubt', () => {
  test('by hand: 300 × 200 by tape ± 1 share their bias, depth 20 ± 0.5 does not', () => {
    // u = V/√3 · √((1/300 + 1/200)² + (0.5/20)²) = 1200 · 0.57735 · √(6.944e-5 + 6.25e-4) = 18.26 mL
    const r = one(floor());
    expect(r.uMl).toBeCloseTo(18.256, 2);
    expect(r.p95Ml - r.nominalMl).toBeCloseTo(1.645 * r.uMl, 9);
    expect(r.decides).toMatchObject({ key: 'shapes.0.depth.mean' });
    expect(r.decides!.share).toBeCloseTo(0.9, 2);
  });

  test('shares sum to one', () => {
    for (const shape of [anchor(), floor(), plate()])
      expect(one(shape).shares.reduce((s, x) => s + x.share, 0)).toBeCloseTo(1, 9);
  });

  test('first order and simulation agree where many inputs are mildly doubtful', () => {
    const inputs = ['a', 'b', 'c', 'd'].map((key) => ({ key, label: key, value: 10, halfWidth: 0.4, group: key }));
    const f = (v: readonly number[]) => v.reduce((p, x) => p * x, 1);
    const quick = propagate(inputs, f, { force: 'first-order' });
    const drawn = propagate(inputs, f, { force: 'simulation' });
    expect(Math.abs(drawn.p95 / quick.p95 - 1)).toBeLessThan(0.005);
    expect(Math.abs(drawn.p5 / quick.p5 - 1)).toBeLessThan(0.005);
  });

  test('a wide guess is simulated, and the same on every run', () => {
    const guess = floor({ depth: { kind: 'mean', mean: measured(20, 'guess') } });
    const r = one(guess);
    expect(r.method).toBe('simulation');
    // One rectangular input rules: 5 % of 16..24 mm is 16.4 mm.
    expect(r.p5Ml / r.nominalMl).toBeCloseTo(16.4 / 20, 2);
    expect(one(guess).p95Ml).toBe(r.p95Ml);
  });

  test('no tolerance, no doubt', () => {
    const sure = floor({
      outline: { kind: 'rectangle', length: measured(300, 'tape', 0), width: measured(200, 'tape', 0) },
      depth: { kind: 'mean', mean: measured(20, 'tape', 0) },
    });
    expect(one(sure)).toMatchObject({ uMl: 0, decides: undefined });
  });

  test('the seeded generator is uniform', () => {
    const next = seeded(7);
    const mean = Array.from({ length: 10000 }, next).reduce((s, x) => s + x, 0) / 10000;
    expect(mean).toBeCloseTo(0.5, 1);
  });
});

describe('every shape of the table', () => {
  test.each(Object.values(SHAPES))(
    '$id: volume scales with the cube of size, drawings hold every dimension line on a real dimension',
    (kind) => {
      const shape = kind.blank();
      const f = kind.volume(shape);
      const dims = kind.dimensions(shape);
      // What is weighed is not known before it is weighed.
      const weighed = (kind.inputs?.(shape) ?? []).map((x, i) => (x.value > 0 ? x.value : 500 - 200 * i));
      expect(f([...dims.map((d) => d.measured.valueMm), ...weighed])).toBeGreaterThan(0);
      const keys = dims.map((d) => d.key);
      for (const drawing of [kind.section(shape), kind.plan(shape)]) {
        for (const d of drawing.dimensions) expect(keys).toContain(d.key);
        for (const o of drawing.outlines) for (const [x, y] of o.points) expect(Number.isFinite(x + y)).toBe(true);
      }
      for (const d of dims)
        expect(
          kind
            .dimensions(withValue(kind, shape, d.key, { ...d.measured, toleranceMm: 0.123 }))
            .find((x) => x.key === d.key)?.measured.toleranceMm,
        ).toBe(0.123);
      expect(kind.schema.parse(shape)).toEqual(shape);
    },
  );
});

test('the working adds up to the answer', () => {
  const r = one(anchor({ embedment: measured(90, 'gauge'), pointAngleDeg: 118 }));
  const sum = r.working
    .filter(({ value }) => typeof value === 'object' && 'is' in value && value.is === 'volume')
    .reduce((s, w) => s + worked(w), 0);
  expect(sum).toBeCloseTo(r.nominalMl, 9);
  expect(cornersOf({ kind: 'rectangle', length: measured(3), width: measured(2) })).toHaveLength(4);
});

describe('what was refused and is ordinary', () => {
  const ok = (shape: VoidShape) => voidProblems(voidOf(shape));
  const nominalMl = (shape: VoidShape) => one(shape).nominalMl;
  test('a V trowel whose notches stand tip to tip; a square one needs its teeth', () => {
    const bed = (form: 'vee' | 'square') => {
      const blank = SHAPES.notchedBed.blank() as never as { notch: object };
      return {
        ...blank,
        notch: { ...blank.notch, form, width: measured(6), depth: measured(5), gap: measured(0) },
        outline: { kind: 'rectangle', length: measured(400), width: measured(300) },
      } as never as VoidShape;
    };
    expect(ok(bed('vee'))).toEqual([]);
    // w · d / 2 · sin over the width alone: ½ · 6 · 5 · sin 60° / 6 = 2.165 mm on 0.12 m².
    const { trowelDeg, backMm } = bed('vee') as never as { trowelDeg: number; backMm: number };
    const mean = (15 * Math.sin((trowelDeg * Math.PI) / 180)) / 6 + backMm;
    expect(nominalMl(bed('vee'))).toBeCloseTo(120 * mean, 6);
    expect(ok(bed('square')).map((p) => p.field)).toEqual(['shapes.0.notch.gap']);
  });
  test('an outline whose first corner is said again at its end', () => {
    expect(parsePoints('0,0; 100,0; 100,50; 0,50; 0,0')).toEqual([
      [0, 0],
      [100, 0],
      [100, 50],
      [0, 50],
    ]);
    expect(parsePoints('0,0; 100,0; 100,0; 100,50')).toHaveLength(3);
  });
  test('screw holes of a laminate, a rod that is not in yet, a sharp fillet, a fairing to a point', () => {
    const hole = {
      ...SHAPES.hole.blank(),
      holeDiameter: measured(1.6),
      holeDepth: measured(1.5),
    } as never as VoidShape;
    expect(ok(hole)).toEqual([]);
    const rod = {
      ...SHAPES.annulus.blank(),
      holeDiameter: measured(18),
      holeDepth: measured(100),
      rodDiameter: measured(16),
      embedment: measured(0),
    } as never as VoidShape;
    expect(ok(rod)).toEqual([]);
    // Nothing stands in it: the whole bore.
    expect(nominalMl(rod)).toBeCloseTo(((Math.PI / 4) * 18 * 18 * 100) / 1000, 6);
    const fillet = {
      ...SHAPES.fillet.blank(),
      radius: measured(10),
      length: measured(200),
      angleDeg: 15,
    } as never as VoidShape;
    expect(ok(fillet)).toEqual([]);
    const half = (15 * Math.PI) / 360;
    expect(nominalMl(fillet)).toBeCloseTo((100 * (1 / Math.tan(half) - (Math.PI - 2 * half) / 2) * 200) / 1000, 6);
    const cone = {
      ...SHAPES.fairing.blank(),
      foot: measured(120),
      top: measured(0),
      height: measured(40),
      fitting: measured(0),
    } as never as VoidShape;
    expect(ok(cone)).toEqual([]);
    expect(nominalMl(cone)).toBeCloseTo((Math.PI * 60 * 60 * 40) / 3 / 1000, 6);
  });
});
