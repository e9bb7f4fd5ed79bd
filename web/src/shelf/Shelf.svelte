<!-- Books and pieces: bring one in, give it to a group. -->
<script lang="ts">
  import { Modal, Select, SelectItem, SkeletonText, TextInput } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import Trouble from '../parts/Trouble.svelte';
  import Import from './Import.svelte';

  let pieces = $state.raw<Schemas['ShelfPiece'][]>();
  let people = $state.raw<Schemas['PeopleView']>();
  let problem = $state('');
  let giving = $state.raw<Schemas['ShelfPiece']>();
  let removed = $state.raw<Schemas['PieceRef']>();
  let group = $state('');
  let due = $state('');
  let words = $state('');
  let giveProblem = $state('');
  let said = $state('');

  onMount(load);

  async function load() {
    problem = '';
    try {
      [pieces, people] = await Promise.all([
        asked(api.GET('/api/pieces')),
        asked(api.GET('/api/people'))
      ]);
      group = String(people.groups[0]?.id ?? '');
    } catch (e) {
      problem = sentence(e);
    }
  }

  const books = $derived.by(() => {
    const map = new Map<string, Schemas['ShelfPiece'][]>();
    for (const p of pieces ?? []) {
      const name = p.piece.book || 'Single pieces';
      map.set(name, [...(map.get(name) ?? []), p]);
    }
    return [...map];
  });

  function give(p: Schemas['ShelfPiece']) {
    giving = p;
    giveProblem = '';
    words = '';
    const week = new Date(Date.now() + 7 * 86400000);
    due = `${week.getFullYear()}-${String(week.getMonth() + 1).padStart(2, '0')}-${String(week.getDate()).padStart(2, '0')}`;
  }

  async function assign() {
    if (!giving) return;
    if (!group) {
      giveProblem = 'Set up a group under People first.';
      return;
    }
    if (!due) {
      giveProblem = 'Choose the day by which it shall be ready.';
      return;
    }
    try {
      await asked(
        api.POST('/api/pieces/{id}/assign', {
          params: { path: { id: giving.piece.id } },
          body: { groupId: Number(group), due, sentence: words }
        })
      );
      said = `${giving.piece.title} is given to ${people?.groups.find((g) => g.id === Number(group))?.name}.`;
      giving = undefined;
      await load();
    } catch (e) {
      giveProblem = sentence(e);
    }
  }

  async function remove(p: Schemas['ShelfPiece']) {
    try {
      await asked(api.DELETE('/api/pieces/{id}', { params: { path: { id: p.piece.id } } }));
      said = `${p.piece.title} is taken off the shelf.`;
      removed = p.piece;
      await load();
    } catch (e) {
      problem = sentence(e);
    }
  }

  async function putBack() {
    if (!removed) return;
    try {
      await asked(api.POST('/api/pieces/{id}/back', { params: { path: { id: removed.id } } }));
      said = `${removed.title} is back on the shelf.`;
      removed = undefined;
      await load();
    } catch (e) {
      problem = sentence(e);
    }
  }
</script>

<div class="page">
  <h1>Shelf</h1>
  <Import
    onkept={(title) => {
      said = `${title} is on the shelf.`;
      void load();
    }}
  />
  <p class="said" role="status">
    {said}
    {#if removed}<button class="plain link" onclick={putBack}>Put it back</button>{/if}
  </p>
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
            <li id="piece-{p.piece.id}">
              <span class="number">{p.piece.number}</span>
              <span class="title">{p.piece.title}</span>
              <span class="quiet small"
                >{p.groups.length ? `given to ${p.groups.join(' and ')}` : ''}</span
              >
              <span class="acts small">
                <button class="plain link" onclick={() => give(p)}
                  >give to a group<span class="bx--visually-hidden"> {p.piece.title}</span></button
                >
                <a href="/api/pieces/{p.piece.id}/file" download
                  >file<span class="bx--visually-hidden"> of {p.piece.title}</span></a
                >
                <button class="plain link" onclick={() => remove(p)}
                  >take off<span class="bx--visually-hidden"> {p.piece.title}</span></button
                >
              </span>
            </li>
          {/each}
        </ul>
      </section>
    {:else}
      <p>The shelf is empty. Bring in a piece as MusicXML above.</p>
    {/each}
  {/if}
</div>

{#if giving}
  <Modal
    open
    size="sm"
    modalHeading="Give {giving.piece.title} to a group"
    primaryButtonText="Give it"
    secondaryButtonText="Leave it"
    on:click:button--secondary={() => (giving = undefined)}
    on:close={() => (giving = undefined)}
    on:submit={assign}
  >
    <div class="form">
      <Select
        labelText="Group"
        selected={group}
        on:change={(e) => (group = String((e.target as HTMLSelectElement).value))}
      >
        {#each people?.groups ?? [] as g (g.id)}
          <SelectItem value={String(g.id)} text={g.name} />
        {/each}
      </Select>
      <label class="bx--label" for="due">Ready by</label>
      <input id="due" class="bx--text-input" type="date" bind:value={due} />
      <TextInput labelText="A sentence for them (may stay empty)" bind:value={words} />
      {#if giveProblem}<Trouble text={giveProblem} />{/if}
    </div>
  </Modal>
{/if}

<style>
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
  li:target {
    background: var(--accent-soft);
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
  .link {
    text-decoration: underline;
    color: var(--accent) !important;
  }
  .form {
    display: grid;
    gap: 0.75rem;
  }
  @media (max-width: 860px) {
    li {
      grid-template-columns: 2rem 1fr;
    }
    li .acts,
    li .quiet {
      grid-column: 2;
    }
  }
</style>
