import { readdirSync, readFileSync } from 'node:fs';
import { FACTOR_FREE, TABLES } from './ids.testing';

/** Every source file of ours that is neither a test nor a scene for one. */
function sources(dir: string): string[] {
  return readdirSync(dir, { withFileTypes: true }).flatMap((f) => {
    const path = `${dir}/${f.name}`;
    if (f.isDirectory()) return ['sample', 'walks', 'kept'].includes(f.name) ? [] : sources(path);
    return /\.tsx?$/.test(f.name) && !/\.(test|testing)\.tsx?$/.test(f.name) ? [path] : [];
  });
}

const COMPARED = /(?:===|!==)\s*'([^']+)'|'([^']+)'\s*(?:===|!==)|\bcase '([^']+)':/g;

test.each(TABLES)('nobody outside asks for %s by name: what differs is a column', ({ ids, owners }) => {
  const found = sources('src').flatMap((path) => {
    if (owners.some((o) => path.startsWith(o))) return [];
    return readFileSync(path, 'utf8')
      .split('\n')
      .flatMap((text, i) =>
        [...text.matchAll(COMPARED)]
          .map((m) => m[1] ?? m[2] ?? m[3]!)
          .filter((word) => ids.includes(word) && !FACTOR_FREE.some((known) => text.includes(known)))
          .map((word) => `${path}:${i + 1} asks for ${word}`),
      );
  });
  expect(found).toEqual([]);
});

test('the search finds what it is for', () => {
  const words = ["if (shape.shape === 'annulus') {", "'fill' !== engine", "    case 'metal':"].flatMap((t) => [
    ...t.matchAll(COMPARED),
  ]);
  expect(words.map((m) => m[1] ?? m[2] ?? m[3])).toEqual(['annulus', 'fill', 'metal']);
  expect(sources('src').length).toBeGreaterThan(250);
});
