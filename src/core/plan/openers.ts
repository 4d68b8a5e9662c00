import { DateTime, IANAZone } from 'luxon';
import { type Surroundings, skyOf } from '../climate';
import { isTaken, methodOf, wantsThickening } from '../method';
import type { SheetRevision } from '../system';
import { SPARE_MS } from './arranged';
import { overLast } from './over-last';
import { type JobAsk, type JobPlan, planJob } from './plan-job';
import { preparedFrom } from './prepared-from';
import { type Piece, pieceOf, withPiece } from './repair';
import type { ChainPlan } from './repair-plan';
import { type FailId, reasonsOf, type Starts, type StartsAsk, startWindows } from './start-windows';
import { startsAskOf } from './starts-ask';

/** A change that opens a window, or comes nearest to it, tried out on the whole computation. */
export interface Opener {
  readonly kind: 'material' | 'tent' | 'shade' | 'system';
  /** The good start of mixing that it gives that is ready first, when its preparation begins, and when it is ready. */
  readonly startMs: number;
  readonly beginMs: number;
  readonly readyMs: number | null;
  /** Share of the starts in the horizon that become good, 0 to 1. */
  readonly share: number;
  /** By how much it misses the wanted reopening; null where it opens a window. */
  readonly missMin: number | null;
  /** Closed packs kept at this temperature, °C. */
  readonly materialC?: number;
  /** A tent or heater with its hours. */
  readonly cover?: NonNullable<Surroundings['cover']>;
  /** The sun is kept off it. */
  readonly sky?: 'shade';
  /** The stretch for which a tent or a shade is needed. */
  readonly coverFromMs?: number;
  readonly coverToMs?: number;
  readonly sheetId?: string;
  readonly sheetName?: string;
}

const HOUR_MS = 3_600_000;
const MIN_MS = 60_000;
const DAY_MS = 24 * HOUR_MS;
/** It is put up in that. */
const UP_MS = HOUR_MS / 2;
/** What is ready sooner by less than this is no gain. */
const GAIN_MS = 30 * MIN_MS;
/** A base keeps the sun of yesterday: a shade hangs this long before. */
const SHADED_MS = DAY_MS;
/** What heat is to blame for, and what cold. */
const HOT: readonly FailId[] = ['baseHot', 'airHot'];
const COLD: readonly FailId[] = ['baseCold', 'airCold', 'dew', 'hold'];
/** Steps in which warming is tried, K, and lead times before the start, h. */
const WARM_K = [3, 5, 8, 12, 16, 20, 25];
const LEAD_H = [2, 4, 8, 16, 24, 48];
const MATERIAL_STEP_K = 2;
/** Closed packs are kept no warmer than this where the sheet is silent, °C. */
const ROOM_C = 23;
const SYSTEMS_SHOWN = 3;

/** A repair as it is with what opens its window, begun when that says. */
export const openedBy = (o: Opener, repair: Piece): Piece => {
  const around = { ...(o.cover && { cover: o.cover }), ...(o.sky && { sky: o.sky }) };
  return {
    ...repair,
    ...(o.materialC !== undefined && { materialC: o.materialC }),
    base: { ...repair.base, surroundings: { ...repair.base.surroundings, ...around } },
    ...(o.sheetId && { sheetId: o.sheetId, kitId: null, dosePct: null, blend: null }),
    plannedStart: o.beginMs,
  };
};

/** A plan of one repair as it would be, with its starts; null where nothing can be planned. */
type Tried = { readonly plan: ChainPlan; readonly ask: StartsAsk; readonly starts: Starts } | null;

/**
 * What would open a window for a repair: packs kept warmer (or cooler), a shade, a tent and heat with their hours,
 * packs and tent at once where neither does, another system on the shelf; each tried by planning the repair so and
 * looking at every start. Where nothing opens one, what comes nearest to the wanted reopening, with its miss. Up to
 * some hundred milliseconds: a page has it done in a worker.
 */
