import { untrack } from 'svelte';
import { atHand, keep, kept } from './drawn';
import type { EngraveReply } from './engrave.worker';
import { FIRST, type How } from './options';

let worker: Worker | undefined;
let count = 0;
const waiting = new Map<number, (r: EngraveReply) => void>();

/** Starts the engraver, which takes a moment; call it while nobody waits. */
export function warmUp() {
  if (worker) return;
  worker = new Worker(new URL('./engrave.worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = (e: MessageEvent<EngraveReply>) => {
    waiting.get(e.data.id)?.(e.data);
    if (e.data.done) waiting.delete(e.data.id);
  };
}

/** what the engraver has read last, so that it need not be sent again for another width */
let loaded = '';

/** Lines that follow those of the replies before. */
export type Reply = Omit<EngraveReply, 'id'>;

/** How many that were asked for are not all there yet. */
let coming = 0;

/** Says in the page whether music is still to come: printed meanwhile, it would be without it. */
function awaited(by: 1 | -1) {
  coming += by;
  document.documentElement.toggleAttribute('data-drawing', coming > 0);
}

/**
 * Engraves, or shows what was engraved before; the lines come in one or two replies, what is in
 * memory at once.
 *
 * @param q `passing` where it is engraved once, and not kept
 * @param onwait called when it will take a moment
 * @returns a way to stop listening
 */
export function engrave(
  q: How & { xml: string; passing?: boolean },
  onreply: (r: Reply) => void,
  onwait: () => void = () => {}
) {
  let over = false;
  const end = () => {
    if (!over) awaited(-1);
    over = true;
  };
  awaited(1);
  const stop = sought(
    q,
    (r) => {
      onreply(r);
      if (r.done) end();
    },
    onwait
  );
  return () => {
    stop();
    end();
  };
}

/** From memory, from an earlier visit, or drawn now. */
function sought(
  q: How & { xml: string; passing?: boolean },
  onreply: (r: Reply) => void,
  onwait: () => void
) {
  const { xml, passing, ...how } = q;
  // what is gone with the next letter that is typed is not worth keeping
  if (passing) return draw({ xml, ...how }, onreply, false);
  let stopped = false;
  let stop = () => {};
  const show = (lines: string[]) => {
    const rest = lines.slice(FIRST);
    onreply({ lines: lines.slice(0, FIRST), first: true, done: !rest.length });
    if (rest.length) onreply({ lines: rest, first: false, done: true });
  };
  const lines = atHand(xml, how);
  // who asks in an effect does not ask again because of what it is shown
  if (lines) untrack(() => show(lines));
  else
    void kept(xml, how).then((found) => {
      if (stopped) return;
      if (found) return show(found);
      onwait();
      stop = draw(q, onreply);
    });
  return () => {
    stopped = true;
    stop();
  };
}

/** What is being drawn: who waits for it, and the lines that are there. */
interface Drawing {
  lines: string[];
  listeners: Set<(r: Reply) => void>;
}
const drawings = new Map<string, Drawing>();

/** Has the engraver draw, and keeps what it has drawn; who asks for the same meanwhile waits with. */
function draw(q: How & { xml: string }, onreply: (r: Reply) => void, keeps = true) {
  warmUp();
  const { xml, ...how } = q;
  const key = JSON.stringify(how) + xml;
  const listener = (r: Reply) => onreply(r);
  let drawing = drawings.get(key);
  if (drawing) {
    if (drawing.lines.length) onreply({ lines: [...drawing.lines], first: true, done: false });
  } else {
    const started: Drawing = { lines: [], listeners: new Set() };
    drawings.set(key, started);
    const id = ++count;
    waiting.set(id, (r) => {
      started.lines.push(...r.lines);
      if (r.done) drawings.delete(key);
      for (const l of [...started.listeners]) l(r);
      if (keeps && r.done && !r.problem) void keep(xml, how, started.lines);
    });
    worker!.postMessage(xml === loaded ? { ...how, id } : { ...q, id });
    loaded = xml;
    drawing = started;
  }
  drawing.listeners.add(listener);
  return () => void drawing.listeners.delete(listener);
}

/** A note or rest where it stands on its line, in px of the engraved width. */
interface Spot {
  id: string;
  kind: 'note' | 'rest';
  x: number;
  staff: number;
}
export interface Line {
  width: number;
  height: number;
  spots: Spot[];
  /** where the music ends */
  right: number;
}

const at = (e: Element | null) =>
  e
    ?.getAttribute('transform')
    ?.match(/translate\(([-\d.]+),\s*([-\d.]+)\)/)
    ?.slice(1)
    .map(Number) ?? [];

/** Half a notehead in the engraver's units. */
const HALF_HEAD = 113;

/** Reads the positions from the glyphs' own transforms, without forcing a layout. */
function read(svg: SVGSVGElement): Line {
  const [, , width = 0, height = 0] = svg.getAttribute('viewBox')!.split(/\s+/).map(Number);
  const inner = svg.querySelector('.definition-scale')!;
  const k = width / Number(inner.getAttribute('viewBox')!.split(/\s+/)[2]);
  const [margin = 0] = at(inner.querySelector('.page-margin'));
  const spots: Spot[] = [];
  inner.querySelectorAll('g.note, g.rest, g.mRest').forEach((g) => {
    const note = g.classList.contains('note');
    const [x] = at(g.querySelector(note ? ':scope > .notehead use' : 'use'));
    const id = g.getAttribute('data-id') ?? g.id;
    if (x === undefined || !id) return;
    const staff = g.closest('g.staff')!;
    spots.push({
      id,
      kind: note ? 'note' : 'rest',
      x: (x + margin + (note ? HALF_HEAD : 0)) * k,
      staff: [...staff.parentElement!.querySelectorAll(':scope > g.staff')].indexOf(staff) + 1
    });
  });
  spots.sort((a, b) => a.x - b.x);
  // the staff lines say where the music ends
  const ends = [...inner.querySelectorAll('g.staff > path')].map((p) =>
    Number(p.getAttribute('d')?.match(/L\s*([-\d.]+)/)?.[1] ?? 0)
  );
  const right = ends.length ? (Math.max(...ends) + margin) * k : width - 20;
  return { width, height, spots, right };
}

/** A line as it came from the engraver, made ready for the page, with the places of its notes. */
export function drawing(text: string): { svg: SVGSVGElement; info: Line } {
  const template = document.createElement('template');
  template.innerHTML = text.slice(text.indexOf('<svg'));
  const svg = template.content.querySelector('svg')!;
  svg.querySelectorAll('style').forEach((e) => {
    keepFont(e.textContent ?? '');
    e.remove();
  });
  svg.setAttribute('class', 'engraved');
  svg.setAttribute('aria-hidden', 'true');
  return { svg, info: read(svg) };
}

/** The engraver's text signs (the note of a metronome mark) need its font once in the page. */
function keepFont(css: string) {
  const face = css.match(/@font-face\s*\{[^}]*\}/)?.[0];
  if (!face || document.getElementById('music-font')) return;
  const style = document.createElement('style');
  style.id = 'music-font';
  style.textContent = face;
  document.head.append(style);
}
