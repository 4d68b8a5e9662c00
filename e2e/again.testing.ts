import { appendFileSync } from 'node:fs';
import { type Round, roundNow } from './round';

type Body = (...row: unknown[]) => unknown;

/** One try: what is put right after it may find a fault too, but the test's own goes first. */
async function once(body: () => unknown, of: Round | undefined): Promise<void> {
  await of?.before?.();
  try {
    await body();
  } catch (why) {
    await of?.after().catch(() => undefined);
    throw why;
  }
  await of?.after();
}

/**
 * A browser on a laden machine may lose a race that no person would: a walk that failed is walked once more, from
 * nothing, and what passed only then is told by scripts/test.sh, for a race is a fault to be found all the same.
 */
const twice = (name: string, body: Body, of = roundNow()) => {
  return async (...row: unknown[]) => {
    try {
      await once(() => body(...row), of);
    } catch (why) {
      await once(() => body(...row), of);
      const told = `${name}\n${why instanceof Error ? why.stack : why}\n`;
      const again = process.env.GRENKO_AGAIN;
      if (again) appendFileSync(again, told);
      else process.stderr.write(`At the second try only: ${told}`);
    }
  };
};

const plain = globalThis.test;
globalThis.test = Object.assign((name: string, body: Body) => plain(name, twice(name, body)), {
  each:
    (...rows: Parameters<typeof plain.each>) =>
    (name: string, body: Body) =>
      plain.each(...rows)(name, twice(name, body) as never),
}) as unknown as typeof plain;
