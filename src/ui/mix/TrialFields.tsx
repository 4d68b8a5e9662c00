'use client';
import { Plus, Trash2 } from 'lucide-react';
import { type ColourTrial, LOOKS, type Look, unfitLooks } from '@/core/mix';
import { phrase } from '@/words';
import { Choice, TextField } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { useRowKeys } from '../shared/use-row-keys';

const LOOK_IDS = Object.keys(LOOKS) as Look[];

/** One numbered trial: what is in it, and how it was looked at. */
export function Trial({
  trial: t,
  taken,
  veins,
  change,
  take,
  asVeins,
  remove,
}: {
  trial: ColourTrial;
  taken: boolean;
  veins: boolean;
  change: (over: Partial<ColourTrial>) => void;
  take: () => void;
  asVeins: () => void;
  remove: () => void;
}) {
  const tint = (i: number, over: Partial<ColourTrial['tints'][number]>) =>
    change({ tints: t.tints.map((x, k) => (k === i ? { ...x, ...over } : x)) });
  const unfit = unfitLooks(t);
  const keys = useRowKeys(t.tints);
  return (
    <section
      aria-label={t.name}
      className="p-2"
      style={{ border: taken ? '2px solid var(--ink)' : '1px solid var(--hair)' }}
    >
      <div className="grid grid-cols-[1fr_8rem] gap-2 items-end">
        <TextField label="Trial" value={t.name} onChange={(name) => change({ name: name.slice(0, 80) })} />
        <QuantityField
          kind="mass"
          label={t.of === 'base' ? 'in base' : 'in mix'}
          value={t.inG}
          onChange={(v) => change({ inG: v.value })}
          check={(v) => (v > 0 && v <= 100_000 ? null : 'More than 0.')}
        />
      </div>
      {t.tints.map((x, i) => (
        <div
          key={keys[i]}
          className="grid grid-cols-[1fr_9rem_6.5rem_1.5rem] max-sm:grid-cols-[1fr_1fr_1.5rem] max-sm:[&>:first-child]:col-span-full gap-2 items-end mt-1"
        >
          <TextField
            label={phrase`Tint ${i + 1}`}
            hideLabel
            value={x.name}
            onChange={(name) => name.trim() && tint(i, { name: name.trim().slice(0, 60) })}
          />
          <QuantityField
            kind="mass"
            label={phrase`Mass of ${x.name}`}
            hideLabel
            value={x.massG}
            onChange={(v) => tint(i, { massG: v.value })}
            check={(v) => (v > 0 && v <= 100_000 ? null : 'More than 0.')}
          />
          <QuantityField
            kind="density"
            label={phrase`Density of ${x.name}`}
            hideLabel
            value={x.densityGPerMl}
            placeholder="1.4, usual"
            onChange={(v) => tint(i, { densityGPerMl: v.value })}
            onClear={() => tint(i, { densityGPerMl: null })}
            check={(v) => (v >= 0.02 && v <= 12 ? null : 'Between 0.02 and 12 g/mL.')}
          />
          <button
            type="button"
            className="py-1.5"
            disabled={t.tints.length === 1}
            aria-label={phrase`Remove ${x.name}`}
            onClick={() => change({ tints: t.tints.filter((_, k) => k !== i) })}
          >
            <Trash2 size={15} aria-hidden="true" />
          </button>
        </div>
      ))}
      <div className="grid grid-cols-2 gap-x-3 gap-y-1 mt-2">
        {LOOK_IDS.map((look) => (
          <Choice
            key={look}
            label={LOOKS[look]}
            options={[
              { id: 'fits', label: 'fits' },
              { id: 'off', label: 'is off' },
            ]}
            value={t.judged[look] === null ? undefined : t.judged[look] ? 'fits' : 'off'}
            onChange={(said) => change({ judged: { ...t.judged, [look]: said === 'fits' } })}
          />
        ))}
      </div>
      <TextField
        label="What the eye said besides"
        value={t.note}
        onChange={(note) => change({ note: note.slice(0, 300) })}
      />
      {taken && <TextField label="Why this one" value={t.why} onChange={(why) => change({ why: why.slice(0, 300) })} />}
      <div className="flex gap-2 items-center mt-1.5 flex-wrap">
        <button type="button" className="btn text-sm" aria-pressed={taken} onClick={take}>
          {taken ? 'taken' : 'take it'}
        </button>
        <button type="button" className="btn text-sm" aria-pressed={veins} onClick={asVeins}>
          for veins
        </button>
        <button
          type="button"
          className="btn text-sm"
          disabled={t.tints.length >= 12}
          onClick={() => change({ tints: [...t.tints, { name: 'tint', massG: 0.1, densityGPerMl: null }] })}
        >
          <Plus size={14} aria-hidden="true" /> tint
        </button>
        <button type="button" className="btn btn-link text-sm" onClick={remove}>
          remove the trial
        </button>
      </div>
      {!unfit.length && <p className="text-sm mt-1">Fits wet and dry, by day and by lamp.</p>}
    </section>
  );
}
