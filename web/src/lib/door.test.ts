import { beforeEach, expect, test } from 'vitest';
import { Door } from './door.svelte';
import { lost } from './lost.svelte';

const later = <T>(value: T, ms: number) =>
  new Promise<T>((done) => setTimeout(() => done(value), ms));
const fails = async (ms: number): Promise<string> => {
  await later('', ms);
  throw new Error('Sempre does not answer.');
};

beforeEach(() => lost.read());

test('changes are sent in the order in which they were pressed, one after the other', async () => {
  const door = new Door();
  const log: string[] = [];
  const send = (name: string, ms: number) =>
    door.change(
      () => {
        log.push('sent ' + name);
        return later(name, ms);
      },
      (answer) => log.push('answered ' + answer)
    );
  await Promise.all([send('slow', 30), send('quick', 1)]);
  expect(log).toEqual(['sent slow', 'answered slow', 'sent quick', 'answered quick']);
  expect(door.waiting).toBe(0);
});

test('an answer for the student before counts no more, though the change is sent', async () => {
  const door = new Door();
  const shown: string[] = [];
  const done = door.change(
    () => later('flute', 10),
    (a) => shown.push(a)
  );
  door.next();
  expect(await done).toBe(true);
  expect(shown).toEqual([]);
});

test('a change that fails after its page was left is told where the teacher is now', async () => {
  const door = new Door();
  const done = door.change(() => fails(5));
  door.next();
  expect(await done).toBe(false);
  expect(door.problem).toBe('');
  expect(lost.told).toEqual(['Sempre does not answer.']);
});

test('a failure of one form does not hold up the next', async () => {
  const door = new Door();
  const shown: string[] = [];
  void door.change(() => fails(1));
  await door.change(
    () => later('saved', 1),
    (a) => shown.push(a)
  );
  expect(shown).toEqual(['saved']);
  expect(door.problem).toBe('Sempre does not answer.');
});

test('in a chain what was pressed behind a failure is not sent; what is pressed later is', async () => {
  const door = new Door(true);
  let undone = 0;
  const undo = () => door.change(async () => ++undone);
  const first = door.change(() => fails(1));
  const second = undo();
  expect([await first, await second, undone]).toEqual([false, false, 0]);
  expect(await undo()).toBe(true);
  expect([undone, door.problem]).toEqual([1, '']);
});

test('an answer that never comes is told, and the next change is sent', async () => {
  const door = new Door(false, 20);
  expect(await door.change(() => new Promise(() => {}))).toBe(false);
  expect(door.problem).toMatch(/too long/);
  expect(await door.change(() => later('here', 1))).toBe(true);
});
