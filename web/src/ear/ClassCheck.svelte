<!-- A playing check of a whole group, by keyboard alone: student by student or note by note. -->
<script lang="ts">
  import { Button, SkeletonText, TextInput } from 'carbon-components-svelte';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { onDestroy, tick, untrack } from 'svelte';
  import { api, asked, refusal, sentence, type Schemas } from '../api/client';
  import { by } from '../by.svelte';
  import Mark from '../parts/Mark.svelte';
  import Staff from '../parts/Staff.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { short } from '../stand/lanes';
  import { mark } from './pending';
  import { Queue } from './queue.svelte';
  import { GRADES, type Grade } from '../words/standing';
  import { ui } from '../words/ui';

  /** How often the other teacher's marks are looked for. */
  const LOOK_MS = 4000;
  /** So many notes fit on the staff of what is asked. */
  const ON_STAFF = 8;

  const id = $derived(Number(route.params.check));
  let view = $state.raw<Schemas['ClassCheckView']>();
  let queue = $state.raw<Queue<Schemas['ClassCell']>>();
  let row = $state(0);
  let item = $state(0);
  let byNote = $state(false);
  let remark = $state('');
  let field = $state<HTMLInputElement>();
  let summary = $state<HTMLElement>();
  let finished = $state(false);
  let failed = $state('');
  let said = $state('');
  /** what can be taken back, the last last */
  let done = $state.raw<{ row: number; item: number }[]>([]);

  const student = $derived(view?.rows[row]);
  const cell = $derived(student?.cells[item]);
  const pending = $derived(queue?.waiting ?? []);

  const problem = $derived(queue?.problem ? ui.ear.waits(queue.problem) : failed);
  const asks = (i: number) => `${view!.items[i]!.shown} ${view!.items[i]!.words}`.trim();
  /** keys of the cells that wait to be sent, with the grade given */
  const waiting = $derived(new Map(pending.map((p) => [`${p.studentId}/${p.item}`, p])));
  const gradeOf = (r: Schemas['ClassRow'], i: number): Grade | undefined => {
    const g = waiting.get(`${r.student.id}/${i}`)?.grade ?? r.cells[i]!.grade;
    return g === 'OPEN' ? undefined : g;
  };
  /** what stands in the chosen cell */
  const here = $derived(student && gradeOf(student, item));
  const open = $derived(
    (view?.rows ?? []).flatMap((r) =>
      r.absent ? [] : r.cells.filter((c, i) => c.asked && !gradeOf(r, i))
    ).length
  );

  /** an answer for another check counts no more */
  let turn = 0;
  /** what was changed here: an answer asked for before a change does not know of it */
  let changes = 0;
  let changing = 0;
  $effect(() => {
    const check = id;
    untrack(() => load(check));
  });
  const timer = setInterval(() => void look(), LOOK_MS);
  onDestroy(() => {
    turn++;
    clearInterval(timer);
    queue?.stop();
  });

  async function load(check: number) {
    const mine = ++turn;
    queue?.stop();
    view = undefined;
    failed = '';
    try {
      const params = { path: { id: check } };
      const found = await asked(api.GET('/api/checks/{id}', { params }));
      if (mine !== turn) return;
      view = found;
      finished = found.finished;
      done = [];
      queue = new Queue(
        check,
        (press) => asked(api.POST('/api/checks/{id}/grades', { params, body: press })),
        (press, c) => put(press.studentId, press.item, c),
        refusal,
        sentence
      );
      toNextOpen(0, 0);
      void queue.flush();
    } catch (e) {
      if (mine === turn) failed = sentence(e);
    }
  }

  /** What another teacher has marked meanwhile. */
  async function look() {
    if (!view || pending.length || changing || document.hidden) return;
    const mine = turn;
    const before = changes;
    try {
      const fresh = await asked(api.GET('/api/checks/{id}', { params: { path: { id } } }));
      if (mine === turn && before === changes) view = fresh;
    } catch {
      // the next grade says so
    }
  }

  /** A change that is told to the server; what is looked for meanwhile does not count. */
  async function change<T>(answer: Promise<T>): Promise<T> {
    changes++;
    changing++;
    try {
      return await answer;
    } finally {
      changing--;
    }
  }

  function put(studentId: number, i: number, c: Schemas['ClassCell']) {
    if (!view) return;
    view = {
      ...view,
      rows: view.rows.map((r) =>
        r.student.id === studentId
          ? { ...r, absent: false, cells: r.cells.map((x, n) => (n === i ? c : x)) }
          : r
      )
    };
  }

  /** The cells in the order they are walked through. */
  const order = $derived.by(() => {
    const rows = view?.rows ?? [];
    const cells: [number, number][] = [];
    const add = (r: number, i: number) => {
      if (rows[r]!.cells[i]!.asked) cells.push([r, i]);
    };
    const n = view?.items.length ?? 0;
    if (byNote) for (let i = 0; i < n; i++) rows.forEach((_, r) => add(r, i));
    else rows.forEach((_, r) => Array.from({ length: n }, (_, i) => add(r, i)));
    return cells;
  });
  const place = $derived(order.findIndex(([r, i]) => r === row && i === item));

  function go(to: number) {
    const c = order[Math.max(0, Math.min(order.length - 1, to))];
    if (c) [row, item] = c;
  }
  /** The next cell from a place on that is neither graded nor of someone absent. */
  function toNextOpen(r0: number, i0: number) {
    const rows = view?.rows ?? [];
    const from = order.findIndex(([r, i]) => r === r0 && i === i0);
    const start = Math.max(0, from);
    for (let k = 0; k < order.length; k++) {
      const [r, i] = order[(start + k) % order.length]!;
      if (!rows[r]!.absent && !gradeOf(rows[r]!, i)) {
        [row, item] = [r, i];
        return;
      }
    }
    go(start);
  }

  function press(r: number, i: number, g: Grade, words: string, notes: string[] = []) {
    const s = view!.rows[r]!.student.id;
    changes++;
    queue?.add({ studentId: s, item: i, grade: g, remark: words, notes, mark: mark() });
    done = [...done, { row: r, item: i }];
  }

  /** A grade for several notes waits until it is said which of them it is for. */
  let asking = $state<Grade>();
  let picked = $state.raw<string[]>([]);
  let pointed = $state(0);
  function pick(written: string) {
    picked = picked.includes(written) ? picked.filter((p) => p !== written) : [...picked, written];
  }

  function grade(g: Grade) {
    if (!student || !cell?.asked) return;
    if (g !== 'SECURE' && cell.each.length > 1 && !asking) {
      asking = g;
      picked = [];
      pointed = 0;
      return;
    }
    press(row, item, g, remark.trim(), picked);
    const which = cell.each.filter((n) => picked.includes(n.written)).map((n) => n.shown);
    said = `${student.student.name}, ${which.join(', ') || asks(item)}: ${ui.standing[g]}`;
    asking = undefined;
    picked = [];
    remark = '';
    void queue?.flush();
    toNextOpen(row, item);
  }

  /** All that is left of this student (or of this note, walking note by note) is secure. */
  function rest() {
    if (!view) return;
    const list = order.filter(
      ([r, i]) =>
        (byNote ? i === item : r === row) && !view!.rows[r]!.absent && !gradeOf(view!.rows[r]!, i)
    );
    list.forEach(([r, i]) => press(r, i, 'SECURE', ''));
    said = list.length
      ? ui.ear.restSecure(list.length)
      : ui.ear.nothingLeft(byNote ? asks(item) : (student?.student.name ?? ''));
    void queue?.flush();
    toNextOpen(row, item);
  }

  async function undo() {
    // with nothing done on this page, what stands in the chosen cell
    const here = cell && student && gradeOf(student, item) ? { row, item } : undefined;
    const lastDone = done[done.length - 1] ?? here;
    if (!lastDone || !view) return;
    done = done.slice(0, -1);
    [row, item] = [lastDone.row, lastDone.item];
    const s = view.rows[lastDone.row]!.student;
    const unsentYet = [...pending]
      .reverse()
      .find((p) => p.studentId === s.id && p.item === lastDone.item);
    said = ui.ear.takenBack(s.name, asks(lastDone.item));
    if (unsentYet && queue?.take(unsentYet)) return;
    try {
      // a grade that is on its way arrives first
      await queue?.flush();
      const c = await change(
        asked(
          api.POST('/api/checks/{id}/undo', {
            params: { path: { id } },
            // the one that is seen here: what another has taken back is not taken back twice
            body: {
              studentId: s.id,
              item: lastDone.item,
              mark: view?.rows[lastDone.row]?.cells[lastDone.item]?.mark ?? ''
            }
          })
        )
      );
      put(s.id, lastDone.item, c);
    } catch (e) {
      done = [...done, lastDone];
      failed = sentence(e);
    }
  }

  async function absent() {
    if (!student || !view) return;
    const r = row;
    const is = !student.absent;
    view = { ...view, rows: view.rows.map((x, n) => (n === r ? { ...x, absent: is } : x)) };
    const studentId = student.student.id;
    said = is ? ui.ear.isAbsent(student.student.name) : ui.ear.isHere(student.student.name);
    // on at once: the next grade is for the next student, however slow the answer is
    if (is) toNextOpen(r, 0);
    try {
      await change(
        asked(
          api.POST('/api/checks/{id}/absent', {
            params: { path: { id } },
            body: { studentId, absent: is }
          })
        )
      );
    } catch (e) {
      failed = sentence(e);
    }
  }

  async function finish(is: boolean) {
    finished = is;
    if (is) {
      // the summary is where the teacher looks, however far down the last student was
      await tick();
      summary?.scrollIntoView({ block: 'start' });
      summary?.focus({ preventScroll: true });
    }
    try {
      await change(
        asked(api.POST('/api/checks/{id}/finish', { params: { path: { id } }, body: is }))
      );
    } catch (e) {
      failed = sentence(e);
    }
  }

  /** The remark is written: it goes with the next mark. */
  function remarked(e: KeyboardEvent) {
    if (e.key !== 'Enter' && e.key !== 'Escape') return;
    field?.blur();
    e.preventDefault();
  }

  const clamp = (i: number, n: number) => Math.max(0, Math.min(i, n - 1));
  const marking = () => !!view && !asking;
  const choosing = () => !!asking && !!cell;
  pageKeys(ui.keys.classCheck, [
    {
      on: ['1', '2', '3'],
      words: ui.keys.marks,
      when: marking,
      act: (key) => grade(GRADES[Number(key) - 1]!)
    },
    {
      on: ['1', '2', '3', '4', '5', '6', '7', '8', '9'],
      when: choosing,
      act: (key) => {
        const note = cell!.each[Number(key) - 1];
        if (note) pick(note.written);
      }
    },
    {
      on: ['ArrowLeft', 'ArrowRight'],
      when: choosing,
      act: (key) => {
        pointed = clamp(pointed + (key === 'ArrowRight' ? 1 : -1), cell!.each.length);
      }
    },
    { on: ' ', when: choosing, act: () => pick(cell!.each[pointed]!.written) },
    {
      on: 'Enter',
      shown: ui.keys.thenDigits,
      words: ui.keys.someNotes,
      when: choosing,
      act: () => grade(asking!)
    },
    {
      on: 'Escape',
      when: choosing,
      act: () => {
        asking = undefined;
      }
    },
    { on: 'a', words: ui.keys.restOf, when: marking, act: rest },
    { on: 'x', words: ui.keys.absent, when: marking, act: () => void absent() },
    { on: 'u', words: ui.keys.takeMark, when: marking, act: () => void undo() },
    {
      on: 'o',
      words: ui.keys.order,
      when: marking,
      act: () => {
        byNote = !byNote;
      }
    },
    {
      on: ['ArrowLeft', 'ArrowRight'],
      words: ui.keys.otherMark,
      when: marking,
      act: (key) => go(place + (key === 'ArrowRight' ? 1 : -1))
    },
    {
      on: ['ArrowUp', 'ArrowDown'],
      words: ui.keys.otherStudent,
      when: marking,
      act: (key) => {
        row = clamp(row + (key === 'ArrowDown' ? 1 : -1), view!.rows.length);
      }
    },
    { on: 'r', words: ui.keys.remarkMark, when: marking, act: () => field?.focus() },
    {
      on: 'Enter',
      words: ui.keys.finishGoOn,
      when: marking,
      act: (_, e) => !pressing(e) && void finish(!finished)
    }
  ]);

  const names = (rows: Schemas['ClassRow'][]) =>
    rows
      .map((r) => r.student.name)
      .join(', ')
      .replace(/\.?$/, '.');
  const shaky = $derived(
    (view?.rows ?? []).flatMap((r) =>
      r.cells.flatMap((c, i) => {
        const g = gradeOf(r, i);
        return g && g !== 'SECURE' ? [{ r, i, c, g }] : [];
      })
    )
  );
  const away = $derived((view?.rows ?? []).filter((r) => r.absent));
  $effect(() => {
    void row;
    document.querySelector('tr.at')?.scrollIntoView({ block: 'nearest' });
  });
