<script lang="ts">
  import { Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { flushSync, tick } from 'svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { last } from '../last.svelte';
  import { typing } from '../parts/keys';
  import Trouble from '../parts/Trouble.svelte';
  import { navigate, route } from '../router';
  import Advice from './Advice.svelte';
  import NotePanel from './NotePanel.svelte';
  import Play from './Play.svelte';
  import Score from './Score.svelte';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  let view = $state.raw<Schemas['StandView']>();
  let plan = $state.raw<Schemas['PlanView']>();
  let chosen = $state('');
  let looked = $state(-1);
  let busy = $state(false);
  let problem = $state('');
  let changed = $state('');
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
        notes.some((n) => n.holds.some((h) => h.finger === l.finger))
    )
  );
  const move = $derived(plan?.moves.find((m) => m.to === chosen));
  let advice = $state.raw<Schemas['AdviceView']>();
  const hardest = $derived(advice?.hardest[0]);

  $effect(() => {
    load(student, piece);
  });

  async function load(s: number, p: number) {
    view = undefined;
    done = [];
    undone = [];
    advice = undefined;
    problem = '';
    last.set(s, p);
    try {
      const v = await asked(
        api.GET('/api/stand/{studentId}/{pieceId}', {
          params: { path: { studentId: s, pieceId: p } }
        })
      );
      view = v;
      plan = v.plan;
      const first = v.plan.notes.find((n) => n.isNew) ?? v.plan.notes[0];
      chosen = first?.id ?? '';
      looked = -1;
    } catch (e) {
      problem = sentence(e);
    }
  }

  async function read(partId: string, voice: number) {
    try {
      view = await asked(
        api.PUT('/api/stand/{studentId}/{pieceId}/reading', {
          params: path,
          body: { partId, voice }
        })
      );
      plan = view.plan;
      chosen = view.plan.notes[0]?.id ?? '';
    } catch (e) {
      problem = sentence(e);
    }
  }

  async function replan(call: () => Promise<Schemas['PlanView']>) {
    if (busy) return;
    busy = true;
    problem = '';
    const before = new Map(notes.map((n) => [n.id, n.fingering]));
    try {
      plan = await call();
      const others = plan.notes.filter(
        (n) => n.id !== chosen && before.get(n.id) !== n.fingering
      ).length;
      changed =
        others === 0
          ? 'No other note changes.'
          : others === 1
            ? 'One other note changes with it.'
            : `${others} other notes change with it.`;
      looked = -1;
    } catch (e) {
      problem = sentence(e);
    } finally {
      busy = false;
    }
  }

  /** One choice of the teacher: what was kept for a note before, and then; empty is nothing. */
  interface Step {
    noteId: string;
    before: string;
    after: string;
  }
  let done = $state.raw<Step[]>([]);
  let undone = $state.raw<Step[]>([]);

  /** Keeps a fingering for a note, or with an empty one lets it go. */
  function put(noteId: string, fingering: string) {
    const params = { path: { ...path.path, noteId } };
    return fingering
      ? asked(
          api.PUT('/api/stand/{studentId}/{pieceId}/locks/{noteId}', {
            params,
            body: { fingering }
          })
        )
      : asked(api.DELETE('/api/stand/{studentId}/{pieceId}/locks/{noteId}', { params }));
  }

  async function set(fingering: string) {
    if (!note || busy) return;
    const step = {
      noteId: note.id,
      before: note.locked ? note.fingering : '',
      after: fingering
    };
    await replan(() => put(step.noteId, fingering));
    if (!problem) {
      done = [...done, step];
      undone = [];
    }
  }
  const lock = (fingering: string) => set(fingering);
  const unlock = () => set('');

  async function undo() {
    const step = done[done.length - 1];
    if (!step || busy) return;
    choose(step.noteId);
    await replan(() => put(step.noteId, step.before));
    if (!problem) {
      done = done.slice(0, -1);
      undone = [...undone, step];
      changed = 'Taken back. ' + changed;
    }
  }
  async function redo() {
    const step = undone[undone.length - 1];
    if (!step || busy) return;
    choose(step.noteId);
    await replan(() => put(step.noteId, step.after));
    if (!problem) {
      undone = undone.slice(0, -1);
      done = [...done, step];
      changed = 'Done again. ' + changed;
    }
  }

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
    if (a) void lock(a.fingering);
  }
  function keep() {
    if (!note) return;
    if (note.locked) void unlock();
    else void lock(note.fingering);
  }
  /** Takes another whole way through: its fingerings are kept, and the rest follows. */
  async function takeAll(changes: Schemas['ChangeView'][]) {
    for (const c of changes) {
      chosen = c.noteId;
      await lock(c.fingering);
      if (problem) return;
    }
  }
  function choose(id: string) {
    chosen = id;
    looked = -1;
    changed = '';
  }

  /** Whether a key presses what has the focus, which then has it for itself. */
  const pressed = (e: KeyboardEvent) =>
    e.target instanceof Element && !!e.target.closest('button, summary, a');

  function onkeydown(e: KeyboardEvent) {
    if (typing(e) || e.ctrlKey || e.metaKey || e.altKey || !note) return;
    const n = note.alternatives.length;
    if (e.key === 'ArrowRight') choose(notes[Math.min(at + 1, notes.length - 1)]!.id);
    else if (e.key === 'ArrowLeft') choose(notes[Math.max(at - 1, 0)]!.id);
    else if (e.key === 'Home') choose(notes[0]!.id);
    else if (e.key === 'End') choose(notes[notes.length - 1]!.id);
    else if (e.key === 'ArrowDown' && n) looked = Math.min(looked + 1, n - 1);
    else if (e.key === 'ArrowUp' && n) looked = Math.max(looked - 1, -1);
    else if (e.key === 'Enter' && looked >= 0 && !pressed(e)) take(looked);
    else if (e.key === 'k') keep();
    else if (e.key === ' ' && !pressed(e)) player?.toggle();
    else if (e.key === 'u') void undo();
    else if (e.key === 'r') void redo();
    else if (e.key === 'h') navigate(`/ear/${student}/${piece}` as '/');
    else return;
    e.preventDefault();
  }
