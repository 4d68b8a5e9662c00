import { percent, texts } from '../../say';
import { bedByCoverage, shareOf } from '../allowances';
import { clear, endOfMixing, partKits, waiting } from '../common';
import { options } from '../effects';
import { carrySetting, laidRolling, layRate } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

const SAYS = texts('setting-bed.says', {
  manner: 'No dry nests; stirred again after standing, where the sheet asks.',
  rests: 'The bed is cut off clean along the last row, what lies beyond it scraped up; begun against that edge.',
});

/** Tiles and slabs set into a combed bed, area by area inside its open time. */
export const settingBed: Method = {
  id: 'setting-bed',
  version: 1,
  label: 'Tiles or slabs in a combed bed',
  engine: 'spread',
  does: 'A bed is combed no further than is covered in its open time, tiles are set across the ridges, one is lifted to see.',
  bases: ['concrete', 'stone', 'timber', 'metal'],
  shapes: ['notchedBed', 'bondLine'],
  laidOn: null,
  setsOut: true,
  takes: { flow: ['paste', 'mortar'], out: ['pot'], binder: ['resin', 'cement'], sand: true },
  params: { rolling: true },
  questions: [
    {
      id: 'plane',
      ask: 'Is the base plane enough for the bed, under a straightedge?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Base not plane enough',
        why: 'A bed that is thicker than its most shrinks and sinks.',
        todo: 'Level it first, as a pass of its own.',
      },
    },
    {
      id: 'moisture',
      ask: 'Is the base old and dry enough, with no vapour or water from below?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Base too young or too wet',
        why: 'What dries or rises under a bed parts it from the base.',
        todo: 'Wait, measure the moisture, or take a system made for it.',
      },
    },
    {
      id: 'gypsum',
      ask: 'Is there gypsum under a cement bed?',
      wants: 'no',
      otherwise: {
        severity: 'stop',
        title: 'Gypsum under a cement bed',
        why: 'Cement and gypsum grow crystals between them that lift the bed.',
        todo: 'Seal the gypsum as the sheet says, or take a bed that bears it.',
      },
    },
  ],
  schools: [
    {
      id: 'where',
      matter: 'Where it is laid',
      stage: 'place',
      options: options('setting-bed.where', [
        { id: 'floor', label: 'a floor', fits: 'whatever is walked or driven on', effect: { coveredPct: 95 } },
        { id: 'wet', label: 'in the wet or outdoors', fits: 'frost, rain, showers', effect: { coveredPct: 95 } },
        {
          id: 'wall',
          label: 'a dry wall inside',
          fits: 'where nobody treads and no water comes',
          effect: { coveredPct: 80, bearsSpots: true },
        },
      ]),
      byDefault: 'floor',
      why: 'Under a wheel, in frost or in water every hollow behind a piece is where it breaks.',
    },
    {
      id: 'bed',
      matter: 'Bed',
      stage: 'place',
      options: options('setting-bed.bed', [
        {
          id: 'full',
          label: 'full bed, combed one way',
          fits: 'floors, wet places and outdoors',
          effect: { inSpots: false },
          says: { bed: 'Ridges one way, the unit moved across them' },
        },
        {
          id: 'spots',
          label: 'in spots',
          fits: 'dry walls only, with its reason noted',
          effect: { inSpots: true },
          says: { bed: 'In spots, each pressed flat' },
        },
      ]),
      byDefault: 'full',
      why: 'A hollow corner breaks under the first wheel, and water stands in it.',
    },
    { ...partKits, byDefault: 'weighed' },
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'over', label: 'Left on trowel and edges', kind: 'percent', byDefault: 0, min: 0, max: 100, stage: 'mix' },
    layRate,
    carrySetting,
    {
      id: 'off-plane',
      label: 'Deepest hollow under the straightedge',
      kind: 'length',
      byDefault: 3,
      min: 0,
      max: 100,
      stage: 'measure',
    },
  ],
  preparation: [
    'Base plane, dry, old enough; dust off, primed where the sheet asks.',
    'Units clean at their backs, kept at the temperature of the place.',
    'Trowel chosen by the back of the unit and the plane of the base.',
  ],
  mistakes: [
    'Spread further than is covered.',
    'Skinned, and rewetted.',
    'Spots on a floor.',
    'Grouted by the warmer tier.',
  ],
  cautions: [
    'Waterproof knee pads: what soaks through burns or sensitises before it is felt.',
    'Cutting stone: wet, with a mask: silica.',
  ],
  tools: ['notched trowel', 'straightedge', 'rubber mallet', 'spacers', 'vacuum lifter'],
  tests: [
    {
      id: 'coverage',
      kind: 'look',
      ask: 'Did each one that was lifted show enough of its back covered: 95 % on floors, in the wet and outdoors, 80 % on a dry wall inside?',
    },
    { id: 'tap', kind: 'tap', ask: 'Does each ring full when tapped?' },
    { id: 'lippage', kind: 'level', ask: 'Is there no step from one to the next?' },
  ],
  finishAnswer: 'joints raked clean',
  review: null,
  serves: 'foot',
  allowances: [bedByCoverage, shareOf('over', 'left on trowel and edges')],
  says: { manner: SAYS.manner() },
  rests: SAYS.rests(),
  gaps: { covered: (c) => percent(c.effects.coveredPct ?? 0) },
  tasks: [
    ...tasks('setting-bed', [
      {
        task: 'prep:set-out',
        role: 'set-out',
        title: 'Lay it out dry, mark the movement joints',
        detail: '{settingOut} Cuts where they are not seen; movement joints carried through.',
        confirm: 'Laid out, joints marked',
        work: { fixed: 15, per: { m2: 4 } },
      },
      {
        task: 'prep:clean',
        block: 'first',
        role: 'prepare',
        title: 'Vacuum, prime where asked, read the base',
        detail: 'Straightedge over it once more; the face {asked}.',
        confirm: 'Clean, plane, and read',
        work: { fixed: 10, per: { m2: 3 } },
        hold: true,
      },
    ]),
    ...clear,
    ...laidRolling,
    ...tasks('setting-bed', [
      {
        task: 'hold:rake',
        role: 'hold',
        block: 'work',
        title: 'Rake the joints, bar it off',
        detail: 'Joints clean to their depth; no foot on it before its time.',
        confirm: 'Raked and barred',
        work: { fixed: 10 },
      },
    ]),
  ],
};
