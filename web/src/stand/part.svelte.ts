import { api, asked, sentence, type Schemas } from '../api/client';
import { Door } from '../lib/door.svelte';
import { ui } from '../words/ui';
import type { Where } from './lanes';
import { told } from './moves';
import { Selection } from './selection.svelte';

type Changes = Schemas['ChangeView'][];

/** How long a choice waits for its answer before that is said. */
const LIMIT_MS = 20_000;

/** A choice for a note that has not been answered. */
interface Pressed {
  noteId: string;
  /** empty lets it go */
  fingering: string;
  label: string;
}

/** The part that is open on the stand: what is planned, what is chosen, and what was done last. */
export class Part {
  view = $state.raw<Schemas['StandView']>();
  plan = $state.raw<Schemas['PlanView']>();
  advice = $state.raw<Schemas['AdviceView']>();
  /** id of the note that is looked at */
  chosen = $state('');
  /** which of its other fingerings is looked at; -1 is none */
  looked = $state(-1);
  /** whether fingerings that nobody would want here are shown too */
  all = $state(false);
  /** why the part could not be read */
  unread = $state('');
  /** through which choices go, one after the other */
  readonly door = new Door(true, LIMIT_MS);
  /** what was pressed and is on its way */
  pressed = $state.raw<Pressed[]>([]);
  /** what the last choice did, in a sentence and note by note */
  said = $state('');
  changes = $state.raw<Changes>([]);
  /** another plan that the page is compared with */
  against = $state.raw<Schemas['OtherView']>();
  /** for which notes a choice counts, and whether for the section too */
  where = $state<Where>('NOTE');
  section = $state(false);
  /** the tempo that is given, in quarters a minute; 0 is the written one */
  tempo = $state(0);
  readonly bars = new Selection(() => this.view?.bars.length ?? 1);

