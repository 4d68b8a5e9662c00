import { methodsData, sampleData } from '@/sample/jobs';
import { METHODS } from '../method';
import type { Path } from './changes';
import { pathName, placeName } from './named-place';

const NOW = Date.UTC(2027, 4, 10, 6);
const repairs = [...sampleData(NOW, 'utc').bundles, ...methodsData(NOW, 'utc').bundles].flatMap((b) => b.repairs);
const repair = (id: string) => repairs.find((r) => r.id === id)!;

test('a setting, a school, a question and a dimension are told by the names they have on the screen', () => {
  const chip = repair('sample-chip');
  expect(placeName(['passes', 'p1', 'settings', 'proud'], chip)).toBe('filled proud');
  expect(placeName(['passes', 'p1', 'schools', 'wet-or-dry'], chip)).toBe('grits wet or dry');
  expect(placeName(['passes', 'p1', 'void', 'shapes', 0, 'along', 'valueMm'], chip)).toBe('how far along');
  expect(placeName(['answers', 'sound'], repair('sample-nosing'))).toMatch(/^“Does the base ring sound/);
  expect(placeName(['base', 'thicknessMm'], chip)).toBe('the base, thickness');
  expect(placeName(['plannedStart'], chip)).toBe('begin not before');
});

test('of several passes it is said which; one alone is asked by nobody', () => {
  expect(placeName(['passes', 'p2', 'sheetId'], repair('sample-fitting'))).toBe('Build: system');
  expect(placeName(['passes', 'p1', 'sheetId'], repair('sample-chip'))).toBe('system');
});

test('what has no name is told by its path, and nothing of it breaks', () => {
  const chip = repair('sample-chip');
  expect(placeName(['passes', 'p9', 'settings', 'x'], chip)).toBe('x');
  expect(placeName(['passes', 'p1', 'void', 'shapes', 7, 'along'], chip)).toBe('void');
  expect(placeName([], chip)).toBe('');
  expect(pathName(['workingHours', 'days', 2])).toBe('working hours · days · no. 3');
});

/** Every place of a record that holds a figure or a word. */
const leaves = (value: unknown, at: Path = []): readonly Path[] =>
  value !== null && typeof value === 'object'
    ? Object.entries(value).flatMap(([k, v]) => leaves(v, [...at, Array.isArray(value) ? Number(k) : k]))
    : [at];

test('law: whatever changes in a repair of the sample has a name without the key of a field in it', () => {
  const seen = new Set<string>();
  for (const r of repairs)
    for (const path of leaves({ answers: r.answers, base: r.base, passes: r.passes })) {
      const said = placeName(path, r);
      const raw = said === '' || /valueMm|textSystem|passes|[a-z]Mm\b|\bp\d\b/.test(said);
      expect([r.id, path.join('.'), said, raw]).toEqual([r.id, path.join('.'), said, false]);
      seen.add(said);
    }
  for (const m of METHODS) {
    const one = repairs.find((r) => r.chain.length === 1 && r.passes.p1?.method.id === m.id);
    if (!one) continue;
    for (const s of m.settings) expect(placeName(['passes', 'p1', 'settings', s.id], one)).toBe(s.label.toLowerCase());
    for (const s of m.schools) expect(placeName(['passes', 'p1', 'schools', s.id], one)).toBe(s.matter.toLowerCase());
    for (const q of m.questions) expect(placeName(['answers', q.id], one)).toBe(`“${q.ask}”`);
  }
  expect(seen.size).toBeGreaterThan(60);
});
