'use client';
import { Plus } from 'lucide-react';
import { gaugeOf, type Piece } from '@/core/plan';

import { formatDuration, phrase } from '@/words';
import { useFormat } from '../shared/bits';
import { DatedRow } from '../shared/DatedRow';
import { QuantityField } from '../shared/QuantityField';
import { changePass } from '../workspace/workspace';

const DAY_MS = 86_400_000;
/** How far marks usually stand apart until somebody reads them, mm. */
const FIRST_MM = 40;
const MOST = 60;

/** Marks on both sides of a crack, read over days: whether it moves is measured, and not guessed. */
export function GaugeFields({ repair, zone, nowMs }: { repair: Piece; zone: string; nowMs: number }) {
  const format = useFormat();
  const { gauge } = repair;
  const told = gaugeOf(gauge);
  const write = (next: Piece['gauge']) =>
    changePass(repair, (r) => ({ ...r, gauge: [...next].sort((a, b) => a.atMs - b.atMs) }), 'gauge');
  const set = (i: number, over: Partial<Piece['gauge'][number]>) =>
    write(gauge.map((r, k) => (k === i ? { ...r, ...over } : r)));
  const last = gauge.at(-1);
  return (
    <details className="mt-2" open={gauge.length > 0 || undefined}>
      <summary>gauge marks over it, read over days</summary>
      <div className="flex flex-col gap-2 mt-1 max-w-[34rem]" data-testid="gauge">
        {gauge.map((r, i) => (
          <DatedRow
            key={`${r.atMs} ${i}`}
            label={phrase`Read, ${i + 1}`}
            atMs={r.atMs}
            zone={zone}
            atHour={8}
            onMove={(atMs) => set(i, { atMs })}
            takeOut={phrase`Take out reading ${i + 1}`}
            onTakeOut={() => write(gauge.filter((_, k) => k !== i))}
          >
            <QuantityField
              kind="length"
              label={phrase`Marks apart, ${i + 1}`}
              value={r.mm}
              digits={5}
              check={(mm) => (mm > 0 && mm <= 10_000 ? null : 'More than 0 mm, up to 10 m.')}
              onChange={(t) => set(i, { mm: t.value })}
            />
          </DatedRow>
        ))}
        {gauge.length < MOST && (
          <button
            type="button"
            className="btn self-start"
            onClick={() =>
              write([
                ...gauge,
                last ? { atMs: Math.min(nowMs, last.atMs + DAY_MS), mm: last.mm } : { atMs: nowMs, mm: FIRST_MM },
              ])
            }
          >
            <Plus size={16} aria-hidden="true" /> {gauge.length ? 'one more reading' : 'a reading'}
          </button>
        )}
        <p className="soft text-sm" aria-live="polite">
          {told
            ? phrase`${told.moves ? 'Moved' : 'Within what two readings may differ by:'} ${format('length', told.movedMm, 2).text} in ${formatDuration(told.watchedMs / 60_000)}.`
            : 'A scratch or a glued disc on either side, measured across at the same hour on several days.'}
        </p>
      </div>
    </details>
  );
}
