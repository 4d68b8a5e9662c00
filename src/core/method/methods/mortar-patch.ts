import { areaOf, mm, mm2, texts, uptake } from '../../say';
import { proportionOf } from '../../system';
import { barCoat, barGaps, barSettings, barsSchool, freeBars, roundBars, rustingBars } from '../bars';
import {
  clear,
  drunk,
  endOfMixing,
  firstThicker,
  HELD_LONGER,
  levelSetting,
  notMoving,
  noWaterPressure,
  partKits,
  soundBase,
  uptakeSetting,
  waiting,
} from '../common';
import { coverOf } from '../consumable';
import { type MethodContext, settingIn } from '../context';
import { options } from '../effects';
import { filledInLifts, LEVEL_ML, restsSquare } from '../engines';
import { primerOf } from '../lifts';
import type { Method } from '../method';
import { tasks } from '../task';

const AMOUNT = texts('mortar-patch.amount', {
  crown: 'crown to grind back',
  recess: 'recess for the coat',
  crownBy: '{area} × {depth}',
  recessBy: '−{area} × {depth}',
  drawn: 'drawn off as primer, aggregate {cut, select, all {cut} some {cut in part} other {whole}}',
  drawnBy: '{area} × {uptake}{cut, select, all { / liquid share} some { / liquid share where it is cut} other {}}',
});

/** A crown or a recess over the whole area. */
const levelled = (c: MethodContext, level: 'crown' | 'recess') => ({
  label: AMOUNT[level](),
  ml: LEVEL_ML[level](c),
  expression: AMOUNT[`${level}By`]({
    area: mm2(c.void.count * c.measured.faces.planAreaMm2),
    depth: mm(settingIn(c, level)),
  }),
});

