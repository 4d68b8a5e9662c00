import { monotoneCurve, paceOf, progressAlong } from '../cure';
import { ENGINES } from '../method';
import {
  attempt,
  degC,
  exactly,
  line,
  listed,
  type Message,
  minutes,
  mm2,
  mpa,
  newtons,
  percent,
  texts,
  type WorkLine,
} from '../say';
import { MILESTONES, type Milestone, type MilestoneId, milestoneOf, type SheetRevision } from '../system';
import { figure } from '../units';
import type { Load } from './load-asked';
import { overLast } from './over-last';
import { type ChainPlan, type RepairPlan, wholePlaced } from './repair-plan';

const LOAD = texts('load', {
  over: 'Strength over time',
  'no-time': 'no time of the sheet answers at the temperature of its points',
  'no-points': 'the sheet prints no points, and none are invented',
  whole: 'nothing until its time, whole from there',
  sheet: 'The sheet says',
  'sheet-by': '{test} at {temp}',
  points: '{list}',
  point: '{strength} after {after}',
  clock: 'Its clock here',
  'clock-by': '{label}: {time} at {temp} is one whole progress',
  between: 'Between points',
  'between-by': 'nothing until {gel}, then never falling',
  monotone: 'monotone cubic',
  asked: 'Asked of one place',
  'asked-by': '{load} × {factor}',
  allowed: 'Allowed on this anchor',
  'no-source': 'no source noted',
  area: 'Area that carries',
  'area-seen': 'seen from outside, of the void as measured',
  'area-entered': 'as entered',
  characteristic: 'Characteristic strength',
  left: 'Left of it',
  creep: 'it stays on',
  wet: 'in the wet',
  peel: 'an edge is peeled',
  usual: 'usual figure, not the sheet’s',
  bears: 'It bears',
  'bears-by': '{area} × {strength} × {left}',
  share: 'Share needed',
  'share-by': 'asked / borne',
  'not-computed':
    'What this anchor may carry comes from the sheet or the engineer, by its own base, depth and edge; it is not computed here. Enter that value.',
  'no-characteristic':
    'The sheet prints no characteristic strength: a mean value must not carry a load. Ask the maker, or have it judged.',
  'too-hot':
    'The characteristic strength holds up to {most}, the repair reaches {hottest} in service: ask the maker for the value there.',
  'no-area': 'The area that carries it is not known: measure the void, or enter it.',
});

/** Strength on the clock of the site. */
export interface StrengthOver {
  /** Share of the full strength, 0 to 1, at an instant. */
  readonly shareAt: (ms: number) => number;
  /** First instant with that share; null when it is not reached in the history. */
  readonly reaches: (share: number) => number | null;
  readonly originMs: number;
  readonly endMs: number;
  /** True where the sheet prints points; without them it is nothing until the milestone and whole from there. */
  readonly fromPoints: boolean;
  readonly working: readonly WorkLine[];
}

/** Milestones whose clock strength may run on, in the order asked. */
const CLOCKS: readonly MilestoneId[] = ['full-cure', 'load', 'light-load', 'foot', 'release'];

/** The clock a sheet’s strength points run on: a milestone whose table answers at their temperature. */
function clockFor(sheet: SheetRevision, tempC: number): { m: Milestone; minutes: number } | null {
  for (const kind of CLOCKS) {
    const m = milestoneOf(sheet, kind);
    const pace = m ? attempt(() => paceOf(m, 'long', sheet.family)) : null;
    if (m && pace?.ok && tempC >= pace.value.lowC && tempC <= pace.value.highC)
      return { m, minutes: pace.value.minutesAt(tempC) };
  }
  return null;
}

/**
 * Strength of a planned repair over time. The sheet’s points stand on the clock of its own times: an age at their
 * temperature is reached when as much progress has been made here. Between points monotone (Fritsch & Carlson 1980),
 * nothing before the gel.
 * @returns null while nothing is placed, or where neither points nor a milestone give anything
 */
