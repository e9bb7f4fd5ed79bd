<!-- A book, exercise by exercise: which notes each brings that none before it had, on one instrument's page. -->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { Kept } from '../lib/kept.svelte';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { ui } from '../words/ui';

  const name = $derived(decodeURIComponent(route.params.book ?? ''));
  const instrument = new Kept('book-instrument', 'flute');
  const instruments = loaded<Schemas['InstrumentView'][]>();
  const page = loaded<Schemas['ExerciseRow'][]>();
  const rows = $derived(page.value ?? []);

  $effect(() => {
    void instruments.ask(() => asked(api.GET('/api/instruments')));
  });
  $effect(() => {
    const query = { name, instrument: instrument.value };
    void page.ask(() => asked(api.GET('/api/book', { params: { query } })));
  });
  const HIGH = 10;
  const BAR = 120;
  const wide = $derived(
    scaleLinear()
      .domain([0, Math.max(1, ...rows.map((r) => r.fresh.length))])
      .range([0, BAR])
  );
  const last = $derived(rows[rows.length - 1]);
</script>

<svelte:head><title>{ui.shelf.lookTitle(name)}</title></svelte:head>

<div class="page">
  <h1>{name}</h1>
  <p class="quiet">{ui.shelf.bookHow}</p>
  <Select
    size="sm"
    labelText={ui.shelf.asReadBy}
    selected={instrument.value}
    on:change={(e) => (instrument.value = (e.target as HTMLSelectElement).value)}
  >
    {#each instruments.value ?? [] as i (i.id)}<SelectItem value={i.id} text={i.name} />{/each}
  </Select>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />
  {:else if !page.value}
    <SkeletonText paragraph lines={8} />
  {:else if !last}
    <p>{ui.shelf.bookNoPage}</p>
  {:else}
    <p class="sum">{ui.shelf.bookHas(last.soFar, rows.length)}</p>
    <table class="rows sheet stack">
      <thead>
        <tr>
          <th scope="col">{ui.shelf.exercise}</th>
          <th scope="col">{ui.shelf.newInBook}</th>
          <th scope="col">{ui.shelf.whichNotes}</th>
          <th scope="col" class="number">{ui.shelf.notesSoFar}</th>
        </tr>
      </thead>
      <tbody>
        {#each rows as r (r.piece.id)}
          <tr>
            <th scope="row"
              ><span class="at">{r.piece.number}</span>
              <a href="/shelf/{r.piece.id}">{r.piece.title}</a></th
            >
            <td class="count" data-label={ui.shelf.newInBook}
              ><svg width={BAR} height={HIGH} aria-hidden="true"
                ><rect width={wide(r.fresh.length)} height={HIGH} /></svg
              >
              {r.fresh.length}</td
            >
            <td>{r.fresh.join(' ')}</td>
            <td class="number" data-label={ui.shelf.notesSoFar}>{r.soFar}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</div>

<style>
  .page > :global(.bx--form-item) {
    max-width: 18rem;
    margin-top: 0.75rem;
  }
  .sum {
    margin: 1rem 0 0.5rem;
    font-weight: 600;
  }
  .at {
    display: inline-block;
    min-width: 1.75rem;
    color: var(--ink-2);
    font-weight: 400;
  }
  .count {
    white-space: nowrap;
  }
  .number {
    text-align: right;
  }
  rect {
    fill: var(--hand);
  }
  @media (max-width: 600px) {
    .count svg {
      display: none;
    }
  }
</style>
