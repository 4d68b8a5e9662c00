import { DateTime } from 'luxon';
import { ONLY_AIR } from '@/core/climate';
import { readJobFile, writeJobFile } from '@/core/file';
import type { Method } from '@/core/method';
import {
  FIRST_CHOICES,
  FIRST_OF_CHAIN,
  type Job,
  type Piece,
  pieceOf,
  planJob,
  type Repair,
  UNCOUNTED,
  withPiece,
} from '@/core/plan';
import { CORE_VERSION, type Event, type EventBody, planReport, viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { kindOf, measured, SHAPES, type Void, type VoidShape, voidOf, withValue } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { pasteSheet } from '@/sample/systems';
import { freshRepair } from '@/ui/workspace/fresh';
import { PLAIN_READER, planInWords, type Reader } from '@/words';

/**
 * What the walks share: one zone, a job and a repair of nothing but defaults, and the way out to the command line and
 * back.
 */
export const ZONE = 'Europe/Helsinki';
export const at = (iso: string): number => DateTime.fromISO(iso, { zone: ZONE }).toMillis();
/** A clock as it stands on a job card. @example clock('2027-04-14T10:05:00Z') // 'Wed 13:05' */
export const clock = (iso: string | null): string | null =>
  iso === null ? null : DateTime.fromISO(iso, { zone: ZONE }).toFormat('ccc HH:mm');
/** Minutes between an instant and a clock of the walk. */
export const off = (iso: string | null | undefined, wanted: string): number =>
  iso ? Math.abs(Date.parse(iso) - at(wanted)) / 60_000 : Number.POSITIVE_INFINITY;

export const walkJob = (over: Partial<Job> & Pick<Job, 'id' | 'startFrom'>): Job => ({
  record: 'job',
  version: 1,
  name: 'Walk',
  place: 'Ostrel Lake ferry',
  zone: ZONE,
  wantedAt: null,
  workingHours: { fromHour: 6, toHour: 20, days: [1, 2, 3, 4, 5, 6, 7] },
  doneBy: '',
  atHand: UNCOUNTED,
  climate: { kind: 'constant', tempC: 12, humidityPct: 60 },
  createdAt: over.startFrom,
  updatedAt: over.startFrom,
  closedAt: null,
  sample: false,
  ...over,
});

/** A base that is so warm all the time, or steps from one temperature to the next. */
export const baseAt = (...steps: readonly (readonly [iso: string, tempC: number])[]): Piece['base']['known'] =>
  steps.flatMap(([iso, tempC], i) => {
    const before = steps[i - 1];
    return before
      ? [
          { atMs: at(iso), tempC: before[1] },
          { atMs: at(iso), tempC },
        ]
      : [{ atMs: at(iso), tempC }];
  });

export const walkPiece = (job: Job, over: Partial<Piece> & Pick<Piece, 'method' | 'void' | 'sheetId'>): Piece => ({
  ...FIRST_CHOICES,
  ...FIRST_OF_CHAIN,
  record: 'repair',
  version: 4,
  id: 'walk',
  jobId: job.id,
  order: 1,
  name: 'Walk',
  place: '',
  base: {
    material: 'concrete',
    thicknessMm: 200,
    back: 'ground',
    exposure: 'sheltered',
    surroundings: ONLY_AIR,
    known: [],
    castOn: '2005-05-01',
  },
  answers: {},
  settingOut: null,
  kitId: null,
  schools: {},
  settings: {},
  materialC: null,
  scaleStepG: 1,
  reserve: false,
  plannedStart: null,
  serves: null,
  safety: { class: 'plain', why: '' },
  updatedAt: job.startFrom,
  ...over,
});

/** What really happened, one event after the other. */
export function happened(job: Job, told: readonly (readonly [iso: string, body: EventBody])[]): readonly Event[] {
  return told.map(([iso, body], i) => ({
    record: 'event',
    version: 1,
    id: `walk-${i}`,
    device: 'walk',
    sequence: i,
    at: at(iso),
    recordedAt: at(iso),
    jobId: job.id,
    repairId: 'walk',
    amends: null,
    role: 'technician',
    body,
  }));
}

/** Work ticked step by step, a minute apart from a begin on, up to a step that ends at an instant. */
export const workedUpTo = (
  steps: readonly { readonly id: string }[],
  ends: string,
  begunIso: string,
  doneIso: string,
): readonly (readonly [iso: string, body: EventBody])[] => {
  const until = steps.slice(0, steps.findIndex((s) => s.id.endsWith(ends)) + 1);
  const minute = (n: number) => DateTime.fromISO(begunIso).plus({ minutes: n }).toFormat("yyyy-MM-dd'T'HH:mm");
  return [
    [begunIso, { kind: 'started', snapshotId: 'none', usableMin: null }],
    ...until.map(({ id }, i): readonly [string, EventBody] => [
      i === until.length - 1 ? doneIso : minute(i + 1),
      { kind: 'step-done', step: id },
    ]),
  ];
};

/** As the command line plans it: written to a job file, read again, planned, printed. */
export function printedPlan(
  o: {
    readonly job: Job;
    readonly repairs: readonly Repair[];
    readonly sheets: readonly SheetRevision[];
    readonly events?: readonly Event[];
  },
  nowMs: number,
  reader: Partial<Reader> = {},
) {
  const text = writeJobFile({
    format: 'grenko-job',
    version: 4,
    exportedAt: new Date(nowMs).toISOString(),
    coreVersion: CORE_VERSION,
    job: o.job,
    repairs: [...o.repairs],
    sheets: [...o.sheets],
    stock: [],
    snapshots: [],
    events: [...(o.events ?? [])],
    series: [],
    attachments: [],
  });
  return planInWords(planReport(viewJob(readJobFile(text), nowMs)), { ...PLAIN_READER, zone: ZONE, ...reader });
}

/** A hole of 18 mm, 130 deep with a point of 130°, for a threaded rod M16 that stands 125 in it. */
export const m16Hole = (): Void =>
  voidOf({
    shape: 'annulus',
    version: 2,
    holeDiameter: measured(18, 'calliper'),
    holeDepth: measured(130, 'gauge'),
    rodDiameter: measured(16, 'marked'),
    embedment: measured(125, 'gauge'),
    thread: { kind: 'threaded', pitchMm: 2 },
    notchesMl: 0,
    mouth: { form: 'none' },
    pointAngleDeg: 130,
  });

const H = 60;
/** A resin that is poured, in whole kits of 3.6 L. */
export const pouringSheet = (): SheetRevision => ({
  ...pasteSheet,
  id: 'pour-1',
  systemId: 'pour',
  name: 'Pouring resin',
  kind: 'liquid-resin',
  parts: partsOf('liquid-resin', { A: { densityGPerMl: 1.6 }, B: { densityGPerMl: 1.35 } }),
  ratio: ratioOf({ basis: 'volume', a: 4, b: 1 }),
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [5, 90, 90],
      [20, 40, 40],
    ]),
    curve('gel', 'placed', 'base', [
      [5, 5 * H, 6 * H],
      [20, 2 * H, 2 * H],
    ]),
    curve('next-lift', 'placed', 'base', [
      [5, 14 * H, 20 * H],
      [20, 5 * H, 6 * H],
    ]),
    curve('release', 'placed', 'base', [
      [5, 24 * H, 24 * H],
      [20, 8 * H, 8 * H],
    ]),
    curve('load', 'placed', 'base', [
      [5, 96 * H, 96 * H],
      [20, 30 * H, 30 * H],
    ]),
  ],
  limits: { ...pasteSheet.limits, bondMaxMm: null, bondMinMm: null, liftMaxMm: null },
  kits: [kitOf('kit', 'Kit 3.6 L', [4608, 972], { yieldMl: 3600, splittable: false })],
  potLossMl: 80,
});

