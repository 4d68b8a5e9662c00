import { useEffect, useState } from 'react';

/** Whether the page was painted with this on it: what takes long is begun after that. */
export function useAfterPaint(): boolean {
  const [painted, setPainted] = useState(false);
  useEffect(() => {
    let after: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      after = setTimeout(() => setPainted(true));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(after);
    };
  }, []);
  return painted;
}
