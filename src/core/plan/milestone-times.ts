import { clockOf, MILESTONES, type Milestone, type SheetRevision, STARTS, type StartId } from '../system';
import { figure, formatDuration, line, type WorkLine } from '../units';
import { attemptReach, type ReachTry } from './reach-try';
import type { Thermal } from './thermal';

/** One milestone with its instants, or why it has none. */
export interface MilestoneTime {
  readonly kind: Milestone['kind'];
  readonly label: string;
  readonly clock: 'working' | 'waiting';
  readonly startsAt: StartId;
  readonly runsOn: Milestone['runsOn'];
  readonly batch: number | null;
  readonly originMs: number | null;
  /** Short end, by the short side of the sheet. */
  readonly fromMs: number | null;
  /** Long end. */
  readonly toMs: number | null;
  /** The end that plans: long for waits, short for working times. */
  readonly planMs: number | null;
  readonly standing: ReachTry['standing'];
  readonly stalls: ReachTry['stalls'];
  readonly sheetSays: string;
  readonly problem: string | null;
  readonly working: readonly WorkLine[];
}

/** The sheet's own words for a milestone near a temperature. */
export function sheetSays(m: Milestone, tempC: number): string {
  const range = (row: { fromMin: number; toMin: number }) =>
    row.fromMin === row.toMin ? formatDuration(row.toMin) : `${formatDuration(row.fromMin)} to ${formatDuration(row.toMin)}`;
  if (m.table.form === 'single') return `${range(m.table)} ${m.table.tempC === null ? 'without a temperature' : `at ${m.table.tempC} °C`}`;
  if (m.table.form === 'bands') {
    const band = m.table.bands.find((b) => tempC >= b.fromC && tempC < b.toC);
    return band ? `${range(band)} from ${band.fromC} to ${band.toC} °C` : `nothing for ${figure(tempC)} °C`;
  }
  const near = [...m.table.points].sort((a, b) => Math.abs(a.tempC - tempC) - Math.abs(b.tempC - tempC))[0]!;
  return `${range(near)} at ${near.tempC} °C`;
}

/** The history a milestone runs on: hotter for working times, the colder face for waits. */
export function historyOf(m: Milestone, thermal: Thermal) {
  if (m.runsOn === 'pot') return thermal.pot;
  return clockOf(m) === 'working' ? thermal.hot : thermal.base;
}

/** Times of one milestone from an origin. */
export function milestoneTime(
  sheet: SheetRevision,
  m: Milestone,
  originMs: number | null,
  batch: number | null,
  thermal: Thermal,
): MilestoneTime {
  const clock = clockOf(m);
  const label = MILESTONES[m.kind].label;
  const history = historyOf(m, thermal);
  const common = { kind: m.kind, label, clock, startsAt: m.startsAt, runsOn: m.runsOn, batch, originMs };
  if (originMs === null)
    return {
      ...common,
      fromMs: null,
      toMs: null,
      planMs: null,
      standing: 'sheet',
      stalls: [],
      sheetSays: sheetSays(m, 20),
      problem: `It counts from the moment ${STARTS[m.startsAt]}, which is not planned yet.`,
      working: [],
    };
  const short = attemptReach(sheet, m, 'short', history, originMs);
  const long = attemptReach(sheet, m, 'long', history, originMs);
  const plan = clock === 'waiting' ? long : short;
  const end = plan.atMs ?? originMs;
  const said = sheetSays(m, plan.tempC);
  const working = [
    line('The sheet says', `${label}, counted from when ${STARTS[m.startsAt]}`, said, '', undefined, 'sheet'),
    line(
      'Temperature it ran at',
      m.runsOn === 'pot' ? 'pot' : clock === 'working' ? 'the hotter of base and air' : 'the base',
      `${figure(plan.minC)} to ${figure(plan.maxC)}`,
      '°C',
    ),
    line(
      m.table.form === 'bands' ? 'Band of the extreme' : 'Sum of progress',
      m.table.form === 'bands'
        ? clock === 'waiting'
          ? 'the coldest base of the wait picks the band'
          : 'the hottest picks the band'
        : '∫ dt / τ(T) = 1',
      formatDuration((end - originMs) / 60_000),
      '',
      m.table.form === 'bands' ? 'bands, no credit across' : 'Arrhenius between points',
    ),
    ...plan.stalls.map((s) =>
      line('Clock stands still', `base under ${figure(sheet.limits.cureMinC ?? 0)} °C`, formatDuration((s.toMs - s.fromMs) / 60_000)),
    ),
  ];
  return {
    ...common,
    fromMs: short.atMs,
    toMs: long.atMs,
    planMs: plan.atMs,
    standing: plan.standing,
    stalls: plan.stalls,
    sheetSays: said,
    problem: plan.problem,
    working,
  };
}
