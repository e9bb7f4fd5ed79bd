<!-- One fingering: its picture, what it is called and what it is for. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { short } from '../stand/lanes';
  import Bars from './Bars.svelte';
  import Hands from './Hands.svelte';
  import { ui } from '../words/ui';

  type Way = Schemas['WayView'];
  let {
    way,
    midi,
    table,
    chosen,
    marked,
    from = '',
    onchoose,
    oncompare
  }: {
    way: Way;
    /** the written note it is of */
    midi: number;
    table: Schemas['TableView'];
    chosen: boolean;
    marked: boolean;
    /** the note it is of, when it is compared with one of another note */
    from?: string;
    onchoose: () => void;
    oncompare: () => void;
  } = $props();

  const purposes: Record<Way['purposes'][number], string> = {
    FACILITY: ui.notes.forFingers,
    RESPONSE: ui.notes.forSpeaking,
    INTONATION: ui.notes.forPitch,
    DYNAMICS: ui.notes.forDynamics,
    REACH: ui.notes.forReach,
    STYLE: ui.notes.forStyle
  };
  const roles: Record<Way['role'], string> = {
    STANDARD: ui.notes.standard,
    ALTERNATE: ui.notes.alternate,
    TRILL: ui.notes.trill,
    SPECIAL: ui.notes.isSpecial,
    REACH: ui.notes.reach
  };
  /** found by its name: there is nothing to finger */
  const byName = $derived(table.kind === 'NONE');
  const role = $derived(
    way.hidden ? ui.notes.hidden : way.house ? ui.notes.houseStandard : roles[way.role]
  );
  const names = $derived(
    way.held
      .filter((h) => !h.free)
      .map((h) => {
        const key = table.keys.find((k) => k.token === h.token && k.left === h.left);
        return (h.half ? ui.notes.halfOf : '') + (key?.name ?? h.token);
      })
      .join(', ') || ui.notes.nothingHeld
  );
</script>

<article class:chosen class:hidden={way.hidden} class:from={from !== ''}>
  {#if from}<p class="small quiet">{ui.notes.comparedFrom} <b>{from}</b></p>{/if}
  <button class="plain pick" aria-pressed={chosen} onclick={onchoose}>
    {#if byName}
      <Bars {midi} label={way.label} />
    {:else}
      <Hands
        instrument={table.id}
        keys={table.keys}
        held={way.held}
        kind={table.kind}
        guides={table.slideGuides}
        slideCm={way.slideCm}
        label={names}
      />
    {/if}
    <span class="label">{way.label}</span>
    {#if way.words}<span class="words">“{way.words}”</span>{/if}
    {#if !byName}<span class="notation">{short(way.fingering).join(' · ')}</span>{/if}
  </button>
  {#if !byName}
    <p class="small">
      <b>{role}</b>{way.purposes.length
        ? ', ' + way.purposes.map((p) => purposes[p]).join(', ')
        : ''}{way.requires ? ui.notes.needs(way.requires) : ''}
    </p>
  {/if}
  {#if way.centsKnown && Math.abs(way.cents) >= 1}
    <p class="small">
      {way.cents > 0
        ? ui.notes.sharp(Math.round(Math.abs(way.cents)))
        : ui.notes.flat(Math.round(Math.abs(way.cents)))}
    </p>
  {/if}
  {#if way.note}<p class="small note">{way.note}</p>{/if}
  {#each way.rules as r (r)}<p class="small note">{r}</p>{/each}
  {#if way.free}<p class="small note">{ui.notes.mayStayDown(way.free)}</p>{/if}
  <div class="small quiet foot">
    <span>{way.source}</span>
    {#if !byName}
      <button class="plain link" aria-pressed={marked} onclick={oncompare}
        >{marked ? ui.notes.comparing : ui.notes.compareHere}</button
      >
    {/if}
  </div>
</article>

<style>
  article {
    break-inside: avoid;
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
    display: flex;
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
