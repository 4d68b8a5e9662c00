import { exactly, ml, texts } from '../say';
import { type Kit, PART_IDS, type PartId, type Proportion, type SheetRevision } from '../system';
import { figure, line, refuse } from '../units';
import {
  type AmountLine,
  type Batch,
  drawFrom,
  type MixAsk,
  type MixBasis,
  type MixResult,
  NOTHING_DRAWN,
  partsOf,
  yieldLines,
} from './mix-ask';

const SAY = texts('pot.amount', { pots: 'left in pots and on tools', times: '{n} × {each}' });

const MAX_BATCHES = 400;
/** Over all lifts. */
const MAX_IN_ALL = 1000;

/** What whole kits hold: all of it goes into the pot, whatever volume the sheet says it makes. */
function partsOfKits(sheet: SheetRevision, kit: Kit, kits: number): Pick<Batch, 'massG' | 'volumeMl'> {
  const over = (f: (id: PartId) => number) =>
    Object.fromEntries(PART_IDS.map((id) => [id, f(id)])) as Record<PartId, number>;
  const massG = over((id) => kits * (kit.massG[id] ?? 0));
  return {
    massG,
    volumeMl: over((id) => massG[id] / (sheet.parts.find((part) => part.id === id)?.densityGPerMl ?? 1)),
  };
}

/**
 * The largest batch, and what sets it: the time to place it, the mass one pot may hold, or the vessel. Of whole kits
 * the pot holds all that is in them, whatever the sheet says they make.
 */
function batchCap(ask: MixAsk, proportion: Proportion, kitMl: number | null): { capMl: number; binds: string } {
  const kitG = PART_IDS.reduce((sum, id) => sum + (ask.kit.massG[id] ?? 0), 0);
  const perG = kitMl === null ? 1 / proportion.densityGPerMl : kitMl / kitG;
  const perVesselMl = kitMl === null ? 1 : kitMl / (kitG / proportion.densityGPerMl);
  const caps: [number, string][] = [
    [
      ask.placingMlPerMin * ask.crew * ask.usableMin,
      `${figure(ask.placingMlPerMin)} mL/min${ask.crew > 1 ? ` × ${ask.crew} pairs of hands` : ''} × ${figure(ask.usableMin)} min left to place it`,
    ],
    ...(ask.massCapG === null
      ? []
      : [
          [
            ask.massCapG * perG,
            kitMl === null
              ? `${figure(ask.massCapG)} g in one pot / ${figure(proportion.densityGPerMl)} g/mL`
              : `${figure(ask.massCapG)} g in one pot, a kit is ${figure(kitG)} g`,
          ] as [number, string],
        ]),
    ...(ask.vesselMaxMl === null
      ? []
      : [
          [
            ask.vesselMaxMl * HEADROOM * perVesselMl,
            `the vessel of ${figure(ask.vesselMaxMl)} mL, filled to two thirds`,
          ] as [number, string],
        ]),
  ];
  const [capMl, binds] = caps.reduce((a, b) => (b[0] < a[0] ? b : a));
  return { capMl, binds };
}

/** Up to two figures, so that it can be said and typed. @example roundUp(311.2) // 320 */
function roundUp(value: number): number {
  const step = 10 ** (Math.floor(Math.log10(value)) - 1);
  return Number((Math.ceil(value / step - 1e-9) * step).toPrecision(6));
}

/** Share of a vessel that may be filled: stirring needs room. */
const HEADROOM = 2 / 3;

/**
 * What is mixed in pots: the smallest number of batches that fit, each with its own loss. @throws Refusal when a kit is
 * larger than a batch may be, or the work never ends
 */
export function potted({ ask, proportion, kitMl, lines, placed, safety }: MixBasis): MixResult {
  const { sheet } = ask;
  const whole = ask.split === 'whole' || !ask.kit.splittable;
  const assumed = batchCap(ask, proportion, whole ? kitMl : null);
  const byRateMl = ask.placingMlPerMin * ask.crew * ask.usableMin;
  // Steps are laid out in whole minutes: what is left is counted in those.
  const inMin = Math.max(Math.min(1, ask.usableMin), Math.floor(ask.usableMin));
  const needs = whole && !ask.rateChosen && kitMl > byRateMl * 1.0001 ? roundUp(kitMl / ask.crew / inMin) : null;
  const { capMl, binds } = needs === null ? assumed : batchCap({ ...ask, placingMlPerMin: needs }, proportion, kitMl);
  const loss = sheet.potLossMl;
  if (whole && kitMl > capMl * 1.0001)
    refuse(
      'split',
      kitMl,
      `kits up to ${figure(capMl)} mL`,
      `A whole kit makes ${figure(kitMl)} mL, one batch may have ${figure(capMl)} mL: ${binds}. ${ask.kit.splittable ? 'Split the kit by weighing' : 'Choose a smaller kit'}, keep the pot cooler, or add hands.`,
    );
  const kitsPerBatch = ask.oneKitAPot ? 1 : Math.max(1, Math.floor(capMl / kitMl + 1e-9));
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
    const n = perPortion.reduce((a, b) => a + b, 0);
    if (n > MAX_IN_ALL)
      refuse(
        'usableMin',
        n,
        `up to ${MAX_IN_ALL} batches in all`,
        `It would take ${n} batches in all: check the void, the lifts and the time a batch has.`,
      );
    return { perPortion, kitsPerPortion, n };
  };

  const plan = planFor(0);
  const toMixMl = placed + plan.n * loss;
  const onHand = planFor(safety);
  const onHandMl = placed + safety + onHand.n * loss;
  const batches: Batch[] = [];
  ask.portions.forEach((portion, i) => {
    const n = plan.perPortion[i]!;
    const kits = whole ? plan.kitsPerPortion[i]! : null;
    const before = batches.length;
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
        ...NOTHING_DRAWN,
      });
    }
    const { drawn } = portion;
    if (!drawn) return;
    // Each batch gives the primer of what it covers.
    const all = batches.slice(before).reduce((s, b) => s + b.ml, 0);
    for (let k = before; k < batches.length; k++)
      batches[k] = drawFrom(sheet, batches[k]!, (drawn.ml * batches[k]!.ml) / all, drawn.cut);
  });
  const use = whole ? batches.reduce((s, b) => s + (b.kits ?? 0), 0) : Math.ceil(toMixMl / kitMl - 1e-9);
  const buy = Math.max(
    use,
    whole ? onHand.kitsPerPortion.reduce((a, b) => a + b, 0) : Math.ceil(onHandMl / kitMl - 1e-9),
  );
  const all: AmountLine[] = [
    ...lines,
    ...(loss > 0
      ? [
          {
            id: 'pot',
            label: SAY.pots(),
            ml: plan.n * loss,
            expression: SAY.times({ n: plan.n, each: exactly(ml(loss)) }),
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
    rateNeeded: needs,
    working: [
      line('Largest batch', binds, capMl, 'mL'),
      line(
        'Batches',
        whole
          ? `${figure(kitMl)} mL a kit, at most ${kitsPerBatch} in one pot`
          : `smallest number with each under ${figure(capMl)} mL, its own loss included`,
        plan.n,
      ),
      line(
        'Kits used',
        whole ? 'whole kits, each portion rounded up' : `${figure(toMixMl)} / ${figure(kitMl)} mL, rounded up`,
        use,
      ),
      line('Kits to have', `the same at the 95 % value, ${figure(onHandMl)} mL`, buy),
      ...yieldLines(ask),
      ...proportion.working,
    ],
  };
}
