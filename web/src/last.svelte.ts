import { Kept } from './lib/kept.svelte';

/** The part opened last in this browser, so that the rail leads back to it; 0 where there is none. */
export const last = new Kept('last', { student: 0, piece: 0 });

/** Remembers a part that stands there; one that can't be opened is forgotten, so it is no dead end. */
export function opened(student: number, piece: number, is: boolean) {
  const known = last.value.student === student && last.value.piece === piece;
  if (is && !known) last.value = { student, piece };
  if (!is && known) last.value = last.fallback;
}
