<!-- One student: name, instrument and its options, reach, style, groups, what is played already. -->
<script lang="ts">
  import { Checkbox, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { tick, untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { dropStudent } from '../ear/pending';
  import { door } from '../lib/door.svelte';
  import { PARTS } from './order';
  import { steps as stepsOf } from './steps';
  import { loaded } from '../lib/load.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { ui } from '../words/ui';

  let {
    student,
    group,
    groups,
    instruments,
    general,
    onclose,
    ondone,
    onleave
  }: {
    student?: Schemas['StudentView'];
    group?: number;
    groups: Schemas['GroupView'][];
    instruments: Schemas['InstrumentView'][];
    /** in what teachers differ whatever the instrument */
    general: Schemas['StyleView'][];
    onclose: () => void;
    ondone: (words: string) => void;
    /** the student shall leave: asked once more outside */
    onleave: (student: Schemas['StudentView']) => void;
  } = $props();

  const start = untrack(() => student);
  let givenName = $state(start?.givenName ?? '');
  let initial = $state(start?.initial ?? '');
  let part = $state(start?.part ?? 0);
  let seat = $state(start?.seat ?? '');
  let instrument = $state(start?.instrument ?? untrack(() => instruments[0]?.id) ?? '');
  let options = $state<Record<string, string>>({ ...start?.options });
  let style = $state<Record<string, string>>({ ...start?.style });
  let avoid = $state<string[]>([...(start?.avoid ?? [])]);
  let member = $state<number[]>(start ? [...start.groups] : untrack(() => (group ? [group] : [])));
  let from = $state('');
  let to = $state('');
  /** tonic of the scale by whose steps a range is played; empty for every half step */
  let steps = $state('');
  const changes = door();
  let erasing = $state(false);

  const chosen = $derived(instruments.find((i) => i.id === instrument));
  /** what was kept before the two hands were told apart */
  const unsure = $derived(student?.instrument === instrument ? student.unsure : []);
  const names = (places: string[]) =>
    (chosen?.controls ?? [])
      .filter((c) => places.includes(c.place))
      .map((c) => c.name)
      .join(', ');
  const toggle = <T,>(list: T[], item: T, on: boolean) =>
    on ? [...list.filter((x) => x !== item), item] : list.filter((x) => x !== item);

  /** the student that this form has set up already */
  let made = 0;
  async function keep() {
    const body = {
      givenName,
      initial,
      instrument,
      options,
      avoid,
      style,
      groups: member,
      person: student?.person ?? 0,
      seat,
      part
    };
    await changes.once(
      async () => {
        // who was set up before the range failed is not set up a second time
        const known = made || (student && !further ? student.id : 0);
        const set = known
          ? api.PUT('/api/students/{id}', { params: { path: { id: known } }, body })
          : api.POST('/api/students', { body });
        made = (await asked(set)).id;
        if (from && to) {
          await asked(
            api.POST('/api/students/{studentId}/heard/range', {
              params: { path: { studentId: made } },
              body: { from, to, scale: steps, notes: [] }
            })
          );
        }
      },
      () => ondone(ui.people.isSetUp(givenName))
    );
  }

  let fromBackups = $state(false);
  async function erase(all: boolean) {
    if (!student) return;
    const params = { path: { id: student.id }, query: { all, backups: fromBackups } };
    const who = [student.id, ...(all ? student.others.map((o) => o.id) : [])];
    await changes.once(
      () => asked(api.DELETE('/api/students/{id}', { params })),
      (gone) => {
        who.forEach(dropStudent);
        ondone(gone.done);
      }
    );
  }

  /** what goes with an erased student; the question has the focus, so that Escape works on */
  const goes = loaded<string[]>();
  let asking = $state<HTMLElement>();
  async function askErase() {
    if (!student) return;
    const path = { kind: 'STUDENT' as const, id: student.id };
    void goes.ask(() => asked(api.GET('/api/removals/{kind}/{id}', { params: { path } })));
    erasing = true;
    await tick();
    asking?.focus();
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
    part = 0;
    from = '';
    to = '';
  }
</script>

<Dialog
  heading={further
    ? ui.people.anotherInstrument(student?.name ?? '')
    : student
      ? ui.people.setUp(student.name)
      : ui.people.aNewStudent}
  send={ui.all.save}
  scrolls
  focus="#given-name"
  disabled={changes.busy}
  {onclose}
  onsend={keep}
>
  <div class="form">
    <div class="two">
      <TextInput id="given-name" labelText={ui.people.firstName} bind:value={givenName} />
      <TextInput labelText={ui.people.initial} maxlength={6} bind:value={initial} />
    </div>
    <TextInput
      size="sm"
      labelText={ui.people.seat}
      placeholder={ui.people.seatHint}
      maxlength={20}
      bind:value={seat}
    />
    <Select
      labelText={ui.all.instrument}
      selected={instrument}
      on:change={(e) => changeInstrument(String((e.target as HTMLSelectElement).value))}
    >
      {#each instruments as i (i.id)}<SelectItem value={i.id} text={i.name} />{/each}
    </Select>
    <Select
      size="sm"
      labelText={ui.people.partLabel}
      selected={part}
      on:change={(e) => (part = Number((e.target as HTMLSelectElement).value))}
    >
      <SelectItem value={0} text={ui.people.partNotSaid} />
      {#each PARTS as p (p)}<SelectItem value={p} text={ui.people.nth(p)} />{/each}
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
      {#each [...chosen.styles, ...general.filter((g) => g.name !== 'order')] as s (s.name)}
        <Select
          size="sm"
          labelText={ui.people.ownWay(s.label)}
          selected={style[s.name] ?? ''}
          on:change={(e) => {
            const value = String((e.target as HTMLSelectElement).value);
            const next = { ...style };
            if (value) next[s.name] = value;
            else delete next[s.name];
            style = next;
          }}
        >
          <SelectItem value="" text={ui.people.asHouse} />
          {#each s.schools as o (o.value)}<SelectItem value={o.value} text={o.label} />{/each}
        </Select>
      {/each}
      <details open={unsure.length > 0}>
        <summary>{ui.people.noReachTo(avoid.length ? `: ${avoid.length}` : ' …')}</summary>
        {#if unsure.length}
          <p class="small look">
            {ui.people.lookOnce(unsure.length, names(unsure))}
          </p>
        {/if}
        <div class="checks">
          {#each chosen.controls as c (c.place)}
            <Checkbox
              labelText={c.name}
              checked={avoid.includes(c.place)}
              on:check={(e) => (avoid = toggle(avoid, c.place, e.detail))}
            />
          {/each}
        </div>
      </details>
      <details>
        <summary>{ui.people.playsDots}</summary>
        <div class="two">
          <Select
            size="sm"
            labelText={ui.people.fromLabel}
            selected={from}
            on:change={(e) => (from = String((e.target as HTMLSelectElement).value))}
          >
            <SelectItem value="" text={ui.people.nothingToAdd} />
            {#each chosen.notes as n (n.written)}<SelectItem
                value={n.written}
                text={n.shown}
              />{/each}
          </Select>
          <Select
            size="sm"
            labelText={ui.people.toLabel}
            selected={to}
            on:change={(e) => (to = String((e.target as HTMLSelectElement).value))}
          >
            <SelectItem value="" text={ui.people.nothingToAdd} />
            {#each chosen.notes as n (n.written)}<SelectItem
                value={n.written}
                text={n.shown}
              />{/each}
          </Select>
        </div>
        <Select size="sm" labelText={ui.people.inSteps} bind:selected={steps}>
          {#each stepsOf() as [value, words] (value)}<SelectItem {value} text={words} />{/each}
        </Select>
        <p class="small quiet">
          {ui.people.eachSecure}
        </p>
      </details>
    {/if}
    <fieldset>
      <legend>{ui.people.groups}</legend>
      {#each groups as g (g.id)}
        <Checkbox
          labelText={g.name}
          checked={member.includes(g.id)}
          on:check={(e) => (member = toggle(member, g.id, e.detail))}
        />
      {:else}
        <p class="small quiet">{ui.people.noGroups}</p>
      {/each}
    </fieldset>
    {#if changes.problem}<Trouble text={changes.problem} />{/if}
    {#if student && !further}
      {#if erasing}
        <div
          class="erase"
          tabindex="-1"
          bind:this={asking}
          role="group"
          aria-label={ui.people.erase}
        >
          <p>
            {ui.people.erased(
              student.name,
              student.others.length ? ui.people.everyInstrument : '',
              goes.value?.length ? `: ${goes.value.join(', ')}` : ''
            )}
          </p>
          <Checkbox labelText={ui.people.eraseBackups} bind:checked={fromBackups} />
          <p class="acts">
            <button class="plain link" onclick={() => erase(true)}>{ui.people.eraseGood}</button>
            {#if student.others.length}
              <button class="plain link" onclick={() => erase(false)}
                >{ui.people.eraseOnly(student.instrumentInside)}</button
              >
            {/if}
            <button class="plain link" onclick={() => (erasing = false)}
              >{ui.people.dontErase}</button
            >
          </p>
        </div>
      {:else}
        <p class="small">
          <button class="plain link" onclick={another}>{ui.people.playsAnother}</button> ·
          <button class="plain link" onclick={() => student && onleave(student)}
            >{ui.people.hasLeft}</button
          >
          ·
          <button class="plain link" onclick={askErase}>{ui.people.eraseStudent}</button>
        </p>
      {/if}
    {/if}
  </div>
</Dialog>

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
  .erase {
    display: grid;
    gap: 0.5rem;
    padding: 0.5rem 0.75rem;
    border: 1px solid var(--hard);
    border-radius: 4px;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem;
  }
  .look {
    padding: 0.375rem 0.5rem;
    border: 1px solid var(--hard);
    border-radius: 4px;
  }
</style>
