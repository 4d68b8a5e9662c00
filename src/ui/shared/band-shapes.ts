import { type CureState, grownBetween, type PlannedStep, type Ribbon, thinned } from '@/core/plan';

/** Height of what is still liquid, px. */
const THREAD = 4;
/** A tick of work, and of a hold point, px. */
const TICK = 3;
const HOLD_TICK = 5;
/** Points of a ribbon nearer than that could not be told apart, px. */
const POINT_PX = 6;
/** Narrower nothing is seen, px. */
const LEAST_PX = 1.5;
/** A barrier that is down lies at least so far across, px. */
const ARM_PX = 26;

/** A repair on the band: what is drawn of it, and where. */
export interface BandRow {
  readonly ribbons: readonly Ribbon[];
  readonly steps: readonly Pick<PlannedStep, 'startMs' | 'hold'>[];
  readonly openMs: number | null;
  /** When its clock stands, night by night. */
  readonly stalls: readonly { readonly fromMs: number; readonly toMs: number }[];
  readonly y: number;
  readonly height: number;
}

/** The shapes of a band as paths, of all its rows together. */
export interface BandShapes {
  /** The passes by their state: each a thin thread while it is liquid, as high as it is cured. */
  readonly fills: Readonly<Partial<Record<CureState, string>>>;
  readonly edges: string;
  /** When the next pass may go on as it is: openings over the ribbons. */
  readonly openings: string;
  readonly work: string;
  readonly stalls: string;
  readonly opens: string;
  /** Barriers: their feet, those that stand up since the wanted reopening is met, and those that lie across. */
  readonly feet: string;
  readonly up: string;
  readonly down: string;
}

/** A path while it is drawn. */
interface Path {
  d: string;
}
type Pens = Readonly<Record<Exclude<keyof BandShapes, 'fills'>, Path>> & { fills: Partial<Record<CureState, Path>> };
type Point = readonly [x: number, y: number];
/** px of an instant, and beyond what nothing is drawn. */
interface Across {
  readonly x: (ms: number) => number;
  readonly msPerPx: number;
  readonly right: number;
}

/** To a tenth of a px: nobody sees more, and a browser reads less. */
const tenth = (px: number): number => Math.round(px * 10) / 10;

function line(on: Path, points: readonly Point[]): void {
  let d = '';
  for (const [x, y] of points) d += `${d ? 'L' : 'M'}${tenth(x)} ${tenth(y)}`;
  on.d += d;
}

function drawRibbons({ ribbons, y, height }: BandRow, pens: Pens, { x, msPerPx, right }: Across): void {
  const middle = y + height / 2;
  /** Along the lower edge and back along the upper one. */
  const outline = (on: Path, points: Ribbon['grown']) => {
    let [down, back] = ['', ''];
    for (const [ms, share] of points) {
      const [px, half] = [tenth(Math.min(x(ms), right)), (THREAD + (height - THREAD) * share) / 2];
      down += `${down ? 'L' : 'M'}${px} ${tenth(middle + half)}`;
      back = `L${px} ${tenth(middle - half)}${back}`;
    }
    on.d += `${down}${back}Z`;
  };
  for (const [i, ribbon] of ribbons.entries()) {
    // It ends where the next pass goes on it.
    const next = ribbons[i + 1]?.states[0]?.fromMs ?? Number.POSITIVE_INFINITY;
    const end = Math.min(ribbon.states.at(-1)!.toMs, next);
    const grown = thinned(ribbon.grown, POINT_PX * msPerPx);
    for (const { state, fromMs, toMs } of ribbon.states) {
      if (fromMs >= end) continue;
      const fill = pens.fills[state] ?? { d: '' };
      pens.fills[state] = fill;
      // What is too short to be seen is drawn as wide as a line.
      outline(fill, grownBetween(grown, fromMs, Math.max(Math.min(toMs, end), fromMs + LEAST_PX * msPerPx)));
    }
    outline(pens.edges, grownBetween(grown, ribbon.states[0]!.fromMs, end));
    if (!ribbon.window) continue;
    const [from, until] = [x(ribbon.window.fromMs), Math.min(x(ribbon.window.untilMs), right)];
    line(pens.openings, [
      [from, y + 2],
      [from, y - 3],
      [until, y - 3],
      [until, y + 2],
    ]);
  }
}

/** It stands up where the wanted reopening is met, and lies across the ribbon where it is not. */
function drawBarrier({ openMs, steps, y, height }: BandRow, pens: Pens, { x, right }: Across, wantedX: number): void {
  if (wantedX >= right || !steps.length) return;
  const foot = y + height + 2;
  const openX = openMs === null ? null : x(openMs);
  line(pens.feet, [
    [wantedX, foot],
    [wantedX, foot - 6],
  ]);
  if (openX !== null && openX <= wantedX + 0.5)
    line(pens.up, [
      [wantedX, foot],
      [wantedX, y - 4],
    ]);
  else
    line(pens.down, [
      [wantedX, y + height / 2],
      [Math.max(wantedX + ARM_PX, Math.min(openX ?? right, right)), y + height / 2],
    ]);
}

/**
 * Draws all rows of a band at once, each kind of shape as one path: a band is drawn anew with every pull, and what that
 * costs a browser is the number of its shapes, not their points.
 */
export function bandShapes(rows: readonly BandRow[], across: Across, wantedAt: number | null): BandShapes {
  const names = ['edges', 'openings', 'work', 'stalls', 'opens', 'feet', 'up', 'down'] as const;
  const each = <T>(of: (name: (typeof names)[number]) => T) =>
    Object.fromEntries(names.map((name) => [name, of(name)])) as Record<(typeof names)[number], T>;
  const pens: Pens = { ...each(() => ({ d: '' })), fills: {} };
  const { x, right } = across;
  for (const row of rows) {
    const foot = row.y + row.height;
    const upright = (on: Path, at: number, from: number, to: number) =>
      line(on, [
        [at, from],
        [at, to],
      ]);
    drawRibbons(row, pens, across);
    for (const s of row.steps) upright(pens.work, x(s.startMs), foot, foot + (s.hold ? HOLD_TICK : TICK));
    for (const ms of row.stalls.flatMap((s) => [s.fromMs, s.toMs]))
      upright(pens.stalls, Math.min(x(ms), right), row.y - 3, foot + 3);
    if (row.openMs !== null) upright(pens.opens, x(row.openMs), row.y - 3, foot + 3);
    if (wantedAt !== null) drawBarrier(row, pens, across, x(wantedAt));
  }
  const fills = Object.fromEntries(Object.entries(pens.fills).map(([state, drawn]) => [state, drawn.d]));
  return { ...each((name) => pens[name].d), fills };
}
