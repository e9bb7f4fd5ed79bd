import { describe, expect, it } from 'vitest';
import {
  fifths,
  here,
  isAbc,
  lastOne,
  letters,
  midiOf,
  named,
  settings,
  withLength
} from './letters';

/** ABC, as its header says */
const at = (text: string, key = 'C') => here('%abc\n' + text, text.length + 5, key);
const plain = (text: string, key = 'C') => here(text, text.length, key);
const C4 = { letter: 'C', alter: 0, octave: 4 };

describe('what holds at a place', () => {
  it('is the length that was typed last, and not one behind a note or an ending', () => {
    expect(at('8C D 4.E F').length).toBe('4.');
    expect(at('C2 D').length).toBe('');
    expect(at('8C |1 D').length).toBe('8');
    expect(at('4(C 16D').length).toBe('16');
  });
  it('is the key of the text, in modes too, else that of the page', () => {
    expect(at('C D', 'Eb').fifths).toBe(-3);
    expect(at('K:F#m\nA', 'C').fifths).toBe(3);
    expect(at('C [K:Ddor] D').fifths).toBe(0);
    // another tune does not know it
    expect(at('K:D\nC\n\nE', 'F').fifths).toBe(-1);
  });
  it('is what had a sign since the bar line', () => {
    expect([...at('^C D | _E').signed]).toEqual(['E']);
    expect([...at('"^C"D !p! E').signed]).toEqual([]);
  });
});

describe('a key of a keyboard', () => {
  it('is named as the key has it', () => {
    expect(named(61, 0)).toEqual({ letter: 'C', alter: 1, octave: 4 });
    expect(named(61, -4)).toEqual({ letter: 'D', alter: -1, octave: 4 });
    expect(named(70, 0)).toEqual({ letter: 'B', alter: -1, octave: 4 });
    expect(named(60, 7)).toEqual({ letter: 'B', alter: 1, octave: 3 });
    expect(named(59, -7)).toEqual({ letter: 'C', alter: -1, octave: 4 });
  });
  it('has a name with its own sound in every key', () => {
    for (let f = -7; f <= 7; f++)
      for (let m = 21; m < 109; m++) expect(midiOf(named(m, f))).toBe(m);
  });
});

describe('a note is typed', () => {
  it('with octave marks from middle C', () => {
    expect(letters(C4, at(''))).toBe('C');
    expect(letters({ ...C4, octave: 3 }, at(''))).toBe('C,');
    expect(letters({ ...C4, octave: 5 }, at(''))).toBe('c');
    expect(letters({ ...C4, octave: 7 }, at(''))).toBe("c''");
  });
  it('with a sign where the key or the bar makes another of it', () => {
    const flat = { letter: 'B', alter: -1, octave: 4 };
    expect(letters(flat, at('', 'F'))).toBe('B');
    expect(letters(flat, at('', 'C'))).toBe('_B');
    expect(letters({ ...flat, alter: 0 }, at('', 'F'))).toBe('=B');
    expect(letters(flat, at('=B', 'F'))).toBe('_B');
    expect(letters(C4, at('', 'C#'))).toBe('=C');
  });
  it('with its length where another one stays', () => {
    expect(withLength('C', '8', at(''), '')).toBe('8C');
    expect(withLength('C', '8', at('8D'), '8D')).toBe('C');
    expect(withLength('C', '4', at('8D'), '8D')).toBe(' 4C');
  });
  it('and taken back as one', () => {
    expect(lastOne("8C ^d'")).toBe(3);
    expect(lastOne('8C 4.D')).toBe(4);
    expect(lastOne('8C |')).toBe(2);
    expect(lastOne('')).toBe(0);
  });
});

describe('a note by its name', () => {
  const flat = { letter: 'B', alter: -1, octave: 4 };
  it('has its accidental and its octave, whatever stands before it', () => {
    expect(letters(C4, plain(''))).toBe('C4');
    expect(letters(flat, plain('Bb4', 'F'))).toBe('Bb4');
    expect(letters({ ...flat, alter: 0 }, plain('', 'F'))).toBe('=B4');
    expect(letters({ letter: 'F', alter: 1, octave: 5 }, plain(''))).toBe('F#5');
  });
  it('is H or B where a school names it so', () => {
    expect(letters(flat, plain(''), true)).toBe('B4');
    expect(letters({ ...flat, alter: 0 }, plain(''), true)).toBe('H4');
  });
  it('stands apart, with its length where another one stays', () => {
    expect(withLength('C5', '8', plain('8Bb4'), '8Bb4')).toBe(' C5');
    expect(withLength('C5', '4', plain('8Bb4'), '8Bb4')).toBe(' 4C5');
    expect(plain('4Bb4 C5').length).toBe('4');
  });
  it('is taken back as one', () => {
    expect(lastOne('8C5 Bb4')).toBe(3);
    expect(lastOne('8C5 4.F#5')).toBe(6);
  });
});

describe('ABC is known by its header', () => {
  it('and nothing else is', () => {
    expect(['X:1\nK:D\nA', '%abc\ncd', 'T:Reel\nK:D\nab'].every(isAbc)).toBe(true);
    expect(['Bb C D', 'K:Bb\n4Bb C', '1. C D', ''].some(isAbc)).toBe(false);
  });
});

describe('a key as it is typed', () => {
  it('has so many sharps', () => {
    expect([fifths('C'), fifths('Gb'), fifths('Em'), fifths('A mix'), fifths('?')]).toEqual([
      0,
      -6,
      1,
      2,
      undefined
    ]);
  });
});

describe('the first lines of a text', () => {
  it('go into the fields of the page, where these can hold them', () => {
    expect(settings('K:Bb\nM:4/4\nQ:1/4=96\n8C D', ['Bb'], ['4/4'])).toEqual({
      key: 'Bb',
      meter: '4/4',
      tempo: '96',
      text: '8C D'
    });
    expect(settings('K:D dor\nM:4/4\nC', ['D'], ['4/4'])).toEqual({ text: 'K:D dor\nM:4/4\nC' });
  });
});
