import { plainWords } from '@/words';
import { hullGougeScan, makeScan, rampEdgeScan } from '../../sample/scans';
import { kindOf, measureVoid, seeded, unpack, voidOf } from '../void';
import { fitSurface, heightAt, likelyUnits, measureScan, type ScanAsk } from '.';
import { coverOf } from './frame';
import { clipped, rasterise, withoutHalves } from './grid';

const FLAT = () => 0;
const HULL = (x: number, y: number) => -((x - 150) ** 2) / 2000 - (y - 120) ** 2 / 1800;
const bowl = (share: number, vertical: boolean) => (x: number, y: number) => {
  const rx = Math.sqrt((share * 300 * 240) / Math.PI) * 1.1;
  const r = Math.hypot((x - 150) / rx, ((y - 120) / rx) * 1.21);
  return r >= 1 ? 0 : vertical ? 15 : 16 * (1 - r * r);
};
const scan = (
  face: typeof FLAT | typeof HULL,
  depthAt: (x: number, y: number) => number,
  over: Partial<Parameters<typeof makeScan>[0]> = {},
) =>
  makeScan({
    lengthMm: 300,
    widthMm: 240,
    spacingMm: 2,
    noiseMm: 0.5,
    seed: 5,
    mesh: false,
    turnedDeg: [15, 10, 30],
    faceAt: face,
    depthAt,
    ...over,
  });
const ask = (surface: ScanAsk['surface'], over: Partial<ScanAsk> = {}): ScanAsk => ({ surface, mmPerUnit: 1, ...over });

describe('volume within 1 % at 0.5 mm noise', () => {
  test.each([
    ['flat', FLAT, 'plane', 0.1, false],
    ['flat, steep rim', FLAT, 'plane', 0.25, true],
    ['flat, 40 % of the scan', FLAT, 'plane', 0.4, false],
    ['curved', HULL, 'quadric', 0.1, false],
    ['curved, steep rim', HULL, 'quadric', 0.25, true],
    ['curved, 40 % of the scan', HULL, 'quadric', 0.4, false],
  ] as const)('%s', (_, face, surface, share, vertical) => {
    const made = scan(face, bowl(share, vertical));
    const found = measureScan(made, ask(surface));
    const { volumeMl, areaMm2, maxDepthMm } = unpack(found);
    expect(Math.abs(volumeMl / made.volumeMl - 1)).toBeLessThan(0.01);
    expect(Math.abs(areaMm2 / made.areaMm2 - 1)).toBeLessThan(0.06);
    expect(Math.abs(maxDepthMm - (vertical ? 15 : 16))).toBeLessThan(1.5);
    expect(found.found.residualMm).toBeCloseTo(0.5, 1);
    expect(found.found.rimSeen).toBeGreaterThan(0.95);
  });
});

test('a mesh gives what its points give, and the sample scans their own volumes', () => {
  const made = scan(FLAT, bowl(0.2, false), { mesh: true, spacingMm: 4, noiseMm: 0.1 });
  expect(unpack(measureScan(made, ask('plane'))).volumeMl / made.volumeMl).toBeCloseTo(1, 1.9);
  const ramp = rampEdgeScan(3);
  expect(Math.abs(unpack(measureScan(ramp, ask('plane'))).volumeMl / ramp.volumeMl - 1)).toBeLessThan(0.01);
  const hull = hullGougeScan(2);
  expect(Math.abs(unpack(measureScan(hull, ask('quadric'))).volumeMl / hull.volumeMl - 1)).toBeLessThan(0.01);
});

test('a small void in a large mesh, of which only a part is laid on the map', () => {
  // Void under 1 % of the scan, 190 000 triangles.
  const made = scan(FLAT, (x, y) => Math.max(0, 15 * (1 - ((x - 190) / 24) ** 2 - ((y - 90) / 24) ** 2)), {
    mesh: true,
    spacingMm: 0.87,
    noiseMm: 0.3,
  });
  expect(made.triangles).toBeGreaterThan(150_000);
  const found = measureScan(made, ask('plane'));
  expect(Math.abs(unpack(found).volumeMl / made.volumeMl - 1)).toBeLessThan(0.01);
  expect(found.source.points).toBe(3 * made.triangles);
});

