import {
  coverageMl,
  isMetered,
  type Kit,
  kitVolumeMl,
  PART_IDS,
  type PartId,
  type Proportion,
  plannedKitMl,
  proportionOf,
  type SheetRevision,
} from '../system';
import { figure, line, refuse, type Voice, type WorkLine } from '../units';

/** One allowance between the void and what is mixed: its own cause, its own line, in mL (negative for a recess). */
export interface Allowance {
  readonly id: string;
  readonly label: string;
  readonly ml: number;
  readonly expression: string;
  readonly voice: Voice;
}

/** One portion of the work that must be placed before the next may follow: a lift, or everything. */
export interface Portion {
  readonly label: string;
  /** Share of the total, the portions sum to 1. */
  readonly share: number;
}

export interface MixAsk {
  readonly sheet: SheetRevision;
  readonly kit: Kit;
  readonly netMl: number;
  readonly p90Ml: number;
  readonly p95Ml: number;
  /** Add the reserve for doubt up to the 90 % value. */
  readonly reserve: boolean;
  readonly allowances: readonly Allowance[];
  readonly portions: readonly Portion[];
  /** Minutes a batch may take to place, after mixing and standing. */
  readonly usableMin: number;
  /** Placing rate of one pair of hands, mL/min, and how many there are. */
  readonly placingMlPerMin: number;
  readonly crew: number;
  /** Most that may stand in one pot, g, and most that the vessel takes, mL; null where they do not bind. */
  readonly massCapG: number | null;
  readonly vesselMaxMl: number | null;
  /** Whole kits only, or split by weighing. */
  readonly split: 'whole' | 'weighed';
  /** Like places, for metered systems. */
  readonly count: number;
  /** Minutes from one like place to the next (metered). */
  readonly minutesPerPlace: number;
  /** Several like places in one go, or one at a time (metered). */
  readonly grouping: 'one' | 'several';
  /** Throw away the first shots of every mixer. */
  readonly purge: boolean;
  /** Minutes the resin may sit in a mixer without moving; null when the sheet is silent (a fresh mixer each time). */
  readonly idleMin: number | null;
}

export interface Batch {
  readonly index: number;
  readonly portion: number;
  readonly label: string;
  readonly ml: number;
  readonly massG: Readonly<Record<PartId, number>>;
  readonly volumeMl: Readonly<Record<PartId, number>>;
  /** Whole kits in this batch, or null when weighed out or metered. */
  readonly kits: number | null;
  /** Like places served (metered). */
  readonly places: number;
  readonly mixers: number;
}

export interface AmountLine {
  readonly id: string;
  readonly label: string;
  readonly ml: number;
  readonly expression: string;
  readonly voice: Voice;
}

export interface MixResult {
  readonly lines: readonly AmountLine[];
  /** What is mixed (90 % value with all losses). */
  readonly toMixMl: number;
  /** What to have on hand (95 % value with all losses). */
  readonly onHandMl: number;
  readonly batches: readonly Batch[];
  readonly kits: {
    readonly kit: Kit;
    readonly volumeMl: number;
    readonly use: number;
    readonly buy: number;
    readonly leftMl: number;
    readonly leftIsMixed: boolean;
  };
  readonly proportion: Proportion;
  readonly capMl: number;
  readonly working: readonly WorkLine[];
}

/** Mass of all parts together, g. */
export const massOf = (massG: Readonly<Record<PartId, number>>): number => PART_IDS.reduce((sum, id) => sum + massG[id], 0);

const MAX_BATCHES = 400;

function yieldLines({ sheet, kit }: MixAsk): WorkLine[] {
  const geometry = kitVolumeMl(sheet, kit);
  const covers = coverageMl(sheet, kit);
  return [
    line('One kit by its masses', 'mass / density of the mix, the scarcest part decides', geometry, 'mL'),
    ...(kit.yieldMl === null
      ? []
      : [
          line(
            'One kit by the sheet',
            kit.yieldMl < geometry ? 'smaller: this one plans' : 'larger: the masses plan',
            kit.yieldMl,
            'mL',
            undefined,
            'sheet',
          ),
        ]),
    ...(covers === null
      ? []
      : [
          line(
            'One kit by the sheet’s coverage',
            `${sheet.coverageKgPerM2Mm} kg for each m² and mm: ${covers < geometry ? 'smaller than by the masses' : 'larger than by the masses, which plan'}`,
            covers,
            'mL',
            undefined,
            'sheet',
          ),
        ]),
  ];
}

