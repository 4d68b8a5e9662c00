import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { presentIn, readJobFile } from '../src/core/file';
import { piecesOf, preparePots } from '../src/core/plan';
import { planReport, viewJob } from '../src/core/record';
import { Refusal } from '../src/core/say';
import type { UnitSystem } from '../src/core/units';
import { errorInWords, isLanguage, LANGUAGES, planInWords, takeLanguage } from '../src/words';

/**
 * Prints the plan of an exported job file: `npm run -s plan -- FILE [--at ISO-INSTANT] [--units us] [--language de]`,
 * `-` for standard input.
 */
async function main(): Promise<number> {
  let file: string | undefined;
  let at: string | undefined;
  let units = 'metric';
  let language = 'en';
  try {
    const read = parseArgs({
      allowPositionals: true,
      options: { at: { type: 'string' }, units: { type: 'string' }, language: { type: 'string' } },
    });
    [file] = read.positionals;
    at = read.values.at;
    units = read.values.units ?? 'metric';
    language = read.values.language ?? 'en';
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\n`);
    return 2;
  }
  if (units !== 'metric' && units !== 'us') {
    process.stderr.write(`units: “${units}” is neither metric nor us.\n`);
    return 2;
  }
  if (!isLanguage(language)) {
    process.stderr.write(`language: “${language}” is not spoken here: ${LANGUAGES.join(' or ')}.\n`);
    return 2;
  }
  const system: UnitSystem = units;
  await takeLanguage(language);
  if (!file) {
    process.stderr.write('Name a job file, or - for standard input: npm run -s plan -- FILE [--at ISO-INSTANT]\n');
    return 2;
  }
  const stated = at === undefined ? null : Date.parse(at);
  if (Number.isNaN(stated)) {
    process.stderr.write(`at: “${at}” is not an instant like 2026-05-05T06:40:00Z.\n`);
    return 2;
  }
  try {
    const text = readFileSync(file === '-' ? 0 : file, 'utf8');
    const job = readJobFile(text);
    const nowMs = stated ?? presentIn(job, Date.now());
    const report = planReport(viewJob(job, nowMs, preparePots(job.repairs.flatMap(piecesOf), job.sheets)));
    process.stdout.write(`${JSON.stringify(planInWords(report, { system, zone: job.job.zone, language }), null, 1)}\n`);
    return 0;
  } catch (error) {
    if (error instanceof Refusal) process.stderr.write(`${error.problem.field}: ${errorInWords(error)}\n`);
    else if ((error as NodeJS.ErrnoException).code) process.stderr.write(`file: ${(error as Error).message}\n`);
    else throw error;
    return 2;
  }
}

process.exitCode = await main();
