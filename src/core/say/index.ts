export { type List, Message, Moment, Quantity, Said, Value, type Values } from './message';
export { allTexts, isPlain, plain, type Sayer, textOf, texts } from './texts';
export { at, degC, exactly, grams, kelvin, listed, minutes, ml, mm, on, percent } from './values';
