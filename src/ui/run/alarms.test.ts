import fc from 'fast-check';
import { ALARM_MARKS, alarmAt, alarmText } from './alarms';

test('each mark is told once as the clock passes it, and nothing between', () => {
  expect(alarmAt(120_500, 119_500)).toBe(120_000);
  expect(alarmAt(119_500, 118_500)).toBeNull();
  expect(alarmAt(500, -500)).toBe(0);
  expect(alarmAt(-500, -1500)).toBeNull();
  expect(alarmAt(600_000, 120_000)).toBe(120_000);
});

test('of a page that slept through both only the end is told', () => {
  expect(alarmAt(600_000, -60_000)).toBe(0);
});

test('a clock that is set back is not told again until it passes the mark anew', () => {
  expect(alarmAt(60_000, 300_000)).toBeNull();
  expect(alarmAt(300_000, 100_000)).toBe(120_000);
});

test('law: however a falling clock is looked at, its end is told exactly once', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 90_000 }), { minLength: 1, maxLength: 60 }), (steps) => {
      let left = 400_000;
      const told: (number | null)[] = [];
      for (const s of [...steps, 500_000]) {
        told.push(alarmAt(left, left - s));
        left -= s;
      }
      expect(told.filter((m) => m === 0)).toHaveLength(1);
      expect(told.filter((m) => m === ALARM_MARKS[0]).length).toBeLessThanOrEqual(1);
    }),
  );
});

test('what is said names the clock', () => {
  expect(alarmText('Batch 2, the pot', 120_000)).toBe('Batch 2, the pot: two minutes left.');
  expect(alarmText('Open time', 0)).toBe('Open time: the time is up.');
});
