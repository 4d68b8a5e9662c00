'use client';
import { useEffect, useRef, useState } from 'react';

/** Keeps the screen awake while the view is open. @returns whether the browser granted it */
export function useAwake(): boolean {
  const [awake, setAwake] = useState(false);
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let gone = false;
    const ask = async () => {
      if (document.hidden || gone) return;
      try {
        lock = await navigator.wakeLock?.request('screen');
        setAwake(lock !== undefined);
        lock?.addEventListener('release', () => setAwake(false));
      } catch {
        setAwake(false);
      }
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
  return awake;
}

let audio: AudioContext | undefined;

/** Three rising tones and a buzz in the hand. */
export function sound(): void {
  navigator.vibrate?.([300, 120, 300, 120, 600]);
  try {
    audio ??= new AudioContext();
    const ctx = audio;
    [660, 830, 990].forEach((hz, i) => {
      const tone = ctx.createOscillator();
      const gain = ctx.createGain();
      tone.frequency.value = hz;
      tone.connect(gain).connect(ctx.destination);
      const at = ctx.currentTime + i * 0.28;
      gain.gain.setValueAtTime(0.0001, at);
      gain.gain.exponentialRampToValueAtTime(0.5, at + 0.02);
      gain.gain.exponentialRampToValueAtTime(0.0001, at + 0.25);
      tone.start(at);
      tone.stop(at + 0.27);
    });
  } catch {
    // No sound on this device: the overdue time stands on the screen.
  }
}

/** Sounds once when `leftMs` falls through zero, and once two minutes before. */
export function useAlarm(key: string | null, leftMs: number | null, on: boolean): void {
  const seen = useRef<{ key: string | null; left: number }>({ key: null, left: 0 });
  useEffect(() => {
    if (key === null || leftMs === null) return;
    const before = seen.current;
    if (before.key === key && on) for (const mark of [120_000, 0]) if (before.left > mark && leftMs <= mark) sound();
    seen.current = { key, left: leftMs };
  }, [key, leftMs, on]);
}