</script>

<svelte:window {onkeydown} onbeforeprint={beforePrint} onafterprint={() => (print = '')} />

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
        {#if plan.newNotes.length}
          New for {view.student.name}: <b>{plan.newNotes.map((n) => n.shown).join(', ')}</b> (dashed frame).
        {:else}
          {view.student.name} has all the notes.
        {/if}
        {#if hardest}
          Hardest change:
          <button class="plain link" onclick={() => choose(hardest.to)}
            >bar {hardest.barNumber}, {hardest.shown}</button
          >.
        {/if}
      </p>
      {#if view.parts.length > 1 || (view.parts[0]?.voices.length ?? 0) > 1}
        <div class="part">
          <Select
            size="sm"
            labelText="Reads"
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
          transposes={plan.notes[0]!.writtenMidi !== plan.notes[0]!.soundingMidi}
          bind:sounding
        />
      {/if}
      <a class="hear" href="/ear/{student}/{piece}">Hear this part <kbd>h</kbd></a>
      <details class="out">
        <summary>Print, save</summary>
        <div>
          <button class="plain" onclick={() => printOut('changed')}
            >Print, with what is new or not usual</button
          >
          <button class="plain" onclick={() => printOut('all')}>Print, with every fingering</button>
          <button class="plain" onclick={() => printOut('lanes')}
            >Print, with the finger lanes</button
          >
          <a download href="/api/stand/{student}/{piece}/part.musicxml?which=changed"
            >Save as MusicXML, with what is new or not usual</a
          >
          <a download href="/api/stand/{student}/{piece}/part.musicxml?which=all"
            >Save as MusicXML, with every fingering</a
          >
        </div>
      </details>
    </header>
    {#if problem}<Trouble text={problem} />{/if}
    <div class="desk">
      <div class="paper">
        <Score
          xml={view.xml}
          {plan}
          {lanes}
          guides={view.slideGuides}
          chosen={sounding || chosen}
          onchoose={choose}
          {print}
        />
        {#if plan.missing.length || view.remarks.length}
          <ul class="remarks small quiet">
            {#each plan.missing as m (m.id)}<li><b>Bar {m.barNumber}:</b> {m.sentence}</li>{/each}
            {#each view.remarks as r (r)}<li>{r}</li>{/each}
          </ul>
        {/if}
      </div>
      <aside aria-label="The chosen note">
        {#if note}
          <NotePanel
            {note}
            {move}
            {looked}
            {busy}
            onlook={(i) => (looked = i)}
            ontake={take}
            onkeep={keep}
          />
          <p class="small changed" role="status">{changed}</p>
          <p class="small quiet keys">
            <kbd>←</kbd> <kbd>→</kbd> note · <kbd>↑</kbd> <kbd>↓</kbd> other fingerings
            {#if done.length}
              · <button class="plain link" onclick={undo}>undo</button> <kbd>u</kbd>
            {/if}
            {#if undone.length}
              · <button class="plain link" onclick={redo}>redo</button> <kbd>r</kbd>
            {/if}
          </p>
          <Advice {student} {piece} {plan} bind:advice onchoose={choose} ontake={takeAll} />
        {:else}
          <p>There is no note to finger in this part.</p>
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
  .link {
    text-decoration: underline;
    color: var(--accent) !important;
  }
  .desk {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 19rem;
    flex: 1;
    border-top: 1px solid var(--rule);
  }
  .paper {
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
  .changed {
    min-height: 1.3em;
    margin-top: 0.5rem;
  }
  .keys {
    margin-top: 0.5rem;
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
    color: var(--accent) !important;
    text-decoration: underline;
  }
  @media print {
    aside,
    .part,
    .hear,
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
