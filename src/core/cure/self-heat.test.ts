import { plainWords } from '@/words';
import { furtherSheets, mortarSheet, pasteSheet, resinSheet } from '../../sample/systems';
import {
  AMINE,
  bruggeman,
  type LiftAsk,
  liftHolds,
  liftRun,
  lossless,
  potRun,
  reactiveOf,
  referenceOf,
  restsOn,
  selfHeats,
  thickestLift,
} from '.';

const paste = reactiveOf(pasteSheet);
const mortar = reactiveOf(mortarSheet);
const clear = reactiveOf(furtherSheets.find((s) => s.id === 'sheet-pour-1')!);
const lift: LiftAsk = { thicknessMm: 10, base: 'concrete', baseC: 15, airC: 18, startC: 20 };

test('calibrated: the pot of the sheet dies at the sheet’s short pot life', () => {
  for (const m of [paste, mortar, clear]) {
    const { massG, tempC, minutes } = m.reference;
    expect(potRun(m, { massG, startC: tempC, roomC: tempC }).lifeMin! / minutes).toBeCloseTo(1, 2);
  }
  expect(referenceOf(pasteSheet)).toEqual(paste.reference);
  expect(plainWords(restsOn(paste.reference))).toMatch(/45 min at 23 °C for 200 g$/);
});

test('bigger and warmer pots die sooner; spread, parted or on ice they last longer', () => {
  const life = (massG: number, startC: number, vessel?: 'pot' | 'ice' | 'tray' | 'heaps') =>
    potRun(paste, { massG, startC, roomC: startC, ...(vessel && { vessel }), lifeOnly: true }).lifeMin!;
  expect(life(1000, 20)).toBeLessThan(life(200, 20));
  expect(life(200, 30)).toBeLessThan(life(200, 20));
  // Ten degrees more: for a small pot by the activation energy, exp(E/R (1/T₁ − 1/T₂)) = 2.1.
  expect(life(20, 20) / life(20, 30)).toBeCloseTo(2.1, 0);
  for (const vessel of ['ice', 'tray', 'heaps'] as const)
    expect(life(1000, 20, vessel)).toBeGreaterThan(life(1000, 20));
});

test('energy balances within 0.5 %; a grid four times finer moves life and peak of calm runs by less than 1 %', () => {
  for (const massG of [100, 1000]) {
    const coarse = potRun(mortar, { massG, startC: 20, roomC: 20 });
    const fine = potRun(mortar, { massG, startC: 20, roomC: 20, cells: 40 });
    expect(coarse.verdict).toBe('calm');
    expect(Math.abs(coarse.balance - 1)).toBeLessThan(0.005);
    expect(Math.abs(coarse.lifeMin! / fine.lifeMin! - 1)).toBeLessThan(0.01);
    expect(Math.abs((coarse.peakC! - 20) / (fine.peakC! - 20) - 1)).toBeLessThan(0.01);
  }
  const a = liftRun(mortar, { ...lift, thicknessMm: 40 });
  const b = liftRun(mortar, { ...lift, thicknessMm: 40, cells: 56 });
  expect(Math.abs(a.balance - 1)).toBeLessThan(0.005);
  expect(Math.abs((a.peakC! - 20) / (b.peakC! - 20) - 1)).toBeLessThan(0.015);
  expect(Math.abs(a.gelMin! / b.gelMin! - 1)).toBeLessThan(0.015);
});

test('a pot that runs away is called so, and no number is told', () => {
  const r = potRun(paste, { massG: 2000, startC: 25, roomC: 25 });
  expect(r).toMatchObject({ verdict: 'runaway', peakC: null });
  expect(potRun(paste, { massG: 2000, startC: 25, roomC: 25, cells: 20 }).verdict).toBe('runaway');
  expect(r.lifeMin).not.toBeNull();
});

test('a thin film follows its base, and a thick lift is hotter than a thin one', () => {
  const film = liftRun(paste, { ...lift, thicknessMm: 1, startC: 15, airC: 15 });
  expect(film.peakC! - 15).toBeLessThan(1);
  const peaks = [3, 6, 12].map((thicknessMm) =>
    liftRun(paste, { ...lift, thicknessMm }).history.meanC.reduce((m, x) => Math.max(m, x), 0),
  );
  expect(peaks[0]!).toBeLessThan(peaks[1]!);
  expect(peaks[1]!).toBeLessThan(peaks[2]!);
  // The next lift may follow only when it has set and cooled.
  const r = liftRun(mortar, { ...lift, thicknessMm: 40 });
  expect(r.nextLiftMin!).toBeGreaterThan(r.gelMin!);
  expect(r.peakDepthMm).toBeGreaterThan(0);
  expect(r.peakDepthMm).toBeLessThan(40);
});

test('the thickest lift holds and a thicker one does not; the sheet’s own lift overrules', () => {
  const t = thickestLift(paste, lift);
  expect(liftHolds(paste, { ...lift, thicknessMm: t.mm })).toBe(true);
  expect(liftHolds(paste, { ...lift, thicknessMm: t.mm * 1.1 })).toBe(false);
  expect(t.nominalMm).toBeGreaterThan(t.mm);
  expect(t.planMm).toBe(t.mm);
  expect(thickestLift(mortar, lift)).toMatchObject({ sheetMm: 20, planMm: 20 });
  // A warm day and a base that bears less make it thinner.
  expect(thickestLift(paste, { ...lift, baseC: 28, airC: 30, startC: 28 }).mm).toBeLessThan(t.mm);
  expect(thickestLift(paste, { ...lift, base: 'plastic' }).mm).toBeLessThan(t.mm);
});

