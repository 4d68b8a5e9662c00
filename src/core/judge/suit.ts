import { extremes } from '../climate';
import { ENGINES, isTaken, methodOf, takenBy, toldOf, wantsThickening } from '../method';
import { beforehandMin } from '../mix';
import {
  bearing,
  type ChainPlan,
  closedLate,
  type Job,
  type JobPlan,
  jobKits,
  loadCheck,
  type Piece,
  type PlannedStep,
  type RepairPlan,
  spotBySpot,
  strengthOver,
} from '../plan';
import {
  at,
  attempt,
  degC,
  listed,
  type Message,
  metC,
  minutes,
  mm,
  percent,
  type Quantity,
  rangeOf,
  type Said,
  texts,
} from '../say';
import {
  isMetered,
  isMixedAsPlaced,
  leastByGrainMm,
  MILESTONES,
  milestoneOf,
  SAGS,
  type SheetRevision,
  type Stock,
  WETNESS,
} from '../system';
import { type Money, money } from '../units';
import { type Tried, triedWith } from './tried-system';

const SUIT = texts('suit', {
  all: '{list}',
  'gives-none': 'gives none',
  'no-price': 'no price on the sheet',
  price: '{price}',
  'not-planned': 'not planned',
  'others-open': 'its other passes are not planned yet',
  'no-load': 'none is named',
  'load-elsewhere': 'another pass carries it',
  'no-strength': 'the sheet prints no strength',
  takes: 'takes {share} of its full strength',
  'other-base': 'for {bases}, not {base}',
  'measure-moisture': 'moisture up to {most}: measure it',
  'too-moist': 'moisture {is}, the sheet allows {most}',
  'base-named': '{base} is on the sheet',
  'no-bases': 'the sheet names no bases',
  'not-measured': 'the void is not measured',
  'too-thin': '{deep}, at least {least}',
  'few-grains': '{deep}, less than three of its grains of {grain}',
  'no-lift': '{deep}; the sheet gives no lift',
  'in-lifts': '{deep} in {lifts, plural, one {# lift} other {# lifts}} of up to {most}',
  'no-gap': '{deep}; the sheet gives no gap',
  gap: '{deep}, sheet {sheet}',
  'no-temperature': 'no base temperature for that hour',
  temperature: 'base {met}, sheet {sheet}',
  'no-pot-life': 'the sheet gives none',
  pot: '{usable} to place, {longest} needed a batch',
  'closes-late': '{usable} to place; the joint is closed {over} after it is over',
  'as-placed': 'worked spot by spot as it comes: none of it waits',
  floor: 'lies on the floor',
  'no-sag': 'the sheet says nothing of {where}',
  sag: '{lift} {where}, holds {most}',
  'wetness-usual': 'found {found}; the sheet says nothing, usual is {wants}',
  'wet-it-usual': 'found {found}: wet it to {wants}, as is usual for its kind',
  'too-wet': 'found {found}, the sheet wants {wants}',
  'wet-it': 'found {found}: wet it to {wants}',
  'finish-untold': 'the sheet says nothing of it',
  'no-sanding': 'cannot be sanded',
  sanding: '{how} to sand',
  'no-paint': 'takes no paint',
  'no-time': 'the sheet gives no time for {what}: say what stands in for it',
  opens: '{at}',
  'in-hand': '{at}, {by} in hand',
  late: '{at}, {by} late',
  'all-there': '{use, plural, one {# kit} other {# kits}}, all there',
  buy: '{use, plural, one {# kit} other {# kits}}, buy {buy}',
});

/** One thing a system must do for this repair, in words and numbers. */
export interface Criterion {
  readonly id: string;
  readonly label: string;
  /** null where it cannot be told yet, or is only for comparing. */
  readonly met: boolean | null;
  readonly says: Said;
}

/** A system of the shelf held against a repair. */
export interface Suit {
  readonly sheet: SheetRevision;
  readonly criteria: readonly Criterion[];
  readonly fails: number;
  /** Whether it is what the method needs: how it lies and comes out, what holds it together. */
  readonly serves: boolean;
  /** Whether it does so as it comes, without fillers of one’s own. */
  readonly asItComes: boolean;
  readonly openMs: number | null;
  readonly cost: Money | null;
}

export interface SuitAsk {
  readonly job: Job;
  readonly repair: Piece;
  readonly plan: JobPlan;
  readonly sheets: readonly SheetRevision[];
  readonly stock: readonly Stock[];
}

const c = (id: string, label: string, met: boolean | null, says: Said): Criterion => ({ id, label, met, says });
const both = (list: readonly Said[]): Said => SUIT.all({ list: { list, join: 'comma' } });
const said = (low: number | null, high: number | null, of: (value: number) => Quantity): Message =>
  rangeOf(low === null ? null : of(low), high === null ? null : of(high)) ?? SUIT['gives-none']();

