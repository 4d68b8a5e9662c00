import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { Worker } from 'node:worker_threads';
import { build } from 'esbuild';
import type { Verdict } from './fuzz-thread';

export interface Fuzzed {
  readonly refused: number;
  readonly planned: number;
  readonly faults: readonly { readonly n: number; readonly why: string }[];
  readonly slowestMs: number;
}

/** Longest that one file may take, ms. */
export const HANG_MS = 2000;

/**
 * Files `from` to `to` through core, plan, report and calendar, each under a watchdog.
 * @param told called now and then
 * @param hangMs what counts as a hang, when it comes three times
 */
export async function fuzz(
  from: number,
  to: number,
  told: (done: number, fault?: { readonly n: number; readonly why: string }) => void = () => undefined,
  hangMs = HANG_MS,
): Promise<Fuzzed> {
  const folder = resolve('node_modules/.cache/grenko');
  mkdirSync(folder, { recursive: true });
  const outfile = join(folder, `fuzz-thread-${process.pid}.mjs`);
  await build({
    entryPoints: ['torture/fuzz-thread.ts'],
    bundle: true,
    mainFields: ['module', 'main'],
    platform: 'node',
    format: 'esm',
    outfile,
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
    logLevel: 'warning',
  });
  let [refused, planned, slowestMs] = [0, 0, 0];
  const faults: { n: number; why: string }[] = [];
  let thread = new Worker(outfile);
  /** One file in the thread, and how long it took; a thread that hangs or dies is replaced. */
  const one = async (n: number): Promise<{ verdict: Verdict | 'hang'; ms: number }> => {
    const since = performance.now();
    const verdict = await new Promise<Verdict | 'hang'>((resolve) => {
      // A thread that has just begun reads its seeds first.
      const timer = setTimeout(() => resolve('hang'), hangMs + 3000);
      const told = (v: Verdict) => {
        clearTimeout(timer);
        thread.off('message', told);
        thread.off('error', died);
        resolve(v);
      };
      const died = (error: unknown) => told({ n, is: 'fault', why: `the thread died: ${error}` });
      thread.on('message', told);
      thread.on('error', died);
      thread.postMessage(n);
    });
    if (verdict === 'hang' || (verdict.is === 'fault' && verdict.why.startsWith('the thread'))) {
      await thread.terminate();
      thread = new Worker(outfile);
    }
    return { verdict, ms: performance.now() - since };
  };
  for (let n = from; n < to; n++) {
    let { verdict, ms } = await one(n);
    // On a machine that does other things besides, a file may wait for its processor: what is slow is slow again.
    if (verdict === 'hang' || ms > hangMs) ({ verdict, ms } = await one(n));
    if (verdict === 'hang' || ms > hangMs) ({ verdict, ms } = await one(n));
    slowestMs = Math.max(slowestMs, ms);
    const before = faults.length;
    if (verdict === 'hang' || ms > hangMs) faults.push({ n, why: `longer than ${Math.round(ms)} ms, three times` });
    if (verdict !== 'hang' && verdict.is === 'fault') faults.push({ n, why: verdict.why });
    else if (verdict !== 'hang' && verdict.is === 'refused') refused++;
    else if (verdict !== 'hang') planned++;
    if (faults.length > before) told(n - from + 1, faults.at(-1));
    if ((n - from) % 500 === 499) told(n - from + 1);
  }
  await thread.terminate();
  return { refused, planned, faults, slowestMs };
}
