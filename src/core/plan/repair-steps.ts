import { ONLY_AIR } from '../climate';
import { FIRST_CHOICES, FIRST_OF_CHAIN, FIRST_PASS } from './repair';

/** An object of an older version, field by field. */
type Old = Readonly<Record<string, unknown>>;
const isOld = (x: unknown): x is Old => typeof x === 'object' && x !== null && !Array.isArray(x);

/** Every measured length of version 1 gets room for a second reading. */
function withSecondReading(x: unknown): unknown {
  if (Array.isArray(x)) return x.map(withSecondReading);
  if (!isOld(x)) return x;
  const inner = Object.fromEntries(Object.entries(x).map(([k, v]) => [k, withSecondReading(v)]));
  return 'valueMm' in inner && !('again' in inner) ? { ...inner, again: null } : inner;
}

/** What each shape of version 1 that has a second version had added, by the name of the shape. */
const SECOND: ReadonlyMap<unknown, Old> = new Map([['annulus', { version: 2, mouth: { form: 'none' }, notchesMl: 0 }]]);

function shapeTo2(shape: unknown): unknown {
  if (!isOld(shape)) return shape;
  const outline = shape.outline;
  const traced =
    isOld(outline) && outline.kind === 'polygon' ? { ...shape, outline: { photoId: null, ...outline } } : shape;
  return shape.version === 1 ? { ...traced, ...SECOND.get(shape.shape) } : traced;
}

/**
 * Steps of a repair from version n to n + 1, by n: used by the job file and by the database alike.
 * 1 → 2: second readings, several shapes with what differs among like voids, what stays clear, open backs, setting out.
 * 3 → 4: a chain of passes: method, void, system, kit, choices and figures belong to its first one.
 * 2 → 3: dose, orientation, wetness found, crew, bench, lifts, own fillers, colour, what it meets and carries, sun,
 * sky, water and cover of the base.
 */
export const REPAIR_STEPS: Readonly<Record<number, (old: Old) => Old>> = {
  1: (old) => {
    const v = withSecondReading(old.void);
    return {
      ...old,
      version: 2,
      void: isOld(v)
        ? {
            variants: [],
            keepClear: [],
            back: 'closed',
            ...v,
            shapes: Array.isArray(v.shapes) ? v.shapes.map(shapeTo2) : v.shapes,
          }
        : v,
      settingOut: null,
    };
  },
  2: (old) => ({
    ...FIRST_CHOICES,
    ...old,
    version: 3,
    base: isOld(old.base) ? { surroundings: ONLY_AIR, ...old.base } : old.base,
  }),
  3: (old) => {
    const own = Object.fromEntries(Object.entries(old).filter(([key]) => OF_PASS.has(key)));
    const common = Object.fromEntries(Object.entries(old).filter(([key]) => !OF_PASS.has(key)));
    const { takes, gate, stops } = FIRST_OF_CHAIN;
    return {
      ...common,
      version: 4,
      chain: [FIRST_PASS],
      passes: { [FIRST_PASS]: { name: '', takes, gate, stops, ...own } },
    };
  },
};

/** What a repair of version 3 had of its own, and a pass has now. */
const OF_PASS = new Set([
  'method',
  'void',
  'sheetId',
  'kitId',
  'schools',
  'settings',
  'materialC',
  'dosePct',
  'massCapG',
  'liftMm',
  'meets',
  'blend',
  'colour',
  'reserve',
  'standIns',
]);

/** A repair of any version as one of the newest; anything else is given back as it came. */
export function repairNow(raw: unknown): unknown {
  let now = raw;
  while (isOld(now) && typeof now.version === 'number' && REPAIR_STEPS[now.version])
    now = REPAIR_STEPS[now.version]!(now);
  return now;
}
