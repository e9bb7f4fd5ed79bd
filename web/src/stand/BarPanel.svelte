<!-- One bar explained: every note with its reason, and every change between that is work. -->
<script lang="ts">
  import { short, type Note, type Plan } from './lanes';
  import { onPage } from './moves';
  import { capital, ui } from '../words/ui';

  let {
    plan,
    bar,
    chosen,
    onchoose,
    onclose
  }: {
    plan: Plan;
    /** index of the bar */
    bar: number;
    chosen: string;
    onchoose: (id: string) => void;
    onclose: () => void;
  } = $props();

  /** below this a change is no work worth naming */
  const WORTH = 0.15;
  const notes = $derived(plan.notes.filter((n) => n.bar === bar));
  const moves = $derived(onPage(plan));
  const work = $derived(
    notes
      .map((n) => moves.get(n.id))
      .filter((m) => !!m && m.difficulty >= WORTH)
      .sort((a, b) => b!.difficulty - a!.difficulty)
  );
  const name = (id: string) => plan.notes.find((n) => n.id === id)?.shown ?? '';
  const usual = (n: Note) => n.usual && !n.isNew && !n.unlearned && !n.locked;
</script>

<section aria-label={ui.stand.barExplained}>
  <div class="head">
    <h2>{ui.stand.barNumber(notes[0]?.barNumber ?? '')}</h2>
    <button class="plain link small" onclick={onclose}>{ui.stand.backToNote} <kbd>e</kbd></button>
  </div>
  <p>
    {#if work[0]}
      {ui.stand.mostWork(name(work[0].fromId), name(work[0].toId), work[0].happens)}
    {:else}
      {ui.stand.nothingHard}
    {/if}
  </p>
  <ol>
    {#each notes as n, i (n.id)}
      {@const m = moves.get(n.id)}
      {#if m && m.difficulty >= WORTH}
        <li class="small between">
          <span class="how" style:--w="{Math.round(m.difficulty * 100)}%"></span>
          {m.sentence}
        </li>
      {/if}
      <li class:chosen={n.id === chosen}>
        <button class="plain" onclick={() => onchoose(n.id)}>
          <b>{n.shown}</b> <span class:other={!usual(n)}>{short(n.fingering).join(' · ')}</span>
        </button>
        {#if !usual(n)}
          <p class="small">
            {n.isNew ? ui.stand.newWord : ''}{n.reasons[0]?.text ?? `${capital(n.label)}.`}
          </p>
        {/if}
        {#each n.kept.filter((k) => !notes[i - 1]?.kept.includes(k)) as k (k)}<p class="small">
            {k}
          </p>{/each}
        {#if n.ornament}<p class="small">{n.ornament}</p>{/if}
      </li>
    {/each}
  </ol>
</section>

<style>
  .head {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
  }
  ol {
    list-style: none;
    margin: 0.75rem 0 0;
    padding: 0;
  }
  li {
    padding: 0.375rem 0.375rem;
    border-top: 1px solid var(--rule);
  }
  li.chosen {
    background: var(--accent-soft);
  }
  .between {
    border-top-style: dashed;
    color: var(--ink-2);
  }
  .how {
    display: block;
    height: 4px;
    margin: 0.125rem 0 0.25rem;
    background: linear-gradient(to right, var(--hard) var(--w), var(--rule) var(--w));
  }
  .other {
    font-weight: 600;
    text-decoration: underline;
    text-underline-offset: 2px;
  }
</style>
