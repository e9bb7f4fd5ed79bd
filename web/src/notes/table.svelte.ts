import { api, asked, sentence, type Schemas } from '../api/client';
import { Door } from '../lib/door.svelte';
import { midiOf } from '../lib/pitch';
import { ui } from '../words/ui';

export type Way = Schemas['WayView'];
/** Which fingerings are shown: all, those that help with something, those of a role, the house's. */
export type Purpose = '' | 'TRILL' | 'SPECIAL' | 'OWN' | Way['purposes'][number];

/** A fingering that others are compared with. */
export interface Mark {
  note: string;
  shown: string;
  midi: number;
  way: Way;
}

/** The table of one instrument: which note and fingering are looked at, what the house changes. */
export class Table {
  instruments = $state.raw<Schemas['InstrumentView'][]>([]);
  view = $state.raw<Schemas['TableView']>();
  chosen = $state(0);
  /** which of the fingerings that are shown */
  at = $state(0);
  purpose = $state<Purpose>('');
  mark = $state.raw<Mark>();
  adding = $state(false);
  unread = $state('');
  /** through which the house changes a table */
  readonly door = new Door();
  said = $state('');
  undo = $state.raw<() => Promise<boolean>>();
  #set = $state.raw<Record<string, string>>({});
  #id = '';
  /** an answer to an older question counts no more */
  #turn = 0;

  readonly problem = $derived(this.unread || this.door.problem);
  readonly note = $derived(this.view?.notes.find((n) => n.midi === this.chosen));
  readonly ways = $derived(this.note?.ways.filter((w) => fits(w, this.purpose)) ?? []);
  readonly place = $derived(Math.min(this.at, this.ways.length - 1));
  readonly way = $derived(this.ways[this.place]);
  /** the notes with a fingering that is shown */
  readonly marked = $derived(
    new Set(
      this.view?.notes.filter((n) => n.ways.some((w) => fits(w, this.purpose))).map((n) => n.midi)
    )
  );
  /** its players find each note by its name: there is nothing to finger */
  readonly byName = $derived(this.view?.kind === 'NONE');
  readonly brass = $derived(this.view?.kind === 'VALVES' || this.view?.kind === 'SLIDE');
  /** the options that were chosen, as the server reads them */
  readonly options = $derived(Object.entries(this.#set).map(([k, v]) => `${k}=${v}`));

  /** Opens an instrument, at a note where one is named. */
  open(instrument: string, note: string) {
    this.#id = instrument;
    this.door.next();
    this.#set = {};
    this.mark = undefined;
    this.adding = false;
    this.#done('');
    return this.load(note);
  }

  async load(note = '') {
    const mine = ++this.#turn;
    this.unread = '';
    try {
      if (!this.instruments.length) this.instruments = await asked(api.GET('/api/instruments'));
      const t = await asked(
        api.GET('/api/notes/{instrument}', {
          params: { path: { instrument: this.#id }, query: { set: this.options } }
        })
      );
      if (mine !== this.#turn) return;
      const fresh = this.view?.id !== t.id;
      const wanted = note
        ? t.notes.find((n) => n.written === note || n.midi === midiOf(note))
        : undefined;
      const kept = fresh ? undefined : t.notes.find((n) => n.midi === this.chosen);
      const held = this.way?.fingering;
      const before = this.chosen;
      this.view = t;
      this.chosen = (wanted ?? kept ?? t.notes[Math.floor(t.notes.length / 3)]!).midi;
      // what the house changes puts fingerings in another order: the same one stays chosen
      const same = this.ways.findIndex((w) => w.fingering === held);
      if (fresh) this.at = 0;
      else if (before === this.chosen && same >= 0) this.at = same;
    } catch (e) {
      if (mine === this.#turn) this.unread = sentence(e);
    }
  }

  leave() {
    this.#turn++;
    this.door.next();
  }

  choose(midi: number) {
    this.chosen = midi;
    this.at = 0;
    this.adding = false;
  }

  /** To the next note that has a fingering of those that are shown. */
  step(by: 1 | -1) {
    const list = (this.view?.notes ?? []).filter(
      (n) => this.marked.has(n.midi) || n.midi === this.chosen
    );
    const i = list.findIndex((n) => n.midi === this.chosen);
    const next = list[Math.max(0, Math.min(list.length - 1, i + by))];
    if (next) this.choose(next.midi);
  }

  /** To the next fingering of the note. */
  turn(by: 1 | -1) {
    this.at = Math.max(0, Math.min(this.at + by, this.ways.length - 1));
  }

  show(purpose: Purpose) {
    this.purpose = purpose;
    this.at = 0;
  }

  option(name: string, value: string) {
    this.#set = { ...this.#set, [name]: value };
    return this.load();
  }

  /** Compares with a fingering; once more lets it go. */
  compare(w: Way) {
    if (!this.note) return;
    this.mark = this.isMarked(w)
      ? undefined
      : { note: this.note.written, shown: this.note.shown, midi: this.note.midi, way: w };
  }

  isMarked = (w: Way) =>
    this.mark?.note === this.note?.written && this.mark?.way.fingering === w.fingering;

  /** Changes how a fingering stands in this house, and offers the way back. */
  change(n: Schemas['TableNote'], before: Way, now: Partial<Way>, words: string) {
    const back = () =>
      this.#put(n.written, before, () => {
        this.#done(ui.notes.asItWas);
        return this.load();
      });
    return this.#put(n.written, { ...before, ...now }, () => {
      this.#done(words, back);
      return this.load();
    });
  }

  #put(note: string, { fingering, hidden, house, words }: Way, then: () => Promise<void>) {
    const params = { path: { instrument: this.#id } };
    const body = { note, fingering, hidden, house, words };
    return this.door.change(
      () => asked(api.PUT('/api/notes/{instrument}/choices', { params, body })),
      then
    );
  }

  /** The number of an own fingering, by which it is removed. */
  async own(n: Schemas['TableNote'], w: Way): Promise<number | undefined> {
    const query = { note: n.written, fingering: w.fingering };
    const params = { path: { instrument: this.#id }, query };
    let id: number | undefined;
    await this.door.change(
      () => asked(api.GET('/api/notes/{instrument}/own', { params })),
      (answer) => (id = answer.id)
    );
    return id;
  }

  /** The table was changed in another way. */
  changed(words: string) {
    this.adding = false;
    this.#done(words);
    return this.load();
  }

  #done(words: string, undo?: () => Promise<boolean>) {
    this.said = words;
    this.undo = undo;
  }
}

function fits(w: Way, purpose: Purpose): boolean {
  switch (purpose) {
    case '':
      return true;
    case 'TRILL':
    case 'SPECIAL':
      return w.role === purpose;
    case 'OWN':
      return w.own || w.hidden || w.house || w.words !== '';
    default:
      return w.purposes.includes(purpose);
  }
}
