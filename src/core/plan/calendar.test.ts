import { DateTime } from 'luxon';
import { windowsOver } from './calendar';
import type { Job } from './job';

const zone = 'Europe/Helsinki';
const at = (iso: string) => DateTime.fromISO(iso, { zone }).toMillis();
const over = (hours: Job['workingHours'], from: string, to: string) =>
  windowsOver({ zone, workingHours: hours }, at(from), at(to));
const EVERY = [1, 2, 3, 4, 5, 6, 7];

test('a day ends where work ends: as many windows as working days', () => {
  const windows = over({ fromHour: 7, toHour: 17, days: [1, 2, 3, 4, 5] }, '2026-05-04T00:00', '2026-05-17T23:59');
  expect(windows).toHaveLength(10);
  for (const w of windows) expect((w.toMs - w.fromMs) / 3_600_000).toBe(10);
});

test('where work goes on round the clock no day ends at midnight, nor on the days the clocks change', () => {
  for (const from of ['2026-05-04T00:00', '2026-03-27T00:00', '2026-10-23T00:00']) {
    const to = DateTime.fromISO(from, { zone }).plus({ days: 4 });
    const windows = over({ fromHour: 0, toHour: 24, days: EVERY }, from, to.toISO()!);
    expect(windows).toHaveLength(1);
    expect(windows[0]!.fromMs).toBeLessThanOrEqual(at(from));
    expect(windows[0]!.toMs).toBeGreaterThanOrEqual(to.toMillis());
  }
});

test('a day off parts it, and it ends at the midnight before', () => {
  const windows = over({ fromHour: 0, toHour: 24, days: [1, 2, 3, 4, 5, 6] }, '2026-05-04T00:00', '2026-05-12T23:59');
  expect(windows.map((w) => [w.fromMs, w.toMs])).toEqual([
    [at('2026-05-04T00:00'), at('2026-05-10T00:00')],
    [at('2026-05-11T00:00'), at('2026-05-13T00:00')],
  ]);
});

test.each([
  [{ fromHour: 6, toHour: 20, days: EVERY }],
  [{ fromHour: 0, toHour: 24, days: [2, 3, 6] }],
  [{ fromHour: 0, toHour: 24, days: EVERY }],
  [{ fromHour: 0, toHour: 12, days: EVERY }],
])('windows are the working hours, no more and no less: %j', (hours) => {
  const [from, to] = ['2026-03-25T00:00', '2026-04-03T00:00'];
  const windows = over(hours, from, to);
  // Naive: hour by hour, by the local clock.
  for (let ms = at(from) + 1; ms < at(to); ms += 3_600_000) {
    const local = DateTime.fromMillis(ms, { zone });
    const works = hours.days.includes(local.weekday) && local.hour >= hours.fromHour && local.hour < hours.toHour;
    expect([local.toISO(), windows.some((w) => w.fromMs <= ms && ms < w.toMs)]).toEqual([local.toISO(), works]);
  }
  for (const [i, w] of windows.entries()) if (i) expect(w.fromMs).toBeGreaterThan(windows[i - 1]!.toMs);
});
