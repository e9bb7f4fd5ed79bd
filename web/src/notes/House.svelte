<!-- What this house does with one fingering: hide it, make it the standard, give it its own words. -->
<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import type { Schemas } from '../api/client';

  type Way = Schemas['WayView'];
  type Note = Schemas['TableNote'];
  let {
    way,
    note,
    onchange,
    onremove
  }: {
    way: Way;
    note: Note;
    onchange: (note: Note, before: Way, now: Partial<Way>, said: string) => void;
    onremove: (note: Note, way: Way) => void;
  } = $props();

  let words = $derived(way.words);

  function say(e: SubmitEvent) {
    e.preventDefault();
    onchange(
      note,
      way,
      { words },
      words.trim() ? `The class calls it “${words.trim()}”.` : 'It has no words of its own now.'
    );
  }
</script>

<section>
  <h3>In this house: {note.shown}, {way.label}</h3>
  <div class="acts">
    {#if way.house}
      <Button
        size="small"
        kind="tertiary"
        on:click={() =>
          onchange(
            note,
            way,
            { house: false },
            `${note.shown} has the catalogue's standard again.`
          )}>No longer the standard here</Button
      >
    {:else if way.role !== 'standard' && way.role !== 'special' && !way.hidden}
      <Button
        size="small"
        kind="tertiary"
        on:click={() =>
          onchange(note, way, { house: true }, `${way.label} is the standard of this house now.`)}
        >Make it the standard here</Button
      >
    {/if}
    {#if way.hidden}
      <Button
        size="small"
        kind="tertiary"
        on:click={() => onchange(note, way, { hidden: false }, `${way.label} is shown again.`)}
        >Show it again</Button
      >
    {:else}
      <Button
        size="small"
        kind="ghost"
        on:click={() =>
          onchange(note, way, { hidden: true }, `${way.label} is hidden, and no longer planned.`)}
        >Hide it</Button
      >
    {/if}
    {#if way.own}
      <Button size="small" kind="ghost" on:click={() => onremove(note, way)}>Remove it …</Button>
    {/if}
  </div>
  <form onsubmit={say}>
    <TextInput
      size="sm"
      labelText="The class's own words for it"
      placeholder="a phrase or a picture it knows"
      maxlength={120}
      bind:value={words}
    />
    {#if words.trim() !== way.words}<Button size="small" type="submit">Keep</Button>{/if}
  </form>
</section>

<style>
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem;
    margin: 0.5rem 0;
  }
  form {
    display: flex;
    align-items: flex-end;
    gap: 0.5rem;
  }
</style>
