import type { Schemas } from '../api/client';

type Row = Schemas['LessonRow'];

/** Players who are told just the same, and in which words each meets the note in its octave. */
export interface Told {
  row: Row;
  students: string[];
  /** those of them who have it already */
  has: string[];
  /** a sentence on the octave, and whose it is where not all share it */
  octaves: { words: string; students: string[] }[];
}

/** What stands on the page of a row, besides who it is. */
const content = (r: Row) =>
  JSON.stringify([
    r.instrument,
    r.written,
    r.label,
    r.fingering,
    r.compared,
    r.air,
    r.mistakes,
    r.caution
  ]);

/**
 * Rows of which all that is told is the same stand as one, where the first of them stood.
 *
 * @param octave says why a row meets the note in its octave; empty where that needs no word
 */
export function merged(rows: Row[], octave: (r: Row) => string): Told[] {
  const all = new Map<string, Told>();
  for (const r of rows) {
    const key = content(r);
    const told = all.get(key) ?? { row: r, students: [], has: [], octaves: [] };
    told.students.push(...r.students);
    told.has.push(...r.has);
    const words = octave(r);
    const same = told.octaves.find((o) => o.words === words);
    if (same) same.students.push(...r.students);
    else if (words) told.octaves.push({ words, students: [...r.students] });
    all.set(key, told);
  }
  return [...all.values()];
}
