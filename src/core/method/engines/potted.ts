import { mixingMin } from '../../mix';
import { isMetered } from '../../system';
import type { TaskContext } from '../context';
import { type TaskRow, tasks } from '../task';

/** A pack is made ready where a fresh mixer is due; a pot is mixed each time. */
const madeReady = ({ sheet, batch }: TaskContext): boolean =>
  !isMetered(sheet.kind) || sheet.mixer === null || batch!.mixers > 0;

/** Setting out and mixing a pot: begin and end are both told, since clocks count from them. */
const mixing = tasks('pot', [
  {
    task: 'weigh',
    role: 'mix',
    each: 'batch',
    block: 'work',
    when: madeReady,
    title:
      '{how, select, mixer {Make the pack ready} bag {{packetsLaid, plural, one {Lay the packet out} other {Lay # packets out}}} other {{of, plural, one {Set out the batch} other {Set out batch {n} of {of}}}}}',
    detail:
      '{how, select, mixer {Press it out until both parts flow alike, then put the mixer on; note the lot numbers.} bag {Note {packetsLaid, plural, one {its lot number} other {their lot numbers}}; the film is still shut.} beads {{kits} {parts}, each in a cup of its own. Note the lot numbers.} hand {{kits} {parts}. Note the lot numbers. {leftOut}} other {{kits} {parts}. {tins, select, yes {Stir each part in its own tin first; note the lot numbers.} other {Turn the bag over first; note its lot number.}} {leftOut}}}',
    confirm:
      '{how, select, mixer {Both parts flow} bag {Set out} other {{weighed, select, yes {Weighed out} other {Set out}}}}',
    work: { fixed: 4 },
  },
  {
    task: 'mix',
    role: 'mix',
    each: 'batch',
    block: 'work',
    when: madeReady,
    title:
      '{how, select, mixer {Throw the first shots away} beads {Wet a first bead aside} bag {{packets, plural, one {{of, plural, one {Knead it in its film} other {Knead batch {n} in its film}}} other {{of, plural, one {Knead {packets} packets, one after the other} other {Knead {packets} packets for batch {n}, one after the other}}}}} other {{of, plural, one {Mix} other {Mix batch {n}}}}}',
    detail:
      '{how, select, mixer {Until the colour is even; then straight to the work. Keep a dab as the witness of its ratio.} bag {{packets, plural, one {} other {Each in its own film. }}{asSheet} {end} Then cut {packets, plural, one {it} other {all}} open and press {packets, plural, one {it} other {them}} out; what sticks to the film stays there. Keep a dab as the witness.} beads {{order} {asSheet} Keep it as the witness of its ratio: it hardens as what is built up does.} hand {{order} {manner} {asSheet} {end} Keep a little as the witness of its ratio.} other {{order} {manner} {asSheet} {end} Scrape sides and bottom. Keep {little, select, yes {a dab} other {a cupful}} as the witness of its ratio.}}',
    confirm: '{how, select, mixer {Colour is even} beads {It is wetted through} bag {Kneaded} other {Mixed}}',
    // As long as the pot is measured by; a sheet that says nothing is stirred a minute all the same.
    work: { sheet: ({ sheet, batch }) => mixingMin(sheet, batch!) },
    marks: { begin: ['mix-begins'], end: ['mix-ends', 'stand-ends'] },
  },
]);

/** To set out a batch, and to mix it. */
export const [weigh, mix] = mixing as readonly [TaskRow, TaskRow];
