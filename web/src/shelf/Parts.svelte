<!-- What is given, and the part each of them gets: fingered, explained, to print or to save. -->
<script lang="ts">
  import {
    Button,
    InlineNotification,
    ProgressBar,
    Select,
    SelectItem,
    SkeletonText
  } from 'carbon-components-svelte';
  import { onDestroy, tick, untrack } from 'svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { warmUp } from '../engrave/engrave';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import Mark from '../parts/Mark.svelte';
  import Menu from '../parts/Menu.svelte';
  import Removal from '../parts/Removal.svelte';
  import SaveMusic from '../parts/SaveMusic.svelte';
  import Sought from '../parts/Sought.svelte';
  import TakeBackMany from '../parts/TakeBackMany.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import PageSize from '../paper/PageSize.svelte';
  import Sheet from '../paper/Sheet.svelte';
  import { printable, unattended } from '../paper/settings.svelte';
  import SheetSettings from '../paper/SheetSettings.svelte';
  import { MARKS, type Stage } from '../words/standing';
  import { matches } from '../lib/find';
  import { Kept } from '../lib/kept.svelte';
  import { sheet } from '../words/language';
  import { asSheet, asStand, standOf } from '../drums/drums';
  import { ui } from '../words/ui';

  const id = $derived(Number(route.params.assignment));
  const page = loaded<Schemas['AssignmentView']>();
  const given = $derived(page.value);
  let failed = $state('');
  const changes = door();
  let batches = $state<{ again: () => void }>();
  const problem = $derived(failed || page.problem);
  let said = $state('');
  let taken = $state(false);
  let removing = $state(false);
  let below = $state<Stage>('SCHOOL');
  /** parts that are shown on the page, as they come */
  let parts = $state.raw<[Schemas['StandView'], Schemas['SheetView']][]>([]);
  let showing = $state(false);
  let drawn = $state(0);
  let wanted: (() => void) | undefined;

  $effect(() => {
    const assignment = id;
    untrack(() => {
      changes.next();
      said = '';
      void load(assignment);
    });
  });

  function load(assignment: number) {
    failed = '';
    taken = false;
    return page.ask(
      () => asked(api.GET('/api/assignments/{id}', { params: { path: { id: assignment } } })),
      () => untrack(() => (showing || unattended) && void show())
    );
  }

  const lacking = $derived(given?.parts.filter((p) => p.state === 'LACKS' && !p.simpler) ?? []);

  /** how the list is looked through; what is printed is all of it */
  const order = new Kept<'section' | 'name' | 'stuck'>('parts-order', 'section');
  let typed = $state('');
  type PartRow = NonNullable<typeof given>['parts'][number];
  /** what is in the way weighs most */
  const WAY = ['ODD', 'NONE', 'LACKS', 'HARD', 'SHAKY', 'FADED', 'READY', 'DRUMS'];
  /** who reads rhythm and sticking stands in the list as everyone does */
  const drums = $derived(
    (given?.drums ?? []).map((d): PartRow => ({
      student: d.student,
      state: 'DRUMS',
      sentence: d.sentence,
      lacking: [],
      simpler: false,
      unusual: [],
      practice: ''
    }))
  );
  const sheets = $derived((given?.parts.length ?? 0) + drums.length);
  const listed = $derived.by(() => {
    const found = [...(given?.parts ?? []), ...drums].filter((p) =>
      matches(typed, p.student.name, p.student.plays)
    );
    if (order.value === 'section') {
      const by = new Map<string, PartRow[]>();
      for (const p of found) {
        const name = p.student.plays;
        by.set(name, [...(by.get(name) ?? []), p]);
      }
      return [...by].map(([heading, parts]) => ({ heading, parts }));
    }
    const parts = [...found].sort(
      (a, b) =>
        (order.value === 'stuck' ? WAY.indexOf(a.state) - WAY.indexOf(b.state) : 0) ||
        a.student.name.localeCompare(b.student.name)
    );
    return parts.length ? [{ heading: '', parts }] : [];
  });

  /** where everyone plays alone, the instrument beside the name says it */
  const headed = $derived(listed.length > 1 && listed.some((l) => l.parts.length > 1));

  function part(studentId: number, pieceId: number) {
    const path = { studentId, pieceId };
    // each in the language that the student reads, unless one was chosen for all
    const headers: Record<string, string> = sheet.language ? {} : { 'Sempre-Sheet': 'yes' };
    return Promise.all([
      asked(api.GET('/api/stand/{studentId}/{pieceId}', { params: { path }, headers })),
      asked(
        api.GET('/api/stand/{studentId}/{pieceId}/sheet', {
          params: { path, query: { assignment: id } },
          headers
        })
      )
    ]);
  }
  async function drumPart(studentId: number, pieceId: number) {
    const headers: Record<string, string> = sheet.language ? {} : { 'Sempre-Sheet': 'yes' };
    const path = { studentId, pieceId };
    const view = await asked(
      api.GET('/api/drums/{studentId}/{pieceId}', { params: { path }, headers })
    );
    return [asStand(view), asSheet(view)] satisfies [unknown, unknown];
  }
  let turn = 0;
  onDestroy(() => {
    turn++;
    delete document.documentElement.dataset.printable;
  });
  if (unattended) {
    printable(false);
    warmUp();
  }
  /** Fetches everyone's part, one after another, so that the first is there at once. */
  async function show() {
    if (!given) return;
    const mine = ++turn;
    showing = true;
    printable(false);
    stands.clear();
    drawn = 0;
    parts = [];
    try {
      for (const p of given.parts) {
        const one = await part(p.student.id, given.piece.id);
        if (mine !== turn) return;
        parts = [...parts, one];
      }
      for (const d of drums) {
        const one = await drumPart(d.student.id, given.piece.id);
        if (mine !== turn) return;
        parts = [...parts, one];
      }
      printable(drawn >= sheets);
    } catch (e) {
      failed = sentence(e);
    }
  }
  /** whose sheets stand there as they will be printed */
  const stands = new Set<number>();
  function ready(student: number, is: boolean) {
    if (is) stands.add(student);
    else stands.delete(student);
    drawn = stands.size;
    printable(!!given && drawn >= sheets);
    if (given && drawn >= sheets) wanted?.();
  }
  async function print() {
    if (!given) return;
    if (!showing || drawn < sheets) {
      const all = new Promise<void>((done) => (wanted = done));
      if (!showing) await show();
      if (drawn < sheets) await all;
    }
    await tick();
    window.print();
  }

  function lock(locked: boolean) {
    const params = { path: { id } };
    return changes.change(
      () => asked(api.PUT('/api/assignments/{id}/locked', { params, body: { locked } })),
      (answer) => {
        page.put(answer);
        said = locked ? ui.shelf.locked : ui.shelf.planned;
        if (showing) void show();
      }
    );
  }
  async function simpler() {
    if (!given) return;
    const path = { groupId: given.groupId, pieceId: given.piece.id };
    await changes.once(
      () =>
        asked(
          api.POST('/api/groups/{groupId}/simpler/{pieceId}', { params: { path }, body: { below } })
        ),
      async (made) => {
        said = made.length ? ui.shelf.simplerMade(made.length) : ui.shelf.simplerNone;
        batches?.again();
        await load(id);
      }
    );
  }
  function putBack() {
    const path = { kind: 'ASSIGNMENT' as const, id };
    return changes.once(
      () => asked(api.DELETE('/api/removals/{kind}/{id}', { params: { path } })),
      async () => {
        await load(path.id);
        said = ui.shelf.givenAgain;
      }
    );
  }

  pageKeys(ui.today.allParts, [
    {
      on: ['p', 'v'],
      words: ui.keys.printParts,
      when: () => !!given && !taken && !removing,
      act: (key) => void (key === 'p' ? print() : showing ? (showing = false) : show())
    }
  ]);
