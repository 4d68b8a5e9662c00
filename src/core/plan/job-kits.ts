import { DateTime, IANAZone } from 'luxon';
import { isTaken } from '../method';
import { type KitOffer, type SharedKits, sharedKits, type TimedNeed } from '../mix';
import { type Said, texts } from '../say';
import { isMetered, type Proportion, plannedKitMl, proportionOf, type SheetRevision, type Stock } from '../system';
import { figure } from '../units';
import type { Job } from './job';
import { passKey } from './repair';
import type { RepairPlan } from './repair-plan';

/** A batch that needs material from kits. */
export interface BatchNeed extends TimedNeed {
  /** The pass it belongs to, by {@link passKey}. */
  readonly pass: string;
  readonly repairId: string;
  readonly batch: number;
}

/** Kits taken from a lot, or why it is passed over. */
export interface LotTake {
  readonly stockId: string;
  readonly lot: string;
  readonly kitId: string;
  readonly take: number;
  readonly passedOver: Said | null;
}

/** What is left in kits that were opened, and whom it could serve. */
export interface LeftOver {
  readonly ml: number;
  /** Mixed, so that it dies with its pot; else it stays in its tins. */
  readonly mixed: boolean;
  readonly from: readonly string[];
  readonly untilMs: number | null;
  readonly offers: readonly { readonly repairId: string; readonly needMl: number }[];
}

/** Kits of one system over all repairs of a job that use it. */
export interface SystemKits {
  readonly systemId: string;
  readonly sheet: SheetRevision;
  readonly needs: readonly BatchNeed[];
  readonly offers: readonly (KitOffer & { readonly label: string })[];
  readonly kits: SharedKits;
  /** What repair by repair would cost, each for itself. */
  readonly alone: number;
  /** The cheaper set when the repairs are prepared first and mixed as one; null where it saves nothing. */
  readonly together: {
    readonly kits: SharedKits;
    readonly repairIds: readonly string[];
    readonly saves: number;
  } | null;
  /** What stands on the shelf of it, whether it is taken or not. */
  readonly lots: readonly Stock[];
  readonly takes: readonly LotTake[];
  readonly leftOvers: readonly LeftOver[];
}

const MIN_MS = 60_000;

const keyOf = ({ piece }: RepairPlan): string => passKey(piece);

/** Part A in a millilitre of mix, g: what is taken of a kit, whatever else is stirred into it. */
const ofKit = ({ massShare, densityGPerMl }: Proportion): number => massShare.A * densityGPerMl;

/**
 * What one millilitre of the mix of a pass takes of the system’s own mix, mL: less where fillers or colour of one’s own
 * take up room in it.
 */
const takenBy = (plan: RepairPlan, typed: SheetRevision): number =>
  ofKit(plan.mix!.proportion) / ofKit(proportionOf(typed));

/**
 * Needs of one pass: its batches at the 95 % value, without the rounding to whole kits, in the system’s own mix.
 */
function needsOf(plan: RepairPlan, typed: SheetRevision): BatchNeed[] {
  const { mix } = plan;
  if (!mix) return [];
  const takes = takenBy(plan, typed);
  const mixed = mix.batches.reduce((s, b) => s + b.ml, 0);
  const needs = [
    ...mix.batches.map((b) => ({ b, ml: (mix.onHandMl * b.ml) / mixed, id: String(b.index) })),
    // What was lost or ran out is known to the millilitre.
    ...(mix.more ?? []).map((b, i) => ({ b, ml: b.ml, id: `${b.index}+${i}` })),
  ];
  return needs.map(({ b, ml, id }): BatchNeed => {
    const begin = plan.steps.find((s) => s.batch === b.index && s.marks?.begin?.includes('mix-begins'));
    const placed = plan.steps.findLast((s) => s.batch === b.index && s.marks?.end?.includes('placed'));
    const fromMs = begin?.startMs ?? 0;
    return {
      id: `${keyOf(plan)}:${id}`,
      pass: keyOf(plan),
      repairId: plan.repairId,
      batch: b.index,
      ml: takes * ml,
      fromMs,
      untilMs: Math.max(fromMs, placed?.endMs ?? fromMs),
    };
  });
}

/**
 * Whether what is left in an opened kit may still be used later: metered packs, and kits the sheet allows to split,
 * split by weighing.
 */
