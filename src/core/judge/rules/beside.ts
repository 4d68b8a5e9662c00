import { workedAt } from '../../plan';
import { at, on, texts } from '../../say';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  beside: {
    severity: 'caution',
    stage: 'place',
    title: '{what, select, water {Water} other {Dust}} beside a wet face',
    why: '“{step}”, {from}, throws {what, select, water {water} other {dust}} while {other}, at the same place, lies wet until {until}.',
    todo: 'Do it before that is placed, or once it has set; or screen it off. Where they are not near each other, name their places.',
  },
});
const { later: LATER, one: UNNAMED } = texts('way.beside', {
  later: 'Begin once that has set',
  one: 'the other repair',
});

/** Starts are offered in steps of that, ms. */
const STEP_MS = 10 * 60_000;

/** What is thrown about beside a face of another repair that lies wet. */
export const besideRules: Readonly<Record<string, Rule>> = {
  beside: ({ plan, repair, actuals, beside = [] }) => {
    const messy = plan.steps.filter((s) => s.throws && s.doneAt === null);
    for (const step of messy) {
      const wet = beside.find(
        (w) =>
          !(w.repairId === repair.id && w.passId === plan.passId) &&
          workedAt(step).some((d) => d.fromMs < w.untilMs && d.toMs > w.fromMs),
      );
      if (!wet) continue;
      const [first] = plan.steps;
      const own = wet.repairId === repair.id;
      const moves = !own && step.role === 'prepare' && actuals.startedAt === null && step.startMs >= wet.fromMs;
      const startMs = Math.ceil((first!.startMs + wet.untilMs - step.startMs) / STEP_MS) * STEP_MS;
      return [
        F.beside(
          {
            what: step.throws!,
            step: step.title,
            from: at(step.startMs),
            other: (own ? wet.passName : wet.name.trim()) || UNNAMED(),
            until: on(wet.untilMs),
          },
          { ways: moves ? [{ say: LATER(), set: { path: ['plannedStart'], value: startMs } }] : [] },
        ),
      ];
    }
    return [];
  },
};
