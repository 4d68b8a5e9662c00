import Papa from 'papaparse';
import { METHODS, methodOf } from '../method';
import { type Message, refuse, texts } from '../say';
import { BASES, type BaseMaterial } from '../system';
import { type Parsed, readNumber } from '../typed';
import { FIELD_UNIT, fromCore, type UnitSystem, unitOf } from '../units';
import {
  isThread,
  type ListedSize,
  type ListedSizes,
  SIZE_IDS,
  SIZES,
  type SizeId,
  shapeFor,
  sizedShape,
  sizesIn,
  unitOver,
  type Void,
  voidOf,
} from '../void';
import { DAMAGES, HEADINGS, MATERIALS, type TellId } from './damage-words';
import { type SizeInCell, sizesInCell } from './listed-size';
import { type Beginning, basesOf } from './ready-chains';
import { pieceOf, piecesOf, type Repair } from './repair';

const REFUSED = texts('refused.plan.damage-list', {
  'one-column': 'Its lines are not divided into columns: divide them with tabs, semicolons or commas, under headings.',
  'no-rows': 'There is a line of headings, but nothing under it.',
  'too-many': 'It has {rows} lines; up to {most} are taken in at once.',
});
const LISTED = texts('damage-list', {
  sum: '“{cell}” is a sum of the others.',
  'not-how': 'Say how “{what}” is repaired.',
  'not-how-any': 'Say how it is repaired.',
  'no-material': '“{cell}” is none of {bases}.',
  'not-on': '{method} is not done on {base}.',
  'no-count': 'A whole number from 1 to {most}.',
  'no-unit': 'In what unit is {cell}?',
  'which-sizes': 'Which sizes are “{cell}”? Length × width × depth, or Ø × depth.',
  'told-twice': 'The {size} has a column of its own.',
});

/** Lines of one list that become repairs of one job at most. */
export const MOST_LISTED = 100;
const MOST_LIKE = 500;
const LONGEST = 100;

/** Units that bare figures of a column may be in. */
export const LIST_UNITS = ['mm', 'cm', 'm', 'in', 'ft'] as const;
export type ListUnit = (typeof LIST_UNITS)[number];

/** A column of a list: its heading, what that usually means, and the unit of its bare figures. */
export interface ListColumn {
  readonly heading: string;
  readonly guess: TellId | null;
  /** As the heading names it; null where it names none. */
  readonly unit: string | null;
}

/** A list of damage as it was written: columns, and lines by their number in the text. */
export interface DamageList {
  readonly columns: readonly ListColumn[];
  readonly lines: readonly { readonly line: number; readonly cells: readonly string[] }[];
}

/** What is said of a list besides what stands in it. */
export interface ListSaid {
  /** What each column tells; null for one that is left out. */
  readonly tells: readonly (TellId | null)[];
  /** The unit of the bare figures of each column. */
  readonly units: readonly (string | null)[];
  /** How what is called so is repaired; what the list calls nothing stands under the empty word. */
  readonly how: ReadonlyMap<string, Beginning>;
  /** What things are made of where their line does not say so. */
  readonly made: BaseMaterial | null;
}

/** A line of a list as it is understood. */
export interface Damage {
  readonly line: number;
  readonly name: string;
  readonly place: string;
  /** What the list calls broken. */
  readonly what: string;
  readonly begin: Beginning | null;
  readonly made: BaseMaterial | null;
  /** Null where the line tells no size. */
  readonly void: Void | null;
  /** What keeps the line from being taken, by its column; null for the line as a whole. */
  readonly faults: readonly { readonly column: number | null; readonly sentence: Message }[];
  /** Sizes it tells for which the void has no place. */
  readonly unused: readonly SizeId[];
}

