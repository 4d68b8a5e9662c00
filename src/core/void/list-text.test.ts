import fc from 'fast-check';
import { type RowList, SHAPES } from '.';
import { rowsFromText } from './list-text';

const listOf = (shape: keyof typeof SHAPES, key: string): RowList => {
  const kind = SHAPES[shape];
  const found = kind.lists?.(kind.blank()).find((l) => l.key === key);
  if (!found) throw new Error(`${shape} has no list ${key}`);
  return found;
};
const STATIONS: RowList = listOf('chase', 'stations');
const read = (text: string, system: 'metric' | 'us' = 'metric') => rowsFromText(STATIONS, text, system);
const TWO = [
  { atMm: 0, widthMm: 5, depthMm: 12 },
  { atMm: 350, widthMm: 10, depthMm: 38 },
];

test.each([
  ['in the order of the list, without a header', '0\t5\t12\n350\t10\t38'],
  ['under a header in that order', 'at;width;depth\n0;5;12\n350;10;38'],
  ['under a header in another order', 'Depth (mm)\tStation (mm)\tWidth (mm)\n12\t0\t5\n38\t350\t10'],
  ['among other columns', 'No;Chainage (cm);Depth (mm);Remarks;Width (mm)\n1;0;12;wet;5\n2;35;38;;10'],
  ['German, decimal commas', 'Tiefe (cm);bei (m);Breite (mm)\n1,2;0;5\n3,8;0,35;10'],
  ['under words that nobody knows, in the order of the list', 'a;b;c\n0;5;12\n350;10;38'],
])('stations %s', (_, text) => expect(read(text)).toEqual(TWO));

test('whichever way the columns stand, each figure goes under its own name', () => {
  const columns = [
    ['Station', 'atMm'],
    ['Width', 'widthMm'],
    ['Depth', 'depthMm'],
    ['Remarks', null],
  ] as const;
  const rows = fc.array(fc.tuple(...Array.from({ length: 3 }, () => fc.integer({ min: 1, max: 400 }))), {
    minLength: 1,
    maxLength: 6,
  });
  fc.assert(
    fc.property(fc.shuffledSubarray([...columns], { minLength: 4 }), rows, (order, values) => {
      const cell = (row: readonly number[], key: string | null) =>
        key === null ? 'seen' : String(row[columns.findIndex(([, k]) => k === key)]);
      const text = [
        order.map(([name]) => `${name} (mm)`),
        ...values.map((row) => order.map(([, key]) => cell(row, key))),
      ];
      expect(read(text.map((r) => r.join('\t')).join('\n'))).toEqual(
        values.map(([atMm, widthMm, depthMm]) => ({ atMm, widthMm, depthMm })),
      );
    }),
  );
});

test('depths as a grid, and as readings under a header with their number', () => {
  const patch = SHAPES.patch;
  const read3 = patch.write?.(patch.blank(), 'depth.kind', 'readings');
  const readings = patch.lists!(read3 as ReturnType<typeof patch.blank>).find((l) => l.key === 'depth.readings')!;
  const meant = [
    { xMm: 100, yMm: 50, depthMm: 31 },
    { xMm: 200, yMm: 50, depthMm: 33 },
    { xMm: 300, yMm: 50, depthMm: 30 },
  ];
  expect(rowsFromText(readings, 'mm\t100\t200\t300\n50\t31\t33\t30', 'metric')).toEqual(meant);
  expect(
    rowsFromText(readings, 'No\tx\ty\tz (cm)\n1\t100\t50\t3.1\n2\t200\t50\t3.3\n3\t300\t50\t3.0', 'metric'),
  ).toEqual(meant);
});

test.each([
  ['', /nothing to read/],
  ['Depth;Station;Width', /no row under it/],
  ['Depth;Station;Width\n12;0', /Line 2 has 2 of the 3 columns/],
  ['0;5;deep', /Line 1, depth/],
  ['Depth;Station;Width\nshallow;0;5', /Line 2, depth/],
])('“%s” is refused with its line', (text, why) => expect(() => read(text)).toThrow(why));
