import { ml, texts } from '../../say';
import { shareOf } from '../allowances';
import { clear, endOfMixing, LET_GO_LONGER, neatFirst, waiting, weighedOrWhole } from '../common';
import { type MethodContext, settingIn } from '../context';
import { type Effects, options } from '../effects';
import { carrySetting, restsClosed, reworded, spreadAndClosed, withWork } from '../engines';
import type { Method } from '../method';
import { neatFrom } from '../neat';
import { onClosing, toolSetting } from '../occupied';
import { tasks } from '../task';
import { ASKED_OF_TIMBER } from '../timber';

const SAYS = texts('timber-part.says', { manner: 'It is ready when it holds a ridge.' });

const brushes = ({ shows }: Effects) => shows.includes('neat');
const lifts = ({ shows }: Effects) => shows.includes('lift');
/** Neat resin over both faces, and again where it was drunk, mL. */
const neatMl = (c: MethodContext): number =>
  (2 * c.void.count * c.measured.faces.planAreaMm2 * settingIn(c, 'neat')) / 1e6;

const [lifted] = tasks('timber-part', [
  {
    task: 'lift',
    role: 'place',
    each: 'part',
    block: 'work',
    ofLast: true,
    optional: true,
    title: '{parted, select, yes {Lift part {part} of {count} over its place} other {Lift the part over its place}}',
    detail: 'As it was rehearsed: each hand at its place, nobody under it. What was spread skins meanwhile.',
    confirm: 'Over its place, hanging still',
    work: { by: { setting: 'lift', driver: 'once' } },
  },
]);

