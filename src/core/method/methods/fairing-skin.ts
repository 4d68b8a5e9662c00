import { percent, texts } from '../../say';
import { clear, endOfMixing, HELD_LONGER, partKits, waiting } from '../common';
import { settingIn } from '../context';
import { options } from '../effects';
import { filledInLifts, restsDrawnThin, reworded } from '../engines';
import { meanMm, SMEAR_MM, takenOff } from '../ladder';
import type { Method } from '../method';
import { tasks } from '../task';

const AMOUNT = texts('fairing-skin.amount', {
  proud: 'left proud to sand back, and on the board',
  ofFill: '{share} of the fill',
});
/** A light filler that makes the flow of a face whole: sanded to its line, not made to carry. */
export const fairingSkin: Method = {
  id: 'fairing-skin',
  version: 1,
  label: 'Faired with light filler',
  engine: 'fill',
  does: 'An easy-sanding filler is drawn over a build or a hollow and sanded to the line of the face.',
  bases: ['laminate', 'timber', 'metal', 'plastic', 'concrete', 'stone'],
  shapes: ['fairing', 'fillet', 'patch', 'coat', 'filled', 'scan', 'edge'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['paste'], out: ['pot'], binder: ['resin'] },
  questions: [
    {
      id: 'below-water',
      ask: 'If it is polyester filler: does it stay above the waterline?',
      wants: 'yes',
      onFace: true,
      otherwise: {
        severity: 'stop',
        title: 'Polyester filler below the waterline',
        why: 'It takes up water and lets go.',
        todo: 'Take a filler of resin with amine hardener below the waterline.',
      },
    },
  ],
  schools: [
    {
      id: 'deep-fills',
      matter: 'Deep fills',
      stage: 'place',
      options: options('fairing-skin.deep', [
        { id: 'layers', label: 'thin layers, each gelled first', fits: 'anything deeper than the sheet’s lift' },
        { id: 'one', label: 'one slightly proud pass', fits: 'up to the sheet’s lift', effect: { onePass: true } },
      ]),
      byDefault: 'layers',
      why: 'Light filler in a thick layer slumps and heats.',
    },
    { ...partKits, byDefault: 'weighed' },
    endOfMixing,
    waiting,
  ],
  settings: [
    {
      id: 'proud',
      label: 'Left proud, and on the board',
      kind: 'percent',
      byDefault: 5,
      min: 0,
      max: 200,
      stage: 'mix',
    },
    takenOff('soft'),
    { id: 'rate', label: 'Placing rate', kind: 'rate', byDefault: 40, min: 0.5, max: 5000, stage: 'place' },
  ],
  bares: 100,
  preparation: [
    'What lies under it within its window, or washed and abraded.',
    'Edges masked, a long flexible board at hand.',
  ],
  mistakes: [
    'Low places left: another round.',
    'Sanded before its time: it clogs and drags out.',
    'Feathered over gloss.',
  ],
  cautions: [
    'Sanding: breathing protection, extraction; uncured dust sensitises.',
    'Light filler flies when it is poured: mask on.',
  ],
  tools: ['flexible fairing board', 'long sanding block', 'straightedge or batten', 'guide coat'],
  tests: [
    { id: 'line', kind: 'level', ask: 'Does a batten lie on it without a gap, along and across?' },
    { id: 'pinholes', kind: 'look', ask: 'Is it free of pinholes and dull all over?' },
    { id: 'twin', kind: 'twin', ask: 'Is it as its twin, by the same template?' },
  ],
  finishAnswer: 'sanded to its line',
  review: null,
  serves: 'sandable',
  rests: restsDrawnThin,
  allowances: [
    {
      id: 'proud',
      of: (c) => ({
        label: AMOUNT.proud(),
        ml: (c.measured.nominalMl * settingIn(c, 'proud')) / 100,
        expression: AMOUNT.ofFill({ share: percent(settingIn(c, 'proud')) }),
      }),
    },
  ],
  tasks: [
    ...tasks('fairing-skin', [
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
    ...reworded('fairing-skin', filledInLifts, {
      place: {
        title: '{of, plural, one {Draw it over, slightly proud} other {Draw batch {n} of {of} over, slightly proud}}',
        detail: 'First a tight skim pressed in, then up to the line with a long board; no low places.',
        confirm: '{of, plural, one {It is on} other {Batch {n} is on}}',
      },
    }),
    ...tasks('fairing-skin', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Draw the tape, clean tools, leave it',
        detail: 'Keep dry and untouched.',
        confirm: 'Left alone',
        work: { fixed: 5 },
      },
      {
        task: 'finish:sand',
        throws: 'dust',
        onFace: 'set',
        role: 'finish',
        block: 'finish',
        title: 'Sand it to its line',
        detail: 'Long flexible board, guide coat before each; a low place goes back to a thin fill.',
        ladder: {
          coarsest: 'P40',
          to: 'P120',
          offMm: ({ measured, settings }) => (meanMm(measured) * settings.proud!) / 100 + SMEAR_MM,
        },
        confirm: 'Fair, dull and dust-free',
        work: { fixed: 30, per: { m2: 600 } },
        waits: { for: 'sandable', on: 'last', orElse: HELD_LONGER },
      },
    ]),
  ],
};
