import { freshRepair } from '@/ui/workspace/fresh';
import { drawnShape } from '@/walks/made';
import { methodOf } from '../method';
import { measureVoid, voidOf } from '../void';
import { pieceOf, READY_CHAINS, Repair, withChain, withPiece } from '.';
import { type Listed, madeOne } from './made-one';

const listed = (
  methodId: string,
  what: string,
  place: string,
  size: readonly [number, number, number] | null,
  at: number,
  count = 1,
): Listed => {
  const method = methodOf(methodId)!;
  const fresh = freshRepair('j', methodId, at, 0, 'concrete');
  const [length, width, depth] = size ?? [0, 0, 0];
  const shape = drawnShape(method, { 'outline.length': length, 'outline.width': width, 'depth.mean': depth });
  const made = withPiece(fresh, { ...pieceOf(fresh), void: size && { ...voidOf(shape), count } });
  return { repair: { ...made, id: `r${at}`, name: `${what} ${at}`, place }, what };
};
const SURVEY = [
  listed('mortar-patch', 'spall', 'Bay 2', [300, 200, 30], 1),
  listed('mortar-patch', 'spall', 'Bay 3', [400, 250, 40], 2),
  listed('cement-patch', 'nosing', 'Bay 3', [200, 100, 30], 3),
  listed('mortar-patch', 'spall', 'Bay 3', [250, 250, 25], 4, 2),
  listed('mortar-patch', 'spall', 'Bay 2', null, 5),
];
const told = (repairs: readonly Repair[]) =>
  repairs.map((r) => [r.name, r.place, pieceOf(r).void?.places ?? pieceOf(r).void?.shapes.length ?? null]);

test('each by itself is as it was listed', () => {
  expect(madeOne(SURVEY, 'each')).toEqual(SURVEY.map(({ repair }) => repair));
});

test('like ones at one place are one of several places, which keep their names; what is not measured stays apart', () => {
  expect(told(madeOne(SURVEY, 'place'))).toEqual([
    ['spall 1', 'Bay 2', 1],
    ['spall 5', 'Bay 2', null],
    ['spall, Bay 3', 'Bay 3', ['spall 2', 'spall 4 1', 'spall 4 2']],
    ['nosing 3', 'Bay 3', 1],
  ]);
});

test('all like ones as one, wherever they are: as much is filled as by each itself', () => {
  const measured = SURVEY.filter(({ repair }) => pieceOf(repair).void);
  const made = madeOne(measured, 'all');
  expect(told(made)).toEqual([
    ['spall', 'Bay 2 + Bay 3', ['spall 1', 'spall 2', 'spall 4 1', 'spall 4 2']],
    ['nosing 3', 'Bay 3', 1],
  ]);
  const ml = (repairs: readonly Repair[]) =>
    repairs.reduce((sum, r) => sum + measureVoid(pieceOf(r).void!).nominalMl, 0);
  expect(ml(made)).toBeCloseTo(ml(measured.map(({ repair }) => repair)), 6);
  for (const repair of made) expect(Repair.safeParse(repair).success).toBe(true);
});

test('more than one repair may have places are so many repairs, and none is lost', () => {
  const many = Array.from({ length: 70 }, (_, i) => listed('mortar-patch', 'spall', 'quay', [100 + i, 90, 20], i + 1));
  const made = madeOne(many, 'all');
  expect(made.map((r) => pieceOf(r).void!.shapes.length)).toEqual([60, 10]);
  expect(made.flatMap((r) => pieceOf(r).void!.places)).toEqual(many.map(({ repair }) => repair.name));
});

test('a chain is never made one with others', () => {
  const chain = READY_CHAINS.find((c) => c.first.method === 'mortar-patch')!;
  const chained = SURVEY.slice(0, 2).map((of) => ({ ...of, repair: withChain(of.repair, chain) }));
  expect(madeOne(chained, 'all').map((r) => r.id)).toEqual(['r1', 'r2']);
});
