<!-- Gives a piece, or several: to whom, which bars, until when, how fast, with which fingerings. -->
<script lang="ts">
  import { Select, SelectItem, SelectItemGroup, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { withPart } from '../people/order';
  import { ui } from '../words/ui';

  let {
    pieces,
    people,
    onclose,
    ongiven
  }: {
    pieces: Schemas['PieceRef'][];
    people: Schemas['PeopleView'];
    onclose: () => void;
    /** the ids of what is given now */
    ongiven: (ids: number[]) => void;
  } = $props();

  const DAY = 86400000;
  const DAYS = [
    'SUNDAY',
    'MONDAY',
    'TUESDAY',
    'WEDNESDAY',
    'THURSDAY',
    'FRIDAY',
    'SATURDAY'
  ] as const;
  const iso = (d: Date) =>
    `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;

  /** The first lesson of a group a few days on, so that there is time to practise. */
  function lesson(group: Schemas['GroupView'] | undefined): string {
    const days = group?.days ?? [];
    for (let n = 4; days.length && n < 11; n++) {
      const day = new Date(Date.now() + n * DAY);
      if (days.includes(DAYS[day.getDay()]!)) return iso(day);
    }
    return iso(new Date(Date.now() + 7 * DAY));
  }

  /** groups, sections and students as g/1, s/1/flute and p/5 */
  let to = $state(untrack(() => (people.groups[0] ? `g/${people.groups[0].id}` : '')));
  const group = $derived(people.groups.find((g) => to.split('/')[1] === String(g.id)));
  let day = $state<string>();
  const due = $derived(day ?? lesson(to.startsWith('p') ? undefined : group));
  let bars = $state('');
  let tempo = $state('');
  let fingerings = $state('planned');
  let words = $state('');
  const changes = door();
  const given: number[] = [];
  const one = $derived(pieces.length === 1);

  const sections = $derived(
    people.groups.flatMap((g) => {
      const kinds = new Map<string, string>();
      for (const s of people.students.filter((s) => g.students.includes(s.id))) {
        kinds.set(s.instrument, s.instrumentName);
        if (s.part) kinds.set(`${s.instrument} ${s.part}`, withPart(s.instrumentName, s.part));
      }
      return [...kinds]
        .sort((a, b) => a[1].localeCompare(b[1]))
        .map(([id, name]) => ({ value: `s/${g.id}/${id}`, text: `${g.name}: ${name}` }));
    })
  );

  async function give() {
    if (!to) return changes.refuse(ui.shelf.setUpFirst);
    if (!due) return changes.refuse(ui.shelf.chooseDay);
    if (tempo.trim() && !/^\d+$/.test(tempo.trim())) return changes.refuse(ui.shelf.tempoNumber);
    const [kind, id, section = ''] = to.split('/');
    const body = {
      groupId: kind === 'p' ? 0 : Number(id),
      studentId: kind === 'p' ? Number(id) : 0,
      section,
      due,
      sentence: words,
      bars: bars.trim(),
      tempo: Number(tempo.trim() || 0),
      locked: fingerings === 'locked'
    };
    await changes.once(
      async () => {
        // those that were given before one failed stay given, and are not given again
        for (const { id: pieceId } of pieces.slice(given.length)) {
          const params = { path: { id: pieceId } };
          given.push((await asked(api.POST('/api/pieces/{id}/assign', { params, body }))).id);
        }
      },
      () => ongiven(given)
    );
  }
  const value = (e: Event) => String((e.target as HTMLSelectElement).value);
</script>

<Dialog
  size="sm"
  heading={ui.shelf.give(one ? pieces[0]!.title : ui.shelf.manyPieces(pieces.length))}
  send={ui.shelf.giveIt}
  focus="#give-to"
  disabled={changes.busy}
  {onclose}
  onsend={give}
>
  <div class="form">
    <Select id="give-to" labelText={ui.shelf.to} selected={to} on:change={(e) => (to = value(e))}>
      <SelectItemGroup label={ui.shelf.aGroup}>
        {#each people.groups as g (g.id)}
          <SelectItem value="g/{g.id}" text={g.name} />
        {/each}
      </SelectItemGroup>
      <SelectItemGroup label={ui.shelf.aSection}>
        {#each sections as s (s.value)}<SelectItem value={s.value} text={s.text} />{/each}
      </SelectItemGroup>
      <SelectItemGroup label={ui.shelf.oneStudent}>
        {#each people.students as s (s.id)}
          <SelectItem value="p/{s.id}" text="{s.name}, {s.instrumentName}" />
        {/each}
      </SelectItemGroup>
    </Select>
    <div class="three">
      <div>
        <label class="bx--label" for="due">{ui.shelf.readyBy}</label>
        <input
          id="due"
          class="bx--text-input"
          type="date"
          value={due}
          onchange={(e) => (day = e.currentTarget.value)}
        />
      </div>
      {#if one}
        <TextInput labelText={ui.shelf.barsOrAll} placeholder="9-16" bind:value={bars} />
        <TextInput labelText={ui.shelf.tempoOr} placeholder="84" bind:value={tempo} />
      {/if}
    </div>
    <Select
      labelText={ui.shelf.fingerings}
      selected={fingerings}
      on:change={(e) => (fingerings = value(e))}
    >
      <SelectItem value="planned" text={ui.shelf.plannedEach} />
      <SelectItem value="locked" text={ui.shelf.lockedNow} />
    </Select>
    <TextInput labelText={ui.shelf.sentence} bind:value={words} />
    {#if changes.problem}<Trouble text={changes.problem} />{/if}
  </div>
</Dialog>

<style>
  .form {
    display: grid;
    gap: 0.875rem;
  }
  .three {
    display: grid;
    grid-template-columns: 1.4fr 1fr 1fr;
    gap: 0.75rem;
    align-items: end;
  }
</style>
