import type { Advice } from './advice';

/** What goes wrong with powder and water, and with what dries. */
export const MINERAL_ADVICE: Readonly<Record<string, Advice>> = {
  stiffened: {
    signs: 'It crumbles at the edge and no longer closes behind the trowel.',
    keeps: 'which batch, and how warm mix and water were',
    answers: {
      now: [
        'Stop placing from this pail.',
        'No water, and no stirring it soft again: what has stiffened stays weak.',
        'Take off what was placed after it began to stiffen; leave the edge rough and keep it damp.',
      ],
      material: 'What is in the pail is waste; what was placed while it was plastic may stay.',
      after: 'What is not in its place is mixed again from new powder. Mix less, or with cooler water.',
      reserve: 'the rest of the bag, or the spare one',
    },
  },
  'too-wet': {
    signs: 'It runs, water stands on it, the jug was not read.',
    keeps: 'which batch, and how much water it had',
    answers: {
      now: [
        'Still in the pail, and the water is known: powder of the same bag to it, by weight, to what the bag asks.',
        'Not known, or placed already: take it out while it is soft.',
        'Water that stands on a placed face is not worked in.',
      ],
      material: 'Wetter than the bag allows it shrinks, cracks and dusts: out.',
      after: 'The batch is mixed again, powder and water weighed.',
      reserve: 'the rest of the bag, or the spare one',
    },
  },
  lumps: {
    signs: 'Pale nests under the trowel, powder in the corner of the pail.',
    keeps: 'which batch',
    answers: {
      now: [
        'Not placed yet: scrape the bottom, mix on, no longer than the bag says.',
        'Placed already: take the dry nests out while it is soft and pack the place full again.',
        'Hard lumps in the powder itself: the bag has drawn damp. It is not used.',
      ],
      material: 'What was mixed even inside its time may be used; the rest is waste.',
      after: 'The batch is mixed again where it could not be saved.',
      reserve: 'the rest of the bag, or the spare one',
    },
  },
  'rained-on': {
    signs: 'Drops in the face, grains washed bare, a puddle.',
    keeps: 'how long it had been placed, and how it was covered',
    answers: {
      now: [
        'Cover it without touching it; lead the water away.',
        'Draw puddles off with a sponge; nothing is trowelled in, and no dry powder strewn on.',
        'Before placing: puddles out of the base; damp it may stay.',
      ],
      material: 'What only got wet stays. What was washed out is cut back when hard: record it as a low spot.',
      after: 'The plan stays; the face is looked at when it is uncovered.',
      reserve: null,
    },
  },
  weak: {
    signs: 'A nail scratches it, the hand comes away grey, a corner crumbles.',
    keeps: 'which sign, and the temperature of the base',
    answers: {
      late: {
        means: 'It is late, not lost, as long as no frost has been in it.',
        now: ['Read the base and write it down.', 'Cover it warm: mats, a tent; keep it damp.', 'Leave the barrier.'],
        material: 'It stays.',
        after: 'The waits follow the reading.',
        reserve: 'mats, a tent',
      },
      frozen: {
        means: 'Ice has broken it; it never becomes sound.',
        now: ['Barrier up.', 'Take it out to sound base.'],
        material: 'Out, all that froze.',
        after: 'Everything comes again, from the preparation.',
        reserve: 'a fresh bag, and mats',
      },
      skin: {
        means: 'It dried too fast, or water was worked into the face.',
        now: ['Brush it off to where it is firm.', 'Keep what is left damp as long as the sheet says.'],
        material: 'The hard stays.',
        after: 'What was done to the surface comes again. Brushed off lower than it may be: record a low spot.',
        reserve: null,
      },
    },
  },
  'past-use': {
    signs: 'It draws threads, skins over in the tray, drags under the brush.',
    keeps: 'when it was last shaken',
    answers: {
      now: [
        'Stop at a joint or an edge; no water is stirred in.',
        'What drags is wiped off while it is wet.',
        'Decant less from now on, and keep the rest closed.',
      ],
      material: 'What is past its use-by is waste; what was put on before stays.',
      after: 'What is not in its place is mixed again, of the same lot where one lot is wanted.',
      reserve: 'the spare set',
    },
  },
  'still-wet': {
    signs: 'It colours the finger, or marks under a thumb.',
    keeps: 'temperature and humidity: read them now',
    answers: {
      now: [
        'Read air and humidity, and write them down.',
        'Air to it, warm and dry; no foot and no water on it.',
        'Try it again each hour.',
      ],
      material: 'It stays: damp air is slow, not wrong.',
      after: 'The waits follow the reading.',
      reserve: null,
    },
  },
};
