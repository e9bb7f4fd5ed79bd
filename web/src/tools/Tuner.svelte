<!-- A held note against its planned fingering: how far off it is, whether the fingering does that, and what mends it. -->
<script lang="ts">
  import { Button, NumberInput, Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { Kept } from '../lib/kept.svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import { loaded } from '../lib/load.svelte';
  import { scrolls } from '../lib/scrolls';
  import Trouble from '../parts/Trouble.svelte';
  import { visit, route } from '../router';
  import { ui } from '../words/ui';
  import { nameOf } from './names';
  import { Listening } from './listening.svelte';
  import Needle from './Needle.svelte';
  import { better, cause, height, nearest } from './tuner';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  const page = loaded<Schemas['TunerView']>();
  const view = $derived(page.value);
  const notes = $derived(view?.notes ?? []);
  const a4 = new Kept('drone-a4', 440);
  const listening = new Listening();
  onDestroy(() => listening.stop());
  /** what the made-up player plays, by its place, and how far off */
  let plays = $state(0);
  let off = $state(0);
  let chosen = $state('');

  $effect(() => {
    const params = { path: { studentId: student, pieceId: piece } };
    void page.ask(() => asked(api.GET('/api/stand/{studentId}/{pieceId}/tuning', { params })));
  });

  const OCTAVE = 12;
  const midi = $derived(
    listening.hertz === undefined ? undefined : height(listening.hertz, a4.value)
  );
  const near = $derived(midi === undefined ? [] : nearest(notes, midi));
  /** of several fingerings of one note the one that is played, or the first */
  const note = $derived(near.find((n) => n.fingering === chosen) ?? near[0]);
  const cents = $derived(
    note && midi !== undefined ? Math.round((midi - note.soundingMidi) * 100) : 0
  );
  const why = $derived(note ? cause(note, cents) : undefined);
  const other = $derived(note ? better(note, cents) : undefined);
  const own = $derived(note?.known ? ui.tuner.cents(Math.round(note.cents)) : ui.tuner.unknown);

  function play() {
    const n = notes[plays];
    if (!n) return;
    chosen = n.fingering;
    listening.player(a4.value * 2 ** ((n.soundingMidi - 69 + (n.cents + off) / 100) / OCTAVE));
  }
  // what is set anew is heard at once
  function again() {
    if (listening.source === 'player') play();
  }
  let files: HTMLInputElement | undefined = $state();

  pageKeys(ui.tuner.title, [
    {
      on: 'm',
      words: ui.tuner.microphone,
      act: () => void (listening.source ? listening.stop() : listening.microphone())
    },
    {
      on: 'y',
      words: ui.tuner.player,
      act: () => (listening.source ? listening.stop() : play())
    },
    {
      on: 'Escape',
      words: ui.tuner.back,
      act: () => visit(`/stand/${student}/${piece}`)
    }
  ]);
</script>

<svelte:head
  ><title>{ui.tuner.page(view ? `: ${view.piece.title}, ${view.student.name}` : '')}</title
  ></svelte:head
>

<div class="page">
  <header class="titled">
    <h1>{ui.tuner.title}</h1>
    {#if view}<a href="/stand/{student}/{piece}">{view.piece.title}</a>
      <a href="/people/{student}">{view.student.name}</a>{/if}
  </header>
  <p class="told-first">{ui.tuner.lead}</p>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if view}
    <div class="from">
      {#if listening.source}
        <Button size="small" on:click={() => listening.stop()}>{ui.tuner.stop}</Button>
      {:else}
        <Button size="small" on:click={() => void listening.microphone()}
          >{ui.tuner.microphone} <kbd>m</kbd></Button
        >
        <Button size="small" kind="tertiary" on:click={() => files?.click()}>{ui.tuner.file}</Button
        >
        <Button size="small" kind="tertiary" on:click={play}>{ui.tuner.player} <kbd>y</kbd></Button>
      {/if}
      <input
        type="file"
        accept="audio/*"
        aria-label={ui.tuner.file}
        tabindex="-1"
        bind:this={files}
        onchange={(e) => {
          const f = e.currentTarget.files?.[0];
          e.currentTarget.value = '';
          if (f) void listening.file(f);
        }}
      />
      <NumberInput
        size="sm"
        labelText={ui.tools.a4}
        translateWithId={(id) => (id === 'increment' ? ui.all.more : ui.all.less)}
        invalidText={ui.tools.a4Hint}
        min={410}
        max={450}
        value={a4.value}
        on:change={(e) => {
          if (e.detail !== null && e.detail >= 410 && e.detail <= 450) a4.value = e.detail;
          again();
        }}
      />
    </div>
    {#if listening.source === 'player'}
      <div class="from">
        <Select
          size="sm"
          labelText={ui.tuner.plays}
          selected={String(plays)}
          on:change={(e) => {
            plays = Number((e.target as HTMLSelectElement).value);
            again();
          }}
        >
          {#each notes as n, i (n.written + n.fingering)}
            <SelectItem value={String(i)} text="{n.shown}, {n.label}" />
          {/each}
        </Select>
        <NumberInput
          size="sm"
          labelText={ui.tuner.off}
          translateWithId={(id) => (id === 'increment' ? ui.all.more : ui.all.less)}
          invalidText={ui.tuner.offHint}
          min={-60}
          max={60}
          step={5}
          value={off}
          on:change={(e) => {
            if (e.detail !== null && Math.abs(e.detail) <= 60) off = e.detail;
            again();
          }}
        />
      </div>
    {/if}
    {#if listening.problem}<Trouble text={listening.problem} />{/if}
    <section class="heard" aria-live="polite">
      {#if note}
        <p class="note">
          <b>{note.shown}</b> <span>{note.label}</span>
          <strong class:off={why !== 'inTune'}>{ui.tuner.cents(cents)}</strong>
        </p>
        <Needle
          {cents}
          off={why !== 'inTune'}
          own={note.known ? note.cents : undefined}
          label={ui.tuner.scale(ui.tuner.cents(cents), own)}
        />
        {#if near.length > 1}
          <p class="ways">
            {#each near as n (n.fingering)}
              <button
                class="plain go"
                aria-pressed={n === note}
                onclick={() => (chosen = n.fingering)}>{n.label}</button
              >
            {/each}
          </p>
        {/if}
        {#if why}<p>{ui.tuner.cause[why]}</p>{/if}
        {#if why !== 'inTune' && cents > 0 && note.mend}<p>{note.mend}</p>{/if}
        {#if other}<p>{ui.tuner.better(other.shown)}</p>{/if}
      {:else if midi !== undefined}
        <p>{ui.tuner.heard(nameOf(Math.round(midi)))}</p>
      {:else}
        <p class="quiet">{ui.tuner.wait}</p>
      {/if}
    </section>
    <h2>{ui.tuner.notes}</h2>
    <div {@attach scrolls}>
      <table class="rows">
        <thead>
          <tr>
            <th>{ui.tuner.note}</th><th>{ui.tuner.sound}</th><th>{ui.tuner.fingering}</th><th
              >{ui.tuner.byItself}</th
            ><th>{ui.tuner.others}</th>
          </tr>
        </thead>
        <tbody>
          {#each notes as n (n.written + n.fingering)}
            <tr class:now={n === note}>
              <td><b>{n.shown}</b></td>
              <td>{nameOf(n.soundingMidi)}</td>
              <td>{n.label}</td>
              <td class:quiet={!n.known}
                >{n.known ? ui.tuner.cents(Math.round(n.cents)) : ui.tuner.unknown}</td
              >
              <td>{n.others.map((o) => o.shown).join('; ')}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>

<style>
  .from {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1rem;
    align-items: flex-end;
    margin-bottom: 0.75rem;
  }
  .from :global(.bx--form-item) {
    flex: 0 0 auto;
  }
  .from :global(.bx--number) {
    width: 9rem;
  }
  .from :global(.bx--select) {
    width: 16rem;
  }
  input[type='file'] {
    display: none;
  }
  .heard {
    max-width: 46rem;
    min-height: 12rem;
    padding: 0.75rem 1rem 1rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .note {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
    align-items: baseline;
  }
  .note b {
    font-size: 2.5rem;
    line-height: 1.2;
  }
  .note strong {
    margin-inline-start: auto;
    font-size: 1.25rem;
  }
  .note strong.off {
    color: var(--hard);
  }
  .ways {
    display: flex;
    gap: 0.5rem;
    margin-bottom: 0.25rem;
  }
  .ways [aria-pressed='true'] {
    background: var(--accent-soft);
  }
  h2 {
    margin: 1.75rem 0 0.5rem;
  }
  table {
    max-width: 60rem;
  }
  tr.now {
    background: var(--accent-soft);
  }
</style>
