import fc from 'fast-check';
import { freshRepair } from '@/ui/workspace/fresh';
import { blankShape, methodOf, usualThickness } from '../method';
import { halfWidthMm, type Measured, measured, SHAPES, type VoidShape, voidOf } from '../void';
import { firstThickness, type Piece, pieceOf, thickBySheet, whoseThickness } from '.';

const soak = pieceOf(freshRepair('job', 'timber-soak', 1, 0, 'timber'));
const blank = { ...SHAPES.coat.blank(), ...methodOf('timber-soak')!.blanks!.coat } as VoidShape;
const typed = { ...blank, thickness: measured(1.5, 'guess') } as VoidShape;
const thick = (v: Piece['void']) => v!.shapes.map((s) => ('thickness' in s ? s.thickness.valueMm : null));
const sheet = (
  uptakeMlPerM2: number | null,
  coversM2PerL: number | null = null,
  lift: (number | null)[] = [],
  bond: (number | null)[] = [],
) => ({
  uptakeMlPerM2,
  coversM2PerL,
  limits: {
    liftMinMm: lift[0] ?? null,
    liftMaxMm: lift[1] ?? null,
    bondMinMm: bond[0] ?? null,
    bondMaxMm: bond[1] ?? null,
  },
});

test('what a square metre drinks is taken from the sheet where nobody said it, and what was said stays', () => {
  const piece = { ...soak, void: voidOf(blank, typed) };
  expect(thick(thickBySheet(piece, sheet(350)).void)).toEqual([0.35, 1.5]);
  expect(thick(thickBySheet(piece, sheet(null)).void)).toEqual([0.5, 1.5]);
});

test('another sheet takes its own figure over from the one before, which nobody chose either', () => {
  const first = { ...soak, void: thickBySheet({ ...soak, void: voidOf(blank, typed) }, sheet(350)).void };
  expect(thick(thickBySheet(first, sheet(420), sheet(350)).void)).toEqual([0.42, 1.5]);
  // Without that sheet it may as well have been typed.
  expect(thick(thickBySheet(first, sheet(420)).void)).toEqual([0.35, 1.5]);
});

test('of what is not measured yet, and where the sheet alone counts, nothing is changed', () => {
  expect(thickBySheet({ ...soak, void: null }, sheet(350)).void).toBeNull();
  const colour = pieceOf(freshRepair('job', 'joint-colour', 1, 0, 'stone'));
  const joints = voidOf({ ...SHAPES.coat.blank(), ...methodOf('joint-colour')!.blanks!.coat } as VoidShape);
  expect(thickBySheet({ ...colour, void: joints }, sheet(null, 6.5)).void).toBe(joints);
  // A soak drinks; how far a litre goes is no matter of its own.
  expect(thick(thickBySheet({ ...soak, void: voidOf(blank) }, sheet(null, 4)).void)).toEqual([0.5]);
});

describe('a coat that nobody has said the thickness of', () => {
  const coat = pieceOf(freshRepair('job', 'barrier-coat', 1, 0, 'laminate'));
  const method = methodOf('barrier-coat')!;
  const [usual, own] = [firstThickness(method), { ...SHAPES.coat.blank(), thickness: measured(0.3, 'film') }];
  const faced = (thickness = usual): Piece => ({ ...coat, takes: { from: 'face', of: 'p1', thickness, beyondMm: 20 } });
  const taken = (p: Piece, ...by: Parameters<typeof thickBySheet> extends [Piece, ...infer R] ? R : never) => {
    const { takes } = thickBySheet(p, ...by);
    return takes.from === 'face' ? [takes.thickness.valueMm, takes.beyondMm] : [];
  };

  test('lies as usual, and that is ours; as far as a litre of it covers, and that is the sheet’s', () => {
    expect([usual.valueMm, usual.text === '']).toEqual([0.12, false]);
    expect(whoseThickness(method, null, usual)).toBe('usual');
    const covers8 = sheet(null, 8);
    expect(taken(faced(), sheet(null))).toEqual([0.12, 20]);
    expect(taken(faced(), covers8)).toEqual([0.125, 20]);
    expect(whoseThickness(method, covers8, firstThickness(method, covers8))).toBe('sheet');
    // Where another sheet comes, its own word follows; what was typed stays.
    expect(taken(faced(firstThickness(method, covers8)), sheet(null, 5), covers8)).toEqual([0.2, 20]);
    expect(taken(faced(measured(0.3, 'film')), sheet(null, 5), covers8)).toEqual([0.3, 20]);
    expect(whoseThickness(method, covers8, measured(0.3, 'film'))).toBeNull();
  });
  test('is as thick as its sheet lets it be: a figure of ours excludes no system', () => {
    expect(taken(faced(), sheet(null, null, [0.2, 0.6]))).toEqual([0.2, 20]);
    expect(taken(faced(), sheet(null, null, [0.02, 0.1]))).toEqual([0.1, 20]);
    expect(taken(faced(), sheet(null, null, [0.02, 0.6]))).toEqual([0.12, 20]);
  });
  test('in a void of its own as on a face, and what was measured there is left', () => {
    const v = voidOf({ ...SHAPES.coat.blank(), ...method.blanks!.coat } as VoidShape, own as VoidShape);
    expect(thick(thickBySheet({ ...coat, void: v }, sheet(null, 10)).void)).toEqual([0.1, 0.3]);
  });
  test('a skim has no usual thickness: that is asked', () => {
    expect(firstThickness(methodOf('skim-coat')!, sheet(null, 0.42)).text).toBe('');
  });
});

