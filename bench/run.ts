import { spawn } from 'node:child_process';
import { pieceOf, piecesOf, withPiece } from '../src/core/plan';
import { viewJob } from '../src/core/record';
import { kindOf, measureVoid, withValue } from '../src/core/void';
import { clockRun } from './clocks';
import { floorRun } from './floor';
import { grownJob } from './jobs';
import { kitRun } from './kits';
import { labRun } from './lab-run';
import { recordRun } from './record';
import { redraw } from './redraw';
import { scanRun } from './scan-run';

/** Times of repeated runs, ms, sorted. */
function times(run: (i: number) => unknown, runs: number, warm = 5): number[] {
  for (let i = 0; i < warm; i++) run(i);
  return Array.from({ length: runs }, (_, i) => {
    const t = performance.now();
    run(i);
    return performance.now() - t;
  }).sort((a, b) => a - b);
}
const at = (sorted: readonly number[], share: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
/** The middle of sorted times. */
const mid = (sorted: readonly number[]) => at(sorted, 0.5);
const row = (name: string, sorted: readonly number[], reference: number) =>
  console.log(
    `${name.padEnd(44)} median ${at(sorted, 0.5).toFixed(1).padStart(7)} ms   95 % ${at(sorted, 0.95).toFixed(1).padStart(7)} ms   ${(at(sorted, 0.5) / reference).toFixed(2).padStart(6)} × reference`,
  );

// The reference: sorting 200 000 numbers, the same on every run.
const numbers = Float64Array.from({ length: 200_000 }, (_, i) => Math.sin(i * 12.9898) * 43758.5453);
const reference = times(() => numbers.slice().sort(), 20);
console.log('Reference: sorting 200 000 floating-point numbers\n');
row('reference', reference, at(reference, 0.5));

const NOW = Date.UTC(2026, 4, 5, 6);
for (const n of [1, 10, 50]) {
  const bundle = grownJob(n, NOW);
  // Each run has another climate, as while the temperature is pulled: nothing but the voids is remembered.
  row(
    `replan after a change of temperature, ${n} repair${n > 1 ? 's' : ''}`,
    times(
      (i) =>
        viewJob(
          {
            ...bundle,
            job: {
              ...bundle.job,
              climate: {
                kind: 'daily',
                lowC: 5 + (i % 40) / 40,
                lowHour: 6,
                highC: 15,
                highHour: 15,
                humidityAtLowPct: 80,
              },
            },
          },
          NOW,
        ),
      n > 10 ? 15 : 40,
    ),
    at(reference, 0.5),
  );
}

// A typed dimension: one void of fifty is measured anew, every repair is planned.
const fifty = grownJob(50, NOW);
for (const [which, at] of [
  ['the first of', 0],
  ['the last of', 49],
] as const)
  row(
    `replan after a typed dimension, ${which} 50 voids`,
    times((i) => {
      const changed = pieceOf(fifty.repairs[at]!);
      const shape = changed.void!.shapes[0]!;
      const d = kindOf(shape).dimensions(shape)[0]!;
      const longer = withValue(kindOf(shape), shape, d.key, {
        ...d.measured,
        valueMm: d.measured.valueMm + (i % 20) / 10,
      });
      return viewJob(
        {
          ...fifty,
          repairs: fifty.repairs.map((r) =>
            r.id === changed.id ? withPiece(r, { ...changed, void: { ...changed.void!, shapes: [longer] } }) : r,
          ),
        },
        NOW,
      );
    }, 15),
    mid(reference),
  );
row(
  'measuring 50 voids anew',
  times((i) => {
    for (const r of fifty.repairs.flatMap(piecesOf)) {
      const shape = r.void!.shapes[0]!;
      const d = kindOf(shape).dimensions(shape)[0]!;
      measureVoid({
        ...r.void!,
        shapes: [
          withValue(kindOf(shape), shape, d.key, { ...d.measured, valueMm: d.measured.valueMm + (i % 20) / 10 }),
        ],
      });
    }
  }, 15),
  at(reference, 0.5),
);

// Kits of a job of fifty repairs over six systems, and their distance from the optimum that exhaustive search finds on
// small cases.
kitRun((name, sorted) => row(name, sorted, at(reference, 0.5)), times, NOW);

// Floors, their borders pulled, and every method at once.
floorRun((name, sorted) => row(name, sorted, at(reference, 0.5)), times, NOW);

// Clocks, windows and self-heating, each beside a straightforward way of the same.
clockRun((name, sorted, ref) => row(name, sorted, ref ?? at(reference, 0.5)), times, NOW);

// Long records: held whole, learned from, written out.
recordRun((name, sorted) => row(name, sorted, at(reference, 0.5)), times, NOW);

if (!process.argv.includes('--core')) {
  const port = 3457;
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-p', String(port), '-H', '127.0.0.1'],
    {
      stdio: 'ignore',
    },
  );
  try {
    for (let i = 0; i < 100; i++) {
      if (
        await fetch(`http://127.0.0.1:${port}`).then(
          (r) => r.ok,
          () => false,
        )
      )
        break;
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
    console.log('\nIn the browser, 10 repairs in the job, from the movement of the pointer to the painted frame:');
    for (const [name, sorted] of await redraw(`http://127.0.0.1:${port}`)) row(name, sorted, at(reference, 0.5));
    for (const [what, ms] of await labRun(`http://127.0.0.1:${port}`))
      console.log(`longest main-thread block, ${what}: ${ms ? `${ms.toFixed(0)} ms` : 'under 50 ms'}`);
    await scanRun(`http://127.0.0.1:${port}`);
  } finally {
    server.kill();
  }
}
