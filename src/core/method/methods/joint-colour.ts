import { texts } from '../../say';
import { furtherCoats } from '../allowances';
import { clear, endOfMixing, partKits, waiting } from '../common';
import { coated, coatSettings, reworded } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

const SAYS = texts('joint-colour.says', {
  order: 'Shake each bottle, add the water, shake, let it stand, shake once more: its use counts from the last shake.',
});

/** Joints painted in their colour with a water-borne coat. */
export const jointColour: Method = {
  id: 'joint-colour',
  version: 1,
  label: 'Joint colour',
  engine: 'coat',
  does: 'Joints are cleaned, dried and painted with a water-borne colour, wiped off the tiles, and kept dry until it holds.',
  bases: ['stone', 'concrete'],
  shapes: ['coat'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['film'], out: ['pot'], binder: ['water'] },
  questions: [
    {
      id: 'silicone',
      ask: 'Are joints of silicone, and sealed ones, found by a drop of water and left out?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Joints that take no colour',
        why: 'Silicone and sealer shed it.',
        todo: 'A drop of water on each kind of joint: what does not soak in is left out or stripped.',
      },
    },
    {
      id: 'porous',
      ask: 'Was porous stone tried in a hidden place?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Porous stone untried',
        why: 'What soaks into limestone does not come out.',
        todo: 'A trial in a hidden place, wiped and looked at dry, is a hold point.',
      },
    },
    {
      id: 'dry',
      ask: 'Can the floor be kept dry until it holds, whatever is booked?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Water booked too early',
        why: 'Washed before it holds, it comes off.',
        todo: 'Move the washing, or the work.',
      },
    },
  ],
  schools: [partKits, endOfMixing, waiting],
  settings: coatSettings({ coats: 2, perHour: 10 }),
  preparation: [
    'Joints cleaned of wax, soap and dust; dried.',
    'What sheds water found by a drop and marked.',
    'One lot for one room; a threshold is where a lot may change.',
  ],
  mistakes: ['A new lot in mid-room.', 'Standing time skipped.', 'Dry because it is warm, in damp air.'],
  cautions: ['Wash off skin at once.'],
  tools: ['bottles and decanting cup', 'joint brushes', 'damp and dry cloths', 'hygrometer'],
  tests: [
    { id: 'touch', kind: 'touch', ask: 'Does nothing come off on a dry finger?' },
    { id: 'even', kind: 'look', ask: 'Is the colour even from room to room?' },
  ],
  finishAnswer: 'wiped, even',
  review: null,
  serves: 'dry',
  allowances: [furtherCoats],
  says: { order: SAYS.order() },
  tasks: [
    ...tasks('joint-colour', [
      {
        task: 'prep:clean',
        onBase: true,
        role: 'prepare',
        title: 'Clean and dry the joints, find what sheds water',
        detail: 'A drop on each kind of joint; mark what is left out.',
        confirm: 'Clean, dry, marked',
        work: { fixed: 10, per: { m2: 4 } },
        hold: true,
      },
    ]),
    ...clear,
    ...reworded('joint-colour', coated, {
      coat: {
        title:
          '{coats, plural, one {Paint the joints} other {Paint the joints, coat {lift} of {coats}}}{several, select, yes {, lot {n}} other {}}',
        detail:
          'Shake at each decant; a few metres, then wipe the tiles damp and dry{several, select, yes {; this lot ends at a threshold} other {}}.',
      },
    }),
    ...tasks('joint-colour', [
      {
        task: 'hold:keep',
        role: 'hold',
        block: 'work',
        title: 'Keep it dry, touch it each hour',
        detail: 'From the time it may be dry a finger tells, hourly.',
        confirm: 'Barred off',
        work: { fixed: 5 },
      },
    ]),
  ],
};
