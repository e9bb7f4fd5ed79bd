<!-- One part on paper, seen before it is printed. -->
<script lang="ts">
  import { SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import Printing from './Printing.svelte';
  import { printable } from './settings.svelte';
  import Sheet from './Sheet.svelte';
  import SheetSettings from './SheetSettings.svelte';
  import { asSheet, asStand } from '../drums/drums';
  import { ui } from '../words/ui';

  const studentId = $derived(Number(route.params.student));
  const pieceId = $derived(Number(route.params.piece));
  /** drums have a part of another kind, printed alike */
  const drums = $derived(route.pathname.startsWith('/drums/'));
  const page = loaded<[Schemas['StandView'], Schemas['SheetView']]>();
  const view = $derived(page.value?.[0]);
  const given = $derived(view?.given[0]);
  let drawn = $state(false);

  $effect(() => {
    const path = { path: { studentId, pieceId } };
    drawn = false;
    printable(false);
    const sticks = drums;
    void page.ask(async () => {
      if (sticks) {
        const part = await asked(api.GET('/api/drums/{studentId}/{pieceId}', { params: path }));
        return [asStand(part), asSheet(part)];
      }
      const stand = await asked(api.GET('/api/stand/{studentId}/{pieceId}', { params: path }));
      const query = { assignment: stand.given[0]?.assignmentId ?? 0 };
      const sheet = asked(
        api.GET('/api/stand/{studentId}/{pieceId}/sheet', { params: { ...path, query } })
      );
      return [stand, await sheet];
    });
  });
</script>

<svelte:head
  ><title>{ui.paper.sheetTitle(view ? `: ${view.student.name}, ${view.piece.title}` : '')}</title
  ></svelte:head
>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if page.value && view}
    <Printing
      title="{view.student.name}: {view.piece.title}"
      back="/{drums ? 'drums' : 'stand'}/{studentId}/{pieceId}"
      backTo={ui.paper.onStand}
      ready={drawn}
    />
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
      onready={(is) => (drawn = is)}
    />
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>
