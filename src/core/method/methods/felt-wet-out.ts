import { areaOf, texts, uptake } from '../../say';
import { milestoneOf } from '../../system';
import { clear, endOfMixing, HELD_LONGER, waiting, weighedOrWhole } from '../common';
import { coverOf } from '../consumable';
import { type MethodContext, settingIn } from '../context';
import { options } from '../effects';
import { carrySetting, faceM2, restsClosed, reworded, spreadAndClosed } from '../engines';
import type { AllowanceRow, Method } from '../method';
import { tasks } from '../task';

const SAYS = texts('felt-wet-out.says', { manner: 'Weighed, never half a kit by eye.' });
const AMOUNT = texts('felt-wet-out.amount', {
  over: 'brushed over while wetting',
  by: '{area} × {uptake}',
});

/** What ends the work on its edges, whatever it waited for. */
const trim = {
  throws: 'dust',
  onFace: 'always',
  role: 'finish',
  block: 'finish',
  title: 'Trim, edges round',
  detail: 'Cut while it is still green, or ground once it is hard.',
  confirm: 'No sharp edge',
  work: { fixed: 10, per: { place: 5 } },
} as const;

/** The rest of the mix that goes over the wet pad. */
const brushedOver: AllowanceRow = {
  id: 'over',
  of: (c: MethodContext) => {
    const per = settingIn(c, 'over');
    if (per <= 0) return null;
    return {
      label: AMOUNT.over(),
      ml: faceM2(c) * per,
      expression: AMOUNT.by({ area: areaOf(faceM2(c) * 1e6), uptake: uptake(per) }),
    };
  },
};

/** Felt, pads or fabric wetted on a board and laid on marks. */
export const feltWetOut: Method = {
  id: 'felt-wet-out',
  version: 1,
  label: 'Felt, pad or fabric, wetted out and laid',
  engine: 'spread',
  does: 'A pad is wetted on a board until its colour has turned all over, laid from its centre line out, edges and ridges felt.',
  bases: ['laminate', 'timber', 'metal', 'plastic', 'concrete'],
  shapes: ['wetOut'],
  blanks: { wetOut: { layers: 1 } },
  laidOn: null,
  setsOut: true,
  takes: { flow: ['thin', 'pours', 'film'], out: ['pot', 'hand'], binder: ['resin'] },
  questions: [
    {
      id: 'fibres',
      on: ['laminate'],
      ask: 'Is the face ground just through its gloss, with no core and no fibres showing?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Core or fibres show',
        why: 'What carries the hull has been ground away.',
        todo: 'Laminate it up first: another job.',
      },
    },
    {
      id: 'template',
      ask: 'Is the template tried on its marks, from the datum and the centre line?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Not tried on its marks',
        why: 'A wet pad is laid once.',
        todo: 'Lay it dry; mark centre line, corners and which side is which.',
      },
    },
  ],
  schools: [
    {
      id: 'order',
      matter: 'Several pads out of one mix',
      stage: 'place',
      options: options('felt-wet-out.order', [
        {
          id: 'wet-first',
          label: 'all wetted, then all laid',
          fits: 'two sides at once: the pot is empty before anything is laid, and each drinks meanwhile',
          effect: { spreadFirst: true },
        },
        {
          id: 'in-turn',
          label: 'each wetted and laid',
          fits: 'one at a time on a cool day, with a pot that lives through the laying',
        },
      ]),
      byDefault: 'wet-first',
      why: 'Laying takes longer than wetting: in turn, the pot waits for the first side to be laid, and on a hot day it dies.',
    },
    weighedOrWhole('felt-wet-out', {
      weighed: { label: 'as much as it drinks', fits: 'kits that may be split, on a scale' },
      whole: { label: 'whole kits', fits: 'large pads' },
      why: 'Half a kit by eye never sets.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'over', label: 'Brushed over it', kind: 'uptake', byDefault: 55, min: 0, max: 2000, stage: 'mix' },
    { id: 'rate', label: 'Wetting rate', kind: 'rate', byDefault: 40, min: 1, max: 5000, stage: 'place' },
    carrySetting,
  ],
  preparation: [
    'Template on its marks, centre line and corners drawn.',
    'Gloss off, dust off, degreased last.',
    'Board under film, roller and brush ready; who holds which corner.',
  ],
  mistakes: [
    'Laid before the colour has turned.',
    'Air squeezed inward.',
    'Two sides wetted and laid in turn on a hot day: the pot is dead before the second.',
  ],
  cautions: [
    'Resin sensitises: long gloves, no bare arms under a wet pad.',
    'Edges cut hands once they are hard: ridges down while they are wet.',
  ],
  tools: ['template', 'board and film', 'roller', 'brush', 'scale', 'shears'],
  tests: [
    { id: 'colour', kind: 'look', ask: 'Is it of one colour, with no pale spot?' },
    { id: 'edges', kind: 'level', ask: 'Do the edges lie, with no ridge under a hand?' },
    { id: 'alike', kind: 'twin', ask: 'Are left and right alike by the template?' },
  ],
  finishAnswer: 'edges down, trimmed',
  review: null,
  serves: 'release',
  consumes: [coverOf({ what: 'release film for the board', why: 'one side of the pad, and what it is rolled out on' })],
  rests: restsClosed,
  allowances: [brushedOver],
  says: { manner: SAYS.manner() },
  tasks: [
    ...tasks('felt-wet-out', [
      {
        task: 'prep:mark',
        role: 'set-out',
        title: 'Set it out, cut by the template',
        detail: '{settingOut} Centre line on the pad and on the face.',
        confirm: 'Marked, cut, tried dry',
        work: { fixed: 10, per: { place: 5 } },
        hold: true,
      },
      {
        task: 'prep:abrade',
        throws: 'dust',
        block: 'first',
        role: 'prepare',
        title: 'Just through the gloss, degrease, read the base',
        detail: 'Stop where fibres show; at least {dewMargin} above the dew point.',
        confirm: 'Dull, clean, and read',
        work: { fixed: 8, per: { m2: 30 } },
        hold: true,
      },
    ]),
    ...clear,
    ...reworded('felt-wet-out', spreadAndClosed, {
      spread: {
        title: '{parted, select, yes {Wet pad {part} of {count}} other {Wet the pad}} on the board',
        detail: 'Both sides; let it drink until its colour has turned all over, then the rest of its measure over it.',
        confirm: 'Colour has turned all over',
      },
      close: {
        title: '{parted, select, yes {Lay pad {part} of {count}} other {Lay it}} from the centre line out',
        detail: 'Air squeezed to the edge, the rim brushed, ridges down; feel along every edge before it gels.',
        confirm: 'On its marks, no air, no ridge',
      },
    }),
    ...tasks('felt-wet-out', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Film over it, leave it',
        detail: 'Out of sun and wind until it has gelled.',
        confirm: 'Left alone',
        work: { fixed: 3, per: { place: 2 } },
      },
      {
        ...trim,
        task: 'finish:trim',
        when: (c) => !milestoneOf(c.sheet, 'sandable'),
        waits: { for: 'release', on: 'last', orElse: HELD_LONGER },
      },
      {
        // Trimming is sanding: that is the time most laminating resins print.
        ...trim,
        task: 'finish:sand',
        called: { as: 'finish:trim' },
        when: (c) => milestoneOf(c.sheet, 'sandable') !== undefined,
        waits: { for: 'sandable', on: 'last', orElse: HELD_LONGER },
      },
    ]),
  ],
};
