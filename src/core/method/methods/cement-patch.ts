import { isWetted, milestoneOf } from '../../system';
import { shareOf } from '../allowances';
import { barCoat, barGaps, barSettings, barsSchool, freeBars, roundBars, rustingBars } from '../bars';
import {
  clear,
  dryingSettings,
  endOfMixing,
  NOT_SPLIT,
  notMoving,
  noWaterPressure,
  soundBase,
  waiting,
} from '../common';
import { coverOf } from '../consumable';
import type { TaskContext } from '../context';
import { options } from '../effects';
import { filledInLifts, restsSquareAndWet, reworded } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

/** Whether the bag names a time that the cover stays for. */
const keepsUnder = ({ sheet }: TaskContext, kind: 'frost' | 'damp'): boolean => milestoneOf(sheet, kind) !== undefined;

/** What ends the covering, whatever it waited for. */
const uncover = {
  onFace: 'set',
  role: 'finish',
  block: 'finish',
  title: 'Uncover, brush the edge, photograph',
  detail: 'Photographed as it was before. Outside inspection asked for, where a notice wants it.',
  confirm: 'Uncovered, photographed',
  work: { fixed: 2, per: { place: 3 } },
} as const;

/** A rapid or repair mortar of cement, packed on a damp base and cured against wind, sun and frost. */
export const cementPatch: Method = {
  id: 'cement-patch',
  version: 1,
  label: 'Cement-based patch',
  engine: 'fill',
  does: 'Repair mortar of cement and water is packed on a saturated base, cured, and kept from frost and feet.',
  bases: ['concrete', 'stone'],
  shapes: ['patch', 'edge', 'corner', 'scan', 'filled', 'groove', 'chase', 'hole', 'ring'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['mortar'], out: ['pot'], binder: ['cement'], sand: true },
  questions: [
    soundBase,
    {
      id: 'edges',
      ask: 'Can the edges be cut as the bag asks: square, or feathered where it allows that?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Edge not as the bag asks',
        why: 'Mortar run out to nothing dries before it sets.',
        todo: 'Cut it square, at least as deep as the sheet’s thinnest layer.',
      },
    },
    noWaterPressure,
    notMoving,
    rustingBars,
  ],
  schools: [
    barsSchool,
    {
      id: 'bond',
      matter: 'Bond to the base',
      stage: 'place',
      options: options('cement-patch.bond', [
        {
          id: 'wet',
          label: 'saturated, no puddles',
          fits: 'most bags',
          says: {
            wet: 'Wetted until it drinks no more, since the day before where that can be; dark all over, no puddles.',
          },
        },
        {
          id: 'slurry',
          label: 'bond slurry',
          fits: 'dense bases, and where the bag names it',
          says: { wet: 'Damp; slurry brushed in and covered while it is wet: dried, it comes off again.' },
        },
        {
          id: 'dry',
          label: 'dry base',
          fits: 'phosphate mortars',
          says: { wet: 'Dry, dust-free: this mortar asks for no water.' },
        },
      ]),
      byDefault: 'wet',
      usual: (sheet) => (isWetted(sheet.limits.wetness) ? 'wet' : 'dry'),
      why: 'A thirsty base drinks the water the cement needs.',
    },
    {
      id: 'curing',
      matter: 'Curing',
      stage: 'hold',
      options: options('cement-patch.curing', [
        {
          id: 'film',
          label: 'under film or damp cloth',
          fits: 'sun and wind',
          effect: { shows: ['cover'] },
          says: { cure: 'Film or damp cloth at once, weighted at the edges.' },
        },
        {
          id: 'compound',
          label: 'curing compound',
          fits: 'where nothing follows on it',
          says: { cure: 'Curing compound sprayed as soon as it is matt.' },
        },
      ]),
      byDefault: 'film',
      why: 'What dries in the first hours never gets hard.',
    },
    {
      id: 'part-kits',
      matter: 'Part bags',
      stage: 'mix',
      options: options('cement-patch.part-kits', [
        {
          id: 'weighed',
          label: 'part bags weighed',
          fits: 'a scale at hand',
          effect: { split: 'weighed' },
          idle: NOT_SPLIT,
        },
        { id: 'whole', label: 'whole bags only', fits: 'no scale at hand', effect: { split: 'whole' } },
      ]),
      byDefault: 'weighed',
      why: 'Half a bag by eye has the wrong water.',
    },
    {
      id: 'deep-fills',
      matter: 'Deep fills',
      stage: 'place',
      options: options('cement-patch.deep', [
        { id: 'layers', label: 'in layers', fits: 'deeper than the sheet’s layer' },
        { id: 'one', label: 'in one go', fits: 'up to the sheet’s layer', effect: { onePass: true } },
      ]),
      byDefault: 'layers',
      why: 'A thick layer slumps.',
    },
    endOfMixing,
    waiting,
  ],
  settings: [
    ...barSettings,
    { id: 'over', label: 'Surplus', kind: 'percent', byDefault: 8, min: 0, max: 100, stage: 'mix' },
    { id: 'rate', label: 'Placing rate', kind: 'rate', byDefault: 350, min: 5, max: 20_000, stage: 'place' },
    ...dryingSettings,
  ],
  preparation: [
    'Photograph taken before anything is cut; with the code and date of the notice, where there is one.',
    'Cut, brushed, washed; soaked as the bag asks.',
    'Cover at hand: film, mat or cloth; a cordon for as long as feet must stay off.',
    'Water weighed for the batch, and none at the place.',
  ],
  mistakes: [
    'Water again “to loosen it up”.',
    'Half a bag by eye.',
    'Left bare in wind and sun.',
    'Frost in the first night.',
  ],
  cautions: ['Wet cement is caustic: skin and eyes.', 'Dust of powder: mask while it is poured.'],
  tools: ['scale', 'pail and paddle', 'brush', 'trowel and float', 'film or mat', 'cordon'],
  tests: [
    { id: 'nail', kind: 'nail', ask: 'Does a nail leave no mark?' },
    { id: 'tap', kind: 'tap', ask: 'Does it ring sound when tapped all over?' },
    { id: 'outside', kind: 'outside', ask: 'Was it accepted by whoever wrote the notice, with the photograph after?' },
  ],
  finishAnswer: 'struck, textured as its neighbour',
  review: null,
  serves: 'foot',
  rests: restsSquareAndWet,
  resumes: tasks('cement-patch', [
    {
      task: 'prep:edge',
      role: 'prepare',
      title: 'Roughen yesterday’s edge, wet it and the base again',
      detail: 'Rough all along its height, brushed clean; edge and base dark all over, no puddles.',
      confirm: 'The edge is rough, all of it is damp',
      work: { fixed: 10 },
    },
  ])[0]!,
  consumes: [
    coverOf({ what: 'damp cloth or film for curing', why: 'over the patch and a hand beyond it', shownBy: 'cover' }),
    barCoat,
  ],
  allowances: [roundBars, { ...shareOf('over', 'surplus, struck off'), surplus: true }],
  gaps: barGaps,
  tasks: [
    ...tasks('cement-patch', [
      {
        task: 'prep:cut',
        throws: 'dust',
        onBase: true,
        role: 'prepare',
        title: 'Photograph, cut the edges, brush and wash',
        detail:
          'Cover over the bars metered first: the saw stays above them. To sound material, edges as the bag asks, no dust, no laitance.',
        confirm: 'Sound, cut and washed',
        work: { fixed: 15, per: { m2: 60 } },
      },
    ]),
    ...freeBars,
    ...tasks('cement-patch', [
      {
        // Water or slurry is to this mortar what a primer is to a resin: dried or dusty, it comes again.
        task: 'prep:wet',
        block: 'first',
        role: 'prime',
        title: 'Bring the base to the wetness asked',
        detail: '{wet}',
        confirm: 'As wet as asked, no puddles',
        work: { fixed: 2, per: { place: 3 } },
        hold: true,
      },
    ]),
    ...clear,
    ...reworded('cement-patch', filledInLifts, {
      place: {
        title: '{of, plural, one {Pack, strike, texture} other {Pack batch {n} of {of}}}',
        detail:
          'Rubbed into the {lift, plural, one {base} other {damp face of the lift below}} first, then packed against the edges; {which, select, early {{depth} thick, its top left rough} other {struck level, textured as its neighbour}}. No water again.',
        confirm: '{of, plural, one {It is in} other {Batch {n} is in}}',
      },
    }),
    ...tasks('cement-patch', [
      {
        task: 'hold:cure',
        role: 'hold',
        block: 'work',
        title: 'Cover it, put the cordon up',
        detail: '{cure} The cordon stays until it may be walked on.',
        confirm: 'Covered and barred',
        work: { fixed: 4, per: { place: 6 } },
        hold: true,
      },
      {
        ...uncover,
        task: 'finish:uncover',
        when: (c) => !keepsUnder(c, 'frost') && !keepsUnder(c, 'damp'),
        // What bears a load has long been firm enough to be uncovered.
        waits: { for: 'foot', on: 'last', orElse: ['light-load', 'load'] },
      },
      {
        // The cloth is wetted as long as the bag asks, however soon it may be walked on.
        ...uncover,
        task: 'finish:damp-over',
        called: { as: 'finish:uncover' },
        when: (c) => keepsUnder(c, 'damp') && !keepsUnder(c, 'frost'),
        waits: { for: 'damp', on: 'last' },
      },
      {
        task: 'finish:damp',
        role: 'finish',
        block: 'finish',
        title: 'Wet it no more',
        detail: 'It has been damp as long as the bag asks. The cover stays until frost does it no more harm.',
        confirm: 'Left to dry under its cover',
        work: { fixed: 2 },
        when: (c) => keepsUnder(c, 'damp') && keepsUnder(c, 'frost'),
        waits: { for: 'damp', on: 'last' },
      },
      {
        // The cover keeps the frost off, too: it stays until that is over.
        ...uncover,
        task: 'finish:frost-over',
        called: { as: 'finish:uncover' },
        when: (c) => keepsUnder(c, 'frost'),
        waits: { for: 'frost', on: 'last' },
      },
    ]),
  ],
};
