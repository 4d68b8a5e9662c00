export {
  decimals,
  fieldText,
  figure,
  format,
  formatDuration,
  marked,
  moneyWords,
  readMinutesFor,
  readMoney,
  readPaced,
  readQuantity,
  spokenMark,
} from './figures';
export { isLanguage, knowLanguage, takeLanguage } from './languages';
export { planInWords } from './plan';
export { errorInWords, PLAIN_READER, plainWords, type Reader, say, workedIn } from './render';
export {
  type Catalogue,
  type Gap,
  joined,
  LANGUAGE_ROWS,
  LANGUAGES,
  type Language,
  lowered,
  own,
  phrase,
  spokenLanguage,
  translated,
} from './tongue';
