'use client';
import { useState } from 'react';
import type { PassView } from '@/core/record';
import { isMetered } from '@/core/system';
import { Choice } from '../shared/bits';
import { QuantityField, type Typed } from '../shared/QuantityField';
import { SavingButton } from '../shared/SavingButton';
import { record } from '../workspace/record';

/** Batches that were mixed, of what leaves something in a pot. */
const mixedIn = ({ plan, actuals }: PassView): readonly number[] =>
  plan.sheet && !isMetered(plan.sheet.kind)
    ? plan.batches.map((b) => b.index).filter((i) => actuals.pours.some((p) => p.batch === i))
    : [];

/** What was left of a pot, weighed back: only that tells what a repair really took where whole kits are mixed. */
export function LeftOver({ at, role, onKept }: { at: PassView; role: string; onKept: () => void }) {
  const mixed = mixedIn(at);
  const [picked, setPicked] = useState<number | null>(null);
  const batch = picked ?? mixed.findLast((i) => !at.actuals.left.has(i)) ?? mixed.at(-1);
  const [over, setOver] = useState<Typed | null>(null);
  const [stuck, setStuck] = useState<Typed | null>(null);
  if (batch === undefined) return null;
  const known = at.actuals.left.get(batch);
  const poured = at.actuals.pours.filter((p) => p.batch === batch).reduce((sum, p) => sum + p.massG, 0);
  const is = { over: over?.value ?? known?.overG ?? null, stuck: stuck?.value ?? known?.stuckG ?? null };
  // What lies in the other field was put in but once.
  const fits =
    (other: number | null) =>
    (g: number): string | null =>
      g < 0 ? 'Nought or more.' : g + (other ?? 0) > poured + 1e-9 ? 'More than was put into this batch.' : null;
  const clear = () => {
    setOver(null);
    setStuck(null);
  };
  return (
    <section
      aria-label="What was left"
      className="flex flex-col gap-2 pt-3"
      style={{ borderTop: '1px solid var(--rule)' }}
    >
      <h3 className="font-bold">Or what was left of a batch, weighed back</h3>
      {mixed.length > 1 && (
        <Choice
          label="Batch"
          options={mixed.map((i) => ({ id: String(i), label: `${i + 1}${at.actuals.left.has(i) ? ' ✓' : ''}` }))}
          value={String(batch)}
          onChange={(i) => {
            setPicked(Number(i));
            // What was typed is of the batch it was typed for.
            clear();
          }}
        />
      )}
      <div className="grid grid-cols-2 gap-2 items-end">
        <QuantityField
          key={`over ${batch}`}
          kind="mass"
          label="Left over, not placed"
          value={is.over}
          typed={over ?? undefined}
          check={fits(is.stuck)}
          onChange={setOver}
          onClear={() => setOver(null)}
        />
        <QuantityField
          key={`stuck ${batch}`}
          kind="mass"
          label="Stuck in pot and on tools"
          value={is.stuck}
          typed={stuck ?? undefined}
          check={fits(is.over)}
          onChange={setStuck}
          onClear={() => setStuck(null)}
        />
      </div>
      {is.over === null && stuck && <p aria-live="polite">How much was left over? 0 where nothing was.</p>}
      <p className="soft text-sm">
        The pot after work less the clean pot is what stuck to it. From this the next estimate is better: what stays
        behind, and how far a kit goes.
      </p>
      <SavingButton
        className="btn btn-neutral justify-center min-h-12"
        disabled={is.over === null || (!over && !stuck)}
        onSave={async () => {
          await record(at.repair, { kind: 'left', batch, overG: is.over!, stuckG: is.stuck }, role);
          clear();
          onKept();
        }}
      >
        Write it down
      </SavingButton>
    </section>
  );
}
