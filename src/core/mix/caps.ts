import { density, grams, type Message, minutes, ml, rate, texts } from '../say';
import { PART_IDS, type Proportion } from '../system';
import type { Batch, MixAsk, Portion } from './mix-ask';

const CAPS = texts('caps', {
  primed:
    '{rate}{crew, plural, =1 {} other { × # pairs of hands}} × {left} left to place it, after {before} of brushing the primer in',
  placed: '{rate}{crew, plural, =1 {} other { × # pairs of hands}} × {left} left to place it',
  packets:
    '{rate}{crew, plural, =1 {} other { × # pairs of hands}} × {left} left to place it, less {each} for each packet kneaded after the first',
  capped: '{cap} in one pot / {density}',
  'capped-kit': '{cap} in one pot, a kit is {kit}',
  pack: 'the packs that go into a pail, or one, in each of several pots: nobody has said what is at hand',
  film: 'a sheet of film that holds {holds}',
  vessel: 'the vessel of {holds}, filled to two thirds',
  'vessel-assumed': 'a mixing tub of {holds}, filled to two thirds, as nobody has said what is at hand',
});

/** Share of a vessel that may be filled: stirring needs room. */
export const HEADROOM = 2 / 3;

/** What bounds one pot, mL: what can be placed out of it in its time, what it may hold by its mass and vessel. */
export interface Caps {
  readonly placedMl: number;
  readonly heldMl: number;
  /** The smaller of the two, and what sets it. */
  readonly capMl: number;
  readonly binds: Message;
  /** It is a vessel that nobody has named. */
  readonly assumed: boolean;
}

/** What is done out of a pot before it is placed, min: for the pot, and for each mL that is placed of it. */
export interface Before {
  readonly eachMin: number;
  readonly perMlMin: number;
}

/** What a portion asks for out of its pots beforehand; null where it asks for nothing. @param ml what is placed of it */
export const beforeOf = ({ before }: Portion, ml: number): Before | null =>
  before ? { eachMin: before.eachMin, perMlMin: ml > 0 ? before.allMin / ml : 0 } : null;

const beforeMin = (before: Before | null, ml: number): number => (before ? before.eachMin + before.perMlMin * ml : 0);

/** What a batch has of it. */
export const beforehand = (before: Before | null, ml: number): Pick<Batch, 'before'> =>
  before ? { before: { eachMin: before.eachMin, allMin: before.perMlMin * ml } } : {};

/** Where more than that share of its time is gone before anything is placed, no smaller pot mends it. */
const MOST_BEFORE = 0.8;

/**
 * What of it pots are parted by: nothing where it uses up a pot, however little is in that. Such a pot is told to be
 * dead, and not parted ever smaller.
 * @param mostMl what is placed at the least out of one, mL; 0 where it may be as little as one likes
 */
export const countedBefore = (before: Before | null, usableMin: number, mostMl: number): Before | null =>
  beforeMin(before, mostMl) <= MOST_BEFORE * usableMin ? before : null;

/** What is placed in its time out of a pot, mL, by so many mL a minute. */
export function placeableMl(mlPerMin: number, usableMin: number, before: Before | null): number {
  if (!before) return mlPerMin * usableMin;
  return Math.max(0, usableMin - before.eachMin) / (1 / mlPerMin + before.perMlMin);
}

/** Minutes left to place so much. Steps are laid out in whole ones: what is left is counted in those. */
export const wholeMinutesLeft = (usableMin: number, before: Before | null, ml: number): number =>
  Math.max(Math.min(1, usableMin), Math.floor(usableMin) - Math.ceil(beforeMin(before, ml) - 1e-9));

/** What is placed of a portion, or of a part, and what bounds a pot of it. */
export interface Piece {
  readonly ml: number;
  readonly before: Before | null;
  readonly caps: Caps;
}

/**
 * What can be placed out of packets that are kneaded one after the other, mL: k of them leave life − (k − 1) kneadings,
 * and hold no more than k packets.
 */
function ofPackets(mlPerMin: number, packetMin: number, packetMl: number, usableMin: number): number {
  const left = (k: number) => mlPerMin * (usableMin - (k - 1) * packetMin);
  const full = Math.max(1, Math.floor((mlPerMin * (usableMin + packetMin)) / (packetMl + mlPerMin * packetMin) + 1e-9));
  // One more that is not used up may still be worth its kneading.
  return Math.max(Math.min(full * packetMl, left(full)), left(full + 1));
}

/**
 * Of whole kits the pot holds all that is in them, whatever the sheet says they make.
 * @param several it is one of several pots
 * @param before what is done out of it beforehand
 */
export function capsOf(
  ask: MixAsk,
  proportion: Proportion,
  kitMl: number | null,
  several = false,
  before: Before | null = null,
): Caps {
  const kitG = PART_IDS.reduce((sum, id) => sum + (ask.kit.massG[id] ?? 0), 0);
  const perG = kitMl === null ? 1 / proportion.densityGPerMl : kitMl / kitG;
  const perVesselMl = kitMl === null ? 1 : kitMl / (kitG / proportion.densityGPerMl);
  const mlPerMin = ask.placingMlPerMin * ask.crew;
  const packetMin = kitMl === null ? 0 : (ask.packetMin ?? 0);
  const inTime =
    packetMin > 0
      ? ofPackets(mlPerMin, packetMin, kitMl!, ask.usableMin)
      : placeableMl(mlPerMin, ask.usableMin, before);
  const placed: [number, Message] = [
    ask.asPlaced ? Number.POSITIVE_INFINITY : inTime,
    packetMin > 0
      ? CAPS.packets({
          rate: rate(ask.placingMlPerMin),
          crew: ask.crew,
          left: minutes(ask.usableMin),
          each: minutes(packetMin),
        })
      : CAPS[before ? 'primed' : 'placed']({
          rate: rate(ask.placingMlPerMin),
          crew: ask.crew,
          left: minutes(inTime / mlPerMin),
          before: minutes(ask.usableMin - inTime / mlPerMin),
        }),
  ];
  const held: [number, Message][] = [
    ...(ask.massCapG === null
      ? []
      : [
          [
            ask.massCapG * perG,
            kitMl === null
              ? CAPS.capped({ cap: grams(ask.massCapG), density: density(proportion.densityGPerMl) })
              : CAPS['capped-kit']({ cap: grams(ask.massCapG), kit: grams(kitG) }),
          ] as [number, Message],
        ]),
    ...(several && ask.severalUpToMl !== undefined && kitMl === null
      ? [[ask.severalUpToMl, CAPS.pack()] as [number, Message]]
      : []),
    // Whole packs are mixed as they are, on as much film as they take.
    ...(ask.filmMl == null || kitMl !== null
      ? []
      : [[ask.filmMl, CAPS.film({ holds: ml(ask.filmMl) })] as [number, Message]]),
    ...(ask.vesselMaxMl === null
      ? []
      : [
          [
            ask.vesselMaxMl * HEADROOM * perVesselMl,
            CAPS[ask.vesselAssumed ? 'vessel-assumed' : 'vessel']({ holds: ml(ask.vesselMaxMl) }),
          ] as [number, Message],
        ]),
  ];
  const [capMl, binds] = [placed, ...held].reduce((a, b) => (b[0] < a[0] ? b : a));
  const vesselMl = ask.vesselMaxMl === null || !ask.vesselAssumed ? null : ask.vesselMaxMl * HEADROOM * perVesselMl;
  return {
    placedMl: placed[0],
    heldMl: Math.min(...held.map(([ml]) => ml)),
    capMl,
    binds,
    assumed: capMl === vesselMl,
  };
}
