import fc from 'fast-check';
import { plainWords } from '@/words';
import { sampleData } from '../../sample/jobs';
import { mortarSheet, sampleSheets } from '../../sample/systems';
import { freshRepair } from '../../ui/workspace/fresh';
import { methodOf } from '../method';
import { foldEvents } from '../record';
import { Refusal } from '../say';
import { milestoneOf } from '../system';
import { measured, SHAPES, type VoidShape, voidOf } from '../void';
import {
  type Actuals,
  type ChainPlan,
  GATES,
  type GateId,
  type Job,
  NOTHING_YET,
  type Piece,
  passKey,
  passName,
  pieceOf,
  piecesOf,
  planJob,
  Repair,
  repairNow,
  whyNotNext,
  withMoved,
  withNext,
  withoutPass,
  withPiece,
} from '.';

const NOW = Date.parse('2026-05-05T03:00:00Z');
const MIN = 60_000;
const HOUR = 60 * MIN;
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const job: Job = {
  ...bundles[0]!.job,
  startFrom: NOW,
  wantedAt: null,
  climate: { kind: 'constant', tempC: 20, humidityPct: 50 },
  workingHours: { fromHour: 0, toHour: 24, days: [1, 2, 3, 4, 5, 6, 7] },
};
const first: Repair = bundles[0]!.repairs[0]!;
const steel: Repair = bundles[1]!.repairs[0]!;
const patch = methodOf('mortar-patch')!;
const ring = (outerMm: number, innerMm: number, depthMm: number): VoidShape =>
  ({
    ...SHAPES.patch.blank(),
    outline: { kind: 'rectangle', length: measured(outerMm), width: measured(innerMm) },
    depth: { kind: 'mean', mean: measured(depthMm, 'gauge') },
  }) as VoidShape;

/** A pour of mortar, and a second one beside it with a gate of its own. */
function twoPours(gate: GateId, over: Partial<Piece> = {}): Repair {
  const one = withPiece(first, {
    ...pieceOf(first),
    jobId: job.id,
    void: voidOf(ring(300, 200, 20)),
    settings: { primer: 0 },
    materialC: 20,
  });
  const two = withNext(one, patch);
  return withPiece(two, {
    ...pieceOf(two, 'p2'),
    gate,
    void: voidOf(ring(200, 150, 20)),
    sheetId: mortarSheet.id,
    kitId: 'small',
    settings: { primer: 0 },
    materialC: 20,
    ...over,
  });
}
const planned = (
  repair: Repair,
  actuals: ReadonlyMap<string, Actuals> = new Map(),
  nowMs = NOW,
  sheets = sampleSheets,
): ChainPlan => planJob({ job, repairs: [repair], sheets, stock: [], actuals, nowMs }).repairs[0]!;
/** The base is read right before the first mixing, and waits with it. */
const firstWet = (p: ChainPlan, pass: string) =>
  p.steps.find((s) => s.passId === pass && s.block === 'lift1' && s.key.task !== 'abrade')!;
const placedOf = (p: ChainPlan, pass: string) => p.passes.find((x) => x.passId === pass)!.placedMs!;
const milestone = (p: ChainPlan, pass: string, kind: string) =>
  p.passes.find((x) => x.passId === pass)!.milestones.findLast((m) => m.kind === kind)!;

describe('a repair is a chain of passes', () => {
  test('a draft of version 3 becomes a chain of one, and one taken apart and put together is the same', () => {
    const { chain: _c, passes, version: _v, ...common } = first;
    const { name: _n, takes: _t, gate: _g, ...own } = passes.p1!;
    expect(Repair.parse(repairNow({ ...common, ...own, version: 3 }))).toEqual(first);
    expect(withPiece(first, pieceOf(first))).toEqual(first);
    expect(pieceOf(first)).toBe(pieceOf(first));
    expect(() => pieceOf(first, 'p7')).toThrow(/no pass p7/);
  });

  const broken: readonly [string, (r: Repair) => unknown, RegExp][] = [
    ['a chain that names a pass twice', (r) => ({ ...r, chain: ['p1', 'p2', 'p1'] }), /names the pass p1 twice/],
    [
      'a chain that names one that is gone',
      (r) => ({ ...r, chain: ['p1', 'p2', 'p3'] }),
      /names the pass p3, which is not there/,
    ],
    ['a pass that stands in no chain', (r) => ({ ...r, chain: ['p1'] }), /stands in no chain/],
    [
      'a pass that takes its own face',
      (r) => ({ ...r, passes: { ...r.passes, p2: { ...r.passes.p2, takes: { from: 'left', of: 'p2' } } } }),
      /takes the face of p2, which does not come before it/,
    ],
    [
      'a circle',
      (r) => ({
        ...r,
        passes: {
          p1: { ...r.passes.p1, takes: { from: 'left', of: 'p2' } },
          p2: { ...r.passes.p2, takes: { from: 'left', of: 'p1' } },
        },
      }),
      /takes the face of p2, which does not come before it/,
    ],
    ['a pass with the name of a prototype', (r) => ({ ...r, chain: ['p1', '__proto__'] }), /must be p and a number/],
    ['thirty-one passes', (r) => ({ ...r, chain: Array.from({ length: 31 }, (_, i) => `p${i + 1}`) }), /30/],
  ];
  test.each(broken)('%s is not taken over', (_, make, says) => {
    const read = Repair.safeParse(make(twoPours('any')));
    expect(read.success).toBe(false);
    expect(read.error!.issues.map((i) => i.message).join('; ')).toMatch(says);
  });
});

