import { PLAIN_READER, say } from '@/words';
import { sampleData } from '../../sample/jobs';
import { curve } from '../../sample/sheet-words';
import { sampleSheets } from '../../sample/systems';
import { shaped } from '../../sample/typed';
import { METHODS, RENEWS, RENEWS_FACE } from '../method';
import { GATES, type Job, type Piece, pieceOf, withNext, withPiece } from '../plan';
import { viewJob } from '../record';
import type { Said } from '../say';
import type { SheetRevision } from '../system';
import { type VoidShape, voidOf } from '../void';
import { lateRowOf } from './rules/late';

/** Whatever comes too late for its working time is told, whichever step of whichever method it is. */
const NOW = Date.parse('2026-05-05T03:00:00Z');
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const job: Job = {
  ...bundles[0]!.job,
  startFrom: NOW,
  wantedAt: null,
  climate: { kind: 'constant', tempC: 20, humidityPct: 50 },
};
const nosing = bundles[0]!.repairs[0]!;
const sentence = (said: Said) => say(said, { ...PLAIN_READER, zone: 'Europe/Helsinki' });

test.each(
  METHODS.flatMap((m) => m.tasks.filter((t) => t.within).map((t) => [m.id, t.task, t.role, t.within!] as const)),
)('%s: “%s” too late is told, or something is done about it', (_, _task, role, within) => {
  for (const kind of [within.of, within.orElse ?? within.of])
    expect(RENEWS[kind] ?? RENEWS_FACE[kind] ?? lateRowOf(kind, { role, below: false })).toBeDefined();
});
test.each(Object.entries(GATES).filter(([, gate]) => gate.until))(
  'between two passes, “%s” missed is told',
  (_, gate) => {
    const of = gate.until!;
    expect(RENEWS[of] ?? lateRowOf(of, { role: 'place', below: true })).toBeDefined();
    // It is another sentence than that of a step of its own.
    if (of === 'gel')
      expect(lateRowOf(of, { role: 'place', below: true })).not.toBe(lateRowOf(of, { role: 'place', below: false }));
  },
);

describe('wet in wet', () => {
  const patch = (lengthMm: number, widthMm: number) =>
    shaped('patch', { 'outline.length': lengthMm, 'outline.width': widthMm, 'depth.mean': 15 });
  /** Every sheet gels so many minutes after it is placed. */
  const gelling = (minutes: number): readonly SheetRevision[] =>
    sampleSheets.map((s) => ({
      ...s,
      milestones: [
        ...s.milestones.filter((m) => m.kind !== 'gel'),
        curve('gel', 'placed', 'base', [
          [5, minutes, minutes],
          [30, minutes, minutes],
        ]),
      ],
    }));
  const found = (gelMin: number) => {
    const of = (shape: VoidShape, over: Partial<Piece>): Partial<Piece> => ({
      void: voidOf(shape),
      settings: { primer: 0 },
      materialC: 20,
      ...over,
    });
    const one = withPiece(nosing, { ...pieceOf(nosing), jobId: job.id, ...of(patch(300, 200), {}) });
    const two = withNext(one, METHODS.find((m) => m.id === 'mortar-patch')!);
    const chain = withPiece(two, {
      ...pieceOf(two, 'p2'),
      ...of(patch(200, 150), { gate: 'wet', sheetId: pieceOf(one).sheetId, kitId: 'small' }),
    });
    const bundle = { job, repairs: [chain], sheets: gelling(gelMin), stock: [], events: [] };
    return viewJob(bundle, NOW).repairs[0]!.findings.filter((f) => /(late|tight)/.test(f.id));
  };
  test('what comes on a gelled pass is a stop that says by how much', () => {
    const told = found(2);
    expect(told.map((f) => f.severity)).toContain('stop');
    expect(sentence(told[0]!.title)).toMatch(/What lies under it has gelled/);
    expect(sentence(told[0]!.why)).toMatch(/\d+ (min|h)/);
  });
  test('nor may it gel while the second is placed', () => {
    const [told, ...others] = found(20);
    expect(others).toEqual([]);
    expect([told!.id, told!.severity]).toEqual(['p2/tight', 'stop']);
    expect(sentence(told!.why)).toMatch(/begins in time.*has gelled by/);
  });
  test('and is not told where there is time', () => {
    expect(found(600)).toEqual([]);
  });
});

