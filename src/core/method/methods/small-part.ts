import { systemKind } from '../../system';
import { measured } from '../../void';
import { shareOf } from '../allowances';
import { clear, endOfMixing, LET_GO_LONGER, waiting, weighedOrWhole } from '../common';
import { options } from '../effects';
import { carrySetting, restsClosed, reworded, spreadAndClosed, withWork } from '../engines';
import type { Method } from '../method';
import { onClosing, toolSetting } from '../occupied';
import { tasks } from '../task';

/** A small part set in place: a sensor, a magnet, a stop, a hinge block. */
export const smallPart: Method = {
  id: 'small-part',
  version: 1,
  label: 'Small part bonded in place',
  engine: 'spread',
  does: 'A sensor, magnet, stop or block is tried dry, set on marks from a datum, and left alone until it holds.',
  bases: ['metal', 'plastic', 'laminate', 'timber', 'concrete', 'stone'],
  shapes: ['bondLine', 'fillet', 'coat'],
  // Nobody measures a bond line before it is there: 0.2 to 0.5 mm.
  blanks: { bondLine: { thickness: measured(0.35, 'guess', 0.15) } },
  laidOn: null,
  setsOut: true,
  takes: { flow: ['pours', 'paste', 'putty', 'beads'], out: ['pot', 'mixer', 'hand'], binder: ['resin'] },
  questions: [
    {
      id: 'function',
      ask: 'Was its function tried dry: does the travel stop where wanted, does the sensor read through this spot?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Not tried dry',
        why: 'What does not work dry does not work bonded.',
        todo: 'Try it at the start, the middle and the end of its travel; keep the readings to compare with.',
      },
    },
    {
      id: 'alone',
      ask: 'Can it be left alone for the whole wait: no door in use, no boat on its trailer, nobody who touches it?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'It cannot be left alone',
        why: 'A bond that is moved while it sets never reaches its strength.',
        todo: 'Choose a slot in which it rests that long, or warm it so that it takes less.',
      },
    },
    {
      id: 'rocks',
      ask: 'Does it lie without rocking?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'It rocks',
        why: 'A rocking part stands on two points and a wedge of glue.',
        todo: 'Back to the preparation: sand it until it lies.',
      },
    },
  ],
  schools: [
    {
      id: 'holding',
      matter: 'Holding',
      stage: 'hold',
      options: options('small-part.holding', [
        { id: 'tape', label: 'taped', fits: 'light parts', says: { hold: 'Tape it' } },
        {
          id: 'clamp',
          label: 'clamped or weighted',
          fits: 'where it can be reached',
          effect: { occupies: onClosing('clamps') },
          says: { hold: 'Clamp it lightly' },
        },
        { id: 'self', label: 'by itself', fits: 'magnets, and level faces', says: { hold: 'Let it rest by itself' } },
      ]),
      byDefault: 'tape',
      why: 'It must not creep out of its marks.',
    },
    weighedOrWhole('small-part', {
      weighed: { label: 'split by weighing', fits: 'tins and tubes on a scale fine enough' },
      whole: { label: 'a whole packet', fits: 'packets that are kneaded in their film' },
      why: 'Two equal dabs by eye are a fifth off each: a ratio of 0.67 to 1.5, at any size.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'squeeze', label: 'Pressed out all round', kind: 'percent', byDefault: 25, min: 0, max: 200, stage: 'mix' },
    { id: 'rate', label: 'Spreading rate', kind: 'rate', byDefault: 10, min: 0.1, max: 1000, stage: 'place' },
    toolSetting('clamps', 'Clamps on each', 1),
    carrySetting,
  ],
  preparation: [
    'Marked from a datum, by figures that are computed once and read twice.',
    'Function tried dry, readings kept.',
    'Route of the wet part walked once dry, and timed.',
    'Both faces abraded, degreased last.',
  ],
  mistakes: [
    'Two dabs by eye.',
    'Set with a bubble where a sensor has to read.',
    'Left overnight in the cold and trusted in the morning.',
  ],
  cautions: ['Sensitising: no bare skin, for both parts.', 'Strong magnets: fingers and tools kept clear.'],
  tools: ['rule and square', 'fine scale', 'abrasive and solvent', 'tape or clamps'],
  tests: [
    {
      id: 'start',
      kind: 'function',
      ask: 'Does it work at the start of its travel, or read as in the dry trial?',
      against: 'function',
    },
    { id: 'middle', kind: 'function', ask: 'And in the middle?', against: 'function' },
    { id: 'end', kind: 'function', ask: 'And at the end?', against: 'function' },
  ],
  finishAnswer: 'set, bead struck off',
  review: null,
  serves: 'release',
  consumes: [
    {
      id: 'spare',
      what: 'packets more, carried in closed',
      one: 'packet more, carried in closed',
      unit: '',
      why: 'a part that rocks comes off and is set anew, and a packet that is open does not wait for it',
      of: ({ sheet, batches }) => (systemKind(sheet.kind).ownBag && batches.some((b) => b.kits !== null) ? 1 : 0),
    },
  ],
  rests: restsClosed,
  allowances: [shareOf('squeeze', 'pressed out all round the part')],
  tasks: [
    ...tasks('small-part', [
      {
        task: 'prep:mark',
        role: 'set-out',
        title: 'Set it out, try it dry',
        detail: '{settingOut} Walk the route with it once, dry.',
        confirm: 'Marked, works dry',
        work: { per: { place: 8 }, formerly: { per: null, now: 'place', times: 1 } },
        hold: true,
      },
      {
        task: 'prep:abrade',
        block: 'first',
        throws: 'dust',
        role: 'prepare',
        title: 'Abrade both faces, degrease, read the base',
        detail: 'Gloss gone; at least {dewMargin} above the dew point.',
        confirm: 'Dull, clean, and read',
        work: { fixed: 8, per: { place: 2 } },
        hold: true,
      },
    ]),
    ...clear,
    // It is set with two fingers, not drawn together over its whole face.
    ...reworded('small-part', withWork(spreadAndClosed, { close: { fixed: 2 } }), {
      close: {
        title: '{parted, select, yes {Set part {part} of {count}} other {Set it}}, small circles till a bead shows',
        detail: '{hold}. No bubble under it. It does not rock; if it does, off again while it is wet.',
        confirm: 'A bead shows all round, it does not rock',
      },
    }),
    ...tasks('small-part', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Leave it alone, mark it',
        detail: 'A tag with the hour until which nobody touches it.',
        confirm: 'Tagged and left',
        work: { fixed: 1, per: { place: 2 } },
      },
      {
        task: 'finish:free',
        onFace: 'always',
        role: 'finish',
        block: 'finish',
        title: 'Take the tape off, look at the edge',
        detail: 'Hard under a nail at the bead.',
        confirm: 'Holds by itself',
        work: { fixed: 1, per: { place: 2 } },
        waits: { for: 'release', on: 'last', orElse: LET_GO_LONGER },
      },
    ]),
  ],
};
