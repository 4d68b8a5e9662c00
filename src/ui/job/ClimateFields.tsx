'use client';
import { useState } from 'react';
import { type ClimateSource, climateProblems } from '@/core/climate';
import type { Job } from '@/core/plan';
import type { Said } from '@/core/say';
import { Choice } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { ClockField } from '../shared/WhenField';
import { usePrefs } from '../workspace/prefs';
import { HourlyFields } from './HourlyFields';

/** Site temperature: constant, or daily low and high with their hours. */
export function ClimateFields({ job, write }: { job: Job; write: (climate: ClimateSource) => void }) {
  const c = job.climate;
  const system = usePrefs((p) => p.system);
  // A source that does not hold is said at its field and not written: the plan always has a sound one.
  const objection = (over: object): Said | null =>
    climateProblems({ ...c, ...over } as ClimateSource)[0]?.sentence ?? null;
  const humidity = c.kind === 'daily' ? c.humidityAtLowPct : c.humidityPct;
  const [hourly, setHourly] = useState(c.kind === 'hourly');
  const means =
    c.kind === 'constant'
      ? c.tempC
      : c.kind === 'daily'
        ? (c.lowC + c.highC) / 2
        : c.rows.reduce((sum, r) => sum + r.tempC, 0) / Math.max(1, c.rows.length);
  const round = (v: number) => Math.round(v * 10) / 10;
  return (
    <div className="grid grid-cols-2 gap-2">
      <div className="col-span-2">
        <Choice
          label="Air"
          hideLabel
          options={[
            { id: 'constant', label: 'constant' },
            { id: 'daily', label: 'daily low and high' },
            { id: 'hourly', label: 'hour by hour' },
          ]}
          value={hourly ? 'hourly' : c.kind}
          onChange={(kind) => {
            // Hour by hour begins when hours are there; until then the weather stays as it is.
            setHourly(kind === 'hourly');
            if (kind === 'hourly' || kind === c.kind) return;
            write(
              kind === 'constant'
                ? { kind, tempC: round(means), humidityPct: humidity }
                : {
                    kind,
                    lowC: round(means - 4),
                    lowHour: 6,
                    highC: round(means + 4),
                    highHour: 15,
                    humidityAtLowPct: humidity,
                  },
            );
          }}
        />
      </div>
      {hourly || c.kind === 'hourly' ? (
        <HourlyFields job={job} write={write} />
      ) : c.kind === 'constant' ? (
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
          <ClockField
            label="low at"
            hour={c.lowHour}
            check={(hour) => objection({ lowHour: hour })}
            onChange={(lowHour) => write({ ...c, lowHour })}
          />
          <QuantityField
            kind="temperature"
            label="Daily high"
            value={c.highC}
            check={(v) => objection({ highC: v })}
            onChange={(t) => write({ ...c, highC: t.value })}
          />
          <ClockField
            label="high at"
            hour={c.highHour}
            check={(hour) => objection({ highHour: hour })}
            onChange={(highHour) => write({ ...c, highHour })}
          />
        </>
      )}
      <QuantityField
        kind="percent"
        label={
          c.kind === 'constant'
            ? 'Humidity'
            : c.kind === 'daily'
              ? 'Humidity at the low'
              : 'Humidity where the hours give none'
        }
        value={humidity}
        typed={{ text: `${Number(humidity.toFixed(1))} %`, system }}
        check={(v) => objection(c.kind === 'daily' ? { humidityAtLowPct: v } : { humidityPct: v })}
        onChange={(t) =>
          write(c.kind === 'daily' ? { ...c, humidityAtLowPct: t.value } : { ...c, humidityPct: t.value })
        }
      />
    </div>
  );
}
