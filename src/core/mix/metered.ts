import { exactly, line, type Message, minutes, ml, refuse, texts, type Voice } from '../say';
import type { EstimableField } from '../system';
import { figure } from '../units';
import { facesPerPot, partsNamed } from './like-parts';
import { type Batch, type MixAsk, type MixBasis, type MixResult, NOTHING_DRAWN, partsOf, yieldLines } from './mix-ask';
import { shareOfRow } from './unlike-parts';

const WORK = texts('work.metered', {
  round: 'Places in one round',
  'round-by':
    '{grouped, select, yes {the shorter of {mixer} in the mixer and } other {}}{usable} of working time / {each} a place, rounded down',
  mixers: 'Mixers',
  'mixers-on': 'the one that is on goes on; a fresh one only after a pause longer than {life}',
  'mixers-by':
    '{silent, select, yes {the sheet gives no idle time: its working time} other {idle time}} {life}; a fresh one at the start, after a longer pause and on a new day',
  used: 'Packs used',
  'used-by': '{pressed} / ({pack} − {flow}), rounded up',
  have: 'Packs to have',
  'have-by': '{pressed} at the 95 % value, by the same',
});

const REFUSED = texts('refused.mix.metered', {
  'place-takes-resin':
    'One place takes {perPlace}, the resin works for {usable}. Work colder, add hands, or choose a slower resin.',
  'flow-check-leaves': 'The flow check of {flow} leaves nothing of a pack of {kit}.',
});

const SAY = texts('press.amount', {
  purge: 'first shots thrown away',
  mixers: 'left in mixers',
  flow: 'flow check of each pack',
  times: '{n} × {each}',
  tubes: 'left in tubes',
  all: 'the hole',
  place: 'hole {n}',
  places: 'holes {from} to {to}',
});

/** Like places pressed one after the other without a pause that the resin in the mixer does not bear. */
interface Stretch {
  /** Rounds by their places, first and last from 1. */
  readonly rounds: readonly (readonly [number, number])[];
}

/**
 * How many places are one round: what fits the shorter of mixer life and working time, or with several filled first the
 * working time.
 */
function roundSize({ grouping, minutesPerPlace, usableMin }: MixAsk, lifeMin: number): number {
  const within = grouping === 'one' ? Math.min(lifeMin, usableMin) : usableMin;
  return Math.max(1, Math.floor(within / minutesPerPlace + 1e-9));
}

/**
 * Rounds of a size, and mixers, of so many like places. A mixer lives by pauses, not by holes: a fresh one is taken at
 * the start, after a pause longer than the resin may stand in it, and on a new day.
 */
function stretchesOf(
  ask: MixAsk,
  lifeMin: number,
  size: number,
  bared = Number.POSITIVE_INFINITY,
  /** Places after which the mixer was thrown away. */
  died: readonly number[] = [],
): readonly Stretch[] {
  // The mixer stands while a part is set; where several are filled first, while all of them are.
  const standsMin = ask.setMin * (ask.grouping === 'one' ? 1 : Math.min(size, ask.count));
  const stops = [...ask.stops.map(({ after }) => after), ...died].filter((after) => after >= 1 && after < ask.count);
  const perDay =
    ask.dayMin === null
      ? Number.POSITIVE_INFINITY
      : Math.max(size, Math.floor(ask.dayMin / ask.minutesPerPlace / size) * size);
  // Nobody bares more than are wetted before the first has dulled, and the mixer stands while the next are bared.
  const most = Math.min(perDay, bared);
  const stretches: { rounds: [number, number][] }[] = [];
  let first = 1;
  let inStretch = 0;
  while (first <= ask.count) {
    const nextStop = Math.min(ask.count, ...stops.filter((after) => after >= first));
    const last = Math.min(first + size - 1, nextStop, ask.count);
    const standing = standsMin + pauseAfter(ask, first - 1);
    const fresh = !stretches.length || standing > lifeMin + 1e-9 || inStretch >= most || died.includes(first - 1);
    if (fresh) {
      stretches.push({ rounds: [] });
      inStretch = 0;
    }
    stretches.at(-1)!.rounds.push([first, last]);
    inStretch += last - first + 1;
    first = last + 1;
  }
  return stretches;
}

/** Minutes of pauses that are known beforehand after a place. */
const pauseAfter = ({ stops }: MixAsk, place: number): number =>
  stops.reduce((min, s) => min + (s.after === place ? s.minutes : 0), 0);

