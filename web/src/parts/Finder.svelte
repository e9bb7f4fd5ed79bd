<!-- From anywhere to a student's part or a piece, by typing a few letters of the name. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { read, text, words } from '../lib/pitch';
  import { navigate } from '../router';
  import { ui } from '../words/ui';

  let { onclose }: { onclose: () => void } = $props();
  interface Hit {
    text: string;
    detail: string;
    href: string;
  }
  let all = $state.raw<Hit[]>([]);
  let instruments = $state.raw<Schemas['InstrumentView'][]>([]);
  let query = $state('');
  let at = $state(0);
  let problem = $state('');
  let field: HTMLInputElement;
  let dialog: HTMLDialogElement;

  const plain = (s: string) => s.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
  /** "horn B♭4" is no name in a list: a note is found by instrument and name. */
  const note = $derived(
    words(query)
      .map((said) => ({ said, name: read(said) }))
      .find((w) => w.name?.octave !== undefined)
  );
  const hits = $derived(
    [...notes(), ...all]
      .filter((h) =>
        plain(query)
          .split(/\s+/)
          .every((w) => plain(h.text + ' ' + h.detail).includes(w))
      )
      .slice(0, 9)
  );

  function notes(): Hit[] {
    if (!note) return [];
    const name = text(note.name!);
    return instruments.map((i) => ({
      text: `${i.name} ${note.said}`,
      detail: ui.all.itsFingerings,
      href: `/notes/${i.id}/${encodeURIComponent(name)}`
    }));
  }

  onMount(async () => {
    dialog.showModal();
    field.focus();
    try {
      const [today, people, pieces, table] = await Promise.all([
        asked(api.GET('/api/today')),
        asked(api.GET('/api/people')),
        asked(api.GET('/api/pieces')),
        asked(api.GET('/api/instruments'))
      ]);
      instruments = table;
      const tables = table.map((i) => ({
        text: i.name,
        detail: ui.all.allItsNotes,
        href: `/notes/${i.id}`
      }));
      const parts = today.groups.flatMap((g) =>
        g.next.flatMap((n) =>
          n.players.map((p) => ({
            text: p.student.name,
            detail: ui.all.onTheStand(n.piece.title),
            href: `/stand/${p.student.id}/${n.piece.id}`
          }))
        )
      );
      const students = people.students.map((s) => ({
        text: s.name,
        detail: ui.all.whatWasHeard(s.instrumentName),
        href: `/people/${s.id}`
      }));
      const shelf = pieces.map((p) => ({
        text: p.piece.title,
        detail: p.piece.source,
        href: `/shelf#piece-${p.piece.id}`
      }));
      all = [...parts, ...students, ...shelf, ...tables];
    } catch (e) {
      problem = sentence(e);
    }
  });

  function go(h: Hit | undefined) {
    if (!h) return;
    onclose();
    navigate(h.href as '/');
  }

  function onkeydown(e: KeyboardEvent) {
    if (e.key === 'ArrowDown') at = Math.min(at + 1, hits.length - 1);
    else if (e.key === 'ArrowUp') at = Math.max(at - 1, 0);
    else if (e.key === 'Enter') go(hits[at]);
    else return;
    e.preventDefault();
  }
</script>

<dialog bind:this={dialog} {onclose} aria-label={ui.app.find}>
  <input
    bind:this={field}
    bind:value={query}
    oninput={() => (at = 0)}
    {onkeydown}
    type="text"
    placeholder={ui.all.studentOrPiece}
    role="combobox"
    aria-expanded="true"
    aria-controls="finds"
    aria-label={ui.all.studentOrPiece}
    autocomplete="off"
  />
  {#if problem}<p class="none">{problem}</p>{/if}
  <ul id="finds" role="listbox" aria-label={ui.all.found}>
    {#each hits as h, i (h.href + h.detail)}
      <li role="option" aria-selected={i === at} class:at={i === at}>
        <button class="plain" tabindex="-1" onclick={() => go(h)}>
          <b>{h.text}</b> <span class="quiet">{h.detail}</span>
        </button>
      </li>
    {:else}
      <li class="none" role="option" aria-selected="false">{ui.all.noName}</li>
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
