import { texts } from '../../say';
import { measured } from '../../void';
import { furtherCoats } from '../allowances';
import { clear, endOfMixing, waiting, weighedOrWhole } from '../common';
import { coated, coatSettings, reworded } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

const SAYS = texts('timber-soak.says', {
  order: 'Small pots, or one on ice: what stands in a deep pot sets before the wood has drunk it.',
});

/** Soft timber soaked with a thin resin until it takes no more. */
export const timberSoak: Method = {
  id: 'timber-soak',
  version: 1,
  label: 'Soft timber, soaked to refusal',
  engine: 'coat',
  does: 'Timber that is dry enough is brushed with a thin resin, coat into wet coat, until it takes no more; end grain first.',
  bases: ['timber'],
  shapes: ['coat'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['thin', 'pours'], out: ['pot'], binder: ['resin'] },
  questions: [
    {
      id: 'source',
      ask: 'Is the source of the wet ended?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Still getting wet',
        why: 'Rot goes on behind a skin of resin, and faster.',
        todo: 'Mend the leak, the joint or the ground contact first.',
      },
    },
    {
      id: 'moisture',
      ask: 'Is its moisture, read deep, under the most that the sheet allows?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Timber too wet',
        why: 'Wet cells take no resin; it sets on the surface and hides what is under it.',
        todo: 'Let it dry, covered and aired, and read it again.',
      },
    },
    {
      id: 'bears',
      ask: 'Does this timber carry a load?',
      wants: 'no',
      otherwise: {
        severity: 'caution',
        title: 'It carries a load',
        why: 'Soaked rot is harder, not as strong as timber.',
        todo: 'Have an engineer say what it may still carry.',
      },
    },
    {
      id: 'oily',
      ask: 'Is it oily, or was it treated with a preservative?',
      wants: 'no',
      otherwise: {
        severity: 'caution',
        title: 'Oily or treated timber',
        why: 'Resin may not hold or not set in it.',
        todo: 'Make a trial on a hidden spot.',
      },
    },
    {
      id: 'protected',
      ask: 'Is it a protected object?',
      wants: 'no',
      otherwise: {
        severity: 'stop',
        title: 'Protected object',
        why: 'Resin in timber cannot be taken out again.',
        todo: 'Ask for consent; a reversible coat between.',
      },
    },
  ],
  schools: [
    weighedOrWhole('timber-soak', {
      weighed: { label: 'small pots, one after the other', fits: 'bottles with marks, a scale' },
      whole: { label: 'whole sets', fits: 'small sets' },
      why: 'How much it drinks is only known when it stops.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: coatSettings({ coats: 1, perHour: 1 }),
  preparation: [
    'Probed to sound wood; crumbs and dust out.',
    'Moisture read deep with long pins, and written down.',
    'Loose paint off; runs caught below.',
  ],
  mistakes: [
    'A fixed number of coats.',
    'Stopped at a shine that is only on top.',
    'A deep pot in the sun.',
    'Filled over a solvent-borne soak that still loses weight.',
  ],
  cautions: [
    'Thin resins run and sensitise: gloves and sleeves.',
    'Solvent: ventilate, no flame; cloths out of the heap.',
  ],
  tools: ['awl', 'moisture meter with long pins', 'brush and syringe', 'small cups, ice', 'tray for the runs'],
  tests: [
    { id: 'probe', kind: 'probe', ask: 'Does an awl stop where it went in before?' },
    { id: 'shine', kind: 'look', ask: 'Is it dull and even, with no sticky pool?' },
  ],
  finishAnswer: 'drunk full, wiped',
  review: null,
  serves: 'recoat-from',
  allowances: [furtherCoats],
  says: { order: SAYS.order() },
  params: { toRefusal: true },
  // Half a litre a square metre to begin with, end grain several times that: nobody measures how thick a soak is.
  blanks: { coat: { thickness: measured(0.5, 'guess'), texture: { from: 'class', class: 'none' } } },
  tasks: [
    ...tasks('timber-soak', [
      {
        task: 'prep:probe',
        role: 'prepare',
        title: 'Probe to sound wood, crumbs out',
        detail: 'Nothing soft that comes away by hand is left.',
        confirm: 'Clean, sound below',
        work: { fixed: 15, per: { m2: 20 } },
      },
      {
        task: 'prep:moisture',
        block: 'first',
        role: 'prepare',
        title: 'Read the moisture deep, and the base',
        detail: 'Long pins; at least {dewMargin} above the dew point.',
        confirm: 'Dry enough, and read',
        work: { fixed: 5 },
        hold: true,
      },
    ]),
    ...clear,
    ...reworded('timber-soak', coated, {
      coat: {
        title:
          'Soak it{several, select, yes {, pot {n}} other {}}: end grain first, wet into wet, until it takes no more',
        detail:
          'Note what each round took: it falls, and below a tenth of the first it refuses. Runs caught, pools wiped before they set.',
        confirm: 'It takes no more',
      },
    }),
    ...tasks('timber-soak', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Wipe pools, cover it from rain',
        detail: 'Aired; a solvent-borne one is filled over only when its weight is steady.',
        confirm: 'Covered',
        work: { fixed: 5 },
      },
    ]),
  ],
};
