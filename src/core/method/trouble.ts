/** What a trouble does to the plan. */
export type TroubleEffect = 'redo-batch' | 'more-material' | 'restart-hold' | 'redo-preparation';

/** Something that went wrong: what to do now, and what becomes of the plan. */
export interface Trouble {
  readonly id: string;
  readonly label: string;
  readonly now: readonly string[];
  readonly effect: TroubleEffect;
  readonly after: string;
}

/** The table behind “something went wrong”. */
export const TROUBLES: readonly Trouble[] = [
  {
    id: 'pot-hot',
    label: 'The pot is hot or stiff',
    now: [
      'Stop placing from this pot.',
      'Carry it outside onto bare ground, away from people; never into a bin.',
      'Take out what was placed after it began to stiffen.',
    ],
    effect: 'redo-batch',
    after: 'The batch is mixed again from new material. Keep it cooler or make it smaller.',
  },
  {
    id: 'ran-out',
    label: 'The material ran out',
    now: [
      'Leave the edge of the fill rough and clean.',
      'Do not stretch what is left.',
      'Mix what is missing while the placed part is still wet.',
    ],
    effect: 'more-material',
    after: 'A top-up is planned for the amount you say is missing.',
  },
  {
    id: 'part-moved',
    label: 'The part moved',
    now: [
      'Before gel: set it back to its mark now, press, hold and wedge it.',
      'After gel: do not push it back; take it out and start from the preparation.',
    ],
    effect: 'restart-hold',
    after: 'The hold counts from now, not from when it was first placed.',
  },
  {
    id: 'ratio',
    label: 'The ratio is in doubt',
    now: [
      'Do not place any more of this batch.',
      'If still mixing: add what is missing by weight.',
      'If placed: take it out while it is soft. It will not set later.',
    ],
    effect: 'redo-batch',
    after: 'The batch is mixed again by weight; its cup is kept as the witness.',
  },
  {
    id: 'rain',
    label: 'Rain or water on it',
    now: [
      'Cover it, lead the water away.',
      'If the prepared face got wet: stop, dry it, do not place on it.',
      'If fresh material got wet: wipe the water off, do not rub it in.',
    ],
    effect: 'redo-preparation',
    after: 'Drying and checking the base is planned again before anything more is placed.',
  },
];
