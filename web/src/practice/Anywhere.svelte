<!-- Starting anywhere: places that are drawn, thrown with a real die, or said by somebody. -->
<script lang="ts">
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import type { Schemas } from '../api/client';
  import { ui } from '../words/ui';
  import { ended, type Sitting } from './starts';

  type Cut = Schemas['CutView'];
  let {
    sitting,
    cut,
    to,
    onnumber,
    onthrow,
    oncut,
    onend
  }: {
    sitting: Sitting;
    /** what is to be played now, where something is */
    cut: Cut | undefined;
    /** the bar in which a place ends */
    to: (c: Cut) => string;
    onnumber: (seed: number) => void;
    onthrow: () => void;
    oncut: (c: Cut) => void;
    onend: () => void;
  } = $props();

  const words = ui.practice.anywhere;
  const end = $derived(ended(sitting));
  const starts = $derived(sitting.starts);
  const faces = $derived(Math.min(6, starts.cuts.length - starts.add));
  let seed = $derived(String(starts.seed));
  const faced = $derived(
    Array.from({ length: faces }, (_, i) => ({ face: i + 1, at: starts.cuts[starts.add + i]! }))
  );
  /** what is added to a face, where bars are numbered as they come; else its button says the bar */
  const added = $derived.by(() => {
    const add = faced.map((f) => Number(f.at.bar) - f.face);
    return add.every((x) => x === add[0]) ? add[0] : undefined;
  });
  const wrong = $derived(!/^\d{1,9}$/.test(seed));
</script>

<section aria-label={words.title}>
  <div class="now" aria-live="polite">
    {#if end}
      <p class="big">{words.end[end]}</p>
      <p>{words.went(sitting.results.filter((r) => r).length, sitting.results.length)}</p>
    {:else if cut}
      <p class="big">{words.from(cut.bar, to(cut))}</p>
      <p>{words.how}</p>
    {:else}
      <p class="big">{words.no(sitting.results.length + 1, starts.order.length)}</p>
      <p>{words.throwIt}</p>
    {/if}
    <div class="do">
      {#if !end && !cut}
        <Button size="small" on:click={onthrow}>{words.throw} <kbd>d</kbd></Button>
      {/if}
      <button class="plain go" onclick={onend}>{words.close}</button>
    </div>
  </div>
  {#if !end}
    <div class="others">
      <form
        onsubmit={(e) => {
          e.preventDefault();
          if (!wrong) onnumber(Number(seed));
        }}
      >
        <TextInput
          size="sm"
          labelText={words.number}
          helperText={words.numberHow}
          invalid={wrong}
          invalidText={words.numberWrong}
          bind:value={seed}
          autocomplete="off"
        />
      </form>
      <div>
        <p class="label">{words.die(added)}</p>
        <div class="faces" role="group" aria-label={words.die(added)}>
          {#each faced as f (f.face)}
            <button
              class="plain face"
              aria-label={words.face(f.face, f.at.bar)}
              onclick={() => oncut(f.at)}>{f.face}<span>{f.at.bar}</span></button
            >
          {/each}
        </div>
      </div>
      <Select
        size="sm"
        labelText={words.somebody}
        selected={cut ? String(starts.cuts.indexOf(cut)) : ''}
        on:change={(e) => {
          const c = starts.cuts[Number((e.target as HTMLSelectElement).value)];
          if (c) oncut(c);
        }}
      >
        <SelectItem value="" text={words.which} disabled />
        {#each starts.cuts as c, i (c.first)}
          <SelectItem value={String(i)} text={words.bar(c.bar)} />
        {/each}
      </Select>
    </div>
  {/if}
</section>

<style>
  section {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem 2.5rem;
    padding: 0.75rem 1rem;
    margin-bottom: 1rem;
    background: var(--accent-soft);
  }
  /* where there is room, it stays in sight while the music is scrolled to */
  @media (min-width: 900px) and (min-height: 600px) {
    section {
      position: sticky;
      top: 0;
      z-index: 2;
    }
  }
  .now {
    flex: 1 1 18rem;
  }
  .big {
    font-size: 1.375rem;
    line-height: 1.3;
  }
  .do {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1rem;
    align-items: center;
    margin-top: 0.5rem;
  }
  .go {
    min-height: var(--target);
    color: var(--accent);
  }
  .others {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem 1.5rem;
    align-items: flex-start;
  }
  form {
    width: 11rem;
  }
  .label {
    font-size: 0.75rem;
    line-height: 1.34;
    margin-bottom: 0.5rem;
    color: var(--ink-2);
  }
  .faces {
    display: flex;
    gap: 0.25rem;
  }
  .face {
    min-width: max(2rem, var(--target));
    min-height: max(2rem, var(--target));
    border: 1px solid var(--accent);
    background: var(--paper);
    text-align: center;
    line-height: 1.1;
  }
  .face span {
    display: block;
    font-size: 0.6875rem;
    color: var(--ink-2);
  }
</style>
