'use client';
import { useState } from 'react';
import { dropsPerMl } from '@/core/mix';
import { attempt } from '@/core/say';

import { figure, phrase } from '@/words';
import { QuantityField } from './QuantityField';

/** Counts drops to a mark of a small cup or syringe. */
export function DropCounter({ value, onChange }: { value: number | null; onChange: (perMl: number) => void }) {
  const [drops, setDrops] = useState(0);
  const [ml, setMl] = useState(1);
  const found = attempt(() => dropsPerMl(drops, ml));
  return (
    <div className="p-2.5" style={{ border: '1px solid var(--rule)' }}>
      <p>
        <strong>Count the drops</strong>
        {phrase`: into a syringe up to a mark, then take it over. ${value === null ? 'Not counted yet.' : phrase`Now ${figure(value, 3)} drops to 1 mL.`}`}
      </p>
      <div className="flex gap-2 items-end flex-wrap mt-1">
        <button type="button" className="btn min-h-[44px] text-lg" onClick={() => setDrops(drops + 1)}>
          one drop
        </button>
        <strong className="fig text-2xl min-w-12 text-right" data-testid="drops">
          {drops}
        </strong>
        <button type="button" className="btn btn-link" onClick={() => setDrops(0)}>
          from nought
        </button>
        <QuantityField
          kind="volume"
          label="Filled to"
          value={ml}
          onChange={(t) => setMl(t.value)}
          check={(v) => (v > 0 && v <= 50 ? null : 'Between 0 and 50 mL.')}
          className="w-28"
        />
        <button
          type="button"
          className="btn"
          disabled={!found.ok}
          onClick={() => found.ok && onChange(found.value.perMl)}
        >
          {found.ok ? phrase`Take ${figure(found.value.perMl, 3)} to 1 mL` : 'Take it over'}
        </button>
      </div>
      {found.ok && (
        <p className="soft text-sm">{phrase`one drop more or less is ±${figure(found.value.tolerancePct, 2)} %: count to more mL for a finer figure`}</p>
      )}
    </div>
  );
}
