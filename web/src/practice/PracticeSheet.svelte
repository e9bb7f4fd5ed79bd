<!-- The bits of one player's part on paper: each with its steps to tick off, what catches, and the way to hard notes. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import type { Schemas } from '../api/client';
  import { settings } from '../paper/settings.svelte';
  import TickSheet from '../paper/TickSheet.svelte';
  import FingeredLine from '../parts/FingeredLine.svelte';
  import { letter, type Note } from '../stand/lanes';
  import type { Language } from '../words/language';
  import { wordsOf } from '../words/ui';
  import { bitNotes, inBars, metronome, STEPS } from './bits';

  let {
    stand,
    view,
    bars,
    onready
  }: {
    stand: Schemas['StandView'];
    view: Schemas['PracticeView'];
    /** the first and the last of those that are given, where not all are */
    bars?: [number, number] | undefined;
    /** called when all stands there as it will be printed */
    onready: () => void;
  } = $props();

  /** a sheet is in the language that its student reads */
  const words = $derived(wordsOf(stand.language.toLowerCase() as Language));
  const room = $derived(settings.room);
  const PX = 96 / 25.4;
  const byId = $derived(new Map(stand.plan.notes.map((n) => [n.id, n])));
  const bits = $derived(
    view.bits
      .map((b, i) => ({ b, number: i + 1, last: i === view.bits.length - 1 }))
      .filter(({ b }) => !bars || inBars(b, byId, bars))
  );
  let drawn = 0;
  function one() {
    drawn++;
    if (drawn >= bits.length) onready();
  }
  $effect(() => {
    if (!bits.length) untrack(onready);
  });

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
</script>

<TickSheet
  title={words.practice.paperOf(view.piece.title)}
  name={view.student.name}
  instrument={stand.student.playsInside}
>
  <p class="tick">{words.practice.tick}</p>
  {#if view.caution}<p class="tick">{view.caution}</p>{/if}
  {#if !bits.length}<p>{words.practice.nothing}</p>{/if}
  {#each bits as { b, number, last } (number)}
    {@const own = bitNotes(b, byId)}
    <section>
      <p class="head">
        <b class="number">{number}</b>
        {words.practice.bars(b.fromBar, b.toBar)}{b.landing
          ? ', ' + words.practice.end[b.end]
          : ''};
        {words.practice.beginAt(metronome(own[0]!, stand.times, b.startPercent))}
        <span class="boxes">
          {#each STEPS as s (s)}
            {#if s !== 'join' || !last}
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
        onready={one}
      />
      {#each b.catches as c (c.fromId)}
        <p>{words.practice.goRound(rounds(own, c).join(' · '))}</p>
      {/each}
      {#each b.led as l (l.noteId)}
        <p>
          {words.practice.wayOn(letter(l.shown), l.steps.map((s) => letter(s.shown)).join(' '))}
        </p>
      {/each}
    </section>
  {/each}
</TickSheet>

<style>
  .number {
    font-size: 14pt;
  }
</style>
