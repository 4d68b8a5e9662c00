import { texts } from '../../say';
import { keepsWater } from '../../system';
import { byCoverage, furtherCoats } from '../allowances';
import { clear, dryingSettings, endOfMixing, soundBase, waiting, weighedOrWhole } from '../common';
import { coverOf } from '../consumable';
import { coated, coatSettings, restsAtTape, reworded } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

const SAYS = texts('skim-coat.says', { manner: 'No dry nests; stirred again after standing, where the sheet asks.' });

const COVER = coverOf({ what: 'damp cloth or film for curing', why: 'over the skim and a hand beyond it' });

/** A thin skim over a repaired strip or a rough face: level, and of one look. */
export const skimCoat: Method = {
  id: 'skim-coat',
  version: 1,
  label: 'Skim over a slab or wall',
  engine: 'coat',
  does: 'A thin layer is drawn over a repaired strip, a patch or a rough face with a long trowel, bay by bay.',
  bases: ['concrete', 'stone'],
  shapes: ['coat'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['pours', 'paste', 'mortar'], out: ['pot'], binder: ['resin', 'cement'], sand: true },
  questions: [
    soundBase,
    {
      id: 'rougher',
      onFace: true,
      ask: 'Is the skim at least as thick as the face is rough?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Skim thinner than the face is rough',
        why: 'Peaks show through and wear bare first.',
        todo: 'Grind the peaks off, or make the skim thicker.',
      },
    },
  ],
  schools: [
    weighedOrWhole('skim-coat', {
      weighed: { label: 'as much as is drawn in its minutes', fits: 'bags and tins on a scale' },
      whole: { label: 'whole bags or kits only', fits: 'large faces' },
      why: 'A skim dries from its edge: no more than reaches the next joint.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [...coatSettings({ coats: 1, perHour: 12 }), ...dryingSettings],
  preparation: [
    'Face sound, dust off; sand of the pass below swept.',
    'Wet or dry as the sheet asks, no puddles.',
    'Taped along a line where it ends.',
  ],
  mistakes: [
    'Drawn over puddles.',
    'Retempered with water.',
    'A bay ended in mid-face.',
    'Left to the sun and the wind.',
  ],
  cautions: [
    'Cement is caustic, resins sensitise: gloves, knees protected.',
    'Grinding: water or extraction, breathing protection: silica.',
  ],
  tools: ['long steel trowel', 'gauge rake', 'adhesive tape', 'moisture meter'],
  tests: [
    { id: 'tap', kind: 'tap', ask: 'Does it ring sound all over?' },
    { id: 'line', kind: 'level', ask: 'Does a straightedge find no step at its edges?' },
  ],
  finishAnswer: 'drawn level, tape off',
  review: null,
  serves: 'foot',
  consumes: [{ ...COVER, of: (c) => (keepsWater(c.sheet) ? COVER.of(c) : 0) }],
  rests: restsAtTape,
  allowances: [furtherCoats, byCoverage],
  says: { manner: SAYS.manner() },
  tasks: [
    ...tasks('skim-coat', [
      {
        // A night's dust and dew would lie on it, and loosen its tape.
        task: 'prep:clean',
        block: 'first',
        throws: 'dust',
        role: 'prepare',
        title: 'Sweep, vacuum, tape the edge',
        detail: 'Nothing loose; peaks off that would show through.',
        confirm: 'Clean, taped',
        work: { fixed: 5, per: { m2: 2 } },
      },
      {
        task: 'prep:check',
        block: 'first',
        role: 'prepare',
        title: 'As wet or dry as the sheet asks? Read the base',
        detail: 'Its face {asked}.',
        confirm: 'Right, and read',
        work: { fixed: 5 },
        hold: true,
      },
    ]),
    ...clear,
    ...reworded('skim-coat', coated, {
      coat: {
        detail:
          'Drawn tight first, then to its thickness{several, select, yes {; end this batch at a joint or a tape} other {}}. Never wetted again once it drags.',
      },
    }),
    ...tasks('skim-coat', [
      {
        task: 'hold:cover',
        role: 'hold',
        block: 'work',
        title: 'Draw the tape, cover it from sun, wind and rain',
        detail: 'As the sheet asks; what is wanted dry is not wetted.',
        confirm: 'Covered and barred',
        work: { fixed: 5 },
      },
    ]),
  ],
};
