import type { SystemKits } from '../plan';
import { FAMILIES, isMetered, type SheetRevision } from '../system';
import { boreOf } from '../void';
import type { JobView, PassView } from './bundle';

/** One thing to take along, and how many. */
export interface PickLine {
  readonly what: string;
  readonly quantity: number;
  readonly unit: '' | 'm' | 'mL' | 'g' | 'pairs';
  readonly why: string;
}

export interface PickedKit {
  readonly systemId: string;
  readonly system: string;
  readonly kit: string;
  readonly count: number;
  readonly lots: readonly { readonly lot: string; readonly take: number }[];
  readonly buy: number;
  readonly price: number | null;
  /** What each kit lists, its parts and what else is in the box. */
  readonly lists: readonly { readonly what: string; readonly count: number }[];
}

/** Everything a job takes along, on one page. */
export interface PickList {
  readonly kits: readonly PickedKit[];
  readonly consumables: readonly PickLine[];
  readonly tools: readonly string[];
  readonly protection: readonly string[];
  readonly checks: readonly string[];
  readonly disposal: readonly string[];
  /** Kits on hand that will come back unopened, when the work goes by the nominal amounts. */
  readonly returns: readonly { readonly system: string; readonly kit: string; readonly count: number }[];
  /** What is still to be bought, and the worth of all that is used; null where a price is missing. */
  readonly toSpend: number | null;
  readonly worth: number | null;
}

/** Solvent for tools, mL a batch; gloves, pairs for each pair of hands and batch; an estimate to be set by habit. */
const SOLVENT_ML = 60;
/** Tape round a place: the outline of a square of its area, and an overlap. */
const TAPE_FACTOR = 4.4;

const passesOf = (view: JobView): readonly PassView[] => view.repairs.flatMap((r) => r.passes);

/** Kits opened when the nominal amounts are right, by the same proportion as the plan counts for the 95 % value. */
function opened(k: SystemKits, view: JobView): number[] {
  const mine = passesOf(view).filter((r) => r.plan.sheet?.systemId === k.systemId && r.plan.mix);
  const onHand = mine.reduce((s, r) => s + r.plan.mix!.onHandMl, 0);
  const toMix = mine.reduce((s, r) => s + r.plan.mix!.toMixMl, 0);
  return k.kits.set.total.map((n) => Math.min(n, Math.ceil((n * toMix) / Math.max(onHand, 1e-9) - 1e-9)));
}

const kitsOf = (view: JobView): PickedKit[] =>
  view.plan.kits().flatMap((k) =>
    k.offers.flatMap((o, i): PickedKit[] => {
      const count = k.kits.set.total[i]!;
      if (!count) return [];
      const kit = k.sheet.kits.find((x) => x.id === o.id)!;
      return [
        {
          systemId: k.systemId,
          system: k.sheet.name,
          kit: o.label,
          count,
          lots: k.takes.filter((t) => t.kitId === o.id && t.take > 0).map(({ lot, take }) => ({ lot, take })),
          buy: k.kits.set.buy[i]!,
          price: o.price,
          lists: [
            ...k.sheet.parts.flatMap((p) =>
              kit.massG[p.id] === null ? [] : [{ what: `part ${p.id}, ${p.name}`, count: 1 }],
            ),
            ...kit.contents,
          ],
        },
      ];
    }),
  );

