import { texts } from '../../say';
import { clear, endOfMixing, noWaterPressure, soundBase, waiting, weighedOrWhole } from '../common';
import { runM } from '../consumable';
import { options } from '../effects';
import { filledInLifts, reworded } from '../engines';
import { FILL_PCT, filledShare, leftInTheGun, ROD, rodGaps, rodInSection, rodStands } from '../joint-fill';
import type { Method } from '../method';
import { tasks } from '../task';

const SAYS = texts('flexible-joint.says', {
  manner: 'A slow paddle; sides and bottom scraped twice.',
  rests: 'It ends square against a stop across the joint, tooled to it; begun against that end, cleaned.',
});

/** A joint or crack that moves, filled with what moves with it: on its two sides only. */
export const flexibleJoint: Method = {
  id: 'flexible-joint',
  version: 1,
  label: 'Joint that moves, filled flexible',
  engine: 'fill',
  does: 'A joint or crack that moves is sawn to its width, backed by a rod or tape, filled on two sides only and tooled.',
  bases: ['concrete', 'stone', 'metal', 'timber', 'laminate', 'plastic'],
  // Its width decides what it bears: a volume alone does not tell it.
  shapes: ['groove', 'chase'],
  // It is sawn as wide below: to a point it would be planned with half of what it takes.
  blanks: { chase: { form: 'slot' } },
  laidOn: null,
  setsOut: false,
  takes: { flow: ['pours', 'paste', 'putty'], out: ['pot', 'mixer', 'hand'], binder: ['resin'], sand: true },
  params: { narrow: true, line: 'joint' },
  watched: 'told',
  questions: [
    soundBase,
    noWaterPressure,
    {
      id: 'flexible',
      ask: 'Does the sheet name it flexible, with the movement it bears?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Not named flexible',
        why: 'A rigid fill breaks beside the old line with the first cold night.',
        todo: 'Take a system whose sheet gives a movement, and type that figure.',
      },
    },
    {
      id: 'old',
      ask: 'Is all of the old filling out, and nothing greasy or silicone left at the sides?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Old filling in it',
        why: 'Nothing holds on what is left of another sealant.',
        todo: 'Saw or grind to clean base on both sides.',
      },
    },
  ],
  schools: [
    {
      id: 'back',
      matter: 'Its back',
      stage: 'place',
      options: options('flexible-joint.back', [
        {
          id: 'rod',
          label: 'a rod, a quarter wider than the joint',
          fits: 'joints deep enough',
          effect: { shows: [ROD] },
          says: { back: 'A closed-cell rod a quarter wider than the joint, pressed to an even depth, not pierced' },
        },
        {
          id: 'tape',
          label: 'tape on the floor of it',
          fits: 'shallow joints',
          effect: { shows: ['tape'] },
          says: { back: 'A tape on its floor that the filling does not hold on' },
        },
      ]),
      byDefault: 'rod',
      why: 'Held on three sides it tears at the first movement.',
    },
    weighedOrWhole('flexible-joint', {
      weighed: { label: 'as much as is tooled in its minutes', fits: 'tins on a scale fine enough' },
      whole: { label: 'whole packs only', fits: 'packs that are mixed at once' },
      why: 'It must be tooled before it skins.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    {
      id: 'over',
      label: 'Left in the gun, struck off',
      kind: 'percent',
      byDefault: 10,
      min: 0,
      max: 200,
      stage: 'mix',
    },
    {
      id: 'rate',
      label: 'Filled and tooled in a minute',
      kind: 'rate',
      byDefault: 60,
      min: 1,
      max: 5000,
      stage: 'place',
    },
    {
      id: FILL_PCT,
      label: 'Filled over the rod, deep of its width',
      kind: 'percent',
      byDefault: 50,
      min: 25,
      max: 200,
      stage: 'measure',
      when: (e) => e.shows.includes(ROD),
    },
    {
      id: 'movement',
      label: 'Movement it bears, to either side',
      kind: 'percent',
      byDefault: 25,
      min: 1,
      max: 100,
      stage: 'measure',
    },
    {
      id: 'run',
      label: 'Length that moves into the joint',
      kind: 'length',
      byDefault: 5000,
      min: 100,
      max: 200_000,
      stage: 'measure',
    },
    {
      id: 'coldest',
      label: 'Coldest it gets',
      kind: 'temperature',
      byDefault: -20,
      min: -60,
      max: 40,
      stage: 'measure',
    },
    {
      id: 'hottest',
      label: 'Hottest it gets',
      kind: 'temperature',
      byDefault: 40,
      min: -20,
      max: 90,
      stage: 'measure',
    },
  ],
  preparation: [
    'Sawn to its width, both sides clean, sharp and dry to the bottom.',
    'Dust blown out, primer where the sheet asks.',
    'Edges taped; crossings and ends kept open as the plan of joints says.',
  ],
  mistakes: [
    'Held on three sides.',
    'As deep as wide.',
    'Tooled after it has skinned.',
    'Filled on the hottest day: it is torn open in the winter.',
  ],
  cautions: [
    'Sawing: water or extraction, breathing protection: silica.',
    'Isocyanates and primers: ventilate, gloves.',
  ],
  tools: ['saw', 'rod and blunt roller', 'adhesive tape', 'gun or bag', 'jointing iron'],
  tests: [
    { id: 'sides', kind: 'function', ask: 'Does it hold on both sides when it is pressed along the edge?' },
    { id: 'skin', kind: 'look', ask: 'Is it smooth, hollow by a little, with no bubble?' },
  ],
  finishAnswer: 'tooled, tape off',
  review: null,
  serves: 'foot',
  rests: SAYS.rests(),
  allowances: [rodStands, leftInTheGun],
  filledShare,
  standsIn: rodInSection,
  consumes: [
    {
      id: ROD,
      what: 'closed-cell rod, a quarter wider than the joint',
      unit: 'm',
      why: 'under the filling, that it holds on two sides only',
      shownBy: ROD,
      of: runM,
    },
    {
      id: 'bond-breaker',
      what: 'tape the filling does not hold on',
      unit: 'm',
      why: 'on the floor of the joint, that it holds on two sides only',
      shownBy: 'tape',
      of: runM,
    },
  ],
  says: { manner: SAYS.manner() },
  gaps: rodGaps,
  tasks: [
    ...tasks('flexible-joint', [
      {
        task: 'prep:saw',
        throws: 'dust',
        role: 'prepare',
        title: 'Saw it to its width, clean both sides',
        detail: 'To sound, sharp edges; dust out to the bottom.',
        confirm: 'Clean on both sides',
        work: { fixed: 10, per: { m: 4 } },
      },
      {
        task: 'prep:rod',
        role: 'prepare',
        title: 'Back it, tape the edges',
        detail: '{back}{rod, select, yes {; its top {fill} below the face} other {}}.',
        confirm: 'Even depth, nothing pierced',
        work: { fixed: 5, per: { m: 1 } },
        hold: true,
      },
      {
        task: 'prep:check',
        block: 'first',
        role: 'prepare',
        title: 'Dry? Read the base',
        detail: 'At least {dewMargin} above the dew point; its temperature decides how far it opens and closes.',
        confirm: 'Dry and read',
        work: { fixed: 5 },
        hold: true,
      },
    ]),
    ...clear,
    ...reworded('flexible-joint', filledInLifts, {
      place: {
        title: 'Fill and tool it{several, select, yes {, batch {n}} other {}}{along, select, yes {, {reach}} other {}}',
        detail:
          'From the bottom, no air behind; pressed against both sides and hollowed before it skins, tape drawn at once.',
        confirm: 'Tooled, tape off',
      },
    }),
    ...tasks('flexible-joint', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Bar it off, keep dust and rain off',
        detail: 'Nothing rolls over it before its time.',
        confirm: 'Barred off',
        work: { fixed: 5 },
      },
    ]),
  ],
};