describe('a bond line that nobody has said the thickness of', () => {
  const method = methodOf('plate-bond')!;
  const plate = pieceOf(freshRepair('job', 'plate-bond', 1, 0, 'metal'));
  const line = blankShape('plate-bond', 'bondLine') as VoidShape & { readonly thickness: Measured };
  const bond = (...[least = null, most = null]: (number | null)[]) => sheet(null, null, [], [least, most]);
  const laid = (by: ReturnType<typeof sheet>, was: ReturnType<typeof sheet> | null = null, shape: VoidShape = line) => {
    const [made] = thickBySheet({ ...plate, void: voidOf(shape) }, by, was).void!.shapes;
    const { thickness } = made as typeof line;
    return [thickness.valueMm, halfWidthMm(thickness), whoseThickness(method, by, thickness, 'bondLine')];
  };

  test('lies between 0.2 and 0.5 mm, marked as ours; at the thin end of the band its sheet prints', () => {
    expect(laid(bond())).toEqual([0.35, 0.15, 'usual']);
    expect(laid(bond(0.5, 2))).toEqual([0.65, 0.15, 'sheet']);
    // What it may bridge at the most is no thickness to be laid.
    expect(laid(bond(1, 10))).toEqual([1.15, 0.15, 'sheet']);
    expect(laid(bond(null, 5))).toEqual([0.35, 0.15, 'usual']);
    // A band that is narrower than usual is filled from end to end.
    expect(laid(bond(null, 0.25))).toEqual([0.225, 0.025, 'sheet']);
    expect(laid(bond(0.05, 0.15))).toEqual([0.1125, 0.0375, 'sheet']);
    expect(laid(bond(1, null))).toEqual([1.15, 0.15, 'sheet']);
    expect(laid(bond(0.1, null))).toEqual([0.35, 0.15, 'usual']);
  });
  test('whatever band is printed, it lies inside it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (least, more) => {
          const [mm, half] = laid(bond(least, least + more)) as [number, number];
          expect(mm - half).toBeGreaterThan(least - 1e-4);
          expect(mm + half).toBeLessThan(least + more + 1e-4);
        },
      ),
    );
  });
  test('follows another sheet, and stays as it was typed', () => {
    const first = { ...line, thickness: measured(0.65, 'guess', 0.15) } as VoidShape;
    expect(laid(bond(), bond(0.5, 2), first).slice(0, 2)).toEqual([0.35, 0.15]);
    expect(laid(bond(), null, first)[0]).toBe(0.65);
    const typed = { ...line, thickness: measured(0.8, 'calliper') } as VoidShape;
    expect(laid(bond(0.2, 0.5), bond(), typed)).toEqual([0.8, 0.1, null]);
  });
  test('is somebody’s to say where a joint is made as thick as it is wanted', () => {
    for (const id of ['timber-part', 'fitting-tack']) {
      const of = methodOf(id)!;
      expect(usualThickness(of, 'bondLine')).toBeNull();
      const drawn = blankShape(id, 'bondLine') as typeof line;
      expect(drawn.thickness.text).toBe('');
      expect(whoseThickness(of, bond(0.2, 0.5), drawn.thickness, 'bondLine')).toBeNull();
    }
  });
});
