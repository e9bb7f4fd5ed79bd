import { expect, test } from 'vitest';
import { Selection } from './selection.svelte';

const of = (bars: number) => new Selection(() => bars);

test('the first key chooses the bar where one is, the next ones move its end', () => {
  const s = of(8);
  expect(s.ends).toBeUndefined();
  s.move(1, 3);
  expect(s.ends).toEqual([3, 3]);
  s.move(1, 3);
  s.move(1, 3);
  expect(s.ends).toEqual([3, 5]);
  s.move(-1, 3);
  expect(s.ends).toEqual([3, 4]);
});

test('the end that moves passes the one that stays', () => {
  const s = of(8);
  for (const by of [1, -1, -1]) s.move(by, 3);
  expect(s.ends).toEqual([1, 3]);
});

test('it stops at the first and the last bar', () => {
  const s = of(4);
  for (let i = 0; i < 9; i++) s.move(1, 2);
  expect(s.ends).toEqual([2, 3]);
  for (let i = 0; i < 9; i++) s.move(-1, 2);
  expect(s.ends).toEqual([0, 2]);
});

test('what is given is chosen, unless it is all there is', () => {
  const s = of(8);
  s.set(2, 5);
  expect(s.ends).toEqual([2, 5]);
  s.move(1, 0);
  expect(s.ends).toEqual([2, 6]);
  s.set(0, 7);
  expect(s.ends).toBeUndefined();
});
