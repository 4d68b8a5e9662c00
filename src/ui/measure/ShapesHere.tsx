import { Plus, Trash2 } from 'lucide-react';
import type { PassRef } from '@/core/plan';
import { areHoles, kindOf, MOST_SHAPES, runAt, runsOf, SHAPES, type VoidShape } from '@/core/void';
import { phrase } from '@/words';
import { useFormat } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { alikeShapes, removeShape } from './edit';

/** How wide a drilled one is, mm; null of others. */
const acrossOf = (shape: VoidShape): number | null => kindOf(shape).bore?.(shape)?.acrossMm ?? null;

interface ShapesProps {
  readonly of: PassRef;
  readonly shapes: readonly VoidShape[];
  /** The one that is looked at. */
  readonly index: number;
  readonly choose: (index: number) => void;
  readonly add: () => void;
}

/** The shapes of a void by their names; holes of one size are told once, with how many there are. */
export function ShapesHere({ of, shapes, index, choose, add }: ShapesProps) {
  const format = useFormat();
  const runs = runsOf(shapes);
  const run = runAt(shapes, index);
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
              {run.length > 1 ? `${run.length} × ` : ''}
              {SHAPES[shapes[run[0]!]!.shape].label}
              {acrossOf(shapes[run[0]!]!) !== null && ` Ø ${format('length', acrossOf(shapes[run[0]!]!)!).text}`}
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
      {areHoles([shapes[index]!]) && shapes.length > 1 && (
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
