import { areaOf, listed, percent, texts, uptake } from '../../say';
import { milestoneOf } from '../../system';
import { measured } from '../../void';
import { bareMetalKeeps, bareMetalSettings } from '../bare-metal';
import { clear, endOfMixing, LET_GO_LONGER, waiting, weighedOrWhole } from '../common';
import { partsIn, settingIn } from '../context';
import { crosswise } from '../crosswise';
import { options } from '../effects';
import { carrySetting, restsClosed, reworded, spreadAndClosed } from '../engines';
import type { Method } from '../method';
import { onClosing, toolSetting } from '../occupied';
import { tasks } from '../task';
import { lineKept, plateQuestions } from './plate-asks';

const AMOUNT = texts('plate-bond.amount', {
  bead: 'bead all round',
  ofLine: '{share} of the bond line',
  texture: 'in the texture of both faces',
  faces: '2 × {area} × {uptake}',
});
/** A plate or bracket glued to bare metal. */
export const plateBond: Method = {
  id: 'plate-bond',
  version: 1,
  label: 'Plate bonded to metal',
  engine: 'spread',
  does: 'A plate or bracket is bonded to bare metal with a thin, even bond line.',
  bases: ['metal'],
  shapes: ['bondLine', 'notchedBed', 'fillet'],
  seats: true,
  // Nobody measures a bond line before it is there: 0.2 to 0.5 mm.
  blanks: { bondLine: { thickness: measured(0.35, 'guess', 0.15) } },
  laidOn: 'part',
  setsOut: true,
  takes: { flow: ['paste'], out: ['pot', 'mixer', 'hand'], binder: ['resin'] },
  questions: plateQuestions,
  schools: [
    {
      id: 'cleaning-order',
      matter: 'Cleaning order',
      stage: 'place',
      options: options('plate-bond.cleaning', [
        {
          id: 'solvent-first',
          label: 'solvent, abrade, wipe',
          fits: 'oily or unknown faces',
          says: { cleaning: 'Solvent, then abrade, then wipe with solvent.' },
        },
        {
          id: 'abrade-first',
          label: 'abrade, then solvent',
          fits: 'new clean metal',
          says: { cleaning: 'Abrade, then wipe with solvent.' },
        },
      ]),
      byDefault: 'solvent-first',
      why: 'Grinding oil rubs it in; solvent is always last.',
    },
    {
      id: 'holding',
      matter: 'Holding',
      stage: 'hold',
      options: options('plate-bond.holding', [
        {
          id: 'fastener',
          label: 'drawn up by its fastener',
          fits: 'plates with a bolt through them',
          effect: { shows: ['prep:stops', 'finish:torque'] },
          says: {
            hold: 'Draw it up by its fasteners against their stops, a little each, crosswise,',
            letGo: 'Look at the edge, before a fastener is touched',
          },
        },
        {
          id: 'clamp',
          label: 'clamps',
          fits: 'edges that can be reached',
          effect: { occupies: onClosing('clamps') },
          says: { hold: 'Clamp it', letGo: 'Take the clamps or props off' },
        },
        {
          id: 'weight',
          label: 'own weight or prop',
          fits: 'level faces',
          effect: { occupies: onClosing('props') },
          says: { hold: 'Prop it', letGo: 'Take the clamps or props off' },
        },
      ]),
      byDefault: 'clamp',
      why: 'By load and fixture time.',
    },
    lineKept,
    {
      id: 'squeeze-out',
      matter: 'Squeeze-out',
      stage: 'place',
      options: options('plate-bond.squeeze', [
        {
          id: 'wiped',
          label: 'wiped at once',
          fits: 'where it shows or obstructs',
          says: { squeeze: 'Wipe the squeeze-out at once.' },
        },
        {
          id: 'left',
          label: 'left as a fillet',
          fits: 'hidden edges: it also seals',
          says: { squeeze: 'Leave the bead as a fillet.' },
        },
        {
          id: 'trimmed',
          label: 'trimmed later',
          fits: 'pastes that smear when wet',
          says: { squeeze: 'Leave the squeeze-out; trim it when it is rubbery.' },
        },
      ]),
      byDefault: 'wiped',
      why: 'Wet adhesive wipes, set adhesive must be cut.',
    },
    weighedOrWhole('plate-bond', {
      weighed: { label: 'split by weighing', fits: 'a sheet that allows it and a scale fine enough' },
      whole: { label: 'whole kits only', fits: 'kits whose sheet forbids splitting, and coarse scales' },
      why: 'Half a kit by eye is the commonest way to a soft bond.',
    }),
    {
      id: 'pot-temperature',
      matter: 'Warm or cool the pot',
      stage: 'mix',
      options: options('plate-bond.pot', [
        { id: 'warm', label: 'warm to mix and spread', fits: 'cold, stiff paste', effect: { shows: ['prep:warm'] } },
        { id: 'as-is', label: 'as it is', fits: 'material within the sheet’s range' },
      ]),
      byDefault: 'as-is',
      why: 'Warmed it mixes better and dies sooner.',
    },
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'bead', label: 'Bead all round', kind: 'percent', byDefault: 10, min: 0, max: 200, stage: 'mix' },
    {
      id: 'back-butter',
      label: 'Left in the texture of both faces',
      kind: 'uptake',
      byDefault: 40,
      min: 0,
      max: 2000,
      stage: 'mix',
    },
    {
      id: 'part',
      label: 'Thickness of the part laid on',
      kind: 'length',
      byDefault: 10,
      min: 0.5,
      max: 300,
      stage: 'place',
    },
    { id: 'rate', label: 'Spreading rate', kind: 'rate', byDefault: 25, min: 0.1, max: 5000, stage: 'place' },
    carrySetting,
    toolSetting('clamps', 'Clamps on each', 4),
    toolSetting('props', 'Props under each', 0),
    {
      id: 'fasteners',
      label: 'Fasteners that draw it up',
      kind: 'count',
      byDefault: 4,
      min: 1,
      max: 64,
      stage: 'hold',
      when: (e) => e.shows.includes('finish:torque'),
    },
    ...bareMetalSettings,
  ],
  preparation: [
    'Mock-up: mark the footprint, find where more grinding is needed.',
    'Bare bright metal over the whole footprint and a margin round it.',
    'Degrease last; bond before the bare metal dulls: sooner in damp air.',
    'Product warmed into the sheet’s range for mixing and spreading.',
  ],
  mistakes: [
    'Gloss left in a corner of the footprint.',
    'Clamped so hard that the joint starves.',
    'Plate set down flat on a full bed: air in the middle.',
    'Clamps off because it “felt hard” at the edge.',
    'Ends left blunt and free: it peels from there. Taper them, or set a fastener at each.',
  ],
  cautions: [
    'Solvent wipes and hot work do not go together; nothing is welded or ground beside a fresh bond.',
    'Grinding: eye, ear and breathing protection, no sparks near solvent.',
  ],
  tools: ['grinder with flap disc', 'solvent and clean cloths', 'notched spreader', 'clamps or props', 'feeler gauge'],
  tests: [
    { id: 'bead', kind: 'look', ask: 'Did adhesive show all round and at the inspection holes?' },
    { id: 'tap', kind: 'tap', ask: 'Does the plate ring sound when tapped, with no hollow place?' },
    { id: 'cup', kind: 'smear', ask: 'Is the smear beside it, as thin and as cold, hard under a nail?' },
  ],
  finishAnswer: 'primed, edge sealed',
  review: 'A bonded plate carries load.',
  serves: 'load',
  consumes: [
    {
      id: 'wires',
      what: 'short wires as thick as the bond line',
      unit: '',
      why: 'three under each plate, so that it cannot be starved nor lie aslant',
      shownBy: 'wires',
      of: (c) => 3 * partsIn(c),
    },
  ],
  rests: restsClosed,
  allowances: [
    {
      id: 'bead',
      of: (c) => ({
        label: AMOUNT.bead(),
        ml: (c.measured.nominalMl * settingIn(c, 'bead')) / 100,
        expression: AMOUNT.ofLine({ share: percent(settingIn(c, 'bead')) }),
      }),
    },
    {
      id: 'back-butter',
      of: (c) => {
        const area = c.void.count * c.measured.faces.wettedAreaMm2;
        const per = settingIn(c, 'back-butter');
        return {
          label: AMOUNT.texture(),
          ml: (2 * area * per) / 1e6,
          expression: AMOUNT.faces({ area: areaOf(area), uptake: uptake(per) }),
        };
      },
    },
  ],
  gaps: {
    fasteners: (c) => settingIn(c, 'fasteners'),
    crosswise: (c) => listed(crosswise(settingIn(c, 'fasteners')).map(String), 'comma'),
  },
  keeps: bareMetalKeeps,
  tasks: [
    ...tasks('plate-bond', [
      {
        task: 'prep:mock-up',
        role: 'set-out',
        title: 'Dry fit, mark the footprint',
        detail:
          '{settingOut} {count, plural, one {The plate} other {Each plate}} lies without rocking; feeler gauge all round.',
        confirm: 'Lies flat, marked',
        work: { per: { place: 8 }, formerly: { per: null, now: 'place', times: 1 } },
        hold: true,
      },
      {
        task: 'prep:stops',
        role: 'set-out',
        optional: true,
        title: 'Hard stops at {fasteners, plural, one {the fastener} other {the # fasteners}}',
        detail:
          'As thick as the bond line: drawn up without them it is starved. Numbered round the plate, drawn up in the order {crosswise}.',
        confirm: 'Stops lie, fasteners numbered',
        work: { per: { place: 5 }, formerly: { per: null, now: 'place', times: 1 } },
      },
      {
        task: 'prep:grind',
        throws: 'dust',
        role: 'prepare',
        each: 'part',
        title: '{parted, select, yes {Grind part {part} of {count} to bare metal} other {Grind to bare metal}}',
        detail: '{cleaning} Whole footprint and a finger’s breadth round it, both faces.',
        confirm: 'Bare and bright',
        work: { fixed: 8, per: { m2: 120 } },
        marks: { end: ['bared'] },
      },
    ]),
    ...clear,
    ...tasks('plate-bond', [
      {
        task: 'prep:wipe',
        role: 'prepare',
        title: 'Degrease, read the base temperature',
        detail:
          'Last wipe one way with a fresh cloth, after the abrading; let the solvent flash off. A film of water stays whole on it for half a minute; where it breaks, degrease again. Dry it.',
        confirm: 'Clean, and read',
        work: { fixed: 4 },
        hold: true,
      },
      {
        task: 'prep:warm',
        role: 'mix',
        optional: true,
        title: 'Warm the closed tins',
        detail: 'Warm water or a warm room, never a flame, until the middle is warm.',
        confirm: 'Warm through',
        work: { fixed: 2 },
      },
    ]),
    ...reworded('plate-bond', spreadAndClosed, { spread: { detail: '{spread}' } }),
    ...tasks('plate-bond', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Leave it alone, keep it warm',
        detail: 'Clean tools before it sets on them; tag it with its release time.',
        confirm: 'Tagged and left',
        work: { fixed: 5 },
      },
      {
        task: 'finish:release',
        onFace: 'always',
        role: 'finish',
        block: 'finish',
        title: '{letGo}',
        detail:
          'Only after the release time, and when a smear as thin, on the same cold metal, is hard: a cup sets before a thin line.',
        confirm: 'Holds by itself',
        work: { fixed: 2, per: { place: 3 } },
        waits: { for: 'release', on: 'last', orElse: LET_GO_LONGER },
      },
      {
        task: 'finish:torque',
        onFace: 'always',
        role: 'finish',
        block: 'finish',
        optional: true,
        title: 'Torque the fasteners: {crosswise}',
        detail:
          'A third, two thirds, full, each round in that order; against the stops, never against what is soft. Checked once more a day later.',
        confirm: 'Torqued, marked',
        work: { per: { place: 5 }, formerly: { per: null, now: 'place', times: 1 } },
      },
      {
        task: 'finish:seal',
        onFace: 'top',
        role: 'finish',
        block: 'finish',
        title: 'Prime and seal against rust',
        detail: 'Edge and bared margin, on a clean dull face.',
        confirm: 'Sealed',
        work: { fixed: 4, per: { place: 6 } },
        waits: { for: 'recoat-from', on: 'last', when: ({ sheet }) => milestoneOf(sheet, 'recoat-from') !== undefined },
        within: { of: 'recoat-until', on: 'all', by: 'begin' },
      },
    ]),
  ],
};
