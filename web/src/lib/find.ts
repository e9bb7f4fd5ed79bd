const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** Whether every word that is typed stands in one of the texts, whatever its accents and capitals. */
export function matches(typed: string, ...texts: string[]): boolean {
  const text = plain(texts.join(' '));
  return plain(typed)
    .split(/\s+/)
    .every((w) => text.includes(w));
}
