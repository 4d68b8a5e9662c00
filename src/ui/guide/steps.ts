/** A stop of the walk over the sample: where it is seen and what is worth seeing there. */
export interface GuideStep {
  readonly href: string;
  readonly title: string;
  readonly text: string;
}

const REPAIR = '/job/sample-ramp/sample-nosing';

/** One repair of the sample from its yard to its signature, stage by stage. */
export const GUIDE: readonly GuideStep[] = [
  {
    href: '/',
    title: 'The yard',
    text: 'Every job on its own time. A ribbon grows as a repair cures; the arm at its end is the hour it is wanted back.',
  },
  {
    href: `${REPAIR}/inspect`,
    title: 'Inspect',
    text: 'What must be true before this method may be used, and who must look at it. A wrong answer stops the plan and says why.',
  },
  {
    href: `${REPAIR}/measure`,
    title: 'Measure',
    text: 'Type what you measured, or pull the drawing. The doubt of each reading is carried into every figure that follows.',
  },
  {
    href: `${REPAIR}/material`,
    title: 'Material',
    text: 'Systems of your shelf held against this place: each says what it meets and what it fails, in words.',
  },
  {
    href: `${REPAIR}/mix`,
    title: 'Mix',
    text: 'Batches sized by what can be placed while it lives, kits, ratio, and how exact the scale must be.',
  },
  {
    href: `${REPAIR}/place`,
    title: 'Place',
    text: 'The work step by step, with its minutes. The strip of starts says which hour is in time, and why others are not.',
  },
  {
    href: `${REPAIR}/hold`,
    title: 'Hold',
    text: 'What may be done when: every time of the sheet, at the temperature it really has. Pull the air in the band below.',
  },
  {
    href: `${REPAIR}/finish`,
    title: 'Finish',
    text: 'What stands proud decides the first grit; each rung of the ladder ends with a look.',
  },
  {
    href: `${REPAIR}/release`,
    title: 'Release',
    text: 'Tests, then a signature. What was done is never rewritten: report, tag and file come out of the record.',
  },
  {
    href: '/job/sample-winch/sample-plate/run',
    title: 'At work',
    text: 'One step, one large button, the pot as the clock. This one is running now: try it, it is only the sample.',
  },
];
