<!--
  A part engraved line by line; under every line, aligned with its notes: the fingering's name, the
  ribbon (where it is hard) and the finger lanes, or the curve of the slide.
-->
<script lang="ts">
  import { InlineLoading } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import type { Schemas } from '../api/client';
  import { drawing, engrave, type Line, type Reply } from '../engrave/engrave';
  import Change from './Change.svelte';
  import { draft } from './draft';
  import { sentences } from './sentences';
  import { onPage } from './moves';
  import { levels, wide as lettersWide } from '../paper/layout';
  import {
    bars,
    BY_NAME,
    events,
    GAP,
    ROW,
    rows,
    shaken,
    shakes,
    short,
    under,
    type Event,
    type Lane,
    type Plan,
    keyOn
  } from './lanes';
  import { ui } from '../words/ui';

  let {
    xml,
    plan,
    lanes,
    guides,
    chosen,
    onchoose,
    label,
    graded,
    against,
    selected,
    zoom = 1,
    follow = true,
    playing = false,
    print = '',
    large = false,
    ondrawn
  }: {
    xml: string;
    plan: Plan;
    lanes: Lane[];
    guides: number[];
    chosen: string;
    onchoose: (id: string) => void;
    /** what the list of its notes is called, for who hears it read */
    label: string;
    /** note id to grade, while hearing */
    graded?: Map<string, string>;
    /** another plan to compare with: only where it differs are fingerings shown, both of them */
    against?: Map<string, Schemas['ChangeView']> | undefined;
    /** first and last bar that are chosen */
    selected?: [number, number] | undefined;
    zoom?: number;
    /** whether the chosen note is kept in sight */
    follow?: boolean;
    playing?: boolean;
    /** what stands on paper: only the fingerings that are new or not usual, or the lanes too */
    print?: '' | 'changed' | 'lanes';
    /** whether the names are read from a distance, as hands are */
    large?: boolean;
    /** once, when all lines stand there */
    ondrawn?: () => void;
  } = $props();
  let told = false;

  const names = $derived(against ? 60 : 30);
  const RIBBON = 20;
  /** size of the letters of a name, in px */
  const NAME = $derived(large ? 15 : 10.5);
  /** So many lines fill the screen until they are engraved. */
  const DRAFTS = 4;

  let width = $state(0);
  /** larger music has larger lanes too: all is laid out on a narrower page, and shown as wide */
  const scale = 42;
  const pageWidth = $derived(Math.floor(width / zoom));
  let lines = $state.raw<{ svg: SVGSVGElement; info: Line }[]>([]);
  let problem = $state('');
  /** whether the engraver has to draw first: what was drawn before stands there at once */
  let waits = $state(false);
  let shownXml = '';
  let shownWidth = 0;
  /** the change that is pointed at, and where it stands */
  let pointed = $state.raw<{ left: number; top: number; move: Schemas['MoveView'] }>();
  function point(e: MouseEvent, move: Schemas['MoveView']) {
    const line = (e.currentTarget as Element).closest<HTMLElement>('.line')!;
    const left = e.clientX - line.getBoundingClientRect().left;
    pointed = {
      left: Math.max(0, Math.min(left - 60, line.clientWidth - 256)),
      top: line.offsetTop + line.offsetHeight,
      move
    };
  }
  const byId = $derived(new Map(plan.notes.map((n) => [n.id, n])));

  $effect(() => {
    const w = pageWidth;
    const x = xml;
    if (w < 200 || (w === shownWidth && x === shownXml)) return;
    // long fingerings under short notes need more room between the notes
    const wide = untrack(() =>
      plan.notes.some((n) => n.fingering.includes('|') && n.seconds < 0.4)
    );
    let stop = () => {};
    let stopped = false;
    const onreply = (reply: Reply) => {
      problem = reply.problem ?? '';
      const show = () => {
        if (stopped) return;
        const more = reply.lines.map(drawing);
        lines = reply.first ? more : [...lines, ...more];
        if (reply.done) {
          if (!told) ondrawn?.();
          told = true;
          shownXml = x;
          shownWidth = w;
        }
      };
      // what is below the screen waits until the first lines have been painted
      if (reply.first) show();
      else requestAnimationFrame(() => setTimeout(show));
    };
    const go = () =>
      (stop = engrave({ widthPx: w, scale, wide, xml: x }, onreply, () => (waits = true)));
    let timer: ReturnType<typeof setTimeout> | undefined;
    if (shownXml === '') go();
    else timer = setTimeout(go, 120);
    // a reply to an older question must not overwrite a newer one
    return () => {
      stopped = true;
      clearTimeout(timer);
      stop();
    };
  });

  const put = (svg: SVGSVGElement) => (el: HTMLElement) => {
    el.replaceChildren(svg);
  };

  const rowAt = $derived(rows(lanes));
  const slideHeight = $derived(guides.length ? 7 * 11 : 0);
  const lanesHeight = $derived(
    (lanes.length ? rowAt[lanes.length - 1]! + ROW : 0) + (slideHeight ? slideHeight + GAP : 0)
  );
  /** without lanes the ribbon has nothing to stand above */
  const ribbon = $derived(lanes.length > 0 || guides.length > 0);
  const bare = $derived(print === 'changed');
  const named = (n: Plan['notes'][number]) =>
    against
      ? against.has(n.id)
      : print !== 'changed' ||
        n.fingering === BY_NAME ||
        n.trill.length ||
        n.isNew ||
        n.unlearned ||
        n.locked ||
        !n.usual;
  const moves = $derived(onPage(plan));
  /** the page for who hears it: a list of sentences, one of which is chosen */
  const read = $derived(sentences(plan));
  const missing = $derived(new Map(plan.missing.map((m) => [m.id, m])));
  /** until the engraver has drawn the notes, what is known of them already */
  const drafts = $derived(
    width < 200 || problem || !waits
      ? []
      : draft(plan, pageWidth)
          .slice(0, DRAFTS)
          .map((info) => ({ svg: undefined, info }))
  );
  const drawn = $derived(
    (lines.length ? lines : drafts).map(({ svg, info }) => {
      const all = events(info, plan);
      const on = standsOn(all);
      // a row for each level of names, and the lanes below the last
      const under = names * (1 + Math.max(0, ...on.values()));
      return {
        svg,
        info,
        events: all,
        on,
        under,
        top: under + RIBBON + 4,
        ...bars(all, lanes),
        shakes: shakes(all, lanes)
      };
    })
  );
  /** Where names are close they stand on several levels, so that none touches another. */
  function standsOn(all: Event[]): Map<Event, number> {
    const shown = all.filter((e) => e.head && named(e.note));
    const items = shown.map((e) => ({ x: e.x, width: across(e.note) }));
    const on = levels(items, 1);
    return new Map(shown.map((e, i) => [e, against ? 0 : on[i]!]));
  }
  const framed = (n: Plan['notes'][number]) => n.isNew || n.unlearned;
  /** How wide a name is with its frame, in px. */
  const across = (n: Plan['notes'][number]) =>
    Math.max(...under(n).map(lettersWide)) * NAME + (framed(n) ? 8 : 0);
  /** lowest guide is the slide furthest out; steps grow as the positions do */
  const slideY = (cm: number) => {
    const far = guides[guides.length - 1] ?? 1;
    return (cm / far) * (slideHeight - 8) + 4;
  };

  function click(e: MouseEvent, index: number) {
    const line = drawn[index];
    if (!line?.events.length) return;
    const box = (e.currentTarget as HTMLElement).getBoundingClientRect();
    const x = ((e.clientX - box.left) / box.width) * line.info.width;
    const nearest = line.events.reduce((a, b) => (Math.abs(b.x - x) < Math.abs(a.x - x) ? b : a));
    onchoose(nearest.note.id);
  }

  /** which page was opened, and for which note it moved last: it opens at its first line */
  let opened = '';
  let moved = '';
  $effect(() => {
    if (!chosen || !drawn.length || !follow) return;
    const fresh = xml !== opened;
    if (!fresh && chosen === moved) return;
    opened = xml;
    moved = chosen;
    if (fresh) return;
    document.querySelector('.cursor')?.scrollIntoView({ block: 'nearest', behavior: 'auto' });
  });
