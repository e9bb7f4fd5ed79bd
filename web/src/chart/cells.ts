import type { Schemas } from '../api/client';

type Way = Schemas['WayView'];
type Note = Schemas['TableNote'];

/** Which notes a chart has: up to a stage, or what a student has and what comes next. */
export type Extent = 'FIRST_YEARS' | 'SCHOOL' | 'ADVANCED' | 'OWN';

/** A note of a chart with its fingerings. */
export interface Cell {
  note: Note;
  way: Way;
  /** other ways to play it, the usual ones first */
  others: Way[];
  /** how it stands with those for whom the chart is */
  mark: Schemas['MapNote'] | undefined;
}

const ORDER = ['FIRST_YEARS', 'SCHOOL', 'ADVANCED', 'BEYOND'];
/** More alternates are for a table, not for a chart. */
const OTHERS = 2;

/** Whether a student has begun with a note, or needs it next. */
const own = (m: Schemas['MapNote'] | undefined) =>
  !!m && (m.next || m.has > 0 || m.state !== 'OPEN');

/**
 * The cells of a chart, from the lowest note up.
 *
 * @param alternates whether other fingerings are on it
 */
export function cells(
  table: Schemas['TableView'],
  extent: Extent,
  alternates: boolean,
  map?: Schemas['MapView']
): Cell[] {
  const marks = new Map(map?.notes.map((n) => [n.midi, n]));
  return table.notes.flatMap((note) => {
    const mark = marks.get(note.midi);
    const shown = extent === 'OWN' ? own(mark) : ORDER.indexOf(note.stage) <= ORDER.indexOf(extent);
    const ways = note.ways.filter((w) => !w.hidden);
    const way = ways.find((w) => w.role === 'STANDARD') ?? ways[0];
    if (!shown || !way) return [];
    const others = alternates
      ? ways.filter((w) => w !== way && (w.role === 'ALTERNATE' || w.role === 'REACH'))
      : [];
    return [{ note, way, others: others.slice(0, OTHERS), mark }];
  });
}