export function openersOf(ask: JobAsk, repairId: string): readonly Opener[] {
  const draft = ask.repairs.find((r) => r.id === repairId);
  if (!draft) return [];
  const repair = pieceOf(draft);
  const from = Math.floor(ask.nowMs / (10 * MIN_MS)) * 10 * MIN_MS;
  const planned = planJob(ask);
  const before = trial(ask, planned, repair, from);
  const out: Opener[] = [];
  const reasons = new Set<FailId>(before?.starts.reasons.filter((r) => r.id !== 'hours').map((r) => r.id) ?? []);
  const had = before?.starts.earliestMs !== null && before !== null ? before.starts : null;
  /** Worth telling when it opens what was shut, or is ready sooner. */
  const gains = (t: Tried): t is NonNullable<Tried> =>
    t !== null && t.starts.bestMs !== null && (had === null || readyOf(t.starts) < readyOf(had) - GAIN_MS);
  const opener = (kind: Opener['kind'], t: NonNullable<Tried>, more: Partial<Opener>): Opener => ({
    kind,
    startMs: t.starts.bestMs!,
    beginMs: preparedFrom(t.ask, t.starts.bestMs!),
    readyMs: Number.isFinite(readyOf(t.starts)) ? readyOf(t.starts) : null,
    share: t.starts.against.reduce((n, a) => n + (a === 0 ? 1 : 0), 0) / t.starts.against.length,
    missMin: null,
    ...more,
  });
  const asItIs = before ? soonestLate(before.starts) : null;
  let nearest: Opener | null = null;
  /** Remembers what opens nothing but is ready soonest after the wanted reopening. */
  const missed: Missed = (kind, t, more) => {
    const late = t && ask.job.wantedAt !== null ? soonestLate(t.starts) : null;
    if (!t || !late || late.readyMs >= (nearest ?? asItIs ?? { readyMs: Number.POSITIVE_INFINITY }).readyMs! - GAIN_MS)
      return;
    const beginMs = preparedFrom(t.ask, late.startMs);
    nearest = {
      ...opener(kind, t, more),
      ...late,
      beginMs,
      share: 0,
      missMin: (late.readyMs - ask.job.wantedAt!) / MIN_MS,
    };
  };

  const l = before?.plan.sheet?.limits;
  const coldPacks = l && (reasons.has('material') || reasons.has('pot'));
  if (coldPacks) {
    for (let c = Math.ceil(l.materialMinC ?? 5); c <= (l.materialMaxC ?? ROOM_C); c += MATERIAL_STEP_K) {
      const t = trial(ask, planned, { ...repair, materialC: c }, from);
      if (!gains(t)) {
        missed('material', t, { materialC: c });
        continue;
      }
      out.push(opener('material', t, { materialC: c }));
      break;
    }
  }
  const shade = shadeFor(ask, planned, repair, from);
  if (gains(shade?.t ?? null)) out.push(opener('shade', shade!.t!, shade!.more));
  else if (shade) missed('shade', shade.t, { sky: 'shade' });
  // Nobody heats what is too hot in the hours of work, though a tent keeps the sun off as well.
  const atWork = new Set([...new Set(before?.starts.against)].filter(inHours).flatMap(reasonsOf));
  const tooHot = HOT.some((id) => atWork.has(id)) && !COLD.some((id) => atWork.has(id));
  const tent = tooHot ? null : tentFor(ask, planned, repair, from, gains, missed);
  if (tent) out.push(opener('tent', tent.t, tent.more));
  if (!out.length && coldPacks && !tooHot) {
    // Neither does alone: a tent over packs from a warm room.
    const materialC = Math.min(ROOM_C, l.materialMaxC ?? ROOM_C);
    const both = tentFor(ask, planned, { ...repair, materialC }, from, gains, (kind, t, more) =>
      missed(kind, t, { ...more, materialC }),
    );
    if (both) out.push(opener('tent', both.t, { ...both.more, materialC }));
  }
  const systems = others(ask, planned, repair, from).map((o) => ({
    ...o,
    more: { sheetId: o.sheet.id, sheetName: o.sheet.name },
  }));
  for (const { t, more } of systems.filter((o) => gains(o.t)).slice(0, SYSTEMS_SHOWN))
    out.push(opener('system', t!, more));
  for (const { t, more } of systems) missed('system', t, more);
  // What cannot be said to be ready opens nothing that has an hour, and is no match for what can.
  const told = out.filter((o) => o.readyMs !== null);
  const open = told.length || ask.job.wantedAt !== null ? told : out;
  const found = open.length || !nearest ? open : [nearest];
  return ask.repairs.length > 1 ? found.flatMap((o) => amongOthers(o, ask, planned, repair)) : found;
}

/** What is offered as it comes about where the crew is at other repairs as well; nothing where it is no gain. */
function amongOthers(o: Opener, ask: JobAsk, planned: JobPlan, repair: Piece): readonly Opener[] {
  const ofMine = ({ repairs }: JobPlan) => repairs.find((p) => p.repairId === repair.id);
  const repairs = ask.repairs.map((r) => (r.id === repair.id ? withPiece(r, openedBy(o, repair)) : r));
  const made = ofMine(planJob({ ...ask, repairs }));
  const mix = made?.steps.find((s) => s.marks?.begin?.includes('mix-begins'));
  // A tent that stands over another place is none.
  if (!made || !mix || (o.cover && made.lacks.some((l) => l.tool === 'heaters'))) return [];
  const readyMs = made.openMs;
  const was = ofMine(planned)?.openMs ?? null;
  if (was !== null && (readyMs === null || readyMs > was - GAIN_MS)) return [];
  const { wantedAt } = ask.job;
  const lateMin = readyMs !== null && wantedAt !== null && readyMs > wantedAt ? (readyMs - wantedAt) / MIN_MS : null;
  return [{ ...o, startMs: mix.startMs, readyMs, missMin: lateMin }];
}

