/** The mark that stands before the decimals of a figure. */
export type DecimalMark = '.' | ',';

const POINT = /(?<=\d)\.(?=\d)/g;

/**
 * A figure, or a quantity, as it is written where another mark stands before its decimals.
 * @param text one figure with its unit, written with a point and without groups of thousands
 * @example withMark('2.5 L', ',') // '2,5 L'
 */
export const withMark = (text: string, mark: DecimalMark): string => (mark === '.' ? text : text.replace(POINT, mark));
