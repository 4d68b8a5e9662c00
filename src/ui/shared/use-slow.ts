'use client';
import { useEffect, useState } from 'react';

/** What takes longer than this is told, ms. */
const SOON_MS = 150;

/** Whether something has been under way for so long that it is told. */
export function useSlow(busy: boolean): boolean {
  const [slow, setSlow] = useState(false);
  useEffect(() => {
    if (!busy) return setSlow(false);
    const timer = setTimeout(() => setSlow(true), SOON_MS);
    return () => clearTimeout(timer);
  }, [busy]);
  return slow;
}