/**
 * Every system held against a repair: planned as if it were chosen, each criterion met or failed in words and numbers.
 * Those that fail stay in the list with their reasons; fewest failures first, then what comes as it is wanted, the
 * earliest opening, the least money. Yields after each: all of them take longer than a page may be kept waiting.
 */
export function* suits(ask: SuitAsk): Generator<void, readonly Suit[]> {
  const { id, passId } = ask.repair;
  const whole = ask.plan.repairs.find((p) => p.repairId === id);
  const mine = whole?.passes.find((p) => p.passId === passId);
  if (!whole || !mine) return [];
  const held: Suit[] = [];
  for (const sheet of ask.sheets) {
    held.push(suitOf(ask, whole, mine, sheet));
    yield;
  }
  // Prices in unlike currencies are not compared.
  const oneMoney = new Set(held.flatMap(({ cost }) => (cost ? [cost.of] : []))).size < 2;
  return held.sort(
    (a, b) =>
      a.fails - b.fails ||
      Number(b.asItComes) - Number(a.asItComes) ||
      (a.openMs ?? Number.POSITIVE_INFINITY) - (b.openMs ?? Number.POSITIVE_INFINITY) ||
      (oneMoney ? (a.cost?.money ?? Number.POSITIVE_INFINITY) - (b.cost?.money ?? Number.POSITIVE_INFINITY) : 0) ||
      a.sheet.name.localeCompare(b.sheet.name),
  );
}

function suitOf(ask: SuitAsk, whole: ChainPlan, mine: RepairPlan, sheet: SheetRevision): Suit {
  const { job, repair, stock } = ask;
  const method = methodOf(repair.method.id);
  // What the method cannot use is not planned with: of twenty sheets most.
  const all = method && isTaken(method, sheet) ? triedWith(ask, whole, sheet) : null;
  const tried = all?.pass ?? null;
  const cost = tried?.mix ? jobKits(job, [tried], stock, [sheet])[0] : undefined;
  const price = cost ? priceOf(sheet, cost.kits.set.total) : null;
  const criteria = [
    takenCriterion(repair, sheet),
    baseCriterion(repair, sheet),
    gapCriterion(mine, sheet),
    temperatureCriterion(mine, tried, sheet, job),
    potCriterion(tried, sheet, repair.settings),
    sagCriterion(repair, mine, sheet),
    wetnessCriterion(repair, sheet),
    finishCriterion(mine, sheet),
    loadCriterion(repair, all),
    releaseCriterion(job, sheet, all),
    c(
      'cost',
      'Cost',
      null,
      price === null ? (tried?.mix ? SUIT['no-price']() : SUIT['not-planned']()) : SUIT.price({ price }),
    ),
    stockCriterion(cost),
  ];
  return {
    sheet,
    criteria,
    fails: criteria.filter((x) => x.met === false).length,
    serves: criteria[0]!.met !== false,
    asItComes: !method || !wantsThickening(method, sheet),
    openMs: all?.whole.openMs ?? null,
    cost: price,
  };
}

const priceOf = (sheet: SheetRevision, total: readonly number[]): Money | null =>
  total.some((n, i) => n > 0 && sheet.kits[i]!.price === null)
    ? null
    : money(
        total.reduce((s, n, i) => s + n * (sheet.kits[i]!.price ?? 0), 0),
        sheet.currency,
      );

/**
 * What the material is, held against what the method needs; a method that is not known needs nothing that can be told.
 */
function takenCriterion(repair: Piece, sheet: SheetRevision): Criterion {
  const method = methodOf(repair.method.id);
  const all = method ? takenBy(method, sheet) : [];
  const met = all.every((t) => t.met);
  const told = toldOf(all).map((t) => t.says);
  const says: Said = told.length ? both(told) : '';
  return c('method', 'What it is', method ? met : null, says);
}

function loadCriterion({ load, passId }: Piece, all: Tried | null): Criterion {
  if (!load) return c('load', 'Load', null, SUIT['no-load']());
  const tried = all?.pass;
  if (all && bearing(all.whole, load).passId !== passId) return c('load', 'Load', null, SUIT['load-elsewhere']());
  if (!tried?.mix) return c('load', 'Load', null, SUIT['not-planned']());
  const { needs, missing } = loadCheck(tried, load, strengthOver(tried));
  if (missing || needs === null) return c('load', 'Load', null, missing || SUIT['no-strength']());
  return c('load', 'Load', needs <= 1, SUIT.takes({ share: percent(needs * 100) }));
}

