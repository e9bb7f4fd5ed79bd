<!-- A book, exercise by exercise: what each brings that none before it had, for one instrument and on a map of all. -->
<script lang="ts">
  import { ProgressBar, Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { Kept } from '../lib/kept.svelte';
  import { loaded } from '../lib/load.svelte';
  import { scrolls } from '../lib/scrolls';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { ui } from '../words/ui';
  import { ahead, mapOf, standings, type Exercises } from './book';

  const name = $derived(decodeURIComponent(route.params.book ?? ''));
  const instrument = new Kept('book-instrument', 'flute');
  const group = new Kept<number>('book-group', 0);
  const instruments = loaded<Schemas['InstrumentView'][]>();
  const people = loaded<Schemas['PeopleView']>();
  const page = loaded<Exercises>();
  const matrix = loaded<Schemas['MatrixView']>();
  const rows = $derived(page.value ?? []);
  const groups = $derived((people.value?.groups ?? []).filter((g) => g.students.length));
  const ofGroup = $derived(groups.find((g) => g.id === group.value));

  $effect(() => {
    void instruments.ask(() => asked(api.GET('/api/instruments')));
    void people.ask(() => asked(api.GET('/api/people')));
  });
  const read = (of: string, fingered: boolean) =>
    asked(api.GET('/api/book', { params: { query: { name, instrument: of, fingered } } }));
  $effect(() => {
    const of = instrument.value;
    void page.ask(() => read(of, true));
  });
  $effect(() => {
    const id = ofGroup?.id;
    matrix.put(undefined);
    if (!id) return;
    const params = { path: { id }, query: { what: 'shelf' } };
    void matrix.ask(() => asked(api.GET('/api/groups/{id}/readiness', { params })));
  });
  const standing = $derived(standings(matrix.value));
  const order = $derived(
    ahead(
      rows.map((r) => r.piece),
      standing
    )
  );

  /** the map, an instrument at a time, when it is asked for */
  const readersOf = loaded<Schemas['MapReader'][]>();
  const reading = loaded<Exercises>();
  const readers = $derived(readersOf.value ?? []);
  let pages = $state.raw<Map<string, Exercises>>(new Map());
  let mapping = $state(false);
  const problem = $derived(readersOf.problem || reading.problem);
  let turn = 0;
  onDestroy(() => void turn++);
  async function drawMap() {
    const mine = ++turn;
    mapping = true;
    pages = new Map();
    await readersOf.ask(() => asked(api.GET('/api/book/readers')));
    for (const r of readers) {
      if (mine !== turn || problem) break;
      await reading.ask(
        () => read(r.id, false),
        (exercises) => {
          if (mine === turn) pages = new Map(pages).set(r.id, exercises);
        }
      );
    }
    if (mine === turn) mapping = false;
  }
  // a link may ask for it
  if (new URLSearchParams(location.search).has('map')) void drawMap();
  function stop() {
    turn++;
    mapping = false;
  }
  const map = $derived(mapOf(readers, pages));
  const last = $derived(rows[rows.length - 1]);
  const fresh = (r: Exercises[number]) => [...r.fingerings, ...r.others].join(' · ');
</script>

<svelte:head><title>{ui.shelf.lookTitle(name)}</title></svelte:head>

<div class="page">
  <h1>{name}</h1>
  <p class="quiet">{ui.book.how}</p>
  <div class="choose">
    <Select
      size="sm"
      labelText={ui.shelf.asReadBy}
      selected={instrument.value}
      on:change={(e) => (instrument.value = (e.target as HTMLSelectElement).value)}
    >
      {#each instruments.value ?? [] as i (i.id)}<SelectItem value={i.id} text={i.name} />{/each}
    </Select>
    <Select
      size="sm"
      labelText={ui.book.against}
      selected={ofGroup?.id ?? 0}
      on:change={(e) => (group.value = +(e.target as HTMLSelectElement).value)}
    >
      <SelectItem value={0} text={ui.book.noGroup} />
      {#each groups as g (g.id)}<SelectItem value={g.id} text={g.name} />{/each}
    </Select>
    <a class="out" download href="/api/book.zip?name={encodeURIComponent(name)}"
      >{ui.book.saveArchive}</a
    >
  </div>
  {#if matrix.problem}<Trouble text={matrix.problem} again={matrix.again} />{/if}
  {#if ofGroup && order.next}
    <p class="order">
      {ui.book.next}
      <a href="/shelf/{order.next.piece.id}">{order.next.piece.number} {order.next.piece.title}</a>,
      {ui.shelf.readyOf(order.next.ready, order.next.players)}.
      {#if order.nearer.length}
        {ui.book.nearer}
        {#each order.nearer as n, i (n.piece.id)}{i ? '; ' : ' '}<a href="/shelf/{n.piece.id}"
            >{n.piece.number} {n.piece.title}</a
          >, {ui.shelf.readyOf(n.ready, n.players)}{/each}.
      {/if}
    </p>
  {/if}

  <section aria-label={ui.book.map}>
    {#if !readers.length && !mapping}
      <button class="plain link" onclick={() => void drawMap()}>{ui.book.showMap}</button>
    {/if}
    {#if mapping}
      <div class="going">
        <ProgressBar
          labelText={ui.book.reading(pages.size, readers.length)}
          value={readers.length ? (100 * pages.size) / readers.length : undefined}
          size="sm"
        />
        <button class="plain link" onclick={stop}>{ui.all.cancel}</button>
      </div>
    {/if}
    {#if problem}<Trouble text={problem} again={() => void drawMap()} />{/if}
    {#if map.rows.length}
      <h2>{ui.book.map}</h2>
      <p class="small quiet">{ui.book.mapHow}</p>
      <div class="beyond" {@attach scrolls}>
        <table class="map">
          <thead>
            <tr>
              <th scope="col">{ui.book.instrument}</th>
              {#each map.columns as c (c.id)}
                <th scope="col"
                  ><a href="/shelf/{c.id}" title={c.title}>{c.number || c.title}</a></th
                >
              {/each}
            </tr>
          </thead>
          <tbody>
            {#each map.rows as r (r.id)}
              <tr class:chosen={r.id === instrument.value}>
                <th scope="row"
                  ><button class="plain link" onclick={() => (instrument.value = r.id)}
                    >{r.name}</button
                  ></th
                >
                {#each r.cells as c, i (i)}
                  <td
                    class={c.none ? 'none' : `n${Math.min(4, c.notes)}`}
                    class:early={c.early.length}
                    title={c.told}
                    >{c.none ? '' : c.notes || ''}{#if c.early.length}<span
                        class="bx--visually-hidden">{c.early.join('; ')}</span
                      >{/if}</td
                  >
                {/each}
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
    {/if}
  </section>

  {#if page.problem}<Trouble text={page.problem} again={page.again} />
  {:else if !page.value}
    <SkeletonText paragraph lines={8} />
  {:else if !last}
    <p>{ui.shelf.bookNoPage}</p>
  {:else}
    <p class="sum">{ui.shelf.bookHas(last.soFar, rows.length)}</p>
    <table class="rows sheet stack">
      <thead>
        <tr>
          <th scope="col">{ui.shelf.exercise}</th>
          <th scope="col">{ui.book.newNotes}</th>
          <th scope="col">{ui.book.newElse}</th>
          {#if ofGroup}<th scope="col">{ofGroup.name}</th>{/if}
          <th scope="col" class="number">{ui.shelf.notesSoFar}</th>
        </tr>
      </thead>
      <tbody>
        {#each rows as r (r.piece.id)}
          {@const s = standing.get(r.piece.id)}
          <tr>
            <th scope="row"
              ><span class="at">{r.piece.number}</span>
              <a href="/shelf/{r.piece.id}">{r.piece.title}</a>
              {#if r.piece.page}<span class="small quiet">{ui.book.page(r.piece.page)}</span
                >{/if}</th
            >
            <td data-label={ui.book.newNotes}
              >{#if r.fresh.length}<b>{r.fresh.join(' ')}</b>{:else}<span class="quiet"
                  >{ui.book.none}</span
                >{/if}
              {#if r.early.length}<p class="small early">
                  {ui.book.passing}
                  {r.early.join('; ')}
                </p>{/if}</td
            >
            <td data-label={ui.book.newElse}>{fresh(r)}</td>
            {#if ofGroup}<td data-label={ofGroup.name}
                >{s ? ui.shelf.readyOf(s.ready, s.players) : ''}</td
              >{/if}
            <td class="number" data-label={ui.shelf.notesSoFar}>{r.soFar}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</div>

<style>
  .choose {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(16rem, 100%), 18rem));
    gap: 0.75rem 1.25rem;
    align-items: end;
    margin-top: 0.75rem;
  }
  .out {
    display: inline-block;
    padding-block: max(0.125rem, (var(--target) - 1lh) / 2);
  }
  .order,
  section {
    margin-top: 1rem;
  }
  h2 {
    margin-bottom: 0;
  }
  .going {
    display: flex;
    gap: 1rem;
    align-items: end;
    max-width: 30rem;
  }
  .going > :global(:first-child) {
    flex: 1;
  }
  .sum {
    margin: 1.25rem 0 0.5rem;
    font-weight: 600;
  }
  .at {
    display: inline-block;
    min-width: 1.75rem;
    color: var(--ink-2);
    font-weight: 400;
  }
  .number {
    text-align: right;
  }
  .map {
    border-collapse: separate;
    border-spacing: 1px;
    font-size: 0.8125rem;
  }
  .map th {
    font-weight: 400;
    white-space: nowrap;
  }
  .map thead th:not(:first-child) {
    text-align: center;
    vertical-align: bottom;
  }
  .map th:first-child {
    position: sticky;
    left: 0;
    z-index: 1;
    text-align: left;
    padding-right: 0.75rem;
    background: var(--desk);
  }
  .map thead a {
    display: inline-flex;
    align-items: flex-end;
    justify-content: center;
    min-width: 1.5rem;
    min-height: var(--target);
    padding: 0.25rem;
  }
  .map button,
  section > button,
  .going button {
    min-height: var(--target);
  }
  .map td {
    position: relative;
    min-width: 1.5rem;
    height: 1.5rem;
    text-align: center;
    background: var(--paper);
    color: var(--ink);
  }
  .map .n1 {
    background: color-mix(in srgb, var(--hand) 18%, var(--paper));
  }
  .map .n2 {
    background: color-mix(in srgb, var(--hand) 32%, var(--paper));
  }
  .map :is(.n3, .n4) {
    background: color-mix(in srgb, var(--hand) 46%, var(--paper));
  }
  .map .none {
    background: none;
  }
  .map .early {
    outline: 2px solid var(--hard);
    outline-offset: -2px;
  }
  .map .chosen th {
    font-weight: 600;
  }
  p.early {
    margin: 0.125rem 0 0;
  }
</style>
