<!-- One student: name, instrument and its options, reach, style, groups, what is played already. -->
<script lang="ts">
  import { Checkbox, Modal, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import Trouble from '../parts/Trouble.svelte';

  let {
    student,
    group,
    groups,
    instruments,
    general,
    onclose,
    ondone
  }: {
    student?: Schemas['StudentView'];
    group?: number;
    groups: Schemas['GroupView'][];
    instruments: Schemas['InstrumentView'][];
    /** in what teachers differ whatever the instrument */
    general: Schemas['StyleView'][];
    onclose: () => void;
    ondone: (words: string) => void;
  } = $props();

  const start = untrack(() => student);
  let givenName = $state(start?.givenName ?? '');
  let initial = $state(start?.initial ?? '');
  let instrument = $state(start?.instrument ?? untrack(() => instruments[0]?.id) ?? '');
  let options = $state<Record<string, string>>({ ...start?.options });
  let style = $state<Record<string, string>>({ ...start?.style });
  let avoid = $state<string[]>([...(start?.avoid ?? [])]);
  let member = $state<number[]>(start ? [...start.groups] : untrack(() => (group ? [group] : [])));
  let from = $state('');
  let to = $state('');
  let problem = $state('');
  let erasing = $state(false);
  let busy = $state(false);

  const chosen = $derived(instruments.find((i) => i.id === instrument));
  const toggle = <T,>(list: T[], item: T, on: boolean) =>
    on ? [...list.filter((x) => x !== item), item] : list.filter((x) => x !== item);

  async function keep() {
    if (busy) return;
    problem = '';
    busy = true;
    const body = {
      givenName,
      initial,
      instrument,
      options,
      avoid,
      style,
      groups: member,
      person: student?.person ?? 0
    };
    try {
      const { id } =
        student && !further
          ? await asked(
              api.PUT('/api/students/{id}', { params: { path: { id: student.id } }, body })
            )
          : await asked(api.POST('/api/students', { body }));
      if (from && to) {
        await asked(
          api.POST('/api/students/{studentId}/heard/range', {
            params: { path: { studentId: id } },
            body: { from, to }
          })
        );
      }
      ondone(`${givenName} is set up.`);
    } catch (e) {
      problem = sentence(e);
    } finally {
      busy = false;
    }
  }

  async function erase(all: boolean) {
    if (!student) return;
    try {
      const gone = await asked(
        api.DELETE('/api/students/{id}', {
          params: { path: { id: student.id }, query: { all } }
        })
      );
      ondone(gone.done);
    } catch (e) {
      problem = sentence(e);
    }
  }

  async function leave() {
    if (!student) return;
    try {
      await asked(api.POST('/api/students/{id}/leave', { params: { path: { id: student.id } } }));
      ondone(`${student.name} has left; what was heard is kept below.`);
    } catch (e) {
      problem = sentence(e);
    }
  }

  /** whether a further instrument of the same student is set up */
  let further = $state(false);
  function another() {
    further = true;
    changeInstrument(instruments.find((i) => i.id !== student?.instrument)?.id ?? instrument);
  }

  function changeInstrument(id: string) {
    instrument = id;
    options = {};
    style = {};
    avoid = [];
    from = '';
    to = '';
  }
</script>

<Modal
  open
  modalHeading={further
    ? `Another instrument of ${student?.name}`
    : student
      ? `Set up ${student.name}`
      : 'A new student'}
  primaryButtonText="Keep"
  secondaryButtonText="Leave as it was"
  hasScrollingContent
  selectorPrimaryFocus="#given-name"
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={keep}
>
  <div class="form">
    <div class="two">
      <TextInput id="given-name" labelText="First name" bind:value={givenName} />
      <TextInput labelText="Initial" maxlength={2} bind:value={initial} />
    </div>
    <Select
      labelText="Instrument"
      selected={instrument}
      on:change={(e) => changeInstrument(String((e.target as HTMLSelectElement).value))}
    >
      {#each instruments as i (i.id)}<SelectItem value={i.id} text={i.name} />{/each}
    </Select>
    {#if chosen}
      {#if chosen.options.length}
        <div class="two">
          {#each chosen.options as o (o.name)}
            <Select
              size="sm"
              labelText={o.label}
              selected={options[o.name] ?? o.standard}
              on:change={(e) =>
                (options = {
                  ...options,
                  [o.name]: String((e.target as HTMLSelectElement).value)
                })}
            >
              {#each o.values as v (v.value)}<SelectItem value={v.value} text={v.label} />{/each}
            </Select>
          {/each}
        </div>
      {/if}
      {#each [...chosen.styles, ...general] as s (s.name)}
        <Select
          size="sm"
          labelText="{s.label}: this student's way"
          selected={style[s.name] ?? ''}
          on:change={(e) => {
            const value = String((e.target as HTMLSelectElement).value);
            const next = { ...style };
            if (value) next[s.name] = value;
            else delete next[s.name];
            style = next;
          }}
        >
          <SelectItem value="" text="as the house style" />
          {#each s.schools as o (o.value)}<SelectItem value={o.value} text={o.label} />{/each}
        </Select>
      {/each}
      <details>
        <summary>The hand does not reach{avoid.length ? `: ${avoid.length}` : ' …'}</summary>
        <div class="checks">
          {#each chosen.controls as c, n (c.token + n)}
            <Checkbox
              labelText={c.name}
              checked={avoid.includes(c.token)}
              on:check={(e) => (avoid = toggle(avoid, c.token, e.detail))}
            />
          {/each}
        </div>
      </details>
      <details>
        <summary>Plays already …</summary>
        <div class="two">
          <Select
            size="sm"
            labelText="from"
            selected={from}
            on:change={(e) => (from = String((e.target as HTMLSelectElement).value))}
          >
            <SelectItem value="" text="nothing to add" />
            {#each chosen.notes as n (n.written)}<SelectItem
                value={n.written}
                text={n.shown}
              />{/each}
          </Select>
          <Select
            size="sm"
            labelText="up to"
            selected={to}
            on:change={(e) => (to = String((e.target as HTMLSelectElement).value))}
          >
            <SelectItem value="" text="nothing to add" />
            {#each chosen.notes as n (n.written)}<SelectItem
                value={n.written}
                text={n.shown}
              />{/each}
          </Select>
        </div>
        <p class="small quiet">
          Each half step between is written down as secure, with its usual fingering.
        </p>
      </details>
    {/if}
    <fieldset>
      <legend>Groups</legend>
      {#each groups as g (g.id)}
        <Checkbox
          labelText={g.name}
          checked={member.includes(g.id)}
          on:check={(e) => (member = toggle(member, g.id, e.detail))}
        />
      {:else}
        <p class="small quiet">No group is set up yet.</p>
      {/each}
    </fieldset>
    {#if problem}<Trouble text={problem} />{/if}
    {#if student && !further}
      {#if erasing}
        <p>
          Everything that was heard of {student.name} goes for good{student.others.length
            ? ', on every instrument'
            : ''}. To keep it, let the student leave instead.
          <button class="plain link" onclick={() => erase(true)}>Erase</button> ·
          {#if student.others.length}
            <button class="plain link" onclick={() => erase(false)}
              >Erase the {student.instrumentName.toLowerCase()} only</button
            > ·
          {/if}
          <button class="plain link" onclick={() => (erasing = false)}>Keep</button>
        </p>
      {:else}
        <p class="small">
          <button class="plain link" onclick={another}>Plays another instrument too …</button> ·
          <button class="plain link" onclick={leave}>Leaves, and is kept</button> ·
          <button class="plain link" onclick={() => (erasing = true)}>Erase this student …</button>
        </p>
      {/if}
    {/if}
  </div>
</Modal>

<style>
  .form {
    display: grid;
    gap: 0.875rem;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.75rem;
  }
  .checks {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
  fieldset {
    border: 0;
    padding: 0;
    margin: 0;
  }
  legend,
  summary {
    font-size: 0.8125rem;
    color: var(--ink-2);
  }
  summary {
    cursor: pointer;
    padding: 0.25rem 0;
  }
  .link {
    text-decoration: underline;
    color: var(--accent) !important;
  }
</style>