</script>

<svelte:head><title>{ui.ear.title(view ? `: ${view.group}` : '')}</title></svelte:head>

<div class="page">
  {#if !view}
    {#if problem}<Trouble text={problem} again={() => load(id)} />{:else}
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
    {#each queue?.refused ?? [] as r (r.press.mark)}
      <Trouble
        text={ui.ear.refused(
          view.rows.find((x) => x.student.id === r.press.studentId)?.student.name ??
            ui.ear.aStudent,
          asks(r.press.item),
          ui.standing[r.press.grade],
          r.because
        )}
      />
    {/each}
    {#if finished}
      <section class="summary" aria-label={ui.ear.summary} tabindex="-1" bind:this={summary}>
        <h2>{ui.ear.finished}</h2>
        {#if shaky.length}
          <ul>
            {#each shaky as s (s.r.student.id + '/' + s.i)}
              <li>
                <Mark state={s.g} label={false} />
                <b>{s.r.student.name}</b>
                {asks(s.i)}{s.c.notes && s.c.notes !== asks(s.i) ? ` (${s.c.notes})` : ''}: {ui
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
    <div class="walk">
      <div class="grid">
        <table>
          <thead>
            <tr>
              <th scope="col">{ui.all.student}</th>
              {#each view.items.keys() as i (i)}
                <th scope="col" class:at={i === item}>{asks(i)}</th>
              {/each}
            </tr>
          </thead>
          <tbody>
            {#each view.rows as r, n (r.student.id)}
              <tr class:at={n === row} class:absent={r.absent}>
                <th scope="row"
                  ><span>{r.student.name}</span>
                  <span class="small quiet"
                    >{r.absent ? ui.ear.absent : r.student.instrumentName.toLowerCase()}</span
                  ></th
                >
                {#each r.cells as c, i (i)}
                  {@const g = gradeOf(r, i)}
                  <td class:here={n === row && i === item}>
                    {#if c.asked}
                      <button
                        class="plain"
                        aria-label="{r.student.name}, {asks(i)}, {c.notes}{g
                          ? `: ${ui.standing[g]}`
                          : ''}"
                        onclick={() => ([row, item] = [n, i])}
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
      <aside aria-label={ui.ear.nowAsked}>
        {#if student && cell}
          <div class="now">
            <div>
              <h2>{student.student.name}</h2>
              <p class="quiet">{student.student.instrumentName}</p>
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
                    class:at={i === pointed}
                    aria-pressed={picked.includes(n.written)}
                    onclick={() => pick(n.written)}
                    >{#if i < 9}<kbd>{i + 1}</kbd>{/if}
                    {n.shown}</button
                  >
                {/each}
              </p>
              <p class="acts">
                <button onclick={() => asking && grade(asking)}
                  ><kbd>Enter</kbd>
                  {picked.length ? ui.ear.othersSecure : ui.ear.allOfThem}</button
                >
                <button onclick={() => (asking = undefined)}
                  ><kbd>Esc</kbd> {ui.ear.notGraded}</button
                >
              </p>
            </div>
          {:else}
            <div class="grades">
              {#each GRADES as g, i (g)}
                <button
                  disabled={!cell.asked}
                  aria-pressed={gradeOf(student, item) === g}
                  onclick={() => grade(g)}
                  ><kbd>{i + 1}</kbd> <Mark state={g} label={false} /> {ui.standing[g]}</button
                >
              {/each}
            </div>
          {/if}
          <p role="status" class="small said">
            {said ||
              (here
                ? `${ui.standing[here]}${cell.by ? ui.ear.markedByName(cell.by === 'teacher' ? ui.people.theTeacher : cell.by) : ''}${cell.remark ? `: ${cell.remark}` : ''}`
                : '')}
          </p>
          <div class="acts">
            <button onclick={rest}
              ><kbd>a</kbd> {ui.ear.restOf(byNote ? ui.ear.thisNote : student.student.name)}</button
            >
            <button onclick={() => void absent()}
              ><kbd>x</kbd> {student.absent ? ui.ear.here : ui.ear.absent}</button
            >
            <button onclick={() => void undo()}><kbd>u</kbd> {ui.all.takeBack}</button>
            <button onclick={() => (byNote = !byNote)}
              ><kbd>o</kbd> {byNote ? ui.ear.byStudent : ui.ear.byNote}</button
            >
            <button onclick={() => void finish(!finished)}
              ><kbd>Enter</kbd> {finished ? ui.ear.goOn : ui.ear.finish}</button
            >
          </div>
          <label class="remark small">
            <span>{ui.ear.remarkNext} <kbd>r</kbd></span>
            <input bind:this={field} bind:value={remark} maxlength="300" onkeydown={remarked} />
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
  .grid {
    overflow-x: auto;
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
    padding: 0.5rem;
    font-size: 0.8125rem;
    color: var(--ink-2);
  }
  thead th.at {
    color: var(--ink);
    font-weight: 600;
  }
  tbody th {
    padding: 0.25rem 0.75rem;
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
    tr {
      scroll-margin-bottom: 19rem;
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
</style>
