<!-- One fingering: its picture, what it is called and what it is for. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { short } from '../stand/lanes';
  import Hands from './Hands.svelte';

  let {
    way,
    table,
    chosen,
    marked,
    from = '',
    onchoose,
    oncompare
  }: {
    way: Schemas['WayView'];
    table: Schemas['TableView'];
    chosen: boolean;
    marked: boolean;
    /** the note it is of, when it is compared with one of another note */
    from?: string;
    onchoose: () => void;
    oncompare: () => void;
  } = $props();

  const purposes: Record<string, string> = {
    facility: 'for the fingers',
    response: 'so that it speaks',
    intonation: 'for the pitch',
    dynamics: 'for soft or loud',
    reach: 'for a small hand'
  };
  const role = $derived(
    way.hidden
      ? 'hidden'
      : way.house
        ? 'standard of this house'
        : way.role === 'standard'
          ? 'standard'
          : way.role === 'special'
            ? 'special, never planned'
            : way.role
  );
  const names = $derived(
    way.held
      .filter((h) => !h.free)
      .map((h) => {
        const key = table.keys.find((k) => k.token === h.token && k.left === h.left);
        return (h.half ? 'half of the ' : '') + (key?.name ?? h.token);
      })
      .join(', ') || 'nothing held'
  );
</script>

<article class:chosen class:hidden={way.hidden} class:from={from !== ''}>
  {#if from}<p class="small quiet">compared from <b>{from}</b></p>{/if}
  <button class="plain pick" aria-pressed={chosen} onclick={onchoose}>
    <Hands
      keys={table.keys}
      held={way.held}
      kind={table.kind}
      guides={table.slideGuides}
      slideCm={way.slideCm}
      label={names}
    />
    <span class="label">{way.label}</span>
    {#if way.words}<span class="words">“{way.words}”</span>{/if}
    <span class="notation">{short(way.fingering).join(' · ')}</span>
  </button>
  <p class="small">
    <b>{role}</b>{way.purposes.length
      ? ', ' + way.purposes.map((p) => purposes[p] ?? p).join(', ')
      : ''}{way.requires ? `; needs the ${way.requires}` : ''}
  </p>
  {#if way.centsKnown && Math.abs(way.cents) >= 1}
    <p class="small">
      {Math.round(Math.abs(way.cents))} cents {way.cents > 0 ? 'sharp' : 'flat'}
    </p>
  {/if}
  {#if way.note}<p class="small note">{way.note}</p>{/if}
  {#each way.rules as r (r)}<p class="small note">{r}</p>{/each}
  {#if way.free}<p class="small note">may stay down: {way.free}</p>{/if}
  <p class="small quiet foot">
    <span>{way.source}</span>
    <button class="plain link" aria-pressed={marked} onclick={oncompare}
      >{marked ? 'comparing from here' : 'compare from here'}</button
    >
  </p>
</article>

<style>
  article {
    background: var(--paper);
    border: 1px solid var(--rule);
    padding: 0.75rem;
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
  }
  article.chosen {
    border-color: var(--accent);
    box-shadow: inset 0 0 0 1px var(--accent);
  }
  article.from {
    border-style: dashed;
    border-color: var(--ink-2);
  }
  article.hidden .pick {
    opacity: 0.55;
  }
  .pick {
    display: flex !important;
    flex-direction: column;
    gap: 0.25rem;
    width: 100%;
  }
  .pick :global(svg) {
    margin: 0 auto 0.5rem;
  }
  .label {
    font-weight: 600;
  }
  .label::first-letter,
  .note::first-letter,
  .small b::first-letter {
    text-transform: uppercase;
  }
  .words {
    font-style: italic;
  }
  .notation {
    color: var(--ink-2);
    letter-spacing: 0.04em;
  }
  .foot {
    display: flex;
    justify-content: space-between;
    gap: 0.75rem;
    margin-top: auto;
    padding-top: 0.375rem;
  }
  .link {
    text-decoration: underline;
    color: var(--accent);
    white-space: nowrap;
  }
</style>