export function strengthOver(
  plan: Pick<RepairPlan, 'sheet' | 'thermal' | 'placedMs' | 'milestones' | 'serves'> &
    Partial<Pick<RepairPlan, 'untimed'>>,
): StrengthOver | null {
  const { sheet, thermal, placedMs } = plan;
  if (!sheet || !thermal || placedMs === null || !wholePlaced({ untimed: plan.untimed ?? [] })) return null;
  const served = overLast(plan.milestones, plan.serves)?.planMs ?? null;
  const points = sheet.strength;
  const clock = points ? clockFor(sheet, points.tempC) : null;
  if (!points || !clock) {
    if (served === null) return null;
    return {
      shareAt: (ms) => (ms >= served ? 1 : 0),
      reaches: () => served,
      originMs: placedMs,
      endMs: served,
      fromPoints: false,
      working: [line(LOAD.over(), points ? LOAD['no-time']() : LOAD['no-points'](), LOAD.whole())],
    };
  }
  const originMs = plan.milestones.findLast((m) => m.kind === clock.m.kind)?.originMs ?? placedMs;
  const along = attempt(() =>
    progressAlong(paceOf(clock.m, 'long', sheet.family), thermal.cold, originMs, {
      label: MILESTONES[clock.m.kind].label,
      cureMinC: sheet.limits.cureMinC,
      clock: 'waiting',
    }),
  );
  if (!along.ok) return null;
  const gelMin = gelAt(sheet, points.tempC, points.points[0]!.afterMin);
  const curve = monotoneCurve(
    [gelMin, ...points.points.map((p) => p.afterMin)],
    [0, ...points.points.map((p) => p.mpa)],
  );
  const full = points.points.at(-1)!.mpa;
  const { times, values } = along.value;
  const ageAt = (i: number) => values[i]! * clock.minutes;
  const shareAt = (ms: number) => {
    if (ms <= times[0]!) return 0;
    let i = 0;
    while (i < times.length - 2 && times[i + 1]! <= ms) i++;
    const f = Math.min(1, (ms - times[i]!) / (times[i + 1]! - times[i]!));
    return curve(ageAt(i) + (ageAt(i + 1) - ageAt(i)) * f) / full;
  };
  return {
    shareAt,
    reaches: (wanted) => {
      for (let i = 1; i < times.length; i++) {
        if (curve(ageAt(i)) / full < wanted - 1e-9) continue;
        let [low, high] = [times[i - 1]!, times[i]!];
        for (let k = 0; k < 30; k++) {
          const mid = (low + high) / 2;
          if (shareAt(mid) >= wanted - 1e-9) high = mid;
          else low = mid;
        }
        return high;
      }
      return null;
    },
    originMs,
    endMs: times.at(-1)!,
    fromPoints: true,
    working: [
      line(
        LOAD.sheet(),
        LOAD['sheet-by']({ test: points.test, temp: exactly(degC(points.tempC)) }),
        LOAD.points({
          list: listed(
            points.points.map((p) => LOAD.point({ strength: exactly(mpa(p.mpa)), after: minutes(p.afterMin) })),
            'comma',
          ),
        }),
        undefined,
        'sheet',
      ),
      line(
        LOAD.clock(),
        LOAD['clock-by']({
          label: MILESTONES[clock.m.kind].label.toLowerCase(),
          time: minutes(clock.minutes),
          temp: exactly(degC(points.tempC)),
        }),
        '∫ dt / τ(T)',
      ),
      line(LOAD.between(), LOAD['between-by']({ gel: minutes(gelMin) }), LOAD.monotone(), 'Fritsch & Carlson 1980'),
    ],
  };
}

/** Minutes of gel at the temperature of the points, always before the first of them. */
function gelAt(sheet: SheetRevision, tempC: number, firstMin: number): number {
  const gel = milestoneOf(sheet, 'gel');
  const pace = gel ? attempt(() => paceOf(gel, 'long', sheet.family)) : null;
  const minutes = pace?.ok && tempC >= pace.value.lowC && tempC <= pace.value.highC ? pace.value.minutesAt(tempC) : 0;
  return Math.min(minutes, firstMin * 0.999);
}

/** What an anchor may carry is the sheet’s or the engineer’s to say. */
export const allowedNotComputed = ({ method }: Pick<RepairPlan, 'method'>): boolean =>
  method !== null && ENGINES[method.engine].byApproval;

