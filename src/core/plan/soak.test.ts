import { freshRepair } from '@/ui/workspace/fresh';
import { methodOf } from '../method';
import { measured, SHAPES, type VoidShape, voidOf } from '../void';
import { type Piece, pieceOf, soakedBy } from '.';

const soak = pieceOf(freshRepair('job', 'timber-soak', 1, 0, 'timber'));
const blank = { ...SHAPES.coat.blank(), ...methodOf('timber-soak')!.blanks!.coat } as VoidShape;
const typed = { ...blank, thickness: measured(1.5, 'guess') } as VoidShape;
const thick = (v: Piece['void']) => v!.shapes.map((s) => ('thickness' in s ? s.thickness.valueMm : null));
const sheet = (uptakeMlPerM2: number | null) => ({ uptakeMlPerM2 });

test('what a square metre drinks is taken from the sheet where nobody said it, and what was said stays', () => {
  const piece = { ...soak, void: voidOf(blank, typed) };
  expect(thick(soakedBy(piece, sheet(350)))).toEqual([0.35, 1.5]);
  expect(thick(soakedBy(piece, sheet(null)))).toEqual([0.5, 1.5]);
});

test('another sheet takes its own figure over from the one before, which nobody chose either', () => {
  const first = { ...soak, void: soakedBy({ ...soak, void: voidOf(blank, typed) }, sheet(350)) };
  expect(thick(soakedBy(first, sheet(420), sheet(350)))).toEqual([0.42, 1.5]);
  // Without that sheet it may as well have been typed.
  expect(thick(soakedBy(first, sheet(420)))).toEqual([0.35, 1.5]);
});

test('of what is not worked to refusal, and of what is not measured yet, nothing is changed', () => {
  const coat = pieceOf(freshRepair('job', 'barrier-coat', 1, 0, 'laminate'));
  const v = voidOf(blank);
  expect(soakedBy({ ...coat, void: v }, sheet(350))).toBe(v);
  expect(soakedBy({ ...soak, void: null }, sheet(350))).toBeNull();
});
