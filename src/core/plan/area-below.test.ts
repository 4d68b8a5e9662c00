import { freshRepair } from '@/ui/workspace/fresh';
import { methodOf } from '../method';
import { measured, type VoidShape, voidOf } from '../void';
import { basesOf, firstShape, pieceOf, READY_CHAINS, type Repair, withChain, withNext, withPiece } from '.';

const NOW = Date.UTC(2027, 4, 10, 7);
const floor = READY_CHAINS.find((c) => c.next.some((p) => p.method === 'resin-joints'))!;
const begun = (): Repair => withChain(freshRepair('j', floor.first.method, 1, NOW, basesOf(floor)[0]!), floor);
const [bed, joints] = ['p1', 'p2'] as const;
const outlineOf = (shape: VoidShape) => ('outline' in shape ? shape.outline : null);

/** The bed as somebody measured it. */
const laid = (repair: Repair, long: number, wide: number, count = 1): Repair => {
  const piece = pieceOf(repair, bed);
  const shape = {
    ...firstShape(repair, bed, methodOf(piece.method.id)!.shapes[0]!),
    outline: { kind: 'rectangle', length: measured(long, 'tape'), width: measured(wide, 'tape') },
  } as VoidShape;
  return withPiece(repair, { ...piece, void: { ...voidOf(shape), count } });
};
const shapeOfJoints = (repair: Repair) => firstShape(repair, joints, methodOf('resin-joints')!.shapes[0]!);

test('joints begin as large as the bed below them was measured, all else still to be measured', () => {
  const shape = shapeOfJoints(laid(begun(), 4000, 3000));
  expect(outlineOf(shape)).toMatchObject({ length: { valueMm: 4000, text: '4000 mm' }, width: { valueMm: 3000 } });
  expect(shape).toMatchObject({ tileLength: { text: '' }, jointWidth: { text: '' } });
});

test('nothing is taken from what is not measured, is several areas, or lies above', () => {
  const blank = outlineOf(shapeOfJoints(begun()));
  expect(blank).toMatchObject({ length: { text: '' } });
  expect(outlineOf(shapeOfJoints(laid(begun(), 4000, 3000, 2)))).toEqual(blank);
  const above = withPiece(begun(), {
    ...pieceOf(begun(), joints),
    void: voidOf(shapeOfJoints(laid(begun(), 900, 700))),
  });
  expect(outlineOf(firstShape(above, bed, 'notchedBed'))).toMatchObject({ length: { text: '' } });
});

test('a shape without an outline is begun as ever', () => {
  const repair = laid(begun(), 4000, 3000);
  expect(firstShape(repair, joints, 'chase')).toEqual(firstShape(begun(), joints, 'chase'));
});

test('a pass that goes by the square metre is asked for no thickness: it begins with its usual one', () => {
  const repair = laid(begun(), 4000, 3000);
  const takes = repair.chain.map((id) => [pieceOf(repair, id).method.id, pieceOf(repair, id).takes] as const);
  const colour = takes.find(([id]) => id === 'joint-colour')![1];
  expect(colour).toMatchObject({ from: 'face', thickness: { valueMm: 0.05 } });
  expect(colour.from === 'face' && colour.thickness.text).not.toBe('');
  // What is built so thick as somebody wants it is measured.
  const skim = withNext(freshRepair('j', 'mortar-patch', 1, NOW, 'concrete'), methodOf('skim-coat')!);
  expect(pieceOf(skim, 'p2').takes).toMatchObject({ from: 'face', thickness: { text: '' } });
});
