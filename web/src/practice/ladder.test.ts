import { describe, expect, test } from 'vitest';
import type { Schemas } from '../api/client';
import { log, plot } from './ladder';

const run = (day: string, quarters: number, clean = true) => ({
  id: 1,
  day,
  ago: '',
  quarters,
  clean
});
const ladder: Schemas['LadderView'] = {
  start: 60,
  goal: 75,
  full: 100,
  now: 65,
  clean: 0,
  needed: 3,
  secured: 60,
  expected: '',
  plateau: [],
  days: [
    { day: '2026-03-02', secured: 0 },
    { day: '2026-03-06', secured: 60 },
    { day: '2026-03-12', secured: 80 }
  ],
  runs: [
    run('2026-03-02', 60, false),
    run('2026-03-06', 60),
    run('2026-03-06', 60),
    run('2026-03-12', 80)
  ]
};

describe('the log of a ladder', () => {
  test('has a line for each day, the last one first', () => {
    expect(log(ladder)).toEqual([
      { day: '2026-03-12', clean: 1, missed: 0, from: 80, to: 80, secured: 80 },
      { day: '2026-03-06', clean: 2, missed: 0, from: 60, to: 60, secured: 60 },
      { day: '2026-03-02', clean: 0, missed: 1, from: 60, to: 60, secured: 0 }
    ]);
  });
});

describe('the plot of a ladder', () => {
  test('is empty before anything was played', () => {
    expect(plot({ ...ladder, runs: [], days: [] }, 75, 100, 40)).toBeUndefined();
  });
  test('has the slowest at its bottom and the tempo at its top', () => {
    const p = plot(ladder, 75, 100, 40)!;
    expect(p.marks).toEqual([
      { x: 0, y: 40, clean: false },
      { x: 40, y: 40, clean: true },
      { x: 100, y: 20, clean: true }
    ]);
    expect(p.goals).toEqual([
      { y: 25, quarters: 75 },
      { y: 0, quarters: 100 }
    ]);
  });
  test('puts a clean run beside one that was not', () => {
    const runs = [run('2026-03-02', 60), run('2026-03-02', 60, false)];
    const p = plot({ ...ladder, runs, days: [] }, 75, 60, 40)!;
    expect(p.marks.map((m) => m.x)).toEqual([-4.5, 4.5]);
  });
  test('goes up in steps from the first clean tempo on', () => {
    expect(plot(ladder, 75, 100, 40)!.line).toBe('40.0,40.0 100.0,40.0 100.0,20.0');
  });
  test('of one day has room for a week', () => {
    const p = plot({ ...ladder, runs: [run('2026-03-02', 60)], days: [] }, 75, 60, 40)!;
    expect(p.marks[0]!.x).toBe(0);
    expect(p.days).toEqual(['2026-03-02', '2026-03-02']);
  });
});
