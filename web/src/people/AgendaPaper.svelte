<!-- The next two weeks of a practice plan on paper, with a box for each session. -->
<script lang="ts">
  import { SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import Printing from '../paper/Printing.svelte';
  import { printable } from '../paper/settings.svelte';
  import TickSheet from '../paper/TickSheet.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import type { Language } from '../words/language';
  import { capital, ui, wordsOf } from '../words/ui';

  const WEEKS_DAYS = 14;

  const student = $derived(Number(route.params.student));
  const page = loaded<Schemas['AgendaView']>();
  const view = $derived(page.value);
  const words = $derived(wordsOf((view?.language.toLowerCase() ?? 'en') as Language));
  const days = $derived(view?.days.slice(0, WEEKS_DAYS) ?? []);

  $effect(() => {
    const path = { studentId: student };
    printable(false);
    void page.ask(() =>
      asked(
        api.GET('/api/students/{studentId}/agenda', {
          params: { path },
          // a sheet is in the language that its student reads
          headers: { 'Sempre-Sheet': 'yes' }
        })
      )
    );
  });
</script>

<svelte:head><title>{ui.agenda.page(view ? `: ${view.student.name}` : '')}</title></svelte:head>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if view}
    <Printing
      title="{view.student.name}: {ui.agenda.title}"
      back="/people/{student}/agenda"
      backTo={ui.agenda.title}
      ready={true}
    />
    <TickSheet
      title={days[0] ? words.agenda.paperOf(days[0].shown) : words.agenda.title}
      name={view.student.name}
      instrument={view.student.playsInside}
    >
      <p class="tick">{words.agenda.tick(view.session)}</p>
      {#if view.nothing}<p>{view.nothing}</p>{/if}
      {#each view.goals as g (g.piece.id + g.due)}
        <p class="due"><b>{g.piece.title}</b>{g.what ? `, ${g.what}` : ''}: {g.dueWords}</p>
      {/each}
      {#each days as d (d.day)}
        <section class:monday={d.weekday === 'MONDAY'}>
          <b>{capital(d.shown)}</b>
          <div>
            {#if d.free}{words.agenda.off(d.off)}{:else if !d.tasks.length}{words.agenda.rest}{/if}
            {#each d.tasks as t (`${t.pieceId} ${t.bit}`)}
              <p><i></i>{t.piece ? `${t.piece}: ${t.what}` : capital(t.what)}</p>
            {/each}
            {#if d.lesson}<p class="lesson">
                <b>{words.agenda.lesson}</b>{d.hear ? `: ${d.hear}` : ''}
              </p>{/if}
          </div>
        </section>
      {/each}
    </TickSheet>
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>

<style>
  .due {
    margin-top: 1mm;
  }
  section {
    display: grid;
    grid-template-columns: 26mm 1fr;
    gap: 3mm;
  }
  /* narrower than a sheet's other sections: fourteen of them are on a page */
  :global(article) section {
    margin-top: 1.5mm;
    padding-top: 1.5mm;
  }
  section.monday {
    border-top-width: 0.8mm;
  }
  section p {
    padding-inline-start: 6mm;
  }
  section p.lesson {
    padding-inline-start: 0;
  }
  i {
    display: inline-block;
    width: 3.2mm;
    height: 3.2mm;
    margin-inline: -6mm 2.4mm;
    border: 0.3mm solid #000;
    vertical-align: -0.4mm;
  }
</style>