/** Keeps what was tried and opens nothing. */
type Missed = (kind: Opener['kind'], t: Tried, more: Partial<Opener>) => void;

/** Of the starts that nothing speaks against but the wanted reopening the one that is ready soonest. */
function soonestLate(s: Starts): { readonly startMs: number; readonly readyMs: number } | null {
  let at = -1;
  for (let i = 0; i < s.against.length; i++) {
    const only = reasonsOf(s.against[i]!).every((id) => id === 'late');
    if (only && !Number.isNaN(s.readyMs[i]!) && (at < 0 || s.readyMs[i]! < s.readyMs[at]!)) at = i;
  }
  return at < 0 ? null : { startMs: s.fromMs + at * s.stepMs, readyMs: s.readyMs[at]! };
}

const inHours = (against: number): boolean => !reasonsOf(against).includes('hours');

const readyOf = (s: Starts): number => {
  const i = s.bestMs === null ? -1 : Math.round((s.bestMs - s.fromMs) / s.stepMs);
  const ready = i < 0 ? Number.NaN : s.readyMs[i]!;
  return Number.isNaN(ready) ? Number.POSITIVE_INFINITY : ready;
};

/**
 * The repair planned by itself with something changed, and all its starts; the hours of the crew are those of the job.
 * @param notBefore from when what is changed is there
 */
function trial(ask: JobAsk, planned: JobPlan, repair: Piece, from: number, notBefore = ask.job.startFrom): Tried {
  const job = { ...ask.job, startFrom: Math.max(ask.job.startFrom, notBefore) };
  const { plannedStart } = repair;
  const after = plannedStart !== null && plannedStart < notBefore ? { ...repair, plannedStart: null } : repair;
  const draft = withPiece(ask.repairs.find((r) => r.id === repair.id)!, after);
  // When it begins is asked of the first pass: what comes after it follows.
  const plan = planJob({ ...ask, job, repairs: [draft], actuals: new Map() }).repairs[0];
  const starts = plan ? startsAskOf(plan, job, planned.windows, from) : null;
  return plan && starts ? { plan, ask: starts, starts: startWindows(starts) } : null;
}

/** The sun kept off a face that is in it, from a day before until it has gelled. */
function shadeFor(
  ask: JobAsk,
  planned: JobPlan,
  repair: Piece,
  from: number,
): { t: Tried; more: Partial<Opener> } | null {
  const { surroundings } = repair.base;
  // A base whose temperature is known is as warm as it is known to be.
  if (!skyOf(surroundings).sun || repair.base.known.length) return null;
  const shaded = { ...repair, base: { ...repair.base, surroundings: { ...surroundings, sky: 'shade' as const } } };
  const t = trial(ask, planned, shaded, from, from + SHADED_MS);
  const startMs = t?.starts.bestMs;
  const stretch = t && startMs ? { coverFromMs: startMs - SHADED_MS, coverToMs: neededUntil(t, startMs) } : {};
  return { t, more: { sky: 'shade', ...stretch } };
}

/**
 * The last instant up to one by which somebody at work from now on has put it up, else the first there is; null where
 * nobody is at work any more.
 */
function upBy({ windows }: JobPlan, nowMs: number, byMs: number): number | null {
  const up = windows
    .map(({ fromMs, toMs }) => ({ fromMs: Math.max(fromMs, nowMs) + UP_MS, toMs }))
    .filter(({ fromMs, toMs }) => fromMs <= toMs);
  const last = up.findLast((w) => w.fromMs <= byMs) ?? up[0];
  return last ? Math.max(last.fromMs, Math.min(byMs, last.toMs)) : null;
}

/**
 * The least warming that opens a window and comes to an end, then the shortest time it must be on. It is put up from
 * now on, by somebody at work: nothing was warmed before.
 */
