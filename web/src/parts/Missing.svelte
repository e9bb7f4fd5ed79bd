<!-- The notes of a part that can't be played, each once, with its bars and what to do instead. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import type { Dictionary } from '../words/en';
  import { ui } from '../words/ui';

  let { missing, words = ui }: { missing: Schemas['MissingView'][]; words?: Dictionary } = $props();

  const notes = $derived.by(() => {
    const bars = new Map<string, string[]>();
    for (const m of missing) {
      const of = bars.get(m.sentence) ?? [];
      bars.set(m.sentence, of.includes(m.barNumber) ? of : [...of, m.barNumber]);
    }
    return [...bars];
  });
</script>

{#each notes as [sentence, bars] (sentence)}
  <li><b>{words.all.barsLead(bars)}</b> {sentence}</li>
{/each}
