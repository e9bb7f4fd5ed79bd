<!-- Everyone of a group against everything that is assigned, or on the shelf. -->
<script lang="ts">
  import { Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import TakeAway from '../parts/TakeAway.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { ui } from '../words/ui';

  const group = $derived(Number(route.params.group));
  let what = $state('assigned');
  /** what the table that is shown is about */
  let shownOf = $state('assigned');
  let order = $state<'book' | 'blocked'>('book');
  const page = loaded<Schemas['MatrixView']>();
  const matrix = $derived(page.value);
  const detail = loaded<Schemas['CellView']>();
  const cell = $derived(detail.value);
  let row = $state(0);
  let column = $state(0);
  let opened = $state(false);
  const problem = $derived(page.problem || detail.problem);

  $effect(() => {
    load(group, what);
  });

  function load(id: number, which: string) {
    opened = false;
    row = column = 0;
    detail.put(undefined);
    void page.ask(
      () =>
        asked(
          api.GET('/api/groups/{id}/readiness', {
            params: { path: { id }, query: { what: which } }
          })
        ),
      () => (shownOf = which)
    );
  }

  const ready = (c: Schemas['MatrixCell']) => c.state === 'READY';
  const stuck = (c: Schemas['MatrixCell']) => c.state === 'LACKS' || c.state === 'BEYOND';
  /** how many of a column, or of a row, are in the way of playing */
  const inColumn = (i: number) => matrix!.rows.filter((r) => stuck(r[i]!)).length;
  const inRow = (i: number) => matrix!.rows[i]!.filter(stuck).length;
  const sorted = (n: number, of: (i: number) => number) => {
    const all = Array.from({ length: n }, (_, i) => i);
    return order === 'book' ? all : all.sort((a, b) => of(b) - of(a) || a - b);
  };
  const rows = $derived(matrix ? sorted(matrix.students.length, inRow) : []);
  const columns = $derived(matrix ? sorted(matrix.pieces.length, inColumn) : []);

  const words = (c: Schemas['MatrixCell']) =>
    (c.odd ||
      {
        READY: ui.people.canPlay,
        HARD: ui.people.hasNotes(c.hard),
        LACKS: c.lacking === 1 ? ui.people.lacks(c.lacking) : ui.people.lacks(c.lacking),
        BEYOND: ui.people.hasBeyond,
        NONE: ui.people.noPart
      }[c.state]) ??
    '';
  const face = (c: Schemas['MatrixCell']) =>
    c.odd
      ? '?'
      : ({ READY: '●', HARD: '◐', LACKS: String(c.lacking), BEYOND: '×', NONE: '–' }[c.state] ??
        '');

  function open(r: number, c: number) {
    [row, column] = [r, c];
    opened = true;
    detail.put(undefined);
    const s = matrix!.students[rows[r]!]!;
    const p = matrix!.pieces[columns[c]!]!;
    if (matrix!.rows[rows[r]!]![columns[c]!]!.state === 'NONE') return;
    void detail.ask(() =>
      asked(
        api.GET('/api/students/{studentId}/readiness/{pieceId}', {
          params: {
            path: { studentId: s.id, pieceId: p.id },
            query: { groupId: group, what: shownOf }
          }
        })
      )
    );
  }

  pageKeys(ui.keys.matrix, [
    {
      on: ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'],
      words: ui.keys.cells,
      when: () => !!matrix,
      act: (key) => {
        const [r, c] = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0] }[key] ?? [1, 0];
        open(
          Math.max(0, Math.min(row + r!, rows.length - 1)),
          Math.max(0, Math.min(column + c!, columns.length - 1))
        );
      }
    }
  ]);
  $effect(() => {
    void row;
    void column;
    if (opened)
      document.querySelector('td.at')?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  });
  /** The table as it is shown, in words. */
  const lines = () => [
    [ui.all.student, ui.all.instrument, ...columns.map((c) => matrix!.pieces[c]!.title)],
    ...rows.map((r) => {
      const s = matrix!.students[r]!;
      return [s.name, s.plays, ...columns.map((c) => words(matrix!.rows[r]![c]!))];
    })
  ];
  const names = (list: Schemas['NoteName'][]) => list.map((n) => n.shown).join(', ');
</script>

<svelte:head><title>{ui.people.playTitle(matrix ? `: ${matrix.title}` : '')}</title></svelte:head>

