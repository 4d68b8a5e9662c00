/** Whether a finger or button is held down on the page. */
let held = false;
if (typeof window !== 'undefined') {
  const is = (down: boolean) => () => {
    held = down;
  };
  window.addEventListener('pointerdown', is(true), { capture: true });
  for (const end of ['pointerup', 'pointercancel', 'dragend'])
    window.addEventListener(end, is(false), { capture: true });
}

/**
 * Does what leaving a field does, but not between the two halves of a press: a complaint that appears would move what
 * is
 * being pressed away from under the finger. It is done before the press is answered.
 */
export function afterPress(does: () => void): void {
  if (!held) {
    does();
    return;
  }
  const ends = new AbortController();
  const once = () => {
    if (ends.signal.aborted) return;
    ends.abort();
    does();
  };
  const { signal } = ends;
  window.addEventListener('click', once, { capture: true, signal });
  // Let go elsewhere, there is no click.
  for (const end of ['pointerup', 'pointercancel', 'dragend'])
    window.addEventListener(end, () => setTimeout(once, 0), { capture: true, signal });
}
