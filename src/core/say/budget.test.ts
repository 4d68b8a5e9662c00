import { plainWords } from '@/words';
import { meter, Refusal } from '.';

const problemOf = (run: () => void) => {
  try {
    run();
  } catch (error) {
    if (error instanceof Refusal) return error.problem;
  }
  return null;
};

test('turns are counted, and one too many names the input that is too large', () => {
  const spend = meter({ turns: 10 }, 'depth', 'This many lifts');
  for (let i = 0; i < 10; i++) spend();
  expect(problemOf(() => spend())).toMatchObject({ field: 'depth', allowed: 'up to 10 steps of computing' });
  const bulk = meter({ turns: 10 }, 'kits', 'These kits');
  bulk(9);
  expect(plainWords(problemOf(() => bulk(2))!.sentence)).toMatch(/^These kits would take longer/);
});

test('what nobody wants any more ends at its next turn', () => {
  const stop = new AbortController();
  const spend = meter({ turns: 100, signal: stop.signal }, 'depth', 'It');
  spend();
  stop.abort();
  expect(problemOf(() => spend())).toMatchObject({ field: 'stopped' });
});
