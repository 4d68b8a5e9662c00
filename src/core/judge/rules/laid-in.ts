import { blankShape } from '../../method';
import { listed } from '../../say';
import { kindOf, type VoidShape } from '../../void';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  'laid-in': {
    severity: 'caution',
    stage: 'measure',
    title: 'Nobody has said what is laid in',
    why: '{what} are figures of Grenko’s still, and the amount follows each of them: half of a weight is half of the resin.',
    todo: 'They are printed on the roll and on its paper, or a piece of it is weighed: type them under the drawing.',
  },
});

/** What of a shape is as it begins, where that is printed on what is laid in and not measured. */
const asBegun = (shape: VoidShape, methodId: string): readonly string[] => {
  const { told = [] } = kindOf(shape);
  const begun: object = blankShape(methodId, shape.shape);
  const value = (of: object, key: string) => Object.entries(of).find(([k]) => k === key)?.[1];
  return told.every((key) => value(shape, key) === value(begun, key)) ? told : [];
};

/** A fabric that nobody has told anything of: its figures are ours, and decide the amount. */
export const laidInRules: Readonly<Record<string, Rule>> = {
  'laid-in': ({ repair, plan }) => {
    if (!plan.void) return [];
    const labels = (repair.void?.shapes ?? []).flatMap((shape) => {
      const keys = asBegun(shape, repair.method.id);
      return (kindOf(shape).parameters?.(shape) ?? []).filter((p) => keys.includes(p.key)).map((p) => p.label);
    });
    return labels.length ? [F['laid-in']({ what: listed([...new Set(labels)]) })] : [];
  },
};
