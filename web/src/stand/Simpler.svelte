<!-- For one who is not there yet: the written part and a simpler one, one under the other. -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { typing } from '../parts/keys';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { Playback, type Tone } from './playback.svelte';
  import TwoStaves from './TwoStaves.svelte';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  const path = $derived({ path: { studentId: student, pieceId: piece } });
  let view = $state.raw<Schemas['SimplerView']>();
  let problem = $state('');
  let said = $state('');
  let chosen = $state('');
  let looked = $state(-1);
  /** whether something was decided that is not kept yet */
  let open = $state(false);
  let busy = $state(false);

  const notes = $derived(view?.notes ?? []);
  const at = $derived(notes.findIndex((n) => n.id === chosen));
  const note = $derived(notes[at]);
  const changed = $derived(new Set(notes.filter((n) => n.how !== 'AS_WRITTEN').map((n) => n.id)));

  /** an answer to an older question counts no more */
  let turn = 0;
  const play = new Playback();
  onDestroy(() => {
    turn++;
    play.stop();
  });

  $effect(() => {
    void load(student, piece);
  });

  async function load(studentId: number, pieceId: number) {
    const mine = ++turn;
    view = undefined;
    problem = '';
    said = '';
    open = false;
    try {
      const answer = await asked(
        api.GET('/api/stand/{studentId}/{pieceId}/simpler', {
          params: { path: { studentId, pieceId } }
        })
      );
      if (mine !== turn) return;
      view = answer;
      const first = view.notes.find((n) => n.how !== 'AS_WRITTEN') ?? view.notes[0];
      if (first) await choose(first.id);
    } catch (e) {
      if (mine === turn) problem = sentence(e);
    }
  }

  type Decided = Schemas['DecidedView'][];
  /** Asks for the part with these decisions, and what else may be done to a note. */
  async function look(decided: Decided, about: string, keep = false) {
    // an answer to an older question must not overwrite a newer one
    const mine = ++turn;
    busy = keep;
    chosen = about;
    problem = '';
    try {
      const ask = { params: path, body: { decided, about } };
      const answer = await asked(
        keep
          ? api.PUT('/api/stand/{studentId}/{pieceId}/simpler', ask)
          : api.POST('/api/stand/{studentId}/{pieceId}/simpler', ask)
      );
      if (mine === turn) view = answer;
    } catch (e) {
      if (mine === turn) problem = sentence(e);
    } finally {
      if (mine === turn) busy = false;
    }
  }

  async function choose(id: string) {
    if (!view) return;
    looked = -1;
    await look(view.decided, id);
  }
  async function take(i: number) {
    const o = view?.options[i];
    if (!view || !o || view.about !== chosen) return;
    said = '';
    open = true;
    await look(
      [...view.decided.filter((d) => d.noteId !== chosen), { noteId: chosen, becomes: o.becomes }],
      chosen
    );
  }
  async function anew() {
    said = 'Made anew from the written part.';
    open = true;
    await look([], chosen);
  }
  async function keep() {
    if (!view) return;
    // what is seen is kept, whatever is learned meanwhile
    await look(
      view.notes.map((n) => ({ noteId: n.id, becomes: n.becomes })),
      chosen,
      true
    );
    if (!problem && view.kept) {
      open = false;
      said = `Kept: ${view.student.name} plays the simpler part from now on.`;
    }
  }
  async function asWritten() {
    try {
      await asked(api.DELETE('/api/stand/{studentId}/{pieceId}/simpler', { params: path }));
      const name = view?.student.name;
      await load(student, piece);
      said = `${name} plays the part as written.`;
    } catch (e) {
      problem = sentence(e);
    }
  }

  function hear() {
    if (play.playing) return play.stop();
    const both: Tone[] = notes.flatMap((n) => {
      const tone = (id: string, midi: number) => ({
        id,
        at: n.at,
        seconds: n.seconds,
        quarter: 0.6,
        writtenMidi: midi,
        soundingMidi: midi
      });
      return [tone(n.id, n.soundingMidi), ...(n.becomesMidi ? [tone(n.id, n.becomesMidi)] : [])];
    });
    play.start(both, { speed: 0.75, metronome: false, written: false, loop: false });
  }

  const words: Record<string, string> = {
    AS_WRITTEN: 'as written',
    OCTAVE: 'another octave',
    CHORD: 'a note of the chord',
    LEFT_OUT: 'left out',
    OTHER: 'your choice'
  };

  function onkeydown(e: KeyboardEvent) {
    if (typing(e) || e.ctrlKey || e.metaKey || e.altKey || !view || !note) return;
    const last = notes.length - 1;
    const many = view.options.length;
    const pressed = e.target instanceof Element && e.target.closest('button, a');
    const next = (way: number) => {
      const all = notes.map((n, i) => ({ n, i })).filter(({ n }) => n.how !== 'AS_WRITTEN');
      const to = way > 0 ? all.find(({ i }) => i > at) : all.reverse().find(({ i }) => i < at);
      if (to) void choose(to.n.id);
    };
    if (e.key === 'ArrowRight' && e.shiftKey) next(1);
    else if (e.key === 'ArrowLeft' && e.shiftKey) next(-1);
    else if (e.key === 'ArrowRight') void choose(notes[Math.min(at + 1, last)]!.id);
    else if (e.key === 'ArrowLeft') void choose(notes[Math.max(at - 1, 0)]!.id);
    else if (e.key === 'ArrowDown') looked = Math.min(looked + 1, many - 1);
    else if (e.key === 'ArrowUp') looked = Math.max(looked - 1, -1);
    else if (e.key === 'Enter' && looked >= 0 && !pressed) void take(looked);
    else if (e.key === 'k') void keep();
    else if (e.key === ' ' && !pressed) hear();
    else return;
    e.preventDefault();
  }
