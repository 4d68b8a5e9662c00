import { MINERAL } from './mineral';
import { MIXING } from './mixing';
import { PLACING } from './placing';
import { PRESSING } from './pressing';
import { SITE } from './site';
import { SURFACE } from './surface';
import type { Trouble } from './trouble';

/** The table behind “something went wrong”. */
export const TROUBLES: readonly Trouble[] = [...MIXING, ...PRESSING, ...MINERAL, ...PLACING, ...SITE, ...SURFACE];
export {
  answerOnRecord,
  answerTo,
  befalls,
  type FaceAgain,
  OPENS_AGAIN,
  type Sign,
  signsOf,
  TROUBLE_EFFECTS,
  type Trouble,
  type TroubleAnswer,
  type TroubleEffect,
  troublesHere,
} from './trouble';
