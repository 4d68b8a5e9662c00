import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import pLimit from 'p-limit';
import { Piscina } from 'piscina';
import type { PlanAsk, PlanReply } from './plan-thread';

/** Plans that may wait for a thread, and bytes that may wait with them. */
export const QUEUE = { length: 250, bytes: 300_000_000 } as const;
/** Longest that one plan may take, ms. A machine with much else to do may give it more. */
export const TIME_LIMIT_MS = (Number(process.env.GRENKO_PLAN_LIMIT_S) || 20) * 1000;

export type Answer =
  | { readonly is: 'done'; readonly reply: PlanReply }
  /** No thread in sight: to be asked again later. */
  | { readonly is: 'full' }
  | { readonly is: 'too-long' };

let pool: Piscina | undefined;
let waitingBytes = 0;

/** One processor is left to those who answer. */
const THREADS = Math.max(1, availableParallelism() - 1);
/** A plan is handed to a thread when one is free, so that the time it waits for its turn is not counted as its own. */
const turn = pLimit(THREADS);

function thePool(): Piscina {
  pool ??= new Piscina({
    filename: join(process.cwd(), process.env.GRENKO_DIST ?? '.next', 'grenko/plan-thread.mjs'),
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: 1024 },
  });
  return pool;
}

/** Plans in a thread of its own. Past the time limit the thread is ended, and with it whatever held it. */
export async function planInThread(ask: PlanAsk): Promise<Answer> {
  const size = ask.bytes.byteLength;
  if (turn.pendingCount >= QUEUE.length || waitingBytes + size > QUEUE.bytes) return { is: 'full' };
  waitingBytes += size;
  try {
    return await turn(() => timed(ask));
  } finally {
    waitingBytes -= size;
  }
}

async function timed(ask: PlanAsk): Promise<Answer> {
  const stop = new AbortController();
  const timer = setTimeout(() => stop.abort(), TIME_LIMIT_MS);
  try {
    return {
      is: 'done',
      reply: (await thePool().run(ask, { signal: stop.signal, transferList: [ask.bytes] })) as PlanReply,
    };
  } catch (error) {
    if (stop.signal.aborted) return { is: 'too-long' };
    throw error;
  } finally {
    clearTimeout(timer);
  }
}
