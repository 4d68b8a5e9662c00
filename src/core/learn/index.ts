export { type Estimate, estimateOf, type Observation } from './estimate';
export { type HandsRange, handsRange } from './hands-range';
export {
  clockLearned,
  factorsLearned,
  type Learned,
  type Lessons,
  learnedFrom,
  lessonsOf,
  materialLearned,
  minutesLearned,
  type NoteLeft,
  systemLearned,
  toolLearned,
} from './learned';
export { type Lesson, learnedAs, type Seen, seenIn } from './observe';
