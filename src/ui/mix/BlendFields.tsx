'use client';
import { Plus, Trash2 } from 'lucide-react';
import {
  type Blend,
  CONSISTENCIES,
  type Consistency,
  FILLERS,
  type FillerId,
  FillerId as Fillers,
  filledMix,
  fillerOf,
  liquidDensity,
} from '@/core/mix';
import type { Piece } from '@/core/plan';
import { attempt } from '@/core/say';
import { type SheetRevision, systemKind } from '@/core/system';

import { figure, phrase } from '@/words';
import { Choice, Prose, useFormat, Working } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { changePass } from '../workspace/workspace';

const FIRST: Blend = { consistency: 'stands', fillers: [{ filler: 'fibre', share: 1, per100G: null }] };

/** Fillers of one's own in a liquid system: which, in which shares, to which stand; what comes of it. */
export function BlendFields({
  repair,
  stored,
  batchLiquidG,
}: {
  repair: Piece;
  stored: SheetRevision;
  batchLiquidG: number | null;
}) {
  const format = useFormat();
  const own = stored.parts.some((p) => p.id === 'C' || p.id === 'D');
  if (own || systemKind(stored.kind).mixing !== 'pot' || systemKind(stored.kind).asks.includes('uptake')) return null;
  const set = (blend: Blend | null) => changePass(repair, (r) => ({ ...r, blend }), 'blend');
  const { blend } = repair;
  const mix = blend ? attempt(() => filledMix(blend, liquidDensity(stored))) : null;
  const change = (i: number, over: Partial<Blend['fillers'][number]>) =>
    set({ ...blend!, fillers: blend!.fillers.map((f, k) => (k === i ? { ...f, ...over } : f)) });
  const free = Fillers.options.filter((id) => !blend?.fillers.some((f) => f.filler === id));
  return (
    <details className="mt-3" open={blend !== null}>
      <summary>fillers of your own</summary>
      <div className="flex flex-col gap-2 mt-1">
        <Choice
          label="Fillers"
          hideLabel
          options={[
            { id: 'no', label: 'neat, as on the sheet' },
            { id: 'yes', label: 'filled' },
          ]}
          value={blend ? 'yes' : 'no'}
          onChange={(v) => set(v === 'yes' ? (blend ?? FIRST) : null)}
        />
        {blend && (
          <>
            <Choice
              label="It should stand like this"
              options={(Object.keys(CONSISTENCIES) as Consistency[]).map((id) => ({
                id,
                label: id,
                title: CONSISTENCIES[id],
              }))}
              value={blend.consistency}
              onChange={(consistency) => set({ ...blend, consistency })}
            />
            <p className="soft text-sm">{CONSISTENCIES[blend.consistency]}</p>
            {blend.fillers.map((f, i) => (
              <div key={f.filler} className="grid grid-cols-[1fr_4.2rem_6rem_2rem] gap-2 items-end">
                <label className="block">
                  {i === 0 ? 'Filler' : <span className="sr-only">{phrase`Filler ${i + 1}`}</span>}
                  <select
                    className="select"
                    value={f.filler}
                    onChange={(e) => change(i, { filler: e.target.value as FillerId, per100G: null })}
                  >
                    {[f.filler, ...free].map((id) => (
                      <option key={id} value={id}>
                        {FILLERS[id].label}, {FILLERS[id].serves}
                      </option>
                    ))}
                  </select>
                </label>
                <QuantityField
                  kind="count"
                  label="share"
                  hideLabel={i > 0}
                  value={f.share}
                  onChange={(t) => change(i, { share: t.value })}
                  check={(v) => (v > 0 && v <= 1000 ? null : 'More than 0.')}
                />
                <QuantityField
                  kind="count"
                  label="alone, g/100 g"
                  hideLabel={i > 0}
                  value={f.per100G ?? fillerOf(f.filler).per100G[blend.consistency]}
                  onChange={(t) => change(i, { per100G: t.value })}
                  onClear={() => change(i, { per100G: null })}
                  check={(v) => (v > 0 && v <= 1000 ? null : 'More than 0, at most 1000.')}
                />
                <button
                  type="button"
                  className="p-1.5"
                  disabled={blend.fillers.length === 1}
                  aria-label={phrase`Remove ${fillerOf(f.filler).label}`}
                  onClick={() => set({ ...blend, fillers: blend.fillers.filter((_, k) => k !== i) })}
                >
                  <Trash2 size={16} aria-hidden="true" />
                </button>
              </div>
            ))}
            {free.length > 0 && blend.fillers.length < 6 && (
              <button
                type="button"
                className="btn text-sm self-start"
                onClick={() =>
                  set({ ...blend, fillers: [...blend.fillers, { filler: free[0]!, share: 1, per100G: null }] })
                }
              >
                <Plus size={15} aria-hidden="true" /> Another filler
              </button>
            )}
            {mix?.ok && (
              <>
                <p>
                  <strong className="fig text-lg">{figure(mix.value.loading)}</strong>
                  {phrase` g in 100 g of liquid, ${format('density', mix.value.densityGPerMl).text}, ${figure(mix.value.swell, 3)} times the liquid’s volume, ${mix.value.sanding}.`}
                  {mix.value.lean && <strong> Lean: the liquid does not fill the grains.</strong>}
                  {mix.value.leanFromPer100G !== null &&
                    !mix.value.lean &&
                    phrase` Lean from ${figure(mix.value.leanFromPer100G)} g.`}
                </p>
                <ol className="list-decimal pl-5 text-sm">
                  {mix.value.portions.map((p) => (
                    <li key={p.filler}>
                      {fillerOf(p.filler).label}:{' '}
                      {batchLiquidG === null
                        ? phrase`${figure(p.per100G)} g for each 100 g`
                        : format('mass', (p.per100G * batchLiquidG) / 100).text}
                      {p.times > 1 ? phrase`, in ${p.times} portions` : ''}
                    </li>
                  ))}
                </ol>
                <p className="soft text-sm">
                  Into the mixed liquid, thickener last. Loadings are starting points: try a spoonful and set what was
                  right.
                </p>
                <Working title="how the filled mix comes about" lines={mix.value.working} />
              </>
            )}
            {mix && !mix.ok && (
              <p role="alert">
                <Prose>{mix.problem.sentence}</Prose>
              </p>
            )}
          </>
        )}
      </div>
    </details>
  );
}
