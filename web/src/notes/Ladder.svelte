<!-- All notes on one valve combination or slide position: same fingering, other notes. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { short } from '../stand/lanes';
  import { ui } from '../words/ui';

  let {
    table,
    note,
    way,
    onchoose
  }: {
    table: Schemas['TableView'];
    note: Schemas['TableNote'];
    way: Schemas['WayView'];
    onchoose: (midi: number) => void;
  } = $props();

  const rungs = $derived(
    table.notes
      .flatMap((n) =>
        n.ways
          .filter((w) => w.fingering === way.fingering)
          .map((w) => ({
            note: n,
            partial: w.partial,
            cents: w.cents,
            standard: w.role === 'STANDARD'
          }))
      )
      .sort((a, b) => b.note.midi - a.note.midi)
  );
  const off = (cents: number) =>
    Math.abs(cents) < 1
      ? ui.notes.inTune
      : cents > 0
        ? ui.notes.sharp(Math.abs(Math.round(cents)))
        : ui.notes.flat(Math.abs(Math.round(cents)));
</script>

<section>
  <h3>
    {table.kind === 'SLIDE' ? ui.notes.inPosition : ui.notes.onValves}: {short(way.fingering).join(
      ' '
    )}
  </h3>
  <p class="small quiet">{ui.notes.sameHand}</p>
  <ol>
    {#each rungs as r (r.note.midi)}
      <li class:here={r.note.midi === note.midi}>
        <button
          class="plain"
          onclick={() => onchoose(r.note.midi)}
          aria-current={r.note.midi === note.midi}
        >
          <b>{r.note.shown}</b>
          <span class="small">{ui.notes.partial(r.partial)}</span>
          <span class="small quiet">{off(r.cents)}{r.standard ? '' : ui.notes.notUsual}</span>
        </button>
      </li>
    {/each}
  </ol>
</section>

<style>
  ol {
    list-style: none;
    margin: 0.5rem 0 0;
    padding: 0 0.5rem;
    border-left: 2px solid var(--ink-2);
    border-right: 2px solid var(--ink-2);
  }
  li {
    border-bottom: 2px solid var(--rule);
  }
  li.here {
    background: var(--accent-soft);
    border-bottom-color: var(--accent);
  }
  button {
    display: grid;
    grid-template-columns: 2.75rem 4.5rem 1fr;
    width: 100%;
    padding: 0.25rem 0.375rem;
    align-items: baseline;
  }
</style>
