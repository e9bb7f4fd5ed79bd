<!-- One instrument's table: every note, each of its fingerings, what moves between two, what else sounds. -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import { onDestroy, untrack } from 'svelte';
  import type { Schemas } from '../api/client';
  import Removal from '../parts/Removal.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import Wall from '../parts/Wall.svelte';
  import { ofTable } from '../parts/wall';
  import { route } from '../router';
  import Ask from './Ask.svelte';
  import Compare from './Compare.svelte';
  import { eyes } from './eyes.svelte';
  import { picture } from './hands';
  import Head from './Head.svelte';
  import House from './House.svelte';
  import Ladder from './Ladder.svelte';
  import OwnFile from './OwnFile.svelte';
  import OwnForm from './OwnForm.svelte';
  import Range from './Range.svelte';
  import Rules from './Rules.svelte';
  import { Table, type Way } from './table.svelte';
  import Trills from './Trills.svelte';
  import WayCard from './WayCard.svelte';
  import { ui } from '../words/ui';

  const id = $derived(String(route.params.instrument ?? '') || 'flute');
  const named = $derived(String(route.params.note ?? ''));
  const t = new Table();
  const { note, ways, way, mark, adding, byName, options } = $derived(t);
  const table = $derived(t.view);

  $effect(() => {
    const [instrument, at] = [id, named];
    untrack(() => void t.open(instrument, at));
  });
  onDestroy(() => t.leave());

  /** a card is as wide as its picture, within what a row can take */
  const cardWidth = $derived.by(() => {
    if (!table || table.kind !== 'HANDS') return 208;
    const p = picture(table.keys);
    return Math.max(208, Math.min(344, p.left + p.right + 98));
  });
  /** what sounds may lie in another clef than the page */
  const clef = $derived.by(() => {
    if (!table || !eyes.sounding) return table?.clef ?? 'treble';
    const middle = table.notes[Math.floor(table.notes.length / 2)]!.midi + table.semitones;
    return middle < 57 ? 'bass' : 'treble';
  });

  const here = () => !adding;
  pageKeys(ui.app.notes, [
    {
      on: ['ArrowLeft', 'ArrowRight'],
      words: ui.keys.noteBelow,
      when: here,
      act: (key) => t.step(key === 'ArrowRight' ? 1 : -1)
    },
    {
      on: ['ArrowUp', 'ArrowDown'],
      words: ui.keys.otherFingerings,
      when: here,
      act: (key) => t.turn(key === 'ArrowDown' ? 1 : -1)
    },
    { on: 'c', words: ui.keys.compare, when: () => here() && !!way, act: () => t.compare(way!) },
    { on: 'w', words: ui.keys.names, when: here, act: () => eyes.name() },
    { on: 'f', words: ui.keys.facing, when: here, act: () => eyes.turn() },
    {
      on: 'i',
      words: ui.keys.pictures,
      when: here,
      act: () => {
        eyes.plain = !eyes.plain;
      }
    },
    { on: 'a', words: ui.keys.own, when: here, act: () => (t.adding = true) },
    {
      on: 'v',
      words: ui.wall.open,
      when: () => here() && !!way,
      act: () => {
        wall = true;
      }
    }
  ]);
  /** all notes of the table for the wall, this one in the fingering that is looked at */
  let wall = $state(false);
  const shown = $derived(
    (table?.notes ?? []).flatMap((n) => {
      const w = n.midi === note?.midi ? way : n.ways[0];
      return w ? [{ note: n, way: w }] : [];
    })
  );
  const slides = $derived(table ? ofTable(table, shown) : []);

  let removing = $state.raw<{ id: number; name: string }>();
  async function remove(n: Schemas['TableNote'], w: Way) {
    const own = await t.own(n, w);
    if (own !== undefined) removing = { id: own, name: `${n.shown} ${w.label}` };
  }
</script>

<svelte:head
  ><title
    >{ui.notes.title(
      table ? [table.name, note?.shown].filter(Boolean).join(', ') : ui.app.notes
    )}</title
  ></svelte:head
>