/** Masses and volumes of the parts in so much mix, g and mL. */
export function partsOf(sheet: SheetRevision, p: Proportion, ml: number): Pick<Batch, 'massG' | 'volumeMl'> {
  const mass = ml * p.densityGPerMl;
  const over = (f: (id: PartId) => number) => Object.fromEntries(PART_IDS.map((id) => [id, f(id)])) as Record<PartId, number>;
  const massG = over((id) => mass * p.massShare[id]);
  return { massG, volumeMl: over((id) => massG[id] / (sheet.parts.find((part) => part.id === id)?.densityGPerMl ?? 1)) };
}

/** What whole kits hold: all of it goes into the pot, whatever volume the sheet says it makes. */
function partsOfKits(sheet: SheetRevision, kit: Kit, kits: number): Pick<Batch, 'massG' | 'volumeMl'> {
  const over = (f: (id: PartId) => number) => Object.fromEntries(PART_IDS.map((id) => [id, f(id)])) as Record<PartId, number>;
  const massG = over((id) => kits * (kit.massG[id] ?? 0));
  return { massG, volumeMl: over((id) => massG[id] / (sheet.parts.find((part) => part.id === id)?.densityGPerMl ?? 1)) };
}

/**
 * From the void to what is mixed, in how many batches, from how many kits. Losses depend on the number of batches and
 * mixers, and that number on the losses: the smallest number that fits is found by trying in order.
 * @throws Refusal when no batch can be placed in its working time
 */
export function amounts(ask: MixAsk): MixResult {
  const { sheet, kit } = ask;
  const proportion = proportionOf(sheet);
  // The sheet's yield often disagrees with geometry: the smaller one plans, the working shows both.
  const kitMl = plannedKitMl(sheet, kit);
  if (!(ask.usableMin > 0))
    refuse(
      'usableMin',
      ask.usableMin,
      'more than 0 min',
      'Mixing and standing use up the whole pot life: nothing could be placed. Cool the material, or choose a slower system.',
    );
  const reserve = ask.reserve ? Math.max(0, ask.p90Ml - ask.netMl) : 0;
  const lines: AmountLine[] = [
    { id: 'net', label: 'the void', ml: ask.netMl, expression: 'measured', voice: 'measured' },
    ...ask.allowances.filter((a) => a.ml !== 0),
    ...(reserve > 0
      ? [{ id: 'reserve', label: 'reserve for doubt', ml: reserve, expression: 'up to the 90 % value', voice: 'computed' as const }]
      : []),
  ];
  const placed = lines.reduce((sum, l) => sum + l.ml, 0);
  if (!(placed > 0))
    refuse('allowances', placed, 'more than 0 mL to place', 'With these allowances nothing is left to place. Check the recess.');
  const safety = Math.max(0, ask.p95Ml - ask.netMl - reserve);
  return isMetered(sheet.kind)
    ? metered(ask, proportion, kitMl, lines, placed, safety)
    : potted(ask, proportion, kitMl, lines, placed, safety);
}

