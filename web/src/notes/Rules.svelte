<!-- What an instrument lacks, what may stay held, and what is never held. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { ui } from '../words/ui';

  let { view }: { view: Schemas['TableView'] } = $props();
</script>

{#snippet range(f: Schemas['FreedomView'], words: string)}
  <li>
    <b>{ui.notes.range(f.from.shown, f.to.shown)}</b>
    {words}
    <span class="quiet small">({f.source})</span>
  </li>
{/snippet}

{#if view.free.length || view.wrong.length || view.gaps.length}
  <h2>{ui.notes.heldOrNot}</h2>
  <ul>
    {#each view.gaps as g (g.shown)}
      <li><b>{g.shown}</b> {ui.notes.isMissing(g.because)}</li>
    {/each}
    {#each view.free as f (f.from.written + f.controls)}
      {@render range(f, ui.notes.mayStay(f.controls, f.because))}
    {/each}
    {#each view.wrong as f (f.from.written + f.controls)}
      {@render range(f, ui.notes.neverHeld(f.controls, f.because))}
    {/each}
  </ul>
{/if}

<style>
  ul {
    margin: 0.25rem 0 1.25rem;
    padding-left: 1.25rem;
    list-style: disc;
  }
  h2 {
    margin-bottom: 0.25rem;
  }
</style>
