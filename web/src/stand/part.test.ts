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
  expect(part.door.busy).toBe(false);
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

/** answers that come when the test says so */
function slowly() {
  const answers: { done: (v: object) => void; fail: (e: Error) => void }[] = [];
  calls.post.mockImplementation(() => new Promise((done, fail) => answers.push({ done, fail })));
  return answers;
}
const settled = () => new Promise((done) => setTimeout(done));

test('six quick presses keep six fingerings, in their order, and are seen at once', async () => {
  const six = ['a', 'b', 'c', 'd', 'e', 'f'];
  const open = six.map((id) => note(id, { locked: false, fingering: '1', label: 'first' }));
  calls.get.mockResolvedValue(view(open));
  const answers = slowly();
  const part = new Part();
  await part.load(1, 2);
  for (const id of six) {
    part.choose(id);
    part.keep();
  }
  expect(part.notes.map((n) => n.locked)).toEqual(six.map(() => true));
  for (let i = 0; i < six.length; i++) {
    await settled();
    expect(answers.length).toBe(i + 1);
    answers[i]!.done({
      plan: plan(...six.map((id, n) => note(id, { locked: n <= i }))),
      sentence: '',
      changes: [{ noteId: six[i] }]
    });
  }
  await settled();
  expect(calls.post.mock.calls.map((c) => c[1].body.noteId)).toEqual(six);
  expect(part.notes.every((n) => n.locked)).toBe(true);
  expect([part.door.waiting, part.chosen]).toEqual([0, 'f']);
});

test('a late answer does not take a teacher back who looks at another note by then', async () => {
  calls.get.mockResolvedValue(view([note('a'), note('b'), note('c')]));
  const answers = slowly();
  const part = new Part();
  await part.load(1, 2);
  void part.undo();
  part.choose('c');
  await settled();
  answers[0]!.done({
    plan: plan(note('a'), note('b'), note('c')),
    sentence: 'Taken back.',
    changes: [{ noteId: 'b' }]
  });
  await settled();
  expect([part.chosen, part.said]).toEqual(['c', 'Taken back.']);
});

test('what waits behind a choice that fails is not sent, and is counted', async () => {
  calls.get.mockResolvedValue(view([note('a', { locked: false, fingering: '1' })]));
  const answers = slowly();
  const part = new Part();
  await part.load(1, 2);
  part.keep();
  void part.undo();
  await settled();
  answers[0]!.fail(new Error('Sempre does not answer.'));
  await settled();
  expect(calls.post).toHaveBeenCalledTimes(1);
  expect(part.problem).toBe('Sempre does not answer. The next change was not sent either.');
  expect(part.notes[0]!.locked).toBe(false);
});
