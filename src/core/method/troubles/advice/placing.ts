import type { Advice } from './advice';

/** What goes wrong while material is placed, closed and set on its mark. */
export const PLACING_ADVICE: Readonly<Record<string, Advice>> = {
  'ran-out': {
    signs: 'The void is not full and the pot is empty.',
    keeps: 'how much was missing: the next estimate learns from it',
    answers: {
      now: [
        'Leave the edge of the fill rough and clean.',
        'Do not stretch what is left.',
        'Mix what is missing while the placed part is still wet.',
      ],
      material: 'What is placed stays, if the rest comes while it is wet.',
      after: 'A top-up is planned for the amount you say is missing.',
      reserve: 'the rest of the kit, or the spare one',
    },
  },
  swallowed: {
    signs: 'The level does not rise, or falls again after each filling.',
    keeps: 'how much went in, and where it came out',
    answers: {
      now: [
        'Stop; do not pour good material after lost material.',
        'Look below and behind: where does it come out?',
        'Close the way out with sand, tape or a quick paste; wait until that holds.',
        'Then fill on, in small amounts.',
      ],
      material: 'What ran away is waste; clean it up before it sets where it must not.',
      after: 'What is missing is planned as a top-up.',
      reserve: 'the rest of the kit, or the spare one',
    },
  },
  'part-moved': {
    signs: 'It stands off its mark, the bead is smeared on one side.',
    keeps: 'when, and by how much',
    answers: {
      now: [
        'Inside its open time: set it back to its mark now, press, hold and wedge it.',
        'Later: do not push it back; say that it was moved after it had begun to set.',
      ],
      material: 'Set back inside the open time it may stay; moved later the bond is broken.',
      after: 'The hold counts from now, not from when it was first placed.',
      reserve: null,
    },
  },
  'part-set': {
    signs: 'Its open time is over, or it drags and does not wet again.',
    keeps: 'which part, and when',
    answers: {
      now: [
        'Take it off now, while it still comes off whole.',
        'Clean both faces to the base; leave the others alone.',
        'Abrade and degrease both faces again, and read the base.',
      ],
      material: 'What was on it is waste: set that is broken never holds again.',
      after: 'A mix for that part alone is planned from now, with what stays in its pot.',
      reserve: 'the rest of the kit, weighed',
    },
  },
  bead: {
    signs: 'A stretch of the edge, or an inspection hole, is empty.',
    keeps: 'where it was empty',
    answers: {
      now: [
        'Inside the open time: lift it, put more on where it was empty, close it again.',
        'Later: leave it alone, mark the place.',
      ],
      material: 'Lifted and closed inside the open time it may stay.',
      after: 'What is put on besides is planned as a top-up; tap it when it has set.',
      reserve: 'the rest of the kit',
    },
  },
  rocks: {
    signs: 'Pressed at one corner the other lifts.',
    keeps: 'where the high spot was',
    answers: {
      now: [
        'Take it off at once and wipe both faces clean.',
        'Sand the high spot, look with chalk or a light, wipe again.',
        'A fresh set; what was on it is not spread again.',
      ],
      material: 'Wiped off: waste.',
      after: 'Preparation, mixing and seating come again from here.',
      reserve: 'the second packet that was carried in',
    },
  },
  'wrong-place': {
    signs: 'It does not agree with the mark, the drawing or its twin.',
    keeps: 'what was mistaken for what',
    answers: {
      now: [
        'Before gel: take it off, clean both faces with what the sheet cleans with.',
        'After gel: do not tear it off; ask how it may be freed without harm.',
        'Mark the right place again, from the datum and not from the old mark.',
      ],
      material: 'What was spread is waste.',
      after: 'It begins again with the preparation.',
      reserve: 'a fresh kit',
    },
  },
  'dam-leak': {
    signs: 'A thread or a drip outside, the level sinks.',
    keeps: 'where it leaked, and how much ran out',
    answers: {
      now: [
        'Press a rag on it, then a quick paste or tape over a dry spot.',
        'Keep the level up while it is being closed.',
        'Wipe what ran out before it sets.',
      ],
      material: 'What is inside stays; what ran out is waste.',
      after: 'What ran out is planned as a top-up.',
      reserve: 'the rest of the kit',
    },
  },
  floated: {
    signs: 'The counterpart stands higher or lower than its mark.',
    keeps: 'by how much, and the weight that was on it',
    answers: {
      now: [
        'Before gel: bring it back to its mark, weight or wedge it, check the level in two directions.',
        'After gel: leave it; measure how far it is off.',
      ],
      material: 'Brought back before gel it may stay.',
      after: 'The hold counts from now. Past gel it is a matter for whoever set the mark.',
      reserve: null,
    },
  },
  sagged: {
    signs: 'A belly, a curtain, a bare place above it.',
    keeps: 'how thick it was put on',
    answers: {
      now: [
        'While wet: take it back to what stands, in thinner passes.',
        'Stiffening: leave it; it is cut off when it has set.',
        'The next mix thicker, or the next pass thinner.',
      ],
      material: 'What stands may stay; what hangs is taken off.',
      after: 'What came off is planned again.',
      reserve: 'the rest of the kit',
    },
  },
  skinned: {
    signs: 'Nothing comes off on a finger, the surface is dull.',
    keeps: 'how long it had been open',
    answers: {
      spread: {
        now: [
          'Scrape it off. It is not wetted again, and nothing is laid into it.',
          'Spread no more than is covered in time.',
        ],
        material: 'What skinned is waste.',
        after: 'The batch is mixed and spread again.',
        reserve: 'the rest of the bag or kit',
      },
      primer: {
        now: ['Place nothing on it, and do not brush more over it.', 'Prime no more than is covered in time.'],
        material: 'It counts as a missed window. A slurry is brushed off; a resin sets, and is a base.',
        after: 'Taking it off or abrading it, and priming again, are planned; what does not wait is mixed anew.',
        reserve: 'the rest of the bag or kit',
      },
    },
  },
  bubbles: {
    signs: 'Craters that open again, a row of bubbles as the base warms.',
    keeps: 'whether base and air were warming',
    answers: {
      now: [
        'Shade the place; air comes out of a base that warms.',
        'Break the bubbles while it is wet.',
        'The next pass when the base is cooling, or on a thin scrape that closes the pores.',
      ],
      material: 'Open craters are filled when it has set.',
      after: 'A thin fill over the craters is planned; sand them open first.',
      reserve: 'the rest of the kit',
    },
  },
  curled: {
    signs: 'A lifted edge, a fold under the hand.',
    keeps: 'where',
    answers: {
      now: [
        'Before gel: press it down with film over it, weight it; cut a fold and lay it flat.',
        'After gel: leave it until it is hard, then cut it off and grind the place.',
      ],
      material: 'What lies flat stays.',
      after: 'A patch over the place is planned once it has set; grind the place first.',
      reserve: 'a cut of fabric and the rest of the kit',
    },
  },
  'bar-hit': {
    signs: 'Metal dust, a spark, water, a dead socket.',
    keeps: 'where and how deep, with a photograph',
    answers: {
      now: [
        'Stop. Cable: off at the board before anybody touches anything. Pipe: shut it off.',
        'Bar: look how far it is cut.',
        'Mark the place, photograph it, tell whoever answers for it.',
      ],
      material: 'Nothing is mixed yet.',
      reserve: null,
    },
  },
};
