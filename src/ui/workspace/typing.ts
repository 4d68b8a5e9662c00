'use client';
import { type RefObject, useCallback, useEffect, useLayoutEffect, useState } from 'react';
import { z } from 'zod';
import { storage } from './workspace';

/**
 * What is being typed and is not taken in yet, by place. It is kept from the first keystroke and comes back as it was
 * typed.
 */
const KEY = 'grenko.typing';
const Kept = z.record(z.string(), z.string());
/** Older ones fall out first. */
const MOST = 200;

function all(): Map<string, string> {
  try {
    const parsed = Kept.safeParse(JSON.parse(storage()?.getItem(KEY) ?? '{}'));
    return new Map(parsed.success ? Object.entries(parsed.data) : []);
  } catch {
    return new Map();
  }
}

/** Keeps a text under a name; null lets go of it. */
export function keepTyped(id: string, text: string | null): void {
  const kept = all();
  if (text === null && !kept.has(id)) return;
  kept.delete(id);
  if (text !== null) kept.set(id, text);
  try {
    storage()?.setItem(KEY, JSON.stringify(Object.fromEntries([...kept].slice(-MOST))));
  } catch {
    // No room: it stays on the screen as long as the page does.
  }
}
export const keptTyped = (id: string): string | null => all().get(id) ?? null;

/** Several fields of a page may carry one label: they are told apart by their order. */
function placeOf(name: string, element: HTMLElement | null): string {
  const alike = [...document.querySelectorAll<HTMLElement>('[data-typed]')].filter((e) => e.dataset.typed === name);
  const nth = element ? Math.max(0, alike.indexOf(element)) : 0;
  return `${location.pathname}|${name}|${nth}`;
}

export interface TypedText {
  /** The text as typed; null while nothing is typed that is not taken in. */
  readonly text: string | null;
  /** It was typed before the page was left. */
  readonly restored: boolean;
  readonly type: (text: string | null) => void;
}

const useBrowserLayout = typeof window === 'undefined' ? useEffect : useLayoutEffect;

/** Text of a field that outlives the page until it is taken in. The element carries `data-typed={name}`. */
export function useTyped(name: string, ref: RefObject<HTMLElement | null>): TypedText {
  const [text, setText] = useState<string | null>(null);
  const [restored, setRestored] = useState(false);
  useBrowserLayout(() => {
    const kept = keptTyped(placeOf(name, ref.current));
    if (kept === null) return;
    setText(kept);
    setRestored(true);
  }, [name]);
  const type = useCallback(
    (next: string | null) => {
      setText(next);
      setRestored(false);
      keepTyped(placeOf(name, ref.current), next);
    },
    [name, ref],
  );
  return { text, restored, type };
}
