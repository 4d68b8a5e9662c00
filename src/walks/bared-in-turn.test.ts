import { repairOf } from '@/core/plan';
import { viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { sampleSheets } from '@/sample/systems';
import { plainWords } from '@/words';
import { at, happened, printedPlan, walkJob, walkPiece } from './made';

/** Many plates bared for one pot: the first had dulled before the last was bare. */
const sheetOf = (id: string): SheetRevision => ({ ...sampleSheets.find((s) => s.id === id)!, sample: false });
const PASTE = sheetOf('sheet-paste-1');
const CARTRIDGE = sheetOf('sheet-bracket-1');
const MIN = 60_000;

interface Plates {
  readonly count: number;
  readonly sheet?: SheetRevision;
  readonly humidityPct?: number;
  readonly settings?: Readonly<Record<string, number>>;
}
const start = at('2027-05-10T07:00');
function jobOf({ count, sheet = PASTE, humidityPct = 65, settings = {} }: Plates) {
  const job = walkJob({
    id: 'walk-bared',
    startFrom: start,
    climate: { kind: 'constant', tempC: 15, humidityPct },
  });
  const piece = walkPiece(job, {
    method: { id: 'plate-bond', version: 1 },
    void: {
      ...voidOf({
        ...SHAPES.bondLine.blank(),
        outline: { kind: 'rectangle', length: measured(300, 'rule'), width: measured(200, 'rule') },
        thickness: measured(0.8, 'gauge'),
      } as VoidShape),
      count,
    },
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    materialC: 15,
    settings,
  });
  const onSteel = { ...piece, base: { ...piece.base, material: 'metal' as const, thicknessMm: 12 } };
  return { job, repairs: [repairOf(onSteel)], sheets: [sheet] };
}
const plates = (of: Plates) => printedPlan(jobOf(of), start).repairs[0]!;
type Plan = ReturnType<typeof plates>;
const kindsOf = (p: Plan) => p.steps.flatMap((s) => /(grind|mix|purge|spread|close|bare-again)$/.exec(s.id)?.[1] ?? []);
/** Minutes that each face stands, from bare to wetted, in the order of the plates. */
const standsOf = (p: Plan) => {
  const steps = (kind: string) => p.steps.filter((s) => s.id.endsWith(`:${kind}`));
  const wetted = new Map(steps('spread').map((s) => [/part (\d+)/.exec(s.title)?.[1], Date.parse(s.from!)]));
  return steps('grind').map((s) => (wetted.get(/part (\d+)/.exec(s.title)?.[1])! - Date.parse(s.to!)) / MIN);
};
/** How many plates a pot is for. @example inPot('parts 3 to 5') // 3 */
const inPot = (label: string): number => {
  const [from, to] = label.match(/\d+/g)!.map(Number);
  return (to ?? from!) - from! + 1;
};
const stops = (p: Plan) => p.findings.filter((f) => f.severity === 'stop').map((f) => f.title);

test('six plates of 300 × 200 in damp air, all left as it is: two are bared and bonded, then the next two', () => {
  const p = plates({ count: 6 });
  expect(p.batches.map((b) => b.label)).toEqual(['parts 1 to 2', 'parts 3 to 4', 'parts 5 to 6']);
  const turn = ['grind', 'grind', 'mix', 'spread', 'close', 'spread', 'close'];
  expect(kindsOf(p)).toEqual([...turn, ...turn, ...turn]);
  expect(stops(p)).toEqual([]);
  expect(Math.max(...standsOf(p))).toBeLessThanOrEqual(40);
  const why = p.working.mix!.find((w) => plainWords(w.label) === 'Parts from one pot')!;
  expect([Number(why.value), plainWords(why.expression)]).toEqual([
    2,
    expect.stringMatching(/^a bared face keeps 40 min: \(40 min − 12 min till the first is wetted\) \/ 16 min/),
  ]);
});

test('each turn has its last wipe, on its own faces and before its own pot: once for all where all are bared at first', () => {
  const order = (p: Plan) => p.steps.flatMap((s) => /(grind|wipe|weigh|mix)$/.exec(s.id)?.[1] ?? []);
  const p = plates({ count: 6 });
  const turn = ['grind', 'grind', 'wipe', 'weigh', 'mix'];
  expect(order(p)).toEqual([...turn, ...turn, ...turn]);
  const wipes = p.steps.filter((s) => s.id.endsWith('wipe'));
  expect(wipes.map((s) => s.id)).toEqual(['prep:wipe', 'b2:prep:wipe', 'b3:prep:wipe']);
  expect(wipes.every((s) => s.hold && s.title === wipes[0]!.title)).toBe(true);
  expect(order(plates({ count: 6, settings: { 'bare-damp': 240 } })).filter((k) => k === 'wipe')).toHaveLength(1);
});

test('in dry air a face keeps longer, and more come out of one pot; where it keeps long enough, all', () => {
  const dry = plates({ count: 6, humidityPct: 50 });
  expect(dry.batches.length).toBeLessThan(3);
  expect(Math.max(...standsOf(dry))).toBeLessThanOrEqual(90);
  const long = plates({ count: 6, settings: { 'bare-damp': 240 } });
  expect(long.batches).toHaveLength(1);
  expect(kindsOf(long).slice(0, 6)).toEqual(['grind', 'grind', 'grind', 'grind', 'grind', 'grind']);
});

test('none stands too long, nothing is bared twice, and one more in a pot would, whatever keeps and takes how long', () => {
  for (const keeps of [25, 40, 55, 90])
    for (const grind of [4, 10, 25])
      for (const count of [2, 5, 9]) {
        const settings = { 'bare-damp': keeps, 'prep:grind min': grind - 0.5, 'prep:grind min/m2': 0.001 };
        const p = plates({ count, settings });
        const what = `${keeps} ${grind} ${count}`;
        expect([what, stops(p)]).toEqual([what, []]);
        expect([what, kindsOf(p).filter((k) => k === 'bare-again')]).toEqual([what, []]);
        expect([what, Math.max(...standsOf(p)) <= keeps]).toEqual([what, true]);
        // As many as there are in the largest pot and one more, all in one: the longest then stands too long, or the
        // pot itself would be dead.
        const most = Math.max(...p.batches.map((b) => inPot(b.label)));
        if (p.batches.length === 1) continue;
        const longer = plates({ count: most + 1, settings: { ...settings, 'bare-damp': 480 } });
        const fits = longer.batches.length === 1 && Math.max(...standsOf(longer)) <= keeps;
        const evened = Math.ceil(count / p.batches.length) === most;
        expect([what, !fits || evened]).toEqual([what, true]);
      }
});

test('out of a cartridge as well: a fresh mixer when the next are bare', () => {
  const p = plates({ count: 6, sheet: { ...CARTRIDGE, limits: { ...CARTRIDGE.limits, bases: [] } } });
  expect(stops(p)).toEqual([]);
  expect(kindsOf(p)).not.toContain('bare-again');
  expect(Math.max(...standsOf(p))).toBeLessThanOrEqual(40);
  expect(kindsOf(p).filter((k) => k === 'mix').length).toBeGreaterThan(1);
});

test('thirty of them take days: none is bared in the evening to be wetted in the morning', () => {
  const p = plates({ count: 30 });
  expect(stops(p)).toEqual([]);
  expect(kindsOf(p)).not.toContain('bare-again');
  expect(Math.max(...standsOf(p))).toBeLessThanOrEqual(40);
  const days = new Set(p.steps.filter((s) => s.id.endsWith(':close')).map((s) => s.from!.slice(0, 10)));
  expect(days.size).toBeGreaterThan(1);
  // Tools are cleaned on the day the last is closed.
  const [last, leave] = [
    p.steps.findLast((s) => s.id.endsWith(':close'))!,
    p.steps.find((s) => s.id === 'hold:leave')!,
  ];
  expect(leave.from).toBe(last.to);
});

describe('work that is under way when a newer version comes', () => {
  const of = jobOf({ count: 6 });
  const begunWith = (coreVersion: string | undefined) => {
    const usableMin = viewJob({ ...of, stock: [], events: [] }, start).repairs[0]!.plan.usableMin;
    const events = happened(of.job, [['2027-05-10T07:00', { kind: 'started', snapshotId: 'kept', usableMin }]]);
    const snapshots = [{ id: 'kept', repairs: of.repairs, ...(coreVersion ? { coreVersion } : {}) }];
    return viewJob({ ...of, stock: [], events, snapshots }, start).repairs[0]!.plan;
  };
  test.each([
    [undefined, 1],
    ['0.26.0', 1],
    ['0.9.3', 1],
    ['0.27.0', 3],
    ['0.30.1', 3],
    ['1.0.0', 3],
  ])('begun with %s it is worked from %i pots', (coreVersion, pots) => {
    expect(begunWith(coreVersion).batches.length).toBe(pots);
  });
  test.each([
    ['0.33.0', 1],
    ['0.34.0', 3],
  ])(
    'begun with %s its turns are wiped %i times: nothing is asked for that the work has gone past',
    (version, wipes) => {
      const ids = begunWith(version).steps.map((s) => s.id);
      expect(ids.filter((id) => id.endsWith('prep:wipe'))).toHaveLength(wipes);
    },
  );
});

test.each(['T12:00', 'T17:00', 'T18:40', 'T19:30'])(
  'begun at %s nothing is bared in the evening that is wetted in the morning',
  (clockAt) => {
    for (const count of [1, 3, 7]) {
      const of = jobOf({ count });
      const late = at(`2027-05-10${clockAt}`);
      const p = printedPlan({ ...of, job: { ...of.job, startFrom: late } }, late).repairs[0]!;
      expect([count, kindsOf(p).filter((k) => k === 'bare-again')]).toEqual([count, []]);
      expect([count, stops(p)]).toEqual([count, []]);
      // Each face is wetted on the day it is bared.
      const dayOf = (iso: string | null) => iso!.slice(0, 10);
      const grinds = p.steps.filter((s) => s.id.endsWith(':grind'));
      const spreads = p.steps.filter((s) => s.id.endsWith(':spread'));
      expect([count, spreads.map((s) => dayOf(s.from))]).toEqual([count, grinds.map((s) => dayOf(s.to))]);
    }
  },
);
