<!-- The head of a page that is seen before it is printed. -->
<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import PageSize from './PageSize.svelte';
  import { printable } from './settings.svelte';
  import { visit } from '../router';
  import { ui } from '../words/ui';

  let {
    title,
    back,
    backTo,
    ready
  }: {
    title: string;
    /** from where one came here */
    back: string;
    backTo: string;
    /** whether all stands there as it will be printed */
    ready: boolean;
  } = $props();

  let wanted = false;
  function print() {
    wanted = !ready;
    if (ready) window.print();
  }
  $effect(() => {
    printable(ready);
    if (ready && wanted) print();
  });
  onDestroy(() => delete document.documentElement.dataset.printable);

  pageKeys(ui.paper.print, [
    { on: 'p', words: ui.paper.print, act: print },
    {
      on: ['s', 'Escape'],
      get words() {
        return backTo;
      },
      act: () => visit(back)
    }
  ]);
</script>

<PageSize />
<header>
  <h1>{title}</h1>
  <Button size="small" on:click={print}>{ui.paper.print} <kbd>p</kbd></Button>
  <a href={back}>{backTo}</a>
</header>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1.5rem;
    align-items: center;
    margin-bottom: 1rem;
  }
  header h1 {
    margin-right: auto;
  }
  @media print {
    header {
      display: none;
    }
  }
</style>
