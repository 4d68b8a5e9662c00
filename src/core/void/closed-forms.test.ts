import fc from 'fast-check';
import { plainWords } from '@/words';
import {
  BREAKS,
  bedMm,
  type Chase,
  filletMm2,
  jointShare,
  keepClearMl,
  kindOf,
  levels,
  liftShares,
  measured,
  measureVoid,
  notchMm2,
  problemsOf,
  SHAPE_IDS,
  SHAPES,
  type ShapeId,
  seeded,
  unionMm2,
  type VoidShape,
  voidOf,
  voidProblems,
  withValue,
} from '.';

/** A shape of the table with some of its fields set. */
const made = <T = VoidShape>(id: ShapeId, over: Record<string, unknown> = {}): T & VoidShape => {
  let shape = SHAPES[id].blank();
  for (const [key, value] of Object.entries(over))
    shape = withValue(
      SHAPES[id],
      shape,
      key,
      typeof value === 'number' && isLength(shape, key) ? measured(value) : value,
    );
  return shape as T & VoidShape;
};
const isLength = (shape: VoidShape, key: string) =>
  kindOf(shape)
    .dimensions(shape)
    .some((d) => d.key === key);
const ml = (shape: VoidShape) => measureVoid(voidOf(shape)).nominalMl;
/** Mean of a function over a box, by a fine grid of midpoints: knows none of the closed forms. */
function meanOver(n: number, f: (x: number, y: number, z: number) => number): number {
  let sum = 0;
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) for (let k = 0; k < n; k++) sum += f((i + 0.5) / n, (j + 0.5) / n, (k + 0.5) / n);
  return sum / n ** 3;
}

describe('holes', () => {
  test('a countersunk hole by a slice-wise sum', () => {
    const hole = made('hole', {
      holeDiameter: 20,
      holeDepth: 60,
      'mouth.form': 'countersink',
      'mouth.diameter': 34,
      'mouth.depth': 8,
    });
    let sum = 0;
    for (let k = 0; k < 60_000; k++) {
      const z = (k + 0.5) / 1000;
      const d = z < 8 ? 34 - ((34 - 20) * z) / 8 : 20;
      sum += ((Math.PI / 4) * d * d) / 1000;
    }
    expect(ml(hole)).toBeCloseTo(sum / 1000, 5);
  });
  test('a stepped mouth round a rod, and notches in the rod', () => {
    const plain = made('annulus', { 'thread.kind': 'plain' });
    const stepped = made('annulus', {
      'thread.kind': 'plain',
      'mouth.form': 'counterbore',
      'mouth.diameter': 24,
      'mouth.depth': 5,
      notchesMl: 0.4,
    });
    expect(ml(stepped) - ml(plain)).toBeCloseTo(((Math.PI / 4) * (24 ** 2 - 14 ** 2) * 5) / 1000 + 0.4, 9);
  });
  test('a mouth narrower than its hole is refused at its field', () => {
    const bad = made('hole', { 'mouth.form': 'countersink', 'mouth.diameter': 12 });
    expect(voidProblems(voidOf(bad))[0]).toMatchObject({ field: 'shapes.0.mouth.diameter' });
  });
});

