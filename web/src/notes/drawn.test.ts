import { expect, test } from 'vitest';
import { letter, shape, shown } from './drawn';

const key = { token: '1', left: true, x: 0, y: 0, w: 10, h: 10, turn: 0 };

test('a shape stays within its width and height, whatever its form', () => {
  for (const form of ['HOLE', 'RING', 'PLATE', 'BAR', 'DROP', 'ROLLER', 'PISTON'] as const) {
    const { face } = shape({ ...key, form, w: 12, h: 30 });
    const first = face.match(/^M(-?[\d.]+) (-?[\d.]+)/)!;
    expect(Math.abs(Number(first[1]))).toBeLessThanOrEqual(6);
    expect(Math.abs(Number(first[2]))).toBeLessThanOrEqual(15);
    expect(face.endsWith('Z')).toBe(true);
  }
});

test('a valve that is held has gone down into its casing', () => {
  const valve = { ...key, form: 'PISTON' as const, w: 16, h: 44 };
  const top = (down: boolean) => Number(shape(valve, down).face.match(/^M-?[\d.]+ (-?[\d.]+)/)![1]);
  expect(top(true) - top(false)).toBe(8);
});

test('of two small holes half is the one', () => {
  const s = shape({ ...key, form: 'TWIN', w: 16, h: 8 });
  expect(s.face.startsWith(s.half)).toBe(true);
  expect(s.face.length).toBeGreaterThan(s.half.length);
});

test('the back of the tube is left out where an instrument has nothing for that thumb', () => {
  const back = { x: -20, y: 0, w: 10, h: 10 };
  const drawing = {
    instrument: 'x',
    frame: { x: -20, y: 0, w: 40, h: 40 },
    body: [
      { form: 'SHAPE' as const, path: 'M-15 5L-14 6Z' },
      { form: 'SHAPE' as const, path: 'M1 5L2 6Z' }
    ],
    behind: [back],
    places: [
      { ...key, form: 'BAR' as const, token: 'T', x: -15, y: 5 },
      { ...key, form: 'RING' as const }
    ],
    slide: []
  };
  const both = [
    { token: 'T', left: true },
    { token: '1', left: true }
  ];
  expect(shown(drawing, both).behind).toEqual([back]);
  expect(shown(drawing, both).body).toHaveLength(2);
  expect(shown(drawing, both.slice(1)).behind).toEqual([]);
  expect(shown(drawing, both.slice(1)).body.map((b) => b.path)).toEqual(['M1 5L2 6Z']);
});

test('where a key lies is seen, so its word is not written on it', () => {
  expect(letter('side 3')).toBe('3');
  expect(letter('G♯')).toBe('G♯');
});
