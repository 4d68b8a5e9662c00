import type { Advice } from './advice';

/** What shows once it should have set, and while the surface is brought back. */
export const SURFACE_ADVICE: Readonly<Record<string, Advice>> = {
  'not-set': {
    signs: 'A nail sinks in, it is sticky, it moves. Touch the cup that was kept, too.',
    keeps: 'which sign, what the cup says, the temperature of the base',
    answers: {
      liquid: {
        means: 'A part is missing or the ratio is far off. It will never set.',
        now: [
          'Scoop and wipe it out, all of it, while it is liquid.',
          'Clean to bare base with the solvent of the sheet, let it dry.',
        ],
        material: 'Out. It is not coated over, and hardener is not stirred into it.',
        after: 'Everything comes again, from the preparation.',
        reserve: 'a fresh kit',
      },
      'soft-all': {
        means: 'Ratio or mixing: a whole batch is wrong.',
        now: [
          'Try again after the wait the sheet asks at this temperature, once.',
          'Still soft: cut it out to sound base.',
        ],
        material: 'Out: soft or ratio-doubted material is never coated over.',
        after: 'Everything comes again, from the preparation.',
        reserve: 'a fresh kit',
      },
      'soft-cold': {
        means: 'The mix is right and the base is cold: it is late, not lost.',
        now: [
          'Read the base and write it down.',
          'Warm the place gently and evenly.',
          'Leave clamps, props and barrier.',
        ],
        material: 'It stays.',
        after: 'The waits follow the reading. Try it by touch each hour.',
        reserve: 'a warming mat, a tent',
      },
      patchy: {
        means: 'Unmixed streaks, or the scrapings of the pot: those places will never set.',
        now: ['Mark every soft place by nail.', 'Cut them out to hard material, with a clean edge; wash and abrade.'],
        material: 'The hard stays, the soft is out.',
        after: 'What was cut out is planned as a top-up.',
        reserve: 'the rest of the kit',
      },
      tacky: {
        means: 'A greasy film from cold and damp air, or a top that air keeps from setting.',
        now: [
          'Wash it with water and a pad before anything else; sanding only smears it.',
          'A coat that air keeps sticky: film over it, or its top taken off with solvent.',
          'Then abrade, and try it by nail.',
        ],
        material: 'It stays.',
        after: 'What was done to the surface comes again.',
        reserve: null,
      },
    },
  },
  hollow: {
    signs: 'Tapped, it answers dull; beside it, it rings.',
    keeps: 'which sign, and the outline of the place',
    answers: {
      spot: {
        means: 'A pocket of air.',
        now: [
          'Draw its outline.',
          'Two small holes, one to fill and one to breathe; or cut it out.',
          'Press it full until it comes out of the second.',
        ],
        material: 'The rest stays.',
        after: 'What goes in is planned as a top-up.',
        reserve: 'the rest of the kit',
      },
      edge: {
        means: 'It lifted or was feathered too thin there.',
        now: ['Cut back to where it rings, with a square edge.', 'Clean and abrade the face.'],
        material: 'What rings stays.',
        after: 'What was cut back is planned again.',
        reserve: 'the rest of the kit',
      },
      most: {
        means: 'It did not bond: dust, damp, gloss, or set before it was closed.',
        now: ['Barrier up. Nothing is loaded.', 'Take it out and look at the back: what is on it tells the cause.'],
        material: 'Out.',
        after: 'Everything comes again, from the preparation.',
        reserve: 'a fresh kit',
      },
      beside: {
        means: 'The base itself is loose.',
        now: ['Barrier up.', 'Tap outwards until it rings, draw the line.', 'Tell whoever answers for the structure.'],
        material: 'The repair holds no better than what it sticks to.',
        reserve: null,
      },
    },
  },
  pinholes: {
    signs: 'Points that stay dark when the dust is wiped off.',
    keeps: 'how many, and where',
    answers: {
      now: ['Open them with a point, blow them out.', 'A tight scrape across, no coat over closed holes.'],
      material: 'It stays.',
      after: 'A thin fill is planned, then the surface again.',
      reserve: 'what was kept back for a second skim',
    },
  },
  'low-spot': {
    signs: 'Guide coat stays in it, light under the straightedge, a puddle.',
    keeps: 'where, and how deep',
    answers: {
      now: ['Do not sand the rest down to it.', 'Dull it, dust it off, fill it thinly and wider than it is.'],
      material: 'It stays.',
      after: 'A thin fill is planned, then the surface again.',
      reserve: 'what was kept back for a further round',
    },
  },
  'sanded-through': {
    signs: 'Another colour shows: primer, fibre, core, bare metal.',
    keeps: 'where, and to what',
    answers: {
      now: [
        'Stop; mark the edge of it.',
        'Fibres or core: nothing more is taken off, ask whoever answers for the part.',
        'Dull it with the grit before, dust it off, coat it again.',
      ],
      material: 'It stays.',
      after: 'A coat over the place is planned, then the surface again from the grit that suits it.',
      reserve: 'what was kept back of the coat',
    },
  },
  'colour-off': {
    signs: 'It stands out wet or dry, by day or by lamp.',
    keeps: 'which trial was taken, and by what light it was judged',
    answers: {
      now: [
        'Judge it dry, polished and by daylight before deciding.',
        'A new trial on film beside it.',
        'Cut back by the thickness of a coat.',
      ],
      material: 'What lies under it stays.',
      after: 'The last batch is mixed again to the new recipe.',
      reserve: 'tints, and the rest of the kit',
    },
  },
  'fish-eyes': {
    signs: 'Round craters that open as if by themselves: silicone, wax or oil.',
    keeps: 'what was cleaned with what',
    answers: {
      now: [
        'Wipe the coat off while it is wet.',
        'Wash, rinse, wipe with solvent from clean to clean; nothing with silicone near it.',
        'A drop of water must spread before it is coated again.',
      ],
      material: 'What was wiped off is waste.',
      after: 'It begins again with the preparation.',
      reserve: 'a fresh set',
    },
  },
  greasy: {
    signs: 'It smears under the finger and clogs the paper at once.',
    keeps: 'how damp and cold the night was',
    answers: {
      now: [
        'Wash it off with water and a pad, twice, clean water; let it dry.',
        'Only then abrade: sanding smears it in.',
      ],
      material: 'It stays.',
      after: 'What was done to the surface comes again.',
      reserve: null,
    },
  },
  wrinkled: {
    signs: 'Folds like skin; the coat below came up.',
    keeps: 'how long the coat below had had',
    answers: {
      now: [
        'Leave it until it is hard, then take the wrinkled coat off.',
        'Not again on a coat that is neither wet nor set.',
      ],
      material: 'The wrinkled coat is out.',
      after: 'It begins again with the preparation.',
      reserve: 'a fresh set',
    },
  },
};
