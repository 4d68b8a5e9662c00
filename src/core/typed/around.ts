/** Words before a figure that do not change it, as a part of an expression: `ca. 20 mm`. */
export const HEDGES =
  '(?:ca|circa|zirka|approx(?:imately)?|about|around|roughly|typically|typ|etwa|ungefähr|rund)\\b\\.?|[~≈]';

const BEFORE =
  /^(?:at (?:most|least)|max(?:imum)?|min(?:imum)?|up to|(?:no|not) (?:more|less) than|not (?:above|below|under|over)|less than|more than|after|within|from|mind(?:estens)?|höchstens|>=?|<=?|≥|≤)\.?\s*(?=[-+−\d])/i;
/** `min` behind a number is its unit, behind a unit it is the minimum. */
const BEHIND = /(?<=[a-z%"]\s+)(?:max(?:imum)?|min(?:imum)?|at (?:most|least)|or (?:more|less))\.?$/i;

/**
 * A figure without the words of a limit round it: the figure is the limit, whichever end is asked for.
 * @example withoutBounds('min. 4 h') // '4 h'
 */
export const withoutBounds = (text: string): string => text.trim().replace(BEFORE, '').replace(BEHIND, '').trim();
