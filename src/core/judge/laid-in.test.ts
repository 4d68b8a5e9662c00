import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { PLAIN_READER, say } from '@/words';
import { methodsData } from '../../sample/jobs';
import { blankShape, METHODS } from '../method';
import { NOTHING_YET, type Piece, pieceOf, planJob, repairOf } from '../plan';
import { kindOf, measured, SHAPES, type ShapeId, type VoidShape, voidOf } from '../void';
import { judge } from '.';

const NOW = Date.UTC(2027, 4, 10, 6);
const job = freshJob(NOW);
const pad = (over: object = {}) =>
  ({
    ...blankShape('felt-wet-out', 'wetOut'),
    outline: { kind: 'rectangle', length: measured(900, 'tape'), width: measured(300, 'tape') },
    ...over,
  }) as VoidShape;
const told = (...shapes: VoidShape[]) => {
  const repair: Piece = {
    ...pieceOf(freshRepair(job.id, 'felt-wet-out', 1, NOW, 'laminate')),
    void: voidOf(...shapes),
  };
  const plan = planJob({ job, repairs: [repairOf(repair)], sheets: [], stock: [], actuals: new Map(), nowMs: NOW });
  return judge({
    job,
    repair,
    plan: plan.repairs[0]!.passes[0]!,
    actuals: NOTHING_YET,
    sheets: [],
    stock: [],
    nowMs: NOW,
  }).filter((f) => f.id === 'laid-in');
};

test('a pad of which nobody has told anything is one layer, and its figures are said to be ours', () => {
  expect(pad()).toMatchObject({ layers: 1 });
  const [found] = told(pad());
  expect(found).toMatchObject({ severity: 'caution', stage: 'measure' });
  expect(say(found!.why, PLAIN_READER)).toMatch(
    /^Layers, Dry weight of a layer,? and Fibre in the laminate, by mass are/,
  );
});

test('one figure told of it is enough: whoever read the roll has read the others', () => {
  expect(told(pad({ arealGPerM2: 320 }))).toEqual([]);
  expect(told(pad({ layers: 2 }))).toEqual([]);
  expect(told(pad({ fibrePct: 25 }))).toEqual([]);
  // The density of the fibre moves the thickness alone.
  expect(told(pad({ fibreGPerMl: 1.38 }))).toHaveLength(1);
  // Of two pads one that is not told is said once.
  expect(told(pad(), pad({ layers: 2 }), pad())).toHaveLength(1);
});

test('what is told of a shape are parameters that it has, and the sample has told them', () => {
  for (const id of Object.keys(SHAPES) as ShapeId[]) {
    const shape = SHAPES[id].blank() as VoidShape;
    const keys = (kindOf(shape).parameters?.(shape) ?? []).map((p) => p.key);
    for (const key of kindOf(shape).told ?? []) expect(keys).toContain(key);
  }
  const laid = methodsData(NOW, 'Europe/Helsinki').bundles.flatMap((b) => b.repairs.map((r) => pieceOf(r)));
  const felt = laid.find((p) => p.method.id === METHODS.find((m) => m.id === 'felt-wet-out')!.id)!;
  expect(told(...felt.void!.shapes)).toEqual([]);
});
