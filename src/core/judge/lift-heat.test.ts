import { PLAIN_READER, say } from '@/words';
import { methodsData } from '../../sample/jobs';
import { liftRun, reactiveOf } from '../cure';
import { NOTHING_YET, type Piece, pieceOf, piecesOf, planJob, preparePots, withPiece } from '../plan';
import { measured, measureVoid, SHAPES, type VoidShape, voidOf } from '../void';
import { judge } from '.';
import { heatThicknessMm } from './rules/lift-heat';

const NOW = Date.UTC(2026, 4, 5, 6);
const facesOf = (shape: VoidShape) => measureVoid(voidOf(shape)).faces;

test('a broad lift counts as it lies; a joint by what its walls take off', () => {
  const broad = facesOf({
    ...SHAPES.patch.blank(),
    outline: { kind: 'rectangle', length: measured(2000, 'tape'), width: measured(2000, 'tape') },
    depth: { kind: 'mean', mean: measured(20, 'gauge') },
  } as VoidShape);
  expect(heatThicknessMm(20, broad)).toBe(20);
  // A slot 8 wide and 20 deep: 160 mm² over a rim of 48, and never more than 1.31 times that.
  const slot = heatThicknessMm(20, { planAreaMm2: 8000, wettedAreaMm2: 48_000, maxDepthMm: 20 });
  expect(slot / (160 / 48)).toBeCloseTo(1.306, 2);
  // Half of it at a time has half the walls.
  const half = heatThicknessMm(10, { planAreaMm2: 8000, wettedAreaMm2: 48_000, maxDepthMm: 20 });
  expect(half / (80 / 28)).toBeCloseTo(1.306, 2);
});

test('the figure for what is round is that of a round one: slabs and cylinders cooled by their finest means', () => {
  // Explicit differences of a body of 1 m²/s held at nought all round, from one all through: how fast the mean dies.
  const dies = (round: boolean): number => {
    const n = 160;
    const r = round ? 2 : 1;
    const h = r / n;
    let u = Array.from({ length: n }, () => 1);
    const dt = (0.2 * h * h) / (round ? 2 : 1);
    const weight = (i: number) => (round ? (i + 0.5) * h : 1);
    const mean = () => u.reduce((s, x, i) => s + x * weight(i), 0) / u.reduce((s, _, i) => s + weight(i), 0);
    const step = () => {
      const at = (i: number) => (i < 0 ? u[0]! : i >= n ? -u[n - 1]! : u[i]!);
      u = u.map((x, i) => {
        const [out, back] = round ? [((i + 1) * h) / weight(i), (i * h) / weight(i)] : [1, 1];
        return x + (dt / (h * h)) * (out * (at(i + 1) - x) - back * (x - at(i - 1)));
      });
    };
    let t = 0;
    while (t < 0.6) {
      step();
      t += dt;
    }
    const [m0, t0] = [mean(), t];
    while (t < 0.9) {
      step();
      t += dt;
    }
    return Math.log(m0 / mean()) / (t - t0);
  };
  const thicker = Math.sqrt(dies(false) / dies(true));
  const slot = heatThicknessMm(20, { planAreaMm2: 8000, wettedAreaMm2: 48_000, maxDepthMm: 20 });
  expect(slot / (160 / 48) / thicker).toBeCloseTo(1, 2);
});

describe('in a plan, once its pots are prepared', () => {
  const all = methodsData(NOW, 'Europe/Helsinki').bundles;
  const heatOf = (name: string, over: (p: Piece) => Piece = (p) => p) => {
    const b = all.find((x) => x.repairs.some((r) => r.name === name))!;
    const repair = b.repairs.find((r) => r.name === name)!;
    const changed = repair.chain.reduce((r, id) => withPiece(r, over(pieceOf(r, id))), repair);
    const pieces = piecesOf(changed);
    const pots = preparePots(pieces, b.sheets);
    const job = { ...b.job, startFrom: NOW };
    const plan = planJob({ ...b, job, repairs: [changed], actuals: new Map(), nowMs: NOW, pots });
    return plan.repairs[0]!.passes.flatMap((p) =>
      judge({
        job,
        repair: p.piece,
        plan: p,
        actuals: NOTHING_YET,
        sheets: b.sheets,
        stock: b.stock,
        nowMs: NOW,
      }).filter((f) => f.id === 'lift-heat'),
    );
  };

  test('joints of 8 mm, 20 deep, run away for nobody: a slab of 20 mm of the same resin would', () => {
    expect(heatOf('Granite slabs at the door')).toEqual([]);
    const sheet = all.flatMap((b) => b.sheets).find((s) => s.id === jointSheet())!;
    const run = (thicknessMm: number) =>
      liftRun(reactiveOf(sheet), { thicknessMm, base: 'stone', baseC: 18, airC: 18, startC: 19 });
    expect(run(20).peakC ?? 150).toBeGreaterThan(run(20 / 6).peakC! + 30);
  });
  test('holes in a laminate are never stopped by what was computed for concrete', () => {
    for (const f of heatOf('Holes of the old cleat'))
      expect([f.severity, say(f.why, PLAIN_READER)]).toEqual(['caution', expect.stringMatching(/laminate bears/)]);
  });

  function jointSheet(): string {
    const b = all.find((x) => x.repairs.some((r) => r.name === 'Granite slabs at the door'))!;
    const repair = b.repairs.find((r) => r.name === 'Granite slabs at the door')!;
    return pieceOf(repair, repair.chain[1]!).sheetId!;
  }
});
