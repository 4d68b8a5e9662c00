'use client';
import { useEffect, useRef, useState } from 'react';
import { spokenLanguage } from '@/words';
import { alarmAt, alarmText } from './alarms';

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

/** Says a sentence aloud where the device can. @returns whether it can */
export function speak(text: string): boolean {
  const voice = typeof window === 'undefined' ? undefined : window.speechSynthesis;
  if (!voice) return false;
  const said = new SpeechSynthesisUtterance(text);
  said.lang = spokenLanguage();
  voice.speak(said);
  return true;
}

/** Tells it beside the page, for whoever looks at something else. Nothing where it was not allowed. */
function notify(text: string): void {
  if (typeof Notification === 'undefined' || Notification.permission !== 'granted' || !document.hidden) return;
  try {
    new Notification('Grenko', { body: text, tag: text });
  } catch {
    // Some phones let only a service worker show one: sound and voice are there all the same.
  }
}

/** How a clock that runs out is told. */
export interface Telling {
  readonly sound: boolean;
  readonly speak: boolean;
  readonly notify: boolean;
}

/** Tells once when a clock falls through nought, and once two minutes before. */
export function useAlarm(
  of: { readonly key: string; readonly name: string } | null,
  leftMs: number | null,
  how: Telling,
): void {
  const seen = useRef<{ key: string | null; left: number }>({ key: null, left: 0 });
  useEffect(() => {
    if (of === null || leftMs === null) return;
    const before = seen.current;
    seen.current = { key: of.key, left: leftMs };
    const mark = before.key === of.key ? alarmAt(before.left, leftMs) : null;
    if (mark === null) return;
    const text = alarmText(of.name, mark);
    if (how.sound) sound();
    if (how.speak) speak(text);
    if (how.notify) notify(text);
  }, [of, leftMs, how]);
}
