/** What a sentence takes: a name, a note, a number. */
export type Text = string | number;

/** Picks the form that a language has for a number: one note, two notes (published: CLDR plural rules). */
export function forms(language: string) {
  const rules = new Intl.PluralRules(language);
  return (n: number, one: string, other: string) => (rules.select(n) === 'one' ? one : other);
}
