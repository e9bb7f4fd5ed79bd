<!-- Where a bar lies on a keyboard of bars: one octave from C, two rows, the bar that is struck dark. -->
<script lang="ts">
  let {
    midi,
    label
  }: {
    /** the note as a MIDI number */
    midi: number;
    label: string;
  } = $props();

  const LOWER = [0, 2, 4, 5, 7, 9, 11];
  /** bars of the upper row, with the place in the lower row before which each stands */
  const UPPER = [
    [1, 1],
    [3, 2],
    [6, 4],
    [8, 5],
    [10, 6]
  ] as const;
  const struck = $derived(((midi % 12) + 12) % 12);
</script>

<svg viewBox="0 0 170 84" width="170" height="84" role="img" aria-label={label}>
  <path class="rail" d="M2 62L168 66M8 24L162 20" />
  {#each UPPER as [n, before] (n)}
    <rect class:struck={struck === n} x={before * 24 - 9} y="4" width="20" height="36" rx="2" />
  {/each}
  {#each LOWER as n, i (n)}
    <rect class:struck={struck === n} x={2 + i * 24} y="44" width="20" height={38 - i} rx="2" />
  {/each}
</svg>

<style>
  svg {
    max-width: 100%;
    display: block;
  }
  .rail {
    stroke: var(--rule);
    stroke-width: 2;
  }
  rect {
    fill: var(--paper);
    stroke: var(--ink-2);
  }
  .struck {
    fill: var(--hand);
    stroke: var(--hand);
  }
</style>
