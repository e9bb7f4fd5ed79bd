import type { Schemas } from '../api/client';
import { read, write } from '../lib/kept.svelte';

/** Places that were drawn, and how each start went so far. */
export interface Sitting {
  starts: Schemas['StartsView'];
  results: boolean[];
}

/** Of so many starts … */
const LOOKED_AT = 4;
/** … so many that were not clean are one sitting's end. */
const TIRED = 3;

export type End = 'enough' | 'tired' | undefined;

/** Whether a sitting is at its end: enough was played, or it only gets worse. */
export function ended({ starts, results }: Sitting): End {
  if (results.length >= starts.order.length) return 'enough';
  const late = results.slice(-LOOKED_AT);
  return late.filter((clean) => !clean).length >= TIRED ? 'tired' : undefined;
}

/** A number that is easily said aloud. */
export const someNumber = () => 100 + Math.floor(Math.random() * 900);

const place = (student: number, piece: number) => `starts-${student}-${piece}`;

/** What was begun in this tab. */
export const begun = (student: number, piece: number) =>
  read<Sitting>(place(student, piece), 'sessionStorage');

export const keep = (student: number, piece: number, sitting: Sitting | undefined) =>
  write(place(student, piece), sitting, 'sessionStorage');
