import fc from 'fast-check';
import { say } from '@/words';
import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import { judge } from '../judge';
import {
  type ChainPlan,
  earliestSlot,
  Hands,
  MOST_OVERTIME_MIN,
  NOTHING_YET,
  type Piece,
  pieceOf,
  planJob,
  Repair,
  repairOf,
  startSays,
  startsAskOf,
  startWindows,
  type Window,
} from '.';
import { faultsOf } from './feasible.testing';

const MIN = 60_000;
const HOUR = 60 * MIN;
const zone = 'Europe/Helsinki';
const NOW = Date.UTC(2026, 4, 5, 5);
const { bundles } = sampleData(NOW, zone);
const job = {
  ...bundles[0]!.job,
  wantedAt: null,
  startFrom: NOW,
  climate: { kind: 'constant' as const, tempC: 18, humidityPct: 55 },
  workingHours: { fromHour: 8, toHour: 16, days: [1, 2, 3, 4, 5] },
};
const eyes: Piece = { ...pieceOf(bundles[0]!.repairs[1]!), materialC: 18, settings: {}, schools: {} };
const planned = (over: Partial<Piece> = {}) => {
  const repair = { ...eyes, ...over };
  const whole = planJob({
    job,
    repairs: [repairOf(repair)],
    sheets: sampleSheets,
    stock: [],
    actuals: new Map(),
    nowMs: NOW,
  });
  const plan = whole.repairs[0]!;
  const findings = judge({ job, repair, plan, actuals: NOTHING_YET, sheets: sampleSheets, stock: [], nowMs: NOW });
  return { whole, plan, of: (id: string) => findings.filter((f) => f.id === id) };
};
const firstMix = (plan: ChainPlan) => plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!;
const pressedBy = (plan: ChainPlan) =>
  Math.max(...plan.steps.flatMap((s) => (s.marks?.end?.includes('placed') ? s.endMs : [])));
/** Four in the afternoon in Helsinki, on the day of the plan. */
const CLOSES = Date.UTC(2026, 4, 5, 13);

/** A beginning from which the pressing would end so many minutes after the day. */
const endingAfter = (min: number): number => {
  const early = planned({ plannedStart: NOW }).plan;
  return NOW + CLOSES + min * MIN - pressedBy(early);
};

describe('anchors whose pressing would end seven minutes after the day', () => {
  const plannedStart = endingAfter(7);

  test('wait for the morning as one, and that staying would save it is a press', () => {
    const { plan, of } = planned({ plannedStart });
    expect(firstMix(plan).startMs).toBeGreaterThan(CLOSES + 12 * HOUR);
    const [told] = of('day-end');
    expect(say(told!.why, { system: 'metric', zone, language: 'en' })).toMatch(
      /would end 9 min after the working hours, at Tue 16:00; it is not torn apart, and waits for Wed 08:00/,
    );
    expect(told!.ways!.map((w) => w.set)).toEqual([{ path: ['overtimeMin'], value: 10 }]);
  });

  test('the press taken: pressed the same evening, still one block, and the staying is said', () => {
    const { whole, plan, of } = planned({ plannedStart, overtimeMin: 10 });
    expect(pressedBy(plan)).toBe(CLOSES + 7 * MIN);
    expect(faultsOf(whole)).toEqual([]);
    expect(say(of('stays')[0]!.title, { system: 'metric', zone, language: 'en' })).toBe(
      '9 min past the end of the working day',
    );
    expect(plan.openMs!).toBeLessThan(planned({ plannedStart }).plan.openMs!);
  });

  test('one minute less than it takes is not enough', () => {
    expect(firstMix(planned({ plannedStart, overtimeMin: 8 }).plan).startMs).toBeGreaterThan(CLOSES);
  });

  test('two hours more are not offered as a few minutes', () => {
    const { of } = planned({ plannedStart: endingAfter(61) });
    expect(of('day-end').map((f) => f.ways)).toEqual([]);
  });

  test('the strip calls a start good that runs into the agreed time, and ready when the whole plan is', () => {
    const good = (over: Partial<Piece>) => {
      const { whole, plan } = planned({ plannedStart: NOW, ...over });
      const ask = startsAskOf(plan, job, whole.windows, NOW)!;
      // A mixing that lies between two looks of the strip is looked at from its own minute.
      const wanted = CLOSES + 7 * MIN - (pressedBy(plan) - firstMix(plan).startMs);
      const starts = startWindows({ ...ask, fromMs: wanted, toMs: wanted + HOUR });
      return { says: startSays(starts, wanted), wanted, prepareMin: ask.prepareMin };
    };
    expect(good({}).says.against).toContain('hours');
    const { says, wanted, prepareMin } = good({ overtimeMin: 10 });
    expect(says.against).toEqual([]);
    const { plan } = planned({ overtimeMin: 10, plannedStart: wanted - prepareMin * MIN });
    expect(says.readyMs).toBe(plan.openMs);
  });
});

test('a repair kept before there was such a choice stays for nothing; ten hours are refused by name', () => {
  const { overtimeMin: _, ...older } = repairOf(eyes);
  expect(Repair.parse(older).overtimeMin).toBe(0);
  const long = Repair.safeParse({ ...older, overtimeMin: 800 });
  expect(long.error!.issues.map((i) => i.path)).toEqual([['overtimeMin']]);
});

test('the earliest slot against a walk minute by minute, over random hours, work and staying', () => {
  const window = fc.tuple(fc.integer({ min: 1, max: 300 }), fc.integer({ min: 20, max: 500 }));
  const taken = fc.tuple(fc.integer({ min: 0, max: 1500 }), fc.integer({ min: 1, max: 120 }));
  fc.assert(
    fc.property(
      fc.array(window, { minLength: 1, maxLength: 4 }),
      fc.array(taken, { maxLength: 5 }),
      fc.integer({ min: 0, max: 1200 }),
      fc.integer({ min: 1, max: 400 }),
      fc.integer({ min: 0, max: MOST_OVERTIME_MIN }),
      (gaps, work, ready, need, stay) => {
        const windows: Window[] = [];
        let ms = 0;
        for (const [gap, length] of gaps) {
          windows.push({ fromMs: ms + gap * MIN, toMs: ms + (gap + length) * MIN });
          ms += (gap + length + stay) * MIN;
        }
        const busy = work.map(([from, length]) => ({ fromMs: from * MIN, toMs: (from + length) * MIN }));
        const clear = (from: number) => busy.every((b) => from + need * MIN <= b.fromMs || from >= b.toMs);
        const fits = (from: number) =>
          windows.some((w) => {
            const longer = need * MIN > w.toMs + stay * MIN - w.fromMs;
            return longer
              ? from >= w.fromMs && (from === w.fromMs || !clear(w.fromMs)) && ready * MIN <= w.fromMs
              : from >= w.fromMs && from < w.toMs && from + need * MIN <= w.toMs + stay * MIN;
          });
        let naive = Number.POSITIVE_INFINITY;
        for (let at = ready; at * MIN <= ms + 2000 * MIN; at++)
          if (fits(at * MIN) && clear(at * MIN)) {
            naive = at * MIN;
            break;
          }
        if (!Number.isFinite(naive)) {
          expect(() => earliestSlot(windows, Hands.of(busy), ready * MIN, need, stay)).toThrow(
            /No working time is left/,
          );
          return;
        }
        const found = earliestSlot(windows, Hands.of(busy), ready * MIN, need, stay);
        expect(found.startMs).toBe(naive);
        if (found.dayEnd?.stayed) expect(found.dayEnd.byMin).toBeLessThanOrEqual(stay);
      },
    ),
    { numRuns: 400 },
  );
});