/** What batches, mixers and hands use up. */
function consumablesOf(repairs: readonly PassView[], kits: readonly PickedKit[]): PickLine[] {
  const sum = (f: (r: PassView) => number) => repairs.reduce((s, r) => s + f(r), 0);
  const potted = repairs.filter((r) => r.plan.sheet && !isMetered(r.plan.sheet.kind));
  const metered = repairs.filter((r) => r.plan.sheet && isMetered(r.plan.sheet.kind));
  const mixers = metered.reduce((s, r) => s + r.plan.batches.reduce((n, b) => n + b.mixers, 0), 0);
  const inBoxes = kits.reduce(
    (s, k) => s + k.count * k.lists.filter((c) => /mixer/i.test(c.what)).reduce((n, c) => n + c.count, 0),
    0,
  );
  const pots = potted.reduce((s, r) => s + r.plan.batches.length, 0);
  const largest = Math.max(0, ...potted.flatMap((r) => r.plan.batches.map((b) => b.ml)));
  const tubes = metered.filter((r) => {
    const bore = r.repair.void && boreOf(r.repair.void);
    const reach = r.plan.sheet?.mixer?.reachMm ?? Number.POSITIVE_INFINITY;
    return bore != null && bore.deepMm > reach;
  }).length;
  const area = sum((r) => (r.plan.void ? (r.repair.void?.count ?? 1) * r.plan.void.faces.planAreaMm2 : 0));
  const tape =
    potted.reduce(
      (s, r) =>
        s + (r.plan.void ? (r.repair.void?.count ?? 1) * TAPE_FACTOR * Math.sqrt(r.plan.void.faces.planAreaMm2) : 0),
      0,
    ) / 1000;
  const hands = sum((r) => r.repair.crew * Math.max(1, r.plan.batches.length));
  const fillers = potted.flatMap((r) =>
    r.repair.blend && r.plan.sheet
      ? r.plan.sheet.parts
          .filter((p) => p.id === 'C' || p.id === 'D')
          .map((p) => ({ what: p.name, g: r.plan.batches.reduce((s, b) => s + b.massG[p.id], 0) }))
      : [],
  );
  const line = (what: string, quantity: number, unit: PickLine['unit'], why: string): PickLine[] =>
    quantity > 0 ? [{ what, quantity, unit, why }] : [];
  return [
    ...line(
      'static mixers',
      mixers > 0 ? mixers + 1 : 0,
      '',
      `${mixers} used and one to spare${inBoxes ? `; ${inBoxes} are in the kits` : ''}`,
    ),
    ...line('extension tubes', tubes, '', 'holes deeper than the mixer reaches'),
    ...line(
      `mixing pots of ${Math.ceil((largest * 1.5) / 100) / 10} L`,
      pots ? pots + 1 : 0,
      '',
      'one a batch and a spare, filled to two thirds',
    ),
    ...line('cups for the witness', pots, '', 'one a batch'),
    ...line('stirrers', pots, '', 'one a batch'),
    ...line('gloves', hands ? hands + 1 : 0, 'pairs', 'one a batch and pair of hands'),
    ...line('solvent for tools', pots * SOLVENT_ML, 'mL', `about ${SOLVENT_ML} mL a batch, before it sets`),
    ...line('masking tape', Math.ceil(tape), 'm', 'round the places'),
    ...line('cleaning cloths', Math.ceil(Math.max(area / 2e5, repairs.length)), '', 'wiping before and after'),
    ...fillers.flatMap((f) => line(f.what, Math.ceil(f.g * 1.1), 'g', 'own filler and a tenth more')),
  ];
}

const unique = (list: readonly string[]) => [...new Set(list)];

/** The pick list of a job. */
export function pickList(view: JobView): PickList {
  const planned = passesOf(view).filter((r) => r.plan.mix && r.plan.sheet);
  const sheets = [...new Map(planned.map((r) => [r.plan.sheet!.systemId, r.plan.sheet!])).values()];
  const kits = kitsOf(view);
  const prices = (f: (k: PickedKit) => number) =>
    kits.some((k) => f(k) > 0 && k.price === null) ? null : kits.reduce((s, k) => s + f(k) * (k.price ?? 0), 0);
  return {
    kits,
    consumables: consumablesOf(planned, kits),
    tools: unique(planned.flatMap((r) => r.plan.method?.tools ?? [])),
    protection: unique(sheets.flatMap((s) => s.protection)),
    checks: unique(sheets.flatMap((s) => s.storage.checks.map((c) => `${s.name}: ${c}`))),
    disposal: disposalOf(sheets),
    returns: view.plan.kits().flatMap((k) => {
      const used = opened(k, view);
      return k.offers.flatMap((o, i) => {
        const count = k.kits.set.total[i]! - used[i]!;
        return count > 0 ? [{ system: k.sheet.name, kit: o.label, count }] : [];
      });
    }),
    toSpend: prices((k) => k.buy),
    worth: prices((k) => k.count),
  };
}

/** What becomes of what is left. */
function disposalOf(sheets: readonly SheetRevision[]): string[] {
  return unique([
    ...(sheets.some((s) => !isMetered(s.kind))
      ? [
          'Left-over mix: let it set in a thin layer outside, then it goes with hard waste; never a full pot into a bin.',
        ]
      : []),
    ...(sheets.some((s) => FAMILIES[s.family].disposal === 'peroxide')
      ? ['Cloths with peroxide: wet them, keep them apart and outside.']
      : []),
    ...(sheets.some((s) => FAMILIES[s.family].disposal === 'cement')
      ? ['Cement water does not go into drain or lake.']
      : []),
    ...(sheets.length ? ['Unmixed parts and solvent: hazardous waste, by the local rules.'] : []),
  ]);
}
