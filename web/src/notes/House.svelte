<!-- What this house does with one fingering: hide it, make it the standard, give it its own words. -->
<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import type { Schemas } from '../api/client';
  import { ui } from '../words/ui';

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
    onchange(note, way, { words }, words.trim() ? ui.notes.calls(words.trim()) : ui.notes.noWords);
  }
</script>

<section>
  <h3>{ui.notes.inHouse(note.shown, way.label)}</h3>
  <div class="acts">
    {#if way.house}
      <Button
        size="small"
        kind="tertiary"
        on:click={() => onchange(note, way, { house: false }, ui.notes.standardAgain(note.shown))}
        >{ui.notes.notStandard}</Button
      >
    {:else if way.role !== 'STANDARD' && way.role !== 'SPECIAL' && !way.hidden}
      <Button
        size="small"
        kind="tertiary"
        on:click={() => onchange(note, way, { house: true }, ui.notes.isStandard(way.label))}
        >{ui.notes.makeStandard}</Button
      >
    {/if}
    {#if way.hidden}
      <Button
        size="small"
        kind="tertiary"
        on:click={() => onchange(note, way, { hidden: false }, ui.notes.shownAgain(way.label))}
        >{ui.notes.showAgain}</Button
      >
    {:else}
      <Button
        size="small"
        kind="ghost"
        on:click={() => onchange(note, way, { hidden: true }, ui.notes.isHidden(way.label))}
        >{ui.notes.hide}</Button
      >
    {/if}
    {#if way.own}
      <Button size="small" kind="ghost" on:click={() => onremove(note, way)}
        >{ui.notes.removeIt}</Button
      >
    {/if}
  </div>
  <form onsubmit={say}>
    <TextInput
      size="sm"
      labelText={ui.notes.classWords}
      placeholder={ui.notes.classWordsHint}
      maxlength={120}
      bind:value={words}
    />
    {#if words.trim() !== way.words}<Button size="small" type="submit">{ui.all.keep}</Button>{/if}
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
