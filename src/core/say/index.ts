export { type List, Message, Moment, Quantity, Said, Value, type Values } from './message';
export { allTexts, gapsOf, isPlain, plain, type Sayer, textOf, texts } from './texts';
export {
  along,
  areaOf,
  at,
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
  on,
  percent,
  rate,
  uptake,
} from './values';
