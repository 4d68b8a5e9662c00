import type { Point } from '@/core/void';

/**
 * Where on a page a pointer is, in the page's own units: a page may stand in the middle of a larger frame, so its
 * transform is asked.
 */
export function placeOn(svg: SVGSVGElement, e: { readonly clientX: number; readonly clientY: number }): Point {
  const transform = svg.getScreenCTM();
  if (!transform) return [0, 0];
  const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(transform.inverse());
  return [at.x, at.y];
}

/** Units of the page in one pixel of the screen. */
export const unitsPerPixel = (svg: SVGSVGElement | null): number => 1 / (svg?.getScreenCTM()?.a ?? 1);
