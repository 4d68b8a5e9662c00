'use client';
import { useState } from 'react';
import { blankShape, ENGINES, type Method } from '@/core/method';
import { BROKE, type BrokeId, SHAPE_IDS, SHAPES, type ShapeId } from '@/core/void';
import { phrase } from '@/words';
import { Drawing } from '../shared/Drawing';

const GROUPS = Object.keys(BROKE) as BrokeId[];

/** What broke, in the order of the shapes: that which a method is for comes first. */
const groupsOf = (ids: readonly ShapeId[]): readonly BrokeId[] => [...new Set(ids.map((id) => SHAPES[id].broke))];

/** Shapes by what broke, each as a small picture; those the method plans first, the others on asking. */
export function ShapePicker({
  method,
  base,
  first,
  choose,
}: {
  method: Method;
  base: string;
  first: boolean;
  choose: (id: ShapeId) => void;
}) {
  const { onFaces } = ENGINES[method.engine];
  // A hole has a cone, a chase a pocket; to a face belongs another face.
  const [all, setAll] = useState(!first && !onFaces);
  const offered = all ? SHAPE_IDS : method.shapes;
  return (
    <div className="p-5">
      <h2 className="font-bold text-lg">{first ? 'What broke?' : 'What else belongs to it?'}</h2>
      <p className="soft mb-2">
        {first
          ? 'Choose what you see; the drawing and the questions follow.'
          : onFaces
            ? 'Its area is added: another room, the other side.'
            : 'Its volume is added: a cone on a hole, a pocket in a chase.'}
      </p>
      <div className="flex flex-wrap gap-x-5">
        {(all ? GROUPS : groupsOf(method.shapes)).map((group) => {
          const mine = offered.filter((id) => SHAPES[id].broke === group);
          if (!mine.length) return null;
          return (
            <section key={group} aria-label={BROKE[group]} className="mb-3">
              <h3 className="soft mb-1" style={{ borderBottom: '1px solid var(--hair)' }}>
                {BROKE[group]}
              </h3>
              <div className="flex flex-wrap gap-2.5">
                {mine.map((id) => {
                  const kind = SHAPES[id];
                  return (
                    <button
                      key={id}
                      type="button"
                      className="btn flex-col !items-stretch w-56 !p-0 !gap-0"
                      onClick={() => choose(id)}
                    >
                      <span className="block w-full h-28">
                        <Drawing
                          drawing={kind.section(blankShape(method.id, id))}
                          base={base}
                          width={224}
                          height={112}
                          small
                          bare
                          unmeasured
                        />
                      </span>
                      <span className="px-3 pb-2 text-left leading-snug">
                        {kind.label}
                        {first && !method.shapes.includes(id) && (
                          <span className="soft font-normal"> · measured only</span>
                        )}
                        <span className="block soft font-normal text-sm">{kind.seen}</span>
                      </span>
                    </button>
                  );
                })}
              </div>
            </section>
          );
        })}
      </div>
      {first && (
        <button type="button" className="btn btn-link" onClick={() => setAll(!all)}>
          {all ? phrase`only what “${method.label}” plans` : 'show every shape that can be measured'}
        </button>
      )}
    </div>
  );
}
