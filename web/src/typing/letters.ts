/**
 * Notes that are clicked or played are written as one would type them: by their names, or as ABC
 * where the text says so in its header (docs/decisions/033 and 047). A length before a note stays
 * until another one stands there.
 */
import type { Name } from '../lib/pitch';

/** What holds at a place in the text. */
export interface Here {
  /** the length that stays, such as `8` or `4.`; empty where none was typed */
  length: string;
  /** sharps of the key signature, flats as less than nothing */
  fifths: number;
  /** letters with octave marks that had a sign since the last bar line */
  signed: Set<string>;
  /** whether the text is ABC */
  abc: boolean;
}

const HEADER = /^\s*(%abc|X:\s*\d)|^(\s*([A-Z]:|%).*\n)*\s*[LT]:/;

/** Whether a text is ABC by its header, as the server sees it. */
export const isAbc = (text: string) => HEADER.test(text);

/** Where natural notes stand in the row of fifths. */
const IN_FIFTHS: Record<string, number> = { F: -1, C: 0, G: 1, D: 2, A: 3, E: 4, B: 5 };
const SEMITONES: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const LETTERS = ['F', 'C', 'G', 'D', 'A', 'E', 'B'];
/** Modes by how far their tonic stands from that of major in the row of fifths. */
const MODES: [RegExp, number][] = [
  [/^(m|min|minor|aeo|aeolian)$/i, -3],
  [/^mix/i, -1],
  [/^dor/i, -2],
  [/^phr/i, -4],
  [/^lyd/i, 1],
  [/^loc/i, -5]
];

/** Sharps of a key as it is typed: `Bb`, `F#m`, `D dor`; nothing where it is no key. */
export function fifths(key: string): number | undefined {
  const m = key.trim().match(/^([A-G])([#b]?)\s*([a-z]*)/i);
  if (!m) return undefined;
  const [, tonic, sign, mode] = m;
  const tonicAt = IN_FIFTHS[tonic!.toUpperCase()]! + (sign === '#' ? 7 : sign === 'b' ? -7 : 0);
  return tonicAt + (MODES.find(([name]) => name.test(mode!))?.[1] ?? 0);
}

/** What is no note: comments, fields, chord signs, decorations. */
const BESIDE = /%.*$|^\s*[A-Za-z]:.*$|\[[A-Za-z]:[^\]]*\]|"[^"]*"|![^!\n]*!/gm;
const TOKEN = /(?:^|[\s([])(\d{1,2}\.?)(?=[\^_=]*[A-Ha-hzxr([{])|\||([\^_=]+)([A-Ga-g][,']*)/gm;

/** What holds where a note would be set in; the key is that of the page where the text says none. */
export function here(text: string, at: number, key: string): Here {
  const before = text.slice(0, at);
  // an empty line begins another tune
  const tune = before.slice(before.search(/\n\s*\n(?![\s\S]*\n\s*\n)/) + 1);
  const keys = [...tune.matchAll(/(?:^|\[)K:\s*([^\]\n]*)/gm)];
  const found: Here = {
    length: '',
    fifths: fifths(keys.at(-1)?.[1] ?? '') ?? fifths(key) ?? 0,
    signed: new Set(),
    abc: isAbc(text)
  };
  const music = tune.replace(BESIDE, (b) => ' '.repeat(b.length));
  for (const [token, length, sign, letter] of music.matchAll(TOKEN)) {
    if (length) found.length = length;
    else if (sign) found.signed.add(letter!);
    else if (token === '|') found.signed.clear();
  }
  return found;
}

/** A note of a keyboard as it is named in a key: with few signs, leading notes sharp. */
export function named(midi: number, keyFifths: number): Name {
  // twelve notes that follow one another in fifths; the key's own are the middle seven
  for (let p = keyFifths - 4; p < keyFifths + 8; p++) {
    const letter = LETTERS[(((p + 1) % 7) + 7) % 7]!;
    const alter = Math.floor((p + 1) / 7);
    const octave = (midi - SEMITONES[letter]! - alter) / 12 - 1;
    if (Number.isInteger(octave)) return { letter, alter, octave };
  }
  throw new Error(`no name for ${midi}`);
}

export const midiOf = ({ letter, alter, octave = 4 }: Name) =>
  SEMITONES[letter]! + alter + 12 * (octave + 1);

const SIGNS: Record<number, string> = { [-2]: '__', [-1]: '_', 0: '=', 1: '^', 2: '^^' };

/** What the key signature makes of a letter. */
const inKey = (letter: string, keyFifths: number) =>
  Math.floor((keyFifths - IN_FIFTHS[letter]! + 5) / 7);

/**
 * A note as one types it. In ABC a sign stands there where the key or the measure would make another
 * note of it.
 *
 * @param german whether B natural is named H
 */
export function letters(name: Name, at: Here, german = false): string {
  return at.abc ? asAbc(name, at) : byName(name, at, german);
}

/** With its octave, so that it stays where it is whatever is typed before it. */
function byName({ letter, alter, octave = 4 }: Name, at: Here, german: boolean): string {
  const signs = (n: number) => (n < 0 ? 'b' : '#').repeat(Math.abs(n));
  if (german && letter === 'B')
    return (alter < 0 ? 'B' + signs(alter + 1) : 'H' + signs(alter)) + octave;
  const natural = alter === 0 && inKey(letter, at.fifths) !== 0 ? '=' : '';
  return natural + letter + signs(alter) + octave;
}

function asAbc({ letter, alter, octave = 4 }: Name, at: Here): string {
  const low = octave < 5;
  const marks = low ? ','.repeat(4 - octave) : "'".repeat(octave - 5);
  const called = (low ? letter : letter.toLowerCase()) + marks;
  const sign = alter !== inKey(letter, at.fifths) || at.signed.has(called) ? SIGNS[alter] : '';
  return sign + called;
}

/**
 * What is set in for a note or a rest.
 *
 * @param what as it is typed
 * @param length that it shall have
 */
export function withLength(what: string, length: string, at: Here, before: string): string {
  const apart = before === '' || /[\s([]$/.test(before) ? '' : ' ';
  if (length === at.length) return (at.abc ? '' : apart) + what;
  return apart + length + what;
}

/** How many letters before a place belong to the last note, rest or sign. */
export const lastOne = (before: string) =>
  before.match(
    /(\s*\d{1,2}\.?)?[\^_=]*[A-Ha-hzxr][b#♭♯=]{0,2}[,']*\d*[,']*\s*$|\s*\S\s*$|\s+$/
  )?.[0].length ?? 0;

/** What a text says of itself in its first lines, and the music behind them. */
export interface Settings {
  key?: string;
  meter?: string;
  /** quarters a minute */
  tempo?: string;
  text: string;
}

/**
 * Takes key, metre and tempo from the first lines of a text, where a field of the page can hold them.
 *
 * @param keys which the page offers
 * @param meters which the page offers
 */
export function settings(whole: string, keys: string[], meters: string[]): Settings {
  const found: Settings = { text: whole };
  for (;;) {
    const m = found.text.match(/^([KMQ]):\s*(.*?)\s*(?:\n|$)/);
    if (!m) return found;
    const [line, field, value = ''] = m;
    const quarters = value.match(/^1\/4=(\d{1,3})$/)?.[1];
    if (field === 'K' && keys.includes(value)) found.key = value;
    else if (field === 'M' && meters.includes(value)) found.meter = value;
    else if (field === 'Q' && quarters) found.tempo = quarters;
    else return found;
    found.text = found.text.slice(line.length);
  }
}
