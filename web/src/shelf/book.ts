import type { Schemas } from '../api/client';

export type Exercises = Schemas['ExerciseRow'][];
type Piece = Schemas['PieceRef'];

/** How many of a group have all of a piece, of those who have a page of it. */
export interface Standing {
  ready: number;
  players: number;
}

/** Each piece's standing in a group's matrix, by its id; what nobody has a page of is left out. */
export function standings(matrix: Schemas['MatrixView'] | undefined): Map<number, Standing> {
  const all = new Map<number, Standing>();
  matrix?.pieces.forEach((p, i) => {
    const cells = matrix.rows.map((r) => r[i]).filter((c) => c && c.state !== 'NONE');
    const ready = cells.filter((c) => c!.state === 'READY').length;
    if (cells.length) all.set(p.id, { ready, players: cells.length });
  });
  return all;
}

/** An exercise with how a group stands to it. */
export type Placed = Standing & { piece: Piece };

const MOST = 3;

/**
 * What comes next by the order of the book, and what stands further on though more can play it.
 *
 * @param book its exercises in their order
 */
export function ahead(
  book: Piece[],
  standing: Map<number, Standing>
): { next: Placed | undefined; nearer: Placed[] } {
  const placed = book.flatMap((piece) => {
    const s = standing.get(piece.id);
    return s ? [{ piece, ...s }] : [];
  });
  const part = (p: Placed) => p.ready / p.players;
  const at = placed.findIndex((p) => p.ready < p.players);
  const next = placed[at];
  const nearer = next
    ? placed
        .slice(at + 1)
        .filter((p) => p.ready < p.players && part(p) > part(next))
        .sort((a, b) => part(b) - part(a))
        .slice(0, MOST)
    : [];
  return { next, nearer };
}

/** A cell of a book's map. */
export interface Cell {
  /** how many notes the exercise brings the instrument */
  notes: number;
  early: string[];
  /** the instrument has no page of it */
  none: boolean;
  told: string;
}

/** All exercises across, the instruments that have been read so far down. */
export function mapOf(
  readers: { id: string; name: string }[],
  pages: Map<string, Exercises>
): { columns: Piece[]; rows: { id: string; name: string; cells: Cell[] }[] } {
  const columns = new Map<number, Piece>();
  // the one with most pages first, so that all stand in the order of the book
  const longest = [...pages.values()].sort((a, b) => b.length - a.length);
  for (const list of longest) for (const r of list) columns.set(r.piece.id, r.piece);
  const rows = readers.flatMap((r) => {
    const page = pages.get(r.id);
    if (!page?.length) return [];
    const byPiece = new Map(page.map((e) => [e.piece.id, e]));
    const cells = [...columns.keys()].map((id): Cell => {
      const e = byPiece.get(id);
      return {
        notes: e?.fresh.length ?? 0,
        early: e?.early ?? [],
        none: !e,
        told: e ? [e.fresh.join(' '), ...e.early].filter(Boolean).join('; ') : ''
      };
    });
    return [{ id: r.id, name: r.name, cells }];
  });
  return { columns: [...columns.values()], rows };
}
