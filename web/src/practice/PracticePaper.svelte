<!-- The bits of a part on paper: each with its steps to tick off, what catches, and the way to hard notes. -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { pageKeys } from '../lib/keys.svelte';
  import { loaded } from '../lib/load.svelte';
  import { fits, scrolls } from '../lib/scrolls';
  import PageSize from '../paper/PageSize.svelte';
  import { printable, settings } from '../paper/settings.svelte';
  import FingeredLine from '../parts/FingeredLine.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { navigate, route } from '../router';
  import type { Note } from '../stand/lanes';
  import type { Language } from '../words/language';
  import { ui, wordsOf } from '../words/ui';
  import { bitNotes, metronome, STEPS } from './bits';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  const page = loaded<[Schemas['StandView'], Schemas['PracticeView']]>();
  const stand = $derived(page.value?.[0]);
  const view = $derived(page.value?.[1]);
  /** a sheet is in the language that its student reads */
  const words = $derived(wordsOf((stand?.language ?? 'EN').toLowerCase() as Language));
  const room = $derived(settings.room);
  const PX = 96 / 25.4;
  let drawn = $state(0);
  let wanted = false;
  const ready = $derived(!!view && drawn >= view.bits.length);

  function print() {
    wanted = !ready;
    if (ready) window.print();
  }
  $effect(() => {
    printable(ready);
    if (ready && wanted) print();
  });
  onDestroy(() => delete document.documentElement.dataset.printable);

  $effect(() => {
    const path = { path: { studentId: student, pieceId: piece } };
    drawn = 0;
    void page.ask(() =>
      Promise.all([
        asked(api.GET('/api/stand/{studentId}/{pieceId}', { params: path })),
        asked(api.GET('/api/stand/{studentId}/{pieceId}/practice', { params: path }))
      ])
    );
  });

  const byId = $derived(new Map(stand?.plan.notes.map((n) => [n.id, n])));
  const letter = (shown: string) => shown.replace(/\d+$/, '');
  /** what is played of a bit, round by round, by its letters; the whole bit is the music above */
  const rounds = (own: Note[], c: Schemas['CatchView']) =>
    c.rounds
      .filter((r) => r.last - r.first + 1 < own.length)
      .map((r) =>
        own
          .slice(r.first, r.last + 1)
          .map((n) => letter(n.shown))
          .join(' ')
      );
  pageKeys(ui.paper.print, [
    { on: 'p', words: ui.paper.print, when: () => !!view, act: print },
    {
      on: ['s', 'Escape'],
      words: ui.practice.title,
      act: () => navigate(`/practice/${student}/${piece}` as '/')
    }
  ]);
</script>

<svelte:head
  ><title>{ui.practice.page(view ? `: ${view.piece.title}, ${view.student.name}` : '')}</title
  ></svelte:head
>
<PageSize />

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if view && stand}
    <header class="bar">
      <h1>{view.student.name}: {view.piece.title}</h1>
      <Button size="small" on:click={print}>{ui.paper.print} <kbd>p</kbd></Button>
      <a href="/practice/{student}/{piece}">{ui.practice.title}</a>
    </header>
    <div class="beyond" {@attach scrolls} {@attach fits}>
      <article
        class="on-paper"
        aria-label="{view.student.name}, {stand.student.instrumentName}"
        style:width="{room.width}mm"
      >
        <header>
          <h2>{words.practice.paperOf(view.piece.title)}</h2>
          <p class="who">
            <b>{view.student.name}</b><br />{stand.student.instrumentName.toLowerCase()}
          </p>
        </header>
        <p class="tick">{words.practice.tick}</p>
        {#if view.caution}<p class="tick">{view.caution}</p>{/if}
        {#each view.bits as b, i (b.notes[0])}
          {@const own = bitNotes(b, byId)}
          <section>
            <p class="head">
              <b class="number">{i + 1}</b>
              {words.practice.bars(b.fromBar, b.toBar)}, {words.practice.end[b.end]};
              {words.practice.beginAt(metronome(own[0]!, stand.times, b.startPercent))}
              <span class="boxes">
                {#each STEPS as s (s)}
                  {#if s !== 'join' || i < view.bits.length - 1}
                    <span><i></i>{words.practice.boxes[s]}</span>
                  {/if}
                {/each}
              </span>
            </p>
            <FingeredLine
              xml={b.xml}
              width={Math.floor(room.width * PX)}
              notes={new Map(own.map((n) => [n.id, n]))}
              own={new Set(own.flatMap((n) => [n.id, ...n.tied]))}
              size={12}
              onready={() => drawn++}
            />
            {#each b.catches as c (c.fromId)}
              <p>{words.practice.goRound(rounds(own, c).join(' · '))}</p>
            {/each}
            {#each b.led as l (l.noteId)}
              <p>
                {words.practice.wayOn(
                  letter(l.shown),
                  l.steps.map((s) => letter(s.shown)).join(' ')
                )}
              </p>
            {/each}
          </section>
        {/each}
      </article>
    </div>
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>

<style>
  .bar {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1.5rem;
    align-items: center;
    margin-bottom: 1rem;
  }
  .bar h1 {
    margin-right: auto;
  }
  article {
    box-sizing: content-box;
    padding: 12mm;
    background: #fff;
    color: #000;
    font-size: 11pt;
    line-height: 1.3;
    box-shadow: 0 1px 4px rgb(0 0 0 / 0.25);
  }
  article header {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 1rem;
  }
  h2 {
    font-size: 20pt;
    font-weight: 600;
    line-height: 1.1;
  }
  .who {
    text-align: right;
  }
  .tick {
    font-size: 10pt;
  }
  section {
    break-inside: avoid;
    margin-top: 4mm;
    padding-top: 2mm;
    border-top: 0.3mm solid #000;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 0.4em;
  }
  .number {
    font-size: 14pt;
  }
  .boxes {
    display: flex;
    gap: 3.5mm;
    margin-left: auto;
    font-size: 10pt;
  }
  .boxes i {
    display: inline-block;
    width: 3.2mm;
    height: 3.2mm;
    margin-right: 1mm;
    border: 0.3mm solid #000;
    vertical-align: -0.4mm;
  }
  @media print {
    .bar {
      display: none;
    }
    article {
      padding: 0;
      box-shadow: none;
    }
  }
</style>