test('only resin and amine hardener; no pot life, no answer; no mass, no lift', () => {
  expect(plainWords(selfHeats(resinSheet)!)).toMatch(/resin and amine hardener only/);
  expect(() => referenceOf({ ...pasteSheet, milestones: [] })).toThrow(/no pot life/);
  expect(() => potRun(paste, { massG: 0, startC: 20, roomC: 20 })).toThrow(/mass above 0/);
  expect(() => liftRun(paste, { ...lift, thicknessMm: -1 })).toThrow(/thickness above 0/);
});

test('grains conduct: Bruggeman’s rule lies between its parts and solves its own equation', () => {
  for (const share of [0.1, 0.35, 0.6]) {
    const k = bruggeman(0.2, 3, share);
    expect(k).toBeGreaterThan(0.2);
    expect(k).toBeLessThan(3);
    expect(((3 - k) / (3 - 0.2)) * Math.cbrt(0.2 / k)).toBeCloseTo(1 - share, 9);
  }
  const light = bruggeman(0.2, 0.05, 0.4);
  expect(light).toBeLessThan(0.2);
  expect(((0.05 - light) / (0.05 - 0.2)) * Math.cbrt(0.2 / light)).toBeCloseTo(0.6, 9);
});

describe('a run goes on until it cools', () => {
  test('on ice, and mixed warm in a cold room: first cooler than it began, then hot', () => {
    const iced = potRun(clear, { massG: 500, startC: 20, roomC: 20, vessel: 'ice' });
    // It cools first, and is not called calm for that.
    expect(Math.min(...iced.history.meanC)).toBeLessThan(18);
    expect(iced.peakC!).toBeGreaterThan(90);
    expect(iced.peakAtMin).toBeGreaterThan(iced.lifeMin!);
    expect(potRun(paste, { massG: 500, startC: 30, roomC: 5 })).toMatchObject({ verdict: 'runaway', peakC: null });
  });
  test('what stays cool is seen to its end: nothing is left that could heat it', () => {
    const cool = potRun(mortar, { massG: 500, startC: 20, roomC: 20, vessel: 'ice' });
    expect(cool).toMatchObject({ verdict: 'calm', peakC: 20 });
    expect(cool.history.meanAlpha.at(-1)!).toBeGreaterThan(0.35);
    expect(cool.history.meanC.at(-1)!).toBeLessThan(20);
  });
});

describe('steps five times finer', () => {
  test.each([
    ['cold', paste, { massG: 100, startC: 5, roomC: 5 }],
    ['colder', clear, { massG: 50, startC: 2, roomC: 2 }],
    ['on ice', paste, { massG: 500, startC: 20, roomC: 20, vessel: 'ice' }],
    ['large', mortar, { massG: 2000, startC: 20, roomC: 20 }],
    ['in a tray', clear, { massG: 300, startC: 20, roomC: 20, vessel: 'tray' }],
  ] as const)('%s: life within 0.5 %, rise within 1 %, and it balances', (_, m, ask) => {
    const coarse = potRun(m, { ...ask, cells: 6 });
    const fine = potRun(m, { ...ask, cells: 6, fineness: 5 });
    expect(Math.abs(coarse.lifeMin! / fine.lifeMin! - 1)).toBeLessThan(0.005);
    expect(Math.abs((coarse.peakC! - 1) / (fine.peakC! - 1) - 1)).toBeLessThan(0.01);
    expect(coarse.verdict).toBe(fine.verdict);
    expect(Math.abs(coarse.balance - 1)).toBeLessThan(1e-6);
  });
});

test('a body that loses nothing: as an independent integration of one cell says, to 0.1 %', () => {
  const startC = 12;
  const got = lossless(mortar, startC);
  // Kamal and Sourour with T tied to α by the heat set free; fourth-order Runge–Kutta in steps of 2 s.
  const rise = (mortar.phi * mortar.liquidKgPerM3 * AMINE.heatJPerKg) / mortar.rhoC;
  const speed = (a: number) =>
    mortar.a2 *
    Math.exp(-AMINE.activationJ / (8.314462618 * (startC + rise * a + 273.15))) *
    (AMINE.k1Share + a) *
    (1 - a) ** 2;
  let [a, s] = [0, 0];
  const reached: Partial<Record<'dead' | 'gel', number>> = {};
  while (a < 0.999 && s < 48 * 3600) {
    const h = 2;
    const k1 = speed(a);
    const k2 = speed(a + (h * k1) / 2);
    const k3 = speed(a + (h * k2) / 2);
    const k4 = speed(a + h * k3);
    a += (h * (k1 + 2 * k2 + 2 * k3 + k4)) / 6;
    s += h;
    if (a >= AMINE.deadAlpha) reached.dead ??= s / 60;
    if (a >= AMINE.gelAlpha) reached.gel ??= s / 60;
  }
  expect(Math.abs(got.lifeMin! / reached.dead! - 1)).toBeLessThan(0.003);
  expect(Math.abs(got.gelMin! / reached.gel! - 1)).toBeLessThan(0.003);
  expect(got.peakC!).toBeCloseTo(startC + rise, 9);
  // Nothing larger dies sooner.
  for (const massG of [500, 5000, 50_000])
    expect(potRun(mortar, { massG, startC, roomC: startC, lifeOnly: true }).lifeMin!).toBeGreaterThan(
      got.lifeMin! * 0.999,
    );
});
