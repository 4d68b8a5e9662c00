import { clock, countdown, dayAndClock, fullWhen, shortWhen } from './when';

const MIDNIGHT = Date.UTC(2026, 4, 6, 21, 14);

test('a quarter past midnight is 00:14 of the new day in every locale, never 24:14 of the old', () => {
  expect(clock(MIDNIGHT, 'Europe/Helsinki')).toBe('00:14');
  expect(dayAndClock(MIDNIGHT, 'Europe/Helsinki')).toBe('Thu 00:14');
  expect(clock(MIDNIGHT, 'UTC')).toBe('21:14');
});

test('near instants have their day, far ones their date', () => {
  expect(shortWhen(MIDNIGHT, 'UTC', MIDNIGHT - 5 * 86_400_000)).toBe('Wed 21:14');
  expect(shortWhen(MIDNIGHT, 'UTC', MIDNIGHT - 9 * 86_400_000)).toMatch(/6.*21:14/);
});

test('a stretch runs down in minutes, and past nought with a minus', () => {
  expect([countdown(61_000), countdown(3_725_000), countdown(-5_000)]).toEqual(['01:01', '1:02:05', '−00:05']);
});

test('September has three letters, as the core’s own words have it', () => {
  const at = Date.UTC(2026, 8, 5, 9);
  expect(shortWhen(at, 'UTC', at - 20 * 86_400_000)).toMatch(/5 Sep 09:00/);
  expect(fullWhen(at, 'UTC')).toMatch(/5 Sep 2026/);
});