describe('a joint, saw cut or crack of one width', () => {
  const groove = (form: 'slot' | 'vee', length: number, width: number, depth: number) =>
    made('groove', { form, length, width, depth });
  /** The same as a list of stations: two that are alike. */
  const stations = (form: 'slot' | 'vee', length: number, widthMm: number, depthMm: number) =>
    made<Chase>('chase', {
      form,
      stations: [0, length].map((atMm) => ({ atMm, widthMm, depthMm })),
      readWidth: measured(0, 'rule'),
      readDepth: measured(0, 'gauge'),
    });
  test.each(['slot', 'vee'] as const)('%s: holds, wets and reaches what a list of two like stations does', (form) => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 20_000 }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 200 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (length, width, depth, share) => {
          const [one, two] = [groove(form, length, width, depth), stations(form, length, width, depth)];
          expect(ml(one) / ml(two)).toBeCloseTo(1, 9);
          expect(ml(one)).toBeCloseTo((length * width * depth * (form === 'vee' ? 0.5 : 1)) / 1000, 6);
          const [mine, listed] = [kindOf(one).faces(one), kindOf(two).faces(two)];
          for (const key of Object.keys(mine) as (keyof typeof mine)[])
            expect([key, mine[key]]).toEqual([key, expect.closeTo(listed[key], 6)]);
          expect(kindOf(one).runMm!(one)).toBe(kindOf(two).runMm!(two));
          expect(kindOf(one).alongMm!(one, share)).toBeCloseTo(kindOf(two).alongMm!(two, share), 3);
        },
      ),
      { numRuns: 60 },
    );
  });
  test.each(['slot', 'vee'] as const)('%s: what lies below a depth, against thin layers of it', (form) => {
    const one = groove(form, 1000, 20, 30);
    for (const z of [0, 7, 15, 29, 30, 40]) {
      const layers = Array.from({ length: 3000 }, (_, i) => (i + 0.5) / 100).filter((at) => at > z);
      const byLayers = layers.reduce((sum, at) => sum + (form === 'vee' ? 20 * (1 - at / 30) : 20), 0) / 100;
      expect([z, kindOf(one).below!(one, z)]).toEqual([z, expect.closeTo(byLayers, 1)]);
    }
  });
  test('its width and depth are pulled in section, its length from above; a joint beyond its end is refused there', () => {
    const one = groove('slot', 3000, 20, 10);
    expect(
      kindOf(one)
        .section(one)
        .dimensions.map((d) => d.key),
    ).toEqual(['width', 'depth']);
    expect(
      kindOf(one)
        .plan(one)
        .dimensions.map((d) => d.key),
    ).toEqual(['length']);
    const crossed = (atMm: number) => withValue(SHAPES.groove, one, 'crossings', [{ atMm }]);
    expect(problemsOf(SHAPES.groove, crossed(1200))).toEqual([]);
    const [problem] = problemsOf(SHAPES.groove, crossed(3000));
    expect(problem!.field).toBe('crossings.0');
    expect(plainWords(problem!.sentence)).toBe('Joint 1, at 3 m, does not cross it: it runs from 0 to 3 m.');
    expect(kindOf(one).keptOpen!(crossed(1200)).map((k) => k.atMm)).toEqual([1200]);
  });
});

describe('crack and chase', () => {
  const crack = (over: Partial<Chase>): Chase => ({ ...(SHAPES.chase.blank() as Chase), ...over });
  test('between two stations: L/6 (2 w0 d0 + w0 d1 + w1 d0 + 2 w1 d1), against a fine sum of the linear w·d', () => {
    const s = crack({
      form: 'slot',
      stations: [
        { atMm: 0, widthMm: 4, depthMm: 20 },
        { atMm: 300, widthMm: 10, depthMm: 35 },
      ],
    });
    const fine = meanOver(60, (t) => (4 + 6 * t) * (20 + 15 * t)) * 300;
    expect(ml(s) * 1000).toBeCloseTo(fine, -1);
    expect(ml({ ...s, form: 'vee' })).toBeCloseTo(ml(s) / 2, 9);
  });
  test('the union of V and slot equals its area counted on a grid', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 20, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 1, max: 25, noNaN: true }),
        fc.double({ min: 2, max: 45, noNaN: true }),
        (w, d, sw, sd) => {
          // Strip by strip over the depth, the wider of the two counts.
          let sum = 0;
          const n = 20_000;
          const deep = Math.max(d, sd);
          for (let i = 0; i < n; i++) {
            const z = ((i + 0.5) * deep) / n;
            sum += (Math.max(z < d ? w * (1 - z / d) : 0, z < sd ? sw : 0) * deep) / n;
          }
          expect(unionMm2(w, d, sw, sd)).toBeCloseTo(sum, 1);
        },
      ),
      { numRuns: 60 },
    );
  });
  test('a slot as deep and wide as the crack swallows it', () => {
    expect(unionMm2(6, 30, 6, 30)).toBeCloseTo(180, 9);
    expect(unionMm2(6, 30, 10, 40)).toBeCloseTo(400, 9);
  });
  test('stations out of order, or only one, are refused', () => {
    expect(
      plainWords(problemsOf(SHAPES.chase, crack({ stations: [{ atMm: 0, widthMm: 4, depthMm: 9 }] }))[0]!.sentence),
    ).toMatch(/at least two stations/);
    const backwards = crack({
      stations: [
        { atMm: 100, widthMm: 4, depthMm: 9 },
        { atMm: 50, widthMm: 4, depthMm: 9 },
      ],
    });
    expect(problemsOf(SHAPES.chase, backwards)[0]!.field).toBe('stations.1');
  });
});

