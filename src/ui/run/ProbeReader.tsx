'use client';
import { useEffect, useState } from 'react';
import type { ProbeReading } from '@/device/probe';
import { useFormat } from '../shared/bits';

/** What the probe is held to. */
interface Face {
  readonly faceC: number;
  readonly humidityPct: number;
}

/** The probe that ships, live: held to the place, read when it has settled. */
export function ProbeReader({
  faceC,
  humidityPct,
  onTake,
}: Face & {
  onTake: (tempC: number, humidityPct: number) => void;
}) {
  const format = useFormat();
  // As it was when the probe was put to it: a face that drifts while one waits must not begin the wait again.
  const [held, setHeld] = useState<Face | null>(null);
  const [reading, setReading] = useState<ProbeReading | null>(null);
  const [lost, setLost] = useState(false);
  useEffect(() => {
    if (!held) return;
    setLost(false);
    setReading(null);
    const asked = new URLSearchParams({
      temp: held.faceC.toFixed(1),
      humidity: String(Math.round(held.humidityPct)),
      seed: String(Math.round(held.faceC * 10) + 7),
    });
    const stream = new EventSource(`/api/probe?${asked}`);
    stream.onmessage = (e) => setReading(JSON.parse(e.data as string) as ProbeReading);
    stream.onerror = () => {
      stream.close();
      setLost(true);
    };
    return () => stream.close();
  }, [held]);
  return (
    <div className="p-2.5" style={{ border: '1px solid var(--rule)' }}>
      <p className="flex justify-between soft text-sm">
        <span>contact probe (simulated)</span>
        <span>
          {!held
            ? ''
            : lost
              ? 'lost: type the value'
              : reading
                ? reading.settled
                  ? 'settled'
                  : 'settling'
                : 'listening'}
        </span>
      </p>
      {!held ? (
        <button type="button" className="btn mt-1 min-h-[44px]" onClick={() => setHeld({ faceC, humidityPct })}>
          Hold it to the place
        </button>
      ) : (
        <div className="flex items-center gap-4 mt-1 flex-wrap">
          <strong className="fig text-3xl" data-testid="probe">
            {reading ? format('temperature', reading.tempC).text : '––'}
          </strong>
          {reading && <span className="fig">{reading.humidityPct} %</span>}
          <button
            type="button"
            className="btn min-h-[44px]"
            disabled={!reading?.settled || lost}
            onClick={() => {
              if (reading) onTake(reading.tempC, Math.max(1, reading.humidityPct));
              setHeld(null);
            }}
          >
            Take it over
          </button>
        </div>
      )}
    </div>
  );
}
