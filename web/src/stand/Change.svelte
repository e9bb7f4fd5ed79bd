<!--
  One change from note to note: what both hands hold before and behind, what comes up and goes
  down, how much time there is, and what may be heard in between.
-->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { ROW, rows, type Lane, type Note } from './lanes';
  import { number, ui } from '../words/ui';

  let {
    move,
    from,
    to,
    lanes
  }: { move: Schemas['MoveView']; from: Note; to: Note; lanes: Lane[] } = $props();

  const NAME = 72;
  const WIDE = 60;
  const BETWEEN = 24;
  const TOP = 16;
  /** only fingers that have something to do here, before or behind */
  const used = $derived(
    lanes
      .filter((l) => [from, to].some((n) => n.holds.some((h) => h.finger === l.finger)))
      .map((l, i, all) => ({
        ...l,
        gapAbove: i > 0 && l.finger[0] !== all[i - 1]!.finger[0],
        name: /^\d$/.test(l.label)
          ? ui.stand.valve(l.label)
          : `${l.finger[0] === 'L' ? ui.stand.leftShort : ui.stand.rightShort} ${l.label}`
      }))
  );
  const at = $derived(rows(used));
  const height = $derived(TOP + (used.length ? at[used.length - 1]! + ROW : 0) + 2);
  const held = (n: Note, finger: string) => n.holds.filter((h) => h.finger === finger);
  const what = (n: Note, finger: string) =>
    held(n, finger)
      .map((h) => h.key)
      .filter(Boolean)
      .join(' ');
  const silent = (n: Note, finger: string) => held(n, finger).every((h) => h.unheard);
  const sign = (finger: string) =>
    move.up.includes(finger)
      ? 'up'
      : move.down.includes(finger)
        ? 'down'
        : move.slides.some((s) => s.finger === finger)
          ? 'over'
          : 'stays';
  const SIGNS = { up: '▲', down: '▼', over: '↔', stays: '' } as const;
  const seconds = $derived(ui.stand.seconds(number(move.seconds, 1)));
  const hard = $derived(
    move.difficulty >= 0.5
      ? ui.stand.hard
      : move.difficulty >= 0.25
        ? ui.stand.someWork
        : ui.stand.easy
  );
</script>

<div class="change">
  <p class="small"><b>{ui.stand.fromTo(from.shown, to.shown)}</b>{`: ${hard}, ${seconds}`}</p>
  {#if used.length}
    <svg
      viewBox="0 0 {NAME + 2 * WIDE + BETWEEN} {height}"
      width={NAME + 2 * WIDE + BETWEEN}
      {height}
      role="img"
      aria-label={move.sentence || ui.stand.nothingMoves}
    >
      <text class="of" x={NAME + WIDE / 2} y="10">{from.shown}</text>
      <text class="of" x={NAME + WIDE * 1.5 + BETWEEN} y="10">{to.shown}</text>
      {#each used as l, i (l.finger)}
        {@const y = TOP + at[i]!}
        <text class="name" x={NAME - 6} y={y + 10}>{l.name}</text>
        {#each [from, to] as n, side (side)}
          {@const x = NAME + side * (WIDE + BETWEEN)}
          {#if held(n, l.finger).length}
            <rect
              class:unheard={silent(n, l.finger)}
              {x}
              y={y + 1.5}
              width={WIDE}
              height={ROW - 3}
              rx="2"
            />
            <text class="key" class:unheard={silent(n, l.finger)} x={x + 4} y={y + 10}
              >{what(n, l.finger)}</text
            >
          {:else}
            <path class="none" d="M{x} {y + ROW / 2}h{WIDE}" />
          {/if}
        {/each}
        {@const s = sign(l.finger)}
        <text class="sign" x={NAME + WIDE + BETWEEN / 2} y={y + 10}>{SIGNS[s]}</text>
      {/each}
    </svg>
    <p class="small quiet">{ui.stand.signs}</p>
  {/if}
  {#if move.slideCm >= 0.5}
    <p class="small">
      {ui.stand.slideGoes(move.slideCm.toFixed(0))}
    </p>
  {/if}
  {#each move.slips.slice(0, 3) as s (s.shown + s.cause)}
    <p class="small"><b>{s.shown}</b> {ui.stand.maySlip(s.cause, s.audibly)}</p>
  {/each}
</div>

<style>
  .change {
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
  }
  svg {
    max-width: 100%;
    height: auto;
  }
  text {
    fill: var(--ink);
    font-size: 10px;
  }
  .of {
    text-anchor: middle;
    font-weight: 600;
  }
  .name {
    text-anchor: end;
    fill: var(--ink-2);
  }
  .sign {
    text-anchor: middle;
    fill: var(--ink);
  }
  rect {
    fill: var(--hand);
  }
  rect.unheard {
    fill: var(--paper);
    stroke: var(--hand);
    stroke-dasharray: 2 1.5;
  }
  .key {
    fill: var(--paper);
    font-size: 9px;
    font-weight: 600;
  }
  .key.unheard {
    fill: var(--ink);
  }
  .none {
    stroke: var(--rule);
  }
</style>
