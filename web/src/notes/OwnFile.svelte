<!-- What this house changed of an instrument's table, out to a file and in again. -->
<script lang="ts">
  import { api, asked } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { ui } from '../words/ui';

  let {
    id,
    changed,
    onreplaced
  }: { id: string; changed: boolean; onreplaced: (said: string) => void } = $props();

  const changes = door();

  async function take(e: Event) {
    const field = e.target as HTMLInputElement;
    const file = field.files?.[0];
    if (!file) return;
    const path = { instrument: id };
    await changes.once(
      async () =>
        asked(
          api.PUT('/api/notes/{instrument}/own.yaml', {
            params: { path },
            body: await file.text(),
            bodySerializer: (b) => b as string,
            headers: { 'Content-Type': 'text/plain' }
          })
        ),
      () => onreplaced(ui.notes.fileRead(file.name))
    );
    field.value = '';
  }
</script>

<h2>{ui.notes.houseTable}</h2>
<p>
  {#if changed}
    {ui.notes.ownThings}
    <a href="/api/notes/{id}/own.yaml" download>{ui.notes.keepInFile}</a>.
  {:else}
    {ui.notes.nothingChanged}
  {/if}
</p>
<label class="small">
  {ui.notes.readFile}
  <input type="file" accept=".yaml,.yml,text/plain" onchange={take} />
</label>
{#if changes.problem}<p class="problem" role="alert">{changes.problem}</p>{/if}

<style>
  p {
    max-width: 44rem;
    margin: 0.25rem 0 0.75rem;
  }
  label {
    display: flex;
    flex-direction: column;
    gap: 0.375rem;
    align-items: flex-start;
  }
  .problem {
    color: var(--hard);
  }
</style>
