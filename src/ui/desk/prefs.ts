'use client';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { UnitSystem } from '@/core/units';

export const THEMES = ['day', 'night', 'sun'] as const;
export type Theme = (typeof THEMES)[number];

interface Prefs {
  readonly system: UnitSystem;
  readonly theme: Theme;
  readonly role: string;
  readonly sound: boolean;
}

/** How this person likes it: units, theme, the role they sign in, sound. Kept in this browser only. */
export const usePrefs = create<Prefs>()(
  persist((): Prefs => ({ system: 'metric', theme: 'day', role: 'technician', sound: true }), { name: 'grenko.prefs' }),
);

export const setPrefs = (prefs: Partial<Prefs>): void => {
  usePrefs.setState(prefs);
};
