import { viewJob } from '../src/core/record';
import { grownJob } from './jobs';
const NOW = Date.UTC(2027, 3, 12, 6);
const n = Number(process.argv[2] ?? 10);
const bundle = grownJob(n, NOW);
const run = (i: number) => viewJob({ ...bundle, job: { ...bundle.job, climate: { kind: 'daily', lowC: 5 + (i % 40) / 40, lowHour: 6, highC: 15, highHour: 15, humidityAtLowPct: 80 } } }, NOW);
for (let i = 0; i < 60; i++) run(i);
const t: number[] = [];
for (let i = 0; i < 150; i++) { const a = performance.now(); run(i); t.push(performance.now() - a); }
t.sort((a, b) => a - b);
console.log(n, t[75]!.toFixed(1), t[142]!.toFixed(1));
