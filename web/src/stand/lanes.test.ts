import { expect, test } from 'vitest';
import type { Line } from '../engrave/engrave';
import { bars, events as eventsOf, keyOn, rows, short } from './lanes';
import type { Event, Lane, Note, Plan } from './lanes';

const lanes = [
  { finger: 'L1', label: 'first', gapAbove: false },
  { finger: 'R4', label: 'little', gapAbove: true }
] as Lane[];

const hold = (finger: string, key = '') => ({ finger, key, keyName: key, unheard: false });

/** Notes of 40 px, each with what is held; a rest stands behind those that are named. */
const events = (held: ReturnType<typeof hold>[][], rests: number[] = []) =>
  held.map((holds, i): Event => ({
    note: { id: `n${i}`, holds } as unknown as Note,
    x: 40 * i,
    end: 40 * i + 40,
    joined: !rests.includes(i),
    head: true
  }));

test('a finger that stays down is one bar, one that comes up leaves it', () => {
  const found = bars(events([[hold('L1')], [hold('L1')], [], [hold('L1')]]), lanes).bars;
  expect(found.map((b) => [b.x, b.end])).toEqual([
    [0, 77],
    [120, 157]
  ]);
});

test('nothing is held over a rest', () => {
  expect(bars(events([[hold('L1')], [hold('L1')]], [0]), lanes).bars).toHaveLength(2);
});

test('a finger that goes from key to key leaves a link between two bars', () => {
  const { bars: found, links } = bars(events([[hold('R4', 'E♭')], [hold('R4', 'C')]]), lanes);
  expect(found.map((b) => b.key)).toEqual(['E♭', 'C']);
  expect(links).toEqual([{ lane: 1, x: 40 }]);
});

test('a gap lies between the hands', () => {
  expect(rows(lanes)).toEqual([0, 21]);
});

test('a key is named in full where its bar has room, else by its shortest word', () => {
  const on = (end: number, ...names: string[]) => keyOn({ x: 0, end, names });
  expect(on(80, 'front F♯')).toBe('front F♯');
  expect(on(20, 'front F♯')).toBe('F♯');
  expect(on(20, 'la agudo')).toBe('la');
  expect(on(30, 'side 1', 'side 2')).toBe('1 2');
  expect(on(5)).toBe('');
});

test('the notation stands in two short rows, left hand over right', () => {
  expect(short('T 1 2 3 | 1 2 Eb')).toEqual(['T\u2009123', '12\u2009E♭']);
  expect(short('O | ')).toEqual(['O', '–']);
  expect(short('1 3')).toEqual(['13']);
  expect(short('p4-')).toEqual(['4−']);
  expect(short('F p1')).toEqual(['F 1']);
  expect(short('-')).toEqual([]);
});

/** Notes of a quarter second each, at these times, and what stands on the engraved line. */
const held = (times: number[], spots: string[]) =>
  eventsOf(
    {
      right: 500,
      spots: spots.map((id, i) => ({
        id,
        kind: id.startsWith('r') ? 'rest' : 'note',
        x: 100 * i,
        staff: 1
      }))
    } as Line,
    {
      notes: times.map((at, i) => ({ id: `n${i}`, tied: [] as string[], at, seconds: 0.25 })),
      missing: [] as unknown[]
    } as Plan
  ).map((e) => [e.end, e.joined]);

test('a rest of another voice ends no note, the own one does', () => {
  expect(held([0, 0.25], ['n0', 'r', 'n1'])[0]).toEqual([200, true]);
  expect(held([0, 0.5], ['n0', 'r', 'n1'])[0]).toEqual([90, false]);
  // of two rests, the one that stands where the note ends
  expect(held([0, 0.375], ['n0', 'r', 'r', 'n1'])[0]).toEqual([190, false]);
});

test('a note is held to the end of its line where the next line goes on at once', () => {
  expect(held([0, 0.25, 0.5], ['n0', 'n1', 'r'])[1]).toEqual([500, false]);
  expect(held([0, 0.25, 0.75], ['n0', 'n1', 'r'])[1]).toEqual([190, false]);
});
