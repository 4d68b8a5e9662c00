'use client';
import { memo, type PointerEvent, useState } from 'react';
import { type ChainPlan, type CureState, ribbonsOf } from '@/core/plan';
import type { PlannedRepair } from '@/core/record';
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

/** What a row says, written out where somebody points at it. */
function RowTitle({ plan, zone, pulled }: { plan: ChainPlan; zone: string; pulled: boolean }) {
  const reader = useReader(zone);
  return (
    <title>{[...(pulled ? ['Pull sideways: another start'] : []), ...rowSays(plan, zone, reader)].join('\n')}</title>
  );
}

/** Takes hold of a repair, to pull its start. */
export type Grab = (e: PointerEvent<SVGPolygonElement>, repairId: string, startMs: number) => void;

/** The row of a repair for the hand: it says what lies in it, and pulls its start where that may still move. */
export const RowForHand = memo(function RowForHand({
  view: { plan, repair },
  left,
  right,
  top,
  bottom,
  zone,
  grab,
}: {
  view: PlannedRepair;
  left: number;
  right: number;
  top: number;
  bottom: number;
  zone: string;
  /** null where it does not move any more. */
  grab: Grab | null;
}) {
  // A band is drawn anew with every pull, and read by nobody meanwhile.
  const [pointed, setPointed] = useState(false);
  const ribbons = ribbonsOf(plan);
  const first = plan.steps[0];
  return (
    <polygon
      points={`${left},${top} ${right},${top} ${right},${bottom} ${left},${bottom}`}
      fill="transparent"
      data-ribbons={ribbons.length}
      data-windows={ribbons.filter((r) => r.window).length}
      onPointerEnter={() => setPointed(true)}
      onPointerLeave={() => setPointed(false)}
      {...(grab && first
        ? {
            style: GRABBED,
            'data-testid': `pull-start-${repair.id}`,
            onPointerDown: (e: PointerEvent<SVGPolygonElement>) => grab(e, repair.id, first.startMs),
          }
        : {})}
    >
      {pointed && <RowTitle plan={plan} zone={zone} pulled={grab !== null} />}
    </polygon>
  );
});
const GRABBED = { cursor: 'grab', touchAction: 'none' } as const;
