import type { Line } from '../engrave/engrave';
import type { Plan } from './lanes';

/** Where the music begins on a line, in px: room for the clef and the names of the lanes. */
const LEFT = 92;
const RIGHT = 20;
/** From one note to the next at least so much, and more for a longer one. */
const NOTE = 26;
const QUARTER = 20;
/** Behind a bar. */
const BAR = 14;

/**
 * Lines of a part before it is engraved, so that fingerings and lanes stand there at once: each note
 * about where it will be, bars whole, as many to a line as fit.
 */
export function draft(plan: Plan, width: number): Line[] {
  const bars = new Map<number, { id: string; gap: number }[]>();
  for (const n of plan.notes) {
    const quarters = n.quarter > 0 ? n.seconds / n.quarter : 1;
    const gap = NOTE + QUARTER * Math.sqrt(Math.max(0.25, quarters));
    bars.set(n.bar, [...(bars.get(n.bar) ?? []), { id: n.id, gap }]);
  }
  const lines: Line[] = [];
  let spots: Line['spots'] = [];
  let x = LEFT;
  const close = () => {
    if (spots.length) lines.push({ width, height: 90, spots, right: width - RIGHT });
    spots = [];
    x = LEFT;
  };
  for (const notes of bars.values()) {
    const needed = notes.reduce((sum, n) => sum + n.gap, BAR);
    if (spots.length && x + needed > width - RIGHT) close();
    for (const n of notes) {
      spots.push({ id: n.id, kind: 'note', x: Math.min(x, width - RIGHT - 8), staff: 1 });
      x += n.gap;
    }
    x += BAR;
  }
  close();
  return lines;
}
