import { type TaskRow, tasks } from '../task';

/** Setting out and mixing a pot: begin and end are both told, since clocks count from them. */
const mixing = tasks('pot', [
  {
    task: 'weigh',
    role: 'mix',
    each: 'batch',
    block: 'work',
    title: '{of, plural, one {Set out the batch} other {Set out batch {n} of {of}}}',
    detail: '{kits} {parts}. Stir each part in its own tin first; note the lot numbers. {leftOut}',
    confirm: '{weighed, select, yes {Weighed out} other {Set out}}',
    work: { fixed: 4 },
  },
  {
    task: 'mix',
    role: 'mix',
    each: 'batch',
    block: 'work',
    title: '{of, plural, one {Mix} other {Mix batch {n}}}',
    detail: '{order} {end} Scrape sides and bottom. Keep a cupful as the witness of its cure.',
    confirm: 'Mixed',
    // As long as the pot is measured by; a sheet that says nothing is stirred a minute all the same.
    work: { sheet: (c) => c.sheet.mixMin || 1 },
    marks: { begin: ['mix-begins'], end: ['mix-ends', 'stand-ends'] },
  },
]);

/** To set out a batch, and to mix it. */
export const [weigh, mix] = mixing as readonly [TaskRow, TaskRow];
