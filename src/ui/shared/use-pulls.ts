import { type KeyboardEvent, type PointerEvent, type RefObject, useState } from 'react';
import type { DimensionLine, Drawing, Point } from '@/core/void';
import type { Fit } from './drawing-fit';
import { unitsPerPixel } from './svg-place';

/** What the hand holds: the end of a dimension line, something that is moved about, or the line of the section. */
type Grip =
  | { readonly what: 'dimension'; readonly line: DimensionLine; readonly start: number }
  | { readonly what: 'handle'; readonly key: string; readonly start: Point }
  | { readonly what: 'cut'; readonly start: number };
type Held = Grip & { readonly fit: Fit; readonly x: number; readonly y: number };

interface Pulled {
  readonly drawing: Drawing;
  readonly values?: Readonly<Record<string, number>>;
  readonly onDrag?: (key: string, valueMm: number) => void;
  readonly onMove?: (key: string, at: Point) => void;
  readonly onCut?: (share: number) => void;
}

/** A step of the hand that suits the size of what is moved, mm. */
const stepFor = (v: number) => (v > 50 ? 1 : v > 10 ? 0.5 : 0.1);
const KEYS: Readonly<Record<string, Point>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Steps that an arrow key asks for, ten with Shift; null for another key. */
function nudged(e: KeyboardEvent): Point | null {
  const way = KEYS[e.key];
  if (!way) return null;
  e.preventDefault();
  const times = e.shiftKey ? 10 : 1;
  return [way[0] * times, way[1] * times];
}

/** Pulling at a drawing, by the hand or by the arrow keys. */
export function usePulls(svg: RefObject<SVGSVGElement | null>, { drawing, values, onDrag, onMove, onCut }: Pulled) {
  const [held, setHeld] = useState<Held | null>(null);
  const take = (e: PointerEvent<SVGElement>, fit: Fit, grip: Grip) => {
    e.stopPropagation();
    e.currentTarget.setPointerCapture(e.pointerId);
    setHeld({ ...grip, fit, x: e.clientX, y: e.clientY });
  };
  const move = (e: PointerEvent) => {
    if (!held) return;
    const mm = unitsPerPixel(svg.current) / held.fit.k;
    const [dx, dy] = [(e.clientX - held.x) * mm, (e.clientY - held.y) * mm];
    if (held.what === 'handle') onMove?.(held.key, [held.start[0] + dx, held.start[1] + dy]);
    else if (held.what === 'cut') {
      const { from, to } = drawing.cut!;
      onCut?.(Math.min(0.98, Math.max(0.02, held.start + dy / (to - from))));
    } else {
      const { from, to, perMm } = held.line;
      const flat = Math.abs(to[0] - from[0]) >= Math.abs(to[1] - from[1]);
      const forward = (flat ? Math.sign(to[0] - from[0]) : Math.sign(to[1] - from[1])) || 1;
      const v = held.start + (flat ? dx : dy) * perMm * forward;
      const step = stepFor(v);
      onDrag?.(held.line.key, Math.max(step, Math.round(v / step) * step));
    }
  };
  const nudge = (d: DimensionLine, e: KeyboardEvent) => {
    const way = nudged(e);
    if (!way || !onDrag) return;
    const v = values?.[d.key] ?? 0;
    onDrag(d.key, Math.max(0.1, Number((v + (way[0] - way[1]) * stepFor(v)).toFixed(3))));
  };
  return { held, take, move, letGo: () => setHeld(null), nudged, nudge };
}
