import { texts } from '@/core/say';

/** What is said of the file of a scan: by the worker that reads it, to the page that shows it. Both load this. */
export const SCAN_FILE = texts('scan-file', {
  unread: '“{name}” cannot be read: {why}',
  'too-short': 'it is too short to hold a triangle.',
  'cut-off':
    'it is cut off: it announces {said} {what, select, triangles {triangles} other {vertices}} and holds {holds}.',
  'no-end': 'it is cut off: its closing line is missing.',
  'no-ply': 'it does not begin like a PLY file.',
  'no-vertices': 'its header is not whole or names no vertices.',
  damaged: 'it is damaged ({how}).',
  'no-points': 'it holds no points.',
  'too-large':
    '“{name}” has {size} MB; up to {most} MB are taken in. Thin the scan out or cut it to the damaged place.',
  'no-scan': '“{name}” is no scan that is understood here: {endings} are.',
  commas:
    '“{name}” divides columns and decimals with the same comma, as in “{sample}”. Save it with semicolons between the columns.',
  'no-point':
    '“{name}” cannot be read: line {line}, “{said}”, {few, select, yes {has fewer than three numbers} other {holds something that is no number}}.',
  'no-memory': 'The scan is too large for the memory of this browser. Thin it out or cut it to the damaged place.',
});
