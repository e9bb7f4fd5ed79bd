<!-- One part on paper, seen before it is printed. -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { onDestroy } from 'svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { navigate, route } from '../router';
  import PageSize from './PageSize.svelte';
  import { printable } from './settings.svelte';
  import Sheet from './Sheet.svelte';
  import SheetSettings from './SheetSettings.svelte';
  import { ui } from '../words/ui';

  const studentId = $derived(Number(route.params.student));
  const pieceId = $derived(Number(route.params.piece));
  const page = loaded<[Schemas['StandView'], Schemas['SheetView']]>();
  const view = $derived(page.value?.[0]);
  const given = $derived(view?.given[0]);
  let drawn = $state(false);
  /** whether it was to be printed before it stood there */
  let wanted = false;
  function print() {
    wanted = !drawn;
    if (drawn) window.print();
  }

  $effect(() => {
    const path = { path: { studentId, pieceId } };
    drawn = false;
    printable(false);
    void page.ask(async () => {
      const stand = await asked(api.GET('/api/stand/{studentId}/{pieceId}', { params: path }));
      const query = { assignment: stand.given[0]?.assignmentId ?? 0 };
      const sheet = asked(
        api.GET('/api/stand/{studentId}/{pieceId}/sheet', { params: { ...path, query } })
      );
      return [stand, await sheet];
    });
  });

  onDestroy(() => delete document.documentElement.dataset.printable);

  pageKeys(ui.paper.print, [
    { on: 'p', words: ui.paper.print, when: () => !!view, act: print },
    {
      on: ['s', 'Escape'],
      words: ui.paper.onStand,
      act: () => navigate(`/stand/${studentId}/${pieceId}` as '/')
    }
  ]);
</script>

<svelte:head
  ><title>{ui.paper.sheetTitle(view ? `: ${view.student.name}, ${view.piece.title}` : '')}</title
  ></svelte:head
>
<PageSize />

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if page.value && view}
    <header>
      <h1>{view.student.name}: {view.piece.title}</h1>
      <Button size="small" on:click={print}>{ui.paper.print} <kbd>p</kbd></Button>
      <a href="/stand/{studentId}/{pieceId}">{ui.paper.onStand}</a>
    </header>
    <SheetSettings />
    <Sheet
      {view}
      sheet={page.value[1]}
      due={given?.due ?? ''}
      message={given?.message ?? ''}
      what={given?.what ?? ''}
      bars={given && (given.from > 0 || given.to < view.bars.length - 1)
        ? [given.from, given.to]
        : undefined}
      onready={(is) => {
        drawn = is;
        printable(is);
        if (is && wanted) print();
      }}
    />
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>

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
