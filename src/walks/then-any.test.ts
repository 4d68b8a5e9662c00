import { isTaken, METHODS, type Method } from '@/core/method';
import {
  type ChainPlan,
  type GateId,
  ladderNow,
  liesOn,
  type PlannedStep,
  pieceOf,
  piecesOf,
  planJob,
  type Repair,
  whyNotNext,
  withNext,
  withPiece,
} from '@/core/plan';
import { NOTHING_YET } from '@/core/plan/actuals';
import type { SheetRevision } from '@/core/system';
import { measured, voidOf } from '@/core/void';
import { methodsData, sampleData, sampleRecords } from '@/sample/jobs';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { at, drawnShape, ZONE } from './made';

/**
 * “Then…” after any method: whatever is put on the face of another, that face is freed, ground, swept and trimmed
 * before, and nothing is prepared on it while it is wet.
 */
const NOW = at('2027-05-10T07:00');
const job = {
  ...freshJob(NOW),
  zone: ZONE,
  startFrom: NOW,
  climate: { kind: 'constant' as const, tempC: 18, humidityPct: 60 },
};
const sheets = [sampleData, methodsData]
  .flatMap((of) => sampleRecords(NOW, ZONE, of))
  .filter((r): r is SheetRevision => r.record === 'sheet');

/** Of the sheets that serve the one that tells most times. */
const served = (method: Method): SheetRevision =>
  sheets.filter((s) => isTaken(method, s)).reduce((a, b) => (b.milestones.length > a.milestones.length ? b : a));

/** One put on the other as it is offered, everything measured as it is drawn and answered as it should be. */
function chained(below: Method, next: Method, gate?: GateId): Repair | null {
  const base = next.bases.find((b) => below.bases.includes(b)) ?? null;
  const fresh = freshRepair(job.id, below.id, 1, NOW, base);
  const alone = withPiece(fresh, { ...pieceOf(fresh), void: voidOf(drawnShape(below)) });
  if (whyNotNext(next, alone)) return null;
  const two = withNext(alone, next);
  const answers = Object.fromEntries([below, next].flatMap((m) => m.questions.map((q) => [q.id, q.wants])));
  return piecesOf(two).reduce((repair, { passId }, i) => {
    const method = [below, next][i]!;
    const sheet = served(method);
    const piece = pieceOf(repair, passId);
    const { takes } = piece;
    return withPiece(repair, {
      ...piece,
      answers,
      sheetId: sheet.id,
      kitId: sheet.kits[0]!.id,
      ...(i === 1 && gate ? { gate } : {}),
      ...(takes.from === 'face' ? { takes: { ...takes, thickness: measured(2, 'gauge') } } : {}),
      ...(takes.from === 'own' && i === 1 ? { void: voidOf(drawnShape(method)) } : {}),
    });
  }, two);
}

const planOf = (repair: Repair, actuals: Parameters<typeof planJob>[0]['actuals'] = new Map()): ChainPlan =>
  planJob({ job, repairs: [repair], sheets, stock: [], actuals, nowMs: NOW }).repairs[0]!;

const isWet = (s: PlannedStep) => s.role === 'mix' || s.role === 'prime' || s.role === 'place';
const of = (plan: ChainPlan, passId: string) => plan.steps.filter((s) => s.passId === passId);
const named = (s: PlannedStep) => s.id;

/** Each two of which one lies on the other, as “Then…” offers it. */
const pairs = METHODS.flatMap((below) =>
  METHODS.flatMap((next) => {
    const repair = chained(below, next);
    return repair && liesOn(pieceOf(repair, 'p2'), 'p1') ? [{ below, next, repair }] : [];
  }),
);

test('some lie on others', () => expect(pairs.length).toBeGreaterThan(40));

test.each(METHODS.map((m) => [m.id, m] as const))('what is put on %s finds its face done, and dry', (_, below) => {
  for (const { next, repair } of pairs.filter((p) => p.below === below)) {
    const plan = planOf(repair);
    const [lower, upper] = [of(plan, 'p1'), of(plan, 'p2')];
    const begins = upper.find(isWet)?.startMs;
    if (begins === undefined) continue;
    // Nothing of the face is still to be done when the next is mixed.
    const late = lower.filter((s) => s.id.startsWith('finish') && s.startMs >= begins).map(named);
    expect([next.id, late]).toEqual([next.id, []]);
    // Nobody masks, wipes or reads what was placed a moment ago.
    const placed = lower.filter((s) => s.role === 'place').at(-1)!.endMs;
    const early = upper.filter((s) => s.startMs < placed + 10 * 60_000).map(named);
    expect([next.id, early]).toEqual([next.id, []]);
  }
});

