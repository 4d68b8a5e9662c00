import { readdirSync, readFileSync } from 'node:fs';
import { mm, positive, refuse, texts, whyOf } from '@/core/say';
import { errorInWords, plainWords, say } from '.';

const SAYS = texts('test.refused', { 'too-thick': 'The rod, {rod}, is thicker than its hole.' });
const thrown = (run: () => unknown): unknown => {
  try {
    run();
  } catch (error) {
    return error;
  }
  throw new Error('nothing was refused');
};

test('a refusal is told by its sentence in the units of whoever reads, any other fault by what it says itself', () => {
  const rod = thrown(() => refuse('rod', 20, 'under 18 mm', SAYS['too-thick']({ rod: mm(20) })));
  expect(errorInWords(rod)).toBe('The rod, 20 mm, is thicker than its hole.');
  expect(say(whyOf(rod), { system: 'us', zone: 'utc', language: 'en' })).toBe(
    'The rod, 0.787 in, is thicker than its hole.',
  );
  expect(plainWords(whyOf(thrown(() => positive('cupMl', -1, 'The cup'))))).toBe('The cup must be more than 0.');
  expect(errorInWords(new Error('disk gone'))).toBe('disk gone');
  expect(errorInWords('odd')).toBe('odd');
});

/** Where what a fault says itself is wanted: it is no refusal there, or is kept for whoever looks for the fault. */
const ITSELF = ['src/store/keeping.ts', 'src/store/database.ts', 'src/worker/load-scan.ts', 'scripts/plan.ts'];

test('law: nobody shows the message of an error, which of a refusal is a text with gaps', () => {
  const files = ['src/app', 'src/server', 'src/store', 'src/ui', 'src/worker', 'scripts'].flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .map((file) => `${folder}/${file}`)
      .filter((file) => /\.tsx?$/.test(file) && !file.includes('.test.')),
  );
  expect(files.length).toBeGreaterThan(200);
  const shown = files.filter((file) => /\berror( as Error\))?\.message/.test(readFileSync(file, 'utf8')));
  expect(shown.filter((file) => !ITSELF.includes(file))).toEqual([]);
});
