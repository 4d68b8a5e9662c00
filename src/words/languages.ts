import { type Catalogue, LANGUAGES, type Language, learnLanguage, speak } from './tongue';

/** Where the catalogue of a language is fetched from; nothing for the one that is written in the sources. */
const FETCHED: Readonly<Record<Language, (() => Promise<Catalogue>) | null>> = {
  en: null,
  de: () => import('./de').then((m) => m.german),
};

/** Whether a word names a language that is spoken here. */
export const isLanguage = (word: string): word is Language => (LANGUAGES as readonly string[]).includes(word);

/** Fetches what a language needs, for readers of it. */
export async function knowLanguage(language: Language): Promise<void> {
  const texts = await FETCHED[language]?.();
  if (texts) learnLanguage(language, texts);
}

/** Fetches what a language needs, and speaks it from here on. */
export async function takeLanguage(language: Language): Promise<void> {
  await knowLanguage(language);
  speak(language);
}
