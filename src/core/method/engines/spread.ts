import { texts } from '../../say';
import { beginsPart, type MethodContext, partsIn, type Setting, settingIn } from '../context';
import { type TaskRow, tasks } from '../task';
import { BEGINS, byRate, type Engine, PORTION, POT_CLOCKS, partsApart } from './engine';
import { mix, weigh } from './potted';
import { pause } from './press';

/** On faces that are then closed at once; of several parts one after the other. */
export const spread: Engine = {
  onFaces: false,
  liesOpen: 'closed',
  oneKitAPot: () => false,
  inRounds: false,
  inLifts: false,
  pace: (c) =>
    c.params.rolling
      ? {
          setting: 'lay-rate',
          mlPerMin: c.measured.nominalMl / ((c.void.count * c.measured.faces.planAreaMm2) / 1e6) / 60,
        }
      : byRate(),
  byApproval: false,
  spends: ['carry'],
  eachBatch: new Set(POT_CLOCKS),
  eachPart: new Set(['open', 'bare']),
  begins: BEGINS.mixed(),
  portions: () => [{ label: PORTION.line(), share: 1 }],
  parts: (c: MethodContext) => {
    if (c.params.rolling) return c.areas > 1 ? { count: c.areas, closeMin: 0, called: 'area' } : null;
    const { alsoCloses, thenChecked } = c.params;
    const further = alsoCloses !== undefined && c.effects.shows.includes(alsoCloses) ? settingIn(c, alsoCloses) : 0;
    const closeMin = settingIn(c, 'close min') + further + (thenChecked ? settingIn(c, thenChecked) : 0);
    return partsIn(c) > 1 ? { ...partsApart(c), closeMin, spreadFirst: c.effects.spreadFirst, called: 'part' } : null;
  },
  blockOf: () => 'bond',
};

/** From where it is mixed to where it is spread. */
export const carrySetting: Setting = {
  id: 'carry',
  label: 'Way from mixing to the place',
  kind: 'duration',
  byDefault: 0,
  min: 0,
  max: 240,
  stage: 'mix',
};

/** Area by area, each combed and covered before the next. */
export const laidRolling: readonly TaskRow[] = [
  weigh,
  mix,
  ...tasks('roll', [
    {
      task: 'spread',
      role: 'place',
      each: 'part',
      block: 'work',
      title:
        '{parted, select, yes {Comb and set area {part} of {partCount}} other {{of, plural, one {Comb the bed and set} other {Comb and set the bed of batch {n}}}}}',
      detail:
        '{carried, select, yes {What is left of the last mix goes down first. } other {}}{bed}. No further than is covered before it skins: nothing on a finger means skinned, and it comes off, never rewetted. Lift the first at once, and one in each area: at least {covered} of its back covered, or a deeper notch and the back buttered. No step from one to the next.',
      confirm: 'Lifted one: {covered} covered, level',
      work: { by: { setting: 'lay-rate', driver: 'm2' } },
      hold: true,
      marks: { end: ['placed', 'last-coat', 'faces-closed'] },
    },
  ]),
];

/** How fast it is combed and set. */
export const layRate: Setting = {
  id: 'lay-rate',
  label: 'Combed and set in an hour',
  kind: 'area-rate',
  byDefault: 5,
  min: 0.1,
  max: 200,
  stage: 'place',
};

const RESTS = texts('spread.rests', {
  closed: 'Every part that was begun is closed and held; what is left in the pot is thrown away.',
});
/** Where the work rests over night, of parts that are closed one after the other. */
export const restsClosed = RESTS.closed();

/** Onto both faces, then the joint is closed: part by part, or over all batches of one. */
export const spreadAndClosed: readonly TaskRow[] = [
  pause,
  { ...weigh, looksAhead: true },
  mix,
  ...tasks('spread', [
    {
      task: 'carry',
      role: 'mix',
      each: 'batch',
      block: 'work',
      when: (c) => settingIn(c, 'carry') > 0,
      title: 'Carry it to the place',
      detail: 'Spread it out flat on the way if it can be: in a heap it warms itself.',
      confirm: 'It is there',
      work: { by: { setting: 'carry', driver: 'once' } },
    },
    {
      task: 'spread',
      role: 'place',
      each: 'part',
      block: 'work',
      title:
        '{parted, select, yes {Spread part {part} of {count}, both faces} other {{of, plural, one {Spread, both faces} other {Spread batch {n}, both faces}}}}',
      detail: 'A thin wetting coat on both, a ridge in the middle of one so that air is pushed out.',
      confirm: 'Both faces are wet',
      work: { by: { setting: 'rate', driver: 'mL' } },
      marks: { end: ['placed', 'last-coat'] },
      // What is spread on in a second pot lies beside what is wet: nobody grinds there.
      within: { of: 'bare', on: 'own', by: 'begin', when: beginsPart },
    },
    {
      task: 'close',
      role: 'close',
      each: 'part',
      block: 'work',
      ofLast: true,
      title:
        '{parted, select, yes {Close part {part} of {count}, move it a little} other {Close the joint, move it a little}}',
      detail: '{hold} until adhesive shows all round and at the inspection holes. {squeeze}',
      confirm: 'Adhesive shows all round',
      work: { fixed: 5 },
      hold: true,
      marks: { end: ['faces-closed'], closesAll: true },
      within: { of: 'open', orElse: 'use-by', on: 'all', by: 'end' },
    },
  ]),
];
