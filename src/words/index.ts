export { planInWords } from './plan';
export { PLAIN_READER, plainWords, type Reader, say, workedIn } from './render';
