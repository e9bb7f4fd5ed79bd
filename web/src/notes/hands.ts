import type { Schemas } from '../api/client';
import { read, shown } from '../lib/pitch';
import { ways } from '../ways.svelte';
import { ui } from '../words/ui';

export type Key = Schemas['KeyView'];
export type Held = Schemas['HeldView'];
export type Kind = Schemas['TableView']['kind'];

/** A control at its place in the picture; x runs outward from the bore, y down from the mouthpiece. */
interface Place {
  key: Key;
  text: string;
  x: number;
  y: number;
  w: number;
  behind: boolean;
}
interface Row {
  label: string;
  left: boolean;
  y: number;
}
export interface Picture {
  places: Place[];
  rows: Row[];
  /** how far keys reach from the bore, to the left hand's side and to the right hand's */
  left: number;
  right: number;
  height: number;
}

const ROW = 24;
const PER_LINE = 5;
const HOLE = 20;
const ORDER = ['LT', 'LP', 'L1', 'L2', 'L3', 'L4', 'RT', 'RP', 'R1', 'R2', 'R3', 'R4'];
const NAMES: Record<string, string> = {
  T: ui.notes.thumb,
  P: ui.notes.sideHand,
  '1': ui.notes.first,
  '2': ui.notes.second,
  '3': ui.notes.third,
  '4': ui.notes.little
};

/** What stands on a key: its own name, and the word that it may share with others beside it. */
interface Face {
  word?: 'high' | 'low' | 'front' | 'side' | 'trill';
  own: string;
}

const WORDS = { f: 'front', h: 'high', l: 'low', v: 'high', s: 'side', tr: 'trill' } as const;
const note = (text: string) => {
  const n = read(text);
  return n ? shown(n, ways.naming) : text;
};

