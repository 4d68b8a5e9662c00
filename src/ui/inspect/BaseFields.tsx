'use client';
import { type BaseBody, ofMaterial } from '@/core/climate';
import { BASES } from '@/core/system';
import { QuantityField } from '../shared/QuantityField';

/** A base and the way to change some of it; the key names changes that undo takes together. */
export interface BaseProps {
  readonly base: BaseBody;
  readonly change: (over: Partial<BaseBody>, key: string) => void;
}

/** What the base is as a body of its own warmth. */
export function BaseFields({ base, change }: BaseProps) {
  return (
    <>
      <label className="block">
        Material
        <select
          className="select"
          value={base.material}
          onChange={(e) => change(ofMaterial(base, e.target.value as BaseBody['material']), 'inspect')}
        >
          {BASES.map((b) => (
            <option key={b}>{b}</option>
          ))}
        </select>
      </label>
      <QuantityField
        kind="length"
        label="Thickness"
        value={base.thicknessMm}
        onChange={(t) => change({ thicknessMm: t.value }, 'thickness')}
        check={(v) => (v > 0 && v <= 5000 ? null : 'The thickness must be more than 0 and at most 5 m.')}
      />
      <label className="block">
        Behind it
        <select
          className="select"
          value={base.back}
          onChange={(e) => {
            const back = e.target.value as BaseBody['back'];
            const around = base.surroundings;
            // Water needs a temperature at once; a lake in spring is a beginning.
            change(
              { back, surroundings: { ...around, waterC: back === 'water' ? (around.waterC ?? 8) : around.waterC } },
              'inspect',
            );
          }}
        >
          <option value="ground">ground</option>
          <option value="air">air</option>
          <option value="insulated">insulation</option>
          <option value="water">water</option>
        </select>
      </label>
      <label className="block">
        Exposed
        <select
          className="select"
          value={base.exposure}
          onChange={(e) => change({ exposure: e.target.value as BaseBody['exposure'] }, 'inspect')}
        >
          <option value="sheltered">sheltered</option>
          <option value="windy">to wind</option>
        </select>
      </label>
    </>
  );
}
