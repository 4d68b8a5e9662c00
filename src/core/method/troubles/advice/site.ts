import type { Advice } from './advice';

/** What the place, the weather and people bring. */
export const SITE_ADVICE: Readonly<Record<string, Advice>> = {
  rain: {
    signs: 'Drops, a wet edge, a shine on the prepared face.',
    keeps: 'what got wet, and how far it had set',
    answers: {
      bare: {
        now: ['Cover it, lead the water away.', 'Stop: place nothing on it while it is wet.'],
        material: 'What is mixed may wait as long as its pot lives, and no longer.',
        after: 'Drying and checking the base is planned again before anything is placed.',
        reserve: 'a tent, a sheet, dry cloths',
      },
      primer: {
        now: [
          'Cover it, lead the water away.',
          'Place nothing on it; do not rub the water in, and do not brush more primer over it.',
        ],
        material: 'It counts as a missed window: it sets, and is a base. What is mixed to go on it is waste.',
        after: 'Drying, abrading once it has set, and priming again are planned, then a new mix.',
        reserve: 'the rest of the kit',
      },
      placed: {
        now: ['Cover it, lead the water away.', 'Not gelled: wipe the water off, do not rub it in.'],
        material: 'What had gelled stays. What had not is looked at when hard: milky or soft, it is cut back.',
        after: 'The base is dried and checked again before anything more is placed.',
        reserve: null,
      },
    },
  },
  dust: {
    signs: 'A finger comes away grey, water beads, somebody ground or sprayed nearby.',
    keeps: 'what it was, and where it came from',
    answers: {
      bare: {
        now: ['Stop what makes it.', 'Blow or vacuum; wipe from clean to clean with fresh rags.'],
        material: 'What is mixed may wait as long as its pot lives, and no longer.',
        after: 'Cleaning and checking the face is planned again.',
        reserve: 'fresh rags and solvent',
      },
      primer: {
        now: ['Stop what makes it.', 'Do not wipe it: what is rubbed in stays in.'],
        material: 'It counts as a missed window: it sets, and is a base. What is mixed to go on it is waste.',
        after: 'Abrading once it has set and priming again are planned, then a new mix.',
        reserve: 'the rest of the kit',
      },
      placed: {
        now: ['Stop what makes it, shield the place.', 'Do not wipe what is wet.'],
        material: 'It stays; what was dusted wet is abraded when hard.',
        after: 'Where more goes on it, it sets and is abraded first.',
        reserve: null,
      },
    },
  },
  contaminated: {
    signs: 'It lifts at an edge with a shiny or greasy back, fish-eyes, a hollow sound.',
    keeps: 'what was found under it, with a photograph',
    answers: {
      now: [
        'Do not press it down again.',
        'Take it out, back to what is clean and sound.',
        'Find out how it came there.',
      ],
      material: 'All that lies on it is waste.',
      after: 'It begins again with the preparation.',
      reserve: 'a fresh kit',
    },
  },
  'too-cold': {
    signs: 'No firmer than hours ago; the base reads colder than was planned.',
    keeps: 'the temperature of the base: read it now',
    answers: {
      now: [
        'Read the base, and write it down: every wait moves by it.',
        'Warm the place from outside, gently and evenly: a tent, a mat, never a flame or a gun on one spot.',
        'Leave clamps, props and barrier where they are.',
      ],
      material: 'It stays where it is: cold is slow, not wrong, as long as the sheet allows the temperature.',
      after: 'The waits follow the reading; below what the sheet allows there is a stop.',
      reserve: 'a tent, a warming mat',
    },
  },
  power: {
    signs: 'Mixer, heater or lamp stands.',
    keeps: 'from when to when',
    answers: {
      now: [
        'Mixing: finish by hand if it can be made one colour in its time; else it is out.',
        'Placing: use what is mixed, close what is open, begin nothing new.',
        'Heating: cover and insulate; read the base.',
      ],
      material: 'What was mixed to one colour stays.',
      after: 'Read the base: the waits follow what is really there. A lost batch is recorded as one.',
      reserve: 'a hand mixer, a lamp with its own battery',
    },
  },
  leave: {
    signs: 'One pair of hands fewer than was planned.',
    keeps: 'who does what from now on',
    answers: {
      now: [
        'Begin no pot that cannot be placed by who is left.',
        'Close what is open, clean the tools.',
        'Never alone in a tank, a bilge or below ground.',
      ],
      material: 'What is placed stays.',
      after:
        'What is under way takes longer, and so does what follows. What is not mixed yet can be planned anew for those who are left.',
      reserve: null,
    },
  },
  'window-missed': {
    signs: 'It no longer takes a finger mark, it is glossy and dry.',
    keeps: 'by how long',
    answers: {
      now: [
        'Do not go on it as it is.',
        'Wash it with water and a pad, let it dry, abrade until the gloss is gone.',
        'Wipe off the dust, then go on.',
      ],
      material: 'What is there stays, as a base.',
      after: 'The plan puts washing and abrading in by itself once the window is over; so much later is what follows.',
      reserve: null,
    },
  },
  loaded: {
    signs: 'A print, a wheel mark, a shifted barrier.',
    keeps: 'by what, and when',
    answers: {
      now: [
        'Keep everybody off; put the barrier back, further out.',
        'Look for prints, cracks and lifted edges; tap round the place.',
        'Before gel a print may be smoothed; after gel nothing is pushed back.',
      ],
      material: 'It stays if it is whole and rings sound; what is cracked is cut out when hard.',
      after: 'The hold counts from now; tap it before it is opened.',
      reserve: null,
    },
  },
};
