import type { Advice } from './advice';

/** What goes wrong with the pot. */
export const MIXING_ADVICE: Readonly<Record<string, Advice>> = {
  'pot-hot': {
    signs: 'It warms the hand, draws strings, smokes, or no longer flows off the knife.',
    keeps: 'which batch, and its temperature if it was read',
    answers: {
      now: [
        'Stop placing from this pot.',
        'Carry it outside onto bare ground, away from people; never into a bin.',
        'Take out what was placed after it began to stiffen.',
      ],
      material: 'The pot is waste; what was placed while it still flowed may stay.',
      after: 'What is not in its place is mixed again from new material. Keep it cooler or make it smaller.',
      reserve: 'the rest of the kit, or the spare one',
    },
  },
  'putty-stiff': {
    signs: 'It warms the glove, cracks when it is bent, no longer takes the shape of the hole.',
    keeps: 'which piece, and how long it had been kneaded',
    answers: {
      now: [
        'Stop; no more of this piece goes in.',
        'Take out what was pressed in after it began to stiffen, while it still comes out.',
        'Lay it down outside, on bare ground; change gloves.',
      ],
      material: 'The piece is waste; what was pressed in while it was soft may stay.',
      after: 'What is not in its place is kneaded again: a smaller piece, or cooler packs.',
      reserve: 'the rest of the kit, or the spare one',
    },
  },
  ratio: {
    signs: 'A figure was misread, a part was poured twice or not at all, the scale had moved.',
    keeps: 'which batch; its cup stays as the witness',
    answers: {
      now: [
        'Do not place any more of this batch.',
        'If still mixing: add what is missing by weight.',
        'If placed: take it out while it is soft. It will not set later.',
      ],
      material: 'What is in doubt is out. It is never coated over, and hardener is never given to it again.',
      after: 'The batch is mixed again by weight; its cup is kept as the witness.',
      reserve: 'the rest of the kit, or the spare one',
    },
  },
  streaks: {
    signs: 'Streaks on the stick, paler lumps from the corner of the pot, two colours in the bead.',
    keeps: 'which batch',
    answers: {
      now: [
        'Not placed yet: scrape sides and bottom, mix on, pour it into a clean pot and mix again.',
        'Placed already: wipe out what is streaked; it stays soft.',
      ],
      material: 'What was mixed on to one colour inside its time may be used; the rest is waste.',
      after: 'The batch is mixed again where it could not be saved; take a clean pot.',
      reserve: 'the rest of the kit, or the spare one',
    },
  },
  foamed: {
    signs: 'It swells, is full of bubbles, or rises out of the crack.',
    keeps: 'how damp the base and the sand were',
    answers: {
      pot: {
        means: 'Water came into it: damp sand, a wet tool, a pack that stood open.',
        now: ['Place none of it.', 'Look for the water, take dry sand and a dry tool.', 'Try a spoonful first.'],
        material: 'Foam is weak and stays open: out.',
        after: 'The batch is mixed again.',
        reserve: 'the rest of the kit, and dry sand',
      },
      placed: {
        means: 'The base is damp, or warms and breathes out.',
        now: ['Stop placing; take out what has foamed while it is soft.', 'Dry the base, then try a spoonful first.'],
        material: 'Foam is weak and stays open: out.',
        after: 'The base is dried and checked again, and what foamed is mixed anew.',
        reserve: 'the rest of the kit, a tent, dry air',
      },
    },
  },
  splash: {
    signs: 'In an eye or on skin, dizzy, coughing, a smell that grows, a pot that smokes.',
    keeps: 'who was told, and what was done',
    answers: {
      now: [
        'Eye: rinse with water for a quarter of an hour, lids held open; then to a doctor with the label.',
        'Skin: soap and water, no solvent; off with wet clothes.',
        'Fumes: everybody out into fresh air; nobody goes back alone.',
        'Smoking pot: leave it where it does no harm, keep away.',
      ],
      material: 'It is worth nothing beside a person: leave it.',
      reserve: null,
    },
  },
};
