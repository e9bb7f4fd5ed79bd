<!-- Plays the part: how fast, which bars, round and round, with a metronome. -->
<script lang="ts">
  import { menu } from '../parts/menu';
  import { Checkbox, NumberInput, Select, SelectItem } from 'carbon-components-svelte';
  import { onDestroy, untrack } from 'svelte';
  import type { Schemas } from '../api/client';
  import type { Note } from './lanes';
  import { ways } from '../ways.svelte';
  import { Playback } from './playback.svelte';
  import { Kept } from '../lib/kept.svelte';
  import { barOrder, countIn, timeline } from './timeline';
  import { ui } from '../words/ui';

  let {
    notes,
    bars,
    times,
    played,
    transposes,
    tempo,
    from = $bindable(),
    to = $bindable(),
    follow = $bindable(),
    sounding = $bindable(''),
    drums = false
  }: {
    notes: Note[];
    bars: string[];
    times: Schemas['BarTime'][];
    /** where signs lead elsewhere, the stretches in which the bars are played */
    played: Schemas['StretchView'][];
    /** the tempo that is given, in quarters a minute; 0 is the written one */
    tempo: number;
    /** whether what is written and what sounds differ */
    transposes: boolean;
    /** first bar played, from 0 */
    from: number;
    /** last bar played; -1 is the end */
    to: number;
    /** whether the page moves along */
    follow: boolean;
    /** the note that sounds now */
    sounding: string;
    /** whether drums are struck, and no pitch sounds */
    drums?: boolean;
  } = $props();

  const play = new Playback();
  let speed = $state(ways.now.tempo === 'marked' ? 100 : 75);
  let metronome = $state(false);
  const counts = new Kept('count-in', true);
  let loop = $state(false);
  let written = $state(false);
  let repeats = $state(true);
  /** what is given says how fast */
  $effect(() => {
    const written = untrack(() => 60 / (notes[0]?.quarter ?? 0.6));
    if (tempo) speed = Math.max(25, Math.min(150, Math.round((100 * tempo) / written)));
  });
  const last = $derived(to < 0 ? bars.length - 1 : to);
  $effect(() => {
    sounding = play.note;
  });
  onDestroy(() => play.stop());

  export function toggle() {
    if (play.playing) play.stop();
    else {
      const order = barOrder(bars.length, repeats ? played : [], from, last);
      play.start(timeline(notes, times, order, played), {
        speed: speed / 100,
        metronome,
        written,
        drums,
        loop,
        // from the first bar that has a note
        ...(counts.value
          ? { countIn: countIn(times, order.find((b) => notes.some((n) => n.bar === b)) ?? from) }
          : {})
      });
    }
  }
  const value = (e: Event) => Number((e.target as HTMLSelectElement).value);
</script>

{#snippet bar(label: string, chosen: number, onbar: (bar: number) => void)}
  <Select
    size="sm"
    labelText={label}
    selected={chosen}
    on:change={(e) => {
      onbar(value(e));
      play.stop();
    }}
  >
    {#each bars as b, i (i)}<SelectItem value={i} text={b} />{/each}
  </Select>
{/snippet}

<div class="play" role="group" aria-label={ui.stand.playPart}>
  <button class="plain go" onclick={toggle} aria-pressed={play.playing}
    >{play.playing ? ui.stand.stop : ui.stand.play} <kbd>{ui.keys.space}</kbd></button
  >
  <details {@attach menu}>
    <summary
      >{speed} %{from > 0 || last < bars.length - 1
        ? ui.stand.barsFromTo(bars[from] ?? '', bars[last] ?? '')
        : ''}</summary
    >
    <div class="how">
      <NumberInput
        size="sm"
        labelText={ui.stand.tempo}
        translateWithId={(id) => (id === 'increment' ? ui.all.more : ui.all.less)}
        helperText={ui.stand.tempoHint}
        invalidText={ui.stand.tempoHint}
        min={20}
        max={150}
        step={5}
        value={speed}
        on:change={(e) => {
          if (e.detail !== null && e.detail >= 20 && e.detail <= 150) speed = e.detail;
          play.stop();
        }}
      />
      {@render bar(ui.stand.fromBar, from, (b) => {
        from = b;
        if (last < b) to = b;
      })}
      {@render bar(ui.stand.toBar, last, (b) => {
        to = b;
        if (b < from) from = b;
      })}
      <div class="checks">
        {#if played.length}
          <Checkbox
            labelText={ui.stand.repeats}
            bind:checked={repeats}
            on:check={() => play.stop()}
          />
        {/if}
        <Checkbox
          labelText={ui.stand.countIn}
          checked={counts.value}
          on:check={(e) => {
            counts.value = e.detail;
            play.stop();
          }}
        />
        <Checkbox labelText={ui.stand.round} bind:checked={loop} on:check={() => play.stop()} />
        <Checkbox
          labelText={ui.stand.metronome}
          bind:checked={metronome}
          on:check={() => play.stop()}
        />
        <Checkbox labelText={ui.stand.movesAlong} bind:checked={follow} />
        {#if transposes}
          <Checkbox
            labelText={ui.stand.asWritten}
            bind:checked={written}
            on:check={() => play.stop()}
          />
        {/if}
      </div>
    </div>
  </details>
</div>

<style>
  .play {
    display: flex;
    gap: 0.75rem;
    align-items: center;
  }
  .go {
    font-weight: 600;
    color: var(--accent);
    white-space: nowrap;
  }
  details {
    position: relative;
  }
  summary {
    cursor: pointer;
    color: var(--accent);
    white-space: nowrap;
  }
  .how {
    position: absolute;
    right: 0;
    z-index: 3;
    width: 15rem;
    display: flex;
    flex-direction: column;
    gap: 0.75rem;
    padding: 0.875rem 1rem;
    background: var(--paper);
    border: 1px solid var(--rule);
    box-shadow: 0 2px 8px rgb(0 0 0 / 0.15);
  }
  @media print {
    .play {
      display: none;
    }
  }
</style>
