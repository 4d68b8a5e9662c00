'use client';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { Patch } from '@/core/void';
import { Choice } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';

/** Depth readings by place: typed one by one. */
export function Readings({
  shape,
  write,
  problem,
}: {
  shape: Patch;
  write: (next: Patch, key: string) => void;
  problem: (key: string) => string | null;
}) {
  if (shape.depth.kind !== 'readings') return null;
  const { depth } = shape;
  const put = (readings: typeof depth.readings, key: string) => write({ ...shape, depth: { ...depth, readings } }, key);
  const set = (i: number, over: Partial<(typeof depth.readings)[number]>) =>
    put(
      depth.readings.map((r, k) => (k === i ? { ...r, ...over } : r)),
      `reading:${i}`,
    );
  const whole = problem('depth.readings');
  return (
    <div>
      <Choice
        label="Edge"
        options={[
          { id: 'vertical', label: 'cut vertical' },
          { id: 'feathered', label: 'feathered' },
        ]}
        value={depth.edge}
        onChange={(edge) => write({ ...shape, depth: { ...depth, edge } }, 'edge')}
      />
      <div className="grid grid-cols-[1.6rem_1fr_1fr_1fr_2rem] gap-1 mt-2 soft text-sm" aria-hidden="true">
        <span />
        <span>along</span>
        <span>across</span>
        <span>depth</span>
      </div>
      {depth.readings.map((r, i) => (
        <div key={i} className="grid grid-cols-[1.6rem_1fr_1fr_1fr_2rem] gap-1 mb-1 items-start">
          <span className="fig pt-1.5 soft">{i + 1}</span>
          <QuantityField
            kind="length"
            hideLabel
            label={`Reading ${i + 1}: along`}
            value={r.xMm}
            onChange={(t) => set(i, { xMm: t.value })}
            problem={problem(`depth.readings.${i}`)}
          />
          <QuantityField
            kind="length"
            hideLabel
            label={`Reading ${i + 1}: across`}
            value={r.yMm}
            onChange={(t) => set(i, { yMm: t.value })}
          />
          <QuantityField
            kind="length"
            hideLabel
            label={`Reading ${i + 1}: depth`}
            value={r.depthMm}
            onChange={(t) => set(i, { depthMm: t.value })}
            check={(v) => (v >= 0 ? null : 'Not below 0.')}
          />
          <button
            type="button"
            className="p-1.5"
            aria-label={`Remove reading ${i + 1}`}
            onClick={() =>
              put(
                depth.readings.filter((_, k) => k !== i),
                'reading:remove',
              )
            }
          >
            <Trash2 size={16} aria-hidden="true" />
          </button>
        </div>
      ))}
      {whole && (
        <p role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
          {whole}
        </p>
      )}
      <NextReading shape={shape} add={(reading) => put([...depth.readings, reading], 'reading:add')} />
    </div>
  );
}

/** The next place to read, on a three by three grid so that nine readings cover the hollow. It counts once its depth is typed. */
function NextReading({ shape, add }: { shape: Patch; add: (reading: { xMm: number; yMm: number; depthMm: number }) => void }) {
  const [place, setPlace] = useState<{ xMm?: number; yMm?: number }>({});
  if (shape.depth.kind !== 'readings') return null;
  const n = shape.depth.readings.length;
  const [l, w] = shape.outline.kind === 'polygon' ? [100, 100] : [shape.outline.length.valueMm, shape.outline.width.valueMm];
  const xMm = place.xMm ?? Math.round(((n % 3) + 0.5) * (l / 3));
  const yMm = place.yMm ?? Math.round(((Math.floor(n / 3) % 3) + 0.5) * (w / 3));
  return (
    <div className="grid grid-cols-[1.6rem_1fr_1fr_1fr_2rem] gap-1 items-start" key={n}>
      <span className="fig pt-1.5">{n + 1}</span>
      <QuantityField
        kind="length"
        hideLabel
        label="Next reading: along"
        value={xMm}
        onChange={(t) => setPlace({ ...place, xMm: t.value })}
      />
      <QuantityField
        kind="length"
        hideLabel
        label="Next reading: across"
        value={yMm}
        onChange={(t) => setPlace({ ...place, yMm: t.value })}
      />
      <QuantityField
        kind="length"
        hideLabel
        label="Next reading: depth"
        placeholder="read"
        value={null}
        onChange={(t) => {
          add({ xMm, yMm, depthMm: t.value });
          setPlace({});
        }}
        check={(v) => (v >= 0 ? null : 'Not below 0.')}
      />
      <span />
    </div>
  );
}
