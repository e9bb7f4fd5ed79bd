import { expect, test } from 'vitest';
import { asTheyStand, barOrder, countIn, timeline } from './timeline';

const stretch = (from: number, to: number) => ({
  from,
  to,
  held: [] as { id: string; seconds: number }[]
});
/** bars of four quarters at 120 */
const bars = Array.from({ length: 4 }, (_, i) => ({ at: 2 * i, seconds: 2, beat: 0.5 }));
const tone = (id: string, at: number) => ({
  id,
  bar: Math.floor(at / 2),
  at,
  seconds: 0.5,
  writtenMidi: 60,
  soundingMidi: 60
});

test('a page without signs is played from bar to bar', () => {
  expect(barOrder(4, [], 0, 3)).toEqual([0, 1, 2, 3]);
  expect(barOrder(4, [], 1, 2)).toEqual([1, 2]);
});

test('repeats and endings are followed', () => {
  // bars 1 and 2, again 1, then the second ending
  const played = [stretch(0, 1), stretch(0, 0), stretch(2, 3)];
  expect(barOrder(4, played, 0, 3)).toEqual([0, 1, 0, 2, 3]);
});

test('where a sign leads out of the chosen bars, playing goes on behind it', () => {
  const played = [stretch(0, 2), stretch(0, 2), stretch(3, 3)];
  expect(barOrder(4, played, 1, 3)).toEqual([1, 2, 3]);
  expect(barOrder(4, played, 1, 1)).toEqual([1]);
});

test('a note of a repeated bar sounds each time, and the bar keeps its length', () => {
  const t = timeline([tone('a', 0), tone('b', 2.5)], bars, [0, 1, 0, 1]);
  expect(t.sounds.map((s) => [s.tone.id, s.at])).toEqual([
    ['a', 0],
    ['b', 2.5],
    ['a', 4],
    ['b', 6.5]
  ]);
  expect(t.length).toBe(8);
});

test('a note tied into both endings sounds on in each, and no longer', () => {
  // the last beat of bar 1 is tied over the whole first ending, and into a beat of the second
  const long = { ...tone('a', 1.5), seconds: 2.5 };
  const played = [stretch(0, 1), stretch(0, 0), stretch(2, 3)];
  played[2]!.held.push({ id: 'a', seconds: 0.5 });
  const t = timeline([long, tone('b', 4.5)], bars, [0, 1, 0, 2, 3], played);
  expect(t.sounds.map((s) => [s.tone.id, s.at, s.tone.seconds])).toEqual([
    ['a', 1.5, 2.5],
    ['a', 5.5, 1],
    ['b', 6.5, 0.5]
  ]);
});

test('the metronome clicks on the beats of every bar, also where a note comes late', () => {
  const t = timeline([tone('late', 0.25)], bars, [0]);
  expect(t.clicks).toEqual([0, 0.5, 1, 1.5]);
  expect(t.sounds[0]!.at).toBe(0.25);
});

test('a pickup of half a beat has no click of its own, and the next bar comes on one', () => {
  const pickup = [
    { at: 0, seconds: 0.75, beat: 0.5 },
    { at: 0.75, seconds: 2, beat: 0.5 }
  ];
  expect(timeline([tone('a', 0)], pickup, [0, 1]).clicks).toEqual([0.25, 0.75, 1.25, 1.75, 2.25]);
});

test('notes by themselves begin at once and end with the last that sounds', () => {
  const t = asTheyStand([{ ...tone('long', 3), seconds: 4 }, tone('b', 5)]);
  expect(t.sounds.map((s) => s.at)).toEqual([0, 2]);
  expect(t.length).toBe(4);
});

test('bars of rest before the first note are left out', () => {
  const t = timeline([tone('a', 4)], bars, [0, 1, 2, 3]);
  expect(t.sounds[0]!.at).toBe(0);
  expect(t.length).toBe(4);
  expect(timeline([], bars, [0, 1]).length).toBe(0);
});

test('a whole bar is counted before the first note, and what a pickup lacks of its bar', () => {
  const bar = (seconds: number) => ({ at: 0, seconds, beat: 0.5 });
  expect(countIn([bar(2), bar(2)], 0)).toEqual({ clicks: [0, 0.5, 1, 1.5], length: 2 });
  // a pickup of one beat in four: one two three four, one two three
  expect(countIn([bar(0.5), bar(2)], 0).clicks).toHaveLength(7);
  expect(countIn([bar(0.5), bar(2), bar(1.5)], 2)).toEqual({ clicks: [0, 0.5, 1], length: 1.5 });
  expect(countIn([], 0)).toEqual({ clicks: [], length: 0 });
});
