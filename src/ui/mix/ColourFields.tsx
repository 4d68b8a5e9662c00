'use client';
import { Plus } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { blendLots, type Colour, type ColourTrial, FRESH_TRIAL, type Recipe, recipeFor, takenTrial } from '@/core/mix';
import type { Piece } from '@/core/plan';
import { attempt } from '@/core/say';
import type { SheetRevision, Stock } from '@/core/system';

import { figure, joined, phrase } from '@/words';
import { Prose, useFormat } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { changePass } from '../workspace/workspace';
import { TrialBoard } from './TrialBoard';
import { Trial } from './TrialFields';

const EMPTY: Colour = { trials: [], chosen: null, veins: null };

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
  const [opened, setOpened] = useState<string | null>(null);
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
    setOpened(trial.id);
  };
  const open = colour.trials.find((t) => t.id === opened) ?? takenTrial(colour) ?? colour.trials.at(-1);
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
        {colour.trials.length > 1 && <TrialBoard colour={colour} open={open?.id} choose={setOpened} />}
        {open && (
          <Trial
            key={open.id}
            trial={open}
            taken={colour.chosen === open.id}
            veins={colour.veins?.trial === open.id}
            change={(over) => change(open.id, over)}
            take={() => set({ ...colour, chosen: open.id })}
            asVeins={() =>
              set({ ...colour, veins: colour.veins?.trial === open.id ? null : { trial: open.id, ml: 1 } })
            }
            remove={() => remove(open.id)}
          />
        )}
        <button type="button" className="btn text-sm self-start" onClick={add}>
          <Plus size={15} aria-hidden="true" /> {colour.trials.length ? 'The next trial' : 'A first trial'}
        </button>
        {taken && recipe && <Recipes title={phrase`${taken.name}, for one batch`} recipe={recipe} />}
        {veins && (
          <>
            <QuantityField
              kind="volume"
              label={phrase`Veins of ${veins.name}, how much`}
              value={colour.veins!.ml}
              onChange={(v) => set({ ...colour, veins: { trial: veins.id, ml: v.value } })}
              check={(v) => (v > 0 && v <= 100_000 ? null : 'More than 0.')}
            />
            {veinRecipe && <Recipes title={phrase`${veins.name}, for the veins`} recipe={veinRecipe} />}
          </>
        )}
        {colour.trials.length > 0 && blended && (
          <p className="text-sm">
            <strong>One colour over the surface:</strong>{' '}
            {blended.ok ? (
              blended.value.length === 1 ? (
                phrase`lot ${blended.value[0]!.lot} alone covers it.`
              ) : (
                phrase`blend the lots first, in every batch ${joined(
                  blended.value.map((l) => phrase`${figure(l.share * 100, 3)} % of ${l.lot}`),
                  ' and ',
                )}.`
              )
            ) : (
              <Prose>{blended.problem.sentence}</Prose>
            )}
          </p>
        )}
      </div>
    </details>
  );
}

/** A recipe scaled, and what the scale makes of each row. */
function Recipes({ title, recipe }: { title: string; recipe: Recipe }) {
  const format = useFormat();
  return (
    <table className="table text-sm" data-testid="recipe">
      <caption className="text-left font-semibold">
        {title}{' '}
        <span className="soft font-normal">{phrase`× ${figure(recipe.factor, 3)} of a trial of ${format('volume', recipe.trialMl).text}`}</span>
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