/** Resin mortar in a hollow, spall or cut-out of a floor, slab or ramp. */
export const mortarPatch: Method = {
  id: 'mortar-patch',
  version: 1,
  label: 'Resin mortar patch',
  engine: 'fill',
  does: 'A hollow in concrete is cut square, primed and filled with resin mortar in lifts.',
  bases: ['concrete'],
  shapes: ['patch', 'edge', 'corner', 'scan', 'filled', 'groove', 'chase', 'hole', 'ring'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['mortar'], out: ['pot'], binder: ['resin'], sand: true },
  questions: [
    soundBase,
    {
      id: 'edges',
      ask: 'Can the edges be cut square, with no feather edge left?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Feathered edge',
        why: 'Mortar run out to nothing breaks off under the first wheel.',
        todo: 'Cut the edge vertical, at least as deep as the sheet’s thinnest lift.',
      },
    },
    noWaterPressure,
    notMoving,
    rustingBars,
    {
      id: 'oil',
      ask: 'Is the base free of oil, curing agent and old coating?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Contaminated base',
        why: 'Resin does not wet oil or wax.',
        todo: 'Grind or blast to clean concrete and test with a drop of water: it must soak in.',
      },
    },
  ],
  schools: [
    barsSchool,
    {
      id: 'deep-fills',
      matter: 'Deep fills',
      stage: 'place',
      options: options('mortar-patch.deep', [
        { id: 'layers', label: 'several layers, each gelled first', fits: 'anything deeper than the sheet’s lift' },
        { id: 'one', label: 'one slightly domed pass', fits: 'up to the sheet’s lift', effect: { onePass: true } },
      ]),
      byDefault: 'layers',
      why: 'Thickness is a heat limit.',
    },
    {
      id: 'priming',
      matter: 'Priming',
      stage: 'place',
      options: options('mortar-patch.priming', [
        {
          id: 'drawn',
          label: 'a share of the mixed liquid',
          fits: 'systems whose liquid is the primer',
          effect: { priming: 'drawn' },
        },
        {
          id: 'separate',
          label: 'separate primer',
          fits: 'where the sheet names one',
          effect: { priming: 'separate' },
        },
        {
          id: 'none',
          label: 'none',
          fits: 'only where the sheet says so',
          effect: { priming: 'none', shows: ['uptake'] },
        },
      ]),
      byDefault: 'drawn',
      why: 'What the sheet says; a share of the liquid where it is silent and the base drinks.',
    },
    {
      id: 'draw-off',
      matter: 'Small primer draw-off',
      stage: 'mix',
      options: options('mortar-patch.draw-off', [
        { id: 'computed', label: 'as the threshold allows', fits: 'where the grains may stay full of liquid' },
        { id: 'cut', label: 'aggregate cut to match', fits: 'always safe', effect: { sandCut: true } },
      ]),
      byDefault: 'computed',
      why: 'Aggregate may stay whole while the liquid still fills the grains.',
    },
    partKits,
    endOfMixing,
    {
      id: 'finish-level',
      matter: 'Finish level',
      stage: 'finish',
      options: options('mortar-patch.level', [
        {
          id: 'flush',
          label: 'screeded flush',
          fits: 'trafficked floors and ramps',
          effect: { level: 'flush', shows: ['finish:edge'] },
        },
        {
          id: 'crown',
          label: 'overbuilt and ground back',
          fits: 'where flatness counts',
          effect: { level: 'crown', shows: ['finish:grind'] },
        },
        {
          id: 'recess',
          label: 'left low for a finish coat',
          fits: 'under a coating',
          effect: { level: 'recess', shows: ['finish:edge'] },
        },
      ]),
      byDefault: 'flush',
      why: 'Cured mortar is slow to grind.',
    },
    waiting,
  ],
  params: { lead: 'lead' },
  settings: [
    ...barSettings,
    firstThicker,
    levelSetting('crown', { label: 'Crown to grind back', byDefault: 2, max: 20 }),
    levelSetting('recess', { label: 'Recess for the coat', byDefault: 2, max: 20 }),
    { id: 'primer', label: 'Primer', kind: 'uptake', byDefault: 200, min: 0, max: 2000, stage: 'place' },
    uptakeSetting,
    { id: 'rate', label: 'Placing rate', kind: 'rate', byDefault: 150, min: 5, max: 20000, stage: 'place' },
  ],
  preparation: [
    'Saw the edges square and vertical; no feather edge.',
    'Break out to sound concrete; blow and vacuum out all dust.',
    'Dry: no dark patches, base as far above the dew point as the sheet asks.',
    'Prime, brush in, no puddles; place while the primer is wet.',
  ],
  mistakes: [
    'Primer left to dry, or standing in puddles.',
    'Sand thrown in all at once: dry balls.',
    'Too deep in one go: it cooks and cracks.',
    'Driven on after “24 hours” of a cold night.',
  ],
  cautions: [
    'Grinding: water or extraction, breathing protection: silica.',
    'A pot that runs hot goes outside onto bare ground, never into a bin.',
  ],
  tools: [
    'saw or grinder',
    'vacuum',
    'primer brush',
    'mixing pail and slow paddle',
    'screed and steel float',
    'straightedge',
  ],
  tests: [
    { id: 'nail', kind: 'nail', ask: 'Does a nail leave no mark on the patch?' },
    { id: 'tap', kind: 'tap', ask: 'Does it ring sound when tapped all over?' },
    { id: 'flush', kind: 'level', ask: 'Is there no step at the edge under a fingertip?' },
  ],
  finishAnswer: 'flush, brushed',
  review: null,
  serves: 'load',
  rests: restsSquare,
  resumes: tasks('mortar-patch', [
    {
      task: 'prep:edge',
      role: 'prepare',
      title: 'Roughen yesterday’s edge, vacuum it',
      detail: 'Rough all along its height, nothing loose; primed where the walls are, when the next mix comes.',
      confirm: 'The edge is rough and clean',
      work: { fixed: 10 },
    },
  ])[0]!,
  consumes: [
    coverOf({ what: 'film against rain and sun', why: 'over the patch and a hand beyond it while it cures' }),
    barCoat,
  ],
  allowances: [
    roundBars,
    {
      id: 'crown',
      of: (c) => (c.effects.level === 'crown' ? levelled(c, 'crown') : null),
    },
    {
      id: 'recess',
      of: (c) => (c.effects.level === 'recess' ? levelled(c, 'recess') : null),
    },
    {
      id: 'primer',
      of: (c) => {
        const primer = primerOf(c);
        if (!primer.some((p) => p.ml > 0)) return null;
        // Liquid drawn off takes its aggregate with it when that is cut to match: the mix shrinks by the whole.
        const { liquidShare } = proportionOf(c.sheet);
        const cutLifts = primer.filter((p) => p.cut).length;
        const cut = cutLifts === primer.length ? 'all' : cutLifts ? 'some' : 'none';
        const area = primer.reduce((sum, p) => sum + p.areaM2, 0);
        return {
          label: AMOUNT.drawn({ cut }),
          ml: primer.reduce((sum, p) => sum + (p.cut ? p.ml / liquidShare : p.ml), 0),
          expression: AMOUNT.drawnBy({ area: areaOf(area * 1e6), uptake: uptake(settingIn(c, 'primer')), cut }),
        };
      },
    },
    { ...drunk('drunk'), optional: true },
  ],
  gaps: { ...barGaps, crown: (c) => mm(settingIn(c, 'crown')) },
  tasks: [
    ...tasks('mortar-patch', [
      {
        task: 'prep:cut',
        throws: 'dust',
        onBase: true,
        role: 'prepare',
        title: 'Saw the edges square and vertical',
        detail:
          'Cover over the bars metered first: the saw stays above them. Straight into sound concrete, no feather edge.',
        confirm: 'Edges are square',
        work: { fixed: 10, per: { m2: 30 } },
      },
      {
        task: 'prep:clean',
        throws: 'dust',
        onBase: true,
        role: 'prepare',
        title: 'Break out, blow and vacuum',
        detail: 'Down to sound concrete; no dust under a wiped finger.',
        confirm: 'Sound and dust-free',
        work: { fixed: 10, per: { m2: 40 } },
      },
    ]),
    ...freeBars,
    ...clear,
    ...tasks('mortar-patch', [
      {
        task: 'prep:check',
        block: 'first',
        role: 'prepare',
        title: 'Read the base temperature; base dry?',
        detail: 'At least {dewMargin} above the dew point, no dark patches. Mask the edges.',
        confirm: 'Dry, and read',
        work: { fixed: 5 },
        hold: true,
      },
    ]),
    ...filledInLifts,
    ...tasks('mortar-patch', [
      {
        task: 'hold:clean',
        role: 'hold',
        block: 'work',
        title: 'Clean tools, cover, bar off',
        detail: 'Before the pot sets. Keep dry and untouched.',
        confirm: 'Covered and barred',
        work: { fixed: 5, per: { place: 3 } },
      },
      {
        task: 'finish:edge',
        onFace: 'set',
        role: 'finish',
        block: 'finish',
        optional: true,
        title: 'Feel the edge, brush off',
        detail: 'A fingertip finds no step; a straightedge no hollow.',
        confirm: 'Flush',
        work: { fixed: 2, per: { place: 3 } },
        waits: { for: 'sandable', on: 'last', orElse: HELD_LONGER },
      },
      {
        task: 'finish:grind',
        throws: 'dust',
        onFace: 'always',
        called: { as: 'finish:edge' },
        role: 'finish',
        block: 'finish',
        optional: true,
        title: 'Grind the crown back flush',
        detail: '{crown}, when it is chalk-hard.',
        confirm: 'Flush',
        work: { fixed: 10, per: { m2: 120 } },
        waits: { for: 'sandable', on: 'last', orElse: HELD_LONGER },
      },
    ]),
  ],
};
