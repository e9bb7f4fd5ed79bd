import { onDestroy } from 'svelte';
import { Kept } from './kept.svelte';

/** A key of a page, or several with one meaning. */
export interface Key {
  /** as the browser names them, with `Shift+` before those that are pressed with shift */
  on: string | string[];
  /** what stands in the list, where that is not the keys themselves */
  shown?: string;
  /** what it does, for the list of keys; without words it is not listed */
  words?: string;
  /** whether it is there now; always where this is not given */
  when?: () => boolean;
  /** what it does; false where it leaves the key to the browser */
  act: (key: string, e: KeyboardEvent) => unknown;
}

interface Page {
  name: string;
  keys: Key[];
}

/**
 * Pages that have declared their keys, the innermost last. Not a state: a page that is left would see
 * it as it was before the next page came.
 */
let declared: Page[] = [];

/** Whether single letters, digits and signs work as keys; kept in this browser. */
export const letters = new Kept('letters', true);

/** What the list of keys shows when it is opened: each page that is open, and its keys. */
export const listed = (): Page[] =>
  declared.map((p) => ({ ...p, keys: p.keys.filter((k) => k.words) }));

/**
 * Declares the keys of a page as long as it is open.
 *
 * @param name the page's, for the list
 */
export function pageKeys(name: string, keys: Key[]) {
  const page = { name, keys };
  declared = [...declared, page];
  onDestroy(() => (declared = declared.filter((p) => p !== page)));
}

/** Whether a key press belongs to a field or a dialog rather than to the page. */
export function typing(e: KeyboardEvent): boolean {
  const t = e.target instanceof Element ? e.target : null;
  return (
    !!t?.closest('input, textarea, select, [contenteditable], [role="dialog"], dialog') ||
    !!document.querySelector('.bx--modal.is-visible')
  );
}

/** Whether a key presses what has the focus, which then has it for itself. */
export const pressing = (e: KeyboardEvent): boolean =>
  e.target instanceof Element && !!e.target.closest('button, summary, a, label');

/** Whether a key is a letter, a digit or a sign: such keys can be switched off. */
const isLetter = (key: string) => key.length === 1 && key !== ' ';

/** The name of a pressed key as pages declare it. */
const named = (e: KeyboardEvent) =>
  e.shiftKey && e.key.length > 1 && e.key !== 'Shift' ? `Shift+${e.key}` : e.key;

/** Hands a key press to the page that has declared it, the innermost first. */
export function pressed(e: KeyboardEvent) {
  if (e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey || typing(e)) return;
  if (isLetter(e.key) && !letters.value) return;
  const key = named(e);
  for (const page of [...declared].reverse())
    for (const k of page.keys)
      if ([k.on].flat().includes(key) && (k.when?.() ?? true) && k.act(key, e) !== false) {
        e.preventDefault();
        return;
      }
}
