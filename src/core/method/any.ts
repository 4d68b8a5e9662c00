import type { MilestoneId } from '../system';
import { HELD_LONGER } from './common';
import { type TaskRow, tasks } from './task';

const rows = tasks('any', [
  {
    task: 'stand',
    role: 'mix',
    each: 'batch',
    block: 'work',
    title: 'Let it stand, then stir or shake once more',
    detail: 'The sheet’s stand time; it counts from the end of mixing.',
    confirm: 'Stood its time',
    work: { fixed: 1 },
    marks: { end: ['stand-ends'] },
    waits: { for: 'stand', on: 'own' },
  },
  {
    task: 'prep:dry',
    role: 'prepare',
    title: '{face, select, dry {Dry the place} other {Take the water off}} and check the base again',
    detail: 'Cover against more rain. The base {asked}{face, select, dry {, no dark patches} other {}}; read it again.',
    confirm: '{face, select, dry {Dry again} other {As wet as asked}}, and read',
    work: { fixed: 20 },
    hold: true,
  },
  {
    task: 'prep:clean-again',
    role: 'prepare',
    title: 'Clean the face again, read it',
    detail: 'Brush off what lies on it, blow or vacuum, wipe from clean to clean with fresh rags. The face {asked}.',
    confirm: 'Clean again, and read',
    work: { fixed: 5, per: { m2: 5 } },
    hold: true,
  },
  {
    task: 'abrade:set',
    throws: 'dust',
    role: 'prepare',
    title: 'Wash and abrade what has set',
    detail:
      'It is hard: nothing of it smears or rolls up. Wash with water and a pad, let it dry, abrade until the gloss is gone, wipe the dust off.',
    confirm: 'Dull, dry and clean',
    // A spot is wetted, dries, is rubbed and wiped as well.
    work: { per: { m2: 8 }, least: 5 },
    waits: { for: 'sandable', on: 'all', orElse: HELD_LONGER },
    hold: true,
  },
  {
    task: 'abrade',
    throws: 'dust',
    role: 'prepare',
    title: 'Wash and abrade first',
    detail:
      'The window to go on it as it is has closed. Wash with water and a pad, let it dry, abrade until the gloss is gone, wipe the dust off.',
    confirm: 'Dull, dry and clean',
    // A spot is wetted, dries, is rubbed and wiped as well.
    work: { per: { m2: 8 }, least: 5 },
    hold: true,
  },
  {
    task: 'prep:dull',
    throws: 'dust',
    role: 'prepare',
    title: 'Abrade what lies there dull, wipe',
    detail: 'It has set: nothing holds on its gloss. Wash off a greasy film first; abrade until it is dull all over.',
    confirm: 'Dull and clean',
    // A spot is wetted, dries, is rubbed and wiped as well.
    work: { per: { m2: 8 }, least: 5 },
    hold: true,
  },
  {
    task: 'bare-again',
    throws: 'dust',
    role: 'prepare',
    title: '{parted, select, yes {Bare part {part} of {count} again} other {Bare the face again}}',
    detail: 'It has stood longer than a bared face keeps in this air. Abrade it once more, then wipe with solvent.',
    confirm: 'Bare and bright again',
    work: { fixed: 3, per: { m2: 60 } },
    marks: { end: ['bared'] },
    hold: true,
  },
  {
    task: 'release:tests',
    role: 'test',
    block: 'finish',
    title: 'Test, inspect, sign',
    detail: 'Answer the tests at the place itself; take the barrier away only when it is signed.',
    confirm: 'Tests are done',
    work: { fixed: 10 },
    hold: true,
  },
]);

/**
 * Tasks that come up in any method: a stand time of the sheet, drying after rain, cleaning after dust, a missed window,
 * the tests before it is opened.
 */
export const [STAND, DRY_AGAIN, CLEAN_AGAIN, ABRADE_SET, ABRADE, DULL, BARE_AGAIN, RELEASE] = rows as readonly [
  TaskRow,
  TaskRow,
  TaskRow,
  TaskRow,
  TaskRow,
  TaskRow,
  TaskRow,
  TaskRow,
];
/** What makes up for a window that closed before a step came, by the window. */
export const RENEWS: Readonly<Partial<Record<MilestoneId, TaskRow>>> = { 'recoat-until': ABRADE };
/** The same of a face that must be good when its turn comes, done before anything is mixed. */
export const RENEWS_FACE: Readonly<Partial<Record<MilestoneId, TaskRow>>> = { bare: BARE_AGAIN };
export const ANY_TASKS: readonly TaskRow[] = rows;
