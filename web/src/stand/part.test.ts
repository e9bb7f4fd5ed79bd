import { beforeEach, expect, test, vi } from 'vitest';

const calls = vi.hoisted(() => ({ get: vi.fn(), post: vi.fn() }));
vi.mock('../api/client', () => ({
  api: { GET: calls.get, POST: calls.post },
  asked: (answer: unknown) => answer,
  sentence: (e: Error) => e.message
}));
import { Part } from './part.svelte';

const note = (id: string, more = {}) => ({ id, bar: 0, isNew: false, holds: [], ...more });
const plan = (...notes: object[]) => ({ notes, moves: [], newNotes: [], missing: [] });
const view = (notes: object[], more = {}) => ({
  plan: plan(...notes),
  given: [],
  bars: ['1', '2', '3', '4'],
  lanes: [],
  ...more
});

beforeEach(() => {
  calls.get.mockReset();
  calls.post.mockReset();
});

test('the first note that is new is looked at, and what is given is chosen', async () => {
  const given = [{ from: 1, to: 2, tempo: 72 }];
  calls.get.mockResolvedValue(view([note('a'), note('b', { isNew: true })], { given }));
  const part = new Part();
  await part.load(1, 2);
  expect(part.chosen).toBe('b');
  expect(part.bars.ends).toEqual([1, 2]);
  expect(part.tempo).toBe(72);
});

test('an answer for a part that was left is dropped', async () => {
  let late!: (v: object) => void;
  calls.get.mockReturnValueOnce(new Promise((done) => (late = done)));
  calls.get.mockResolvedValueOnce(view([note('second')]));
  const part = new Part();
  const first = part.load(1, 2);
  await part.load(1, 3);
  late(view([note('first')]));
  await first;
  expect(part.notes.map((n) => n.id)).toEqual(['second']);
});

test('a choice that fails is told, and the plan stays', async () => {
  calls.get.mockResolvedValue(view([note('a', { locked: false, fingering: '1' })]));
  calls.post.mockRejectedValue(new Error('Sempre does not answer.'));
  const part = new Part();
  await part.load(1, 2);
  await part.undo();
  expect(part.problem).toBe('Sempre does not answer.');
  expect(part.notes.map((n) => n.id)).toEqual(['a']);
  expect(part.busy).toBe(false);
});

test('after a choice one looks at a note that has changed', async () => {
  calls.get.mockResolvedValue(view([note('a'), note('b')]));
  calls.post.mockResolvedValue({
    plan: plan(note('a'), note('b')),
    sentence: 'Taken back.',
    changes: [{ noteId: 'b' }]
  });
  const part = new Part();
  await part.load(1, 2);
  await part.undo();
  expect([part.chosen, part.said]).toEqual(['b', 'Taken back.']);
});

test('past the last fingering that is offered come those that are far off', async () => {
  const alternatives = [{ farOff: false }, { farOff: true }];
  calls.get.mockResolvedValue(view([note('a', { alternatives })]));
  const part = new Part();
  await part.load(1, 2);
  part.look(1);
  expect([part.looked, part.all]).toEqual([0, false]);
  part.look(1);
  expect([part.looked, part.all]).toEqual([1, true]);
  part.look(1);
  expect(part.looked).toBe(1);
  part.look(-1);
  part.look(-1);
  expect(part.looked).toBe(-1);
});
