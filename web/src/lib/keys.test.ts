import { beforeEach, expect, test, vi } from 'vitest';

// a page is left when the test says so
const left: (() => void)[] = [];
vi.mock('svelte', async (real) => ({
  ...(await real<typeof import('svelte')>()),
  onDestroy: (f: () => void) => left.push(f)
}));
import { letters, listed, pageKeys, pressed } from './keys.svelte';

const press = (key: string, more: Partial<KeyboardEvent> = {}) => {
  const e = {
    key,
    target: null,
    defaultPrevented: false,
    preventDefault() {
      (this as { defaultPrevented: boolean }).defaultPrevented = true;
    },
    ...more
  } as unknown as KeyboardEvent;
  pressed(e);
  return e.defaultPrevented;
};

beforeEach(() => {
  left.splice(0).forEach((f) => f());
  letters.value = true;
  vi.stubGlobal('document', { querySelector: () => null });
  vi.stubGlobal('Element', class {});
});

test('the innermost page that has a key gets it, and the others get what it leaves', () => {
  const done: string[] = [];
  pageKeys('Everywhere', [{ on: ['k', 'g'], act: (key) => done.push('outer ' + key) }]);
  pageKeys('Stand', [{ on: 'k', act: () => done.push('inner k') }]);
  expect([press('k'), press('g'), press('z')]).toEqual([true, true, false]);
  expect(done).toEqual(['inner k', 'outer g']);
});

test('a key that is not there now, or is left to the browser, is not taken', () => {
  pageKeys('Stand', [
    { on: 'Enter', act: () => false },
    { on: 'u', when: () => false, act: () => true }
  ]);
  expect([press('Enter'), press('u')]).toEqual([false, false]);
});

test('shift makes another key of an arrow, but not of a sign that needs it', () => {
  const done: string[] = [];
  pageKeys('Stand', [
    { on: 'ArrowLeft', act: () => done.push('left') },
    { on: 'Shift+ArrowLeft', act: () => done.push('bars') },
    { on: '+', act: () => done.push('larger') }
  ]);
  press('ArrowLeft', { shiftKey: true });
  press('+', { shiftKey: true });
  press('ArrowLeft');
  expect(done).toEqual(['bars', 'larger', 'left']);
});

test('letters, digits and signs can be switched off; arrows, space and Enter stay', () => {
  pageKeys('Ear', [{ on: ['1', 'a', '?', ' ', 'Enter', 'ArrowUp'], act: () => true }]);
  letters.value = false;
  const taken = ['1', 'a', '?', ' ', 'Enter', 'ArrowUp'].filter((k) => press(k));
  expect(taken).toEqual([' ', 'Enter', 'ArrowUp']);
});

test('what is pressed with a modifier, or has been taken, is left alone', () => {
  pageKeys('Ear', [{ on: 'a', act: () => true }]);
  expect(press('a', { ctrlKey: true })).toBe(false);
  let done = 0;
  pageKeys('Ear', [{ on: 'b', act: () => done++ }]);
  press('b', { defaultPrevented: true });
  expect(done).toBe(0);
});

test('the list shows the pages that are open, and only keys with words', () => {
  pageKeys('Stand', [
    { on: 'k', words: 'keep it', act: () => true },
    { on: 'Home', act: () => true }
  ]);
  expect(listed().map((p) => [p.name, p.keys.map((k) => k.words)])).toEqual([
    ['Stand', ['keep it']]
  ]);
  left.splice(0).forEach((f) => f());
  expect(listed()).toEqual([]);
});
