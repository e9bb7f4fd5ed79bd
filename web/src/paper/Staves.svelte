<!--
  A part's music on paper: engraved at the height of staff that is chosen, names of notes over it,
  fingerings under it, where none touches another.
-->
<script lang="ts">
  import { untrack } from 'svelte';
  import { drawing, engrave, type Line, type Reply } from '../engrave/engrave';
  import { BY_NAME, events, letter, under, type Event, type Plan } from '../stand/lanes';
  import { levels, pages, wide, type Stave } from './layout';
  import type { Which } from './settings.svelte';

  let {
    xml,
    plan,
    bars,
    staff,
    spread,
    round,
    hold,
    width,
    first,
    room,
    fingerings,
    names,
    none,
    ondrawn
  }: {
    xml: string;
    plan: Plan;
    /** first and last bar that are given, where not all are */
    bars?: [number, number] | undefined;
    /** how far apart the notes are, from 0 to 2 */
    spread: number;
    /** another one is measured anew */
    round: number;
    /** whether it need not stand there yet: where nobody looks, only what is printed is drawn */
    hold: boolean;
    /** height of the staff, width of the music, room on the first page and on others, in mm */
    staff: number;
    width: number;
    first: number;
    room: number;
    fingerings: Which;
    names: Which;
    /** stands under a note that has no fingering */
    none: string;
    /** once all lines stand there: their height in mm, and on how many pages */
    ondrawn: (height: number, pages: number) => void;
  } = $props();

  /** The engraver's scale, and the height of a staff in its px at that scale. */
  const SCALE = 42;
  const STAFF_PX = 0.72 * SCALE;
  /** Size of what is written, in mm: 9.5 pt for fingerings, 10.5 pt for names. */
  const FINGERING = 3.35;
  const NAME = 3.7;
  const AIR = 1.2;

  const perMm = $derived(STAFF_PX / staff);
  const widthPx = $derived(Math.floor(width * perMm));
  const size = $derived(FINGERING * perMm);
  const nameSize = $derived(NAME * perMm);

  let lines = $state.raw<{ svg: SVGSVGElement; info: Line }[]>([]);
  let done = $state(false);
  let problem = $state('');

  $effect(() => {
    done = false;
    let found: typeof lines = [];
    return engrave({ widthPx, scale: SCALE, wide: false, paper: spread, xml }, (reply: Reply) => {
      problem = reply.problem ?? '';
      found = reply.first ? reply.lines.map(drawing) : [...found, ...reply.lines.map(drawing)];
      if (!reply.done) return;
      lines = found;
      done = true;
    });
  });

  const put = (svg: SVGSVGElement) => (el: HTMLElement) => {
    el.replaceChildren(svg);
  };

  const unusual = (n: Plan['notes'][number]) =>
    n.isNew || n.unlearned || n.locked || !n.usual || n.trill.length > 0;
  const shows = (which: Which, told: boolean) => which === 'all' || (which === 'new' && told);

  interface Written {
    e: Event;
    rows: string[];
    width: number;
    level: number;
  }
  /** What stands under the notes of a line, on so many levels that nothing touches. */
  function written(all: Event[]): Written[] {
    const shown = all
      .filter((e) => e.head && (e.note.fingering === BY_NAME || shows(fingerings, unusual(e.note))))
      .map((e) => {
        const rows = under(e.note);
        return { e, rows, x: e.x, width: (Math.max(...rows.map(wide)) + 0.7) * size };
      });
    const on = levels(shown, 0.15 * size);
    return shown.map((s, i) => ({ e: s.e, rows: s.rows, width: s.width, level: on[i]! }));
  }
  const letters = (n: Plan['notes'][number]) => letter(n.shown);
  function named(all: Event[]) {
    const shown = all
      .filter((e) => e.head && shows(names, e.note.isNew || e.note.unlearned))
      .map((e) => ({ x: e.x, text: letters(e.note), width: wide(letters(e.note)) * nameSize }));
    const on = levels(shown, 0.2 * nameSize);
    return shown.map((s, i) => ({ ...s, level: on[i]! }));
  }

  const rowHeight = $derived(size * 1.12);
  const missing = $derived(new Set(plan.missing.map((m) => m.id)));
  const drawn = $derived(
    lines.map(({ svg, info }, i) => {
      const all = events(info, plan);
      const texts = written(all);
      const tall = Math.max(0, ...texts.map((t) => t.rows.length));
      const deep = texts.length ? Math.max(...texts.map((t) => t.level)) + 1 : 0;
      const over = named(all);
      const high = over.length ? Math.max(...over.map((o) => o.level)) + 1 : 0;
      const gone = info.spots.filter((s) => missing.has(s.id));
      const inside = bars ? all.filter((e) => e.note.bar >= bars[0] && e.note.bar <= bars[1]) : [];
      const level = tall * rowHeight + AIR * perMm * 1.6;
      const below =
        (deep ? deep * level : gone.length ? rowHeight * 1.4 : 0) +
        (inside.length ? 1.5 * perMm : 0) +
        AIR * perMm;
      const above = high * nameSize * 1.1;
      const last = info.spots[info.spots.length - 1];
      const next = lines[i + 1]?.info.spots[0];
      return {
        svg,
        info,
        texts,
        over,
        gone,
        inside,
        level,
        above,
        below,
        height: (above + info.height + below) / perMm,
        rest: last?.kind === 'rest' || next?.kind === 'rest'
      };
    })
  );
  const total = $derived(drawn.reduce((sum, d) => sum + d.height, 0));
  const counts = $derived(pages(drawn satisfies Stave[], first, room));
  const sheets = $derived.by(() => {
    let at = 0;
    return counts.map((n) => drawn.slice(at, (at += n)));
  });
  $effect(() => {
    void round;
    if (!done) return;
    const [height, count] = [total, counts.length];
    untrack(() => ondrawn(height, count));
  });
