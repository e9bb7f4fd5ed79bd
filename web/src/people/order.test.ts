import { expect, test } from 'vitest';
import type { Schemas } from '../api/client';
import { sections } from './order';

const student = (name: string, instrument: string, seat = '', part = 0) =>
  ({
    name,
    part,
    instrument,
    instrumentName: instrument.toUpperCase(),
    seat,
    others: []
  }) as unknown as Schemas['StudentView'];
const all = [
  student('Zola M.', 'trumpet', '10'),
  student('Ayşe K.', 'trumpet', '2'),
  student('Noor A.', 'flute'),
  student('Priya V.', 'flute', '1')
];
const score = ['flute', 'oboe', 'trumpet'];
const told = (list: ReturnType<typeof sections>) =>
  list.map((s) => [s.heading, ...s.students.map((x) => x.name)]);

test('by section they stand in score order, by their seats, and no section is empty', () => {
  expect(told(sections(all, '', 'section', score))).toEqual([
    ['FLUTE', 'Priya V.', 'Noor A.'],
    ['TRUMPET', 'Ayşe K.', 'Zola M.']
  ]);
});

test('in a section the first part comes before the second, and Clarinet 2 is looked for so', () => {
  const clarinets = [
    student('Ava', 'clarinet', '1', 2),
    student('Ben', 'clarinet', '1'),
    student('Cem', 'clarinet', '3', 1)
  ];
  expect(told(sections(clarinets, '', 'section', ['clarinet']))).toEqual([
    ['CLARINET', 'Cem', 'Ava', 'Ben']
  ]);
  expect(told(sections(clarinets, 'clarinet 2', 'section', ['clarinet']))).toEqual([
    ['CLARINET', 'Ava']
  ]);
});

test('by name or by seat they stand together; a tenth seat comes after a second', () => {
  expect(told(sections(all, '', 'name', score))).toEqual([
    ['', 'Ayşe K.', 'Noor A.', 'Priya V.', 'Zola M.']
  ]);
  expect(told(sections(all, '', 'seat', score))).toEqual([
    ['', 'Priya V.', 'Ayşe K.', 'Zola M.', 'Noor A.']
  ]);
});

test('who is looked for is found by name, instrument or seat, without accents', () => {
  expect(told(sections(all, 'ayse', 'name', score))).toEqual([['', 'Ayşe K.']]);
  expect(told(sections(all, 'flute 1', 'section', score))).toEqual([['FLUTE', 'Priya V.']]);
  expect(sections(all, 'nobody', 'section', score)).toEqual([]);
});
