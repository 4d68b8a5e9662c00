'use client';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { type ClimateSource, type CsvAnswers, type HourlyRow, readHourlyCsv } from '@/core/climate';
import type { Job } from '@/core/plan';
import { attempt } from '@/core/say';
import { CHARACTERS, type CharacterId } from '@/device/forecast';
import { phrase } from '@/words';
import { useFormat } from '../shared/bits';
import { CsvFile, type CsvOutcome } from '../shared/CsvFile';
import { dayAndClock } from '../shared/when';
import { clock } from '../workspace/workspace';

/** Weather hour by hour: from a file, whose open questions are asked, or from the made-up forecast that ships. */
export function HourlyFields({ job, write }: { job: Job; write: (climate: ClimateSource) => void }) {
  const format = useFormat();
  const [character, setCharacter] = useState<CharacterId>('frost-night');
  const [seed, setSeed] = useState(1);
  const [said, setSaid] = useState<string | null>(null);
  const now = job.climate.kind === 'hourly' && job.climate.rows.length ? job.climate : null;
  const take = (name: string, rows: readonly HourlyRow[], standIn: boolean) =>
    write({
      kind: 'hourly',
      source: name.slice(0, 120),
      standIn,
      humidityPct: job.climate.kind === 'daily' ? job.climate.humidityAtLowPct : job.climate.humidityPct,
      rows: [...rows],
    });
  const read = (name: string, text: string, answers: CsvAnswers): CsvOutcome => {
    const got = attempt(() => readHourlyCsv(text, job.zone, answers));
    if (!got.ok) return { said: got.problem.sentence };
    if ('ask' in got.value) return got.value;
    const { rows, gaps } = got.value;
    if (rows.length > 3000) return { said: phrase`The file holds ${rows.length} hours; up to 3000 are taken in.` };
    take(name, rows, false);
    const bridged = gaps.length
      ? phrase`; ${gaps.length} gap${gaps.length > 1 ? 's' : ''} of up to three hours bridged by a straight line, the first from ${dayAndClock(gaps[0]!.fromMs, job.zone)}`
      : '';
    return { said: phrase`${rows.length} hours taken in${bridged}.` };
  };
  const ask = async () => {
    const from = Math.min(clock.now(), job.startFrom) - 3 * 86_400_000;
    const offset = DateTime.fromMillis(from, { zone: job.zone }).offset / 60;
    try {
      const answer = await fetch(`/api/forecast?character=${character}&seed=${seed}&from=${from}&offset=${offset}`);
      const body = (await answer.json()) as { rows?: HourlyRow[]; error?: { sentence: string } };
      if (!body.rows) return setSaid(body.error?.sentence ?? 'The made-up forecast gave no answer.');
      take(phrase`${CHARACTERS[character].label}, made up`, body.rows, true);
      setSaid(null);
    } catch {
      setSaid('The forecast cannot be reached; the weather stays as it was.');
    }
  };
  const warmest = now ? Math.max(...now.rows.map((r) => r.tempC)) : 0;
  const coldest = now ? Math.min(...now.rows.map((r) => r.tempC)) : 0;
  return (
    <div className="col-span-2 flex flex-col gap-2">
      {now && (
        <p>
          <strong>{now.source}</strong>
          {now.standIn && (
            <strong className="ml-2 px-1.5" style={{ border: '1.5px dashed var(--stop)', color: 'var(--stop)' }}>
              not real weather
            </strong>
          )}
          <span className="block soft text-sm">{phrase`${now.rows.length} hours, ${dayAndClock(now.rows[0]!.atMs, job.zone)} to ${dayAndClock(now.rows.at(-1)!.atMs, job.zone)}, ${format('temperature', coldest).text} to ${format('temperature', warmest).text}`}</span>
        </p>
      )}
      <CsvFile
        label={now && !now.standIn ? 'Another file' : 'From a CSV file'}
        ariaLabel="File of hourly weather"
        read={read}
      />
      <div className="flex gap-2 flex-wrap items-end">
        <label className="block flex-1 min-w-40">
          Or made-up weather, to try things
          <select className="select" value={character} onChange={(e) => setCharacter(e.target.value as CharacterId)}>
            {Object.entries(CHARACTERS).map(([id, c]) => (
              <option key={id} value={id}>
                {c.label}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="btn text-sm" onClick={() => void ask()}>
          Take it
        </button>
        <button
          type="button"
          className="btn btn-link text-sm"
          onClick={() => {
            setSeed(seed + 1);
          }}
        >{phrase`other days (${seed})`}</button>
      </div>
      {said && (
        <p role="status" className="text-sm font-semibold">
          {said}
        </p>
      )}
    </div>
  );
}
