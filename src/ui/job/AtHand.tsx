'use client';
import { TOOLS } from '@/core/method';
import { type Job, UNCOUNTED } from '@/core/plan';
import { phrase } from '@/words';
import { QuantityField } from '../shared/QuantityField';

const FIELDS: Readonly<Record<keyof Job['atHand'], { readonly label: string; readonly least: number }>> = {
  // A job without anybody is none.
  hands: { label: 'Pairs of hands', least: 1 },
  clamps: { label: TOOLS.clamps.label, least: 0 },
  props: { label: TOOLS.props.label, least: 0 },
  heaters: { label: TOOLS.heaters.label, least: 0 },
};

/** What the site has: repairs that want the same clamps, props or heater wait for each other. */
export function AtHand({ has, write }: { has: Job['atHand']; write: (has: Job['atHand']) => void }) {
  return (
    <details open={Object.values(has).some((n) => n !== null)}>
      <summary>hands, clamps, props and heaters at hand</summary>
      <div className="grid grid-cols-2 sm:grid-cols-4 gap-2 items-end">
        {(Object.keys(UNCOUNTED) as (keyof Job['atHand'])[]).map((id) => (
          <QuantityField
            key={id}
            kind="count"
            label={FIELDS[id].label}
            value={has[id]}
            placeholder="as needed"
            onChange={({ value }) => write({ ...has, [id]: value })}
            onClear={() => write({ ...has, [id]: null })}
            check={(n) =>
              Number.isInteger(n) && n >= FIELDS[id].least && n <= 1000
                ? null
                : phrase`A whole number, ${FIELDS[id].least} to 1000; empty where nobody counts them.`
            }
          />
        ))}
      </div>
      <p className="soft text-sm">
        Clamps and props stay on until it holds, a tent or heater until it is opened: what wants the same ones waits.
        Empty: as many as are needed.
      </p>
    </details>
  );
}
