<!-- A trill: what moves, held on the lower note or on the upper one, and how well it goes. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { ui } from '../words/ui';

  let { trill }: { trill: Schemas['TrillView'] } = $props();
</script>

{#if trill.quality === 'NONE'}
  <p class="small">{trill.words}</p>
{:else}
  {#if trill.moving.length}
    <table class="small">
      <thead>
        <tr>
          <th scope="col"><span class="unseen">{ui.trill.moves}</span></th>
          <th scope="col">{trill.lower.shown}</th>
          <th scope="col">{trill.upper.shown}</th>
        </tr>
      </thead>
      <tbody>
        {#each trill.moving as m (m.name)}
          <tr>
            <th scope="row">{m.name}</th>
            {#each [m.lower, m.upper] as held, i (i)}
              <td
                ><span class="dot" class:held aria-hidden="true"></span><span class="unseen"
                  >{held ? ui.trill.held : ui.trill.open}</span
                ></td
              >
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  <p class="small">
    <span class="grade {trill.quality.toLowerCase()}">{ui.trill.quality[trill.quality]}</span>
    {trill.words}
    {#if trill.requires}{ui.trill.needs(trill.requires)}{/if}
  </p>
{/if}

<style>
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 0.125rem 0.75rem 0.125rem 0;
    font-weight: 400;
    text-align: left;
  }
  thead th {
    font-weight: 600;
  }
  thead th:not(:first-child),
  td {
    text-align: center;
    min-width: 2.75rem;
  }
  tbody th::first-letter {
    text-transform: uppercase;
  }
  tr:not(:last-child) > * {
    border-bottom: 1px solid var(--rule);
  }
  .dot {
    display: inline-block;
    width: 0.75rem;
    height: 0.75rem;
    border: 1.5px solid var(--hand);
    border-radius: 50%;
    vertical-align: -1px;
  }
  .dot.held {
    background: var(--hand);
  }
  .grade {
    display: inline-block;
    padding: 0 0.375rem;
    margin-right: 0.25rem;
    border: 1px solid var(--ink-2);
    border-radius: 3px;
    font-weight: 600;
  }
  .grade.good {
    background: var(--accent-soft);
  }
  .grade.poor {
    border-style: dashed;
  }
  .unseen {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
</style>
