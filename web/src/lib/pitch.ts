/** Notes by their names: letters or fixed-do syllables, as a teacher types and reads them. */

/** How notes are named: letters, letters with H for B natural, fixed do. */
export const NAMINGS = ['letters', 'german', 'syllables'] as const;
export type Naming = (typeof NAMINGS)[number];

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

/** With H for B natural a B is a B flat, and B flat written out is the same. */
const GERMAN: Record<string, string> = { h: 'B', b: 'Bb' };

/** Reads B♭, Bb3, F# and si♭, sib3, fa#; H where notes are named so; undefined when it is no note. */
export function read(text: string, naming: Naming = 'letters'): Name | undefined {
  const typed = text.trim();
  const german = naming === 'german' ? typed.match(/^([hb])(-?\d)?$/i) : null;
  const m = (german ? GERMAN[german[1]!.toLowerCase()]! + (german[2] ?? '') : typed).match(TEXT);
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

const ACCIDENTALS: Record<number, string> = { [-2]: '♭♭', [-1]: '♭', 0: '', 1: '♯', 2: '𝄪' };

/** As a teacher reads it. */
export function shown(n: Name, naming: Naming = 'letters'): string {
  const german = naming === 'german' && n.letter === 'B';
  const flat = german && n.alter < 0;
  const base = naming === 'syllables' ? SYLLABLES[n.letter] : german && !flat ? 'H' : n.letter;
  return base + (ACCIDENTALS[flat ? n.alter + 1 : n.alter] ?? '') + (n.octave ?? '');
}

/** As a teacher reads it and, where that differs, as a keyboard writes it: si♭ (sib). */
export function typeable(n: Name, naming: Naming): string {
  const read = shown(n, naming);
  const typed = read.replaceAll('♭', 'b').replaceAll('♯', '#');
  return typed === read ? read : `${read} (${typed})`;
}

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

const SHARPS = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];
const FLATS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
/** As they are met most; the server's Pitch.usual says the same. */
const USUAL = ['C', 'C#', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];

/** The twelve notes from C as a school names them that stand in no piece. */
export const alone = (chromatic: string | undefined): string[] =>
  chromatic === 'sharps' ? SHARPS : chromatic === 'flats' ? FLATS : USUAL;

/** The name that a school has for a note such as Db; text that is none stays as it is. */
export function asAlone(name: string, chromatic: string | undefined): string {
  const n = read(name);
  if (!n) return name;
  const pc = (SEMITONES[n.letter]! + n.alter + 12) % 12;
  return alone(chromatic)[pc]! + (n.octave ?? '');
}

/** More sharps or flats than this has no key that a band reads. */
const MOST = 6;
/** Sharps of a major key, flats below 0, by its tonic. */
const FIFTHS = 'Cb Gb Db Ab Eb Bb F C G D A E B F# C# G# D# A#'.split(' ');
const sharpsOf = (tonic: string) => FIFTHS.indexOf(tonic) - FIFTHS.indexOf('C');

/** Tonics of the twelve keys from C: named as the note alone, unless no band reads that key. */
export function tonics(chromatic: string | undefined, minor = false): string[] {
  const down = minor ? 3 : 0;
  return alone(chromatic).map((name, pc) =>
    Math.abs(sharpsOf(name) - down) <= MOST
      ? name
      : [FLATS[pc]!, SHARPS[pc]!].find((n) => Math.abs(sharpsOf(n) - down) <= MOST)!
  );
}
