<!-- The notes of a part that can't be played, each once, with its bars and what to do instead. -->
<script lang="ts">
  import type { Schemas } from '../api/client';

  let { missing }: { missing: Schemas['MissingView'][] } = $props();

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
  <li><b>{bars.length === 1 ? 'Bar' : 'Bars'} {bars.join(', ')}:</b> {sentence}</li>
{/each}
