<!-- Who of a group plays which part of the section: all on one list. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { ui } from '../words/ui';
  import { PARTS, sections } from './order';

  let {
    group,
    students,
    score,
    onclose,
    ondone
  }: {
    group: Schemas['GroupView'];
    /** those of the group */
    students: Schemas['StudentView'][];
    /** the ids of the instruments, in score order */
    score: string[];
    onclose: () => void;
    ondone: (words: string) => void;
  } = $props();

  const changes = door();
  const before = untrack(() => new Map(students.map((s) => [s.id, s.part])));
  let parts = $state(Object.fromEntries(before));
  const changed = $derived(students.filter((s) => parts[s.id] !== before.get(s.id)));

  async function keep() {
    const body = { parts: Object.fromEntries(changed.map((s) => [s.id, parts[s.id]!])) };
    const params = { path: { id: group.id } };
    await changes.once(
      async () => {
        if (changed.length) await asked(api.PUT('/api/groups/{id}/parts', { params, body }));
      },
      () => ondone(ui.people.partsKept(changed.length))
    );
  }
</script>

<Dialog
  heading={ui.people.partsOf(group.name)}
  send={ui.all.save}
  scrolls
  disabled={changes.busy}
  {onclose}
  onsend={keep}
>
  <p class="small quiet">{ui.people.partsIntro}</p>
  <table>
    <tbody>
      {#each sections(students, '', 'section', score) as section (section.heading)}
        <tr><th scope="rowgroup" colspan="2">{section.heading}</th></tr>
        {#each section.students as s (s.id)}
          <tr>
            <td>{s.name}</td>
            <td>
              <select bind:value={parts[s.id]} aria-label={ui.people.partOf(s.name)}>
                <option value={0}>{ui.people.partNotSaid}</option>
                {#each PARTS as p (p)}<option value={p}>{ui.people.nth(p)}</option>{/each}
              </select>
            </td>
          </tr>
        {/each}
      {/each}
    </tbody>
  </table>
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
</Dialog>

<style>
  table {
    margin-top: 0.75rem;
    border-collapse: collapse;
  }
  th {
    text-align: left;
    font-weight: 600;
    padding-top: 0.75rem;
  }
  td {
    padding: 0.125rem 1.5rem 0.125rem 0;
  }
  select {
    min-height: var(--target);
    min-width: 7rem;
    font: inherit;
    color: inherit;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
</style>
