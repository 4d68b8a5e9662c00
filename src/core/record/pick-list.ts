import { type ConsumableRow, consumablesIn, tubeMm } from '../method';
import { HEADROOM, type Weighed, weighedOf } from '../mix';
import type { RepairPlan, SystemKits } from '../plan';
import { areaOf, exactly, grams, type Message, ml, mm, type Said, texts, type Value } from '../say';
import { FAMILIES, isMetered, type SheetRevision } from '../system';
import { addMoney, type Money, money } from '../units';
import { facesOf, standApart } from '../void';
import type { JobView, PassView } from './bundle';
import { promisedOf } from './yard';

const PICK = texts('pick', {
  amount: '{amount}',
  pairs: '{amount} pairs of',
  pots: 'mixing pots of {size}',
  pails: 'mixing pails of {size}',
  tubs: 'mixing tubs of {size}',
  'one-and-spare': 'one a batch and a spare, filled to two thirds',
  abrasive: '{n, plural, one {sheet} other {sheets}} of abrasive {grit}',
  ladder: 'of the ladder by which the face is brought back',
  missed: 'a window of the plan is missed: washed and abraded before it is gone on with',
  wash: 'solvent to wash the face',
  pads: '{n, plural, one {abrasive pad} other {abrasive pads}}',
  mixers: 'static mixers',
  'mixers-why':
    '{mixers} used and one to spare{inBoxes, plural, =0 {} one {; # is in the kits} other {; # are in the kits}}',
  tubes: '{n, plural, one {extension tube} other {extension tubes}}',
  'tubes-why': 'holes deeper than the mixer reaches',
  cups: '{n, plural, one {cup} other {cups}} for the witness',
  stirrers: '{n, plural, one {stirrer} other {stirrers}}',
  'one-a-batch': 'one a batch',
  gloves: 'gloves',
  'gloves-why': 'one a batch and pair of hands',
  solvent: 'solvent for tools',
  'solvent-why': 'about {each} a batch, before it sets',
  tape: 'masking tape',
  'tape-why': 'round the places',
  cloths: '{n, plural, one {cleaning cloth} other {cleaning cloths}}',
  'cloths-why': 'wiping before and after',
  'apart-why': 'it is not in the pack; a tenth to spare',
  'filler-why': 'own filler and a tenth more',
  'colour-why': 'colour of the trial that was taken, and a tenth more',
});
const DISPOSAL = texts('disposal', {
  mix: 'Left-over mix: let it set in a thin layer outside, then it goes with hard waste; never a full pot into a bin.',
  peroxide: 'Cloths with peroxide: wet them, keep them apart and outside.',
  cement: 'Cement water does not go into drain or lake.',
  parts: 'Unmixed parts and solvent: hazardous waste, by the local rules.',
});

/** One thing to take along, and how many. */
export interface PickLine {
  readonly what: Said;
  readonly quantity: number;
  readonly unit: '' | 'm' | 'm²' | 'mL' | 'g' | 'kg' | 'pairs';
  readonly why: Said;
}

/** How much of it, as it is read: so many, or a quantity of its kind. */
export function amountOf({ quantity, unit }: Pick<PickLine, 'quantity' | 'unit'>): Message {
  const of: Partial<Record<PickLine['unit'], Value>> = {
    m: { ...mm(quantity * 1000), large: true },
    'm²': areaOf(quantity * 1e6),
    mL: ml(quantity),
    g: grams(quantity),
    kg: grams(quantity * 1000),
  };
  return PICK[unit === 'pairs' ? 'pairs' : 'amount']({ amount: of[unit] ?? quantity });
}

export interface PickedKit {
  readonly systemId: string;
  readonly system: string;
  readonly kit: string;
  readonly count: number;
  readonly lots: readonly { readonly lot: string; readonly take: number }[];
  /** What stands beside it and goes to another job first. */
  readonly toOthers: readonly { readonly lot: string; readonly take: number; readonly job: string }[];
  readonly buy: number;
  /** What one of them costs; null where no price is known. */
  readonly price: Money | null;
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
  readonly disposal: readonly Message[];
  /** Kits on hand that will come back unopened, when the work goes by the nominal amounts. */
  readonly returns: readonly { readonly system: string; readonly kit: string; readonly count: number }[];
  /** What is still to be bought, and the worth of all that is used, in each money; null where a price is missing. */
  readonly toSpend: readonly Money[] | null;
  readonly worth: readonly Money[] | null;
}

