import { findNodeAtLocation, type ParseError, parseTree } from 'jsonc-parser';
import { refuse, texts } from '../say';

const REFUSED = texts('refused.file.json-text', {
  'nested-too-deeply': '{what} is nested too deeply to be one of ours, at {place}.',
  'damaged-stops-being': '{what} is damaged: it stops being JSON at {where}.',
});

/** Where in a text an offset lies, counted from 1, as an editor shows it. */
export function placeOf(text: string, offset: number): string {
  const before = text.slice(0, offset);
  return `line ${before.split(/\r\n|\r|\n/).length}, column ${offset - Math.max(before.lastIndexOf('\n'), before.lastIndexOf('\r'))}`;
}

const STRICT = { disallowComments: true, allowTrailingComma: false, allowEmptyContent: false };

/** A text with its byte-order mark taken off. */
const bare = (text: string): string => (text.startsWith('\uFEFF') ? text.slice(1) : text);

/**
 * Records are a few layers deep; what is nested further is no file of ours, and reading it would only fill the memory.
 */
const DEEPEST = 100;

/** Where a text is nested deeper than any file of ours; −1 where it is not. */
function tooDeepAt(text: string): number {
  let depth = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === 92) i++;
      else if (c === 34) quoted = false;
    } else if (c === 34) quoted = true;
    else if (c === 91 || c === 123) {
      if (++depth > DEEPEST) return i;
    } else if (c === 93 || c === 125) depth--;
  }
  return -1;
}

/** Text of JSON as a value. @throws Refusal naming line and column of the first fault */
export function readJson(text: string, what = 'The file'): unknown {
  const plain = bare(text);
  const deep = tooDeepAt(plain);
  if (deep >= 0)
    return refuse(
      'file',
      placeOf(plain, deep),
      `${DEEPEST} layers`,
      REFUSED['nested-too-deeply']({ what, place: placeOf(plain, deep) }),
    );
  try {
    return JSON.parse(plain) as unknown;
  } catch {
    const errors: ParseError[] = [];
    parseTree(plain, errors, STRICT);
    // A fault that only the strict reader finds (a control character in a text, say) has no place of its own: it is
    // found by halving.
    const at = errors.length ? Math.min(...errors.map((e) => e.offset)) : firstFault(plain);
    const where = placeOf(plain, at);
    return refuse('file', where, 'whole JSON', REFUSED['damaged-stops-being']({ what, where }));
  }
}

/** The longest beginning of a text in which nothing is wrong yet. */
function firstFault(text: string): number {
  const bad = (upTo: number): boolean => {
    try {
      JSON.parse(text.slice(0, upTo));
      return false;
    } catch (error) {
      // A beginning that only ends too soon is sound as far as it goes.
      return !/end of JSON|Unterminated|after JSON at position|Expected .* at position/.test((error as Error).message);
    }
  };
  let [low, high] = [0, text.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (bad(middle)) high = middle;
    else low = middle + 1;
  }
  return Math.max(0, low - 1);
}

/** Where the value at a path stands in a text: line and column; empty where it cannot be found. */
export function placeInJson(text: string, path: readonly PropertyKey[]): string {
  const plain = bare(text);
  const root = parseTree(plain, [], STRICT);
  if (!root) return '';
  for (let length = path.length; length >= 0; length--) {
    const node = findNodeAtLocation(root, path.slice(0, length) as (string | number)[]);
    if (node) return placeOf(plain, node.offset);
  }
  return '';
}
