<!-- What a whole group is asked in a playing check; and the checks that were begun. -->
<script lang="ts">
  import { Button, Select, SelectItem, SkeletonText, TextInput } from 'carbon-components-svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import Trouble from '../parts/Trouble.svelte';
  import { navigate, route } from '../router';

  type Item = Schemas['ItemBody'] & { words: string };

  const group = $derived(Number(route.params.group));
  let people = $state.raw<Schemas['PeopleView']>();
  let checks = $state.raw<Schemas['ClassCheckRef'][]>([]);
  let suggested = $state.raw<Schemas['SuggestedView'][]>([]);
  let pieces = $state.raw<Schemas['ShelfPiece'][]>([]);
  let items = $state.raw<Item[]>([]);
  let problem = $state('');

  let sounds = $state('');
  let tonic = $state('Bb4');
  let mode = $state('MAJOR');
  let piece = $state('');
  let bars = $state('');
  let instrument = $state('');
  let table = $state.raw<Schemas['TableView']>();
  let note = $state('');
  let way = $state('');

  $effect(() => {
    load(group);
  });

  async function load(id: number) {
    problem = '';
    items = [];
    const params = { path: { groupId: id } };
    try {
      [people, checks, suggested, pieces] = await Promise.all([
        asked(api.GET('/api/people')),
        asked(api.GET('/api/groups/{groupId}/checks', { params })),
        asked(api.GET('/api/groups/{groupId}/checks/suggested', { params })),
        asked(api.GET('/api/pieces'))
      ]);
    } catch (e) {
      problem = sentence(e);
    }
  }

  const here = $derived(people?.groups.find((g) => g.id === group));
  const played = $derived([
    ...new Map(
      (people?.students ?? [])
        .filter((s) => s.groups.includes(group))
        .map((s) => [s.instrument, s.instrumentName] as const)
    )
  ]);
  const chosen = $derived(table?.notes.find((n) => n.written === note));

  const has = (i: Item) =>
    items.some((x) => x.kind === i.kind && x.what === i.what && x.pieceId === i.pieceId);
  function add(i: Item) {
    problem = '';
    if (!has(i)) items = [...items, i];
  }
  const drop = (i: Item) => (items = items.filter((x) => x !== i));

  /** B♭ C D5, as they sound; without a figure in the octave from middle C up. */
  function addSounds(e: SubmitEvent) {
    e.preventDefault();
    const words = sounds
      .trim()
      .split(/[\s,;]+/)
      .filter(Boolean);
    const read = words.map((w) => {
      const m = w.match(/^([A-Ga-g])(b|♭|#|♯)?(\d)?$/);
      if (!m) return undefined;
      const sign = m[2] === '♭' || m[2] === 'b' ? 'b' : m[2] ? '#' : '';
      const name = m[1]!.toUpperCase();
      return {
        kind: 'SOUND',
        what: `${name}${sign}${m[3] ?? 4}`,
        pieceId: 0,
        words: name + (sign === 'b' ? '♭' : sign ? '♯' : '')
      };
    });
    const wrong = words.find((_, i) => !read[i]);
    if (!words.length || wrong) {
      problem = wrong
        ? `'${wrong}' is no note; write letters such as B♭ (or Bb), C, F♯ (or F#).`
        : 'Write the notes as they sound, such as B♭ C D.';
      return;
    }
    read.forEach((i) => i && add(i));
    sounds = '';
  }
  function addScale(e: SubmitEvent) {
    e.preventDefault();
    const words = { MAJOR: 'major', MINOR: 'natural minor', CHROMATIC: 'chromatic' }[mode];
    add({ kind: 'SCALE', what: `${tonic} ${mode}`, pieceId: 0, words: `${shown(tonic)} ${words}` });
  }
  function addBars(e: SubmitEvent) {
    e.preventDefault();
    const p = pieces.find((x) => String(x.piece.id) === piece);
    if (!p || !/^\d+(\s*-\s*\d+)?$/.test(bars.trim())) {
      problem = p ? 'Write the bars as 3 or 3-6.' : 'Choose a piece first.';
      return;
    }
    add({
      kind: 'BARS',
      what: bars.trim(),
      pieceId: p.piece.id,
      words: `${p.piece.title}, ${bars.includes('-') ? 'bars' : 'bar'} ${bars.trim()}`
    });
  }
  function addWay(e: SubmitEvent) {
    e.preventDefault();
    const w = chosen?.ways.find((x) => x.fingering === way);
    if (!chosen || !w) {
      problem = 'Choose the instrument, the note and one of its fingerings.';
      return;
    }
    add({
      kind: 'FINGERING',
      what: `${instrument} ${chosen.written} ${w.fingering}`,
      pieceId: 0,
      words: `${chosen.shown} ${w.label}`
    });
  }
  async function tableOf(id: string) {
    instrument = id;
    note = '';
    way = '';
    table = undefined;
    if (!id) return;
    try {
      table = await asked(
        api.GET('/api/notes/{instrument}', { params: { path: { instrument: id } } })
      );
    } catch (e) {
      problem = sentence(e);
    }
  }

  async function begin() {
    try {
      const { id } = await asked(
        api.POST('/api/groups/{groupId}/checks', {
          params: { path: { groupId: group } },
          body: { items: items.map(({ kind, what, pieceId }) => ({ kind, what, pieceId })) }
        })
      );
      navigate(`/ear/check/${id}` as '/');
    } catch (e) {
      problem = sentence(e);
    }
  }

  const TONICS = ['C4', 'Db4', 'D4', 'Eb4', 'E4', 'F4', 'Gb4', 'G4', 'Ab4', 'A4', 'Bb4', 'B4'];
  const shown = (p: string) => p.replace(/\d/, '').replace('b', '♭').replace('#', '♯');
</script>

<div class="page">
  {#if !people}
    {#if problem}<Trouble text={problem} again={() => load(group)} />{:else}
      <SkeletonText heading /><SkeletonText paragraph lines={6} />
    {/if}
  {:else}
    <h1>{here?.name ?? 'This group'}: a playing check</h1>
    <p class="quiet">
      Choose what everyone is asked. Each player gets it in the own notes and fingerings; you mark
      with one key for each.
    </p>
    <div class="two">
      <div class="choose">
        {#if suggested.length}
          <section>
            <h2>Needed next</h2>
            <div class="chips">
              {#each suggested as s (s.what)}
                <button
                  class="chip"
                  aria-pressed={has({ ...s, pieceId: 0 })}
                  onclick={() => add({ kind: s.kind, what: s.what, pieceId: 0, words: s.words })}
                  ><b>{s.words}</b> <span class="small">{s.why}</span></button
                >
              {/each}
            </div>
          </section>
        {/if}
        <form onsubmit={addSounds}>
          <TextInput
            size="sm"
            labelText="Notes, as they sound"
            placeholder="B♭ C D E♭ F"
            bind:value={sounds}
          />
          <Button size="small" kind="tertiary" type="submit">Add the notes</Button>
        </form>
        <form onsubmit={addScale}>
          <Select size="sm" labelText="A scale, as it sounds, from" bind:selected={tonic}>
            {#each TONICS as t (t)}<SelectItem value={t} text={shown(t)} />{/each}
          </Select>
          <Select size="sm" labelText="which" bind:selected={mode}>
            <SelectItem value="MAJOR" text="major" />
            <SelectItem value="MINOR" text="natural minor" />
            <SelectItem value="CHROMATIC" text="chromatic" />
          </Select>
          <Button size="small" kind="tertiary" type="submit">Add the scale</Button>
        </form>
        <form onsubmit={addBars}>
          <Select size="sm" labelText="A few bars of" bind:selected={piece}>
            <SelectItem value="" text="choose a piece" />
            {#each pieces as p (p.piece.id)}
              <SelectItem value={String(p.piece.id)} text={p.piece.title} />
            {/each}
          </Select>
          <TextInput size="sm" labelText="Bars" placeholder="3-6" bind:value={bars} />
          <Button size="small" kind="tertiary" type="submit">Add the bars</Button>
        </form>
        <form onsubmit={addWay}>
          <Select
            size="sm"
            labelText="One fingering on the"
            selected={instrument}
            on:change={(e) => tableOf(String((e.target as HTMLSelectElement).value))}
          >
            <SelectItem value="" text="choose an instrument" />
            {#each played as [id, name] (id)}<SelectItem value={id} text={name} />{/each}
          </Select>
          {#if table}
            <Select size="sm" labelText="of the note" bind:selected={note}>
              <SelectItem value="" text="choose" />
              {#each table.notes as n (n.written)}
                <SelectItem value={n.written} text={n.shown} />
              {/each}
            </Select>
            <Select size="sm" labelText="which" bind:selected={way}>
              <SelectItem value="" text="choose" />
              {#each chosen?.ways ?? [] as w (w.fingering)}
                <SelectItem value={w.fingering} text={w.label} />
              {/each}
            </Select>
          {/if}
          <Button size="small" kind="tertiary" type="submit">Add the fingering</Button>
        </form>
      </div>
      <aside aria-label="What is asked">
        <h2>Asked</h2>
        {#if items.length}
          <ol>
            {#each items as i (i.kind + i.what + i.pieceId)}
              <li>
                {i.words}
                <button class="plain link small" onclick={() => drop(i)}
                  >leave out<span class="bx--visually-hidden"> {i.words}</span></button
                >
              </li>
            {/each}
          </ol>
        {:else}
          <p class="small quiet">Nothing yet: choose on the left.</p>
        {/if}
        {#if problem}<Trouble text={problem} />{/if}
        <Button disabled={!items.length} on:click={begin}>Begin</Button>
        {#if checks.length}
          <h2>Begun before</h2>
          <ul>
            {#each checks as c (c.id)}
              <li>
                <a href="/ear/check/{c.id}">{c.items.join(', ')}</a>
                <span class="small quiet">{c.when}{c.finished ? '' : ', not finished'}</span>
              </li>
            {/each}
          </ul>
        {/if}
      </aside>
    </div>
  {/if}
</div>

<style>
  .two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 19rem;
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
    gap: 0.75rem;
    align-items: flex-end;
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
    padding: 0.25rem 0.75rem;
    background: var(--paper);
    border: 1px solid var(--rule);
    border-radius: 1rem;
    cursor: pointer;
  }
  .chip[aria-pressed='true'] {
    border-color: var(--accent);
    background: var(--accent-soft);
  }
  .link {
    text-decoration: underline;
    color: var(--accent) !important;
  }
  ol,
  ul {
    margin: 0.5rem 0 1rem;
    padding-left: 1.25rem;
  }
  ol {
    list-style: decimal;
  }
  ul {
    list-style: none;
    padding: 0;
  }
  li {
    padding: 0.2rem 0;
  }
  aside h2:not(:first-child) {
    margin-top: 1.75rem;
  }
  @media (max-width: 900px) {
    .two {
      grid-template-columns: 1fr;
    }
  }
</style>