const keeps = (plan: RepairPlan): boolean =>
  plan.sheet !== null && (isMetered(plan.sheet.kind) || plan.batches.every((b) => b.kits === null));

const PASSED = texts('passed-over', {
  'use-by': 'use by {until}, the work is on {day}',
  stored: 'stored outside its range: {how}',
  opened: 'opened on {on}, good for {months} months',
});

/** Why a lot is not taken for work on a day; null when it may be. */
export function passedOver(lot: Stock, sheet: SheetRevision, day: string): Said | null {
  if (lot.expiresOn !== null && lot.expiresOn < day) return PASSED['use-by']({ until: lot.expiresOn, day });
  if (lot.breaches.length) return PASSED.stored({ how: lot.breaches.at(-1)!.text });
  const months = sheet.storage.openedMonths;
  if (lot.openedOn !== null && lot.quantity === 0 && months !== null) {
    const until = DateTime.fromISO(lot.openedOn).plus({ months }).toISODate()!;
    if (until < day) return PASSED.opened({ on: lot.openedOn, months: figure(months) });
  }
  return null;
}

/** First expiring, first taken. */
const byExpiry = (a: Stock, b: Stock) =>
  (a.expiresOn ?? '9999') < (b.expiresOn ?? '9999')
    ? -1
    : (a.expiresOn ?? '9999') > (b.expiresOn ?? '9999')
      ? 1
      : a.id < b.id
        ? -1
        : 1;

function takesFrom(
  lots: readonly Stock[],
  sheet: SheetRevision,
  day: string,
  offers: readonly KitOffer[],
  total: readonly number[],
): LotTake[] {
  return offers.flatMap((offer, i) => {
    let left = total[i]!;
    return lots
      .filter((l) => l.kitId === offer.id)
      .sort(byExpiry)
      .flatMap((l): LotTake[] => {
        const reason = passedOver(l, sheet, day);
        const take = reason ? 0 : Math.min(left, l.quantity);
        left -= take;
        return take > 0 || reason ? [{ stockId: l.id, lot: l.lot, kitId: offer.id, take, passedOver: reason }] : [];
      });
  });
}

const ids = (needs: readonly BatchNeed[]) => [...new Set(needs.map((n) => n.repairId))];

/**
 * Kits of a job, system by system: the cheapest set over all repairs that can share, taken from the shelf first; kits
 * that are mixed whole are shared only by batches that lie inside one pot life; what is left is offered to named
 * repairs.
 * @param sheets as typed: what a pass puts in besides is in no kit
 */