describe('edges and corners', () => {
  test.each(Object.keys(BREAKS) as (keyof typeof BREAKS)[])(
    'an edge, %s, against a count of points in its section',
    (form) => {
      const random = seeded(7);
      const inside = (x: number, z: number) =>
        // x back from the edge, z down, as shares of the legs
        ({ straight: x + z < 1, scooped: x * x + z * z < 1, stepped: true, bulging: (1 - x) ** 2 + (1 - z) ** 2 > 1 })[
          form
        ];
      let hits = 0;
      const n = 200_000;
      for (let i = 0; i < n; i++) if (inside(random(), random())) hits++;
      expect(
        ml(made('edge', { form, down: 40, back: 60, length: 300 })) / ((40 * 60 * 300 * hits) / n / 1000),
      ).toBeCloseTo(1, 1.9);
    },
  );
  test('a corner broken straight is a sixth of its box, scooped an octant of an ellipsoid', () => {
    const box = (60 * 80 * 70) / 1000;
    expect(ml(made('corner', { form: 'straight', down: 60, along: 80, back: 70 }))).toBeCloseTo(box / 6, 9);
    expect(ml(made('corner', { form: 'scooped', down: 60, along: 80, back: 70 })) / box).toBeCloseTo(
      meanOver(70, (x, y, z) => (x * x + y * y + z * z < 1 ? 1 : 0)),
      2,
    );
  });
});

describe('poured rings', () => {
  const ring = (over: Record<string, unknown> = {}) =>
    made('ring', {
      'run.outer': 360,
      'run.inner': 250,
      depth: 32,
      clear: 4,
      part: 'wall',
      'part.thickness': 14,
      'part.foot': 8,
      ...over,
    });
  test('with a wall standing in it: floor × fill − what the wall displaces', () => {
    const floor = (Math.PI / 4) * (360 ** 2 - 250 ** 2);
    const wall = Math.PI * 305 * 14 * (28 - 8);
    expect(ml(ring())).toBeCloseTo((floor * 28 - wall) / 1000, 9);
  });
  test('the level before seating plus what the wall displaces is the level after', () => {
    const l = levels(ring() as never);
    const floor = (Math.PI / 4) * (360 ** 2 - 250 ** 2);
    expect(l.beforeMm + (Math.PI * 305 * 14 * (l.afterMm - 8)) / floor).toBeCloseTo(l.afterMm, 9);
  });
  test('on a slope the pour runs over a rim without clearance', () => {
    expect(problemsOf(SHAPES.ring, ring({ tiltDeg: 3 }))[0]).toMatchObject({ field: 'clear' });
    expect(problemsOf(SHAPES.ring, ring({ tiltDeg: 1 }))).toEqual([]);
    expect(levels(ring({ tiltDeg: 1 }) as never).slopeMm).toBeCloseTo(Math.tan(Math.PI / 180) * 180, 9);
  });
});

