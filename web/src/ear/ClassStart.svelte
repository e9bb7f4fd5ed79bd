<!-- What a whole group is asked in a playing check, seen on each section's staff before it begins. -->
<script lang="ts">
  import { Button, Select, SelectItem, SkeletonText, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import { alone, asAlone, read, shown, text, tonics, typeable, words } from '../lib/pitch';
  import Trouble from '../parts/Trouble.svelte';
  import { visit, route } from '../router';
  import { ways } from '../ways.svelte';
  import Asked from './Asked.svelte';
  import { moved, type Item } from './asked';
  import { ui } from '../words/ui';

  const group = $derived(Number(route.params.group));
  interface Page {
    people: Schemas['PeopleView'];
    checks: Schemas['ClassCheckRef'][];
    suggested: Schemas['SuggestedView'][];
    pieces: Schemas['ShelfPiece'][];
  }
  const page = loaded<Page>();
  const look = loaded<Schemas['AskedRow'][]>();
  const tables = loaded<Schemas['TableView']>();
  let items = $state.raw<Item[]>([]);
  /** octaves that were chosen, by student and item */
  let octaves = $state.raw<Record<string, string>>({});
  let problem = $state('');
  const changes = door();

  let sounds = $state('');
  let tonic = $state('Bb');
  let mode = $state('MAJOR');
  let piece = $state('');
  let bars = $state('');
  let instrument = $state('');
  let note = $state('');
  let way = $state('');

  $effect(() => {
    const groupId = group;
    untrack(() => {
      items = [];
      octaves = {};
      look.put(undefined);
      const params = { path: { groupId } };
      void page.ask(async () => {
        const [people, checks, suggested, pieces] = await Promise.all([
          asked(api.GET('/api/people')),
          asked(api.GET('/api/groups/{groupId}/checks', { params })),
          asked(api.GET('/api/groups/{groupId}/checks/suggested', { params })),
          asked(api.GET('/api/pieces'))
        ]);
        return { people, checks, suggested, pieces };
      });
    });
  });

  const here = $derived(page.value?.people.groups.find((g) => g.id === group));
  const played = $derived([
    ...new Map(
      (page.value?.people.students ?? [])
        .filter((s) => s.groups.includes(group))
        .map((s) => [s.instrument, s.instrumentName] as const)
    )
  ]);
  const table = $derived(tables.value);
  const chosen = $derived(table?.notes.find((n) => n.written === note));
  const body = (list: Item[]) =>
    list.map(({ kind, what, pieceId, row }) => ({ kind, what, pieceId, row }));

  /** Another list is asked: seen anew on the staffs, in the octaves of the rule. */
  function ask(list: Item[]) {
    problem = '';
    items = list;
    octaves = {};
    if (!list.length) {
      look.put(undefined);
      return;
    }
    void look.ask(() =>
      asked(
        api.POST('/api/groups/{groupId}/checks/look', {
          params: { path: { groupId: group } },
          body: { items: body(list), asked: [] }
        })
      )
    );
  }
  const has = (i: { kind: string; what: string; pieceId: number }) =>
    items.find((x) => !x.row && x.kind === i.kind && x.what === i.what && x.pieceId === i.pieceId);
  function toggle(i: Item) {
    const there = has(i);
    ask(there ? items.filter((x) => x !== there) : [...items, i]);
  }
  const add = (i: Item) => has(i) || ask([...items, i]);

  /** B♭ C D, as they sound; notes that are typed together stay a row. */
  function addSounds(e: SubmitEvent) {
    e.preventDefault();
    const typed = words(sounds);
    const names = typed.map((t) => read(t, ways.naming));
    const wrong = typed.find((_, i) => !names[i]);
    if (!typed.length || wrong) {
      problem = wrong
        ? ui.ear.noNote(
            wrong,
            ['Bb', 'C', 'F#'].map((n) => typeable(read(n)!, ways.naming)).join(', '),
            shown({ letter: 'B', alter: -1, octave: 3 }, ways.naming)
          )
        : ui.ear.writePitches(['Bb', 'C', 'D'].map(named).join(' '));
      return;
    }
    const row = names.length > 1 ? Math.max(0, ...items.map((i) => i.row)) + 1 : 0;
    const more = names.map((n) => ({
      kind: 'SOUND' as const,
      what: text(n!),
      pieceId: 0,
      row,
      words: shown(n!, ways.naming)
    }));
    if (!row && has(more[0]!)) problem = ui.ear.askedAlready(more[0]!.words);
    else ask([...items, ...more]);
    sounds = '';
  }
  function addScale(e: SubmitEvent) {
    e.preventDefault();
    const which = { MAJOR: ui.ear.major, MINOR: ui.ear.minor, CHROMATIC: ui.ear.chromatic }[mode];
    add({
      kind: 'SCALE',
      what: `${tonic} ${mode}`,
      pieceId: 0,
      row: 0,
      words: `${named(tonic)} ${which}`
    });
  }
  function addBars(e: SubmitEvent) {
    e.preventDefault();
    const p = page.value?.pieces.find((x) => String(x.piece.id) === piece);
    if (!p || !/^\d+(\s*-\s*\d+)?$/.test(bars.trim())) {
      problem = p ? ui.ear.writeBars : ui.ear.choosePiece;
      return;
    }
    add({
      kind: 'BARS',
      what: bars.trim(),
      pieceId: p.piece.id,
      row: 0,
      words: `${p.piece.title}, ${bars.includes('-') ? ui.all.barsWord : ui.all.barWord} ${bars.trim()}`
    });
  }
  function addWay(e: SubmitEvent) {
    e.preventDefault();
    const w = chosen?.ways.find((x) => x.fingering === way);
    if (!chosen || !w) {
      problem = ui.ear.chooseFingering;
      return;
    }
    add({
      kind: 'FINGERING',
      what: `${instrument} ${chosen.written} ${w.fingering}`,
      pieceId: 0,
      row: 0,
      words: `${chosen.shown} ${w.label}`
    });
  }
  function tableOf(id: string) {
    instrument = id;
    note = '';
    way = '';
    tables.put(undefined);
    if (id)
      void tables.ask(() =>
        asked(api.GET('/api/notes/{instrument}', { params: { path: { instrument: id } } }))
      );
  }

  function begin() {
    const params = { path: { groupId: group } };
    const wanted = { items: body(items), asked: moved(look.value ?? [], octaves) };
    return changes.once(
      () => asked(api.POST('/api/groups/{groupId}/checks', { params, body: wanted })),
      ({ id }) => void visit(`/ear/check/${id}`)
    );
  }

  const keys = $derived(
    mode === 'CHROMATIC' ? alone(ways.now.chromatic) : tonics(ways.now.chromatic, mode === 'MINOR')
  );
  /** the same key in another mode may have another name */
  $effect(() => {
    if (!keys.includes(tonic)) tonic = keys[alone('flats').indexOf(asAlone(tonic, 'flats'))]!;
  });
  const named = (p: string) => shown(read(p)!, ways.naming);
</script>

<svelte:head><title>{ui.ear.title(here ? `: ${here.name}` : '')}</title></svelte:head>

<div class="page">
  {#if !page.value}
    {#if page.problem}<Trouble text={page.problem} again={page.again} />{:else}
      <SkeletonText heading /><SkeletonText paragraph lines={6} />
    {/if}
  {:else}
    <h1>{ui.ear.heading(here?.name ?? ui.ear.thisGroup)}</h1>
    <div class="two">
      <div class="choose">
        {#if page.value.suggested.length}
          <section aria-label={ui.all.neededNext}>
            <h2>{ui.all.neededNext}</h2>
            <div class="chips">
              {#each page.value.suggested as s (s.what)}
                {@const item = {
                  kind: s.kind,
                  what: s.what,
                  pieceId: 0,
                  row: 0,
                  words: ui.ear.neededNote(s.shown)
                }}
                <button class="chip" aria-pressed={!!has(item)} onclick={() => toggle(item)}
                  ><b>{s.shown}</b> <span class="small">{s.why}</span></button
                >
              {/each}
            </div>
          </section>
        {/if}
        <form onsubmit={addSounds}>
          <TextInput
            size="sm"
            labelText={ui.ear.concertPitches}
            placeholder={['Bb', 'C', 'D', 'Eb', 'F'].map(named).join(' ')}
            bind:value={sounds}
          />
          <Button size="small" kind="tertiary" type="submit">{ui.ear.addNotes}</Button>
        </form>
        <form onsubmit={addScale}>
          <Select size="sm" labelText={ui.ear.scaleFrom} bind:selected={tonic}>
            {#each keys as t (t)}<SelectItem value={t} text={named(t)} />{/each}
          </Select>
          <Select size="sm" labelText={ui.ear.whichScale} bind:selected={mode}>
            <SelectItem value="MAJOR" text={ui.ear.major} />
            <SelectItem value="MINOR" text={ui.ear.minor} />
            <SelectItem value="CHROMATIC" text={ui.ear.chromatic} />
          </Select>
          <Button size="small" kind="tertiary" type="submit">{ui.ear.addScale}</Button>
        </form>
        <form onsubmit={addBars}>
          <Select size="sm" labelText={ui.ear.fewBars} bind:selected={piece}>
            <SelectItem value="" text={ui.all.choosePiece} />
            {#each page.value.pieces as p (p.piece.id)}
              <SelectItem value={String(p.piece.id)} text={p.piece.title} />
            {/each}
          </Select>
          <TextInput size="sm" labelText={ui.ear.barsLabel} placeholder="3-6" bind:value={bars} />
          <Button size="small" kind="tertiary" type="submit">{ui.ear.addBars}</Button>
        </form>
        <form onsubmit={addWay}>
          <Select
            size="sm"
            labelText={ui.ear.oneFingering}
            selected={instrument}
            on:change={(e) => tableOf(String((e.target as HTMLSelectElement).value))}
          >
            <SelectItem value="" text={ui.ear.chooseInstrument} />
            {#each played as [id, name] (id)}<SelectItem value={id} text={name} />{/each}
          </Select>
          {#if table}
            <Select size="sm" labelText={ui.ear.ofTheNote} bind:selected={note}>
              <SelectItem value="" text={ui.all.choose} />
              {#each table.notes as n (n.written)}
                <SelectItem value={n.written} text={n.shown} />
              {/each}
            </Select>
            <Select size="sm" labelText={ui.ear.whichFingering} bind:selected={way}>
              <SelectItem value="" text={ui.all.choose} />
              {#each chosen?.ways ?? [] as w (w.fingering)}
                <SelectItem value={w.fingering} text={w.label} />
              {/each}
            </Select>
          {/if}
          <Button size="small" kind="tertiary" type="submit">{ui.ear.addFingering}</Button>
        </form>
        {#if tables.problem}<Trouble text={tables.problem} />{/if}
        {#if page.value.checks.length}
          <section aria-label={ui.ear.begunBefore}>
            <h2>{ui.ear.begunBefore}</h2>
            <ul>
              {#each page.value.checks as c (c.id)}
                <li>
                  <a href="/ear/check/{c.id}"
                    >{c.items.map((i) => `${i.shown} ${i.words}`.trim()).join(', ')}</a
                  >
                  <span class="small quiet">{c.when}{c.finished ? '' : ui.ear.notFinished}</span>
                </li>
              {/each}
            </ul>
          </section>
        {/if}
      </div>
      <section class="asked" aria-label={ui.ear.whatIsAsked}>
        <div class="head">
          <h2>{ui.ear.asked}</h2>
          {#if items.length}
            <ul class="items">
              {#each items as i (i)}
                <li>
                  <span>{i.words}</span>
                  <button class="plain" onclick={() => ask(items.filter((x) => x !== i))}
                    ><span aria-hidden="true">×</span><span class="bx--visually-hidden"
                      >{ui.ear.leaveOut(i.words)}</span
                    ></button
                  >
                </li>
              {/each}
            </ul>
          {/if}
          <Button disabled={!look.value?.length || look.busy || changes.busy} on:click={begin}
            >{ui.ear.begin}</Button
          >
        </div>
        {#if problem}<Trouble text={problem} />{/if}
        {#if changes.problem}<Trouble text={changes.problem} />{/if}
        {#if look.problem}<Trouble text={look.problem} again={look.again} />{/if}
        {#if !items.length}
          <p class="quiet">
            {ui.ear.intro}
          </p>
        {:else if look.value}
          {#if look.value.length}
            <Asked rows={look.value} {items} bind:octaves />
          {:else}
            <p>{ui.all.nobodyYet} <a href="/people">{ui.all.setUpStudents}</a>.</p>
          {/if}
        {:else if !look.problem}
          <SkeletonText paragraph lines={6} />
        {/if}
      </section>
    </div>
  {/if}
</div>

<style>
  .two {
    display: grid;
    grid-template-columns: 23rem minmax(0, 1fr);
    gap: 2.5rem;
    margin-top: 1.25rem;
    align-items: start;
  }
  .choose {
    display: grid;
    gap: 1.25rem;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 0.75rem;
    align-items: flex-end;
  }
  form :global(.bx--form-item) {
    flex: 1 1 6rem;
  }
  .chips {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-top: 0.5rem;
  }
  .chip {
    font: inherit;
    color: var(--ink);
    padding: 0.375rem 0.75rem;
    background: var(--paper);
    border: 1px solid var(--rule);
    border-radius: 1.25rem;
    cursor: pointer;
    text-align: left;
  }
  .chip[aria-pressed='true'] {
    border-color: var(--accent);
    background: var(--accent-soft);
  }
  ul {
    list-style: none;
    margin: 0.25rem 0 0;
    padding: 0;
  }
  li {
    padding: 0.2rem 0;
  }
  .head {
    display: flex;
    gap: 1rem;
    align-items: center;
    margin-bottom: 0.75rem;
  }
  .items {
    flex: 1;
    display: flex;
    flex-wrap: wrap;
    gap: 0.375rem;
    margin: 0;
  }
  .items li {
    display: flex;
    align-items: center;
    padding: 0 0 0 0.625rem;
    background: var(--paper);
    border: 1px solid var(--rule);
    border-radius: 4px;
  }
  .items button {
    padding: 0.25rem 0.5rem;
  }
  .asked {
    min-width: 0;
  }
  @media (max-width: 1000px) {
    .two {
      grid-template-columns: 1fr;
    }
  }
</style>
