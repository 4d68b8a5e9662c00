import './no-eval';
import { expose } from 'comlink';

/** What a worker may do with a file of the origin's own; the libraries of the page do not know it. */
interface SyncHandle {
  getSize(): number;
  write(bytes: Uint8Array, options: { at: number }): number;
  flush(): void;
  close(): void;
}

let handle: SyncHandle | null = null;
let end = 0;

const api = {
  /** Opens a file of a folder for appending, for as long as this worker lives. */
  async open(folder: string, name: string): Promise<void> {
    const root = await navigator.storage.getDirectory();
    const file = await (await root.getDirectoryHandle(folder, { create: true })).getFileHandle(name, { create: true });
    handle = await (file as unknown as { createSyncAccessHandle(): Promise<SyncHandle> }).createSyncAccessHandle();
    end = handle.getSize();
  },
  /** Appends and flushes. @throws when it was not all written */
  append(text: string): void {
    if (!handle) throw new Error('no file is open');
    const bytes = new TextEncoder().encode(text);
    const wrote = handle.write(bytes, { at: end });
    if (wrote !== bytes.length) throw new Error(`only ${wrote} of ${bytes.length} bytes were written`);
    handle.flush();
    end += bytes.length;
  },
  close(): void {
    handle?.close();
    handle = null;
  },
};
export type CopyApi = typeof api;

expose(api);
