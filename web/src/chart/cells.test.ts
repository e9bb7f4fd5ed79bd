import { expect, test } from 'vitest';
import type { Schemas } from '../api/client';
import { cells } from './cells';

const way = (fingering: string, role = 'STANDARD', hidden = false) => ({ fingering, role, hidden });
const note = (midi: number, stage: string, ...ways: object[]) => ({ midi, stage, ways });
const table = {
  notes: [
    note(60, 'FIRST_YEARS', way('0')),
    note(63, 'SCHOOL', way('x', 'ALTERNATE', true), way('2 3'), way('1 2 3', 'ALTERNATE')),
    note(64, 'FIRST_YEARS', way('1 2'), way('3', 'ALTERNATE'), way('t', 'TRILL')),
    note(90, 'ADVANCED', way('1'))
  ]
} as unknown as Schemas['TableView'];
const said = (all: ReturnType<typeof cells>) =>
  all.map((c) => [c.note.midi, c.way.fingering, ...c.others.map((o) => o.fingering)].join(' '));

test('a stage has its notes and those of the stages before', () => {
  expect(said(cells(table, 'FIRST_YEARS', false))).toEqual(['60 0', '64 1 2']);
  expect(said(cells(table, 'ADVANCED', false)).length).toBe(4);
});

test('alternates stand beside the standard; hidden ones and trills do not', () => {
  expect(said(cells(table, 'SCHOOL', true))).toEqual(['60 0', '63 2 3 1 2 3', '64 1 2 3']);
});

test('a student has what was heard, and what comes next', () => {
  const map = {
    notes: [
      { midi: 60, state: 'HAS', next: false, has: 0 },
      { midi: 63, state: 'OPEN', next: true, has: 0 },
      { midi: 64, state: 'OPEN', next: false, has: 0 }
    ]
  } as unknown as Schemas['MapView'];
  const own = cells(table, 'OWN', false, map);
  expect(said(own)).toEqual(['60 0', '63 2 3']);
  expect(own[1]!.mark?.next).toBe(true);
});
