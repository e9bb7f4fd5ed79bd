import { describe, expect, test } from 'vitest';
import { clickAt, frequency, tapped, weight } from './beats';

const how = (tempo: number, beats = 4, parts = 1) => ({ tempo, beats, parts });

describe('the clicks of a metronome', () => {
  test('come where they belong after ten minutes', () => {
    // 66 a minute: the 660th click comes 600 seconds after the first, whatever a click lasts
    expect(clickAt(1.5, how(66), 660)).toBeCloseTo(601.5, 9);
    expect(clickAt(0, how(90, 4, 3), 90 * 3 * 10)).toBeCloseTo(600, 9);
  });
  test('are higher on the first beat, and lower between beats', () => {
    const two = how(60, 3, 2);
    expect([0, 1, 2, 3, 4, 5, 6].map((n) => weight(two, n))).toEqual([
      'first',
      'part',
      'beat',
      'part',
      'beat',
      'part',
      'first'
    ]);
    expect(weight(how(60, 1), 0)).toBe('beat');
  });
});

describe('a tapped tempo', () => {
  test('is the middle of the last taps', () => {
    expect(tapped([0, 0.5, 1, 1.5])).toBe(120);
    expect(tapped([0, 1])).toBe(60);
  });
  test('begins anew after a pause', () => {
    expect(tapped([0, 1, 2, 9, 9.5, 10])).toBe(120);
    expect(tapped([0, 9])).toBeUndefined();
    expect(tapped([])).toBeUndefined();
  });
  test('stays within what a metronome has', () => {
    expect(tapped([0, 0.01])).toBe(300);
  });
});

describe('a note', () => {
  test('has the frequency of equal temperament', () => {
    // published: ISO 16 for A4; middle C 261.63 Hz
    expect(frequency(69, 440)).toBe(440);
    expect(frequency(60, 440)).toBeCloseTo(261.63, 2);
    expect(frequency(57, 442)).toBe(221);
  });
});
