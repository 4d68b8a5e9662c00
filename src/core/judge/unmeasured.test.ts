import { sampleData } from '@/sample/jobs';
import { pasteSheet } from '@/sample/systems';
import { freshRepair } from '@/ui/workspace/fresh';
import { plainWords } from '@/words';
import { blankShape, METHODS, type Method, methodOf } from '../method';
import { NOTHING_YET, type Piece, pieceOf, planJob, repairOf, withNext } from '../plan';
import { measured, type ShapeId, unmeasuredIn, type VoidShape, voidOf } from '../void';
import { judge } from '.';

const NOW = Date.parse('2026-05-05T03:00:00Z');
const { job } = sampleData(NOW, 'Europe/Helsinki').bundles[0]!;
const planned = (repair: ReturnType<typeof repairOf>) =>
  planJob({
    job: { ...job, startFrom: NOW },
    repairs: [repair],
    sheets: [pasteSheet],
    stock: [],
    actuals: new Map(),
    nowMs: NOW,
  });
const pieceFor = (method: Method, v: Piece['void']): Piece => ({
  ...pieceOf(freshRepair(job.id, method.id, 1, NOW, method.bases[0])),
  jobId: job.id,
  void: v,
});
const noticed = (piece: Piece) =>
  judge({
    job,
    repair: piece,
    plan: planned(repairOf(piece)).repairs[0]!,
    actuals: NOTHING_YET,
    sheets: [pasteSheet],
    stock: [],
    nowMs: NOW,
  });

/** What may be said of a shape by its kind alone, or of where it is. */
const OF_ITS_KIND = /^(setting-out|other-method|open-back)/;

test.each(Object.values(METHODS).map((m) => [m.id, m] as const))(
  '%s: of a shape that is only drawn no figure is judged',
  (_, method) => {
    const before = new Set(noticed(pieceFor(method, null)).map((f) => f.id));
    for (const shape of method.shapes) {
      const drawn = voidOf(blankShape(method.id, shape));
      if (!unmeasuredIn(drawn).length) continue;
      const more = noticed(pieceFor(method, drawn)).filter((f) => !before.has(f.id) && !OF_ITS_KIND.test(f.id));
      expect([shape, more.map((f) => `${f.id}: ${plainWords(f.why)}`)]).toEqual([shape, []]);
    }
  },
);

test('measured, the same hole is deeper than its base is thick, and that is said', () => {
  const method = methodOf('laminate-hole')!;
  const hole = {
    ...blankShape(method.id, 'hole'),
    holeDiameter: measured(12),
    holeDepth: measured(60),
  } as VoidShape;
  expect(noticed(pieceFor(method, voidOf(hole))).map((f) => f.id)).toContain('through-base');
});

describe('what is taken of the pass below is measured there', () => {
  const of = (first: string, next: string, shape: ShapeId) => {
    const method = methodOf(first)!;
    const drawn = pieceFor(method, voidOf(blankShape(method.id, shape)));
    const { repairs } = planned(withNext(repairOf(drawn), methodOf(next)!));
    return repairs[0]!.passes[1]!.open.measure!.map((said) => plainWords(said));
  };
  test('one sentence, not the names of sizes that nobody can type here', () => {
    expect(of('body-filler', 'barrier-coat', 'patch')).toEqual(['What it lies on must be measured, at its own pass.']);
  });
  test('a skim says how thick it is itself', () => {
    // By the name its field has on this page.
    expect(of('mortar-patch', 'skim-coat', 'patch')).toEqual([
      'How thick',
      'What it lies on must be measured, at its own pass.',
    ]);
  });
});
