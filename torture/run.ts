import { spawn } from 'node:child_process';
import { fuzz } from './fuzz';
import { kills } from './kills';
import { load } from './load';
import { seedFiles } from './mutants';

/**
 * `npm run torture [-- --kills 1000 --files 50000 --plans 200]`: the whole of what `npm test` tries a part of. The
 * product must have been built.
 */
const number = (name: string, usual: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const say = (what: string) => process.stdout.write(`${what}\n`);
const every = (step: number, what: string, of: number) => (done: number, so?: unknown) => {
  if (done % step === 0) say(`${what}: ${done} of ${of}${typeof so === 'string' ? `; ${so}` : ''}`);
};

const port = 4700 + (process.pid % 200);
const base = process.env.GRENKO_BASE ?? `http://127.0.0.1:${port}`;
const server = process.env.GRENKO_BASE
  ? null
  : spawn('node_modules/.bin/tsx', ['scripts/serve.ts', '-p', String(port), '-H', '127.0.0.1'], { stdio: 'ignore' });
for (let i = 0; i < 200; i++) {
  if (
    await fetch(base)
      .then((r) => r.ok)
      .catch(() => false)
  )
    break;
  await new Promise((resolve) => setTimeout(resolve, 200));
}
try {
  const plans = number('plans', 200);
  if (plans) {
    const largest = [...seedFiles()].sort((a, b) => b.length - a.length)[0]!;
    const { plans: p, others: o } = await load(base, largest, plans);
    say(
      `${plans} plans at once: ${p.done} planned, ${p.full} asked to come again, ${p.other} else; meanwhile ${o.count} other requests, median ${o.median.toFixed(0)} ms, 95 % ${o.p95.toFixed(0)} ms, worst ${o.worst.toFixed(0)} ms, ${o.failed} failed`,
    );
  }
  const files = number('files', 50_000);
  if (files) {
    const from = number('from', 0);
    const f = await fuzz(from, files, every(2500, 'files', files));
    say(
      `${files} damaged files: ${f.refused} refused with a sentence, ${f.planned} planned, slowest ${f.slowestMs.toFixed(0)} ms, ${f.faults.length} faults`,
    );
    for (const x of f.faults.slice(0, 100)) say(`  file ${x.n}: ${x.why.slice(0, 400)}`);
  }
  const count = number('kills', 1000);
  if (count) {
    const k = await kills(base, count, number('seed', 1), every(25, 'kills', count));
    say(
      `${k.kills} kills: ${k.acknowledged} entries said to be saved, ${k.lost.length} lost; from press to saved ${k.savedMs.median.toFixed(0)} ms median, ${k.savedMs.p95.toFixed(0)} ms at 95 %`,
    );
    for (const x of k.lost.slice(0, 20)) say(`  lost: ${x}`);
    say(
      `  the browser lost its own database and the second copy filled it again: ${k.filled.length}; not filled: ${k.wiped.length}; not up after a kill: ${k.unopened.length}`,
    );
    for (const x of k.filled.slice(0, 20)) say(`  ${x}`);
    for (const x of k.wiped.slice(0, 20)) say(`  ${x}`);
    for (const x of k.unopened.slice(0, 20)) say(`  ${x}`);
  }
} finally {
  server?.kill();
}
process.exit(0);
