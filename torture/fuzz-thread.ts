import { parentPort } from 'node:worker_threads';
import { calendarFile, readJobFile, writeJobFile } from '../src/core/file';
import { planReport, viewJob } from '../src/core/record';
import { Refusal } from '../src/core/say';
import { PLAIN_READER, planInWords, say } from '../src/words';
import { mutant, seedFiles } from './mutants';

/** What became of a file: refused with a sentence, planned, or a fault of ours. */
export type Verdict =
  | { readonly n: number; readonly is: 'refused' | 'planned' }
  | { readonly n: number; readonly is: 'fault'; readonly why: string };

const seeds = seedFiles();
const NOW = Date.UTC(2026, 4, 5, 9);

/** The first figure in it that is none. */
function badFigure(value: unknown, path = ''): string | null {
  if (typeof value === 'number') return Number.isFinite(value) ? null : `${path} is ${value}`;
  if (typeof value === 'string')
    return /\b(NaN|Infinity|undefined)\b/.test(value) ? `${path} reads “${value.slice(0, 120)}”` : null;
  if (value === null || typeof value !== 'object') return null;
  for (const [key, inner] of Object.entries(value)) {
    const bad = badFigure(inner, `${path}.${key}`);
    if (bad) return bad;
  }
  return null;
}

function tried(n: number): Verdict {
  const { text } = mutant(seeds, n);
  let file: ReturnType<typeof readJobFile>;
  try {
    file = readJobFile(text);
  } catch (error) {
    if (error instanceof Refusal && say(error.problem.sentence, PLAIN_READER).length < 2000)
      return { n, is: 'refused' };
    return { n, is: 'fault', why: `reading: ${(error as Error).stack}` };
  }
  try {
    const view = viewJob(file, NOW);
    const report = planReport(view);
    // Every message is rendered: a gap that nothing fills would throw.
    planInWords(report, { system: n % 2 ? 'us' : 'metric', zone: file.job.zone, language: 'en' });
    // What a file names as a word stays a word: only what was computed is looked at.
    const bad = badFigure(
      { ...report, repairs: report.repairs.map(({ name: _n, system: _s, ...r }) => ({ ...r, findings: [] })) },
      '',
    );
    if (bad && !text.includes('NaN') && !text.includes('Infinity')) return { n, is: 'fault', why: bad };
    // The ways out are tried on some: they see no more than what was planned.
    if (n % 4 === 0) calendarFile(view, (said) => say(said, PLAIN_READER));
    const again = n % 4 === 1 ? readJobFile(writeJobFile(file)) : file;
    if (JSON.stringify(again) !== JSON.stringify(file))
      return { n, is: 'fault', why: 'written and read again it is another file' };
    return { n, is: 'planned' };
  } catch (error) {
    return { n, is: 'fault', why: `planning: ${(error as Error).stack}` };
  }
}

parentPort?.on('message', (n: number) => parentPort?.postMessage(tried(n)));