/** Every measured length of a void, so many times as long. */
export const scaled = <T>(of: T, by: number, inside = false): T => {
  if (typeof of !== 'object' || of === null) return of;
  if (inside && 'valueMm' in of) return { ...of, valueMm: (of.valueMm as number) * by };
  if (Array.isArray(of)) return of.map((x) => scaled(x, by, inside)) as T;
  return Object.fromEntries(Object.entries(of).map(([k, v]) => [k, scaled(v, by, inside || k === 'shapes')])) as T;
};

/** What a work that is done bit by bit comes to, done in one go. */
export function ended<T>(work: Iterator<unknown, T>): T {
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}

/** The first shape of a method as its picture has it, with some lengths of one's own, every one of them measured. */
export const drawnShape = (method: Method, dims: Readonly<Record<string, number>> = {}): VoidShape => {
  const blank = SHAPES[method.shapes[0]!].blank() as VoidShape;
  return kindOf(blank)
    .dimensions(blank)
    .reduce<VoidShape>(
      (shape, d) =>
        withValue(kindOf(shape), shape, d.key, {
          ...measured(dims[d.key] ?? d.measured.valueMm, 'rule'),
          text: 'as drawn',
        }),
      blank,
    );
};

/** A job in which nothing has happened yet and nothing is on the shelf but its sheets, as a page looks at it. */
export const untouched = (
  o: { readonly job: Job; readonly repairs: readonly Repair[]; readonly sheets: readonly SheetRevision[] },
  nowMs: number,
) => viewJob({ ...o, stock: [], events: [] }, nowMs);

/** A repair as somebody begins it: a shape, a system, every question answered, all else left. */
export function firstRepair(
  { job, nowMs }: { readonly job: Job; readonly nowMs: number },
  method: Method,
  sheet: SheetRevision,
  o: {
    readonly dims?: Readonly<Record<string, number>> | undefined;
    readonly count?: number | undefined;
    /** So many times as large as that. */
    readonly by?: number;
    readonly over?: Partial<Piece> | undefined;
  } = {},
): Repair {
  const fresh = freshRepair(job.id, method.id, 1, nowMs);
  return withPiece(fresh, {
    ...pieceOf(fresh),
    void: scaled({ ...voidOf(drawnShape(method, o.dims)), count: o.count ?? 1 }, o.by ?? 1),
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
    ...o.over,
  });
}

/** A job of one repair as it is planned before anything has happened, begun not before an instant. */
export const plannedFrom = (
  { job, sheets, nowMs }: { readonly job: Job; readonly sheets: readonly SheetRevision[]; readonly nowMs: number },
  repair: Repair,
  plannedStart: number | null = null,
) => {
  const repairs = [withPiece(repair, { ...pieceOf(repair), plannedStart })];
  return planJob({ job, repairs, sheets, stock: [], actuals: new Map(), nowMs });
};

/** The same, planned and printed. */
export const firstPlanned = (
  { job, nowMs, events = [] }: { readonly job: Job; readonly nowMs: number; readonly events?: readonly Event[] },
  method: Method,
  sheet: SheetRevision,
  o: {
    readonly dims?: Readonly<Record<string, number>>;
    readonly count?: number;
    readonly over?: Partial<Piece>;
    readonly reader?: Partial<Reader>;
  } = {},
) => {
  const repair = firstRepair({ job, nowMs }, method, sheet, o);
  // What happened is told of a walk's one repair, whatever it is called here.
  const mine = events.map((e) => ({ ...e, repairId: repair.id }));
  return printedPlan({ job, repairs: [repair], sheets: [sheet], events: mine }, nowMs, o.reader).repairs[0]!;
};
