<!-- The playing tests of a group over a term in points: one number a student and day. -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import PageSize from '../paper/PageSize.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { fullDay, ui } from '../words/ui';

  type Worth = Schemas['PointsView'];
  const group = $derived(Number(route.params.group));
  const page = loaded<Schemas['GradebookView']>();
  const view = $derived(page.value);
  const changes = door();
  let from = $state('');
  let to = $state('');
  /** the school's points as they are typed */
  let worth = $state<Worth>();
  let said = $state('');

  const query = (f: string, t: string) => ({ ...(f && { from: f }), ...(t && { to: t }) });
  const load = (groupId: number, f: string, t: string) =>
    page.ask(
      () =>
        asked(
          api.GET('/api/groups/{groupId}/gradebook', {
            params: { path: { groupId }, query: query(f, t) }
          })
        ),
      (v) => {
        from = v.from;
        to = v.to;
        worth = { ...v.worth };
      }
    );
  $effect(() => {
    const id = group;
    untrack(() => {
      changes.next();
      void load(id, '', '');
    });
  });
  const csv = $derived(
    `/api/groups/${group}/gradebook.csv?${new URLSearchParams(query(from, to)).toString()}`
  );

  function save() {
    const body = worth!;
    void changes.change(
      () => asked(api.PUT('/api/points', { body })),
      async () => {
        said = ui.grades.changed;
        await load(group, from, to);
      }
    );
  }
  const cell = (c: Schemas['PointsCell']) =>
    !c.heard
      ? ''
      : !c.absent
        ? `${c.points}`
        : c.of
          ? `${ui.ear.absent} ${c.points}`
          : ui.ear.absent;

  pageKeys(ui.grades.title, [
    { on: 'p', words: ui.paper.print, when: () => !!view, act: () => window.print() }
  ]);
</script>

<svelte:head><title>{ui.grades.title}{view ? `: ${view.group}` : ''}</title></svelte:head>
<PageSize lies />

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
  {#if !view}
    {#if !page.problem}<SkeletonText heading /><SkeletonText paragraph lines={8} />{/if}
  {:else}
    <header>
      <div>
        <h1>{ui.grades.title}: {view.group}</h1>
        <p class="paper-only">{fullDay(view.from)} – {fullDay(view.to)}</p>
      </div>
      <form
        class="screen"
        onsubmit={(e) => {
          e.preventDefault();
          void load(group, from, to);
        }}
      >
        <label class="small">{ui.grades.from} <input type="date" bind:value={from} /></label>
        <label class="small">{ui.grades.to} <input type="date" bind:value={to} /></label>
        <Button size="small" kind="tertiary" type="submit">{ui.grades.show}</Button>
      </form>
      <div class="acts screen">
        <button class="plain link" onclick={() => window.print()}
          >{ui.all.print} <kbd>p</kbd></button
        >
        <a href={csv} download>{ui.people.gridCsv}</a>
        <a href="/ear/class/{group}">{ui.all.playingCheck}</a>
      </div>
    </header>
    {#if worth}
      <details class="screen worth">
        <summary
          >{ui.grades.worth(
            view.worth.secure,
            view.worth.shaky,
            view.worth.notYet,
            view.worth.absent < 0 ? ui.grades.notCounted : String(view.worth.absent)
          )}</summary
        >
        <form
          onsubmit={(e) => {
            e.preventDefault();
            save();
          }}
        >
          <label class="small"
            >{ui.standing.SECURE}
            <input type="number" min="0" max="100" required bind:value={worth.secure} /></label
          >
          <label class="small"
            >{ui.standing.SHAKY}
            <input type="number" min="0" max="100" required bind:value={worth.shaky} /></label
          >
          <label class="small"
            >{ui.standing.NOT_YET}
            <input type="number" min="0" max="100" required bind:value={worth.notYet} /></label
          >
          <label class="small"
            >{ui.ear.absent}
            <input
              type="number"
              min="0"
              max="100"
              placeholder="–"
              value={worth.absent < 0 ? undefined : worth.absent}
              oninput={(e) => {
                const n = e.currentTarget.valueAsNumber;
                worth!.absent = Number.isFinite(n) ? n : -1;
              }}
            /></label
          >
          <Button size="small" type="submit">{ui.all.save}</Button>
          <span class="small quiet">{ui.grades.absentHint}</span>
        </form>
      </details>
    {/if}
    <p class="screen" role="status">{said}</p>
    {#if view.days.length}
      <div class="wide" tabindex="-1">
        <table class="rows sheet">
          <thead>
            <tr>
              <th scope="col">{ui.all.student}</th>
              {#each view.days as d (d.day)}
                <th scope="col" class="n" title={d.asked.join(', ')}>
                  {#if d.checks.length === 1}<a href="/ear/check/{d.checks[0]}">{d.shown}</a
                    >{:else}{d.shown}{/if}
                </th>
              {/each}
              <th scope="col" class="n">{ui.grades.sum}</th>
              <th scope="col" class="n">{ui.grades.percent}</th>
            </tr>
          </thead>
          <tbody>
            {#each view.rows as r (r.student.id)}
              <tr>
                <th scope="row">
                  <a href="/people/{r.student.id}">{r.student.name}</a>
                  <span class="small quiet">{r.student.plays}</span>
                </th>
                {#each r.cells as c, i (view.days[i]!.day)}
                  <td class="n" class:away={c.absent}
                    >{cell(c)}{#if c.of}<span class="of"> / {c.of}</span>{/if}</td
                  >
                {/each}
                <td class="n"
                  >{#if r.of}<b>{r.points}</b><span class="of"> / {r.of}</span>{/if}</td
                >
                <td class="n">{r.percent < 0 ? '' : `${r.percent} %`}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
      <ul class="small quiet asked">
        {#each view.days as d (d.day)}<li>{d.shown}: {d.asked.join(', ')}</li>{/each}
      </ul>
    {:else}
      <p>
        {ui.grades.none} <a href="/ear/class/{group}">{ui.all.playingCheck}</a>
      </p>
    {/if}
  {/if}
</div>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 2rem;
    align-items: flex-end;
    justify-content: space-between;
  }
  form,
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1rem;
    align-items: flex-end;
  }
  .worth {
    margin-top: 0.75rem;
  }
  .worth form {
    margin-top: 0.5rem;
  }
  input {
    font: inherit;
    color: inherit;
    background: var(--paper);
    border: 1px solid var(--rule);
    border-radius: 4px;
    min-height: max(2rem, var(--target));
    padding: 0 0.375rem;
  }
  input[type='number'] {
    width: 4.5rem;
  }
  .wide {
    overflow-x: auto;
    margin-top: 0.75rem;
  }
  .n {
    text-align: right;
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
  }
  th[scope='row'] {
    position: sticky;
    left: 0;
    background: var(--paper);
    white-space: nowrap;
  }
  .of {
    margin-left: 0.25em;
    color: var(--ink-2);
    font-size: 0.8em;
  }
  .away {
    color: var(--ink-2);
    font-style: italic;
  }
  .asked {
    list-style: none;
    padding: 0;
    margin-top: 0.75rem;
  }
  .paper-only {
    display: none;
  }
  @media print {
    th[scope='row'] {
      position: static;
      background: none;
    }
    .paper-only {
      display: block;
    }
    .wide {
      overflow: visible;
    }
  }
</style>
