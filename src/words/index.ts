export { planInWords } from './plan';
export { errorInWords, PLAIN_READER, plainWords, type Reader, say, workedIn } from './render';
export {
  type Catalogue,
  type Gap,
  LANGUAGES,
  type Language,
  learnLanguage,
  own,
  patternKey,
  phrase,
  speak,
  spokenLanguage,
  translated,
} from './tongue';
