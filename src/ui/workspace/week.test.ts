import { readPrefs } from './prefs';
import { WEEK_STARTS, weekFrom, weekStartFor, weekStartName } from './week';

test('a week has every day once, the first of them first', () => {
  for (const start of WEEK_STARTS) {
    expect([...weekFrom(start)].sort()).toEqual([1, 2, 3, 4, 5, 6, 7]);
    // Each follows the one before it, Monday after Sunday.
    const week = weekFrom(start);
    expect(week.slice(1).every((day, i) => day === (week[i]! % 7) + 1)).toBe(true);
  }
  expect(weekFrom('sun')[0]).toBe(7);
  expect(WEEK_STARTS.map(weekStartName)).toEqual(['Mon', 'Sun', 'Sat']);
});

test.each([
  [['en-US', 'de'], 'sun'],
  [['de-DE'], 'mon'],
  [['fi'], 'mon'],
  [['ar-EG'], 'sat'],
  [['no language at all'], 'mon'],
  [[], 'mon'],
] as const)('where %j is asked for weeks begin on %s', (asked, start) => {
  expect(weekStartFor(asked)).toBe(start);
});

test('a week that begins on no such day is as if it had never been set', () => {
  expect(readPrefs({ weekStart: 'sun' }).weekStart).toBe('sun');
  expect(readPrefs({ weekStart: 'wed' }).weekStart).toBe(readPrefs({}).weekStart);
});
