<!-- The exercises that were chosen, on paper. -->
<script lang="ts">
  import { SkeletonText } from 'carbon-components-svelte';
  import type { Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import Printing from '../paper/Printing.svelte';
  import TickSheet from '../paper/TickSheet.svelte';
  import { printable, settings } from '../paper/settings.svelte';
  import FingeredLine from '../parts/FingeredLine.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import type { Language } from '../words/language';
  import { ui, wordsOf } from '../words/ui';
  import { chosen, fetched, GROUPS, music, parted, rungs, type Study } from './material';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  const page = loaded<{
    view: Schemas['MaterialView'];
    studies: { study: Study; music: Schemas['StudyMusic'] }[];
  }>();
  const view = $derived(page.value?.view);
  const studies = $derived(page.value?.studies ?? []);
  const words = $derived(wordsOf((view?.language.toLowerCase() ?? 'en') as Language));
  const room = $derived(settings.room);
  const PX = 96 / 25.4;
  let drawn = $state(0);
  const ready = $derived(!!view && drawn >= studies.length);
  const bitBars = (n: number) => {
    const b = view?.bits.find((x) => x.number === n);
    return b ? words.practice.bars(b.fromBar, b.toBar) : '';
  };

  $effect(() => {
    const [s, p] = [student, piece];
    drawn = 0;
    printable(false);
    void page.ask(async () => {
      const view = await fetched(s, p);
      const ids = new Set(chosen(s, p));
      const wanted = GROUPS.flatMap((g) => view.studies.filter((x) => x.group === g)).filter((x) =>
        ids.has(x.id)
      );
      const studies = await Promise.all(
        wanted.map(async (study) => ({ study, music: await music(s, p, study.id) }))
      );
      return { view, studies };
    });
  });
</script>

<svelte:head
  ><title>{ui.material.page(view ? `: ${view.piece.title}, ${view.student.name}` : '')}</title
  ></svelte:head
>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if view}
    <Printing
      title="{view.student.name}: {ui.material.of(view.piece.title)}"
      back="/practice/{student}/{piece}/material"
      backTo={ui.material.title}
      {ready}
    />
    {#if !studies.length}
      <p>{ui.material.nothingChosen}</p>
    {:else}
      <TickSheet
        title={words.material.of(view.piece.title)}
        name={view.student.name}
        instrument={view.student.playsInside}
      >
        <p class="tick">{words.material.tick}</p>
        {#if view.caution && studies.some((s) => s.study.group === 'TONE')}
          <p class="tick">{view.caution}</p>
        {/if}
        {#each studies as { study, music: m } (study.id)}
          <section>
            <p class="head">
              <b>{study.bit ? `${bitBars(study.bit)}, ` : ''}{study.title}</b>
              <span class="boxes">
                ♩ =
                {#each rungs(m.from, m.towards) as t (t)}
                  <span><i></i>{t}</span>
                {/each}
              </span>
            </p>
            {#if study.why}<p>{study.why}</p>{/if}
            <FingeredLine
              xml={m.xml}
              width={Math.floor(room.width * PX)}
              notes={new Map(m.notes.map((n) => [n.id, n]))}
              size={12}
              onready={() => drawn++}
            />
            {#each parted(m).why as w (w.shown + w.label)}
              <p>{w.shown}, {w.label}: {w.sentence || words.material.why[w.why]}</p>
            {/each}
          </section>
        {/each}
      </TickSheet>
    {/if}
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>

<style>
  section > p:not(.head) {
    font-size: 10pt;
  }
</style>
