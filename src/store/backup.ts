import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { z } from 'zod';
import { stableJson } from '@/core/record';
import { refuse, type Said, texts, whyOf } from '@/core/say';
import { exportJob, exportSheets, importJob, importSheets, type Taken } from './exchange';
import type { Workspace } from './workspace';

const REFUSED = texts('refused.store.backup', {
  'backup-damaged-not': 'The backup is damaged: it is not a whole zip file.',
  'backup-would-unpack': 'The backup would unpack to more than {mOST} MB.',
  'backup-version-grenko': 'The backup is of version {version}, this Grenko reads up to 1. Nothing was changed.',
  'zip-no-backup': 'This zip is no backup of Grenko: it does not begin with its “backup.json”.',
});

/** What stands at the head of a backup. */
const Head = z.object({
  format: z.literal('grenko-backup'),
  version: z.literal(1),
  madeAt: z.string(),
  jobs: z.number(),
  sheets: z.number(),
});

/** Nothing unpacked may be larger, bytes: a small archive can hold a large nothing. */
const MOST = 600_000_000;

/**
 * The whole database with its photos as one zip: a job file for every job, one file of all sheets and lots, and what
 * was set aside as it stands. Each can be taken in by itself.
 */
export function backup(workspace: Workspace): Uint8Array {
  const { jobs, sheets, setAside } = workspace.state.getState();
  const head: z.infer<typeof Head> = {
    format: 'grenko-backup',
    version: 1,
    madeAt: new Date(workspace.clock.now()).toISOString(),
    jobs: jobs.size,
    sheets: sheets.size,
  };
  const files: Record<string, Uint8Array> = { 'backup.json': strToU8(stableJson(head)) };
  for (const id of jobs.keys()) files[`jobs/${id}.grenko.json`] = strToU8(exportJob(workspace, id));
  if (sheets.size) files['sheets.grenko.json'] = strToU8(exportSheets(workspace, [...sheets.values()]));
  if (setAside.length) files['set-aside.json'] = strToU8(JSON.stringify(setAside));
  return zipSync(files, { level: 6 });
}

/** What came back from a backup, and what could not, with its reason. */
export interface Restored extends Omit<Taken, 'jobId' | 'merged'> {
  readonly jobs: number;
  readonly failed: readonly { readonly file: string; readonly why: Said }[];
}

/**
 * Takes a backup in by the rules of job files: nothing here is overwritten. @throws Refusal when it is no backup of
 * ours
 */
export async function restore(workspace: Workspace, bytes: Uint8Array): Promise<Restored> {
  const files = unpack(bytes);
  let sum: Restored = { jobs: 0, newEvents: 0, added: 0, same: 0, conflicts: 0, failed: [] };
  for (const [file, content] of Object.entries(files)) {
    if (!file.endsWith('.grenko.json')) continue;
    try {
      const text = strFromU8(content);
      if (file.startsWith('jobs/')) {
        const { newEvents, added, same, conflicts } = await importJob(workspace, text);
        sum = {
          ...sum,
          jobs: sum.jobs + 1,
          newEvents: sum.newEvents + newEvents,
          added: sum.added + added,
          same: sum.same + same,
          conflicts: sum.conflicts + conflicts,
        };
      } else {
        const { fresh, known, conflicts } = await importSheets(workspace, text);
        sum = {
          ...sum,
          added: sum.added + fresh.length,
          same: sum.same + known,
          conflicts: sum.conflicts + conflicts.length,
        };
      }
    } catch (error) {
      sum = { ...sum, failed: [...sum.failed, { file, why: whyOf(error) }] };
    }
  }
  return sum;
}

function unpack(bytes: Uint8Array): Record<string, Uint8Array> {
  let size = 0;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, {
      filter: ({ originalSize }) => {
        size += originalSize;
        return size <= MOST;
      },
    });
  } catch {
    return refuse('backup', bytes.length, 'a whole zip file', REFUSED['backup-damaged-not']());
  }
  if (size > MOST)
    refuse('backup', size, `up to ${MOST / 1e6} MB unpacked`, REFUSED['backup-would-unpack']({ mOST: MOST / 1e6 }));
  let head: unknown = null;
  try {
    head = JSON.parse(strFromU8(files['backup.json'] ?? new Uint8Array()));
  } catch {
    // Said below: it has no head.
  }
  const parsed = Head.safeParse(head);
  if (parsed.success) return files;
  const version = (head as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > 1)
    return refuse('version', version, 'up to 1', REFUSED['backup-version-grenko']({ version }));
  return refuse('backup', null, 'a backup made here', REFUSED['zip-no-backup']());
}
