import { consumablesIn } from '../method';
import { HEADROOM } from '../mix';
import type { RepairPlan, SystemKits } from '../plan';
import { FAMILIES, isMetered, type SheetRevision } from '../system';
import { boreOf } from '../void';
import type { JobView, PassView } from './bundle';

/** One thing to take along, and how many. */
export interface PickLine {
  readonly what: string;
  readonly quantity: number;
  readonly unit: '' | 'm' | 'm²' | 'mL' | 'g' | 'kg' | 'pairs';
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
/** A cloth wipes so much twice, mm². */
const CLOTH_MM2 = 1e6;
/** Pots, pails and tubs as they are sold, mL. */
const VESSELS: readonly { readonly called: string; readonly sizesMl: readonly number[] }[] = [
  { called: 'pots', sizesMl: [250, 500, 1000, 2500, 5000] },
  { called: 'pails', sizesMl: [12_000, 25_000] },
  { called: 'tubs', sizesMl: [45_000, 65_000, 90_000] },
];
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

/** Something counted is whole; of what is cut or weighed, two figures. */
const amount = (quantity: number, unit: PickLine['unit']): number =>
  unit === '' ? Math.ceil(quantity - 1e-9) : Number(quantity.toPrecision(quantity >= 100 ? 3 : 2));

/** Vessels by their sizes: each batch in the smallest that it fills to two thirds, and one of each size to spare. */
function potsOf(potted: readonly PassView[]): readonly PickLine[] {
  const by = new Map<number, number>();
  for (const { ml } of potted.flatMap((r) => r.plan.batches)) {
    const held = ml / HEADROOM;
    const size = VESSELS.flatMap((v) => v.sizesMl).find((ml) => ml >= held - 1e-6) ?? Math.ceil(held / 1000) * 1000;
    by.set(size, (by.get(size) ?? 0) + 1);
  }
  return [...by]
    .sort(([a], [b]) => a - b)
    .map(([size, n]) => ({
      what: `mixing ${(VESSELS.find((v) => v.sizesMl.includes(size)) ?? VESSELS.at(-1)!).called} of ${size / 1000} L`,
      quantity: n + 1,
      unit: '',
      why: 'one a batch and a spare, filled to two thirds',
    }));
}

/** What the methods of the passes use up, the same of several passes as one line. */
export function usedUp(passes: readonly Pick<RepairPlan, 'context' | 'method' | 'batches'>[]): readonly PickLine[] {
  const lines = new Map<string, PickLine>();
  for (const plan of passes) {
    if (!plan.context) continue;
    for (const { row, quantity } of consumablesIn(plan.method?.consumes ?? [], {
      ...plan.context,
      batches: plan.batches,
    })) {
      const key = `${row.what}/${row.unit}`;
      const { what, unit, why } = row;
      lines.set(key, { what, unit, why, quantity: (lines.get(key)?.quantity ?? 0) + quantity });
    }
  }
  return [...lines.values()].map((l) => ({ ...l, quantity: amount(l.quantity, l.unit) }));
}

/** A sheet of paper or a disc is dead after so much of a face, m². */
const SHEET_M2 = 0.25;
/** Abrasives by their grits: as many sheets as the face asks for. */
function abrasives(repairs: readonly PassView[]): readonly PickLine[] {
  const sheets = new Map<string, number>();
  for (const { plan } of repairs) {
    const area = plan.context ? (plan.context.void.count * plan.context.measured.faces.planAreaMm2) / 1e6 : 0;
    for (const { grit } of [...plan.steps, ...plan.untimed])
      if (grit) sheets.set(grit, (sheets.get(grit) ?? 0) + Math.max(1, Math.ceil(area / SHEET_M2)));
  }
  return [...sheets].map(([grit, quantity]) => ({
    what: `sheets of abrasive ${grit}`,
    quantity,
    unit: '' as const,
    why: 'of the ladder by which the face is brought back',
  }));
}

/** Solvent to wash a face that is gone on with too late, mL a square metre. */
const WASH_ML_PER_M2 = 150;
/** What a window that is missed costs beside the time: the face is washed and abraded. */
function remade(repairs: readonly PassView[]): readonly PickLine[] {
  const area = repairs.reduce(
    (sum, { plan }) =>
      plan.context && plan.steps.some((s) => s.missed)
        ? sum + (plan.context.void.count * plan.context.measured.faces.planAreaMm2) / 1e6
        : sum,
    0,
  );
  if (!area) return [];
  const why = 'a window of the plan is missed: washed and abraded before it is gone on with';
  return [
    { what: 'solvent to wash the face', quantity: amount(Math.max(20, WASH_ML_PER_M2 * area), 'mL'), unit: 'mL', why },
    { what: 'abrasive pads', quantity: Math.ceil(area / SHEET_M2), unit: '', why },
  ];
}

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
    ...potsOf(potted),
    ...line('cups for the witness', pots, '', 'one a batch'),
    ...line('stirrers', pots, '', 'one a batch'),
    ...line('gloves', hands ? hands + 1 : 0, 'pairs', 'one a batch and pair of hands'),
    ...line('solvent for tools', pots * SOLVENT_ML, 'mL', `about ${SOLVENT_ML} mL a batch, before it sets`),
    ...line('masking tape', Math.ceil(tape), 'm', 'round the places'),
    ...line('cleaning cloths', Math.ceil(Math.max(area / CLOTH_MM2, repairs.length)), '', 'wiping before and after'),
    ...usedUp(repairs.map((r) => r.plan)).flatMap((o) => line(o.what, o.quantity, o.unit, o.why)),
    ...abrasives(repairs),
    ...remade(repairs),
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
