'use client';
import { Plus } from 'lucide-react';
import { BETWEEN, type Between, type KnownRows, knownOfRows, rowsOfKnown } from '@/core/climate';
import { phrase } from '@/words';
import { Choice } from '../shared/bits';
import { DatedRow } from '../shared/DatedRow';
import { QuantityField } from '../shared/QuantityField';
import type { BaseProps } from './BaseFields';

const HOUR_MS = 3_600_000;
const MOST = 60;

/** The base's own temperature where it is known beforehand: held by a mat, told by a logger, read last week. */
export function KnownFields({ base, change, zone, fromMs }: BaseProps & { zone: string; fromMs: number }) {
  const { between, rows } = rowsOfKnown(base.known);
  const write = (over: Partial<KnownRows>) =>
    change({ known: [...knownOfRows({ between: rows.length ? between : 'steps', rows, ...over })] }, 'known');
  const set = (i: number, over: Partial<KnownRows['rows'][number]>) =>
    write({ rows: rows.map((r, k) => (k === i ? { ...r, ...over } : r)) });
  const last = rows.at(-1);
  return (
    <details className="mt-2" open={rows.length > 0 || undefined}>
      <summary>its own temperature, where that is known</summary>
      <div className="flex flex-col gap-2 mt-1" data-testid="known">
        {rows.map((r, i) => (
          <DatedRow
            key={`${r.atMs} ${i}`}
            label={phrase`From, ${i + 1}`}
            atMs={r.atMs}
            zone={zone}
            atHour={0}
            onMove={(atMs) => set(i, { atMs })}
            takeOut={phrase`Take out temperature ${i + 1}`}
            onTakeOut={() => write({ rows: rows.filter((_, k) => k !== i) })}
          >
            <QuantityField
              kind="temperature"
              label={phrase`It is, ${i + 1}`}
              value={r.tempC}
              check={(c) => (c >= -60 && c <= 150 ? null : 'From −60 °C to 150 °C.')}
              onChange={(t) => set(i, { tempC: t.value })}
            />
          </DatedRow>
        ))}
        {rows.length > 1 && (
          <Choice
            label="Between them"
            options={(Object.keys(BETWEEN) as Between[]).map((id) => ({ id, label: BETWEEN[id] }))}
            value={between}
            onChange={(id) => write({ between: id })}
          />
        )}
        {rows.length < MOST && (
          <button
            type="button"
            className="btn self-start"
            onClick={() =>
              write({
                rows: [...rows, last ? { atMs: last.atMs + HOUR_MS, tempC: last.tempC } : { atMs: fromMs, tempC: 15 }],
              })
            }
          >
            <Plus size={16} aria-hidden="true" /> {rows.length ? 'and later…' : 'I know it'}
          </button>
        )}
        <p className="soft text-sm">
          A mat that holds it, a logger, a reading of last week: it goes before what is computed from air, sun and sky.
          The last one goes on.
        </p>
      </div>
    </details>
  );
}
