import { onDestroy } from 'svelte';
import { ui } from '../words/ui';

/** What a page shows, and how it comes: a late answer never overwrites that of a newer question. */
export class Loaded<T> {
  value = $state.raw<T>();
  problem = $state('');
  busy = $state(false);
  #turn = 0;
  #last: (() => Promise<T>) | undefined;

  /**
   * Asks; what stands there stays until the answer is here.
   *
   * @param then what is done with an answer that still counts
   */
  async ask(question: () => Promise<T>, then?: (answer: T) => void): Promise<void> {
    const turn = ++this.#turn;
    this.#last = question;
    this.busy = true;
    this.problem = '';
    try {
      const answer = await question();
      if (turn !== this.#turn) return;
      this.value = answer;
      then?.(answer);
    } catch (e) {
      if (turn === this.#turn) this.problem = sentence(e);
    } finally {
      if (turn === this.#turn) this.busy = false;
    }
  }

  /** Asks the last question once more. */
  again = () => (this.#last ? this.ask(this.#last) : Promise.resolve());

  /** Puts an answer there that came by another way; what is on its way counts no more. */
  put(value: T | undefined) {
    this.#turn++;
    this.busy = false;
    this.value = value;
  }

  /** Nothing that is on its way counts any more: the page is left, or the question has changed. */
  drop = () => void this.#turn++;
}

/** What went wrong, as a sentence for the person in front of the screen. */
export const sentence = (e: unknown) => (e instanceof Error ? e.message : ui.all.wentWrong);

/** What one page shows; nothing comes any more once the page is left. */
export function loaded<T>(): Loaded<T> {
  const page = new Loaded<T>();
  onDestroy(page.drop);
  return page;
}
