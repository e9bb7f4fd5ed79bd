/** The language of the page: as chosen for one sheet, by the teacher, or else as the browser speaks. */
export const LANGUAGES = ['en', 'es'] as const;
export type Language = (typeof LANGUAGES)[number];

/** What a language calls itself. */
export const NAMES: Record<Language, string> = { en: 'English', es: 'Español' };

const COOKIE = 'sempre-language';
const YEAR = 31_536_000;

const known = (text: string | null | undefined) =>
  LANGUAGES.find((l) => text?.toLowerCase().split('-')[0] === l);

/** What the address asks for; it holds for this page only, so that one sheet can be in another language. */
const asked = new URLSearchParams(globalThis.location?.search);
export const sheet = { language: known(asked.get('lang')), names: asked.get('names') };

/** The teacher's, kept in this browser, where the server sees it with every request. */
const chosen = known(
  globalThis.document?.cookie
    .split('; ')
    .find((c) => c.startsWith(`${COOKIE}=`))
    ?.slice(COOKIE.length + 1)
);

export const teachers: Language =
  chosen ?? globalThis.navigator?.languages?.map(known).find((l) => l !== undefined) ?? 'en';

export const language: Language = sheet.language ?? teachers;

/** Chooses a language for this browser; the page is read anew in it. */
export function speak(other: Language) {
  document.cookie = `${COOKIE}=${other}; path=/; max-age=${YEAR}; samesite=strict`;
  location.reload();
}
