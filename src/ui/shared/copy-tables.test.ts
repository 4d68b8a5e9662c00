import { asMarkup, asTabbed, type CellOf, tableRows } from './copy-tables';

const cell = (textContent: string | null, ...values: string[]): CellOf => ({
  textContent,
  querySelectorAll: (what) => (what === 'button' ? [] : values.map((value) => ({ value }))),
});
const pressed = (textContent: string): CellOf => ({
  textContent,
  querySelectorAll: (what) => (what === 'button' ? [{}] : []),
});
const rows = (...list: CellOf[][]) => list.map((cells) => ({ cells }));

test('what is read is what is copied: breaks and tabs inside a cell are one space', () => {
  expect(tableRows(rows([cell('  2 ×\n Kit 1 '), cell('1.10\tL')], [cell('lot'), cell(null)]))).toEqual([
    ['2 × Kit 1', '1.10 L'],
    ['lot', ''],
  ]);
});
test('of a field what is typed in it, and not its choices', () => {
  expect(tableRows(rows([cell('tape rule calliper', 'tape'), cell('', '300 mm')]))).toEqual([['tape', '300 mm']]);
});
test('what is pressed is not read', () => {
  expect(tableRows(rows([cell('2'), pressed('check contents')], [pressed('fold')]))).toEqual([['2', '']]);
});
test('rows in which nothing stands are left out', () => {
  expect(tableRows(rows([cell(' '), cell('')], [cell('x')]))).toEqual([['x']]);
});
test('a spreadsheet takes it: tabs between cells, an empty line between tables, as many cells as there were', () => {
  const two = [
    [
      ['a', 'b'],
      ['c', ''],
    ],
    [['d']],
  ];
  const text = asTabbed(two);
  expect(text).toBe('a\tb\nc\t\n\nd');
  expect(text.split('\n\n').map((t) => t.split('\n').map((l) => l.split('\t')))).toEqual(two);
});
test('signs of markup stay signs', () => {
  expect(asMarkup([[['< 5 °C & wet']]])).toBe('<table><tr><td>&lt; 5 °C &amp; wet</td></tr></table>');
});
