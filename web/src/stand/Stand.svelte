<script lang="ts">
  import { Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { flushSync, onDestroy, tick, untrack } from 'svelte';
  import { Kept } from '../lib/kept.svelte';
  import { opened } from '../last.svelte';
  import TrillsTold from '../parts/TrillsTold.svelte';
  import Menu from '../parts/Menu.svelte';
  import SaveMusic from '../parts/SaveMusic.svelte';
  import Missing from '../parts/Missing.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { visit, route } from '../router';
  import { ways } from '../ways.svelte';
  import Advice from './Advice.svelte';
  import BarPanel from './BarPanel.svelte';
  import Legend from './Legend.svelte';
  import Now from './Now.svelte';
  import NotePanel from './NotePanel.svelte';
  import { BY_NAME } from './lanes';
  import { Part } from './part.svelte';
  import Play from './Play.svelte';
  import Score from './Score.svelte';
  import { ui } from '../words/ui';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  const part = new Part();
  const { view, shown: plan, note, notes } = $derived(part);
  /** the note that is played now */
  let sounding = $state('');
  const now = $derived(notes.find((n) => n.id === sounding));
  let player = $state<{ toggle: () => void }>();

  $effect(() => {
    const [s, p, given] = [student, piece, Number(route.search.given ?? 0)];
    untrack(() => {
      void part.load(s, p, given);
    });
  });
  $effect(() => {
    const [s, p, there] = [student, piece, !!view];
    if (there || part.problem) untrack(() => opened(s, p, there));
  });
  $effect(() => {
    ways.student = view?.ways;
  });
  onDestroy(() => {
    part.leave();
    ways.student = undefined;
  });

  let explain = $state(false);
  let follow = $state(true);
  const ZOOMS = [0.7, 0.85, 1, 1.2, 1.45, 1.75];
  /** how large the page is, and whether the note's panel is there; a phone begins with the music */
  const zoomed = new Kept('stand-size', 2);
  const panel = new Kept('stand-panel', window.innerWidth > 700);
  const zoom = (step: number) =>
    (zoomed.value = step ? Math.max(0, Math.min(ZOOMS.length - 1, zoomed.value + step)) : 2);

  /** Only the page, to be read from: no rail, no panel, turned by a key, a tap or a pedal. */
  let reading = $state(false);
  let paper = $state<HTMLElement>();
  $effect(() => {
    document.documentElement.toggleAttribute('data-reading', reading);
    return () => document.documentElement.removeAttribute('data-reading');
  });
  async function read(is: boolean) {
    reading = is;
    await tick();
    window.scrollTo(0, 0);
    try {
      // where the browser has it; without, the page is read in its window
      if (is) await document.documentElement.requestFullscreen();
      else if (document.fullscreenElement) await document.exitFullscreen();
    } catch {
      return;
    }
  }
  /** a line whose top is no further down begins the page already */
  const NEAR = 8;
  /** To the next line that is not wholly seen, or as far back. */
  function turn(on: boolean) {
    const lines = [...(paper?.querySelectorAll('section.line') ?? [])].map((l) =>
      l.getBoundingClientRect()
    );
    const high = window.innerHeight;
    const to = on
      ? lines.find((l) => l.bottom > high + 1 && l.top > NEAR)
      : lines.find((l) => l.top >= -high && l.top < 0);
    if (to) window.scrollBy({ top: to.top - 4, behavior: 'instant' });
  }

  /** What stands on a printed part. */
  let print = $state<'' | 'changed' | 'lanes'>('');
  async function printOut(what: 'lanes') {
    print = what;
    await tick();
    window.print();
  }
  /** The browser's own print key has no lanes on paper either. */
  function beforePrint() {
    if (print) return;
    print = 'changed';
    flushSync();
  }

  const here = () => !!note && !reading;
  pageKeys(ui.app.stand, [
    { on: 'm', words: ui.keys.reading, when: () => !!note, act: () => void read(!reading) },
    {
      on: ['ArrowRight', 'ArrowDown', 'PageDown', ' ', 'Enter'],
      when: () => reading,
      act: () => turn(true)
    },
    { on: ['ArrowLeft', 'ArrowUp', 'PageUp'], when: () => reading, act: () => turn(false) },
    { on: 'Escape', when: () => reading, act: () => void read(false) },
    {
      on: 'd',
      words: ui.keys.panel,
      when: here,
      act: () => {
        panel.value = !panel.value;
      }
    },
    {
      on: ['ArrowLeft', 'ArrowRight'],
      words: ui.keys.noteNext,
      when: here,
      act: (key) => part.step(part.at + (key === 'ArrowRight' ? 1 : -1))
    },
    {
      on: ['Home', 'End'],
      when: here,
      act: (key) => part.step(key === 'Home' ? 0 : notes.length - 1)
    },
    {
      on: ['ArrowUp', 'ArrowDown'],
      words: ui.keys.lookOthers,
      when: here,
      act: (key) => part.look(key === 'ArrowDown' ? 1 : -1)
    },
    {
      on: 'Enter',
      words: ui.keys.takeLooked,
      when: () => here() && part.looked >= 0,
      act: (_, e) => !pressing(e) && part.take(part.looked)
    },
    { on: 'k', words: ui.keys.keepOrNot, when: here, act: () => part.keep() },
    {
      on: ' ',
      words: ui.keys.playStop,
      when: here,
      act: (_, e) => !pressing(e) && player?.toggle()
    },
    {
      on: ['Shift+ArrowLeft', 'Shift+ArrowRight'],
      words: ui.keys.chooseBars,
      when: here,
      act: (key) => part.selectBars(key === 'Shift+ArrowRight' ? 1 : -1)
    },
    {
      on: 'Escape',
      when: () => here() && !!(part.against ?? part.bars.ends),
      act: () => {
        if (part.against) part.against = undefined;
        else part.bars.all();
      }
    },
    { on: 'e', words: ui.keys.explain, when: here, act: () => (explain = !explain) || true },
    {
      on: ['+', '-', '0'],
      words: ui.keys.zoom,
      when: here,
      act: (key) => zoom(key === '0' ? 0 : key === '+' ? 1 : -1)
    },
    {
      on: ['u', 'r'],
      words: ui.keys.undoRedo,
      when: here,
      act: (key) => void (key === 'u' ? part.undo() : part.redo())
    },
    {
      on: 'h',
      words: ui.keys.hear,
      when: here,
      act: () => visit(`/ear/${student}/${piece}`)
    }
  ]);
</script>

<svelte:head
  ><title>{ui.stand.title(view ? `${view.piece.title}, ${view.student.name}` : ui.app.stand)}</title
  ></svelte:head
>

<svelte:document
  onfullscreenchange={() => {
    if (!document.fullscreenElement) reading = false;
  }}
/>
<svelte:window onbeforeprint={beforePrint} onafterprint={() => (print = '')} />

{#if part.problem && !view}
  <div class="page"><Trouble text={part.problem} again={() => part.load(student, piece)} /></div>
{:else if !view || !plan}
  <div class="page"><SkeletonText heading /><SkeletonText paragraph lines={8} /></div>
{:else}
  <div class="stand">
    <header class:gone={reading}>
      <div>
        <h1>{view.piece.title}</h1>
        <p class="quiet">
          <a href="/people/{view.student.id}">{view.student.name}</a>, {view.student.playsInside}
          · {view.piece.source}
        </p>
      </div>
      <p class="summary small">
        {#each view.given as g (g.assignmentId)}
          <span class="given"
            ><a href="/parts/{g.assignmentId}"
              >{[ui.stand.forDue(g.dueWords), g.what].filter(Boolean).join(': ')}</a
            >{g.message ? `. ${g.message}` : '.'}</span
          >
        {/each}
        {#if view.simpler}<b>{view.simpler}</b>{/if}
        {#if plan.newNotes.length}
          {ui.stand.newFor(view.student.name)} <b>{plan.newNotes.map((n) => n.shown).join(', ')}</b>
          {ui.stand.dashed}
        {:else if !plan.missing.length}
          {ui.stand.hasAll(view.student.name)}
        {/if}
        {#if plan.missing.length}
          {ui.stand.cantPlay}
          <b>{[...new Set(plan.missing.map((m) => m.shown))].join(', ')}</b>.
        {/if}
        {#if part.hardest}
          {ui.stand.hardestChange}
          <button class="plain link" onclick={() => part.choose(part.hardest!.toId)}
            >{ui.stand.barChange(part.hardest.barNumber, part.hardest.shown)}</button
          >.
        {/if}
      </p>
      {#if view.parts.length > 1 || (view.parts[0]?.voices.length ?? 0) > 1}
        <div class="part">
          <Select
            size="sm"
            labelText={ui.stand.reads}
            selected={`${view.partId}/${view.voice}`}
            on:change={(e) => {
              const [partId = '', voice = '1'] = String(
                (e.target as HTMLSelectElement).value
              ).split(/\/(?=\d+$)/);
              void part.read(partId, Number(voice));
            }}
          >
            {#each view.parts as p (p.id)}
              {#each p.voices as v, i (v)}
                <SelectItem
                  value={`${p.id}/${i + 1}`}
                  text={p.voices.length > 1 ? `${p.name}, ${v}` : p.name}
                />
              {/each}
            {/each}
          </Select>
        </div>
      {/if}
      {#if plan.notes.length}
        <Play
          bind:this={player}
          notes={plan.notes}
          bars={view.bars}
          times={view.times}
          played={view.played}
          bind:from={part.bars.from}
          bind:to={part.bars.to}
          bind:follow
          tempo={part.tempo}
          transposes={plan.notes[0]!.writtenMidi !== plan.notes[0]!.soundingMidi}
          bind:sounding
        />
      {/if}
      <div class="ways">
        <a class="hear" href="/ear/{student}/{piece}">{ui.stand.hearPart} <kbd>h</kbd></a>
        <a href="/practice/{student}/{piece}">{ui.practice.link}</a>
        <a href="/simpler/{student}/{piece}"
          >{view.simpler ? ui.stand.itsSimpler : ui.stand.makeSimpler}</a
        >
        <Menu label={ui.stand.printSave}>
          <a href="/sheet/{student}/{piece}">{ui.stand.printSheet}</a>
          <button class="plain" onclick={() => printOut('lanes')}>{ui.stand.printLanes}</button>
          <SaveMusic part="/api/stand/{student}/{piece}/part.musicxml" />
        </Menu>
      </div>
    </header>
    {#if part.problem}<Trouble text={part.problem} />{/if}
    <div class="desk" class:alone={reading || !panel.value}>
      <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
      <div
        class="paper"
        bind:this={paper}
        onclick={(e) => {
          // a tap on the right turns on, on the left back; the buttons do the same
          const tapped = e.target instanceof Element && !e.target.closest('.zoom');
          if (reading && tapped) turn(e.clientX > window.innerWidth / 2);
        }}
      >
        <div class="zoom" role="group" aria-label={ui.stand.pageSize}>
          {#if reading}
            <button class="plain" onclick={() => turn(false)}>{ui.stand.turnBack}</button>
            <button class="plain" onclick={() => turn(true)}>{ui.stand.turnOn}</button>
            <button class="plain" onclick={() => void read(false)}
              >{ui.stand.readLeave} <kbd>Esc</kbd></button
            >
          {:else}
            <Legend
              {plan}
              lanes={part.lanes}
              guides={view.slideGuides}
              breaths={view.xml.includes('<breath-mark')}
            />
            <button class="plain" onclick={() => (panel.value = !panel.value)}
              >{panel.value ? ui.stand.panelClose : ui.stand.panelOpen} <kbd>d</kbd></button
            >
            <button class="plain" onclick={() => void read(true)}
              >{ui.stand.readOnly} <kbd>m</kbd></button
            >
          {/if}
          <button class="plain" aria-label="A− {ui.stand.smaller}" onclick={() => zoom(-1)}
            >A−</button
          >
          <button class="plain" aria-label="A+ {ui.stand.larger}" onclick={() => zoom(1)}>A+</button
          >
        </div>
        {#if part.against}
          <p class="against" role="status">
            <b>{ui.stand.compared}</b>
            {ui.stand.above(part.against.title[0]!.toLowerCase() + part.against.title.slice(1))}
            <button class="plain link" onclick={() => (part.against = undefined)}
              >{ui.stand.leaveIt} <kbd>Esc</kbd></button
            >
          </p>
        {/if}
        <Score
          xml={view.xml}
          {plan}
          lanes={part.lanes}
          guides={view.slideGuides}
          chosen={sounding || part.chosen}
          onchoose={(id) => !reading && part.choose(id)}
          label={ui.stand.notesOf(view.piece.title)}
          against={part.compared}
          selected={part.bars.ends}
          zoom={ZOOMS[zoomed.value]!}
          follow={follow && !reading}
          playing={!!sounding}
          {print}
        />
        {#if plan.notes.some((n) => n.trill.length)}
          <ul class="remarks small onPaper"><TrillsTold notes={plan.notes} words={ui} /></ul>
        {/if}
        {#if plan.missing.length || view.remarks.length}
          <ul class="remarks small quiet">
            <Missing missing={plan.missing} />
            {#each view.remarks as r (r)}<li>{r}</li>{/each}
          </ul>
        {/if}
      </div>
      <aside aria-label={ui.stand.chosenNote} hidden={reading || !panel.value}>
        {#if now && panel.value && !reading}
          <Now {view} note={now} />
        {:else if note}
          {#if explain}
            <BarPanel
              {plan}
              bar={note.bar}
              chosen={part.chosen}
              onchoose={(id) => part.choose(id)}
              onclose={() => (explain = false)}
            />
          {:else}
            <NotePanel
              {note}
              breath={view.breaths.find((b) => b.afterId === note.id)?.where}
              {notes}
              moves={part.moves}
              lanes={part.lanes}
              same={notes.filter((n) => n.written === note.written).length}
              others={view.section}
              bind:where={part.where}
              bind:section={part.section}
              looked={part.looked}
              bind:all={part.all}
              sending={part.sending}
              onlook={(i) => (part.looked = i)}
              ontake={(i) => part.take(i)}
              onkeep={() => part.keep()}
            />
          {/if}
          <div class="small changed" role="status">
            <p>{part.door.busy ? ui.all.onTheWay(part.door.waiting) : part.said}</p>
            {#each part.changes.slice(0, 6) as c (c.noteId)}
              <p>
                <b>{c.shown}</b>{ui.stand.barLabel(c.barNumber, c.label)}
                <span class="quiet">{ui.all.insteadOf(c.wasLabel)}</span>
              </p>
            {/each}
            {#if part.changes.length > 6}<p class="quiet">
                {ui.all.andMore(part.changes.length - 6)}
              </p>{/if}
          </div>
          <div class="small quiet keys">
            <span class="hints">
              <kbd>←</kbd> <kbd>→</kbd>
              {ui.stand.noteDot}
              {#if plan.notes.some((n) => n.alternatives.length)}
                <kbd>↑</kbd> <kbd>↓</kbd>
                {ui.stand.otherDot}
              {/if}
            </span>
            {#if note.fingering !== BY_NAME}
              <button class="plain link" onclick={() => (explain = !explain)}
                >{ui.stand.explained}</button
              >
              <kbd>e</kbd>
            {/if}
            {#if plan.canUndo}
              · <button class="plain link" onclick={() => part.undo()}>{ui.stand.undo}</button>
              <kbd>u</kbd>
            {/if}
            {#if plan.canRedo}
              · <button class="plain link" onclick={() => part.redo()}>{ui.stand.redo}</button>
              <kbd>r</kbd>
            {/if}
          </div>
          <Advice
            {student}
            {piece}
            {plan}
            bind:advice={part.advice}
            against={part.against}
            onchoose={(id) => part.choose(id)}
            onagainst={(o) => part.compare(o)}
            ontake={(list) => part.takeAll(list)}
            onstyle={(name, school, house) => part.style(name, school, house)}
          />
        {:else}
          <p>{ui.stand.noNotes}</p>
        {/if}
      </aside>
      {#if now && (reading || !panel.value)}
        <div class="now"><Now {view} note={now} /></div>
      {/if}
    </div>
  </div>
{/if}

<style>
  .stand {
    display: flex;
    flex-direction: column;
    min-height: 100vh;
  }
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
    gap: 0.5rem 1.375rem;
    padding: 1.25rem 1.5rem 0.875rem;
  }
  .summary {
    flex: 1;
    min-width: 12rem;
  }
  .desk {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 19rem;
    flex: 1;
    border-top: 1px solid var(--rule);
  }
  .desk.alone {
    grid-template-columns: minmax(0, 1fr);
  }
  header.gone,
  aside[hidden] {
    display: none;
  }
  .paper {
    position: relative;
    background: var(--paper);
    padding: 0.5rem 1rem 2rem;
  }
  aside {
    position: sticky;
    top: 0;
    align-self: start;
    max-height: 100vh;
    overflow-y: auto;
    box-sizing: border-box;
    padding: 1.25rem 1.25rem 1.5rem;
  }
  .now {
    position: fixed;
    right: 1rem;
    bottom: 1rem;
    z-index: 3;
    width: 13rem;
    padding: 0.75rem 1rem;
    background: var(--paper);
    border: 1px solid var(--rule);
    box-shadow: 0 2px 8px rgb(0 0 0 / 0.15);
  }
  .remarks {
    margin: 1rem 0 0;
    padding-left: 1.25rem;
    list-style: disc;
  }
  .zoom {
    display: flex;
    flex-wrap: wrap;
    justify-content: flex-end;
    gap: 0.25rem 1rem;
    color: var(--accent);
  }
  .against {
    position: sticky;
    top: 0;
    z-index: 2;
    padding: 0.5rem 0.75rem;
    background: var(--accent-soft);
  }
  .changed {
    min-height: 1.3em;
    margin-top: 0.5rem;
  }
  .keys {
    margin-top: 0.5rem;
  }
  .ways {
    display: grid;
    grid-template-columns: auto auto;
    align-items: center;
    gap: 0.25rem 1.25rem;
  }
  @media (max-width: 1000px) {
    .ways {
      display: flex;
      flex-flow: row wrap;
      gap: 0.25rem 1.5rem;
    }
  }
  .hear {
    text-decoration: none;
    font-weight: 600;
  }
  .onPaper {
    display: none;
  }
  @media print {
    .onPaper {
      display: block;
    }
    aside,
    .against,
    .zoom,
    .part,
    .ways a,
    .summary {
      display: none;
    }
    .desk {
      display: block;
      border: 0;
    }
    .paper {
      padding: 0;
    }
    header {
      padding: 0 0 0.5rem;
    }
  }
  @media (max-width: 1000px) {
    .desk {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: 1fr auto;
    }
    aside {
      top: auto;
      bottom: 0;
      align-self: end;
      max-height: 42vh;
      width: 100%;
      background: var(--desk);
      border-top: 1px solid var(--rule);
    }
  }
</style>
