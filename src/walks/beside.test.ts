import { methodOf } from '@/core/method';
import { type Piece, piecesOf, READY_CHAINS, type Repair, repairOf, withChain, withPiece } from '@/core/plan';
import { viewJob } from '@/core/record';
import { voidOf } from '@/core/void';
import { FIRST_LOOKS } from '@/sample/first';
import { sampleData } from '@/sample/jobs';
import { freshRepair } from '@/ui/workspace/fresh';
import { PLAIN_READER, say } from '@/words';
import { at, drawnShape, walkJob, walkPiece } from './made';
import { type Paper, typed } from './papers';

const NOW = at('2027-04-20T07:00');
const job = walkJob({ id: 'beside', startFrom: NOW, climate: { kind: 'constant', tempC: 15, humidityPct: 60 } });
/** One of the first looks as a repair of the job. */
const repair = (id: string, order: number, over: Partial<Piece> = {}): Repair => {
  const look = FIRST_LOOKS.find((l) => l.id === id)!;
  const plain = walkPiece(job, {
    method: { id: look.method, version: methodOf(look.method)!.version },
    void: look.void,
    sheetId: look.sheet.id,
  });
  return repairOf({
    ...plain,
    id,
    order,
    name: look.name,
    kitId: look.kitId,
    base: { ...plain.base, material: look.on },
    ...over,
  });
};
const sheets = FIRST_LOOKS.map((l) => l.sheet);
const view = (...repairs: readonly Repair[]) =>
  viewJob({ job, repairs: [...repairs], sheets, stock: [], events: [] }, NOW).repairs;
const beside = (of: ReturnType<typeof view>, id: string) =>
  of.find((r) => r.draft.id === id)!.findings.filter((f) => f.id === 'beside');

/** Begun at an hour of its own, it is not prepared before that. */
const TIED = { plannedStart: NOW };
const [spall, crack] = ['spall', 'crack'].map((id) => FIRST_LOOKS.find((l) => l.id === id)!.id) as [string, string];

test('a crack sawn open beside mortar placed a minute ago is told, and one press moves it past that', () => {
  // Left to itself it is opened first, before anything is mixed.
  const [open, mortar] = [crack, spall].map((id) => {
    const { plan } = view(repair(spall, 1), repair(crack, 2)).find((r) => r.draft.id === id)!;
    return plan.steps;
  });
  const opened = open!.filter((s) => s.block === 'prep' && s.throws).map((s) => s.endMs);
  expect(Math.max(...opened)).toBeLessThanOrEqual(mortar!.find((s) => s.role === 'mix')!.startMs);
  const [first, second] = [repair(spall, 1), repair(crack, 2, TIED)];
  const both = view(first, second);
  const [said] = beside(both, crack);
  expect(said!.severity).toBe('caution');
  expect(beside(both, spall)).toEqual([]);
  const [way] = said!.ways!;
  const moved = view(first, repair(crack, 2, { plannedStart: way!.set.value as number }));
  expect(beside(moved, crack)).toEqual([]);
  // No later than it must: ten minutes sooner it would still be dust on wet mortar.
  const early = view(first, repair(crack, 2, { plannedStart: (way!.set.value as number) - 20 * 60_000 }));
  expect(beside(early, crack)).toHaveLength(1);
});
test('at two places that are named apart nothing is said; named alike, in whatever letters, it is', () => {
  const at2 = (a: string, b: string) =>
    beside(view(repair(spall, 1, { place: a }), repair(crack, 2, { ...TIED, place: b })), crack);
  expect(at2('Lower landing', 'Winch house')).toEqual([]);
  expect(at2('Lower landing', ' lower LANDING ')).toHaveLength(1);
});
test('a joint that is closed lies open no longer: what is sawn after that is nobody’s dust', () => {
  const plate = FIRST_LOOKS.find((l) => l.id === 'plate')!.id;
  expect(beside(view(repair(plate, 1), repair(crack, 2)), crack)).toEqual([]);
});
test('alone, a repair throws its own dust before it is wet, and nothing is said', () => {
  expect(beside(view(repair(spall, 1)), spall)).toEqual([]);
});
test('what another repair does is seen again when it moves, though this one did not', () => {
  const second = repair(crack, 2, { plannedStart: at('2027-04-20T12:00') });
  expect(beside(view(repair(spall, 1, { plannedStart: at('2027-04-20T11:20') }), second), crack).length).toBe(1);
  expect(beside(view(repair(spall, 1, { plannedStart: at('2027-04-21T11:20') }), second), crack)).toEqual([]);
});

