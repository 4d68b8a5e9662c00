'use client';
import { useSyncExternalStore } from 'react';

const NARROW = '(max-width: 640px), (orientation: landscape) and (max-height: 480px)';

const watch = (told: () => void) => {
  const query = matchMedia(NARROW);
  query.addEventListener('change', told);
  return () => query.removeEventListener('change', told);
};

/**
 * Whether the page is as small as a phone, upright or lying down: drawings are laid out anew for it, not scaled down.
 */
export const useNarrow = (): boolean =>
  useSyncExternalStore(
    watch,
    () => matchMedia(NARROW).matches,
    () => false,
  );