test.each(METHODS.map((m) => [m.id, m] as const))(
  'whatever lies on %s after full set finds it dull: sanded to its line, swept, or abraded for it',
  (_, below) => {
    for (const { next } of pairs.filter((p) => p.below === below)) {
      const plan = planOf(chained(below, next, 'set')!);
      const begins = of(plan, 'p2').find(isWet)?.startMs;
      if (begins === undefined) continue;
      const dull = plan.steps.filter(
        (s) => s.startMs < begins && (s.id === 'prep:dull' || (s.passId === 'p1' && s.id.startsWith('finish'))),
      );
      expect([next.id, dull.length > 0]).toEqual([next.id, true]);
      // Once is enough.
      expect([next.id, dull.filter((s) => s.id === 'prep:dull').length < 2]).toEqual([next.id, true]);
      const shaped = dull.some((s) => s.passId === 'p1' && s.throws !== undefined);
      if (shaped) expect([next.id, dull.some((s) => s.id === 'prep:dull')]).toEqual([next.id, false]);
    }
  },
);

const method = (id: string): Method => METHODS.find((m) => m.id === id)!;

test('inside the window nothing is sanded between: what the next covers is left out, not done behind its back', () => {
  const repair = chained(method('fairing-skin'), method('barrier-coat'), 'window')!;
  const plan = planOf(repair);
  expect(of(plan, 'p1').filter((s) => s.id.startsWith('finish:sand'))).toEqual([]);
  const after = planOf(chained(method('fairing-skin'), method('barrier-coat'))!);
  expect(pieceOf(chained(method('fairing-skin'), method('barrier-coat'))!, 'p2').gate).toBe('set');
  expect(of(after, 'p1').filter((s) => s.id.startsWith('finish:sand')).length).toBeGreaterThan(0);
});

test('a coat that another lies on is not polished, the last one is', () => {
  const two = planOf(chained(method('finish-coat'), method('finish-coat'))!);
  const cut = (passId: string) => of(two, passId).filter((s) => /^finish:(cut|polish)/.test(s.id)).length;
  expect([cut('p1'), cut('p2') > 0]).toEqual([0, true]);
});

test('what a coat goes on is offered by what it leaves: sanded to its line after full set, else inside its window', () => {
  const gate = (below: string, next: string) => pieceOf(chained(method(below), method(next))!, 'p2').gate;
  expect(gate('body-filler', 'finish-coat')).toBe('set');
  expect(gate('metal-filler', 'finish-coat')).toBe('set');
  expect(gate('laminate-hole', 'barrier-coat')).toBe('set');
  expect(gate('finish-coat', 'finish-coat')).toBe('window');
  expect(gate('plate-bond', 'barrier-coat')).toBe('window');
});

test('what a plan without a time cuts off stands in it once', () => {
  let cut = 0;
  for (const { repair } of pairs)
    for (const { untimed } of planOf(repair).passes) {
      const ids = untimed.map((d) => d.id);
      expect(ids).toEqual([...new Set(ids)]);
      cut += ids.length;
    }
  expect(cut).toBeGreaterThan(0);
});

test('work that was begun by an older version keeps the order it was begun with', () => {
  const repair = chained(method('fairing-skin'), method('barrier-coat'), 'window')!;
  const begun = (madeWith: string) =>
    planOf(
      repair,
      new Map(
        ['p1', 'p2'].map((p) => [
          p === 'p1' ? repair.id : `${repair.id}/${p}`,
          { ...NOTHING_YET, startedAt: NOW, madeWith },
        ]),
      ),
    );
  const sands = (p: ChainPlan) => of(p, 'p1').filter((s) => s.id.startsWith('finish:sand')).length > 0;
  expect([sands(begun('0.38.0')), sands(begun('0.39.0'))]).toEqual([true, false]);
});

test('in Finish there is no ladder of a face that is covered as it is, and there is one of each that is sanded', () => {
  const ladders = (gate: GateId) =>
    planOf(chained(method('fairing-skin'), method('finish-coat'), gate)!).passes.map((p) => ladderNow(p) !== null);
  expect(ladders('window')).toEqual([false, true]);
  expect(ladders('set')).toEqual([true, true]);
});
