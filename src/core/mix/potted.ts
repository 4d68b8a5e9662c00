import { exactly, line, minutes, ml, refuse, texts } from '../say';
import { type Kit, mayBeSplit, PART_IDS, type PartId, proportionOf, type SheetRevision, staysWhole } from '../system';
import { figure } from '../units';
import { beforehand, beforeOf, countedBefore } from './caps';
import { cutShort } from './cut-short';
import { forDoubt, rateFor, sharingOf } from './kit-pace';
import { filledUp, filledUpLine } from './least-pot';
import { type Apart, type Pot, partsLine, partsNamed, partsPerPot, type Sharing } from './like-parts';
import {
  type AmountLine,
  type Batch,
  drawFrom,
  type MixBasis,
  type MixResult,
  NOTHING_DRAWN,
  type Portion,
  partsOf,
  yieldLines,
} from './mix-ask';
import { withCovers } from './place-ends';
import { sizesMl, unlikeLine, unlikeParts } from './unlike-parts';
import {
  bagsOverAreas,
  evenly,
  kitsOver,
  ofWholePacks,
  packsIn,
  placedInTime,
  rateForBags,
  type Share,
  weighedFor,
} from './whole-packs';

const WORK = texts('work.potted', {
  largest: 'Largest batch',
  batches: 'Batches',
  kits: '{kit} a kit',
  'kits-a-pot': '{kit} a kit, at most {most} in one pot',
  'by-packs': 'whole packs of {kit}, as many as go into {cap}; the last what is left to do',
  fewest: 'smallest number with each under {cap}, its own loss included',
  used: 'Kits used',
  whole: 'whole kits, each portion rounded up',
  weighed: '{mixed} / {kit}, rounded up',
  have: 'Kits to have',
  'have-by': 'the same at the 95 % value, {onHand}',
});

const REFUSED = texts('refused.mix.potted', {
  'each-batch-leaves':
    'Each batch leaves {loss} in the pot and only {cap} can be placed in time: the work never ends. Keep the pot cooler or add hands.',
  'one-lot':
    'All of it is one lot, and {left} are left to place it: {crew, plural, one {one pair of hands takes} other {# pairs of hands take}} {takes}. Bring {hands}, or let the lot change at a threshold.',
  'whole-kit-makes':
    'A whole kit makes {kit}, one batch may have {cap}: {binds}. {splittable, select, yes {Split the kit by weighing} other {Choose a smaller kit}}, keep the pot cooler, or add hands.',
  'would-take-batches': 'It would take {all} batches in all: check the void, the lifts and the time a batch has.',
});

const SAY = texts('pot.amount', {
  pots: 'left in pots and on tools',
  times: '{n} × {each}',
  over: 'left of whole bags',
  'over-by': 'each does so many areas, and a little is over',
  cut: 'died in the pot before it was placed',
  'cut-by': '{pots, plural, one {# pot} other {# pots}}, thrown away',
});

/** The field of a refusal where all of it is one lot and cannot be used up in its life. */
export const ONE_LOT = 'lot';
const MAX_BATCHES = 400;
/** Over all lifts. */
const MAX_IN_ALL = 1000;

/**
 * What whole kits hold: all of it goes into the pot, whatever volume the sheet says it makes. What is in the mix and in
 * no kit is put to it in proportion.
 */
function partsOfKits(sheet: SheetRevision, kit: Kit, kits: number): Pick<Batch, 'massG' | 'volumeMl'> {
  const over = (f: (id: PartId) => number) =>
    Object.fromEntries(PART_IDS.map((id) => [id, f(id)])) as Record<PartId, number>;
  const { massShare } = proportionOf(sheet);
  const perShare = (kit.massG.A + kit.massG.B) / (massShare.A + massShare.B);
  const massG = over((id) => kits * (kit.massG[id] ?? massShare[id] * perShare));
  return {
    massG,
    volumeMl: over((id) => massG[id] / (sheet.parts.find((part) => part.id === id)?.densityGPerMl ?? 1)),
  };
}

/**
 * So many pots of so much to be placed, each with its own loss.
 * @param places what each of several places takes of it: what is weighed out ends with one of them where it can
 * @throws Refusal when the work never ends
 */