describe('beds, joints, coats, laminates', () => {
  test('a notch with a round end, by counting', () => {
    const random = seeded(3);
    let hits = 0;
    const n = 200_000;
    for (let i = 0; i < n; i++) {
      const [x, z] = [random() * 10, random() * 12];
      if (z < 7 || (x - 5) ** 2 + (z - 7) ** 2 < 25) hits++;
    }
    expect(notchMm2('round', 10, 12) / ((120 * hits) / n)).toBeCloseTo(1, 2);
    expect(notchMm2('vee', 10, 12)).toBe(60);
    expect(bedMm('square', 8, 8, 8, 90)).toBe(4);
    expect(bedMm('square', 8, 8, 8, 30)).toBeCloseTo(2, 9);
  });
  test('the share of joint is what is left of a tile with its joint', () => {
    expect(jointShare(300, 300, 5)).toBeCloseTo(1 - 90_000 / 305 ** 2, 12);
    const s = made('joints', {
      'outline.length': 3050,
      'outline.width': 3050,
      tileLength: 300,
      tileWidth: 300,
      jointWidth: 5,
      depth: 9,
    });
    // Ten by ten tiles fill it: whole area less a hundred tiles.
    expect(ml(s)).toBeCloseTo(((3050 ** 2 - 100 * 90_000) * 9) / 1000, 6);
    const kept = made('joints', {
      'outline.length': 3050,
      'outline.width': 3050,
      tileLength: 300,
      tileWidth: 300,
      jointWidth: 5,
      depth: 9,
      movement: { lengthMm: 3050, widthMm: 5 },
    });
    expect(ml(s) - ml(kept)).toBeCloseTo((3050 * 5 * 9) / 1000, 9);
  });
  test('a sand patch gives the texture back that made it', () => {
    // 25 mL spread over a circle of 178.4 mm stand 1 mm deep on average.
    const d = Math.sqrt((4 * 25_000) / Math.PI);
    const s = made('coat', {
      'outline.length': 1000,
      'outline.width': 500,
      thickness: 2,
      'texture.from': 'sand-patch',
      'texture.circle': d,
    });
    expect(ml(s)).toBeCloseTo((1000 * 500 * 3) / 1000, 6);
  });
  test('resin for a laminate: 3 × 300 g/m² at half fibre by mass takes as much resin as fibre', () => {
    const s = made('wetOut', {
      'outline.length': 1000,
      'outline.width': 1000,
      layers: 3,
      arealGPerM2: 300,
      fibrePct: 50,
      resinGPerMl: 1.2,
    });
    expect(ml(s)).toBeCloseTo(900 / 1.2, 9);
  });
});

describe('fillets, fairings, copies, cavities, filling', () => {
  test('a fillet at 90° is (1 − π/4) r², and at any angle the kite less its sector', () => {
    expect(filletMm2(10, 90)).toBeCloseTo((1 - Math.PI / 4) * 100, 12);
    for (const deg of [40, 75, 120, 150]) {
      const half = (deg * Math.PI) / 360;
      const kite = 10 * (10 / Math.tan(half));
      expect(filletMm2(10, deg)).toBeCloseTo(kite - (100 * (Math.PI - 2 * half)) / 2, 9);
    }
  });
  test('a fairing is its frustum less the fitting, slice by slice', () => {
    const s = made('fairing', { foot: 160, top: 90, height: 30, fitting: 80 });
    let sum = 0;
    for (let k = 0; k < 3000; k++)
      sum += ((Math.PI / 4) * ((160 - (70 * (k + 0.5)) / 3000) ** 2 - 80 ** 2) * 30) / 3000;
    expect(ml(s)).toBeCloseTo(sum / 1000, 4);
    expect(problemsOf(SHAPES.fairing, made('fairing', { fitting: 120 }))[0]).toMatchObject({ field: 'fitting' });
  });
  test('a copy loses its holes', () => {
    const s = made('castCopy', {
      'outline.length': 40,
      'outline.width': 25,
      thickness: 4,
      holes: [{ xMm: 20, yMm: 12, diameterMm: 6 }],
    });
    expect(ml(s)).toBeCloseTo(((40 * 25 - Math.PI * 9) * 4) / 1000, 9);
  });
  test('cavities less what stays clear; nothing left is refused', () => {
    const room = (name: string, aMm: number, bMm: number, depthMm: number) => ({
      name,
      form: 'box' as const,
      aMm,
      bMm,
      depthMm,
    });
    const s = made('cavity', {
      rooms: [room('a', 60, 30, 20), { name: 'b', form: 'round', aMm: 20, bMm: 0, depthMm: 10 }],
      clear: [room('slide', 10, 10, 20)],
    });
    expect(ml(s)).toBeCloseTo((60 * 30 * 20 + Math.PI * 100 * 10 - 2000) / 1000, 9);
    expect(
      problemsOf(SHAPES.cavity, made('cavity', { rooms: [room('a', 10, 10, 10)], clear: [room('b', 10, 10, 10)] }))[0],
    ).toMatchObject({
      field: 'clear',
    });
  });
  test('weighed: the difference over the density, and the scale decides the doubt', () => {
    const s = made('filled', { beforeG: 2430, afterG: 1686, stepG: 20, across: 180, depth: 40 });
    const r = measureVoid(voidOf(s));
    expect(r.nominalMl).toBeCloseTo(744 / 0.998, 9);
    // Two readings of ±10 g, rectangular, not of one bias: u = √2 · 10/√3 / 0.998; the density adds ±0.2 %.
    expect(r.uMl).toBeCloseTo(
      Math.hypot((Math.SQRT2 * 10) / Math.sqrt(3) / 0.998, (744 * 0.002) / Math.sqrt(3) / 0.998),
      2,
    );
    expect(problemsOf(SHAPES.filled, made('filled', { beforeG: 100, afterG: 100 }))[0]).toMatchObject({
      field: 'afterG',
    });
  });
});

