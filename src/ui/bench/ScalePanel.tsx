'use client';
import { Unplug } from 'lucide-react';
import type { PartId } from '@/core/system';
import type { ScaleReading } from '@/device/scale';
import type { SimulatedScale } from '@/device/simulated-scale';
import { phrase } from '@/words';
import { useFormat } from '../shared/bits';

/** The scale as it stands on the bench: what it shows, pouring, taking over, the plug. */
export function ScalePanel({
  scale,
  reading,
  part,
  running,
  figures,
  onTake,
}: {
  scale: SimulatedScale;
  reading: ScaleReading | null;
  part: PartId | null;
  /** What has run since it was tared, g. */
  running: number;
  /** Figures that its step can tell of a mass. */
  figures: (grams: number) => number;
  onTake: () => void;
}) {
  const format = useFormat();
  const lost = reading?.kind === 'lost';
  const shown = reading?.kind === 'reading' ? reading.grams : reading?.kind === 'lost' ? reading.lastGrams : null;
  return (
    <div className="paper p-3 mt-2">
      <p className="soft text-sm flex justify-between">
        <span>{scale.name}</span>
        <span>{lost ? 'no reading' : reading?.kind === 'reading' && !reading.stable ? 'wavering' : 'steady'}</span>
      </p>
      <p
        className="fig text-5xl font-extrabold text-right leading-tight"
        data-testid="scale"
        style={lost ? { color: 'var(--stop)' } : undefined}
      >
        {shown === null ? '––' : format('mass', shown, figures(shown)).text}
      </p>
      {lost && (
        <p
          role="alert"
          className="font-semibold"
        >{phrase`The scale is gone in mid-pour; it last showed ${format('mass', shown ?? 0).text}. What was taken over stands. Connect it again, or type what a second scale shows.`}</p>
      )}
      <div className="grid grid-cols-2 gap-2 mt-2">
        <button
          type="button"
          className="btn justify-center min-h-14 text-lg select-none touch-none"
          disabled={!part || lost}
          onPointerDown={() => scale.pour(true)}
          onPointerUp={() => scale.pour(false)}
          onPointerLeave={() => scale.pour(false)}
          onPointerCancel={() => scale.pour(false)}
          onKeyDown={(e) => (e.key === ' ' || e.key === 'Enter') && !e.repeat && scale.pour(true)}
          onKeyUp={() => scale.pour(false)}
          onBlur={() => scale.pour(false)}
        >
          hold to pour
        </button>
        <button
          type="button"
          className="btn btn-neutral justify-center min-h-14 text-lg"
          disabled={!part || !(running > 0) || (reading?.kind === 'reading' && !reading.stable)}
          onClick={onTake}
        >
          {part ? phrase`Take ${format('mass', running, figures(running)).text} of ${part}` : 'All in'}
        </button>
      </div>
      <div className="flex gap-2 mt-2">
        <button type="button" className="btn text-sm" onClick={() => scale.tare()} disabled={lost}>
          to nought
        </button>
        <button type="button" className="btn text-sm" onClick={() => scale.plug(!scale.plugged())}>
          <Unplug size={15} aria-hidden="true" /> {lost ? 'connect again' : 'pull the plug'}
        </button>
      </div>
    </div>
  );
}
