import { paceOf } from '../cure';
import { type Batch, type FacesAsk, NOTHING_DRAWN } from '../mix';
import { attempt } from '../say';
import { milestoneOf } from '../system';
import { RENEWS_FACE } from './any';
import type { MethodContext, StepContext, TaskContext } from './context';
import { ENGINES } from './engines';
import type { Method } from './method';
import { plannedMin, type TaskRow } from './task';
import { workOf } from './work';

/** A temperature at which a sheet that states it by temperature surely answers, °C. */
const USUAL_C = 20;
/** How long a prepared face stays good, min; null where nothing says so. */
export function faceMin(sheet: StepContext['sheet']): number | null {
  const bare = milestoneOf(sheet, 'bare');
  const told = bare ? attempt(() => paceOf(bare, 'short', sheet.family).minutesAt(USUAL_C)) : null;
  return told?.ok ? told.value : null;
}

/** A pot for one part, by which the minutes of its steps are told before any is mixed. */
const potOf = (label: Batch['label'], placedMl: number, part: number): Batch => ({
  index: 0,
  portion: 0,
  label,
  ml: placedMl,
  placedMl,
  massG: { A: 0, B: 0, C: 0, D: 0 },
  volumeMl: { A: 0, B: 0, C: 0, D: 0 },
  kits: null,
  places: 1,
  mixers: 1,
  fromTo: [part, part],
  ...NOTHING_DRAWN,
});

/** Whether a face must be gone on with by this row before it has stood too long. */
const presses = ({ each, within }: TaskRow): boolean =>
  each === 'part' && within?.by === 'begin' && RENEWS_FACE[within.of] !== undefined;

/**
 * What decides how many like parts are bared for one pot.
 *
 * @returns null where the work has no like parts, bares none, or nothing says how long a face keeps
 */
export function facesOf(method: Method, c: MethodContext): FacesAsk | null {
  const keepsMin = faceMin(c.sheet);
  const parts = ENGINES[method.engine].parts(c);
  const turn = method.tasks.findIndex(presses);
  const before = method.tasks.slice(0, Math.max(0, turn));
  const bares = (row: TaskRow) => row.role === 'prepare' && row.each === 'part';
  const last = before.findLastIndex(bares);
  if (keepsMin === null || !parts || last < 0) return null;
  const [all] = ENGINES[method.engine].portions(c);
  const minutesOf = (rows: readonly TaskRow[], part: number, share: number) => {
    const pot = potOf(all!.label, c.measured.nominalMl * share, part + 1);
    const here: TaskContext = { ...c, batches: [pot], portions: [], batch: pot, part };
    return rows
      .filter((row) => (!row.optional || c.effects.shows.includes(row.task)) && (!row.when || row.when(here)))
      .reduce(
        (sum, { exact = false, ...row }) => sum + plannedMin({ exact, handsOnMin: workOf(method, row, here).min }),
        0,
      );
  };
  const { count, shares } = parts;
  const bareOf = (share: number, part: number) => minutesOf(before.filter(bares), part, share);
  const bareEach = shares?.map(bareOf);
  return {
    keepsMin,
    bareMin: bareEach ? Math.max(...bareEach) : bareOf(1 / count, 0),
    ...(bareEach ? { bareEach } : {}),
    untilMin: minutesOf(before.slice(last + 1), 0, shares?.[0] ?? 1 / count),
  };
}
