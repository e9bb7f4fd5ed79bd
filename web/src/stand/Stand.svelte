<script lang="ts">
  import { Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { flushSync, onDestroy, tick } from 'svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { last } from '../last.svelte';
  import TrillsTold from '../parts/TrillsTold.svelte';
  import SheetWords from '../parts/SheetWords.svelte';
  import { menu } from '../parts/menu';
  import Missing from '../parts/Missing.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { navigate, route } from '../router';
  import { ways } from '../ways.svelte';
  import Advice from './Advice.svelte';
  import BarPanel from './BarPanel.svelte';
  import type { Where } from './lanes';
  import { told } from './moves';
  import NotePanel from './NotePanel.svelte';
  import Play from './Play.svelte';
  import Score from './Score.svelte';
  import { ui } from '../words/ui';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  let view = $state.raw<Schemas['StandView']>();
  let plan = $state.raw<Schemas['PlanView']>();
  let chosen = $state('');
  let looked = $state(-1);
  /** whether fingerings that nobody would want here are shown too */
  let all = $state(false);
  let busy = $state(false);
  let problem = $state('');
  /** what the last choice did, in a sentence and note by note */
  let said = $state('');
  let changes = $state.raw<Schemas['ChangeView'][]>([]);
  /** where a style that was chosen gives way */
  /** the note that is played now */
  let sounding = $state('');
  let player = $state<{ toggle: () => void }>();

  const path = $derived({ path: { studentId: student, pieceId: piece } });
  const notes = $derived(plan?.notes ?? []);
  const at = $derived(notes.findIndex((n) => n.id === chosen));
  const note = $derived(notes[at]);
  /** palm and side of the hand have a lane only where the part uses them */
  const lanes = $derived(
    (view?.lanes ?? []).filter(
      (l) =>
        !['LP', 'RP'].includes(l.finger) ||
        notes.some((n) =>
          [...n.holds, ...(n.trill?.[0]?.moving ?? [])].some((h) => h.finger === l.finger)
        )
    )
  );
  const moves = $derived(plan ? told(plan, chosen) : []);
  let advice = $state.raw<Schemas['AdviceView']>();
  const hardest = $derived(advice?.hardest[0]);

  $effect(() => {
    load(student, piece);
  });

  onDestroy(() => {
    turn++;
    ways.student = undefined;
  });

  /** an answer for another part, or to an older question, counts no more */
  let turn = 0;
  async function load(s: number, p: number) {
    const mine = ++turn;
    view = undefined;
    against = undefined;
    said = '';
    changes = [];
    allBars();
    advice = undefined;
    problem = '';
    last.value = { student: s, piece: p };
    try {
      const v = await asked(
        api.GET('/api/stand/{studentId}/{pieceId}', {
          params: { path: { studentId: s, pieceId: p } }
        })
      );
      if (mine !== turn) return;
      ways.student = v.ways;
      view = v;
      plan = v.plan;
      const g = v.given[0];
      if (g && (g.from > 0 || g.to < v.bars.length - 1)) {
        // what is given stands chosen, to be played and looked at
        fixed = from = g.from;
        to = g.to;
      }
      tempo = g?.tempo ?? 0;
      const first = v.plan.notes.find((n) => n.isNew) ?? v.plan.notes[0];
      chosen = first?.id ?? '';
      looked = -1;
    } catch (e) {
      if (mine === turn) problem = sentence(e);
    }
  }

  async function read(partId: string, voice: number) {
    const mine = ++turn;
    try {
      const v = await asked(
        api.PUT('/api/stand/{studentId}/{pieceId}/reading', {
          params: path,
          body: { partId, voice }
        })
      );
      if (mine !== turn) return;
      view = v;
      plan = v.plan;
      chosen = v.plan.notes[0]?.id ?? '';
    } catch (e) {
      if (mine === turn) problem = sentence(e);
    }
  }

  async function replan(call: () => Promise<Schemas['ChosenView']>) {
    if (busy) return;
    busy = true;
    problem = '';
    const mine = turn;
    try {
      const done = await call();
      if (mine !== turn) return;
      plan = done.plan;
      said = done.sentence;
      changes = done.changes;
      // one sees what changed
      if (changes[0] && !changes.some((c) => c.noteId === chosen)) chosen = changes[0].noteId;
      against = undefined;
      looked = -1;
    } catch (e) {
      if (mine === turn) problem = sentence(e);
    } finally {
      busy = false;
    }
  }

  /** For which notes a choice counts, and whether for the section too. */
  let where = $state<Where>('NOTE');
  let section = $state(false);

  /** Keeps a fingering for the chosen note, or with an empty one lets it go. */
  async function set(fingering: string) {
    if (!note) return;
    const body = { noteId: note.id, fingering, where, section };
    await replan(() =>
      asked(api.POST('/api/stand/{studentId}/{pieceId}/choices', { params: path, body }))
    );
  }
  const undo = () =>
    replan(() =>
      asked(api.POST('/api/stand/{studentId}/{pieceId}/choices/undo', { params: path }))
    );
  const redo = () =>
    replan(() =>
      asked(api.POST('/api/stand/{studentId}/{pieceId}/choices/redo', { params: path }))
    );
  /** Takes another whole way through: its fingerings are kept, and the rest follows. */
  const takeAll = (list: Schemas['ChangeView'][]) => {
    if (list[0]) choose(list[0].noteId);
    return replan(() =>
      asked(
        api.POST('/api/stand/{studentId}/{pieceId}/choices/all', {
          params: path,
          body: { all: list.map((c) => ({ noteId: c.noteId, fingering: c.fingering })) }
        })
      )
    );
  };
  const style = (name: string, school: string, house: boolean) =>
    replan(() =>
      asked(
        api.POST('/api/stand/{studentId}/{pieceId}/choices/style', {
          params: path,
          body: { name, school, house }
        })
      )
    );

  /** Another plan that the page is compared with. */
  let against = $state.raw<Schemas['OtherView']>();
  const compared = $derived(
    against ? new Map(against.changes.map((c) => [c.noteId, c])) : undefined
  );

  /** Bars chosen to be played or looked at; the end that moves, and the one that stays. */
  /** the tempo that is given, in quarters a minute; 0 is the written one */
  let tempo = $state(0);
  let fixed = $state(-1);
  let from = $state(0);
  let to = $state(-1);
  const selected = $derived<[number, number] | undefined>(
    from > 0 || to >= 0 ? [from, to < 0 ? (view?.bars.length ?? 1) - 1 : to] : undefined
  );
  function selectBars(step: number) {
    const last = (view?.bars.length ?? 1) - 1;
    if (fixed < 0 || !selected) {
      fixed = note?.bar ?? 0;
      from = to = fixed;
    } else {
      const end = selected[0] === fixed ? selected[1] : selected[0];
      const moved = Math.max(0, Math.min(last, end + step));
      from = Math.min(fixed, moved);
      to = Math.max(fixed, moved);
    }
    const bars = view?.bars ?? [];
    said =
      from === to
        ? ui.stand.barChosen(bars[from] ?? '')
        : ui.stand.barsChosen(bars[from] ?? '', bars[to] ?? '');
    changes = [];
  }
  function allBars() {
    fixed = -1;
    from = 0;
    to = -1;
  }

  let explain = $state(false);
  let follow = $state(true);
  const ZOOMS = [0.7, 0.85, 1, 1.2, 1.45, 1.75];
  let zoomed = $state(2);
  const zoom = (step: number) =>
    (zoomed = step ? Math.max(0, Math.min(ZOOMS.length - 1, zoomed + step)) : 2);

  /** What stands on a printed part. */
  let print = $state<'' | 'changed' | 'all' | 'lanes'>('');
  async function printOut(what: 'changed' | 'all' | 'lanes') {
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

  function take(i: number) {
    const a = note?.alternatives[i];
    if (a) void set(a.fingering);
  }
  function keep() {
    if (note) void set(note.locked ? '' : note.fingering);
  }
  function choose(id: string) {
    chosen = id;
    looked = -1;
    all = false;
    said = '';
    changes = [];
    if (where === 'FIGURE') where = 'NOTE';
  }

  const here = () => !!note;
  const step = (i: number) => choose(notes[Math.max(0, Math.min(i, notes.length - 1))]!.id);
  /** Looks at the next of the other fingerings; past the last that is offered come those that are not. */
  function look(by: 1 | -1) {
    const total = note!.alternatives.length;
    const offered = all ? total : note!.alternatives.filter((a) => !a.farOff).length;
    looked = Math.max(-1, Math.min(looked + by, total - 1));
    all ||= looked >= offered && total > 0;
  }
  pageKeys(ui.app.stand, [
    {
      on: ['ArrowLeft', 'ArrowRight'],
      words: ui.keys.noteNext,
      when: here,
      act: (key) => step(at + (key === 'ArrowRight' ? 1 : -1))
    },
    {
      on: ['Home', 'End'],
      when: here,
      act: (key) => step(key === 'Home' ? 0 : notes.length - 1)
    },
    {
      on: ['ArrowUp', 'ArrowDown'],
      words: ui.keys.lookOthers,
      when: here,
      act: (key) => look(key === 'ArrowDown' ? 1 : -1)
    },
    {
      on: 'Enter',
      words: ui.keys.takeLooked,
      when: () => here() && looked >= 0,
      act: (_, e) => !pressing(e) && take(looked)
    },
    { on: 'k', words: ui.keys.keepOrNot, when: here, act: keep },
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
      act: (key) => selectBars(key === 'Shift+ArrowRight' ? 1 : -1)
    },
    {
      on: 'Escape',
      when: () => here() && !!(against ?? selected),
      act: () => {
        if (against) against = undefined;
        else allBars();
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
      act: (key) => void (key === 'u' ? undo() : redo())
    },
    {
      on: 'h',
      words: ui.keys.hear,
      when: here,
      act: () => navigate(`/ear/${student}/${piece}` as '/')
    }
  ]);
</script>

<svelte:head
  ><title>{ui.stand.title(view ? `${view.piece.title}, ${view.student.name}` : ui.app.stand)}</title
  ></svelte:head
>

<svelte:window onbeforeprint={beforePrint} onafterprint={() => (print = '')} />

{#if problem && !view}
  <div class="page"><Trouble text={problem} again={() => load(student, piece)} /></div>
{:else if !view || !plan}
  <div class="page"><SkeletonText heading /><SkeletonText paragraph lines={8} /></div>
{:else}
  <div class="stand">
    <header>
      <div>
        <h1>{view.piece.title}</h1>
        <p class="quiet">
          <a href="/people/{view.student.id}">{view.student.name}</a>, {view.student.instrumentName.toLowerCase()}
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
        {#if hardest}
          {ui.stand.hardestChange}
          <button class="plain link" onclick={() => choose(hardest.toId)}
            >{ui.stand.barChange(hardest.barNumber, hardest.shown)}</button
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
              void read(partId, Number(voice));
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
          bind:from
          bind:to
          bind:follow
          {tempo}
          transposes={plan.notes[0]!.writtenMidi !== plan.notes[0]!.soundingMidi}
          bind:sounding
        />
      {/if}
      <div class="ways">
        <a class="hear" href="/ear/{student}/{piece}">{ui.stand.hearPart} <kbd>h</kbd></a>
        <a href="/simpler/{student}/{piece}"
          >{view.simpler ? ui.stand.itsSimpler : ui.stand.makeSimpler}</a
        >
        <details class="out" {@attach menu}>
          <summary>{ui.stand.printSave}</summary>
          <div>
            <SheetWords />
            <button class="plain" onclick={() => printOut('changed')}
              >{ui.stand.printChanged}</button
            >
            <button class="plain" onclick={() => printOut('all')}>{ui.stand.printAll}</button>
            <button class="plain" onclick={() => printOut('lanes')}>{ui.stand.printLanes}</button>
            <a download href="/api/stand/{student}/{piece}/part.musicxml?which=changed"
              >{ui.stand.saveChanged}</a
            >
            <a download href="/api/stand/{student}/{piece}/part.musicxml?which=all"
              >{ui.stand.saveAll}</a
            >
          </div>
        </details>
      </div>
    </header>
    {#if problem}<Trouble text={problem} />{/if}
    <div class="desk">
      <div class="paper">
        <div class="zoom" role="group" aria-label={ui.stand.pageSize}>
          <button class="plain" aria-label={ui.stand.smaller} onclick={() => zoom(-1)}>A−</button>
          <button class="plain" aria-label={ui.stand.larger} onclick={() => zoom(1)}>A+</button>
        </div>
        {#if against}
          <p class="against" role="status">
            <b>{ui.stand.compared}</b>
            {ui.stand.above(against.title[0]!.toLowerCase() + against.title.slice(1))}
            <button class="plain link" onclick={() => (against = undefined)}
              >{ui.stand.leaveIt} <kbd>Esc</kbd></button
            >
          </p>
        {/if}
        <Score
          xml={view.xml}
          {plan}
          {lanes}
          guides={view.slideGuides}
          chosen={sounding || chosen}
          onchoose={choose}
          against={compared}
          {selected}
          zoom={ZOOMS[zoomed]!}
          {follow}
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
      <aside aria-label={ui.stand.chosenNote}>
        {#if note}
          {#if explain}
            <BarPanel
              {plan}
              bar={note.bar}
              {chosen}
              onchoose={choose}
              onclose={() => (explain = false)}
            />
          {:else}
            <NotePanel
              {note}
              {notes}
              {moves}
              {lanes}
              same={notes.filter((n) => n.written === note.written).length}
              others={view.section}
              bind:where
              bind:section
              {looked}
              bind:all
              {busy}
              onlook={(i) => (looked = i)}
              ontake={take}
              onkeep={keep}
            />
          {/if}
          <div class="small changed" role="status">
            <p>{said}</p>
            {#each changes.slice(0, 6) as c (c.noteId)}
              <p>
                <b>{c.shown}</b>{ui.stand.barLabel(c.barNumber, c.label)}
                <span class="quiet">{ui.all.insteadOf(c.wasLabel)}</span>
              </p>
            {/each}
            {#if changes.length > 6}<p class="quiet">{ui.all.andMore(changes.length - 6)}</p>{/if}
          </div>
          <p class="small quiet keys">
            <kbd>←</kbd> <kbd>→</kbd>
            {ui.stand.noteDot}
            {#if plan.notes.some((n) => n.alternatives.length)}
              <kbd>↑</kbd> <kbd>↓</kbd>
              {ui.stand.otherDot}
            {/if}
            <kbd>e</kbd>
            {ui.stand.explained}
            {#if plan.canUndo}
              · <button class="plain link" onclick={undo}>{ui.stand.undo}</button> <kbd>u</kbd>
            {/if}
            {#if plan.canRedo}
              · <button class="plain link" onclick={redo}>{ui.stand.redo}</button> <kbd>r</kbd>
            {/if}
          </p>
          <Advice
            {student}
            {piece}
            {plan}
            bind:advice
            {against}
            onchoose={choose}
            onagainst={(o) => {
              against = o;
              // one sees the first difference
              if (o?.changes[0]) choose(o.changes[0].noteId);
            }}
            ontake={takeAll}
            onstyle={style}
          />
        {:else}
          <p>{ui.stand.noNotes}</p>
        {/if}
      </aside>
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
  .remarks {
    margin: 1rem 0 0;
    padding-left: 1.25rem;
    list-style: disc;
  }
  .zoom {
    position: absolute;
    top: 0.375rem;
    right: 1rem;
    z-index: 1;
    display: flex;
    gap: 0.5rem;
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
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
  }
  .hear {
    text-decoration: none;
    font-weight: 600;
  }
  .out {
    position: relative;
  }
  .out summary {
    cursor: pointer;
    font-weight: 600;
    color: var(--accent);
  }
  .out div {
    position: absolute;
    right: 0;
    z-index: 3;
    width: 21rem;
    display: flex;
    flex-direction: column;
    gap: 0.625rem;
    padding: 0.875rem 1rem;
    background: var(--paper);
    border: 1px solid var(--rule);
    box-shadow: 0 2px 8px rgb(0 0 0 / 0.15);
  }
  .out :is(a, button) {
    color: var(--accent);
    text-decoration: underline;
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
    .out,
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