  readonly problem = $derived(this.unread || this.door.problem);
  /** as planned, and what was pressed since as it was pressed */
  readonly shown = $derived(
    this.plan && this.pressed.length
      ? { ...this.plan, notes: this.plan.notes.map((n) => this.#asPressed(n)) }
      : this.plan
  );
  readonly notes = $derived(this.shown?.notes ?? []);
  /** whether what stands at the chosen note is still on its way */
  readonly sending = $derived(this.pressed.some((p) => p.noteId === this.chosen));
  readonly at = $derived(this.notes.findIndex((n) => n.id === this.chosen));
  readonly note = $derived(this.notes[this.at]);
  readonly moves = $derived(this.plan ? told(this.plan, this.chosen) : []);
  readonly hardest = $derived(this.advice?.hardest[0]);
  readonly compared = $derived(
    this.against ? new Map(this.against.changes.map((c) => [c.noteId, c])) : undefined
  );
  /** palm and side of the hand have a lane only where the part uses them */
  readonly lanes = $derived(
    (this.view?.lanes ?? []).filter(
      (l) =>
        !['LP', 'RP'].includes(l.finger) ||
        this.notes.some((n) =>
          [...n.holds, ...(n.trill?.[0]?.moving ?? [])].some((h) => h.finger === l.finger)
        )
    )
  );

  /** an answer for another part, or to an older question, counts no more */
  #turn = 0;
  #path = { path: { studentId: 0, pieceId: 0 } };

  /** @param assignment which of those that the student has it for is meant; 0 for the first */
  async load(studentId: number, pieceId: number, assignment = 0) {
    const mine = ++this.#turn;
    this.door.next();
    this.pressed = [];
    this.#path = { path: { studentId, pieceId } };
    this.view = undefined;
    this.against = undefined;
    this.advice = undefined;
    this.#nothingSaid();
    this.bars.all();
    this.unread = '';
    try {
      const v = await asked(api.GET('/api/stand/{studentId}/{pieceId}', { params: this.#path }));
      if (mine !== this.#turn) return;
      this.view = v;
      this.plan = v.plan;
      const g = v.given.find((x) => x.assignmentId === assignment) ?? v.given[0];
      // what is given stands chosen, to be played and looked at
      if (g) this.bars.set(g.from, g.to);
      this.tempo = g?.tempo ?? 0;
      this.chosen = (v.plan.notes.find((n) => n.isNew) ?? v.plan.notes[0])?.id ?? '';
      this.looked = -1;
    } catch (e) {
      if (mine === this.#turn) this.unread = sentence(e);
    }
  }

  /** The page is left: what is still answered counts no more. */
  leave() {
    this.#turn++;
    this.door.next();
  }

  /** Another part of the piece, or another of its voices, is read. */
  read(partId: string, voice: number) {
    const params = this.#path;
    return this.door.change(
      () =>
        asked(
          api.PUT('/api/stand/{studentId}/{pieceId}/reading', { params, body: { partId, voice } })
        ),
      (v) => {
        this.view = v;
        this.plan = v.plan;
        this.chosen = v.plan.notes[0]?.id ?? '';
      }
    );
  }

  /** Looks at a note. */
  choose(id: string) {
    this.chosen = id;
    this.looked = -1;
    this.all = false;
    this.#nothingSaid();
    if (this.where === 'FIGURE') this.where = 'NOTE';
  }

  /** Compares the page with another plan, or with none; one sees the first difference. */
  compare(other: Schemas['OtherView'] | undefined) {
    this.against = other;
    if (other?.changes[0]) this.choose(other.changes[0].noteId);
  }

  /** Looks at a note by its place; beyond the ends at the first or last one. */
  step(to: number) {
    const note = this.notes[Math.max(0, Math.min(to, this.notes.length - 1))];
    if (note) this.choose(note.id);
  }

  /**
   * Looks at the next of the other fingerings, or the one before; past the last that is offered come
   * those that are not.
   */
  look(by: 1 | -1) {
    const others = this.note?.alternatives ?? [];
    const offered = this.all ? others.length : others.filter((a) => !a.farOff).length;
    this.looked = Math.max(-1, Math.min(this.looked + by, others.length - 1));
    this.all ||= this.looked >= offered && others.length > 0;
  }

  /** One bar more is chosen, or one less. */
  selectBars(by: 1 | -1) {
    this.bars.move(by, this.note?.bar ?? 0);
    const { from, to } = this.bars;
    const name = (bar: number) => this.view?.bars[bar] ?? '';
    this.#nothingSaid();
    this.said =
      from === to ? ui.stand.barChosen(name(from)) : ui.stand.barsChosen(name(from), name(to));
  }

  /** Takes one of the other fingerings. */
  take(i: number) {
    const other = this.note?.alternatives[i];
    if (other) void this.#keep(other.fingering, other.label);
  }

  /** Keeps the fingering as it is, or lets it go. */
  keep() {
    if (this.note) void this.#keep(this.note.locked ? '' : this.note.fingering, this.note.label);
  }

  undo() {
    const params = this.#path;
    return this.#change(() =>
      asked(api.POST('/api/stand/{studentId}/{pieceId}/choices/undo', { params }))
    );
  }

  redo() {
    const params = this.#path;
    return this.#change(() =>
      asked(api.POST('/api/stand/{studentId}/{pieceId}/choices/redo', { params }))
    );
  }

  /** Takes another whole way through: its fingerings are kept, and the rest follows. */
  takeAll(list: Changes) {
    if (list[0]) this.choose(list[0].noteId);
    const all = list.map((c) => ({ noteId: c.noteId, fingering: c.fingering }));
    const params = this.#path;
    return this.#change(
      () =>
        asked(api.POST('/api/stand/{studentId}/{pieceId}/choices/all', { params, body: { all } })),
      list
    );
  }

  /** Another way of the house, or of this student. */
  style(name: string, school: string, house: boolean) {
    const params = this.#path;
    return this.#change(() =>
      asked(
        api.POST('/api/stand/{studentId}/{pieceId}/choices/style', {
          params,
          body: { name, school, house }
        })
      )
    );
  }

  async #keep(fingering: string, label: string) {
    const { note, where, section } = this;
    if (!note) return;
    const body = { noteId: note.id, fingering, where, section };
    const params = this.#path;
    await this.#change(
      () => asked(api.POST('/api/stand/{studentId}/{pieceId}/choices', { params, body })),
      [{ noteId: note.id, fingering, label }]
    );
  }

  /**
   * A choice on its way: what it does to single notes is seen at once, the rest with its answer.
   * While others wait behind it, its answer moves nothing that is looked at.
   */
  #change(call: () => Promise<Schemas['ChosenView']>, pressed: Pressed[] = []) {
    const from = this.chosen;
    this.pressed = [...this.pressed, ...pressed];
    const done = () => (this.pressed = this.pressed.filter((p) => !pressed.includes(p)));
    return this.door.change(
      call,
      ({ plan, sentence: words, changes }) => {
        done();
        this.plan = plan;
        this.said = words;
        this.changes = changes;
        if (this.door.waiting > 1) return;
        this.against = undefined;
        if (this.chosen !== from) return;
        // one sees what changed
        if (changes[0] && !changes.some((c) => c.noteId === this.chosen))
          this.chosen = changes[0].noteId;
        this.looked = -1;
      },
      done
    );
  }

  #asPressed(n: Schemas['NoteView']): Schemas['NoteView'] {
    const last = this.pressed.findLast((p) => p.noteId === n.id);
    if (!last) return n;
    if (!last.fingering) return { ...n, locked: false };
    return { ...n, fingering: last.fingering, label: last.label, locked: true };
  }

  #nothingSaid() {
    this.said = '';
    this.changes = [];
  }
}
