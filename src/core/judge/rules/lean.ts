import { primerOf } from '../../method';
import { type Batch, likeBatches, liquidMl } from '../../mix';
import { digitsApart, grams, listed, percent, texts } from '../../say';
import { grainsUntold, proportionOf } from '../../system';
import { type Finding, findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  lean: {
    severity: 'caution',
    stage: 'mix',
    title: 'Lean mix',
    why: 'The liquid does not fill the space between the grains: air stays in it and its volume is that of the loose sand.',
    todo: 'Check the aggregate on the sheet.',
  },
  'lean:untold': {
    severity: 'note',
    stage: 'mix',
    title: 'Whether it is lean cannot be told',
    why: 'The sheet gives no tamped bulk density of the grains: their voids are not known.',
    todo: 'Fill a cup with it, tamp, weigh: mass over volume is the figure. Type it on the sheet.',
  },
  'lean:draw': {
    severity: 'note',
    stage: 'mix',
    title: 'Sand is left out to match the primer',
    why: '{share} of the liquid is drawn off{threshold, select, unknown {, and the sheet gives no bulk density of its sand that would tell how much may stay} other {; up to {threshold} the sand could stay whole}}.',
    todo: 'Leave out {batches}; the steps say it where it is set out.',
  },
});
const SAY = texts('finding.lean:batch', {
  leftOut: '{mass} from {many, select, yes {each of batches {batch} to {last}} other {batch {batch}}}',
});

/** Batches of which not the same is left out, to what a card shows. */
const isCutUnlike = (a: Batch, b: Batch): boolean => Math.abs(a.leftOutG - b.leftOutG) > 0.005 * a.leftOutG;

/** Grains that the liquid does not fill, cannot be told to, or are left out to match what is drawn off as primer. */
export const leanRules: Readonly<Record<string, Rule>> = {
  lean: ({ plan }) => {
    const out: Finding[] = [];
    if (plan.sheet && plan.mix && proportionOf(plan.sheet).lean) out.push(F.lean());
    if (plan.sheet && plan.mix && grainsUntold(plan.sheet)) out.push(F['lean:untold']());
    const cut = plan.batches.filter((b) => b.leftOutG > 0);
    if (cut.length && plan.sheet && plan.context && !plan.context.effects.sandCut) {
      const lifts = primerOf(plan.context);
      // Of each batch as it is mixed: a whole kit has more liquid than its lift needs.
      const { sheet } = plan;
      const most = cut
        .map((b) => ({ ...lifts[b.portion]!, share: b.drawnMl / liquidMl(sheet, b.volumeMl) }))
        .reduce((a, b) => (b.share > a.share ? b : a));
      const leftOut = likeBatches(plan.batches, isCutUnlike)
        .filter(([b]) => b!.leftOutG > 0)
        .map((of) =>
          SAY.leftOut({
            mass: grams(of[0]!.leftOutG),
            batch: of[0]!.index + 1,
            last: of.at(-1)!.index + 1,
            many: of.length > 1 ? 'yes' : 'no',
          }),
        );
      const digits = digitsApart(most.share, most.threshold ?? 0);
      out.push(
        F['lean:draw']({
          share: percent(most.share * 100, digits),
          threshold: most.threshold === null ? 'unknown' : percent(most.threshold * 100, digits),
          batches: listed(leftOut, 'comma'),
        }),
      );
    }
    return out;
  },
};
