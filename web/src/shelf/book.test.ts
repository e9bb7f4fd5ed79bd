import { expect, test } from 'vitest';
import { ahead, mapOf, standings, type Exercises } from './book';

const piece = (id: number) => ({
  id,
  title: `T${id}`,
  book: 'B',
  number: String(id),
  page: '',
  source: ''
});
const exercise = (id: number, fresh: string[], early: string[] = []): Exercises[number] => ({
  piece: piece(id),
  fresh,
  fingerings: [],
  others: [],
  early,
  soFar: 0
});

test('what stands further on and more can play is nearer than what comes next', () => {
  const standing = new Map([
    [1, { ready: 4, players: 4 }],
    [2, { ready: 1, players: 4 }],
    [3, { ready: 1, players: 4 }],
    [4, { ready: 2, players: 3 }],
    [5, { ready: 3, players: 4 }],
    [7, { ready: 4, players: 4 }]
  ]);
  const { next, nearer } = ahead([1, 2, 3, 4, 5, 6, 7].map(piece), standing);
  expect(next?.piece.id).toBe(2);
  // three is no nearer, six nobody has a page of, seven all have already
  expect(nearer.map((n) => n.piece.id)).toEqual([5, 4]);
  expect(ahead([piece(1)], new Map()).next).toBeUndefined();
});

test('who has no page of a piece is not counted', () => {
  const cell = (state: string) => ({ state, lacking: 0 });
  const matrix = {
    pieces: [piece(1), piece(2)],
    rows: [
      [cell('READY'), cell('NONE')],
      [cell('LACKS'), cell('NONE')]
    ]
  } as unknown as Parameters<typeof standings>[0];
  expect([...standings(matrix)]).toEqual([[1, { ready: 1, players: 2 }]]);
});

test('the map has a column for each exercise, also where an instrument has no page', () => {
  const pages = new Map([
    ['horn', [exercise(2, ['C5'], ['C5 once; introduced in 3'])]],
    ['flute', [exercise(1, ['B♭4', 'C5']), exercise(2, []), exercise(3, [])]]
  ]);
  const readers = [
    { id: 'flute', name: 'Flute' },
    { id: 'horn', name: 'Horn' },
    { id: 'tuba', name: 'Tuba' }
  ];
  const { columns, rows } = mapOf(readers, pages);
  expect(columns.map((c) => c.id)).toEqual([1, 2, 3]);
  expect(rows.map((r) => [r.name, r.cells.map((c) => (c.none ? '–' : c.notes))])).toEqual([
    ['Flute', [2, 0, 0]],
    ['Horn', ['–', 1, '–']]
  ]);
  expect(rows[1]!.cells[1]!.told).toBe('C5; C5 once; introduced in 3');
});
