import { sampleSheets, sampleStock } from '../../sample/systems';
import { readSheetFile, type SheetFile, writeSheetFile } from '.';

const file = (): SheetFile => ({
  format: 'grenko-sheets',
  version: 1,
  exportedAt: '2026-05-05T06:00:00Z',
  sheets: [...sampleSheets],
  stock: [...sampleStock(Date.UTC(2026, 4, 5))],
});

test('sheets and lots go out and come back the same', () => {
  expect(readSheetFile(writeSheetFile(file()))).toEqual(file());
});

test('older sheets and lots in it are brought forward', () => {
  const raw = JSON.parse(writeSheetFile(file()));
  const { dose, storage, finish, ...old } = raw.sheets[0];
  const { breaches, where, ...lot } = raw.stock[0];
  const back = readSheetFile(
    JSON.stringify({ ...raw, sheets: [{ ...old, version: 1 }], stock: [{ ...lot, version: 1 }] }),
  );
  expect(back.sheets[0]).toMatchObject({ version: 2, dose: null, storage: { checks: [] } });
  expect(back.stock[0]).toMatchObject({ version: 2, breaches: [], where: '' });
});

test.each([
  ['half a file', writeSheetFile(file()).slice(0, 900), /stops being JSON at line \d+, column \d+/],
  ['a job file', '{"format":"grenko-job","version":3}', /no file of sheets/],
  ['a newer one', JSON.stringify({ ...file(), version: 4 }), /version 4/],
  ['no sheets', JSON.stringify({ ...file(), sheets: [] }), /does not fit at sheets/],
  [
    'a kit of nothing',
    JSON.stringify({
      ...file(),
      sheets: [
        { ...sampleSheets[0], kits: [{ ...sampleSheets[0]!.kits[0], massG: { A: 0, B: 1, C: null, D: null } }] },
      ],
    }),
    /sheets\.0\.kits\.0\.massG\.A/,
  ],
])('%s is refused with its place', (_, text, words) => {
  expect(() => readSheetFile(text)).toThrow(words);
});