/** What is pressed in one go, out of one mixer or on with the last. */
type Pressed = Pick<Batch, 'portion' | 'label' | 'places' | 'fromTo' | 'pauseMin'> & {
  /** Of all that is placed. */
  readonly share: number;
  readonly fresh: boolean;
};

/** Like places in rounds: each is one, and a mixer serves as many rounds as no pause ends it. */
function rounds(ask: MixAsk, lifeMin: number, placed: number): { pressed: readonly Pressed[]; size: number } {
  const size = roundSize(ask, lifeMin);
  const places = ask.portions[0]?.places ?? [];
  // Of several sizes each takes what it takes.
  const shareOf = (from: number, to: number) =>
    places.length === ask.count
      ? places.slice(from - 1, to).reduce((sum, share) => sum + share, 0)
      : (to - from + 1) / ask.count;
  /** So many of a round, from its first place on, are done with so much. */
  const doneWith = (from: number, to: number, ml: number) => {
    let n = 0;
    while (from + n <= to && placed * shareOf(from, from + n) <= ml * 1.001 + 1e-9) n++;
    return n;
  };
  // A round that was broken off ends at the last of its places that is done, and the next begins with a fresh mixer.
  const died: number[] = [];
  for (const { batch, placedMl } of ask.cuts ?? []) {
    const round = stretchesOf(ask, lifeMin, size, undefined, died).flatMap((s) => s.rounds)[batch];
    if (round) died.push(round[0] - 1 + doneWith(round[0], round[1], placedMl));
  }
  const pressed = stretchesOf(ask, lifeMin, size, undefined, died).flatMap(({ rounds: of }) =>
    of.map(([from, to], r): Pressed => {
      const before = pauseAfter(ask, from - 1);
      return {
        portion: 0,
        label: ask.count === 1 ? SAY.all() : from === to ? SAY.place({ n: from }) : SAY.places({ from, to }),
        share: shareOf(from, to),
        places: to - from + 1,
        // Pressing goes on with what is on the pack already.
        fresh: r === 0 && !(from === 1 && ask.mixerOn),
        fromTo: [from, to],
        ...(before > 0 ? { pauseMin: before } : {}),
      };
    }),
  );
  return { pressed, size };
}

/**
 * Lift by lift, or like parts one after the other: what comes out of a mixer is freshly mixed, so no pot caps it, and
 * it goes on until a pause ends the mixer. Between lifts one waits for longer than that.
 */
function portions(ask: MixAsk, lifeMin: number, placed: number): readonly Pressed[] {
  if (!ask.parts)
    return ask.portions.map(({ label, share }, portion) => ({ portion, label, share, places: 1, fresh: true }));
  const { count, closeMin, called } = ask.parts;
  const bared = facesPerPot(placed / count, ask);
  return stretchesOf({ ...ask, count, setMin: closeMin }, lifeMin, 1, bared).flatMap(({ rounds: of }) => {
    // A pause known beforehand parts them, whether the mixer bears it or not.
    const goes: [number, number][] = [];
    for (const [from, to] of of) {
      const last = goes.at(-1);
      if (last && !pauseAfter(ask, last[1])) last[1] = to;
      else goes.push([from, to]);
    }
    return goes.map((fromTo, i): Pressed => {
      const pauseMin = pauseAfter(ask, fromTo[0] - 1);
      const places = fromTo[1] - fromTo[0] + 1;
      return {
        portion: 0,
        label: partsNamed(fromTo, called),
        share: shareOfRow(ask.parts!, fromTo),
        places,
        fresh: i === 0,
        fromTo,
        ...(pauseMin > 0 ? { pauseMin } : {}),
      };
    });
  });
}

/**
 * What is pressed through mixers: like places in rounds, all else in portions and parts; a fresh mixer after a pause it
 * does not bear. @throws Refusal when one place takes longer, by somebody's own figure, than the resin works
 */
