<!-- The bits of a part on paper, seen before they are printed. -->
<script lang="ts">
  import { SkeletonText } from 'carbon-components-svelte';
  import type { Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { ui } from '../words/ui';
  import { fetched } from './bits';
  import PracticeSheet from './PracticeSheet.svelte';
  import Printing from '../paper/Printing.svelte';
  import { printable } from '../paper/settings.svelte';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  const page = loaded<[Schemas['StandView'], Schemas['PracticeView']]>();
  const view = $derived(page.value?.[1]);
  let ready = $state(false);

  $effect(() => {
    const [s, p] = [student, piece];
    ready = false;
    printable(false);
    void page.ask(() => fetched(s, p));
  });
</script>

<svelte:head
  ><title>{ui.practice.page(view ? `: ${view.piece.title}, ${view.student.name}` : '')}</title
  ></svelte:head
>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if page.value && view}
    <Printing
      title="{view.student.name}: {view.piece.title}"
      back="/practice/{student}/{piece}"
      backTo={ui.practice.title}
      {ready}
    />
    <PracticeSheet stand={page.value[0]} {view} onready={() => (ready = true)} />
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>
