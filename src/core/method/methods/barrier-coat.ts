import { measured } from '../../void';
import { byCoverage, furtherCoats } from '../allowances';
import { clear, endOfMixing, partKits, waiting } from '../common';
import { coated, coatSettings, restsAtTape } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

/** Thin coats that keep water out of what lies under them. */
export const barrierCoat: Method = {
  id: 'barrier-coat',
  version: 1,
  label: 'Barrier or finish coats',
  engine: 'coat',
  // It goes on what was sanded.
  blanks: { coat: { thickness: measured(0.12, 'film'), texture: { from: 'class', class: 'none' } } },
  does: 'A face is sealed in thin coats, each within the window of the last.',
  bases: ['laminate', 'timber', 'metal', 'plastic', 'concrete', 'stone'],
  shapes: ['coat'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['thin', 'pours', 'film'], out: ['pot'], binder: ['resin'] },
  questions: [
    {
      id: 'dry',
      ask: 'Is what lies under it dry, fair and free of pinholes?',
      wants: 'yes',
      onFace: true,
      otherwise: {
        severity: 'stop',
        title: 'Not ready for a coat',
        why: 'A coat shows every fault and keeps the water in.',
        todo: 'Fill and sand once more; let it dry to the sheet’s limit.',
      },
    },
  ],
  schools: [{ ...partKits, byDefault: 'weighed' }, endOfMixing, waiting],
  settings: coatSettings({ coats: 2, perHour: 6 }),
  preparation: [
    'Sanded dull and wiped; dust taken off with a tack cloth.',
    'Edges masked at a margin, a tape for each coat.',
    'Out of sun and wind, and the dew margin kept until it is tack-free.',
  ],
  mistakes: [
    'Too thick: it runs.',
    'The next coat after its window, on gloss.',
    'Coated in the evening: the dew takes the gloss.',
  ],
  cautions: ['Vapours: ventilate, no flames or sparks.', 'Sensitising: no bare skin, for both parts.'],
  tools: ['roller and brush', 'masking tape', 'tack cloth', 'wet film gauge', 'raking lamp'],
  tests: [
    { id: 'whole', kind: 'look', ask: 'Is it whole under a raking light, with no misses, runs or craters?' },
    { id: 'hard', kind: 'nail', ask: 'Does a nail leave no mark?' },
  ],
  finishAnswer: 'tape drawn, whole',
  review: null,
  serves: 'wet',
  rests: restsAtTape,
  allowances: [furtherCoats, byCoverage],
  tasks: [
    ...tasks('barrier-coat', [
      {
        task: 'prep:abrade',
        throws: 'dust',
        onBase: true,
        role: 'prepare',
        title: 'Sand dull, wipe',
        detail: 'Gloss gone all over; dust off with a tack cloth.',
        confirm: 'Dull and clean',
        work: { fixed: 5, per: { m2: 20 } },
      },
    ]),
    ...clear,
    ...tasks('barrier-coat', [
      {
        task: 'prep:check',
        block: 'first',
        role: 'prepare',
        title: 'Mask, read the base temperature; dry?',
        detail: 'At least {dewMargin} above the dew point until it is tack-free.',
        confirm: 'Masked, dry, and read',
        work: { fixed: 5 },
        hold: true,
      },
    ]),
    ...coated,
    ...tasks('barrier-coat', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Draw the tape, keep dust and dew off',
        detail: 'Tape off while it is wet.',
        confirm: 'Left alone',
        work: { fixed: 3 },
      },
    ]),
  ],
};
