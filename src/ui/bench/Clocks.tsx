'use client';

import { formatDuration, phrase } from '@/words';
import { clock, countdown } from '../shared/when';

/** Mixing, standing, pot: each from its own instant. */
export function Clocks({
  mixMin,
  isOurs,
  began,
  over,
  standMs,
  deadMs,
  potFrom,
  nowMs,
  zone,
}: {
  mixMin: number;
  /** The sheet prints no mixing time: it is Grenko’s. */
  isOurs: boolean;
  began: number | null;
  over: number | null;
  standMs: number | null;
  deadMs: number | null;
  potFrom: number | null;
  nowMs: number;
  zone: string;
}) {
  const mixed = isOurs
    ? phrase`${formatDuration(mixMin)}, Grenko’s figure`
    : phrase`${formatDuration(mixMin)} by the sheet`;
  if (began === null)
    return <p className="mt-2 soft">{phrase`The clocks begin with mixing: ${mixed}; then the pot’s own.`}</p>;
  const mixing = over === null ? began + mixMin * 60_000 - nowMs : null;
  return (
    <div className="grid grid-cols-3 gap-3 mt-2">
      <div>
        <p className="soft text-sm">mixing</p>
        <p className="fig text-3xl font-extrabold" role="timer" data-testid="mix-clock">
          {mixing === null ? 'done' : mixing > 0 ? countdown(mixing) : `+${countdown(-mixing).replace(/^[−-]/, '')}`}
        </p>
        <p className="soft text-sm">{mixing !== null && mixing <= 0 ? 'its time is over; even colour?' : mixed}</p>
      </div>
      <div>
        <p className="soft text-sm">standing</p>
        <p className="fig text-3xl font-extrabold" role="timer">
          {standMs !== null ? (standMs > nowMs ? countdown(standMs - nowMs) : 'over') : '–'}
        </p>
      </div>
      <div>
        <p className="soft text-sm">left in the pot</p>
        <p
          className="fig text-3xl font-extrabold"
          role="timer"
          data-testid="pot-clock"
          style={deadMs !== null && deadMs < nowMs ? { color: 'var(--stop)' } : undefined}
        >
          {deadMs === null ? '–' : countdown(deadMs - nowMs)}
        </p>
        <p className="soft text-sm">
          {deadMs !== null && potFrom !== null ? phrase`dead at ${clock(deadMs, zone)}` : ''}
        </p>
      </div>
    </div>
  );
}