describe('passes are added, moved and removed', () => {
  test('a method that does not fit the base may not come next, and says why', () => {
    expect(plainWords(whyNotNext(methodOf('plate-bond')!, first)!)).toBe(
      'It is done on metal, and the base is concrete.',
    );
    expect(whyNotNext(patch, first)).toBeNull();
    expect(() => withNext(steel, patch)).toThrow(Refusal);
  });
  test('each gets a number of its own that no other has had, whatever is removed', () => {
    const three = withNext(withNext(first, patch), patch);
    expect(three.chain).toEqual(['p1', 'p2', 'p3']);
    const without = withoutPass(three, 'p2', false);
    expect([without.chain, Object.keys(without.passes)]).toEqual([
      ['p1', 'p3'],
      ['p1', 'p3'],
    ]);
    expect(withNext(without, patch).chain).toEqual(['p1', 'p3', 'p4']);
    expect(Repair.safeParse(withNext(without, patch)).success).toBe(true);
    expect(passName(without, 1)).toBe('2 Resin mortar patch');
  });
  test('the only one, one begun, and one that another stands on stay', () => {
    const two = withNext(first, patch);
    const on = withPiece(two, { ...pieceOf(two, 'p2'), takes: { from: 'left', of: 'p1' } });
    expect(() => withoutPass(first, 'p1', false)).toThrow(/at least one pass/);
    expect(() => withoutPass(two, 'p2', true)).toThrow(/amend the record/);
    expect(() => withoutPass(on, 'p1', false)).toThrow(/“2 Resin mortar patch” stands on it/);
    expect(() => withMoved(on, 'p2', -1)).toThrow(/cannot come before it/);
    expect(() => withMoved(on, 'p1', 1)).toThrow(/cannot come before it/);
    expect(withMoved(two, 'p2', -1).chain).toEqual(['p2', 'p1']);
    expect(withMoved(two, 'p2', 1)).toBe(two);
  });
});

