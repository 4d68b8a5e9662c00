'use client';
import { useState } from 'react';
import { type ClimateSource, climateProblems } from '@/core/climate';
import type { Job } from '@/core/plan';
import { usePrefs } from '../desk/prefs';
import { Choice } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';

const hourText = (h: number) => `${String(Math.floor(h)).padStart(2, '0')}:${String(Math.round((h % 1) * 60)).padStart(2, '0')}`;
const hourOf = (text: string) => {
  const [h = 0, m = 0] = text.split(':').map(Number);
  return h + m / 60;
};

/** Site temperature: constant, or daily low and high with their hours. */
export function ClimateFields({ job, write }: { job: Job; write: (climate: ClimateSource) => void }) {
  const c = job.climate;
  const system = usePrefs((p) => p.system);
  // A source that does not hold is said at its field and not written: the plan always has a sound one.
  const objection = (over: object): string | null => climateProblems({ ...c, ...over } as ClimateSource)[0]?.sentence ?? null;
  const [fault, setFault] = useState<string | null>(null);
  const writeHour = (over: object) => {
    const said = objection(over);
    setFault(said);
    if (!said) write({ ...c, ...over } as ClimateSource);
  };
  const humidity = c.kind === 'constant' ? c.humidityPct : c.humidityAtLowPct;
  return (
    <div className="grid grid-cols-2 gap-2">
      <div className="col-span-2">
        <Choice
          label="Air"
          hideLabel
          options={[
            { id: 'constant', label: 'constant' },
            { id: 'daily', label: 'daily low and high' },
          ]}
          value={c.kind}
          onChange={(kind) =>
            kind !== c.kind &&
            write(
              kind === 'constant'
                ? { kind, tempC: c.kind === 'daily' ? (c.lowC + c.highC) / 2 : 15, humidityPct: humidity }
                : {
                    kind,
                    lowC: c.kind === 'constant' ? c.tempC - 4 : 8,
                    lowHour: 6,
                    highC: c.kind === 'constant' ? c.tempC + 4 : 16,
                    highHour: 15,
                    humidityAtLowPct: humidity,
                  },
            )
          }
        />
      </div>
      {c.kind === 'constant' ? (
        <QuantityField
          kind="temperature"
          label="Air temperature"
          value={c.tempC}
          check={(v) => objection({ tempC: v })}
          onChange={(t) => write({ ...c, tempC: t.value })}
        />
      ) : (
        <>
          <QuantityField
            kind="temperature"
            label="Daily low"
            value={c.lowC}
            check={(v) => objection({ lowC: v })}
            onChange={(t) => write({ ...c, lowC: t.value })}
          />
          <label className="block">
            at
            <input
              type="time"
              className="field fig"
              value={hourText(c.lowHour)}
              onChange={(e) => e.target.value && writeHour({ lowHour: hourOf(e.target.value) })}
            />
          </label>
          <QuantityField
            kind="temperature"
            label="Daily high"
            value={c.highC}
            check={(v) => objection({ highC: v })}
            onChange={(t) => write({ ...c, highC: t.value })}
          />
          <label className="block">
            at
            <input
              type="time"
              className="field fig"
              value={hourText(c.highHour)}
              onChange={(e) => e.target.value && writeHour({ highHour: hourOf(e.target.value) })}
            />
          </label>
          {fault && (
            <p role="alert" className="col-span-2 text-sm" style={{ color: 'var(--stop)' }}>
              {fault}
            </p>
          )}
        </>
      )}
      <QuantityField
        kind="percent"
        label={c.kind === 'constant' ? 'Humidity' : 'Humidity at the low'}
        value={humidity}
        typed={{ text: `${Number(humidity.toFixed(1))} %`, system }}
        check={(v) => objection(c.kind === 'constant' ? { humidityPct: v } : { humidityAtLowPct: v })}
        onChange={(t) => write(c.kind === 'constant' ? { ...c, humidityPct: t.value } : { ...c, humidityAtLowPct: t.value })}
      />
    </div>
  );
}
