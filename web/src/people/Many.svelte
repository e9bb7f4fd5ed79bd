<!-- A list of students, pasted or from a file: what each column means, what is asked, then taken. -->
<script lang="ts">
  import { Button, Select, SelectItem, TextArea } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import TakeBackMany from '../parts/TakeBackMany.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { withPart } from './order';
  import { visit } from '../router';
  import { taken } from './taken.svelte';
  import { steps as stepsOf } from './steps';
  import type { Stage } from '../words/standing';
  import { list, ui } from '../words/ui';

  const EXAMPLE = ui.people.example;
  type Body = Schemas['RosterBody'];
  type Meaning = NonNullable<Body['meanings']>[number];
  type Row = Schemas['RosterRow'];
  type Answer = NonNullable<Body['answers']>[string];

  const people = loaded<Schemas['PeopleView']>();
  const groups = $derived(people.value?.groups ?? []);
  let text = $state('');
  let group = $state('');
  /** the name of a new group, where one is chosen */
  let fresh = $state('');
  const look = loaded<Schemas['RosterView']>();
  /** what the teacher has answered: by line, by what the list calls an instrument, by group */
  let answers = $state.raw<Record<number, Answer>>({});
  let initials = $state.raw<Record<number, string>>({});
  let called = $state.raw<Record<string, string>>({});
  let stages = $state<Record<string, Stage>>({});
  let scale = $state('');
  const changes = door();
  let done = $state('');
  let batches = $state<{ again: () => void }>();

  const askPeople = () => asked(api.GET('/api/people'));
  const loadPeople = () => people.ask(askPeople);
  onMount(
    () =>
      void people.ask(askPeople, (p) => {
        // the only group there is takes the list, where none is chosen yet
        if (!group && p.groups.length === 1) group = p.groups[0]!.name;
      })
  );

  const view = $derived(look.value);
  const meanings = $derived((view?.columns ?? []).map((c) => c.meaning));
  const problem = $derived(changes.problem || people.problem || look.problem);
  const count = (state: Row['state']) => view?.rows.filter((r) => r.state === state).length ?? 0;
  const unsaid = $derived((view?.groups ?? []).filter((g) => !stages[g]));
  const plays = $derived(view?.rows.some((r) => r.plays) ?? false);

  const body = (said: Meaning[]): Body => ({
    text,
    meanings: said,
    group: group === 'new' ? fresh.trim() : group,
    called,
    answers,
    initials,
    stages,
    scale
  });
  const see = (said: Meaning[] = []) => {
    done = '';
    return look.ask(() => asked(api.POST('/api/roster/look', { body: body(said) })));
  };
  /** Another list has other rows: what was answered of the old ones counts no more. */
  const anew = () => {
    answers = {};
    initials = {};
    called = {};
    return see();
  };

  const take = () =>
    changes.once(
      () => asked(api.POST('/api/roster', { body: body(meanings) })),
      async (r) => {
        // what could not be taken stays to be mended
        await see(meanings);
        done = r.done;
        if (!count('WRONG') && !count('ASK')) {
          taken.words = r.done;
          visit('/people');
          return;
        }
        batches?.again();
        await loadPeople();
      }
    );

  async function file(list: FileList | null | undefined) {
    const f = list?.[0];
    if (!f) return;
    text = await f.text();
    await anew();
  }

  const mean = (c: number, value: Meaning) => see(meanings.map((m, i) => (i === c ? value : m)));
  function answer(r: Row, a: Answer) {
    answers = { ...answers, [r.line]: a };
    void see(meanings);
  }
  function rename(r: Row, initial: string) {
    initials = { ...initials, [r.line]: initial.trim() };
    void see(meanings);
  }
  function takeAs(r: Row, id: string) {
    called = { ...called, [r.called]: id };
    void see(meanings);
  }
  const words: Record<Row['state'], string> = {
    NEW: ui.people.new,
    THERE: ui.people.hereAlready,
    JOINS: ui.people.joins,
    ASK: ui.people.whichChild,
    WRONG: ui.people.notTaken
  };
</script>

<svelte:head><title>{ui.people.manyTitle}</title></svelte:head>

