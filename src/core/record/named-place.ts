import { methodOf } from '../method';
import type { Repair } from '../plan';
import { attempt } from '../say';
import { kindOf } from '../void';
import type { Path } from './changes';

/** What fields of a repair and its passes are called where a person meets them. */
const NAMED: Readonly<Record<string, string>> = {
  name: 'name',
  place: 'where it is',
  base: 'the base',
  thicknessMm: 'thickness',
  castOn: 'cast on',
  seats: 'seats',
  gauge: 'gauge marks',
  settingOut: 'setting out',
  surface: 'wetness of the base',
  moisturePct: 'moisture',
  crew: 'pairs of hands',
  overtimeMin: 'time past the end of the day',
  scaleStepG: 'step of the scale',
  bench: 'what parts are measured with',
  load: 'load',
  acceptance: 'tests by figures',
  plannedStart: 'begin not before',
  waterAt: 'water comes on it',
  rests: 'when it may be left alone',
  notice: 'notice',
  serves: 'what it is released at',
  safety: 'who must look at it',
  chain: 'order of the passes',
  method: 'method',
  takes: 'what it is laid on',
  gate: 'when it may follow',
  void: 'void',
  sheetId: 'system',
  kitId: 'kit',
  materialC: 'temperature of the material',
  dosePct: 'dose',
  massCapG: 'most in one pot',
  leastG: 'least in one pot',
  liftMm: 'lift',
  grits: 'grits',
  meets: 'what it meets',
  blend: 'fillers of your own',
  colour: 'colour',
  reserve: 'reserve for doubt',
  stops: 'pauses',
  wayOut: 'way out',
  borders: 'ends of batches',
  standIns: 'what stands in for the sheet',
  count: 'like voids',
  keepClear: 'what stays clear',
  variants: 'those that differ',
};

/** Parts of a path that say nothing to whoever measured: the figure is what they know. */
const WITHIN: ReadonlySet<string> = new Set(['valueMm', 'text', 'textSystem', 'passes', 'shapes', 'id', 'version']);

/** A path as it is written: `workingHours.fromHour` as *working hours · from hour*. */
export const pathName = (path: Path): string =>
  path.map((p) => (typeof p === 'number' ? `no. ${p + 1}` : p.replace(/([A-Z])/g, ' $1').toLowerCase())).join(' · ');

/** The name of a field of a shape; undefined where the shape has none by that key. */
function dimensionAt(repair: Repair, passId: string, index: number, rest: Path): string | undefined {
  const shape = repair.passes[passId]?.void?.shapes[index];
  if (!shape) return undefined;
  const kind = kindOf(shape);
  const key = rest.filter((p) => typeof p === 'string' && !WITHIN.has(p)).join('.');
  const named = attempt(() => [...kind.dimensions(shape), ...(kind.parameters?.(shape) ?? [])]);
  const field = named.ok ? named.value.find((d) => key === d.key || key.startsWith(`${d.key}.`)) : undefined;
  return field?.label.toLowerCase();
}

/**
 * A place in a repair as whoever planned it calls it: its setting, school, question or dimension by the name it has on
 * the screen.
 * @param repair as it is now; it tells which method and shape a name belongs to
 * @example placeName(['passes', 'p1', 'settings', 'proud'], repair) // 'filled proud'
 */
export function placeName(path: Path, repair: Repair): string {
  const [first, second, ...rest] = path;
  if (first === 'answers' && typeof second === 'string') {
    const methods = Object.values(repair.passes).map((p) => methodOf(p.method.id));
    const asked = methods.flatMap((m) => m?.questions ?? []).find((q) => q.id === second);
    return asked ? `“${asked.ask}”` : pathName([second]);
  }
  if (first !== 'passes' || typeof second !== 'string') {
    const own = path.filter((p) => !WITHIN.has(String(p)));
    return own.map((p) => NAMED[String(p)] ?? pathName([p])).join(', ') || pathName(path);
  }
  const pass = repair.passes[second];
  const method = pass && methodOf(pass.method.id);
  const [field, key, ...deeper] = rest;
  const what = ((): string => {
    if (field === 'settings' && typeof key === 'string')
      return method?.settings.find((s) => s.id === key)?.label.toLowerCase() ?? pathName([key]);
    if (field === 'schools' && typeof key === 'string')
      return method?.schools.find((s) => s.id === key)?.matter.toLowerCase() ?? pathName([key]);
    if (field === 'void' && key === 'shapes' && typeof deeper[0] === 'number')
      return dimensionAt(repair, second, deeper[0], deeper.slice(1)) ?? NAMED.void!;
    if (field === undefined) return 'the whole pass';
    const own = [field, key].filter((p): p is string => typeof p === 'string' && !WITHIN.has(p));
    return own.map((p) => NAMED[p] ?? pathName([p])).join(', ');
  })();
  const several = repair.chain.length > 1;
  return several ? `${pass?.name || method?.label || second}: ${what}` : what;
}
