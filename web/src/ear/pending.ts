import { keptNames, read, write } from '../lib/kept.svelte';
import { school } from '../lib/school.svelte';
import type { Grade } from '../words/standing';

/** Something that was marked and may not have reached the server yet. */
export interface Marked {
  /** names this press, so that one that is sent twice is written down once */
  mark: string;
  /** when it was pressed, by this device's clock */
  at?: string;
}

/** A grade in a playing check of a group. */
export interface Press extends Marked {
  studentId: number;
  item: number;
  grade: Grade;
  remark: string;
  /** the notes that it is for, when it is not for all that were asked */
  notes: string[];
}

const WAIT = 'wait/';
const NOT_SAID = /^wait\/\//;
/** How these lists are called while no school is known: by an older version, or before an answer. */
const BEFORE = /^(wait\/\/)?(check-\d+|part-\d+-\d+|runs-\d+-\d+|sheet-\d+)$/;
const keep = (name: string) => `${WAIT}${school.id}/${name}`;

/** What an earlier page of this name could not send; nothing when there is no storage. */
export const unsent = <P extends Marked>(name: string): P[] => read<P[]>(keep(name)) ?? [];

/**
 * Keeps a press until it is sent. Two tabs of one check share what is kept, so each adds and takes
 * away what is its own and leaves the rest.
 */
export const keepUnsent = <P extends Marked>(name: string, press: P) =>
  change<P>(name, (list) => [...list.filter((p) => p.mark !== press.mark), press]);

/** A press has been sent or taken back. */
export const dropUnsent = (name: string, press: Marked) =>
  change(name, (list) => list.filter((p) => p.mark !== press.mark));

function change<P extends Marked>(name: string, to: (list: P[]) => P[]) {
  const list = to(unsent<P>(name));
  write(keep(name), list.length ? list : undefined);
}

/** Lists of this school in which something waits. */
export const waitingHere = (): string[] => {
  if (school.id)
    keptNames('')
      .filter((n) => BEFORE.test(n))
      .forEach((n) => {
        // kept by an older version, which knew one school only, or before an answer said which it is
        const name = n.replace(NOT_SAID, '');
        if (!unsent(name).length) write(keep(name), read(n));
        write(n, undefined);
      });
  return keptNames(keep('')).map((n) => n.slice(keep('').length));
};

/** What waits for other schools' data, by the names under which it is kept. */
export const waitingElsewhere = (): { name: string; presses: Marked[] }[] =>
  keptNames(WAIT)
    .filter((n) => !n.startsWith(keep('')) && !NOT_SAID.test(n))
    .map((name) => ({ name, presses: read<Marked[]>(name) ?? [] }));

/** Throws away what waits for another school. */
export const throwAway = (name: string) => write(name, undefined);

/** A student was erased: nothing that was pressed for that student waits here any more. */
export function dropStudent(id: number) {
  for (const name of waitingHere()) {
    const own = new RegExp(`^(part|runs)-${id}-`).test(name);
    change<Marked & { studentId?: number }>(name, (list) =>
      list.filter((p) => !own && p.studentId !== id)
    );
  }
}

/** A name for a press; plain pages have no crypto.randomUUID. */
export const mark = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(12)), (b) =>
    b.toString(16).padStart(2, '0')
  ).join('');

/**
 * Names for presses of one page that are sent at once: the same thing said again after a failure
 * keeps its name, since the first may have been written down after all.
 */
export class Marks {
  #names = new Map<string, string>();

  of(what: string): string {
    const name = this.#names.get(what) ?? mark();
    this.#names.set(what, name);
    return name;
  }

  /** It is written down: the next one of the same is another. */
  written(what: string) {
    this.#names.delete(what);
  }
}
