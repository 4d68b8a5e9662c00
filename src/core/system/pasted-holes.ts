import { attempt } from '../say';
import type { UnitSystem } from '../units';
import { parseCleaning, parseRods } from './holes';
import { systemKind } from './kinds';
import type { SheetLine, Told } from './pasted-readers';

const FRACTION = '(?:\\d+[\\s-]+)?\\d*[13579]/(?:2|4|8|16|32)(?!\\d)';
/** A rod as sheets name it: `M12`, `#4`, `1/2 in`. */
const ROD = new RegExp(
  `(?<![\\w/.])(?:M\\s?\\d{1,2}|(?:#|No\\.?\\s?)\\d{1,2}|${FRACTION}(?:\\s*(?:in(?:ch)?\\b|["″”]))?)(?![\\w/])`,
  'i',
);
const FIGURE = `(?:${FRACTION}|\\d+(?:[.,]\\d+)?)`;
const UNIT = '(?:mm|cm|in(?:ch(?:es)?)?\\b|["″”])';
/** A hole, or a depth with its two ends. */
const LENGTH = new RegExp(`${FIGURE}(?:\\s*${UNIT})?(?:\\s*(?:\\bto\\b|-)\\s*${FIGURE})?(?:\\s*-?${UNIT})?\\.?`, 'gi');
/** Words between the figures of such a line; any other is of something else, and the line is left alone. */
const ITS_WORDS = new RegExp(
  `\\b(?:${[
    'for|use|with|an?|in|of|and|size|für|dia(?:meter)?|depth|deep|embed(?:ment)?',
    'thread(?:ed)?|anchors?|rods?|bolts?|studs?|(?:re)?bars?|dowels?|drill(?:ed)?|bits?|holes?',
    'stange|bohrloch|bohrer|(?:bohr|setz|verankerungs)?tiefe',
  ].join('|')})\\b\\.?|[Øø⌀:;,=()|/@-]`,
  'gi',
);
/** Behind its rod a line names the hole, and may name its depth and its brush. */
const MOST_FIGURES = 3;

/** What a line wants of the hole for a rod: `Anchor dia 1/2" hole 9/16"`, `M12 14 mm 70-240 mm`. */
export function rodsIn({ kind, line, system }: SheetLine): Told {
  if (systemKind(kind).mixing !== 'mixer') return [];
  // M8: 10 mm, M10: 12 mm: each a row of its own.
  const each = line.split(/[,;]\s+/);
  const rows = each.map((piece) => rodIn(piece, system));
  if (rows.length > 1 && !rows.includes(null)) return [['rods', rows.join('\n')]];
  const row = rodIn(line, system);
  return row ? [['rods', row]] : [];
}

/** One rod with its hole, as a row of the table; null where it is not plainly that. */
function rodIn(line: string, system: UnitSystem): string | null {
  const rod = ROD.exec(line);
  if (!rod) return null;
  const [ahead, after] = [line.slice(0, rod.index), line.slice(rod.index + rod[0].length)];
  // Hole 12 mm for M10.
  const isAhead = !/\d/.test(after) && /\bfor\b|für/i.test(ahead);
  const [told, other] = isAhead ? [ahead, after] : [after, ahead];
  const figures = told.match(LENGTH) ?? [];
  const words = `${other} ${told.replace(LENGTH, ' ')}`.replace(ITS_WORDS, ' ').trim();
  if (words || figures.length < 1 || figures.length > MOST_FIGURES) return null;
  // Rods of a thread are told in millimetres, those of a number or a fraction in inches.
  const unit = /^m/i.test(rod[0]) ? 'mm' : 'in';
  const withUnit = (text: string) => (/[a-z"″”]/i.test(text.replace(/\bto\b/i, '')) ? text : `${text} ${unit}`);
  // A number alone may be a screw: what is glued in is a bar.
  const name = /^\d/.test(rod[0])
    ? withUnit(rod[0].trim())
    : /^m/i.test(rod[0])
      ? rod[0].trim()
      : `${rod[0].trim()} bar`;
  const row = `${name}: ${figures.map((f) => withUnit(f.trim().replace(/\.$/, ''))).join(', ')}`;
  return attempt(() => parseRods(row, 'rods', system)).ok ? row : null;
}

/** How a line wants holes cleaned: `Blow 2x, brush 2x, blow 2x`. */
export function cleaningIn({ kind, line }: SheetLine): Told {
  if (systemKind(kind).mixing !== 'mixer') return [];
  const told = line
    .replace(/^[^:]*:\s*/, '')
    .replace(/(\d+)\s*times\b/gi, '$1x')
    .replace(/\s+(?:with|by)\s+(?:oil-free |compressed |clean )*air\b/gi, '')
    .replace(/[.\s]+$/, '');
  return attempt(() => parseCleaning(told, 'cleaning')).ok ? [['cleaning', told]] : [];
}
