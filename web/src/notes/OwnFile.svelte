<!-- What this house changed of an instrument's table, out to a file and in again. -->
<script lang="ts">
  import { api, asked, sentence } from '../api/client';

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
      onreplaced(`${file.name} is read: this house's table is what it says.`);
    } catch (err) {
      problem = sentence(err);
    } finally {
      field.value = '';
    }
  }
</script>

<h2>This house's table</h2>
<p>
  {#if changed}
    Your own fingerings, what you hid, your standards and words for this instrument:
    <a href="/api/notes/{id}/own.yaml" download>keep them in a file</a>.
  {:else}
    Nothing is changed: the table is the catalogue's. Add a fingering, hide one, or make one the
    standard here; it holds for every plan in this house.
  {/if}
</p>
<label class="small">
  Read such a file; it takes the place of what is changed now
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
