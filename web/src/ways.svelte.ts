/** What a teacher does whatever the instrument, and how the student in view differs. */
class Ways {
  house = $state<Record<string, string>>({});
  /** of the student whose part is open */
  student = $state<Record<string, string>>();
  readonly now = $derived(this.student ?? this.house);
}

export const ways = new Ways();

const SYLLABLES: Record<string, string> = {
  C: 'do',
  D: 're',
  E: 'mi',
  F: 'fa',
  G: 'sol',
  A: 'la',
  B: 'si'
};

/** Notes in a text by fixed syllables: A♭4 is la♭4. */
export const syllables = (text: string) =>
  text.replace(
    /(^|[^A-Za-z])([A-G])([♯♭]{0,2}|𝄪|𝄫)(\d)(?!\d)/gu,
    (_, before: string, letter: string, sign: string, octave: string) =>
      before + SYLLABLES[letter] + sign + octave
  );

/** What is sent back to the server or drawn, and so keeps its letters. */
const MEANT = new Set([
  'id',
  'noteId',
  'tied',
  'what',
  'xml',
  'written',
  'becomes',
  'sounding',
  'fingering',
  'wasFingering',
  'free',
  'partId',
  'token',
  'source',
  'title'
]);

/** An answer of the server with its notes named as the teacher names them. */
export function named<T>(answer: T, key = ''): T {
  if (typeof answer === 'string') return (MEANT.has(key) ? answer : syllables(answer)) as T;
  if (Array.isArray(answer)) return answer.map((a) => named(a, key)) as T;
  if (answer && typeof answer === 'object') {
    // a change goes from the id of a note to that of another; elsewhere from and to are names
    const ids = 'difficulty' in answer ? ['from', 'to'] : [];
    return Object.fromEntries(
      Object.entries(answer).map(([k, v]) => [k, ids.includes(k) ? v : named(v, k)])
    ) as T;
  }
  return answer;
}
