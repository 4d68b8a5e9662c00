import { allowancesOf, ENGINES } from '../src/core/method';
import { amounts, cheapestKits, type KitNeed, type KitOffer } from '../src/core/mix';
import { jobKits, pieceOf, piecesOf, planJob, type Repair, repairOf } from '../src/core/plan';
import type { SheetRevision } from '../src/core/system';
import { seeded } from '../src/core/void';
import { mortarSheet, pasteSheet, resinSheet, sampleStock } from '../src/sample/systems';
import { grownJob } from './jobs';

/** The cheapest price by looking at every way of giving each need up to what it could take of each kit. */
function exhaustive(needs: readonly KitNeed[], offers: readonly KitOffer[]): number {
  const most = offers.map((o) => Math.ceil(Math.max(...needs.map((n) => n.ml)) / o.volumeMl));
  const ways = most.reduce<number[][]>(
    (all, m) => all.flatMap((v) => Array.from({ length: m + 1 }, (_, n) => [...v, n])),
    [[]],
  );
  let best = Number.POSITIVE_INFINITY;
  const walk = (i: number, total: readonly number[]): void => {
    if (i === needs.length) {
      best = Math.min(
        best,
        total.reduce((s, n, k) => s + Math.max(0, n - offers[k]!.inStock) * offers[k]!.price!, 0),
      );
      return;
    }
    for (const v of ways)
      if (v.reduce((s, n, k) => s + n * offers[k]!.volumeMl, 0) >= needs[i]!.ml)
        walk(
          i + 1,
          total.map((t, k) => t + v[k]!),
        );
  };
  walk(
    0,
    offers.map(() => 0),
  );
  return best;
}

/** Six systems: two of each of three kinds. */
const twice = (s: SheetRevision): SheetRevision[] => [
  s,
  { ...s, id: `${s.id}-b`, systemId: `${s.systemId}-b`, name: `${s.name} b` },
];

export function kitRun(
  row: (name: string, sorted: readonly number[]) => void,
  times: (run: (i: number) => unknown, runs: number) => number[],
  nowMs: number,
): void {
  const sheets = [mortarSheet, resinSheet, pasteSheet].flatMap(twice);
  const grown = grownJob(50, nowMs);
  const repairs = grown.repairs
    .flatMap(piecesOf)
    .map((r, i): Repair => repairOf(i % 2 && r.sheetId ? { ...r, sheetId: `${r.sheetId}-b` } : r));
  const stock = sampleStock(nowMs);
  const job = planJob({ job: grown.job, repairs, sheets, stock, actuals: new Map(), nowMs });
  const planned = job.repairs.filter((p) => p.mix);
  const batches = () => {
    for (const p of planned) {
      const r = repairs.find((x) => x.id === p.repairId)!;
      amounts({
        sheet: p.sheet!,
        kit: p.kit!,
        netMl: p.void!.nominalMl,
        p90Ml: p.void!.p90Ml,
        p95Ml: p.void!.p95Ml,
        reserve: true,
        allowances: allowancesOf(p.method!, p.context!, r.passes[p.passId]?.settings ?? {}),
        portions: ENGINES[p.method!.engine].portions(p.context!),
        usableMin: p.usableMin!,
        rateChosen: true,
        placingMlPerMin: p.context!.settings.rate ?? 100,
        crew: 1,
        massCapG: null,
        vesselMaxMl: null,
        oneKitAPot: false,
        split: p.context!.effects.split,
        parts: null,
        count: pieceOf(r).void!.count,
        minutesPerPlace: p.context!.settings['per-place'] ?? 1,
        setMin: 0,
        placeChosen: true,
        inRounds: true,
        stops: [],
        dayMin: null,
        tubeMl: 0,
        grouping: 'one',
        purge: true,
        idleMin: null,
      });
    }
  };
  row(
    `batches and kits of ${planned.length} repairs over six systems`,
    times(() => {
      batches();
      return jobKits(grown.job, job.repairs, stock, sheets);
    }, 20),
  );

  const random = seeded(11);
  const whole = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
  let worst = 0;
  for (let k = 0; k < 200; k++) {
    const offers = Array.from(
      { length: whole(1, 3) },
      (_, i): KitOffer => ({ id: `k${i}`, volumeMl: whole(120, 700), price: whole(1, 60), inStock: whole(0, 3) }),
    );
    const needs = Array.from({ length: whole(1, 3) }, (_, i) => ({ id: `n${i}`, ml: whole(20, 900) }));
    worst = Math.max(worst, Math.abs(cheapestKits(needs, offers).cost - exhaustive(needs, offers)));
  }
  console.log(`kit sets of 200 small cases: at most ${worst.toFixed(6)} dearer than the optimum by exhaustive search`);
}
