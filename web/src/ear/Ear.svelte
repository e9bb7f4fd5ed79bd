<!-- A playing check by keyboard alone: every note once, with the fingering it has in this part. -->
<script lang="ts">
  import { flushSync, onDestroy, untrack } from 'svelte';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { opened } from '../last.svelte';
  import Mark from '../parts/Mark.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { visit, route } from '../router';
  import { short } from '../stand/lanes';
  import { Hearing } from './hearing.svelte';
  import Score from '../stand/Score.svelte';
  import { GRADES } from '../words/standing';
  import { ui } from '../words/ui';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  const h = new Hearing();
  const { view, tasks, task, at, heard, grades, left, problem } = $derived(h);
  let remarking = $state(false);
  let field = $state<HTMLInputElement>();
  const graded = $derived(
    new Map(heard.flatMap((x) => x.task.ids.map((id) => [id, x.press.grade] as [string, string])))
  );

  $effect(() => {
    const [s, p] = [student, piece];
    untrack(() => {
      void h.load(s, p);
    });
  });
  $effect(() => {
    const [s, p, there] = [student, piece, !!view];
    if (there || problem) untrack(() => opened(s, p, there));
  });
  onDestroy(() => h.leave());

  /** The remark is written: it goes with the next grade. */
  function remarked(e: KeyboardEvent) {
    if (e.key !== 'Enter' && e.key !== 'Escape') return;
    remarking = e.key === 'Enter' && h.remark.trim() !== '';
    field?.blur();
    e.preventDefault();
  }

  const here = () => tasks.length > 0 && !h.finished;
  function remarkOn() {
    remarking = true;
    // at once, so that the next letter typed is already the remark's
    flushSync();
    field?.focus();
  }
  pageKeys(ui.app.ear, [
    {
      on: ['ArrowLeft', 'ArrowRight'],
      words: ui.keys.noteNext,
      when: here,
      act: (key) => h.go(key === 'ArrowRight' ? 1 : -1)
    },
    {
      on: ['1', '2', '3'],
      words: ui.keys.grades,
      when: here,
      act: (key) => {
        remarking = false;
        h.grade(GRADES[Number(key) - 1]!);
      }
    },
    { on: 'a', words: ui.keys.restSecure, when: here, act: () => h.rest() },
    {
      on: 'r',
      words: ui.keys.remark,
      when: here,
      act: remarkOn
    },
    {
      on: 'u',
      words: ui.keys.takeBack,
      when: () => tasks.length > 0,
      act: () => void h.takeBack(heard.slice(-1))
    },
    {
      on: 's',
      words: ui.ear.backToStand,
      when: here,
      act: () => visit(`/stand/${student}/${piece}`)
    },
    {
      on: 'Enter',
      words: ui.keys.finishSummary,
      when: here,
      act: (_, e) => !pressing(e) && (h.finished = true)
    },
    {
      on: ['Escape', 'ArrowLeft'],
      when: () => h.finished,
      act: () => {
        h.finished = false;
      }
    }
  ]);
</script>

<svelte:head
  ><title>{ui.ear.partTitle(view ? `: ${view.student.name}, ${view.piece.title}` : '')}</title
  ></svelte:head
>