function baseCriterion({ base, moisturePct }: Piece, { limits }: SheetRevision): Criterion {
  if (limits.bases.length && !limits.bases.includes(base.material))
    return c('base', 'Base', false, SUIT['other-base']({ bases: listed(limits.bases, 'comma'), base: base.material }));
  if (limits.moistureMaxPct !== null) {
    if (moisturePct === null)
      return c('base', 'Base', null, SUIT['measure-moisture']({ most: percent(limits.moistureMaxPct) }));
    if (moisturePct > limits.moistureMaxPct)
      return c(
        'base',
        'Base',
        false,
        SUIT['too-moist']({ is: percent(moisturePct), most: percent(limits.moistureMaxPct) }),
      );
  }
  return c(
    'base',
    'Base',
    limits.bases.length ? true : null,
    limits.bases.length ? SUIT['base-named']({ base: base.material }) : SUIT['no-bases'](),
  );
}

function gapCriterion(mine: RepairPlan, { limits: l }: SheetRevision): Criterion {
  if (!mine.void) return c('gap', 'Gap', null, SUIT['not-measured']());
  const deep = mine.void.faces.maxDepthMm;
  if (mine.method && ENGINES[mine.method.engine].inLifts) {
    if (l.liftMinMm !== null && deep < l.liftMinMm)
      return c('gap', 'Depth', false, SUIT['too-thin']({ deep: mm(deep), least: mm(l.liftMinMm) }));
    if (deep < (leastByGrainMm(l) ?? 0))
      return c('gap', 'Depth', null, SUIT['few-grains']({ deep: mm(deep), grain: mm(l.grainMm!) }));
    if (l.liftMaxMm === null) return c('gap', 'Depth', null, SUIT['no-lift']({ deep: mm(deep) }));
    const lifts = Math.ceil(deep / l.liftMaxMm - 1e-9);
    return c('gap', 'Depth', true, SUIT['in-lifts']({ deep: mm(deep), lifts, most: mm(l.liftMaxMm) }));
  }
  if (l.bondMaxMm === null && l.bondMinMm === null) return c('gap', 'Gap', null, SUIT['no-gap']({ deep: mm(deep) }));
  const met =
    (l.bondMinMm === null || deep >= l.bondMinMm - 1e-9) && (l.bondMaxMm === null || deep <= l.bondMaxMm + 1e-9);
  return c('gap', 'Gap', met, SUIT.gap({ deep: mm(deep), sheet: said(l.bondMinMm, l.bondMaxMm, mm) }));
}

function temperatureCriterion(mine: RepairPlan, tried: RepairPlan | null, sheet: SheetRevision, job: Job): Criterion {
  const { baseMinC, baseMaxC } = sheet.limits;
  const from = tried?.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs ?? job.startFrom;
  const to = Math.max(tried?.placedMs ?? from, from) + 3_600_000;
  const met = mine.thermal ? attempt(() => extremes(mine.thermal!.base, from, to)) : null;
  if (!met?.ok) return c('temperature', 'Temperature', null, SUIT['no-temperature']());
  const { min, max } = met.value;
  const inside = (baseMinC === null || min >= baseMinC) && (baseMaxC === null || max <= baseMaxC);
  return c(
    'temperature',
    'Temperature',
    baseMinC === null && baseMaxC === null ? null : inside,
    SUIT.temperature({ met: metC(min, max, [baseMinC, baseMaxC]), sheet: said(baseMinC, baseMaxC, degC) }),
  );
}

function potCriterion(tried: RepairPlan | null, sheet: SheetRevision, settings: Piece['settings']): Criterion {
  if (!milestoneOf(sheet, 'use-by')) return c('pot', 'Pot life', null, SUIT['no-pot-life']());
  const problem = tried?.problems.find((p) => p.stage === 'mix');
  if (problem) return c('pot', 'Pot life', false, problem.sentence);
  if (!tried?.mix || tried.usableMin === null) return c('pot', 'Pot life', null, SUIT['not-planned']());
  if (isMixedAsPlaced(sheet) || spotBySpot(tried)) return c('pot', 'Pot life', true, SUIT['as-placed']());
  const late = closedLate(tried, settings);
  if (late) {
    const [usable, over] = [minutes(tried.usableMin), minutes(late.lateMs / 60_000)];
    return c('pot', 'Pot life', false, SUIT['closes-late']({ usable, over }));
  }
  const places = (s: PlannedStep) => s.marks?.end?.includes('placed') === true;
  // One pot lives through all that is done out of it, also through what is closed in between; out of a mixer each part
  // has its own time.
  const takes = isMetered(sheet.kind)
    ? tried.steps.filter(places).map((s) => s.handsOnMin)
    : tried.batches.map((b) => {
        const mine = tried.steps.filter((s) => s.batch === b.index);
        const from = mine.findIndex(places);
        const placing = from < 0 ? [] : mine.slice(from, mine.findLastIndex(places) + 1);
        return placing.reduce((sum, s) => sum + s.handsOnMin, beforehandMin(b));
      });
  const longest = Math.max(0, ...takes);
  return c(
    'pot',
    'Pot life',
    longest <= tried.usableMin + 1e-6,
    SUIT.pot({ usable: minutes(tried.usableMin), longest: minutes(longest) }),
  );
}