</script>

<div bind:clientWidth={width} class="score" class:large>
  {#if read.length}
    <ul
      class="bx--visually-hidden notes"
      role="listbox"
      tabindex="0"
      aria-label={label}
      aria-activedescendant={chosen ? `said-${chosen}` : undefined}
    >
      {#each read as r (r.id)}
        <li id="said-{r.id}" role="option" aria-selected={r.id === chosen}>{r.text}</li>
      {/each}
    </ul>
  {/if}
  {#if problem}
    <p role="alert">
      {ui.stand.notEngraved}
    </p>
  {/if}
  {#if waits && !lines.length && !problem}
    <p class="busy small quiet" role="status">
      <InlineLoading description={ui.stand.notesComing} />
    </p>
  {/if}
  {#each drawn as line, i (i)}
    <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
    <section class="line" class:drawn={!!line.svg} onclick={(e) => click(e, i)}>
      {#each line.events.filter((e) => e.note.id === chosen && e.head) as e (e.note.id)}
        <div
          class="cursor"
          class:playing
          style:left="{((e.x - 13) / line.info.width) * 100}%"
          style:width="{(26 / line.info.width) * 100}%"
        ></div>
      {/each}
      {#if line.svg}
        <div {@attach put(line.svg)}></div>
      {:else}
        <svg class="waiting" viewBox="0 0 {line.info.width} 90" aria-hidden="true">
          <path
            d="M20 31H{line.info.right}M20 38H{line.info.right}M20 45H{line.info.right}M20 52H{line
              .info.right}M20 59H{line.info.right}"
          />
        </svg>
      {/if}
      <svg
        class="lanes"
        viewBox="0 0 {line.info.width} {bare ? line.under + 2 : line.top + lanesHeight + 6}"
        aria-hidden="true"
        data-line={i}
      >
        {#if selected}
          {@const inside = line.events.filter(
            (e) => e.note.bar >= selected[0] && e.note.bar <= selected[1]
          )}
          {#if inside.length}
            {@const x = inside[0]!.x - 12}
            {@const end = inside[inside.length - 1]!.end}
            {#if bare}
              <path class="bracket" d="M{x} 8V2H{end}V8" />
            {:else}
              <rect
                class="selected"
                {x}
                y="0"
                width={end - x}
                height={line.top + lanesHeight + 4}
              />
            {/if}
          {/if}
        {/if}
        {#each line.events as e, n (e.note.id + n)}
          {#if e.head && named(e.note)}
            {@const rowsOfName = under(e.note)}
            {@const down = (line.on.get(e) ?? 0) * names}
            {@const instead = against?.get(e.note.id)}
            {@const other = !e.note.usual}
            {#each rowsOfName as text, r (r)}
              <text
                class="name"
                class:other
                x={e.x}
                y={down + (rowsOfName.length === 1 ? 17 : 11 + r * 12)}>{text}</text
              >
            {/each}
            {#if instead}
              <path class="lock" d="M{e.x - 10} 32h20" />
              {#each short(instead.fingering) as text, r (r)}
                <text class="name instead" x={e.x} y={45 + r * 12}>{text}</text>
              {/each}
            {:else if framed(e.note)}
              {@const half = across(e.note) / 2}
              <rect
                class="new"
                x={e.x - half}
                y={down + 0.75}
                width={2 * half}
                height={names - 2}
                rx="3"
              />
            {/if}
            {#if e.note.locked}
              <path class="lock" d="M{e.x - 14} {down + names + 1}h28" />
            {/if}
          {/if}
          {#if e.head}
            {@const move = moves.get(e.note.id)}
            {#if move && ribbon}
              {@const h = Math.max(1.5, move.difficulty * RIBBON)}
              <!-- svelte-ignore a11y_no_static_element_interactions -->
              <rect
                class="point"
                x={e.x - 8}
                y={line.under}
                width="16"
                height={RIBBON + 6}
                onmouseenter={(event) => point(event, move)}
                onmouseleave={() => (pointed = undefined)}
              />
              <rect
                class="hard"
                class:very={move.difficulty >= 0.5}
                x={e.x - 5}
                y={line.under + 4 + RIBBON - h}
                width="10"
                height={h}
              />
              {#if move.contrary}
                <path
                  class="cross"
                  d="M{e.x - 3} {line.under + 4 + RIBBON - h - 7}l6 5m0 -5l-6 5"
                />
              {/if}
            {/if}
          {/if}
        {/each}
        {#each line.info.spots.filter((s) => missing.has(s.id)) as s (s.id)}
          <text class="name gone" x={s.x} y="17">{ui.stand.noneWord}</text>
        {/each}
        {#if line.events.length}
          {@const last = line.events[line.events.length - 1]!}
          {#each lanes as lane, n (lane.finger)}
            {@const y = line.top + rowAt[n]!}
            <path class="guide" d="M58 {y + ROW / 2}H{last.end}" />
            <text class="lane" x="54" y={y + 10}
              >{n === 0 && lane.finger.startsWith('L')
                ? ui.stand.leftLead
                : lane.gapAbove
                  ? ui.stand.rightLead
                  : ''}{lane.label}</text
            >
          {/each}
          {#each line.bars as b (b.lane + '/' + b.x)}
            {@const y = line.top + rowAt[b.lane]!}
            <rect
              class="bar"
              class:unheard={b.unheard}
              x={b.x}
              y={y + 1.5}
              width={Math.max(4, b.end - b.x)}
              height={ROW - 3}
              rx="2"
            />
            {#if b.key}
              <text class="key" class:unheard={b.unheard} x={b.x + 3} y={y + 10}>{keyOn(b)}</text>
            {/if}
          {/each}
          {#each line.shakes as t (t.lane + '/' + t.x)}
            {@const y = line.top + rowAt[t.lane]!}
            {#if t.key && !t.down}<text class="key apart" x={t.x} y={y + 10}>{t.key}</text>{/if}
            <path class="shake" class:down={t.down} d={shaken(t, y)} />
          {/each}
          {#each line.links as l (l.lane + '/' + l.x)}
            {@const y = line.top + rowAt[l.lane]!}
            <path class="link" d="M{l.x - 7} {y + 1}l8 {ROW - 2}" />
          {/each}
          {#if slideHeight}
            {@const y0 = line.top + (lanes.length ? rowAt[lanes.length - 1]! + ROW + GAP : 0)}
            {#each guides as g, n (n)}
              <path class="guide" d="M58 {y0 + slideY(g)}H{last.end}" />
              <text class="lane" x="54" y={y0 + slideY(g) + 3.5}
                >{n === 0 ? ui.stand.inLead : n === 6 ? ui.stand.outLead : ''}{n + 1}</text
              >
            {/each}
            {#each line.events as e, n (e.note.id + n)}
              {@const y = y0 + slideY(e.note.slideCm)}
              <path class="slide" d="M{e.x} {y}H{Math.max(e.x + 4, e.end - (e.joined ? 12 : 3))}" />
              {#if e.joined && line.events[n + 1]}
                {@const y2 = y0 + slideY(line.events[n + 1]!.note.slideCm)}
                <path
                  class="slide thin"
                  d="M{Math.max(e.x + 4, e.end - 12)} {y}C{e.end - 6} {y} {e.end -
                    6} {y2} {e.end} {y2}"
                />
              {/if}
            {/each}
          {/if}
          {#if graded}
            {#each line.events as e, n (e.note.id + n)}
              {@const g = graded.get(e.note.id)}
              {#if e.head && g}
                <circle class="grade line" cx={e.x} cy={line.under + 15} r="5" />
                {#if g === 'SECURE'}<circle
                    class="grade"
                    cx={e.x}
                    cy={line.under + 15}
                    r="5"
                  />{/if}
                {#if g === 'SHAKY'}<path
                    class="grade"
                    d="M{e.x} {line.under + 10}a5 5 0 0 0 0 10z"
                  />{/if}
              {/if}
            {/each}
          {/if}
        {/if}
      </svg>
    </section>
  {/each}
  {#if pointed && byId.has(pointed.move.fromId) && byId.has(pointed.move.toId)}
    <div class="pointed" style:left="{pointed.left}px" style:top="{pointed.top}px">
      <Change
        move={pointed.move}
        from={byId.get(pointed.move.fromId)!}
        to={byId.get(pointed.move.toId)!}
        {lanes}
      />
    </div>
  {/if}
</div>

<style>
  .score {
    position: relative;
    background: var(--paper);
    min-height: 12rem;
  }
  .score:has(.notes:focus-visible) {
    outline: 2px solid var(--accent);
    outline-offset: 2px;
  }
  .line {
    position: relative;
    break-inside: avoid;
    content-visibility: auto;
    contain-intrinsic-size: auto 16rem;
    padding-bottom: 0.5rem;
    cursor: pointer;
  }
  .cursor {
    position: absolute;
    top: 0;
    bottom: 0.25rem;
    background: var(--accent-soft);
    border-radius: 4px;
    scroll-margin: 1rem;
  }
  /* the panel stands below on a narrow screen */
  @media (max-width: 1000px) {
    .cursor {
      scroll-margin-bottom: 44vh;
    }
  }
  .cursor.playing {
    outline: 2px solid var(--accent);
  }
  .busy {
    position: absolute;
    right: 0;
    top: 0;
    z-index: 3;
    background: var(--paper);
  }
  .waiting {
    display: block;
    width: 100%;
  }
  .waiting path {
    stroke: var(--rule);
    fill: none;
  }
  .line > div:not(.cursor),
  .lanes {
    position: relative;
  }
  .lanes {
    display: block;
    width: 100%;
    font-family: inherit;
  }
  text {
    fill: var(--ink);
    font-size: 10.5px;
  }
  .name {
    text-anchor: middle;
  }
  .large .name {
    font-size: 15px;
    font-weight: 600;
  }
  .name.other {
    font-weight: 600;
    text-decoration: underline;
    text-underline-offset: 2px;
  }
  .name.gone {
    font-style: italic;
    fill: var(--hard);
  }
  .name.instead {
    font-weight: 600;
    fill: var(--accent);
  }
  .selected {
    fill: var(--rule);
    opacity: 0.45;
  }
  .bracket {
    fill: none;
    stroke: var(--ink-2);
  }
  .point {
    fill: transparent;
  }
  .pointed {
    position: absolute;
    z-index: 4;
    width: 14.5rem;
    padding: 0.625rem 0.75rem;
    background: var(--paper);
    border: 1px solid var(--rule);
    box-shadow: 0 2px 8px rgb(0 0 0 / 0.15);
    pointer-events: none;
  }
  .new {
    fill: none;
    stroke: var(--ink);
    stroke-dasharray: 2 2.5;
  }
  .lock {
    stroke: var(--ink);
    stroke-width: 2;
  }
  .hard {
    pointer-events: none;
    fill: var(--ink-2);
    opacity: 0.45;
  }
  .hard.very {
    fill: var(--hard);
    opacity: 1;
  }
  .cross {
    stroke: var(--ink-2);
    fill: none;
  }
  .guide {
    stroke: var(--rule);
  }
  .lane {
    text-anchor: end;
    fill: var(--ink-2);
    font-size: 10px;
  }
  .bar {
    fill: var(--hand);
  }
  .bar.unheard {
    fill: var(--paper);
    stroke: var(--hand);
    stroke-dasharray: 2 1.5;
  }
  .key {
    fill: var(--paper);
    font-size: 9px;
    font-weight: 600;
  }
  .key.unheard,
  .key.apart {
    fill: var(--ink);
  }
  .shake {
    fill: none;
    stroke: var(--hand);
    stroke-width: 1.75;
    stroke-linejoin: round;
  }
  .shake.down {
    stroke: var(--paper);
  }
  .link {
    stroke: var(--hard);
    stroke-width: 2;
  }
  .slide {
    stroke: var(--hand);
    stroke-width: 4;
    fill: none;
    stroke-linecap: round;
  }
  .slide.thin {
    stroke-width: 1.75;
  }
  .grade {
    fill: var(--ink);
  }
  .grade.line {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 1.5;
  }
  @media print {
    .cursor {
      display: none;
    }
    .line {
      content-visibility: visible;
    }
  }
</style>
