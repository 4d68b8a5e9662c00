import { mixerStandsMs } from '../../plan';
import { listed, minutes, mm } from '../../say';
import { BIT_OVER_MM, rodRow } from '../../system';
import { boreOf, rodIn } from '../../void';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  'mixer-on': {
    severity: 'note',
    stage: 'mix',
    title: 'It goes on with the mixer of “{before}”',
    why: 'That is pressed {pause, select, none {right before} other {{pause} before}}, and its mixer stays good for {life}: no fresh one, and no first shots to throw away.',
    todo: 'Fill this one next. Where it comes later, begin with a fresh mixer: have one to spare.',
  },
  'hole-table:rod': {
    severity: 'caution',
    stage: 'measure',
    title: 'The sheet has no rod of this size',
    why: 'Ø {rod} is not in its table: {rods}.',
    todo: 'Take a rod of the table, or get the maker’s word in writing.',
  },
  'hole-table:bit': {
    severity: 'stop',
    stage: 'measure',
    title: 'Hole not as the sheet has it',
    why: 'Ø {hole} for {rod}; the sheet asks for Ø {wanted}.',
    todo: '{wide, select, yes {Resin thicker than tested holds less. Anchor beside it with the right bit, or with the rod whose hole this is.} other {Resin does not get round the rod. Drill it out with the right bit.}}',
  },
  'hole-table:shallow': {
    severity: 'stop',
    stage: 'measure',
    title: 'Rod not deep enough',
    why: '{rod} goes {deep} in; the sheet asks for at least {least}.',
    todo: 'Drill deeper, or take a rod that the sheet has for this depth.',
  },
  'hole-table:deep': {
    severity: 'caution',
    stage: 'measure',
    title: 'Rod deeper than the sheet tells',
    why: '{rod} goes {deep} in; the table of the sheet ends at {most}.',
    todo: 'Nothing it says is for so deep a hole: ask the maker, and fill through a tube with a piston plug.',
  },
});

/** What the sheet’s table says of the hole for this rod, and what mixer it is filled from. */
export const holeRules: Readonly<Record<string, Rule>> = {
  'mixer-on': ({ plan }) => {
    const on = plan.context?.mixerOn;
    const first = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'));
    if (!on || !first || first.doneAt !== null) return [];
    const pauseMin = Math.round((first.startMs - on.pressedMs) / 60_000);
    return [
      F['mixer-on']({
        before: on.name,
        pause: pauseMin > 0 ? minutes(pauseMin) : 'none',
        life: minutes(Math.floor(mixerStandsMs(plan) / 60_000)),
      }),
    ];
  },

  'hole-table': ({ plan: { sheet, method }, repair }) => {
    const [rod, bore] = repair.void ? [rodIn(repair.void), boreOf(repair.void)] : [null, null];
    const holes = sheet?.holes ?? null;
    if (!method || !rod || !bore || !holes?.rods.length) return [];
    const row = rodRow(holes, rod.acrossMm);
    if (!row)
      return [
        F['hole-table:rod']({
          rod: mm(rod.acrossMm),
          rods: listed(
            holes.rods.map((r) => r.rod),
            'comma',
          ),
        }),
      ];
    const said = { rod: row.rod, deep: mm(rod.deepMm) };
    return [
      ...(Math.abs(bore.acrossMm - row.holeMm) > BIT_OVER_MM
        ? [
            F['hole-table:bit']({
              ...said,
              hole: mm(bore.acrossMm),
              wanted: mm(row.holeMm),
              wide: bore.acrossMm > row.holeMm ? 'yes' : 'no',
            }),
          ]
        : []),
      ...(row.leastMm !== null && rod.deepMm < row.leastMm
        ? [F['hole-table:shallow']({ ...said, least: mm(row.leastMm) })]
        : []),
      ...(row.mostMm !== null && rod.deepMm > row.mostMm
        ? [F['hole-table:deep']({ ...said, most: mm(row.mostMm) })]
        : []),
    ];
  },
};
