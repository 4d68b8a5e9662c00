import { shareOf } from '../allowances';
import { clear, endOfMixing, waiting, weighedOrWhole } from '../common';
import { options } from '../effects';
import { filledInLifts, liftsAfter, restsFilled, reworded } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

/** Cavities, sockets and stripped holes packed with putty round what must stay clear. */
export const cavityPacking: Method = {
  id: 'cavity-packing',
  version: 1,
  label: 'Cavities packed with putty',
  engine: 'fill',
  does: 'Like cavities are packed with kneaded putty, rammed in, struck level, and what must stay clear kept open by a plug.',
  bases: ['metal', 'concrete', 'stone', 'timber', 'plastic', 'laminate'],
  shapes: ['cavity', 'hole', 'annulus', 'filled', 'chase', 'groove'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['paste', 'putty'], out: ['pot', 'mixer', 'hand'], binder: ['resin'] },
  params: { byPlace: true },
  questions: [
    {
      id: 'clean',
      ask: 'Are the walls clean, dry and rough, with nothing loose?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Walls that hold nothing',
        why: 'Putty is held by what it is rammed against.',
        todo: 'Scrape, blow out, degrease and dry it; undercut it where it can be.',
      },
    },
    {
      id: 'load',
      ask: 'Does what is packed only carry what its sheet allows?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Carries more than the sheet says',
        why: 'A packed socket creeps under a load that stays.',
        todo: 'Have it reviewed, or take a system approved for it.',
      },
    },
  ],
  schools: [
    {
      id: 'deep-fills',
      matter: 'Deep fills',
      stage: 'place',
      options: options('cavity-packing.deep', [
        {
          id: 'one',
          label: 'rammed in lifts of a thumb, without a pause',
          fits: 'most sockets',
          effect: { onePass: true },
        },
        { id: 'layers', label: 'several layers, each gelled first', fits: 'deeper than the sheet’s lift' },
      ]),
      byDefault: 'layers',
      why: 'Up to the lift of the sheet it is rammed in without a pause; deeper it heats itself and parts from its wall.',
    },
    weighedOrWhole('cavity-packing', {
      weighed: { label: 'equal parts by weight, a place at a time', fits: 'bars and tins' },
      whole: { label: 'whole packs only', fits: 'sticks and packets' },
      why: 'A pack kneaded too early is hard before it is used.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'gloves', label: 'Stays on the gloves', kind: 'percent', byDefault: 3, min: 0, max: 100, stage: 'mix' },
    { id: 'rate', label: 'Packing rate', kind: 'rate', byDefault: 15, min: 0.5, max: 500, stage: 'place' },
  ],
  preparation: [
    'Cavities scraped, blown out, degreased; measured each by itself, one weighed to know.',
    'Plug of what must stay clear greased or waxed, in its place.',
    'Mating tool clean, and freed before it gels.',
  ],
  mistakes: ['Two kneaded at once, the second hard.', 'Air left at the bottom.', 'The mating tool set in for good.'],
  cautions: ['No bare skin: kneaded in gloves.'],
  tools: ['scale', 'gloves', 'rammer', 'plug', 'striking edge'],
  tests: [
    { id: 'level', kind: 'level', ask: 'Is it level with its edge all round?' },
    { id: 'clear', kind: 'look', ask: 'Is what must stay clear clear?' },
    { id: 'ball', kind: 'cup', ask: 'Is the left-over ball hard right through?' },
  ],
  finishAnswer: 'struck level, plug drawn',
  review: null,
  serves: 'load',
  rests: restsFilled,
  allowances: [shareOf('gloves', 'stays on the gloves')],
  tasks: [
    ...tasks('cavity-packing', [
      {
        task: 'prep:clean',
        block: 'first',
        throws: 'dust',
        onBase: true,
        role: 'prepare',
        title: 'Scrape, blow out, degrease',
        detail: 'Rough, dry, nothing loose.',
        confirm: 'Clean and dry',
        work: { fixed: 5, per: { place: 5 } },
        hold: true,
      },
    ]),
    ...clear,
    ...liftsAfter(
      reworded('cavity-packing', filledInLifts, {
        place: {
          title:
            '{of, plural, one {{how, select, mixer {Press it in} other {Roll, ram in}}, strike level} other {{how, select, mixer {Fill} other {Roll, ram into}} {eachPlace, select, yes {place {first} of {count}} other {them, batch {n} of {of}}}, strike level}}',
          detail:
            '{how, select, mixer {Nozzle to the bottom, drawn back as it fills; rammed where it stands open. Keep a dab} other {Rolled to the size of the opening, rammed in lifts of a thumb from the bottom. Keep a ball}} as its witness. The mating tool is freed before gel.',
          confirm:
            '{of, plural, one {It is packed} other {{eachPlace, select, yes {Place {first}} other {Batch {n}}} is packed}}',
        },
      }),
      'gel',
    ),
    ...tasks('cavity-packing', [
      {
        // Each before its own gel: what waits for the last place is fast in the first.
        task: 'free',
        called: { as: 'hold:free', firstOnly: true },
        role: 'hold',
        each: 'batch',
        block: 'work',
        title:
          '{of, plural, one {Turn the mating tool free, draw the plug} other {{eachPlace, select, yes {Turn the tool of place {first} free, draw its plug} other {Turn the tools of batch {n} free, draw their plugs}}}}',
        detail: 'Before it gels; after that it stays.',
        confirm: 'Free and drawn',
        work: { fixed: 2 },
        hold: true,
        within: { of: 'gel', on: 'own', by: 'end' },
      },
    ]),
  ],
};
