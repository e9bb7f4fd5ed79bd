import { readFileSync } from 'node:fs';
import { Interval, Note, Scale } from 'tonal';
import { describe, expect, test } from 'vitest';

/** Music to be read at sight as the core makes it (its own test holds the file to that). */
const FILE = '../core/src/test/resources/sempre/core/making/sight.txt';
const ALLOWED = new Set('D4 E4 F#4 G4 A4 B4 C5 C#5 D5 E5 F#5 G5'.split(' '));
const WIDEST = 9;

const pieces = readFileSync(FILE, 'utf8')
  .trim()
  .split('\n')
  .map((line) => {
    const [key, notes] = line.split(': ') as [string, string];
    return { key, notes: notes.split(' ') };
  });

describe('two hundred pieces, counted by tonal', () => {
  test('end on the tonic of their key, and have only its notes', () => {
    expect(pieces).toHaveLength(200);
    for (const { key, notes } of pieces) {
      const [tonic, mode] = key.split(' ') as [string, string];
      const scale = Scale.get(`${tonic} ${mode === 'minor' ? 'aeolian' : 'major'}`).notes;
      expect(scale).toHaveLength(7);
      expect(Note.pitchClass(notes.at(-1)!), key).toBe(tonic);
      for (const n of notes) {
        expect(scale, key).toContain(Note.pitchClass(n));
        expect(ALLOWED.has(n), n).toBe(true);
      }
    }
  });

  test('leap no wider than they may, and go mostly by steps', () => {
    let steps = 0;
    let all = 0;
    for (const { key, notes } of pieces)
      notes.slice(1).forEach((n, i) => {
        const half = Math.abs(Interval.semitones(Interval.distance(notes[i]!, n)) ?? 99);
        expect(half, `${key}: ${notes[i]} ${n}`).toBeLessThanOrEqual(WIDEST);
        all++;
        if (half <= 2) steps++;
      });
    expect(steps / all).toBeGreaterThan(0.5);
  });

  test('come to the tonic from beside it', () => {
    const led = pieces.filter(({ notes }) => {
      const half = Math.abs(
        Interval.semitones(Interval.distance(notes.at(-2)!, notes.at(-1)!)) ?? 99
      );
      return half === 1 || half === 2;
    });
    expect(led.length).toBeGreaterThan(180);
  });
});
