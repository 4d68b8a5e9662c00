import './no-eval';
import { expose } from 'comlink';
import { type Message, Refusal } from '@/core/say';
import { extentOf, measureScan, type ScanAsk } from '@/core/scan';
import type { Scanned } from '@/core/void';
import { loadScan, MAX_BYTES } from './load-scan';
import { SCAN_FILE } from './scan-words';

export type ScanReply<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly sentence: Message };

let kept: { readonly name: string; readonly cloud: ReturnType<typeof loadScan> } | undefined;

/** A refusal crosses the border of the worker as its sentence; anything else is a fault of ours and is thrown on. */
async function answered<T>(run: () => Promise<T> | T): Promise<ScanReply<T>> {
  try {
    return { ok: true, value: await run() };
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, sentence: error.problem.sentence };
    if (error instanceof RangeError)
      return {
        ok: false,
        sentence: SCAN_FILE['no-memory'](),
      };
    throw error;
  }
}

const api = {
  /**
   * Reads a file and keeps it; asks nothing of the main thread. @returns how many points or triangles, and their extent
   * in the file's units
   */
  load: (file: File, progress: (share: number, doing: string) => void) =>
    answered(async () => {
      progress(0.02, 'reading the file');
      const bytes = file.size > MAX_BYTES ? new ArrayBuffer(0) : await file.arrayBuffer();
      progress(0.4, 'understanding it');
      const cloud =
        file.size > MAX_BYTES
          ? loadScan(file.name, { byteLength: file.size } as ArrayBuffer)
          : loadScan(file.name, bytes);
      kept = { name: file.name, cloud };
      const extent = extentOf(cloud);
      progress(1, 'read');
      const points = cloud.held ?? Math.floor(cloud.xyz.length / 3);
      return { points, triangles: cloud.triangles && Math.floor(points / 3), extent };
    }),
  /** Measures the void in the scan that was loaded last. */
  measure: (ask: Omit<ScanAsk, 'progress'> & { unit: string }, progress: (share: number, doing: string) => void) =>
    answered((): Scanned => {
      if (!kept) throw new Error('no scan is loaded');
      const { unit, ...rest } = ask;
      const found = measureScan(kept.cloud, { ...rest, progress: (share, doing) => progress(share, doing) });
      return { ...found, source: { ...found.source, name: kept.name, unit } };
    }),
};
export type ScanApi = typeof api;

expose(api);
