<!-- The trills of a note to its two neighbours above: both states as pictures, what moves, how well. -->
<script lang="ts">
  import { api, asked, sentence, type Schemas } from '../api/client';
  import Trill from '../parts/Trill.svelte';
  import { short } from '../stand/lanes';
  import Hands from './Hands.svelte';
  import { ui } from '../words/ui';

  let {
    table,
    note,
    options
  }: {
    table: Schemas['TableView'];
    note: Schemas['TableNote'];
    options: string[];
  } = $props();

  let all = $state.raw<Schemas['TrillView'][][]>([]);
  let problem = $state('');
  /** by the upper note: which of several is shown */
  let at = $state<Record<string, number>>({});
  const drawn = $derived(table.kind === 'HANDS');

  $effect(() => {
    const query = { set: options, lower: note.written };
    const instrument = table.id;
    problem = '';
    at = {};
    let gone = false;
    asked(api.GET('/api/notes/{instrument}/trills', { params: { path: { instrument }, query } }))
      .then((t) => {
        if (!gone) all = t;
      })
      .catch((e) => {
        if (!gone) problem = sentence(e);
      });
    return () => {
      gone = true;
    };
  });
</script>

<section class="trills">
  <h2>{ui.trill.from(note.shown)}</h2>
  {#if problem}<p class="small" role="alert">{problem}</p>{/if}
  <div class="both">
    {#each all as ways (ways[0]!.upper.written)}
      {@const key = ways[0]!.upper.written}
      {@const shown = (at[key] ?? 0) % ways.length}
      {@const t = ways[shown]!}
      <div class="pair">
        <h3>{ui.trill.to(t.upper.shown)}</h3>
        {#if t.quality !== 'NONE'}
          <div class="states">
            {#each [{ n: t.lower, f: t.from, held: t.lowerHeld }, { n: t.upper, f: t.to, held: t.upperHeld }] as s (s.n.written)}
              <figure>
                {#if drawn}
                  <Hands
                    instrument={table.id}
                    keys={table.keys}
                    held={s.held}
                    kind={table.kind}
                    label="{s.n.shown}: {s.f}"
                  />
                {/if}
                <figcaption>
                  <b>{s.n.shown}</b> <span class="quiet">{short(s.f).join(' · ')}</span>
                </figcaption>
              </figure>
            {/each}
          </div>
        {/if}
        <Trill trill={t} />
        {#if t.because}<p class="small quiet">{ui.trill.because(t.because)}</p>{/if}
        {#if ways.length > 1}
          <button
            class="plain link small"
            onclick={() => (at = { ...at, [key]: (shown + 1) % ways.length })}
            >{ui.trill.next(shown + 1, ways.length)}</button
          >
        {/if}
      </div>
    {/each}
  </div>
</section>

<style>
  .trills {
    margin-top: 2rem;
  }
  .both {
    display: flex;
    flex-wrap: wrap;
    gap: 1.5rem 2rem;
  }
  .pair {
    width: 21rem;
    display: flex;
    flex-direction: column;
    gap: 0.5rem;
  }
  .states {
    display: flex;
    gap: 1rem;
  }
  figure {
    margin: 0;
  }
  figure :global(svg) {
    max-width: 9.75rem;
    height: auto;
  }
  figcaption {
    font-size: 0.8125rem;
    margin-top: 0.25rem;
  }
  .link {
    align-self: flex-start;
    text-decoration: underline;
    color: var(--accent);
  }
</style>