<div class="page">
  <h1>{ui.people.many}</h1>
  <p class="quiet">
    {ui.people.manyIntro}
  </p>
  <div class="in">
    <TextArea labelText={ui.people.theList} rows={7} placeholder={EXAMPLE} bind:value={text} />
    <div class="side">
      <Select size="sm" labelText={ui.people.groupNone} bind:selected={group}>
        <SelectItem value="" text={ui.people.noGroup} />
        {#each groups as g (g.id)}<SelectItem value={g.name} text={g.name} />{/each}
        <SelectItem value="new" text={ui.people.aNewGroup} />
      </Select>
      {#if group === 'new'}
        <label class="field small"
          >{ui.people.itsName} <input bind:value={fresh} maxlength="80" /></label
        >
      {/if}
      <label class="file small">
        {ui.people.orFile}
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          onchange={(e) => file(e.currentTarget.files)}
        />
      </label>
      <Button size="small" kind="tertiary" disabled={!text.trim()} on:click={anew}
        >{ui.people.lookAtIt}</Button
      >
    </div>
  </div>
  {#if problem}<Trouble text={problem} />{/if}
  <p role="status" class="done">
    {done}
    {#if done}<a href="/people">{ui.people.toPeople}</a>{/if}
  </p>
  <TakeBackMany
    bind:this={batches}
    kind="ROSTER"
    ondone={async (words) => {
      await see(meanings);
      done = words;
      void loadPeople();
    }}
  />

  {#if view}
    {#if view.groups.length || plays}
      <div class="ask">
        {#each view.groups as g (g)}
          <Select size="sm" labelText={ui.people.isNewHowFar(g)} bind:selected={stages[g]}>
            <SelectItem value="" text={ui.all.choose} />
            <SelectItem value="FIRST_YEARS" text={ui.stage.FIRST_YEARS} />
            <SelectItem value="SCHOOL" text={ui.stage.SCHOOL} />
            <SelectItem value="ADVANCED" text={ui.stage.ADVANCED} />
          </Select>
        {/each}
        {#if plays}
          <Select size="sm" labelText={ui.people.playsSteps} bind:selected={scale}>
            {#each stepsOf() as [value, said] (value)}<SelectItem {value} text={said} />{/each}
          </Select>
        {/if}
      </div>
    {/if}
    <div class="head">
      <p>
        <b>{view.ready}</b>
        {ui.people.toSetUp}{#if count('THERE')}{ui.people.thereAlready(
            count('THERE')
          )}{/if}{#if count('ASK')},
          <b>{count('ASK')}</b>
          {ui.people.toAnswer}{/if}{#if count('WRONG')}, <b>{count('WRONG')}</b>
          {ui.people.notTakenMend}{/if}.
      </p>
      <Button
        size="small"
        disabled={!view.ready || changes.busy || unsaid.length > 0}
        on:click={take}>{ui.people.setUpMany(view.ready)}</Button
      >
      {#if unsaid.length}<span class="small">{ui.people.firstSay(unsaid.length, list(unsaid))}</span
        >{/if}
    </div>
    {#if !meanings.some((m) => m === 'FIRST_NAME' || m === 'WHOLE_NAME')}
      <p class="which">{ui.people.whichNames}</p>
    {/if}
    <div class="columns">
      {#each view.columns as c, i (i)}
        <div>
          <Select
            size="sm"
            labelText={c.heading ? ui.people.column(c.heading) : ui.people.columnNumber(i + 1)}
            selected={c.meaning}
            on:change={(e) => mean(i, (e.target as HTMLSelectElement).value as Meaning)}
          >
            {#each view.meanings as m (m.value)}<SelectItem value={m.value} text={m.label} />{/each}
          </Select>
          <p class="small quiet">{c.samples.join(' · ')}</p>
        </div>
      {/each}
    </div>
    <table class="rows">
      <thead>
        <tr
          ><th scope="col">{ui.people.rowWord}</th><th scope="col">{ui.all.student}</th><th
            scope="col">{ui.all.instrument}</th
          ><th scope="col">{ui.people.seatWord}</th><th scope="col">{ui.people.groupWord}</th><th
            scope="col">{ui.people.also}</th
          ><th scope="col">{ui.people.becomes}</th></tr
        >
      </thead>
      <tbody>
        {#each view.rows as r (r.line)}
          <tr class={r.state.toLowerCase()}>
            <td>{r.line}</td>
            <td
              >{r.name || '–'}
              {#if r.state === 'NEW' && r.longer}
                <label class="initial small quiet"
                  >{ui.people.initialLonger}
                  <input
                    value={r.initial}
                    maxlength="6"
                    aria-label={ui.people.initialOf(r.name)}
                    onchange={(e) => rename(r, e.currentTarget.value)}
                  /></label
                >
              {/if}</td
            >
            <td>{r.instrument ? withPart(r.instrument, r.part) : r.called || '–'}</td>
            <td>{r.seat}</td>
            <td>{r.group || '–'}</td>
            <td
              >{[r.plays ? ui.people.playsWhat(r.plays) : '', r.more]
                .filter(Boolean)
                .join('; ')}</td
            >
            <td
              ><b>{words[r.state]}</b>{r.problems.length ? `: ${r.problems.join('; ')}` : ''}
              {#each r.meant as m (m.value)}
                <button class="plain link" onclick={() => takeAs(r, m.value)}
                  >{ui.people.takeAs(m.label.toLowerCase())}</button
                >
              {/each}
              {#if r.state === 'ASK'}
                <span class="choice">
                  {r.sameAs ? ui.people.sameRow(r.sameAs) : ui.people.sameHere(r.name)}
                  <button class="plain link" onclick={() => answer(r, 'SAME')}
                    >{ui.people.sameChild}</button
                  >
                  <button class="plain link" onclick={() => answer(r, 'OTHER')}
                    >{ui.people.anotherChild}</button
                  >
                </span>
              {:else if (r.state === 'THERE' || r.state === 'JOINS') && answers[r.line] !== 'SAME'}
                <button class="plain link small" onclick={() => answer(r, 'OTHER')}
                  >{ui.people.isAnother}</button
                >
              {/if}</td
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
  .which {
    font-weight: 600;
    margin-top: 0.75rem;
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
  td b {
    font-weight: 600;
  }
  tr.there {
    color: var(--ink-2);
  }
  .ask {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem;
    margin-bottom: 1rem;
    padding: 0.75rem 1rem;
    background: var(--accent-soft);
  }
  .ask :global(.bx--form-item) {
    flex: 0 1 18rem;
  }
  .field {
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
  }
  .initial {
    white-space: nowrap;
    margin-left: 0.5rem;
  }
  .field input,
  .initial input {
    font: inherit;
    color: var(--ink);
    padding: 0.25rem 0.5rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .initial input {
    width: 4rem;
    padding: 0 0.375rem;
  }
  .choice {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
  }
  tr.wrong td:last-child b,
  tr.ask td:last-child b {
    color: var(--hard);
  }
  @media (max-width: 1000px) {
    .in {
      grid-template-columns: 1fr;
    }
  }
</style>
