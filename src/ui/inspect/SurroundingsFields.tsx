'use client';
import { baseProblems, type Surroundings, skyOf } from '@/core/climate';
import { Choice } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { WhenField } from '../shared/WhenField';
import type { BaseProps } from './BaseFields';

/** Sun, sky, water and heaters: what makes a base warmer or colder than the air. */
export function SurroundingsFields({ base, change, zone }: BaseProps & { readonly zone?: string }) {
  const s = base.surroundings;
  const set = (over: Partial<Surroundings>) =>
    change({ surroundings: { ...s, ...over } }, `around-${Object.keys(over)[0]}`);
  // What does not hold is said at its field and not written.
  const objection = (over: Partial<Surroundings>) =>
    baseProblems({ ...base, surroundings: { ...s, ...over } })[0]?.sentence ?? null;
  const hours = (label: string, value: number, over: (v: number) => Partial<Surroundings>) => (
    <QuantityField
      kind="count"
      label={label}
      value={value}
      onChange={(t) => set(over(t.value))}
      check={(v) => (v >= 0 && v <= 24 ? objection(over(v)) : 'An hour of the day, 0 to 24.')}
    />
  );
  return (
    <details className="mt-2" open={s.sky !== 'none' || s.cover !== null || base.back === 'water'}>
      <summary>sun, sky, water and heaters</summary>
      <div className="flex flex-col gap-2 mt-1">
        <Choice
          label="It sees of the sky"
          options={[
            { id: 'none', label: 'nothing (indoors, under a roof)' },
            { id: 'shade', label: 'sky, no sun' },
            { id: 'open', label: 'sky and sun' },
          ]}
          value={s.sky}
          onChange={(sky) => set({ sky })}
        />
        <div className="grid grid-cols-2 gap-2">
          {s.sky !== 'none' && (
            <QuantityField
              kind="percent"
              label="Clouds"
              value={s.cloudPct}
              onChange={(t) => set({ cloudPct: t.value })}
              check={(v) => objection({ cloudPct: v })}
            />
          )}
          {skyOf(s).sun && (
            <>
              <label className="block">
                Its tone
                <select
                  className="select"
                  value={s.tone}
                  onChange={(e) => set({ tone: e.target.value as Surroundings['tone'] })}
                >
                  <option value="light">light</option>
                  <option value="medium">medium</option>
                  <option value="dark">dark</option>
                </select>
              </label>
              <QuantityField
                kind="count"
                label="Sun at its highest, W/m²"
                value={s.sunPeakW}
                onChange={(t) => set({ sunPeakW: t.value })}
                check={(v) => objection({ sunPeakW: v })}
              />
              {hours('Sun from, h', s.riseHour, (v) => ({ riseHour: v }))}
              {hours('Sun to, h', s.setHour, (v) => ({ setHour: v }))}
            </>
          )}
          {base.back === 'water' && (
            <QuantityField
              kind="temperature"
              label="Water behind it"
              value={s.waterC}
              onChange={(t) => set({ waterC: t.value })}
              check={(v) => objection({ waterC: v })}
            />
          )}
        </div>
        <Choice
          label="Tent, mat or heater"
          options={[
            { id: 'no', label: 'none' },
            { id: 'yes', label: 'on every day' },
          ]}
          value={s.cover ? 'yes' : 'no'}
          onChange={(v) => set({ cover: v === 'yes' ? (s.cover ?? { fromHour: 18, toHour: 9, warmK: 8 }) : null })}
        />
        {s.cover && (
          <div className="grid grid-cols-3 gap-2">
            {hours('On from, h', s.cover.fromHour, (v) => ({ cover: { ...s.cover!, fromHour: v } }))}
            {hours('to, h', s.cover.toHour, (v) => ({ cover: { ...s.cover!, toHour: v } }))}
            <QuantityField
              kind="interval"
              label="Warmer by"
              value={s.cover.warmK}
              onChange={(t) => set({ cover: { ...s.cover!, warmK: t.value } })}
              check={(v) => objection({ cover: { ...s.cover!, warmK: v } })}
            />
          </div>
        )}
        {s.cover && zone && (
          <WhenField
            label="Up and on since (empty: it stands already)"
            value={s.cover.upMs ?? null}
            zone={zone}
            atHour={s.cover.fromHour}
            onChange={(upMs) => set({ cover: { ...s.cover!, upMs } })}
            onClear={() => set({ cover: { ...s.cover!, upMs: undefined } })}
          />
        )}
        <p className="soft text-sm">
          A clear night takes a base several degrees below the air; dark metal in the sun lies far above it. A reading
          overrules all of it.
        </p>
      </div>
    </details>
  );
}
