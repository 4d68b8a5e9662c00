import { type TaskRow, tasks } from '../task';
import { BEGINS, type Engine, PORTION, POT_CLOCKS } from './engine';
import { mix, weigh } from './potted';

/** On faces that are then closed at once. */
export const spread: Engine = {
  oneKitAPot: false,
  inLifts: false,
  byApproval: false,
  eachBatch: new Set(POT_CLOCKS),
  begins: BEGINS.mixed(),
  portions: () => [{ label: PORTION.line(), share: 1 }],
  blockOf: () => 'bond',
};

/** Batch by batch onto both faces, then the joint is closed over all of them. */
export const spreadAndClosed: readonly TaskRow[] = [
  weigh,
  mix,
  ...tasks('spread', [
    {
      task: 'spread',
      role: 'place',
      each: 'batch',
      block: 'work',
      title: '{of, plural, one {Spread, both faces} other {Spread batch {n}, both faces}}',
      detail: 'A thin wetting coat on both, a ridge in the middle of one so that air is pushed out.',
      confirm: 'Both faces are wet',
      work: { by: { setting: 'rate', driver: 'mL' } },
      marks: { end: ['placed', 'last-coat'] },
    },
    {
      task: 'close',
      role: 'close',
      block: 'work',
      ofLast: true,
      title: 'Close the joint, move it a little',
      detail: '{hold} until adhesive shows all round and at the inspection holes. {squeeze}',
      confirm: 'Adhesive shows all round',
      work: { fixed: 5 },
      hold: true,
      marks: { end: ['faces-closed'], closesAll: true },
      within: { of: 'open', on: 'all', by: 'end' },
    },
  ]),
];
