/** Bars that are chosen, to be played or looked at; all of them until some are. */
export class Selection {
  /** the first bar, from 0 */
  from = $state(0);
  /** the last one; -1 is the end */
  to = $state(-1);
  /** the end that stays while the other one moves; -1 while all bars are chosen */
  #fixed = -1;

  /**
   * @param bars how many there are
   */
  constructor(readonly bars: () => number) {}

  /** First and last bar; nothing while all are chosen. */
  get ends(): [number, number] | undefined {
    return this.from > 0 || this.to >= 0
      ? [this.from, this.to < 0 ? this.bars() - 1 : this.to]
      : undefined;
  }

  all() {
    this.#fixed = -1;
    this.from = 0;
    this.to = -1;
  }

  /** Chooses some bars, unless they are all that there are. */
  set(from: number, to: number) {
    this.all();
    if (from <= 0 && to >= this.bars() - 1) return;
    this.#fixed = this.from = from;
    this.to = to;
  }

  /** One bar more or less at the end that moves; the first time the bar where one is. */
  move(by: number, here: number) {
    const ends = this.ends;
    if (this.#fixed < 0 || !ends) {
      this.#fixed = this.from = this.to = here;
      return;
    }
    const end = ends[0] === this.#fixed ? ends[1] : ends[0];
    const moved = Math.max(0, Math.min(this.bars() - 1, end + by));
    this.from = Math.min(this.#fixed, moved);
    this.to = Math.max(this.#fixed, moved);
  }
}