function potsFor(
  needMl: number,
  { ask, caps: one, several, kitMl, kitsPerPot, whole }: Sharing,
  places: readonly number[] = [],
): readonly Share[] {
  const { potLossMl: loss } = ask.sheet;
  let caps = one;
  const inTimeMl = placedInTime({ ask, caps, whole });
  for (let n = 1; n <= MAX_BATCHES; n++, caps = several) {
    if (needMl / n > inTimeMl + 1e-9) continue;
    if (whole) {
      const kits = Math.max(n, Math.ceil((needMl + n * loss) / kitMl - 1e-9));
      const pots = kitsOver(n, kits, kitMl, loss);
      const inTime = pots.every(({ share }) => share * needMl <= caps.placedMl + 1e-9);
      if (inTime && Math.ceil(kits / kitsPerPot) <= n) return pots;
    } else if (needMl / n + loss <= caps.heldMl + 1e-9)
      return (
        ofWholePacks(needMl, n, { ask, caps, kitMl, whole }) ??
        weighedFor(places, n, Math.min(inTimeMl, caps.heldMl - loss) / needMl) ??
        evenly(n)
      );
  }
  // Each pot takes something off the need: it would end, after more pots than anybody mixes.
  const eachMl = whole ? Math.min(caps.placedMl, kitsPerPot * kitMl - loss) : Math.min(inTimeMl, caps.heldMl - loss);
  if (eachMl > 0) {
    const all = Math.ceil(needMl / eachMl);
    refuse('usableMin', all, `under ${MAX_BATCHES} batches`, REFUSED['would-take-batches']({ all }));
  }
  return refuse(
    'usableMin',
    ask.usableMin,
    `under ${MAX_BATCHES} batches`,
    REFUSED['each-batch-leaves']({ loss: ml(loss), cap: ml(caps.capMl) }),
  );
}

/** The most that is placed out of one pot: in its time, and of what it holds. */
function mostPlaced(s: Sharing): number {
  const holdsMl = s.whole ? s.kitsPerPot * s.kitMl : s.caps.heldMl;
  return Math.min(placedInTime(s), holdsMl - s.ask.sheet.potLossMl);
}

/**
 * What is placed out of each pot where batches end at borders of one’s own; null where there are none, or they no
 * longer fit: another number of pots, or more in one than can be placed out of it.
 */
function bordered(placedMl: number, n: number, s: Sharing): number[] | null {
  const { borders = [], portions } = s.ask;
  if (!borders.length || borders.length !== n - 1 || portions.some((p) => p.over)) return null;
  const ends = [0, ...[...borders].sort((a, b) => a - b), 1];
  const sizes = ends.slice(1).map((end, i) => (end - ends[i]!) * placedMl);
  const most = mostPlaced(s);
  const fits = sizes.every((ml) => ml > 0 && ml <= most + 1e-6);
  return fits ? sizes : null;
}

/** Whether the pots of a portion end at those borders. */
const isBordered = ({ share }: Portion, portion: number, placed: number, pots: readonly Pot[], s: Sharing): boolean =>
  !s.ask.parts && bordered(placed * share, pots.filter((p) => p.portion === portion).length, s) !== null;

/** The fewest pots that do: portion by portion, or part by part where there are several. */
function shared(placed: number, extra: number, each: readonly Sharing[]): readonly Pot[] {
  const s = each[0]!;
  const { ask, kitMl, whole } = s;
  const { parts, portions, sheet } = ask;
  const apart: Apart = (needMl, shareMl, portion, fromTo) => {
    const mine = each[portion]!;
    const pots = potsFor(needMl, mine, portions[portion]!.places);
    const sizes = fromTo ? null : bordered(shareMl, pots.length, mine);
    return pots.map(({ kits, share }, k) => {
      const placedMl = sizes?.[k] ?? share * shareMl;
      return {
        portion,
        placedMl,
        kits:
          kits === null || !sizes ? kits : Math.ceil(((placedMl * needMl) / shareMl + sheet.potLossMl) / kitMl - 1e-9),
        ...(fromTo ? { fromTo } : {}),
      };
    });
  };
  if (!parts) {
    const pots = portions.flatMap((p, i) => apart((placed + extra) * p.share, placed * p.share, i));
    return cutShort(pots, ask.cuts ?? [], (restMl, portion) =>
      potsFor((restMl * (placed + extra)) / placed, each[portion]!),
    );
  }
  if (parts.shares) return unlikeParts(placed, extra, s, apart);
  const [needMl, shareMl] = [(placed + extra) / parts.count, placed / parts.count];
  const most = partsPerPot(needMl, s);
  const bags = most < parts.count ? bagsOverAreas(needMl, { ...s, caps: s.several }) : null;
  if (bags)
    return bags.map(({ fromTo, ...of }) => {
      const placedMl = (fromTo[1] - fromTo[0] + 1) * shareMl;
      return { portion: 0, placedMl, kits: null, fromTo, ...of };
    });
  const perPot =
    most < parts.count ? Math.max(Math.min(1, most), partsPerPot(needMl, { ...s, caps: s.several })) : most;
  if (perPot < 1)
    return Array.from({ length: parts.count }, (_, i) => apart(needMl, shareMl, 0, [i + 1, i + 1])).flat();
  const n = Math.ceil(parts.count / perPot);
  const pots: Pot[] = [];
  for (let first = 1, k = 0; k < n; k++) {
    const mine = Math.floor(parts.count / n) + (k < parts.count % n ? 1 : 0);
    pots.push({
      portion: 0,
      placedMl: mine * shareMl,
      kits: whole ? Math.ceil((mine * needMl + sheet.potLossMl) / kitMl - 1e-9) : null,
      fromTo: [first, first + mine - 1],
    });
    first += mine;
  }
  return pots;
}

