import { type Language, learnLanguage, speak } from './tongue';

/** Fetches what a language needs, once, and speaks it from here on. English needs nothing. */
export async function takeLanguage(language: Language): Promise<void> {
  if (language === 'de') learnLanguage('de', (await import('./de')).german);
  speak(language);
}
