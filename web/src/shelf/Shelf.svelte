<!-- Books and pieces: bring one in, give it to a group. -->
<script lang="ts">
  import { Button, Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { Kept } from '../lib/kept.svelte';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { onMount } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import Removal from '../parts/Removal.svelte';
  import Sought from '../parts/Sought.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { visit, route } from '../router';
  import Give from './Give.svelte';
  import BringMany from './BringMany.svelte';
  import Import from './Import.svelte';
  import { found, ordered, rowsOf, type Order, type Row } from './rows';
  import { list as inRow, ui } from '../words/ui';

  const page = loaded<[Schemas['ShelfPiece'][], Schemas['PeopleView']]>();
  const pieces = $derived(page.value?.[0]);
  const people = $derived(page.value?.[1]);
  const problem = $derived(page.problem);
  let giving = $state.raw<Schemas['PieceRef'][]>([]);
  let removing = $state.raw<Schemas['PieceRef'][]>([]);
  /** pieces that are ticked, for what is done with many at once */
  let ticked = $state.raw<number[]>([]);
  let said = $state('');

  onMount(load);

  function load() {
    return page.ask(() =>
      Promise.all([asked(api.GET('/api/pieces')), asked(api.GET('/api/people'))])
    );
  }

  const starters = loaded<Schemas['Book'][]>();
  const offered = $derived((starters.value ?? []).filter((b) => b.missing));
  const changes = door();
  $effect(() => {
    if (pieces) void starters.ask(() => asked(api.GET('/api/starters')));
  });
  const start = (book: string) =>
    changes.once(
      () => asked(api.POST('/api/starters', { body: { book } })),
      async ({ done }) => {
        await load();
        said = done;
      }
    );

  /** what takes longer to find out comes when it is there */
  const facts = loaded<Schemas['FactsView'][]>();
  const readiness = loaded<Schemas['MatrixView']>();
  const group = new Kept<number>('shelf-group', 0);
  let order = $state<Order>('book');
  let typed = $state('');
  let bringing = $state(false);
  /** files that were dropped together */
  let dropped = $state.raw<File[]>([]);
  const groups = $derived(people?.groups ?? []);
  /** the first group, until one that is still there is chosen, or none */
  const ofGroup = $derived(
    group.chosen && !group.value
      ? undefined
      : (groups.find((g) => g.id === group.value) ?? groups.find((g) => g.students.length))
  );
  $effect(() => {
    if (pieces) void facts.ask(() => asked(api.GET('/api/pieces/facts')));
  });
  $effect(() => {
    const id = ofGroup?.id;
    readiness.put(undefined);
    if (!id || !pieces) return;
    const params = { path: { id }, query: { what: 'shelf' } };
    void readiness.ask(() => asked(api.GET('/api/groups/{id}/readiness', { params })));
  });

  const rows = $derived(
    ordered(found(rowsOf(pieces ?? [], facts.value ?? [], readiness.value), typed), order)
  );
  const books = $derived.by(() => {
    const map = new Map<string, Row[]>();
    for (const r of rows) {
      // in another order than the books' they stand together
      const byBook = order === 'book' || order === 'open';
      const name = byBook ? r.shelf.piece.book || ui.shelf.single : '';
      map.set(name, [...(map.get(name) ?? []), r]);
    }
    return [...map];
  });
  /** What else one asks of a piece before giving it. */
  const more = (r: Row) =>
    [
      r.one ? ui.shelf.oneShort(r.one) : '',
      r.shelf.groups.length ? ui.shelf.givenToGroups(inRow(r.shelf.groups)) : ''
    ]
      .filter(Boolean)
      .join(' · ');
  /** Length, key and range of a piece. */
  function about({ facts: f }: Row) {
    if (!f) return '';
    return [
      ui.shelf.barsCount(f.bars),
      f.parts > 1 ? ui.shelf.partsCount(f.parts) : '',
      f.key && ui.shelf.soundsIn(f.key),
      f.range
    ]
      .filter(Boolean)
      .join(' · ');
  }

  /** Walks over the pieces; the one that is chosen is given by Enter. */
  const flat = $derived(books.flatMap(([, list]) => list.map((r) => r.shelf)));
  let chosen = $state(0);
  $effect(() => {
    const wanted = Number(route.hash.match(/^#piece-(\d+)$/)?.[1] ?? 0);
    if (wanted) chosen = wanted;
  });
  $effect(() => {
    if (pieces && chosen) {
      document.getElementById(`piece-${chosen}`)?.scrollIntoView({ block: 'nearest' });
    }
  });
  const at = $derived(flat.findIndex((p) => p.piece.id === chosen));
  const tick = (id: number, is: boolean) =>
    (ticked = is ? [...ticked, id] : ticked.filter((t) => t !== id));
  /** those of them that are seen, in the order in which they are seen */
  const many = $derived(flat.map((p) => p.piece).filter((p) => ticked.includes(p.id)));
  /** Of several some may be done when one fails and the dialog is closed: the list says so. */
  function closed(count: number) {
    giving = removing = [];
    if (count > 1) void load();
  }
  const here = () => !giving.length && !removing.length && flat.length > 0;
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
      act: (_, e) => {
        if (pressing(e)) return false;
        giving = [flat[at]!.piece];
      }
    }
  ]);
