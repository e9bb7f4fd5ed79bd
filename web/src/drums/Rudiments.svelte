<!-- What who plays drums has learned: each rudiment, how it was heard last and how fast it was clean. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import { Marks } from '../ear/pending';
  import Mark from '../parts/Mark.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { GRADES, type Grade } from '../words/standing';
  import { ui } from '../words/ui';
  import { lettered } from './drums';

  let { student }: { student: number } = $props();

  type View = Schemas['RudimentView'];
  const page = loaded<View[]>();
  const changes = door();
  const presses = new Marks();
  /** tempi that were typed, by rudiment */
  let typed = $state<Record<string, number>>({});
  /** where a rudiment is begun */
  const BEGIN = 60;

  $effect(() => {
    const studentId = student;
    untrack(() => {
      changes.next();
      page.put(undefined);
      typed = {};
    });
    void page.ask(() =>
      asked(api.GET('/api/students/{studentId}/rudiments', { params: { path: { studentId } } }))
    );
  });
  const tempo = (r: View) => typed[r.rudiment] ?? (r.tempo || BEGIN);

  function hear(r: View, grade: Grade) {
    const path = { studentId: student };
    const press = `${student} ${r.rudiment} ${tempo(r)} ${grade} ${r.last}`;
    const body = { rudiment: r.rudiment, tempo: tempo(r), grade, mark: presses.of(press) };
    void changes.change(
      () => asked(api.POST('/api/students/{studentId}/rudiments', { params: { path }, body })),
      (all) => {
        presses.written(press);
        page.put(all);
      }
    );
  }
  const takeBack = (r: View) =>
    changes.change(
      () =>
        asked(
          api.DELETE('/api/students/{studentId}/rudiments/{id}', {
            params: { path: { studentId: student, id: r.last } }
          })
        ),
      (all) => page.put(all)
    );
</script>

<h2>{ui.drums.rudiments}</h2>
<p class="small quiet">{ui.drums.rudimentsHow}</p>
{#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
{#if changes.problem}<Trouble text={changes.problem} />{/if}
<table class="rows sheet stack">
  <thead>
    <tr>
      <th scope="col">{ui.drums.rudiment}</th>
      <th scope="col">{ui.drums.hand}</th>
      <th scope="col">{ui.people.how}</th>
      <th scope="col">{ui.drums.hearAt}</th>
    </tr>
  </thead>
  <tbody>
    {#each page.value ?? [] as r (r.rudiment)}
      <tr>
        <th scope="row">{r.name}</th>
        <td class="hands">{lettered(r.hands, ui.drums.letters)}</td>
        <td>
          {#if r.standing !== 'OPEN'}<Mark state={r.standing} label={false} />{/if}
          {r.sentence}
          {#if r.last}
            <button class="plain link small screen" onclick={() => takeBack(r)}
              >{ui.drums.takeBack}<span class="bx--visually-hidden"> {r.name}</span></button
            >
          {/if}
        </td>
        <td class="hear screen">
          <label class="small"
            >♩ =
            <input
              type="number"
              min="20"
              max="300"
              value={tempo(r)}
              aria-label={ui.drums.tempoOf(r.name)}
              onchange={(e) => (typed[r.rudiment] = e.currentTarget.valueAsNumber || BEGIN)}
            /></label
          >
          {#each GRADES as g (g)}
            <button class="plain grade" onclick={() => hear(r, g)}
              >{ui.standing[g]}<span class="bx--visually-hidden">, {r.name}</span></button
            >
          {/each}
        </td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  .hands {
    font-variant-numeric: tabular-nums;
    white-space: nowrap;
    letter-spacing: 0.02em;
  }
  .hear {
    display: flex;
    flex-wrap: wrap;
    gap: 0.375rem;
    align-items: center;
  }
  input {
    width: 4.25rem;
    min-height: max(1.75rem, var(--target));
    font: inherit;
    color: inherit;
    background: var(--paper);
    border: 1px solid var(--rule);
    border-radius: 4px;
    padding: 0 0.25rem;
  }
  .grade {
    min-height: max(1.75rem, var(--target));
    padding: 0 0.5rem;
    border: 1px solid var(--rule);
    border-radius: 4px;
    background: var(--paper);
  }
</style>
