<!-- One audition: by instrument who goes there and is ready for what; mock auditions. -->
<script lang="ts">
  import { Button, Checkbox, SkeletonText } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { pageKeys } from '../lib/keys.svelte';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import { scrolls } from '../lib/scrolls';
  import Trouble from '../parts/Trouble.svelte';
  import { someNumber } from '../practice/starts';
  import { visit, route } from '../router';
  import { ui } from '../words/ui';
  import AuditionForm from './AuditionForm.svelte';

  type View = Schemas['AuditionView'];
  const id = $derived(Number(route.params.audition));
  const page = loaded<View>();
  const view = $derived(page.value);
  let changing = $state(false);
  const changes = door();
  const sections = $derived(
    (view?.sections ?? []).map((s) => ({
      ...s,
      goes: s.students.filter((c) => c.candidate),
      rest: s.students.filter((c) => !c.candidate)
    }))
  );

  $effect(() => {
    const path = { id };
    changing = false;
    untrack(() => changes.next());
    void page.ask(() => asked(api.GET('/api/auditions/{id}', { params: { path } })));
  });
  const params = $derived({ path: { id } });
  /** One more, or one less. */
  const goes = (student: number, yes: boolean) =>
    changes.change(
      () => {
        // as they are once those pressed before are answered
        const all = sections.flatMap((s) => s.goes.map((c) => c.student.id));
        const students = yes ? [...all, student] : all.filter((s) => s !== student);
        return asked(api.PUT('/api/auditions/{id}/candidates', { params, body: { students } }));
      },
      (v) => page.put(v)
    );
  const mock = (studentId: number) =>
    changes.once(
      () =>
        asked(
          api.POST('/api/auditions/{id}/mocks', { params, body: { studentId, seed: someNumber() } })
        ),
      (made) => void visit(`/people/mock/${made.id}`)
    );
  const remove = (removed: boolean) =>
    changes.change(
      () => asked(api.PUT('/api/auditions/{id}/removed', { params, body: { removed } })),
      () => void page.again()
    );

  pageKeys(ui.audition.title, [
    { on: 'Escape', words: ui.audition.back, act: () => visit('/people/auditions') }
  ]);
</script>

<svelte:head><title>{ui.audition.page(view?.audition.name ?? '')}</title></svelte:head>

<div class="page">
  <header class="titled">
    <h1>{view?.audition.name ?? ui.audition.title}</h1>
    {#if view}
      <b>{view.audition.dayWords}, {view.audition.left}</b>
      <a href="/people/auditions">{ui.audition.back}</a>
      <a href="/api/auditions/{id}/requirements.csv" download>{ui.audition.save}</a>
      <button class="plain link" onclick={() => (changing = !changing)}>{ui.audition.change}</button
      >
      {#if !view.removed}<button class="plain link" onclick={() => void remove(true)}
          >{ui.audition.remove}</button
        >{/if}
    {/if}
  </header>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
  {#if view}
    {#if view.removed}
      <p role="status">
        {ui.audition.removed}
        <button class="plain link" onclick={() => void remove(false)}>{ui.audition.putBack}</button>
      </p>
    {/if}
    {#if changing}
      <AuditionForm
        {view}
        ondone={() => {
          changing = false;
          void page.again();
        }}
      />
    {/if}
    {#each sections as s (s.instrument)}
      <section>
        <h2>{s.name}</h2>
        {#if s.goes.length}
          <div {@attach scrolls}>
            <table class="rows">
              <thead>
                <tr>
                  <th>{ui.audition.asked}</th>
                  {#each s.goes as c (c.student.id)}
                    <th
                      ><a href="/people/{c.student.id}">{c.student.name}</a>
                      <span class="small quiet">{ui.audition.ready(c.ready, c.counted)}</span></th
                    >
                  {/each}
                </tr>
              </thead>
              <tbody>
                {#each s.asked as a, i (a)}
                  <tr>
                    <td>{a}</td>
                    {#each s.goes as c (c.student.id)}
                      {@const cell = c.cells[i]!}
                      {@const state = cell.state[0]}
                      <td class:open={state && state !== 'READY'}>
                        {#if state}<b class="state {state}">{ui.audition.state[state]}</b>{/if}
                        {#if state !== 'READY'}
                          {#if cell.link}<a class="small" href={cell.link}>{cell.sentence}</a
                            >{:else}<span class="small">{cell.sentence}</span>{/if}
                        {/if}
                      </td>
                    {/each}
                  </tr>
                {/each}
              </tbody>
            </table>
          </div>
          <p class="acts">
            {#each s.goes as c (c.student.id)}
              <Button size="small" kind="tertiary" on:click={() => void mock(c.student.id)}
                >{ui.audition.mock(c.student.name)}</Button
              >
            {/each}
          </p>
        {:else}
          <p class="quiet">{ui.audition.noCandidates}</p>
        {/if}
        {#if s.students.length}
          <details class="small" open={!s.goes.length}>
            <summary>{ui.audition.who}</summary>
            <div class="who">
              {#each s.students as c (c.student.id)}
                <Checkbox
                  labelText={c.student.name}
                  checked={c.candidate}
                  on:check={(e) => {
                    if (e.detail !== c.candidate) void goes(c.student.id, e.detail);
                  }}
                />
              {/each}
            </div>
          </details>
        {/if}
      </section>
    {/each}
    <section>
      <h2>{ui.audition.mocks}</h2>
      <ul>
        {#each view.mocks as m (m.id)}
          <li>
            <a href="/people/mock/{m.id}">{m.student}, {m.day}</a>
            <span class="small quiet"
              >{ui.audition.number(String(m.seed))}; {ui.audition.handed(
                m.handedIn,
                m.judges
              )}</span
            >
          </li>
        {:else}<li class="quiet">{ui.audition.noMocks}</li>{/each}
      </ul>
    </section>
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>

<style>
  section {
    margin-top: 1.5rem;
  }
  h2 {
    margin-bottom: 0.25rem;
  }
  table {
    width: auto;
    min-width: min(100%, 40rem);
  }
  td {
    vertical-align: top;
  }
  .state {
    margin-inline-end: 0.375rem;
  }
  .state.READY {
    color: var(--accent);
  }
  .state.NOTES,
  .state.BEYOND,
  .state.NOT_BEGUN {
    color: var(--hard);
  }
  .acts,
  .who {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1rem;
    margin-top: 0.5rem;
  }
  .who :global(.bx--form-item) {
    flex: 0 0 auto;
  }
  ul {
    list-style: none;
    padding: 0;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1rem;
    align-items: baseline;
  }
  li a {
    min-height: var(--target);
  }
</style>
