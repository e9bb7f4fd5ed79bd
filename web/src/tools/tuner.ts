import type { Schemas } from '../api/client';

export type Tuned = Schemas['TunedNote'];

/** How many samples are listened to at once: five periods of a tuba's lowest B flat at 48 kHz. */
export const SAMPLES = 4096;
/** Less clear than this is no note: breath, keys, two notes at once. */
const CLEAR = 0.9;
/** So many of the last readings are looked at together, so that one slip moves nothing. */
const LAST = 7;
/** In tune, as far as anybody hears; the same number of cents from which on a fingering leans. */
export const IN_TUNE = 5;
/** As near to what the fingering does by itself: then it is the fingering. */
const NEAR = 10;
/** Farther from every note of the part it is none of them, in cents. */
const FARTHEST = 65;
const OCTAVE = 12;
const A4 = 69;

/** How high a frequency is, as a MIDI number with its fraction. */
export const height = (hertz: number, a4: number) => A4 + OCTAVE * Math.log2(hertz / a4);

/** Of the last readings the middle one; nothing while there are too few that are clear. */
export class Steady {
  #last: number[] = [];

  /** @param clarity 0 to 1 */
  take(hertz: number, clarity: number): number | undefined {
    if (clarity < CLEAR || !(hertz > 0)) {
      this.#last = this.#last.slice(1);
    } else {
      // another note begins anew
      const before = this.#last.at(-1);
      if (before && Math.abs(OCTAVE * Math.log2(hertz / before)) > 1) this.#last = [];
      this.#last = [...this.#last.slice(1 - LAST), hertz];
    }
    if (this.#last.length < LAST / 2) return undefined;
    return [...this.#last].sort((a, b) => a - b)[this.#last.length >> 1];
  }
}

/** The notes of a part that are nearest to what is heard: one for each of its fingerings. */
export function nearest(notes: Tuned[], midi: number): Tuned[] {
  const far = (n: Tuned) => Math.abs(n.soundingMidi - midi) * 100;
  const least = Math.min(...notes.map(far));
  return least > FARTHEST ? [] : notes.filter((n) => far(n) === least);
}

/** Why it is as it is. */
export type Cause = 'inTune' | 'fingering' | 'leans' | 'besides';

/** @param cents as it is heard */
export function cause(n: Tuned, cents: number): Cause {
  if (Math.abs(cents) <= IN_TUNE) return 'inTune';
  const leans = n.known && Math.abs(n.cents) >= IN_TUNE;
  if (!leans) return 'besides';
  return Math.abs(cents - n.cents) <= NEAR ? 'fingering' : 'leans';
}

/**
 * The other fingering with which it would be most in tune, played as it is now; nothing where none
 * would be better by what anybody hears.
 */
export function better(n: Tuned, cents: number): Tuned['others'][number] | undefined {
  const then = (o: Tuned['others'][number]) => Math.abs(cents + o.cents - n.cents);
  const best = [...n.others].sort((a, b) => then(a) - then(b))[0];
  return best && then(best) <= Math.abs(cents) - IN_TUNE ? best : undefined;
}