/**
 * What is mixed in pots: the smallest number of batches that fit, each with its own loss. @throws Refusal when a kit is
 * larger than a batch may be, or the work never ends
 */
export function potted({ ask: asked, proportion, kitMl, lines, placed, safety }: MixBasis): MixResult {
  const { sheet, parts } = asked;
  const loss = sheet.potLossMl;
  const whole = staysWhole(asked.kit, asked.split);
  const befores = asked.portions.map((p) => beforeOf(p, placed * p.share));
  const by = { proportion, kitMl, whole };
  const counted = befores.map((before, i) => {
    const ml = placed * asked.portions[i]!.share;
    return countedBefore(before, asked.usableMin, whole ? ml / Math.ceil((ml + loss) / kitMl - 1e-9) : 0);
  });
  const assumed = counted.map((before) => sharingOf(asked, by, before));
  const pieces = parts
    ? sizesMl(parts, placed).map((ml) => ({ ml, before: null, caps: assumed[0]!.caps }))
    : assumed.map(({ before, caps }, i) => ({ ml: placed * asked.portions[i]!.share, before, caps }));
  const needs = (whole || asked.oneLot ? rateFor : rateForBags)(pieces, asked, kitMl);
  const ask = needs === null || asked.rateChosen ? asked : { ...asked, placingMlPerMin: needs };
  const sharings = ask === asked ? assumed : counted.map((before) => sharingOf(ask, by, before));
  // Of several layers the one of which least is placed in its time.
  const sharing = sharings.reduce((a, b) => (b.caps.capMl < a.caps.capMl ? b : a));
  const { caps, several } = sharing;
  const mostMl = Math.max(...pieces.map((p) => p.ml));
  if (ask.oneLot && needs !== null && ask.rateChosen) {
    // As few as this would take itself: no figure rounded for a card decides who is fetched.
    const hands = Math.ceil(mostMl / (ask.placingMlPerMin * ask.usableMin * 1.0001));
    refuse(
      ONE_LOT,
      hands,
      `${hands} pairs of hands, or a break in the lot`,
      REFUSED['one-lot']({
        left: minutes(ask.usableMin),
        crew: ask.crew,
        takes: minutes(mostMl / (ask.placingMlPerMin * ask.crew)),
        hands,
      }),
    );
  }
  if (whole && (kitMl > caps.heldMl * 1.0001 || (needs !== null && ask.rateChosen)))
    refuse(
      'split',
      kitMl,
      `kits up to ${figure(caps.capMl)} mL`,
      REFUSED['whole-kit-makes']({
        kit: ml(kitMl),
        cap: ml(caps.capMl),
        binds: caps.binds,
        splittable: mayBeSplit(ask.kit) ? 'yes' : 'no',
      }),
    );
  const pots = shared(placed, 0, sharings);
  const bound = new Set(pots.map((p) => p.portion)).size < pots.length ? several : caps;
  const onHand = shared(placed, safety, forDoubt(sharings, proportion, pieces, (placed + safety) / placed));
  for (const all of [pots, onHand])
    if (all.length > MAX_IN_ALL)
      refuse(
        'usableMin',
        all.length,
        `up to ${MAX_IN_ALL} batches in all`,
        REFUSED['would-take-batches']({ all: all.length }),
      );
  const dead = pots.filter((p) => p.meantMl !== undefined);
  const deadMl = dead.reduce((sum, p) => sum + p.meantMl! - p.placedMl, 0);
  // Whole bags of which no area is left for the last.
  const overMl = pots.reduce((sum, p) => sum + (p.mixedMl === undefined ? 0 : p.mixedMl - p.placedMl - loss), 0);
  const ownMl = (p: Pot) => (p.kits === null ? (p.mixedMl ?? (p.meantMl ?? p.placedMl) + loss) : null);
  const fill = (of: readonly Pot[]) => filledUp(of.map(ownMl), ask, proportion.densityGPerMl);
  const filled = fill(pots);
  const sumOf = (mls: readonly number[]) => mls.reduce((sum, x) => sum + x, 0);
  const toMixMl = placed + deadMl + overMl + pots.length * loss + sumOf(filled);
  const onHandMl = placed + deadMl + overMl + safety + onHand.length * loss + sumOf(fill(onHand));
  const plain = pots.map((pot, index): Batch => {
    const { portion, placedMl, kits, fromTo, meantMl, carriedMl = 0 } = pot;
    const own = ownMl(pot) ?? kits! * kitMl;
    const ml = own + filled[index]!;
    const packs = kits === null ? packsIn(ml, sharing) : null;
    return {
      index,
      portion,
      label: fromTo && parts ? partsNamed(fromTo, parts.called) : ask.portions[portion]!.label,
      ml,
      placedMl,
      ...(meantMl === undefined ? {} : { meantMl }),
      ...(carriedMl > 0 ? { carriedMl } : {}),
      ...(ask.rateOfMixed && kits === null ? { handledMl: own } : {}),
      ...(kits === null ? partsOf(sheet, proportion, ml) : partsOfKits(sheet, ask.kit, kits)),
      kits,
      ...(packs === null ? {} : { packs }),
      places: fromTo ? fromTo[1] - fromTo[0] + 1 : 1,
      mixers: 0,
      ...(fromTo ? { fromTo } : {}),
      ...beforehand(befores[portion]!, placedMl),
      ...NOTHING_DRAWN,
    };
  });
  // Each batch gives the primer of what it covers.
  const batches = withCovers(plain, ask.portions).map((batch) => {
    const { drawn } = ask.portions[batch.portion]!;
    if (!drawn) return batch;
    const all = plain.filter((b) => b.portion === batch.portion).reduce((sum, b) => sum + b.ml, 0);
    return drawFrom(sheet, batch, (drawn.ml * batch.ml) / all, drawn.cut);
  });
  const kitsIn = (of: readonly Pot[]) => of.reduce((sum, p) => sum + (p.kits ?? 0), 0);
  const use = whole ? kitsIn(pots) : Math.ceil(toMixMl / kitMl - 1e-9);
  const buy = Math.max(use, whole ? kitsIn(onHand) : Math.ceil(onHandMl / kitMl - 1e-9));
  const all: AmountLine[] = [
    ...lines,
    ...(overMl > 1
      ? [
          {
            id: 'over',
            label: SAY.over(),
            ml: overMl,
            expression: SAY['over-by'](),
            voice: 'computed' as const,
            lost: true as const,
          },
        ]
      : []),
    ...(deadMl > 0
      ? [
          {
            id: 'cut',
            label: SAY.cut(),
            ml: deadMl,
            expression: SAY['cut-by']({ pots: dead.length }),
            voice: 'measured' as const,
            lost: true as const,
          },
        ]
      : []),
    ...filledUpLine(filled, ask),
    ...(loss > 0
      ? [
          {
            id: 'pot',
            label: SAY.pots(),
            ml: pots.length * loss,
            expression: SAY.times({ n: pots.length, each: exactly(ml(loss)) }),
            // Where the sheet is silent it is a figure of ours.
            voice: sheet.estimated.includes('potLoss') ? ('computed' as const) : ('sheet' as const),
            lost: true as const,
          },
        ]
      : []),
  ];
  // A usual tub that one pot goes into decides nothing, nor does any where it is wetted bead by bead.
  const decides = !ask.asPlaced && !(bound.assumed && pots.length === 1);
  return {
    lines: all,
    toMixMl,
    onHandMl,
    batches,
    kits: { kit: ask.kit, volumeMl: kitMl, use, buy, leftMl: buy * kitMl - toMixMl, leftIsMixed: whole && buy === use },
    proportion,
    capMl: bound.capMl,
    mostPlacedMl: mostPlaced(sharing),
    mostHeldMl: several.heldMl - loss,
    rateNeeded: needs,
    ...(ask.borders?.length
      ? { bordersKept: ask.portions.some((p, i) => isBordered(p, i, placed, pots, sharings[i]!)) }
      : {}),
    working: [
      ...(decides ? [line(WORK.largest(), bound.binds, ml(bound.capMl))] : []),
      ...(parts && pots.every((p) => p.mixedMl === undefined)
        ? [parts.shares ? unlikeLine(placed, sharing) : partsLine(placed / parts.count, sharing)]
        : []),
      line(
        WORK.batches(),
        whole
          ? WORK[Number.isFinite(sharing.kitsPerPot) ? 'kits-a-pot' : 'kits']({
              kit: ml(kitMl),
              ...(Number.isFinite(sharing.kitsPerPot) ? { most: sharing.kitsPerPot } : {}),
            })
          : WORK[plain.some((b) => b.packs) ? 'by-packs' : 'fewest']({ cap: ml(bound.capMl), kit: ml(kitMl) }),
        pots.length,
      ),
      line(WORK.used(), whole ? WORK.whole() : WORK.weighed({ mixed: ml(toMixMl), kit: ml(kitMl) }), use),
      line(WORK.have(), WORK['have-by']({ onHand: ml(onHandMl) }), buy),
      ...yieldLines(ask),
      ...proportion.working,
    ],
  };
}
