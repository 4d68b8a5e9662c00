import { Plus, Trash2 } from 'lucide-react';
import type { PassRef } from '@/core/plan';
import {
  areHoles,
  kindOf,
  MOST_SHAPES,
  runAt,
  runsOf,
  SHAPES,
  standApart,
  type Void,
  type VoidShape,
} from '@/core/void';
import { phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { OnOff, TextField, useFormat } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { alikeShapes, namePlace, removeShape, setApart } from './edit';

/** How wide a drilled one is, mm; null of others. */
const acrossOf = (shape: VoidShape): number | null => kindOf(shape).bore?.(shape)?.acrossMm ?? null;

interface ShapesProps {
  readonly of: PassRef;
  readonly measured: Void;
  /** The one that is looked at. */
  readonly index: number;
  readonly choose: (index: number) => void;
  readonly add: () => void;
}

/** The shapes of a void by their names; holes of one size are told once, with how many there are. */
export function ShapesHere({ of, measured, index, choose, add }: ShapesProps) {
  const { shapes, places } = measured;
  const format = useFormat();
  const runs = runsOf(measured);
  const run = runAt(measured, index);
  return (
    <>
      <div className="flex flex-wrap gap-1 mb-1 items-center">
        {runs.length > 1 &&
          runs.map((run) => (
            <button
              key={run[0]}
              type="button"
              className="btn text-sm"
              aria-pressed={run.includes(index)}
              onClick={() => choose(run[0]!)}
            >
              {places?.[run[0]!] ? (
                <Own>{places[run[0]!]}</Own>
              ) : (
                <>
                  {run.length > 1 ? `${run.length} × ` : ''}
                  {SHAPES[shapes[run[0]!]!.shape].label}
                  {acrossOf(shapes[run[0]!]!) !== null && ` Ø ${format('length', acrossOf(shapes[run[0]!]!)!).text}`}
                </>
              )}
            </button>
          ))}
        {runs.length === 1 && <span className="font-semibold">{SHAPES[shapes[index]!.shape].label}</span>}
        <button type="button" className="btn btn-link text-sm" onClick={add} disabled={shapes.length >= MOST_SHAPES}>
          <Plus size={15} aria-hidden="true" /> add a shape
        </button>
        <button type="button" className="btn btn-link text-sm" onClick={() => removeShape(of, index)}>
          <Trash2 size={15} aria-hidden="true" /> {runs.length > 1 ? 'take this one out' : 'another shape'}
        </button>
      </div>
      {shapes.length > 1 && !areHoles(shapes) && (
        <OnOff
          label="Each is a place of its own, and they do not add up to one"
          on={standApart(measured)}
          onChange={(on) => setApart(of, on)}
        />
      )}
      {shapes.length > 1 && standApart(measured) && (
        <TextField
          key={index}
          label="This place is called"
          value={places?.[index] ?? ''}
          onChange={(name) => namePlace(of, index, name)}
        />
      )}
      {areHoles([shapes[index]!]) && shapes.length > 1 && !places?.[index] && (
        <QuantityField
          kind="count"
          className="w-40"
          label="Of this size"
          value={run.length}
          onChange={(t) => alikeShapes(of, index, Math.round(t.value))}
          check={(n) =>
            Number.isInteger(n) && n >= 1 && shapes.length - run.length + n <= MOST_SHAPES
              ? null
              : phrase`A whole number, 1 or more; ${MOST_SHAPES} holes in all at most.`
          }
        />
      )}
    </>
  );
}
