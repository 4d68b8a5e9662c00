import { dequal } from 'dequal';
import { sampleData } from '@/sample/jobs';
import { NOTHING_YET } from './actuals';
import { windowsOver } from './calendar';
import { Hands } from './hands';
import { type PassAsk, planChain, preparationOf } from './plan-chain';
import { planJob } from './plan-job';
import { type Piece, passKey, pieceOf, type Repair, withPiece } from './repair';
import { siteClimate, thermalOf } from './thermal';

const NOW = Date.UTC(2027, 3, 12, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const [ramp] = bundles;
const nosing = ramp!.repairs[0]!;

/** As it would be planned by itself. */
const asked = (repair: Repair, bundle = ramp!): PassAsk => {
  const piece = pieceOf(repair);
  const { job } = bundle;
  return {
    job,
    repair: piece,
    sheet: bundle.sheets.find((s) => s.id === piece.sheetId) ?? null,
    thermal: thermalOf(siteClimate(job, job.startFrom), piece, NOTHING_YET, null),
    windows: windowsOver(job, job.startFrom - 86_400_000, job.startFrom + 20 * 86_400_000),
    actuals: NOTHING_YET,
    nowMs: NOW,
    pots: null,
  };
};
const prepared = (repair: Repair, bundle = ramp!) =>
  planChain([asked(repair, bundle)], Hands.of())
    .steps.filter((s) => s.block === 'prep')
    .map((s) => ({ fromMs: s.startMs, toMs: s.endMs }));

test('the preparation laid out by itself is the one the whole plan begins with', () => {
  let seen = 0;
  for (const bundle of bundles)
    for (const repair of bundle.repairs.filter((r) => r.chain.length === 1)) {
      const whole = prepared(repair, bundle);
      expect(preparationOf([asked(repair, bundle)], Hands.of()).work).toEqual(whole);
      seen += whole.length;
    }
  expect(seen).toBeGreaterThan(15);
});

test('it keeps clear of what the hands are busy with', () => {
  const [first] = preparationOf([asked(nosing)], Hands.of()).work;
  const busy = { fromMs: first!.fromMs, toMs: first!.fromMs + 3 * 3_600_000 };
  const later = preparationOf([asked(nosing)], Hands.of([busy])).work;
  expect(later[0]!.fromMs).toBeGreaterThanOrEqual(busy.toMs);
});

/** A copy that shares nothing: no answer remembered for the one can be given to the other. */
const twin = <T>(value: T): T => structuredClone(value);

const changes: readonly (readonly [string, (p: Piece) => Piece])[] = [
  ['a deeper void', (p) => ({ ...p, void: { ...p.void!, count: 2 } })],
  ['more hands', (p) => ({ ...p, crew: 3 })],
  ['a setting', (p) => ({ ...p, settings: { ...p.settings, rate: 40 } })],
  ['thinner lifts', (p) => ({ ...p, liftMm: 12 })],
];

test.each(changes)('%s: a plan made after another is the plan made alone', (_, change) => {
  const plan = (repair: Repair) =>
    planJob({
      job: ramp!.job,
      repairs: [repair],
      sheets: ramp!.sheets,
      stock: [],
      actuals: new Map(),
      nowMs: NOW,
    }).repairs[0]!;
  const changed = withPiece(nosing, change(pieceOf(nosing)));
  const before = plan(nosing);
  const after = plan(changed);
  const alone = plan(twin(changed));
  expect(after.steps).toEqual(alone.steps);
  expect(after.steps.length).toBeGreaterThan(5);
  expect(dequal(after.steps, before.steps)).toBe(false);
  expect(plan(twin(nosing)).steps).toEqual(before.steps);
});

test('what happened at the site changes the steps of the same repair', () => {
  const key = passKey(pieceOf(nosing));
  const plan = (actuals: ReadonlyMap<string, typeof NOTHING_YET>) =>
    planJob({ job: ramp!.job, repairs: [nosing], sheets: ramp!.sheets, stock: [], actuals, nowMs: NOW }).repairs[0]!;
  const before = plan(new Map());
  const topped = plan(new Map([[key, { ...NOTHING_YET, topUpsMl: [120] }]]));
  expect(topped.steps.length).toBeGreaterThan(before.steps.length);
  expect(plan(new Map()).steps).toEqual(before.steps);
});

test('of like repairs planned again with one of them changed, every plan is the plan made anew', () => {
  const three = ['a', 'b', 'c'].map((id, i): Repair => ({ ...twin(nosing), id, order: i, name: `Nosing ${id}` }));
  const job = (repairs: readonly Repair[]) =>
    planJob({ job: ramp!.job, repairs, sheets: ramp!.sheets, stock: [], actuals: new Map(), nowMs: NOW }).repairs;
  const first = job(three);
  expect(job(three).map((p) => p.steps)).toEqual(first.map((p) => p.steps));
  for (const at of [0, 1, 2]) {
    const changed = three.map((r, i) => (i === at ? withPiece(r, { ...pieceOf(r), crew: 3 }) : r));
    const again = job(changed);
    const anew = job(twin(changed));
    expect(again.map((p) => p.steps)).toEqual(anew.map((p) => p.steps));
    expect(dequal(again[at]!.steps, first[at]!.steps)).toBe(false);
    // All are prepared before any is placed.
    const prepared = Math.max(...again.flatMap((p) => p.steps.filter((s) => s.block === 'prep').map((s) => s.endMs)));
    const placed = Math.min(...again.flatMap((p) => p.steps.filter((s) => s.role === 'place').map((s) => s.startMs)));
    expect(prepared).toBeLessThanOrEqual(placed);
  }
});
