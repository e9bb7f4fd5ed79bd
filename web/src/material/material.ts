import { api, asked, type Schemas } from '../api/client';
import { read, write } from '../lib/kept.svelte';

export type Study = Schemas['StudyView'];
export type Group = Study['group'];

/** In this order they stand on the page and on paper. */
export const GROUPS: Group[] = ['SCALES', 'CHORDS', 'PASSAGES', 'ALTERNATES', 'TONE'];

export function fetched(studentId: number, pieceId: number, headers: Record<string, string> = {}) {
  const params = { path: { studentId, pieceId } };
  return asked(api.GET('/api/stand/{studentId}/{pieceId}/material', { params, headers }));
}

export function music(studentId: number, pieceId: number, study: string) {
  const params = { path: { studentId, pieceId, study } };
  return asked(api.GET('/api/stand/{studentId}/{pieceId}/material/{study}', { params }));
}

const place = (student: number, piece: number) => `material-${student}-${piece}`;

/** What of a student's part goes on a sheet, by its ids. */
export const chosen = (student: number, piece: number) =>
  read<string[]>(place(student, piece)) ?? [];

export const choose = (student: number, piece: number, ids: string[]) =>
  write(place(student, piece), ids.length ? ids : undefined);

/** Why fingerings are what they are, and apart from these the notes that are new to the student. */
export function parted(m: Schemas['StudyMusic'] | undefined) {
  const told = m?.told ?? [];
  return {
    why: told.filter((w) => w.why !== 'NEW_NOTE'),
    fresh: told.filter((w) => w.why === 'NEW_NOTE')
  };
}

/** Tempos on the way from one to another, about twelve apart: clean at one, on to the next. */
export function rungs(from: number, towards: number): number[] {
  const steps = Math.max(1, Math.round((towards - from) / 12));
  const all = Array.from({ length: steps + 1 }, (_, i) =>
    Math.round(from + ((towards - from) * i) / steps)
  );
  return [...new Set(all)];
}

/** What is under a heading, in the order of the page; of bits those of one. */
export const under = (all: Study[], group: Group, bit: number) =>
  all.filter((s) => s.group === group && (group !== 'PASSAGES' || s.bit === bit));
