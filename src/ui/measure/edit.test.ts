import 'fake-indexeddb/auto';
import { type Piece, pieceOf, repairOf } from '@/core/plan';
import { measured, SHAPE_IDS, SHAPES, voidOf } from '@/core/void';
import { freshJob, freshRepair } from '../workspace/fresh';
import { setPrefs } from '../workspace/prefs';
import { stateNow, undo, workspace } from '../workspace/workspace';
import {
  addShape,
  alikeShapes,
  changeVoid,
  movePoint,
  pullDimension,
  removeShape,
  replaceShape,
  writeShape,
} from './edit';

const job = freshJob(Date.now());
const draft = freshRepair(job.id, 'mortar-patch', 1, Date.now());
const repair = pieceOf(draft);
const now = () => pieceOf(stateNow().repairs.get(repair.id)!).void;
const set = (r: Piece) => workspace.state.setState({ repairs: new Map([[r.id, repairOf(r)]]) });
// What is written goes nowhere: only what is shown is looked at here.
afterAll(() => workspace.close());
beforeEach(() => {
  setPrefs({ system: 'metric' });
  workspace.state.setState({ jobs: new Map([[job.id, job]]), history: { past: [], future: [] }, events: [] });
  set(repair);
});

test('shapes are added one behind the other, and the last to go takes the void with it', () => {
  addShape(repair, 'patch');
  addShape(repair, 'hole');
  expect(now()!.shapes.map((s) => s.shape)).toEqual(['patch', 'hole']);
  removeShape(repair, 0);
  expect(now()!.shapes.map((s) => s.shape)).toEqual(['hole']);
  removeShape(repair, 0);
  expect(now()).toBeNull();
  undo();
  expect(now()!.shapes).toHaveLength(1);
});

test('holes of one size are told once: how many, measured together, taken out together', () => {
  addShape(repair, 'hole');
  writeShape(repair, 0, 'holeDiameter', measured(6, 'calliper'));
  addShape(repair, 'hole');
  writeShape(repair, 1, 'holeDiameter', measured(16, 'calliper'));
  alikeShapes(repair, 0, 4);
  const across = () => now()!.shapes.map((s) => ('holeDiameter' in s ? s.holeDiameter.valueMm : null));
  expect(across()).toEqual([6, 6, 6, 6, 16]);
  // The fifth is the other size: it is measured by itself, the four before it together.
  writeShape(repair, 2, 'holeDiameter', measured(7, 'calliper'));
  expect(across()).toEqual([7, 7, 7, 7, 16]);
  alikeShapes(repair, 3, 2);
  expect(across()).toEqual([7, 7, 16]);
  removeShape(repair, 1);
  expect(across()).toEqual([16]);
  undo();
  undo();
  undo();
  expect(across()).toEqual([6, 6, 6, 6, 16]);
});

test('like holes that another size comes to are so many of the first; what is no hole comes to each of them', () => {
  addShape(repair, 'hole');
  changeVoid(repair, (v) => ({ ...v, count: 4 }), 'count');
  addShape(repair, 'hole');
  expect([now()!.count, now()!.shapes.length]).toEqual([1, 5]);
  undo();
  expect([now()!.count, now()!.shapes.length]).toEqual([4, 1]);
  addShape(repair, 'patch');
  expect([now()!.count, now()!.shapes.length]).toEqual([4, 2]);
});

test('what differs among like voids goes with its shape, and follows later ones down', () => {
  const v = {
    ...voidOf(SHAPES.hole.blank()),
    shapes: [SHAPES.patch.blank(), SHAPES.hole.blank(), SHAPES.hole.blank()],
    count: 5,
  };
  const variants = [
    { count: 1, key: 'shapes.0.depth.mean', byMm: 3 },
    { count: 2, key: 'shapes.2.depth', byMm: 5 },
  ];
  set({ ...repair, void: { ...v, variants } });
  removeShape(repair, 0);
  expect(now()!.variants.map((x) => x.key)).toEqual(['shapes.1.depth']);
});

