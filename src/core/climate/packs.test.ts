import { Refusal } from '../say';
import { type PackAsk, packWarming } from '.';

const tin: PackAsk = {
  container: 'tin',
  volumeMl: 1000,
  densityGPerMl: 1.1,
  fromC: 6,
  wantC: 18,
  aroundC: 24,
  warmer: 'room',
};

test('a small tin in still air follows the lumped exponential', () => {
  // Bi = h (V/A) / k is small for a very small jar.
  const jar = packWarming({ ...tin, container: 'tin', volumeMl: 0.05 });
  const r = Math.cbrt(5e-8 / (2 * Math.PI * 1.2));
  const tau = (1.1e3 * 2000 * 5e-8) / (8 * (2 * Math.PI * r * r + 2 * Math.PI * r * 2 * r * 1.2));
  expect(Math.abs(jar.meanMin / ((tau * Math.log(18 / 6)) / 60) - 1)).toBeLessThan(0.05);
});

test('bigger packs take longer, a bath is quicker than a room, the middle lags the mean', () => {
  const t = (over: Partial<PackAsk>) => packWarming({ ...tin, ...over });
  expect(t({ volumeMl: 5000 }).meanMin).toBeGreaterThan(t({}).meanMin);
  expect(t({ warmer: 'bath' }).meanMin).toBeLessThan(t({ warmer: 'fan' }).meanMin);
  expect(t({ warmer: 'fan' }).meanMin).toBeLessThan(t({}).meanMin);
  for (const container of ['tin', 'pail', 'cartridge', 'bag'] as const) {
    const r = t({ container, warmer: 'bath' });
    expect(r.throughMin).toBeGreaterThanOrEqual(r.meanMin);
    expect(r.history.meanC.at(-1)!).toBeGreaterThan(r.history.middleC.at(-1)! - 1e-9);
  }
});

test('cooling is the same the other way round', () => {
  const warm = packWarming(tin);
  const cool = packWarming({ ...tin, fromC: 36, wantC: 24, aroundC: 18 });
  expect(cool.meanMin).toBeCloseTo(warm.meanMin, 6);
});

test('a place that never brings it there is refused, as is a pack of nothing; what is there already needs no time', () => {
  expect(() => packWarming({ ...tin, aroundC: 17 })).toThrow(/never brings it to 18 °C/);
  expect(() => packWarming({ ...tin, volumeMl: 0 })).toThrow(Refusal);
  expect(packWarming({ ...tin, fromC: 18 })).toMatchObject({ meanMin: 0, throughMin: 0 });
});
