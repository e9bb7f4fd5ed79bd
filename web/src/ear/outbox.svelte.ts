import { refusal, sentence } from '../api/client';
import { lost } from '../lib/lost.svelte';
import { throwAway, waitingElsewhere, waitingHere, unsent, type Marked } from './pending';
import { Queue } from './queue.svelte';
import { isOwn, sender } from './senders';

/** How often what waits is looked for. */
const LOOK_MS = 10_000;

/** Sends what waits in this browser from every page, not only from the one where it was pressed. */
class Outbox {
  /** how many presses wait, but for those of the page that is open, which tells them itself */
  waiting = $state(0);
  /** what waits for the data of other schools */
  elsewhere = $state.raw<{ name: string; presses: Marked[] }[]>([]);

  /** Looks now and again until it is stopped. */
  start(): () => void {
    const look = () => void this.look();
    const timer = setInterval(look, LOOK_MS);
    addEventListener('online', look);
    look();
    return () => {
      clearInterval(timer);
      removeEventListener('online', look);
    };
  }

  async look() {
    this.elsewhere = waitingElsewhere();
    for (const name of waitingHere()) {
      const send = sender(name);
      if (!send || this.#elsewhere(name)) continue;
      const own = new Queue<Marked, unknown>(name, send, () => {}, refusal, sentence);
      await own.flush();
      own.stop();
      own.refused.forEach((r) => lost.tell(r.because));
    }
    this.waiting = waitingHere()
      .filter((n) => !this.#elsewhere(n))
      .reduce((sum, n) => sum + unsent(n).length, 0);
  }

  /** The page that is open sends it, or will when it has come: it shows what was pressed there. */
  #elsewhere = (name: string) => Queue.open.has(name) || isOwn(name, location.pathname);

  throwAway() {
    this.elsewhere.forEach((e) => throwAway(e.name));
    this.elsewhere = [];
  }
}

export const outbox = new Outbox();
