<!-- A teacher's own fingering: pressed on the picture or written in the notation. -->
<script lang="ts">
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import Hands from './Hands.svelte';
  import { heldOf, same, textOf, type Key } from './hands';
  import { ui } from '../words/ui';

  let {
    table,
    note,
    onadded,
    oncancel
  }: {
    table: Schemas['TableView'];
    note: Schemas['TableNote'];
    onadded: (said: string) => void;
    oncancel: () => void;
  } = $props();

  let text = $derived(note.ways[0]?.fingering ?? '|');
  let label = $state('');
  let words = $state('');
  let remark = $state('');
  let role = $state<Schemas['WayView']['role']>('ALTERNATE');
  const changes = door();

  const held = $derived(heldOf(text, table.keys, table.kind));
  const cm = $derived(table.slideGuides[Number(text.match(/p(\d)/)?.[1] ?? 1) - 1] ?? 0);

  function toggle(key: Key) {
    const there = held.find((h) => same(h, key));
    const next =
      there && !there.half && key.hole
        ? held.map((h) => (h === there ? { ...h, half: true } : h))
        : there
          ? held.filter((h) => h !== there)
          : [...held, { token: key.token, left: key.left, half: false, free: false }];
    text = textOf(next, table.kind);
  }

  async function submit(e: SubmitEvent) {
    e.preventDefault();
    const body = { note: note.written, fingering: text, role, label, words, remark };
    await changes.once(
      () =>
        asked(
          api.POST('/api/notes/{instrument}/own', {
            params: { path: { instrument: table.id } },
            body
          })
        ),
      (a) => onadded(ui.notes.isAdded(label, note.shown, a.doubt).trim())
    );
  }
</script>

<form onsubmit={submit}>
  <h3>{ui.notes.ownOf(note.shown)}</h3>
  <div class="two">
    <div class="pad">
      <Hands
        instrument={table.id}
        keys={table.keys}
        {held}
        kind={table.kind}
        guides={table.slideGuides}
        slideCm={cm}
        label={ui.notes.pressHeld}
        ontoggle={table.kind === 'SLIDE' ? undefined : toggle}
      />
      <p class="small quiet">
        {table.kind === 'SLIDE'
          ? ui.notes.writePosition
          : table.kind === 'VALVES'
            ? ui.notes.pressValves
            : ui.notes.pressHoles}
      </p>
    </div>
    <div class="fields">
      <TextInput size="sm" labelText={ui.notes.theFingering} bind:value={text} />
      <TextInput
        size="sm"
        labelText={ui.notes.youCallIt}
        placeholder={ui.notes.plainWords}
        maxlength={120}
        bind:value={label}
      />
      <Select
        size="sm"
        labelText={ui.notes.itIs}
        selected={role}
        on:change={(e) => (role = (e.target as HTMLSelectElement).value as typeof role)}
      >
        <SelectItem value="ALTERNATE" text={ui.notes.anAlternate} />
        <SelectItem value="TRILL" text={ui.notes.forTrills} />
        <SelectItem value="SPECIAL" text={ui.notes.isSpecial} />
      </Select>
      <TextInput size="sm" labelText={ui.notes.ownWords} maxlength={120} bind:value={words} />
      <TextInput size="sm" labelText={ui.notes.whatToWatch} maxlength={300} bind:value={remark} />
      {#if changes.problem}<p class="problem" role="alert">{changes.problem}</p>{/if}
      <div class="acts">
        <Button size="small" type="submit" disabled={changes.busy}>{ui.notes.addIt}</Button>
        <Button size="small" kind="ghost" on:click={oncancel}>{ui.all.cancel}</Button>
      </div>
    </div>
  </div>
</form>

<style>
  form {
    background: var(--paper);
    border: 1px solid var(--accent);
    padding: 1rem;
    margin-top: 1rem;
  }
  .two {
    display: grid;
    grid-template-columns: minmax(12rem, auto) minmax(14rem, 1fr);
    gap: 1.5rem;
    margin-top: 0.75rem;
  }
  .fields {
    display: flex;
    flex-direction: column;
    gap: 0.75rem;
  }
  .pad {
    max-width: 23rem;
  }
  .problem {
    color: var(--hard);
  }
  .acts {
    display: flex;
    gap: 0.5rem;
  }
  @media (max-width: 700px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
