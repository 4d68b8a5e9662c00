import { type Remote, wrap } from 'comlink';
import type { Lines } from '@/store/second-copy';
import type { CopyApi } from './copy.worker';

/** Files above this, together, are begun anew, bytes. */
const LARGE = 8_000_000;
/** More files of tabs than this are begun anew. */
const MANY = 12;

interface Held {
  readonly worker: Worker;
  readonly api: Remote<CopyApi>;
  readonly name: string;
}

/**
 * Files of the origin's own, which the browser keeps apart from its databases. Undefined where it has none, or no locks
 * to tell which tab lives.
 */
export function privateLines(folder: string, tab: string): Lines | undefined {
  const { storage, locks } = navigator;
  if (!storage?.getDirectory || !locks) return undefined;
  const lockOf = (name: string) => `${folder}/${name}`;
  const open = async () => (await storage.getDirectory()).getDirectoryHandle(folder, { create: true });
  const files = async () => {
    const found: { readonly name: string; readonly handle: FileSystemFileHandle }[] = [];
    const dir = await open();
    // The types of this library know no iteration over a folder.
    for await (const [name, handle] of dir as unknown as AsyncIterable<[string, FileSystemHandle]>)
      if (handle.kind === 'file') found.push({ name, handle: handle as FileSystemFileHandle });
    return found;
  };
  let turns = 0;
  /** A file of this tab: its lock says that the tab lives. */
  const take = async (): Promise<Held> => {
    const name = `${tab}-${turns++}.jsonl`;
    await new Promise<void>((resolve) => {
      void locks.request(lockOf(name), () => {
        resolve();
        // Held until the page goes.
        return new Promise<void>(() => undefined);
      });
    });
    const worker = new Worker(new URL('./copy.worker.ts', import.meta.url), { type: 'module' });
    const api = wrap<CopyApi>(worker);
    await api.open(folder, name);
    return { worker, api, name };
  };
  let held: Promise<Held> | null = null;
  const mine = () => {
    held ??= take().catch((error) => {
      held = null;
      throw error;
    });
    return held;
  };
  const write = async (to: Held, lines: readonly string[]) => {
    if (lines.length) await to.api.append(`${lines.join('\n')}\n`);
  };

  return {
    async due() {
      const found = await files();
      let bytes = 0;
      for (const { handle } of found) bytes += (await handle.getFile()).size;
      return bytes === 0 || bytes > LARGE || found.length > MANY;
    },
    async read() {
      const texts = await Promise.all((await files()).map(async ({ handle }) => (await handle.getFile()).text()));
      return texts.flatMap((text) => text.split('\n')).filter(Boolean);
    },
    append: async (lines) => write(await mine(), lines),
    async begin(lines) {
      const before = held;
      held = take();
      const fresh = await mine();
      await write(fresh, lines);
      // Only when all stands in the new file are the old ones dropped: this tab's own, and those of tabs that are gone.
      if (before) {
        const old = await before;
        await old.api.close();
        old.worker.terminate();
      }
      const living = new Set(((await locks.query()).held ?? []).map((l) => l.name));
      const dir = await open();
      const ownBefore = before ? (await before).name : null;
      for (const { name } of await files())
        if (name !== fresh.name && (name === ownBefore || !living.has(lockOf(name))))
          await dir.removeEntry(name).catch(() => undefined);
    },
  };
}
