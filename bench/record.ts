import { estimateOf, lessonsOf, type Observation } from '../src/core/learn';
import { chainsOf, documentOf, type Event, eventHash, viewJob } from '../src/core/record';
import { finishedData } from '../src/sample/jobs';
import { say } from '../src/words';
import { reportPdf } from '../src/worker/report-pdf';

type Row = (name: string, sorted: readonly number[]) => void;
type Times = (run: (i: number) => unknown, runs: number, warm?: number) => number[];

/** What is done with long records: held whole, learned from, written out. */
export function recordRun(row: Row, times: Times, now: number): void {
  const [job] = finishedData(now, 'Europe/Helsinki').bundles;
  const [first] = job!.events;
  const chain: Event[] = [];
  for (let i = 0; i < 10_000; i++) {
    const before = chain.at(-1);
    chain.push({
      ...first!,
      id: `e${i}`,
      sequence: i,
      link: { n: i + 1, prev: before ? eventHash(before) : null },
      body: { kind: 'note', text: `entry ${i}` },
    });
  }
  row(
    'hashes of 10 000 entries checked',
    times(() => chainsOf(chain), 7, 1),
  );
  const many: Observation[] = Array.from({ length: 1000 }, (_, i) => ({
    is: 'exact',
    ratio: Math.exp(0.3 + 0.2 * Math.sin(i * 12.9898) + 0.1 * Math.cos(i * 78.233)),
  }));
  row(
    'a factor learned from 1000 records',
    times(() => estimateOf(many, { spread: 1.5 }), 15, 2),
  );
  const view = viewJob(job!, now);
  row(
    'lessons of a finished job of seven repairs',
    times(() => lessonsOf(view.repairs, job!.events), 15, 2),
  );
  const notes = Array.from(
    { length: 2000 },
    (_, i): Event => ({
      ...first!,
      id: `n${i}`,
      link: undefined,
      body: { kind: 'note', text: `entry ${i}: a mark at the edge, wiped off` },
    }),
  );
  const teller = {
    tell: (s: Parameters<typeof say>[0]) => say(s, { system: 'metric' as const, zone: 'utc', language: 'en' }),
    when: (ms: number) => new Date(ms).toISOString(),
  };
  const write = () => documentOf(view, view.repairs[0]!, [...job!.events, ...notes], { ...teller, nowMs: now });
  row('a record of 2000 entries written out', times(write, 7, 1));
  const doc = write();
  row(
    'and as a PDF',
    times(() => reportPdf({ doc, sections: [], ticks: [], photos: [], paper: 'a4' }), 3, 1),
  );
}
