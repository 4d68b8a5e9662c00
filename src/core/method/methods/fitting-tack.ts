import { percent, texts } from '../../say';
import { waterline } from '../boat';
import { clear, endOfMixing, waiting, weighedOrWhole } from '../common';
import { settingIn } from '../context';
import { options } from '../effects';
import { carrySetting, restsClosed, reworded, spreadAndClosed } from '../engines';
import type { Method } from '../method';
import { onClosing, toolSetting } from '../occupied';
import { tasks } from '../task';

const AMOUNT = texts('fitting-tack.amount', { squeeze: 'pressed out all round', ofLine: '{share} of the bond line' });
/** A fitting set into a hull or deck on a thin bed, held until it stands by itself. */
export const fittingTack: Method = {
  id: 'fitting-tack',
  version: 1,
  label: 'Fitting tacked into a hull',
  engine: 'spread',
  does: 'A fitting is drilled for, dry-fitted and tacked on a thin bed, held on a prop and aligned before it gels.',
  bases: ['laminate', 'timber', 'metal', 'plastic'],
  shapes: ['bondLine', 'fillet'],
  laidOn: null,
  setsOut: true,
  takes: { flow: ['paste', 'putty', 'beads'], out: ['pot', 'mixer', 'hand'], binder: ['resin'] },
  questions: [
    ...waterline,
    {
      id: 'behind',
      ask: 'Is it clear behind where the drill comes through: no frame, pipe, cable or tank?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Something lies behind',
        why: 'What the drill meets cannot be undone.',
        todo: 'Find out from inside and from outside; move the place, or move what is behind.',
      },
    },
    {
      id: 'dry-fit',
      ask: 'Does the fitting lie in its opening without rocking, at the angle wanted?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Fitting does not lie',
        why: 'A rocking fitting makes a wedge of the bed.',
        todo: 'Ease the opening, or make a fairing block to the angle of the waterline.',
      },
    },
  ],
  schools: [
    {
      id: 'holding',
      matter: 'Holding',
      stage: 'hold',
      options: options('fitting-tack.holding', [
        {
          id: 'prop',
          label: 'on a prop',
          fits: 'hulls, where a strut reaches the ground',
          effect: { occupies: onClosing('props') },
          says: { hold: 'Prop it' },
        },
        {
          id: 'thread',
          label: 'drawn up by its nut',
          fits: 'fittings with a thread inside',
          says: { hold: 'Draw it up by its nut, by hand' },
        },
        { id: 'tape', label: 'taped', fits: 'light fittings on level faces', says: { hold: 'Tape it' } },
      ]),
      byDefault: 'prop',
      why: 'It must not move until it has gelled.',
    },
    weighedOrWhole('fitting-tack', {
      weighed: { label: 'split by weighing', fits: 'a sheet that allows it and a scale fine enough' },
      whole: { label: 'whole kits only', fits: 'sachets, and kits whose sheet forbids splitting' },
      why: 'A tack takes little: a whole kit for it is thrown away, half a kit by eye stays soft.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'squeeze', label: 'Pressed out all round', kind: 'percent', byDefault: 20, min: 0, max: 200, stage: 'mix' },
    { id: 'rate', label: 'Spreading rate', kind: 'rate', byDefault: 20, min: 0.1, max: 5000, stage: 'place' },
    toolSetting('props', 'Props to each', 1),
    carrySetting,
  ],
  preparation: [
    'Set out twice, from inside and from outside, by the same datum.',
    'Antifouling, paint and gloss off, a hand’s breadth round the opening.',
    'Degreased last; dry to the core.',
    'A prop cut to length, tried once dry.',
  ],
  mistakes: [
    'Drilled by one reading alone.',
    'A left fitting where the right one goes.',
    'Aligned after it had gelled.',
    'Left to hang by itself while it was soft.',
  ],
  cautions: [
    'Drilling and sanding laminate: breathing protection, eye cover, skin covered.',
    'Below the waterline: reviewed, and leak-tested before it is left afloat.',
  ],
  tools: ['two rules and a square', 'hole saw', 'abrasive and solvent', 'prop or tape', 'level or angle gauge'],
  tests: [
    { id: 'bead', kind: 'look', ask: 'Did it show all round?' },
    { id: 'aligned', kind: 'twin', ask: 'Does it stand at its angle, as its twin on the other side?' },
  ],
  finishAnswer: 'aligned, bead struck off',
  review: 'A fitting through a hull keeps water out.',
  serves: 'release',
  params: { thenChecked: 'align min' },
  rests: restsClosed,
  allowances: [
    {
      id: 'squeeze',
      of: (c) => ({
        label: AMOUNT.squeeze(),
        ml: (c.measured.nominalMl * settingIn(c, 'squeeze')) / 100,
        expression: AMOUNT.ofLine({ share: percent(settingIn(c, 'squeeze')) }),
      }),
    },
  ],
  tasks: [
    ...tasks('fitting-tack', [
      {
        task: 'prep:set-out',
        role: 'set-out',
        title: 'Set out twice, inside and outside',
        detail: '{settingOut} Two readings, by two people where there are two: they agree, or nothing is drilled.',
        confirm: 'Both readings agree',
        work: { fixed: 10, per: { place: 5 } },
        hold: true,
      },
      {
        task: 'prep:drill',
        throws: 'dust',
        role: 'prepare',
        title: 'Drill, cut the edge clean, see the core',
        detail: 'Slowly, backed against splinters. A wet or hollow core stops it here.',
        confirm: 'Clean edge, core dry and solid',
        work: { fixed: 5, per: { place: 10 } },
        hold: true,
      },
      {
        task: 'prep:fit',
        role: 'set-out',
        title: 'Dry fit on the prop, mark it round',
        detail: 'As it will stand. Left and right compared.',
        confirm: 'Fits, marked',
        work: { fixed: 5, per: { place: 3 } },
      },
      {
        task: 'prep:abrade',
        throws: 'dust',
        role: 'prepare',
        title: 'Abrade both faces, wipe',
        detail: 'Gloss gone all over and a hand’s breadth round it; wiped one way with a fresh cloth.',
        confirm: 'Dull and clean',
        work: { fixed: 5, per: { m2: 60 } },
      },
    ]),
    ...clear,
    ...tasks('fitting-tack', [
      {
        task: 'prep:check',
        block: 'first',
        role: 'prepare',
        title: 'Read the temperature of the hull; dry?',
        detail: 'At least {dewMargin} above the dew point.',
        confirm: 'Dry, and read',
        work: { fixed: 3 },
        hold: true,
      },
    ]),
    ...reworded('fitting-tack', spreadAndClosed, {
      close: {
        title: '{parted, select, yes {Set fitting {part} of {count}} other {Set the fitting}}, turn it a little',
        detail: '{hold} until it shows all round. Strike the bead off or leave it for the build.',
        confirm: 'It shows all round',
      },
    }),
    ...tasks('fitting-tack', [
      {
        task: 'align',
        role: 'hold',
        // Each right after it is set: what waits for the last has gelled in the first.
        each: 'part',
        block: 'work',
        ofLast: true,
        title: 'Check the alignment{parted, select, yes { of fitting {part} of {count}} other {}} before it gels',
        detail: 'By the datum inside and by the same outside, angle and hand; after gel it is not moved any more.',
        confirm: 'Aligned',
        work: { fixed: 5 },
        hold: true,
        within: { of: 'gel', on: 'all', by: 'end' },
      },
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Leave it alone on its prop',
        detail: 'Clean tools before it sets on them.',
        confirm: 'Left alone',
        work: { fixed: 3 },
      },
    ]),
  ],
};