</script>

<svelte:head
  ><title
    >{`${view ? `A simpler part: ${view.piece.title}, ${view.student.name}` : 'A simpler part'} · Sempre`}</title
  ></svelte:head
>

<svelte:window {onkeydown} />

<div class="page wide">
  {#if problem && !view}
    <Trouble text={problem} again={() => load(student, piece)} />
  {:else if !view}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {:else}
    <header>
      <div>
        <h1>{view.piece.title}, made simpler</h1>
        <p class="quiet">
          for <a href="/people/{view.student.id}">{view.student.name}</a>,
          {view.student.instrumentName.toLowerCase()} ·
          <a href="/stand/{student}/{piece}">the part on the stand</a>
        </p>
      </div>
      <div class="do">
        {#if changed.size}
          <Button size="small" disabled={busy || (view.kept && !open)} on:click={keep}
            >{view.kept && !open ? 'Kept' : 'Keep it'}</Button
          >
        {/if}
        {#if view.kept}
          <Button size="small" kind="tertiary" on:click={asWritten}>Back to the written part</Button
          >
        {/if}
        {#if view.decided.length}
          <button class="plain link" onclick={anew}>Make it anew</button>
        {/if}
        {#if changed.size}
          <button class="plain link" onclick={hear} aria-pressed={play.playing}
            >{play.playing ? 'Stop' : 'Play both'} <kbd>space</kbd></button
          >
        {/if}
      </div>
    </header>
    {#if problem}<Trouble text={problem} />{/if}
    <div class="sum">
      <b>{view.summary}</b>
      {#if changed.size}
        Change {view.measure}
        <details class="inline">
          <summary>how it is measured</summary>
          <p class="small">
            An octave counts 1, and a half for each further note of the same turn; a chord note 2
            and a tenth for each semitone it lies away; a note left out 3 off the beat, 8 on it; a
            leap that grows, a tenth a semitone, and 1 more when it is wider than an octave. The
            least sum is taken. {view.harmony
              ? 'A chord note never rubs against what the others play, and never runs in parallel fifths with the written part.'
              : 'The score gives no harmony, so no chord notes are offered.'}
          </p>
        </details>
      {/if}
    </div>
    <p role="status" class="said">{said}</p>
    {#if !changed.size}
      <p>{view.student.name} has every note of this part and plays it as written.</p>
    {/if}
    <div class="desk">
      <div class="paper">
        <TwoStaves
          xml={view.xml}
          {changed}
          chosen={play.note || chosen}
          label="The written part above, the simpler one below"
          onchoose={choose}
        />
      </div>
      <aside aria-label="The chosen note">
        {#if note}
          <h2>{note.note.shown}, bar {note.barNumber}</h2>
          <p>
            {note.how !== 'AS_WRITTEN'
              ? note.text
              : note.has
                ? 'As written; the note is there.'
                : 'As written, though the note is not there yet.'}
          </p>
          {#if view.about === chosen && view.options.length > 1}
            <p class="small quiet">What may be played, and the change of the whole part then:</p>
            <ul>
              {#each view.options as o, i (o.becomes)}
                <li class:now={o.becomes === note.becomes} class:looked={i === looked}>
                  <button class="plain" onclick={() => take(i)}>
                    <span>{o.shown}</span>
                    <span class="small"
                      >{words[o.how]}{o.has ? '' : ', not there yet'}{o.becomes === note.becomes
                        ? ' · now'
                        : ''}</span
                    >
                    <span class="cost">{o.measure}</span>
                  </button>
                </li>
              {/each}
            </ul>
          {/if}
        {/if}
        <p class="small quiet keys">
          <kbd>←</kbd> <kbd>→</kbd> note · with <kbd>shift</kbd> the next changed one ·
          <kbd>↑</kbd> <kbd>↓</kbd> what may be played, <kbd>Enter</kbd> takes it ·
          <kbd>k</kbd> keeps the part
        </p>
      </aside>
    </div>
  {/if}
</div>

<style>
  header {
    display: flex;
    justify-content: space-between;
    gap: 2rem;
    align-items: flex-start;
  }
  .do {
    display: flex;
    gap: 1rem;
    align-items: center;
  }
  .link {
    text-decoration: underline;
    color: var(--accent) !important;
  }
  .sum {
    margin-top: 0.75rem;
  }
  .inline {
    display: inline-block;
    vertical-align: top;
    max-width: 40rem;
  }
  .inline summary {
    color: var(--accent);
    cursor: pointer;
    margin-left: 0.5rem;
  }
  .said:not(:empty) {
    margin-top: 0.25rem;
  }
  .desk {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 17rem;
    gap: 1.5rem;
    margin-top: 1rem;
    align-items: start;
  }
  .paper {
    background: var(--paper);
    border: 1px solid var(--rule);
    padding: 0.75rem 0.5rem;
  }
  aside {
    position: sticky;
    top: 1rem;
    display: flex;
    flex-direction: column;
    gap: 0.5rem;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    border-top: 1px solid var(--rule);
  }
  li {
    border-bottom: 1px solid var(--rule);
  }
  li button {
    width: 100%;
    display: grid;
    grid-template-columns: 3rem 1fr auto;
    gap: 0.5rem;
    padding: 0.375rem 0.25rem !important;
    align-items: baseline;
  }
  li.now {
    font-weight: 600;
  }
  li.looked {
    outline: 2px solid var(--accent);
    outline-offset: -2px;
  }
  .cost {
    font-variant-numeric: tabular-nums;
  }
  .keys {
    margin-top: 0.5rem;
  }
  @media (max-width: 900px) {
    .desk {
      grid-template-columns: minmax(0, 1fr);
    }
    header {
      flex-direction: column;
      gap: 0.5rem;
    }
  }
</style>
