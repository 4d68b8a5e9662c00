import { mm, texts } from '../say';
import type { ConsumableRow } from './consumable';
import { type MethodContext, type Question, type School, type Setting, settingIn } from './context';
import { type Effects, options } from './effects';
import type { AllowanceRow } from './method';
import { type TaskRow, tasks } from './task';

/**
 * Reinforcement laid open in a patch. A bar that stands half in the hollow is freed behind as well: rust goes on where
 * mortar cannot reach, and mortar holds on to no half bar. What is broken out behind it is filled too.
 */
const AMOUNT = texts('bars.amount', {
  label: 'behind and beside freed bars',
  by: '{run} × (({across} + 2 × {behind}) × ({across}/2 + {behind}) − π/4 × ({across})²)',
});

/** The task, the amount and the consumable are there by this name. */
const FREED = 'prep:bars';
const freed = ({ shows }: Effects): boolean => shows.includes(FREED);

/** Section of what is broken out round a bar that lay half in the hollow, less the bar itself, mm². */
export const roundBarMm2 = (acrossMm: number, behindMm: number): number =>
  (acrossMm + 2 * behindMm) * (acrossMm / 2 + behindMm) - (Math.PI / 4) * acrossMm ** 2;

/** The setting that holds how much bar is freed. */
export const BARS_RUN = 'bars-run';

/** How much bar is freed, mm; 0 where none is. */
export const freedBarMm = (c: Pick<MethodContext, 'effects' | 'settings'>): number =>
  freed(c.effects) ? settingIn(c, BARS_RUN) : 0;

/** Asked of every patch in concrete. */
export const rustingBars: Question = {
  id: 'bars',
  on: ['concrete'],
  ask: 'Is rusting reinforcement laid open?',
  wants: 'no',
  otherwise: {
    severity: 'caution',
    title: 'Rusting reinforcement laid open',
    why: 'Rust goes on under the patch and lifts it.',
    todo: 'Free the bars behind and all round, and say so at Measure: what goes round them is then broken out, coated and filled too. Lost section: a competent person.',
  },
};

export const barsSchool: School = {
  id: 'bars',
  matter: 'Bars in the hollow',
  stage: 'measure',
  options: options('bars', [
    { id: 'none', label: 'none laid open', fits: 'where none shows, or all were freed before it was measured' },
    {
      id: 'freed',
      label: 'freed behind and coated',
      fits: 'bars half in the hollow, or rusting',
      effect: { shows: [FREED] },
    },
  ]),
  byDefault: 'none',
  why: 'Behind a bar that is half laid open no mortar gets, and the rust goes on.',
};

const barSetting = (row: Pick<Setting, 'id' | 'label' | 'byDefault' | 'min' | 'max'>): Setting => ({
  ...row,
  kind: 'length',
  stage: 'measure',
  when: freed,
});

export const barSettings: readonly Setting[] = [
  barSetting({ id: BARS_RUN, label: 'Bars to free, all together', byDefault: 1000, min: 0, max: 1e6 }),
  barSetting({ id: 'bars-across', label: 'Bar, diameter', byDefault: 12, min: 4, max: 60 }),
  barSetting({ id: 'bars-behind', label: 'Broken out behind them', byDefault: 20, min: 0, max: 200 }),
];

/** What the room behind and beside them takes, beyond the hollow as it was measured: down to the middle of the bars. */
export const roundBars: AllowanceRow = {
  id: FREED,
  optional: true,
  of: (c) => {
    const [across, behind] = [settingIn(c, 'bars-across'), settingIn(c, 'bars-behind')];
    const run = freedBarMm(c);
    if (!run) return null;
    return {
      label: AMOUNT.label(),
      ml: (run * roundBarMm2(across, behind)) / 1000,
      expression: AMOUNT.by({ run: mm(run), across: mm(across), behind: mm(behind) }),
    };
  },
};

export const barCoat: ConsumableRow = {
  id: 'bar-coat',
  what: 'coat for bars',
  unit: 'm',
  why: 'bars freed and rubbed bright, coated before they rust again',
  shownBy: FREED,
  of: (c) => freedBarMm(c) / 1000,
};

export const freeBars: readonly TaskRow[] = tasks('bars', [
  {
    task: FREED,
    throws: 'dust',
    onBase: true,
    role: 'prepare',
    optional: true,
    title: 'Free the bars, rub them bright, coat them',
    detail:
      '{behind} behind and all round, to bright metal over the whole length; coated as its own sheet says. A bar that lost section: stop, until a competent person has seen it.',
    confirm: 'Free all round, bright, coated',
    work: { fixed: 10, per: { 'freed bar': 20 } },
  },
]);

/** What the words of the task are told. */
export const barGaps = { behind: (c: Pick<MethodContext, 'settings'>) => mm(settingIn(c, 'bars-behind')) };
