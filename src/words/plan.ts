import type { PlanReport } from '@/core/record';
import type { Said, WorkLine } from '@/core/say';
import { UNITS } from '@/core/units';
import { type Reader, say, workedIn } from './render';

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

/** A line of working: its figure for programs in the core unit of its kind, and as its reader reads it. */
function ofLine(line: WorkLine, reader: Reader) {
  const { label, expression, value, unit, source, voice } = line;
  const { value: text, ...told } = workedIn(line, reader);
  const figured = typeof value === 'object' && 'is' in value;
  return {
    ...told,
    value: figured ? value.value : typeof value === 'number' ? value : text,
    unit: figured ? UNITS[value.is][0]!.symbol : unit,
    text,
    voice,
    said: { label, expression, value, ...(source ? { source } : {}) },
  };
}

/** Problems of a stage or of the whole job, each as its sentence. */
const problems = <P extends { readonly sentence: Said }>(list: readonly P[], reader: Reader) =>
  list.map(({ sentence, ...rest }) => ({ ...rest, ...both({ sentence }, reader) }));

/**
 * A plan as it is handed out: every message beside its sentence in the reader’s units, zone and language.
 * @returns the report with, beside what is said, `said`: the messages it was made of
 */
export function planInWords(report: PlanReport, reader: Reader) {
  const words = (said: Said | null) => said && say(said, reader);
  return {
    ...report,
    problems: problems(report.problems, reader),
    kits: report.kits.map(({ lots, ...rest }) => ({
      ...rest,
      lots: lots.map((l) => ({ ...l, passedOver: words(l.passedOver) })),
    })),
    repairs: report.repairs.map((r) => ({
      ...r,
      ...ofPass(r, reader),
      passes: r.passes.map((p) => ({ ...p, ...ofPass(p, reader) })),
      steps: r.steps.map(({ title, detail, ...rest }) => ({ ...rest, ...both({ title, detail }, reader) })),
      stop: r.stop && { ...r.stop, ...both({ why: r.stop.why }, reader) },
      untimed: r.untimed.map(({ title, ...rest }) => ({ ...rest, ...both({ title }, reader) })),
      milestones: r.milestones.map((m) => ({ ...m, sheetSays: say(m.sheetSays, reader), problem: words(m.problem) })),
      needs: r.needs.map(({ text, ...rest }) => ({ ...rest, ...both({ text }, reader) })),
      problems: problems(r.problems, reader),
      working: Object.fromEntries(
        Object.entries(r.working).map(([of, lines]) => [of, lines.map((line) => ofLine(line, reader))]),
      ),
      findings: r.findings.map(({ ways, ...rest }) => ({
        ...rest,
        ...both({ title: rest.title, why: rest.why, todo: rest.todo }, reader),
        ...(ways ? { ways: ways.map((w) => ({ ...w, say: say(w.say, reader) })) } : {}),
      })),
    })),
  };
}
