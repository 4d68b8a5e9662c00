import { presentIn, readJobFile } from '@/core/file';
import { type Pots, piecesOf, potSheets, preparePots, type SheetHeat } from '@/core/plan';
import { planReport, stableJson, viewJob } from '@/core/record';
import { Refusal } from '@/core/say';
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

/** Prepared pots of sheets planned before, by their content: the same sheet comes again and again. */
const known = new Map<string, SheetHeat>();
const MOST = 60;

function potsOf(repairs: Parameters<typeof potSheets>[0], sheets: Parameters<typeof potSheets>[1]): Pots {
  const pots = new Map<string, SheetHeat>();
  for (const sheet of potSheets(repairs, sheets)) {
    const key = stableJson(sheet);
    const heat = known.get(key) ?? preparePots([{ sheetId: sheet.id }], [sheet]).get(sheet.id);
    if (!heat) continue;
    known.delete(key);
    known.set(key, heat);
    if (known.size > MOST) known.delete(known.keys().next().value!);
    pots.set(sheet.id, heat);
  }
  return pots;
}

/** Plans a job file. Runs in a thread of its own, so that nothing else waits for it. */
export default async function plan({ bytes, nowMs, units, language }: PlanAsk): Promise<PlanReply> {
  await knowLanguage(language);
  try {
    const text = new TextDecoder('utf-8', { fatal: false }).decode(bytes);
    const file = readJobFile(text);
    const present = nowMs ?? presentIn(file, Date.now());
    const report = planReport(viewJob(file, present, potsOf(file.repairs.flatMap(piecesOf), file.sheets)));
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