/** A key without the place that its row already says. */
function parts(token: string): Face {
  const named = token.match(/^([fhlv])([A-G][b#]?)$/);
  if (named) return { word: WORDS[named[1] as 'f'], own: note(named[2]!) };
  const counted = token.match(/^(s|tr)(\d)$/);
  if (counted) return { word: WORDS[counted[1] as 's'], own: counted[2]! };
  const octave = token.match(/^O(\d?)$/);
  if (octave) return { own: `${ui.notes.octaveKey} ${octave[1]}`.trim() };
  const plain = token.match(/^[ps]?([A-G][b#]?)$/);
  if (plain) return { own: note(plain[1]!) };
  if (token === 'Tb') return { own: note('Bb') };
  if (token === 'f') return { word: 'front', own: note('F') };
  if (token === 'giz') return { word: 'high', own: note('C') };
  if (token === 'w') return { own: ui.notes.whisperKey };
  if (token === 'slv') return { own: ui.notes.sliverKey };
  if (token === 'R') return { own: ui.notes.registerKey };
  return { own: token };
}

function face(token: string): string {
  const { word, own } = parts(token);
  return word ? ui.notes.keyWith[word](own) : own;
}

const width = (text: string) => Math.max(24, text.length * 6.2 + 10);

/** What one line of a picture holds, and what stands at its end. */
interface Group {
  label: string;
  keys: { key: Key; text: string }[];
}

/**
 * The keys of one finger in lines. Where the finger has no hole, keys that share a word (high, low,
 * front) have a line to themselves, which says it once.
 */
function groups(finger: string, keys: Key[], hasHole: boolean): Group[] {
  const word = (k: Key) => parts(k.token).word;
  const together = (w: Face['word']) =>
    w !== undefined && !hasHole && keys.filter((k) => word(k) === w).length > 1;
  const first = keys.filter((k) => !together(word(k)));
  const lines: Group[] = [];
  for (let at = 0; at < Math.max(1, first.length); at += PER_LINE) {
    let said: Face['word'];
    lines.push({
      label: at === 0 ? finger : '',
      keys: first.slice(at, at + PER_LINE).map((key) => {
        // side 1, then 2, 3, 4
        const { word: w, own } = parts(key.token);
        const again = w !== undefined && w === said && /\d$/.test(key.token);
        said = w;
        return { key, text: again ? own : face(key.token) };
      })
    });
  }
  for (const w of new Set(keys.map(word)))
    if (w && together(w))
      lines.push({
        label: ui.notes.keyWord[w],
        keys: keys.filter((k) => word(k) === w).map((key) => ({ key, text: parts(key.token).own }))
      });
  return first.length || hasHole ? lines : lines.slice(1);
}

/**
 * Lays the controls out as the hands lie: the left hand above the right, one row a finger, holes on
 * the bore, other keys outward on the side of their hand; what the thumbs work lies behind.
 */
export function picture(keys: Key[]): Picture {
  const places: Place[] = [];
  const rows: Row[] = [];
  let y = 0;
  let left = HOLE / 2;
  let right = HOLE / 2;
  let upper = true;
  for (const finger of ORDER) {
    const mine = keys.filter((k) => k.finger === finger);
    if (!mine.length) continue;
    const isLeft = finger[0] === 'L';
    if (upper && !isLeft) y += 10;
    upper = isLeft;
    const holes = mine.filter((k) => k.hole);
    const others = mine.filter((k) => !k.hole);
    for (const key of holes)
      places.push({
        key,
        text: face(key.token),
        x: 0,
        y: y + ROW / 2,
        w: HOLE,
        behind: finger[1] === 'T'
      });
    const lines = groups(
      finger === 'LP' ? ui.notes.palm : (NAMES[finger[1]!] ?? ''),
      others,
      holes.length > 0
    );
    for (const [l, line] of lines.entries()) {
      const at = y + ROW / 2 + l * (ROW - 2);
      rows.push({ label: line.label, left: isLeft, y: at });
      let out = HOLE / 2 + 6;
      for (const { key, text } of line.keys) {
        const w = width(text);
        const x = out + w / 2;
        places.push({
          key,
          text,
          x: isLeft ? -x : x,
          y: at,
          w,
          behind: finger[1] === 'T'
        });
        out += w + 4;
      }
      if (isLeft) left = Math.max(left, out);
      else right = Math.max(right, out);
    }
    y += ROW + (lines.length - 1) * (ROW - 2);
  }
  return { places, rows, left, right, height: y };
}

export const same = (h: Held, k: Key) => h.token === k.token && h.left === k.left;

/** Reads a fingering's text as far as this instrument's keys go. */
export function heldOf(text: string, keys: Key[], kind: Kind): Held[] {
  const sides = kind === 'HANDS' ? text.split('|') : ['', text];
  return sides.flatMap((side, s) =>
    side
      .trim()
      .split(/\s+/)
      .filter(Boolean)
      .flatMap((word) => {
        const free = /^\(.*\)$/.test(word);
        const bare = word.replace(/[()]/g, '').split('/')[0]!;
        const find = (t: string) =>
          keys.find((k) => k.token === t && (kind !== 'HANDS' || k.left === (s === 0)));
        const whole = find(bare) ?? find(bare.replace(/[+-]$/, ''));
        const half = whole ? undefined : find(bare.replace(/^h/, ''));
        const key = whole ?? half;
        return key ? [{ token: key.token, left: key.left, half: !whole, free }] : [];
      })
  );
}

/** Writes held controls as a fingering; the server puts them in order. */
export function textOf(held: Held[], kind: Kind): string {
  const word = (h: Held) => (h.half ? 'h' : '') + h.token;
  if (kind !== 'HANDS') return held.map(word).join(' ') || (kind === 'VALVES' ? '0' : '');
  const side = (left: boolean) =>
    held
      .filter((h) => h.left === left && !h.free)
      .map(word)
      .join(' ');
  return `${side(true)} | ${side(false)}`.trim();
}
