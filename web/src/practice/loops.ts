import type { Schemas } from '../api/client';
import type { Timeline, Tone } from '../stand/timeline';

const NEAR = 1e-6;

/** A note that is played by itself lasts so long, in seconds. */
const EACH = 1;

/** Notes without their rhythm: one a second, with as much silence before they begin again. */
export function evenly(notes: Tone[]): Timeline {
  return {
    sounds: notes.map((n, i) => ({ tone: { ...n, seconds: EACH }, at: i * EACH })),
    clicks: Array.from({ length: notes.length + 1 }, (_, i) => i * EACH),
    length: (notes.length + 1) * EACH
  };
}

/**
 * Notes as they are written, to go round and round: they begin again on the beat on which they
 * begin, with a beat or more of silence before it.
 *
 * @param times the bars of the page
 * @param landing whether the last note is only landed on: it lasts no longer than a beat
 */
export function asWritten(
  notes: (Tone & { bar: number })[],
  times: Schemas['BarTime'][],
  landing = false
): Timeline {
  const first = notes[0];
  const last = notes.at(-1);
  if (!first || !last) return { sounds: [], clicks: [], length: 0 };
  const beat = times[last.bar]?.beat ?? EACH;
  const sounds = notes.map((tone) => ({
    tone: tone === last && landing ? { ...tone, seconds: Math.min(tone.seconds, beat) } : tone,
    at: tone.at - first.at
  }));
  const end = sounds.at(-1)!.at + sounds.at(-1)!.tone.seconds;
  const begins = times[first.bar];
  // how far the first note stands behind its beat
  const past = begins ? (first.at - begins.at) % begins.beat : 0;
  const behind = past < NEAR || beat - past < NEAR ? 0 : past;
  const length = Math.ceil((end + behind) / beat - NEAR) * beat + beat;
  const clicks: number[] = [];
  for (let at = -behind; at < length - NEAR; at += beat)
    if (at > -NEAR) clicks.push(Math.max(0, at));
  return { sounds, clicks, length };
}