describe('gates between passes', () => {
  test('by hand at a steady 20 °C: the second pour waits for the next-lift time of the first, counted from its placing', () => {
    const p = planned(twoPours('firm'));
    expect(p.problems).toEqual([]);
    const next = milestone(p, 'p1', 'next-lift');
    expect(next.planMs! - placedOf(p, 'p1')).toBeGreaterThan(HOUR);
    // Rounded up to the minute that a step begins in.
    expect(firstWet(p, 'p2').startMs).toBeGreaterThanOrEqual(next.planMs!);
    expect(firstWet(p, 'p2').startMs - next.planMs!).toBeLessThan(MIN);
    expect(firstWet(p, 'p2').forcedBy).toBe('sheet');
  });
  test('not tied: it begins as soon as the hands are free', () => {
    const p = planned(twoPours('any'));
    const holdEnds = p.steps.find((s) => s.passId === 'p1' && s.role === 'hold')!.endMs;
    expect(p.steps.find((s) => s.passId === 'p2')!.startMs).toBe(holdEnds);
  });
  test('a milestone that the sheet below does not have stops the chain there and is named; what is before it has its times', () => {
    const silent = { ...mortarSheet, milestones: mortarSheet.milestones.filter((m) => m.kind !== 'next-lift') };
    const p = planned(twoPours('firm'), new Map(), NOW, [silent]);
    expect(p.stop).toMatchObject({ kind: 'next-lift', passId: 'p1' });
    expect(p.openMs).toBeNull();
    expect(p.passes.map((x) => x.steps.some((s) => s.role === 'place'))).toEqual([true, false]);
    expect(p.untimed.some((s) => s.id === 'b1:place')).toBe(true);
    // A figure of one's own at the pass below lets it go on.
    const stands = withPiece(twoPours('firm'), {
      ...pieceOf(twoPours('firm')),
      standIns: { 'next-lift': { by: 'own', minutes: 300 } },
    });
    const on = planned(stands, new Map(), NOW, [silent]);
    expect(on.stop).toBeNull();
    expect(
      firstWet(on, 'p2').startMs - on.passes[0]!.steps.findLast((s) => s.role === 'place')!.endMs,
    ).toBeGreaterThanOrEqual(300 * MIN);
  });
  test('past the window it is washed and abraded first, eight minutes a square metre, and begins that much later', () => {
    const inside = planned(twoPours('firm'));
    const until = milestone(inside, 'p1', 'recoat-until').planMs!;
    const doneAt = inside.steps.find((s) => s.passId === 'p1' && s.role === 'hold')!.endMs;
    // Everything of the first pour is done; today is an hour after its window.
    const done = new Map(
      inside.passes[0]!.steps.filter((s) => s.block !== 'finish').map((s) => [s.id, Math.min(s.endMs, doneAt)]),
    );
    const actuals = new Map([
      ['sample-nosing', { ...NOTHING_YET, startedAt: NOW, done, usableMin: inside.passes[0]!.usableMin }],
      [
        passKey({ id: 'sample-nosing', passId: 'p2' }),
        { ...NOTHING_YET, startedAt: NOW, usableMin: inside.passes[1]!.usableMin },
      ],
    ]);
    const late = planned(twoPours('firm'), actuals, until + HOUR);
    const abrade = late.steps.find((s) => s.passId === 'p2' && s.key.task === 'abrade')!;
    expect(abrade).toMatchObject({ id: 'b1:abrade', hold: true });
    // 0.2 × 0.15 m at 8 min/m² is a quarter of a minute: washed, dried, abraded and wiped it takes five.
    expect((abrade.endMs - abrade.startMs) / MIN).toBe(5);
    expect(firstWet(late, 'p2').startMs).toBe(abrade.endMs);
    expect(firstWet(late, 'p2').lateFor).toBe('recoat-until');
    const early = planned(twoPours('firm'), actuals, until - HOUR);
    expect(early.steps.some((s) => s.key.task === 'abrade')).toBe(false);
  });
  test('every gate names milestones in the order they come', () => {
    for (const { from, until } of Object.values(GATES)) expect(from === null || from !== until).toBe(true);
  });
});

describe('a pass that takes what another leaves', () => {
  test('a second fill of what the first left low is its area times the recess', () => {
    const low = twoPours('firm', { takes: { from: 'left', of: 'p1' }, void: null });
    const p = planned(
      withPiece(low, { ...pieceOf(low), schools: { 'finish-level': 'recess' }, settings: { primer: 0, recess: 8 } }),
    );
    // 300 × 200 × 8 mm, and the texture of a sanded face on it.
    expect(p.passes[1]!.void!.faces.planAreaMm2).toBeCloseTo(60_000, 6);
    expect(p.passes[1]!.void!.nominalMl).toBeGreaterThanOrEqual(480);
    expect(p.passes[1]!.void!.nominalMl).toBeLessThan(480 + 0.7 * 60);
  });
  test('one that was filled flush leaves nothing, and says what would', () => {
    const p = planned(twoPours('firm', { takes: { from: 'left', of: 'p1' }, void: null }));
    expect(plainWords(p.passes[1]!.problems[0]!.sentence)).toMatch(/filled flush and leaves nothing: choose “left low/);
    // The first pass is planned all the same.
    expect(p.passes[0]!.steps.some((s) => s.role === 'place')).toBe(true);
  });
  test('it asks nothing of the bare base again; a method that does not work on faces says so', () => {
    const low = twoPours('firm', { takes: { from: 'left', of: 'p1' }, void: null });
    const p = planned(
      withPiece(low, { ...pieceOf(low), schools: { 'finish-level': 'recess' }, settings: { primer: 0, recess: 8 } }),
    );
    expect(p.passes[1]!.unanswered).toEqual([]);
    expect(plainWords(p.passes[1]!.problems[0]!.sentence)).toMatch(
      /“Resin mortar patch” is not planned over coat or skim/,
    );
  });
});

