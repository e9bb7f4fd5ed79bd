import { expect, test } from 'vitest';
import { draft } from './draft';
import { bars, events, shaken, shakes, type Lane, type Plan } from './lanes';

const note = (i: number) => ({
  id: `n${i}`,
  tied: [],
  bar: Math.floor(i / 4),
  quarter: 0.5,
  seconds: i % 4 === 3 ? 1 : 0.25,
  holds: [{ finger: 'L1', key: '', keyName: '', unheard: false }]
});
const plan = {
  notes: Array.from({ length: 40 }, (_, i) => note(i)),
  moves: [],
  missing: []
} as unknown as Plan;

test('before it is engraved every note has its place, from left to right, bars whole', () => {
  const lines = draft(plan, 800);
  expect(lines.length).toBeGreaterThan(1);
  expect(lines.flatMap((l) => l.spots.map((s) => s.id))).toEqual(plan.notes.map((n) => n.id));
  for (const l of lines) {
    const xs = l.spots.map((s) => s.x);
    expect([...xs].sort((a, b) => a - b)).toEqual(xs);
    expect(Math.max(...xs)).toBeLessThan(l.right);
    const first = plan.notes.find((n) => n.id === l.spots[0]!.id)!;
    expect(plan.notes.indexOf(first) % 4, 'a line begins with a bar').toBe(0);
  }
});

test('lanes are drawn from it as from the engraved line', () => {
  const line = draft(plan, 800)[0]!;
  const lane = { finger: 'L1', label: '1', gapAbove: false } as Lane;
  const all = events(line, plan);
  expect(all.length).toBe(line.spots.length);
  expect(bars(all, [lane]).bars.length).toBe(1);
});

test('a note without a fingering breaks the bar of a finger', () => {
  const line = {
    width: 400,
    height: 90,
    right: 380,
    spots: [0, 1, 2].map((i) => ({ id: `n${i}`, kind: 'note' as const, x: 100 + i * 50, staff: 1 }))
  };
  const some = {
    ...plan,
    notes: [plan.notes[0]!, plan.notes[2]!],
    missing: [{ id: 'n1', shown: 'E♭5', barNumber: '1', sentence: '' }]
  };
  const all = events(line, some);
  expect(all.map((e) => [e.note.id, e.joined])).toEqual([
    ['n0', false],
    ['n2', false]
  ]);
});

test('the finger that trills goes to and fro in its own lane, from its note to the next', () => {
  const line = draft(plan, 800)[0]!;
  const trilled = {
    ...plan,
    notes: plan.notes.map((n, i) =>
      i === 1 ? { ...n, trill: [{ moving: [{ finger: 'R2', key: 'tr1', lower: false }] }] } : n
    )
  } as unknown as Plan;
  const lanes = ['L1', 'R2'].map((finger) => ({ finger, label: '', gapAbove: false })) as Lane[];
  const all = events(line, trilled);
  const found = shakes(all, lanes);
  expect(found.map((s) => [s.lane, s.x, s.key, s.down])).toEqual([[1, all[1]!.x, 'tr1', false]]);
  expect(found[0]!.end).toBeLessThan(all[2]!.x);
  const steps = shaken({ ...found[0]!, x: 100, end: 160, key: '' }, 0);
  expect(steps.match(/l/g)!.length).toBe(18);
});
