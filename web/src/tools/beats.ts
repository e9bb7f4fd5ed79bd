/** What a metronome beats. */
export interface Beating {
  /** beats a minute */
  tempo: number;
  /** of a bar, the first of which is higher; 1 for none that is */
  beats: number;
  /** clicks of a beat: 1, 2, 3 or 4 */
  parts: number;
}

export const SLOWEST = 20;
export const QUICKEST = 300;

export type Weight = 'first' | 'beat' | 'part';

/**
 * When a click comes, in seconds: reckoned from the beginning and never from the click before it, so
 * that no error grows.
 *
 * @param n from 0
 */
export const clickAt = (begin: number, how: Beating, n: number) =>
  begin + (n * 60) / (how.tempo * how.parts);

/** How a click sounds. */
export function weight(how: Beating, n: number): Weight {
  if (n % how.parts) return 'part';
  return how.beats > 1 && (n / how.parts) % how.beats === 0 ? 'first' : 'beat';
}

/** Taps that are farther apart are no tempo, in seconds. */
const PAUSE = 3;
/** So many of the last taps count. */
const TAPS = 6;

/** The tempo of taps, by the times at which they came; nothing while there is one alone. */
export function tapped(times: number[]): number | undefined {
  const late: number[] = [];
  for (const t of [...times].reverse()) {
    if (late.length && late.at(-1)! - t > PAUSE) break;
    late.push(t);
    if (late.length === TAPS) break;
  }
  if (late.length < 2) return undefined;
  const each = (late[0]! - late.at(-1)!) / (late.length - 1);
  return Math.max(SLOWEST, Math.min(QUICKEST, Math.round(60 / each)));
}

/** The frequency of a note, by its MIDI number, in Hz (equal temperament). */
export const frequency = (midi: number, a4: number) => a4 * 2 ** ((midi - 69) / 12);
