<!-- What each section is asked, on its staff: a note or all of them are moved by an octave. -->
<script lang="ts">
  import Staff from '../parts/Staff.svelte';
  import { key, move, octave, sections, type Item, type Row } from './asked';
  import { ui } from '../words/ui';

  let {
    rows,
    items,
    octaves = $bindable()
  }: {
    rows: Row[];
    items: Item[];
    /** octaves that were chosen instead, by student and item */
    octaves: Record<string, string>;
  } = $props();

  /** sections that are shown student by student */
  let alone = $state.raw<string[]>([]);
  /** notes that are chosen, by the first student of their row */
  let chosen = $state.raw<Record<number, number[]>>({});

  const groups = $derived(
    sections(rows, octaves).flatMap((s) =>
      alone.includes(s[0]!.student.instrument) ? s.map((r) => [r]) : [s]
    )
  );
  /** the items that stand on a staff, in a row of students who are asked the same */
  const placed = (r: Row) => r.cells.flatMap((c, i) => (c.asked && c.written ? [i] : []));
  const bySections = (s: Row[]) =>
    rows.filter((r) => r.student.instrument === s[0]!.student.instrument);

  function view(r: Row, i: number) {
    const c = r.cells[i]!;
    const now = octaves[key(r.student.id, i)] ?? c.written;
    const name = c.octaves.find((o) => o.written === now) ?? c.notes[0]!;
    const scale = c.notes.length > 1;
    return {
      pitch: now,
      name: name.shown + (scale ? '–' : ''),
      flag: c.beyond && now === c.written ? '!' : c.why === 'MOVED' && now === c.written ? '*' : ''
    };
  }
  const spot = (r: Row, at: number) => placed(r)[at]!;
  const picked = (r: Row) => chosen[r.student.id] ?? [];
  function choose(r: Row, at: number) {
    const i = spot(r, at);
    const before = picked(r);
    chosen = {
      ...chosen,
      [r.student.id]: before.includes(i) ? before.filter((x) => x !== i) : [...before, i]
    };
  }
  const shift = (s: Row[]) => (picked(s[0]!).length ? picked(s[0]!) : placed(s[0]!));
  const can = (s: Row[], by: 1 | -1) => shift(s).some((i) => octave(s[0]!, i, octaves, by));
  const apply = (s: Row[], by: 1 | -1) => (octaves = move(s, shift(s), octaves, by));

  /** What has to be said of a row. */
  function remarks(r: Row): string[] {
    const said: string[] = [];
    const of = (f: (i: number) => boolean) =>
      r.cells.flatMap((_, i) => (f(i) ? [items[i]?.words ?? ''] : [])).join(', ');
    const beyond = of((i) => r.cells[i]!.beyond && !octaves[key(r.student.id, i)]);
    if (beyond) said.push(ui.ear.beyond(beyond));
    const away = of((i) => r.cells[i]!.why === 'MOVED' && !octaves[key(r.student.id, i)]);
    if (away) said.push(ui.ear.moved(away));
    const none = of((i) => !r.cells[i]!.asked);
    if (none) said.push(ui.ear.notAsked(none));
    const other = r.cells
      .flatMap((c, i) =>
        c.asked && !c.written
          ? [`${items[i]?.words}: ${[...new Set(c.notes.map((n) => n.shown))].join(' ')}`]
          : []
      )
      .join('; ');
    if (other) said.push(other);
    return said;
  }
</script>

<div class="sections">
  {#each groups as s (s.map((r) => r.student.id).join())}
    {@const r = s[0]!}
    {@const spots = placed(r)}
    <article aria-label="{r.student.instrumentName}: {s.map((x) => x.student.name).join(', ')}">
      <div class="who">
        <b>{r.student.instrumentName}</b>
        <p class="small quiet">{s.map((x) => x.student.name).join(', ')}</p>
        {#if bySections(s).length > 1}
          <button
            class="plain link small"
            onclick={() =>
              (alone = alone.includes(r.student.instrument)
                ? alone.filter((x) => x !== r.student.instrument)
                : [...alone, r.student.instrument])}
            >{alone.includes(r.student.instrument) ? ui.ear.asSection : ui.ear.oneByOne}</button
          >
        {/if}
      </div>
      <div class="music">
        {#if spots.length}
          <div class="scroll">
            <Staff
              notes={spots.map((i) => view(r, i))}
              clef={r.clef}
              label={ui.ear.onPage(
                r.student.instrumentName,
                spots.map((i) => view(r, i).name).join(' ')
              )}
              chosen={picked(r).map((i) => spots.indexOf(i))}
              onchoose={(at) => choose(r, at)}
            />
          </div>
        {/if}
        {#each remarks(r) as t (t)}<p class="small quiet">{t}</p>{/each}
      </div>
      {#if spots.length}
        <div class="move">
          <button class="step" disabled={!can(s, 1)} onclick={() => apply(s, 1)}
            >{ui.ear.octaveUp}<span class="bx--visually-hidden">, {r.student.instrumentName}</span
            ></button
          >
          <button class="step" disabled={!can(s, -1)} onclick={() => apply(s, -1)}
            >{ui.ear.octaveDown}<span class="bx--visually-hidden">, {r.student.instrumentName}</span
            ></button
          >
        </div>
      {/if}
    </article>
  {/each}
</div>
<p class="small quiet">
  {ui.ear.eachSection}
</p>

<style>
  .sections {
    border: 1px solid var(--rule);
    background: var(--paper);
    margin-bottom: 0.5rem;
  }
  article {
    display: grid;
    grid-template-columns: 8.5rem minmax(0, 1fr) auto;
    gap: 1rem;
    align-items: center;
    padding: 0.125rem 1rem 0.25rem;
  }
  article + article {
    border-top: 1px solid var(--rule);
  }
  .scroll {
    overflow-x: auto;
  }
  .music {
    min-width: 0;
  }
  .move {
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
  }
  .step {
    font: inherit;
    font-size: 0.8125rem;
    min-height: 2rem;
    padding: 0 0.75rem;
    color: var(--accent);
    background: var(--paper);
    border: 1px solid var(--rule);
    border-radius: 4px;
    cursor: pointer;
  }
  .step:disabled {
    color: var(--ink-2);
    opacity: 0.5;
    cursor: default;
  }
  @media (pointer: coarse) {
    .step {
      min-height: 2.75rem;
    }
  }
</style>
