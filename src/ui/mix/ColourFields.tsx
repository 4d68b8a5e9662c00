'use client';
import { Plus, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { blendLots, type Colour, type ColourTrial, scaledColour } from '@/core/mix';
import type { Piece } from '@/core/plan';
import type { Stock } from '@/core/system';
import { attempt, figure } from '@/core/units';
import { TextField, useFormat } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { changePass } from '../workspace/workspace';

const EMPTY: Colour = { trials: [], chosen: null };

/**
 * Trials of tints and dust by mass; the chosen one scaled to the batch; lots blended so that one surface gets one
 * colour.
 */
export function ColourFields({
  repair,
  batchG,
  totalG,
  lots,
  kitMassG,
}: {
  repair: Piece;
  batchG: number | null;
  totalG: number | null;
  lots: readonly Stock[];
  /** Mass that a closed kit of each id holds, g. */
  kitMassG: (kitId: string) => number;
}) {
  const format = useFormat();
  const colour = repair.colour ?? EMPTY;
  const set = (next: Colour) =>
    changePass(repair, (r) => ({ ...r, colour: next.trials.length ? next : null }), 'colour');
  const trial = (id: string, over: Partial<ColourTrial>) =>
    set({ ...colour, trials: colour.trials.map((t) => (t.id === id ? { ...t, ...over } : t)) });
  const add = () => {
    const last = colour.trials.at(-1);
    const id = nanoid(6);
    set({
      chosen: colour.chosen ?? id,
      trials: [
        ...colour.trials,
        {
          id,
          name: `trial ${colour.trials.length + 1}`,
          inG: last?.inG ?? 50,
          tints: last?.tints ?? [{ name: 'dust', massG: 1 }],
          note: '',
        },
      ],
    });
  };
  const offers = lots.map((l) => ({ lot: l.lot, availableG: (l.quantity + l.openedShare) * kitMassG(l.kitId) }));
  const blended = totalG !== null && offers.length > 1 ? attempt(() => blendLots(offers, totalG)) : null;
  return (
    <details className="mt-2" open={colour.trials.length > 0}>
      <summary>colour by trial</summary>
      <div className="flex flex-col gap-3 mt-1">
        {colour.trials.map((t) => {
          const scaled = batchG !== null ? attempt(() => scaledColour(t, batchG, repair.scaleStepG)) : null;
          const chosen = colour.chosen === t.id;
          return (
            <div
              key={t.id}
              className="p-2"
              style={{ border: chosen ? '2px solid var(--ink)' : '1px solid var(--hair)' }}
            >
              <div className="grid grid-cols-[1fr_7rem_auto] gap-2 items-end">
                <TextField
                  label="Name of the trial"
                  value={t.name}
                  onChange={(name) => trial(t.id, { name: name.slice(0, 80) })}
                />
                <QuantityField
                  kind="mass"
                  label="tried in"
                  value={t.inG}
                  onChange={(v) => trial(t.id, { inG: v.value })}
                  check={(v) => (v > 0 && v <= 100_000 ? null : 'More than 0.')}
                />
                <button
                  type="button"
                  className="act text-sm"
                  aria-pressed={chosen}
                  onClick={() => set({ ...colour, chosen: t.id })}
                >
                  {chosen ? 'taken' : 'take it'}
                </button>
              </div>
              {t.tints.map((x, i) => (
                <div key={i} className="grid grid-cols-[1fr_6rem_5.5rem_2rem] gap-2 items-end mt-1">
                  <TextField
                    label={`Tint ${i + 1}`}
                    hideLabel
                    value={x.name}
                    onChange={(name) =>
                      name.trim() &&
                      trial(t.id, {
                        tints: t.tints.map((y, k) => (k === i ? { ...y, name: name.trim().slice(0, 60) } : y)),
                      })
                    }
                  />
                  <QuantityField
                    kind="mass"
                    label={`Mass of ${x.name}`}
                    hideLabel
                    value={x.massG}
                    onChange={(v) =>
                      trial(t.id, { tints: t.tints.map((y, k) => (k === i ? { ...y, massG: v.value } : y)) })
                    }
                    check={(v) => (v > 0 && v <= 100_000 ? null : 'More than 0.')}
                  />
                  <span className="fig text-right pb-1.5">
                    {scaled?.ok ? format('mass', scaled.value.tints[i]!.massG).text : ''}
                  </span>
                  <button
                    type="button"
                    className="p-1.5"
                    disabled={t.tints.length === 1}
                    aria-label={`Remove ${x.name}`}
                    onClick={() => trial(t.id, { tints: t.tints.filter((_, k) => k !== i) })}
                  >
                    <Trash2 size={15} aria-hidden="true" />
                  </button>
                </div>
              ))}
              <div className="flex gap-2 items-center mt-1 flex-wrap">
                <button
                  type="button"
                  className="act text-sm"
                  disabled={t.tints.length >= 12}
                  onClick={() => trial(t.id, { tints: [...t.tints, { name: 'tint', massG: 0.1 }] })}
                >
                  <Plus size={14} aria-hidden="true" /> tint
                </button>
                <button
                  type="button"
                  className="act quiet text-sm"
                  onClick={() =>
                    set({
                      trials: colour.trials.filter((y) => y.id !== t.id),
                      chosen: chosen ? (colour.trials.find((y) => y.id !== t.id)?.id ?? null) : colour.chosen,
                    })
                  }
                >
                  remove the trial
                </button>
                {scaled?.ok && (
                  <span className="soft text-sm">
                    {figure(scaled.value.sharePct, 2)} % of the mix; on the right for this batch of{' '}
                    {format('mass', batchG!).text}
                  </span>
                )}
              </div>
              <TextField
                label="What the eye said, wet and dry"
                value={t.note}
                onChange={(note) => trial(t.id, { note: note.slice(0, 300) })}
              />
            </div>
          );
        })}
        <button type="button" className="act text-sm self-start" onClick={add}>
          <Plus size={15} aria-hidden="true" /> {colour.trials.length ? 'The next trial' : 'A first trial'}
        </button>
        {colour.trials.length > 0 && blended && (
          <p className="text-sm">
            <strong>One colour over the surface:</strong>{' '}
            {blended.ok
              ? blended.value.length === 1
                ? `lot ${blended.value[0]!.lot} alone covers it.`
                : `blend the lots first, in every batch ${blended.value.map((l) => `${figure(l.share * 100, 3)} % of ${l.lot}`).join(' and ')}.`
              : blended.problem.sentence}
          </p>
        )}
      </div>
    </details>
  );
}
