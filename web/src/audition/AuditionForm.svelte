<!-- An audition: its name, its day, what it asks, and what each thing that is judged weighs. -->
<script lang="ts">
  import { Button, NumberInput, TextArea, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { ui } from '../words/ui';

  type View = Schemas['AuditionView'];
  let { view, ondone }: { view?: View; ondone: (id: number) => void } = $props();

  const HEAD = 'instrument,kind,title,bars,tonic,scale,from,to,tempo,pattern,level\n';
  const start = untrack(() => view);
  let name = $state(start?.audition.name ?? '');
  let day = $state(start?.audition.day ?? '');
  let requirements = $state(start?.requirements ?? HEAD);
  let weights = $state<Record<string, number>>(
    Object.fromEntries((start?.weights ?? []).map((w) => [w.criterion, w.weight]))
  );
  const changes = door();
  let files: HTMLInputElement | undefined = $state();

  async function keep() {
    const body = { name, day, requirements, weights } as Schemas['AuditionBody'];
    await changes.once(
      () =>
        start
          ? asked(
              api.PUT('/api/auditions/{id}', { params: { path: { id: start.audition.id } }, body })
            )
          : asked(api.POST('/api/auditions', { body })),
      ({ id }) => ondone(id)
    );
  }
</script>

<form
  onsubmit={(e) => {
    e.preventDefault();
    void keep();
  }}
>
  <div class="row">
    <TextInput labelText={ui.audition.name} maxlength={120} bind:value={name} />
    <TextInput type="date" labelText={ui.audition.day} bind:value={day} />
  </div>
  <TextArea
    labelText={ui.audition.table}
    helperText={ui.audition.tableHelp}
    rows={12}
    bind:value={requirements}
  />
  <input
    type="file"
    accept=".csv,text/csv"
    aria-label={ui.audition.file}
    tabindex="-1"
    bind:this={files}
    onchange={async (e) => {
      const f = e.currentTarget.files?.[0];
      if (f) requirements = await f.text();
    }}
  />
  {#if start}
    <p class="small">{ui.audition.weights}</p>
    <div class="row">
      {#each start.weights as w (w.criterion)}
        <NumberInput
          size="sm"
          labelText={ui.mock.criterion[w.criterion]}
          translateWithId={(id) => (id === 'increment' ? ui.all.more : ui.all.less)}
          invalidText={ui.audition.weightHint}
          min={0}
          max={9}
          value={weights[w.criterion] ?? 0}
          on:change={(e) => {
            if (e.detail !== null) weights[w.criterion] = e.detail;
          }}
        />
      {/each}
    </div>
  {/if}
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
  <div class="row">
    <Button size="small" type="submit">{ui.all.save}</Button>
    <Button size="small" kind="ghost" on:click={() => files?.click()}>{ui.audition.file}</Button>
  </div>
</form>

<style>
  form {
    display: grid;
    gap: 0.875rem;
    max-width: 56rem;
    margin-top: 0.5rem;
    padding: 0.75rem 1rem 1rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem 1rem;
    align-items: flex-end;
  }
  .row :global(.bx--form-item) {
    flex: 0 0 auto;
  }
  .row :global(.bx--number) {
    width: 9rem;
  }
  form :global(textarea) {
    font-family: monospace;
    white-space: pre;
    overflow-x: auto;
  }
  input[type='file'] {
    display: none;
  }
</style>
