import { DateTime } from 'luxon';
import { ONLY_AIR } from '../core/climate';
import { METHODS } from '../core/method';
import { FIRST_CHOICES, FIRST_OF_CHAIN, type Job, type Piece, type Repair, repairOf, UNCOUNTED } from '../core/plan';
import {
  type Bundle,
  type Event,
  type EventBody,
  eventHash,
  linkAfter,
  type PlanSnapshot,
  snapshotOf,
} from '../core/record';
import { type VoidShape, voidOf } from '../core/void';
import { boatJob, boatRepairs } from './boat';
import { boatSheets } from './boat-systems';
import { workedJob } from './finished';
import { EYES_SET_OUT, LANDING } from './landing';
import { methodsJobs } from './methods';
import { mortarSheet, pasteSheet, resinSheet, sampleSheets, sampleStock } from './systems';
import { typed } from './typed';
import { workshopSheets } from './workshop-systems';

/** The sample: four jobs at the ferry, three planned, one running; instants count from the moment it is loaded. */
export interface SampleData {
  readonly bundles: readonly (Bundle & { readonly snapshots: readonly PlanSnapshot[] })[];
}

const soundAnswers = (methodId: string): Repair['answers'] =>
  Object.fromEntries(METHODS.find((m) => m.id === methodId)!.questions.map((q) => [q.id, q.wants]));

const nosing: VoidShape = {
  shape: 'patch',
  version: 1,
  outline: { kind: 'rectangle', length: typed(240, 'tape', '240 mm'), width: typed(160, 'tape', '160 mm') },
  depth: {
    kind: 'readings',
    edge: 'vertical',
    read: typed(0, 'gauge', 'read'),
    readings: [
      [30, 30, 22],
      [120, 25, 34],
      [210, 30, 27],
      [30, 80, 29],
      [120, 80, 38],
      [205, 85, 31],
      [35, 130, 20],
      [125, 135, 33],
      [210, 130, 24],
    ].map(([xMm, yMm, depthMm]) => ({ xMm: xMm!, yMm: yMm!, depthMm: depthMm! })),
  },
};

const eyes: VoidShape = {
  shape: 'annulus',
  version: 2,
  holeDiameter: typed(18.2, 'calliper', '18.2 mm'),
  holeDepth: typed(125, 'gauge', '125 mm'),
  rodDiameter: typed(16, 'marked', '16 mm'),
  embedment: typed(125, 'gauge', '125 mm'),
  thread: { kind: 'threaded', pitchMm: 2 },
  notchesMl: 0,
  mouth: { form: 'none' },
  pointAngleDeg: null,
};

const plate: VoidShape = {
  shape: 'bondLine',
  version: 1,
  outline: { kind: 'rectangle', length: typed(620, 'rule', '620 mm'), width: typed(380, 'rule', '380 mm') },
  holes: { count: 4, diameter: typed(18, 'calliper', '18 mm') },
  thickness: typed(0.8, 'calliper', '0.8 mm'),
};

const usedAtBoat = new Set(boatSheets.map((s) => s.id));

/** Makes repairs of one pass as the sample has them. */
const makerAt =
  (nowMs: number) =>
  (
    over: Partial<Piece> & Pick<Piece, 'id' | 'jobId' | 'order' | 'name' | 'place' | 'void'>,
    methodId: string,
    sheetId: string,
    kitId: string,
  ): Repair =>
    repairOf({
      ...FIRST_OF_CHAIN,
      record: 'repair',
      version: 4,
      settingOut: null,
      method: { id: methodId, version: 1 },
      base: {
        material: 'concrete',
        thicknessMm: 220,
        back: 'ground',
        exposure: 'windy',
        surroundings: ONLY_AIR,
        known: [],
        castOn: '2009-06-15',
      },
      answers: soundAnswers(methodId),
      sheetId,
      kitId,
      schools: {},
      settings: {},
      materialC: 18,
      scaleStepG: 1,
      ...FIRST_CHOICES,
      reserve: true,
      plannedStart: null,
      serves: null,
      safety: { class: 'plain', why: '' },
      updatedAt: nowMs,
      ...over,
    });

const commonAt = (nowMs: number, zone: string) =>
  ({
    record: 'job',
    version: 1,
    zone,
    createdAt: nowMs,
    updatedAt: nowMs,
    closedAt: null,
    atHand: UNCOUNTED,
    doneBy: '',
    sample: true,
  }) as const;
