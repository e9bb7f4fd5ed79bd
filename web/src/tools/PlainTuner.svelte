<!-- A tuner for any note of anybody: the nearest concert pitch and how far off it is. -->
<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { ui } from '../words/ui';
  import { Listening } from './listening.svelte';
  import { nameOf } from './names';
  import Needle from './Needle.svelte';
  import { height, IN_TUNE } from './tuner';

  let { a4 }: { a4: number } = $props();

  const listening = new Listening();
  onDestroy(() => listening.stop());
  const midi = $derived(listening.hertz === undefined ? undefined : height(listening.hertz, a4));
  const nearest = $derived(Math.round(midi ?? 0));
  const cents = $derived(Math.round(((midi ?? 0) - nearest) * 100));
  let files: HTMLInputElement | undefined = $state();

  /** Listens by the microphone, or stops. */
  export function toggle() {
    if (listening.source) listening.stop();
    else void listening.microphone();
  }
</script>

<p class="quiet small">{ui.tools.tunerHow}</p>
<div class="set">
  <Button size="field" on:click={toggle}
    >{listening.source ? ui.tuner.stop : ui.tuner.microphone} <kbd>m</kbd></Button
  >
  {#if !listening.source}
    <Button size="field" kind="tertiary" on:click={() => files?.click()}>{ui.tuner.file}</Button>
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
</div>
{#if listening.problem}<Trouble text={listening.problem} />{/if}
{#if midi !== undefined}
  <div class="heard" aria-live="polite">
    <p><b>{nameOf(nearest)}</b> <strong>{ui.tuner.cents(cents)}</strong></p>
    <Needle
      {cents}
      off={Math.abs(cents) > IN_TUNE}
      label={`${nameOf(nearest)}: ${ui.tuner.cents(cents)}`}
    />
  </div>
{/if}

<style>
  .set {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem 1rem;
    margin-top: 0.5rem;
  }
  input[type='file'] {
    display: none;
  }
  .heard {
    max-width: 40rem;
    margin-top: 0.75rem;
    padding: 0.5rem 1rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .heard p {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
  }
  .heard b {
    font-size: 2.5rem;
    line-height: 1.2;
  }
  strong {
    font-size: 1.25rem;
  }
</style>
