import { onDestroy } from 'svelte';
import { ui } from '../words/ui';
import { sentence } from './load.svelte';
import { lost } from './lost.svelte';

/** How long a change waits for its answer before that is said. */
const LIMIT_MS = 60_000;

/** A change that was pressed and has not been answered. */
export interface Change<T> {
  question: () => Promise<T>;
  /** what is done with an answer that still counts */
  then?: ((answer: T) => unknown) | undefined;
  /** what is done when it fails, besides telling it */
  failed?: (() => void) | undefined;
}

/**
 * The one door through which a page changes something: in the order in which it was pressed, one
 * after the other, and told when it fails. Once the page has moved on to another student, answers
 * count no more: the change is still sent, and a failure is told wherever the teacher is by then.
 */
export class Door {
  /** why the last one failed */
  problem = $state('');
  /** how many are on their way */
  waiting = $state(0);
  #turn = 0;
  #last: Promise<unknown> = Promise.resolve();
  /** counts failures, so that a chain knows of one before it */
  #failures = 0;

  constructor(
    /**
     * whether each builds on the one before: after a failure those that were pressed before it was
     * told are not sent
     */
    readonly chained = false,
    /** in milliseconds */
    readonly limit = LIMIT_MS
  ) {}

  get busy() {
    return this.waiting > 0;
  }

  /** Sends a change when those before it are answered; whether it was done. */
  change<T>(
    question: () => Promise<T>,
    then?: (answer: T) => unknown,
    failed?: () => void
  ): Promise<boolean> {
    const turn = this.#turn;
    const failures = this.#failures;
    if (!this.waiting) this.problem = '';
    this.waiting++;
    const done = this.#last.then(() => this.#send({ question, then, failed }, turn, failures));
    this.#last = done;
    return done;
  }

  /** Sends a change unless one is on its way: a form that is sent by two clicks is sent once. */
  once<T>(question: () => Promise<T>, then?: (answer: T) => unknown): Promise<boolean> {
    return this.busy ? Promise.resolve(false) : this.change(question, then);
  }

  /** What is not sent because something is missing on the page is told in the same place. */
  refuse(why: string) {
    this.problem = why;
  }

  /** The page shows another student or piece: answers that come now count no more. */
  next() {
    this.#turn++;
    this.problem = '';
  }

  async #send<T>(change: Change<T>, turn: number, failures: number): Promise<boolean> {
    const here = () => turn === this.#turn;
    try {
      if (this.chained && failures !== this.#failures) {
        change.failed?.();
        return false;
      }
      const answer = await inTime(change.question(), this.limit);
      if (here()) await change.then?.(answer);
      return true;
    } catch (e) {
      this.#failures++;
      const why = sentence(e);
      if (here()) {
        this.problem =
          this.chained && this.waiting > 1 ? ui.all.andNotSent(why, this.waiting - 1) : why;
        change.failed?.();
      } else lost.tell(why);
      return false;
    } finally {
      this.waiting--;
    }
  }
}

/** An answer, or a sentence that there was none in time. */
function inTime<T>(answer: Promise<T>, ms: number): Promise<T> {
  let timer: ReturnType<typeof setTimeout>;
  const late = new Promise<never>((_, fail) => {
    timer = setTimeout(() => fail(new Error(ui.all.noAnswerInTime)), ms);
  });
  return Promise.race([answer, late]).finally(() => clearTimeout(timer));
}

/** The door of one page; answers count no more once the page is left. */
export function door(chained = false, limit = LIMIT_MS): Door {
  const own = new Door(chained, limit);
  onDestroy(() => own.next());
  return own;
}