const dayAfter = (nowMs: number, zone: string): DateTime =>
  DateTime.fromMillis(nowMs, { zone }).plus({ days: 1 }).startOf('day');

/** Builds the sample as of an instant, in a time zone. */
export function sampleData(nowMs: number, zone: string): SampleData {
  const tomorrow = dayAfter(nowMs, zone);
  const common = commonAt(nowMs, zone);
  const ramp: Job = {
    ...common,
    id: 'sample-ramp',
    name: 'Slip ramp before the season',
    place: 'Slip ramp, Ostrel Lake ferry',
    doneBy: 'ramp crew',
    wantedAt: tomorrow.plus({ days: 4 }).set({ hour: 9 }).toMillis(),
    startFrom: tomorrow.set({ hour: 7 }).toMillis(),
    workingHours: { fromHour: 7, toHour: 17, days: [1, 2, 3, 4, 5, 6, 7] },
    climate: { kind: 'daily', lowC: 5, lowHour: 6, highC: 15, highHour: 15, humidityAtLowPct: 82 },
  };
  const winch: Job = {
    ...common,
    id: 'sample-winch',
    name: 'Winch house',
    place: 'Winch house, Ostrel Lake ferry',
    doneBy: 'winch hand',
    wantedAt: nowMs + 52 * 3_600_000,
    startFrom: nowMs - 2 * 3_600_000,
    workingHours: { fromHour: 0, toHour: 24, days: [1, 2, 3, 4, 5, 6, 7] },
    climate: { kind: 'constant', tempC: 16, humidityPct: 62 },
  };
  const repair = makerAt(nowMs);
  const rampRepairs = [
    repair(
      {
        id: 'sample-nosing',
        jobId: ramp.id,
        order: 1,
        name: 'Bay 3 nosing',
        place: 'Slip ramp, third bay',
        void: voidOf(nosing),
      },
      'mortar-patch',
      mortarSheet.id,
      'small',
    ),
    repair(
      {
        id: 'sample-eyes',
        jobId: ramp.id,
        order: 2,
        name: 'Landing step eyes',
        place: 'Granite landing step',
        void: { ...voidOf(eyes), count: 4 },
        settingOut: EYES_SET_OUT,
        base: {
          material: 'stone',
          thicknessMm: 400,
          back: 'ground',
          exposure: 'windy',
          surroundings: ONLY_AIR,
          known: [],
          castOn: null,
        },
        safety: { class: 'review', why: 'Mooring lines hang on it.' },
      },
      'anchor',
      resinSheet.id,
      'cartridge',
    ),
  ];
  const landing: Job = {
    ...common,
    id: 'sample-landing',
    name: 'Landing and apron',
    place: 'Landing, Ostrel Lake ferry',
    doneBy: 'ramp crew',
    wantedAt: tomorrow.plus({ days: 8 }).set({ hour: 12 }).toMillis(),
    startFrom: tomorrow.plus({ days: 1 }).set({ hour: 8 }).toMillis(),
    workingHours: { fromHour: 8, toHour: 17, days: [1, 2, 3, 4, 5, 6, 7] },
    climate: { kind: 'daily', lowC: 8, lowHour: 6, highC: 18, highHour: 15, humidityAtLowPct: 78 },
  };
  const landingRepairs = LANDING.map(({ by = ['mortar-patch', mortarSheet.id, 'small'], marks = [], ...place }, i) => {
    const gauge = marks.map(([daysAgo, mm]) => ({
      atMs: tomorrow
        .minus({ days: daysAgo + 1 })
        .set({ hour: 8 })
        .toMillis(),
      mm,
    }));
    return repair({ ...place, gauge, jobId: landing.id, order: i + 1 }, ...by);
  });
  const usedAtLanding = new Set(LANDING.map((p) => p.by?.[1] ?? mortarSheet.id));

  const boat = boatJob(common, tomorrow);
  const winchRepair = repair(
    {
      id: 'sample-plate',
      jobId: winch.id,
      order: 1,
      name: 'Winch plate',
      place: 'Winch bed, left of the drum',
      void: voidOf(plate),
      base: {
        material: 'metal',
        thicknessMm: 12,
        back: 'air',
        exposure: 'sheltered',
        surroundings: ONLY_AIR,
        known: [],
        castOn: null,
      },
      materialC: 20,
      scaleStepG: 0.1,
      schools: { 'part-kits': 'weighed' },
      safety: { class: 'review', why: 'The winch pulls on it.' },
    },
    'plate-bond',
    pasteSheet.id,
    'pair',
  );

  const winchBundle: Bundle = {
    job: winch,
    repairs: [winchRepair],
    sheets: [pasteSheet],
    stock: sampleStock(nowMs).filter((s) => s.systemId === pasteSheet.systemId),
    events: [],
  };
  const startedAt = nowMs - 68 * 60_000;
  const snapshot = snapshotOf(winchBundle, startedAt, 'sample-snapshot-winch');
  const usableMin = snapshot.report.repairs[0]!.usableMin;
  const story: readonly (readonly [minutesAgo: number, body: EventBody])[] = [
    [68, { kind: 'started', snapshotId: snapshot.id, usableMin }],
    [58, { kind: 'step-done', step: 'prep:mock-up' }],
    [22, { kind: 'step-done', step: 'prep:grind' }],
    [19, { kind: 'reading', channel: 'base', valueC: 15.2, source: 'contact probe, typed' }],
    [18, { kind: 'step-done', step: 'prep:wipe' }],
    [16, { kind: 'taken', stockId: 'stock-paste', lot: 'SP-0093', kit: 'Tin pair 450 mL', count: 1 }],
    [15, { kind: 'poured', batch: 0, part: 'A', massG: 246.2, lot: 'SP-0093', source: 'bench scale (simulated)' }],
    [14, { kind: 'poured', batch: 0, part: 'B', massG: 92.1, lot: 'SP-0093', source: 'bench scale (simulated)' }],
    [14, { kind: 'step-done', step: 'b1:weigh' }],
    [14, { kind: 'step-begun', step: 'b1:mix' }],
    [10, { kind: 'step-done', step: 'b1:mix' }],
    [10, { kind: 'witness', batch: 0, state: 'kept' }],
    [9, { kind: 'note', text: 'Left lower corner ground a second time, it still shone.' }],
  ];
  const events: Event[] = [];
  for (const [i, [minutesAgo, body]] of story.entries()) {
    const before = events.at(-1);
    events.push({
      record: 'event',
      version: 1,
      id: `sample-event-${i + 1}`,
      device: 'sample',
      sequence: i,
      at: nowMs - minutesAgo * 60_000,
      recordedAt: nowMs - minutesAgo * 60_000,
      jobId: winch.id,
      repairId: winchRepair.id,
      amends: null,
      role: 'technician',
      body,
      link: linkAfter(before ? { n: before.link!.n, hash: eventHash(before) } : null),
    });
  }
  return {
    bundles: [
      {
        job: ramp,
        repairs: rampRepairs,
        sheets: sampleSheets.filter((s) => s.id !== pasteSheet.id),
        stock: sampleStock(nowMs).filter((s) => s.systemId !== pasteSheet.systemId),
        events: [],
        snapshots: [],
      },
      { ...winchBundle, events, snapshots: [snapshot] },
      {
        job: landing,
        repairs: landingRepairs,
        sheets: sampleSheets.filter((s) => usedAtLanding.has(s.id)),
        stock: [],
        events: [],
        snapshots: [],
      },
      {
        job: boat,
        repairs: boatRepairs(repair),
        sheets: sampleSheets.filter((s) => usedAtBoat.has(s.id)),
        stock: [],
        events: [],
        snapshots: [],
      },
    ],
  };
}

