import { Kept } from './lib/kept.svelte';

/** Light or dark; follows the system until the teacher chooses. */
class Theme {
  #chosen = new Kept<'light' | 'dark'>(
    'theme',
    globalThis.document?.documentElement.getAttribute('theme') === 'g100' ? 'dark' : 'light'
  );
  readonly dark = $derived(this.#chosen.value === 'dark');

  toggle() {
    this.#chosen.value = this.dark ? 'light' : 'dark';
    document.documentElement.setAttribute('theme', this.dark ? 'g100' : 'white');
  }
}

export const theme = new Theme();
