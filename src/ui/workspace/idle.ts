/**
 * Calls once the page has nothing better to do.
 * @returns what takes it back
 */
export function idle(call: () => void): () => void {
  if (typeof requestIdleCallback === 'function') {
    const id = requestIdleCallback(call, { timeout: 1500 });
    return () => cancelIdleCallback(id);
  }
  const id = setTimeout(call, 50);
  return () => clearTimeout(id);
}