<div class="page">
  {#if t.problem}<Trouble text={t.problem} again={() => t.load()} />{/if}
  {#if !table}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {:else}
    <Head table={t} view={table} />

    <div class="bar small">
      <button class="plain link" onclick={() => eyes.name()}
        >{eyes.sounding ? ui.notes.soundingNames : ui.notes.writtenNames} <kbd>w</kbd></button
      >
      {#if !byName}
        <button class="plain link" onclick={() => eyes.turn()}
          >{eyes.facing ? ui.notes.facing : ui.notes.asPlayer} <kbd>f</kbd></button
        >
        <button class="plain link" onclick={() => (eyes.plain = !eyes.plain)}
          >{eyes.plain ? ui.notes.plainPictures : ui.notes.drawnPictures} <kbd>i</kbd></button
        >
      {/if}
      <button class="plain link" disabled={!way} onclick={() => (wall = true)}
        >{ui.wall.open} <kbd>v</kbd></button
      >
      <span class="quiet hints"
        ><kbd>←</kbd> <kbd>→</kbd>
        {#if byName}{ui.notes.noteWord}{:else}{ui.notes.noteComma} <kbd>↑</kbd> <kbd>↓</kbd>
          {ui.notes.fingeringWord}{/if}</span
      >
      <span class="key"
        ><span class="first">{ui.notes.firstYearsShort}</span>
        <span class="school">{ui.notes.schoolShort}</span>
        <span class="advanced">{ui.notes.advancedShort}</span></span
      >
    </div>

    <Range
      notes={table.notes}
      {clef}
      sounding={eyes.sounding}
      chosen={t.chosen}
      marked={t.marked}
      onchoose={(midi) => t.choose(midi)}
    />

    <p class="said" role="status">
      {t.said}
      {#if t.undo}<button class="plain link" onclick={() => t.undo?.()}>{ui.notes.putItBack}</button
        >{/if}
    </p>

    {#if note}
      <div class="columns">
        <section>
          <div class="head">
            <h2 class="pitch">{eyes.sounding ? note.soundingShown : note.shown}</h2>
            {#if table.semitones !== 0}
              <span class="quiet"
                >{eyes.sounding
                  ? ui.notes.written(note.shown)
                  : ui.notes.sounds(note.soundingShown)}</span
              >
            {/if}
            <a class="small" href="/notes/across/{encodeURIComponent(note.sounding)}"
              >{ui.notes.acrossLink}</a
            >
          </div>
          {#if ways.length}
            <div class="ways" style:--card="{cardWidth}px">
              {#if mark && mark.note !== note.written}
                <WayCard
                  way={mark.way}
                  midi={mark.midi}
                  {table}
                  from={mark.shown}
                  chosen={false}
                  marked={true}
                  onchoose={() => t.choose(mark.midi)}
                  oncompare={() => (t.mark = undefined)}
                />
              {/if}
              {#each ways as w, i (w.fingering + w.role + w.requires)}
                <WayCard
                  way={w}
                  midi={note.midi}
                  {table}
                  chosen={i === t.place}
                  marked={t.isMarked(w)}
                  onchoose={() => (t.at = i)}
                  oncompare={() => t.compare(w)}
                />
              {/each}
            </div>
          {:else}
            <p>
              {ui.notes.noneForThat}
              <button class="plain link" onclick={() => t.show('')}>{ui.notes.showAll}</button>
            </p>
          {/if}
          {#if byName}<!-- no fingering to add, to trill or to compare -->
          {:else if adding}
            <OwnForm
              {table}
              {note}
              onadded={(words) => t.changed(words)}
              oncancel={() => (t.adding = false)}
            />
          {:else}
            <div class="add">
              <Button size="small" kind="tertiary" on:click={() => (t.adding = true)}
                >{ui.notes.addOwn}</Button
              >
            </div>
          {/if}
          {#if !byName}<Trills {table} {note} {options} />{/if}
        </section>
        <aside>
          {#if way && byName}
            <Ask {table} {note} {options} />
          {:else if way}
            <Compare {table} {options} {mark} {note} {way} onclear={() => (t.mark = undefined)} />
            {#if t.brass}<Ladder {table} {note} {way} onchoose={(midi) => t.choose(midi)} />{/if}
            <Ask {table} {note} {options} />
            <House
              {way}
              {note}
              onchange={(n, before, now, words) => t.change(n, before, now, words)}
              onremove={remove}
            />
          {/if}
        </aside>
      </div>
      <footer>
        <Rules view={table} />
        {#if !byName}<OwnFile
            id={table.id}
            changed={table.changed}
            onreplaced={(words) => t.changed(words)}
          />{/if}
      </footer>
    {/if}
  {/if}
</div>

{#if removing}
  <Removal
    kind="FINGERING"
    {...removing}
    more={ui.notes.marksStay}
    onclose={() => (removing = undefined)}
    ondone={(words) => {
      removing = undefined;
      void t.changed(words);
    }}
  />
{/if}

{#if wall}<Wall
    {slides}
    at={shown.findIndex((s) => s.note.midi === note?.midi)}
    onclose={() => (wall = false)}
  />{/if}

<style>
  .bar {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1.5rem;
    margin: 0.75rem 0 0.5rem;
    align-items: baseline;
  }
  .key {
    margin-left: auto;
    display: flex;
    gap: 1rem;
  }
  .first {
    border-bottom: 3px solid var(--ink);
  }
  .school {
    border-bottom: 1px solid var(--ink);
  }
  .advanced {
    border-bottom: 1px dashed var(--ink-2);
  }
  .said {
    min-height: 1.5rem;
    margin: 0.25rem 0;
  }
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 21rem;
    gap: 2rem;
    align-items: start;
  }
  .head {
    display: flex;
    gap: 1rem;
    align-items: baseline;
    margin-bottom: 0.5rem;
  }
  .pitch {
    font-size: 2.25rem;
    font-weight: 300;
    line-height: 1;
  }
  .ways {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, var(--card)), 1fr));
    gap: 0.75rem;
  }
  .add {
    margin: 1rem 0;
  }
  aside {
    display: flex;
    flex-direction: column;
    gap: 1.5rem;
  }
  footer {
    margin-top: 2rem;
    border-top: 1px solid var(--rule);
    padding-top: 1rem;
  }
  @media (max-width: 1000px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
