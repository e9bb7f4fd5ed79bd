<!-- What this house changed of an instrument's table, out to a file and in again. -->
<script lang="ts">
  import { api, asked, sentence } from '../api/client';
  import { ui } from '../words/ui';

  let {
    id,
    changed,
    onreplaced
  }: { id: string; changed: boolean; onreplaced: (said: string) => void } = $props();

  let problem = $state('');

  async function take(e: Event) {
    const field = e.target as HTMLInputElement;
    const file = field.files?.[0];
    if (!file) return;
    problem = '';
    try {
      await asked(
        api.PUT('/api/notes/{instrument}/own.yaml', {
          params: { path: { instrument: id } },
          body: await file.text(),
          bodySerializer: (b) => b as string,
          headers: { 'Content-Type': 'text/plain' }
        })
      );
      onreplaced(ui.notes.fileRead(file.name));
    } catch (err) {
      problem = sentence(err);
    } finally {
      field.value = '';
    }
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
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

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
