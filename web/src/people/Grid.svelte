<!-- Everyone of a group against every note of their section: for the wall, filled in or blank to mark by hand. -->
<script lang="ts">
  import { Button, Checkbox, SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { pageKeys } from '../lib/keys.svelte';
  import { scrolls } from '../lib/scrolls';
  import { loaded } from '../lib/load.svelte';
  import PageSize from '../paper/PageSize.svelte';
  import Mark from '../parts/Mark.svelte';
  import SheetWords from '../parts/SheetWords.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { STANDINGS, type Standing } from '../words/standing';
  import { fullDay, ui } from '../words/ui';

  const group = $derived(Number(route.params.group));
  const page = loaded<Schemas['GridView']>();
  let blank = $state(false);
  $effect(() => {
    const path = { id: group };
    void page.ask(() => asked(api.GET('/api/groups/{id}/grid', { params: { path } })));
  });

  const MARKS: Standing[] = ['SECURE', 'SHAKY', 'NOT_YET', 'FADED'];
  const today = new Date().toLocaleDateString('sv');
  const lists = (r: Schemas['GridRow']) =>
    [r.student.plays === r.student.instrumentName ? '' : r.student.plays, r.seat, r.student.name]
      .filter(Boolean)
      .join(' · ');

  pageKeys(ui.people.grid, [
    { on: 'p', words: ui.paper.print, when: () => !!page.value, act: () => window.print() }
  ]);
</script>

<svelte:head
  ><title>{ui.people.gridTitle(page.value ? `: ${page.value.group}` : '')}</title></svelte:head
>
<PageSize lies />

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if !page.value}
    {#if !page.problem}<SkeletonText heading /><SkeletonText paragraph lines={8} />{/if}
  {:else}
    <header>
      <h1>{ui.people.gridOf(page.value.group)}</h1>
      <p class="day">{blank ? ui.people.gridBlank : fullDay(today)}</p>
    </header>
    <div class="settings">
      <Button size="small" on:click={() => window.print()}>{ui.paper.print} <kbd>p</kbd></Button>
      <a download href="/api/groups/{group}/grid.csv">{ui.people.gridCsv}</a>
      <Checkbox labelText={ui.people.gridEmpty} bind:checked={blank} />
      <SheetWords />
    </div>
    {#each page.value.sections as s (s.instrument)}
      <section class="beyond" {@attach scrolls}>
        <table>
          <caption>{s.name}</caption>
          <thead>
            <tr>
              <td></td>
              {#each s.notes as n (n.note.written)}
                <th scope="col" class:first={n.stage === 'FIRST_YEARS'} class:next={n.next}
                  >{n.note.shown}</th
                >
              {/each}
            </tr>
          </thead>
          <tbody>
            {#each s.rows as r (r.student.id)}
              <tr>
                <th scope="row"><a href="/people/{r.student.id}">{lists(r)}</a></th>
                {#each r.states as state, i (s.notes[i]!.note.written)}
                  {@const standing = STANDINGS[state]}
                  <td
                    >{#if standing && !blank}<Mark state={standing} size={12} />{/if}</td
                  >
                {/each}
              </tr>
            {/each}
          </tbody>
        </table>
      </section>
    {:else}
      <p>{ui.people.gridNobody} <a href="/people">{ui.all.setUpStudents}</a>.</p>
    {/each}
    <p class="legend small">
      {#each MARKS as m (m)}<span><Mark state={m} label={false} size={12} /> {ui.standing[m]}</span
        >{/each}
      <span><span class="next" aria-hidden="true">&nbsp;&nbsp;</span> {ui.people.gridNext}</span>
    </p>
  {/if}
</div>

<style>
  header,
  .settings,
  .legend {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1.5rem;
    align-items: baseline;
  }
  .settings {
    align-items: end;
    margin: 0.75rem 0 1rem;
  }
  .settings :global(.bx--form-item) {
    flex: none;
  }
  section {
    margin-bottom: 1.25rem;
    break-inside: avoid;
  }
  table {
    border-collapse: collapse;
    background: var(--paper);
  }
  caption {
    text-align: left;
    font-weight: 600;
    font-size: 1.0625rem;
    padding-bottom: 0.25rem;
  }
  th,
  td {
    border: 1px solid var(--rule);
    font-weight: 400;
    text-align: center;
    vertical-align: middle;
    padding: 0.125rem;
    min-width: 1.75rem;
    height: 1.625rem;
    font-size: 0.8125rem;
  }
  thead td {
    border: 0;
    background: var(--desk);
  }
  thead th {
    color: var(--ink-2);
  }
  thead th.first {
    color: var(--ink);
    font-weight: 600;
  }
  thead th.next {
    outline: 2px solid var(--ink);
    outline-offset: -3px;
  }
  tbody th {
    text-align: left;
    white-space: nowrap;
    padding: 0.125rem 0.625rem 0.125rem 0.375rem;
    min-width: 9rem;
  }
  tbody th a {
    color: var(--ink);
    text-decoration: none;
  }
  tbody th a:hover {
    text-decoration: underline;
  }
  .legend .next {
    font-weight: 400;
    padding: 0 0.25rem;
    border: 2px solid var(--ink);
  }
  @media print {
    .settings {
      display: none;
    }
    th,
    td {
      min-width: 6.2mm;
      border-color: #777;
      font-size: 9pt;
    }
  }
</style>