describe('what is done in time, with little in hand', () => {
  const tight = (id: string, sheets: readonly SheetRevision[], settings: Piece['settings']) => {
    const model = bundles.flatMap((b) => b.repairs).find((r) => r.id === id)!;
    const of = withPiece(model, { ...pieceOf(model), jobId: job.id, settings, materialC: 20 });
    const bundle = { job, repairs: [of], sheets, stock: [], events: [] };
    const { plan, findings } = viewJob(bundle, NOW).repairs[0]!;
    return { plan, told: findings.find((f) => f.id.startsWith('tight:close')) };
  };
  const open = (minutes: number) =>
    sampleSheets.map((s) => ({
      ...s,
      milestones: [
        ...s.milestones.filter((m) => m.kind !== 'open' && m.kind !== 'primer-wet'),
        ...(['open', 'primer-wet'] as const).map((kind) =>
          curve(kind, 'placed', 'pot', [
            [5, minutes, minutes],
            [35, minutes, minutes],
          ]),
        ),
      ],
    }));
  test('a joint is told it, from less than a seventh of its time on', () => {
    const { plan } = tight('sample-plate', open(600), {});
    const spread = plan.steps.find((s) => s.id.endsWith('spread'))!;
    const close = plan.steps.find((s) => s.id === 'close')!;
    const needs = (close.endMs - spread.startMs) / 60_000;
    expect(tight('sample-plate', open(needs * 1.1), {}).told).toMatchObject({ severity: 'note' });
    expect(tight('sample-plate', open(needs * 1.3), {}).told).toBeUndefined();
  });
  test('a primer that is still wet is no joint', () => {
    const { plan } = tight('sample-nosing', open(600), {});
    const place = plan.steps.find((s) => s.id === 'b1:place')!;
    expect([place.within?.kind, place.within?.by]).toEqual(['primer-wet', 'end']);
    for (const minutes of [12, 15, 18, 22]) expect(tight('sample-nosing', open(minutes), {}).told).toBeUndefined();
  });
});

describe('minutes that are Grenko’s own never forbid a joint', () => {
  const close = (openMin: number, settings: Piece['settings'], id = 'late:close') => {
    const model = bundles.flatMap((b) => b.repairs).find((r) => r.id === 'sample-plate')!;
    const of = withPiece(model, { ...pieceOf(model), jobId: job.id, settings, materialC: 20 });
    const sheets = sampleSheets.map((s) => ({
      ...s,
      milestones: [
        ...s.milestones.filter((m) => m.kind !== 'open'),
        curve('open', 'placed', 'pot', [
          [5, openMin, openMin],
          [35, openMin, openMin],
        ]),
      ],
    }));
    const { findings } = viewJob({ job, repairs: [of], sheets, stock: [], events: [] }, NOW).repairs[0]!;
    return findings.find((f) => f.id === id);
  };
  test('nobody typed how fast it is spread nor how long it takes to close: both are named, and what is left for them', () => {
    // Spread in some ten minutes and closed in five: eight are not enough, but they are not enough by our figures.
    const told = close(8, {})!;
    expect(told.severity).toBe('caution');
    expect(sentence(told.why)).toMatch(
      /^“Spread, both faces” and “Close the joint, .*” are planned with .* figures of Gren/,
    );
    expect(sentence(told.why)).toMatch(/; (7|8)(\.\d)? min are left/);
  });
  test('done in time with little in hand, it says how little, and never in seconds', () => {
    const typed = { rate: 25, 'close min': 6 };
    const inHand = (openMin: number) => {
      const told = close(openMin, typed, 'tight:close:close');
      return told && /, ([^,]*) before what was spread first/.exec(sentence(told.why))?.[1];
    };
    // Every tenth of a minute, from too late to enough.
    const said = Array.from({ length: 60 }, (_, i) => inHand(14 + i / 10)).filter((x) => x !== undefined);
    expect(said[0]).toBe('less than a minute');
    expect(said.length).toBeGreaterThan(10);
    for (const x of said) expect(x).toMatch(/^(less than a minute|[1-9](\.\d)? min)$/);
    expect(new Set(said).size).toBeGreaterThan(2);
  });
  test('once both are typed it is a stop, and so it is where the typed one alone takes all of it', () => {
    expect(close(8, { rate: 25, 'close min': 6 })!.severity).toBe('stop');
    expect(close(8, { rate: 10 })!.severity).toBe('stop');
  });
});
