import type { PlanReport } from '@/core/record';
import { type Reader, say } from './render';

/**
 * A plan as it is handed out: every message beside its sentence in the reader’s units, zone and language.
 * @returns the report with, for each finding, `said`: the messages it was made of
 */
export function planInWords(report: PlanReport, reader: Reader) {
  return {
    ...report,
    repairs: report.repairs.map((r) => ({
      ...r,
      findings: r.findings.map(({ title, why, todo, ways, ...rest }) => ({
        ...rest,
        title: say(title, reader),
        why: say(why, reader),
        todo: say(todo, reader),
        ...(ways ? { ways: ways.map((w) => ({ ...w, say: say(w.say, reader) })) } : {}),
        said: { title, why, todo },
      })),
    })),
  };
}
