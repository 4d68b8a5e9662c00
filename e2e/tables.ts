import { writeFileSync } from 'node:fs';
import { netTable } from '@/core/cure';
import { piecesOf, potSheets } from '@/core/plan';
import { sampleData } from '@/sample/jobs';
import { sampleSheets } from '@/sample/systems';

/** Writes the prepared pots and lifts of the sample’s sheets to the file that is named. */
const repairs = sampleData(Date.now(), 'UTC')
  .bundles.flatMap((b) => b.repairs)
  .flatMap(piecesOf);
const made = potSheets(repairs, sampleSheets).flatMap((sheet) => [netTable(sheet, 'pot'), netTable(sheet, 'lift')]);
writeFileSync(process.argv[2]!, JSON.stringify(made));