</script>

<svelte:head><title>{ui.shelf.shelfTitle}</title></svelte:head>

<div class="page">
  <header>
    <h1>{ui.app.shelf}</h1>
    <p class="small quiet hints">
      <kbd>↑</kbd> <kbd>↓</kbd>
      {ui.shelf.aPiece} <kbd>Enter</kbd>
      {ui.shelf.givesIt}
    </p>
  </header>
  <Import
    onmany={(files) => {
      dropped = files;
      bringing = true;
    }}
    onkept={(title, id) => {
      chosen = id;
      void load().then(() => (said = ui.shelf.onShelf(title)));
    }}
  />
  <p class="type">
    <a href="/shelf/typed">{ui.shelf.typeIt}</a>
    <a href="/shelf/typed?make=1">{ui.shelf.makeIt}</a>
    <button class="plain link" aria-expanded={bringing} onclick={() => (bringing = !bringing)}
      >{ui.book.bring}</button
    >
  </p>
  {#if bringing}<BringMany given={dropped} onbrought={() => void load()} />{/if}
  <p class="said" role="status">{said}</p>
  {#if problem}
    <Trouble text={problem} again={load} />
  {:else if !pieces}
    <SkeletonText paragraph lines={8} />
  {:else}
    {#if pieces.length}
      <Sought
        find={ui.shelf.find}
        bind:typed
        by={ui.shelf.orderBy}
        orders={ui.shelf.orders}
        bind:order
      >
        <Select
          size="sm"
          labelText={ui.shelf.readyIn}
          selected={String(ofGroup?.id ?? 0)}
          on:change={(e) => (group.value = Number((e.target as HTMLSelectElement).value))}
        >
          <SelectItem value="0" text={ui.shelf.noGroup} />
          {#each groups as g (g.id)}<SelectItem value={String(g.id)} text={g.name} />{/each}
        </Select>
      </Sought>
      {#if ofGroup}<p class="small quiet">{ui.shelf.readyHow}</p>{/if}
    {/if}
    {#if many.length}
      <div class="many" role="group" aria-label={ui.shelf.manyTicked(many.length)}>
        <b>{ui.shelf.manyTicked(many.length)}</b>
        <Button size="small" on:click={() => (giving = many)}>{ui.shelf.giveThem}</Button>
        <Button size="small" kind="tertiary" on:click={() => (removing = many)}
          >{ui.shelf.removeThem}</Button
        >
        <button class="plain link" onclick={() => (ticked = [])}>{ui.shelf.tickNone}</button>
      </div>
    {/if}
    {#if readiness.problem}<Trouble text={readiness.problem} again={readiness.again} />{/if}
    {#each books as [book, list] (book)}
      <section>
        {#if book}
          <div class="book">
            <h2>{book}</h2>
            {#if list[0]?.shelf.piece.book}
              <a class="small" href="/shelf/book/{encodeURIComponent(book)}"
                >{ui.shelf.bookLink}<span class="bx--visually-hidden">, {book}</span></a
              >
            {/if}
          </div>
        {/if}
        <ul>
          {#each list as r (r.shelf.piece.id)}
            {@const p = r.shelf}
            <li id="piece-{p.piece.id}" class:chosen={p.piece.id === chosen}>
              <label class="number"
                ><input
                  type="checkbox"
                  checked={ticked.includes(p.piece.id)}
                  onchange={(e) => tick(p.piece.id, e.currentTarget.checked)}
                />
                <span aria-hidden="true">{p.piece.number}</span><span class="bx--visually-hidden"
                  >{ui.shelf.tick(p.piece.title)}</span
                ></label
              >
              <a class="title" href="/shelf/{p.piece.id}{ofGroup ? `?group=${ofGroup.id}` : ''}"
                >{p.piece.title}</a
              >
              <span class="quiet small">
                <span class="about">{about(r) || '\u200B'}</span>
                {#if r.players}<b>{ui.shelf.readyOf(r.ready, r.players)}</b>{more(r)
                    ? ' · '
                    : ''}{/if}
                {more(r)}
              </span>
              <span class="acts small">
                <button class="plain link" onclick={() => (giving = [p.piece])}
                  >{ui.shelf.giveLink}<span class="bx--visually-hidden">
                    {p.piece.title}</span
                  ></button
                >
                <a href="/api/pieces/{p.piece.id}/file" download
                  >{ui.shelf.fileLink}<span class="bx--visually-hidden">
                    {ui.shelf.ofPiece(p.piece.title)}</span
                  ></a
                >
                <button class="plain link" onclick={() => (removing = [p.piece])}
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
      <p>{pieces.length ? ui.shelf.nothingFound : ui.shelf.empty}</p>
    {/each}
    {#if changes.problem}<Trouble text={changes.problem} />{/if}
    {#if offered.length}
      <p class="small from">
        {ui.shelf.starters}
        {#each offered as b, i (b.title)}{i ? ' · ' : ''}<button
            class="plain link"
            onclick={() => void start(b.title)}>{ui.shelf.addStarter(b.title, b.missing)}</button
          >{/each}
      </p>
    {/if}
    <p class="small quiet from">{ui.shelf.whereFrom}</p>
    <div class="small removed"><a href="/removed">{ui.all.whatWasRemoved}</a></div>
  {/if}
</div>

{#if removing[0]}
  {@const [first, ...others] = removing}
  <Removal
    kind="PIECE"
    id={first!.id}
    others={others.map((p) => p.id)}
    name={others.length ? ui.shelf.manyPieces(removing.length) : first!.title}
    more={others.length ? inRow(removing.map((p) => p.title)) : ''}
    onclose={() => closed(removing.length)}
    ondone={async (words) => {
      removing = [];
      ticked = [];
      await load();
      said = words;
    }}
  />
{/if}

{#if giving.length && people}
  <Give
    pieces={giving}
    {people}
    onclose={() => closed(giving.length)}
    ongiven={async (ids) => {
      if (ids.length === 1) return visit(`/parts/${ids[0]}`);
      said = ui.shelf.manyGiven(inRow(giving.map((p) => p.title)));
      giving = [];
      ticked = [];
      await load();
    }}
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
  .type :is(a, button) {
    margin-right: 1.25rem;
    display: inline-block;
    padding-block: max(0.125rem, (var(--target) - 1lh) / 2);
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
    grid-template-columns: 3.5rem minmax(10rem, 18rem) 1fr auto;
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
    display: flex;
    gap: 0.5rem;
    justify-content: space-between;
    align-items: baseline;
    min-height: var(--target);
    color: var(--ink-2);
    cursor: pointer;
  }
  .number input {
    width: 1.5rem;
    height: 1.5rem;
    margin: 0;
    accent-color: var(--accent);
    align-self: center;
  }
  .book,
  .many {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1.25rem;
    align-items: baseline;
  }
  .many {
    position: sticky;
    top: 0;
    z-index: 2;
    align-items: center;
    margin-top: 1rem;
    padding: 0.5rem 0.75rem;
    background: var(--accent-soft);
  }
  .title {
    font-weight: 600;
    color: var(--ink);
    text-decoration: none;
  }
  .title:hover {
    text-decoration: underline;
  }
  .about {
    display: block;
  }
  /* what comes later has its place, so that nothing moves under a hand */
  li > .quiet {
    min-height: 2lh;
  }
  .from {
    margin-top: 1rem;
    max-width: 44rem;
  }
  .acts {
    display: flex;
    gap: 1rem;
  }
  @media (max-width: 1000px) {
    li {
      grid-template-columns: 3.5rem minmax(0, 1fr) auto;
      gap: 0 0.75rem;
    }
    li .quiet {
      grid-column: 2 / -1;
      grid-row: 2;
    }
  }
  @media (max-width: 550px) {
    li {
      grid-template-columns: 3.5rem minmax(0, 1fr);
    }
    li .acts {
      grid-column: 2;
      grid-row: 3;
    }
  }
</style>
