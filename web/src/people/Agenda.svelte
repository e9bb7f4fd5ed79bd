<!-- What a student practises on which day: what is due, how it comes out, day by day, and when there is practice. -->
<script lang="ts">
  import {
    Button,
    Checkbox,
    CheckboxGroup,
    NumberInput,
    SkeletonText,
    TextInput
  } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { untrack } from 'svelte';
  import { door } from '../lib/door.svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import { loaded } from '../lib/load.svelte';
  import { scrolls } from '../lib/scrolls';
  import Trouble from '../parts/Trouble.svelte';
  import { visit, route } from '../router';
  import { ui, WEEK, weekday, type Weekday } from '../words/ui';
  import DayTasks from './DayTasks.svelte';

  type View = Schemas['AgendaView'];
  const FEW = 14;

  const student = $derived(Number(route.params.student));
  const page = loaded<View>();
  const view = $derived(page.value);
  let all = $state(false);
  let minutes = $state<number | null>(20);
  let practice = $state<Weekday[]>([]);
  let lessons = $state<Weekday[]>([]);
  let first = $state('');
  let last = $state('');
  let name = $state('');
  let everyone = $state(false);
  const changes = door();
  let done = $state('');

  const params = $derived({ path: { studentId: student } });
  $effect(() => {
    const wanted = params;
    untrack(() => changes.next());
    void page.ask(
      () => asked(api.GET('/api/students/{studentId}/agenda', { params: wanted })),
      filled
    );
  });
  function filled(v: View) {
    minutes = v.minutes;
    practice = [...v.practice];
    lessons = [...v.lessons];
  }
  function changed(v: View, said = '') {
    page.put(v);
    filled(v);
    done = said;
  }
  const keep = () =>
    changes.change(
      () =>
        asked(
          api.PUT('/api/students/{studentId}/agenda', {
            params,
            body: { minutes: minutes ?? 0, practice, lessons }
          })
        ),
      (v) => changed(v, ui.agenda.kept)
    );
  const forget = () =>
    changes.change(
      () => asked(api.DELETE('/api/students/{studentId}/agenda', { params })),
      changed
    );
  async function addOff() {
    if (!first) return changes.refuse(ui.agenda.offNoDay);
    const body = { first, last: last || first, name, everyone };
    await changes.once(
      () => asked(api.POST('/api/students/{studentId}/off', { params, body })),
      (v) => {
        changed(v);
        first = last = name = '';
      }
    );
  }
  const removeOff = (offId: number) =>
    changes.change(
      () =>
        asked(
          api.DELETE('/api/students/{studentId}/off/{offId}', {
            params: { path: { studentId: student, offId } }
          })
        ),
      changed
    );

  pageKeys(ui.agenda.title, [
    {
      on: 'p',
      words: ui.agenda.paper,
      act: () => visit(`/people/${student}/agenda/paper`)
    },
    { on: 'Escape', words: ui.agenda.back, act: () => visit(`/people/${student}`) }
  ]);
</script>

<svelte:head><title>{ui.agenda.page(view ? `: ${view.student.name}` : '')}</title></svelte:head>

