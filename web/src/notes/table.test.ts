import { beforeEach, expect, test, vi } from 'vitest';

const calls = vi.hoisted(() => ({ get: vi.fn(), put: vi.fn() }));
vi.mock('../api/client', () => ({
  api: { GET: calls.get, PUT: calls.put },
  asked: (answer: unknown) => answer,
  sentence: (e: Error) => e.message
}));
import { Table } from './table.svelte';

const way = (fingering: string, more = {}) => ({
  fingering,
  role: 'STANDARD',
  purposes: [],
  own: false,
  hidden: false,
  house: false,
  words: '',
  ...more
});
const note = (written: string, midi: number, ...ways: object[]) => ({
  written,
  shown: written,
  midi,
  ways
});
const trumpet = {
  id: 'trumpet',
  kind: 'VALVES',
  notes: [
    note('C4', 60, way('0')),
    note('D4', 62, way('1 3'), way('x', { role: 'SPECIAL' })),
    note('E4', 64, way('1 2'), way('3', { role: 'ALTERNATE', purposes: ['INTONATION'] })),
    note('G4', 67, way('0'), way('1 3', { role: 'ALTERNATE', purposes: ['INTONATION'] }))
  ]
};

beforeEach(() => {
  calls.get.mockReset();
  calls.put.mockReset();
  calls.get.mockImplementation(async (path: string) =>
    path === '/api/instruments' ? [{ id: 'trumpet' }] : trumpet
  );
});

async function open(at = '') {
  const t = new Table();
  await t.open('trumpet', at);
  return t;
}

test('it opens at the note that is named, however it is spelled', async () => {
  expect((await open('Fb4')).note?.written).toBe('E4');
  expect((await open()).note?.written).toBe('D4');
});

test('of those that are shown one goes through them alone, and through no note without', async () => {
  const t = await open('E4');
  t.turn(1);
  expect(t.way?.fingering).toBe('3');
  t.show('INTONATION');
  expect(t.ways.map((w) => w.fingering)).toEqual(['3']);
  expect([...t.marked]).toEqual([64, 67]);
  t.step(1);
  expect([t.note?.written, t.way?.fingering]).toEqual(['G4', '1 3']);
  t.step(-1);
  t.step(-1);
  expect(t.note?.written).toBe('E4');
});

test('a note stays chosen when an option changes, and what was marked to compare', async () => {
  const t = await open('G4');
  t.compare(t.way!);
  await t.option('valves', '4');
  expect(calls.get.mock.lastCall![1].params.query).toEqual({ set: ['valves=4'] });
  expect(t.note?.written).toBe('G4');
  expect(t.isMarked(t.way!)).toBe(true);
  t.compare(t.way!);
  expect(t.mark).toBeUndefined();
});

test('what the house changes can be put back as it was', async () => {
  const t = await open('E4');
  const before = t.ways[1]!;
  await t.change(t.note!, before, { house: true }, 'The standard of this house.');
  expect(calls.put.mock.lastCall![1].body).toMatchObject({ note: 'E4', house: true });
  expect(t.said).toBe('The standard of this house.');
  await t.undo!();
  expect(calls.put.mock.lastCall![1].body).toMatchObject({ note: 'E4', house: false });
  expect(t.undo).toBeUndefined();
});

test('what can not be changed is told, and offers no way back', async () => {
  calls.put.mockRejectedValue(new Error('A note keeps one fingering.'));
  const t = await open('C4');
  await t.change(t.note!, t.way!, { hidden: true }, 'Hidden.');
  expect(t.problem).toBe('A note keeps one fingering.');
  expect([t.said, t.undo]).toEqual(['', undefined]);
});

test('the fingering that is looked at stays so when the house puts them in another order', async () => {
  const t = await open('E4');
  t.turn(1);
  const swapped = {
    ...trumpet,
    notes: trumpet.notes.map((n) => ({ ...n, ways: [...n.ways].reverse() }))
  };
  calls.get.mockImplementation(async () => swapped);
  await t.load();
  expect([t.way?.fingering, t.at]).toEqual(['3', 0]);
});
