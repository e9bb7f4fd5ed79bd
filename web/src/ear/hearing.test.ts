import { afterEach, beforeEach, expect, test, vi } from 'vitest';

const calls = vi.hoisted(() => ({ get: vi.fn(), post: vi.fn() }));
vi.mock('../api/client', () => ({
  api: { GET: calls.get, POST: calls.post },
  asked: (answer: unknown) => answer,
  refusal: (e: Error) => (e.message.startsWith('no: ') ? e.message : undefined),
  sentence: (e: Error) => e.message
}));
import { Hearing } from './hearing.svelte';

const note = (id: string, written: string, label = 'standard') => ({
  id,
  written,
  shown: written,
  label,
  fingering: 'T',
  barNumber: '1'
});
const notes = [note('1', 'G4'), note('2', 'A4'), note('3', 'G4'), note('4', 'B4')];
const kept = new Map<string, string>();

beforeEach(() => {
  vi.useFakeTimers();
  kept.clear();
  calls.get.mockReset();
  calls.post.mockReset();
  calls.get.mockResolvedValue({ plan: { notes } });
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    removeItem: (k: string) => kept.delete(k)
  });
});
afterEach(() => vi.useRealTimers());

async function hearing() {
  const h = new Hearing();
  await h.load(1, 2);
  return h;
}
/** What was sent to be written down, in order. */
const sent = () =>
  calls.post.mock.calls
    .filter(([path]) => path.endsWith('/heard'))
    .map(([, { body }]) => `${body[0].written} ${body[0].grade} ${body[0].remark}`.trim());

test('each note with its fingering is heard once, wherever it stands', async () => {
  const h = await hearing();
  expect(h.tasks.map((t) => t.ids)).toEqual([['1', '3'], ['2'], ['4']]);
  h.toNote('3');
  expect(h.at).toBe(0);
});

test('a grade counts at once, with its remark, and the next note that has none is asked', async () => {
  calls.post.mockReturnValue(new Promise(() => {}));
  const h = await hearing();
  h.at = 1;
  h.remark = ' thin ';
  h.grade('SHAKY');
  expect(h.grades.get('A4 standard')).toBe('SHAKY');
  expect([h.at, h.remark, h.left]).toEqual([2, '', 2]);
  expect(sent()).toEqual(['A4 SHAKY thin']);
});

test('what finds no answer waits over a closed tab, and is sent by the next', async () => {
  calls.post.mockRejectedValue(new Error('Sempre does not answer.'));
  const h = await hearing();
  h.grade('SECURE');
  h.grade('NOT_YET');
  await vi.advanceTimersByTimeAsync(0);
  expect(h.problem).toContain('Sempre does not answer.');
  h.leave();
  calls.post.mockReset();
  calls.post.mockResolvedValue([9]);
  const again = await hearing();
  expect([...again.grades]).toEqual([
    ['G4 standard', 'SECURE'],
    ['A4 standard', 'NOT_YET']
  ]);
  await vi.advanceTimersByTimeAsync(0);
  expect(sent()).toEqual(['G4 SECURE', 'A4 NOT_YET']);
  expect(kept.size).toBe(0);
});

test('what is refused is told, and counts no more', async () => {
  calls.post.mockRejectedValueOnce(new Error('no: gone')).mockResolvedValue([4]);
  const h = await hearing();
  h.grade('SECURE');
  h.grade('SECURE');
  await vi.advanceTimersByTimeAsync(0);
  expect(h.queue!.refused.map((r) => r.press.written)).toEqual(['G4']);
  expect([...h.grades.keys()]).toEqual(['A4 standard']);
});

test('a grade that is on its way is taken back when it has arrived', async () => {
  let arrive!: (ids: number[]) => void;
  calls.post.mockReturnValueOnce(new Promise((done) => (arrive = done))).mockResolvedValue([]);
  const h = await hearing();
  h.grade('SECURE');
  const back = h.takeBack(h.heard);
  arrive([31]);
  await back;
  expect(calls.post.mock.lastCall![1].body).toEqual({ ids: [31] });
  expect([h.heard.length, h.at]).toEqual([0, 0]);
});

test('the rest is secure, and all of it can be taken back', async () => {
  let id = 0;
  calls.post.mockImplementation(async (path: string) => (path.endsWith('/heard') ? [++id] : []));
  const h = await hearing();
  h.grade('SHAKY');
  h.rest();
  await vi.advanceTimersByTimeAsync(0);
  expect(sent()).toEqual(['G4 SHAKY', 'A4 SECURE', 'B4 SECURE']);
  await h.takeBack(h.heard);
  expect(calls.post.mock.lastCall![1].body).toEqual({ ids: [1, 2, 3] });
  expect(h.left).toBe(3);
});

test('what is taken back while the server does not answer is not sent later', async () => {
  let fail!: (e: Error) => void;
  calls.post.mockReturnValueOnce(new Promise((_, no) => (fail = no))).mockResolvedValue([1]);
  const h = await hearing();
  h.grade('SECURE');
  const back = h.takeBack(h.heard);
  fail(new Error('Sempre does not answer.'));
  await back;
  await vi.advanceTimersByTimeAsync(60_000);
  expect(calls.post).toHaveBeenCalledTimes(1);
  expect([h.heard.length, kept.size]).toEqual([0, 0]);
});
