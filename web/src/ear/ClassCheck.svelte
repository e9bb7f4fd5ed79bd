<!-- A playing check of a whole group, by keyboard alone: student by student or note by note. -->
<script lang="ts">
  import { Button, SkeletonText, TextInput } from 'carbon-components-svelte';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { onDestroy, tick, untrack } from 'svelte';
  import type { Schemas } from '../api/client';
  import { by } from '../by.svelte';
  import Mark from '../parts/Mark.svelte';
  import Staff from '../parts/Staff.svelte';
  import TakeAway from '../parts/TakeAway.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { short } from '../stand/lanes';
  import { Marking } from './marking.svelte';
  import { GRADES } from '../words/standing';
  import { ui } from '../words/ui';

  /** How often the other teacher's marks are looked for. */
  const LOOK_MS = 4000;
  /** So many notes fit on the staff of what is asked. */
  const ON_STAFF = 8;

  const id = $derived(Number(route.params.check));
  const m = new Marking();
  const { view, student, cell, pending, problem, open, asking, here } = $derived(m);
  let field = $state<HTMLInputElement>();
  let summary = $state<HTMLElement>();
  /** the table, which has the keys */
  let grid = $state<HTMLElement>();
  /** how high the panel is that lies over the table on a tablet, in px */
  let panel = $state(0);

  $effect(() => {
    const check = id;
    untrack(() => void m.load(check));
  });
  const timer = setInterval(() => void m.look(), LOOK_MS);
  onDestroy(() => {
    clearInterval(timer);
    m.leave();
  });

  async function finish(is: boolean) {
    const told = m.finish(is);
    if (is) {
      // the summary is where the teacher looks, however far down the last student was
      await tick();
      summary?.scrollIntoView({ block: 'start' });
      summary?.focus({ preventScroll: true });
    }
    await told;
  }

  /** The remark is written: it goes with the next mark. */
  function remarked(e: KeyboardEvent) {
    if (e.key !== 'Enter' && e.key !== 'Escape') return;
    field?.blur();
    e.preventDefault();
  }

  const marking = () => !!view && !m.asking;
  const choosing = () => !!m.asking && !!cell;
  pageKeys(ui.keys.classCheck, [
    {
      on: ['1', '2', '3'],
      words: ui.keys.marks,
      when: marking,
      act: (key) => m.grade(GRADES[Number(key) - 1]!)
    },
    {
      on: ['1', '2', '3', '4', '5', '6', '7', '8', '9'],
      when: choosing,
      act: (key) => m.pick(cell!.each[Number(key) - 1]?.written)
    },
    {
      on: ['ArrowLeft', 'ArrowRight'],
      when: choosing,
      act: (key) => m.point(key === 'ArrowRight' ? 1 : -1)
    },
    { on: ' ', when: choosing, act: () => m.pick(cell!.each[m.pointed]!.written) },
    {
      on: 'Enter',
      shown: ui.keys.thenDigits,
      words: ui.keys.someNotes,
      when: choosing,
      act: () => m.grade(m.asking!)
    },
    {
      on: 'Escape',
      when: choosing,
      act: () => {
        m.asking = undefined;
      }
    },
    { on: 'a', words: ui.keys.restOf, when: marking, act: () => m.rest() },
    { on: 'x', words: ui.keys.absent, when: marking, act: () => void m.absent() },
    { on: 'u', words: ui.keys.takeMark, when: marking, act: () => void m.undo() },
    {
      on: 'o',
      words: ui.keys.order,
      when: marking,
      act: () => {
        m.byNote = !m.byNote;
      }
    },
    {
      on: ['ArrowLeft', 'ArrowRight'],
      words: ui.keys.otherMark,
      when: marking,
      act: (key) => m.go(key === 'ArrowRight' ? 1 : -1)
    },
    {
      on: ['ArrowUp', 'ArrowDown'],
      words: ui.keys.otherStudent,
      when: marking,
      act: (key) => m.toStudent(key === 'ArrowDown' ? 1 : -1)
    },
    { on: 'r', words: ui.keys.remarkMark, when: marking, act: () => field?.focus() },
    {
      on: 'Enter',
      words: ui.keys.finishGoOn,
      when: marking,
      act: (_, e) => !pressing(e) && void finish(!m.finished)
    }
  ]);

  /** The check as it stands, in words. */
  const lines = () => [
    [ui.all.student, ui.all.instrument, ...view!.items.map((_, i) => m.asks(i))],
    ...view!.rows.map((r) => [
      r.student.name,
      r.student.plays,
      ...r.cells.map((c, i) => {
        const g = m.gradeOf(r, i);
        if (r.absent && !g) return ui.ear.absent;
        return [g ? ui.standing[g] : '', c.remark].filter(Boolean).join('; ');
      })
    ])
  ];
  const names = (rows: Schemas['ClassRow'][]) =>
    rows
      .map((r) => r.student.name)
      .join(', ')
      .replace(/\.?$/, '.');
  const away = $derived((view?.rows ?? []).filter((r) => r.absent));
  $effect(() => {
    void m.row;
    document.querySelector('tr.at')?.scrollIntoView({ block: 'nearest' });
  });
