import { beforeEach, expect, test, vi } from 'vitest';
import { Kept, read, write } from './kept.svelte';

const stored = new Map<string, string>();
beforeEach(() => {
  stored.clear();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => stored.get(k) ?? null,
    setItem: (k: string, v: string) => stored.set(k, v),
    removeItem: (k: string) => stored.delete(k)
  });
});

test('a choice holds over visits, and until then the fallback', () => {
  const first = new Kept('size', 2);
  expect([first.value, first.chosen]).toEqual([2, false]);
  first.value = 5;
  const next = new Kept('size', 2);
  expect([next.value, next.chosen]).toEqual([5, true]);
});

test('what is stored and can’t be read counts as nothing', () => {
  stored.set('sempre-size', '{half');
  expect(new Kept('size', 2).value).toBe(2);
});

test('without storage a choice holds for this visit', () => {
  vi.stubGlobal('localStorage', {
    getItem: () => {
      throw new Error('denied');
    },
    setItem: () => {
      throw new Error('full');
    }
  });
  const kept = new Kept('size', 2);
  kept.value = 7;
  expect(kept.value).toBe(7);
});

test('nothing kept leaves nothing behind', () => {
  write('list', [1]);
  expect(read('list')).toEqual([1]);
  write('list', undefined);
  expect(stored.size).toBe(0);
});
