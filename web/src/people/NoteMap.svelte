<!--
  The map of notes: the range on a staff, and under each note what a student has of it (its standard
  fingering, smaller below it the alternates), or how many of a section have it.
-->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import Range from '../notes/Range.svelte';
  import Mark from '../parts/Mark.svelte';

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
        .filter((n) => n.next || n.has || n.alternates.length || (n.state && n.state !== 'OPEN'))
        .map((n) => n.midi)
    )
  );
  const here = $derived(byMidi.get(chosen));

  const WORDS = {
    HAS: 'secure',
    SHAKY: 'shaky',
    FADED: 'not heard for long',
    TRIED: 'not yet'
  } as const;
  const word = (state: string) => WORDS[state as keyof typeof WORDS];
  function says(midi: number) {
    const n = byMidi.get(midi)!;
    if (counts) return `${n.has} of ${n.of} have it${n.next ? ', needed next' : ''}`;
    const own = word(n.state) ?? 'never heard';
    const others = n.alternates.map((a) => `${a.label} ${word(a.state)}`);
    return [own, ...others, ...(n.next ? ['next'] : [])].join(', ');
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
    {#if word(n.state)}<Mark state={word(n.state)} label={false} />
    {:else if n.next}<span class="wanted">next</span>{:else}<span class="none">·</span>{/if}
    {#if n.next && word(n.state)}<span class="wanted">next</span>{/if}
    <span class="alternates">
      {#each n.alternates as a (a.fingering)}
        <Mark state={word(a.state) ?? 'not yet'} size={9} label={false} />
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
      >How many of the {[...byMidi.values()][0]?.of ?? 0} have the note in any fingering{map.instrument
        ? ''
        : ', whatever the octave'}; <b>framed</b>: needed next.</span
    >
  {:else}
    <Mark state="secure" label={false} /> secure
    <Mark state="shaky" label={false} /> shaky
    <Mark state="not yet" label={false} /> not yet
    <Mark state="not heard for long" label={false} /> not heard for long
    <span class="quiet">small: alternates · “next”: in what is assigned</span>
  {/if}
</p>
{#if here}
  <p class="small here" role="status">
    <b>{sounding ? here.soundingShown : here.shown}</b>
    {#if counts}
      {here.has} of {here.of} have it{here.shaky
        ? `, ${here.shaky} of them shakily`
        : ''}{here.lacking ? `; not yet: ${here.lacking}` : ''}.
    {:else}
      {says(here.midi)}.
    {/if}
  </p>
{/if}

<style>
  .count {
    font-size: 0.75rem;
    padding: 0 0.2rem !important;
    border: 1px solid transparent !important;
    border-radius: 3px;
    font-variant-numeric: tabular-nums;
  }
  .count.next {
    border-color: var(--ink) !important;
  }
  .count.all {
    font-weight: 600;
  }
  .bar {
    width: 1.75rem;
    height: 5px;
    padding: 0 !important;
    background: linear-gradient(to right, var(--hand) var(--w), var(--rule) var(--w));
  }
  .wanted {
    font-size: 0.6875rem;
    padding: 0 0.2rem !important;
    border: 1px dashed var(--ink) !important;
    border-radius: 3px;
    line-height: 1.1;
  }
  .none {
    color: var(--ink-2);
  }
  .alternates {
    display: flex;
    gap: 1px;
    padding: 0 !important;
    border: 0 !important;
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