/** Solvent for tools, mL a batch; gloves, pairs for each pair of hands and batch; an estimate to be set by habit. */
const SOLVENT_ML = 60;
/** A cloth wipes so much twice, mm². */
const CLOTH_MM2 = 1e6;
/** Pots, pails and tubs as they are sold, mL. */
const VESSELS: readonly { readonly called: 'pots' | 'pails' | 'tubs'; readonly sizesMl: readonly number[] }[] = [
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
          toOthers: promisedOf(view, k).filter(({ kitId }) => kitId === o.id),
          buy: k.kits.set.buy[i]!,
          price: o.price === null ? null : money(o.price, k.sheet.currency),
          lists: [
            ...k.sheet.parts.flatMap((p) =>
              kit.massG[p.id] === null || kit.apart?.includes(p.id)
                ? []
                : [{ what: `part ${p.id}, ${p.name}`, count: 1 }],
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
      what: PICK[(VESSELS.find((v) => v.sizesMl.includes(size)) ?? VESSELS.at(-1)!).called]({
        size: exactly(ml(size)),
      }),
      quantity: n + 1,
      unit: '',
      why: PICK['one-and-spare'](),
    }));
}

/** What a row of a method names, and how much of it. */
type UsedUp = PickLine & { readonly what: string; readonly why: string };

/** What the methods of the passes use up, the same of several passes as one line. */
export function usedUp(passes: readonly Pick<RepairPlan, 'context' | 'method' | 'batches'>[]): readonly UsedUp[] {
  const lines = new Map<string, { readonly row: ConsumableRow; readonly quantity: number }>();
  for (const plan of passes) {
    if (!plan.context) continue;
    for (const { row, quantity } of consumablesIn(plan.method?.consumes ?? [], {
      ...plan.context,
      batches: plan.batches,
    })) {
      const key = `${row.what}/${row.unit}`;
      lines.set(key, { row, quantity: (lines.get(key)?.quantity ?? 0) + quantity });
    }
  }
  return [...lines.values()].map(({ row: { what, one, unit, why }, quantity: all }) => {
    const quantity = amount(all, unit);
    return { what: quantity === 1 && one ? one : what, quantity, unit, why };
  });
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
    what: PICK.abrasive({ grit, n: quantity }),
    quantity,
    unit: '' as const,
    why: PICK.ladder(),
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
  const why = PICK.missed();
  const pads = Math.ceil(area / SHEET_M2);
  return [
    { what: PICK.wash(), quantity: amount(Math.max(20, WASH_ML_PER_M2 * area), 'mL'), unit: 'mL', why },
    { what: PICK.pads({ n: pads }), quantity: pads, unit: '', why },
  ];
}

/** Fillers and colours that are put in besides, each by its own name over all passes. */
function putIn(potted: readonly PassView[]): readonly PickLine[] {
  const by = new Map<string, { g: number; readonly as: Weighed['as'] }>();
  for (const { context, batches } of potted.map((r) => r.plan))
    for (const { name, massG, as, own } of batches.flatMap((b) => weighedOf(context?.ingredients ?? [], b.massG)))
      if (own) by.set(name, { g: (by.get(name)?.g ?? 0) + massG, as });
  return [...by].map(([what, { g, as }]) => ({
    what,
    // Of tints a few tenths of a gram are weighed.
    quantity: g >= 10 ? Math.ceil(g * 1.1 - 1e-9) : Number((g * 1.1).toPrecision(2)),
    unit: 'g',
    why: as === 'colour' ? PICK['colour-why']() : PICK['filler-why'](),
  }));
}

/** Sand and fillers that belong to a mix and are not in its packs, with a tenth to spare. */
function fetchedApart(potted: readonly PassView[]): readonly PickLine[] {
  const by = new Map<string, number>();
  for (const { sheet, batches, mix } of potted.map((r) => r.plan))
    for (const id of mix?.kits.kit.apart ?? []) {
      const name = sheet?.parts.find((p) => p.id === id)?.name ?? id;
      by.set(
        name,
        batches.reduce((g, b) => g + b.massG[id], by.get(name) ?? 0),
      );
    }
  return [...by].map(([what, g]) => ({
    what,
    quantity: Math.ceil(g * 1.1 - 1e-9),
    unit: 'g',
    why: PICK['apart-why'](),
  }));
}