test('the other side, another unit and another turn give the same volume', () => {
  const made = scan(FLAT, bowl(0.2, false));
  const plain = unpack(measureScan(made, ask('plane'))).volumeMl;
  const mirrored = { ...made, xyz: made.xyz.map((v, i) => (i % 3 === 2 ? -v : v)) };
  expect(unpack(measureScan(mirrored, ask('plane'))).volumeMl / plain).toBeCloseTo(1, 2);
  const metres = { ...made, xyz: made.xyz.map((v) => v / 1000) };
  expect(unpack(measureScan(metres, ask('plane', { mmPerUnit: 1000 }))).volumeMl / plain).toBeCloseTo(1, 2);
  expect(likelyUnits(0.38)).toEqual(['m']);
  // 380 is a spall in mm and a whole bay in cm; in inches or metres it is larger than anybody scans.
  expect(likelyUnits(380)).toEqual(['mm', 'cm']);
});

test('a rim drawn by hand bounds what is measured', () => {
  const made = scan(FLAT, bowl(0.2, false), { turnedDeg: [0, 0, 0] });
  const found = measureScan(made, ask('plane'));
  const { nx, ny, cellMm, u0, v0 } = found.map;
  const [cx, cy] = [u0 + (nx * cellMm) / 2, v0 + (ny * cellMm) / 2];
  const half = measureScan(
    made,
    ask('plane', {
      rim: [
        [cx, v0 - 50],
        [u0 + nx * cellMm + 50, v0 - 50],
        [u0 + nx * cellMm + 50, cy * 2 + 400],
        [cx, cy * 2 + 400],
      ],
    }),
  );
  expect(unpack(half).volumeMl / unpack(found).volumeMl).toBeCloseTo(0.5, 1);
  expect(half.found.drawn).toBe(true);
});

describe('what a scan is refused for, and what is pointed out', () => {
  test('no hollow, no rim, numbers that are none, too few points', () => {
    expect(() =>
      measureScan(
        scan(FLAT, () => 0),
        ask('plane'),
      ),
    ).toThrow(/No hollow is deeper/);
    // A hollow with sound face on one side only.
    const slope = scan(FLAT, (x) => (x > 160 ? Math.min(20, (x - 160) / 2) : 0), { noiseMm: 0.2 });
    expect(() => measureScan(slope, ask('plane'))).toThrow(/sound base round only|No hollow/);
    const broken = scan(FLAT, bowl(0.2, false));
    broken.xyz[300] = Number.NaN;
    expect(() => measureScan(broken, ask('plane'))).toThrow(/Point 101 of the scan is not a number/);
    expect(() => measureScan({ xyz: new Float32Array(9), triangles: 0 }, ask('plane'))).toThrow(/one place/);
  });
  test('a hole in the floor is seen as an open back, and its depth bridged', () => {
    const made = scan(FLAT, bowl(0.25, true), { turnedDeg: [0, 0, 0] });
    const kept: number[] = [];
    for (let i = 0; i < made.xyz.length; i += 3)
      if (Math.hypot(made.xyz[i]! - 150, made.xyz[i + 1]! - 120) > 22)
        kept.push(made.xyz[i]!, made.xyz[i + 1]!, made.xyz[i + 2]!);
    const found = measureScan({ xyz: Float32Array.from(kept), triangles: 0 }, ask('plane'));
    expect(found.found.hiddenShare).toBeGreaterThan(0.03);
    expect(unpack(found).volumeMl / made.volumeMl).toBeCloseTo(1, 1);
    expect(kindOf(found).notices!(found).map((n) => n.id)).toContain('hidden');
  });
  test('stray points do not count, but are told', () => {
    const made = scan(FLAT, bowl(0.2, false));
    const xyz = Float32Array.from(made.xyz);
    for (let i = 0; i < xyz.length; i += 3 * 17) xyz[i + 2]! += 60;
    const found = measureScan({ xyz, triangles: 0 }, ask('plane'));
    expect(Math.abs(unpack(found).volumeMl / made.volumeMl - 1)).toBeLessThan(0.02);
    expect(found.found.unusedShare).toBeGreaterThan(0.02);
  });
  test('an overhang in a mesh is pointed out', () => {
    const made = scan(FLAT, bowl(0.25, true), { mesh: true, spacingMm: 3, noiseMm: 0, turnedDeg: [0, 0, 0] });
    const xyz = Float32Array.from(made.xyz);
    // A lip: a strip of the surface reaches over the void, seen from below.
    const lip: number[] = [];
    for (let x = 110; x < 190; x += 4)
      lip.push(x, 70, -3, x, 90, -3, x + 4, 90, -3, x, 70, -3, x + 4, 90, -3, x + 4, 70, -3);
    const both = new Float32Array(xyz.length + lip.length);
    both.set(xyz);
    both.set(lip, xyz.length);
    const found = measureScan({ xyz: both, triangles: both.length / 9 }, ask('plane'));
    expect(found.found.overhangShare).toBeGreaterThan(0.01);
    expect(measureScan(made, ask('plane')).found.overhangShare).toBe(0);
  });
});

