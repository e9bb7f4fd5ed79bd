import type { Schemas } from '../api/client';
import type { Line } from '../engrave/engrave';

export type Note = Schemas['NoteView'];
export type Plan = Schemas['PlanView'];
export type Lane = Schemas['Lane'];
/** For which notes of a part a choice counts. */
export type Where = Schemas['KeepBody']['where'];

/** A planned note on one line: from its head to the next head or rest. */
export interface Event {
  note: Note;
  x: number;
  end: number;
  /** whether the next event follows without a rest */
  joined: boolean;
  /** the head itself, not a note tied to it */
  head: boolean;
}

export interface Bar {
  lane: number;
  x: number;
  end: number;
  key: string;
  /** of each key that is held, where there are several */
  names: string[];
  unheard: boolean;
}

export interface Link {
  lane: number;
  x: number;
}

/** A finger that trills: over its bar where it is down on the lower note. */
export interface Shake {
  lane: number;
  x: number;
  end: number;
  key: string;
  down: boolean;
}

/** No rest is so short, in seconds. */
const SHORTEST = 0.01;

export const ROW = 13;
export const GAP = 8;

/** Where each lane begins, in px from the top of the first. */
export function rows(lanes: Lane[]): number[] {
  let y = 0;
  return lanes.map((l) => {
    if (l.gapAbove) y += GAP;
    const here = y;
    y += ROW;
    return here;
  });
}

/** The planned notes of one engraved line, left to right. */
export function events(line: Line, plan: Plan): Event[] {
  const byId = new Map<string, { note: Note; head: boolean }>();
  for (const note of plan.notes) {
    byId.set(note.id, { note, head: true });
    for (const t of note.tied) byId.set(t, { note, head: false });
  }
  const staff = line.spots.find((s) => byId.has(s.id))?.staff;
  const rests = line.spots.filter((s) => s.kind === 'rest' && s.staff === staff);
  // nothing is held over a note that has no fingering
  const gone = new Set(plan.missing.map((m) => m.id));
  const spots = line.spots.filter((s) => byId.has(s.id) || gone.has(s.id));
  return spots.flatMap((s, i) => {
    const here = byId.get(s.id);
    if (!here) return [];
    const next = spots[i + 1];
    const rest = restAfter(here.note, s.x, next, rests, byId, plan);
    const joined = !rest && !!next && byId.has(next.id);
    const stop = rest ?? next;
    const end = stop ? (joined ? stop.x : Math.max(s.x + 8, stop.x - 10)) : line.right;
    return [{ note: here.note, x: s.x, end, joined, head: here.head }];
  });
}

type Spot = Line['spots'][number];

/**
 * The rest that ends a note on its line. A rest of another voice ends nothing: where the next note
 * begins as this one ends, there is none; else it is the one that stands where the note ends.
 */
function restAfter(
  note: Note,
  x: number,
  next: Spot | undefined,
  rests: Spot[],
  byId: Map<string, { note: Note }>,
  plan: Plan
): Spot | undefined {
  const between = rests.filter((r) => r.x > x && (!next || r.x < next.x));
  if (!between.length) return undefined;
  const follows = next ? byId.get(next.id)?.note : plan.notes[plan.notes.indexOf(note) + 1];
  if (!follows) return between[0];
  if (follows === note) return undefined;
  const until = follows.at - note.at;
  if (until - note.seconds < SHORTEST) return undefined;
  if (!next) return between[0];
  const ends = x + ((next.x - x) * note.seconds) / until;
  return between.reduce((near, r) => (Math.abs(r.x - ends) < Math.abs(near.x - ends) ? r : near));
}

/** The bars of all lanes: what is held on is one bar; a finger that changes its key leaves a link. */
export function bars(all: Event[], lanes: Lane[]): { bars: Bar[]; links: Link[] } {
  const found: Bar[] = [];
  const links: Link[] = [];
  lanes.forEach((lane, row) => {
    let open: Bar | undefined;
    for (const e of all) {
      const holds = e.note.holds.filter((h) => h.finger === lane.finger);
      if (!holds.length) {
        open = undefined;
        continue;
      }
      const names = holds.map((h) => h.key).filter(Boolean);
      const key = names.join(' ');
      const unheard = holds.every((h) => h.unheard);
      if (open && open.key === key && open.unheard === unheard) open.end = e.end;
      else {
        if (open && open.key !== key) links.push({ lane: row, x: e.x });
        open = { lane: row, x: e.x, end: e.end, key, names, unheard };
        found.push(open);
      }
      if (!e.joined) open = undefined;
    }
  });
  // a finger that comes up or moves leaves a gap, so that two presses are seen as two
  for (const b of found) b.end -= 3;
  return { bars: found, links };
}

/** How much room a letter of a key's name takes in its bar. */
const LETTER = 4.5;

/** The names of keys as far as their bar has room: all of each, else its shortest word. */
export function keyOn(b: Pick<Bar, 'x' | 'end' | 'names'>): string {
  const all = b.names.join(' ');
  if (all.length * LETTER + 6 <= b.end - b.x) return all;
  const shortest = (name: string) =>
    name.split(' ').reduce((short, w) => (w.length < short.length ? w : short));
  return b.names.map(shortest).join(' ');
}

/** Where fingers trill: as its first and best trill has it. */
export function shakes(all: Event[], lanes: Lane[]): Shake[] {
  return all.flatMap((e) =>
    (e.note.trill?.[0]?.moving ?? []).flatMap((m) => {
      const lane = lanes.findIndex((l) => l.finger === m.finger);
      return lane < 0 ? [] : [{ lane, x: e.x, end: e.end - 3, key: m.key, down: m.lower }];
    })
  );
}

/** A line to and fro over the row of a finger that trills, from where the name of its key ends. */
export function shaken(s: Shake, y: number): string {
  const from = s.x + 3 + (s.key ? LETTER * s.key.length + 3 : 0);
  const times = Math.max(1, Math.floor((s.end - from) / 6));
  return `M${from} ${y + ROW - 4}` + `l3 ${7 - ROW}l3 ${ROW - 7}`.repeat(times);
}

/** What stands for a fingering where each note is found by its name. */
export const BY_NAME = '-';

/** The name of a note without its octave, which the staff shows. */
export const letter = (shown: string) => shown.replace(/\d+$/, '');

/** What stands under a note: its fingering or, where there is none, its name without the octave. */
export const under = (n: Note): string[] =>
  n.fingering === BY_NAME ? [letter(n.shown)] : short(n.fingering);

/** The notation in two short rows, as it stands under a note: left hand over right hand. */
export function short(fingering: string): string[] {
  if (fingering === BY_NAME) return [];
  const tidy = (s: string) =>
    s
      .replace(/\bTb\b/g, 'B♭')
      .replace(/\bp(Eb|D|F)\b/g, '$1')
      .replace(/\bs(Bb|C|E)\b/g, '$1')
      .replace(/([A-G])b\b/g, '$1♭')
      .replace(/#/g, '♯')
      .replace(/(\d) (?=\d)/g, '$1')
      .trim()
      .replace(/ /g, '\u2009');
  if (!fingering.includes('|')) {
    const slide = fingering.match(/^(F )?p(\d)([+-]?)$/);
    if (slide) return [`${slide[1] ?? ''}${slide[2]}${slide[3] === '-' ? '−' : slide[3]}`];
    return [fingering.replace(/(\d) (?=\d)/g, '$1')];
  }
  const [left = '', right = ''] = fingering.split('|');
  return [tidy(left) || '–', tidy(right) || '–'];
}
