import fc from 'fast-check';
import { keysAfter } from './use-row-keys';

let made = 0;
const fresh = () => `new-${++made}`;
const of = (rows: string) => ({ rows: [...rows], keys: [...rows].map((r) => `k-${r}`) });

test.each([
  ['abc', 'abc', ['k-a', 'k-b', 'k-c'], 'nothing is changed'],
  ['abc', 'axc', ['k-a', 'k-b', 'k-c'], 'a row that is changed stays the same row'],
  ['abc', 'bc', ['k-b', 'k-c'], 'the first goes, the others keep theirs'],
  ['abc', 'ac', ['k-a', 'k-c'], 'one in the middle goes'],
  ['abc', 'ab', ['k-a', 'k-b'], 'the last goes'],
] as const)('%s → %s: %j, %s', (was, is, keys, _says) => {
  expect(keysAfter(of(was), [...is], fresh)).toEqual(keys);
});

test('a row that comes gets a key nobody had, wherever it comes', () => {
  for (const [is, at] of [
    ['xabc', 0],
    ['axbc', 1],
    ['abcx', 3],
  ] as const) {
    const keys = keysAfter(of('abc'), [...is], fresh);
    expect(keys[at]).toMatch(/^new-/);
    expect(keys.filter((_, i) => i !== at)).toEqual(['k-a', 'k-b', 'k-c']);
  }
});

test('law: as many keys as rows, each once, and whatever one row is taken out or put in, the others keep theirs', () => {
  const row = fc.integer({ min: 0, max: 3 }).map(String);
  fc.assert(
    fc.property(fc.array(row, { maxLength: 8 }), row, fc.nat(), fc.boolean(), (rows, one, where, out) => {
      const before = { rows, keys: rows.map((_, i) => `k${i}`) };
      const at = where % (rows.length + (out ? 0 : 1) || 1);
      const is = out ? rows.filter((_, i) => i !== at) : [...rows.slice(0, at), one, ...rows.slice(at)];
      const keys = keysAfter(before, is, fresh);
      expect([keys.length, new Set(keys).size]).toEqual([is.length, is.length]);
      // Rows that read alike are the same to anybody: what counts is that no key moves to a row that reads otherwise.
      for (const [i, key] of keys.entries()) if (key.startsWith('k')) expect(rows[Number(key.slice(1))]).toBe(is[i]);
    }),
  );
});
