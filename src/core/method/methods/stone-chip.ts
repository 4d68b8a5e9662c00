import { shareOf } from '../allowances';
import { clear, endOfMixing, HELD_LONGER, waiting, weighedOrWhole } from '../common';
import { options } from '../effects';
import { filledInLifts, liftsAfter, restsFilled, reworded } from '../engines';
import { meanMm, SMEAR_MM, takenOff, wetOrDry } from '../ladder';
import type { Method } from '../method';
import { tasks } from '../task';

/** A chip in stone, filled in its colour and brought to its gloss. */
export const stoneChip: Method = {
  id: 'stone-chip',
  version: 1,
  label: 'Chip in stone, filled and coloured',
  engine: 'fill',
  does: 'A chip is filled proud with coloured filler and cut back through the grits to the stone’s own gloss.',
  bases: ['stone', 'concrete'],
  shapes: ['corner', 'edge', 'patch', 'hole', 'fillet', 'filled', 'scan'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['pours', 'paste', 'film'], out: ['pot', 'hand'], binder: ['resin'] },
  questions: [
    {
      id: 'trials',
      ask: 'Was the colour tried on a board, looked at wet and dry, by day and by lamp?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Colour not tried',
        why: 'A colour that fits dry is another one wet.',
        todo: 'Numbered trials by mass on a small amount of base; write down the one that fits, and why.',
      },
    },
    {
      id: 'light',
      ask: 'If it lies outdoors: is the system light-proof?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'It will yellow',
        why: 'Most resins yellow in the sun within a summer.',
        todo: 'Take a light-proof system, or tell the owner.',
      },
    },
  ],
  schools: [
    wetOrDry('stone-chip', 'wet'),
    {
      id: 'gloss',
      matter: 'Gloss of the stone',
      stage: 'finish',
      options: options('stone-chip.gloss', [
        { id: 'polished', label: 'polished', fits: 'a stone that mirrors a lamp', effect: { finishTo: 'P2000' } },
        { id: 'honed', label: 'honed', fits: 'a stone that is smooth and dull', effect: { finishTo: 'P400' } },
      ]),
      byDefault: 'polished',
      why: 'A chip that shines on a dull stone is seen before any colour.',
    },
    {
      id: 'deep-fills',
      matter: 'Deep fills',
      stage: 'place',
      options: options('stone-chip.deep', [
        { id: 'one', label: 'one pass, proud', fits: 'chips', effect: { onePass: true } },
        { id: 'layers', label: 'several layers', fits: 'deeper than the sheet’s lift' },
      ]),
      byDefault: 'layers',
      why: 'One pass shows no line.',
    },
    weighedOrWhole('stone-chip', {
      weighed: { label: 'as much as it takes', fits: 'tins and a fine scale' },
      whole: { label: 'the whole trial', fits: 'tints that a scale cannot part' },
      why: 'A chip takes little.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'proud', label: 'Filled proud', kind: 'percent', byDefault: 15, min: 0, max: 200, stage: 'finish' },
    takenOff('stone'),
    { id: 'rate', label: 'Placing rate', kind: 'rate', byDefault: 3, min: 0.1, max: 500, stage: 'place' },
  ],
  preparation: [
    'Loose crystals off, dust out, dry to the bottom, degreased.',
    'Trials on a board, numbered, by mass.',
    'Edges masked; film ready to press over it.',
  ],
  mistakes: ['Recipe by volume.', 'Colour decided dry.', 'Cut back before it is hard.'],
  cautions: [
    'Stone dust: wet or extracted, with a mask: silica.',
    'Peroxide: keep from eyes, flames and accelerators; never mix it with an accelerator directly.',
  ],
  tools: ['scale of 0.01 g', 'tints and dust', 'spatula and film', 'diamond pads through the grits'],
  tests: [
    { id: 'colour', kind: 'colour', ask: 'Does it match wet and dry, by day and by lamp?' },
    { id: 'flush', kind: 'level', ask: 'Is it flush, with the gloss of the stone?' },
  ],
  finishAnswer: 'cut back to the stone’s gloss',
  review: null,
  serves: 'sandable',
  rests: restsFilled,
  allowances: [shareOf('proud', 'filled proud, cut back')],
  tasks: [
    ...tasks('stone-chip', [
      {
        task: 'prep:clean',
        block: 'first',
        throws: 'dust',
        onBase: true,
        role: 'prepare',
        title: 'Loose crystals off, clean, dry',
        detail: 'Brushed, blown out, degreased; warmed dry where it is damp.',
        confirm: 'Clean and dry',
        work: { fixed: 10, per: { place: 3 } },
        hold: true,
      },
    ]),
    ...clear,
    ...liftsAfter(
      reworded('stone-chip', filledInLifts, {
        place: {
          title:
            '{which, select, only {Fill it proud, film over it} last {Last layer proud, film over it} other {Fill layer {lift}, leave it rough}}',
          detail:
            'Pressed in so that no air stays behind; {which, select, other {no film: the next holds on it} only {a vein as a second colour drawn in while it is soft; film pressed over it} last {a vein as a second colour drawn in while it is soft; film pressed over it}}.',
          confirm: '{which, select, only {Proud, under film} last {Proud, under film} other {Layer {lift} is in}}',
        },
      }),
      'sandable',
    ),
    ...tasks('stone-chip', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Leave it, write the recipe down',
        detail: 'Masses of the trial that fitted, and why it was taken.',
        confirm: 'Written down',
        work: { fixed: 3 },
      },
      {
        task: 'finish:cut',
        throws: 'dust',
        onFace: 'set',
        role: 'finish',
        block: 'finish',
        title: 'Cut it back to the stone’s gloss',
        detail: 'Pads laid flat, edges of the stone kept sharp.',
        ladder: {
          coarsest: 'P120',
          to: 'P2000',
          offMm: ({ measured, settings }) => (meanMm(measured) * settings.proud!) / 100 + SMEAR_MM,
        },
        confirm: 'Flush, same gloss',
        work: { fixed: 20, per: { place: 5 } },
        waits: { for: 'sandable', on: 'last', orElse: HELD_LONGER },
      },
    ]),
  ],
};
