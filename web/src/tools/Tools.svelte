<!-- A metronome and a drone, by the clock of the sound card. -->
<script lang="ts">
  import { Button, Checkbox, NumberInput, Select, SelectItem } from 'carbon-components-svelte';
  import { onDestroy, untrack } from 'svelte';
  import { Kept } from '../lib/kept.svelte';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { route } from '../router';
  import { ui } from '../words/ui';
  import { nameOf } from './names';
  import { QUICKEST, SLOWEST, tapped } from './beats';
  import { Drone } from './drone.svelte';
  import { Metronome } from './metronome.svelte';
  import PlainTuner from './PlainTuner.svelte';

  const asked = Number(new URLSearchParams(location.search).get('tempo'));
  const tempo = new Kept('metronome-tempo', 60);
  const beats = new Kept('metronome-beats', 4);
  const parts = new Kept('metronome-parts', 1);
  const note = new Kept('drone-note', 58);
  const a4 = new Kept('drone-a4', 440);
  const fifth = new Kept('drone-fifth', false);
  if (asked >= SLOWEST && asked <= QUICKEST) tempo.value = asked;

  const metronome = new Metronome();
  const drone = new Drone();
  const how = $derived({ tempo: tempo.value, beats: beats.value, parts: parts.value });
  const held = $derived({ midi: note.value, a4: a4.value, fifth: fifth.value });
  $effect(() => {
    const wanted = document.getElementById(route.hash.slice(1));
    wanted?.scrollIntoView();
    wanted?.closest('section')?.querySelector('button')?.focus({ preventScroll: true });
  });
  onDestroy(() => {
    metronome.stop();
    drone.stop();
  });
  // what is changed while it sounds is heard at once
  $effect(() => {
    const next = how;
    untrack(() => metronome.set(next));
  });
  $effect(() => {
    const next = held;
    untrack(() => drone.sounding && drone.start(next));
  });

  /** Notes that are held: from the tuba's B flat to the middle of the flute. */
  const NOTES = Array.from({ length: 43 }, (_, i) => 34 + i);

  let tuner = $state<{ toggle: () => void }>();
  let taps = $state.raw<number[]>([]);
  function tap() {
    taps = [...taps.slice(-12), performance.now() / 1000];
    const found = tapped(taps);
    if (found) tempo.value = found;
  }
  const toggle = () => (metronome.running ? metronome.stop() : metronome.start(how));
  const hold = () => (drone.sounding ? drone.stop() : drone.start(held));
  function faster(by: number) {
    tempo.value = Math.max(SLOWEST, Math.min(QUICKEST, tempo.value + by));
  }

  pageKeys(ui.tools.title, [
    { on: ' ', words: ui.tools.keyBeat, act: (_, e) => !pressing(e) && toggle() },
    { on: ['+', '-'], words: ui.practice.keyTempo, act: (key) => faster(key === '+' ? 1 : -1) },
    { on: 't', words: ui.tools.tap, act: tap },
    { on: 'o', words: ui.tools.keyDrone, act: hold },
    { on: 'm', words: ui.tools.keyTuner, act: () => tuner?.toggle() }
  ]);
</script>

<svelte:head><title>{ui.tools.page}</title></svelte:head>

<div class="page">
  <h1>{ui.tools.title}</h1>
  <section aria-labelledby="metronome">
    <h2 id="metronome">{ui.tools.metronome}</h2>
    <p class="dots" aria-hidden="true">
      {#each Array.from({ length: beats.value }, (_, i) => i) as i (i)}
        <i class:first={i === 0 && beats.value > 1} class:on={metronome.beat === i}></i>
      {/each}
    </p>
    <div class="set">
      <NumberInput
        labelText={ui.tools.tempo}
        translateWithId={(id) => (id === 'increment' ? ui.all.more : ui.all.less)}
        invalidText={ui.tools.tempoHint}
        min={SLOWEST}
        max={QUICKEST}
        value={tempo.value}
        on:change={(e) => {
          if (e.detail !== null && e.detail >= SLOWEST && e.detail <= QUICKEST)
            tempo.value = e.detail;
        }}
      />
      <Select
        labelText={ui.tools.beats}
        selected={String(beats.value)}
        on:change={(e) => (beats.value = Number((e.target as HTMLSelectElement).value))}
      >
        {#each [1, 2, 3, 4, 5, 6, 7, 9, 12] as b (b)}
          <SelectItem value={String(b)} text={b === 1 ? ui.tools.alike : String(b)} />
        {/each}
      </Select>
      <Select
        labelText={ui.tools.parts}
        selected={String(parts.value)}
        on:change={(e) => (parts.value = Number((e.target as HTMLSelectElement).value))}
      >
        {#each [1, 2, 3, 4] as p (p)}
          <SelectItem value={String(p)} text={ui.tools.part[p as 1 | 2 | 3 | 4]} />
        {/each}
      </Select>
      <Button size="field" on:click={toggle}
        >{metronome.running ? ui.stand.stop : ui.tools.start} <kbd>␣</kbd></Button
      >
      <Button size="field" kind="tertiary" on:click={tap}>{ui.tools.tap} <kbd>t</kbd></Button>
    </div>
  </section>
  <section aria-labelledby="tuner">
    <h2 id="tuner">{ui.tuner.title}</h2>
    <PlainTuner bind:this={tuner} a4={a4.value} />
  </section>
  <section aria-labelledby="drone">
    <h2 id="drone">{ui.tools.drone}</h2>
    <p class="quiet small">{ui.tools.droneHow}</p>
    <div class="set">
      <Select
        labelText={ui.tools.note}
        selected={String(note.value)}
        on:change={(e) => (note.value = Number((e.target as HTMLSelectElement).value))}
      >
        {#each NOTES as n (n)}<SelectItem value={String(n)} text={nameOf(n)} />{/each}
      </Select>
      <NumberInput
        labelText={ui.tools.a4}
        translateWithId={(id) => (id === 'increment' ? ui.all.more : ui.all.less)}
        invalidText={ui.tools.a4Hint}
        min={410}
        max={450}
        value={a4.value}
        on:change={(e) => {
          if (e.detail !== null && e.detail >= 410 && e.detail <= 450) a4.value = e.detail;
        }}
      />
      <Checkbox
        labelText={ui.tools.fifth}
        checked={fifth.value}
        on:check={(e) => (fifth.value = e.detail)}
      />
      <Button size="field" on:click={hold}
        >{drone.sounding ? ui.stand.stop : ui.tools.start} <kbd>o</kbd></Button
      >
    </div>
  </section>
</div>

<style>
  section {
    max-width: 56rem;
    margin-top: 1rem;
    padding: 0.75rem 1rem 1.25rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  h2 {
    font-size: 1.125rem;
  }
  .dots {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem;
    margin: 0.75rem 0 1rem;
  }
  .dots i {
    width: 1.75rem;
    height: 1.75rem;
    border: 2px solid var(--accent);
    border-radius: 50%;
  }
  .dots i.first {
    border-radius: 4px;
  }
  .dots i.on {
    background: var(--accent);
  }
  .set {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem 1rem;
    align-items: flex-end;
    margin-top: 0.5rem;
  }
  .set :global(.bx--form-item) {
    flex: 0 0 auto;
  }
  .set :global(.bx--select) {
    width: 10rem;
  }
  .set :global(.bx--number) {
    width: 12rem;
  }
</style>
