import { api, asked, type Schemas } from '../api/client';
import type { Note } from '../stand/lanes';

type Bit = Schemas['BitView'];

/** How a bit is built up, one after the other. */
export const STEPS = ['names', 'fingers', 'pitches', 'rhythm', 'join'] as const;
export type Step = (typeof STEPS)[number];

/** How long the beat is that is counted, by how many quarters it has; others are told in quarters. */
const BEATS: [quarters: number, sign: string][] = [
  [1, '♩'],
  [1.5, '♩.'],
  [0.5, '♪']
];

/** A share of the tempo of a note, as a metronome shows it. */
export function metronome(
  n: Pick<Note, 'bar' | 'quarter'>,
  times: Schemas['BarTime'][],
  percent: number
): string {
  const quarters = (times[n.bar]?.beat ?? n.quarter) / n.quarter;
  const [length, sign] = BEATS.find(([q]) => Math.abs(q - quarters) < 0.01) ?? BEATS[0]!;
  return `${sign} = ${Math.round(((60 / (n.quarter * length)) * percent) / 100)}`;
}

const found = (ids: string[], notes: Map<string, Note>) => ids.flatMap((id) => notes.get(id) ?? []);

/** The notes of a bit itself. */
export const ownNotes = (b: Bit, notes: Map<string, Note>) => found(b.notes, notes);

/** What is played of a bit: its notes, and the one that it lands on. */
export const bitNotes = (b: Bit, notes: Map<string, Note>) =>
  found(b.landing ? [...b.notes, b.landing] : b.notes, notes);

/** Whether one of its notes stands in some bars, by their indexes. */
export const inBars = (b: Bit, notes: Map<string, Note>, [from, to]: [number, number]) =>
  ownNotes(b, notes).some((n) => n.bar >= from && n.bar <= to);

/** A student's part, and its bits. */
export function fetched(studentId: number, pieceId: number, headers: Record<string, string> = {}) {
  const params = { path: { studentId, pieceId } };
  return Promise.all([
    asked(api.GET('/api/stand/{studentId}/{pieceId}', { params, headers })),
    asked(api.GET('/api/stand/{studentId}/{pieceId}/practice', { params, headers }))
  ]);
}