{#if problem && !view}
  <div class="page"><Trouble text={problem} again={() => h.load(student, piece)} /></div>
{:else if !view}
  <div class="page"><SkeletonText heading /><SkeletonText paragraph lines={8} /></div>
{:else}
  <div class="ear">
    <header>
      <div>
        <h1>{ui.ear.hearing(view.student.name)}</h1>
        <p class="quiet">
          {view.piece.title} · {view.student.playsInside} ·
          <a href="/stand/{student}/{piece}">{ui.ear.backToStand}</a>
        </p>
      </div>
      <p class="small quiet" role="status">
        {#if h.pending.length}{ui.ear.writing}{:else if h.said}{h.said}{/if}
      </p>
    </header>
    {#if problem}<div class="pad"><Trouble text={problem} /></div>{/if}
    {#each h.queue?.refused ?? [] as r (r.press.mark)}
      <div class="pad">
        <Trouble
          text={ui.ear.refused(
            view.student.name,
            tasks.find((t) => t.key === r.press.key)?.note.shown ?? r.press.written,
            ui.standing[r.press.grade],
            r.because
          )}
        />
      </div>
    {/each}

    {#if h.finished}
      <div class="page summary">
        <h2>
          {heard.length ? ui.ear.written(heard.length, tasks.length) : ui.ear.nothingWritten}
        </h2>
        {#if heard.length}
          <ul>
            {#each heard as x (x.press.mark)}
              <li>
                <Mark state={x.press.grade} />
                <b>{x.task.note.shown}</b>
                <span>{x.task.note.label}</span>
                <span>{ui.standing[x.press.grade]}</span>
                <span class="quiet">{x.press.remark}</span>
                <button class="plain link" onclick={() => h.takeBack([x])}
                  >{ui.all.takeBack}<span class="bx--visually-hidden">
                    {x.task.note.shown}</span
                  ></button
                >
              </li>
            {/each}
          </ul>
        {/if}
        <div class="row">
          <Button size="small" on:click={() => visit('/')}>{ui.ear.doneToday}</Button>
          <Button size="small" kind="tertiary" on:click={() => (h.finished = false)}
            >{ui.ear.goOnHearing}</Button
          >
          {#if heard.length}
            <Button size="small" kind="ghost" on:click={() => h.takeBack(heard)}
              >{ui.ear.takeAllBack}</Button
            >
          {/if}
        </div>
        {#if left && heard.length}
          <p class="quiet">{ui.ear.ungraded(left)}</p>
        {/if}
      </div>
    {:else}
      <div class="desk">
        <div class="paper">
          <Score
            xml={view.xml}
            plan={view.plan}
            lanes={[]}
            guides={[]}
            chosen={task?.note.id ?? ''}
            {graded}
            label={ui.stand.notesOf(view.piece.title)}
            onchoose={(id) => h.toNote(id)}
          />
        </div>
        <aside aria-label={ui.ear.noteHeard}>
          {#if task}
            <p class="pitch">{task.note.shown}</p>
            <p>
              <b class="cap">{task.note.label}</b><br />
              <span class="quiet">{short(task.note.fingering).join(' · ')}</span>
            </p>
            <p class="small quiet">
              {task.ids.length === 1
                ? ui.ear.onceIn(task.note.barNumber)
                : ui.ear.timesIn(task.ids.length, task.note.barNumber)}{task.note.isNew
                ? ui.ear.newForThem
                : ''}
            </p>
            <div class="grades">
              {#each [['SECURE', '1'], ['SHAKY', '2'], ['NOT_YET', '3']] as const as [g, key] (g)}
                <button
                  class="grade"
                  class:given={grades.get(task.key) === g}
                  onclick={() => h.grade(g)}
                >
                  <Mark state={g} size={18} label={false} />
                  <span>{ui.standing[g]}</span>
                  <kbd>{key}</kbd>
                </button>
              {/each}
            </div>
            {#if remarking || h.remark}
              <label class="remark">
                <span class="small">{ui.ear.remarkNext}</span>
                <input
                  bind:this={field}
                  bind:value={h.remark}
                  maxlength="300"
                  onkeydown={remarked}
                />
              </label>
            {/if}
            <ul class="keys small quiet">
              <li>
                <button class="plain link" onclick={remarkOn}><kbd>r</kbd> {ui.ear.remark}</button>
              </li>
              <li>
                <button class="plain link" disabled={!left} onclick={() => h.rest()}
                  ><kbd>a</kbd> {ui.ear.leftSecure(left)}</button
                >
              </li>
              <li>
                <button
                  class="plain link"
                  disabled={!heard.length}
                  onclick={() => void h.takeBack(heard.slice(-1))}
                  ><kbd>u</kbd> {ui.ear.takeLast}</button
                >
              </li>
              <li class="hints"><kbd>←</kbd> <kbd>→</kbd> {ui.ear.otherNote}</li>
              <li>
                <button class="plain link" onclick={() => (h.finished = true)}>
                  <kbd>Enter</kbd>
                  {ui.ear.finish}
                </button>
              </li>
            </ul>
            <ol class="strip" aria-label={ui.ear.partNotes}>
              {#each tasks as t, i (t.key)}
                {@const g = grades.get(t.key)}
                <li>
                  <button class="plain" class:here={i === at} onclick={() => (h.at = i)}>
                    {#if g}<Mark state={g} size={11} />{/if}{t.note.shown}
                  </button>
                </li>
              {/each}
            </ol>
          {:else}
            <p>{ui.ear.noNotes}</p>
          {/if}
        </aside>
      </div>
    {/if}
  </div>
{/if}

<style>
  .ear {
    display: flex;
    flex-direction: column;
    min-height: 100vh;
  }
  header {
    display: flex;
    justify-content: space-between;
    align-items: flex-end;
    padding: 1.25rem 1.5rem 0.875rem;
  }
  .pad {
    padding: 0 1.5rem;
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
    padding: 1.25rem;
    display: flex;
    flex-direction: column;
    gap: 0.75rem;
  }
  .pitch {
    font-size: 3.5rem;
    font-weight: 300;
    line-height: 1;
  }
  .cap {
    display: inline-block;
  }
  .cap::first-letter {
    text-transform: uppercase;
  }
  .grades {
    display: grid;
    gap: 0.375rem;
  }
  .grade {
    display: flex;
    align-items: center;
    gap: 0.75rem;
    padding: 0.625rem 0.75rem;
    border: 1px solid var(--rule);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    cursor: pointer;
  }
  .grade span {
    flex: 1;
    text-align: left;
  }
  .grade:hover {
    border-color: var(--accent);
  }
  .grade.given {
    border: 2px solid var(--accent);
    padding: calc(0.625rem - 1px) calc(0.75rem - 1px);
    font-weight: 600;
  }
  .remark input {
    box-sizing: border-box;
    width: 100%;
    padding: 0.5rem;
    font: inherit;
    color: inherit;
    background: var(--paper);
    border: 1px solid var(--ink-2);
    border-radius: 4px;
  }
  .keys {
    list-style: none;
    padding: 0;
    margin: 0;
    display: grid;
    gap: 0.25rem;
  }
  @media (max-width: 1000px) {
    .keys {
      display: flex;
      flex-wrap: wrap;
      gap: 0.25rem 1.5rem;
    }
  }
  .strip {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem;
    list-style: none;
    margin: 0;
    padding: 0;
  }
  .strip button {
    display: flex;
    align-items: center;
    gap: 0.25rem;
    padding: 0.125rem 0.4rem;
    border: 1px solid var(--rule);
    border-radius: 3px;
  }
  .strip button.here {
    border-color: var(--accent);
    background: var(--accent-soft);
  }
  .summary ul {
    list-style: none;
    margin: 1rem 0;
    padding: 0;
    max-width: 46rem;
  }
  .summary li {
    display: grid;
    grid-template-columns: 1.25rem 3.5rem 12rem 5rem 1fr auto;
    gap: 0.5rem;
    align-items: center;
    padding: 0.375rem 0;
    border-bottom: 1px solid var(--rule);
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin: 1rem 0;
  }
  @media (max-width: 1000px) {
    .desk {
      grid-template-columns: minmax(0, 1fr);
    }
    aside {
      position: sticky;
      top: auto;
      bottom: 0;
      width: 100%;
      background: var(--desk);
      border-top: 1px solid var(--rule);
    }
    .summary li {
      grid-template-columns: 1.25rem 3rem 1fr 4rem auto;
    }
  }
</style>
