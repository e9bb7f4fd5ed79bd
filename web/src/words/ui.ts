import { en, type Dictionary } from './en';
import { es } from './es';
import { language, type Language } from './language';

const ALL: Record<Language, Dictionary> = { en, es };

/** The words of a language. */
export const wordsOf = (of: Language): Dictionary => ALL[of];

/** What the interface says, in the language of the page. */
export const ui = wordsOf(language);

/** English as it is written in Europe: days before months. */
const LOCALES: Record<Language, string> = { en: 'en-GB', es: 'es' };

/** Words in a row: a, b and c. */
export const list = (words: string[], of = language) =>
  new Intl.ListFormat(LOCALES[of], { type: 'conjunction' }).format(words);

/** A day with its weekday, from a date such as 2026-11-26. */
export const day = (iso: string, of = language) =>
  new Date(iso + 'T12:00').toLocaleDateString(LOCALES[of], {
    weekday: 'long',
    day: 'numeric',
    month: 'long'
  });

/** A day in a few letters, for an axis or a table. */
export const shortDay = (iso: string) =>
  new Date(iso + 'T12:00').toLocaleDateString(LOCALES[language], {
    day: 'numeric',
    month: 'short'
  });

/** A day as it stands on paper, which may be kept: with its year. */
export const fullDay = (iso: string, of = language) =>
  new Date(iso + 'T12:00').toLocaleDateString(LOCALES[of], {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    year: 'numeric'
  });

/** The days of the week, Monday first, as the API names them, and short as a person does. */
export const WEEK = [
  'MONDAY',
  'TUESDAY',
  'WEDNESDAY',
  'THURSDAY',
  'FRIDAY',
  'SATURDAY',
  'SUNDAY'
] as const;
export type Weekday = (typeof WEEK)[number];
/** a Monday */
const FIRST = Date.UTC(2024, 0, 1, 12);
const DAY_MS = 86_400_000;
export const weekday = (d: Weekday) =>
  new Date(FIRST + WEEK.indexOf(d) * DAY_MS).toLocaleDateString(LOCALES[language], {
    weekday: 'short'
  });

/** A number as the language writes it. */
export const number = (n: number, digits = 0) =>
  n.toLocaleString(LOCALES[language], {
    minimumFractionDigits: digits,
    maximumFractionDigits: digits
  });

/** At the start of a line. */
export const capital = (text: string) => text.charAt(0).toLocaleUpperCase() + text.slice(1);
