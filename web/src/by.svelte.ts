import { Kept } from './lib/kept.svelte';

/** The longest name that is kept. */
const LONGEST = 60;

/** Who marks at this machine; kept here, and written down with what is heard. */
class By {
  #kept = new Kept('by', '');

  get name() {
    return this.#kept.value;
  }

  set(name: string) {
    this.#kept.value = name.trim().slice(0, LONGEST);
  }
}

export const by = new By();
