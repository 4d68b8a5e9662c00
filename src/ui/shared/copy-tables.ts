'use client';

/** What stands in a cell as it is read: of a field what is typed in it. */
export interface CellOf {
  readonly textContent: string | null;
  querySelectorAll(selector: string): Iterable<{ readonly value?: string }>;
}

const clean = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** What is pressed is not read: a cell with a button in it is empty. */
function cellText(cell: CellOf): string {
  if ([...cell.querySelectorAll('button')].length) return '';
  const typed = [...cell.querySelectorAll('input:not([type=checkbox]), select')].map((f) => f.value ?? '');
  return clean(typed.length ? typed.join(' ') : (cell.textContent ?? ''));
}

/** The rows of a table with what stands in their cells; rows in which nothing stands are left out. */
export const tableRows = (rows: Iterable<{ readonly cells: Iterable<CellOf> }>): readonly (readonly string[])[] =>
  [...rows].map((row) => [...row.cells].map(cellText)).filter((cells) => cells.some(Boolean));

/** Several tables as text that a spreadsheet takes: a tab between cells, an empty line between tables. */
export const asTabbed = (tables: readonly (readonly (readonly string[])[])[]): string =>
  tables.map((rows) => rows.map((cells) => cells.join('\t')).join('\n')).join('\n\n');

const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/** The same as a page, for what takes tables as such. */
export const asMarkup = (tables: readonly (readonly (readonly string[])[])[]): string =>
  tables
    .map(
      (rows) =>
        `<table>${rows.map((cells) => `<tr>${cells.map((c) => `<td>${escaped(c)}</td>`).join('')}</tr>`).join('')}</table>`,
    )
    .join('<br>');

const onPage = (): readonly HTMLTableElement[] => [...document.querySelectorAll<HTMLTableElement>('#main table')];

/** Whether the page has a table to copy. */
export const hasTables = (): boolean => onPage().length > 0;

/**
 * Puts all tables of the page on the clipboard, as they are read.
 * @param more what stands on the page as a list
 * @returns whether the browser let it
 */
export async function copyTables(more: readonly (readonly (readonly string[])[])[] = []): Promise<boolean> {
  const tables = [...onPage().map((t) => tableRows(t.rows)), ...more].filter((rows) => rows.length);
  if (!tables.length || !navigator.clipboard) return false;
  const text = asTabbed(tables);
  try {
    if (typeof ClipboardItem === 'undefined') await navigator.clipboard.writeText(text);
    else
      await navigator.clipboard.write([
        new ClipboardItem({
          'text/plain': new Blob([text], { type: 'text/plain' }),
          'text/html': new Blob([asMarkup(tables)], { type: 'text/html' }),
        }),
      ]);
    return true;
  } catch {
    return false;
  }
}
