import { listed, ml, mm, texts } from '../../say';
import { shareOf } from '../allowances';
import { clear, endOfMixing, neatFirst, waiting, weighedOrWhole } from '../common';
import { runM } from '../consumable';
import { type MethodContext, settingIn } from '../context';
import { broadcastSand, crackQuestions, crossingsIn, sandSetting } from '../crack';
import { type Effects, options } from '../effects';
import { pouredFast, setOutPots } from '../engines';
import type { Method } from '../method';
import { neatFrom } from '../neat';
import { tasks } from '../task';

const SAYS = texts('poured-crack.says', { manner: 'At once, quickly and evenly.' });

const paints = (e: Effects): boolean => e.shows.includes('neat');

/** Neat resin that the faces are painted with, with what stays in its pot, mL; nothing where none is painted. */
const neatMl = (c: MethodContext): number =>
  settingIn(c, 'neat') > 0 ? settingIn(c, 'neat') * runM(c) + settingIn(c, 'neat-loss') : 0;

/** A crack in a slab that does not move: chased, coated neat, poured in batches that fit the pot, ground flush. */
export const pouredCrack: Method = {
  id: 'poured-crack',
  version: 1,
  label: 'Crack in a slab, poured',
  engine: 'pour',
  does: 'A crack that does not move is opened, coated with neat resin and poured in batches as long as the pot lives.',
  bases: ['concrete', 'stone'],
  shapes: ['chase', 'groove', 'joints', 'filled'],
  blanks: { groove: { form: 'vee' } },
  laidOn: null,
  setsOut: false,
  takes: { flow: ['pours'], out: ['pot', 'mixer'], binder: ['resin'], sand: true },
  params: { weighed: true, primed: 'neat-life' },
  questions: crackQuestions,
  watched: 'still',
  schools: [
    {
      id: 'top',
      matter: 'Top of the fill',
      stage: 'finish',
      options: options('poured-crack.top', [
        {
          id: 'ground',
          label: 'overfilled, ground flush',
          fits: 'floors that are seen',
          effect: { shows: ['finish:grind', 'overfill'] },
        },
        {
          id: 'sanded',
          label: 'sand broadcast to refusal',
          fits: 'outdoor ramps, under a coat',
          effect: { shows: ['broadcast', 'finish:sweep'] },
        },
      ]),
      byDefault: 'ground',
      why: 'Ground when it is hard but not yet glass-hard.',
    },
    weighedOrWhole('poured-crack', {
      weighed: { label: 'as much as is poured in its minutes', fits: 'bottles with marks, and a scale' },
      whole: { label: 'whole kits only', fits: 'long pot lives' },
      why: 'Fast resin is dead before a large pot is empty.',
    }),
    neatFirst('poured-crack', {
      matter: 'Faces of the crack',
      painted: {
        label: 'painted with neat resin first',
        fits: 'concrete that drinks: it would starve a sanded mix of its resin',
      },
      bare: { label: 'bare', fits: 'a thin resin without sand, which wets the faces itself' },
      why: 'A wetting resin, or the liquid itself before its sand goes in. It is poured on while it is wet or tacky.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'overfill', label: 'Overfill', kind: 'percent', byDefault: 10, min: 0, max: 100, stage: 'mix' },
    { id: 'rate', label: 'Pouring rate', kind: 'rate', byDefault: 210, min: 5, max: 20_000, stage: 'place' },
    {
      id: 'neat',
      label: 'Neat resin along it',
      kind: 'run-uptake',
      byDefault: 20,
      min: 0,
      max: 2000,
      stage: 'place',
      when: paints,
    },
    {
      id: 'neat-loss',
      label: 'Of it, left behind',
      kind: 'volume',
      byDefault: 15,
      min: 0,
      max: 5000,
      stage: 'place',
      when: paints,
    },
    {
      id: 'neat-life',
      label: 'Neat resin wet or tacky for',
      kind: 'duration',
      byDefault: 60,
      min: 1,
      max: 2880,
      stage: 'place',
      when: paints,
    },
    sandSetting,
    // Cleaning the tool ends inside the pot life.
    {
      id: 'clean',
      label: 'Cleaning the tool, inside the pot life',
      kind: 'duration',
      byDefault: 1,
      min: 0,
      max: 60,
      stage: 'mix',
    },
  ],
  preparation: [
    'Gauge marks over it for days: it does not move.',
    'Opened by wheel or blade, V, slot or both; vacuumed to the bottom.',
    'Dry to the limit of the sheet: a washed slab is waited for, by a moisture reading.',
    'A leak path below plugged with dry sand; a crossing joint kept open by foam.',
    'Sand weighed out, kiln-dry: some resins foam on damp.',
  ],
  mistakes: [
    'One large pot.',
    'Ground tomorrow: by then it is glass.',
    'A joint filled that should move.',
    'Damp sand.',
  ],
  cautions: [
    'Grinding: water or extraction, breathing protection: silica.',
    'Fast resin heats itself: leave no rest in the pot.',
  ],
  tools: ['crack-chasing wheel', 'vacuum', 'graduated bottles', 'knife with a straight blade', 'grinder with a shroud'],
  tests: [
    { id: 'tap', kind: 'tap', ask: 'Does it ring sound along its whole length?' },
    { id: 'flush', kind: 'level', ask: 'Is it flush, with no hollow and no lip?' },
    { id: 'joint', kind: 'look', ask: 'Is every joint that crosses it still open?' },
  ],
  finishAnswer: 'ground flush',
  review: null,
  serves: 'foot',
  allowances: [{ ...shareOf('overfill', 'overfill, ground off'), optional: true, surplus: true }],
  says: { manner: SAYS.manner() },
  gaps: {
    neat: (c) => ml(neatMl(c)),
    neatFrom: (c) => neatFrom(c.sheet, neatMl(c)),
    run: (c) => mm(runM(c) * 1000),
    joints: (c) => crossingsIn(c.void).length,
    open: (c) => listed(crossingsIn(c.void)),
  },
  consumes: [
    {
      id: 'neat',
      what: 'neat resin for the faces',
      unit: 'mL',
      why: 'a wetting resin, or the liquid before its sand: so much a metre, and what is left behind',
      shownBy: 'neat',
      of: neatMl,
    },
    broadcastSand,
    {
      id: 'foam',
      what: 'closed-cell foam to keep joints open',
      unit: '',
      why: 'a piece for each joint that crosses it, and for each thing that must stay clear',
      of: (c) => (c.void.keepClear.length + crossingsIn(c.void).length) * c.void.count,
    },
  ],
  tasks: [
    ...tasks('poured-crack', [
      {
        task: 'prep:chase',
        throws: 'dust',
        role: 'prepare',
        title: 'Open the crack, vacuum it',
        detail: 'To the width and depth measured; to the bottom; loose edges off.',
        confirm: 'Open and clean',
        work: { fixed: 10, per: { m2: 600 } },
      },
      {
        task: 'prep:check',
        block: 'first',
        role: 'prepare',
        title: 'Dry? Read the base; plug and keep open',
        detail:
          'A leak below plugged; {joints, plural, =0 {a crossing joint kept open by foam} one {the joint at {open} kept open by foam} other {the joints at {open} kept open by foam}}; at least {dewMargin} above the dew point.',
        confirm: 'Dry, tight, and read',
        work: { fixed: 10 },
        hold: true,
      },
    ]),
    ...clear,
    ...setOutPots,
    ...tasks('poured-crack', [
      {
        task: 'neat',
        role: 'prime',
        block: 'work',
        optional: true,
        title: 'Paint the faces with neat resin: {neat} over {run}',
        detail:
          '{neatFrom} Thin, to the bottom, no puddle: the first batch follows while it is wet, the last while it is tacky.',
        confirm: 'Wet all along',
        when: (c) => settingIn(c, 'neat') > 0,
        work: { fixed: 2, per: { m: 1 } },
      },
    ]),
    ...pouredFast,
    ...tasks('poured-crack', [
      {
        task: 'broadcast',
        role: 'close',
        block: 'work',
        ofLast: true,
        optional: true,
        title: 'Broadcast dry sand to refusal',
        detail: 'While it is wet, until it takes no more.',
        confirm: 'It takes no more',
        work: { fixed: 5 },
        within: { of: 'gel', on: 'all', by: 'end' },
      },
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Bar it off, clean up',
        detail: 'What is left in the pot goes outside onto bare ground.',
        confirm: 'Barred off',
        work: { fixed: 5 },
      },
      {
        task: 'finish:grind',
        throws: 'dust',
        onFace: 'always',
        role: 'finish',
        block: 'finish',
        optional: true,
        title: 'Grind flush: hard, not yet glass-hard',
        detail: 'Between the two ends of its window; later it polishes instead of cutting.',
        confirm: 'Flush',
        work: { fixed: 10, per: { m2: 600 } },
        waits: { for: 'sandable', on: 'last' },
        within: { of: 'sandable-until', on: 'all', by: 'end' },
      },
      {
        task: 'finish:sweep',
        throws: 'dust',
        onFace: 'always',
        role: 'finish',
        block: 'finish',
        optional: true,
        title: 'Sweep the loose sand off',
        detail: 'Once it has set.',
        confirm: 'Swept',
        work: { fixed: 5 },
        waits: { for: 'foot', on: 'last' },
      },
    ]),
  ],
};
