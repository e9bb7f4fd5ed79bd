<!--
  The map of notes: the range on a staff, and under each note what a student has of it (its standard
  fingering, smaller below it the alternates), or how many of a section have it.
-->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import Range from '../notes/Range.svelte';
  import Mark from '../parts/Mark.svelte';
  import { STANDINGS } from '../words/standing';
  import { ui } from '../words/ui';

  let {
    map,
    sounding = false,
    onchoose
  }: {
    map: Schemas['MapView'];
    sounding?: boolean;
    onchoose?: (note: Schemas['MapNote']) => void;
  } = $props();

  let chosen = $state(-1);
  const byMidi = $derived(new Map(map.notes.map((n) => [n.midi, n])));
  const range = $derived(
    map.notes.map((n) => ({ ...n, ways: [] }) as unknown as Schemas['TableNote'])
  );
  const counts = $derived(map.notes.some((n) => n.of > 0));
  const marked = $derived(
    new Set(
      map.notes
        .filter((n) => n.next || n.has || n.alternates.length || n.state !== 'OPEN')
        .map((n) => n.midi)
    )
  );
  const here = $derived(byMidi.get(chosen));

  const word = (state: Schemas['MapNote']['state']) => {
    const s = STANDINGS[state];
    return s && ui.standing[s];
  };
  function says(midi: number) {
    const n = byMidi.get(midi)!;
    if (counts) return ui.people.haveIt(n.has, n.of) + (n.next ? ui.people.neededToo : '');
    const own = word(n.state) ?? ui.people.neverHeard;
    const others = n.alternates.map((a) => `${a.label} ${word(a.state)}`);
    return [...(n.next ? [ui.people.nextWord] : []), own, ...others].join(', ');
  }
  function choose(midi: number) {
    chosen = midi;
    const n = byMidi.get(midi);
    if (n) onchoose?.(n);
  }
</script>

{#snippet under(midi: number)}
  {@const n = byMidi.get(midi)!}
  {#if counts}
    <span class="count" class:next={n.next} class:all={n.has === n.of}
      >{n.has}{n.of > 9 ? '' : `/${n.of}`}</span
    >
    <span class="bar" style:--w="{Math.round((n.has / Math.max(1, n.of)) * 100)}%"></span>
  {:else}
    {#if STANDINGS[n.state]}<Mark state={STANDINGS[n.state]!} label={false} />
    {:else if n.next}<span class="wanted">{ui.people.nextWord}</span>{:else}<span class="none"
      ></span>{/if}
    {#if n.next && word(n.state)}<span class="wanted">{ui.people.nextWord}</span>{/if}
    <span class="alternates">
      {#each n.alternates as a (a.fingering)}
        <Mark state={STANDINGS[a.state] ?? 'NOT_YET'} size={9} label={false} />
      {/each}
    </span>
  {/if}
{/snippet}

<Range
  notes={range}
  clef={map.clef}
  {sounding}
  {chosen}
  {marked}
  onchoose={choose}
  {under}
  {says}
/>
<p class="small legend">
  {#if counts}
    <span class="quiet"
      >{ui.people.howMany(
        [...byMidi.values()][0]?.of ?? 0,
        map.instrument ? '' : ui.people.anyOctave
      )} <b>{ui.people.framed}</b>{ui.people.framedNext}</span
    >
  {:else}
    <Mark state="SECURE" label={false} />
    {ui.standing.SECURE}
    <Mark state="SHAKY" label={false} />
    {ui.standing.SHAKY}
    <Mark state="NOT_YET" label={false} />
    {ui.standing.NOT_YET}
    <Mark state="FADED" label={false} />
    {ui.standing.FADED}
    <span class="quiet">{ui.people.smallLegend}</span>
  {/if}
</p>
{#if here}
  <p class="small here" role="status">
    <b>{sounding ? here.soundingShown : here.shown}</b>
    {#if counts}
      {ui.people.haveIt(here.has, here.of) +
        (here.shaky ? ui.people.shakily(here.shaky) : '') +
        (here.lacking ? ui.people.notYet(here.lacking) : '') +
        '.'}
    {:else}
      {says(here.midi)}.
    {/if}
  </p>
{/if}

<style>
  .count {
    font-size: 0.75rem;
    padding: 0 0.2rem;
    border: 1px solid transparent;
    border-radius: 3px;
    font-variant-numeric: tabular-nums;
  }
  .count.next {
    border-color: var(--ink);
  }
  .count.all {
    font-weight: 600;
  }
  .bar {
    width: 1.75rem;
    height: 5px;
    padding: 0;
    background: linear-gradient(to right, var(--hand) var(--w), var(--rule) var(--w));
  }
  .wanted {
    font-size: 0.6875rem;
    padding: 0 0.2rem;
    border: 1px dashed var(--ink);
    border-radius: 3px;
    line-height: 1.1;
  }
  /* drawn, not text: who reads the button aloud hears no dot */
  .none::before {
    content: '·';
    color: var(--ink-2);
  }
  .alternates {
    display: flex;
    gap: 1px;
    padding: 0;
    border: 0;
  }
  .legend {
    display: flex;
    flex-wrap: wrap;
    gap: 0.375rem 0.5rem;
    align-items: center;
    margin-top: 0.375rem;
  }
  .here {
    margin-top: 0.375rem;
  }
</style>
