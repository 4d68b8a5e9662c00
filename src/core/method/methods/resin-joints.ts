import { areaOf, texts } from '../../say';
import { keepsWater } from '../../system';
import { kindOf } from '../../void';
import { shareOf } from '../allowances';
import { clear, endOfMixing, waiting, weighedOrWhole } from '../common';
import { type MethodContext, settingIn } from '../context';
import { options } from '../effects';
import { filledInLifts, reworded } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

/** The task of the second wash, and how much is washed in one pail. */
const AGAIN = 'wash-again';
const WATER = 'water-area';
/** What is washed is the whole floor, not its joints alone. */
const washedMm2 = ({ void: v }: MethodContext): number =>
  v.count * v.shapes.reduce((sum, shape) => sum + (kindOf(shape).inArea?.(shape).mm2 ?? 0), 0);
const SAYS = texts('resin-joints.says', {
  manner: 'The paddle slow; every part scraped out of its bag.',
  rests: 'The joints are struck off square where the unit ends, and washed; begun against that edge.',
});

/** Joints of tiles or slabs filled with a resin that is washed off before it hazes. */
export const resinJoints: Method = {
  id: 'resin-joints',
  version: 1,
  label: 'Joints of tiles filled with resin',
  engine: 'fill',
  does: 'Clean joints are filled to the brim, struck, and washed inside the window of what was filled first; movement joints stay open.',
  bases: ['stone', 'concrete'],
  shapes: ['joints'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['pours', 'paste', 'mortar'], out: ['pot'], binder: ['resin', 'cement'], sand: true },
  params: { narrow: true, ownPails: true },
  questions: [
    {
      id: 'bed',
      onFace: true,
      ask: 'Has the bed set, by its time at the temperature of the base, not by the calendar?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Bed not set',
        why: 'A tile that moves opens the joint beside it.',
        todo: 'Wait as the sheet of the bed says at this temperature, or warm it.',
      },
    },
    {
      id: 'depth',
      onFace: true,
      ask: 'Are the joints clean and empty to their depth?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Bed in the joints',
        why: 'A thin skin of resin over old bed breaks out.',
        todo: 'Rake and vacuum to the depth that was measured.',
      },
    },
    {
      id: 'movement',
      onFace: true,
      ask: 'Are the movement joints mapped, and kept open by a strip?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Movement joints not kept open',
        why: 'A stiff fill in a movement joint lifts the field on a hot day.',
        todo: 'A double strip in each, the upper one drawn afterwards for the sealant.',
      },
    },
  ],
  schools: [
    {
      id: 'out',
      matter: 'Out of the bucket',
      stage: 'place',
      options: options('resin-joints.out', [
        {
          id: 'heaps',
          label: 'at once, into heaps',
          fits: 'anything that heats itself',
          effect: { pouredOut: true },
          says: {
            out: 'Out of the bucket at once, into heaps on the floor: in the bucket it heats itself and is dead first',
          },
        },
        {
          id: 'bucket',
          label: 'worked from the bucket',
          fits: 'small units in the cool',
          says: { out: 'From the bucket, scraped down as it empties' },
        },
      ]),
      byDefault: 'heaps',
      // A grout bound by water stays cool in its bucket, and dries in heaps.
      usual: (sheet) => (keepsWater(sheet) ? 'bucket' : 'heaps'),
      why: 'The same mix lives twice as long spread out. The use-by of the sheet must be the one for how it is worked.',
    },
    {
      id: 'washes',
      matter: 'Washing',
      stage: 'place',
      options: options('resin-joints.washes', [
        { id: 'once', label: 'once', fits: 'what comes off clean, and small areas' },
        {
          id: 'twice',
          label: 'twice, the second time in clean water',
          fits: 'what leaves a film, dark or rough units',
          effect: { shows: [AGAIN] },
        },
      ]),
      byDefault: 'once',
      why: 'The first wash spreads a thin film; set, it is haze that only a machine takes off.',
    },
    weighedOrWhole(
      'resin-joints',
      {
        weighed: { label: 'split by weighing', fits: 'a sheet that allows it' },
        whole: { label: 'whole units', fits: 'bags and buckets made for each other' },
        why: 'Colour and set hang on the ratio.',
      },
      'whole',
    ),
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'over', label: 'Scraped off, washed away', kind: 'percent', byDefault: 0, min: 0, max: 200, stage: 'mix' },
    { id: 'rate', label: 'Joints filled in a minute', kind: 'rate', byDefault: 65, min: 1, max: 5000, stage: 'place' },
    { id: WATER, label: 'Water changed every', kind: 'area', byDefault: 4e6, min: 1e5, max: 1e8, stage: 'place' },
  ],
  preparation: [
    'Bed set; joints raked and vacuumed to their depth, wiped damp only where the sheet asks.',
    'Movement joints mapped, a double strip in each.',
    'Porous units tried on a spot: does the wash take the film off?',
    'Two buckets of water, pads, squeegee and sponge; who fills and who washes.',
  ],
  mistakes: [
    'The unit left in the bucket.',
    'One pair of hands filling and washing in the same minute.',
    'Washed in another order than it was filled.',
    'Haze found the next day.',
  ],
  cautions: [
    'Resin sensitises, and so does its washing water: gloves, waterproof sleeves.',
    'No foot on it before its time.',
  ],
  tools: ['hard rubber float', 'slow paddle', 'pads and sponges', 'two buckets', 'lamp for the haze'],
  tests: [
    { id: 'full', kind: 'look', ask: 'Are all joints full and level, without a pinhole?' },
    { id: 'haze', kind: 'look', ask: 'Does a lamp along the floor show no haze?' },
    { id: 'open', kind: 'look', ask: 'Are the movement joints open?' },
  ],
  finishAnswer: 'washed, upper strips drawn',
  review: null,
  serves: 'foot',
  consumes: [
    {
      id: 'water',
      what: 'pails of clean water',
      one: 'pail of clean water',
      unit: '',
      why: 'for washing, changed by the area that was washed',
      of: (c) => Math.ceil(washedMm2(c) / settingIn(c, WATER) - 1e-9) * (c.effects.shows.includes(AGAIN) ? 2 : 1),
    },
  ],
  gaps: { water: (c) => areaOf(settingIn(c, WATER)) },
  allowances: [shareOf('over', 'scraped off, washed away')],
  says: { manner: SAYS.manner() },
  rests: SAYS.rests(),
  tasks: [
    ...tasks('resin-joints', [
      {
        task: 'prep:rake',
        throws: 'dust',
        role: 'prepare',
        title: 'Rake and vacuum the joints, strips into the movement joints',
        detail: 'To the depth that was measured; nothing of the bed in them.',
        confirm: 'Clean, strips in',
        work: { fixed: 10, per: { m2: 60 } },
        hold: true,
      },
      {
        task: 'prep:check',
        block: 'first',
        role: 'prepare',
        title: 'Read the base; water, pads and hands ready',
        detail: 'Faces of the joints {asked}.',
        confirm: 'Read, ready to wash',
        work: { fixed: 5 },
        hold: true,
      },
    ]),
    ...clear,
    ...reworded('resin-joints', filledInLifts, {
      place: {
        title: 'Fill the joints{several, select, yes {, unit {n}} other {}}',
        detail: '{out}. Pressed in till it wells up, struck square across; pinholes at once.',
        confirm: 'Full, struck off',
      },
    }),
    ...tasks('resin-joints', [
      {
        task: 'wash',
        throws: 'water',
        role: 'close',
        each: 'batch',
        block: 'work',
        title: 'Wash{several, select, yes { what unit {n} filled} other { it}}, in the order it was filled',
        detail:
          'Not before it has stiffened, or it is dragged out; pad, then sponge, the water changed every {water}. Look along it for haze.',
        confirm: 'Washed, no haze',
        work: { per: { mL: 0.01 } },
        waits: { for: 'wash-from', on: 'own' },
        within: { of: 'wash-until', on: 'own', by: 'begin' },
      },
      {
        task: AGAIN,
        throws: 'water',
        role: 'close',
        each: 'batch',
        block: 'work',
        optional: true,
        title: 'Wash{several, select, yes { what unit {n} filled} other { it}} again, in clean water',
        detail: 'A clean sponge, drawn off dry; a lamp along it shows the film while it still comes off.',
        confirm: 'No film under the lamp',
        work: { per: { mL: 0.005 } },
        within: { of: 'wash-until', on: 'own', by: 'begin' },
      },
      {
        task: 'hold:strips',
        role: 'hold',
        block: 'work',
        title: 'Draw the upper strips, bar it off',
        detail: 'The lower one stays for the sealant to lie on.',
        confirm: 'Open, barred',
        work: { fixed: 8 },
      },
    ]),
  ],
};
