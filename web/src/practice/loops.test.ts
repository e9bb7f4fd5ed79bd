import { expect, test } from 'vitest';
import { asWritten, evenly } from './loops';

const tone = (at: number, seconds: number, bar = 0) => ({
  id: `n${at}`,
  at,
  seconds,
  bar,
  writtenMidi: 60,
  soundingMidi: 60
});
/** two bars of four beats, each of them half a second */
const times = [
  { at: 0, seconds: 2, beat: 0.5 },
  { at: 2, seconds: 2, beat: 0.5 }
];

test('without rhythm each note has its second, and one second is silent', () => {
  const t = evenly([tone(3, 0.1), tone(3.1, 4)]);
  expect(t.sounds.map((s) => [s.at, s.tone.seconds])).toEqual([
    [0, 1],
    [1, 1]
  ]);
  expect(t.length).toBe(3);
});

test('a loop begins again on the beat on which it begins, after a beat of silence', () => {
  // from the second beat of the second bar: two eighths and a quarter
  const t = asWritten([tone(2.5, 0.25, 1), tone(2.75, 0.25, 1), tone(3, 0.5, 1)], times);
  expect(t.sounds.map((s) => s.at)).toEqual([0, 0.25, 0.5]);
  expect(t.length).toBe(1.5);
  expect(t.clicks).toEqual([0, 0.5, 1]);
});

test('an upbeat comes again off the beat', () => {
  // an eighth before the second bar, and its first beat
  const t = asWritten([tone(1.75, 0.25), tone(2, 0.5, 1)], times);
  expect(t.sounds.map((s) => s.at)).toEqual([0, 0.25]);
  expect(t.clicks).toEqual([0.25, 0.75, 1.25]);
  expect(t.length).toBe(1.5);
});

test('the note that is only landed on is no longer than a beat', () => {
  const t = asWritten([tone(1.5, 0.5), tone(2, 2, 1)], times, true);
  expect(t.sounds[1]!.tone.seconds).toBe(0.5);
  expect(t.length).toBe(1.5);
  expect(asWritten([tone(1.5, 0.5), tone(2, 2, 1)], times).length).toBe(3);
});

test('where no note is left nothing is played', () => {
  expect(asWritten([], times)).toEqual({ sounds: [], clicks: [], length: 0 });
});
