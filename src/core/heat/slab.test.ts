import { Refusal } from '../say';
import { conduct, type Slab } from '.';

const concrete: Slab = {
  thicknessM: 0.2,
  kWPerMK: 1.6,
  rhoC: 2300 * 900,
  hOuter: 10,
  inner: { kind: 'insulated' },
  cells: 24,
};

test('a thin metal plate follows the lumped exponential', () => {
  // Bi = h s / k = 0.001: T = T_env + (T0 − T_env) exp(−h t / ρ c s)
  const plate: Slab = {
    thicknessM: 0.006,
    kWPerMK: 50,
    rhoC: 7850 * 490,
    hOuter: 10,
    inner: { kind: 'insulated' },
    cells: 6,
  };
  const steps = 720;
  const { surfaceC } = conduct(plate, new Float64Array(steps).fill(20), null, 0, 5);
  const hand = 20 - 20 * Math.exp((-10 * steps * 5) / (7850 * 490 * 0.006));
  expect(surfaceC.at(-1)).toBeCloseTo(hand, 1);
});

test('a fixed outer face on an insulated slab decays by the first Fourier mode', () => {
  const held: Slab = { ...concrete, hOuter: 1e6, cells: 60 };
  const n = held.cells;
  const start = Float64Array.from({ length: n }, (_, i) => 10 * Math.sin(((i + 0.5) / n) * (Math.PI / 2)));
  const steps = 600;
  const dt = 30;
  const { cellsC } = conduct(held, new Float64Array(steps), null, start, dt);
  const a = 1.6 / (2300 * 900);
  const decay = Math.exp(-a * (Math.PI / 2 / 0.2) ** 2 * steps * dt);
  expect(cellsC[n - 1]! / start[n - 1]!).toBeCloseTo(decay, 2);
});

test('heat is conserved: what crosses the face is what the cells gained', () => {
  const outer = Float64Array.from({ length: 288 }, (_, i) => 10 + 8 * Math.sin((i * 2 * Math.PI) / 144));
  const { surfaceC, cellsC } = conduct(concrete, outer, null, 5, 600);
  // Between the instants the flux runs straight; at the first it passes film and half a cell.
  const flux = [(outer[0]! - 5) / (1 / 10 + 0.2 / 24 / 2 / 1.6), ...outer.map((env, i) => 10 * (env - surfaceC[i]!))];
  const through = outer.reduce((sum, _, i) => sum + ((flux[i]! + flux[i + 1]!) / 2) * 600, 0);
  const gained = cellsC.reduce((sum, c) => sum + (c - 5), 0) * (0.2 / 24) * 2300 * 900;
  expect(Math.abs(through - gained) / Math.abs(gained)).toBeLessThan(0.005);
});

test('a grid four times finer moves the face by less than 1 % of the swing', () => {
  const outer = (perHour: number) =>
    Float64Array.from({ length: 48 * perHour }, (_, i) => 10 + 8 * Math.sin((i * 2 * Math.PI) / (24 * perHour)));
  const coarse = conduct(concrete, outer(6), null, 10, 600).surfaceC;
  const fine = conduct({ ...concrete, cells: 96 }, outer(24), null, 10, 150).surfaceC;
  expect(Math.abs(coarse.at(-1)! - fine.at(-1)!)).toBeLessThan(0.16);
});

test('sizes that are not positive are refused by name', () => {
  expect(() => conduct({ ...concrete, thicknessM: 0 }, new Float64Array(1), null, 0, 60)).toThrow(Refusal);
});

test('metal in quarter hours, cooling in the evening and after a jump of the sun: within 0.03 K of the exact course', () => {
  const plate: Slab = {
    thicknessM: 0.012,
    kWPerMK: 50,
    rhoC: 7850 * 490,
    hOuter: 10,
    inner: { kind: 'insulated' },
    cells: 12,
  };
  const tau = (7850 * 490 * 0.012) / 10;
  // Falls by 2 K an hour; after six hours the sun lifts it by 18 K from one sample to the next, and four hours later it
  // is gone.
  const env = (step: number) => 20 - step / 2 + (step >= 24 && step < 40 ? 18 : 0);
  const outer = Float64Array.from({ length: 80 }, (_, i) => env(i + 1));
  const { surfaceC } = conduct(plate, outer, null, 20, 900, { outerC: env(0), innerC: 0 });
  // One lump, Bi = 0.0024: exact over each straight piece.
  let own = 20;
  for (let i = 0; i < outer.length; i++) {
    const [a, b] = [env(i), env(i + 1)];
    const lag = ((b - a) * tau) / 900;
    own = b - lag + (own - a + lag) * Math.exp(-900 / tau);
    expect(Math.abs(surfaceC[i]! - own)).toBeLessThan(0.03);
  }
});