export function jobKits(
  job: Job,
  plans: readonly RepairPlan[],
  stock: readonly Stock[],
  sheets: readonly SheetRevision[],
): readonly SystemKits[] {
  const zone = IANAZone.create(job.zone);
  const groups = new Map<string, RepairPlan[]>();
  for (const p of plans) if (p.sheet && p.mix) groups.set(p.sheet.id, [...(groups.get(p.sheet.id) ?? []), p]);
  return [...groups.values()].map((mine): SystemKits => {
    const sheet = sheets.find((s) => s.id === mine[0]!.sheet!.id)!;
    const needs = mine.flatMap((p) => needsOf(p, sheet)).sort((a, b) => a.fromMs - b.fromMs);
    const first = needs[0]?.fromMs ?? job.startFrom;
    const day = DateTime.fromMillis(first, { zone }).toISODate()!;
    const lots = stock.filter((s) => s.systemId === sheet.systemId);
    const offers = sheet.kits.map((k) => ({
      id: k.id,
      label: k.label,
      volumeMl: plannedKitMl(sheet, k),
      price: k.price,
      inStock: lots.filter((l) => l.kitId === k.id && !passedOver(l, sheet, day)).reduce((s, l) => s + l.quantity, 0),
    }));
    const kept = new Set(mine.filter(keeps).map(keyOf));
    const pooled = needs.filter((n) => kept.has(n.pass));
    const whole = needs.filter((n) => !kept.has(n.pass));
    const usable = Math.min(...mine.map((p) => p.usableMin ?? Number.POSITIVE_INFINITY));
    const potMs = (usable + sheet.mixMin) * MIN_MS;
    // How much of it is placed in its time goes by the hours; a pot has what it holds.
    const capMl = Math.max(...mine.map((p) => (p.mix!.mostHeldMl + sheet.potLossMl) * takenBy(p, sheet)));
    // What is split by weighing stands together as one need that no pot life cuts.
    const pool: TimedNeed[] = pooled.length
      ? [
          {
            id: 'pool',
            ml: pooled.reduce((s, n) => s + n.ml, 0),
            fromMs: Number.NEGATIVE_INFINITY,
            untilMs: Number.NEGATIVE_INFINITY,
          },
        ]
      : [];
    const solve = (timed: readonly TimedNeed[]) => sharedKits([...pool, ...timed], offers, potMs, capMl);
    const kits = solve(whole);
    const aloneOf = mine.map(
      (p) =>
        sharedKits(
          kept.has(keyOf(p))
            ? [
                {
                  id: 'one',
                  ml: needs.filter((n) => n.pass === keyOf(p)).reduce((s, n) => s + n.ml, 0),
                  fromMs: 0,
                  untilMs: 0,
                },
              ]
            : whole.filter((n) => n.pass === keyOf(p)),
          offers.map((o) => ({ ...o, inStock: 0 })),
          potMs,
          capMl,
        ).set.cost,
    );
    const alone = aloneOf.reduce((s, c) => s + c, 0);

    // Were all of them prepared first, they could be placed one behind the other.
    let together: SystemKits['together'] = null;
    const several = ids(whole).length > 1 ? mine.filter((p) => !kept.has(keyOf(p))) : [];
    if (several.length) {
      let at = 0;
      const row = whole.map((n): BatchNeed => {
        const plan = mine.find((p) => keyOf(p) === n.pass)!;
        const placing = plan.steps.find((s) => s.batch === n.batch && s.marks?.end?.includes('placed'));
        const from = at;
        const before = plan.batches.find((b) => b.index === n.batch)?.before;
        // One mix, one brush for all of them.
        const min = (placing?.handsOnMin ?? 0) + (before?.allMin ?? 0);
        at += (min + (from === 0 ? sheet.mixMin + (before?.eachMin ?? 0) : 0)) * MIN_MS;
        return { ...n, fromMs: from, untilMs: at };
      });
      const better = solve(row);
      if (better.set.cost < kits.set.cost - 1e-9)
        together = { kits: better, repairIds: ids(whole), saves: kits.set.cost - better.set.cost };
    }

    return {
      systemId: sheet.systemId,
      sheet,
      needs,
      offers,
      kits,
      alone,
      together,
      lots,
      takes: takesFrom(lots, sheet, day, offers, kits.set.total),
      leftOvers: leftOvers({ kits, needs, offers, potMs, plans, sheet }),
    };
  });
}

/** What is left of each group of kits, and to whom of the job it could serve. */
function leftOvers({
  kits,
  needs,
  offers,
  potMs,
  plans,
  sheet,
}: {
  readonly kits: SharedKits;
  readonly needs: readonly BatchNeed[];
  readonly offers: readonly KitOffer[];
  readonly potMs: number;
  readonly plans: readonly RepairPlan[];
  readonly sheet: SheetRevision;
}): LeftOver[] {
  return kits.groups.flatMap((group, g): LeftOver[] => {
    const mixed = !group.includes('pool');
    const mine = mixed
      ? needs.filter((n) => group.includes(n.id))
      : needs.filter((n) => !kits.groups.some((other) => other.includes(n.id)));
    const made = kits.set.counts[g]!.reduce((s, n, i) => s + n * offers[i]!.volumeMl, 0);
    const ml = made - mine.reduce((s, n) => s + n.ml, 0);
    if (!(ml > 1)) return [];
    const from = ids(mine);
    const offersTo = plans.flatMap((p) => {
      if (from.includes(p.repairId) || !p.void) return [];
      // One that has its own system does not need it, one that could use this kind might.
      if (p.sheet ? p.sheet.id !== sheet.id : !(p.method && isTaken(p.method, sheet))) return [];
      const needMl = p.mix ? p.mix.onHandMl * takenBy(p, sheet) : p.void.p95Ml;
      return needMl <= ml ? [{ repairId: p.repairId, needMl }] : [];
    });
    return [{ ml, mixed, from, untilMs: mixed ? mine[0]!.fromMs + potMs : null, offers: offersTo }];
  });
}
