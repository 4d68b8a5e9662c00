import { methodsData, sampleData } from '@/sample/jobs';
import { METHODS } from '../method';
import { changesBetween } from './changes';
import { pathSaid, placeSaid } from './named-place';

const NOW = Date.UTC(2027, 4, 10, 6);
const repairs = [...sampleData(NOW, 'utc').bundles, ...methodsData(NOW, 'utc').bundles].flatMap((b) => b.repairs);
const repair = (id: string) => repairs.find((r) => r.id === id)!;

test('a setting, a school, a question and a dimension are told by the names they have on the screen', () => {
  const chip = repair('sample-chip');
  expect(placeSaid(['passes', 'p1', 'settings', 'proud'], chip)).toBe('filled proud');
  expect(placeSaid(['passes', 'p1', 'schools', 'wet-or-dry'], chip)).toBe('grits wet or dry');
  expect(placeSaid(['passes', 'p1', 'void', 'shapes', 0, 'along', 'valueMm'], chip)).toBe('how far along');
  expect(placeSaid(['answers', 'sound'], repair('sample-nosing'))).toMatch(/^“Does the base ring sound/);
  expect(placeSaid(['base', 'thicknessMm'], chip)).toBe('the base, thickness');
  expect(placeSaid(['plannedStart'], chip)).toBe('begin not before');
});

test('of several passes it is said which; one alone is asked by nobody', () => {
  expect(placeSaid(['passes', 'p2', 'sheetId'], repair('sample-fitting'))).toBe('Build: system');
  expect(placeSaid(['passes', 'p1', 'sheetId'], repair('sample-chip'))).toBe('system');
});

test('what has no name is told by its path, and nothing of it breaks', () => {
  const chip = repair('sample-chip');
  expect(placeSaid(['passes', 'p9', 'settings', 'x'], chip)).toBe('x');
  expect(placeSaid(['passes', 'p1', 'void', 'shapes', 7, 'along'], chip)).toBe('void');
  expect(placeSaid([], chip)).toBe('');
  expect(pathSaid(['workingHours', 'days', 2])).toBe('working hours · days · no. 3');
});

test('law: every setting, school and dimension of every repair of the sample has a name, and no figure of a record in it', () => {
  const raw = /valueMm|textSystem|passes|p\d\b|Mm\b/;
  let seen = 0;
  for (const r of repairs)
    for (const change of changesBetween({ passes: {} }, { passes: r.passes })) {
      const said = placeSaid(change.path, r);
      expect([r.id, change.path.join('.'), said.length > 0 && !raw.test(said)]).toEqual([
        r.id,
        change.path.join('.'),
        true,
      ]);
      seen++;
    }
  for (const m of METHODS)
    for (const s of m.settings) {
      const one = repairs.find((r) => r.chain.length === 1 && r.passes.p1?.method.id === m.id);
      if (one) expect(placeSaid(['passes', 'p1', 'settings', s.id], one)).toBe(s.label.toLowerCase());
    }
  expect(seen).toBeGreaterThan(20);
});
