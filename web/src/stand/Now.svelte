<!-- While it is played: the note that sounds, by its letter and as a picture. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import Bars from '../notes/Bars.svelte';
  import Hands from '../notes/Hands.svelte';
  import { letter, type Note } from './lanes';
  import { ui } from '../words/ui';

  let { view, note }: { view: Schemas['StandView']; note: Note } = $props();

  const picture = $derived(view.plan.pictures.find((p) => p.fingering === note.fingering));
</script>

<div class="sounds">
  <p class="small quiet">{ui.stand.soundsNow}</p>
  <p class="letter">{letter(note.shown)}</p>
  {#if view.kind === 'NONE'}
    <Bars midi={note.writtenMidi} label={note.label} />
  {:else if picture}
    <p class="label">{note.label}</p>
    <Hands
      instrument={view.student.instrument}
      keys={view.keys}
      held={picture.held}
      kind={view.kind}
      guides={view.slideGuides}
      slideCm={picture.slideCm}
      label={note.label}
      small
    />
  {/if}
</div>

<style>
  .letter {
    font-size: 4rem;
    font-weight: 600;
    line-height: 1.1;
  }
  .label {
    min-height: 2.6em;
    font-weight: 600;
  }
  .label::first-letter {
    text-transform: capitalize;
  }
  .sounds :global(svg) {
    display: block;
    width: auto;
    max-width: 100%;
    height: 15rem;
    margin-top: 0.5rem;
  }
</style>
