import { expect, test } from 'vitest';
import { move, moved, sections, type Row } from './asked';

const name = (written: string) => ({ written, shown: written });
const row = (id: number, instrument: string, written: string, octaves: string[]): Row => ({
  student: {
    id,
    name: `S${id}`,
    instrument,
    instrumentName: instrument,
    plays: instrument,
    playsInside: instrument,
    drums: false
  },
  clef: 'treble',
  cells: [
    {
      asked: true,
      written,
      why: 'HAS',
      beyond: false,
      notes: [name(written)],
      octaves: octaves.map(name)
    }
  ]
});
const band = [
  row(1, 'flute', 'D5', ['D4', 'D5', 'D6']),
  row(2, 'flute', 'D5', ['D4', 'D5', 'D6']),
  row(3, 'trumpet', 'E4', ['E4', 'E5'])
];

test('a section is moved together, and one student out of it', () => {
  expect(sections(band, {}).map((s) => s.length)).toEqual([2, 1]);
  const down = move(band.slice(0, 2), [0], {}, -1);
  expect(sections(band, down).map((s) => s.length)).toEqual([2, 1]);
  const one = move([band[0]!], [0], {}, -1);
  expect(sections(band, one).map((s) => s.map((r) => r.student.id))).toEqual([[1], [2], [3]]);
  expect(moved(band, one).map((m) => m.written)).toEqual(['D4', 'D5', 'E4']);
});

test('nothing is moved to an octave that is not there', () => {
  const down = move([band[2]!], [0], {}, -1);
  expect(moved(band, down)[2]!.written).toBe('E4');
});
