<!-- One group: its name, how far it has got, its school year. -->
<script lang="ts">
  import {
    Checkbox,
    CheckboxGroup,
    Modal,
    Select,
    SelectItem,
    TextInput
  } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import Trouble from '../parts/Trouble.svelte';

  type Day = NonNullable<Schemas['GroupBody']['days']>[number];
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
  let days = $state<string[]>(start.days);
  let problem = $state('');

  const week = ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY', 'SUNDAY'];
  const named = (d: string) => d[0] + d.slice(1, 3).toLowerCase();

  const stages = [
    ['firstYears', 'the first years'],
    ['school', 'school'],
    ['advanced', 'advanced playing']
  ] as const;

  async function keep() {
    try {
      await asked(
        api.PUT('/api/groups/{id}', {
          params: { path: { id: group.id } },
          body: { name, stage, year, days: days as Day[] }
        })
      );
      ondone(`${name} is set up.`);
    } catch (e) {
      problem = sentence(e);
    }
  }
</script>

<Modal
  open
  modalHeading="Set up {group.name}"
  primaryButtonText="Save"
  secondaryButtonText="Cancel"
  selectorPrimaryFocus="#group-name"
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={keep}
>
  <div class="form">
    <TextInput id="group-name" labelText="Name" bind:value={name} />
    <Select labelText="How far it has got" bind:selected={stage}>
      {#each stages as [value, words] (value)}<SelectItem {value} text={words} />{/each}
    </Select>
    <TextInput
      labelText="School year, in your own words"
      placeholder="2026/27, year 5"
      bind:value={year}
    />
    <CheckboxGroup legendText="Meets on" bind:selected={days} class="days">
      {#each week as d (d)}<Checkbox value={d} labelText={named(d)} />{/each}
    </CheckboxGroup>
    {#if problem}<Trouble text={problem} />{/if}
  </div>
</Modal>

<style>
  .form :global(.days) {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
  }
  .form {
    display: grid;
    gap: 0.875rem;
  }
</style>
