'use client';
import { readHourlyCsv } from '@/core/climate';
import type { EventBody } from '@/core/record';
import { attempt } from '@/core/say';
import { phrase } from '@/words';
import { CsvFile } from '../shared/CsvFile';
import { dayAndClock } from '../shared/when';
import { clock, recordAll } from '../workspace/workspace';

type Channel = Extract<EventBody, { kind: 'reading' }>['channel'];

/** More than this is no log of one repair. */
const MOST = 2000;
/** A logger’s clock may run ahead of ours by this, ms. */
const AHEAD_MS = 5 * 60_000;

/** Readings of a logger from CSV: each row enters the record at its own time, with the file as its source. */
export function LoggerFile({
  repairId,
  role,
  channel,
  zone,
}: {
  repairId: string;
  role: string;
  channel: Channel;
  zone: string;
}) {
  return (
    <CsvFile
      label="From a logger’s CSV file"
      ariaLabel="File of readings"
      read={async (name, text, answers) => {
        const got = attempt(() => readHourlyCsv(text, zone, answers, 'readings'));
        if (!got.ok) return { said: got.problem.sentence };
        if ('ask' in got.value) return got.value;
        const { rows } = got.value;
        if (rows.length > MOST)
          return { said: phrase`The file holds ${rows.length} readings; up to ${MOST} are taken in. Thin them out.` };
        const late = rows.findIndex((r) => r.atMs > clock.now() + AHEAD_MS);
        if (late >= 0)
          return {
            said: phrase`Row ${late + 2}: ${dayAndClock(
              rows[late]!.atMs,
              zone,
            )} is still to come. Is it the right zone?`,
          };
        const source = name.slice(0, 80);
        const entries = rows.flatMap((r) => [
          { body: { kind: 'reading', channel, valueC: r.tempC, source } as const, at: r.atMs },
          // A humidity belongs to the air; beside a base it was read in the same air.
          ...(r.humidityPct === null || channel === 'pot'
            ? []
            : [{ body: { kind: 'humidity', valuePct: r.humidityPct, source } as const, at: r.atMs }]),
        ]);
        await recordAll(repairId, entries, role);
        const span = phrase`${dayAndClock(rows[0]!.atMs, zone)} to ${dayAndClock(rows.at(-1)!.atMs, zone)}`;
        return {
          said: phrase`${rows.length} readings taken in, ${span}${entries.length > rows.length ? ', with humidity' : ''}.`,
        };
      }}
    />
  );
}