</script>

<svelte:head><title>{ui.ear.title(view ? `: ${view.group}` : '')}</title></svelte:head>

<div class="page">
  {#if !view}
    {#if problem}<Trouble text={problem} again={() => m.load(id)} />{:else}
      <SkeletonText heading /><SkeletonText paragraph lines={8} />
    {/if}
  {:else}
    <header>
      <div>
        <h1>{ui.ear.heading(view.group)}</h1>
        <p class="quiet">
          {view.when} · {open === 0 ? ui.ear.allMarked : ui.ear.toGo(open)}{pending.length
            ? ui.ear.onTheWay(pending.length)
            : ''}
        </p>
      </div>
      <TakeAway
        name={ui.ear.heading(view.group)}
        rows={lines}
        onsaved={() => grid?.focus({ preventScroll: true })}
      />
      <div class="by">
        <TextInput
          size="sm"
          labelText={ui.ear.markedBy}
          placeholder={ui.ear.aTeacher}
          value={by.name}
          on:change={(e) => by.set(String(e.detail ?? ''))}
        />
      </div>
    </header>
    {#if problem}<Trouble text={problem} />{/if}
    {#each m.queue?.refused ?? [] as r (r.press.mark)}
      <Trouble
        text={ui.ear.refused(
          view.rows.find((x) => x.student.id === r.press.studentId)?.student.name ??
            ui.ear.aStudent,
          m.asks(r.press.item),
          ui.standing[r.press.grade],
          r.because
        )}
      />
    {/each}
    {#if m.finished}
      <section class="summary" aria-label={ui.ear.summary} tabindex="-1" bind:this={summary}>
        <h2>{ui.ear.finished}</h2>
        {#if m.shaky.length}
          <ul>
            {#each m.shaky as s (s.r.student.id + '/' + s.i)}
              <li>
                <Mark state={s.g} label={false} />
                <b>{s.r.student.name}</b>
                {m.asks(s.i)}{s.c.notes && s.c.notes !== m.asks(s.i) ? ` (${s.c.notes})` : ''}: {ui
                  .standing[s.g]}{s.c.remark ? `; ${s.c.remark}` : ''}
              </li>
            {/each}
          </ul>
        {:else}
          <p>{ui.ear.allSecure}</p>
        {/if}
        {#if away.length}
          <p>{ui.ear.absentAre(names(away))}</p>
        {/if}
        {#if open}<p>{ui.ear.leftOpen(open)}</p>{/if}
        <p class="then">
          <Button size="small" kind="tertiary" on:click={() => finish(false)}
            >{ui.ear.goOnMarking}</Button
          >
          <span class="small quiet"><kbd>Enter</kbd></span>
          <a href="/">{ui.all.toToday}</a>
        </p>
      </section>
    {/if}
    <div class="walk" style:--panel="{panel}px">
      <div class="grid" tabindex="-1" bind:this={grid}>
        <table>
          <thead>
            <tr>
              <th scope="col">{ui.all.student}</th>
              {#each view.items.keys() as i (i)}
                <th scope="col" class:at={i === m.item}>{m.asks(i)}</th>
              {/each}
            </tr>
          </thead>
          <tbody>
            {#each view.rows as r, n (r.student.id)}
              <tr class:at={n === m.row} class:absent={r.absent}>
                <th scope="row"
                  ><span>{r.student.name}</span>
                  <span class="small quiet">{r.absent ? ui.ear.absent : r.student.playsInside}</span
                  ></th
                >
                {#each r.cells as c, i (i)}
                  {@const g = m.gradeOf(r, i)}
                  <td class:here={n === m.row && i === m.item}>
                    {#if c.asked}
                      <button
                        class="plain"
                        aria-label="{r.student.name}, {m.asks(i)}, {c.notes}{g
                          ? `: ${ui.standing[g]}`
                          : ''}"
                        onclick={() => ([m.row, m.item] = [n, i])}
                      >
                        {#if g}<Mark state={g} label={false} />{/if}
                        <span class="small" class:quiet={!!g}>{c.notes}</span>
                      </button>
                    {:else}
                      <span class="small quiet">–</span>
                    {/if}
                  </td>
                {/each}
              </tr>
            {/each}
          </tbody>
        </table>
        {#if !view.rows.length}
          <p>{ui.all.nobodyYet} <a href="/people">{ui.all.setUpStudents}</a>.</p>
        {/if}
      </div>
      <aside class="screen" aria-label={ui.ear.nowAsked} bind:clientHeight={panel}>
        {#if student && cell}
          <div class="now">
            <div>
              <h2>{student.student.name}</h2>
              <p class="quiet">{student.student.plays}</p>
              {#if cell.asked}
                <p class="pitch">{cell.notes}</p>
                {#if cell.fingering}
                  <p>
                    {cell.label} <span class="quiet">{short(cell.fingering).join(' · ')}</span>
                  </p>
                {/if}
              {:else}
                <p class="small quiet">{ui.ear.notForThem}</p>
              {/if}
            </div>
            {#if cell.asked && cell.each.length && cell.each.length <= ON_STAFF}
              <Staff
                notes={cell.each.map((n) => ({ pitch: n.written, name: '' }))}
                clef={student.clef}
                label={ui.ear.asWritten(cell.each.map((n) => n.shown).join(' '))}
              />
            {/if}
          </div>
          {#if asking}
            <div class="which" role="group" aria-label={ui.ear.whichOfThem}>
              <p><b>{ui.standing[asking]}:</b> {ui.ear.which}</p>
              <p>
                {#each cell.each as n, i (n.written)}
                  <button
                    class="plain"
                    class:at={i === m.pointed}
                    aria-pressed={m.picked.includes(n.written)}
                    onclick={() => m.pick(n.written)}
                    >{#if i < 9}<kbd>{i + 1}</kbd>{/if}
                    {n.shown}</button
                  >
                {/each}
              </p>
              <p class="acts">
                <button onclick={() => asking && m.grade(asking)}
                  ><kbd>Enter</kbd>
                  {m.picked.length ? ui.ear.othersSecure : ui.ear.allOfThem}</button
                >
                <button onclick={() => (m.asking = undefined)}
                  ><kbd>Esc</kbd> {ui.ear.notGraded}</button
                >
              </p>
            </div>
          {:else}
            <div class="grades">
              {#each GRADES as g, i (g)}
                <button
                  disabled={!cell.asked}
                  aria-pressed={m.gradeOf(student, m.item) === g}
                  onclick={() => m.grade(g)}
                  ><kbd>{i + 1}</kbd> <Mark state={g} label={false} /> {ui.standing[g]}</button
                >
              {/each}
            </div>
          {/if}
          <p role="status" class="small said">
            {m.said ||
              (here
                ? `${ui.standing[here]}${cell.by ? ui.ear.markedByName(cell.by === 'teacher' ? ui.people.theTeacher : cell.by) : ''}${cell.remark ? `: ${cell.remark}` : ''}`
                : '')}
          </p>
          <div class="acts">
            <button onclick={() => m.rest()}
              ><kbd>a</kbd>
              {ui.ear.restOf(m.byNote ? ui.ear.thisNote : student.student.name)}</button
            >
            <button onclick={() => void m.absent()}
              ><kbd>x</kbd> {student.absent ? ui.ear.here : ui.ear.absent}</button
            >
            <button onclick={() => void m.undo()}><kbd>u</kbd> {ui.all.takeBack}</button>
            <button onclick={() => (m.byNote = !m.byNote)}
              ><kbd>o</kbd> {m.byNote ? ui.ear.byStudent : ui.ear.byNote}</button
            >
            <button onclick={() => void finish(!m.finished)}
              ><kbd>Enter</kbd> {m.finished ? ui.ear.goOn : ui.ear.finish}</button
            >
          </div>
          <label class="remark small">
            <span>{ui.ear.remarkNext} <kbd>r</kbd></span>
            <input bind:this={field} bind:value={m.remark} maxlength="300" onkeydown={remarked} />
          </label>
          {#if !cell.fingering && cell.asked && !asking}
            <p class="small quiet">
              {ui.ear.whichAsked}
            </p>
          {/if}
        {/if}
      </aside>
    </div>
  {/if}
</div>

<style>
  .which button {
    margin: 0 0.375rem 0.375rem 0;
    padding: 0.125rem 0.375rem;
    border: 1px solid var(--rule);
    border-radius: 4px;
  }
  .which button.at {
    outline: 2px solid var(--accent);
  }
  .which button[aria-pressed='true'] {
    background: var(--accent-soft);
    font-weight: 600;
  }
  header {
    display: flex;
    justify-content: space-between;
    gap: 2rem;
    margin-bottom: 1rem;
  }
  .by {
    width: 12rem;
  }
  .walk {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 17rem;
    gap: 1.5rem;
    align-items: start;
  }
  .grid:focus {
    outline: none;
  }
  .grid {
    /* a list of its own, so that its heads stay in sight however long the group is */
    overflow: auto;
    max-height: calc(100dvh - 2rem);
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    text-align: left;
    font-weight: 400;
    padding: 0 0.5rem;
    border-bottom: 1px solid var(--rule);
    white-space: nowrap;
  }
  thead th {
    position: sticky;
    top: 0;
    z-index: 1;
    padding: 0.5rem;
    font-size: 0.8125rem;
    color: var(--ink-2);
    background: var(--paper);
  }
  thead th.at {
    color: var(--ink);
    font-weight: 600;
  }
  tbody th {
    padding: 0.25rem 0.75rem;
  }
  tbody tr {
    scroll-margin-top: 2.5rem;
    scroll-margin-bottom: 5rem;
  }
  tbody th span:first-child {
    font-weight: 600;
    margin-right: 0.5rem;
  }
  tr.at {
    background: var(--accent-soft);
  }
  tr.absent {
    opacity: 0.6;
  }
  td.here {
    outline: 2px solid var(--accent);
    outline-offset: -2px;
  }
  tbody th,
  td {
    vertical-align: middle;
  }
  td button {
    display: flex;
    gap: 0.375rem;
    align-items: center;
    min-height: 1.75rem;
    min-width: 3.5rem;
  }
  aside {
    position: sticky;
    top: 1rem;
    display: flex;
    flex-direction: column;
    gap: 0.625rem;
  }
  .now {
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
    min-height: 12.5rem;
  }
  .now :global(.staff) {
    min-height: 4.5rem;
    padding-bottom: 0;
  }
  .pitch {
    font-size: 2rem;
    font-weight: 300;
    line-height: 1.1;
  }
  .grades {
    display: flex;
    flex-direction: column;
    gap: 0.375rem;
  }
  .grades button,
  .acts button {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    font: inherit;
    color: var(--ink);
    background: var(--paper);
    border: 1px solid var(--rule);
    border-radius: 4px;
    cursor: pointer;
    text-align: left;
  }
  .grades button {
    min-height: 2.75rem;
    padding: 0 0.75rem;
  }
  .grades button[aria-pressed='true'] {
    border-color: var(--accent);
    background: var(--accent-soft);
  }
  .grades button:disabled {
    opacity: 0.5;
    cursor: default;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.375rem;
  }
  .acts button {
    min-height: 2rem;
    padding: 0 0.5rem;
    font-size: 0.8125rem;
  }
  .remark {
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
    color: var(--ink-2);
  }
  .remark input {
    font: inherit;
    color: var(--ink);
    padding: 0.375rem 0.5rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .said {
    min-height: 1.3em;
  }
  .summary {
    margin-bottom: 1.5rem;
    padding: 1rem 1.25rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .summary ul {
    list-style: none;
    margin: 0.5rem 0;
    padding: 0;
    columns: 2;
  }
  .summary li {
    padding: 0.125rem 0;
    break-inside: avoid;
  }
  .summary:focus {
    outline: none;
  }
  .then {
    display: flex;
    gap: 0.75rem;
    align-items: center;
    margin-top: 0.75rem;
  }
  /* a tablet in the hand: the grades lie under the thumb, whatever the table's length */
  @media (max-width: 1000px) {
    .walk {
      grid-template-columns: 1fr;
      gap: 0;
    }
    .grid {
      max-height: calc(100dvh - var(--panel) - 0.5rem);
    }
    tbody tr {
      scroll-margin-bottom: calc(var(--panel) + 4rem);
    }
    td button {
      min-height: 2.75rem;
    }
    aside {
      top: auto;
      bottom: 0;
      z-index: 2;
      margin: 0 -1rem;
      padding: 0.75rem 1rem;
      background: var(--paper);
      border-top: 2px solid var(--accent);
    }
    .now {
      flex-direction: row;
      justify-content: space-between;
      align-items: center;
      min-height: 0;
    }
    .grades {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
    }
    .grades button {
      min-height: 3.5rem;
      justify-content: center;
    }
    .acts button,
    .which button {
      min-height: 2.75rem;
    }
    .summary ul {
      columns: 1;
    }
    .remark {
      flex-direction: row;
      align-items: center;
    }
    .remark input {
      flex: 1;
      min-height: 1.75rem;
    }
    kbd {
      display: none;
    }
  }
  @media print {
    .walk {
      display: block;
    }
    .grid {
      overflow: visible;
      max-height: none;
    }
    thead th {
      position: static;
    }
    td.here {
      outline: 0;
    }
  }
</style>
