import { writeFileSync } from 'node:fs';
import { netTable } from '@/core/cure';
import { piecesOf, potSheets } from '@/core/plan';
import { methodsData, sampleData } from '@/sample/jobs';
import { sampleSheets } from '@/sample/systems';

/** Writes the prepared pots and lifts of the sample’s sheets to the file that is named. */
const bundles = [sampleData, methodsData].flatMap((of) => of(Date.now(), 'UTC').bundles);
const repairs = bundles.flatMap((b) => b.repairs).flatMap(piecesOf);
const sheets = new Map([...sampleSheets, ...bundles.flatMap((b) => b.sheets)].map((s) => [s.id, s]));
const made = potSheets(repairs, [...sheets.values()]).flatMap((sheet) => [
  netTable(sheet, 'pot'),
  netTable(sheet, 'lift'),
]);
writeFileSync(process.argv[2]!, JSON.stringify(made));
