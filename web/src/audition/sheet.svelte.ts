import { refusal, sentence, type Schemas } from '../api/client';
import { mark } from '../ear/pending';
import { Queue } from '../ear/queue.svelte';
import { sendTouch, type Touch } from '../ear/senders';

type View = Schemas['MockView'];
export type Criterion = View['points'][number]['criterion'];

/**
 * A judge's sheet of a mock audition. What is touched stands on the page at once, and only that is
 * sent, one after the other; what finds no answer waits, also over a closed tab.
 */
export class Sheet {
  readonly queue: Queue<Touch, View>;

  constructor(
    mockId: number,
    private readonly answered: (view: View) => void
  ) {
    this.queue = new Queue<Touch, View>(
      `sheet-${mockId}`,
      (touch) => sendTouch(mockId, touch),
      (_, view) => this.answered(view),
      refusal,
      sentence
    );
    void this.queue.flush();
  }

  /** Points as they stand on the page: what was answered, and over it what waits. */
  points(view: View): Partial<Record<Criterion, number>> {
    const all = Object.fromEntries(
      view.points.filter((p) => p.points >= 0).map((p) => [p.criterion, p.points])
    ) as Partial<Record<Criterion, number>>;
    return Object.assign(all, ...this.queue.waiting.map((t) => t.points));
  }

  /** The remark that waits to be sent, if one does. */
  get remark(): string | undefined {
    return this.queue.waiting.findLast((t) => t.remark !== undefined)?.remark;
  }

  /** Whether it is on its way to be handed in: nothing is touched then, and nothing is promised. */
  get handingIn(): boolean {
    return this.queue.waiting.some((t) => t.handedIn);
  }

  touch(judge: string, what: Partial<Omit<Touch, 'judge' | 'mark'>>) {
    this.queue.add({ judge, points: {}, handedIn: false, ...what, mark: mark() });
    void this.queue.flush();
  }
}
