'use client';
import { useEffect, useState } from 'react';
import type { Restored } from '@/store/backup';
import { errorInWords, joined, phrase, plainWords } from '@/words';
import { FilePick } from '../shared/FilePick';
import { SavingButton } from '../shared/SavingButton';
import { fullWhen, hereZone } from '../shared/when';
import { saveBytes } from '../workspace/files';
import { clock, useWorkspace, workspace } from '../workspace/workspace';

/** What the browser needs to keep a folder: not every one can. */
interface Folder {
  readonly name: string;
  queryPermission(of: { mode: 'readwrite' }): Promise<PermissionState>;
  requestPermission(of: { mode: 'readwrite' }): Promise<PermissionState>;
  getFileHandle(
    name: string,
    of: { create: true },
  ): Promise<{ createWritable(): Promise<{ write(b: BlobPart): Promise<void>; close(): Promise<void> }> }>;
}
const canPick = (): boolean => typeof window !== 'undefined' && 'showDirectoryPicker' in window;
const isFolder = (x: unknown): x is Folder => typeof x === 'object' && x !== null && 'getFileHandle' in x;

/** What packs and unpacks comes when a backup is made or taken in. */
const packer = () => import('@/store/backup');

const nameNow = (): string => `grenko-${new Date(clock.now()).toISOString().slice(0, 16).replace(/[:T]/g, '-')}.zip`;

/**
 * Writes a backup: to the folder that was chosen, where it may still be written to, else as a download. @returns where
 * it went
 */
export async function backUp(): Promise<string> {
  const bytes = (await packer()).backup(workspace);
  const store = await workspace.theStore();
  const folder = await store.note('folder');
  let where = 'the downloads';
  if (isFolder(folder) && (await folder.requestPermission({ mode: 'readwrite' }).catch(() => 'denied')) === 'granted') {
    const file = await (await folder.getFileHandle(nameNow(), { create: true })).createWritable();
    await file.write(bytes as BlobPart);
    await file.close();
    where = phrase`the folder “${folder.name}”`;
  } else saveBytes(nameNow(), bytes, 'application/zip');
  await store.setNote('lastBackupMs', Math.round(clock.now()));
  return where;
}

const told = (r: Restored): string =>
  phrase`${r.jobs} job${r.jobs === 1 ? '' : 's'} read: ${r.newEvents} entries and ${r.added} other records added, ${r.same} the same${r.conflicts ? phrase`, ${r.conflicts} differ: see above` : ''}${
    r.failed.length
      ? phrase`. Not taken in: ${joined(
          r.failed.map((f) => phrase`${f.file} (${plainWords(f.why)})`),
          '; ',
        )}`
      : '.'
  }`;

/** The whole database as one file, out and back, and when it was last done. */
export function Backup() {
  const jobs = useWorkspace((d) => d.jobs.size);
  const [last, setLast] = useState<number | null>(null);
  const [folder, setFolder] = useState<string | null>(null);
  const [said, setSaid] = useState<{ text: string; bad: boolean } | null>(null);
  const look = async () => {
    const store = await workspace.theStore();
    setLast(await store.note('lastBackupMs'));
    const kept = await store.note('folder');
    setFolder(isFolder(kept) ? kept.name : null);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at once, when the view opens
  useEffect(() => {
    void look().catch(() => undefined);
  }, []);
  const take = async (file: File) => {
    try {
      const { restore } = await packer();
      setSaid({ bad: false, text: told(await restore(workspace, new Uint8Array(await file.arrayBuffer()))) });
    } catch (error) {
      setSaid({
        bad: true,
        text: phrase`${file.name} was not taken in. ${errorInWords(error)}`,
      });
    }
  };
  const choose = async () => {
    const picked = await (window as unknown as { showDirectoryPicker(of: object): Promise<Folder> })
      .showDirectoryPicker({ mode: 'readwrite' })
      .catch(() => null);
    if (!picked) return;
    await (await workspace.theStore()).setNote('folder', picked);
    await look();
  };
  return (
    <div>
      <p data-testid="last-backup">
        {last ? phrase`Last backup ${fullWhen(last, hereZone())}.` : 'No backup has been made from here yet.'}{' '}
        {folder ? phrase`Backups go to the folder “${folder}”.` : ''}
      </p>
      <div className="flex gap-2 flex-wrap mt-1">
        <SavingButton
          className="btn btn-neutral"
          disabled={jobs === 0}
          onSave={async () => {
            setSaid({ bad: false, text: phrase`Everything is in one file, in ${await backUp()}.` });
            await look();
          }}
        >
          Back up everything
        </SavingButton>
        <FilePick name="Backup file" accept=".zip,application/zip" onFile={(file) => void take(file)}>
          Take a backup in
        </FilePick>
        {canPick() && (
          <button type="button" className="btn" onClick={() => void choose()}>
            {folder ? 'Another folder' : 'Choose a folder for backups'}
          </button>
        )}
      </div>
      {said && (
        <p
          role={said.bad ? 'alert' : 'status'}
          className="mt-2"
          style={said.bad ? { color: 'var(--stop)' } : undefined}
        >
          {said.text}
        </p>
      )}
    </div>
  );
}

/** After a release: the record is worth a copy that does not lie on this device alone. */
export function AskForBackup({ sinceMs }: { sinceMs: number }) {
  const [last, setLast] = useState<number | null | undefined>(undefined);
  const [went, setWent] = useState<string | null>(null);
  useEffect(() => {
    void workspace
      .theStore()
      .then((store) => store.note('lastBackupMs'))
      .then(setLast)
      .catch(() => undefined);
  }, []);
  if (went) return <p role="status">{phrase`Everything is in one file, in ${went}.`}</p>;
  if (last === undefined || (last !== null && last >= sinceMs)) return null;
  return (
    <div className="mt-2 p-2.5" style={{ border: '1px dashed var(--rule)' }}>
      <p>{phrase`It is released, and its record lies in this browser only. ${
        last === null
          ? 'No backup has been made from here yet.'
          : phrase`The last backup is of ${fullWhen(last, hereZone())}.`
      }`}</p>
      <SavingButton className="btn mt-1" onSave={async () => setWent(await backUp())}>
        Back up everything now
      </SavingButton>
    </div>
  );
}
