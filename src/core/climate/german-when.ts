/** What German has for the words of days and hours, as the library that reads them knows them in English. */
const ENGLISH: readonly (readonly [german: RegExp, english: string])[] = [
  [/\bheute (abend|nacht)\b/gi, 'tonight'],
  [/\bheute\b/gi, 'today'],
  [/(?<!\p{L})übermorgen\b/giu, 'day after tomorrow'],
  [/\bmorgen früh (?:um )?(?=\d)/gi, 'tomorrow '],
  [/\bhalb (\d{1,2})\b/gi, 'half to $1'],
  [/\bviertel nach (\d{1,2})\b/gi, 'quarter past $1'],
  [/\bviertel vor (\d{1,2})\b/gi, 'quarter to $1'],
  [/\bmorgen früh\b/gi, 'tomorrow morning'],
  [/\bmorgen\b/gi, 'tomorrow'],
  [/\bgestern\b/gi, 'yesterday'],
  [/\b(mittags?|zu mittag)\b/gi, 'noon'],
  [/\bmitternacht\b/gi, 'midnight'],
  [/\bnächste[nrs]?\b/gi, 'next'],
  [/(?<!\d\s*)\b(um|am|den)\b/gi, ''],
  [/\bin (\d+) tage?n?\b/gi, 'in $1 days'],
  [/\bin (\d+) stunden?\b/gi, 'in $1 hours'],
  [/\bvor (\d+) stunden?\b/gi, '$1 hours ago'],
  [/\bvor (\d+) tage?n?\b/gi, '$1 days ago'],
  [/\bvor (\d+) wochen?\b/gi, '$1 weeks ago'],
  [/\bvor (\d+) monate?n?\b/gi, '$1 months ago'],
  [/\bletzte[nrs]?\b/gi, 'last'],
  [/\bwoche\b/gi, 'week'],
  [/(\d{1,2})[.:](\d{2}) ?uhr\b/gi, '$1:$2'],
  [/(\d{1,2}) ?uhr (\d{2})\b/gi, '$1:$2'],
  [/(\d{1,2}) ?uhr\b/gi, '$1:00'],
  [/\bmo(ntag)?\b\.?/gi, 'Mon'],
  [/\bdi(enstag)?\b\.?/gi, 'Tue'],
  [/\bmi(ttwoch)?\b\.?/gi, 'Wed'],
  [/\bdo(nnerstag)?\b\.?/gi, 'Thu'],
  [/\bfr(eitag)?\b\.?/gi, 'Fri'],
  [/\b(sa(mstag)?|sonnabend)\b\.?/gi, 'Sat'],
  [/\bso(nntag)?\b\.?/gi, 'Sun'],
  [/(\d{1,2})\. ?(?=\p{L})/gu, '$1 '],
  [/\bjan(uar)?\b\.?/gi, 'Jan'],
  [/\bfeb(ruar)?\b\.?/gi, 'Feb'],
  [/\b(mär|märz)(?!\p{L})\.?/giu, 'Mar'],
  [/\bmai\b/gi, 'May'],
  [/\bjuni\b/gi, 'Jun'],
  [/\bjuli\b/gi, 'Jul'],
  [/\bokt(ober)?\b\.?/gi, 'Oct'],
  [/\bdez(ember)?\b\.?/gi, 'Dec'],
];

/**
 * A day and hour said in German, in English words; what is no German stays as it is. The two share no word that means
 * another day in either, so it is not asked in which of them somebody types.
 * @example inEnglish('Fr 12 Uhr') // 'Fri 12:00'
 */
export const inEnglish = (text: string): string =>
  ENGLISH.reduce((so, [german, english]) => so.replace(german, english), text)
    .replace(/ {2,}/g, ' ')
    .trim();
