import { readFileSync } from 'node:fs';
import { readJobFile } from '../src/core/file';
import { chainsOf } from '../src/core/record';
import { errorInWords } from '../src/words';

/**
 * Checks that the record in a job file is whole: `npm run -s verify -- FILE`, `-` for standard input. 0 whole, 1
 * broken, 2 not read.
 */
function main(): number {
  const [file] = process.argv.slice(2);
  if (!file) {
    process.stderr.write('Name a job file, or - for standard input: npm run -s verify -- FILE\n');
    return 2;
  }
  try {
    const { job, repairs, events } = readJobFile(readFileSync(file === '-' ? 0 : file, 'utf8'));
    const nameOf = (id: string) => repairs.find((r) => r.id === id)?.name ?? id;
    const chains = chainsOf(events);
    process.stdout.write(`${job.name}: ${events.length} entries\n`);
    for (const { repairId, browser, linked, unlinked, breaks, last } of chains) {
      const old = unlinked ? `, ${unlinked} of an earlier version without a link` : '';
      process.stdout.write(
        `  ${nameOf(repairId)}, device ${browser}: ${linked} linked${old}; last ${last ?? 'none'}\n`,
      );
      for (const b of breaks) process.stdout.write(`    broken at ${b.n}: ${b.is} (${b.eventId})\n`);
    }
    const broken = chains.some((c) => c.breaks.length);
    process.stdout.write(broken ? 'BROKEN\n' : 'whole\n');
    return broken ? 1 : 0;
  } catch (error) {
    process.stderr.write(`${errorInWords(error)}\n`);
    return 2;
  }
}
process.exit(main());
