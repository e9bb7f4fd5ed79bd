import type { Schemas } from '../api/client';
import type { Note } from './lanes';

/** What is needed of a note to sound. */
export type Tone = Pick<Note, 'id' | 'at' | 'seconds' | 'writtenMidi' | 'soundingMidi'>;
type Bar = Schemas['BarTime'];
type Stretch = Schemas['StretchView'];

/** What is heard, in seconds from its start at the marked tempo. */
export interface Timeline {
  sounds: { tone: Tone; at: number }[];
  clicks: number[];
  length: number;
}

const NEAR = 1e-6;

/**
 * The bars from one to another in the order in which they are played. Where a sign leads out of
 * them, playing goes on behind it.
 *
 * @param bars how many the page has
 * @param played none where they are played as they are printed
 */
export function barOrder(bars: number, played: Stretch[], from: number, to: number): number[] {
  const all = played.length
    ? played.flatMap((s) => Array.from({ length: s.to - s.from + 1 }, (_, i) => s.from + i))
    : Array.from({ length: bars }, (_, i) => i);
  const inside = (b: number | undefined): b is number => b !== undefined && b >= from && b <= to;
  const order: number[] = [];
  let at = all.findIndex(inside);
  while (at >= 0) {
    const bar = all[at]!;
    order.push(bar);
    const behind = inside(bar + 1) ? all.indexOf(bar + 1, at + 1) : -1;
    at = inside(all[at + 1]) ? at + 1 : behind;
  }
  return order;
}

/** Notes as they follow one another on the page, from the first to the end of the last. */
export function asTheyStand(notes: Tone[]): Timeline {
  const from = notes[0]?.at ?? 0;
  return {
    sounds: notes.map((tone) => ({ tone, at: tone.at - from })),
    clicks: [],
    length: Math.max(0, ...notes.map((n) => n.at + n.seconds - from))
  };
}

/** Beats before the first note, in seconds from the first of them at the marked tempo. */
export interface CountIn {
  clicks: number[];
  length: number;
}

/**
 * A whole bar is counted, and before a pickup what is missing of its bar.
 *
 * @param from the bar that is played first
 */
export function countIn(bars: Bar[], from: number): CountIn {
  const first = bars[from];
  if (!first) return { clicks: [], length: 0 };
  const next = bars[from + 1];
  const whole = from === 0 && next ? Math.max(first.seconds, next.seconds) : first.seconds;
  const length = 2 * whole - first.seconds;
  const beats = Math.max(1, Math.round(length / first.beat));
  return { clicks: Array.from({ length: beats }, (_, k) => k * first.beat), length };
}

/**
 * When each note of some bars sounds, and when a metronome clicks.
 *
 * @param played what is played on end, for notes tied over the signs between
 */
export function timeline(
  notes: (Tone & { bar: number })[],
  bars: Bar[],
  order: number[],
  played: Stretch[] = []
): Timeline {
  const first = order.findIndex((b) => notes.some((n) => n.bar === b));
  const sounds: Timeline['sounds'] = [];
  const clicks: number[] = [];
  let now = 0;
  let before: number | undefined;
  for (const b of first < 0 ? [] : order.slice(first)) {
    const bar = bars[b]!;
    if (before !== undefined && b !== before + 1) leave(sounds, played, b, now);
    before = b;
    for (const tone of notes) if (tone.bar === b) sounds.push({ tone, at: now + tone.at - bar.at });
    // a pickup is counted so that the next bar comes on one
    const beats = Math.floor(bar.seconds / bar.beat + NEAR);
    const spare = b === 0 ? bar.seconds - beats * bar.beat : 0;
    for (let k = 0; k < beats; k++) clicks.push(now + spare + k * bar.beat);
    now += bar.seconds;
  }
  return { sounds, clicks, length: now };
}

/** Where a sign leads to another bar, only a note that is tied into it sounds on. */
function leave(sounds: Timeline['sounds'], played: Stretch[], bar: number, now: number) {
  const last = sounds.at(-1);
  if (!last || last.at + last.tone.seconds < now - NEAR) return;
  const into = played.find((s) => s.from === bar && s.held.length);
  const held = into?.held.find((h) => h.id === last.tone.id)?.seconds ?? 0;
  last.tone = { ...last.tone, seconds: now - last.at + held };
}
