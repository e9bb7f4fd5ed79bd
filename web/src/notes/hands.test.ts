import { expect, test } from 'vitest';
import { heldOf, picture, textOf, type Key } from './hands';

const key = (token: string, finger: string, face = token, hole = false): Key => ({
  token,
  finger,
  face,
  hole,
  left: finger[0] === 'L',
  name: face
});
const texts = (keys: Key[]) => picture(keys).places.map((p) => p.text);
const labels = (keys: Key[]) => picture(keys).rows.map((r) => r.label);

test('holes lie on the bore, other keys outward on the side of their hand', () => {
  const places = picture([
    key('1', 'L1', '1', true),
    key('bis', 'L1', 'bis'),
    key('1', 'R1', '1', true),
    key('sBb', 'R1', 'B♭')
  ]).places;
  const at = (face: string) => places.find((p) => p.text === face)!.x;
  expect(places.filter((p) => p.key.hole).map((p) => p.x)).toEqual([0, 0]);
  expect(at('bis')).toBeLessThan(0);
  expect(at('B♭')).toBeGreaterThan(0);
});

test('the left hand lies above the right, and thumbs behind', () => {
  const places = picture([key('1', 'R1', '1', true), key('T', 'LT', 'T', true)]).places;
  expect(places[0]!.key.token).toBe('T');
  expect(places[0]!.behind).toBe(true);
  expect(places[1]!.y).toBeGreaterThan(places[0]!.y);
});

test('keys that share a word have a line that says it once', () => {
  const keys = ['A', 'C', 'D'].map((n) => key('v' + n, 'LT', 'high ' + n));
  const all = [key('w', 'LT', 'whisper'), ...keys];
  expect(labels(all)).toEqual(['thumb', 'high']);
  expect(texts(all)).toEqual(['whisper', 'A', 'C', 'D']);
});

test('the word may stand behind, as in Spanish', () => {
  const keys = ['la', 'do'].map((n) => key('v' + n, 'LT', n + ' agudo'));
  expect(labels([key('w', 'LT', 'susurro'), ...keys])).toEqual(['thumb', 'agudo']);
  expect(texts(keys)).toEqual(['la', 'do']);
});

test('keys that are counted say their word once, beside their hole', () => {
  const keys = ['1', '2', '3'].map((n) => key('s' + n, 'R1', 'side ' + n));
  expect(texts([key('1', 'R1', '1', true), ...keys])).toEqual(['1', 'side 1', '2', '3']);
});

test('a fingering is read into what is held, and written again', () => {
  const keys = [
    key('1', 'L1', '1', true),
    key('2', 'L2', '2', true),
    key('1', 'R1', '1', true),
    key('Eb', 'R4', 'E♭')
  ];
  const held = heldOf('h1 2 | 1 (Eb)', keys, 'HANDS');
  expect(held.map((h) => [h.token, h.left, h.half, h.free])).toEqual([
    ['1', true, true, false],
    ['2', true, false, false],
    ['1', false, false, false],
    ['Eb', false, false, true]
  ]);
  expect(textOf(held, 'HANDS')).toBe('h1 2 | 1');
  expect(textOf([], 'VALVES')).toBe('0');
});