test.each(SHAPE_IDS)('%s: a pulled length is written as if it had been typed, and undone', (id) => {
  const shape = SHAPES[id].blank();
  // Some only name the tool of their readings: those have no length to pull.
  const d = SHAPES[id].dimensions(shape as never).find((x) => x.measured.valueMm > 0);
  if (!d) return expect(['scan', 'cavity', 'chase']).toContain(id);
  set({ ...repair, void: voidOf(shape) });
  pullDimension(repair, 0, shape, d.key, 43.219);
  const after = SHAPES[id].dimensions(now()!.shapes[0] as never).find((x) => x.key === d.key)!;
  expect(after.measured).toMatchObject({ valueMm: 43.219, text: '43.22 mm', textSystem: 'metric' });
  undo();
  expect(now()!.shapes[0]).toEqual(shape);
  // A length that is none of the shape’s changes nothing.
  pullDimension(repair, 0, shape, 'nothing.of.it', 5);
  expect(now()!.shapes[0]).toEqual(shape);
});

test('points move by whole millimetres, those of a zone to keep clear as well', () => {
  const zone = { name: 'bolt', form: 'round', xMm: 10, yMm: 10, aMm: 12, bMm: 12, depthMm: 20 } as const;
  const v = { ...voidOf(SHAPES.patch.blank()), keepClear: [zone] };
  set({ ...repair, void: v });
  movePoint(repair, 0, 'keepClear.0', [31.6, 8.2]);
  expect(now()!.keepClear[0]).toMatchObject({ xMm: 32, yMm: 8 });
});

test('a shape is replaced or written at a path; a repair without a void stays without one', () => {
  changeVoid(repair, (v) => ({ ...v, count: 9 }), 'count');
  expect(now()).toBeNull();
  addShape(repair, 'hole');
  const other = SHAPES.patch.blank();
  replaceShape(repair, 0, other);
  expect(now()!.shapes).toEqual([other]);
  const key = SHAPES.patch.dimensions(other as never)[0]!.key;
  writeShape(repair, 0, key, measured(77, 'rule'));
  expect(SHAPES.patch.dimensions(now()!.shapes[0] as never)[0]!.measured.valueMm).toBe(77);
});

test('what no record can hold is not taken over, and said; what stood there stands', () => {
  addShape(repair, 'patch');
  const before = now();
  const key = SHAPES.patch.dimensions(SHAPES.patch.blank() as never)[0]!.key;
  writeShape(repair, 0, key, measured(1e12, 'rule'));
  expect(now()).toBe(before);
  expect(workspace.state.getState().notTaken).toMatchObject({
    path: ['passes', 'p1', 'void', 'shapes', '0', ...key.split('.'), 'valueMm'],
  });
  writeShape(repair, 0, key, measured(77, 'rule'));
  expect(workspace.state.getState().notTaken).toBeNull();
});

test('a soak begins with half a litre a square metre, which nobody has to measure as a thickness', () => {
  const soak = pieceOf(freshRepair(job.id, 'timber-soak', 1, Date.now()));
  set(soak);
  addShape(soak, 'coat');
  const shape = pieceOf(stateNow().repairs.get(soak.id)!).void!.shapes[0]!;
  expect(shape).toMatchObject({ thickness: { valueMm: 0.5, text: '0.5 mm' } });
});

test('what nobody has measured yet is drawn in round inches where inches are read', () => {
  setPrefs({ system: 'us' });
  addShape(repair, 'patch');
  const [shape] = now()!.shapes;
  for (const { key, measured: m } of SHAPES.patch.dimensions(shape as never)) {
    const sixteenths = (m.valueMm / 25.4) * 16;
    expect([key, sixteenths]).toEqual([key, expect.closeTo(Math.round(sixteenths), 6)]);
  }
  setPrefs({ system: 'metric' });
});