/**
 * The pass of a repair that carries what it must carry: the one that was said, else the first that anything is told of,
 * an approval or a strength. A coat over an anchor carries nothing.
 */
export function bearing({ passes }: Pick<ChainPlan, 'passes'>, load: Pick<Load, 'passId'> | null): RepairPlan {
  const told = (p: RepairPlan) => allowedNotComputed(p) || p.sheet?.strength != null;
  return passes.find((p) => p.passId === load?.passId) ?? passes.find(told) ?? passes[0]!;
}

/** A load held against what the bond has. */
export interface LoadCheck {
  /** Share of the full strength it takes; above 1 the bond never bears it. null where it cannot be checked. */
  readonly needs: number | null;
  /** When it may come on: never before the sheet’s own time. null when never in the forecast. */
  readonly fromMs: number | null;
  /** Why it cannot be checked. */
  readonly missing: Message | null;
  readonly working: readonly WorkLine[];
}

/**
 * Fraction needed = load × safety factor / (area × characteristic strength × knock-downs). Anchors: load × safety
 * factor against what the sheet or the engineer allows on this one, never a mean bond stress.
 */
export function loadCheck(plan: RepairPlan, load: Load, strength: StrengthOver | null): LoadCheck {
  const served = overLast(plan.milestones, plan.serves)?.planMs ?? null;
  const refused = (missing: Message): LoadCheck => ({ needs: null, fromMs: null, missing, working: [] });
  const asked = load.forceN * load.safetyFactor;
  const when = (needs: number): number | null => {
    const there = strength && needs <= 1 ? strength.reaches(needs) : null;
    return there === null || served === null ? null : Math.max(there, served);
  };
  const loadLine = line(
    LOAD.asked(),
    LOAD['asked-by']({ load: newtons(load.forceN), factor: figure(load.safetyFactor) }),
    newtons(asked),
    undefined,
    'chosen',
  );
  if (allowedNotComputed(plan)) {
    if (load.allowedN === null) return refused(LOAD['not-computed']());
    const needs = asked / load.allowedN;
    return {
      needs,
      fromMs: when(needs),
      missing: null,
      working: [
        loadLine,
        line(LOAD.allowed(), load.allowedFrom || LOAD['no-source'](), newtons(load.allowedN), undefined, 'chosen'),
        needsLine(needs),
      ],
    };
  }
  const characteristic = plan.sheet?.strength?.characteristicMpa ?? null;
  if (characteristic === null) return refused(LOAD['no-characteristic']());
  const holdsTo = plan.sheet!.strength!.characteristicToC;
  const hottest = load.serviceC ?? (plan.thermal ? Math.max(...plan.thermal.base.values) : null);
  if (holdsTo !== null && hottest !== null && hottest > holdsTo)
    return refused(LOAD['too-hot']({ most: exactly(degC(holdsTo)), hottest: degC(hottest) }));
  const area = load.areaMm2 ?? plan.void?.faces.planAreaMm2 ?? 0;
  if (!(area > 0)) return refused(LOAD['no-area']());
  const downs = (
    [
      ['creep', load.sustained],
      ['wet', load.wet],
      ['peel', load.peel],
    ] as const
  ).filter(([, on]) => on);
  const left = downs.reduce((p, [id]) => p * load.knockDowns[id], 1);
  const bears = area * characteristic * left;
  const needs = asked / bears;
  return {
    needs,
    fromMs: when(needs),
    missing: null,
    working: [
      loadLine,
      line(LOAD.area(), load.areaMm2 === null ? LOAD['area-seen']() : LOAD['area-entered'](), mm2(area)),
      line(LOAD.characteristic(), plan.sheet!.strength!.test, mpa(characteristic), undefined, 'sheet'),
      ...downs.map(([id]) => line(LOAD.left(), LOAD[id](), load.knockDowns[id], LOAD.usual(), 'chosen')),
      line(
        LOAD.bears(),
        LOAD['bears-by']({ area: mm2(area), strength: mpa(characteristic), left: figure(left, 2) }),
        newtons(bears),
      ),
      needsLine(needs),
    ],
  };
}

const needsLine = (needs: number) => line(LOAD.share(), LOAD['share-by'](), percent(needs * 100, 2));
