import fc from 'fast-check';
import { DateTime } from 'luxon';
import { labelPlace, localTicks, minuteTicks, ticksOf } from './ticks';

const H = 3_600_000;

test.each(['Europe/Helsinki', 'America/New_York', 'Asia/Kolkata', 'Australia/Lord_Howe', 'utc'])(
  'days of %s begin at its own midnight, wherever it is looked at from, over a week in which clocks are set',
  (zone) => {
    for (const iso of ['2027-03-24T10:20', '2027-10-27T13:40', '2027-03-11T03:00', '2027-11-03T00:00']) {
      const from = DateTime.fromISO(iso, { zone }).toMillis();
      const days = localTicks(from, from + 168 * H, 24, zone).map((ms) => DateTime.fromMillis(ms, { zone }));
      const first = DateTime.fromMillis(from, { zone });
      const midnight = first.startOf('day').toMillis() === from ? first : first.plus({ days: 1 }).startOf('day');
      expect(days.map((d) => d.toFormat('yyyy-MM-dd HH:mm'))).toEqual(
        Array.from({ length: days.length }, (_, i) => midnight.plus({ days: i }).toFormat('yyyy-MM-dd HH:mm')),
      );
      expect(days.length).toBeGreaterThanOrEqual(7);
    }
  },
);

test('quarters of a day, and none outside the range', () => {
  const from = DateTime.fromISO('2027-05-10T05:30', { zone: 'utc' }).toMillis();
  const ticks = localTicks(from, from + 24 * H, 6, 'utc');
  expect(ticks.map((ms) => (ms - from) / H)).toEqual([0.5, 6.5, 12.5, 18.5]);
});

test.each([
  [45, 4.5, [0, 10, 20, 30, 40]],
  [160, 3.4, [0, 60, 120]],
  [10, 5, [0, 2, 4, 6, 8, 10]],
  [2880, 4, [0, 720, 1440, 2160, 2880]],
])('minutes up to %d, at most %d beyond the first: at round ones', (endMin, most, ticks) => {
  expect(minuteTicks(endMin, most)).toEqual(ticks);
});

test('never more than there is room for, evenly apart, from nought to the end and not beyond it', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40_000 }), fc.double({ min: 2.5, max: 9, noNaN: true }), (endMin, most) => {
      const ticks = minuteTicks(endMin, most);
      expect(ticks[0]).toBe(0);
      expect(ticks.length - 1).toBeLessThanOrEqual(most);
      expect(ticks.length).toBeGreaterThan(1);
      const apart = ticks[1]!;
      for (const [i, t] of ticks.entries()) expect(t).toBe(i * apart);
      expect(ticks.at(-1)!).toBeLessThanOrEqual(endMin);
      expect(ticks.at(-1)! + apart).toBeGreaterThan(endMin);
    }),
  );
});

/** Where a label begins and ends, as wide as it is taken to be. */
function spanOf(atPx: number, label: string, size: number, edges: readonly [number, number]) {
  const { x, anchor } = labelPlace(atPx, { label, size, edges });
  const wide = label.length * size * 0.58;
  const from = anchor === 'start' ? x : anchor === 'end' ? x - wide : x - wide / 2;
  return [from, from + wide] as const;
}

test('a label stands under its tick, and against the edge where it would be cut', () => {
  const at = (px: number) => labelPlace(px, { label: '6:00 am', size: 12.5, edges: [0, 900] });
  expect(at(400)).toEqual({ x: 400, anchor: 'middle' });
  expect(at(888)).toEqual({ x: 899, anchor: 'end' });
  expect(at(3)).toEqual({ x: 1, anchor: 'start' });
});

test('wherever its tick is, no label goes over an edge', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 900 }),
      fc.constantFrom('Mon', '6:00 am', '12:00 pm', '06:00'),
      fc.integer({ min: 9, max: 15 }),
      (px, label, size) => {
        const [from, to] = spanOf(px, label, size, [0, 900]);
        expect(from).toBeGreaterThanOrEqual(0);
        expect(to).toBeLessThanOrEqual(900);
      },
    ),
  );
});

test('ticks are whole hours of the site, inside the range, ten at most, whatever its length', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 400 * 24 }), fc.integer({ min: 1, max: 24 * 60 }), (from, hours) => {
      const fromMs = Date.UTC(2027, 0, 1) + from * H;
      const ticks = ticksOf(fromMs, fromMs + hours * H, 'Europe/Helsinki');
      expect(ticks.length).toBeLessThanOrEqual(10);
      for (const t of ticks) expect((t.ms - fromMs) % H).toBe(0);
      expect(ticks.every((t) => t.ms >= fromMs && t.ms <= fromMs + hours * H)).toBe(true);
    }),
  );
});
