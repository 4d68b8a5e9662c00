export { planInWords } from './plan';
export { PLAIN_READER, type Reader, say } from './render';
