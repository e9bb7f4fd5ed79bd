<!-- What one day of a practice plan brings: its sessions with why, and what a lesson hears. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import Mark from '../parts/Mark.svelte';
  import { capital, ui } from '../words/ui';

  let { day, student }: { day: Schemas['DayView']; student: number } = $props();
</script>

<div>
  {#if day.free}
    <span class="quiet">{ui.agenda.off(day.off)}</span>
  {:else if !day.tasks.length}
    <span class="quiet">{ui.agenda.rest}</span>
  {/if}
  <ul>
    {#each day.tasks as t (`${t.pieceId} ${t.bit}`)}
      <li class:done={t.done}>
        {#if t.pieceId}
          <a href="/practice/{student}/{t.pieceId}{t.bit < 0 ? '' : `?bit=${t.bit + 1}`}"
            >{t.piece}</a
          >: {t.what}
        {:else}
          <a href="/people/{student}/sight">{capital(t.what)}</a>
        {/if}
        <span class="small quiet">{t.why}</span>
        {#if t.done}<span class="small"><Mark state="SECURE" label={false} /> {ui.agenda.done}</span
          >{/if}
      </li>
    {/each}
  </ul>
  {#if day.lesson}
    <p class="small lesson"><b>{ui.agenda.lesson}</b>{day.hear ? `: ${day.hear}` : ''}</p>
  {/if}
</div>

<style>
  ul {
    list-style: none;
    padding: 0;
    margin: 0;
  }
  li {
    padding: 0.0625rem 0;
  }
  li.done {
    color: var(--ink-2);
  }
  .quiet.small::before {
    content: '– ';
  }
  .lesson {
    margin-top: 0.125rem;
  }
</style>
