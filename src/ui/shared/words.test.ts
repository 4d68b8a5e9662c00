import { METHODS, STAGES } from '@/core/method';
import { type Piece, pieceOf, repairOf } from '@/core/plan';
import { type PassView, viewJob } from '@/core/record';
import { sampleData } from '@/sample/jobs';
import { sampleSheets } from '@/sample/systems';
import { shelfOf } from '../material/shelf-of';
import { fitOf, PAD, scaleName } from './drawing-fit';
import { stageAnswer } from './stage-answer';
import { clock, countdown, dayAndClock, fullWhen, shortWhen } from './when';

const ZONE = 'Europe/Helsinki';
const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, ZONE);

describe('instants as people read them', () => {
  const ms = Date.UTC(2026, 4, 7, 4, 40);
  test('near ones by their day, far ones by their date, all in the site’s zone', () => {
    expect(clock(ms, ZONE)).toBe('07:40');
    expect(dayAndClock(ms, ZONE)).toMatch(/^Thu 07:40$/);
    expect(shortWhen(ms, ZONE, NOW)).toMatch(/^Thu 07:40$/);
    expect(shortWhen(ms + 9 * 86_400_000, ZONE, NOW)).toMatch(/16/);
    expect(fullWhen(ms, 'Asia/Kathmandu')).toMatch(/Asia\/Kathmandu/);
  });
  test('a clock counts down and past its end', () => {
    expect([countdown(754_000), countdown(3_725_000), countdown(-65_000), countdown(0)]).toEqual([
      '12:34',
      '1:02:05',
      '−01:05',
      '00:00',
    ]);
  });
});

describe('what each stage says of itself', () => {
  const { job } = bundles[0]!;
  const say = (over: Partial<Piece>, stage: (typeof STAGES)[number], system: 'metric' | 'us' = 'metric') => {
    const repair = { ...pieceOf(bundles[0]!.repairs[0]!), ...over };
    const [view] = viewJob(
      { job, repairs: [repairOf(repair)], sheets: sampleSheets, stock: [], events: [] },
      NOW,
    ).repairs;
    return stageAnswer(stage, view!, system, ZONE, NOW);
  };
  test('of a whole repair: an answer everywhere', () => {
    for (const stage of STAGES) expect(say({}, stage).length).toBeGreaterThan(3);
    expect(say({}, 'inspect')).toBe('may go on');
    expect(say({}, 'measure')).toMatch(/1\.10 L/);
    expect(say({}, 'measure', 'us')).toMatch(/US fl oz/);
    expect(say({}, 'mix')).toMatch(/2 batches, 1\.25 L/);
    expect(say({}, 'hold')).toMatch(/^to \w{3} /);
  });
  test('of a chain: what its passes are together, and of one of them what it is by itself', () => {
    const boat = bundles.find((b) => b.job.id === 'sample-boat')!;
    const [fitting] = viewJob(boat, NOW).repairs;
    const of = (view: PassView, stage: (typeof STAGES)[number]) => stageAnswer(stage, view, 'metric', ZONE, NOW);
    const volumes = fitting!.passes.map((p) => p.plan.void!.nominalMl);
    expect(of(fitting!, 'measure')).toBe(`4 passes, ${(volumes.reduce((a, b) => a + b, 0) / 1000).toFixed(2)} L`);
    expect(of(fitting!, 'material')).toBe('4 systems');
    expect(of(fitting!, 'mix')).toMatch(/^8 batches, 1\.\d\d L$/);
    expect(of(fitting!.passes[3]!, 'measure')).toMatch(/mL$/);
    expect(of(fitting!.passes[3]!, 'mix')).toMatch(/^3 batches, /);
    // One system in two pours is named.
    const [, collar] = viewJob(boat, NOW).repairs;
    expect(of(collar!, 'material')).toBe('Slow pouring resin in pails');
  });
  test('of one that wants something: what it wants', () => {
    expect(say({ answers: {} }, 'inspect')).toBe(
      `${METHODS.find((m) => m.id === 'mortar-patch')!.questions.length} to answer`,
    );
    expect(say({ void: null }, 'measure')).toBe('to measure');
    expect(say({ void: null }, 'mix')).toBe('waits');
    expect(say({ sheetId: null, kitId: null }, 'material')).toBe('to choose');
    expect(say({ void: null }, 'place')).toBe('waits');
    expect(say({ void: null }, 'release')).toBe('waits');
    const stopped = { ...pieceOf(bundles[0]!.repairs[0]!).answers, 'water-pressure': 'yes' as const };
    expect(say({ answers: stopped }, 'inspect')).toMatch(/stop|water/);
  });
});

describe('drawings on a page', () => {
  const box = (w: number, h: number) =>
    ({
      outlines: [
        {
          points: [
            [0, 0],
            [w, 0],
            [w, h],
            [0, h],
          ],
        },
      ],
      dimensions: [],
    }) as unknown as Parameters<typeof fitOf>[0];
  test('fill it without leaving it, in its middle', () => {
    for (const [w, h] of [
      [240, 160],
      [20, 900],
      [5000, 3],
    ] as const) {
      const { k, ox, oy } = fitOf(box(w, h), 760, 480, PAD);
      expect(ox).toBeGreaterThanOrEqual(PAD.left - 1e-6);
      expect(oy).toBeGreaterThanOrEqual(PAD.top - 1e-6);
      expect(ox + w * k).toBeLessThanOrEqual(760 - PAD.right + 1e-6);
      expect(oy + h * k).toBeLessThanOrEqual(480 - PAD.bottom + 1e-6);
      const fills = Math.max((w * k) / (760 - PAD.left - PAD.right), (h * k) / (480 - PAD.top - PAD.bottom));
      expect(fills).toBeCloseTo(1, 9);
    }
  });
  test('their scale is said as people write it', () => {
    expect([
      scaleName(96 / 25.4),
      scaleName(96 / 25.4 / 5),
      scaleName(96 / 25.4 / 23),
      scaleName((96 / 25.4) * 2),
    ]).toEqual(['1 : 1.0', '1 : 5.0', '1 : 20', '2.0 : 1']);
  });
});

test('the shelf shows the newest revision of each system, and the one that is chosen', () => {
  const [a, b] = sampleSheets as [(typeof sampleSheets)[number], (typeof sampleSheets)[number]];
  const newer = { ...a, id: 'a-2', revision: a.revision + 1, supersedes: a.id };
  const all = new Map([a, b, newer].map((s) => [s.id, s]));
  expect(
    shelfOf(all, null)
      .map((s) => s.id)
      .sort(),
  ).toEqual([newer.id, b.id].sort());
  expect(shelfOf(all, a.id).map((s) => s.id)).toContain(a.id);
  const names = shelfOf(all, null).map((s) => s.name);
  expect(names).toEqual([...names].sort((x, y) => x.localeCompare(y)));
});
