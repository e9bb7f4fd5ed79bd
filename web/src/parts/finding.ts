import type { Schemas } from '../api/client';
import { standOf } from '../drums/drums';
import { withPart } from '../people/order';
import { read, shown, text, words, type Name, type Naming } from '../lib/pitch';

/** Something that can be gone to from anywhere. */
export interface Hit {
  text: string;
  detail: string;
  href: string;
  /** other words by which it is looked for */
  also?: string;
}

/** What is looked through: as the server has it. */
export interface Lists {
  today: Schemas['Today'];
  people: Schemas['PeopleView'];
  pieces: Schemas['ShelfPiece'][];
  instruments: Schemas['InstrumentView'][];
}

/** What the rows say beside a name. */
export interface Saying {
  onTheStand: (title: string) => string;
  forDue: (day: string) => string;
  whatWasHeard: (instrument: string) => string;
  allItsNotes: string;
  itsFingerings: string;
  acrossBand: string;
}

/** Places and tools, by their names in the dictionary. */
const PLACES = {
  today: '/',
  shelf: '/shelf',
  typing: '/shelf/typed',
  notes: '/notes',
  scale: '/scale',
  people: '/people',
  roster: '/people/many',
  auditions: '/people/auditions',
  settings: '/people#settings',
  tuner: '/tools#tuner',
  metronome: '/tools#metronome',
  drone: '/tools#drone',
  removed: '/removed',
  help: '/help'
} as const;
export type Place = keyof typeof PLACES;

export const placesOf = (
  words: Record<Place, { text: string; detail: string; also: string }>
): Hit[] => (Object.keys(PLACES) as Place[]).map((p) => ({ ...words[p], href: PLACES[p] }));

const MOST = 9;
/** Of so few letters a word must begin with them: Bb is not looked for in Pebbles. */
const SHORT = 3;

const plain = (s: string) => s.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
const parts = (s: string) => plain(s).split(/[^\p{L}\p{N}#♭♯]+/u);

/** How well a row fits what is typed: 0 not at all, 1 somewhere within, 2 where words begin. */
function fit(typed: string[], h: Hit): number {
  const said = `${h.text} ${h.detail} ${h.also ?? ''}`;
  const begins = parts(said);
  const whole = plain(said);
  let least = 2;
  for (const w of typed) {
    if (begins.some((b) => b.startsWith(w))) continue;
    if (w.length < SHORT || !whole.includes(w)) return 0;
    least = 1;
  }
  return least;
}

/** Rows for everyone, every piece and every instrument; of one piece assigned twice, both. */
function rowsOf(lists: Lists, say: Saying): Hit[] {
  const assigned = lists.today.groups.flatMap((g) =>
    g.next.flatMap((n) =>
      n.players.map((p) => ({
        text: p.student.name,
        detail: [say.onTheStand(n.piece.title), n.what, say.forDue(n.dueWords)]
          .filter(Boolean)
          .join(', '),
        href: `${standOf(p.student, n.piece.id)}?given=${n.assignmentId}`
      }))
    )
  );
  const students = lists.people.students.map((s) => ({
    text: s.name,
    detail: say.whatWasHeard(withPart(s.instrumentName, s.part)),
    href: `/people/${s.id}`
  }));
  const groups = lists.people.groups.map((g) => ({
    text: g.name,
    detail: g.stageWords,
    href: `/people/group/${g.id}`
  }));
  const shelf = lists.pieces.map((p) => ({
    text: p.piece.title,
    detail: p.piece.source,
    href: `/shelf#piece-${p.piece.id}`
  }));
  const tables = lists.instruments.map((i) => ({
    text: i.name,
    detail: say.allItsNotes,
    href: `/notes/${i.id}`
  }));
  return [...assigned, ...students, ...groups, ...shelf, ...tables];
}

/** Whether a word can be meant as a note: a single small letter begins a name more often. */
const meant = (said: string, n: Name) => n.octave !== undefined || !/^\p{Ll}$/u.test(said);

/** A note by its name, with an octave or without, across the band and on each instrument. */
function notes(query: string, lists: Lists, say: Saying, naming: Naming): Hit[] {
  const typed = words(query);
  const at = typed.findIndex((w) => {
    const n = read(w, naming);
    return !!n && meant(w, n);
  });
  const name = at < 0 ? undefined : read(typed[at]!, naming);
  if (!name) return [];
  const others = typed.filter((_, i) => i !== at).map(plain);
  const octaves = name.octave === undefined ? [] : [name.octave];
  const hits: Hit[] = [];
  if (!others.length)
    hits.push({
      text: shown(name, naming),
      detail: say.acrossBand,
      href: `/notes/across/${encodeURIComponent(text({ ...name, octave: name.octave ?? 4 }))}`
    });
  if (!others.length && !octaves.length) return hits;
  for (const i of lists.instruments) {
    const own: Hit = { text: i.name, detail: '', href: '' };
    if (!fit(others, own)) continue;
    for (const n of i.notes) {
      const written = read(n.written);
      if (!written || written.letter !== name.letter || written.alter !== name.alter) continue;
      if (octaves.length && written.octave !== name.octave) continue;
      hits.push({
        text: `${i.name} ${n.shown}`,
        detail: say.itsFingerings,
        href: `/notes/${i.id}/${encodeURIComponent(n.written)}`
      });
    }
  }
  return hits;
}

/**
 * What fits what is typed, the best first, each row once: notes, then what begins with the words,
 * then what has them within.
 */
export function found(
  query: string,
  places: Hit[],
  lists: Lists | undefined,
  say: Saying,
  naming: Naming
): Hit[] {
  const typed = plain(query).split(/\s+/).filter(Boolean);
  const rows = [...(lists ? rowsOf(lists, say) : []), ...places];
  const fits = rows.map((hit) => ({ hit, how: fit(typed, hit) })).filter((f) => f.how > 0);
  const all = [
    ...(lists ? notes(query, lists, say, naming) : []),
    ...fits.filter((f) => f.how === 2).map((f) => f.hit),
    ...fits.filter((f) => f.how === 1).map((f) => f.hit)
  ];
  return [...new Map(all.map((h) => [idOf(h), h])).values()].slice(0, MOST);
}

/** Names a row: no two that are shown have the same. */
export const idOf = (h: Hit) => `${h.href} ${h.text} ${h.detail}`;
