<!-- How a note stands: filled, half filled, hollow, dotted. Reads in grey print; the words go with it. -->
<script lang="ts">
  import { ui } from '../words/ui';
  import type { Standing } from '../words/standing';
  let {
    state,
    size = 14,
    label = true
  }: { state: Standing; size?: number; label?: boolean } = $props();
</script>

<svg
  width={size}
  height={size}
  viewBox="0 0 16 16"
  role={label ? 'img' : undefined}
  aria-label={label ? ui.standing[state] : undefined}
  aria-hidden={label ? undefined : true}
>
  {#if state === 'SECURE'}
    <circle cx="8" cy="8" r="6.5" class="full" />
  {:else if state === 'SHAKY'}
    <circle cx="8" cy="8" r="6" class="line" />
    <path d="M8 2a6 6 0 0 0 0 12z" class="full" />
  {:else if state === 'NOT_YET'}
    <circle cx="8" cy="8" r="6" class="line" />
  {:else}
    <circle cx="8" cy="8" r="6" class="line dotted" />
  {/if}
</svg>

<style>
  svg {
    flex: none;
    vertical-align: -2px;
  }
  .full {
    fill: var(--ink);
  }
  .line {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
  }
  .dotted {
    stroke-dasharray: 1.6 2.6;
  }
</style>
