<!-- One thing at a time for the projector: it fills the wall and is read from the last row. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import Bars from '../notes/Bars.svelte';
  import Hands from '../notes/Hands.svelte';
  import { pressing } from '../lib/keys.svelte';
  import { theme } from '../theme.svelte';
  import { ui } from '../words/ui';
  import Staff from './Staff.svelte';
  import type { Slide } from './wall';

  let { slides, onclose, at = 0 }: { slides: Slide[]; onclose: () => void; at?: number } = $props();
  let dialog: HTMLDialogElement;
  // svelte-ignore state_referenced_locally
  let n = $state(at);
  const slide = $derived(slides[Math.min(n, slides.length - 1)]);

  onMount(() => {
    dialog.showModal();
    // a window that may not fill the screen stays as it is
    void dialog.requestFullscreen?.().catch(() => {});
    // one Escape leaves the full screen and the view
    // the room beside the page that is kept for its scroll bar belongs to the wall too
    const root = document.documentElement.style;
    root.scrollbarGutter = 'auto';
    let full = false;
    const changed = () => {
      if (full && !document.fullscreenElement) dialog.close();
      full = !!document.fullscreenElement;
    };
    document.addEventListener('fullscreenchange', changed);
    return () => {
      root.scrollbarGutter = '';
      document.removeEventListener('fullscreenchange', changed);
    };
  });
  const go = (by: number) => (n = Math.max(0, Math.min(n + by, slides.length - 1)));
  function key(e: KeyboardEvent) {
    if (pressing(e) && e.key === ' ') return;
    const by = { ArrowRight: 1, ' ': 1, PageDown: 1, ArrowLeft: -1, PageUp: -1 }[e.key];
    if (by) go(by);
    else if (e.key === 'd') theme.toggle();
    else if (e.key === 'Home') n = 0;
    else if (e.key === 'End') n = slides.length - 1;
    else return;
    e.preventDefault();
  }
  function close() {
    if (document.fullscreenElement) void document.exitFullscreen();
    onclose();
  }
</script>

<dialog bind:this={dialog} onkeydown={key} onclose={close} aria-label={ui.wall.title}>
  {#if slide}
    <header>
      <h2>{slide.title}</h2>
      <p>{slide.sub}</p>
    </header>
    <div class="note">
      <p class="shown">{slide.shown}</p>
      <div class="staff">
        {#key slide.written + slide.clef}
          <Staff
            notes={[{ pitch: slide.written, name: '' }]}
            clef={slide.clef}
            label={slide.shown}
          />
        {/key}
      </div>
    </div>
    <div class="picture">
      {#if slide.kind === 'NONE'}
        <Bars midi={slide.midi} label={slide.label} />
      {:else}
        <Hands
          instrument={slide.instrument}
          keys={slide.keys}
          held={slide.held}
          kind={slide.kind}
          guides={slide.guides}
          slideCm={slide.slideCm}
          label={slide.label}
        />
      {/if}
      <p class="label">{slide.label}</p>
    </div>
    <p class="sentence">{slide.sentence}</p>
  {/if}
  <footer>
    <button class="plain" onclick={() => go(-1)} disabled={n === 0}
      >{ui.wall.before} <kbd>←</kbd></button
    >
    <span>{ui.wall.of(n + 1, slides.length)}</span>
    <button class="plain" onclick={() => go(1)} disabled={n >= slides.length - 1}
      >{ui.wall.next} <kbd>→</kbd></button
    >
    <button class="plain" onclick={() => theme.toggle()}>{ui.wall.dark} <kbd>d</kbd></button>
    <button class="plain" onclick={() => dialog.close()}>{ui.wall.leave} <kbd>Esc</kbd></button>
  </footer>
</dialog>

<style>
  dialog {
    inset: 0;
    width: 100%;
    height: 100%;
    max-width: none;
    max-height: none;
    margin: 0;
    padding: 2.5vh 3vw;
    border: 0;
    background: var(--paper);
    color: var(--ink);
    display: grid;
    grid-template: auto minmax(0, 1fr) auto auto / minmax(0, 2fr) minmax(0, 3fr);
    gap: 1.5vh 3vw;
  }
  dialog::backdrop {
    background: var(--paper);
  }
  header {
    grid-column: 1 / -1;
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 2vw;
  }
  h2 {
    font-size: 7vh;
    line-height: 1.1;
    font-weight: 600;
  }
  header p {
    font-size: 3.2vh;
    color: var(--ink-2);
  }
  .note {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    min-height: 0;
  }
  .shown {
    font-size: 20vh;
    line-height: 1;
    font-weight: 600;
  }
  .staff {
    zoom: 3.2;
  }
  @media (max-height: 850px) {
    .staff {
      zoom: 2.4;
    }
  }
  .picture {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    min-height: 0;
  }
  .picture :global(svg) {
    width: auto;
    max-width: 100%;
    height: 50vh;
  }
  .label {
    font-size: 6.5vh;
    line-height: 1.15;
    font-weight: 600;
    text-align: center;
    margin-top: 1.5vh;
  }
  .sentence {
    grid-column: 1 / -1;
    font-size: 5vh;
    line-height: 1.25;
  }
  footer {
    grid-column: 1 / -1;
    display: flex;
    flex-wrap: wrap;
    gap: 1.5rem;
    align-items: center;
    color: var(--ink-2);
  }
  footer button {
    min-height: 2.75rem;
  }
  footer button:disabled {
    visibility: hidden;
  }
</style>
