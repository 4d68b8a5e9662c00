import { methodOf } from '@/core/method';
import { likePlaces, pieceOf, type Repair, withPiece } from '@/core/plan';
import { viewJob } from '@/core/record';
import { measured, measureVoid, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { PLAIN_READER, say } from '@/words';
import { at, ZONE } from './made';
import { typed } from './papers';

/** The morning after the drilling nobody presses resin into what fell back into the holes. */
const STOOD = 'What has stood since it was cleaned, overnight or beside other drilling, is blown out again.';
const NOW = at('2027-05-10T06:20');
const job = { ...freshJob(NOW), zone: ZONE, climate: { kind: 'constant' as const, tempC: 12, humidityPct: 60 } };
const sheet = typed(
  [
    'anchor-pack',
    '10:1 by volume',
    '300 mL, 30 mL',
    'idle 8 min, use-by 10 C: 15 min\n20 C: 6 min, load 10 C: 2 h\n20 C: 45 min',
  ],
  NOW,
);

const rod = (across: number, hole: number, deep: number, embedded: number) =>
  ({
    ...SHAPES.annulus.blank(),
    rodDiameter: measured(across, 'marked'),
    holeDiameter: measured(hole, 'calliper'),
    holeDepth: measured(deep, 'gauge'),
    embedment: measured(embedded, 'gauge'),
    thread: { kind: 'plain' as const },
  }) as VoidShape;
const M12 = rod(12, 14, 110, 105);
const M16 = rod(16, 18, 130, 125);
const M20 = rod(20, 24, 170, 165);

function plan(shapes: readonly VoidShape[], over: object = {}) {
  const method = methodOf('anchor')!;
  const fresh = freshRepair(job.id, method.id, 1, NOW);
  const repair: Repair = withPiece(fresh, {
    ...pieceOf(fresh),
    void: voidOf(...shapes),
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
    reserve: false,
    ...over,
  });
  return viewJob({ job, repairs: [repair], sheets: [sheet], stock: [], events: [] }, NOW).repairs[0]!.passes[0]!;
}
const times = (n: number, shape: VoidShape) => Array.from({ length: n }, () => shape);
const mixed = [...times(4, M12), ...times(6, M16), ...times(2, M20)];
const detail = (p: ReturnType<typeof plan>, id: string) =>
  say(p.plan.steps.find((s) => s.id === id)!.detail, PLAIN_READER);

test('holes of several sizes are each drilled with their bit to their depth, and each rod goes in as far as it does', () => {
  const p = plan(mixed);
  expect(detail(p, 'prep:drill')).toBe(
    'By size: 4 × 14 mm to 110 mm, 6 × 18 mm to 130 mm, and 2 × 24 mm to 170 mm; measure the bit, it decides most.',
  );
  expect(detail(p, 'prep:dry-fit')).toBe(
    `${STOOD} The rod goes 4 × 105 mm, 6 × 125 mm, and 2 × 165 mm in by hand. Mark it with tape.`,
  );
  // Of one size it is told as ever.
  const one = plan(times(4, M12));
  expect(detail(one, 'prep:drill')).toBe('Bit 14 mm, 110 mm deep; measure the bit, it decides most.');
  expect(detail(one, 'prep:dry-fit')).toBe(`${STOOD} The rod goes 105 mm in by hand. Mark it with tape.`);
});

test('each round presses what its own holes take, and all of them what all take', () => {
  const p = plan(mixed);
  const { batches, mix } = p.plan;
  const placed = mix!.lines.reduce((sum, l) => sum + (l.lost ? 0 : l.ml), 0);
  expect(batches.reduce((sum, b) => sum + b.placedMl, 0)).toBeCloseTo(placed, 6);
  const held = mixed.map((shape) => measureVoid(voidOf(shape)).nominalMl);
  const all = held.reduce((a, b) => a + b, 0);
  for (const { fromTo, placedMl } of batches) {
    const mine = held.slice(fromTo![0] - 1, fromTo![1]).reduce((a, b) => a + b, 0);
    expect(placedMl).toBeCloseTo((placed * mine) / all, 6);
  }
  // As drawn up as three repairs, each of its own size.
  const apart = [times(4, M12), times(6, M16), times(2, M20)].map((shapes) => plan(shapes).plan.mix!);
  const inAll = apart.flatMap((m) => m.lines).reduce((sum, l) => sum + (l.lost ? 0 : l.ml), 0);
  expect(placed).toBeCloseTo(inAll, 6);
});

test('what one more hole would take is told by the largest of them', () => {
  const p = plan(mixed);
  const like = likePlaces(p.plan)!;
  expect(like.apart!.length).toBe(12);
  expect(new Set(like.apart!.map((x) => x.ml.toFixed(6))).size).toBe(3);
  const spare = p.findings.find((f) => f.id.includes('spare'));
  const left = p.plan.mix!.kits.leftMl;
  expect(spare !== undefined).toBe(left < Math.max(...like.apart!.map((x) => x.ml)));
});

test('cleaning is ticked hole by hole, whatever their sizes; pauses are known by the number of the hole', () => {
  const clean = plan(mixed).plan.steps.find((s) => s.id === 'prep:clean')!;
  expect(clean.counted).toBe(12);
  const paused = plan(mixed, { stops: [{ after: 7, minutes: 20 }] });
  const fresh = paused.plan.batches.filter((b) => b.mixers > 0).map((b) => b.fromTo![0]);
  expect(fresh).toEqual([1, 8]);
});

test('below the mouth, two thirds: what is left out of each is of its own bore', () => {
  const line = (p: ReturnType<typeof plan>, id: string) => p.plan.mix!.lines.find((l) => l.id === id)?.ml ?? 0;
  for (const filling of ['below', 'two-thirds'] as const) {
    const together = line(plan(mixed, { schools: { filling } }), filling);
    const each = [times(4, M12), times(6, M16), times(2, M20)].map((s) =>
      line(plan(s, { schools: { filling } }), filling),
    );
    expect(together).toBeCloseTo(
      each.reduce((a, b) => a + b, 0),
      6,
    );
    expect(together).not.toBe(0);
  }
});

describe('rods that have names', () => {
  const named = (count: number) => {
    const shapes = Array.from({ length: count }, (_, i) => (i % 3 ? M12 : M16));
    return plan(shapes, { void: { ...voidOf(...shapes), places: shapes.map((_, i) => `A${i + 1}`) } });
  };
  const rounds = (p: ReturnType<typeof plan>) =>
    p.plan.batches.map(({ index, places, label }) => ({
      places,
      label: say(label, PLAIN_READER),
      fill: detail(p, `b${index + 1}:fill`),
    }));

  test('each round says which they are, and the rounds name each of them once', () => {
    const all = rounds(named(7));
    expect(all.length).toBeGreaterThan(1);
    const told = all.flatMap(({ label }) => label.split(': ')[1]!.split(/, (?:and )?| and /));
    expect(told).toEqual(['A1', 'A2', 'A3', 'A4', 'A5', 'A6', 'A7']);
    for (const { label, fill, places } of all)
      expect(fill).toMatch(new RegExp(` ${places > 1 ? 'These are' : 'This is'} ${label.split(': ')[1]}\\.$`));
  });
  test('many of them are told by the first and the last', () => {
    const quick = named(12);
    for (const { label, places } of rounds(quick)) if (places > 6) expect(label).toMatch(/: A\d+ to A\d+$/);
  });
  test('without names, or with a name left out, they go by their numbers as they did', () => {
    for (const { label, fill } of rounds(plan(mixed))) {
      expect(label).not.toContain(': ');
      expect(fill).not.toMatch(/These are|This is/);
    }
    const shapes = [M12, M12, M16];
    const gap = plan(shapes, { void: { ...voidOf(...shapes), places: ['A1', '', 'A3'] } });
    expect(rounds(gap)[0]!.label).not.toContain('A1');
  });
});
