import fc from 'fast-check';
import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import { type Piece, pieceOf, planJob, type RepairPlan, repairOf } from '../plan';
import type { SheetRevision } from '../system';
import { measured, SHAPES, type Void, type VoidShape, voidOf } from '../void';
import { ENGINES, METHODS, methodOf } from '.';
import { filledInLifts, liftsAfter, reworded } from './engines';

const NOW = Date.UTC(2027, 3, 12, 6);
const boat = sampleData(NOW, 'Europe/Helsinki').bundles.find((b) => b.job.id === 'sample-boat')!;
const model = pieceOf(boat.repairs[0]!, 'p4');
const coatOf = (lengthMm: number, widthMm: number, thickMm: number, holes = 0): Void =>
  voidOf({
    ...SHAPES.coat.blank(),
    outline: { kind: 'rectangle', length: measured(lengthMm, 'rule'), width: measured(widthMm, 'rule') },
    holes: { count: holes, diameter: measured(100, 'calliper') },
    thickness: measured(thickMm, 'film'),
    texture: { from: 'class', class: 'none' },
  } as VoidShape);
/** One pass by itself, of the sample's boat or of another method and sheet. */
const plan = (over: Partial<Piece>): RepairPlan =>
  planJob({
    job: { ...boat.job, climate: { kind: 'constant', tempC: 15, humidityPct: 55 } },
    repairs: [
      repairOf({
        ...model,
        passId: 'p1',
        gate: 'any',
        takes: { from: 'own' },
        reserve: false,
        ...over,
      }),
    ],
    sheets: [...sampleSheets, BY_SPREAD],
    stock: [],
    actuals: new Map(),
    nowMs: NOW,
  }).repairs[0]!;
/** The sample's paste, whose open time counts from the spreading and not from the mixing. */
const paste = sampleSheets.find((s) => s.id === 'sheet-paste-1')!;
const BY_SPREAD: SheetRevision = {
  ...paste,
  id: 'by-spread',
  milestones: paste.milestones.map((m) => (m.kind === 'open' ? { ...m, startsAt: 'last-coat' as const } : m)),
};

