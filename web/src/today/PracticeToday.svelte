<!-- What those who have a plan practise today, what they missed, and for whom it gets too late. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import DayTasks from '../people/DayTasks.svelte';
  import { ui } from '../words/ui';

  const page = loaded<[Schemas['PracticeToday'][], Schemas['AuditionRef'][]]>();
  const all = $derived(page.value?.[0] ?? []);
  const auditions = $derived((page.value?.[1] ?? []).filter((a) => !a.over));
  onMount(
    () =>
      void page.ask(() =>
        Promise.all([asked(api.GET('/api/agendas')), asked(api.GET('/api/auditions'))])
      )
  );
</script>

{#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
{#if all.length || auditions.length}
  <section aria-label={ui.agenda.todayTitle}>
    <h2>{ui.agenda.todayTitle}</h2>
    {#each auditions as a (a.id)}
      <p>
        <a href="/people/audition/{a.id}">{a.name}</a>
        {a.left} <span class="small quiet">{a.dayWords}; {ui.audition.goes(a.candidates)}</span>
      </p>
    {/each}
    {#each all as p (p.student.id)}
      <div class="who">
        <div class="name">
          <a href="/people/{p.student.id}/agenda" aria-label={ui.agenda.open(p.student.name)}
            >{p.student.name}</a
          >
          <span class="small quiet">{p.student.plays}</span>
        </div>
        <div>
          <DayTasks day={p.day} student={p.student.id} />
          {#if p.missed}<p class="small">{p.missed}</p>{/if}
          {#if p.late}<p class="small late">{p.late}</p>{/if}
        </div>
      </div>
    {/each}
  </section>
{/if}

<style>
  section {
    margin-top: 1.5rem;
    max-width: 60rem;
  }
  .who {
    display: grid;
    grid-template-columns: 8rem 1fr;
    gap: 0.25rem 1rem;
    padding: 0.5rem 0;
    border-top: 1px solid var(--rule);
  }
  .name {
    display: flex;
    flex-direction: column;
    align-items: flex-start;
  }
  .name a {
    min-height: var(--target);
  }
  .late {
    color: var(--hard);
  }
  @media (width <= 42rem) {
    .who {
      grid-template-columns: 1fr;
    }
  }
</style>
