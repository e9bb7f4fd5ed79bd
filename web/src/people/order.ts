import type { Schemas } from '../api/client';
import { matches } from '../lib/find';

type Student = Schemas['StudentView'];
export type Order = 'section' | 'name' | 'seat';

/** Of so many parts a section may be. */
export const PARTS = [1, 2, 3, 4, 5, 6];

/** Students under one heading; none where they are in no sections. */
export interface Section {
  heading: string;
  students: Student[];
}

const byName = (a: Student, b: Student) => a.name.localeCompare(b.name);
/** 2 before 10, and those without a seat last */
const bySeat = (a: Student, b: Student) =>
  Number(!a.seat) - Number(!b.seat) ||
  a.seat.localeCompare(b.seat, undefined, { numeric: true }) ||
  byName(a, b);

/** the first part before the second, and those of whom it is not said last */
const byPart = (a: Student, b: Student) =>
  Number(!a.part) - Number(!b.part) || a.part - b.part || bySeat(a, b);

/** An instrument with the part: Clarinet 2. */
export const withPart = (instrument: string, part: number) =>
  part ? `${instrument} ${part}` : instrument;

/**
 * The students of a group as they are looked for.
 *
 * @param typed words of their names, instruments or seats
 * @param score the ids of the instruments, in score order
 */
export function sections(
  students: Student[],
  typed: string,
  order: Order,
  score: string[]
): Section[] {
  const found = students.filter((s) =>
    matches(
      typed,
      s.name,
      withPart(s.instrumentName, s.part),
      s.seat,
      ...s.others.map((o) => o.instrumentName)
    )
  );
  if (!found.length) return [];
  if (order !== 'section')
    return [{ heading: '', students: [...found].sort(order === 'seat' ? bySeat : byName) }];
  return score.flatMap((id) => {
    const here = found.filter((s) => s.instrument === id).sort(byPart);
    return here.length ? [{ heading: here[0]!.instrumentName, students: here }] : [];
  });
}
