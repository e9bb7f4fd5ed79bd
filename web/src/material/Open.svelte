<!-- One exercise that was made from a part: engraved, fingered, why so, played, and put on the shelf. -->
<script lang="ts">
  import { Button, Checkbox, NumberInput, SkeletonText } from 'carbon-components-svelte';
  import { onDestroy, untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import FingeredLine from '../parts/FingeredLine.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { visit } from '../router';
  import { Playback } from '../stand/playback.svelte';
  import { timeline } from '../stand/timeline';
  import { ui } from '../words/ui';
  import { music, parted, type Study } from './material';

  let { student, piece, study }: { student: number; piece: number; study: Study } = $props();

  const page = loaded<Schemas['StudyMusic']>();
  const made = $derived(page.value);
  let width = $state(0);
  let tempo = $state<number>();
  let clicks = $state(false);
  const changes = door();
  const play = new Playback();
  const told = $derived(parted(made));
  const now = $derived(tempo ?? made?.from ?? study.from);

  $effect(() => {
    const id = study.id;
    tempo = undefined;
    untrack(() => changes.next());
    void page.ask(() => music(student, piece, id));
  });
  onDestroy(() => play.stop());

  function hear() {
    if (play.playing) return play.stop();
    if (!made) return;
    const order = made.times.map((_, i) => i);
    play.start(timeline(made.notes, made.times, order), {
      speed: now / made.towards,
      metronome: clicks,
      written: false,
      loop: false
    });
  }
  function faster(by: number) {
    if (!made || made.from === made.towards) return;
    tempo = Math.max(30, Math.min(240, now + by));
    play.stop();
  }
  function keep() {
    const params = { path: { studentId: student, pieceId: piece, study: study.id } };
    return changes.once(
      () => asked(api.POST('/api/stand/{studentId}/{pieceId}/material/{study}', { params })),
      ({ id }) => void visit(`/stand/${params.path.studentId}/${id}`)
    );
  }

  pageKeys(ui.material.title, [
    {
      on: ' ',
      words: ui.keys.playStop,
      when: () => !!made,
      act: (_, e) => !pressing(e) && hear()
    },
    {
      on: ['+', '-'],
      words: ui.practice.keyTempo,
      when: () => !!made && made.from !== made.towards,
      act: (key) => faster(key === '+' ? 4 : -4)
    }
  ]);
</script>

<div class="open" bind:clientWidth={width}>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
  {#if made}
    <FingeredLine
      xml={made.xml}
      width={Math.floor(width)}
      notes={new Map(made.notes.map((n) => [n.id, n]))}
      meanwhile={made.notes.map((n) => n.shown).join(' ')}
      sounds={play.note}
    />
    {#each told.why as w (w.shown + w.label)}
      <p class="small told"><b>{w.shown}, {w.label}</b>: {w.sentence || ui.material.why[w.why]}</p>
    {/each}
    {#if told.fresh.length}
      <details class="small">
        <summary>{ui.material.fresh(told.fresh.map((w) => w.shown).join(', '))}</summary>
        {#each told.fresh as w (w.shown + w.label)}
          <p class="told"><b>{w.shown}, {w.label}</b>{w.sentence ? `: ${w.sentence}` : ''}</p>
        {/each}
      </details>
    {/if}
    <div class="tools">
      <Button size="small" kind="tertiary" on:click={hear}
        >{play.playing ? ui.stand.stop : ui.stand.play} <kbd>␣</kbd></Button
      >
      {#if made.from !== made.towards}
        <NumberInput
          size="sm"
          labelText={ui.material.tempo}
          helperText={ui.material.from(made.from, made.towards)}
          translateWithId={(id) => (id === 'increment' ? ui.all.more : ui.all.less)}
          invalidText={ui.material.tempoHint}
          min={30}
          max={240}
          step={4}
          value={now}
          on:change={(e) => {
            if (e.detail !== null && e.detail >= 30 && e.detail <= 240) {
              tempo = e.detail;
              play.stop();
            }
          }}
        />
      {:else}
        <span class="small">♩ = {made.towards}</span>
      {/if}
      <Checkbox labelText={ui.stand.metronome} bind:checked={clicks} on:check={() => play.stop()} />
      <Button size="small" kind="ghost" disabled={changes.busy} on:click={keep}
        >{ui.material.keep}</Button
      >
    </div>
  {:else if !page.problem}
    <div class="coming"><SkeletonText paragraph lines={3} /></div>
  {/if}
</div>

<style>
  .open {
    padding: 0.25rem 0 0.75rem;
  }
  .coming {
    min-height: 9rem;
  }
  summary {
    min-height: var(--target);
    line-height: var(--target);
    cursor: pointer;
  }
  .told {
    margin: 0.125rem 0;
  }
  .tools {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1.25rem;
    align-items: center;
    margin-top: 0.5rem;
  }
  .tools :global(.bx--number) {
    width: 12rem;
  }
  .tools :global(.bx--form-item) {
    flex: 0 0 auto;
  }
</style>
