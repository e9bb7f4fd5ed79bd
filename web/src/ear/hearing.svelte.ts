import { api, asked, refusal, sentence, type Schemas } from '../api/client';
import { Door } from '../lib/door.svelte';
import type { Note } from '../stand/lanes';
import type { Grade } from '../words/standing';
import { ui } from '../words/ui';
import { mark } from './pending';
import { Queue } from './queue.svelte';
import { sendHeard, type HeardPress } from './senders';

/** A note of a part with one of its fingerings, and all places where the part has it. */
export interface Task {
  key: string;
  note: Note;
  ids: string[];
}

/** A grade that was given for a task. */
interface Press extends HeardPress {
  key: string;
}

/** A grade that stands: written down, or on its way. */
export interface Heard {
  press: Press;
  task: Task;
}

/**
 * A student's part that is heard note by note: every note once, with the fingering it has there.
 * What is marked counts at once, and goes to the server as in a class check.
 */
export class Hearing {
  view = $state.raw<Schemas['StandView']>();
  queue = $state.raw<Queue<Press, number>>();
  at = $state(0);
  /** goes with the next grade */
  remark = $state('');
  finished = $state(false);
  unread = $state('');
  /** through which grades are taken back */
  readonly door = new Door();
  said = $state('');
  /** what is written down, with the entry that it has become */
  #written = $state.raw<{ press: Press; entry: number }[]>([]);
  #student = 0;
  /** an answer for another part counts no more */
  #turn = 0;

  readonly tasks = $derived.by(() => {
    const found = new Map<string, Task>();
    for (const note of this.view?.plan.notes ?? []) {
      const key = `${note.written} ${note.label}`;
      const task = found.get(key);
      if (task) task.ids.push(note.id);
      else found.set(key, { key, note, ids: [note.id] });
    }
    return [...found.values()];
  });
  readonly task = $derived(this.tasks[this.at]);
  readonly pending = $derived(this.queue?.waiting ?? []);
  readonly problem = $derived(
    this.queue?.problem ? ui.ear.waits(this.queue.problem) : this.unread || this.door.problem
  );
  /** what stands, the last last; of each note the last grade */
  readonly heard = $derived.by(() => {
    const all = new Map<string, Heard>();
    for (const press of [...this.#written.map((w) => w.press), ...this.pending]) {
      const task = this.tasks.find((t) => t.key === press.key);
      all.delete(press.key);
      if (task) all.set(press.key, { press, task });
    }
    return [...all.values()];
  });
  readonly grades = $derived(new Map(this.heard.map((h) => [h.press.key, h.press.grade])));
  readonly left = $derived(this.tasks.filter((t) => !this.grades.has(t.key)).length);

  async load(student: number, piece: number) {
    const mine = ++this.#turn;
    this.#student = student;
    this.door.next();
    this.queue?.stop();
    this.queue = undefined;
    this.view = undefined;
    this.unread = '';
    this.#written = [];
    this.at = 0;
    this.finished = false;
    try {
      const params = { path: { studentId: student, pieceId: piece } };
      const found = await asked(api.GET('/api/stand/{studentId}/{pieceId}', { params }));
      if (mine !== this.#turn) return;
      this.view = found;
      this.queue = new Queue<Press, number>(
        `part-${student}-${piece}`,
        (press) => sendHeard(student, piece, press),
        (press, entry) => (this.#written = [...this.#written, { press, entry }]),
        refusal,
        sentence
      );
      void this.queue.flush();
    } catch (e) {
      if (mine === this.#turn) this.unread = sentence(e);
    }
  }

  /** The page is left: what waits is kept for the next time. */
  leave() {
    this.#turn++;
    this.queue?.stop();
    this.door.next();
  }

  go(by: 1 | -1) {
    this.at = Math.max(0, Math.min(this.at + by, this.tasks.length - 1));
  }

  /** To the note at a place of the part. */
  toNote(id: string) {
    const i = this.tasks.findIndex((t) => t.ids.includes(id));
    if (i >= 0) this.at = i;
  }

  grade(g: Grade) {
    const { task, tasks, at } = this;
    if (!task) return;
    this.#press(task, g, this.remark.trim());
    this.remark = '';
    this.said = `${task.note.shown}: ${ui.standing[g]}`;
    const next = tasks.findIndex((x, i) => i > at && !this.grades.has(x.key));
    this.at = next >= 0 ? next : Math.min(at + 1, tasks.length - 1);
    void this.queue?.flush();
  }

  /** All that is left is secure. */
  rest() {
    const open = this.tasks.filter((t) => !this.grades.has(t.key));
    open.forEach((t) => this.#press(t, 'SECURE', ''));
    this.said = ui.ear.notesSecure(open.length);
    void this.queue?.flush();
  }

  #press(task: Task, grade: Grade, remark: string) {
    const { written, fingering, barNumber: bars } = task.note;
    this.queue?.add({ key: task.key, written, fingering, grade, bars, remark, mark: mark() });
  }

  /** Takes grades back; one that is on its way arrives first. */
  async takeBack(list: Heard[]) {
    const first = list[0];
    if (!first) {
      this.said = ui.ear.nothingToTake;
      return;
    }
    const sent = list.filter((h) => !this.queue?.take(h.press));
    const params = { path: { studentId: this.#student } };
    const queue = this.queue;
    await this.door.change(
      async () => {
        if (!sent.length) return new Set<string>();
        await queue?.flush();
        // what could not be sent either waits no more
        const marks = new Set(sent.filter((h) => !queue?.take(h.press)).map((h) => h.press.mark));
        const ids = this.#written.filter((w) => marks.has(w.press.mark)).map((w) => w.entry);
        if (ids.length)
          await asked(api.POST('/api/students/{studentId}/heard/undo', { params, body: { ids } }));
        return marks;
      },
      (marks) => {
        this.#written = this.#written.filter((w) => !marks.has(w.press.mark));
        if (list.length === 1) this.at = this.tasks.findIndex((t) => t.key === first.task.key);
        this.said = list.length > 1 ? ui.ear.allTaken : ui.ear.noteTaken(first.task.note.shown);
      }
    );
  }
}
