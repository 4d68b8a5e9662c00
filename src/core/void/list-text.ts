import Papa from 'papaparse';
import { listed, refuse, texts } from '../say';
import { parseQuantity } from '../typed';
import { type Kind, UNITS, type UnitSystem } from '../units';
import type { RowList } from './shape';

const REFUSED = texts('refused.void.list-text', {
  'divides-columns-decimals':
    '“{line}” divides columns and decimals with the same comma. Divide the columns with tabs or semicolons.',
  'nothing-read': 'There is nothing to read in it.',
  'line-at': 'Line {line}, {label}: {why}',
  'line-columns': 'Line {line} has {cells} of the {asked} columns: {columns}.',
  'line-none': 'Line {line}: “{cell}” is none of {options}.',
  'header-but-no': 'There is a header, but no row under it.',
  'rows-take-up': 'It has {rows} rows; {list} take up to {max}.',
});

type Row = Readonly<Record<string, number | string>>;

const isNumber = (cell: string) => /\d/.test(cell) && /^[-−+\d.,/\s"'″′]*\s*[a-z°"'″′]*\.?$/i.test(cell.trim());

/** How columns are divided: tabs of a spreadsheet, semicolons, commas, or blanks. */
function delimiterOf(text: string, columns: number): string {
  if (text.includes('\t')) return '\t';
  if (text.includes(';')) return ';';
  const line = text.split('\n').find((l) => /\d/.test(l)) ?? '';
  const commas = line.split(',').length;
  if (commas === columns || /,\s/.test(line)) return ',';
  if (commas > columns && commas % columns === 0)
    refuse(
      'list',
      line,
      'columns divided by tabs or semicolons',
      REFUSED['divides-columns-decimals']({ line: line.trim().slice(0, 40) }),
    );
  return commas > 1 ? ',' : ' ';
}

/** The unit that a header names, behind its word or in brackets: “depth cm”, “z (cm)”. null where it names none. */
export function unitOver(header: string, kind: Kind): string | null {
  const word = /[([\s]\s*([^\s()[\]]+)\s*[)\]]?\s*$/.exec(` ${header.trim()}`)?.[1]?.toLowerCase() ?? '';
  return UNITS[kind].find((unit) => unit.names.includes(word))?.symbol ?? null;
}

/** What stands over a column in the field, by what the column is called here. */
const OVER: Readonly<Record<string, RegExp>> = {
  at: /^(?:at|stations?|chainage|dist\w*|pos\w*|from start|stelle|bei|abstand)\b/i,
  along: /^(?:x|along|längs|chainage|stations?)\b/i,
  across: /^(?:y|across|quer|offset)\b/i,
  depth: /^(?:z|depth|deep|tiefe?)\b/i,
  width: /^(?:width|wide|breite?|opening)\b/i,
  '⌀': /^(?:[⌀Øø]|dia|durchm)/i,
};

/**
 * Where each column of a list stands under a header that names them all, in whatever order and among whatever others;
 * null where it does not: then they stand in the order of the list.
 */
function orderIn(list: RowList, header: readonly string[]): readonly number[] | null {
  const order = list.columns.map((c) =>
    header.findIndex((h) => OVER[c.label]?.test(h.trim()) ?? h.trim().toLowerCase() === c.label),
  );
  return order.every((at, i) => at >= 0 && order.indexOf(at) === i) ? order : null;
}

/**
 * Rows of a list from pasted or read text: one row a line, columns divided as spreadsheets do; a header that names
 * the columns says their order; lengths are understood as typed (`3/8 in`, `12,5`), bare numbers in the units of
 * `system`. Depths may also come as a grid: places along in the first line, places across in the first column.
 * @returns the rows, in the core units
 * @throws Refusal naming the line and what is wrong in it
 */
export function rowsFromText(list: RowList, text: string, system: UnitSystem): readonly Row[] {
  const delimiter = delimiterOf(text, list.columns.length);
  const { data } = Papa.parse<string[]>(text.replace(/^[\r\n]+|\s+$/g, ''), { delimiter, skipEmptyLines: 'greedy' });
  const lines = data.map((cells) => {
    const trimmed = cells.map((c) => c.trim());
    return delimiter === ' ' ? trimmed.filter((c) => c !== '') : trimmed;
  });
  if (!lines.length) refuse('list', text, 'at least one row', REFUSED['nothing-read']());
  const read = (
    cell: string,
    line: number,
    label: string,
    kind: RowList['columns'][number]['kind'],
    unit: string | null,
  ): number => {
    const of = kind === 'text' || kind === 'choice' ? 'count' : kind;
    // A bare number is in the unit that stands over its column.
    const parsed = parseQuantity(of, unit !== null && !/[a-z"'″′°%]/i.test(cell) ? `${cell} ${unit}` : cell, system);
    if (!parsed.ok)
      return refuse('list', cell, `a ${label}`, REFUSED['line-at']({ line, label, why: parsed.sentence }));
    return parsed.value;
  };

  const first = lines[0]!;
  const wide = first.length > list.columns.length && lines.length > 1;
  if (
    list.key === 'depth.readings' &&
    wide &&
    first.slice(1).every(isNumber) &&
    lines.slice(1).every((l) => l.length === first.length)
  ) {
    const unit = unitOver(first[0]!, 'length');
    const along = first.slice(1).map((cell) => read(cell, 1, 'along', 'length', unit));
    return lines.slice(1).flatMap((cells, i) => {
      const yMm = read(cells[0]!, i + 2, 'across', 'length', unit);
      return cells
        .slice(1)
        .flatMap((cell, k) =>
          cell === '' ? [] : [{ xMm: along[k]!, yMm, depthMm: read(cell, i + 2, 'depth', 'length', unit) }],
        );
    });
  }

  const header = first.some(isNumber) ? 0 : 1;
  const order = header ? orderIn(list, first) : null;
  const units = list.columns.map((c, k) =>
    header && c.kind !== 'text' && c.kind !== 'choice' ? unitOver(first[order?.[k] ?? k] ?? '', c.kind) : null,
  );
  const rows = lines.slice(header).map((cells, i): Row => {
    const line = i + 1 + header;
    const asked = list.columns.filter((c) => !c.mayLack).length;
    if (cells.length < asked)
      refuse(
        'list',
        cells.join(' '),
        `${asked} columns`,
        REFUSED['line-columns']({
          line,
          cells: cells.length,
          asked,
          columns: list.columns.map((c) => c.label).join(', '),
        }),
      );
    return Object.fromEntries(
      list.columns.map((c, k) => {
        const cell = cells[order?.[k] ?? k] ?? '';
        if (c.mayLack && cell.trim() === '') return [c.key, 0];
        if (c.kind === 'text') return [c.key, cell];
        if (c.kind === 'choice') {
          const found = c.options?.find((o) => o.id === cell.toLowerCase() || o.label === cell.toLowerCase());
          return [
            c.key,
            found?.id ??
              refuse(
                'list',
                cell,
                c.options?.map((o) => o.label).join(', ') ?? '',
                REFUSED['line-none']({
                  line,
                  cell,
                  options: listed(
                    c.options!.map((o) => o.label),
                    'comma',
                  ),
                }),
              ),
          ];
        }
        return [c.key, read(cell, line, c.label, c.kind, units[k]!)];
      }),
    );
  });
  if (!rows.length) refuse('list', text, 'at least one row', REFUSED['header-but-no']());
  if (rows.length > list.max)
    refuse(
      'list',
      rows.length,
      `up to ${list.max} rows`,
      REFUSED['rows-take-up']({ rows: rows.length, list: list.label.toLowerCase(), max: list.max }),
    );
  return rows;
}