describe('in one repair of several passes', () => {
  const NOON = Date.UTC(2027, 4, 14, 4);
  const boat = sampleData(NOON, 'Europe/Helsinki').bundles.find((b) =>
    b.repairs.some((r) => r.id === 'sample-collar'),
  )!;
  /** The collar of two pours, its sheet with or without the time at which it gels. */
  const collar = (gels: boolean) => {
    const sheets = boat.sheets.map((s) => ({
      ...s,
      // Without it there is only the time from which more may be laid on it.
      milestones: gels
        ? s.milestones
        : s.milestones.map((m) => (m.kind === 'gel' ? { ...m, kind: 'next-lift' as const } : m)),
    }));
    const repairs = boat.repairs.filter((r) => r.id === 'sample-collar');
    return viewJob({ ...boat, sheets, repairs, events: [], stock: [] }, NOON).repairs[0]!;
  };
  const sanded = (v: ReturnType<typeof collar>) => v.plan.steps.find((s) => s.passId === 'p2' && s.throws === 'dust')!;

  test('the second pour is sanded for once the first has gelled, and its preparation is one piece of work', () => {
    const v = collar(true);
    const gel = v.passes[0]!.plan.milestones.findLast((m) => m.kind === 'gel')!;
    const prepared = v.plan.steps.filter((s) => s.passId === 'p2' && s.block === sanded(v).block);
    expect(prepared[0]!.startMs).toBeGreaterThanOrEqual(gel.planMs!);
    for (const [i, s] of prepared.slice(1).entries()) expect(s.startMs).toBe(prepared[i]!.endMs);
    expect(v.findings.filter((f) => f.id.endsWith('beside'))).toEqual([]);
  });
  test('where the sheet does not say when dust no longer sticks, it is told and nothing is held back', () => {
    const v = collar(false);
    expect(sanded(v).gate).toBeUndefined();
    const [said] = v.findings.filter((f) => f.id.endsWith('beside'));
    expect(said).toMatchObject({ severity: 'caution', passId: 'p2' });
    expect(say(said!.why, PLAIN_READER)).toMatch(
      /“Sand the faces dull, wipe”.*throws dust while First pour, at the same place, lies wet/,
    );
  });
});

describe('a sheet that tells neither gel nor tack', () => {
  const papers: readonly Paper[] = [
    [
      'mortar-kit',
      '2:1 by weight',
      '2 kg, 1 kg, 12 kg',
      'use-by 40 min, next-lift 4 h, recoat-until 24 h, foot 12 h, load 24 h',
      { cByWeight: '8' },
    ],
    ['liquid-resin', '4:1 by weight', '4 kg, 1 kg', 'use-by 40 min, recoat-from 5 h, recoat-until 24 h, load 24 h'],
  ];
  test.each(papers.map((paper) => [paper[0], paper] as const))(
    '%s: nothing is sanded for a second pour before the first is firm',
    (_, paper) => {
      const sheet = typed(paper, NOW);
      const pours = READY_CHAINS.find((c) => c.id === 'two-pours')!;
      let chained = withChain(freshRepair(job.id, pours.first.method, 1, NOW), pours);
      for (const p of piecesOf(chained)) {
        const method = methodOf(p.method.id)!;
        chained = withPiece(chained, {
          ...p,
          void: voidOf(drawnShape(method)),
          sheetId: sheet.id,
          kitId: sheet.kits[0]!.id,
          // A further pour waits for what this sheet does tell.
          gate: paper[3].includes('next-lift') ? p.gate : 'window',
        });
      }
      chained = {
        ...chained,
        answers: Object.fromEntries(methodOf(pours.first.method)!.questions.map((q) => [q.id, q.wants])),
      };
      const { passes, findings } = viewJob({ job, repairs: [chained], sheets: [sheet], stock: [], events: [] }, NOW)
        .repairs[0]!;
      expect(findings.filter((f) => f.id.endsWith('beside'))).toEqual([]);
      const [first, second] = passes.map((p) => p.plan);
      const firm = first!.milestones.find((m) => m.kind === 'next-lift' || m.kind === 'recoat-from')!.planMs!;
      const dusty = second!.steps.filter((s) => s.throws);
      expect(dusty.length).toBeGreaterThan(0);
      for (const s of dusty) expect([s.id, s.startMs >= firm]).toEqual([s.id, true]);
      expect(second!.stop).toBeNull();
    },
  );
});
