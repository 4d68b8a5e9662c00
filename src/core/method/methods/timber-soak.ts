import { texts } from '../../say';
import { measured } from '../../void';
import { furtherCoats } from '../allowances';
import { clear, endOfMixing, waiting, weighedOrWhole } from '../common';
import { coated, coatSettings, reworded } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';
import { ASKED_OF_TIMBER } from '../timber';

const SAYS = texts('timber-soak.says', {
  manner: 'Small pots, or one on ice: what stands in a deep pot sets before the wood has drunk it.',
  rests: 'Each that was begun is soaked until it takes no more; what is left in the pot is thrown away.',
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
    ASKED_OF_TIMBER.source,
    ASKED_OF_TIMBER.moisture,
    ASKED_OF_TIMBER.bears,
    ASKED_OF_TIMBER.oily,
    ASKED_OF_TIMBER.protected,
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
  rests: SAYS.rests(),
  restsIf: (c) => c.void.count > 1,
  allowances: [furtherCoats],
  says: { manner: SAYS.manner() },
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
