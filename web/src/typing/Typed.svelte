<!-- One tune that is typed: engraved, with the fingering under each note; and what can't be read. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import FingeredLine from '../parts/FingeredLine.svelte';
  import { ui } from '../words/ui';

  let {
    tune,
    sounds,
    onproblem
  }: {
    tune: Schemas['TypedTune'];
    /** the note that is heard */
    sounds: string;
    onproblem: (problem: Schemas['TypedProblem']) => void;
  } = $props();

  let width = $state(0);
  const byId = $derived(new Map(tune.notes.map((n) => [n.id, n])));
</script>

<section>
  {#if tune.number || tune.title}
    <h2>{[tune.number, tune.title].filter(Boolean).join(' · ')}</h2>
  {/if}
  {#if tune.problems.length}
    <ul class="problems" aria-label={ui.typing.problems}>
      {#each tune.problems as p (p.line + '/' + p.column + p.sentence)}
        <li>
          <button class="plain link" onclick={() => onproblem(p)}
            >{ui.typing.at(p.line, p.column)}</button
          >
          {p.sentence}
        </li>
      {/each}
    </ul>
  {/if}
  {#if tune.remarks.length}
    <ul class="problems remarks" aria-label={ui.typing.remarks}>
      {#each tune.remarks as p (p.line + '/' + p.column + p.sentence)}
        <li>
          <button class="plain link" onclick={() => onproblem(p)}
            >{ui.typing.at(p.line, p.column)}</button
          >
          {p.sentence}
        </li>
      {/each}
    </ul>
  {/if}
  <div class="music" role="img" aria-label={ui.typing.music(tune.bars)}>
    <div bind:clientWidth={width}>
      {#each tune.lines as xml, i (i)}
        <FingeredLine {xml} width={Math.floor(width)} notes={byId} {sounds} passing />
      {/each}
    </div>
  </div>
</section>

<style>
  section {
    margin-top: 1rem;
  }
  h2 {
    font-size: 1rem;
    margin-bottom: 0.25rem;
  }
  .music {
    padding: 0.5rem 0.75rem;
    min-height: 5rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .problems {
    list-style: none;
    margin: 0 0 0.5rem;
    padding: 0.375rem 0.75rem;
    border-left: 3px solid var(--hard);
  }
  .problems.remarks {
    border-left-color: var(--rule);
    color: var(--ink-2);
  }
  .problems li {
    padding: 0.125rem 0;
  }
</style>