describe('several shapes, like voids, what differs, what stays clear', () => {
  const hole = made('hole', { holeDiameter: 20, holeDepth: 60 });
  const each = ((Math.PI / 4) * 400 * 60) / 1000;
  test('shapes add up', () => expect(measureVoid(voidOf(hole, hole)).nominalMl).toBeCloseTo(2 * each, 9));
  test('14 holes, two of them 5 mm deeper', () => {
    const v = { ...voidOf(hole), count: 14, variants: [{ count: 2, key: 'shapes.0.holeDepth', byMm: 5 }] };
    expect(measureVoid(v).nominalMl).toBeCloseTo(14 * each + (2 * (Math.PI / 4) * 400 * 5) / 1000, 9);
    expect(plainWords(voidProblems({ ...v, count: 1 })[0]!.sentence)).toMatch(/there are only 1/);
    expect(voidProblems({ ...v, variants: [{ count: 2, key: 'shapes.0.holeDepth', byMm: -80 }] })[0]).toMatchObject({
      field: 'variants.0',
    });
    expect(voidProblems({ ...v, variants: [{ count: 2, key: 'shapes.3.nothing', byMm: 1 }] })[0]).toMatchObject({
      field: 'variants.0',
    });
  });
  test('what stays clear is taken off, and may not be all of it', () => {
    const zone = { name: 'bolt', form: 'round' as const, xMm: 0, yMm: 0, aMm: 10, bMm: 10, depthMm: 60 };
    expect(keepClearMl(zone)).toBeCloseTo((Math.PI * 25 * 60) / 1000, 9);
    expect(measureVoid({ ...voidOf(hole), keepClear: [zone] }).nominalMl).toBeCloseTo(each - keepClearMl(zone), 9);
    expect(voidProblems({ ...voidOf(hole), keepClear: [{ ...zone, aMm: 30 }] })[0]).toMatchObject({
      field: 'keepClear.0',
    });
  });
  test('lifts of any shape share its volume, and below the surface is the whole', () => {
    for (const id of SHAPE_IDS) {
      const shape = id === 'filled' ? made('filled', { beforeG: 900, afterG: 100 }) : SHAPES[id].blank();
      const shares = liftShares(voidOf(shape), 3);
      expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
      expect(Math.min(...shares)).toBeGreaterThan(0);
      const kind = SHAPES[id];
      if (kind.below) expect(kind.below(shape, 0)).toBeCloseTo(ml(shape), 6);
    }
  });
});

test.each(SHAPE_IDS)('%s: what is written into it is read back, and refused where it makes no sense', (id) => {
  const kind = SHAPES[id];
  const shape = id === 'filled' ? made('filled', { beforeG: 900, afterG: 100 }) : kind.blank();
  expect(problemsOf(kind, shape)).toEqual([]);
  for (const p of kind.parameters?.(shape) ?? []) {
    if (p.kind === 'choice') {
      for (const o of p.options) {
        const other = withValue(kind, shape, p.key, o.id);
        expect(kind.parameters!(other).find((x) => x.key === p.key)?.value).toBe(o.id);
        expect(kind.schema.safeParse(other).success).toBe(true);
      }
    } else if (p.value !== null) {
      const wild = withValue(kind, shape, p.key, p.max * 2 + 1);
      expect(problemsOf(kind, wild).some((x) => x.field === p.key)).toBe(true);
    }
  }
  for (const d of kind.dimensions(shape)) {
    if (d.shift) continue;
    for (const bad of [-1, Number.NaN, Number.POSITIVE_INFINITY])
      expect(problemsOf(kind, withValue(kind, shape, d.key, measured(bad)))[0]?.field).toBe(d.key);
  }
});
