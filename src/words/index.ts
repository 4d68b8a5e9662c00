export { planInWords } from './plan';
export { PLAIN_READER, plainWords, type Reader, say } from './render';
