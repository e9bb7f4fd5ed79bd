<!-- From anywhere to a student's part, a piece, a note, a place or a tool, by typing a few letters. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, asked } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import { visit } from '../router';
  import { ways } from '../ways.svelte';
  import { ui } from '../words/ui';
  import { found, idOf, placesOf, type Hit, type Lists } from './finding';

  let { onclose }: { onclose: () => void } = $props();
  const lists = loaded<Lists>();
  let query = $state('');
  /** the row that is chosen by the arrows, whatever comes in around it */
  let chosen = $state('');
  /** Enter was pressed before there was anything to go to */
  let waiting = false;
  let field: HTMLInputElement;
  let dialog: HTMLDialogElement;

  const say = {
    onTheStand: ui.all.onTheStand,
    forDue: ui.find.forDue,
    whatWasHeard: ui.all.whatWasHeard,
    allItsNotes: ui.all.allItsNotes,
    itsFingerings: ui.all.itsFingerings,
    acrossBand: ui.find.acrossBand
  };
  const places = placesOf(ui.find.places);
  const hits = $derived(found(query, places, lists.value, say, ways.naming));
  const at = $derived(
    Math.max(
      0,
      hits.findIndex((h) => idOf(h) === chosen)
    )
  );

  onMount(() => {
    dialog.showModal();
    field.focus();
    void lists.ask(
      async () => {
        const [today, people, pieces, instruments] = await Promise.all([
          asked(api.GET('/api/today')),
          asked(api.GET('/api/people')),
          asked(api.GET('/api/pieces')),
          asked(api.GET('/api/instruments'))
        ]);
        return { today, people, pieces, instruments };
      },
      () => waiting && go(hits[at])
    );
  });

  function go(h: Hit | undefined) {
    if (!h) return;
    onclose();
    visit(h.href);
  }
  const step = (by: number) => {
    const next = hits[Math.max(0, Math.min(at + by, hits.length - 1))];
    if (next) chosen = idOf(next);
  };

  function onkeydown(e: KeyboardEvent) {
    if (e.key === 'ArrowDown') step(1);
    else if (e.key === 'ArrowUp') step(-1);
    else if (e.key === 'Enter') {
      // what is meant may still be on its way
      if (lists.busy && !chosen) waiting = true;
      else go(hits[at]);
    } else return;
    e.preventDefault();
  }
</script>

<dialog bind:this={dialog} {onclose} aria-label={ui.app.find}>
  <input
    bind:this={field}
    bind:value={query}
    oninput={() => {
      chosen = '';
      waiting = false;
    }}
    {onkeydown}
    type="text"
    placeholder={ui.find.hint}
    role="combobox"
    aria-expanded="true"
    aria-controls="finds"
    aria-activedescendant={hits.length ? `find-${at}` : undefined}
    aria-label={ui.find.hint}
    autocomplete="off"
  />
  {#if lists.problem}<p class="none" role="alert">{lists.problem}</p>{/if}
  <ul id="finds" role="listbox" aria-label={ui.all.found}>
    {#each hits as h, i (idOf(h))}
      <li id="find-{i}" role="option" aria-selected={i === at} class:at={i === at}>
        <button class="plain" tabindex="-1" onclick={() => go(h)}>
          <b>{h.text}</b> <span class="quiet">{h.detail}</span>
        </button>
      </li>
    {:else}
      <li class="none" role="option" aria-selected="false">
        {lists.busy ? ui.find.looking : ui.find.nothing(query.trim())}
      </li>
    {/each}
  </ul>
</dialog>

<style>
  dialog {
    width: min(34rem, 92vw);
    margin-top: 12vh;
    padding: 0;
    border: 1px solid var(--rule);
    border-radius: 6px;
    background: var(--paper);
    color: var(--ink);
  }
  dialog::backdrop {
    background: rgb(0 0 0 / 45%);
  }
  input {
    box-sizing: border-box;
    width: 100%;
    padding: 0.875rem 1rem;
    border: 0;
    border-bottom: 1px solid var(--rule);
    background: none;
    color: inherit;
    font: inherit;
    font-size: 1.125rem;
  }
  input:focus {
    outline: none;
    border-bottom-color: var(--accent);
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0.375rem 0;
  }
  li button {
    width: 100%;
    padding: 0.5rem 1rem;
  }
  li.at {
    background: var(--accent-soft);
  }
  .none {
    padding: 0.5rem 1rem;
    color: var(--ink-2);
  }
</style>