function tentFor(
  ask: JobAsk,
  planned: JobPlan,
  repair: Piece,
  from: number,
  gains: (t: Tried) => t is NonNullable<Tried>,
  missed: Missed,
): { t: NonNullable<Tried>; more: Partial<Opener> } | null {
  // Nobody is offered what the site has not got.
  const firstMs = ask.job.atHand.heaters === 0 ? null : upBy(planned, from, from);
  if (firstMs === null) return null;
  const covered = (cover: NonNullable<Surroundings['cover']>): Piece => ({
    ...repair,
    base: { ...repair.base, surroundings: { ...repair.base.surroundings, cover } },
  });
  const local = (ms: number) => {
    const t = DateTime.fromMillis(ms, { zone: IANAZone.create(ask.job.zone) });
    return t.hour + (t.minute >= 30 ? 0.5 : 0);
  };
  const onUntil = (t: Tried) => {
    const late = t && soonestLate(t.starts);
    return t && late ? { coverFromMs: firstMs, coverToMs: neededUntil(t, late.startMs) } : {};
  };
  let untold: { t: NonNullable<Tried>; more: Partial<Opener> } | null = null;
  for (const warmK of WARM_K) {
    const always = { fromHour: 0, toHour: 24, warmK, upMs: firstMs };
    // Before it is up nothing is changed: what can be begun then is no gain.
    const t = trial(ask, planned, covered(always), from, firstMs);
    if (!gains(t)) {
      missed('tent', t, { cover: always, ...onUntil(t) });
      continue;
    }
    const startMs = t.starts.bestMs!;
    const untilMs = neededUntil(t, startMs);
    // It may be gone on with, and still be too cold to set at a time the sheet tells: warmer it may.
    if (!Number.isFinite(readyOf(t.starts))) {
      untold ??= { t, more: { cover: always, coverFromMs: firstMs, coverToMs: untilMs } };
      continue;
    }
    for (const lead of LEAD_H) {
      const upMs = upBy(planned, from, startMs - lead * HOUR_MS)!;
      // Hours repeat every day: what lasts nearly a day or longer is on all day.
      const hours =
        untilMs - upMs > 20 * HOUR_MS
          ? { fromHour: 0, toHour: 24 }
          : { fromHour: local(upMs), toHour: Math.min(24, local(untilMs) + 0.5) };
      const cover = { ...hours, warmK, upMs };
      const less = trial(ask, planned, covered(cover), from, upMs);
      const i = less ? Math.round((startMs - less.starts.fromMs) / less.starts.stepMs) : -1;
      const later = less && { ...less, starts: { ...less.starts, bestMs: startMs } };
      // Off again after the gel it may be ready no sooner than without: then it stays on.
      if (later?.starts.against[i] === 0 && gains(later) && Number.isFinite(readyOf(later.starts)))
        return { t: later, more: { cover, coverFromMs: upMs, coverToMs: untilMs } };
    }
    return { t, more: { cover: always, coverFromMs: firstMs, coverToMs: untilMs } };
  }
  return untold;
}

/**
 * Until when a tent or a shade is needed: until all of it has gelled, its last lift and its last pass as well, with
 * something to spare; where no gel is known, until it is ready.
 */
function neededUntil({ plan, starts }: NonNullable<Tried>, startMs: number): number {
  const mix = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'));
  const gelled = plan.passes.map((p) => overLast(p.milestones, 'gel') ?? overLast(p.milestones, 'release'));
  const known = gelled.flatMap((m) => m?.planMs ?? []);
  const gel = mix && known.length === gelled.length ? Math.max(...known) - mix.startMs : null;
  const ready = readyOf(starts);
  return gel !== null ? startMs + gel + SPARE_MS : Number.isFinite(ready) ? ready : startMs + DAY_MS;
}

/**
 * The newest revision of every other system that the method and the base allow, those that come as they are wanted and
 * are ready first in front.
 */
function others(
  ask: JobAsk,
  planned: JobPlan,
  repair: Piece,
  from: number,
): readonly { sheet: SheetRevision; t: Tried }[] {
  const method = methodOf(repair.method.id);
  const mine = ask.sheets.find((s) => s.id === repair.sheetId)?.systemId;
  return ask.sheets
    .filter(
      (s) =>
        s.systemId !== mine &&
        method &&
        isTaken(method, s) &&
        (!s.limits.bases.length || s.limits.bases.includes(repair.base.material)) &&
        !ask.sheets.some((o) => o.systemId === s.systemId && o.revision > s.revision),
    )
    .map((sheet) => ({
      sheet,
      t: trial(ask, planned, { ...repair, sheetId: sheet.id, kitId: null, dosePct: null, blend: null }, from),
    }))
    .filter((o) => o.t !== null)
    .sort(
      (a, b) =>
        Number(wantsThickening(method!, a.sheet)) - Number(wantsThickening(method!, b.sheet)) ||
        readyOf(a.t!.starts) - readyOf(b.t!.starts),
    );
}
