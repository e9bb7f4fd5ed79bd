import { Kept } from '../lib/kept.svelte';
import { ways } from '../ways.svelte';

/** From which side finger pictures are seen, and which name of a note is read; kept on this machine. */
class Eyes {
  #facing = new Kept('facing', false);
  #sounding = new Kept('sounding', false);
  #plain = new Kept('plain-pictures', false);
  /** as chosen here, or else as the house has it */
  readonly facing = $derived(
    this.#facing.chosen ? this.#facing.value : ways.house.eyes === 'facing'
  );

  get sounding() {
    return this.#sounding.value;
  }

  /** whether fingerings are shown in a plain scheme in the place of the instrument */
  get plain() {
    return this.#plain.value;
  }
  set plain(to: boolean) {
    this.#plain.value = to;
  }

  turn() {
    this.#facing.value = !this.facing;
  }
  name() {
    this.#sounding.value = !this.sounding;
  }
}

export const eyes = new Eyes();
