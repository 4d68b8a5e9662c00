import { mixingMin } from '../../mix';
import { isMetered } from '../../system';
import { partsIn, settingIn } from '../context';
import { type TaskRow, tasks } from '../task';
import { BEGINS, byRate, type Engine, inPlaces, PORTION, POT_CLOCKS, partsApart } from './engine';
import { mix, weigh } from './potted';

/** It runs to its level by itself, behind a dam. */
export const pour: Engine = {
  eachPart: new Set(),
  parts: (c) => {
    const closeMin = partsIn(c) > 1 ? (c.params.placeByPlace?.(c) ?? null) : null;
    return closeMin === null ? null : { ...partsApart(c), closeMin, called: 'place' };
  },
  onFaces: false,
  liesOpen: 'set',
  oneKitAPot: (c) => !c.params.weighed,
  inRounds: false,
  inLifts: false,
  // All of a pot is poured out of it: what clings to it and to the tool has run as well.
  pace: () => ({ ...byRate(), ofMixed: true }),
  byApproval: false,
  spends: ['clean'],
  eachBatch: new Set(POT_CLOCKS),
  begins: BEGINS.mixed(),
  portions: (c) => [{ label: PORTION.pour(), share: 1, ...inPlaces(c) }],
  // A pour never stops until it is full.
  blockOf: () => 'pour',
};

/** Everything for fast resin is set out beforehand, pot by pot. */
export const setOutPots: readonly TaskRow[] = tasks('pour-fast', [
  {
    task: 'weigh-all',
    role: 'mix',
    block: 'work',
    when: ({ sheet }) => !isMetered(sheet.kind),
    title: '{batches, plural, one {Set the batch out} =2 {Set both batches out} other {Set all {batches} batches out}}',
    detail:
      '{allParts} {batches, plural, one {Each part by itself, ready to be mixed.} other {In cups of their own, in a row; nothing is weighed between them.}}',
    confirm: 'All set out',
    work: { per: { batch: 2 } },
  },
]);

/** Fast resin in small pots, one after the other: each tool is clean before its pot is dead. */
export const pouredFast: readonly TaskRow[] = [
  // Out of a mixer nothing is weighed beforehand; the pack is made ready.
  { ...weigh, when: (c) => isMetered(c.sheet.kind) && weigh.when!(c) },
  { ...mix, exact: true, work: { sheet: ({ sheet, batch }) => mixingMin(sheet, batch!) } },
  ...tasks('pour-fast', [
    {
      task: 'pour',
      role: 'place',
      each: 'batch',
      block: 'work',
      title:
        '{of, plural, one {Pour along the crack} other {Pour batch {n} of {of}, {along, select, yes {{reach}: mark where it ends} other {mark where it ends}}}}',
      detail:
        '{n, plural, =1 {From one end} other {From where the last one ended}}, slightly over the edge; top up what sinks.',
      confirm: '{of, plural, one {It is full} other {Batch {n} is in}}',
      work: { by: { setting: 'rate', driver: 'mL' } },
      exact: true,
      marks: { end: ['placed', 'last-coat', 'faces-closed'] },
    },
    {
      task: 'clean',
      role: 'place',
      each: 'batch',
      block: 'work',
      when: (c) => settingIn(c, 'clean') > 0,
      title: 'Clean the tool before the pot is dead',
      detail: 'Wiped and rinsed; what is left in the pot goes outside onto bare ground.',
      confirm: 'Clean',
      work: { by: { setting: 'clean', driver: 'once' } },
      exact: true,
      within: { of: 'use-by', on: 'own', by: 'end' },
    },
  ]),
];

/** All of it set out beforehand, then batch by batch without a stop, from one side, so that air can escape. */
export const pouredFull: readonly TaskRow[] = [
  weigh,
  ...tasks('pour', [
    {
      task: 'ready',
      role: 'mix',
      block: 'work',
      // Between two places it may stop; in one it goes on from pot to pot.
      when: ({ batches }) => batches.length > new Set(batches.map((b) => b.fromTo?.[0])).size,
      title: '{batches, plural, =2 {Both open} other {All {batches} open}}, in a row: the pour does not stop',
      detail: 'Lids off, a clean paddle at hand; the next is mixed as soon as the last is poured.',
      confirm: 'All open, in a row',
      work: { fixed: 1 },
    },
  ]),
  mix,
  ...tasks('pour', [
    {
      task: 'pour',
      role: 'place',
      each: 'part',
      block: 'work',
      title:
        '{parted, select, yes {{opens, select, yes {Pour place {part} of {count} from one side} other {Pour batch {n} into place {part} of {count}, go on where the last one ran to}}} other {{of, plural, one {Pour from one side} other {{opens, select, yes {Pour batch {n} of {of} from one side} other {Pour batch {n} of {of}, go on where the last one ran to}}}}}}',
      detail:
        'From one side only, in a thin stream, so that the air runs out ahead of it. {stopAt} What is over stays in the pail.',
      confirm: '{of, plural, one {It is full} other {Batch {n} is in}}',
      work: { by: { setting: 'rate', driver: 'mL' } },
      marks: { end: ['placed', 'last-coat', 'faces-closed'] },
    },
  ]),
];
