import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import type { PlanAsk, PlanReply } from './plan-thread';

/** Plans that may wait for a thread, and bytes that may wait with them. */
export const QUEUE = { length: 250, bytes: 300_000_000 } as const;
/** Longest that one plan may take, ms. */
export const TIME_LIMIT_MS = 20_000;

export type Answer =
  | { readonly is: 'done'; readonly reply: PlanReply }
  /** No thread in sight: to be asked again later. */
  | { readonly is: 'full' }
  | { readonly is: 'too-long' };

let pool: Piscina | undefined;
let waitingBytes = 0;

/** Threads that plan; one processor is left to those who answer. */
function thePool(): Piscina {
  pool ??= new Piscina({
    filename: join(process.cwd(), process.env.GRENKO_DIST ?? '.next', 'grenko/plan-thread.mjs'),
    minThreads: 0,
    maxThreads: Math.max(1, availableParallelism() - 1),
    maxQueue: QUEUE.length,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: 1024 },
  });
  return pool;
}

/** Plans in a thread of its own. Past the time limit the thread is ended, and with it whatever held it. */
export async function planInThread({ bytes, nowMs }: PlanAsk): Promise<Answer> {
  const size = bytes.byteLength;
  const threads = thePool();
  if (threads.queueSize >= QUEUE.length || waitingBytes + size > QUEUE.bytes) return { is: 'full' };
  waitingBytes += size;
  const stop = new AbortController();
  try {
    const started = threads.run({ bytes, nowMs } satisfies PlanAsk, { signal: stop.signal, transferList: [bytes] });
    // The time it waited for its turn is not its own: it is given the limit for every plan before it as well.
    const turns = Math.ceil((threads.queueSize + 1) / threads.options.maxThreads);
    const timer = setTimeout(() => stop.abort(), TIME_LIMIT_MS * Math.max(1, turns));
    try {
      return { is: 'done', reply: (await started) as PlanReply };
    } finally {
      clearTimeout(timer);
    }
  } catch (error) {
    if (stop.signal.aborted) return { is: 'too-long' };
    if (error instanceof Error && /queue/i.test(error.message)) return { is: 'full' };
    throw error;
  } finally {
    waitingBytes -= size;
  }
}
