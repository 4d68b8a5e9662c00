import { z } from 'zod';
import { refuse, texts } from '../say';
import { SheetRevision, Stock, sheetNow, stockNow } from '../system';
import { placeInJson, readJson } from './json-text';

const REFUSED = texts('refused.file.sheet-file', {
  'no-file-sheets': 'This is no file of sheets: its “format” is not “grenko-sheets”.',
  'file-version-grenko': 'The file is of version {version}, this Grenko reads up to 1. Nothing was changed.',
  'does-not-fit': 'The file does not fit at {path} ({place}): {message}.',
});

/** Sheets with their lots, to hand from one shelf to another. */
export const SheetFile = z.object({
  format: z.literal('grenko-sheets'),
  version: z.literal(1),
  exportedAt: z.string(),
  sheets: z.array(SheetRevision).min(1).max(500),
  stock: z.array(Stock).max(2000),
});
export type SheetFile = z.infer<typeof SheetFile>;

/** Writes sheets, checked on the way out. */
export const writeSheetFile = (file: SheetFile): string => `${JSON.stringify(SheetFile.parse(file), null, 1)}\n`;

const each = (list: unknown, step: (x: unknown) => unknown): unknown => (Array.isArray(list) ? list.map(step) : list);

/** Reads sheets; older ones are brought forward. @throws Refusal naming the place that does not fit */
export function readSheetFile(text: string): SheetFile {
  const raw = readJson(text);
  const data = raw as Record<string, unknown> | null;
  if (data?.format !== 'grenko-sheets')
    return refuse('format', data?.format ?? null, 'grenko-sheets', REFUSED['no-file-sheets']());
  if (typeof data.version === 'number' && data.version > 1)
    return refuse('version', data.version, 'up to 1', REFUSED['file-version-grenko']({ version: data.version }));
  const parsed = SheetFile.safeParse({
    ...data,
    sheets: each(data.sheets, sheetNow),
    stock: each(data.stock, stockNow),
  });
  if (parsed.success) return parsed.data;
  const issue = parsed.error.issues[0]!;
  const path = issue.path.join('.');
  return refuse(
    path || 'file',
    null,
    issue.message,
    REFUSED['does-not-fit']({
      path: path || 'its top',
      place: placeInJson(text, issue.path),
      message: issue.message,
    }),
  );
}