function metered(ask: MixAsk, proportion: Proportion, kitMl: number, lines: AmountLine[], placed: number, safety: number): MixResult {
  const { sheet } = ask;
  const perPlace = ask.minutesPerPlace;
  if (perPlace > ask.usableMin)
    refuse(
      'usableMin',
      ask.usableMin,
      `at least ${figure(perPlace)} min`,
      `One place takes ${figure(perPlace)} min, the resin works for ${figure(ask.usableMin)} min. Work colder, add hands, or choose a slower resin.`,
    );
  const most = ask.grouping === 'one' ? 1 : Math.max(1, Math.floor(ask.usableMin / perPlace));
  const groups = Math.ceil(ask.count / most);
  // Between groups the mixer stands still while rods are set; within a group it stands for one place at a time.
  const idle = perPlace * Math.min(most, ask.count);
  const freshEachGroup = ask.idleMin === null || idle > ask.idleMin;
  const mixers = sheet.mixer ? (freshEachGroup ? groups : 1) : 0;
  const perMixer = sheet.mixer ? sheet.mixer.volumeMl + (ask.purge ? sheet.mixer.purgeMl : 0) : 0;
  const all = [...lines];
  if (sheet.mixer) {
    if (ask.purge)
      all.push({
        id: 'purge',
        label: 'first shots thrown away',
        ml: mixers * sheet.mixer.purgeMl,
        expression: `${mixers} × ${sheet.mixer.purgeMl} mL`,
        voice: 'sheet',
      });
    all.push({
      id: 'mixer',
      label: 'left in mixers',
      ml: mixers * sheet.mixer.volumeMl,
      expression: `${mixers} × ${sheet.mixer.volumeMl} mL`,
      voice: 'sheet',
    });
  }
  const toMixMl = placed + mixers * perMixer;
  const onHandMl = toMixMl + safety;
  const sizes = Array.from({ length: groups }, (_, i) => Math.floor(ask.count / groups) + (i < ask.count % groups ? 1 : 0));
  const batches = sizes.map((places, i): Batch => {
    const ml = (placed * places) / ask.count + (freshEachGroup || i === 0 ? perMixer : 0);
    return {
      index: i,
      portion: 0,
      label: places === 1 && ask.count > 1 ? `place ${i + 1}` : `${places} of ${ask.count}`,
      ml,
      ...partsOf(sheet, proportion, ml),
      kits: null,
      places,
      mixers: freshEachGroup || i === 0 ? Math.min(1, mixers) : 0,
    };
  });
  const use = Math.ceil(toMixMl / kitMl - 1e-9);
  const buy = Math.ceil(onHandMl / kitMl - 1e-9);
  return {
    lines: all,
    toMixMl,
    onHandMl,
    batches,
    kits: { kit: ask.kit, volumeMl: kitMl, use, buy, leftMl: buy * kitMl - toMixMl, leftIsMixed: false },
    proportion,
    capMl: (placed * most) / ask.count,
    working: [
      line(
        'Places in one go',
        ask.grouping === 'one'
          ? 'one at a time, as chosen'
          : `working time ${figure(ask.usableMin)} min / ${figure(perPlace)} min a place, rounded down`,
        most,
        '',
        undefined,
        ask.grouping === 'one' ? 'chosen' : 'computed',
      ),
      line(
        'Mixers',
        ask.idleMin === null
          ? 'one for each go: the sheet gives no idle time'
          : `${figure(idle)} min standing against ${figure(ask.idleMin)} min allowed`,
        mixers,
      ),
      line('Packs used', `${figure(toMixMl)} / ${figure(kitMl)} mL, rounded up`, use),
      line('Packs to have', `${figure(onHandMl)} mL at the 95 % value / ${figure(kitMl)} mL, rounded up`, buy),
      ...yieldLines(ask),
      ...proportion.working,
    ],
  };
}

/** The largest batch, and what sets it: the time to place it, the mass one pot may hold, or the vessel. */
function batchCap(ask: MixAsk, proportion: Proportion): { capMl: number; binds: string } {
  const caps: [number, string][] = [
    [
      ask.placingMlPerMin * ask.crew * ask.usableMin,
      `${figure(ask.placingMlPerMin)} mL/min${ask.crew > 1 ? ` × ${ask.crew} pairs of hands` : ''} × ${figure(ask.usableMin)} min left to place it`,
    ],
    ...(ask.massCapG === null
      ? []
      : [
          [ask.massCapG / proportion.densityGPerMl, `${figure(ask.massCapG)} g in one pot / ${figure(proportion.densityGPerMl)} g/mL`] as [
            number,
            string,
          ],
        ]),
    ...(ask.vesselMaxMl === null
      ? []
      : [[ask.vesselMaxMl * HEADROOM, `the vessel of ${figure(ask.vesselMaxMl)} mL, filled to two thirds`] as [number, string]]),
  ];
  const [capMl, binds] = caps.reduce((a, b) => (b[0] < a[0] ? b : a));
  return { capMl, binds };
}

/** Share of a vessel that may be filled: stirring needs room. */
const HEADROOM = 2 / 3;

