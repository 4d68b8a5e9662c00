import fc from 'fast-check';
import { matching } from './matching';

const ZONES = Intl.supportedValuesOf('timeZone');
const found = (typed: string) => matching(ZONES, typed);

test('a place is found by its name, its beginning, its region, whatever marks are typed', () => {
  for (const typed of ['helsinki', 'Hels', 'europe hel', 'Europe/Helsinki', 'HELSINKI europe'])
    expect([typed, found(typed)[0]]).toEqual([typed, 'Europe/Helsinki']);
  expect(found('new york')).toContain('America/New_York');
  expect(found('são paulo')).toContain('America/Sao_Paulo');
  // Within a word it is found as well, after those that begin so.
  expect(found('york')[0]).toBe('America/New_York');
  expect(found('elsinki')).toEqual(['Europe/Helsinki']);
  expect(found('atlantis')).toEqual([]);
});

test('whatever is typed, what is found is of the list, once, and narrows as more is typed', () => {
  fc.assert(
    fc.property(fc.constantFrom(...ZONES), fc.nat(20), fc.nat(20), (id, a, b) => {
      const [short, long] = [id.slice(0, Math.min(a, b) + 1), id.slice(0, Math.max(a, b) + 1)];
      const [few, many] = [found(long), found(short)];
      expect(few).toContain(id);
      expect(new Set(few).size).toBe(few.length);
      expect(many).toEqual(expect.arrayContaining(few));
    }),
  );
  expect(found('')).toHaveLength(ZONES.length);
});
