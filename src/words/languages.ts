import { LANGUAGES, type Language, learnLanguage, speak } from './tongue';

/** Whether a word names a language that is spoken here. */
export const isLanguage = (word: string): word is Language => (LANGUAGES as readonly string[]).includes(word);

/** Fetches what a language needs, for readers of it. English needs nothing. */
export async function knowLanguage(language: Language): Promise<void> {
  if (language === 'de') learnLanguage('de', (await import('./de')).german);
}

/** Fetches what a language needs, and speaks it from here on. */
export async function takeLanguage(language: Language): Promise<void> {
  await knowLanguage(language);
  speak(language);
}
