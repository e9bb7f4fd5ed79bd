<!-- A list of students, pasted or from a file: what each column means, what is wrong, then taken. -->
<script lang="ts">
  import { Button, Select, SelectItem, TextArea } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import Trouble from '../parts/Trouble.svelte';

  const EXAMPLE = 'Name, Instrument, Group\nAda Q., flute, First-year band';
  type Meaning = NonNullable<Schemas['RosterBody']['meanings']>[number];

  let groups = $state.raw<Schemas['GroupView'][]>([]);
  let text = $state('');
  let group = $state('');
  let look = $state.raw<Schemas['RosterView']>();
  let problem = $state('');
  let done = $state('');
  let busy = $state(false);

  onMount(async () => {
    try {
      groups = (await asked(api.GET('/api/people'))).groups;
    } catch (e) {
      problem = sentence(e);
    }
  });

  const meanings = $derived((look?.columns ?? []).map((c) => c.meaning as Meaning));
  const wrong = $derived(look?.rows.filter((r) => r.state === 'wrong').length ?? 0);
  const there = $derived(look?.rows.filter((r) => r.state === 'there').length ?? 0);

  async function see(said: Meaning[] = []) {
    done = '';
    problem = '';
    try {
      look = await asked(api.POST('/api/roster/look', { body: { text, meanings: said, group } }));
    } catch (e) {
      problem = sentence(e);
    }
  }

  async function take() {
    if (busy) return;
    busy = true;
    problem = '';
    try {
      const r = await asked(api.POST('/api/roster', { body: { text, meanings, group } }));
      done = r.done;
      // what could not be taken stays to be mended
      look = await asked(api.POST('/api/roster/look', { body: { text, meanings, group } }));
    } catch (e) {
      problem = sentence(e);
    } finally {
      busy = false;
    }
  }

  async function file(list: FileList | null | undefined) {
    const f = list?.[0];
    if (!f) return;
    text = await f.text();
    await see();
  }

  const words = { new: 'new', there: 'here already', wrong: 'not taken' } as const;
  const mean = (c: number, value: string) =>
    see(meanings.map((m, i) => (i === c ? (value as Meaning) : m)));
</script>

<div class="page">
  <h1>Many students at once</h1>
  <p class="quiet">
    Paste a list from a spreadsheet or choose a CSV file: one student in each row, with name and
    instrument; group, options and reach if you have them. Of a name only the first name and an
    initial are kept.
  </p>
  <div class="in">
    <TextArea labelText="The list" rows={7} placeholder={EXAMPLE} bind:value={text} />
    <div class="side">
      <Select size="sm" labelText="Group, where a row names none" bind:selected={group}>
        <SelectItem value="" text="no group" />
        {#each groups as g (g.id)}<SelectItem value={g.name} text={g.name} />{/each}
      </Select>
      <label class="file small">
        Or a file
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          onchange={(e) => file(e.currentTarget.files)}
        />
      </label>
      <Button size="small" kind="tertiary" disabled={!text.trim()} on:click={() => see()}
        >Look at it</Button
      >
    </div>
  </div>
  {#if problem}<Trouble text={problem} />{/if}
  <p role="status" class="done">
    {done}
    {#if done}<a href="/people">To the people</a>{/if}
  </p>

  {#if look}
    <div class="head">
      <p>
        <b>{look.ready}</b> to set up{#if there}, {there} here already{/if}{#if wrong}, <b
            >{wrong}</b
          > not taken: mend the list above and look again{/if}.
      </p>
      <Button size="small" disabled={!look.ready || busy} on:click={take}
        >Set up {look.ready === 1 ? 'one student' : `${look.ready} students`}</Button
      >
    </div>
    <div class="columns">
      {#each look.columns as c, i (i)}
        <div>
          <Select
            size="sm"
            labelText={c.heading ? `Column '${c.heading}'` : `Column ${i + 1}`}
            selected={c.meaning}
            on:change={(e) => mean(i, String((e.target as HTMLSelectElement).value))}
          >
            {#each look.meanings as m (m.value)}<SelectItem value={m.value} text={m.label} />{/each}
          </Select>
          <p class="small quiet">{c.samples.join(' · ')}</p>
        </div>
      {/each}
    </div>
    <table>
      <thead>
        <tr
          ><th scope="col">Row</th><th scope="col">Student</th><th scope="col">Instrument</th><th
            scope="col">Group</th
          ><th scope="col">Besides</th><th scope="col">What becomes of it</th></tr
        >
      </thead>
      <tbody>
        {#each look.rows as r (r.line)}
          <tr class={r.state}>
            <td>{r.line}</td>
            <td>{r.name || '–'}</td>
            <td>{r.instrument || '–'}</td>
            <td>{r.group || '–'}</td>
            <td>{r.more}</td>
            <td
              ><b>{words[r.state as keyof typeof words]}</b>{r.problems.length
                ? `: ${r.problems.join('; ')}`
                : ''}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</div>

<style>
  .in {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 17rem;
    gap: 1.5rem;
    margin: 1.25rem 0;
  }
  .side {
    display: flex;
    flex-direction: column;
    gap: 1rem;
    align-items: flex-start;
  }
  .file {
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
    color: var(--ink-2);
  }
  .done {
    min-height: 1.4em;
  }
  .head {
    display: flex;
    gap: 1.5rem;
    align-items: center;
    margin: 0.5rem 0 1rem;
  }
  .columns {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
    gap: 0.75rem 1.25rem;
    margin-bottom: 1.25rem;
  }
  .columns p {
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    text-align: left;
    padding: 0.3rem 0.75rem 0.3rem 0;
    border-bottom: 1px solid var(--rule);
    font-weight: 400;
    vertical-align: top;
  }
  th {
    font-size: 0.8125rem;
    color: var(--ink-2);
  }
  td b {
    font-weight: 600;
  }
  tr.there {
    color: var(--ink-2);
  }
  tr.wrong td:last-child b {
    color: var(--hard);
  }
  @media (max-width: 900px) {
    .in {
      grid-template-columns: 1fr;
    }
  }
</style>
