import { milestoneOf, type SheetRevision, type StartId, sheetIn } from '../system';
import { NOTHING_YET } from './actuals';
import { type Window, windowsOver } from './calendar';
import { servedBy } from './derive';
import type { Job } from './job';
import { type MilestoneTime, milestoneTime } from './milestone-times';
import { asker } from './reach-try';
import type { Piece } from './repair';
import type { RepairPlan } from './repair-plan';
import { dampestPct } from './sheet-here';
import { type Starts, type StartsAsk, startWindows } from './start-windows';
import { AHEAD_MS, siteClimate, type Thermal, thermalOf } from './thermal';

/** One system tried at one place, without a void. */
export interface PlaceAsk {
  readonly sheet: SheetRevision;
  readonly job: Job;
  readonly base: Piece['base'];
  readonly materialC: number | null;
  /** Mixing begins; null takes the best start. */
  readonly startMs: number | null;
  /** Minutes from the end of mixing to the last placing. */
  readonly placeMin: number;
  readonly nowMs: number;
}

export interface PlaceTrial
  extends Pick<RepairPlan, 'sheet' | 'thermal' | 'placedMs' | 'milestones' | 'serves' | 'openMs' | 'habitMs'> {
  readonly thermal: Thermal;
  readonly windows: readonly Window[];
  readonly starts: Starts;
  readonly startMs: number;
  readonly placedMs: number;
  readonly milestones: readonly MilestoneTime[];
}

const MIN_MS = 60_000;
const DAY_MS = 86_400_000;
const WEEK_MS = 7 * DAY_MS;

/**
 * A system at a place: its temperatures, all starts of a week, and every time of the sheet from the chosen start on.
 * What a plan says of a repair without a void. @throws Refusal for a climate, a base, a dose or hours that cannot be
 */
export function tryPlace(ask: PlaceAsk): PlaceTrial {
  const { job, nowMs } = ask;
  const fromMs = Math.floor(Math.max(nowMs, job.startFrom) / (10 * MIN_MS)) * 10 * MIN_MS;
  const site = siteClimate(job, fromMs);
  const thermal = thermalOf(site, { base: ask.base, materialC: ask.materialC }, NOTHING_YET);
  const windows = windowsOver(job, fromMs - DAY_MS, fromMs + AHEAD_MS - DAY_MS);
  const sheet = sheetIn(ask.sheet, { dosePct: null, humidityPct: dampestPct(thermal, fromMs, fromMs + 3 * DAY_MS) });
  const serves = servedBy(sheet, 'load');
  const reachOf = asker(sheet, thermal);
  const span = sheet.mixMin + ask.placeMin;
  const asked: StartsAsk = {
    sheet,
    thermal,
    windows,
    fromMs,
    toMs: Math.min(fromMs + WEEK_MS, thermal.base.times.at(-1)!),
    prepareMin: 0,
    placeMin: span,
    potMin: span,
    serves,
    wantedAt: job.wantedAt,
  };
  const starts = startWindows(asked);
  const startMs = ask.startMs ?? starts.bestMs ?? fromMs;
  const stand = milestoneOf(sheet, 'stand');
  const mixed = startMs + sheet.mixMin * MIN_MS;
  const stood = stand ? (reachOf(stand, 'long', mixed).atMs ?? mixed) : mixed;
  const placedMs = stood + ask.placeMin * MIN_MS;
  const marks: Readonly<Record<StartId, number>> = {
    bared: startMs,
    'mix-begins': startMs,
    'mix-ends': mixed,
    'stand-ends': stood,
    placed: placedMs,
    'last-coat': placedMs,
    'faces-closed': placedMs,
  };
  const milestones = sheet.milestones.map((m) =>
    milestoneTime(sheet, m, { originMs: marks[m.startsAt] ?? null, thermal, ask: reachOf }),
  );
  return {
    sheet,
    thermal,
    windows,
    starts,
    startMs,
    placedMs,
    milestones,
    serves,
    openMs: milestones.find((m) => m.kind === serves)?.planMs ?? null,
    habitMs: placedMs + DAY_MS,
  };
}
