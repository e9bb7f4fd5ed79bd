import { api, asked, refusal, sentence, type Schemas } from '../api/client';
import { Door } from '../lib/door.svelte';
import type { Grade } from '../words/standing';
import { ui } from '../words/ui';
import { mark, type Press } from './pending';
import { Queue } from './queue.svelte';
import { sendGrade } from './senders';

type Row = Schemas['ClassRow'];
type Cell = Schemas['ClassCell'];

const clamp = (i: number, n: number) => Math.max(0, Math.min(i, n - 1));

/**
 * A playing check of a group while it is marked: which cell is looked at, what is given, what is on
 * its way, and what another teacher has marked meanwhile.
 */
export class Marking {
  view = $state.raw<Schemas['ClassCheckView']>();
  queue = $state.raw<Queue<Press, Cell>>();
  row = $state(0);
  item = $state(0);
  /** whether one goes through the group note by note, and not student by student */
  byNote = $state(false);
  /** goes with the next mark */
  remark = $state('');
  finished = $state(false);
  unread = $state('');
  /** through which all goes that is no grade */
  readonly door = new Door();
  said = $state('');
  /** a grade for several notes, which waits until it is said which of them it is for */
  asking = $state<Grade>();
  picked = $state.raw<string[]>([]);
  pointed = $state(0);
  /** what can be taken back, the last last */
  #done: { row: number; item: number }[] = [];
  #id = 0;
  /** an answer for another check counts no more */
  #turn = 0;
  /** what was changed here: an answer asked for before a change does not know of it */
  #changes = 0;