/** Tape round the faces of a pass: round each of its places, where they stand apart. */
function tapeMm({ plan, repair }: PassView): number {
  if (!plan.void || !repair.void) return 0;
  const { count, shapes } = repair.void;
  const areas = standApart(repair.void) ? shapes.map((s) => facesOf(s).planAreaMm2) : [plan.void.faces.planAreaMm2];
  return count * areas.reduce((mm, area) => mm + TAPE_FACTOR * Math.sqrt(area), 0);
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
  // Each mixer has its own: what stands in a tube sets with what stands in the mixer.
  const tubes = metered.reduce(
    (s, { plan: { context, batches } }) =>
      s + (context && tubeMm(context) > 0 ? batches.reduce((n, b) => n + b.mixers, 0) : 0),
    0,
  );
  const area = sum((r) => (r.plan.void ? (r.repair.void?.count ?? 1) * r.plan.void.faces.planAreaMm2 : 0));
  const tape = potted.reduce((mm, r) => mm + tapeMm(r), 0) / 1000;
  const hands = sum((r) => r.repair.crew * Math.max(1, r.plan.batches.length));
  const cloths = Math.ceil(Math.max(area / CLOTH_MM2, repairs.length));
  const line = (what: Said, quantity: number, unit: PickLine['unit'], why: Said): PickLine[] =>
    quantity > 0 ? [{ what, quantity, unit, why }] : [];
  return [
    ...line(PICK.mixers(), mixers > 0 ? mixers + 1 : 0, '', PICK['mixers-why']({ mixers, inBoxes })),
    ...line(PICK.tubes({ n: tubes }), tubes, '', PICK['tubes-why']()),
    ...potsOf(potted),
    ...line(PICK.cups({ n: pots }), pots, '', PICK['one-a-batch']()),
    ...line(PICK.stirrers({ n: pots }), pots, '', PICK['one-a-batch']()),
    ...line(PICK.gloves(), hands ? hands + 1 : 0, 'pairs', PICK['gloves-why']()),
    ...line(PICK.solvent(), pots * SOLVENT_ML, 'mL', PICK['solvent-why']({ each: exactly(ml(SOLVENT_ML)) })),
    ...line(PICK.tape(), Math.ceil(tape), 'm', PICK['tape-why']()),
    ...line(PICK.cloths({ n: cloths }), cloths, '', PICK['cloths-why']()),
    ...usedUp(repairs.map((r) => r.plan)).flatMap((o) => line(o.what, o.quantity, o.unit, o.why)),
    ...abrasives(repairs),
    ...remade(repairs),
    ...fetchedApart(potted),
    ...putIn(potted),
  ];
}

const unique = (list: readonly string[]) => [...new Set(list)];

/** The pick list of a job. */
export function pickList(view: JobView): PickList {
  const planned = passesOf(view).filter((r) => r.plan.mix && r.plan.sheet);
  const sheets = [...new Map(planned.map((r) => [r.plan.sheet!.systemId, r.plan.sheet!])).values()];
  const kits = kitsOf(view);
  const prices = (count: (k: PickedKit) => number) => {
    const counted = kits.filter((k) => count(k) > 0);
    const priced = counted.flatMap((k) => (k.price ? [money(count(k) * k.price.money, k.price.of)] : []));
    return priced.length < counted.length ? null : addMoney(priced);
  };
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
function disposalOf(sheets: readonly SheetRevision[]): Message[] {
  const has = (disposal: string) => sheets.some((s) => FAMILIES[s.family].disposal === disposal);
  return [
    ...(sheets.some((s) => !isMetered(s.kind)) ? [DISPOSAL.mix()] : []),
    ...(has('peroxide') ? [DISPOSAL.peroxide()] : []),
    ...(has('cement') ? [DISPOSAL.cement()] : []),
    ...(sheets.length ? [DISPOSAL.parts()] : []),
  ];
}
