import type { Schemas } from '../api/client';

/** One thing that is asked, with what the list says of it. */
export interface Item {
  kind: Schemas['ItemBody']['kind'];
  what: string;
  pieceId: number;
  /** notes of one row keep their direction; 0 for one by itself */
  row: number;
  words: string;
}

export type Row = Schemas['AskedRow'];

export const key = (student: number, item: number) => `${student}/${item}`;

/** Students who are asked just the same, in the order in which they come. */
export function sections(rows: Row[], octaves: Record<string, string>): Row[][] {
  const same = new Map<string, Row[]>();
  for (const r of rows) {
    const what = JSON.stringify([
      r.student.instrument,
      r.cells.map((c, i) => [c.asked, octaves[key(r.student.id, i)] ?? c.written, c.notes])
    ]);
    same.set(what, [...(same.get(what) ?? []), r]);
  }
  return [...same.values()];
}

/** Where a cell stands in its octaves after moving by some; undefined when there is none. */
export function octave(row: Row, item: number, octaves: Record<string, string>, by: number) {
  const c = row.cells[item]!;
  const now = octaves[key(row.student.id, item)] ?? c.written;
  const at = c.octaves.findIndex((o) => o.written === now);
  return at < 0 ? undefined : c.octaves[at + by];
}

/** The octaves of some students moved by one; what can't be moved stays. */
export function move(
  rows: Row[],
  items: number[],
  octaves: Record<string, string>,
  by: 1 | -1
): Record<string, string> {
  const next = { ...octaves };
  for (const r of rows)
    for (const i of items) {
      const to = octave(r, i, octaves, by);
      if (to) next[key(r.student.id, i)] = to.written;
    }
  return next;
}

/** All that was shown, as it is sent: who is asked which note. */
export const moved = (rows: Row[], octaves: Record<string, string>) =>
  rows.flatMap((r) =>
    r.cells.flatMap((c, item) =>
      c.written
        ? [
            {
              studentId: r.student.id,
              item,
              written: octaves[key(r.student.id, item)] ?? c.written
            }
          ]
        : []
    )
  );