  readonly student = $derived(this.view?.rows[this.row]);
  readonly cell = $derived(this.student?.cells[this.item]);
  readonly pending = $derived(this.queue?.waiting ?? []);
  readonly problem = $derived(
    this.queue?.problem ? ui.ear.waits(this.queue.problem) : this.unread || this.door.problem
  );
  /** by student and item, the presses that wait to be sent */
  readonly #waiting = $derived(new Map(this.pending.map((p) => [`${p.studentId}/${p.item}`, p])));
  /** what stands in the chosen cell */
  readonly here = $derived(this.student && this.gradeOf(this.student, this.item));
  /** how many are still to be marked */
  readonly open = $derived(
    (this.view?.rows ?? []).flatMap((r) =>
      r.absent ? [] : r.cells.filter((c, i) => c.asked && !this.gradeOf(r, i))
    ).length
  );
  /** what was not secure */
  readonly shaky = $derived(
    (this.view?.rows ?? []).flatMap((r) =>
      r.cells.flatMap((c, i) => {
        const g = this.gradeOf(r, i);
        return g && g !== 'SECURE' ? [{ r, i, c, g }] : [];
      })
    )
  );
  /** the cells in the order in which they are walked through */
  readonly #order = $derived.by(() => {
    const rows = this.view?.rows ?? [];
    const cells: [number, number][] = [];
    const add = (r: number, i: number) => {
      if (rows[r]!.cells[i]!.asked) cells.push([r, i]);
    };
    const n = this.view?.items.length ?? 0;
    if (this.byNote) for (let i = 0; i < n; i++) rows.forEach((_, r) => add(r, i));
    else rows.forEach((_, r) => Array.from({ length: n }, (_, i) => add(r, i)));
    return cells;
  });

  /** What is asked, in words. */
  asks(i: number) {
    return `${this.view!.items[i]!.shown} ${this.view!.items[i]!.words}`.trim();
  }

  gradeOf(r: Row, i: number): Grade | undefined {
    const g = this.#waiting.get(`${r.student.id}/${i}`)?.grade ?? r.cells[i]!.grade;
    return g === 'OPEN' ? undefined : g;
  }

  async load(check: number) {
    const mine = ++this.#turn;
    this.#id = check;
    this.queue?.stop();
    this.door.next();
    this.view = undefined;
    this.unread = '';
    try {
      const params = { path: { id: check } };
      const found = await asked(api.GET('/api/checks/{id}', { params }));
      if (mine !== this.#turn) return;
      this.view = found;
      this.finished = found.finished;
      this.#done = [];
      this.queue = new Queue<Press, Cell>(
        `check-${check}`,
        (press) => sendGrade(check, press),
        (press, c) => this.#put(press.studentId, press.item, c),
        refusal,
        sentence
      );
      this.#toNextOpen(0, 0);
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

  /** What another teacher has marked meanwhile. */
  async look() {
    if (!this.view || this.pending.length || this.door.busy || document.hidden) return;
    const mine = this.#turn;
    const before = this.#changes;
    try {
      const params = { path: { id: this.#id } };
      const fresh = await asked(api.GET('/api/checks/{id}', { params }));
      if (mine === this.#turn && before === this.#changes) this.view = fresh;
    } catch {
      // the next grade says so
    }
  }

  /** To the next cell, or the one before. */
  go(by: 1 | -1) {
    const place = this.#order.findIndex(([r, i]) => r === this.row && i === this.item);
    this.#goTo(place + by);
  }

  /** To another student, at the same item. */
  toStudent(by: 1 | -1) {
    this.row = clamp(this.row + by, this.view?.rows.length ?? 1);
  }

  /** Says that a grade is for one of several notes, or is not. */
  pick(written: string | undefined) {
    if (!written) return;
    const { picked } = this;
    this.picked = picked.includes(written)
      ? picked.filter((p) => p !== written)
      : [...picked, written];
  }

  point(by: 1 | -1) {
    this.pointed = clamp(this.pointed + by, this.cell?.each.length ?? 1);
  }

  /** Gives the chosen cell a grade, or asks first which of its notes it is for; then goes on. */
  grade(g: Grade) {
    const { student, cell, picked } = this;
    if (!student || !cell?.asked) return;
    if (g !== 'SECURE' && cell.each.length > 1 && !this.asking) {
      this.asking = g;
      this.picked = [];
      this.pointed = 0;
      return;
    }
    this.#press(this.row, this.item, g, this.remark.trim(), picked);
    const which = cell.each.filter((n) => picked.includes(n.written)).map((n) => n.shown);
    const what = which.join(', ') || this.asks(this.item);
    this.said = `${student.student.name}, ${what}: ${ui.standing[g]}`;
    this.asking = undefined;
    this.picked = [];
    this.remark = '';
    void this.queue?.flush();
    this.#toNextOpen(this.row, this.item);
  }

  /** All that is left of this student (or of this note, walking note by note) is secure. */
  rest() {
    const { view, student, row, item, byNote } = this;
    if (!view) return;
    const list = this.#order.filter(
      ([r, i]) =>
        (byNote ? i === item : r === row) &&
        !view.rows[r]!.absent &&
        !this.gradeOf(view.rows[r]!, i)
    );
    list.forEach(([r, i]) => this.#press(r, i, 'SECURE', ''));
    this.said = list.length
      ? ui.ear.restSecure(list.length)
      : ui.ear.nothingLeft(byNote ? this.asks(item) : (student?.student.name ?? ''));
    void this.queue?.flush();
    this.#toNextOpen(row, item);
  }

  /** Takes the last mark back; with nothing marked on this page, what stands in the chosen cell. */
  async undo() {
    const { row, item } = this;
    const last = this.#done[this.#done.length - 1] ?? (this.here ? { row, item } : undefined);
    if (!last || !this.view) return;
    this.#done = this.#done.slice(0, -1);
    [this.row, this.item] = [last.row, last.item];
    const s = this.view.rows[last.row]!.student;
    const unsentYet = [...this.pending]
      .reverse()
      .find((p) => p.studentId === s.id && p.item === last.item);
    this.said = ui.ear.takenBack(s.name, this.asks(last.item));
    if (unsentYet && this.queue?.take(unsentYet)) return;
    const params = { path: { id: this.#id } };
    await this.#change(
      async () => {
        // a grade that is on its way arrives first
        await this.queue?.flush();
        return asked(
          api.POST('/api/checks/{id}/undo', {
            params,
            // the one that is seen here: what another has taken back is not taken back twice
            body: {
              studentId: s.id,
              item: last.item,
              mark: this.view?.rows[last.row]?.cells[last.item]?.mark ?? ''
            }
          })
        );
      },
      (c) => this.#put(s.id, last.item, c),
      () => (this.#done = [...this.#done, last])
    );
  }

  /** The student is not there, or is there again. */
  async absent() {
    const { student, view, row } = this;
    if (!student || !view) return;
    const is = !student.absent;
    const { id: studentId, name } = student.student;
    this.#absent(studentId, is);
    this.said = is ? ui.ear.isAbsent(name) : ui.ear.isHere(name);
    // on at once: the next grade is for the next student, however slow the answer is
    if (is) this.#toNextOpen(row, 0);
    const params = { path: { id: this.#id } };
    await this.#change(
      () => asked(api.POST('/api/checks/{id}/absent', { params, body: { studentId, absent: is } })),
      undefined,
      () => {
        this.#absent(studentId, !is);
        this.said = '';
      }
    );
  }

  #absent(studentId: number, is: boolean) {
    if (!this.view) return;
    const rows = this.view.rows.map((x) => (x.student.id === studentId ? { ...x, absent: is } : x));
    this.view = { ...this.view, rows };
  }

  /** The check is finished, or goes on. */
  async finish(is: boolean) {
    this.finished = is;
    const params = { path: { id: this.#id } };
    await this.#change(
      () => asked(api.POST('/api/checks/{id}/finish', { params, body: is })),
      undefined,
      () => (this.finished = !is)
    );
  }

  /** A change that is told to the server; what is looked for meanwhile does not count. */
  #change<T>(question: () => Promise<T>, then?: (answer: T) => void, failed?: () => void) {
    this.#changes++;
    return this.door.change(question, then, failed);
  }

  #put(studentId: number, i: number, c: Cell) {
    if (!this.view) return;
    this.view = {
      ...this.view,
      rows: this.view.rows.map((r) =>
        r.student.id === studentId
          ? { ...r, absent: false, cells: r.cells.map((x, n) => (n === i ? c : x)) }
          : r
      )
    };
  }

  #goTo(place: number) {
    const c = this.#order[clamp(place, this.#order.length)];
    if (c) [this.row, this.item] = c;
  }

  /** The next cell from a place on that is neither graded nor of someone absent. */
  #toNextOpen(r0: number, i0: number) {
    const rows = this.view?.rows ?? [];
    const order = this.#order;
    const start = Math.max(
      0,
      order.findIndex(([r, i]) => r === r0 && i === i0)
    );
    for (let k = 0; k < order.length; k++) {
      const [r, i] = order[(start + k) % order.length]!;
      if (!rows[r]!.absent && !this.gradeOf(rows[r]!, i)) {
        [this.row, this.item] = [r, i];
        return;
      }
    }
    this.#goTo(start);
  }

  #press(r: number, i: number, g: Grade, words: string, notes: string[] = []) {
    const s = this.view!.rows[r]!.student.id;
    this.#changes++;
    this.queue?.add({ studentId: s, item: i, grade: g, remark: words, notes, mark: mark() });
    this.#done = [...this.#done, { row: r, item: i }];
  }
}
