import { humidityPct, valueAt } from '../climate';
import type { Method, MethodContext } from '../method';
import { amounts, type MixResult, withBlend } from '../mix';
import { type Kit, milestoneOf, type SheetRevision, sheetIn } from '../system';
import { attempt, refuse } from '../units';
import type { Actuals } from './actuals';
import type { Repair } from './job';
import type { Ask } from './reach-try';
import type { RepairAsk } from './repair-plan';
import type { Thermal } from './thermal';

const DAY_MS = 86_400_000;
const MIN_MS = 60_000;
/** Hours whose dampest air decides how long a water-borne product dries. */
const DRYING_MS = 3 * DAY_MS;

/** The sheet as it holds for this repair: its dose, its dampest air, its own fillers. @throws Refusal for a dose or air beyond the sheet */
export function sheetHere(sheet: SheetRevision, { repair, job, thermal, nowMs, actuals }: RepairAsk): SheetRevision {
  const from = actuals.startedAt ?? repair.plannedStart ?? Math.max(job.startFrom, nowMs);
  const dampest = sheet.milestones.some((m) => m.table.form === 'tiers') ? dampestPct(thermal, from, from + DRYING_MS) : 0;
  return withBlend(sheetIn(sheet, { dosePct: repair.dosePct, humidityPct: dampest }), repair.blend);
}

/** Highest humidity of the air over a stretch, per cent. */
function dampestPct({ air, dew }: Thermal, fromMs: number, toMs: number): number {
  let most = 0;
  for (let ms = fromMs; ms <= toMs; ms += 3_600_000) {
    const at = attempt(() => humidityPct(valueAt(air, ms), valueAt(dew, ms)));
    if (at.ok && at.value > most) most = at.value;
  }
  return most;
}

/** Amounts with the pot life of the hour. */
export function mixAt(
  context: MethodContext,
  method: Method,
  repair: Repair,
  kit: Kit,
  thermal: Thermal,
  reachOf: Ask,
  atMs: number,
  actuals: Actuals,
): { mix: MixResult; usableMin: number; potC: number } {
  const { sheet, measured } = context;
  const useBy = milestoneOf(sheet, 'use-by');
  const history = useBy?.runsOn === 'pot' ? thermal.pot : thermal.hot;
  const potC = attempt(() => valueAt(history, atMs));
  let usable = Number.POSITIVE_INFINITY;
  if (useBy) {
    const reached = reachOf(useBy, 'short', atMs);
    if (reached.atMs === null)
      refuse(
        'materialC',
        potC.ok ? potC.value : null,
        'a temperature the sheet answers for',
        reached.problem ?? 'The sheet gives no pot life for this temperature.',
      );
    // Mixing and standing spend the pot life, from wherever it counts.
    const stand = standMin(sheet, reachOf, atMs);
    const spent = useBy.startsAt === 'mix-begins' ? sheet.mixMin + stand : useBy.startsAt === 'mix-ends' ? stand : 0;
    usable = (reached.atMs! - atMs) / MIN_MS - spent;
  } else usable = 30;
  if (actuals.usableMin !== null) usable = actuals.usableMin;
  const idle = milestoneOf(sheet, 'idle');
  const idleReach = idle ? reachOf(idle, 'short', atMs) : null;
  const school = context.school;
  const mix = amounts({
    sheet,
    kit,
    netMl: measured.nominalMl,
    p90Ml: measured.p90Ml,
    p95Ml: measured.p95Ml,
    reserve: repair.reserve,
    allowances: method.allowances(context),
    portions: method.portions(context),
    usableMin: usable,
    placingMlPerMin: context.setting('rate') || 100,
    crew: repair.crew,
    massCapG: repair.massCapG,
    vesselMaxMl: repair.bench.vesselMaxMl,
    split: school('part-kits') === 'weighed' ? 'weighed' : 'whole',
    count: context.void.count,
    minutesPerPlace: context.setting('per-place') || 1,
    grouping: school('several') === 'several' ? 'several' : 'one',
    purge: school('first-shots') !== 'used',
    idleMin: idleReach?.atMs ? (idleReach.atMs - atMs) / MIN_MS : null,
  });
  return { mix, usableMin: usable, potC: potC.ok ? potC.value : Number.NaN };
}

/** Minutes the mix must stand before it may be used, by the long end of the sheet; 0 where it asks for none. */
function standMin(sheet: SheetRevision, reachOf: Ask, atMs: number): number {
  const stand = milestoneOf(sheet, 'stand');
  const at = stand ? reachOf(stand, 'long', atMs).atMs : null;
  return at === null ? 0 : (at - atMs) / MIN_MS;
}
