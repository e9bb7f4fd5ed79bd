import type { Schemas } from '../api/client';
import type { Told } from '../people/lesson';
import type { Held, Key, Kind } from '../notes/hands';

/** What fills the wall at once: one note of one instrument, with its fingering. */
export interface Slide {
  /** whose it is */
  title: string;
  sub: string;
  written: string;
  /** the note as it is called */
  shown: string;
  midi: number;
  clef: string;
  instrument: string;
  kind: Kind;
  keys: Key[];
  held: Held[];
  guides: number[];
  slideCm: number;
  label: string;
  /** what to say with it */
  sentence: string;
}

/** The rows of a new note for the wall, in the order in which they stand. */
export const ofLesson = (told: Told[], midi: (written: string) => number): Slide[] =>
  told.map(({ row: r, students }) => ({
    title: r.name,
    sub: students.join(', '),
    written: r.written,
    shown: r.shown,
    midi: midi(r.written),
    clef: r.clef,
    instrument: r.instrument,
    kind: r.kind,
    keys: r.keys,
    held: r.held,
    guides: r.guides,
    slideCm: r.slideCm,
    label: r.label,
    sentence: r.compared
  }));

type Table = Schemas['TableView'];
type Note = Table['notes'][number];

/** Notes of an instrument for the wall, each with one of its fingerings. */
export const ofTable = (table: Table, all: { note: Note; way: Note['ways'][number] }[]): Slide[] =>
  all.map(({ note, way }) => ({
    title: table.name,
    sub: '',
    written: note.written,
    shown: note.shown,
    midi: note.midi,
    clef: table.clef,
    instrument: table.id,
    kind: table.kind,
    keys: table.keys,
    held: way.held.filter((h) => !h.free),
    guides: table.slideGuides,
    slideCm: way.slideCm,
    label: way.label,
    sentence: ''
  }));
