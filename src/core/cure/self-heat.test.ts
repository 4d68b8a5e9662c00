import { furtherSheets, mortarSheet, pasteSheet, resinSheet } from '../../sample/systems';
import { bruggeman, type LiftAsk, liftHolds, liftRun, potRun, reactiveOf, referenceOf, restsOn, selfHeats, thickestLift } from '.';

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
  expect(restsOn(paste.reference)).toMatch(/45 min at 23 °C for 200 g$/);
});

test('bigger and warmer pots die sooner; spread, parted or on ice they last longer', () => {
  const life = (massG: number, startC: number, vessel?: 'pot' | 'ice' | 'tray' | 'heaps') =>
    potRun(paste, { massG, startC, roomC: startC, ...(vessel && { vessel }), lifeOnly: true }).lifeMin!;
  expect(life(1000, 20)).toBeLessThan(life(200, 20));
  expect(life(200, 30)).toBeLessThan(life(200, 20));
  // Ten degrees more: for a small pot by the activation energy, exp(E/R (1/T₁ − 1/T₂)) = 2.1.
  expect(life(20, 20) / life(20, 30)).toBeCloseTo(2.1, 0);
  for (const vessel of ['ice', 'tray', 'heaps'] as const) expect(life(1000, 20, vessel)).toBeGreaterThan(life(1000, 20));
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
  const peaks = [3, 6, 12].map((thicknessMm) => liftRun(paste, { ...lift, thicknessMm }).history.meanC.reduce((m, x) => Math.max(m, x), 0));
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
  expect(selfHeats(resinSheet)).toMatch(/resin and amine hardener only/);
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