const NOTHING = /^(?:[-–—/?.]*|n\.?\s?\/?[ad]\.?|none|k\.? ?a\.?)$/i;
const SUM = /^(total|sum|sub-?total|summe|gesamt)\b/i;
const isSize = (tells: TellId | null): tells is SizeId => tells !== null && tells in SIZES;
/** What keeps a spreadsheet from taking a word for a formula. */
const HARMLESS = /^'(?=[=+\-@])/;
const ROUND = /^[øØ⌀]\s*/;
/** A figure without a unit or a thread’s name: what its column is in must be said. */
const isBare = (cell: string): boolean =>
  /\d/.test(cell) && !isThread({ text: cell }) && !/[a-zµ"'″′’#]/i.test(cell.replace(ROUND, ''));
const wordOf = (cell: string): string => cell.replace(/\s+/g, ' ').trim();

/** What the words of a heading usually mean; null where they tell nothing. */
export const tellMeant = (heading: string): TellId | null =>
  HEADINGS.find(([, said]) => said.test(heading.toLowerCase().trim()))?.[0] ?? null;

/** How what is called so is usually repaired, on what it is made of where that is known. */
export function howMeant(what: string, made: BaseMaterial | null): Beginning | null {
  const said = what.toLowerCase();
  const named = METHODS.find((m) => m.label.toLowerCase() === said);
  const usual = named ? [named.id] : DAMAGES.find(([word]) => word.test(said))?.[1];
  if (!usual) return null;
  const methods = usual.map((id) => methodOf(id)!);
  const method = methods.find((m) => !made || m.bases.includes(made)) ?? methods[0]!;
  return { methodId: method.id, chain: null };
}

const madeMeant = (cell: string): BaseMaterial | null =>
  MATERIALS.find(([, said]) => said.test(cell.toLowerCase()))?.[0] ?? null;

/**
 * Reads a list of damage as it comes out of a spreadsheet: a line of headings, a line for each damage, columns divided
 * by tabs, semicolons or commas. Of two columns that seem to tell the same, the first is taken.
 * @throws Refusal where it has no columns, no lines, or too many of them
 * @example readDamageList('No\tDamage\tLength (m)\n1\tcrack\t4.2', 'list')
 */
export function readDamageList(text: string, field: string): DamageList {
  const clean = text.replace(/^\uFEFF/, '');
  const { data } = Papa.parse<string[]>(clean, {
    delimiter: clean.includes('\t') ? '\t' : '',
    delimitersToGuess: [';', ',', '|'],
  });
  const all = data
    .map((cells, i) => ({ line: i + 1, cells: cells.map((c) => c.trim().replace(HARMLESS, '')) }))
    .filter(({ cells }) => cells.some((c) => c !== ''));
  const [head, ...lines] = all;
  if (!head || head.cells.length < 2) refuse(field, text.slice(0, 80), 'columns', REFUSED['one-column']());
  if (!lines.length) refuse(field, lines.length, 'lines under the headings', REFUSED['no-rows']());
  if (lines.length > MOST_LISTED)
    refuse(field, lines.length, `up to ${MOST_LISTED}`, REFUSED['too-many']({ rows: lines.length, most: MOST_LISTED }));
  const meant = head!.cells.map(tellMeant);
  return {
    columns: head!.cells.map((heading, i) => ({
      heading,
      guess: meant.indexOf(meant[i]!) === i ? meant[i]! : null,
      unit: unitOver(heading, 'length'),
    })),
    lines,
  };
}

/** The list with those of its lines alone that have such a number, as text that is read again. */
export const listText = ({ columns, lines }: DamageList, numbers: ReadonlySet<number>): string =>
  Papa.unparse([columns.map((c) => c.heading), ...lines.filter((l) => numbers.has(l.line)).map((l) => [...l.cells])], {
    delimiter: '\t',
    newline: '\n',
  });

/** Columns of sizes in which a bare figure stands and no unit is known: what they are in is to be said. */
export const unitless = (list: DamageList, { tells, units }: ListSaid): readonly number[] =>
  list.columns.flatMap((_, i) =>
    !units[i] &&
    list.lines.some(({ cells }) => toldIn(tells[i] ?? null, cells[i] ?? '', '').some((s) => isBare(s.text)))
      ? [i]
      : [],
  );

/** What the list calls broken, each word once, in its order; the empty word where a line calls it nothing. */
export function damageWords(list: DamageList, tells: ListSaid['tells']): readonly string[] {
  const at = tells.indexOf('what');
  return [...new Set(list.lines.filter((l) => !isSum(l.cells)).map(({ cells }) => wordOf(cells[at] ?? '')))];
}

/** How each of these words is usually repaired, on what its lines say it is made of, or on `made`. */
export function usualHow(
  list: DamageList,
  tells: ListSaid['tells'],
  made: BaseMaterial | null,
): ReadonlyMap<string, Beginning> {
  const [what, of] = [tells.indexOf('what'), tells.indexOf('made')];
  return new Map(
    damageWords(list, tells).flatMap((word) => {
      const lines = list.lines.filter(({ cells }) => wordOf(cells[what] ?? '') === word);
      const said = lines.map(({ cells }) => madeMeant(cells[of] ?? '')).find((m) => m !== null);
      const how = howMeant(word, said ?? made);
      return how ? [[word, how] as const] : [];
    }),
  );
}

const isSum = (cells: readonly string[]): boolean => cells.some((c) => SUM.test(c));

/** How a length is read, and in whose units it was written. */
export interface LengthReader {
  readonly read: (text: string) => Parsed;
  readonly system: UnitSystem;
}

/** What is said of a list, with the heading of each column: it may say in which order sizes stand in one cell. */
interface Told extends ListSaid {
  readonly headings: readonly string[];
}

/** Each line of a list as it is understood with what was said of it. */
export function damagesIn(list: DamageList, said: ListSaid, reader: LengthReader): readonly Damage[] {
  const told: Told = { ...said, headings: list.columns.map((c) => c.heading) };
  const all = list.lines.map((line) => damageOf(line, told, reader));
  const same = (d: Damage) => all.filter((other) => other.name === d.name);
  // Several of one name are told apart by their order.
  return all.map((d) => (d.name && same(d).length > 1 ? { ...d, name: `${d.name} ${same(d).indexOf(d) + 1}` } : d));
}

type Wrong = (tell: TellId | null, sentence: Message) => void;
type CellOf = (tell: TellId) => string;

function damageOf({ line, cells }: DamageList['lines'][number], said: Told, reader: LengthReader): Damage {
  const faults: Damage['faults'][number][] = [];
  const at = (tell: TellId) => said.tells.indexOf(tell);
  const cell: CellOf = (tell) => {
    const is = wordOf(cells[at(tell)] ?? '');
    return NOTHING.test(is) ? '' : is;
  };
  const wrong: Wrong = (tell, sentence) => {
    faults.push({ column: tell === null || at(tell) < 0 ? null : at(tell), sentence });
  };
  const sum = cells.find((c) => SUM.test(c));
  if (sum !== undefined) wrong(null, LISTED.sum({ cell: sum }));

  const what = cell('what');
  const made = madeOf(cell('made'), said.made, wrong);
  const begin = said.how.get(what) ?? null;
  if (!begin && sum === undefined) wrong('what', what ? LISTED['not-how']({ what }) : LISTED['not-how-any']());
  if (begin && made && !basesBegun(begin).includes(made))
    wrong('made', LISTED['not-on']({ method: methodOf(begin.methodId)!.label, base: made }));

  const count = countOf(cell('count'), wrong);
  const sizes = sizesOf(said, cell, reader, wrong);
  const shape = begin && shapeFor(methodOf(begin.methodId)!.shapes, sizes.keys());
  const sized = shape && sizes.size ? sizedShape(shape, sizes) : null;
  for (const [size, sentence] of sized?.wrong ?? []) wrong(at(size) < 0 ? 'sizes' : size, sentence);
  return {
    line,
    name: nameOf(cell('name'), what),
    place: cell('place').slice(0, LONGEST),
    what,
    begin,
    made,
    void: sized ? { ...voidOf(sized.shape), count } : null,
    faults,
    unused: sized?.unused ?? [],
  };
}

/** A bare number says nothing to who stands before it. */
const nameOf = (name: string, what: string): string =>
  (/^[\d.]+$/.test(name) && what ? `${what} ${name}` : name || what).slice(0, LONGEST);

/** How many are alike; one where that is not said, or cannot be read. */
function countOf(cell: string, wrong: Wrong): number {
  if (cell === '') return 1;
  const read = readNumber(cell.replace(/\s*([x×]|no\.?|pcs|st(ü|u)?ck)?$/i, ''));
  const count = 'value' in read ? read.value : 0;
  if (Number.isInteger(count) && count >= 1 && count <= MOST_LIKE) return count;
  wrong('count', LISTED['no-count']({ most: MOST_LIKE }));
  return 1;
}

/** What a cell tells of sizes: its own, or several one by another. */
const toldIn = (tell: TellId | null, cell: string, heading: string): readonly SizeInCell[] =>
  tell === 'sizes' ? (sizesInCell(cell, heading) ?? []) : isSize(tell) ? [{ size: tell, text: cell }] : [];

/** The sizes of a line that can be read. */
function sizesOf(
  { tells, units, headings }: Told,
  cell: CellOf,
  { read, system }: LengthReader,
  wrong: Wrong,
): ListedSizes {
  const sizes = new Map<SizeId, ListedSize>();
  for (const [i, tell] of tells.entries()) {
    if (tell === null || cell(tell) === '') continue;
    const told = toldIn(tell, cell(tell), headings[i] ?? '');
    if (tell === 'sizes' && !told.length) wrong(tell, LISTED['which-sizes']({ cell: cell(tell) }));
    for (const { size, text } of told) {
      if (tell === 'sizes' && tells.includes(size) && cell(size) !== '') {
        wrong(tell, LISTED['told-twice']({ size: SIZES[size] }));
        continue;
      }
      const [bare, unit] = [isBare(text), units[i]];
      const is = bare && !unit ? null : read(`${text.replace(ROUND, '')}${bare ? ` ${unit}` : ''}`);
      if (is?.ok) sizes.set(size, { valueMm: is.value, text: is.text, textSystem: system });
      else wrong(tell, is?.sentence ?? LISTED['no-unit']({ cell: text }));
    }
  }
  return sizes;
}

function madeOf(cell: string, otherwise: BaseMaterial | null, wrong: Wrong): BaseMaterial | null {
  if (cell === '') return otherwise;
  const made = madeMeant(cell);
  if (!made) wrong('made', LISTED['no-material']({ cell, bases: { list: BASES, join: 'or' } }));
  return made;
}

/** A size as a list has it: a rod by its name, all else a figure in the unit over its column. */
const sizeCell = (size: ListedSize, symbol: string): string =>
  isThread(size) ? size.text : String(Number(fromCore(unitOf('length', symbol), size.valueMm).toPrecision(6)));

/**
 * The repairs of a job as such a list: headings, then a line each, in the units of `system`. What is measured by more
 * than one shape, or by a shape that no list can tell, has its volume alone. A cell that begins like a formula is
 * written harmless.
 */
export function damageCsv(
  repairs: readonly { readonly draft: Repair; readonly name: string; readonly volumeMl: number | null }[],
  system: UnitSystem,
): string {
  const symbol = FIELD_UNIT.length[system];
  const told = repairs.map(({ draft }) => {
    const { void: measured } = pieceOf(draft);
    const [shape] = measured?.shapes.length === 1 && !measured.variants.length ? measured.shapes : [];
    return { count: measured?.count ?? 1, sizes: shape ? sizesIn(shape) : new Map<SizeId, ListedSize>() };
  });
  const sizes = SIZE_IDS.filter((size) => told.some((t) => t.sizes.has(size)));
  const rows = [
    [
      'Name',
      'Where',
      'Repair',
      'Made of',
      'How many',
      ...sizes.map((size) => `${SIZES[size].replace(/^./, (c) => c.toUpperCase())} (${symbol})`),
      'Holds (L)',
    ],
    ...repairs.map(({ draft, name, volumeMl }, i) => [
      name,
      draft.place,
      piecesOf(draft)
        .map((p) => methodOf(p.method.id)?.label ?? p.method.id)
        .join(' → '),
      draft.base.material,
      String(told[i]!.count),
      ...sizes.map((size) => {
        const is = told[i]!.sizes.get(size);
        return is ? sizeCell(is, symbol) : '';
      }),
      volumeMl === null ? '' : String(Number((volumeMl / 1000).toPrecision(4))),
    ]),
  ];
  return Papa.unparse(rows, { escapeFormulae: true, newline: '\r\n' });
}

const basesBegun = ({ methodId, chain }: Beginning): readonly BaseMaterial[] =>
  chain ? basesOf(chain) : methodOf(methodId)!.bases;
