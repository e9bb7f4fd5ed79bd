<!-- The part of who plays drums on paper, seen before it is printed. -->
<script lang="ts">
  import { SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import Printing from '../paper/Printing.svelte';
  import { printable } from '../paper/settings.svelte';
  import Sheet from '../paper/Sheet.svelte';
  import SheetSettings from '../paper/SheetSettings.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { ui } from '../words/ui';
  import { asSheet, asStand } from './drums';

  const studentId = $derived(Number(route.params.student));
  const pieceId = $derived(Number(route.params.piece));
  const page = loaded<Schemas['DrumView']>();
  const view = $derived(page.value);
  const given = $derived(view?.given[0]);
  let drawn = $state(false);

  $effect(() => {
    const path = { studentId, pieceId };
    drawn = false;
    printable(false);
    void page.ask(() =>
      asked(
        api.GET('/api/drums/{studentId}/{pieceId}', {
          params: { path },
          headers: { 'Sempre-Sheet': 'yes' }
        })
      )
    );
  });
</script>

<svelte:head
  ><title>{ui.paper.sheetTitle(view ? `: ${view.student.name}, ${view.piece.title}` : '')}</title
  ></svelte:head
>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if view}
    <Printing
      title="{view.student.name}: {view.piece.title}"
      back="/drums/{studentId}/{pieceId}"
      backTo={ui.paper.onStand}
      ready={drawn}
    />
    <SheetSettings />
    <Sheet
      view={asStand(view, () => '')}
      sheet={asSheet(view)}
      due={given?.due ?? ''}
      message={given?.message ?? ''}
      what={given?.what ?? ''}
      bars={given && (given.from > 0 || given.to < view.bars.length - 1)
        ? [given.from, given.to]
        : undefined}
      onready={(is) => {
        drawn = is;
        printable(is);
      }}
    />
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>
