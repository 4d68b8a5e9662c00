import { percent, texts } from '../../say';
import { clear, endOfMixing, partKits, waiting } from '../common';
import { settingIn } from '../context';
import { options } from '../effects';
import { filledInLifts, restsDrawnThin, reworded } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

const AMOUNT = texts('fitting-build.amount', { waste: 'stays on spatula and board', ofFill: '{share} of the fill' });
const SAYS = texts('fitting-build.says', { manner: 'It is ready when it holds a peak.' });

/** A structural paste built up round a fitting, boss or joint, wet on what is not yet hard. */
export const fittingBuild: Method = {
  id: 'fitting-build',
  version: 1,
  label: 'Built up with fibre paste',
  engine: 'fill',
  does: 'A structural paste of resin, fibre and thickener is built up round a fitting in mixes as large as one can place.',
  bases: ['laminate', 'timber', 'metal', 'plastic'],
  shapes: ['fairing', 'fillet', 'cavity', 'filled', 'corner', 'edge', 'hole', 'annulus'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['paste', 'putty'], out: ['pot', 'hand'], binder: ['resin'] },
  questions: [
    {
      id: 'film',
      ask: 'Is the face it goes on free of a greasy film and of loose fibres?',
      wants: 'yes',
      onFace: true,
      otherwise: {
        severity: 'caution',
        title: 'A film or loose fibres',
        why: 'A film of a resin with amine hardener parts the layers; loose fibres hold nothing.',
        todo: 'Wash with warm water and a pad, let it dry, abrade; wash before abrading, sanding smears it.',
      },
    },
  ],
  schools: [
    {
      id: 'deep-fills',
      matter: 'Deep fills',
      stage: 'place',
      options: options('fitting-build.deep', [
        { id: 'one', label: 'mix on mix without a pause', fits: 'up to the sheet’s lift', effect: { onePass: true } },
        { id: 'layers', label: 'several layers, each gelled first', fits: 'anything deeper than the sheet’s lift' },
      ]),
      byDefault: 'layers',
      why: 'Thickness is a heat limit.',
    },
    { ...partKits, byDefault: 'weighed' },
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'waste', label: 'Stays on spatula and board', kind: 'percent', byDefault: 6, min: 0, max: 100, stage: 'mix' },
    { id: 'rate', label: 'Placing rate', kind: 'rate', byDefault: 40, min: 0.5, max: 5000, stage: 'place' },
  ],
  bares: 100,
  preparation: [
    'What it stands on within its window, or washed and abraded.',
    'Edges masked; a spatula cut to the radius wanted.',
    'Fibre and thickener weighed out beforehand, masks on while they are poured.',
  ],
  mistakes: [
    'Thickener before the fibre: a dry lump.',
    'Air folded in by whipping.',
    'Built so late that the tack had closed.',
  ],
  cautions: [
    'Fumed silica and fibres fly: mask on, fans off while they are poured.',
    'A thick build heats itself; what is left goes outside onto bare ground.',
  ],
  tools: ['scale', 'mixing board and spatulas', 'radius tool', 'masking tape', 'mask'],
  tests: [
    { id: 'nail', kind: 'nail', ask: 'Does a nail leave no mark?' },
    { id: 'tap', kind: 'tap', ask: 'Does it ring sound when tapped, with no hollow place?' },
  ],
  finishAnswer: 'radius struck',
  review: null,
  serves: 'release',
  rests: restsDrawnThin,
  allowances: [
    {
      id: 'waste',
      of: (c) => ({
        label: AMOUNT.waste(),
        ml: (c.measured.nominalMl * settingIn(c, 'waste')) / 100,
        expression: AMOUNT.ofFill({ share: percent(settingIn(c, 'waste')) }),
      }),
    },
  ],
  says: { manner: SAYS.manner() },
  tasks: [
    ...tasks('fitting-build', [
      {
        task: 'prep:abrade',
        throws: 'dust',
        onBase: true,
        role: 'prepare',
        title: 'Abrade where it goes, wipe',
        detail: 'Gloss gone all over and a hand’s breadth round it; wiped one way with a fresh cloth.',
        confirm: 'Dull and clean',
        work: { fixed: 5, per: { m2: 60 } },
      },
    ]),
    ...clear,
    ...reworded('fitting-build', filledInLifts, {
      place: {
        title: '{of, plural, one {Press it in, build it up} other {Build up with batch {n} of {of}}}',
        detail:
          'First a thin coat pressed into the corner, then up to the shape wanted; no air behind. Strike the radius while it is soft.',
        confirm: '{of, plural, one {It is in} other {Batch {n} is in}}',
      },
    }),
    ...tasks('fitting-build', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Draw the tape, clean tools, leave it',
        detail: 'Tape off while it is soft. Keep dry and untouched.',
        confirm: 'Left alone',
        work: { fixed: 5 },
      },
    ]),
  ],
};
