import { seriesOf } from '../climate';
import { type Stretch, stretchesOf } from '.';

const H = 3_600_000;
const series = (values: readonly number[]) => seriesOf(values.map((v, i) => [i * 6 * H, v]));
const limits = { baseMinC: 5, baseMaxC: 30, dewMarginK: 3 };
const hours = (s: readonly Stretch[]) => s.map((x) => [x.id, x.fromMs / H, x.toMs / H]);

test('borders lie where the straight line crosses the limit', () => {
  // Falls from 15 to 1 in six hours and rises back: under 5 °C from 10/14 of the way down to 4/14 of the way up.
  const found = stretchesOf(limits, { base: series([15, 1, 15]), dew: series([-20, -20, -20]) }, 0, 12 * H);
  expect(found).toHaveLength(1);
  expect(found[0]!.id).toBe('cold');
  expect(found[0]!.fromMs / H).toBeCloseTo((6 * 10) / 14, 9);
  expect(found[0]!.toMs / H).toBeCloseTo(6 + (6 * 4) / 14, 9);
});

test('wet and cold may run at once, each by itself; what is still so at the end ends there', () => {
  const found = hours(stretchesOf(limits, { base: series([8, 4, 4]), dew: series([2, 2, 2]) }, 0, 12 * H));
  // The margin of 3 K over a dew point of 2 °C is lost at 5 °C, just where it is too cold.
  expect(found).toEqual([
    ['wet', 4.5, 12],
    ['cold', 4.5, 12],
  ]);
});

test('too hot, and a silent sheet: only the wet of its usual 3 K is left', () => {
  const site = { base: series([20, 40, 20]), dew: series([10, 10, 18]) };
  expect(hours(stretchesOf(limits, site, 0, 12 * H))).toEqual([
    ['hot', 3, 9],
    ['wet', expect.closeTo(6 + (6 * 27) / 28, 6), 12],
  ]);
  const silent = { baseMinC: null, baseMaxC: null, dewMarginK: null };
  expect(stretchesOf(silent, site, 0, 12 * H).map((s) => s.id)).toEqual(['wet']);
  expect(stretchesOf(null, site, 0, 12 * H).map((s) => s.id)).toEqual(['wet']);
});

test('agrees with a walk minute by minute over a day that swings', () => {
  const base = seriesOf(Array.from({ length: 97 }, (_, i) => [i * 900_000, 8 + 9 * Math.sin(i / 9)]));
  const dew = seriesOf(Array.from({ length: 25 }, (_, i) => [i * H, 4 + 3 * Math.cos(i / 4)]));
  const found = stretchesOf(limits, { base, dew }, 0, 24 * H);
  const value = (s: typeof base, ms: number) => {
    const i = Math.min(s.times.length - 2, Math.max(0, s.times.findIndex((t) => t > ms) - 1));
    return s.values[i]! + ((s.values[i + 1]! - s.values[i]!) * (ms - s.times[i]!)) / (s.times[i + 1]! - s.times[i]!);
  };
  let wrong = 0;
  for (let ms = 0; ms < 24 * H; ms += 60_000) {
    const [b, d] = [value(base, ms), value(dew, ms)];
    const inside = (id: string) => found.some((s) => s.id === id && ms >= s.fromMs && ms < s.toMs);
    for (const [id, over] of [
      ['cold', 5 - b],
      ['wet', d + 3 - b],
    ] as const)
      if (Math.abs(over) > 0.05 && inside(id) !== over > 0) wrong++;
  }
  expect(wrong).toBe(0);
});