test('what is recorded of one pass is of no other; what is read or signed is of all', () => {
  const event = (body: object, passId?: string) =>
    ({
      record: 'event',
      version: 1,
      id: `e${JSON.stringify(body)}${passId}`,
      device: 'd',
      sequence: 0,
      at: NOW,
      recordedAt: NOW,
      jobId: 'j',
      repairId: 'r',
      amends: null,
      role: 'technician',
      body,
      ...(passId ? { passId } : {}),
    }) as never;
  const events = [
    event({ kind: 'started', snapshotId: 's', usableMin: 19, usable: { p2: 12 } }),
    event({ kind: 'step-done', step: 'b1:mix' }),
    event({ kind: 'step-done', step: 'b1:mix' }, 'p2'),
    event({ kind: 'step-begun', step: 'b2:mix' }, 'p2'),
    event({ kind: 'reading', channel: 'base', valueC: 11, source: 'hand' }),
    event({ kind: 'step-done', step: 'b1:place' }, 'p9'),
  ];
  const [one, two] = [foldEvents(events, 'r'), foldEvents(events, 'r', 'p2')];
  expect([[...one.done.keys()], [...one.begun.keys()], one.usableMin]).toEqual([['b1:mix'], [], 19]);
  expect([[...two.done.keys()], [...two.begun.keys()], two.usableMin]).toEqual([['b1:mix'], ['b2:mix'], 12]);
  for (const a of [one, two]) expect([a.startedAt, a.readings.length]).toEqual([NOW, 1]);
});

test('law: whatever the gates and sizes, nobody is in two places, no pass begins before its gate, and the whole opens last', () => {
  const gates = Object.keys(GATES) as GateId[];
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          gate: fc.constantFrom(...gates),
          depth: fc.integer({ min: 10, max: 45 }),
          length: fc.integer({ min: 80, max: 900 }),
        }),
        {
          minLength: 1,
          maxLength: 4,
        },
      ),
      fc.integer({ min: 1, max: 3 }),
      (links, crew) => {
        let repair = withPiece(first, { ...pieceOf(first), jobId: job.id, materialC: 20, crew });
        for (const { gate, depth, length } of links) {
          repair = withNext(repair, patch);
          const id = repair.chain.at(-1)!;
          repair = withPiece(repair, {
            ...pieceOf(repair, id),
            gate,
            void: voidOf(ring(length, 100, depth)),
            sheetId: mortarSheet.id,
            kitId: 'small',
            materialC: 20,
            crew,
          });
        }
        const p = planned(repair);
        expect(p.passes).toHaveLength(links.length + 1);
        const inOrder = [...p.steps].sort((a, b) => a.startMs - b.startMs);
        for (const [i, s] of inOrder.entries())
          if (i > 0) expect(s.startMs).toBeGreaterThanOrEqual(inOrder[i - 1]!.endMs);
        for (const [i, piece] of piecesOf(repair).entries()) {
          const { from: asked, orElse } = GATES[piece.gate];
          // Where the sheet is silent on it the gate names what it waits for instead.
          const silent = asked && !milestoneOf(mortarSheet, asked);
          const from = (silent && orElse?.find((kind) => milestoneOf(mortarSheet, kind))) || asked;
          if (i === 0 || !from || p.stop) continue;
          expect(firstWet(p, piece.passId).startMs).toBeGreaterThanOrEqual(
            milestone(p, repair.chain[i - 1]!, from).planMs!,
          );
        }
        if (p.openMs !== null) expect(p.openMs).toBe(Math.max(...p.steps.map((s) => s.endMs)));
        // What stops has no opening.
        expect(p.stop === null).toBe(p.openMs !== null);
      },
    ),
    { numRuns: 40 },
  );
});

test('what is put on another begins as it usually does: joints when the bed lets them, a build inside the window', () => {
  const on = (below: string, method: string, base: 'concrete' | 'laminate') => {
    const repair = withNext(freshRepair('job', below, 1, 0, base), methodOf(method)!);
    const { gate, takes } = pieceOf(repair, repair.chain.at(-1)!);
    return [gate, takes.from];
  };
  expect(on('setting-bed', 'resin-joints', 'concrete')).toEqual(['overlay', 'own']);
  expect(on('fitting-tack', 'fitting-build', 'laminate')).toEqual(['window', 'own']);
  // Where no two are usually in a row, a void of its own is tied to nothing.
  expect(on('mortar-patch', 'poured-crack', 'concrete')).toEqual(['any', 'own']);
  expect(GATES.overlay.orElse).toEqual(['foot']);
});

test('what is prepared standing on the pass below waits for it; what is prepared beside it does not', () => {
  const began = (gate: GateId) => {
    const two = withNext(withPiece(first, { ...pieceOf(first), jobId: job.id, materialC: 20 }), patch);
    const id = two.chain.at(-1)!;
    const p = planned(
      withPiece(two, {
        ...pieceOf(two, id),
        gate,
        void: voidOf(ring(300, 100, 20)),
        sheetId: mortarSheet.id,
        kitId: 'small',
        materialC: 20,
      }),
    );
    const steps = p.steps.filter((s) => s.passId === id);
    return { prepared: steps[0]!.startMs, may: milestone(p, two.chain[0]!, 'foot').planMs! };
  };
  const walked = began('walk');
  expect(walked.prepared).toBeGreaterThanOrEqual(walked.may);
  const beside = began('firm');
  expect(beside.prepared).toBeLessThan(beside.may);
});
