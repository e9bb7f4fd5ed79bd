import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Marks, type Press } from './pending';
import { Queue } from './queue.svelte';

class Refused extends Error {}
const kept = new Map<string, string>();
beforeEach(() => {
  vi.useFakeTimers();
  kept.clear();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    removeItem: (k: string) => kept.delete(k)
  });
});
afterEach(() => vi.useRealTimers());

const press = (mark: string, studentId = 1): Press => ({
  studentId,
  item: 0,
  grade: 'SECURE',
  remark: '',
  notes: [],
  mark
});
const queue = (send: (p: Press) => Promise<string>, arrived: string[] = []) =>
  new Queue<Press, string>(
    'check-7',
    send,
    (p) => arrived.push(p.mark),
    (e) => (e instanceof Refused ? e.message : undefined),
    (e) => (e as Error).message
  );

test('a mark that finds no answer waits and is sent again', async () => {
  let up = false;
  const arrived: string[] = [];
  const q = queue(async () => {
    if (!up) throw new Error('Sempre does not answer.');
    return 'ok';
  }, arrived);
  q.add(press('a'));
  q.add(press('b'));
  await q.flush();
  expect(q.problem).toBe('Sempre does not answer.');
  expect(q.waiting.length).toBe(2);
  expect(JSON.parse(kept.get('sempre-wait//check-7')!).length, 'kept over a closed tab').toBe(2);
  up = true;
  await vi.advanceTimersByTimeAsync(4000);
  expect(arrived).toEqual(['a', 'b']);
  expect(q.problem).toBe('');
  expect(kept.size).toBe(0);
});

test('a mark that is refused is told and holds nothing up', async () => {
  const arrived: string[] = [];
  const q = queue(async (p) => {
    if (p.studentId === 2) throw new Refused('This student is not here any more.');
    return 'ok';
  }, arrived);
  q.add(press('gone', 2));
  q.add(press('after'));
  await q.flush();
  expect(arrived).toEqual(['after']);
  expect(q.refused.map((r) => r.because)).toEqual(['This student is not here any more.']);
  expect(q.waiting).toEqual([]);
});

test('after the page is left nothing is sent again, and nothing is lost', async () => {
  let tries = 0;
  const q = queue(async () => {
    tries++;
    throw new Error('Sempre does not answer.');
  });
  q.add(press('a'));
  await q.flush();
  q.stop();
  await vi.advanceTimersByTimeAsync(60_000);
  expect(tries).toBe(1);
  expect(queue(async () => 'ok').waiting.map((p) => p.mark)).toEqual(['a']);
});

test('two calls send each mark once', async () => {
  const sent: string[] = [];
  const q = queue(async (p) => {
    sent.push(p.mark);
    return 'ok';
  });
  q.add(press('a'));
  q.add(press('b'));
  await Promise.all([q.flush(), q.flush()]);
  expect(sent).toEqual(['a', 'b']);
});

test('two tabs of one check keep what each has not sent', async () => {
  let up = false;
  const send = async () => {
    if (!up) throw new Error('Sempre does not answer.');
    return 'ok';
  };
  const [one, other] = [queue(send), queue(send)];
  one.add(press('a'));
  other.add(press('b'));
  expect(queue(send).waiting.map((p) => p.mark)).toEqual(['a', 'b']);
  up = true;
  await one.flush();
  expect(queue(send).waiting.map((p) => p.mark)).toEqual(['b']);
});

test('a press that failed keeps its name until it is written down', () => {
  const marks = new Marks();
  const first = marks.of('G4 SECURE');
  expect(marks.of('G4 SHAKY')).not.toBe(first);
  expect(marks.of('G4 SECURE')).toBe(first);
  marks.written('G4 SECURE');
  expect(marks.of('G4 SECURE')).not.toBe(first);
});
