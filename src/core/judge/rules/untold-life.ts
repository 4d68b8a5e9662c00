import { exactly, minutes } from '../../say';
import { isMixedAsPlaced, tellsWorked, usualWorksMin } from '../../system';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  'untold-life': {
    severity: 'caution',
    stage: 'mix',
    title: 'Nothing tells how long it may be worked',
    why: 'The sheet of {sheet} prints no pot life, working, open or gel time. It is planned as if {min} were left to place it once it is mixed, as is usual for such a system in mild air: Grenko’s own figure, and it may be less. No clock runs for it.',
    todo: 'Look for it on the pack and on the paper, or time a trial of the same size where it is worked; type it into the sheet’s next revision, or here.',
  },
});

/** Whether a finding is that nothing tells how long a mix may be worked. */
export const tellsNoLife = ({ id, passId }: { readonly id: string; readonly passId?: string | undefined }): boolean =>
  ['untold-life', `${passId}/untold-life`].includes(id);

/** A mix that dies nobody knows when is planned with by a figure of ours, and that is said. */
export const untoldLifeRules: Readonly<Record<string, Rule>> = {
  'untold-life': ({ plan }) => {
    const { sheet, context } = plan;
    if (!context || !sheet || tellsWorked(sheet) || isMixedAsPlaced(sheet)) return [];
    return [F['untold-life']({ sheet: sheet.name, min: exactly(minutes(usualWorksMin(sheet.kind))) })];
  },
};
