'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';

/** Width of an element as it is laid out, px, never under a phone’s, or the least that is asked for. */
export function useWidth(first = 1280, least = 280) {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(first);
  useEffect(() => {
    if (!ref.current) return;
    const watch = new ResizeObserver(([entry]) => {
      // Drawn in the frame in which its room changes: else that one shows the drawing of another width.
      if (entry) flushSync(() => setWidth(Math.max(least, entry.contentRect.width)));
    });
    watch.observe(ref.current);
    return () => watch.disconnect();
  }, [least]);
  return [ref, width] as const;
}

/** Width and height of an element as it is laid out, px; what is given stands until it has been. */
export function useSize(first: { readonly width: number; readonly height: number }) {
  const [size, setSize] = useState(first);
  const ref = useCallback((at: HTMLElement | null) => {
    if (!at) return;
    const read = () => {
      const [width, height] = [at.clientWidth, at.clientHeight];
      // Folded away it has no size: it comes back as it was.
      if (width > 0 && height > 0)
        setSize((old) => (old.width === width && old.height === height ? old : { width, height }));
    };
    read();
    const watch = new ResizeObserver(read);
    watch.observe(at);
    return () => watch.disconnect();
  }, []);
  return [ref, size] as const;
}
