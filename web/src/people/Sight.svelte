<!-- Music to be read at sight: another one with every number, fingered and heard only afterwards. -->
<script lang="ts">
  import {
    Button,
    Checkbox,
    NumberInput,
    Select,
    SelectItem,
    SkeletonText
  } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { Kept } from '../lib/kept.svelte';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { loaded } from '../lib/load.svelte';
  import FingeredLine from '../parts/FingeredLine.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { someNumber } from '../practice/starts';
  import { visit, route } from '../router';
  import { Playback } from '../stand/playback.svelte';
  import { timeline } from '../stand/timeline';
  import { ui } from '../words/ui';

  const LEVELS = ['QUARTERS_AND_HALVES', 'EIGHTHS', 'DOTTED', 'SIXTEENTHS'] as const;
  type Level = (typeof LEVELS)[number];
  /** in half steps */
  const LEAPS = [4, 5, 7, 9, 12] as const;
  const BARS = [4, 8, 16];

  const student = $derived(Number(route.params.student));
  const level = new Kept<Level>('sight-level', 'EIGHTHS');
  const leap = new Kept<number>('sight-leap', 7);
  const bars = new Kept('sight-bars', 8);
  /** what an address asks for is chosen here as if by hand */
  const wish = new URLSearchParams(location.search);
  const wished = {
    level: LEVELS.find((l) => l === wish.get('level')),
    leap: LEAPS.find((l) => l === Number(wish.get('leap'))),
    bars: BARS.find((b) => b === Number(wish.get('bars')))
  };
  if (wished.level) level.value = wished.level;
  if (wished.leap) leap.value = wished.leap;
  if (wished.bars) bars.value = wished.bars;
  let seed = $state(Number(wish.get('number')) || someNumber());
  const page = loaded<Schemas['SightView']>();
  const view = $derived(page.value);
  let fingered = $state(false);
  let clicks = $state(false);
  const changes = door();
  let width = $state(0);
  const play = new Playback();

  const params = $derived({
    path: { studentId: student },
    query: { level: level.value, leap: leap.value, bars: bars.value, seed }
  });
  $effect(() => {
    const wanted = params;
    fingered = false;
    play.stop();
    void page.ask(() => asked(api.GET('/api/students/{studentId}/sight', { params: wanted })));
  });
  onDestroy(() => play.stop());

  function another() {
    let next = someNumber();
    while (next === seed) next = someNumber();
    seed = next;
  }
  function hear() {
    if (play.playing) return play.stop();
    const m = view?.music;
    if (!m) return;
    play.start(
      timeline(
        m.notes,
        m.times,
        m.times.map((_, i) => i)
      ),
      {
        speed: 1,
        metronome: clicks,
        written: false,
        loop: false
      }
    );
  }
  function keep() {
    const own = params;
    return changes.once(
      () => asked(api.POST('/api/students/{studentId}/sight', { params: own })),
      ({ id }) => void visit(`/stand/${own.path.studentId}/${id}`)
    );
  }

  const here = () => !!view;
  pageKeys(ui.sight.title, [
    { on: 'n', words: ui.sight.another, act: another },
    { on: 'f', words: ui.sight.fingerings, when: here, act: () => (fingered = !fingered) },
    {
      on: ' ',
      words: ui.keys.playStop,
      when: here,
      act: (_, e) => !pressing(e) && hear()
    },
    { on: 'Escape', words: ui.sight.back, act: () => visit(`/people/${student}`) }
  ]);
</script>

<svelte:head><title>{ui.sight.page(view ? `: ${view.student.name}` : '')}</title></svelte:head>

<div class="page">
  <header class="titled">
    <h1>{ui.sight.title}</h1>
    {#if view}<a href="/people/{student}">{view.student.name}</a>{/if}
  </header>
  <p class="told-first">{ui.sight.lead}</p>
  <div class="wishes">
    <Select
      size="sm"
      labelText={ui.sight.rhythms}
      selected={level.value}
      on:change={(e) => (level.value = (e.target as HTMLSelectElement).value as Level)}
    >
      {#each LEVELS as l (l)}<SelectItem value={l} text={ui.sight.level[l]} />{/each}
    </Select>
    <Select
      size="sm"
      labelText={ui.sight.leap}
      selected={String(leap.value)}
      on:change={(e) => (leap.value = Number((e.target as HTMLSelectElement).value))}
    >
      {#each LEAPS as l (l)}<SelectItem value={String(l)} text={ui.sight.leaps[l]} />{/each}
    </Select>
    <Select
      size="sm"
      labelText={ui.sight.length}
      selected={String(bars.value)}
      on:change={(e) => (bars.value = Number((e.target as HTMLSelectElement).value))}
    >
      {#each BARS as b (b)}<SelectItem value={String(b)} text={ui.sight.bars(b)} />{/each}
    </Select>
    <NumberInput
      size="sm"
      labelText={ui.sight.number}
      translateWithId={(id) => (id === 'increment' ? ui.all.more : ui.all.less)}
      invalidText={ui.sight.numberHint}
      min={0}
      max={999999}
      value={seed}
      on:change={(e) => {
        if (e.detail !== null && e.detail >= 0 && e.detail <= 999999) seed = e.detail;
      }}
    />
    <Button size="small" on:click={another}>{ui.sight.another} <kbd>n</kbd></Button>
  </div>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
  <div class="music" bind:clientWidth={width}>
    {#if view}
      <p class="small quiet">{view.key}, {view.meter}. {view.told}</p>
      <FingeredLine
        xml={view.music.xml}
        width={Math.floor(width)}
        notes={fingered ? new Map(view.music.notes.map((n) => [n.id, n])) : new Map()}
        sounds={play.note}
      />
      {#if fingered}
        {#each view.music.told as w (w.shown + w.label)}
          <p class="small"><b>{w.shown}, {w.label}</b>: {w.sentence || ui.material.why[w.why]}</p>
        {/each}
      {/if}
      <div class="after">
        <span class="small">{ui.sight.after}</span>
        <Checkbox
          labelText={ui.sight.fingerings}
          checked={fingered}
          on:check={(e) => (fingered = e.detail)}
        />
        <Button size="small" kind="tertiary" on:click={hear}
          >{play.playing ? ui.stand.stop : ui.stand.play} <kbd>␣</kbd></Button
        >
        <Checkbox
          labelText={ui.stand.metronome}
          bind:checked={clicks}
          on:check={() => play.stop()}
        />
        <Button size="small" kind="ghost" on:click={keep}>{ui.material.keep}</Button>
      </div>
    {:else if !page.problem}
      <SkeletonText paragraph lines={5} />
    {/if}
  </div>
</div>

<style>
  .wishes,
  .after {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem 1rem;
    align-items: flex-end;
  }
  .wishes :global(.bx--form-item),
  .after :global(.bx--form-item) {
    flex: 0 0 auto;
  }
  .wishes :global(.bx--select) {
    width: 11rem;
  }
  .wishes :global(.bx--number) {
    width: 9rem;
  }
  .music {
    max-width: 60rem;
    margin-top: 1rem;
    padding: 0.75rem 1rem 1rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .after {
    align-items: center;
    margin-top: 0.75rem;
  }
</style>
