import { along, type Quantity } from '../say';
import { kindOf, type Void } from '../void';
import { noWaterPressure } from './common';
import { type ConsumableRow, topFaceM2 } from './consumable';
import { type Question, type Setting, settingIn } from './context';

/** What is asked of a crack in a slab before anything rigid goes into it. */
export const crackQuestions: readonly Question[] = [
  {
    id: 'moves',
    ask: 'Does it move: by gauge marks over days, or because it is a control, expansion or isolation joint?',
    wants: 'no',
    otherwise: {
      severity: 'stop',
      title: 'It moves',
      why: 'What is poured rigid breaks again beside the old line.',
      todo: 'Take the flexible route, or keep it open.',
    },
  },
  {
    id: 'rust',
    on: ['concrete'],
    ask: 'Is it free of rust stains, and not along a bar?',
    wants: 'yes',
    otherwise: {
      severity: 'stop',
      title: 'Corrosion under it',
      why: 'A bar that rusts opens the slab again whatever is poured in.',
      todo: 'Have it laid open and judged by a competent person.',
    },
  },
  {
    id: 'map',
    ask: 'Is it one crack, and not a net of them?',
    wants: 'yes',
    otherwise: {
      severity: 'stop',
      title: 'Map cracks',
      why: 'The slab itself is giving way.',
      todo: 'Have the slab judged by a competent person.',
    },
  },
  noWaterPressure,
];

/** How much dry sand is broadcast, where any is. */
export const sandSetting: Setting = {
  id: 'sand',
  label: 'Sand broadcast',
  kind: 'spread',
  byDefault: 3,
  min: 0.1,
  max: 20,
  stage: 'finish',
  when: (e) => e.shows.includes('broadcast'),
};

/** The sand itself, over the widest face. */
export const broadcastSand: ConsumableRow = {
  id: 'sand',
  what: 'dry sand to broadcast',
  unit: 'kg',
  why: 'to refusal over the face',
  shownBy: 'broadcast',
  of: (c) => settingIn(c, 'sand') * topFaceM2(c),
};

/** Where joints cross it that stay open, in one void, from where each line begins. */
export const crossingsIn = (v: Void): readonly Quantity[] =>
  v.shapes.flatMap((shape) => {
    const kind = kindOf(shape);
    return (kind.keptOpen?.(shape) ?? []).map(({ atMm }) => along(atMm, kind.runMm?.(shape) ?? 0));
  });