<div class="page">
  {#if problem}<Trouble text={problem} again={page.again} />{/if}
  {#if !matrix}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {:else}
    <h1>{ui.people.whoPlays(matrix.title)}</h1>
    <div class="how">
      <Select size="sm" labelText={ui.people.what} bind:selected={what}>
        <SelectItem value="assigned" text={ui.people.assigned} />
        <SelectItem value="shelf" text={ui.people.onShelf} />
      </Select>
      <Select size="sm" labelText={ui.people.order} bind:selected={order}>
        <SelectItem value="book" text={ui.people.asInBook} />
        <SelectItem value="blocked" text={ui.people.blocksMost} />
      </Select>
      <TakeAway name={ui.people.whoPlays(matrix.title)} rows={lines} />
    </div>
    {#if !matrix.students.length}
      <p>{ui.all.nobodyYet} <a href="/people">{ui.all.setUpStudents}</a>.</p>
    {:else if !matrix.pieces.length}
      <p>{ui.people.nothingAssigned} <a href="/shelf">{ui.app.shelf}</a>.</p>
    {:else}
      {#if matrix.blocks.length}
        <p class="blocks">
          {ui.people.inTheWay}
          {#each matrix.blocks as b, i (b.shown)}{i ? ' · ' : ''}<b>{b.shown}</b>
            {[
              b.newFor ? ui.people.newForMany(b.newFor) : '',
              b.otherOctave ? ui.people.otherOctaveMany(b.otherOctave) : ''
            ]
              .filter(Boolean)
              .join(', ')}
            <span class="quiet"
              >({ui.people.parts(b.parts)}{b.alone ? ui.people.aloneIn(b.alone) : ''})</span
            >{/each}
        </p>
      {/if}
      {#each matrix.next as n (n.piece.id)}
        <p class="blocks">
          {ui.people.nextForGroup} <b>{n.piece.title}</b>{ui.people.learn(
            n.one.length,
            n.one.join(', '),
            n.ready ? ui.people.readyMany(n.ready) : ''
          )}
        </p>
      {/each}
      <div class="two">
        <div class="scroll" role="region" aria-label={ui.people.theMatrix}>
          <table>
            <thead>
              <tr>
                <th scope="col" class="who"
                  ><span class="bx--visually-hidden">{ui.all.student}</span></th
                >
                {#each columns as c (c)}
                  {@const p = matrix.pieces[c]!}
                  <th scope="col" class="piece"
                    ><span title={p.title}>{p.number ? `${p.number}  ` : ''}{p.title}</span></th
                  >
                {/each}
              </tr>
            </thead>
            <tbody>
              {#each rows as r, n (r)}
                {@const s = matrix.students[r]!}
                <tr>
                  <th scope="row" class="who"
                    >{s.name} <span class="small quiet">{s.playsInside}</span></th
                  >
                  {#each columns as c, m (c)}
                    {@const x = matrix.rows[r]![c]!}
                    <td class={x.state} class:at={opened && n === row && m === column}>
                      <button
                        class="plain"
                        aria-label="{s.name}, {matrix.pieces[c]!.title}: {face(x)} {words(x)}"
                        onclick={() => open(n, m)}>{face(x)}</button
                      >
                    </td>
                  {/each}
                </tr>
              {/each}
            </tbody>
            <tfoot>
              <tr>
                <th scope="row" class="who quiet">{ui.people.canPlay}</th>
                {#each columns as c (c)}
                  <td class="sum"
                    >{matrix.rows.filter((r) => ready(r[c]!) || r[c]!.state === 'HARD').length}</td
                  >
                {/each}
              </tr>
            </tfoot>
          </table>
        </div>
        <aside aria-label={ui.people.why} aria-live="polite">
          {#if !opened}
            <p class="small">
              <b>●</b>
              {ui.people.canPlayDot} <b>◐</b>
              {ui.people.changeHard(matrix.stage)} <b>×</b>
              {ui.people.beyondHand}
            </p>
            <p class="small quiet screen">
              {ui.people.chooseCell} <kbd>←</kbd> <kbd>→</kbd> <kbd>↑</kbd> <kbd>↓</kbd>.
            </p>
          {:else}
            {@const s = matrix.students[rows[row]!]!}
            {@const p = matrix.pieces[columns[column]!]!}
            {@const x = matrix.rows[rows[row]!]![columns[column]!]!}
            <h2>{s.name}</h2>
            <p>{p.title}</p>
            <p class="verdict"><b>{words(x)}</b></p>
            {#if cell}
              {#if cell.simpler}<p>{ui.people.playsSimpler}</p>{/if}
              {#if cell.lacking.length}<p>
                  {ui.people.notYetColon} <b>{names(cell.lacking)}</b>
                </p>{/if}
              {#if cell.beyond.length}<p>{ui.people.beyondAre(names(cell.beyond))}</p>{/if}
              {#if cell.shaky.length}<p>{ui.people.shakyAre(names(cell.shaky))}</p>{/if}
              {#if cell.faded.length}<p>{ui.people.fadedAre(names(cell.faded))}</p>{/if}
              {#if cell.hard.length}
                <p>{ui.people.tooHard}</p>
                <ul>
                  {#each cell.hard as h (h.shown)}
                    <li>{ui.people.changeIn(h.shown, h.barNumber)}</li>
                  {/each}
                </ul>
              {/if}
              {#if cell.worth.length}
                <p>{ui.people.easierWith}</p>
                <ul>
                  {#each cell.worth as w (w.shown + w.label)}
                    <li>
                      {w.shown}
                      {w.label}, {ui.all.barsList(w.bars)}
                    </li>
                  {/each}
                </ul>
              {/if}
              <p class="links">
                <a href="/stand/{s.id}/{p.id}">{ui.people.toPart}</a>
                <a href="/ear/{s.id}/{p.id}">{ui.people.hearIt}</a>
              </p>
            {/if}
          {/if}
        </aside>
      </div>
    {/if}
  {/if}
</div>

<style>
  .how {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 1rem;
    margin: 1rem 0;
  }
  .how :global(.bx--form-item) {
    flex: 0 1 16rem;
  }
  .blocks {
    margin-bottom: 0.75rem;
  }
  .two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 15rem;
    gap: 1.5rem;
    align-items: start;
  }
  .scroll {
    overflow: auto;
    max-height: calc(100vh - 14rem);
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  table {
    border-collapse: separate;
    border-spacing: 0;
  }
  th,
  td {
    font-weight: 400;
    border-bottom: 1px solid var(--rule);
    padding: 0;
  }
  .who {
    position: sticky;
    left: 0;
    z-index: 1;
    background: var(--paper);
    text-align: left;
    padding: 0 0.75rem;
    white-space: nowrap;
    border-right: 1px solid var(--rule);
  }
  thead th {
    position: sticky;
    top: 0;
    z-index: 2;
    background: var(--paper);
    vertical-align: bottom;
  }
  thead .who {
    z-index: 3;
  }
  .piece {
    height: 9.5rem;
    min-width: 1.75rem;
    max-width: 1.75rem;
  }
  .piece span {
    display: block;
    writing-mode: vertical-rl;
    transform: rotate(180deg);
    max-height: 9rem;
    margin: 0 auto;
    padding: 0.375rem 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    font-size: 0.8125rem;
    line-height: 1.75rem;
  }
  td {
    text-align: center;
    min-width: 1.75rem;
  }
  td button {
    width: 100%;
    min-height: 1.625rem;
    text-align: center;
    font-variant-numeric: tabular-nums;
  }
  td.LACKS,
  td.BEYOND {
    background: color-mix(in srgb, var(--hard) 10%, transparent);
  }
  td.LACKS button,
  td.BEYOND button {
    font-weight: 600;
  }
  td.NONE {
    color: var(--ink-2);
  }
  td.at {
    outline: 2px solid var(--accent);
    outline-offset: -2px;
  }
  .sum {
    font-size: 0.8125rem;
    color: var(--ink-2);
    font-variant-numeric: tabular-nums;
    padding: 0.25rem 0;
  }
  aside {
    display: flex;
    flex-direction: column;
    gap: 0.5rem;
  }
  aside ul {
    margin: 0;
    padding-left: 1rem;
    list-style: disc;
  }
  .links {
    display: flex;
    gap: 1rem;
  }
  @media (max-width: 1000px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media print {
    .two {
      display: block;
    }
    .scroll {
      overflow: visible;
      max-height: none;
      width: max-content;
      border: 0;
      margin-bottom: 3mm;
    }
    .who,
    thead th {
      position: static;
    }
  }
</style>
