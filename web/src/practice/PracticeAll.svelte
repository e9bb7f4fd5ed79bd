<!-- The bits of what is given, on paper for each of its players. -->
<script lang="ts">
  import { ProgressBar, SkeletonText } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { sheet } from '../words/language';
  import { ui } from '../words/ui';
  import { fetched } from './bits';
  import PracticeSheet from './PracticeSheet.svelte';
  import Printing from '../paper/Printing.svelte';
  import { printable } from '../paper/settings.svelte';

  const id = $derived(Number(route.params.assignment));
  const page = loaded<Schemas['AssignmentView']>();
  const given = $derived(page.value);
  let sheets = $state.raw<[Schemas['StandView'], Schemas['PracticeView']][]>([]);
  let failed = $state('');
  let drawn = $state(0);
  let turn = 0;
  const players = $derived(given?.parts.length ?? 0);
  const ready = $derived(players > 0 && drawn >= players);

  $effect(() => {
    const assignment = id;
    printable(false);
    void page.ask(
      () => asked(api.GET('/api/assignments/{id}', { params: { path: { id: assignment } } })),
      (a) => void fetchAll(a)
    );
  });
  onDestroy(() => void turn++);

  /** One after another, so that the first is there at once. */
  async function fetchAll(a: Schemas['AssignmentView']) {
    const mine = ++turn;
    sheets = [];
    drawn = 0;
    failed = '';
    // each in the language that the student reads, unless one was chosen for all
    const headers: Record<string, string> = sheet.language ? {} : { 'Sempre-Sheet': 'yes' };
    try {
      for (const p of a.parts) {
        const one = await fetched(p.student.id, a.piece.id, headers);
        if (mine !== turn) return;
        sheets = [...sheets, one];
      }
    } catch (e) {
      if (mine === turn) failed = sentence(e);
    }
  }

  /** the bars that are given of a part, where not all are */
  function bars(stand: Schemas['StandView']): [number, number] | undefined {
    const g = stand.given.find((x) => x.assignmentId === id);
    return g && (g.from > 0 || g.to < stand.bars.length - 1) ? [g.from, g.to] : undefined;
  }
</script>

<svelte:head><title>{ui.practice.page(given ? `: ${given.piece.title}` : '')}</title></svelte:head>

<div class="page">
  {#if page.problem || failed}
    <Trouble text={page.problem || failed} again={page.again} />
  {/if}
  {#if given}
    <Printing
      title={ui.practice.paperOf(given.piece.title)}
      back="/parts/{id}"
      backTo={ui.today.allParts}
      {ready}
    />
    {#if !players}
      <p>{ui.shelf.nobodyPart} <a href="/people">{ui.all.setUpStudents}</a>.</p>
    {:else if !ready && !failed}
      <div class="coming">
        <ProgressBar
          size="sm"
          labelText={ui.practice.making}
          value={drawn}
          max={players}
          helperText={ui.practice.made(drawn, players)}
        />
      </div>
    {/if}
    {#each sheets as [stand, view] (stand.student.id)}
      <PracticeSheet {stand} {view} bars={bars(stand)} onready={() => drawn++} />
    {/each}
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>

<style>
  .coming {
    max-width: 24rem;
    margin-bottom: 1rem;
  }
  @media print {
    .coming {
      display: none;
    }
  }
</style>