test('the surface is found although four points in ten lie in a void', () => {
  const u: number[] = [];
  const v: number[] = [];
  const w: number[] = [];
  for (let i = 0; i < 1000; i++) {
    u.push((i % 40) * 5 - 100);
    v.push(Math.floor(i / 40) * 8 - 100);
    const sound = 3 + 0.1 * u[i]! - 0.05 * v[i]! + 0.002 * u[i]! ** 2;
    w.push(i % 10 < 4 ? sound - 9 - (i % 7) : sound);
  }
  const fit = fitSurface({ u, v, w }, 'quadric');
  for (const [a, b] of [
    [0, 0],
    [80, -60],
    [-90, 90],
  ] as const)
    expect(heightAt(fit, a, b)).toBeCloseTo(3 + 0.1 * a - 0.05 * b + 0.002 * a * a, 6);
});

test('the stored map holds the volume, and its doubt is that of the depths over the area', () => {
  const found = measureScan(scan(FLAT, bowl(0.2, false)), ask('plane'));
  const again = kindOf(found).schema.parse(JSON.parse(JSON.stringify(found)));
  const r = measureVoid(voidOf(again));
  expect(r.nominalMl).toBeCloseTo(unpack(found).volumeMl, 9);
  expect(r.uMl).toBeCloseTo((unpack(found).areaMm2 * found.read.toleranceMm!) / Math.sqrt(3) / 1000, 6);
  expect(kindOf(found).below!(found, 0)).toBeGreaterThan(r.nominalMl * 0.999);
  const damaged = { ...found, map: { ...found.map, depths: found.map.depths.slice(0, 40) } };
  expect(plainWords(kindOf(damaged).problems(damaged)[0]!.sentence)).toMatch(/damaged/);
});

test('a scan far larger than its cells is refused by its unit, before any memory is asked for', () => {
  const far = Float64Array.of(0, 5_000_000);
  expect(() => rasterise(far, far, Float64Array.of(0, 0), 1)).toThrow(/check the unit/);
});

describe('a size nobody scans at is asked before the scan begins', () => {
  const made = scan(FLAT, bowl(0.2, false), { spacingMm: 6 });
  test('millimetres taken as metres are refused with the likelier unit, and nothing was laid out', () => {
    const told: string[] = [];
    const run = () => measureScan(made, ask('plane', { mmPerUnit: 1000, progress: (_, doing) => told.push(doing) }));
    expect(run).toThrow(/3[0-9][0-9] m across; in mm or cm it has a size/);
    expect(told).toEqual(['reading the points']);
  });
  test('said to be meant, it is measured as it is', () => {
    const inMetres = measureScan(made, ask('plane', { mmPerUnit: 1000, anySize: true }));
    const inMm = measureScan(made, ask('plane'));
    expect(unpack(inMetres).volumeMl / unpack(inMm).volumeMl / 1e9).toBeCloseTo(1, 6);
  });
});

