<!-- What was removed, and the way back of each. -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import type { Kind } from '../parts/Removal.svelte';
  import TakeBackMany from '../parts/TakeBackMany.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { ui } from '../words/ui';

  const page = loaded<Schemas['RemovedView'][]>();
  let said = $state('');
  const changes = door();

  const load = () => page.ask(() => asked(api.GET('/api/removals')));
  /** teachers and judges, whose names stand with what they wrote down */
  const names = loaded<Schemas['NameView'][]>();
  const loadNames = () => names.ask(() => asked(api.GET('/api/names')));
  onMount(() => {
    void load();
    void loadNames();
  });
  const eraseName = (name: string) =>
    changes.change(
      () => asked(api.PUT('/api/names/erased', { body: { name } })),
      (left) => {
        names.put(left);
        said = ui.removed.nameErased(name);
      }
    );

  const KINDS: [Kind, string][] = [
    ['PIECE', ui.removed.pieces],
    ['ASSIGNMENT', ui.removed.assignments],
    ['GROUP', ui.removed.groups],
    ['STUDENT', ui.removed.students],
    ['FINGERING', ui.removed.fingerings]
  ];

  const putBack = (r: Schemas['RemovedView']) =>
    changes.change(
      () =>
        asked(
          api.DELETE('/api/removals/{kind}/{id}', {
            params: { path: { kind: r.kind as Kind, id: r.id } }
          })
        ),
      () => {
        const also = r.with.length ? ui.removed.alsoWith(r.with.join(', ')) : '';
        said = ui.removed.back(r.name, also);
        return load();
      }
    );
</script>

<svelte:head><title>{ui.removed.title}</title></svelte:head>

<div class="page">
  <h1>{ui.removed.removed}</h1>
  <p role="status" class="said">{said}</p>
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  <TakeBackMany
    heading={ui.removed.forMany}
    most={20}
    ondone={(words) => {
      said = words;
      void load();
    }}
  />
  {#if !page.value}
    {#if !page.problem}<SkeletonText paragraph lines={6} />{/if}
  {:else if !page.value.length}
    <p>
      {ui.removed.nothing}
    </p>
  {:else}
    {#each KINDS as [kind, heading] (kind)}
      {@const list = page.value.filter((r) => r.kind === kind)}
      {#if list.length}
        <section>
          <h2>{heading}</h2>
          <ul>
            {#each list as r (r.id)}
              <li>
                <span class="name"><b>{r.name}</b> <span class="quiet">{r.about}</span></span>
                <span class="small quiet"
                  >{r.when ? ui.removed.on(r.when) : ''}{r.with.length
                    ? ui.removed.with(r.when ? '; ' : '', r.with.join(', '))
                    : ''}</span
                >
                <Button size="small" kind="tertiary" on:click={() => putBack(r)}
                  >{ui.all.putBack}<span class="bx--visually-hidden">&nbsp;{r.name}</span></Button
                >
              </li>
            {/each}
          </ul>
        </section>
      {/if}
    {/each}
    <p class="small quiet">
      {ui.removed.toErase} <a href="/people">{ui.app.people}</a>.
    </p>
  {/if}
  {#if names.value?.length}
    <section>
      <h2>{ui.removed.names}</h2>
      <p class="small quiet">{ui.removed.namesLead}</p>
      <ul>
        {#each names.value as n (n.name)}
          <li>
            <span class="name"><b>{n.name}</b></span>
            <span class="small quiet">{ui.removed.entries(n.entries)}</span>
            <Button
              size="small"
              kind="tertiary"
              disabled={changes.busy}
              on:click={() => eraseName(n.name)}
              >{ui.removed.eraseName}<span class="bx--visually-hidden">&nbsp;{n.name}</span></Button
            >
          </li>
        {/each}
      </ul>
    </section>
  {/if}
</div>

<style>
  .said {
    min-height: 1.4em;
    font-weight: 600;
  }
  section {
    margin: 1.25rem 0;
  }
  ul {
    list-style: none;
    margin: 0.5rem 0 0;
    padding: 0;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  li {
    display: grid;
    grid-template-columns: 20rem minmax(0, 1fr) auto;
    gap: 1rem;
    align-items: center;
    padding: 0.5rem 0.75rem;
  }
  li + li {
    border-top: 1px solid var(--rule);
  }
  @media (max-width: 700px) {
    li {
      grid-template-columns: 1fr;
    }
  }
</style>
