import { expect, test } from 'vitest';
import type { Schemas } from '../api/client';
import { merged } from './lesson';

const row = (name: string, student: string, compared: string, more = {}) =>
  ({
    name,
    instrument: name,
    written: 'A4',
    label: 'A key',
    fingering: 'Ak',
    compared,
    air: '',
    mistakes: [],
    caution: '',
    students: [student],
    has: [],
    ...more
  }) as unknown as Schemas['LessonRow'];

test('what is told alike stands once, with who has it and whose octave is another', () => {
  const rows = [
    row('clarinet', 'Leo', 'As for G'),
    row('clarinet', 'Ava', 'As for G', { has: ['Ava'] }),
    row('clarinet', 'Mia', 'As for E'),
    row('trumpet', 'Zoe', 'As for G')
  ];
  const all = merged(rows, (r) => (r.students[0] === 'Leo' ? 'as Spray brings it' : ''));
  expect(all.map((t) => [t.row.name, t.students, t.has])).toEqual([
    ['clarinet', ['Leo', 'Ava'], ['Ava']],
    ['clarinet', ['Mia'], []],
    ['trumpet', ['Zoe'], []]
  ]);
  expect(all[0]!.octaves).toEqual([{ words: 'as Spray brings it', students: ['Leo'] }]);
});
