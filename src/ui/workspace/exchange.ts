'use client';
import { piecesOf } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import type { methodsData } from '@/sample/jobs';
import type { Taken } from '@/store/exchange';
import type { Key } from '@/store/store';
import type { Write } from '@/store/write';
import { clock, stateNow, workspace } from './workspace';

/** What reads and writes files comes when one is taken in or given out. */
const files = () => import('@/store/exchange');
/** Fetches that beforehand where somebody is likely to give one out: the server may be gone by then. */
export const readyForFiles = (): void => void files().catch(() => undefined);
export const exportJob = async (jobId: string): Promise<string> => (await files()).exportJob(workspace, jobId);
export const importJob = async (text: string): Promise<Taken> => (await files()).importJob(workspace, text);
export const exportSheets = async (sheets: readonly SheetRevision[]): Promise<string> =>
  (await files()).exportSheets(workspace, sheets);
export const importSheets = async (text: string) => (await files()).importSheets(workspace, text);

/** The sample is a large part of the product that most days nobody asks for. */
const sample = () => import('@/sample/jobs');

/** Loads the sample as of now; what is there of it already is replaced. */
export async function loadSample(): Promise<void> {
  const { sampleRecords } = await sample();
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
  await removeSample();
  await workspace.write(sampleRecords(clock.now(), zone).map((record): Write => ({ does: 'add', record })));
}

/** Adds the two jobs of the sample that have a repair of every other method. */
export const loadMethodsSample = async (): Promise<void> => addSample((await sample()).methodsData);
/** Adds the two jobs of the sample that were worked to their release, with their whole record. */
export const loadFinishedSample = async (): Promise<void> => addSample((await sample()).finishedData);

async function addSample(of: typeof methodsData): Promise<void> {
  const { sampleRecords } = await sample();
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
  const { jobs, sheets } = stateNow();
  const here = (record: { record: string; id: string }) =>
    (record.record === 'sheet' && sheets.has(record.id)) || (record.record === 'job' && jobs.has(record.id));
  const records = sampleRecords(clock.now(), zone, of).filter((r) => !here(r));
  await workspace.write(records.map((record): Write => ({ does: 'add', record })));
}

/** Removes the sample and nothing else. A sample sheet that an own repair uses stays. */
export async function removeSample(): Promise<void> {
  const { jobs, repairs, sheets, stock } = stateNow();
  const ids = [...jobs.values()].filter((j) => j.sample).map((j) => j.id);
  const needed = new Set(
    [...repairs.values()]
      .filter((r) => !ids.includes(r.jobId))
      .flatMap(piecesOf)
      .map((p) => p.sheetId),
  );
  const unused = [...sheets.values()].filter((s) => s.sample && !needed.has(s.id));
  const systems = new Set(unused.map((s) => s.systemId));
  const gone: readonly Key[] = [
    ...ids.flatMap((id) => workspace.keysOfJob(id)),
    ...unused.map((s): Key => ({ kind: 'sheet', id: s.id })),
    ...[...stock.values()]
      .filter((s) => s.sample && systems.has(s.systemId))
      .map((s): Key => ({ kind: 'stock', id: s.id })),
  ];
  await workspace.removeForGood(gone);
}