function potted(ask: MixAsk, proportion: Proportion, kitMl: number, lines: AmountLine[], placed: number, safety: number): MixResult {
  const { sheet } = ask;
  const { capMl, binds } = batchCap(ask, proportion);
  const loss = sheet.potLossMl;
  const whole = ask.split === 'whole' || !ask.kit.splittable;
  if (whole && kitMl > capMl * 1.0001)
    refuse(
      'split',
      kitMl,
      `kits up to ${figure(capMl)} mL`,
      `A whole kit makes ${figure(kitMl)} mL, one batch may have ${figure(capMl)} mL: ${binds}. ${ask.kit.splittable ? 'Split the kit by weighing' : 'Choose a smaller kit'}, keep the pot cooler, or add hands.`,
    );
  const kitsPerBatch = Math.max(1, Math.floor(capMl / kitMl + 1e-9));
  const portionMl = ask.portions.map((p) => placed * p.share);

  const planFor = (extra: number): { perPortion: number[]; kitsPerPortion: number[]; n: number } => {
    const perPortion: number[] = [];
    const kitsPerPortion: number[] = [];
    for (const [i, share] of portionMl.entries()) {
      const need = share + extra * ask.portions[i]!.share;
      let n = 1;
      for (; n <= MAX_BATCHES; n++) {
        if (whole) {
          const kits = Math.ceil((need + n * loss) / kitMl - 1e-9);
          if (Math.ceil(kits / kitsPerBatch) <= n) {
            kitsPerPortion.push(kits);
            break;
          }
        } else if ((need + n * loss) / n <= capMl + 1e-9) break;
      }
      if (n > MAX_BATCHES)
        refuse(
          'usableMin',
          ask.usableMin,
          `under ${MAX_BATCHES} batches`,
          `Each batch leaves ${figure(loss)} mL in the pot and only ${figure(capMl)} mL can be placed in time: the work never ends. Keep the pot cooler or add hands.`,
        );
      perPortion.push(n);
    }
    return { perPortion, kitsPerPortion, n: perPortion.reduce((a, b) => a + b, 0) };
  };

  const plan = planFor(0);
  const toMixMl = placed + plan.n * loss;
  const onHand = planFor(safety);
  const onHandMl = placed + safety + onHand.n * loss;
  const batches: Batch[] = [];
  ask.portions.forEach((portion, i) => {
    const n = plan.perPortion[i]!;
    const kits = whole ? plan.kitsPerPortion[i]! : null;
    for (let k = 0; k < n; k++) {
      const mine = kits === null ? null : Math.floor(kits / n) + (k < kits % n ? 1 : 0);
      const ml = mine === null ? portionMl[i]! / n + loss : mine * kitMl;
      batches.push({
        index: batches.length,
        portion: i,
        label: portion.label,
        ml,
        ...(mine === null ? partsOf(sheet, proportion, ml) : partsOfKits(sheet, ask.kit, mine)),
        kits: mine,
        places: 1,
        mixers: 0,
      });
    }
  });
  const use = whole ? batches.reduce((s, b) => s + (b.kits ?? 0), 0) : Math.ceil(toMixMl / kitMl - 1e-9);
  const buy = Math.max(use, whole ? onHand.kitsPerPortion.reduce((a, b) => a + b, 0) : Math.ceil(onHandMl / kitMl - 1e-9));
  const all: AmountLine[] = [
    ...lines,
    ...(loss > 0
      ? [
          {
            id: 'pot',
            label: 'left in pots and on tools',
            ml: plan.n * loss,
            expression: `${plan.n} × ${loss} mL`,
            voice: 'sheet' as const,
          },
        ]
      : []),
  ];
  return {
    lines: all,
    toMixMl,
    onHandMl,
    batches,
    kits: { kit: ask.kit, volumeMl: kitMl, use, buy, leftMl: buy * kitMl - toMixMl, leftIsMixed: whole && buy === use },
    proportion,
    capMl,
    working: [
      line('Largest batch', binds, capMl, 'mL'),
      line(
        'Batches',
        whole
          ? `${figure(kitMl)} mL a kit, at most ${kitsPerBatch} in one pot`
          : `smallest number with each under ${figure(capMl)} mL, its own loss included`,
        plan.n,
      ),
      line('Kits used', whole ? 'whole kits, each portion rounded up' : `${figure(toMixMl)} / ${figure(kitMl)} mL, rounded up`, use),
      line('Kits to have', `the same at the 95 % value, ${figure(onHandMl)} mL`, buy),
      ...yieldLines(ask),
      ...proportion.working,
    ],
  };
}

/** A batch beside the plan, of what ran out or was lost. */
export function topUp(mix: MixResult, sheet: SheetRevision, index: number, ml: number): Batch {
  const last = mix.batches.at(-1)!;
  const total = ml + sheet.potLossMl;
  return {
    index,
    portion: last.portion,
    label: 'top-up',
    ml: total,
    ...partsOf(sheet, mix.proportion, total),
    kits: null,
    places: 1,
    mixers: sheet.mixer ? 1 : 0,
  };
}
