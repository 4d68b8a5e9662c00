import { z } from 'zod';
import { Job, Repair, repairNow } from '../plan';
import { Attachment, Event, PlanSnapshot, SeriesRecord } from '../record';
import { refuse, texts } from '../say';
import { SheetRevision, Stock, sheetNow, stockNow } from '../system';
import { placeInJson, readJson } from './json-text';

const REFUSED = texts('refused.file.job-file', {
  'not-job-file': 'This is not a job file: its “format” is not “grenko-job”.',
  'no-version': 'The file does not say which version it is.',
  'file-version-grenko':
    'The file is of version {version}, this Grenko reads up to {known}. Open it with a newer Grenko; nothing was changed.',
  'does-not-fit': 'The file does not fit at {path} ({place}): {message}.',
  'number-carries-id': 'Number {n} of {name} carries the id of number {n2}: “{id}”.',
  'repair-belongs-another': 'Repair {n} belongs to another job.',
  'repair-names-sheet': 'Repair {n} names a sheet that is not in the file.',
  'event-belongs-another': 'Event {n} belongs to another job.',
  'event-names-repair': 'Event {n} names a repair that is not in the file.',
});

/** The job file: one job with everything that belongs to it, as JSON. */
export const JobFile = z.object({
  format: z.literal('grenko-job'),
  version: z.literal(4),
  exportedAt: z.string().max(60),
  coreVersion: z.string().max(40),
  job: Job,
  repairs: z.array(Repair).max(200),
  sheets: z.array(SheetRevision).max(500),
  stock: z.array(Stock).max(2000),
  snapshots: z.array(PlanSnapshot).max(2000),
  events: z.array(Event).max(200_000),
  series: z.array(SeriesRecord).max(200),
  attachments: z.array(Attachment).max(2000),
});
export type JobFile = z.infer<typeof JobFile>;

export const JOB_FILE_VERSION = 4;

/**
 * The instant a job file speaks of where nobody names another: when it was written. What it plans is then the same
 * whenever it is read.
 * @param nowMs for a file that does not tell when it was written
 */
export function presentIn({ exportedAt }: Pick<JobFile, 'exportedAt'>, nowMs: number): number {
  const writtenMs = Date.parse(exportedAt);
  return writtenMs >= 0 && writtenMs < Date.UTC(2200, 0) ? writtenMs : nowMs;
}

/** Steps from version n to n + 1, by n. Each is tested on a kept file of its version. */
export const MIGRATIONS: Readonly<Record<number, (old: Record<string, unknown>) => Record<string, unknown>>> = {
  // Repairs, also those kept in snapshots, are of version 2.
  1: (old) => ({ ...withRepairs(old), version: 2 }),
  // Repairs of version 3, sheets and lots of version 2.
  2: (old) => ({
    ...withRepairs(old),
    version: 3,
    sheets: each(old.sheets, sheetNow),
    stock: each(old.stock, stockNow),
  }),
  // Repairs of version 4: chains of passes.
  3: (old) => ({ ...withRepairs(old), version: 4 }),
};

const withRepairs = (old: Record<string, unknown>): Record<string, unknown> => ({
  ...old,
  repairs: each(old.repairs, repairNow),
  snapshots: each(old.snapshots, (s) => ({
    ...(s as object),
    repairs: each((s as { repairs?: unknown }).repairs, repairNow),
  })),
});

/** What is no record at all stays as it is: the schema says where it stands. */
const each = (list: unknown, step: (item: unknown) => unknown): unknown =>
  Array.isArray(list) ? list.map((item) => (item && typeof item === 'object' ? step(item) : item)) : list;

/**
 * Reads a job file, bringing older versions forward.
 * @throws Refusal naming the place in the file: not JSON, foreign, newer, or a field that does not fit
 */
export function readJobFile(text: string): JobFile {
  const raw = readJson(text);
  if (!raw || typeof raw !== 'object' || (raw as Record<string, unknown>).format !== 'grenko-job')
    refuse('format', (raw as Record<string, unknown> | null)?.format ?? null, 'grenko-job', REFUSED['not-job-file']());
  let data = raw as Record<string, unknown>;
  if (typeof data.version !== 'number' || !Number.isInteger(data.version) || data.version < 1)
    refuse('version', data.version, `1 to ${JOB_FILE_VERSION}`, REFUSED['no-version']());
  if ((data.version as number) > JOB_FILE_VERSION)
    refuse(
      'version',
      data.version,
      `up to ${JOB_FILE_VERSION}`,
      REFUSED['file-version-grenko']({ version: Number(data.version), known: JOB_FILE_VERSION }),
    );
  while ((data.version as number) < JOB_FILE_VERSION) data = MIGRATIONS[data.version as number]!(data);
  const parsed = JobFile.safeParse(data);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    const path = issue.path.join('.');
    return refuse(
      path || 'file',
      valueAtPath(data, issue.path),
      issue.message,
      // Where a version was brought forward the field may stand elsewhere: the nearest that is in the file is named.
      REFUSED['does-not-fit']({
        path: path || 'its top',
        place: placeInJson(text, issue.path),
        message: issue.message,
      }),
    );
  }
  checkReferences(parsed.data);
  return parsed.data;
}

function valueAtPath(data: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (v, key) => (v && typeof v === 'object' ? (v as Record<PropertyKey, unknown>)[key] : undefined),
    data,
  );
}

/** Records of one file must belong together. */
function checkReferences(file: JobFile): void {
  // One id is one record: of two that share it nobody could say which is meant.
  for (const [name, records] of Object.entries({
    repairs: file.repairs,
    sheets: file.sheets,
    stock: file.stock,
    snapshots: file.snapshots,
    events: file.events,
    series: file.series,
    attachments: file.attachments,
  })) {
    const first = new Map<string, number>();
    records.forEach((r, i) => {
      const before = first.get(r.id);
      if (before !== undefined)
        refuse(
          `${name}.${i}.id`,
          r.id,
          'an id of its own',
          REFUSED['number-carries-id']({ n: i + 1, name, n2: before + 1, id: r.id }),
        );
      first.set(r.id, i);
    });
  }
  const repairIds = new Set(file.repairs.map((r) => r.id));
  file.repairs.forEach((r, i) => {
    if (r.jobId !== file.job.id)
      refuse(`repairs.${i}.jobId`, r.jobId, file.job.id, REFUSED['repair-belongs-another']({ n: i + 1 }));
    for (const [id, { sheetId }] of Object.entries(r.passes))
      if (sheetId !== null && !file.sheets.some((s) => s.id === sheetId))
        refuse(
          `repairs.${i}.passes.${id}.sheetId`,
          sheetId,
          'a sheet in the file',
          REFUSED['repair-names-sheet']({ n: i + 1 }),
        );
  });
  file.events.forEach((e, i) => {
    if (e.jobId !== file.job.id)
      refuse(`events.${i}.jobId`, e.jobId, file.job.id, REFUSED['event-belongs-another']({ n: i + 1 }));
    if (!repairIds.has(e.repairId))
      refuse(`events.${i}.repairId`, e.repairId, 'a repair in the file', REFUSED['event-names-repair']({ n: i + 1 }));
  });
}

/** Writes a job file, checked on the way out. @throws when a record does not fit its schema */
export function writeJobFile(file: JobFile): string {
  return `${JSON.stringify(JobFile.parse(file), null, 1)}\n`;
}
