export { planInWords } from './plan';
export { errorInWords, PLAIN_READER, plainWords, type Reader, say, workedIn } from './render';
