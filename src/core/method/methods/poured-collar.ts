import { mm, percent, texts } from '../../say';
import { type BaseMaterial, isWetted, proportionOf } from '../../system';
import { GRAVITY, isRing, levels, partSeatedMl } from '../../void';
import { clear, endOfMixing, HELD_LONGER, notMoving, partKits, soundBase, waiting } from '../common';
import { type MethodContext, settingIn } from '../context';
import { options } from '../effects';
import { pouredFull } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

const AMOUNT = texts('poured-collar.amount', { over: 'overfill, stays in the pail', ofPour: '{share} of the pour' });
const SAYS = texts('poured-collar.says', {
  rim: 'Stop at the mark of the level wanted.',
  mark: 'Stop at the mark {mark} above the floor.',
});

/** What drinks the water of a grout that is poured on it dry. */
const THIRSTY: readonly BaseMaterial[] = ['concrete', 'stone'];
/** A grout goes on faces that had water, and are rough; a resin on dull, dry ones. */
const isGrout = ({ sheet, base }: Pick<MethodContext, 'sheet' | 'base'>): boolean =>
  isWetted(sheet.limits.wetness) && THIRSTY.includes(base);

const ringOf = (c: MethodContext) => c.void.shapes.find(isRing);
/** Something that is set into the pour once it is full. */
const seats = (c: MethodContext): boolean => (ringOf(c)?.part ?? null) !== null;

