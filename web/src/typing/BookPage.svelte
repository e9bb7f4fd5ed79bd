<!-- A page of a book beside what is typed from it: a picture, or a PDF leaf by leaf. -->
<script lang="ts">
  import { ui } from '../words/ui';
  import Trouble from '../parts/Trouble.svelte';

  let { page }: { page: File } = $props();

  /** wider than the field it stands in, by steps */
  const ZOOMS = [1, 1.25, 1.5, 2, 3];
  let zoom = $state(0);
  let leaves = $state(0);
  let leaf = $state(1);
  let failed = $state('');
  let canvas = $state<HTMLCanvasElement>();
  let width = $state(0);
  let pdf = $state.raw<Awaited<ReturnType<typeof import('./pdf').open>>>();

  const isPdf = $derived(page.type === 'application/pdf' || /\.pdf$/i.test(page.name));
  let picture = $state('');
  $effect(() => {
    if (isPdf) return;
    const reader = new FileReader();
    reader.onload = () => (picture = reader.result as string);
    reader.readAsDataURL(page);
  });
  $effect(() => {
    if (!isPdf) return;
    const file = page;
    let gone = false;
    failed = '';
    void (async () => {
      try {
        const { open } = await import('./pdf');
        const opened = await open(file);
        if (gone) return opened.close();
        pdf = opened;
        leaves = opened.leaves;
        leaf = 1;
      } catch {
        failed = ui.typing.pageBroken(file.name);
      }
    })();
    return () => {
      gone = true;
      pdf?.close();
      pdf = undefined;
    };
  });
  $effect(() => {
    if (pdf && canvas && width > 0)
      void pdf.draw(leaf, canvas, width * ZOOMS[zoom]!).catch(() => {
        failed = ui.typing.pageBroken(page.name);
      });
  });
</script>

<figure>
  <figcaption>
    <span class="name">{page.name}</span>
    <button
      class="plain link"
      disabled={zoom === 0}
      onclick={() => zoom--}
      aria-label={ui.typing.smaller}>−</button
    >
    <button
      class="plain link"
      disabled={zoom === ZOOMS.length - 1}
      onclick={() => zoom++}
      aria-label={ui.typing.larger}>+</button
    >
    {#if leaves > 1}
      <button
        class="plain link"
        disabled={leaf === 1}
        onclick={() => leaf--}
        aria-label={ui.typing.leafBefore}>‹</button
      >
      <span>{ui.typing.leaf(leaf, leaves)}</span>
      <button
        class="plain link"
        disabled={leaf === leaves}
        onclick={() => leaf++}
        aria-label={ui.typing.leafAfter}>›</button
      >
    {/if}
  </figcaption>
  {#if failed}<Trouble text={failed} />{/if}
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="leaf" bind:clientWidth={width} tabindex="0" role="region" aria-label={page.name}>
    {#if isPdf}
      <canvas bind:this={canvas} aria-label={ui.typing.pageShown(page.name)}></canvas>
    {:else if picture}
      <img
        src={picture}
        alt={ui.typing.pageShown(page.name)}
        style:width="{ZOOMS[zoom]! * 100}%"
        onerror={() => (failed = ui.typing.pageBroken(page.name))}
      />
    {/if}
  </div>
</figure>

<style>
  figure {
    margin: 0;
    display: flex;
    flex-direction: column;
    min-height: 0;
    height: 100%;
  }
  figcaption {
    display: flex;
    gap: 0.75rem;
    align-items: baseline;
    margin-bottom: 0.25rem;
  }
  .name {
    margin-right: auto;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  figcaption button {
    font-size: 1.125rem;
    min-width: var(--target);
    text-align: center;
    text-decoration: none;
  }
  .leaf {
    flex: 1;
    min-height: 0;
    overflow: auto;
    border: 1px solid var(--rule);
    background: #fff;
  }
  img {
    display: block;
    max-width: none;
  }
  canvas {
    display: block;
  }
</style>
