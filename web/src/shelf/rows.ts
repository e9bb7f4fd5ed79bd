import type { Schemas } from '../api/client';
import { matches } from '../lib/find';

/** A piece on the shelf with what is known of it. */
export interface Row {
  shelf: Schemas['ShelfPiece'];
  facts: Schemas['FactsView'] | undefined;
  /** how many of the group that is asked about have all of it, lack one note of it, play at all */
  ready: number;
  one: number;
  players: number;
}

export type Order = 'book' | 'ready' | 'short' | 'open';

/** Joins what is told of pieces by their ids; the matrix is that of one group, where one is chosen. */
export function rowsOf(
  pieces: Schemas['ShelfPiece'][],
  facts: Schemas['FactsView'][],
  matrix?: Schemas['MatrixView']
): Row[] {
  const known = new Map(facts.map((f) => [f.id, f]));
  const column = new Map(matrix?.pieces.map((p, i) => [p.id, i]));
  return pieces.map((shelf) => {
    const at = column.get(shelf.piece.id);
    const cells =
      at === undefined
        ? []
        : matrix!.rows.flatMap((r) => (r[at] && r[at].state !== 'NONE' ? [r[at]] : []));
    return {
      shelf,
      facts: known.get(shelf.piece.id),
      ready: cells.filter((c) => c.state === 'READY').length,
      one: cells.filter((c) => c.state === 'LACKS' && c.lacking === 1).length,
      players: cells.length
    };
  });
}

/** Those that match every word that is typed, in title, number, book or a group that has it. */
export const found = (rows: Row[], typed: string): Row[] =>
  rows.filter(({ shelf }) => {
    const { title, number, book } = shelf.piece;
    return matches(typed, title, number, book, ...shelf.groups);
  });

/** In another order than the shelf's; equals stay as they are on it. */
export function ordered(rows: Row[], order: Order): Row[] {
  switch (order) {
    case 'ready':
      return [...rows].sort((a, b) => b.ready - a.ready || b.one - a.one);
    case 'short':
      return [...rows].sort((a, b) => (a.facts?.bars ?? 0) - (b.facts?.bars ?? 0));
    case 'open':
      return rows.filter((r) => !r.shelf.groups.length);
    default:
      return rows;
  }
}