<div class="page">
  <header class="titled">
    <h1>{ui.agenda.title}</h1>
    {#if view}<a href="/people/{student}">{view.student.name}</a>
      <a href="/people/{student}/agenda/paper">{ui.agenda.paper}</a>
      <a href="/api/students/{student}/agenda.ics" download>{ui.agenda.calendar}</a>
      <a href="/api/students/{student}/agenda.ics?named=true" download>{ui.agenda.calendarNamed}</a
      >{/if}
  </header>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if view}
    <p class="told-first">{ui.agenda.lead(view.minutes, view.session)}</p>
    {#if view.missed}<p class="told">{view.missed}</p>{/if}
    {#if view.advice}<p class="told late" role="status"><b>{view.advice}</b></p>{/if}
    {#each view.over as o (o)}<p class="told">{o}</p>{/each}
    {#if view.nothing}<p class="told">{view.nothing}</p>{/if}
    {#if view.goals.length}
      <h2>{ui.agenda.goals}</h2>
      <div {@attach scrolls}>
        <table class="rows">
          <thead>
            <tr>
              <th>{ui.agenda.piece}</th><th>{ui.agenda.due}</th><th>{ui.agenda.bits}</th><th
                >{ui.agenda.outcome}</th
              >
            </tr>
          </thead>
          <tbody>
            {#each view.goals as g (g.piece.id + g.due)}
              <tr>
                <td
                  ><a href="/practice/{student}/{g.piece.id}">{g.piece.title}</a>
                  {#if g.what}<span class="small quiet">{g.what}</span>{/if}</td
                >
                <td>{g.dueWords}</td>
                <td>{g.bits ? ui.agenda.of(g.secure, g.bits) : ''}</td>
                <td class:late={g.late}>{g.sentence}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
    {/if}
    {#if view.days.length}
      <h2>{ui.agenda.days}</h2>
      <ol class="days">
        {#each all ? view.days : view.days.slice(0, FEW) as d, i (d.day)}
          <li
            class:now={i === 0}
            class:free={!d.tasks.length}
            class:monday={d.weekday === 'MONDAY'}
          >
            <b>{i === 0 ? ui.agenda.today : d.shown}</b>
            <DayTasks day={d} {student} />
          </li>
        {/each}
      </ol>
      {#if view.days.length > FEW}
        <Button size="small" kind="ghost" on:click={() => (all = !all)}
          >{all ? ui.agenda.less : ui.agenda.more(view.days.at(-1)!.shown)}</Button
        >
      {/if}
    {/if}
    <h2>{ui.agenda.when}</h2>
    {#if !view.said}<p class="small quiet">{ui.agenda.usual}</p>{/if}
    <div class="form">
      <NumberInput
        labelText={ui.agenda.minutes}
        helperText={ui.agenda.minutesHint}
        translateWithId={(id) => (id === 'increment' ? ui.all.more : ui.all.less)}
        invalidText={ui.agenda.minutesHint}
        min={5}
        max={120}
        step={5}
        bind:value={minutes}
      />
      <CheckboxGroup legendText={ui.agenda.practice} bind:selected={practice} class="week">
        {#each WEEK as d (d)}<Checkbox value={d} labelText={weekday(d)} />{/each}
      </CheckboxGroup>
      <CheckboxGroup legendText={ui.agenda.lessons} bind:selected={lessons} class="week">
        {#each WEEK as d (d)}<Checkbox value={d} labelText={weekday(d)} />{/each}
      </CheckboxGroup>
      <div class="acts">
        <Button size="small" on:click={keep}>{ui.agenda.keep}</Button>
        {#if view.said}<Button size="small" kind="ghost" on:click={forget}
            >{ui.agenda.forget}</Button
          >{/if}
        {#if done}<span class="small" role="status">{done}</span>{/if}
      </div>
    </div>
    <h2>{ui.agenda.offTitle}</h2>
    <ul class="off">
      {#each view.off as o (o.id)}
        <li>
          {o.shown}{o.name ? `: ${o.name}` : ''}
          {#if o.everyone}<span class="small quiet">({ui.agenda.offEveryone})</span>{/if}
          <button class="plain link" onclick={() => void removeOff(o.id)}
            >{ui.all.remove}<span class="bx--visually-hidden">: {o.shown}</span></button
          >
        </li>
      {:else}<li class="quiet small">{ui.agenda.offNone}</li>{/each}
    </ul>
    <form
      class="acts"
      onsubmit={(e) => {
        e.preventDefault();
        void addOff();
      }}
    >
      <TextInput type="date" size="sm" labelText={ui.agenda.offFirst} bind:value={first} />
      <TextInput type="date" size="sm" labelText={ui.agenda.offLast} bind:value={last} />
      <TextInput size="sm" labelText={ui.agenda.offName} maxlength={60} bind:value={name} />
      <Checkbox labelText={ui.agenda.offAll} bind:checked={everyone} />
      <Button size="small" kind="tertiary" type="submit">{ui.agenda.offAdd}</Button>
    </form>
    {#if changes.problem}<Trouble text={changes.problem} />{/if}
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>

<style>
  h2 {
    margin: 1.75rem 0 0.5rem;
  }
  table {
    max-width: 60rem;
  }
  .told {
    max-width: 46rem;
    margin-top: 0.5rem;
    padding-inline-start: 0.75rem;
    border-inline-start: 3px solid var(--rule);
  }
  .told.late {
    border-color: var(--hard);
  }
  td.late {
    color: var(--hard);
  }
  .days {
    list-style: none;
    padding: 0;
    max-width: 60rem;
  }
  .days > li {
    display: grid;
    grid-template-columns: 7rem 1fr;
    gap: 0.25rem 1rem;
    padding: 0.375rem 0.5rem;
    border-top: 1px solid var(--rule);
  }
  .days > li.monday {
    border-top-width: 3px;
  }
  .days > li.now {
    background: var(--accent-soft);
  }
  .days > li.free b {
    font-weight: 400;
    color: var(--ink-2);
  }
  .form {
    display: grid;
    gap: 0.875rem;
    max-width: 46rem;
  }
  .form :global(.bx--number) {
    width: 12rem;
  }
  .form :global(.week fieldset) {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1rem;
    align-items: flex-end;
  }
  .acts :global(.bx--form-item) {
    flex: 0 0 auto;
  }
  .off {
    list-style: none;
    padding: 0;
    margin-bottom: 0.5rem;
  }
  @media (width <= 42rem) {
    .days > li {
      grid-template-columns: 1fr;
    }
  }
</style>
