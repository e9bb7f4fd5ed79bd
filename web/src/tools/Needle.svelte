<!-- How far a held note is off, on a scale of cents; where its fingering lies by itself. -->
<script lang="ts">
  import { ui } from '../words/ui';

  let {
    cents,
    off,
    own,
    label
  }: {
    cents: number;
    /** whether it is out of tune */
    off: boolean;
    /** where the fingering lies by itself, in cents; nothing where that is not known */
    own?: number | undefined;
    label: string;
  } = $props();

  const LIMIT = 50;
  /** where on the scale, in percent */
  const place = (c: number) => 50 + Math.max(-LIMIT, Math.min(LIMIT, c));
</script>

<div class="scale" role="img" aria-label={label}>
  <i class="middle"></i>
  <span class="end quiet small">{ui.tuner.flat}</span>
  <span class="end sharp quiet small">{ui.tuner.sharp}</span>
  {#if own !== undefined}
    <i class="own" style:left="{place(own)}%"></i>
    <span class="small" style:left="{place(own)}%">{ui.tuner.itself}</span>
  {/if}
  <i class="pointer" class:off style:left="{place(cents)}%"></i>
</div>

<style>
  .scale {
    position: relative;
    height: 4.25rem;
    margin: 0.5rem 0 0.75rem;
    background: linear-gradient(var(--rule), var(--rule)) 0 1.5rem / 100% 2px no-repeat;
  }
  .scale i,
  .scale span {
    position: absolute;
    transform: translateX(-50%);
  }
  .middle {
    left: 50%;
    top: 0.5rem;
    width: 2px;
    height: 2rem;
    background: var(--ink-2);
  }
  .own {
    top: 1.5rem;
    width: 3px;
    height: 1.25rem;
    background: var(--hand);
  }
  .scale span {
    top: 2.75rem;
    white-space: nowrap;
  }
  .scale .end {
    top: 0;
    transform: none;
  }
  .scale .sharp {
    right: 0;
  }
  .pointer {
    top: 0.625rem;
    width: 1.125rem;
    height: 1.125rem;
    margin-top: 0.3125rem;
    background: var(--accent);
    border-radius: 50%;
    transition: left 120ms;
  }
  .pointer.off {
    background: var(--hard);
  }
  @media (prefers-reduced-motion: reduce) {
    .pointer {
      transition: none;
    }
  }
</style>
