import type { PlanReport } from '@/core/record';
import type { Said } from '@/core/say';
import { type Reader, say } from './render';

/** What is said, as sentences, and beside them the messages they were made of. */
const both = <K extends string>(said: Readonly<Record<K, Said>>, reader: Reader) => ({
  ...(Object.fromEntries(Object.entries<Said>(said).map(([key, m]) => [key, say(m, reader)])) as Record<K, string>),
  said,
});

const ofPass = (
  { amounts, batches }: PlanReport['repairs'][number]['passes'][number] | PlanReport['repairs'][number],
  reader: Reader,
) => ({
  amounts: amounts.map(({ label, expression, ...rest }) => ({ ...rest, ...both({ label, expression }, reader) })),
  batches: batches.map(({ label, ...rest }) => ({ ...rest, ...both({ label }, reader) })),
});

/**
 * A plan as it is handed out: every message beside its sentence in the reader’s units, zone and language.
 * @returns the report with, beside what is said, `said`: the messages it was made of
 */
export function planInWords(report: PlanReport, reader: Reader) {
  return {
    ...report,
    repairs: report.repairs.map((r) => ({
      ...r,
      ...ofPass(r, reader),
      passes: r.passes.map((p) => ({ ...p, ...ofPass(p, reader) })),
      steps: r.steps.map(({ title, detail, ...rest }) => ({ ...rest, ...both({ title, detail }, reader) })),
      untimed: r.untimed.map(({ title, ...rest }) => ({ ...rest, ...both({ title }, reader) })),
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
