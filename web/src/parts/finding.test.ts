import { expect, test } from 'vitest';
import { en } from '../words/en';
import { found, idOf, placesOf, type Lists } from './finding';

const say = {
  onTheStand: (t: string) => `${t}, on the stand`,
  forDue: (d: string) => (d ? `for ${d}` : ''),
  whatWasHeard: (i: string) => `${i}, record`,
  allItsNotes: 'all its notes',
  itsFingerings: 'its fingerings',
  acrossBand: 'across the band'
};
const player = (id: number, name: string) => ({ student: { id, name } });
const next = (assignmentId: number, what: string, dueWords: string) => ({
  assignmentId,
  piece: { id: 9, title: 'Gate March' },
  what,
  dueWords,
  players: [player(1, 'Chloe B.'), player(2, 'Yuna C.')]
});
const instrument = (id: string, name: string, notes: string[]) => ({
  id,
  name,
  notes: notes.map((written) => ({ written, shown: written.replace('b', '♭') }))
});
const lists = {
  today: { groups: [{ next: [next(1, '', 'Friday'), next(2, 'measures 1–4', 'Monday')] }] },
  people: {
    students: [
      { id: 1, name: 'Chloe B.', instrumentName: 'Flute', part: 0 },
      { id: 2, name: 'Yuna C.', instrumentName: 'Trumpet', part: 2 }
    ],
    groups: []
  },
  pieces: [{ piece: { id: 9, title: 'Pebbles', source: 'Tidemarks, 3' } }],
  instruments: [
    instrument('trumpet', 'Trumpet', ['Bb3', 'C4', 'Bb4', 'C5']),
    instrument('tuba', 'Tuba', ['Bb1', 'Bb2'])
  ]
} as unknown as Lists;
const places = placesOf(en.find.places);
const find = (query: string) => found(query, places, lists, say, 'letters');

test('of a piece that is assigned twice both rows are there, by measures and day', () => {
  const rows = find('yuna gate');
  expect(rows.map((h) => h.detail)).toEqual([
    'Gate March, on the stand, for Friday',
    'Gate March, on the stand, measures 1–4, for Monday'
  ]);
  expect(rows.every((h) => h.text === 'Yuna C.')).toBe(true);
});

test('who plays second trumpet is found by the part', () => {
  expect(find('trumpet 2').map((h) => h.text)).toEqual(['Yuna C.']);
});

test('no two rows have one key, however often a piece is assigned alike', () => {
  const twice = { ...lists, today: { groups: [{ next: [next(1, '', ''), next(1, '', '')] }] } };
  const rows = found('', [], twice as unknown as Lists, say, 'letters');
  expect(new Set(rows.map(idOf)).size).toBe(rows.length);
});

test('every tool and place is found by its name before anything has come from the server', () => {
  for (const typed of ['tuner', 'metronome', 'drone', 'audition', 'removed', 'settings']) {
    const rows = found(typed, places, undefined, say, 'letters');
    expect(rows[0]?.text.toLowerCase(), typed).toContain(typed.slice(0, 5));
  }
});

test('a note is found by its plain name, and is not looked for within words', () => {
  expect(find('Bb')[0]).toEqual({
    text: 'B♭',
    detail: 'across the band',
    href: '/notes/across/Bb4'
  });
  expect(find('Bb').some((h) => h.text === 'Pebbles')).toBe(false);
  expect(find('pebb')[0]?.text).toBe('Pebbles');
});

test('an instrument with a note leads to each octave that it has', () => {
  expect(find('trumpet Bb').map((h) => h.href)).toEqual([
    '/notes/trumpet/Bb3',
    '/notes/trumpet/Bb4'
  ]);
  expect(find('tuba bb2').map((h) => h.href)).toEqual(['/notes/tuba/Bb2']);
});

test('a small letter alone begins a name, and nothing is found where nothing fits', () => {
  expect(find('c').some((h) => h.text === 'Chloe B.')).toBe(true);
  expect(find('c')[0]?.detail).not.toBe('across the band');
  expect(find('zzz')).toEqual([]);
});