/** A cap, a splice or a graving piece set on timber. */
export const timberPart: Method = {
  id: 'timber-part',
  version: 1,
  label: 'Timber part bonded on',
  engine: 'spread',
  does: 'A cap, splice or piece let in is bonded to sound timber with thickened resin, closed in time, under its own weight.',
  bases: ['timber'],
  shapes: ['bondLine', 'fillet'],
  laidOn: 'part',
  setsOut: true,
  takes: { flow: ['paste', 'putty'], out: ['pot', 'mixer', 'hand'], binder: ['resin'] },
  questions: [
    ASKED_OF_TIMBER.source,
    ASKED_OF_TIMBER.moisture,
    ASKED_OF_TIMBER.oily,
    ASKED_OF_TIMBER.protected,
    {
      id: 'slump',
      ask: 'Does the paste hold a ridge on a board that stands as the joint will?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'The paste slides',
        why: 'What slides on the board runs out of the joint before it gels.',
        todo: 'More thickener, tried again on the board; the recipe is written down.',
      },
    },
    {
      id: 'rehearsed',
      ask: 'Was it brought to its place once dry, with all hands, hoist and props it takes, and timed?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Way to its place not rehearsed',
        why: 'With wet paste on it there is no time to find out that a hand or a prop is missing.',
        todo: 'Bring it there dry once, with everybody at their places; type the minutes it took.',
      },
    },
  ],
  schools: [
    {
      id: 'pressing',
      matter: 'Pressing',
      stage: 'hold',
      options: options('timber-part.pressing', [
        {
          id: 'weight',
          label: 'its own weight, on spacers',
          fits: 'caps and posts: the spacers keep the line from starving',
          effect: { occupies: onClosing('props') },
          says: { hold: 'Lower it onto its spacers, let its own weight press' },
        },
        {
          id: 'contact',
          label: 'clamps, contact pressure only',
          fits: 'splices and pieces let in',
          effect: { occupies: onClosing('clamps') },
          says: { hold: 'Clamp it until it touches, no more' },
        },
      ]),
      byDefault: 'weight',
      why: 'Gap-filling resin is not squeezed like joiner’s glue: pressed hard the line starves.',
    },
    {
      id: 'lifting',
      matter: 'Brought to its place',
      stage: 'place',
      options: options('timber-part.lifting', [
        { id: 'hand', label: 'by hand', fits: 'pieces that one person holds' },
        {
          id: 'hoist',
          label: 'lifted: hoist, or several hands',
          fits: 'caps, posts and whatever hangs before it is lowered',
          effect: { shows: ['lift', 'prep:rehearse'] },
        },
      ]),
      byDefault: 'hand',
      why: 'What hangs takes minutes of the open time, and is rehearsed.',
    },
    neatFirst('timber-part', {
      matter: 'Faces of the joint',
      painted: { label: 'brushed with neat resin first', fits: 'timber that drinks, end grain above all' },
      bare: { label: 'as they are', fits: 'faces that were soaked to refusal before' },
      why: 'Dry end grain drinks the resin out of the paste and leaves a chalky line.',
    }),
    weighedOrWhole('timber-part', {
      weighed: { label: 'split by weighing', fits: 'tins and a scale fine enough' },
      whole: { label: 'whole kits only', fits: 'kits whose sheet forbids splitting' },
      why: 'Half a kit by eye is the commonest way to a soft bond.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'squeeze', label: 'Pressed out all round', kind: 'percent', byDefault: 15, min: 0, max: 200, stage: 'mix' },
    {
      id: 'part',
      label: 'Thickness of the part laid on',
      kind: 'length',
      byDefault: 50,
      min: 0.5,
      max: 2000,
      stage: 'place',
    },
    { id: 'rate', label: 'Spreading rate', kind: 'rate', byDefault: 50, min: 0.1, max: 5000, stage: 'place' },
    {
      id: 'lift',
      label: 'Lifting it over its place',
      kind: 'duration',
      byDefault: 10,
      min: 0,
      max: 240,
      stage: 'place',
      when: lifts,
    },
    toolSetting('clamps', 'Clamps on each', 2),
    toolSetting('props', 'Props to each', 2),
    carrySetting,
    {
      id: 'neat',
      label: 'Neat resin brushed on',
      kind: 'uptake',
      byDefault: 200,
      min: 0,
      max: 5000,
      stage: 'place',
      when: brushes,
    },
  ],
  preparation: [
    'Cut back to sound, dry timber; faces that fit within the line, by a dry fit.',
    'Rods set before, as holes of their own: the part goes over them dry.',
    'Paste tried on a board for slump: holds a ridge, slides, or runs.',
    'The way to its place rehearsed and timed: hands, hoist, props, a way back.',
  ],
  mistakes: [
    'Dry end grain under paste.',
    'Lift begun with no time in hand.',
    'Clamped until nothing is left between.',
    'Props taken away by the clock on the wall after a cold night.',
  ],
  cautions: [
    'Nobody under what hangs; hoist and slings by who is trained for them.',
    'Sanding hard and soft timber dust: extraction and breathing protection.',
  ],
  tools: ['moisture meter with long pins', 'board for the slump', 'spacers', 'hoist or hands, props', 'plane and saw'],
  tests: [
    { id: 'bead', kind: 'look', ask: 'Did paste show all round when it was pressed?' },
    { id: 'tap', kind: 'tap', ask: 'Does it sound solid when tapped over the whole joint?' },
    { id: 'cup', kind: 'smear', ask: 'Is the smear beside it, as thin and as cold, hard under a nail?' },
  ],
  finishAnswer: 'trimmed, end grain sealed',
  review: 'Timber that carries load, and what is lifted over people: by an engineer.',
  serves: 'release',
  rests: restsClosed,
  allowances: [shareOf('squeeze', 'pressed out all round')],
  consumes: [
    {
      id: 'neat',
      what: 'neat resin for the faces',
      unit: 'mL',
      why: 'a wetting coat on both, and again where it was drunk',
      shownBy: 'neat',
      of: (c) => Math.ceil(neatMl(c)),
    },
  ],
  says: { manner: SAYS.manner() },
  gaps: { neat: (c) => ml(neatMl(c)), neatFrom: (c) => neatFrom(c.sheet, neatMl(c)) },
  params: { alsoCloses: 'lift' },
  tasks: [
    ...tasks('timber-part', [
      {
        task: 'prep:fit',
        role: 'set-out',
        title: 'Dry fit, mark it round',
        detail: '{settingOut} It lies within the line all round.',
        confirm: 'Fits, marked',
        work: { fixed: 5, per: { place: 5 } },
        hold: true,
      },
      {
        task: 'prep:rehearse',
        role: 'set-out',
        optional: true,
        title: 'Rehearse the lift dry, and time it',
        detail: 'With everybody at their places, hoist, slings and props; a way back is agreed.',
        confirm: 'Rehearsed and timed',
        work: { fixed: 15 },
        hold: true,
      },
      {
        task: 'prep:face',
        throws: 'dust',
        role: 'prepare',
        title: 'Both faces to bare, sound timber',
        detail:
          'Sawn or planed fresh, not sanded to a polish; what was soaked is only keyed with a coarse paper, not cut off again. Dust off with a brush and vacuum.',
        confirm: 'Bare, sound, clean',
        work: { fixed: 8, per: { m2: 60 } },
      },
      {
        task: 'prep:moisture',
        block: 'first',
        role: 'prepare',
        title: 'Read the moisture deep, and the base',
        detail: 'Long pins, both sides of the joint; at least {dewMargin} above the dew point.',
        confirm: 'Dry enough, and read',
        work: { fixed: 5 },
        hold: true,
      },
    ]),
    ...clear,
    ...tasks('timber-part', [
      {
        task: 'neat',
        block: 'first',
        role: 'prime',
        optional: true,
        title: 'Brush both faces with neat resin: {neat}',
        detail: '{neatFrom} End grain first. What drank is brushed again, until it stays wet; the paste goes on that.',
        confirm: 'Wet all over',
        work: { fixed: 3, per: { m2: 40 } },
      },
    ]),
    ...reworded('timber-part', withWork(spreadAndClosed, { close: { fixed: 5 } }), {
      spread: {
        detail:
          'Combed in ridges towards the edge on the lower face, a thin coat on the upper; round each rod by hand.',
      },
      close: {
        title: '{parted, select, yes {Lower part {part} of {count}, press it} other {Lower it, press it}}',
        detail:
          '{hold}. A small movement to and fro; paste shows all round, and stays where it shows until it is trimmed.',
        confirm: 'Paste shows all round, on its marks',
      },
    }).flatMap((row) => (row.task === 'close' ? [lifted!, row] : [row])),
    ...tasks('timber-part', [
      {
        task: 'hold:prop',
        role: 'hold',
        block: 'work',
        title: 'Hold it so that it cannot slide, tag it',
        detail:
          'Props, tape or wedges; the tag says until when nobody touches it. A hoist is let off when the props carry.',
        confirm: 'Held and tagged',
        work: { fixed: 2, per: { place: 6 } },
      },
      {
        task: 'finish:free',
        onFace: 'always',
        role: 'finish',
        block: 'finish',
        title: 'Let it go, look at the edge',
        detail: 'Hard under a nail at the bead, on the shaded side.',
        confirm: 'Stands by itself',
        work: { fixed: 1, per: { place: 4 } },
        waits: { for: 'release', on: 'last', orElse: LET_GO_LONGER },
      },
      {
        task: 'finish:trim',
        onFace: 'always',
        throws: 'dust',
        role: 'finish',
        block: 'finish',
        title: 'Trim what is over, to the line',
        detail: 'It was set oversize: saw and plane to the line, the bead with it.',
        confirm: 'To the line',
        work: { fixed: 5, per: { place: 10 } },
      },
      {
        task: 'finish:seal',
        onFace: 'always',
        role: 'finish',
        block: 'finish',
        title: 'Seal the end grain',
        detail: 'Thin resin until it takes no more, or as its coat asks: end grain that is left open drinks rain.',
        confirm: 'End grain sealed',
        work: { fixed: 2, per: { place: 6 } },
      },
    ]),
  ],
};
