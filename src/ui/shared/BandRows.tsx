'use client';
import { memo, type PointerEvent, useMemo } from 'react';
import { type CureState, ribbonsOf } from '@/core/plan';
import type { RepairView } from '@/core/record';
import type { BandShapes } from './band-shapes';
import { useReader } from './bits';
import { rowSays } from './RibbonRow';

const FILL: Readonly<Record<CureState, string>> = {
  liquid: 'url(#tx-liquid)',
  gelled: 'url(#tx-gelled)',
  hardening: 'url(#tx-hardening)',
  set: 'var(--set)',
};

/** All repairs of a band as they are drawn: ribbons with their openings, the work under them, stalls, barriers. */
export const BandRows = memo(function BandRows({ shapes }: { shapes: BandShapes }) {
  const line = (d: string, stroke: string, width: number, dash?: string) =>
    d && <path d={d} fill="none" stroke={stroke} strokeWidth={width} strokeDasharray={dash} />;
  return (
    <>
      {Object.entries(shapes.fills).map(([state, d]) => (
        <path key={state} d={d} fill={FILL[state as CureState]} />
      ))}
      {line(shapes.edges, 'var(--ink)', 1)}
      {line(shapes.openings, 'var(--part-a)', 1.4)}
      {line(shapes.work, 'var(--ink)', 1)}
      {line(shapes.stalls, 'var(--stop)', 1.6)}
      {line(shapes.feet + shapes.up + shapes.down, 'var(--ink)', 5)}
      {line(shapes.up, 'var(--paper)', 3, '7 5')}
      {line(shapes.down, 'var(--stop)', 3, '7 5')}
      {line(shapes.opens, 'var(--ink)', 3)}
    </>
  );
});

/** The row of a repair for the hand: it says what lies in it, and pulls its start where that may still move. */
export const RowForHand = memo(function RowForHand({
  view: { plan, repair },
  box: [left, top, right, bottom],
  zone,
  onGrab,
}: {
  view: RepairView;
  box: readonly [left: number, top: number, right: number, bottom: number];
  zone: string;
  /** Absent where it does not move any more. */
  onGrab?: ((e: PointerEvent<SVGPolygonElement>, startMs: number) => void) | undefined;
}) {
  const reader = useReader(zone);
  const told = useMemo(() => rowSays(plan, zone, reader), [plan, zone, reader]);
  const ribbons = ribbonsOf(plan);
  const first = plan.steps[0];
  return (
    <polygon
      points={`${left},${top} ${right},${top} ${right},${bottom} ${left},${bottom}`}
      fill="transparent"
      data-ribbons={ribbons.length}
      data-windows={ribbons.filter((r) => r.window).length}
      {...(onGrab && first
        ? {
            style: { cursor: 'grab', touchAction: 'none' },
            'data-testid': `pull-start-${repair.id}`,
            onPointerDown: (e: PointerEvent<SVGPolygonElement>) => onGrab(e, first.startMs),
          }
        : {})}
    >
      <title>{[...(onGrab ? ['Pull sideways: another start'] : []), ...told].join('\n')}</title>
    </polygon>
  );
});
