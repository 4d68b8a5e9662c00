import { Refusal } from '../say';
import { conduct, type Kinetics, layered, potGrid, rate, runHeat } from '.';

const AIR = (c: number) => () => ({ firstU: c, lastU: c, firstV: c, lastV: c });
const liquid = { k: 0.2, rhoC: 2.2e6, reacting: 1 };
const kinetics: Kinetics = { activationJ: 55_000, a2: 2e6, k1Share: 0.05, m: 1, n: 2, heatJPerM3: 1100 * 360_000 };

describe('conduction in one solver', () => {
  test('a sphere cools by the Fourier series', () => {
    // Surface held at 0: centre = 2 Σ (−1)^{n+1} exp(−n² π² Fo).
    const R = 0.05;
    const grid = layered('sphere', [{ lengthM: R, cells: 60, k: 1, rhoC: 2e6, reacting: 0 }], null, 1e7);
    const s = 600;
    const fo = ((1 / 2e6) * s) / R ** 2;
    const hand =
      2 * [1, 2, 3, 4, 5, 6].reduce((sum, n) => sum + (-1) ** (n + 1) * Math.exp(-n * n * Math.PI ** 2 * fo), 0);
    const { tempC } = runHeat({ grid, kinetics: null, startC: 1, outside: AIR(0), untilS: s, maxStepS: 1 });
    expect(tempC[0]!).toBeCloseTo(hand, 2);
  });
  test('a long cylinder cools by the first Bessel mode', () => {
    const R = 0.05;
    const grid = layered('cylinder', [{ lengthM: R, cells: 60, k: 1, rhoC: 2e6, reacting: 0 }], null, 1e7);
    const at = (s: number) =>
      runHeat({ grid, kinetics: null, startC: 1, outside: AIR(0), untilS: s, maxStepS: 2 }).tempC[0]!;
    // Late decay: exp(−2.4048² α t / R²).
    const alpha = 1 / 2e6;
    expect(Math.log(at(1500) / at(2500))).toBeCloseTo((2.404826 ** 2 * alpha * 1000) / R ** 2, 1);
  });
  test('a slab is what the solver for bases gives', () => {
    const grid = layered('slab', [{ lengthM: 0.2, cells: 24, k: 1.6, rhoC: 2.07e6, reacting: 0 }], 10, null);
    const step = 600;
    const outer = Float64Array.from({ length: 144 }, (_, i) => 10 + 8 * Math.sin((i * 2 * Math.PI) / 144));
    const base = conduct(
      { thicknessM: 0.2, kWPerMK: 1.6, rhoC: 2.07e6, hOuter: 10, inner: { kind: 'insulated' }, cells: 24 },
      outer,
      null,
      10,
      step,
    );
    const { tempC } = runHeat({
      grid,
      kinetics: null,
      startC: 10,
      outside: (s) => AIR(outer[Math.min(143, Math.ceil(s / step - 1e-9) - 1)]!)(),
      untilS: 144 * step,
      maxStepS: 60,
    });
    for (let i = 0; i < 24; i++) expect(Math.abs(tempC[i]! - base.cellsC[i]!)).toBeLessThan(0.12);
  });
  test('a squat cylinder of one row of cells in z, closed at both ends, is a long one', () => {
    const long = layered('cylinder', [{ lengthM: 0.05, cells: 20, k: 0.5, rhoC: 2e6, reacting: 0 }], null, 15);
    const pot = potGrid({
      radiusM: 0.05,
      heightM: 1,
      k: 0.5,
      rhoC: 2e6,
      reacting: 0,
      hWall: 15,
      hBottom: 1e-12,
      hTop: 1e-12,
      cellsR: 20,
      cellsZ: 1,
    });
    const run = (grid: typeof long) =>
      runHeat({ grid, kinetics: null, startC: 40, outside: AIR(10), untilS: 3600, maxStepS: 30 }).tempC;
    const [a, b] = [run(long), run(pot)];
    for (let i = 0; i < 20; i++) expect(a[i]!).toBeCloseTo(b[i]!, 6);
  });
});

describe('with the heat of curing', () => {
  test('nothing lost: the rise is heat over heat capacity, whatever the kinetics', () => {
    const grid = potGrid({
      radiusM: 0.05,
      heightM: 0.1,
      ...liquid,
      reacting: 0.6,
      hWall: 1e-12,
      hBottom: 1e-12,
      hTop: 1e-12,
      cellsR: 4,
      cellsZ: 4,
    });
    const { tempC, alpha } = runHeat({ grid, kinetics, startC: 20, outside: AIR(20), untilS: 48 * 3600 });
    const rise = (0.6 * kinetics.heatJPerM3) / liquid.rhoC;
    for (let i = 0; i < 16; i++) expect(tempC[i]! - 20).toBeCloseTo(rise * alpha[i]!, 6);
    expect(alpha[0]!).toBeGreaterThan(0.98);
  });
  test('energy: what was freed is stored or went through the faces, within 0.5 %', () => {
    const grid = potGrid({
      radiusM: 0.04,
      heightM: 0.08,
      ...liquid,
      hWall: 10,
      hBottom: 10,
      hTop: 10,
      cellsR: 8,
      cellsZ: 8,
    });
    const r = runHeat({ grid, kinetics, startC: 18, outside: AIR(18), untilS: 4 * 3600 });
    const stored = r.tempC.reduce((s, t, i) => s + (t - 18) * grid.volume[i]! * grid.rhoC[i]!, 0);
    expect(Math.abs((stored + r.lostJ) / r.freedJ - 1)).toBeLessThan(0.005);
  });
  test('held at one temperature the cure is that of a fine-step integration of the rate', () => {
    const grid = layered('slab', [{ lengthM: 0.0005, cells: 2, ...liquid }], 1e6, 1e6);
    const { alpha, s } = runHeat({ grid, kinetics, startC: 25, outside: AIR(25), untilS: 7200 });
    let a = 0;
    for (let t = 0; t < s - 1e-9; t += 0.5) a += 0.5 * rate(kinetics, a + 0.25 * rate(kinetics, a, 25), 25);
    expect(Math.abs(alpha[0]! / a - 1)).toBeLessThan(0.01);
  });
});

test('sizes that are not positive are refused by name', () => {
  expect(() => layered('slab', [{ lengthM: 0, cells: 3, ...liquid }], 10, 10)).toThrow(Refusal);
  expect(() =>
    potGrid({ radiusM: -1, heightM: 1, ...liquid, hWall: 1, hBottom: 1, hTop: 1, cellsR: 2, cellsZ: 2 }),
  ).toThrow(/radiusM/);
});
