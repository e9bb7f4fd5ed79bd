import { NAMINGS } from '../lib/pitch';

/** The language of the page: as chosen for one sheet, by the teacher, or else as the browser speaks. */
export const LANGUAGES = ['en', 'es'] as const;
export type Language = (typeof LANGUAGES)[number];

/** What a language calls itself. */
export const NAMES: Record<Language, string> = { en: 'English', es: 'Español' };

const LANGUAGE = 'sempre-language';
const NAMING = 'sempre-names';
const YEAR = 31_536_000;

/** What is kept in this browser, where the server sees it with every request. */
const kept = (name: string) =>
  globalThis.document?.cookie
    .split('; ')
    .find((c) => c.startsWith(`${name}=`))
    ?.slice(name.length + 1);

/** The page is read anew with what is kept now, so that nothing is left as it was. */
function keep(name: string, value: string) {
  const age = value ? YEAR : 0;
  document.cookie = `${name}=${value}; path=/; max-age=${age}; samesite=strict`;
  location.reload();
}

/** A way of naming notes that there is: an address may be typed, and a header takes plain letters only. */
const naming = (text: string | null | undefined) => NAMINGS.find((n) => n === text);

const known = (text: string | null | undefined) =>
  LANGUAGES.find((l) => text?.toLowerCase().split('-')[0] === l);

/** What the address asks for; it holds for this page only, so that one sheet can be in another language. */
const asked = new URLSearchParams(globalThis.location?.search);
export const sheet = { language: known(asked.get('lang')), names: naming(asked.get('names')) };

/** The teacher's language: as chosen here, or the first of the browser's that there is. */
export const teachers: Language =
  known(kept(LANGUAGE)) ??
  globalThis.navigator?.languages?.map(known).find((l) => l !== undefined) ??
  'en';

export const language: Language = sheet.language ?? teachers;

/** How this teacher names notes, where that differs from the house. */
export const ownNames = naming(kept(NAMING)) ?? '';

/** Chooses a language for this browser. */
export const speak = (other: Language) => keep(LANGUAGE, other);

/** Chooses names of notes for this browser; with an empty one the house's hold. */
export const nameNotes = (naming: string) => keep(NAMING, naming);