</script>

{#if problem}<p role="alert">{problem}</p>{/if}
{#each hold ? [] : sheets as sheet, s (s)}
  <div class="sheet" class:turn={s < sheets.length - 1}>
    {#each sheet as line, i (i)}
      <div class="line">
        {#if line.over.length}
          <svg viewBox="0 0 {line.info.width} {line.above}" aria-hidden="true">
            {#each line.over as o, n (n)}
              <text
                class="name"
                x={o.x}
                y={line.above - 2 - o.level * nameSize * 1.1}
                font-size={nameSize}>{o.text}</text
              >
            {/each}
          </svg>
        {/if}
        <div {@attach put(line.svg)}></div>
        <svg class="under" viewBox="0 0 {line.info.width} {line.below}" aria-hidden="true">
          {#if line.inside.length}
            {@const x = line.inside[0]!.x - 10}
            {@const end = line.inside[line.inside.length - 1]!.end}
            <path class="bracket" d="M{x} {-perMm}V1H{end}V{-perMm}" />
          {/if}
          {#each line.texts as t, n (n)}
            {@const top = t.level * line.level + (line.inside.length ? 1.5 * perMm : 0)}
            {@const other = !t.e.note.usual}
            {#each t.rows as text, r (r)}
              <text
                class="fingering"
                class:other
                x={t.e.x}
                y={top + rowHeight * (r + 0.95)}
                font-size={size}>{text}</text
              >
            {/each}
            {#if t.e.note.isNew || t.e.note.unlearned}
              <rect
                class="new"
                x={t.e.x - t.width / 2}
                y={top + 0.5}
                width={t.width}
                height={rowHeight * t.rows.length + 0.35 * size}
                rx={size * 0.25}
              />
            {/if}
            {#if t.e.note.locked}
              <path
                class="kept"
                d="M{t.e.x - t.width / 2} {top + rowHeight * t.rows.length + 0.6 * size}h{t.width}"
              />
            {/if}
          {/each}
          {#each line.gone as s (s.id)}
            <text class="fingering none" x={s.x} y={rowHeight} font-size={size}>{none}</text>
          {/each}
        </svg>
      </div>
    {/each}
  </div>
{/each}

<style>
  .line {
    break-inside: avoid;
  }
  .turn {
    break-after: page;
  }
  svg {
    display: block;
    width: 100%;
    overflow: visible;
    font-family: inherit;
  }
  text {
    fill: #000;
    text-anchor: middle;
  }
  .name {
    font-weight: 600;
  }
  .other {
    font-weight: 700;
    text-decoration: underline;
    text-underline-offset: 1.5px;
  }
  .none {
    font-style: italic;
  }
  .new {
    fill: none;
    stroke: #000;
    stroke-width: 0.9;
  }
  .kept {
    stroke: #000;
    stroke-width: 1.6;
  }
  .bracket {
    fill: none;
    stroke: #000;
    stroke-width: 1.2;
  }
</style>
