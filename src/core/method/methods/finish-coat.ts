import { airInhibited } from '../../system';
import { measured } from '../../void';
import { byCoverage, furtherCoats } from '../allowances';
import { clear, endOfMixing, HELD_LONGER, waiting, weighedOrWhole } from '../common';
import { coverOf } from '../consumable';
import { options } from '../effects';
import { coated, coatSettings, restsAtTape, reworded } from '../engines';
import { coatOffMm, paperSoak, takenOff, wetOrDry } from '../ladder';
import type { Method } from '../method';
import { tasks } from '../task';

/** A pigmented coat over a set patch, cut back and polished. */
export const finishCoat: Method = {
  id: 'finish-coat',
  version: 1,
  label: 'Finish coat on a patch',
  engine: 'coat',
  // It goes on what was sanded.
  blanks: { coat: { thickness: measured(0.5, 'film'), texture: { from: 'class', class: 'none' } } },
  does: 'A pigmented coat goes over a set, abraded patch, masked all round, and is cut back and polished.',
  bases: ['laminate', 'plastic', 'metal', 'stone', 'timber'],
  shapes: ['coat'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['pours', 'film'], out: ['pot'], binder: ['resin'] },
  questions: [
    {
      id: 'set',
      onFace: true,
      ask: 'Is the patch under it set, abraded dull and free of pinholes?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Patch not ready for its coat',
        why: 'A coat shows every pinhole, and does not hold on gloss.',
        todo: 'Fill, let it set, abrade.',
      },
    },
    {
      id: 'amine',
      onFace: true,
      ask: 'If it cures by peroxide: is there no fresh resin with amine hardener under it?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Peroxide over amine',
        why: 'The amine keeps a peroxide-cured coat from setting: it stays tacky for good.',
        todo: 'Take a coat of the same kind, or seal the patch as both sheets say.',
      },
    },
  ],
  schools: [
    wetOrDry('finish-coat', 'wet'),
    {
      id: 'sheen',
      matter: 'Sheen',
      stage: 'finish',
      options: options('finish-coat.sheen', [
        {
          id: 'gloss',
          label: 'gloss, compounded and polished',
          fits: 'a neighbour that mirrors',
          effect: { finishTo: 'P1500', shows: ['finish:polish'] },
        },
        {
          id: 'satin',
          label: 'satin, as the last grit leaves it',
          fits: 'a weathered neighbour',
          effect: { finishTo: 'P800' },
        },
      ]),
      byDefault: 'gloss',
      why: 'A patch is found by its sheen before its colour.',
    },
    {
      id: 'air',
      matter: 'Against the air',
      stage: 'hold',
      options: options('finish-coat.air', [
        {
          id: 'film',
          label: 'film over the last coat',
          fits: 'small patches',
          effect: { shows: ['cover'], airShut: true },
          says: { shut: 'Film pressed flat over the last coat, from the middle out.' },
        },
        {
          id: 'wax',
          label: 'wax in the last coat',
          fits: 'larger faces',
          effect: { airShut: true },
          says: {
            shut: 'The last coat has its wax in: only the last, a waxed coat is washed and abraded before the next.',
          },
        },
        {
          id: 'none',
          label: 'nothing',
          fits: 'coats that the air does not keep from setting',
          says: { shut: 'Left open, dust kept off.' },
        },
      ]),
      byDefault: 'film',
      usual: (sheet) => (airInhibited(sheet) ? 'film' : 'none'),
      why: 'Air keeps the top of what peroxide cures tacky; nothing else needs it shut out.',
    },
    weighedOrWhole('finish-coat', {
      weighed: { label: 'as much as it takes', fits: 'tins, with drops or a scale' },
      whole: { label: 'whole packs only', fits: 'small sets' },
      why: 'A coat on a patch takes little.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [...coatSettings({ coats: 1, perHour: 3 }), takenOff('tough'), paperSoak],
  preparation: [
    'Patch set and abraded, recess as deep as the coat.',
    'Colour tried on a card, looked at wet and dry.',
    'Edges masked at a margin; tape drawn while it is wet.',
    'Drops for each millilitre counted once, at today’s temperature.',
  ],
  mistakes: [
    'Catalyst by eye.',
    'A waxed coat under another.',
    'Sags on a wall: thixed paste holds.',
    'Sanded through, and not coated again.',
  ],
  cautions: [
    'Peroxide: keep from eyes, flames and accelerators; never mix it with an accelerator directly.',
    'Vapours: ventilate, no flames or sparks.',
  ],
  tools: [
    'graduated cup',
    'dropper or fine scale',
    'brush or spatula',
    'adhesive tape',
    'P400 to P1500',
    'compound and polish',
  ],
  tests: [
    { id: 'hard', kind: 'nail', ask: 'Does it take no mark from a nail?' },
    { id: 'colour', kind: 'colour', ask: 'Does it match its neighbour, by day and by lamp?' },
    { id: 'edge', kind: 'level', ask: 'Is there no edge under a fingertip?' },
  ],
  finishAnswer: 'cut back, polished',
  review: null,
  serves: 'sandable',
  consumes: [coverOf({ what: 'film', why: 'over the coat: air keeps it tacky', shownBy: 'cover' })],
  rests: restsAtTape,
  gaps: { air: (c) => (c.effects.airShut ? 'shut' : 'open') },
  allowances: [furtherCoats, byCoverage],
  tasks: [
    ...tasks('finish-coat', [
      {
        task: 'prep:abrade',
        throws: 'dust',
        onBase: true,
        role: 'prepare',
        title: 'Abrade dull, wipe',
        detail: 'Gloss gone over the patch and a margin round it.',
        confirm: 'Dull and clean',
        work: { fixed: 5, per: { m2: 20 } },
      },
      {
        task: 'prep:mask',
        block: 'first',
        role: 'prepare',
        title: 'Mask, read the base; dry?',
        detail: 'Tape at a margin all round; at least {dewMargin} above the dew point.',
        confirm: 'Masked, dry, and read',
        work: { fixed: 5, per: { place: 1 } },
        hold: true,
      },
    ]),
    ...clear,
    ...reworded('finish-coat', coated, {
      coat: {
        detail:
          'Even, from the middle out, no runs{several, select, yes {; end this batch at a joint or a tape} other {}}; the next coat when the last is tacky but leaves no colour on the finger.',
      },
    }),
    ...tasks('finish-coat', [
      {
        task: 'hold:shut',
        role: 'hold',
        block: 'work',
        title: '{air, select, shut {Draw the tape, shut the air out} other {Draw the tape, keep the dust off}}',
        detail: '{shut}',
        confirm: '{air, select, shut {Tape off, shut} other {Tape off, left alone}}',
        work: { fixed: 5 },
      },
      {
        task: 'finish:cut',
        onFace: 'top',
        throws: 'dust',
        role: 'finish',
        block: 'finish',
        title: 'Cut the coat back',
        detail: 'Stop where another colour shows: that place is coated again.',
        confirm: 'Dull all over, no orange peel',
        ladder: { coarsest: 'P400', to: 'P1500', offMm: coatOffMm, called: 'finish:polish' },
        work: { fixed: 15, per: { m2: 600 } },
        waits: { for: 'sandable', on: 'last', orElse: HELD_LONGER },
      },
      {
        task: 'finish:polish',
        onFace: 'top',
        optional: true,
        role: 'finish',
        block: 'finish',
        title: 'Compound, then polish',
        detail: 'Soft pad, little at a time, kept moving: heat pulls it. Masks off, edges by hand.',
        confirm: 'Gloss as its neighbour',
        work: { fixed: 4, per: { m2: 60 } },
      },
    ]),
  ],
};