describe('coats', () => {
  const coated = (over: Partial<Piece>) => plan({ kitId: 'pair', ...over });
  test('what is placed is coats × area × thickness, whatever the batches are, and each batch has its share of the area', () => {
    fc.assert(
      fc.property(
        fc.record({
          coats: fc.integer({ min: 1, max: 5 }),
          lengthMm: fc.integer({ min: 200, max: 4000 }),
          thickUm: fc.integer({ min: 50, max: 500 }),
          holes: fc.integer({ min: 0, max: 3 }),
        }),
        ({ coats, lengthMm, thickUm, holes }) => {
          const p = coated({ void: coatOf(lengthMm, 300, thickUm / 1000, holes), settings: { coats } });
          expect(p.problems).toEqual([]);
          const areaMm2 = lengthMm * 300 - holes * Math.PI * 2500;
          const placed = p.mix!.batches.reduce((s, b) => s + b.placedMl, 0);
          expect(placed).toBeCloseTo((coats * areaMm2 * thickUm) / 1e6, 4);
          for (let coat = 0; coat < coats; coat++) {
            const mine = p.mix!.batches.filter((b) => b.portion === coat);
            expect(mine.length).toBeGreaterThan(0);
            expect(mine.reduce((s, b) => s + b.placedMl, 0)).toBeCloseTo((areaMm2 * thickUm) / 1e6, 4);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
  test('a coat takes its time by square metres, and twice the hands half of it', () => {
    const minutes = (over: Partial<Piece>) => {
      const p = coated({ void: coatOf(3000, 2000, 0.12), settings: { coats: 1, 'coat-rate': 12 }, ...over });
      return p.steps.filter((s) => s.key.task === 'coat').reduce((s, x) => s + x.handsOnMin, 0);
    };
    // 6 m² at 12 m² an hour.
    expect(minutes({})).toBeCloseTo(30, 6);
    expect(minutes({ crew: 2 })).toBeCloseTo(15, 6);
  });
  test('each coat waits for the one below and never begins before it may be gone over', () => {
    const p = coated({ void: coatOf(500, 400, 0.2), settings: { coats: 4 } });
    const ends = p.steps.filter((s) => s.key.task === 'coat');
    const begins = p.steps.filter((s) => s.key.task === 'weigh');
    expect([ends.length, begins.length]).toEqual([4, 4]);
    for (let i = 1; i < 4; i++) {
      const restMin = (begins[i]!.startMs - ends[i - 1]!.endMs) / 60_000;
      // The sheet says 4 to 5 h at 10 °C and 2 to 2½ h at 20: at 15 °C the long end lies between.
      expect(restMin).toBeGreaterThan(150);
      expect(restMin).toBeLessThan(300 + 14 * 60);
    }
  });
});

describe('parts of a joint', () => {
  const plates = (count: number, over: Partial<Piece> = {}) =>
    plan({
      method: { id: 'plate-bond', version: 1 },
      base: { ...model.base, material: 'metal' },
      sheetId: 'sheet-paste-1',
      kitId: 'pair',
      schools: { 'part-kits': 'weighed' },
      void: {
        ...voidOf({
          ...SHAPES.bondLine.blank(),
          outline: { kind: 'rectangle', length: measured(200, 'rule'), width: measured(150, 'rule') },
          thickness: measured(0.5, 'calliper'),
        } as VoidShape),
        count,
      },
      ...over,
    });
  test('every part is bared, spread and closed once, in its turn, each closed before the next is spread', () => {
    for (const count of [2, 3, 5, 9]) {
      const p = plates(count);
      expect(p.problems).toEqual([]);
      const of = (task: string) => p.steps.filter((s) => s.key.task === task);
      for (const task of ['prep:grind', 'spread', 'close'])
        expect(of(task).map((s) => s.part)).toEqual(Array.from({ length: count }, (_, i) => i));
      for (const [i, spread] of of('spread').entries()) {
        const close = of('close')[i]!;
        expect(close.startMs).toBe(spread.endMs);
        const next = of('spread')[i + 1];
        if (next) expect(next.startMs).toBeGreaterThanOrEqual(close.endMs);
      }
      expect(new Set(p.steps.map((s) => s.id)).size).toBe(p.steps.length);
    }
  });
  test('each part has an open time of its own, from its own spread; the window on all of them closes by the first', () => {
    const p = plates(4, { sheetId: BY_SPREAD.id });
    const spreads = p.steps.filter((s) => s.key.task === 'spread');
    const open = p.milestones.filter((m) => m.kind === 'open');
    expect(open.map((m) => [m.part, m.originMs])).toEqual(spreads.map((s) => [s.part, s.startMs]));
    // Counted from the mixing it is one for all that came out of the pot.
    const byMixing = plates(4).milestones.filter((m) => m.kind === 'open');
    expect(new Set(byMixing.map((m) => m.originMs)).size).toBe(plates(4).mix!.batches.length);
    const bare = p.milestones.filter((m) => m.kind === 'bare');
    expect(bare).toHaveLength(4);
  });
  test('the last of each mix is out of the pot before its use is over', () => {
    for (const count of [3, 6, 12]) {
      const p = plates(count);
      for (const batch of p.mix!.batches) {
        const [from, to] = batch.fromTo!;
        expect(to - from + 1).toBe(batch.places);
        const last = p.steps.find((s) => s.key.task === 'spread' && s.part === to - 1)!;
        const use = p.milestones.find((m) => m.kind === 'use-by' && m.batch === batch.index)!;
        // Steps are laid out in whole minutes, amounts in parts of them.
        expect(last.endMs).toBeLessThanOrEqual(use.planMs! + batch.places * 60_000);
      }
    }
  });
  test('one plate is as it was: one joint, closed once over all its batches', () => {
    const p = plates(1);
    expect(p.steps.filter((s) => s.key.task === 'close').map((s) => s.id)).toEqual(['close']);
    expect(p.steps.every((s) => s.part === undefined)).toBe(true);
  });
});

describe('rows of an engine in the words of a method', () => {
  test('a task that is not there cannot be reworded', () => {
    expect(() => reworded('engines-test', filledInLifts, { polish: { title: 'Polish' } })).toThrow(/no task polish/);
  });
  test('only the words change: what it does, waits for and marks stays', () => {
    const place = filledInLifts.find((r) => r.task === 'place')!;
    const mine = reworded('engines-test', filledInLifts, { place: { title: 'Put it in' } }).find(
      (r) => r.task === 'place',
    )!;
    expect({ ...mine, say: null }).toEqual({ ...place, say: null });
    expect(mine.say.detail).toBe(place.say.detail);
    expect(mine.say.title()).toEqual({ id: 'engines-test.place.title' });
  });
  test('lifts may wait for another milestone of the one below', () => {
    const waits = (rows: typeof filledInLifts) => rows.flatMap((r) => r.waits?.for ?? []);
    expect(waits(filledInLifts)).toContain('next-lift');
    expect(waits(liftsAfter(filledInLifts, 'gel'))).toEqual(
      waits(filledInLifts).map((k) => (k === 'next-lift' ? 'gel' : k)),
    );
  });
});

test('every method is whole: questions, choices, tests, cautions, tools, and a release it waits for', () => {
  for (const m of METHODS) {
    expect([m.id, ENGINES[m.engine] !== undefined]).toEqual([m.id, true]);
    for (const list of [
      m.questions,
      m.schools,
      m.tests,
      m.cautions,
      m.tools,
      m.preparation,
      m.mistakes,
      m.takes.flow,
      m.takes.out,
      m.takes.binder,
      m.shapes,
    ])
      expect([m.id, list.length > 0]).toEqual([m.id, true]);
    expect(new Set(m.tasks.map((t) => `${t.task}${t.called?.firstOnly ?? ''}${String(t.when)}`)).size).toBe(
      m.tasks.length,
    );
    // Something is mixed, something placed, and something waited for or left alone.
    const roles = new Set(m.tasks.map((t) => t.role));
    for (const role of ['prepare', 'place'] as const) expect([m.id, roles.has(role)]).toEqual([m.id, true]);
    expect([m.id, m.tasks.some((t) => t.marks?.end?.includes('placed'))]).toEqual([m.id, true]);
  }
  expect(methodOf('no-such-method')).toBeUndefined();
});
