import { DateTime } from 'luxon';
import { localTicks } from './ticks';

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
