import { expect, test } from 'vitest';
import { inFixedDo, inSyllables, midiOf, read, shown, text, words } from './pitch';

test('a note is read in letters and in syllables', () => {
  for (const [typed, is] of [
    ['Bb', 'Bb'],
    ['b♭3', 'Bb3'],
    ['F#', 'F#'],
    ['b', 'B'],
    ['bb', 'Bb'],
    ['bbb', 'Bbb'],
    ['si♭', 'Bb'],
    ['sib3', 'Bb3'],
    ['Sol#', 'G#'],
    ['ré', 'D'],
    ['do5', 'C5'],
    ['fa', 'F']
  ]) {
    expect(text(read(typed!)!), typed).toBe(is);
  }
  for (const none of ['H', 'Bb33', 'dog', '4', '', 'solo'])
    expect(read(none), none).toBeUndefined();
});

test('a note is shown as the teacher names it', () => {
  expect(shown(read('Bb3')!)).toBe('B♭3');
  expect(shown(read('Bb3')!, true)).toBe('si♭3');
  expect(shown(read('F#')!, true)).toBe('fa♯');
  expect(midiOf('Bb4')).toBe(70);
  expect(midiOf('C')).toBe(-1);
});

test('a list of notes may hold commas', () => {
  expect(words(' B♭ C, D;E♭ – F ')).toEqual(['B♭', 'C', 'D', 'E♭', 'F']);
});

test('notes in a sentence of Sempre become syllables, other letters stay', () => {
  expect(inSyllables('As for G♯4: add the throat A key.')).toBe(
    'As for sol♯4: add the throat A key.'
  );
  expect(inSyllables('B♭')).toBe('si♭');
  expect(inSyllables('bar 9')).toBe('bar 9');
});

/** A name that somebody typed is a name, whatever it looks like. */
test('what people have typed is never touched', () => {
  const typed = {
    name: 'Class B2',
    title: 'Class B2',
    group: 'Class B2',
    givenTo: 'Class B2, flute',
    year: 'A1',
    number: 'A4',
    source: 'Book, A4',
    book: 'B5',
    fileName: 'A4.mxl',
    remark: 'A4 flat',
    remarks: ['A4.mxl'],
    message: 'Learn A4 by heart',
    students: ['Ida B2'],
    lacking: 'Ida B2 and Ben C3',
    newFor: 'Ida B2',
    words: 'the A4 trick',
    label: 'A4 trick',
    done: 'Ida B2 is set up.',
    by: 'Teacher A4',
    note: 'from A4',
    written: 'Bb4',
    what: 'Bb4 next',
    fromId: 'A4',
    toId: 'B4',
    items: [{ shown: 'B♭', words: 'March A4, bars 3' }]
  };
  expect(inFixedDo(typed)).toEqual({
    ...typed,
    items: [{ shown: 'si♭', words: 'March A4, bars 3' }]
  });
});
