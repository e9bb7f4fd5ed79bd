import type { Schemas } from '../api/client';
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

const width = (text: string) => Math.max(24, text.length * 6.2 + 10);

/** What one line of a picture holds, and what stands at its end. */
interface Group {
  label: string;
  keys: { key: Key; text: string }[];
}

/** The word that a name shares with others, and what is left of it: `high A` is A with the word high. */
function parted(name: string, shared: Set<string>): { word?: string; own: string } {
  const words = name.split(' ');
  const word = words.length > 1 ? words.find((w) => shared.has(w)) : undefined;
  return word ? { word, own: words.filter((w) => w !== word).join(' ') } : { own: name };
}

/** Words that stand on more than one of some keys. */
function sharedBy(keys: Key[]): Set<string> {
  const all = keys
    .flatMap((k) => [...new Set(k.face.split(' '))])
    .filter((w) => /^\p{L}{2}/u.test(w));
  return new Set(all.filter((w, i) => all.indexOf(w) !== i));
}

/**
 * The keys of one finger in lines. Where the finger has no hole, keys that share a word (high, low,
 * front) have a line to themselves, which says it once; a row that is counted says its word once.
 */
function groups(finger: string, keys: Key[], hasHole: boolean): Group[] {
  const shared = sharedBy(keys);
  const of = (k: Key) => parted(k.face, shared);
  const counted = (k: Key) => /^\d$/.test(of(k).own);
  const apart = (k: Key) => !hasHole && of(k).word !== undefined && !counted(k);
  const first = keys.filter((k) => !apart(k));
  const lines: Group[] = [];
  for (let at = 0; at < Math.max(1, first.length); at += PER_LINE) {
    let said: string | undefined;
    lines.push({
      label: at === 0 ? finger : '',
      keys: first.slice(at, at + PER_LINE).map((key) => {
        // side 1, then 2, 3, 4
        const { word, own } = of(key);
        const again = word !== undefined && word === said && counted(key);
        said = word;
        return { key, text: again ? own : key.face };
      })
    });
  }
  const words = new Set(keys.filter(apart).map((k) => of(k).word!));
  for (const word of words)
    lines.push({
      label: word,
      keys: keys
        .filter((k) => apart(k) && of(k).word === word)
        .map((key) => ({ key, text: of(key).own }))
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
        text: key.face,
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
