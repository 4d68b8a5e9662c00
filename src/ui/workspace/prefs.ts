'use client';
import { z } from 'zod';
import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import { Currency } from '@/core/units';
import { isLanguage, LANGUAGES, type Language, type Reader } from '@/words';
import { WEEK_STARTS, weekStartFor } from './week';

export const THEMES = ['day', 'night', 'sun'] as const;
/** How each light is called. */
export const THEME_ROWS = [
  { id: 'day', label: 'day' },
  { id: 'night', label: 'night' },
  { id: 'sun', label: 'full sun' },
] as const satisfies readonly { readonly id: Theme; readonly label: string }[];
export type Theme = (typeof THEMES)[number];

const Prefs = z.object({
  system: z.enum(['metric', 'us']),
  language: z.enum(LANGUAGES),
  /** How the hours of a day are told. */
  hours: z.literal([24, 12]),
  weekStart: z.enum(WEEK_STARTS),
  /** What prices are in that are typed without a sign; null: as the browser’s languages have it. */
  money: Currency.nullable(),
  theme: z.enum(THEMES),
  role: z.string().trim().min(1).max(80),
  sound: z.boolean(),
  /** Clocks that run out are said aloud, and told beside the page while it is hidden. */
  speak: z.boolean(),
  notify: z.boolean(),
  /** The running view is read from two metres: its clock, its step and its button alone, as large as they go. */
  afar: z.boolean(),
  /** New repairs begin with the crew’s own minutes and rates. */
  learn: z.boolean(),
  /** Where the walk over the sample stands; null while nobody walks. */
  guide: z.number().int().min(0).max(50).nullable(),
});
type Prefs = z.infer<typeof Prefs>;

/** Of the languages spoken here the one that the browser asks for first; English where it asks for none of them. */
export const languageFor = (asked: readonly string[]): Language =>
  asked.map((tag) => tag.slice(0, 2).toLowerCase()).find(isLanguage) ?? 'en';

const FIRST: Prefs = {
  system: 'metric',
  language: languageFor(globalThis.navigator?.languages ?? []),
  hours: 24,
  weekStart: weekStartFor(globalThis.navigator?.languages ?? []),
  money: null,
  theme: 'day',
  role: 'technician',
  sound: true,
  speak: false,
  notify: false,
  afar: false,
  learn: false,
  guide: null,
};

/** Preferences as kept, each by itself: one that makes no sense is as if it had never been set. */
export function readPrefs(kept: unknown): Prefs {
  const fields = typeof kept === 'object' && kept !== null ? (kept as Record<string, unknown>) : {};
  return Object.fromEntries(
    (Object.keys(FIRST) as (keyof Prefs)[]).map((name) => {
      const parsed = Prefs.shape[name].safeParse(fields[name]);
      return [name, parsed.success ? parsed.data : FIRST[name]];
    }),
  ) as Prefs;
}

/** How this person likes it: units, language, theme, the role they sign in, sound. Kept in this browser only. */
export const usePrefs = create<Prefs>()(
  persist((): Prefs => FIRST, {
    name: 'grenko.prefs',
    storage: createJSONStorage(() => localStorage),
    merge: (kept) => readPrefs(kept),
  }),
);

export const setPrefs = (prefs: Partial<Prefs>): void => {
  usePrefs.setState(prefs);
};

/** Who reads here, at a site: for words that are made outside of what is drawn. */
export const readerAt = (zone: string): Reader => {
  const { system, hours, language } = usePrefs.getState();
  return { system, hours, zone, language };
};
