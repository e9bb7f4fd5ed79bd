<!-- For one who is not there yet: the written part and a simpler one, one under the other. -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { onDestroy, untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { Playback } from './playback.svelte';
  import { asTheyStand, type Tone } from './timeline';
  import TwoStaves from './TwoStaves.svelte';
  import { ui } from '../words/ui';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  const path = $derived({ path: { studentId: student, pieceId: piece } });
  const page = loaded<Schemas['SimplerView']>();
  const view = $derived(page.value);
  const changes = door();
  let said = $state('');
  let chosen = $state('');
  let looked = $state(-1);
  /** whether something was decided that is not kept yet */
  let open = $state(false);

  const notes = $derived(view?.notes ?? []);
  const at = $derived(notes.findIndex((n) => n.id === chosen));
  const note = $derived(notes[at]);
  const changed = $derived(new Set(notes.filter((n) => n.how !== 'AS_WRITTEN').map((n) => n.id)));

  const play = new Playback();
  onDestroy(() => play.stop());

  $effect(() => {
    const [who, what] = [student, piece];
    untrack(() => {
      changes.next();
      page.put(undefined);
      said = '';
      void load(who, what);
    });
  });

  function load(studentId: number, pieceId: number) {
    const params = { path: { studentId, pieceId } };
    open = false;
    return page.ask(
      () => asked(api.GET('/api/stand/{studentId}/{pieceId}/simpler', { params })),
      (answer) => {
        decided = answer.decided;
        const first = answer.notes.find((n) => n.how !== 'AS_WRITTEN') ?? answer.notes[0];
        if (first) choose(first.id);
      }
    );
  }

  type Decided = Schemas['DecidedView'][];
  /** what was decided, answered yet or not */
  let decided: Decided = [];
  let looking: Promise<void> = Promise.resolve();
  /** Asks for the part with these decisions, and what else may be done to a note. */
  function look(now: Decided, about: string) {
    chosen = about;
    decided = now;
    const ask = { params: path, body: { decided, about } };
    looking = page.ask(() => asked(api.POST('/api/stand/{studentId}/{pieceId}/simpler', ask)));
  }

  function choose(id: string) {
    if (!view) return;
    looked = -1;
    look(decided, id);
  }
  function take(i: number) {
    const o = view?.options[i];
    if (!view || !o || view.about !== chosen) return;
    said = '';
    open = true;
    look(
      [...decided.filter((d) => d.noteId !== chosen), { noteId: chosen, becomes: o.becomes }],
      chosen
    );
  }
  function anew() {
    said = ui.stand.madeAnew;
    open = true;
    look([], chosen);
  }
  function keep() {
    const params = path;
    return changes.once(
      async () => {
        // what was decided a moment ago is seen first; what is seen is kept, whatever is learned
        await looking;
        const seen = notes.map((n) => ({ noteId: n.id, becomes: n.becomes }));
        const ask = { params, body: { decided: seen, about: chosen } };
        return asked(api.PUT('/api/stand/{studentId}/{pieceId}/simpler', ask));
      },
      (answer) => {
        page.put(answer);
        open = false;
        said = ui.stand.keptSimpler(answer.student.name);
      }
    );
  }
  function asWritten() {
    const [params, name] = [path, view?.student.name ?? ''];
    return changes.once(
      () => asked(api.DELETE('/api/stand/{studentId}/{pieceId}/simpler', { params })),
      async () => {
        await load(params.path.studentId, params.path.pieceId);
        said = ui.stand.playsWritten(name);
      }
    );
  }

  function hear() {
    if (play.playing) return play.stop();
    const both: Tone[] = notes.flatMap((n) => {
      const tone = (id: string, midi: number) => ({
        id,
        at: n.at,
        seconds: n.seconds,
        writtenMidi: midi,
        soundingMidi: midi
      });
      return [tone(n.id, n.soundingMidi), ...(n.becomesMidi ? [tone(n.id, n.becomesMidi)] : [])];
    });
    play.start(asTheyStand(both), { speed: 0.75, metronome: false, written: false, loop: false });
  }

  const words: Record<string, string> = {
    AS_WRITTEN: ui.stand.howAsWritten,
    OCTAVE: ui.stand.howOctave,
    CHORD: ui.stand.howChord,
    LEFT_OUT: ui.stand.howLeftOut,
    OTHER: ui.stand.howOther
  };

  /** The next note that is changed, or the one before. */
  function toChanged(way: number) {
    const all = notes.map((n, i) => ({ n, i })).filter(({ n }) => n.how !== 'AS_WRITTEN');
    const to = way > 0 ? all.find(({ i }) => i > at) : all.reverse().find(({ i }) => i < at);
    if (to) void choose(to.n.id);
  }
  const here = () => !!view && !!note;
  pageKeys(ui.keys.simpler, [
    {
      on: ['ArrowLeft', 'ArrowRight'],
      words: ui.keys.simplerNotes,
      when: here,
      act: (key) => {
        const to = at + (key === 'ArrowRight' ? 1 : -1);
        void choose(notes[Math.max(0, Math.min(to, notes.length - 1))]!.id);
      }
    },
    {
      on: ['Shift+ArrowLeft', 'Shift+ArrowRight'],
      when: here,
      act: (key) => toChanged(key === 'Shift+ArrowRight' ? 1 : -1)
    },
    {
      on: ['ArrowUp', 'ArrowDown'],
      words: ui.keys.simplerLook,
      when: here,
      act: (key) => {
        const to = looked + (key === 'ArrowDown' ? 1 : -1);
        looked = Math.max(-1, Math.min(to, view!.options.length - 1));
      }
    },
    {
      on: 'Enter',
      words: ui.keys.simplerTake,
      when: () => here() && looked >= 0,
      act: (_, e) => !pressing(e) && void take(looked)
    },
    {
      on: ' ',
      words: ui.keys.simplerPlay,
      when: here,
      act: (_, e) => !pressing(e) && hear()
    },
    { on: 'k', words: ui.keys.simplerKeep, when: here, act: () => void keep() }
  ]);
</script>

<svelte:head
  ><title>{ui.stand.simplerTitle(view ? `: ${view.piece.title}, ${view.student.name}` : '')}</title
  ></svelte:head
>

<div class="page wide">
  {#if page.problem && !view}
    <Trouble text={page.problem} again={() => load(student, piece)} />
  {:else if !view}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {:else}
    <header>
      <div>
        <h1>{ui.stand.madeSimpler(view.piece.title)}</h1>
        <p class="quiet">
          {ui.people.for} <a href="/people/{view.student.id}">{view.student.name}</a>,
          {view.student.playsInside} ·
          <a href="/stand/{student}/{piece}">{ui.stand.partOnStand}</a>
        </p>
      </div>
      <div class="do">
        {#if changed.size}
          <Button size="small" disabled={changes.busy || (view.kept && !open)} on:click={keep}
            >{view.kept && !open ? ui.stand.kept : ui.stand.keepPart}</Button
          >
        {/if}
        {#if view.kept}
          <Button size="small" kind="tertiary" on:click={asWritten}>{ui.stand.backToWritten}</Button
          >
        {/if}
        {#if view.decided.length}
          <button class="plain link" onclick={anew}>{ui.stand.makeAnew}</button>
        {/if}
        {#if changed.size}
          <button class="plain link" onclick={hear} aria-pressed={play.playing}
            >{play.playing ? ui.stand.stop : ui.stand.playBoth} <kbd>{ui.keys.space}</kbd></button
          >
        {/if}
      </div>
    </header>
    {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
    {#if changes.problem}<Trouble text={changes.problem} />{/if}
    <div class="sum">
      <b>{view.summary}</b>
      {#if changed.size}
        {ui.stand.change(view.measure)}
        <details class="inline">
          <summary>{ui.stand.howMeasured}</summary>
          <p class="small">
            {ui.stand.measured(view.harmony ? ui.stand.harmonyYes : ui.stand.harmonyNo)}
          </p>
        </details>
      {/if}
    </div>
    <p role="status" class="said">{said}</p>
    {#if !changed.size}
      <p>{ui.stand.hasEvery(view.student.name)}</p>
    {/if}
    <div class="desk">
      <div class="paper">
        <TwoStaves
          xml={view.xml}
          {changed}
          chosen={play.note || chosen}
          label={ui.stand.aboveBelow}
          onchoose={choose}
        />
      </div>
      <aside aria-label={ui.stand.chosenNote}>
        {#if note}
          <h2>{ui.stand.noteBar(note.note.shown, note.barNumber)}</h2>
          <p>
            {note.how !== 'AS_WRITTEN'
              ? note.text
              : note.has
                ? ui.stand.writtenThere
                : ui.stand.writtenNotYet}
          </p>
          {#if view.about === chosen && view.options.length > 1}
            <p class="small quiet">{ui.stand.mayBePlayed}</p>
            <ul>
              {#each view.options as o, i (o.becomes)}
                <li class:now={o.becomes === note.becomes} class:looked={i === looked}>
                  <button class="plain" onclick={() => take(i)}>
                    <span>{o.shown}</span>
                    <span class="small"
                      >{words[o.how]}{o.has ? '' : ui.stand.notThereYet}{o.becomes === note.becomes
                        ? ui.stand.nowWord
                        : ''}</span
                    >
                    <span class="cost">{o.measure}</span>
                  </button>
                </li>
              {/each}
            </ul>
          {/if}
        {/if}
        <p class="small quiet keys hints">
          <kbd>←</kbd> <kbd>→</kbd>
          {ui.stand.noteWith} <kbd>{ui.stand.shift}</kbd>
          {ui.stand.nextChanged}
          <kbd>↑</kbd> <kbd>↓</kbd>
          {ui.stand.whatMay} <kbd>Enter</kbd>
          {ui.stand.takesDot}
          <kbd>k</kbd>
          {ui.stand.keepsPart}
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
    padding: 0.375rem 0.25rem;
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
  @media (max-width: 1000px) {
    .desk {
      grid-template-columns: minmax(0, 1fr);
    }
    header {
      flex-direction: column;
      gap: 0.5rem;
    }
  }
</style>
