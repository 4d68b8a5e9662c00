import type { Advice } from './advice';

/** What goes wrong with packs, mixers and holes that are filled through them. */
export const PRESSING_ADVICE: Readonly<Record<string, Advice>> = {
  'mixer-stiff': {
    signs: 'The gun goes hard, the bead comes in lumps, or nothing comes.',
    keeps: 'how long it had stood, and how warm the pack was',
    answers: {
      now: [
        'Let the pressure off; a mixer that has set is never pressed free.',
        'Take it off, wipe the mouth of the pack, lay the old one outside.',
        'New mixer: its first shots off the work until the colour is even.',
        'Where you had stopped: tip into what is still soft, and go on from there. What has begun to set comes out.',
      ],
      material: 'What stands in the old mixer is waste; what was placed while it came freely stays.',
      after: 'What is not in its place is pressed with a fresh mixer.',
      reserve: 'a fresh mixer, and what its first shots take',
    },
  },
  starved: {
    signs: 'The bead changes colour or thins, one plunger stands, air spits from the mixer.',
    keeps: 'which place, and which part stood',
    answers: {
      now: [
        'Take the tip off the work.',
        'Wipe or wash out what was pressed since it was last even, before it sets.',
        'See both parts flow without the mixer; then a new one, and press until the colour is even, off the work.',
      ],
      material: 'What came out of one colour only is waste, where it was placed as well.',
      after: 'What came out uneven is pressed again with a fresh mixer.',
      reserve: 'a fresh mixer and the rest of the packs',
    },
  },
  'hole-short': {
    signs: 'The rod is at its mark and nothing shows round it.',
    keeps: 'which hole, and how much more it took',
    answers: {
      now: [
        'Inside its working time: pull the rod while it is wet.',
        'Tip to the bottom, buried in what is there; fill again as it comes up.',
        'Turn the rod in, wipe the collar even.',
        'Past its working time: leave it alone. It is condemned: mark it.',
      ],
      material: 'What is in the hole stays, if the rod went back in while it was wet.',
      after: 'What it took more is planned as a top-up; that hole bears its load by its own clock.',
      reserve: 'what is left in the pack',
    },
  },
  'packs-out': {
    signs: 'The last pack is empty, and holes are drilled that want filling.',
    keeps: 'how many holes are left',
    answers: {
      now: [
        'No rod goes into a hole that is not full.',
        'Half full: fill on from the bottom with a new pack before it stiffens, or wash it out.',
        'Stop up the holes that are left, so that they stay clean and dry.',
      ],
      material: 'What is set stays.',
      after: 'The holes that are left are planned from a new pack and a fresh mixer.',
      reserve: 'a further pack',
    },
  },
  'hole-swallows': {
    signs: 'The shots are in and the hole does not fill; it comes out next door.',
    keeps: 'which hole, how many shots, and where it came out',
    answers: {
      now: [
        'Stop filling this hole; no rod goes in.',
        'Look where it goes: a hollow base, a crack, the next hole.',
        'Go on with the others only where they fill as they should.',
      ],
      material: 'What ran away is waste.',
      reserve: 'sieve sleeves',
    },
  },
  'rod-wrong': {
    signs: 'It does not agree with the mark, the plate or the eye’s direction.',
    keeps: 'which hole, and what was mistaken for what',
    answers: {
      now: [
        'Still wet: turn it, press it to its depth, or pull it and clean the hole out before it sets.',
        'Begun to set: leave it; it is neither knocked nor turned. It is cut off later.',
        'Mark the new place from the datum, as far from the old hole as the sheet wants holes apart.',
      ],
      material: 'What is in the old hole is waste.',
      after: 'The hole is drilled, cleaned and filled anew.',
      reserve: 'what is left in the packs, and a fresh mixer',
    },
  },
};
