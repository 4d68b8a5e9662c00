'use client';
import type { Piece } from '@/core/plan';
import { ORIENTATIONS, WETNESS } from '@/core/system';
import { Choice, Heading } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { changePass } from '../workspace/workspace';

/** What decides among systems and is seen at the place: how it lies, how wet it is, who works there. */
export function FoundAtThePlace({ repair }: { repair: Piece }) {
  const change = (over: Partial<Piece>) => changePass(repair, (r) => ({ ...r, ...over }), Object.keys(over)[0]);
  return (
    <>
      <Heading>Found at the place</Heading>
      <div className="flex flex-col gap-2">
        <Choice
          label="It lies"
          options={ORIENTATIONS.map((id) => ({
            id,
            label: id === 'floor' ? 'on the floor' : id === 'wall' ? 'on a wall' : 'overhead',
          }))}
          value={repair.orientation}
          onChange={(orientation) => change({ orientation })}
        />
        <Choice
          label="The surface is"
          options={WETNESS.map((id) => ({ id, label: id }))}
          value={repair.surface}
          onChange={(surface) => change({ surface })}
        />
        <div className="grid grid-cols-2 gap-2">
          <QuantityField
            kind="percent"
            label="Moisture inside (measured)"
            value={repair.moisturePct}
            onChange={(t) => change({ moisturePct: t.value })}
            onClear={() => change({ moisturePct: null })}
            check={(v) => (v >= 0 && v <= 100 ? null : 'Between 0 and 100 %.')}
          />
          <QuantityField
            kind="count"
            label="Pairs of hands placing"
            value={repair.crew}
            onChange={(t) => change({ crew: t.value })}
            check={(v) => (Number.isInteger(v) && v >= 1 && v <= 12 ? null : 'Whole people, 1 to 12.')}
          />
        </div>
      </div>
    </>
  );
}
