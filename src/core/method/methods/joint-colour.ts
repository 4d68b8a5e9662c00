import { texts } from '../../say';
import { measured } from '../../void';
import { byCoverage, furtherCoats } from '../allowances';
import { clear, endOfMixing, partKits, waiting } from '../common';
import type { School } from '../context';
import { options } from '../effects';
import { coatSettings, further, LOT_AREA } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

const SAYS = texts('joint-colour.says', {
  order: 'Add the water, shake, let it stand, shake once more: its use counts from the last shake.',
});

/** Above this the eye sees where one lot ends, mm²; the sheet's own figure takes its place. */
const ONE_LOT_MM2 = 10e6;

/** Where the lot may change. */
const lots: School = {
  id: 'lots',
  matter: 'The lot',
  stage: 'mix',
  options: options('joint-colour.lots', [
    {
      id: 'one',
      label: 'one lot for each coat',
      fits: 'a floor that is seen at one glance, with hands enough to use it up in its life',
      effect: { lots: 'one' },
    },
    {
      id: 'threshold',
      label: 'a lot for each area, changed at its threshold',
      fits: 'rooms measured as areas of their own, and hands too few for one lot; the break goes into the record',
      effect: { lots: 'area' },
    },
  ]),
  byDefault: 'one',
  why: 'Two lots are never quite of one colour: in mid-room it is seen for years, at a threshold by nobody.',
};

/** Joints painted in their colour with a water-borne coat. */
export const jointColour: Method = {
  id: 'joint-colour',
  version: 1,
  label: 'Joint colour',
  engine: 'coat',
  params: { byCoverage: true },
  blanks: { coat: { thickness: measured(0.05, 'film', 0), texture: { from: 'class', class: 'none' } } },
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
  schools: [lots, partKits, endOfMixing, waiting],
  settings: [
    ...coatSettings({ coats: 2, perHour: 10 }),
    {
      id: LOT_AREA,
      label: 'One lot over more than',
      kind: 'area',
      byDefault: ONE_LOT_MM2,
      min: 0,
      max: 1e9,
      stage: 'mix',
    },
  ],
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
  allowances: [furtherCoats, byCoverage],
  says: { order: SAYS.order() },
  tasks: [
    ...tasks('joint-colour', [
      {
        task: 'prep:clean',
        throws: 'water',
        onBase: true,
        role: 'prepare',
        title: 'Clean and dry the joints, find what sheds water',
        detail: 'A drop on each kind of joint: silicone and sealed ones are marked and left out.',
        confirm: 'Clean, dry, marked',
        work: { fixed: 10, per: { m2: 4 } },
        hold: true,
      },
      {
        task: 'prep:trial',
        onBase: true,
        role: 'prepare',
        title: 'Trial spot in a hidden place, wiped and looked at dry',
        detail: 'On porous stone above all: what soaks into limestone does not come out.',
        confirm: 'It wipes off clean',
        work: { fixed: 10 },
        hold: true,
      },
    ]),
    ...clear,
    ...tasks('joint-colour', [
      {
        task: 'weigh',
        role: 'mix',
        each: 'batch',
        block: 'work',
        title: '{of, plural, one {Shake each bottle} other {Shake each bottle, lot {n} of {of}}}',
        detail: '{kits} {parts}. Until nothing sticks to the bottom; note the lot numbers.',
        confirm: 'Nothing sticks to the bottom',
        work: { fixed: 2 },
      },
      {
        task: 'mix',
        role: 'mix',
        each: 'batch',
        block: 'work',
        title: '{of, plural, one {Add the water and shake} other {Add the water and shake, lot {n}}}',
        detail: '{order} {end} All of a lot into one pail, so that it is one colour.',
        confirm: 'Shaken',
        work: { sheet: (c) => c.sheet.mixMin || 1 },
        marks: { begin: ['mix-begins'], end: ['mix-ends', 'stand-ends'] },
      },
      {
        task: 'coat',
        role: 'place',
        each: 'batch',
        block: 'work',
        title:
          '{coats, plural, one {Paint the joints} other {Paint the joints, coat {lift} of {coats}}}{roomed, select, yes {, area {room}} other {}}',
        detail:
          'Shake at each decant, close the bottle again; a few metres, then wipe the tiles lightly damp, then dry{roomed, select, yes {; this lot ends at its threshold, write its number down} other {}}.',
        confirm: '{coats, plural, one {Painted and wiped} other {Coat {lift} is on and wiped}}',
        work: { by: { setting: 'coat-rate', driver: 'm2 coated' } },
        marks: { end: ['placed', 'last-coat', 'faces-closed'] },
        // The mix has to stand before it is painted: that is done while the coat below still dries.
        waits: { for: 'recoat-from', on: 'below', when: further, ahead: true },
        within: { of: 'recoat-until', on: 'below', by: 'begin', when: further },
      },
      {
        task: 'hold:keep',
        role: 'hold',
        block: 'work',
        title: 'Bar it off, no water on it',
        detail: 'Nothing wet on it, and nothing that drips, until it may be washed.',
        confirm: 'Barred off',
        work: { fixed: 5 },
      },
      {
        task: 'hold:touch',
        role: 'hold',
        block: 'finish',
        title: 'Touch it with a dry finger, each hour until it is dry',
        detail: 'Dry when nothing comes off. Damp air holds it back however warm it is.',
        confirm: 'Nothing comes off',
        work: { fixed: 2 },
        hold: true,
        hourly: true,
        waits: { for: 'tack-free', on: 'all', orElse: ['dry'] },
      },
    ]),
  ],
  gaps: {
    roomed: (c) => (c.portions[c.batch!.portion]?.over ? 'yes' : 'no'),
    room: (c) => (c.portions[c.batch!.portion]?.over?.area ?? 0) + 1,
  },
};
