'use client';
import type { PotShown } from './pot-shown';

/** The pot itself as the clock: what is left is liquid, below it thickens; a wait fills from the bottom with hatch. */
export function Pot({ big, over, of, says, share, mode }: PotShown) {
  const bands =
    mode === 'pot'
      ? [
          { texture: 'tx-liquid', part: share },
          { texture: 'tx-gelled', part: 1 - share },
        ]
      : mode === 'over'
        ? [{ texture: 'tx-hardening', part: 1 }]
        : mode === 'wait'
          ? [
              { texture: 'tx-gelled', part: 1 - share },
              { texture: 'tx-hardening', part: share },
            ]
          : mode === 'set'
            ? [{ texture: 'tx-set', part: 1 }]
            : [];
  const H = 150;
  let y = 0;
  return (
    <section
      aria-label="Clock"
      className="paper"
      style={{ borderWidth: 2, ...(mode === 'over' ? { borderColor: 'var(--stop)' } : {}) }}
    >
      <div className="px-3.5 pt-2 pb-1.5" style={{ borderBottom: '3px solid var(--rule)' }}>
        <p className="text-[1.02rem]" style={mode === 'over' ? { color: 'var(--stop)', fontWeight: 700 } : undefined}>
          {over}
        </p>
        <p className="flex items-baseline justify-between gap-3">
          <strong
            className={`fig font-extrabold leading-none ${big.length > 6 ? 'pot-long' : 'pot-big'}`}
            style={{
              color: mode === 'over' ? 'var(--stop)' : undefined,
            }}
            data-testid="clock"
            role="timer"
          >
            {big}
          </strong>
          <span className="soft text-right">{of}</span>
        </p>
      </div>
      <div className="relative">
        <svg
          viewBox={`0 0 360 ${H}`}
          preserveAspectRatio="none"
          className="w-full block h-[110px] md:h-[150px]"
          aria-hidden="true"
        >
          {bands.map((b) => {
            const from = y;
            y += b.part * H;
            return (
              <rect
                key={b.texture}
                x="0"
                y={from}
                width="360"
                height={Math.max(0, b.part * H)}
                fill={`url(#${b.texture})`}
              />
            );
          })}
        </svg>
        {says && (
          <p className="absolute left-3 top-2.5 px-2 py-1" style={{ background: 'var(--paper)' }}>
            {says}
          </p>
        )}
      </div>
    </section>
  );
}
