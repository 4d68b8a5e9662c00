'use client';
import { JOB_FILE_VERSION, type JobFile, readJobFile, writeJobFile } from '@/core/file';
import type { Job, Repair } from '@/core/plan';
import { CORE_VERSION, mergeEvents, stableJson } from '@/core/record';
import { sampleData } from '@/sample/jobs';
import type { AnyRecord, RecordKind } from '@/store/records';
import { bundleOf, byId, type Conflict, changeJob, changeRepair, keep, reload, remember, useDesk } from './desk';

/** The job as a file. */
export function exportJob(jobId: string): string {
  const desk = useDesk.getState();
  const bundle = bundleOf(desk, jobId)!;
  const used = new Set(bundle.repairs.map((r) => r.sheetId));
  const sheets = bundle.sheets.filter((s) => used.has(s.id));
  const systems = new Set(sheets.map((s) => s.systemId));
  const file: JobFile = {
    format: 'grenko-job',
    version: JOB_FILE_VERSION,
    exportedAt: new Date().toISOString(),
    coreVersion: CORE_VERSION,
    job: bundle.job,
    repairs: [...bundle.repairs],
    sheets,
    stock: bundle.stock.filter((s) => systems.has(s.systemId)),
    snapshots: Object.values(desk.snapshots).filter((s) => s.jobId === jobId),
    events: [...bundle.events],
    series: [],
    attachments: Object.values(desk.attachments).filter((a) => a.jobId === jobId),
  };
  const text = writeJobFile(file);
  try {
    localStorage.setItem('grenko.lastBackup', String(Date.now()));
  } catch {
    // Without local storage the date of the last backup is not kept.
  }
  return text;
}

/**
 * Takes a job file in. A job that is here already is merged: events by union; drafts that differ are kept as they are here
 * and shown side by side.
 * @throws Refusal naming the place in a damaged or foreign file
 */
export async function importJob(text: string): Promise<{ jobId: string; newEvents: number; merged: boolean; conflicts: number }> {
  const file = readJobFile(text);
  const desk = useDesk.getState();
  const merged = file.job.id in desk.jobs;
  const differs = <T extends Job | Repair>(mine: T | undefined, theirs: T): boolean =>
    mine !== undefined && stableJson({ ...mine, updatedAt: 0 }) !== stableJson({ ...theirs, updatedAt: 0 });
  const conflicts: Conflict[] = [];
  const takeDraft = <T extends Job | Repair>(mine: T | undefined, theirs: T): T => {
    if (differs(mine, theirs)) conflicts.push({ mine: mine!, theirs });
    return mine ?? theirs;
  };
  const job = takeDraft(desk.jobs[file.job.id], file.job);
  const repairs = file.repairs.map((r) => takeDraft(desk.repairs[r.id], r));
  const sheets = file.sheets.filter((s) => !desk.sheets[s.id]);
  const stock = file.stock.filter((s) => !desk.stock[s.id]);
  const snapshots = file.snapshots.filter((s) => !desk.snapshots[s.id]);
  const attachments = file.attachments.filter((a) => !desk.attachments[a.id]);
  const events = mergeEvents(desk.events, file.events);
  useDesk.setState({
    ...remember('import'),
    jobs: { ...desk.jobs, [job.id]: job },
    repairs: { ...desk.repairs, ...byId(repairs) },
    sheets: { ...desk.sheets, ...byId(sheets) },
    stock: { ...desk.stock, ...byId(stock) },
    snapshots: { ...desk.snapshots, ...byId(snapshots) },
    attachments: { ...desk.attachments, ...byId(attachments) },
    events,
    conflicts: [...desk.conflicts, ...conflicts],
  });
  await keep([job, ...repairs, ...sheets, ...stock, ...snapshots, ...attachments, ...file.events]);
  return { jobId: job.id, newEvents: events.length - desk.events.length, merged, conflicts: conflicts.length };
}

/** Settles a conflict by keeping one of the two drafts. */
export function settle(conflict: Conflict, keep: 'mine' | 'theirs'): void {
  useDesk.setState({ conflicts: useDesk.getState().conflicts.filter((c) => c !== conflict) });
  if (keep === 'mine') return;
  const { theirs } = conflict;
  if (theirs.record === 'job') changeJob(theirs.id, () => theirs);
  else changeRepair(theirs.id, () => theirs);
}

/** Loads the sample as of now; what is there of it already is replaced. */
export async function loadSample(): Promise<void> {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
  await removeSample();
  const { bundles } = sampleData(Date.now(), zone);
  const records: AnyRecord[] = bundles.flatMap((b) => [b.job, ...b.repairs, ...b.sheets, ...b.stock, ...b.events, ...b.snapshots]);
  await keep(records);
  await reload();
}

/** Removes the sample and nothing else. A sample sheet that an own repair uses stays. */
export async function removeSample(): Promise<void> {
  const desk = useDesk.getState();
  const jobs = Object.values(desk.jobs).filter((j) => j.sample);
  const ids = new Set(jobs.map((j) => j.id));
  const own = Object.values(desk.repairs).filter((r) => !ids.has(r.jobId));
  const needed = new Set(own.map((r) => r.sheetId));
  const sheets = Object.values(desk.sheets).filter((s) => s.sample && !needed.has(s.id));
  const systems = new Set(sheets.map((s) => s.systemId));
  const gone: { kind: RecordKind; id: string }[] = [
    ...jobs.map((j) => ({ kind: 'job' as const, id: j.id })),
    ...Object.values(desk.repairs)
      .filter((r) => ids.has(r.jobId))
      .map((r) => ({ kind: 'repair' as const, id: r.id })),
    ...desk.events.filter((e) => ids.has(e.jobId)).map((e) => ({ kind: 'event' as const, id: e.id })),
    ...Object.values(desk.snapshots)
      .filter((s) => ids.has(s.jobId))
      .map((s) => ({ kind: 'snapshot' as const, id: s.id })),
    ...Object.values(desk.attachments)
      .filter((a) => ids.has(a.jobId))
      .map((a) => ({ kind: 'attachment' as const, id: a.id })),
    ...sheets.map((s) => ({ kind: 'sheet' as const, id: s.id })),
    ...Object.values(desk.stock)
      .filter((s) => s.sample && systems.has(s.systemId))
      .map((s) => ({ kind: 'stock' as const, id: s.id })),
  ];
  if (!gone.length) return;
  await keep([], gone);
  await reload();
  useDesk.setState({ past: [], future: [] });
}
