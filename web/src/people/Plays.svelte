<!-- What a whole group plays already: up to a note, or chosen note by note, section by section. -->
<script lang="ts">
  import { Button, Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import TakeBackMany from '../parts/TakeBackMany.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { steps as stepsOf, scaleOf } from './steps';
  import { ui } from '../words/ui';

  const group = $derived(Number(route.params.group));
  const page = loaded<Schemas['PlaysView']>();
  const sections = $derived(page.value?.sections ?? []);
  /** notes that are chosen, by instrument */
  let chosen = $state.raw<Record<string, string[]>>({});
  let steps = $state('');
  let said = $state('');
  const changes = door();
  let batches = $state<{ again: () => void }>();

  const load = (id: number) =>
    page.ask(() =>
      asked(api.GET('/api/groups/{groupId}/plays', { params: { path: { groupId: id } } }))
    );
  $effect(() => {
    const id = group;
    untrack(() => {
      changes.next();
      chosen = {};
      from = {};
      to = {};
      book = first = last = '';
      played.put(undefined);
      said = '';
      void load(id);
    });
  });

  type Section = Schemas['PlaysSection'];
  /** from which note and up to which, by instrument */
  let from = $state<Record<string, string>>({});
  let to = $state<Record<string, string>>({});
  /** a tonic so far below the first years' lowest note, in half steps, still begins the scale */
  const BELOW = 2;
  /**
   * Where a section begins unless it is said: by a scale at its first tonic, else at the lowest note
   * of the first years.
   */
  function begins(s: Section): string {
    const low = Math.max(
      0,
      s.notes.findIndex((n) => n.stage === 'FIRST_YEARS')
    );
    const tonic = scaleOf(steps)[0];
    const at = s.notes.findIndex((n, i) => i >= low - BELOW && n.sound === tonic);
    return s.notes[at < 0 ? low : at]?.written ?? '';
  }
  /** From one note up to another, by the steps that are chosen. */
  function range(s: Section) {
    const scale = scaleOf(steps);
    const at = (written: string) => s.notes.findIndex((n) => n.written === written);
    const up = at(to[s.instrument] ?? '');
    if (up < 0) return;
    const low = at(from[s.instrument] || begins(s));
    chosen = {
      ...chosen,
      [s.instrument]: s.notes
        .slice(Math.min(low, up), Math.max(low, up) + 1)
        .filter((n) => !scale.length || scale.includes(n.sound))
        .map((n) => n.written)
    };
  }
  const shelf = loaded<Schemas['ShelfPiece'][]>();
  $effect(() => void shelf.ask(() => asked(api.GET('/api/pieces'))));
  const books = $derived(
    [...new Set((shelf.value ?? []).map((p) => p.piece.book))].filter((b) => b)
  );
  let book = $state('');
  let first = $state('');
  let last = $state('');
  const ofBook = $derived((shelf.value ?? []).filter((p) => p.piece.book === book));
  const played = loaded<Schemas['BookNotes'][]>();
  /** Ticks what the book has brought each section between two numbers. */
  function byBook() {
    const ids = ofBook.map((p) => String(p.piece.id));
    const [a, b] = [ids.indexOf(first), ids.indexOf(last)];
    const piece = ids.slice(Math.min(a, b), Math.max(a, b) + 1).map(Number);
    if (a < 0 || b < 0) return;
    const groupId = group;
    void played.ask(
      () =>
        asked(
          api.GET('/api/groups/{groupId}/plays/pieces', {
            params: { path: { groupId }, query: { piece } }
          })
        ),
      (all) => {
        const next = { ...chosen };
        for (const s of sections) {
          const notes = all.find((x) => x.instrument === s.instrument)?.notes ?? [];
          const lacking = s.notes.filter((n) => n.has < s.students.length).map((n) => n.written);
          next[s.instrument] = [
            ...new Set([...(next[s.instrument] ?? []), ...notes.filter((n) => lacking.includes(n))])
          ];
        }
        chosen = next;
        said = ui.people.ticked(piece.length);
      }
    );
  }
  function toggle(s: Section, written: string) {
    const now = chosen[s.instrument] ?? [];
    chosen = {
      ...chosen,
      [s.instrument]: now.includes(written) ? now.filter((n) => n !== written) : [...now, written]
    };
  }
  /** what is not there yet of what is chosen, over all students */
  const many = $derived(
    sections.reduce(
      (sum, s) =>
        sum +
        s.notes
          .filter((n) => chosen[s.instrument]?.includes(n.written))
          .reduce((k, n) => k + s.students.length - n.has, 0),
      0
    )
  );

  function save() {
    const groupId = group;
    const wanted = sections
      .filter((s) => chosen[s.instrument]?.length)
      .map((s) => ({ instrument: s.instrument, notes: chosen[s.instrument]! }));
    return changes.once(
      () =>
        asked(
          api.POST('/api/groups/{groupId}/plays', {
            params: { path: { groupId } },
            body: { sections: wanted }
          })
        ),
      async ({ marks, students }) => {
        said = marks ? ui.people.playsDone(marks, students) : ui.people.allThere;
        chosen = {};
        batches?.again();
        await load(groupId);
      }
    );
  }
</script>

<svelte:head
  ><title>{ui.people.playsTitle(page.value ? `: ${page.value.group}` : '')}</title></svelte:head
>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if !page.value}
    {#if !page.problem}<SkeletonText heading /><SkeletonText paragraph lines={8} />{/if}
  {:else}
    <h1>{ui.people.playsHeading(page.value.group)}</h1>
    <p class="quiet">
      {ui.people.playsIntro}
    </p>
    {#if books.length}
      <div class="how book">
        <Select
          size="sm"
          labelText={ui.people.byBook}
          selected={book}
          on:change={(e) => {
            book = String((e.target as HTMLSelectElement).value);
            first = String(ofBook[0]?.piece.id ?? '');
            last = '';
          }}
        >
          <SelectItem value="" text={ui.people.chooseBook} />
          {#each books as b (b)}<SelectItem value={b} text={b} />{/each}
        </Select>
        {#if book}
          <Select size="sm" labelText={ui.people.fromNote} bind:selected={first}>
            {#each ofBook as p (p.piece.id)}
              <SelectItem value={String(p.piece.id)} text="{p.piece.number} {p.piece.title}" />
            {/each}
          </Select>
          <Select size="sm" labelText={ui.people.upTo} bind:selected={last}>
            <SelectItem value="" text={ui.people.chooseNumber} />
            {#each ofBook as p (p.piece.id)}
              <SelectItem value={String(p.piece.id)} text="{p.piece.number} {p.piece.title}" />
            {/each}
          </Select>
          <Button size="small" kind="tertiary" disabled={!first || !last} on:click={byBook}
            >{ui.people.tickNotes}</Button
          >
        {/if}
      </div>
      {#if played.problem}<Trouble text={played.problem} again={played.again} />{/if}
    {/if}
    <div class="how">
      <Select size="sm" labelText={ui.people.upToSteps} bind:selected={steps}>
        {#each stepsOf() as [value, words] (value)}<SelectItem {value} text={words} />{/each}
      </Select>
      <Button size="small" disabled={!many || changes.busy} on:click={save}
        >{ui.people.writeDown(many)}</Button
      >
      <p role="status">
        {said}
      </p>
    </div>
    {#if changes.problem}<Trouble text={changes.problem} />{/if}
    <TakeBackMany
      bind:this={batches}
      kind="PLAYS"
      {group}
      ondone={(words) => {
        said = words;
        void load(group);
      }}
    />
    {#each sections as s (s.instrument)}
      <section aria-label={s.name}>
        <div class="who">
          <h2>{s.name}</h2>
          <p class="small quiet">{s.students.map((x) => x.name).join(', ')}</p>
          <div class="range">
            <Select
              size="sm"
              labelText={ui.people.fromNote}
              selected={from[s.instrument] || begins(s)}
              on:change={(e) => {
                from[s.instrument] = String((e.target as HTMLSelectElement).value);
                range(s);
              }}
            >
              {#each s.notes.filter((n) => n.stage !== 'BEYOND') as n (n.written)}
                <SelectItem value={n.written} text={n.shown} />
              {/each}
            </Select>
            <Select
              size="sm"
              labelText={ui.people.upTo}
              selected={to[s.instrument] ?? ''}
              on:change={(e) => {
                to[s.instrument] = String((e.target as HTMLSelectElement).value);
                range(s);
              }}
            >
              <SelectItem value="" text={ui.people.chooseNote} />
              {#each s.notes.filter((n) => n.stage !== 'BEYOND') as n (n.written)}
                <SelectItem value={n.written} text={n.shown} />
              {/each}
            </Select>
          </div>
        </div>
        <div class="notes">
          {#each s.notes.filter((n) => n.stage !== 'BEYOND') as n (n.written)}
            {@const all = n.has === s.students.length}
            <button
              class="note {n.stage}"
              aria-pressed={chosen[s.instrument]?.includes(n.written) ?? false}
              disabled={all}
              title={all
                ? ui.people.there
                : n.has
                  ? ui.people.haveIt(n.has, s.students.length)
                  : undefined}
              onclick={() => toggle(s, n.written)}
              >{n.shown}{#if n.has}<span
                  class="has"
                  aria-label={all ? ui.people.there : ui.people.haveIt(n.has, s.students.length)}
                  >{all ? '●' : '◐'}</span
                >{/if}</button
            >
          {/each}
        </div>
      </section>
    {:else}
      <p>{ui.all.nobodyYet} <a href="/people">{ui.all.setUpStudents}</a>.</p>
    {/each}
    <p class="small quiet">
      {ui.people.playsLegend}
    </p>
  {/if}
</div>

<style>
  .how {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem;
    align-items: flex-end;
    margin: 1rem 0;
  }
  .how :global(.bx--form-item) {
    flex: 0 0 16rem;
  }
  section {
    display: grid;
    grid-template-columns: 17rem minmax(0, 1fr);
    gap: 1.5rem;
    align-items: start;
    padding: 0.75rem 1rem;
    margin-top: -1px;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .who {
    display: grid;
    gap: 0.25rem;
  }
  .range {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem;
  }
  .notes {
    display: flex;
    flex-wrap: wrap;
    gap: 0.375rem;
  }
  .note {
    font: inherit;
    color: var(--ink);
    min-width: 3.25rem;
    min-height: 2.25rem;
    padding: 0 0.375rem;
    background: var(--paper);
    border: 1px solid var(--rule);
    border-radius: 4px;
    cursor: pointer;
  }
  .note.FIRST_YEARS {
    border-bottom: 3px solid var(--ink-2);
  }
  .note[aria-pressed='true'] {
    background: var(--accent);
    color: var(--paper);
    border-color: var(--accent);
  }
  .note:disabled {
    color: var(--ink-2);
    cursor: default;
    background: var(--desk);
  }
  .has {
    margin-left: 0.25rem;
    font-size: 0.6875rem;
  }
  @media (pointer: coarse) {
    .note {
      min-height: 2.75rem;
    }
  }
  @media (max-width: 700px) {
    section {
      grid-template-columns: 1fr;
    }
  }
</style>
