import { beforeEach, expect, test, vi } from 'vitest';

const calls = vi.hoisted(() => ({ get: vi.fn(), post: vi.fn() }));
vi.mock('../api/client', () => ({
  api: { GET: calls.get, POST: calls.post },
  asked: (answer: unknown) => answer,
  refusal: () => undefined,
  sentence: (e: Error) => e.message
}));
import { Marking } from './marking.svelte';

const cell = (more = {}) => ({ asked: true, grade: 'OPEN', notes: 'G4', each: [], ...more });
const row = (id: number, cells: object[], more = {}) => ({
  student: { id, name: `S${id}` },
  absent: false,
  cells,
  ...more
});
const check = (...rows: object[]) => ({
  finished: false,
  items: [
    { shown: 'G', words: '' },
    { shown: 'A', words: '' }
  ],
  rows
});
const at = (m: Marking) => [m.row, m.item];

beforeEach(() => {
  calls.get.mockReset();
  calls.post.mockReset();
  calls.post.mockReturnValue(new Promise(() => {}));
  vi.stubGlobal('document', { hidden: false });
  vi.stubGlobal('localStorage', { getItem: () => null, setItem() {}, removeItem() {} });
});

async function marking(...rows: object[]) {
  calls.get.mockResolvedValueOnce(check(...rows));
  const m = new Marking();
  await m.load(7);
  return m;
}

test('it begins with the first who is there and not marked', async () => {
  const m = await marking(
    row(1, [cell({ grade: 'SECURE' }), cell({ grade: 'SHAKY' })]),
    row(2, [cell(), cell()], { absent: true }),
    row(3, [cell({ asked: false }), cell()])
  );
  expect(at(m)).toEqual([2, 1]);
  expect(m.open).toBe(1);
});

test('it goes on student by student, or note by note', async () => {
  const rows = () => [row(1, [cell(), cell()]), row(2, [cell(), cell()])];
  const m = await marking(...rows());
  m.grade('SECURE');
  expect(at(m)).toEqual([0, 1]);
  const n = await marking(...rows());
  n.byNote = true;
  n.grade('SECURE');
  expect(at(n)).toEqual([1, 0]);
});

test('a grade below secure for several notes is asked which of them it is for', async () => {
  const each = [
    { written: 'G4', shown: 'G4' },
    { written: 'A4', shown: 'A4' }
  ];
  const m = await marking(row(1, [cell({ each }), cell()]));
  m.grade('SHAKY');
  expect([m.asking, ...at(m)]).toEqual(['SHAKY', 0, 0]);
  m.pick('A4');
  m.grade('SHAKY');
  expect(m.asking).toBeUndefined();
  expect(m.pending.map((p) => p.notes)).toEqual([['A4']]);
  expect(m.said).toContain('A4');
});

test('what another has marked is seen, unless something was marked here meanwhile', async () => {
  const m = await marking(row(1, [cell(), cell()]));
  let answer!: (v: object) => void;
  calls.get.mockReturnValueOnce(new Promise((done) => (answer = done)));
  const looking = m.look();
  m.grade('SECURE');
  answer(check(row(1, [cell({ grade: 'NOT_YET' }), cell()])));
  await looking;
  expect(m.gradeOf(m.view!.rows[0]!, 0)).toBe('SECURE');
});

test('who is absent is passed over at once, however slow the answer is', async () => {
  const m = await marking(row(1, [cell(), cell()]), row(2, [cell(), cell()]));
  void m.absent();
  expect(at(m)).toEqual([1, 0]);
  expect(m.open).toBe(2);
});
