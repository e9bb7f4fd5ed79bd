import { Kept, read, write } from '../lib/kept.svelte';
import { isAbc } from './letters';

/**
 * What is typed is there again after the power went, until it is on the shelf. What was begun when
 * letters were ABC says so in its header, and is read as before.
 *
 * @param of which piece is changed; empty where a new one is typed
 */
export function typedText(of = ''): Kept<string> {
  const now = new Kept(`typed-music${of}`, '');
  const old = `typed-text${of}`;
  const before = read<string>(old);
  if (before) {
    if (!now.value) now.value = isAbc(before) ? before : `%abc\n${before}`;
    write(old, undefined);
  }
  return now;
}
