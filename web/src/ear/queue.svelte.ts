import { dropUnsent, keepUnsent, unsent, type Marked } from './pending';

/** How long a mark that could not be sent waits. */
const AGAIN_MS = 4000;

/** What the server said no to; it will say so again. */
export interface Refusal<P> {
  press: P;
  because: string;
}

/**
 * Marks on their way to the server, one after the other. What finds no answer waits, also over a
 * closed tab, and is sent again; what is refused is told and does not hold up what stands behind.
 */
export class Queue<P extends Marked, Answer> {
  /** names of those that a page has open, which sends them itself */
  static readonly open = new Set<string>();

  waiting = $state.raw<P[]>([]);
  refused = $state.raw<Refusal<P>[]>([]);
  /** why the first that waits could not be sent */
  problem = $state('');
  #sending: Promise<void> | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #stopped = false;

  constructor(
    /** under which name of the browser's storage they wait */
    readonly name: string,
    readonly send: (press: P) => Promise<Answer>,
    readonly sent: (press: P, answer: Answer) => void,
    /** a sentence when an error is a refusal; nothing when it is worth trying again */
    readonly refusal: (e: unknown) => string | undefined,
    readonly sentence: (e: unknown) => string
  ) {
    this.waiting = unsent<P>(name);
    Queue.open.add(name);
  }

  add(press: P) {
    press.at ??= new Date().toISOString();
    this.waiting = [...this.waiting, press];
    keepUnsent(this.name, press);
  }

  /** Takes a mark back that has not been sent; whether there was one. */
  take(press: P): boolean {
    if (!this.waiting.includes(press) || (this.#sending && press === this.waiting[0])) return false;
    this.#drop(press);
    return true;
  }

  /** Sends what waits; done when all is sent or something has to wait on. */
  flush(): Promise<void> {
    clearTimeout(this.#timer);
    return (this.#sending ??= this.#run().finally(() => (this.#sending = undefined)));
  }

  async #run() {
    while (this.waiting.length && !this.#stopped) {
      const next = this.waiting[0]!;
      try {
        const answer = await this.send(next);
        this.#drop(next);
        this.problem = '';
        if (!this.#stopped) this.sent(next, answer);
      } catch (e) {
        const because = this.refusal(e);
        if (because === undefined) {
          this.problem = this.sentence(e);
          if (!this.#stopped) this.#timer = setTimeout(() => void this.flush(), AGAIN_MS);
          return;
        }
        this.#drop(next);
        this.refused = [...this.refused, { press: next, because }];
      }
    }
  }

  /** The page is left: what waits is kept for the next time. */
  stop() {
    this.#stopped = true;
    Queue.open.delete(this.name);
    clearTimeout(this.#timer);
  }

  #drop(press: P) {
    this.waiting = this.waiting.filter((p) => p !== press);
    dropUnsent(this.name, press);
  }
}
