import { expect, test } from 'vitest';
import {
  alone,
  asAlone,
  tonics,
  midiOf,
  NAMINGS,
  read,
  shown,
  text,
  typeable,
  words
} from './pitch';

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
  expect(shown(read('Bb3')!, 'syllables')).toBe('si♭3');
  expect(shown(read('F#')!, 'syllables')).toBe('fa♯');
  expect(midiOf('Bb4')).toBe(70);
  expect(midiOf('C')).toBe(-1);
});

test('a list of notes may hold commas', () => {
  expect(words(' B♭ C, D;E♭ – F ')).toEqual(['B♭', 'C', 'D', 'E♭', 'F']);
});

test('with H for B natural a B is a B flat', () => {
  expect(text(read('H', 'german')!)).toBe('B');
  expect(text(read('b3', 'german')!)).toBe('Bb3');
  expect(text(read('Bb', 'german')!)).toBe('Bb');
  expect(shown(read('Bb4')!, 'german')).toBe('B4');
  expect(shown(read('B4')!, 'german')).toBe('H4');
  expect(shown(read('Eb')!, 'german')).toBe('E♭');
});

test('what is shown as an example can be typed, in every way of naming', () => {
  expect(typeable(read('Bb')!, 'letters')).toBe('B♭ (Bb)');
  expect(typeable(read('Bb')!, 'german')).toBe('B');
  expect(typeable(read('F#')!, 'syllables')).toBe('fa♯ (fa#)');
  for (const naming of NAMINGS)
    for (const note of ['Bb', 'B', 'C', 'F#']) {
      const [is, typed = is] = typeable(read(note)!, naming).replace(')', '').split(' (');
      expect(text(read(is!, naming)!), `${is} ${naming}`).toBe(note);
      expect(text(read(typed!, naming)!), `${typed} ${naming}`).toBe(note);
    }
});

test('a note alone has one name, and a key that no band reads has its other one', () => {
  expect(alone('usual')).toEqual('C C# D Eb E F F# G Ab A Bb B'.split(' '));
  expect(['Db4', 'Gb', 'A#3'].map((n) => asAlone(n, 'usual'))).toEqual(['C#4', 'F#', 'Bb3']);
  expect(asAlone('C#5', 'flats')).toBe('Db5');
  // D flat major has five flats, C sharp major seven sharps
  expect(tonics('usual')).toEqual('C Db D Eb E F F# G Ab A Bb B'.split(' '));
  // in minor C sharp has four sharps and A flat seven flats
  expect(tonics('usual', true)).toEqual('C C# D Eb E F F# G G# A Bb B'.split(' '));
  expect(tonics('flats')).toContain('Gb');
  expect(tonics('sharps')).toContain('F#');
});
