import { DateTime } from 'luxon';
import { readJobFile, writeJobFile } from '@/core/file';
import { methodOf } from '@/core/method';
import { type Job, type Piece, repairOf } from '@/core/plan';
import { CORE_VERSION, planReport, viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { sampleData } from '@/sample/jobs';
import { bands, kitOf } from '@/sample/sheet-words';
import { resinSheet } from '@/sample/systems';
import { PLAIN_READER, planInWords } from '@/words';
import { m16Hole } from './made';

/** Guide-rope feet on the slip ramp: 36 threaded rods from twin packs, one person, one move and one short stop. */
const zone = 'Europe/Helsinki';
const at = (iso: string) => DateTime.fromISO(iso, { zone }).toMillis();
const clock = (iso: string | null) => (iso === null ? null : DateTime.fromISO(iso, { zone }).toFormat('ccc HH:mm'));
const NOW = at('2027-04-14T06:00');
const EDGES = [5, 10, 20, 30];
const sheet: SheetRevision = {
  ...resinSheet,
  id: 'twin-1',
  systemId: 'twin',
  name: 'Twin pack mortar',
  milestones: [
    bands('use-by', 'mix-begins', 'pot', [10, 20, 30], [14, 8]),
    bands('idle', 'mix-begins', 'material', [10, 20, 30], [9, 5]),
    bands('release', 'placed', 'base', EDGES, [60, 30, 15]),
    bands('load', 'placed', 'base', EDGES, [300, 150, 75]),
  ],
  mixer: { volumeMl: 12, purgeMl: 27, reachMm: 200, flowMl: 16 },
  holes: null,
  kits: [kitOf('pack', 'Twin pack 220 mL', [340, 34], { splittable: true, yieldMl: 220, price: 20 })],
};
const sample = sampleData(NOW, zone).bundles[0]!;
const job: Job = {
  ...sample.job,
  id: 'walk-1',
  name: 'Guide-rope feet',
  sample: false,
  startFrom: at('2027-04-14T09:00'),
  wantedAt: at('2027-04-14T18:00'),
  workingHours: { fromHour: 6, toHour: 20, days: [1, 2, 3, 4, 5, 6, 7] },
  climate: { kind: 'constant', tempC: 11, humidityPct: 60 },
};
const piece = (over: Partial<Piece> = {}): Piece => {
  const eyes = sample.repairs[1]!;
  const { chain: _c, passes, name, ...common } = eyes;
  const { name: passName, ...own } = passes.p1!;
  return {
    ...common,
    ...own,
    name,
    passId: 'p1',
    passName,
    jobId: job.id,
    settingOut: null,
    base: {
      ...common.base,
      material: 'concrete',
      known: [
        { atMs: at('2027-04-14T00:00'), tempC: 11 },
        { atMs: at('2027-04-14T16:00'), tempC: 11 },
        { atMs: at('2027-04-14T16:00'), tempC: 8 },
      ],
    },
    sheetId: sheet.id,
    kitId: 'pack',
    materialC: 21,
    reserve: false,
    schools: {},
    settings: { collar: 15, 'per-place': 1.1, 'set-place': 0.6, 'tube-bore': 8, 'tube-length': 200 },
    stops: [
      { after: 20, minutes: 12 },
      { after: 28, minutes: 2 },
    ],
    void: { ...m16Hole(), count: 36 },
    ...over,
  };
};
/** As the command line plans it: out to a file, in again, printed. */
function printed(over: Partial<Piece> = {}, firstShot = '2027-04-14T13:05') {
  const planFrom = (startMs: number | null) => {
    const text = writeJobFile({
      format: 'grenko-job',
      version: 4,
      exportedAt: new Date(NOW).toISOString(),
      coreVersion: CORE_VERSION,
      job,
      repairs: [repairOf(piece({ ...over, plannedStart: startMs }))],
      sheets: [sheet],
      stock: [],
      snapshots: [],
      events: [],
      series: [],
      attachments: [],
    });
    return planInWords(planReport(viewJob(readJobFile(text), NOW)), { ...PLAIN_READER, zone });
  };
  const rough = planFrom(null).repairs[0]!;
  const first = rough.steps.find((s) => s.id === 'b1:fill')!;
  // Holes are drilled before: the first shot falls on the instant that is wanted.
  const lead = Date.parse(first.from) - Date.parse(rough.steps[0]!.from);
  return planFrom(at(firstShot) - lead).repairs[0]!;
}
const r = printed();
const line = (id: string) => r.amounts.find((_, i) => ids[i] === id)!;
const ids = viewJob(
  { job, repairs: [repairOf(piece())], sheets: [sheet], stock: [], events: [] },
  NOW,
).repairs[0]!.plan.mix!.lines.map((l) => l.id);

test('per hole: 10.59 in the ring, 1.27 below the rod, 0.36 in the point; 14.05 mL with what is wiped off', () => {
  expect(r.volumeMl!.nominal / 36).toBeCloseTo(12.22, 1);
  expect((line('net').ml + line('collar').ml) / 36).toBeCloseTo(14.05, 1);
});

test('two mixers: one at the start, one after the move of 12 min; the stop of 2 min keeps it', () => {
  expect(line('purge').expression).toBe('2 × 27 mL');
  expect(line('mixer').ml + line('purge').ml + line('tube').ml).toBeCloseTo(98.1, 1);
  // A mixer for every hole would be 36.
  expect(r.steps.filter((s) => s.id.endsWith(':purge'))).toHaveLength(2);
});

test('652 of 660 mL, three packs', () => {
  expect(r.toMixMl!).toBeGreaterThan(652 * 0.99);
  expect(r.toMixMl!).toBeLessThan(652 * 1.01);
  expect(r.onHandMl).toBeCloseTo(r.toMixMl!, 6);
  expect([r.kits!.use, r.kits!.buy]).toEqual([3, 3]);
  expect(r.kits!.leftMl).toBeGreaterThan(6);
  expect(r.kits!.leftMl).toBeLessThan(10);
});

test('nine rounds of four holes, set 13:09 to 13:27 and 13:43 to 13:59', () => {
  const fills = r.steps.filter((s) => s.id.endsWith(':fill'));
  expect(fills).toHaveLength(9);
  expect(fills.map((s) => (Date.parse(s.to) - Date.parse(s.from)) / 60_000)).toEqual(Array(9).fill(4.4));
  expect(fills.map((s) => clock(s.to)!.slice(4))).toEqual([
    '13:09',
    '13:13',
    '13:18',
    '13:22',
    '13:27',
    '13:43',
    '13:47',
    '13:54',
    '13:58',
  ]);
  expect(fills[0]!.title).toBe('Holes 1 to 4 of 36: fill, turn the rod in, next');
});

test('each round has its own load clock on the base: 2 h 30 while it stays in the band, 5 h once it falls out of it', () => {
  const loads = r.milestones.filter((m) => m.kind === 'load').map((m) => Date.parse(m.plans!));
  const wanted = ['15:39', '15:44', '15:48', '15:53', '15:57', '18:43', '18:48', '18:54', '18:59'];
  expect(loads).toHaveLength(9);
  for (const [i, ms] of loads.entries())
    expect(Math.abs(ms - at(`2027-04-14T${wanted[i]}`)) / 60_000).toBeLessThanOrEqual(2);
});

test('18:00 is missed by 59 min; 8 mL to spare are said', () => {
  const last = r.milestones.filter((m) => m.kind === 'load').at(-1)!;
  expect(Math.round((Date.parse(last.plans!) - job.wantedAt!) / 60_000)).toBeGreaterThanOrEqual(57);
  expect(Math.round((Date.parse(last.plans!) - job.wantedAt!) / 60_000)).toBeLessThanOrEqual(61);
  expect(r.findings.map((f) => f.id)).toContain('spare');
  const spare = r.findings.find((f) => f.id === 'spare')!;
  expect([spare.severity, spare.why]).toEqual([
    'caution',
    expect.stringMatching(/^\d\.\d+ mL are left of 3 packs, and one place takes 14\.\d mL/),
  ]);
});

test('not accepted: a mixer for every hole, a pause longer than the mixer bears, one load time for all', () => {
  expect(r.toMixMl!).toBeLessThan(700);
  const stop = printed({
    stops: [
      { after: 20, minutes: 12 },
      { after: 28, minutes: 4.5 },
    ],
  });
  // 4.5 min and the setting of a rod are 5.1 min, more than 5: a third mixer and a fourth pack.
  expect(stop.steps.filter((s) => s.id.endsWith(':purge'))).toHaveLength(3);
  expect(stop.kits!.use).toBe(4);
  expect(new Set(r.milestones.filter((m) => m.kind === 'load').map((m) => m.plans)).size).toBe(9);
});

test('59 min of the miss are the clock’s; it is met where the last rod is set by 13:30', () => {
  const missed = r.findings.find((f) => f.id === 'deadline')!;
  expect(missed.why).toMatch(/Of that 59 min are the clock’s/);
  expect(missed.todo).toMatch(/^Begin 29 min earlier .* by Wed 13:30\./);
  // Begun so much earlier it is in time: loaded at 16:00, while the base is still in its band.
  const sooner = printed({}, '2027-04-14T12:36');
  const last = sooner.milestones.filter((m) => m.kind === 'load').at(-1)!;
  expect(clock(last.plans!)).toMatch(/Wed (15:59|16:00)/);
  expect(sooner.findings.some((f) => f.id === 'deadline')).toBe(false);
  // A minute later the rest of it falls out of its band.
  const later = printed({}, '2027-04-14T12:38').milestones.filter((m) => m.kind === 'load');
  expect(Date.parse(later.at(-1)!.plans!)).toBeGreaterThan(job.wantedAt!);
});

test.each([
  ['hollow', 'no', 'Hollow base', /sieve sleeve/],
  ['uncracked', 'no', 'Cracked base', /approved for cracked concrete/],
  ['bore', 'no', 'A bore that the sheet does not allow', /by hammer/],
  ['hole-dry', 'no', 'Water in the hole', /whose sheet allows wet holes/],
  ['lasting-pull', 'yes', 'A lasting pull', /review/],
] as const)(
  '%s answered %s is a stop that says what to do; answered otherwise nothing is said',
  (question, answer, title, todo) => {
    const { questions } = methodOf('anchor')!;
    const sound = Object.fromEntries(questions.map((q) => [q.id, q.wants]));
    const found = (answers: Piece['answers']) => printed({ answers }).findings.filter((f) => f.title === title);
    const [stop] = found({ ...sound, [question]: answer });
    expect(stop!.severity).toBe('stop');
    expect(stop!.todo).toMatch(todo);
    expect(found(sound)).toEqual([]);
  },
);