export function metered({ ask, proportion, kitMl, lines, placed, safety }: MixBasis): MixResult {
  const { sheet } = ask;
  const perPlace = ask.minutesPerPlace;
  if (ask.inRounds && ask.placeChosen && perPlace > ask.usableMin)
    refuse(
      'usableMin',
      ask.usableMin,
      `at least ${figure(perPlace)} min`,
      REFUSED['place-takes-resin']({ perPlace: minutes(perPlace), usable: minutes(ask.usableMin) }),
    );
  const lifeMin = ask.idleMin ?? ask.usableMin;
  const { pressed: goes, size } = ask.inRounds
    ? rounds(ask, lifeMin, placed)
    : { pressed: portions(ask, lifeMin, placed), size: null };
  const mixers = sheet.mixer ? goes.filter((p) => p.fresh).length : 0;
  const perMixer = sheet.mixer ? sheet.mixer.volumeMl + ask.tubeMl + (ask.purge ? sheet.mixer.purgeMl : 0) : 0;
  const all = [...lines];
  // What stays in a mixer is a word of the sheet only where that prints it; what a tube holds is worked out.
  const whose = (field: EstimableField): Voice => (sheet.estimated.includes(field) ? 'assumed' : 'sheet');
  const lost = (id: string, label: Message, n: number, each: number, voice: Voice, perMixer = true) =>
    all.push({
      id,
      label,
      ml: n * each,
      expression: SAY.times({ n, each: exactly(ml(each)) }),
      voice,
      lost: true,
      ...(perMixer ? { perMixer } : {}),
    });
  if (sheet.mixer && mixers > 0) {
    if (ask.purge) lost('purge', SAY.purge(), mixers, sheet.mixer.purgeMl, whose('mixerPurge'));
    lost('mixer', SAY.mixers(), mixers, sheet.mixer.volumeMl, whose('mixerVolume'));
    if (ask.tubeMl > 0) lost('tube', SAY.tubes(), mixers, ask.tubeMl, 'computed');
  }
  const pressed = placed + mixers * perMixer;
  // Every pack is pressed out until both its parts flow: that much of it never reaches a mixer.
  const flow = sheet.mixer?.flowMl ?? 0;
  if (flow >= kitMl)
    refuse(
      'mixerFlow',
      flow,
      `under ${figure(kitMl)} mL`,
      REFUSED['flow-check-leaves']({ flow: ml(flow), kit: ml(kitMl) }),
    );
  // The pack of a mixer that is on already was seen to flow before.
  const seen = ask.mixerOn ? 1 : 0;
  const packsFor = (volumeMl: number) => Math.max(seen, Math.ceil((volumeMl - seen * flow) / (kitMl - flow) - 1e-9));
  const [use, buy] = [packsFor(pressed), packsFor(pressed + safety)];
  if (flow > 0 && use > seen) lost('flow', SAY.flow(), use - seen, flow, 'sheet', false);
  const toMixMl = pressed + (use - seen) * flow;
  const onHandMl = pressed + safety + (buy - seen) * flow;
  const batches = goes.map(({ share, fresh, ...named }, index): Batch => {
    const mixed = fresh && sheet.mixer ? 1 : 0;
    const mine = placed * share + mixed * perMixer;
    return {
      ...named,
      index,
      ml: mine,
      placedMl: placed * share,
      ...partsOf(sheet, proportion, mine),
      kits: null,
      mixers: mixed,
      ...NOTHING_DRAWN,
    };
  });
  const capMl = Math.max(...batches.map((b) => b.placedMl), size === null ? 0 : (placed * size) / ask.count);
  return {
    lines: all,
    toMixMl,
    onHandMl,
    batches,
    kits: { kit: ask.kit, volumeMl: kitMl, use, buy, leftMl: buy * kitMl - toMixMl, leftIsMixed: false },
    proportion,
    capMl,
    mostPlacedMl: capMl,
    mostHeldMl: capMl,
    rateNeeded: null,
    working: [
      ...(size === null
        ? []
        : [
            line(
              WORK.round(),
              WORK['round-by']({
                grouped: ask.grouping === 'one' ? 'yes' : 'no',
                mixer: minutes(lifeMin),
                usable: minutes(ask.usableMin),
                each: minutes(perPlace),
              }),
              size,
            ),
          ]),
      line(
        WORK.mixers(),
        ask.mixerOn
          ? WORK['mixers-on']({ life: minutes(lifeMin) })
          : WORK['mixers-by']({ silent: ask.idleMin === null ? 'yes' : 'no', life: minutes(lifeMin) }),
        mixers,
      ),
      line(WORK.used(), WORK['used-by']({ pressed: ml(pressed), pack: ml(kitMl), flow: ml(flow) }), use),
      line(WORK.have(), WORK['have-by']({ pressed: ml(pressed + safety) }), buy),
      ...yieldLines(ask),
      ...proportion.working,
    ],
  };
}
