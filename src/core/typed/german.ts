/** What German sheets print for the words that are read here. */
const WORDS: readonly (readonly [german: RegExp, english: string])[] = [
  [/(^|[,;:]\s*)bis (zu )?(?=\+?\d)/gim, '$1up to '],
  [/\bbis (zu )?(?=[\d+−-])/gi, 'to '],
  [/\bbei (?=[\d+−-])/gi, 'at '],
  [/\bnach (?=\d)/gi, 'after '],
  [/\b(nach )?gew(icht(steile)?)?\b\.?(?!\p{L})|\bnach masse\b/giu, 'by weight'],
  [/\bnach vol(umen)?\b\.?|\bvolumenteile\b/gi, 'by volume'],
  [/(?<=\d\s*)(stunden?|std)\b\.?/gi, 'h'],
  [/(?<=\d\s*)minuten?\b/gi, 'min'],
  [/(?<=\d\s*)(tage?n?)\b/gi, 'd'],
  [/(?<=\d\s*)(wochen?)\b/gi, 'weeks'],
  [/(?<=\d\s*)zoll\b/gi, 'in'],
  [/\bje satz\b/gi, 'a set'],
];

/** What is typed in German words, in those that are read here; other words stay as they are. @example '4 h bis 5 h' */
export const inWordsRead = (text: string): string =>
  WORDS.reduce((so, [german, english]) => so.replace(german, english), text);
