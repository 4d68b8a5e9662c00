import { writeFileSync } from 'node:fs';
import { netTable } from '@/core/cure';
import { heatAsked, piecesOf } from '@/core/plan';
import { methodsData, sampleData } from '@/sample/jobs';
import { sampleSheets } from '@/sample/systems';

/** Writes the prepared pots and lifts of the sample’s sheets to the file that is named. */
const bundles = [sampleData, methodsData].flatMap((of) => of(Date.now(), 'UTC').bundles);
const repairs = bundles.flatMap((b) => b.repairs).flatMap(piecesOf);
const sheets = new Map([...sampleSheets, ...bundles.flatMap((b) => b.sheets)].map((s) => [s.id, s]));
const made = heatAsked(repairs, [...sheets.values()]).flatMap(({ sheet, bodies }) =>
  bodies.map((of) => netTable(sheet, of)),
);
writeFileSync(process.argv[2]!, JSON.stringify(made));
