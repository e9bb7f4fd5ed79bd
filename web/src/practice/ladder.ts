import type { Schemas } from '../api/client';

type Ladder = Schemas['LadderView'];

const DAY = 86_400_000;

/** How far two marks are from the middle that would cover each other. */
const BESIDE = 4.5;

/** Days of a plot, at least so many. */
const LEAST_DAYS = 7;

/** A run in a plot; of several alike on one day there is one mark. */
interface Mark {
  x: number;
  y: number;
  clean: boolean;
}

export interface Plot {
  marks: Mark[];
  /** what was secured, as the points of a line that goes up in steps */
  line: string;
  /** tempos with a line across: the first goal, and the tempo */
  goals: { y: number; quarters: number }[];
  /** first and last day */
  days: [string, string];
}

/** A day of practice: how many runs, from which tempo to which, and what was secured after it. */
export function log(l: Ladder) {
  const secured = new Map(l.days.map((d) => [d.day, d.secured]));
  const days = new Map<string, Ladder['runs']>();
  for (const r of l.runs) days.set(r.day, [...(days.get(r.day) ?? []), r]);
  return [...days]
    .map(([day, runs]) => ({
      day,
      clean: runs.filter((r) => r.clean).length,
      missed: runs.filter((r) => !r.clean).length,
      from: Math.min(...runs.map((r) => r.quarters)),
      to: Math.max(...runs.map((r) => r.quarters)),
      secured: secured.get(day) ?? 0
    }))
    .reverse();
}

const number = (day: string) => Math.round(Date.parse(`${day}T00:00:00Z`) / DAY);

/**
 * Runs over days: x from 0 to a width, y from a height (slow) to 0 (the tempo).
 *
 * @param goal the first goal
 */
export function plot(l: Ladder, goal: number, width: number, height: number): Plot | undefined {
  const first = l.runs[0];
  const last = l.runs.at(-1);
  if (!first || !last) return undefined;
  const from = number(first.day);
  const span = Math.max(LEAST_DAYS - 1, number(last.day) - from);
  const tempos = l.runs.map((r) => r.quarters);
  const low = Math.min(l.start, ...tempos);
  const high = Math.max(l.full, ...tempos);
  const x = (day: string) => ((number(day) - from) / span) * width;
  const y = (quarters: number) => height - ((quarters - low) / Math.max(1, high - low)) * height;
  const marks = new Map<string, Mark>();
  const place = (r: { day: string; quarters: number }, clean: boolean) =>
    `${r.day} ${r.quarters} ${clean}`;
  const there = new Set(l.runs.map((r) => place(r, r.clean)));
  for (const r of l.runs) {
    // side by side where both kinds were played at one tempo on one day
    const aside = there.has(place(r, !r.clean)) ? (r.clean ? -BESIDE : BESIDE) : 0;
    marks.set(place(r, r.clean), { x: x(r.day) + aside, y: y(r.quarters), clean: r.clean });
  }
  const points: string[] = [];
  let before: number | undefined;
  for (const d of l.days) {
    if (!d.secured) continue;
    const at = `${x(d.day).toFixed(1)},`;
    if (before !== undefined) points.push(at + before.toFixed(1));
    before = y(d.secured);
    points.push(at + before.toFixed(1));
  }
  return {
    marks: [...marks.values()],
    line: points.join(' '),
    goals: [...new Set([goal, l.full])].map((quarters) => ({ y: y(quarters), quarters })),
    days: [first.day, last.day]
  };
}