describe('a curved face measured as flat', () => {
  const curvedFace = (share: number) => (x: number, y: number) => HULL(x, y) * share;
  test.each([0.25, 1 / 12])('bowed to %d of the hull: what it would hold as curved is told', (share) => {
    const made = scan(curvedFace(share), bowl(0.1, false), { noiseMm: 0.3, spacingMm: 3 });
    const found = measureScan(made, ask('plane'));
    // It is short by more than the doubt it shows, so the way out must be told, with a figure that is right.
    expect(unpack(found).volumeMl / made.volumeMl).toBeLessThan(0.95);
    expect(Math.abs(found.found.curvedMl! / made.volumeMl - 1)).toBeLessThan(0.01);
    expect(kindOf(found).notices!(found).map((n) => n.id)).toContain('curved');
  });
  test('bowed so far that a flat face finds nothing, the refusal names the way', () => {
    for (const steep of [false, true]) {
      const made = scan(HULL, bowl(0.05, steep), { noiseMm: 0.3, spacingMm: 2.5 });
      expect(() => measureScan(made, ask('plane'))).toThrow(
        new RegExp(`not flat.*void of ${steep ? '5[34]\\.\\d' : '28\\.8'} mL. Choose curved`),
      );
    }
  });
  test('a flat face says nothing of it, and neither does a curved one taken as curved', () => {
    for (const share of [0.05, 0.4]) {
      expect(
        measureScan(scan(FLAT, bowl(share, false), { spacingMm: 4 }), ask('plane')).found.curvedMl,
      ).toBeUndefined();
      expect(
        measureScan(scan(HULL, bowl(share, false), { spacingMm: 4 }), ask('quadric')).found.curvedMl,
      ).toBeUndefined();
    }
  });
  test('a pan without any sound face round it is refused, never an area of nought', () => {
    const pan = scan(FLAT, (x, y) => 20 - ((x - 150) ** 2 + (y - 120) ** 2) / 2000, { spacingMm: 4 });
    for (const surface of ['plane', 'quadric'] as const)
      expect(() => measureScan(pan, ask(surface))).toThrow(/No hollow|sound base/);
  });
  test('a stored map of which nothing is deeper than its own roughness is a problem, not a thickness without end', () => {
    const found = measureScan(scan(FLAT, bowl(0.2, false), { spacingMm: 4 }), ask('plane'));
    const rough = { ...found, map: { ...found.map }, found: { ...found.found, edgeMm: 500 } };
    expect(plainWords(kindOf(rough).problems(rough)[0]!.sentence)).toMatch(/holds nothing/);
  });
});

test('what a mesh covers of a raster: area and heights by hand', () => {
  // A square of 30 × 30 in two triangles, tilted along x; the raster of cells of 8 mm begins at −4.
  const tilt = (x: number, y: number) => [x, y, x / 10];
  const xyz = Float32Array.from(
    [
      [0, 0],
      [30, 0],
      [30, 30],
      [0, 0],
      [30, 30],
      [0, 30],
    ].flatMap(([x, y]) => tilt(x!, y!)),
  );
  const level = {
    origin: [0, 0, 0],
    axes: [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ],
  } as const;
  const grid = { nx: 6, ny: 6, cellMm: 8, u0: -4, v0: -4, values: new Float64Array(36) };
  const { share, height } = coverOf({ xyz, triangles: 2 }, level, 1, grid);
  // Looks lie 2 mm apart, at odd places: fifteen of them along each side.
  expect(share.reduce((a, b) => a + b, 0) * 64).toBeCloseTo(30 * 30, 6);
  expect(share[7]).toBeCloseTo(1, 6);
  expect(share[0]).toBeCloseTo(1 / 4, 6);
  expect(height[8]).toBeCloseTo(1.6, 6);
  expect(height[5]).toBeNaN();
});

