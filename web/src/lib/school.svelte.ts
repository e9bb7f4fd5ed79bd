import { read, write } from './kept.svelte';

const KEPT = 'school';

/**
 * Which school's data this page shows. Every answer says it; numbers of students and pieces mean
 * nothing in another school's data, which are there after a backup was restored.
 */
class School {
  /** as the page was opened; empty until an answer has said it for the first time in this browser */
  id = read<string>(KEPT) ?? '';
  /** the server has another school's data by now */
  other = $state(false);
  #sure = false;

  /** What an answer says. */
  answered(id: string | null) {
    if (!id || (this.#sure && id === this.id)) return;
    if (this.#sure) {
      this.other = true;
      return;
    }
    const before = this.id;
    this.#sure = true;
    this.id = id;
    write(KEPT, id);
    // nothing was done on this page yet: it begins with the school that is there now
    if (before && before !== id) location.reload();
  }
}

export const school = new School();
