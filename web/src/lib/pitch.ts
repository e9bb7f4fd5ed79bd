/** Notes by their names: letters or fixed-do syllables, as a teacher types and reads them. */

const SEMITONES: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const SYLLABLES: Record<string, string> = {
  C: 'do',
  D: 're',
  E: 'mi',
  F: 'fa',
  G: 'sol',
  A: 'la',
  B: 'si'
};
/** how a syllable may be typed */
const LETTERS: Record<string, string> = {
  do: 'C',
  ut: 'C',
  re: 'D',
  ré: 'D',
  mi: 'E',
  fa: 'F',
  sol: 'G',
  so: 'G',
  la: 'A',
  si: 'B',
  ti: 'B'
};
const ALTER: Record<string, number> = {
  bb: -2,
  '♭♭': -2,
  b: -1,
  '♭': -1,
  '': 0,
  '#': 1,
  '♯': 1,
  x: 2
};
const SIGNS: Record<number, string> = { [-2]: 'bb', [-1]: 'b', 0: '', 1: '#', 2: 'x' };

export interface Name {
  letter: string;
  alter: number;
  /** where one is said */
  octave?: number;
}

const TEXT = /^(do|ut|re|ré|mi|fa|sol|so|la|si|ti|[a-g])\s*-?(bb|♭♭|b|♭|#|♯|x)?(-?\d)?$/iu;

/** Reads B♭, Bb3, F# and si♭, sib3, fa#; undefined when it is no note. */
export function read(text: string): Name | undefined {
  const m = text.trim().match(TEXT);
  if (!m) return undefined;
  const said = m[1]!.toLowerCase();
  return {
    letter: LETTERS[said] ?? said.toUpperCase(),
    alter: ALTER[m[2]?.toLowerCase() ?? ''] ?? 0,
    octave: m[3] === undefined ? undefined : Number(m[3])
  };
}

/** As the server reads it: Bb, Bb3. */
export const text = (n: Name) => n.letter + SIGNS[n.alter] + (n.octave ?? '');

/** As a teacher reads it. */
export const shown = (n: Name, syllables = false) =>
  (syllables ? SYLLABLES[n.letter] : n.letter) +
  ({ [-2]: '♭♭', [-1]: '♭', 0: '', 1: '♯', 2: '𝄪' }[n.alter] ?? '') +
  (n.octave ?? '');

/** MIDI number of a written name such as Bb4; -1 when it is none. */
export function midiOf(name: string): number {
  const n = read(name);
  return n?.octave === undefined ? -1 : 12 * (n.octave + 1) + SEMITONES[n.letter]! + n.alter;
}

/** The words of a list of notes: by spaces or commas; a dash between is none of them. */
export const words = (list: string) =>
  list
    .trim()
    .split(/[\s,;]+/)
    .filter((w) => w && !/^[-–]+$/.test(w));

const IN_TEXT = /(^|[^A-Za-z])([A-G])([♯♭]{0,2}|𝄪|𝄫)(\d)(?!\d)/gu;
const WHOLE = /^([A-G])([♯♭]{0,2}|𝄪|𝄫)$/u;

/** Notes in a sentence that Sempre has made, by fixed syllables: A♭4 is la♭4. */
export const inSyllables = (sentence: string) =>
  sentence
    .replace(WHOLE, (_, letter: string, sign: string) => SYLLABLES[letter] + sign)
    .replace(
      IN_TEXT,
      (_, before: string, letter: string, sign: string, octave: string) =>
        before + SYLLABLES[letter] + sign + octave
    );

/**
 * Where Sempre itself speaks of notes. Everything else is left as it came: what people have typed,
 * and what goes back to the server.
 */
const SPOKEN = new Set([
  'air',
  'audibly',
  'because',
  'cause',
  'caution',
  'compared',
  'doubt',
  'held',
  'mend',
  'notes',
  'ornament',
  'practise',
  'range',
  'remedy',
  'rules',
  'sentence',
  'shown',
  'soundingShown',
  'summary',
  'text',
  'why'
]);

/** An answer of the server with its notes in syllables. */
export function inFixedDo<T>(answer: T, key = ''): T {
  if (typeof answer === 'string') return (SPOKEN.has(key) ? inSyllables(answer) : answer) as T;
  if (Array.isArray(answer)) return answer.map((a) => inFixedDo(a, key)) as T;
  if (answer && typeof answer === 'object')
    return Object.fromEntries(Object.entries(answer).map(([k, v]) => [k, inFixedDo(v, k)])) as T;
  return answer;
}
