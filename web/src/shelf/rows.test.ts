import { expect, test } from 'vitest';
import type { Schemas } from '../api/client';
import { found, ordered, rowsOf } from './rows';

const piece = (id: number, title: string, book = '', groups: string[] = []) => ({
  piece: { id, title, book, number: String(id), source: '' },
  added: '',
  groups
});
const facts = (id: number, bars: number) => ({ id, bars, parts: 1, key: '', range: '' });
const cell = (state: Schemas['MatrixCell']['state'], lacking = 0) => ({
  state,
  lacking,
  hard: 0,
  odd: ''
});
const pieces = [
  piece(1, 'Half-Tide Rock', 'Tidemarks', ['First-year band']),
  piece(2, 'Mooring Rings', 'Tidemarks'),
  piece(3, 'Canción del río')
] as Schemas['ShelfPiece'][];
const matrix = {
  pieces: [{ id: 2 }, { id: 1 }],
  rows: [
    [cell('READY'), cell('LACKS', 1)],
    [cell('READY'), cell('LACKS', 2)],
    [cell('NONE'), cell('READY')]
  ]
} as Schemas['MatrixView'];
const rows = rowsOf(pieces, [facts(1, 16), facts(2, 8), facts(3, 12)], matrix);
const titles = (list: typeof rows) => list.map((r) => r.shelf.piece.id);

test('each piece counts who is ready, who lacks one note, and who plays it at all', () => {
  expect(rows.map((r) => [r.ready, r.one, r.players])).toEqual([
    [1, 1, 3],
    [2, 0, 2],
    [0, 0, 0]
  ]);
});

test('every word that is typed must be there, whatever its accents and capitals', () => {
  expect(titles(found(rows, 'cancion RIO'))).toEqual([3]);
  expect(titles(found(rows, 'tidemarks rings'))).toEqual([2]);
  expect(titles(found(rows, 'first-year'))).toEqual([1]);
  expect(titles(found(rows, ' '))).toEqual([1, 2, 3]);
  expect(found(rows, 'nothing')).toEqual([]);
});

test('the order is by readiness, length, or what is not given yet', () => {
  expect(titles(ordered(rows, 'ready'))).toEqual([2, 1, 3]);
  expect(titles(ordered(rows, 'short'))).toEqual([2, 3, 1]);
  expect(titles(ordered(rows, 'open'))).toEqual([2, 3]);
  expect(titles(ordered(rows, 'book'))).toEqual([1, 2, 3]);
});