function sagCriterion({ orientation }: Piece, mine: RepairPlan, { limits: l }: SheetRevision): Criterion {
  const sags = SAGS[orientation];
  if (!sags) return c('sag', 'Sag', true, SUIT.floor());
  const limit = sags.mostMm(l);
  if (limit === null) return c('sag', 'Sag', null, SUIT['no-sag']({ where: sags.silent }));
  if (!mine.void) return c('sag', 'Sag', null, SUIT['not-measured']());
  const lift = Math.min(mine.void.faces.maxDepthMm, l.liftMaxMm ?? Number.POSITIVE_INFINITY);
  return c('sag', 'Sag', lift <= limit, SUIT.sag({ lift: mm(lift), where: sags.on, most: mm(limit) }));
}

function wetnessCriterion({ surface }: Piece, { limits, estimated }: SheetRevision): Criterion {
  const [is, may] = [WETNESS.indexOf(surface), WETNESS.indexOf(limits.wetness)];
  // A figure of ours fails nothing, and is no word of the sheet.
  if (estimated.includes('wetness')) {
    const says = SUIT[is < may ? 'wet-it-usual' : 'wetness-usual'];
    return c('wetness', 'Wetness', null, says({ found: surface, wants: limits.wetness }));
  }
  return c(
    'wetness',
    'Wetness',
    is <= may,
    is > may
      ? SUIT['too-wet']({ found: surface, wants: limits.wetness })
      : is < may
        ? SUIT['wet-it']({ found: surface, wants: limits.wetness })
        : limits.wetness,
  );
}

function finishCriterion(mine: RepairPlan, { finish }: SheetRevision): Criterion {
  const cut = mine.context?.effects.level === 'crown';
  const words = [
    finish.colour,
    finish.sanding === 'silent'
      ? ''
      : finish.sanding === 'not'
        ? SUIT['no-sanding']()
        : SUIT.sanding({ how: finish.sanding }),
    finish.paintable === 'no' ? SUIT['no-paint']() : '',
  ].filter((w) => w !== '');
  const cuts = cut && finish.sanding !== 'silent' ? finish.sanding !== 'not' : null;
  return c('finish', 'Finish', cuts, words.length ? both(words) : SUIT['finish-untold']());
}

function releaseCriterion(job: Job, sheet: SheetRevision, tried: Tried | null): Criterion {
  const { whole, pass } = tried ?? {};
  if (!whole?.openMs) {
    // What the other passes want is no fault of this system.
    if (whole?.passes.some((p) => p.passId !== pass?.passId && p.placedMs === null))
      return c('release', 'Open again', null, SUIT['others-open']());
    // What its paper does not print is asked for, and no fault of it.
    const untold = pass?.stop && !milestoneOf(sheet, pass.stop.kind) ? pass.stop.kind : null;
    if (untold)
      return c('release', 'Open again', null, SUIT['no-time']({ what: MILESTONES[untold].label.toLowerCase() }));
    const why =
      whole?.problems[0]?.sentence ??
      pass?.milestones.findLast((m) => m.kind === pass.serves)?.problem ??
      SUIT['not-planned']();
    return c('release', 'Open again', pass?.mix ? false : null, why);
  }
  if (job.wantedAt === null) return c('release', 'Open again', null, SUIT.opens({ at: at(whole.openMs) }));
  const hand = (job.wantedAt - whole.openMs) / 60_000;
  return c(
    'release',
    'Open again',
    hand >= 0,
    SUIT[hand >= 0 ? 'in-hand' : 'late']({ at: at(whole.openMs), by: minutes(Math.abs(hand)) }),
  );
}

function stockCriterion(kits: ReturnType<typeof jobKits>[number] | undefined): Criterion {
  if (!kits) return c('stock', 'On the shelf', null, SUIT['not-planned']());
  const use = kits.kits.set.total.reduce((s, n) => s + n, 0);
  const buy = kits.kits.set.buy.reduce((s, n) => s + n, 0);
  return c('stock', 'On the shelf', null, buy === 0 ? SUIT['all-there']({ use }) : SUIT.buy({ use, buy }));
}
