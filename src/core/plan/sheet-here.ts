import { humidityPct, valueAt } from '../climate';
import type { Effects, Method } from '../method';
import { longerWaits, questionsOn } from '../method';
import { withBlend, withRecipe } from '../mix';
import { attempt } from '../say';
import {
  clockOf,
  longerTable,
  type Milestone,
  milestoneKind,
  milestoneOf,
  type SheetRevision,
  sheetIn,
  tellsWorked,
  usualPotLossMl,
} from '../system';
import { beginsFrom } from './begins';
import { flatClock, type LongerWait } from './milestone-times';
import type { Piece } from './repair';
import { type RepairAsk, settingOf } from './repair-plan';
import type { Thermal } from './thermal';

/** Hours whose dampest air decides how long a water-borne product dries. */
const DRYING_MS = 3 * 86_400_000;

/**
 * The sheet as it holds for this repair: its dose, its dampest air, its own fillers. @throws Refusal for a dose or air
 * beyond the sheet
 */
export function sheetHere(sheet: SheetRevision, ask: RepairAsk): SheetRevision {
  const { repair, thermal } = ask;
  const from = ask.actuals.startedAt ?? beginsFrom(ask);
  const dampest = sheet.milestones.some((m) => m.table.form === 'tiers')
    ? dampestPct(thermal, from, from + DRYING_MS)
    : 0;
  const here = sheetIn(sheet, { dosePct: repair.dosePct, humidityPct: dampest });
  return withRecipe(withBlend(here, repair.blend), repair.colour);
}

/** Sheets as they hold poured out, and left in the pot, kept so that what hangs on a sheet is worked out once. */
const worked = { out: new WeakMap<SheetRevision, SheetRevision>(), in: new WeakMap<SheetRevision, SheetRevision>() };

/** The sheet with the one use-by that holds for how it is worked: out of the bucket at once, or from it. */
function asWorked(sheet: SheetRevision, pouredOut: boolean): SheetRevision {
  const out = milestoneOf(sheet, 'use-by-out');
  if (!out) return sheet;
  const known = worked[pouredOut ? 'out' : 'in'];
  let made = known.get(sheet);
  if (!made) {
    const rest = sheet.milestones.filter((m) => m !== out && !(pouredOut && milestoneKind(m.kind).usesUp));
    made = { ...sheet, milestones: pouredOut ? [{ ...out, kind: 'use-by' }, ...rest] : rest };
    known.set(sheet, made);
  }
  return made;
}

/** Sheets of which every wait is longer, kept so that what hangs on a sheet is worked out once. */
const waiting = new WeakMap<SheetRevision, Map<number, SheetRevision>>();

/** The sheet with every wait of what is placed so many times as long: in a wet hole it cures more slowly. */
function withLongerWaits(sheet: SheetRevision, times: number): SheetRevision {
  if (times === 1) return sheet;
  const known = waiting.get(sheet) ?? new Map<number, SheetRevision>();
  waiting.set(sheet, known);
  const longer = (m: Milestone): Milestone | LongerWait =>
    clockOf(m) === 'waiting' && !milestoneKind(m.kind).manner ? { ...m, table: longerTable(m.table, times), times } : m;
  const made = known.get(times) ?? { ...sheet, milestones: sheet.milestones.map(longer) };
  known.set(times, made);
  return made;
}

/** Sheets that do not say what stays in a pot, with what is usual for so much. */
const keeping = new WeakMap<SheetRevision, Map<number, SheetRevision>>();

/** The sheet with what a pot usually keeps of a void of so much, where it is silent: a dab leaves no pailful behind. */
function withUsualLoss(sheet: SheetRevision, netMl: number): SheetRevision {
  if (!sheet.estimated.includes('potLoss')) return sheet;
  const potLossMl = Number(usualPotLossMl(sheet.kind, netMl).toPrecision(3));
  const known = keeping.get(sheet) ?? new Map<number, SheetRevision>();
  keeping.set(sheet, known);
  const made = known.get(potLossMl) ?? { ...sheet, potLossMl };
  known.set(potLossMl, made);
  return made;
}

/** A day's air is not the night's: a face is prepared and used within some hours, ms. */
const FACE_MS = 4 * 3_600_000;
/** Sheets with the clock of a prepared face, kept so that what hangs on a sheet is worked out once. */
const faced = new WeakMap<SheetRevision, Map<number, SheetRevision>>();

/**
 * The sheet with how long the face that a method prepares stays good in the air of its hours, unless it says so itself.
 */
export function withFace(sheet: SheetRevision, method: Method, ask: RepairAsk): SheetRevision {
  const { repair, thermal } = ask;
  const { keeps } = method;
  if (!keeps || milestoneOf(sheet, 'bare')) return sheet;
  const from = Math.max(ask.actuals.startedAt ?? beginsFrom(ask), thermal.air.times[0]!);
  const damp = dampestPct(thermal, from, from + FACE_MS);
  const tier = keeps.upToPct.findIndex((pct) => damp <= pct + 1e-9);
  const minutes = settingOf(method, repair, keeps.settings.at(tier)!);
  const known = faced.get(sheet) ?? new Map<number, SheetRevision>();
  faced.set(sheet, known);
  const found = known.get(minutes);
  if (found) return found;
  const clock = flatClock({ kind: 'bare', whose: 'method', startsAt: keeps.startsAt, runsOn: 'base' }, minutes);
  const made = { ...sheet, milestones: [...sheet.milestones, clock] };
  known.set(minutes, made);
  return made;
}

/** Sheets with a working time of one’s own, kept so that what hangs on a sheet is worked out once. */
const lived = new WeakMap<SheetRevision, Map<number, SheetRevision>>();

/** The sheet with how long a mix may be worked, as somebody said it where the sheet tells nothing of it. */
export function withOwnLife(sheet: SheetRevision, { standIns }: Pick<Piece, 'standIns'>): SheetRevision {
  const own = standIns['use-by'];
  if (own?.by !== 'own' || tellsWorked(sheet)) return sheet;
  const known = lived.get(sheet) ?? new Map<number, SheetRevision>();
  lived.set(sheet, known);
  const clock = flatClock({ kind: 'use-by', whose: 'own', startsAt: 'mix-begins', runsOn: 'pot' }, own.minutes);
  const made = known.get(own.minutes) ?? { ...sheet, milestones: [...sheet.milestones, clock] };
  known.set(own.minutes, made);
  return made;
}

/** Highest humidity of the air over a stretch, per cent. */
export function dampestPct({ air, dew }: Thermal, fromMs: number, toMs: number): number {
  let most = 0;
  for (let ms = fromMs; ms <= toMs; ms += 3_600_000) {
    const at = attempt(() => humidityPct(valueAt(air, ms), valueAt(dew, ms)));
    if (at.ok && at.value > most) most = at.value;
  }
  return most;
}

/** The sheet as it is worked: as it is poured, with what usually stays behind, and waited for in what it meets. */
export const sheetWorked = (
  sheet: SheetRevision,
  method: Method,
  repair: Piece,
  effects: Effects,
  netMl: number,
): SheetRevision =>
  withLongerWaits(
    withUsualLoss(asWorked(sheet, effects.pouredOut), netMl),
    Math.max(
      1,
      ...longerWaits(questionsOn(method, repair.base.material), repair.answers, effects, sheet).map((l) => l.times),
    ),
  );
