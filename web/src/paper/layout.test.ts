import { expect, test } from 'vitest';
import { levels, pages, roomiest, wide } from './layout';

test('what would touch goes a row down, and up again where there is room', () => {
  const items = [10, 20, 30, 60].map((x) => ({ x, width: 12 }));
  expect(levels(items, 2)).toEqual([0, 1, 0, 0]);
});

test('three that lie close take three rows', () => {
  expect(
    levels(
      [10, 14, 18].map((x) => ({ x, width: 12 })),
      1
    )
  ).toEqual([0, 1, 2]);
});

test('no two on one row touch, whatever their places and widths', () => {
  let seed = 7;
  const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  for (let n = 0; n < 200; n++) {
    let x = 0;
    const items = Array.from({ length: 30 }, () => ({
      x: (x += 2 + random() * 25),
      width: 4 + random() * 30
    }));
    const rows = levels(items, 1);
    items.forEach((a, i) =>
      items.slice(i + 1).forEach((b, j) => {
        if (rows[i] === rows[i + 1 + j])
          expect(b.x - b.width / 2 - (a.x + a.width / 2)).toBeGreaterThanOrEqual(1 - 1e-9);
      })
    );
  }
});

const staves = (n: number, ...rests: number[]) =>
  Array.from({ length: n }, (_, i) => ({ height: 20, rest: rests.includes(i) }));

test('what fits stands on one page', () => {
  expect(pages(staves(5), 100, 120)).toEqual([5]);
});

test('a page is filled, the next have more room than the first', () => {
  expect(pages(staves(12), 100, 120)).toEqual([5, 6, 1]);
});

test('one turns at a rest in the last third of a page', () => {
  expect(pages(staves(8, 3), 100, 120)).toEqual([4, 4]);
  expect(pages(staves(8, 1), 100, 120), 'too early').toEqual([5, 3]);
});

test('a line that is higher than a page has one to itself', () => {
  expect(
    pages(
      [
        { height: 300, rest: false },
        { height: 20, rest: false }
      ],
      100,
      120
    )
  ).toEqual([1, 1]);
});

test('a flat is wider than a one', () => {
  expect(wide('B♭')).toBeGreaterThan(wide('11'));
});

test('few notes stand far apart, many close, and pictures take their room', () => {
  const a4 = { width: 186, height: 273 };
  expect(roomiest(25, 1, 36, a4, 7.5)).toBe(2);
  expect(roomiest(120, 0, 36, a4, 7.5)).toBe(0);
  expect(roomiest(62, 0, 36, a4, 7.5)).toBeGreaterThan(roomiest(62, 3, 36, a4, 7.5));
});
