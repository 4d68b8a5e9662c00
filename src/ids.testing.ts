import { ENGINES, METHODS } from '@/core/method';
import { BASES, FAMILIES, KIND_IDS } from '@/core/system';
import { SHAPE_IDS } from '@/core/void';

/** A table of things with names, and the files that own it. */
export interface Named {
  readonly what: string;
  readonly ids: readonly string[];
  readonly owners: readonly string[];
  readonly toString: () => string;
}
const named = (what: string, ids: readonly string[], owners: readonly string[]): Named => ({
  what,
  ids,
  owners,
  toString: () => what,
});

/** Words that an id shares with something else, where that is what is meant. */
export const FACTOR_FREE: readonly string[] = [
  // Layers that are met have the names of families.
  'layer ===',
  "disposal === '",
  // How far a setting reaches has a kind of its own.
  'clock ===',
];

const tasks = METHODS.flatMap((m) => m.tasks.map((t) => t.task));
const matters = METHODS.flatMap((m) => m.schools.map((s) => s.id));
const settings = METHODS.flatMap((m) => m.settings.map((s) => s.id));

export const TABLES: readonly Named[] = [
  named('a shape', SHAPE_IDS, ['src/core/void/', 'src/core/plan/repair-steps.ts']),
  named('an engine', Object.keys(ENGINES), ['src/core/method/engines/']),
  named(
    'a method',
    METHODS.map((m) => m.id),
    ['src/core/method/methods/'],
  ),
  named('a family', Object.keys(FAMILIES), ['src/core/system/']),
  named('a base', BASES, ['src/core/climate/base.ts', 'src/core/system/']),
  named('a kind of system', KIND_IDS, ['src/core/system/']),
  named(
    'a task',
    tasks.filter((t) => t.includes(':') || t.length > 5),
    ['src/core/method/'],
  ),
  named(
    'a matter of choice',
    matters.filter((m) => m.includes('-')),
    ['src/core/method/'],
  ),
  named(
    'a setting',
    settings.filter((s) => s.includes('-') || s === 'primer'),
    ['src/core/method/'],
  ),
];
