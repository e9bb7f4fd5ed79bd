<!-- Under a printed part: each trill once, with the fingers that move, or what to do where there is none. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { wordsOf } from '../words/ui';

  let {
    notes,
    words
  }: {
    notes: Schemas['NoteView'][];
    words: ReturnType<typeof wordsOf>;
  } = $props();

  const trills = $derived.by(() => {
    const found = new Map<string, { trill: Schemas['TrillView']; bars: string[] }>();
    for (const n of notes) {
      for (const trill of n.trill) {
        const key = [trill.lower.written, trill.upper.written, trill.from, trill.to].join(' ');
        const one = found.get(key);
        if (!one) found.set(key, { trill, bars: [n.barNumber] });
        else if (!one.bars.includes(n.barNumber)) one.bars.push(n.barNumber);
      }
    }
    return [...found.values()];
  });
</script>

{#each trills as t (t.trill.lower.written + t.trill.from + t.trill.to)}
  <li>
    <b>{words.trill.between(t.trill.lower.shown, t.trill.upper.shown)}</b>, {words.all.barsList(
      t.bars
    )}: {t.trill.moving.length ? t.trill.moving.map((m) => m.name).join(', ') + '. ' : ''}{t.trill
      .words}
  </li>
{/each}
