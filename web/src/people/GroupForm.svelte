<!-- One group: its name, how far it has got, its school year. -->
<script lang="ts">
  import { Checkbox, CheckboxGroup, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { STAGES } from '../words/standing';
  import { ui, WEEK, weekday } from '../words/ui';

  let {
    group,
    onclose,
    ondone
  }: {
    group: Schemas['GroupView'];
    onclose: () => void;
    ondone: (words: string) => void;
  } = $props();

  const start = untrack(() => group);
  let name = $state(start.name);
  let stage = $state(start.stage);
  let year = $state(start.year);
  let days = $state(start.days);
  const changes = door();

  const keep = () =>
    changes.once(
      () =>
        asked(
          api.PUT('/api/groups/{id}', {
            params: { path: { id: group.id } },
            body: { name, stage, year, days }
          })
        ),
      () => ondone(ui.people.isSetUp(name))
    );
</script>

<Dialog
  heading={ui.people.setUp(group.name)}
  send={ui.all.save}
  focus="#group-name"
  disabled={changes.busy}
  {onclose}
  onsend={keep}
>
  <div class="form">
    <TextInput id="group-name" labelText={ui.people.name} bind:value={name} />
    <Select labelText={ui.people.howFar} bind:selected={stage}>
      {#each STAGES as s (s)}<SelectItem value={s} text={ui.stage[s]} />{/each}
    </Select>
    <TextInput labelText={ui.people.year} placeholder={ui.people.yearHint} bind:value={year} />
    <CheckboxGroup legendText={ui.people.meets} bind:selected={days} class="days">
      {#each WEEK as d (d)}<Checkbox value={d} labelText={weekday(d)} />{/each}
    </CheckboxGroup>
    {#if changes.problem}<Trouble text={changes.problem} />{/if}
  </div>
</Dialog>

<style>
  .form :global(.days fieldset) {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
  }
  .form {
    display: grid;
    gap: 0.875rem;
  }
</style>
