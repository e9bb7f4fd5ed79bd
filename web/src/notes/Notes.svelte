<!-- One instrument's table: every note, each of its fingerings, what moves between two, what else sounds. -->
<script lang="ts">
  import { Button, Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import { onDestroy, untrack } from 'svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import Removal from '../parts/Removal.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { navigate, route } from '../router';
  import Ask from './Ask.svelte';
  import Compare from './Compare.svelte';
  import { eyes } from './eyes.svelte';
  import { midiOf } from '../lib/pitch';
  import { picture } from './hands';
  import House from './House.svelte';
  import Ladder from './Ladder.svelte';
  import OwnFile from './OwnFile.svelte';
  import OwnForm from './OwnForm.svelte';
  import Range from './Range.svelte';
  import Trills from './Trills.svelte';
  import WayCard from './WayCard.svelte';
  import { ui } from '../words/ui';

  type Way = Schemas['WayView'];
  interface Mark {
    note: string;
    shown: string;
    midi: number;
    way: Way;
  }

  const id = $derived(String(route.params.instrument ?? '') || 'flute');
  const named = $derived(String(route.params.note ?? ''));
  let instruments = $state.raw<Schemas['InstrumentView'][]>([]);
  let table = $state.raw<Schemas['TableView']>();
  let set = $state.raw<Record<string, string>>({});
  let chosen = $state(0);
  let at = $state(0);
  let purpose = $state<'' | 'TRILL' | 'SPECIAL' | 'OWN' | Way['purposes'][number]>('');
  let mark = $state.raw<Mark>();
  let adding = $state(false);
  let problem = $state('');
  let said = $state('');
  let undo = $state.raw<() => Promise<void>>();

  $effect(() => {
    const i = id;
    untrack(() => {
      set = {};
      mark = undefined;
      adding = false;
      said = '';
      load(i, named);
    });
  });

  const options = () => Object.entries(set).map(([k, v]) => `${k}=${v}`);

  /** an answer to an older question counts no more */
  let turn = 0;
  onDestroy(() => turn++);
  async function load(instrument: string, note = '') {
    const mine = ++turn;
    problem = '';
    try {
      if (!instruments.length) instruments = await asked(api.GET('/api/instruments'));
      const t = await asked(
        api.GET('/api/notes/{instrument}', {
          params: { path: { instrument }, query: { set: options() } }
        })
      );
      if (mine !== turn) return;
      const kept = t.notes.find((n) => n.midi === chosen);
      const wanted = note
        ? t.notes.find((n) => n.written === note || n.midi === midiOf(note))
        : undefined;
      const fresh = table?.id !== t.id;
      table = t;
      chosen = (wanted ?? (fresh ? undefined : kept) ?? t.notes[Math.floor(t.notes.length / 3)]!)
        .midi;
      if (fresh) at = 0;
    } catch (e) {
      if (mine === turn) problem = sentence(e);
    }
  }

  const fits = (w: Way) =>
    purpose === ''
      ? true
      : purpose === 'TRILL' || purpose === 'SPECIAL'
        ? w.role === purpose
        : purpose === 'OWN'
          ? w.own || w.hidden || w.house || w.words !== ''
          : w.purposes.includes(purpose);
  const note = $derived(table?.notes.find((n) => n.midi === chosen));
  const ways = $derived(note?.ways.filter((w) => fits(w)) ?? []);
  const way = $derived(ways[Math.min(at, ways.length - 1)]);
  const marked = $derived(
    new Set(table?.notes.filter((n) => n.ways.some(fits)).map((n) => n.midi) ?? [])
  );
  /** a card is as wide as its picture, within what a row can take */
  const cardWidth = $derived.by(() => {
    if (!table || table.kind !== 'HANDS') return 208;
    const p = picture(table.keys);
    return Math.max(208, Math.min(344, p.left + p.right + 98));
  });
  /** what sounds may lie in another clef than the page */
  const clef = $derived.by(() => {
    if (!table || !eyes.sounding) return table?.clef ?? 'treble';
    const middle = table.notes[Math.floor(table.notes.length / 2)]!.midi + table.semitones;
    return middle < 57 ? 'bass' : 'treble';
  });
  /** its players find each note by its name: there is nothing to finger */
  const byName = $derived(table?.kind === 'NONE');
  const brass = $derived(table?.kind === 'VALVES' || table?.kind === 'SLIDE');

  function choose(midi: number) {
    chosen = midi;
    at = 0;
    adding = false;
  }

  function step(by: number) {
    if (!table) return;
    const list = table.notes.filter((n) => marked.has(n.midi) || n.midi === chosen);
    const i = list.findIndex((n) => n.midi === chosen);
    const next = list[Math.max(0, Math.min(list.length - 1, i + by))];
    if (next) choose(next.midi);
  }

  const here = () => !adding;
  pageKeys(ui.app.notes, [
    {
      on: ['ArrowLeft', 'ArrowRight'],
      words: ui.keys.noteBelow,
      when: here,
      act: (key) => step(key === 'ArrowRight' ? 1 : -1)
    },
    {
      on: ['ArrowUp', 'ArrowDown'],
      words: ui.keys.otherFingerings,
      when: here,
      act: (key) => {
        at = Math.max(0, Math.min(at + (key === 'ArrowDown' ? 1 : -1), ways.length - 1));
      }
    },
    {
      on: 'c',
      words: ui.keys.compare,
      when: () => here() && !!way,
      act: () => compareFrom(way!)
    },
    { on: 'w', words: ui.keys.names, when: here, act: () => eyes.name() },
    { on: 'f', words: ui.keys.facing, when: here, act: () => eyes.turn() },
    { on: 'a', words: ui.keys.own, when: here, act: () => (adding = true) }
  ]);

  function compareFrom(w: Way) {
    if (!note) return;
    mark =
      mark?.note === note.written && mark.way.fingering === w.fingering
        ? undefined
        : { note: note.written, shown: note.shown, midi: note.midi, way: w };
  }

  /** Changes how a fingering stands in this house, and offers the way back. */
  async function change(n: Schemas['TableNote'], before: Way, now: Partial<Way>, words: string) {
    const put = async (w: Way) =>
      asked(
        api.PUT('/api/notes/{instrument}/choices', {
          params: { path: { instrument: id } },
          body: {
            note: n.written,
            fingering: w.fingering,
            hidden: w.hidden,
            house: w.house,
            words: w.words
          }
        })
      );
    try {
      await put({ ...before, ...now });
      said = words;
      undo = async () => {
        try {
          await put(before);
          said = ui.notes.asItWas;
          undo = undefined;
          await load(id);
        } catch (e) {
          problem = sentence(e);
        }
      };
      await load(id);
    } catch (e) {
      problem = sentence(e);
    }
  }

  let removing = $state.raw<{ id: number; name: string }>();
  async function remove(n: Schemas['TableNote'], w: Way) {
    try {
      const own = await asked(
        api.GET('/api/notes/{instrument}/own', {
          params: { path: { instrument: id }, query: { note: n.written, fingering: w.fingering } }
        })
      );
      removing = { id: own.id, name: `${n.shown} ${w.label}` };
    } catch (e) {
      problem = sentence(e);
    }
  }

  async function added(text: string) {
    adding = false;
    said = text;
    undo = undefined;
    await load(id);
  }
</script>

<svelte:head
  ><title
    >{ui.notes.title(
      table ? [table.name, note?.shown].filter(Boolean).join(', ') : ui.app.notes
    )}</title
  ></svelte:head
>

<div class="page">
  {#if problem}<Trouble text={problem} again={() => load(id)} />{/if}
  {#if !table}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {:else}
    <header>
      <div class="what">
        <h1>{table.name}</h1>
        <p class="quiet">
          {table.transposition}; {table.stages
            .map((s) => ui.notes.stageRange(s.words, s.from.shown, s.to.shown))
            .join(', ')}
        </p>
      </div>
      <div class="set">
        <Select
          size="sm"
          labelText={ui.all.instrument}
          selected={id}
          on:change={(e) =>
            navigate(`/notes/${String((e.target as HTMLSelectElement).value)}` as '/')}
        >
          {#each instruments as i (i.id)}<SelectItem value={i.id} text={i.name} />{/each}
        </Select>
        {#each table.options as o (o.name)}
          <Select
            size="sm"
            labelText={o.label}
            selected={table.chosen[o.name] ?? o.standard}
            on:change={(e) => {
              set = { ...set, [o.name]: String((e.target as HTMLSelectElement).value) };
              load(id);
            }}
          >
            {#each o.values as v (v.value)}<SelectItem value={v.value} text={v.label} />{/each}
          </Select>
        {/each}
        {#if !byName}
          <Select
            size="sm"
            labelText={ui.notes.showWhat}
            selected={purpose}
            on:change={(e) => {
              purpose = (e.target as HTMLSelectElement).value as typeof purpose;
              at = 0;
            }}
          >
            <SelectItem value="" text={ui.notes.everything} />
            <SelectItem value="FACILITY" text={ui.notes.theFingers} />
            <SelectItem value="RESPONSE" text={ui.notes.speaking} />
            <SelectItem value="INTONATION" text={ui.notes.thePitch} />
            <SelectItem value="DYNAMICS" text={ui.notes.softLoud} />
            <SelectItem value="REACH" text={ui.notes.smallHands} />
            <SelectItem value="TRILL" text={ui.notes.trills} />
            <SelectItem value="SPECIAL" text={ui.notes.specials} />
            <SelectItem value="OWN" text={ui.notes.thisHouse} />
          </Select>
        {/if}
      </div>
    </header>

    <p class="bar small">
      <button class="plain link" onclick={() => eyes.name()}
        >{eyes.sounding ? ui.notes.soundingNames : ui.notes.writtenNames} <kbd>w</kbd></button
      >
      {#if !byName}
        <button class="plain link" onclick={() => eyes.turn()}
          >{eyes.facing ? ui.notes.facing : ui.notes.asPlayer} <kbd>f</kbd></button
        >
      {/if}
      <span class="quiet"
        ><kbd>←</kbd> <kbd>→</kbd>
        {#if byName}{ui.notes.noteWord}{:else}{ui.notes.noteComma} <kbd>↑</kbd> <kbd>↓</kbd>
          {ui.notes.fingeringWord}{/if}</span
      >
      <span class="key"
        ><span class="first">{ui.notes.firstYearsShort}</span>
        <span class="school">{ui.notes.schoolShort}</span>
        <span class="advanced">{ui.notes.advancedShort}</span></span
      >
    </p>

    <Range
      notes={table.notes}
      {clef}
      sounding={eyes.sounding}
      {chosen}
      {marked}
      onchoose={choose}
    />

    <p class="said" role="status">
      {said}
      {#if undo}<button class="plain link" onclick={() => undo?.()}>{ui.notes.putItBack}</button
        >{/if}
    </p>

    {#if note}
      <div class="columns">
        <section>
          <div class="head">
            <h2 class="pitch">{eyes.sounding ? note.soundingShown : note.shown}</h2>
            {#if table.semitones !== 0}
              <span class="quiet"
                >{eyes.sounding
                  ? ui.notes.written(note.shown)
                  : ui.notes.sounds(note.soundingShown)}</span
              >
            {/if}
            <a class="small" href="/notes/across/{encodeURIComponent(note.sounding)}"
              >{ui.notes.acrossLink}</a
            >
          </div>
          {#if ways.length}
            <div class="ways" style:--card="{cardWidth}px">
              {#if mark && mark.note !== note.written}
                <WayCard
                  way={mark.way}
                  midi={mark.midi}
                  {table}
                  from={mark.shown}
                  chosen={false}
                  marked={true}
                  onchoose={() => choose(mark!.midi)}
                  oncompare={() => (mark = undefined)}
                />
              {/if}
              {#each ways as w, i (w.fingering + w.role + w.requires)}
                <WayCard
                  way={w}
                  midi={note.midi}
                  {table}
                  chosen={i === Math.min(at, ways.length - 1)}
                  marked={mark?.note === note.written && mark.way.fingering === w.fingering}
                  onchoose={() => (at = i)}
                  oncompare={() => compareFrom(w)}
                />
              {/each}
            </div>
          {:else}
            <p>
              {ui.notes.noneForThat}
              <button class="plain link" onclick={() => (purpose = '')}>{ui.notes.showAll}</button>
            </p>
          {/if}
          {#if byName}<!-- no fingering to add, to trill or to compare -->
          {:else if adding}
            <OwnForm {table} {note} onadded={added} oncancel={() => (adding = false)} />
          {:else}
            <div class="add">
              <Button size="small" kind="tertiary" on:click={() => (adding = true)}
                >{ui.notes.addOwn}</Button
              >
            </div>
          {/if}
          {#if !byName}<Trills {table} {note} options={options()} />{/if}
        </section>
        <aside>
          {#if way && byName}
            <Ask {table} {note} options={options()} />
          {:else if way}
            <Compare
              {table}
              options={options()}
              {mark}
              {note}
              {way}
              onclear={() => (mark = undefined)}
            />
            {#if brass}<Ladder {table} {note} {way} onchoose={choose} />{/if}
            <Ask {table} {note} options={options()} />
            <House {way} {note} onchange={change} onremove={remove} />
          {/if}
        </aside>
      </div>
      <footer>
        {#if table.free.length || table.wrong.length || table.gaps.length}
          <h2>{ui.notes.heldOrNot}</h2>
          <ul>
            {#each table.gaps as g (g.shown)}
              <li><b>{g.shown}</b> {ui.notes.isMissing(g.because)}</li>
            {/each}
            {#each table.free as f (f.from.written + f.controls)}
              <li>
                <b>{ui.notes.range(f.from.shown, f.to.shown)}</b>
                {ui.notes.mayStay(f.controls, f.because)}
                <span class="quiet small">({f.source})</span>
              </li>
            {/each}
            {#each table.wrong as f (f.from.written + f.controls)}
              <li>
                <b>{ui.notes.range(f.from.shown, f.to.shown)}</b>
                {ui.notes.neverHeld(f.controls, f.because)}
                <span class="quiet small">({f.source})</span>
              </li>
            {/each}
          </ul>
        {/if}
        {#if !byName}<OwnFile id={table.id} changed={table.changed} onreplaced={added} />{/if}
      </footer>
    {/if}
  {/if}
</div>

{#if removing}
  <Removal
    kind="FINGERING"
    {...removing}
    more={ui.notes.marksStay}
    onclose={() => (removing = undefined)}
    ondone={(words) => {
      removing = undefined;
      said = words;
      undo = undefined;
      void load(id);
    }}
  />
{/if}

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 2rem;
    align-items: flex-end;
    justify-content: space-between;
  }
  .what p::first-letter {
    text-transform: uppercase;
  }
  .set {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem;
  }
  .set :global(.bx--select) {
    width: auto;
    min-width: 9rem;
  }
  .bar {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1.5rem;
    margin: 0.75rem 0 0.5rem;
    align-items: baseline;
  }
  .key {
    margin-left: auto;
    display: flex;
    gap: 1rem;
  }
  .first {
    border-bottom: 3px solid var(--ink);
  }
  .school {
    border-bottom: 1px solid var(--ink);
  }
  .advanced {
    border-bottom: 1px dashed var(--ink-2);
  }
  .said {
    min-height: 1.5rem;
    margin: 0.25rem 0;
  }
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 21rem;
    gap: 2rem;
    align-items: start;
  }
  .head {
    display: flex;
    gap: 1rem;
    align-items: baseline;
    margin-bottom: 0.5rem;
  }
  .pitch {
    font-size: 2.25rem;
    font-weight: 300;
    line-height: 1;
  }
  .ways {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, var(--card)), 1fr));
    gap: 0.75rem;
  }
  .add {
    margin: 1rem 0;
  }
  aside {
    display: flex;
    flex-direction: column;
    gap: 1.5rem;
  }
  footer {
    margin-top: 2rem;
    border-top: 1px solid var(--rule);
    padding-top: 1rem;
  }
  footer ul {
    margin: 0.25rem 0 1.25rem;
    padding-left: 1.25rem;
    list-style: disc;
  }
  footer h2 {
    margin-bottom: 0.25rem;
  }
  @media (max-width: 1000px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
