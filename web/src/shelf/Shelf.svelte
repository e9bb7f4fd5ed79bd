<!-- Books and pieces: bring one in, give it to a group. -->
<script lang="ts">
  import { SkeletonText } from 'carbon-components-svelte';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { onMount } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import Removal from '../parts/Removal.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { navigate } from '../router';
  import Give from './Give.svelte';
  import Import from './Import.svelte';
  import { list as inRow, ui } from '../words/ui';

  const page = loaded<[Schemas['ShelfPiece'][], Schemas['PeopleView']]>();
  const pieces = $derived(page.value?.[0]);
  const people = $derived(page.value?.[1]);
  const problem = $derived(page.problem);
  let giving = $state.raw<Schemas['ShelfPiece']>();
  let removing = $state.raw<Schemas['PieceRef']>();
  let said = $state('');

  onMount(load);

  function load() {
    return page.ask(() =>
      Promise.all([asked(api.GET('/api/pieces')), asked(api.GET('/api/people'))])
    );
  }

  const books = $derived.by(() => {
    const map = new Map<string, Schemas['ShelfPiece'][]>();
    for (const p of pieces ?? []) {
      const name = p.piece.book || ui.shelf.single;
      map.set(name, [...(map.get(name) ?? []), p]);
    }
    return [...map];
  });

  /** Walks over the pieces; the one that is chosen is given by Enter. */
  const flat = $derived(books.flatMap(([, list]) => list));
  let chosen = $state(Number(location.hash.match(/^#piece-(\d+)$/)?.[1] ?? 0));
  $effect(() => {
    if (pieces && chosen) {
      document.getElementById(`piece-${chosen}`)?.scrollIntoView({ block: 'nearest' });
    }
  });
  const at = $derived(flat.findIndex((p) => p.piece.id === chosen));
  const here = () => !giving && !removing && flat.length > 0;
  pageKeys(ui.app.shelf, [
    {
      on: ['ArrowUp', 'ArrowDown'],
      words: ui.keys.choosePiece,
      when: here,
      act: (key) => {
        const to = at + (key === 'ArrowDown' ? 1 : -1);
        chosen = flat[Math.max(0, Math.min(to, flat.length - 1))]!.piece.id;
      }
    },
    {
      on: 'Enter',
      words: ui.keys.givePiece,
      when: () => here() && at >= 0,
      act: (_, e) => !pressing(e) && (giving = flat[at])
    }
  ]);
</script>

<svelte:head><title>{ui.shelf.shelfTitle}</title></svelte:head>

<div class="page">
  <header>
    <h1>{ui.app.shelf}</h1>
    <p class="small quiet">
      <kbd>↑</kbd> <kbd>↓</kbd>
      {ui.shelf.aPiece} <kbd>Enter</kbd>
      {ui.shelf.givesIt}
    </p>
  </header>
  <Import
    onkept={(title, id) => {
      chosen = id;
      void load().then(() => (said = ui.shelf.onShelf(title)));
    }}
  />
  <p class="said" role="status">{said}</p>
  {#if problem}
    <Trouble text={problem} again={load} />
  {:else if !pieces}
    <SkeletonText paragraph lines={8} />
  {:else}
    {#each books as [book, list] (book)}
      <section>
        <h2>{book}</h2>
        <ul>
          {#each list as p (p.piece.id)}
            <li id="piece-{p.piece.id}" class:chosen={p.piece.id === chosen}>
              <span class="number">{p.piece.number}</span>
              <span class="title">{p.piece.title}</span>
              <span class="quiet small"
                >{p.groups.length ? ui.shelf.givenToGroups(inRow(p.groups)) : ''}</span
              >
              <span class="acts small">
                <button class="plain link" onclick={() => (giving = p)}
                  >{ui.shelf.giveLink}<span class="bx--visually-hidden">
                    {p.piece.title}</span
                  ></button
                >
                <a href="/api/pieces/{p.piece.id}/file" download
                  >{ui.shelf.fileLink}<span class="bx--visually-hidden">
                    {ui.shelf.ofPiece(p.piece.title)}</span
                  ></a
                >
                <button class="plain link" onclick={() => (removing = p.piece)}
                  >{ui.all.removeDots}<span class="bx--visually-hidden">
                    {p.piece.title}</span
                  ></button
                >
              </span>
            </li>
          {/each}
        </ul>
      </section>
    {:else}
      <p>{ui.shelf.empty}</p>
    {/each}
    <p class="small removed"><a href="/removed">{ui.all.whatWasRemoved}</a></p>
  {/if}
</div>

{#if removing}
  <Removal
    kind="PIECE"
    id={removing.id}
    name={removing.title}
    onclose={() => (removing = undefined)}
    ondone={async (words) => {
      removing = undefined;
      await load();
      said = words;
    }}
  />
{/if}

{#if giving && people}
  <Give
    piece={giving.piece}
    {people}
    onclose={() => (giving = undefined)}
    ongiven={(id) => navigate(`/parts/${id}` as '/')}
  />
{/if}

<style>
  header {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
  }
  section {
    margin-top: 1.5rem;
  }
  .said {
    min-height: 1.4em;
    margin-top: 0.5rem;
    font-weight: 600;
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
    grid-template-columns: 2rem minmax(10rem, 18rem) 1fr auto;
    gap: 0.75rem;
    align-items: baseline;
    padding: 0.5rem 0.75rem;
    border-bottom: 1px solid var(--rule);
  }
  li:last-child {
    border-bottom: 0;
  }
  li.chosen {
    background: var(--accent-soft);
  }
  .removed {
    margin-top: 1.5rem;
  }
  .number {
    text-align: right;
    color: var(--ink-2);
  }
  .title {
    font-weight: 600;
  }
  .acts {
    display: flex;
    gap: 1rem;
  }
  @media (max-width: 1000px) {
    li {
      grid-template-columns: 2rem 1fr;
    }
    li .acts,
    li .quiet {
      grid-column: 2;
    }
  }
</style>
