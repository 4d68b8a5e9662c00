import { JOB_FILE_VERSION, type JobFile, readJobFile, readSheetFile, writeJobFile, writeSheetFile } from '@/core/file';
import { piecesOf } from '@/core/plan';
import { CORE_VERSION, type Conflict } from '@/core/record';
import { refuse, texts } from '@/core/say';
import type { SheetRevision } from '@/core/system';
import type { AnyRecord } from './records';
import { bundleOf } from './state';
import type { Workspace } from './workspace';
import type { Outcome, Write } from './write';

const REFUSED = texts('refused.store.exchange', {
  'job-not-browser': 'This job is not in this browser.',
  'number-file-carries':
    'Number {n} of {name} in the file carries an id that belongs to another job here. Nothing was changed.',
});

/** What a file brought, counted as it became true on disk. */
export interface Taken {
  readonly jobId: string | null;
  /** Events that were not here. */
  readonly newEvents: number;
  /** Other records that were not here. */
  readonly added: number;
  /** Records that were here already, word for word. */
  readonly same: number;
  /** Records of one id and other content: both kept, to be settled. */
  readonly conflicts: number;
  /** Whether the job was here before. */
  readonly merged: boolean;
}

/** One job with everything that belongs to it. */
export function jobFileOf({ state, clock }: Workspace, jobId: string): JobFile {
  const now = state.getState();
  const bundle = bundleOf(now, jobId);
  if (!bundle) return refuse('job', jobId, 'a job that is here', REFUSED['job-not-browser']());
  const used = new Set(bundle.repairs.flatMap(piecesOf).map((p) => p.sheetId));
  const sheets = bundle.sheets.filter((s) => used.has(s.id));
  const systems = new Set(sheets.map((s) => s.systemId));
  return {
    format: 'grenko-job',
    version: JOB_FILE_VERSION,
    exportedAt: new Date(clock.now()).toISOString(),
    coreVersion: CORE_VERSION,
    job: bundle.job,
    repairs: [...bundle.repairs],
    sheets,
    stock: bundle.stock.filter((s) => systems.has(s.systemId)),
    snapshots: [...now.snapshots.values()].filter((s) => s.jobId === jobId),
    events: [...bundle.events],
    series: [],
    attachments: [...now.attachments.values()].filter((a) => a.jobId === jobId),
  };
}

/** The job as a file. */
export const exportJob = (workspace: Workspace, jobId: string): string => writeJobFile(jobFileOf(workspace, jobId));

/** A record that is here under another job cannot be the one in the file. @throws Refusal naming the place */
function checkOwners({ state }: Workspace, file: JobFile): void {
  const now = state.getState();
  const events = new Map(now.events.map((e) => [e.id, e]));
  const lists = [
    ['repairs', file.repairs, now.repairs],
    ['events', file.events, events],
    ['snapshots', file.snapshots, now.snapshots],
    ['attachments', file.attachments, now.attachments],
  ] as const;
  for (const [name, records, held] of lists)
    records.forEach((r, i) => {
      const here = held.get(r.id);
      if (here && here.jobId !== file.job.id)
        refuse(
          `${name}.${i}.id`,
          r.id,
          'an id that no other job uses',
          REFUSED['number-file-carries']({ n: i + 1, name }),
        );
    });
}

const count = (outcomes: readonly Outcome[], is: Outcome['is'], event?: boolean): number =>
  outcomes.filter(
    (o) => o.is === is && (event === undefined || ('record' in o && (o.record?.record === 'event') === event)),
  ).length;

/**
 * Takes a job file in, as one write. What is here stays as it is: records of one id and other content are kept beside
 * it as conflicts.
 * @throws Refusal naming the place in a damaged or foreign file
 */
export async function importJob(workspace: Workspace, text: string): Promise<Taken> {
  const file = readJobFile(text);
  checkOwners(workspace, file);
  const merged = workspace.state.getState().jobs.has(file.job.id);
  const records: readonly AnyRecord[] = [
    file.job,
    ...file.repairs,
    ...file.sheets,
    ...file.stock,
    ...file.snapshots,
    ...file.attachments,
    ...file.series,
    ...file.events,
  ];
  const outcomes = await workspace.write(records.map((record): Write => ({ does: 'add', record, from: 'file' })));
  return {
    jobId: file.job.id,
    newEvents: count(outcomes, 'written', true),
    added: count(outcomes, 'written', false),
    same: count(outcomes, 'here'),
    conflicts: count(outcomes, 'conflict'),
    merged,
  };
}

/** Sheets (newest revisions, or one) with their lots as a file. */
export function exportSheets({ state, clock }: Workspace, sheets: readonly SheetRevision[]): string {
  const systems = new Set(sheets.map((s) => s.systemId));
  return writeSheetFile({
    format: 'grenko-sheets',
    version: 1,
    exportedAt: new Date(clock.now()).toISOString(),
    sheets: [...sheets],
    stock: [...state.getState().stock.values()].filter((s) => systems.has(s.systemId)),
  });
}

/**
 * Takes sheets in; what stands here already stays as it is. @throws Refusal naming the place in a damaged or foreign
 * file
 */
export async function importSheets(
  workspace: Workspace,
  text: string,
): Promise<{
  readonly fresh: readonly SheetRevision[];
  readonly known: number;
  readonly conflicts: readonly Conflict[];
}> {
  const file = readSheetFile(text);
  const outcomes = await workspace.write(
    [...file.sheets, ...file.stock].map((record): Write => ({ does: 'add', record, from: 'file' })),
  );
  const ofSheets = outcomes.slice(0, file.sheets.length);
  return {
    fresh: ofSheets.flatMap((o) => (o.is === 'written' && o.record.record === 'sheet' ? [o.record] : [])),
    known: count(ofSheets, 'here'),
    conflicts: outcomes.flatMap((o) => (o.is === 'conflict' ? o.conflicts : [])),
  };
}
