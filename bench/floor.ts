import { groundsOf, pieceOf, withPiece } from '../src/core/plan';
import { type Bundle, viewJob } from '../src/core/record';
import { SHAPES, withValue } from '../src/core/void';
import { methodsData } from '../src/sample/jobs';

type Row = (name: string, sorted: readonly number[]) => void;
type Times = (run: (i: number) => unknown, runs: number) => number[];

const floors = (nowMs: number): Bundle => {
  const { bundles } = methodsData(nowMs, 'Europe/Helsinki');
  return { ...bundles.find((b) => b.repairs.some((r) => r.id === 'sample-slabs'))!, stock: [], events: [] };
};

/** A floor of 60 m² whose joints run some 400 m, each unit to its own border. */
export function floor(nowMs: number): Bundle {
  const all = floors(nowMs);
  const slabs = all.repairs.find((r) => r.id === 'sample-slabs')!;
  const sized = slabs.chain.reduce((r, id) => {
    const piece = pieceOf(r, id);
    const [shape] = piece.void!.shapes;
    const wide = (['outline.length', 'outline.width'] as const).reduce((s, key, i) => {
      const d = SHAPES[s.shape].dimensions(s).find((x) => x.key === key)!;
      return withValue(SHAPES[s.shape], s, key, { ...d.measured, valueMm: [10_000, 6000][i]! });
    }, shape!);
    return withPiece(r, { ...piece, void: { ...piece.void!, shapes: [wide] }, crew: 2 });
  }, slabs);
  return { ...all, repairs: [sized] };
}

/** The plan of a floor while a border is pulled, and all methods of the sample planned anew. */
export function floorRun(row: Row, times: Times, nowMs: number): void {
  const bundle = floor(nowMs);
  const [repair] = bundle.repairs;
  const joints = pieceOf(repair!, repair!.chain[1]!);
  const [even] = groundsOf(viewJob(bundle, nowMs).repairs[0]!.passes[1]!.plan);
  if (!even?.borders.length) throw new Error('The floor has no borders to pull.');
  console.log(
    `  a floor of 60 m²: ${even.laid.length} batches of joints, ${viewJob(bundle, nowMs).repairs[0]!.passes[0]!.plan.context!.areas} spreads of its bed`,
  );
  row(
    'a border of a floor of 60 m² pulled',
    times((i) => {
      const borders = even.borders.map((b, k) => (k === 0 ? b * (1 - (i % 10) / 400) : b));
      const view = viewJob({ ...bundle, repairs: [withPiece(repair!, { ...joints, borders })] }, nowMs);
      return view.repairs[0]!.passes.map((p) => groundsOf(p.plan)[0]!);
    }, 25),
  );
  const sample = methodsData(nowMs, 'Europe/Helsinki').bundles;
  row(
    'all methods of the sample replanned',
    times(
      (i) => sample.map((b) => viewJob({ ...b, job: { ...b.job, startFrom: b.job.startFrom + i * 60_000 } }, nowMs)),
      15,
    ),
  );
}
