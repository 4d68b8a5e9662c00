import { bodyKey, type HeatBody, type HeatTable, netTable } from '@/core/cure';
import { presentIn, readJobFile } from '@/core/file';
import { piecesOf, preparePots } from '@/core/plan';
import { planReport, stableJson, viewJob } from '@/core/record';
import { Refusal } from '@/core/say';
import type { SheetRevision } from '@/core/system';
import type { UnitSystem } from '@/core/units';
import { knowLanguage, type Language, PLAIN_READER, planInWords, say } from '@/words';

/** A job file and the present, as they are handed to a thread. */
export interface PlanAsk {
  readonly bytes: ArrayBuffer;
  /** The present; null for the one the file was written at. */
  readonly nowMs: number | null;
  readonly units: UnitSystem;
  readonly language: Language;
}
export type PlanReply =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly field: string; readonly allowed: string; readonly sentence: string };

/** Prepared tables of sheets planned before, by their content: the same sheet comes again and again. */
const known = new Map<string, HeatTable>();
const MOST = 120;

function tableOf(sheet: SheetRevision, of: HeatBody): HeatTable {
  const key = `${bodyKey(of)} ${stableJson(sheet)}`;
  const table = known.get(key) ?? netTable(sheet, of);
  known.delete(key);
  known.set(key, table);
  if (known.size > MOST) known.delete(known.keys().next().value!);
  return table;
}

/** Plans a job file. Runs in a thread of its own, so that nothing else waits for it. */
export default async function plan({ bytes, nowMs, units, language }: PlanAsk): Promise<PlanReply> {
  await knowLanguage(language);
  try {
    const text = new TextDecoder('utf-8', { fatal: false }).decode(bytes);
    const file = readJobFile(text);
    const present = nowMs ?? presentIn(file, Date.now());
    const report = planReport(
      viewJob(file, present, preparePots(file.repairs.flatMap(piecesOf), file.sheets, tableOf)),
    );
    return {
      ok: true,
      text: JSON.stringify(planInWords(report, { system: units, zone: file.job.zone, language })),
    };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const { field, allowed, sentence } = error.problem;
    return { ok: false, field, allowed, sentence: say(sentence, { ...PLAIN_READER, language }) };
  }
}
