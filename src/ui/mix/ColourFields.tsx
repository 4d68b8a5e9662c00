'use client';
import { Plus, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import {
  blendLots,
  type Colour,
  type ColourTrial,
  FRESH_TRIAL,
  LOOKS,
  type Look,
  type Recipe,
  recipeFor,
  takenTrial,
  unfitLooks,
} from '@/core/mix';
import type { Piece } from '@/core/plan';
import type { SheetRevision, Stock } from '@/core/system';
import { attempt, figure } from '@/core/units';
import { Choice, TextField, useFormat } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { changePass } from '../workspace/workspace';

const EMPTY: Colour = { trials: [], chosen: null, veins: null };
const LOOK_IDS = Object.keys(LOOKS) as Look[];

/**
 * Trials of tints and dust by mass, each looked at wet and dry, by day and by lamp; the one that is taken scaled to
 * what
 * is mixed; a second colour for veins; lots blended so that one surface gets one colour.
 */
export function ColourFields({
  repair,
  sheet,
  batchMl,
  totalG,
  lots,
  kitMassG,
}: {
  repair: Piece;
  sheet: SheetRevision;
  batchMl: number | null;
  totalG: number | null;
  lots: readonly Stock[];
  /** Mass that a closed kit of each id holds, g. */
  kitMassG: (kitId: string) => number;
}) {
  const colour = repair.colour ?? EMPTY;
  const set = (next: Colour) =>
    changePass(repair, (r) => ({ ...r, colour: next.trials.length ? next : null }), 'colour');
  const change = (id: string, over: Partial<ColourTrial>) =>
    set({ ...colour, trials: colour.trials.map((t) => (t.id === id ? { ...t, ...over } : t)) });
  const remove = (id: string) =>
    set({
      trials: colour.trials.filter((t) => t.id !== id),
      chosen: colour.chosen === id ? null : colour.chosen,
      veins: colour.veins?.trial === id ? null : colour.veins,
    });
  const add = () => {
    const last = colour.trials.at(-1);
    const trial: ColourTrial = {
      ...FRESH_TRIAL,
      id: nanoid(6),
      name: `T${colour.trials.length + 1}`,
      inG: last?.inG ?? 20,
      tints: last?.tints ?? [{ name: 'dust', massG: 1, densityGPerMl: 2.65 }],
    };
    set({ ...colour, trials: [...colour.trials, trial] });
  };
  // Of the sheet as it is without the colour: that is what the recipe is scaled over.
  const bare = { ...sheet, parts: sheet.parts.filter((p) => p.id === 'A' || p.id === 'B') };
  const scaled = (trial: ColourTrial | null, ml: number | null) => {
    const tried = trial && ml !== null ? attempt(() => recipeFor(trial, bare, ml, repair.scaleStepG)) : null;
    return tried?.ok ? tried.value : null;
  };
  const taken = takenTrial(colour);
  const recipe = scaled(taken, batchMl);
  const veins = colour.trials.find((t) => t.id === colour.veins?.trial) ?? null;
  const veinRecipe = scaled(veins, colour.veins?.ml ?? null);
  const offers = lots.map((l) => ({ lot: l.lot, availableG: (l.quantity + l.openedShare) * kitMassG(l.kitId) }));
  const blended = totalG !== null && offers.length > 1 ? attempt(() => blendLots(offers, totalG)) : null;
  return (
    <details className="mt-2" open={colour.trials.length > 0}>
      <summary>colour by trial</summary>
      <div className="flex flex-col gap-3 mt-1">
        {colour.trials.map((t) => (
          <Trial
            key={t.id}
            trial={t}
            taken={colour.chosen === t.id}
            veins={colour.veins?.trial === t.id}
            change={(over) => change(t.id, over)}
            take={() => set({ ...colour, chosen: t.id })}
            asVeins={() => set({ ...colour, veins: colour.veins?.trial === t.id ? null : { trial: t.id, ml: 1 } })}
            remove={() => remove(t.id)}
          />
        ))}
        <button type="button" className="btn text-sm self-start" onClick={add}>
          <Plus size={15} aria-hidden="true" /> {colour.trials.length ? 'The next trial' : 'A first trial'}
        </button>
        {taken && recipe && <Recipes title={`${taken.name}, for one batch`} recipe={recipe} />}
        {veins && (
          <>
            <QuantityField
              kind="volume"
              label={`Veins of ${veins.name}, how much`}
              value={colour.veins!.ml}
              onChange={(v) => set({ ...colour, veins: { trial: veins.id, ml: v.value } })}
              check={(v) => (v > 0 && v <= 100_000 ? null : 'More than 0.')}
            />
            {veinRecipe && <Recipes title={`${veins.name}, for the veins`} recipe={veinRecipe} />}
          </>
        )}
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

/** One numbered trial: what is in it, and how it was looked at. */
function Trial({
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
  return (
    <section
      aria-label={t.name}
      className="p-2"
      style={{ border: taken ? '2px solid var(--ink)' : '1px solid var(--hair)' }}
    >
      <div className="grid grid-cols-[1fr_7rem] gap-2 items-end">
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
        <div key={i} className="grid grid-cols-[1fr_5.5rem_6.5rem_2rem] gap-2 items-end mt-1">
          <TextField
            label={`Tint ${i + 1}`}
            hideLabel
            value={x.name}
            onChange={(name) => name.trim() && tint(i, { name: name.trim().slice(0, 60) })}
          />
          <QuantityField
            kind="mass"
            label={`Mass of ${x.name}`}
            hideLabel
            value={x.massG}
            onChange={(v) => tint(i, { massG: v.value })}
            check={(v) => (v > 0 && v <= 100_000 ? null : 'More than 0.')}
          />
          <QuantityField
            kind="density"
            label={`Density of ${x.name}`}
            hideLabel
            value={x.densityGPerMl}
            placeholder="1.4, usual"
            onChange={(v) => tint(i, { densityGPerMl: v.value })}
            onClear={() => tint(i, { densityGPerMl: null })}
            check={(v) => (v >= 0.02 && v <= 12 ? null : 'Between 0.02 and 12 g/mL.')}
          />
          <button
            type="button"
            className="p-1.5"
            disabled={t.tints.length === 1}
            aria-label={`Remove ${x.name}`}
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

/** A recipe scaled, and what the scale makes of each row. */
function Recipes({ title, recipe }: { title: string; recipe: Recipe }) {
  const format = useFormat();
  return (
    <table className="table text-sm" data-testid="recipe">
      <caption className="text-left font-semibold">
        {title}{' '}
        <span className="soft font-normal">
          × {figure(recipe.factor, 3)} of a trial of {format('volume', recipe.trialMl).text}
        </span>
      </caption>
      <tbody>
        {recipe.rows.map((r, i) => (
          <tr key={`${i} ${r.name}`} style={{ borderTop: '1px solid var(--paper-line)' }}>
            <th scope="row" className="text-left font-normal py-0.5">
              {r.name}
            </th>
            <td className="fig text-right">{format('mass', r.massG).text}</td>
            <td className="fig text-right soft w-20">± {figure(r.offPct, 2)} %</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