</script>

<svelte:head
  ><title>{ui.shelf.partsTitle(given ? `${given.piece.title}, ` : '')}</title></svelte:head
>

<PageSize />

<div class="page">
  {#if problem}<Trouble text={problem} again={() => load(id)} />{/if}
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
  {#if !given}
    {#if !problem}<SkeletonText heading /><SkeletonText paragraph lines={8} />{/if}
  {:else if taken}
    <h1>{given.piece.title}</h1>
    <InlineNotification
      kind="info"
      hideCloseButton
      title={ui.shelf.isGone}
      subtitle={ui.shelf.notGiven(given.givenTo)}
    />
    <Button size="small" kind="tertiary" on:click={putBack}>{ui.all.putBack}</Button>
  {:else}
    <header class="screen">
      <div>
        <h1>{given.piece.title}</h1>
        <p>
          {[ui.shelf.givenTo(given.givenTo), given.dueWords, given.what, given.piece.source]
            .filter(Boolean)
            .join(' · ')}
        </p>
        {#if given.message}<p class="sentence">{given.message}</p>{/if}
      </div>
      <div class="do">
        <Button size="small" on:click={print}>{ui.shelf.printAll} <kbd>p</kbd></Button>
        <button class="plain link" onclick={() => (showing ? (showing = false) : show())}
          >{showing ? ui.shelf.hideParts : ui.shelf.seeParts} <kbd>v</kbd></button
        >
        <a href="/parts/{given.id}/bits">{ui.practice.paper}</a>
        <Menu label={ui.music.save}>
          <SaveMusic
            part="/api/assignments/{given.id}/parts.zip"
            everyone="/api/assignments/{given.id}/score.musicxml"
          />
        </Menu>
        <button class="plain link" onclick={() => (removing = true)}>{ui.shelf.removeDots}</button>
      </div>
    </header>
    <div class="ways screen">
      <Select
        size="sm"
        labelText={ui.shelf.fingerings}
        selected={given.locked ? 'locked' : 'planned'}
        on:change={(e) => lock((e.target as HTMLSelectElement).value === 'locked')}
      >
        <SelectItem value="planned" text={ui.shelf.plannedEach} />
        <SelectItem value="locked" text={ui.shelf.lockedNow} />
      </Select>
      {#if given.groupId && lacking.length}
        <Select size="sm" labelText={ui.shelf.simplerFor} bind:selected={below}>
          <SelectItem value="FIRST_YEARS" text={ui.shelf.inFirstYears} />
          <SelectItem value="SCHOOL" text={ui.shelf.atSchool} />
          <SelectItem value="ADVANCED" text={ui.shelf.whoAdvanced} />
        </Select>
        <Button size="small" kind="tertiary" on:click={simpler}>{ui.shelf.makeThem}</Button>
      {/if}
    </div>
    <div class="screen settings"><SheetSettings /></div>
    <p role="status" class="screen said">{said}</p>
    {#if given.groupId}
      <TakeBackMany
        bind:this={batches}
        kind="SIMPLER"
        group={given.groupId}
        piece={given.piece.id}
        ondone={(words) => {
          said = words;
          void load(id);
        }}
      />
    {/if}
    {#if sheets > 5}
      <Sought
        find={ui.shelf.findPart}
        bind:typed
        by={ui.people.listBy}
        orders={ui.shelf.partOrders}
        bind:order={order.value}
      />
    {/if}
    <table class="screen rows sheet stack">
      <thead>
        <tr>
          <th scope="col">{ui.shelf.player}</th>
          <th scope="col">{ui.shelf.howStands}</th>
          <th scope="col">{ui.shelf.toKnow}</th>
          <th scope="col">{ui.shelf.part}</th>
        </tr>
      </thead>
      <tbody>
        {#each listed as section (section.heading)}
          {#if headed}
            <tr class="section"><th scope="rowgroup" colspan="4">{section.heading}</th></tr>
          {/if}
          {#each section.parts as p (p.student.id)}
            <tr>
              <th scope="row">
                <a href="/people/{p.student.id}">{p.student.name}</a>
                {#if !headed}<span class="quiet small">{p.student.plays}</span>{/if}
              </th>
              <td class="how">
                <div>
                  {#if MARKS[p.state]}<Mark state={MARKS[p.state]!} label={false} />{/if}
                  <span>{p.sentence}</span>
                </div>
                {#if p.practice}
                  <a class="small" href="/practice/{p.student.id}/{given.piece.id}">{p.practice}</a>
                {/if}
              </td>
              <td class="small">{p.unusual.map((u) => `${u.shown} ${u.label}`).join(' · ')}</td>
              <td class="links">
                <a href={standOf(p.student, given.piece.id)}>{ui.shelf.onStand}</a>
                {#if p.simpler}
                  <a href="/simpler/{p.student.id}/{given.piece.id}"
                    ><b>{ui.shelf.simplerLink}</b></a
                  >
                {:else if p.state === 'LACKS'}
                  <a href="/simpler/{p.student.id}/{given.piece.id}">{ui.shelf.makeSimpler}</a>
                {/if}
              </td>
            </tr>
          {/each}
        {:else}
          <tr
            ><td colspan="4"
              >{#if sheets}{ui.people.nobodySo}{:else}{ui.shelf.nobodyPart}
                <a href="/people">{ui.all.setUpStudents}</a>.{/if}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
    {#each given.without as w (w)}
      <p class="small quiet screen">{w}</p>
    {/each}
    {#if showing}
      {#if drawn < sheets}
        <div class="screen progress">
          <ProgressBar
            labelText={ui.shelf.engraving(drawn, sheets)}
            value={drawn}
            max={sheets}
            size="sm"
          />
        </div>
      {/if}
      {#each parts as [view, told] (view.student.id)}
        {@const mine = view.given.find((g) => g.assignmentId === given.id)}
        <Sheet
          {view}
          sheet={told}
          due={given.due}
          message={given.message}
          what={mine?.what ?? given.what}
          bars={mine && (mine.from > 0 || mine.to < view.bars.length - 1)
            ? [mine.from, mine.to]
            : undefined}
          onready={(is) => ready(view.student.id, is)}
        />
      {/each}
    {/if}
  {/if}
</div>

{#if removing && given}
  <Removal
    kind="ASSIGNMENT"
    {id}
    name={ui.shelf.pieceFor(given.piece.title, given.givenTo)}
    more={ui.shelf.heardStays}
    onclose={() => (removing = false)}
    ondone={() => {
      removing = false;
      taken = true;
      said = '';
    }}
  />
{/if}

<style>
  header {
    display: flex;
    justify-content: space-between;
    gap: 1rem 2rem;
    flex-wrap: wrap;
  }
  .do {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1.25rem;
    align-items: center;
  }
  .sentence {
    font-style: italic;
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem 1rem;
    align-items: flex-end;
    margin-top: 1rem;
  }
  .ways :global(.bx--form-item) {
    flex: 0 1 24rem;
  }
  .settings {
    margin-top: 0.75rem;
  }
  .said:not(:empty) {
    margin-top: 0.5rem;
    font-weight: 600;
  }
  table {
    margin-top: 1rem;
  }
  tbody th a {
    font-weight: 600;
    color: var(--ink);
  }
  .how div {
    display: flex;
    gap: 0.5rem;
    align-items: baseline;
  }
  .how :global(svg) {
    transform: translateY(2px);
  }
  tbody th {
    width: 14rem;
  }
  .section th {
    padding-block: 0.5rem 0.125rem;
    border-bottom: 0;
    width: auto;
    color: var(--ink-2);
    font-weight: 600;
  }
  .links {
    white-space: nowrap;
  }
  @media (max-width: 700px) {
    tbody th,
    .section th {
      width: auto;
    }
  }
  .links a + a {
    margin-left: 0.75rem;
  }
  .progress {
    margin: 1rem 0;
  }
  @media print {
    .screen {
      display: none !important;
    }
  }
</style>