/** Two further jobs, with a repair of every method that the first four have none of. */
export function methodsData(nowMs: number, zone: string): SampleData {
  const sheets = [...sampleSheets, ...workshopSheets];
  return {
    bundles: methodsJobs(commonAt(nowMs, zone), dayAfter(nowMs, zone), makerAt(nowMs)).map(({ job, repairs }) => {
      const used = new Set(repairs.flatMap((r) => Object.values(r.passes).map((p) => p.sheetId)));
      return { job, repairs, sheets: sheets.filter((s) => used.has(s.id)), stock: [], events: [], snapshots: [] };
    }),
  };
}

/**
 * Edges of the ramp as they were found last month, mm along and across, and what the crew left for the next like one.
 */
const EDGES = [
  [210, 150],
  [260, 170],
  [240, 160],
  [300, 165],
  [225, 180],
  [280, 160],
  [230, 150],
] as const;

/** Two finished jobs with their whole record: what a report, the log and the lessons are read from. */
export function finishedData(nowMs: number, zone: string): SampleData {
  const then = dayAfter(nowMs, zone).minus({ days: 24 });
  const repair = makerAt(then.toMillis());
  const edges: Job = {
    ...commonAt(then.toMillis(), zone),
    id: 'sample-edges',
    name: 'Ramp edges, last month',
    place: 'Slip ramp, Ostrel Lake ferry',
    doneBy: 'ramp crew',
    wantedAt: then.plus({ days: 8 }).set({ hour: 9 }).toMillis(),
    startFrom: then.set({ hour: 7 }).toMillis(),
    workingHours: { fromHour: 7, toHour: 18, days: [1, 2, 3, 4, 5, 6, 7] },
    climate: { kind: 'daily', lowC: 9, lowHour: 6, highC: 17, highHour: 15, humidityAtLowPct: 78 },
  };
  const ofEdges: Bundle = {
    job: edges,
    repairs: EDGES.map(([length, width], i) =>
      repair(
        {
          id: `sample-edge-${i + 1}`,
          jobId: edges.id,
          order: i + 1,
          name: `Edge of bay ${i + 4}`,
          place: `Slip ramp, bay ${i + 4}`,
          void: voidOf({
            ...nosing,
            outline: {
              kind: 'rectangle',
              length: typed(length, 'tape', `${length} mm`),
              width: typed(width, 'tape', `${width} mm`),
            },
          } as VoidShape),
        },
        'mortar-patch',
        mortarSheet.id,
        'small',
      ),
    ),
    sheets: [mortarSheet],
    stock: [],
    events: [],
  };
  const bench = methodsJobs(commonAt(then.toMillis(), zone), then.plus({ days: 9 }), repair)[1]!;
  const renamed = (id: string) => id.replace('sample-', 'sample-past-');
  const sheets = [...sampleSheets, ...workshopSheets];
  const used = new Set(bench.repairs.flatMap((r) => Object.values(r.passes).map((p) => p.sheetId)));
  const ofBench: Bundle = {
    job: { ...bench.job, id: renamed(bench.job.id), name: 'Workshop bench, last month' },
    // What the beam drinks is written down coat by coat: its record is the running one’s.
    repairs: bench.repairs
      .filter((r) => r.id !== 'sample-beam')
      .map((r) => ({ ...r, id: renamed(r.id), jobId: renamed(bench.job.id) })),
    sheets: sheets.filter((s) => used.has(s.id)),
    stock: [],
    events: [],
  };
  return {
    bundles: [
      workedJob(ofEdges, {
        seed: 41,
        slower: 1.28,
        uses: 1.06,
        sticks: 1.4,
        scatter: 0.22,
        late: 1.12,
        looksEvery: 60,
        notes: { 'sample-edge-2 b1:mix': 'Second mixer fetched from the boat house.' },
        lessons: {
          'sample-edge-5': 'Saw the edge first, the hammer runs on otherwise; allow for the dust.',
          'sample-edge-7': 'The bays in the shade set an hour later than the others.',
        },
      }),
      workedJob(ofBench, {
        seed: 17,
        slower: 1.1,
        uses: 1,
        sticks: 0.8,
        scatter: 0.3,
        late: 1.05,
        looksEvery: 60,
        lessons: { 'sample-past-dent': 'Guide coat before every grit, it shows the low place before P180 does.' },
      }),
    ],
  };
}

type SampleBundle = SampleData['bundles'][number];
type SampleRecord = SampleBundle['job'] | SampleBundle[Exclude<keyof SampleBundle, 'job'>][number];

/** Every record of the sample, once: the same sheet serves several of its jobs. */
export function sampleRecords(
  nowMs: number,
  zone: string,
  of: (nowMs: number, zone: string) => SampleData = sampleData,
): readonly SampleRecord[] {
  const { bundles } = of(nowMs, zone);
  const all = bundles.flatMap((b) => [b.job, ...b.repairs, ...b.sheets, ...b.stock, ...b.events, ...b.snapshots]);
  return [...new Map(all.map((r) => [`${r.record}/${r.id}`, r])).values()];
}
