/** Other requests while a server plans. */
export interface Loaded {
  readonly plans: { readonly done: number; readonly full: number; readonly other: number };
  readonly others: {
    readonly count: number;
    readonly median: number;
    readonly p95: number;
    readonly worst: number;
    readonly failed: number;
  };
}

/** Asks for many plans at once, and for pages all the while. @param file the text of a job file */
export async function load(base: string, file: string, count: number): Promise<Loaded> {
  let running = true;
  const took: number[] = [];
  let failed = 0;
  const asks = [
    '/',
    '/job/a/b/mix',
    '/api/forecast?character=frosty&seed=1&from=0&offset=0',
    '/manifest.webmanifest',
    '/shelf',
  ];
  const others = (async () => {
    for (let i = 0; running; i++) {
      const since = performance.now();
      const reply = await fetch(base + asks[i % asks.length]!, { headers: { connection: 'close' } }).catch(() => null);
      await reply?.arrayBuffer().catch(() => undefined);
      took.push(performance.now() - since);
      if (!reply || reply.status >= 500) failed++;
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  })();
  const at = encodeURIComponent('2026-05-05T09:00:00Z');
  const replies = await Promise.all(
    Array.from({ length: count }, () =>
      fetch(`${base}/api/plan?at=${at}`, { method: 'POST', body: file, headers: { connection: 'close' } }).then(
        async (r) => {
          await r.arrayBuffer();
          return r.status;
        },
        () => 0,
      ),
    ),
  );
  running = false;
  await others;
  const sorted = [...took].sort((a, b) => a - b);
  const share = (s: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * s))] ?? Number.NaN;
  return {
    plans: {
      done: replies.filter((s) => s === 200).length,
      full: replies.filter((s) => s === 503).length,
      other: replies.filter((s) => s !== 200 && s !== 503).length,
    },
    others: { count: took.length, median: share(0.5), p95: share(0.95), worst: sorted.at(-1) ?? Number.NaN, failed },
  };
}