/** A collar, ring, channel or baseplate edge that is poured to its level. */
export const pouredCollar: Method = {
  id: 'poured-collar',
  version: 1,
  label: 'Poured collar, ring or channel',
  engine: 'pour',
  does: 'A ring, channel or baseplate edge is dammed, tested for leaks and poured to its level from one side.',
  bases: ['concrete', 'stone', 'metal', 'laminate'],
  shapes: ['ring', 'hole', 'patch', 'filled'],
  laidOn: null,
  setsOut: true,
  takes: { flow: ['pours'], out: ['pot'], binder: ['resin', 'cement'], sand: true },
  questions: [
    soundBase,
    {
      id: 'level',
      ask: 'Is the rim level in both directions, or is there freeboard for the slope of both together?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Not level',
        why: 'A pour levels itself and runs over the low side. Two slopes that each pass may together be too much.',
        todo: 'Level it, or leave more clear under the rim; type the slope with the void.',
      },
    },
    {
      id: 'vents',
      ask: 'Can the air escape everywhere while it is poured from one side?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Air cannot escape',
        why: 'What the air holds back is a hollow under the plate that nobody sees.',
        todo: 'Drill vent holes at the high places, or pour where it can run out.',
      },
    },
    notMoving,
  ],
  params: {
    // A part is lowered while its own pour still closes round it; whole kits without one are poured on from place to
    // place.
    placeByPlace: (c) =>
      seats(c)
        ? settingIn(c, 'vents min') + settingIn(c, 'seat min')
        : c.kitMl === null
          ? settingIn(c, 'vents min')
          : null,
  },
  schools: [
    {
      id: 'leak-test',
      matter: 'How the seam is tested',
      stage: 'place',
      options: options('poured-collar.leak', [
        {
          id: 'light',
          label: 'by light',
          fits: 'anything that minds water',
          says: { leak: 'A lamp inside, the room dark: no light through the seam.' },
        },
        {
          id: 'water',
          label: 'with water',
          fits: 'seams that cannot be looked through; then dried to the sheet’s limit and wiped',
          says: {
            leak: 'Water to the level, five minutes, no drop outside; then dried to the sheet’s limit and wiped.',
          },
        },
      ]),
      byDefault: 'light',
      why: 'A seam that leaks empties the pour after everybody has gone.',
    },
    { ...partKits, byDefault: 'weighed' },
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'overfill', label: 'Overfill', kind: 'percent', byDefault: 5, min: 0, max: 100, stage: 'mix' },
    { id: 'rate', label: 'Pouring rate', kind: 'rate', byDefault: 500, min: 5, max: 50_000, stage: 'place' },
  ],
  preparation: [
    'Dry fit: whatever will stand in it, on its marks, level in two directions.',
    'Faces sanded dull and wiped; for cement grout the base soaked and its puddles taken out.',
    'Seam taped and dammed, tested for leaks before anything is mixed.',
    'Everything for the whole pour stands ready: it never stops until it is full.',
  ],
  mistakes: [
    'Poured from two sides: the air stays in the middle.',
    'A seam that leaks, found when nobody is there.',
    'Stopped half-way for another kit: a cold joint.',
    'The part lowered late, when the pour no longer closes round it.',
  ],
  cautions: [
    'A full pail heats itself: pour it out in time, and what is left goes outside onto bare ground.',
    'A heavy part is lowered by a hoist and never held by hand over fresh resin.',
  ],
  tools: ['dam or tape', 'lamp', 'level', 'pails and slow paddle', 'straightedge with marks', 'weights or wedges'],
  tests: [
    { id: 'level', kind: 'level', ask: 'Does it stand at its mark all round?' },
    { id: 'tap', kind: 'tap', ask: 'Does it ring sound when tapped, with no hollow place?' },
    { id: 'seam', kind: 'look', ask: 'Is the seam closed outside, with nothing run out?' },
  ],
  finishAnswer: 'dam off, edge broken',
  review: null,
  serves: 'load',
  consumes: [
    {
      id: 'dam',
      what: 'dam or tape for the seam',
      unit: 'm',
      why: 'all round, and a tenth more',
      of: (c) => (1.1 * c.void.count * c.measured.faces.perimeterMm) / 1000,
    },
  ],
  allowances: [
    {
      id: 'overfill',
      of: (c) => ({
        label: AMOUNT.over(),
        ml: (c.measured.nominalMl * settingIn(c, 'overfill')) / 100,
        expression: AMOUNT.ofPour({ share: percent(settingIn(c, 'overfill')) }),
      }),
    },
  ],
  gaps: {
    keyed: (c) => (isGrout(c) ? 'rough' : 'dull'),
    stopAt: (c) => {
      const ring = ringOf(c);
      return ring ? SAYS.mark({ mark: mm(levels(ring).beforeMm) }) : SAYS.rim();
    },
    uplift: (c) => {
      const ring = ringOf(c);
      const kg = ring ? (partSeatedMl(ring) * proportionOf(c.sheet).densityGPerMl) / 1000 : 0;
      return { is: 'force', value: kg * GRAVITY };
    },
    seated: (c) => {
      const ring = ringOf(c);
      return mm(ring ? levels(ring).afterMm : c.measured.faces.maxDepthMm);
    },
  },
  tasks: [
    ...tasks('poured-collar', [
      {
        task: 'prep:fit',
        role: 'set-out',
        title: 'Dry fit, level in two directions',
        detail:
          '{settingOut} Marks of the level on the wall. Both slopes together decide what stands over the low side.',
        confirm: 'Fits and is level',
        work: { fixed: 10, per: { place: 5 } },
        hold: true,
      },
      {
        task: 'prep:sand',
        throws: 'dust',
        role: 'prepare',
        title: '{keyed, select, rough {Roughen the faces, wash} other {Sand the faces dull, wipe}}',
        detail:
          '{keyed, select, rough {Laitance and gloss gone all over, loose grains off, washed clean} other {Gloss gone all over, dust off, wiped one way with a fresh cloth}}.',
        confirm: '{keyed, select, rough {Rough} other {Dull}} and clean',
        work: { fixed: 5, per: { m2: 60 } },
      },
    ]),
    ...clear,
    ...tasks('poured-collar', [
      {
        task: 'prep:dam',
        role: 'prepare',
        title: 'Tape the seam, dam, test for leaks',
        detail: '{leak} Nothing is mixed before it holds.',
        confirm: 'Nothing leaks',
        work: { fixed: 15, per: { place: 5 } },
        hold: true,
      },
      {
        task: 'prep:wet',
        block: 'first',
        when: isGrout,
        role: 'prepare',
        title: 'Bring the faces to the wetness asked',
        detail: 'Faces {asked}.',
        confirm: 'As wet as asked, no puddles',
        work: { fixed: 2, per: { place: 3 } },
        hold: true,
      },
    ]),
    ...pouredFull,
    ...tasks('poured-collar', [
      {
        task: 'vents',
        role: 'close',
        each: 'part',
        block: 'work',
        ofLast: true,
        title: '{parted, select, yes {See the vents of place {part} run full} other {See the vents run full}}',
        detail: 'At every vent and at the far side it stands at its mark; prick the bubbles.',
        confirm: 'Full everywhere',
        work: { fixed: 3 },
        hold: true,
      },
      {
        task: 'seat',
        role: 'close',
        each: 'part',
        block: 'work',
        ofLast: true,
        when: seats,
        title:
          '{parted, select, yes {Lower the part of place {part} of {count} onto its marks, level it} other {Lower the part onto its marks, level it}}',
        detail:
          'The pour rises to {seated}. It floats with {uplift} and must be held down by more than that. Level before gel.',
        confirm: 'On its marks, level and weighted',
        work: { fixed: 10 },
        hold: true,
        marks: { end: ['faces-closed'], closesAll: true },
        within: { of: 'gel', on: 'all', by: 'end' },
      },
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Clean up, cover, bar off',
        detail: 'Nothing touches it; what is left in the pail goes outside.',
        confirm: 'Covered and barred',
        work: { fixed: 8 },
      },
      {
        task: 'finish:dam',
        onFace: 'freed',
        role: 'finish',
        block: 'finish',
        title: 'Take the dam off, break the edge',
        detail: 'Only when it holds by itself.',
        confirm: 'Dam is off',
        work: { fixed: 10, per: { place: 5 } },
        waits: { for: 'release', on: 'last', orElse: HELD_LONGER },
      },
    ]),
  ],
};