describe('meshes with stray faces', () => {
  const made = scan(FLAT, bowl(0.2, false), { mesh: true, noiseMm: 0.3, spacingMm: 3 });
  const off = (xyz: Float32Array) =>
    Math.abs(unpack(measureScan({ xyz, triangles: xyz.length / 9 }, ask('plane'))).volumeMl / made.volumeMl - 1);
  test.each([0.005, 0.02, 0.05])('a share of %p of the corners leaps by up to 60 mm', (share) => {
    const random = seeded(3);
    const leaps = new Map<string, number>();
    const xyz = Float32Array.from(made.xyz);
    for (let i = 0; i < xyz.length; i += 3) {
      const corner = `${made.xyz[i]},${made.xyz[i + 1]}`;
      if (!leaps.has(corner)) leaps.set(corner, random() < share ? 60 * (2 * random() - 1) : 0);
      xyz[i + 2]! += leaps.get(corner)!;
    }
    expect(off(xyz)).toBeLessThan(0.012);
  });
  test.each([20, 200])('%p faces of 80 mm hang about', (many) => {
    const random = seeded(7);
    const extra: number[] = [];
    for (let i = 0; i < many; i++) {
      const at = Math.floor(random() * made.triangles) * 9;
      for (let c = 0; c < 9; c++) extra.push(made.xyz[at + (c % 3)]! + (random() - 0.5) * (c % 3 === 2 ? 120 : 80));
    }
    const xyz = new Float32Array(made.xyz.length + extra.length);
    xyz.set(made.xyz);
    xyz.set(extra, made.xyz.length);
    expect(off(xyz)).toBeLessThan(0.005);
  });
  test('where a flat place is one large triangle, the cells under it are filled', () => {
    // Two triangles for the face all round would leave no corner there; the bowl is finely meshed.
    const fine = scan(FLAT, (x, y) => Math.max(0, 16 * (1 - ((x - 150) / 50) ** 2 - ((y - 120) / 50) ** 2)), {
      mesh: true,
      noiseMm: 0,
      spacingMm: 3,
      turnedDeg: [0, 0, 0],
    });
    const kept: number[] = [];
    for (let t = 0; t < fine.triangles; t++) {
      const at = 9 * t;
      if (Math.abs(fine.xyz[at]! - 150) < 56 && Math.abs(fine.xyz[at + 1]! - 120) < 56)
        kept.push(...fine.xyz.slice(at, at + 9));
    }
    const frame = [
      [0, 0, 94, 240],
      [206, 0, 300, 240],
      [94, 0, 206, 64],
      [94, 176, 206, 240],
    ] as const;
    for (const [x0, y0, x1, y1] of frame) kept.push(x0, y0, 0, x1, y0, 0, x1, y1, 0, x0, y0, 0, x1, y1, 0, x0, y1, 0);
    const found = measureScan({ xyz: Float32Array.from(kept), triangles: kept.length / 9 }, ask('plane'));
    expect(Math.abs(unpack(found).volumeMl / fine.volumeMl - 1)).toBeLessThan(0.01);
    expect(found.found.rimSeen).toBeGreaterThan(0.95);
  });
});

test('cells at the edge less than half covered are left out, inner ones stay; a lone spike is taken back, a step is not', () => {
  const grid = { nx: 4, ny: 3, cellMm: 1, u0: 0, v0: 0, values: Float64Array.of(5, 5, 5, 5, 5, 90, 5, 5, 0, 0, 0, 0) };
  const cut = withoutHalves(grid, Float32Array.of(0.4, 1, 1, 0.6, 1, 0.3, 1, 1, 1, 1, 1, 0.2));
  expect([...cut.values].map((v) => (Number.isNaN(v) ? '-' : v))).toEqual(['-', 5, 5, 5, 5, 90, 5, 5, 0, 0, 0, '-']);
  expect([...clipped(grid, 10).values]).toEqual([5, 5, 5, 5, 5, 5, 5, 5, 0, 0, 0, 0]);
  const lone = { nx: 1, ny: 1, cellMm: 1, u0: 0, v0: 0, values: Float64Array.of(7) };
  expect([...clipped(lone, 1).values]).toEqual([7]);
});
