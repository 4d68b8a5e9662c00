export { type Budget, meter } from './budget';
export { type List, Message, Moment, Quantity, Said, Value, type Values } from './message';
export { digitsApart, metC, rangeOf } from './range';
export { attempt, finite, type Problem, positive, Refusal, refuse, whyOf } from './refusal';
export { allTexts, gapsOf, plain, type Sayer, textOf, texts } from './texts';
export {
  along,
  areal,
  areaOf,
  at,
  bare,
  degC,
  density,
  exactly,
  grams,
  kelvin,
  listed,
  minutes,
  ml,
  mm,
  mm2,
  mpa,
  newtons,
  on,
  percent,
  rate,
  uptake,
} from './values';
export { line, Voice, WORKED_DIGITS, WorkLine } from './working';
