import { density, grams, type Message, minutes, ml, rate, texts } from '../say';
import { PART_IDS, type Proportion } from '../system';
import type { MixAsk } from './mix-ask';

const CAPS = texts('caps', {
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
 */
export function capsOf(ask: MixAsk, proportion: Proportion, kitMl: number | null, several = false): Caps {
  const kitG = PART_IDS.reduce((sum, id) => sum + (ask.kit.massG[id] ?? 0), 0);
  const perG = kitMl === null ? 1 / proportion.densityGPerMl : kitMl / kitG;
  const perVesselMl = kitMl === null ? 1 : kitMl / (kitG / proportion.densityGPerMl);
  const mlPerMin = ask.placingMlPerMin * ask.crew;
  const packetMin = kitMl === null ? 0 : (ask.packetMin ?? 0);
  const inTime = packetMin > 0 ? ofPackets(mlPerMin, packetMin, kitMl!, ask.usableMin) : mlPerMin * ask.usableMin;
  const placed: [number, Message] = [
    ask.asPlaced ? Number.POSITIVE_INFINITY : inTime,
    packetMin > 0
      ? CAPS.packets({
          rate: rate(ask.placingMlPerMin),
          crew: ask.crew,
          left: minutes(ask.usableMin),
          each: minutes(packetMin),
        })
      : CAPS.placed({ rate: rate(ask.placingMlPerMin), crew: ask.crew, left: minutes(ask.usableMin) }),
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
  return { placedMl: placed[0], heldMl: Math.min(...held.map(([ml]) => ml)), capMl, binds };
}
