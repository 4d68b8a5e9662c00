'use client';
import { useEffect, useRef, useState } from 'react';

/** Width of an element as it is laid out, px, never under a phone’s. */
export function useWidth(first = 1280) {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(first);
  useEffect(() => {
    if (!ref.current) return;
    const watch = new ResizeObserver(([entry]) => entry && setWidth(Math.max(280, entry.contentRect.width)));
    watch.observe(ref.current);
    return () => watch.disconnect();
  }, []);
  return [ref, width] as const;
}
