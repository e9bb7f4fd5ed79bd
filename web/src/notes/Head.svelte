<!-- Which instrument, how it is set up, and which of its fingerings are shown. -->
<script lang="ts">
  import { Select, SelectItem } from 'carbon-components-svelte';
  import { visit } from '../router';
  import type { Purpose, Table } from './table.svelte';
  import { ui } from '../words/ui';

  let { table, view }: { table: Table; view: NonNullable<Table['view']> } = $props();

  const value = (e: Event) => (e.target as HTMLSelectElement).value;
  const PURPOSES: [Purpose, string][] = [
    ['', ui.notes.everything],
    ['FACILITY', ui.notes.theFingers],
    ['RESPONSE', ui.notes.speaking],
    ['INTONATION', ui.notes.thePitch],
    ['DYNAMICS', ui.notes.softLoud],
    ['REACH', ui.notes.smallHands],
    ['TRILL', ui.notes.trills],
    ['SPECIAL', ui.notes.specials],
    ['OWN', ui.notes.thisHouse]
  ];
</script>

<header>
  <div class="what">
    <h1>{view.name}</h1>
    <p class="quiet">
      {view.transposition}; {view.stages
        .map((s) => ui.notes.stageRange(s.words, s.from.shown, s.to.shown))
        .join(', ')}
      · <a href="/chart/{view.id}">{ui.chart.link}</a>
    </p>
  </div>
  <div class="set">
    <Select
      size="sm"
      labelText={ui.all.instrument}
      selected={view.id}
      on:change={(e) => visit(`/notes/${value(e)}`)}
    >
      {#each table.instruments as i (i.id)}<SelectItem value={i.id} text={i.name} />{/each}
    </Select>
    {#each view.options as o (o.name)}
      <Select
        size="sm"
        labelText={o.label}
        selected={view.chosen[o.name] ?? o.standard}
        on:change={(e) => table.option(o.name, value(e))}
      >
        {#each o.values as v (v.value)}<SelectItem value={v.value} text={v.label} />{/each}
      </Select>
    {/each}
    {#if !table.byName}
      <Select
        size="sm"
        labelText={ui.notes.showWhat}
        selected={table.purpose}
        on:change={(e) => table.show(value(e) as Purpose)}
      >
        {#each PURPOSES as [purpose, text] (purpose)}<SelectItem value={purpose} {text} />{/each}
      </Select>
    {/if}
  </div>
</header>

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
</style>
