<!-- For home or a grade book: what a student has learned since a day and what comes next, in words. Nothing of others stands on it. -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { pageKeys } from '../lib/keys.svelte';
  import { scrolls } from '../lib/scrolls';
  import { loaded } from '../lib/load.svelte';
  import PageSize from '../paper/PageSize.svelte';
  import { settings } from '../paper/settings.svelte';
  import SheetWords from '../parts/SheetWords.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { fullDay, ui } from '../words/ui';

  const student = $derived(Number(route.params.student));
  const page = loaded<Schemas['ReportView']>();
  const report = $derived(page.value);
  /** a half term, as schools count */
  const WEEKS = 6;
  const iso = (d: Date) => d.toLocaleDateString('sv');
  let since = $state(iso(new Date(Date.now() - WEEKS * 7 * 86_400_000)));
  let note = $state('');

  $effect(() => {
    const [studentId, from] = [student, since];
    if (!/^\d{4}-\d\d-\d\d$/.test(from)) return;
    const params = { path: { studentId }, query: { since: from } };
    void page.ask(() => asked(api.GET('/api/students/{studentId}/report', { params })));
  });

  pageKeys(ui.people.report, [
    { on: 'p', words: ui.paper.print, when: () => !!report, act: () => window.print() }
  ]);
</script>

<svelte:head
  ><title>{ui.people.reportTitle(report ? `: ${report.student.name}` : '')}</title></svelte:head
>
<PageSize />

<div class="page">
  <div class="settings">
    <label>
      <span class="bx--label">{ui.people.reportSince}</span>
      <input type="date" class="bx--text-input bx--text-input--sm" bind:value={since} />
    </label>
    <label class="own">
      <span class="bx--label">{ui.people.reportOwn}</span>
      <input class="bx--text-input bx--text-input--sm" maxlength="300" bind:value={note} />
    </label>
    <SheetWords />
    <Button size="small" on:click={() => window.print()}>{ui.paper.print} <kbd>p</kbd></Button>
    <a href="/people/{student}">{ui.people.reportBack}</a>
  </div>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if report && !page.problem}
    <div class="beyond" {@attach scrolls}>
      <article class="on-paper" style:width="{settings.room.width}mm">
        <h1>{report.student.name}</h1>
        <p>
          {report.student.plays} · {ui.people.reportFrom(fullDay(since), fullDay(report.to))}
        </p>
        {#each report.sentences.filter(Boolean) as s (s)}<p class="said">{s}</p>{/each}
        {#if report.next.length}
          <h2>{ui.people.reportNext}</h2>
          <ul>
            {#each report.next as n (n)}<li>{n}</li>{/each}
          </ul>
        {/if}
        {#if note.trim()}<p class="said note">{note}</p>{/if}
      </article>
    </div>
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={6} />
  {/if}
</div>

<style>
  .settings {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem 1.25rem;
    align-items: end;
    margin-bottom: 1rem;
  }
  .own {
    flex: 1 1 18rem;
  }
  article {
    box-sizing: content-box;
    padding: 12mm;
    background: #fff;
    color: #000;
    font-size: 12pt;
    line-height: 1.4;
    box-shadow: 0 1px 4px rgb(0 0 0 / 0.25);
  }
  @media screen and (max-width: 1000px) {
    /* words are read as large as ever: their lines break earlier than on paper */
    article {
      box-sizing: border-box;
      max-width: 100%;
      padding: 2rem 1.5rem;
    }
  }
  h1 {
    font-size: 22pt;
    font-weight: 600;
  }
  h2 {
    font-size: 14pt;
    margin: 6mm 0 1mm;
  }
  .said {
    margin-top: 4mm;
  }
  .note {
    font-style: italic;
  }
  ul {
    margin: 0;
    padding-left: 5mm;
    list-style: disc;
  }
  @media print {
    .settings {
      display: none;
    }
    article {
      padding: 0;
      box-shadow: none;
    }
  }
</style>
