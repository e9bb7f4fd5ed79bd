<!-- A piece before it is given: engraved as an instrument reads it, and how every other one would. -->
<script lang="ts">
  import { Button, Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { drawing, engrave } from '../engrave/engrave';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { visit, route } from '../router';
  import Give from './Give.svelte';
  import { ui } from '../words/ui';

  const id = $derived(Number(route.params.piece));
  const group = Number(new URLSearchParams(location.search).get('group') ?? 0);
  const page = loaded<[Schemas['ReadingsView'], Schemas['PeopleView']]>();
  const look = $derived(page.value?.[0]);
  let chosen = $state('');
  const instrument = $derived(chosen || look?.rows[0]?.instrument || '');
  const music = loaded<string>();
  let lines = $state.raw<string[]>([]);
  let giving = $state(false);
  let width = $state(0);

  $effect(() => {
    const params = { path: { id }, query: group ? { group } : {} };
    void page.ask(() =>
      Promise.all([
        asked(api.GET('/api/pieces/{id}/readings', { params })),
        asked(api.GET('/api/people'))
      ])
    );
  });
  $effect(() => {
    const path = { id, instrument };
    if (instrument)
      void music.ask(async () => {
        const params = { path };
        return (await asked(api.GET('/api/pieces/{id}/readings/{instrument}', { params }))).xml;
      });
  });
  $effect(() => {
    const xml = music.value;
    if (!xml || !width) return;
    let all: string[] = [];
    return engrave({ xml, widthPx: width, scale: 38, wide: false }, (reply) => {
      all = reply.first ? reply.lines : [...all, ...reply.lines];
      lines = all;
    });
  });
  const put = (svg: string) => (el: HTMLElement) => el.replaceChildren(drawing(svg).svg);
  /** From here on a change is called hard, as on the stand. */
  const HARD = 0.5;
  /** below it no change is worth a word */
  const EASY = 0.15;
  /** The bar with the hardest change, in words. */
  function hardest({ hard, bars }: Schemas['ReadingRow']) {
    const most = Math.max(0, ...hard);
    return most >= EASY ? ui.shelf.hardestIn(bars[hard.indexOf(most)]!) : ui.shelf.hardNowhere;
  }
  const about = $derived(
    look
      ? [
          look.piece.source,
          ui.shelf.barsCount(look.facts.bars),
          look.facts.key && ui.shelf.soundsIn(look.facts.key),
          look.facts.range
        ]
          .filter(Boolean)
          .join(' · ')
      : ''
  );
</script>

<svelte:head><title>{ui.shelf.lookTitle(look?.piece.title ?? ui.app.shelf)}</title></svelte:head>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if !look}
    {#if !page.problem}<SkeletonText heading /><SkeletonText paragraph lines={8} />{/if}
  {:else}
    <header>
      <div>
        <h1>{look.piece.title}</h1>
        <p class="quiet">{about}</p>
        <p class="small files">
          <a href="/api/pieces/{id}/file" download>{ui.shelf.asFile}</a> ·
          <a href="/api/pieces/{id}/abc" download>{ui.shelf.asAbc}</a> ·
          <a href="/api/pieces/{id}/midi" download>{ui.shelf.asMidi}</a>
        </p>
      </div>
      {#if look.typed}
        <a class="anew" href="/shelf/typed?piece={id}">{ui.shelf.typeAnew}</a>
      {/if}
      <Button size="small" on:click={() => (giving = true)}>{ui.shelf.giveIt}</Button>
    </header>
    <Select
      size="sm"
      labelText={ui.shelf.asReadBy}
      selected={instrument}
      on:change={(e) => (chosen = (e.target as HTMLSelectElement).value)}
    >
      {#each look.rows as r (r.instrument)}<SelectItem value={r.instrument} text={r.name} />{/each}
    </Select>
    {#if music.problem}<Trouble text={music.problem} again={music.again} />{/if}
    <div class="music" bind:clientWidth={width} role="img" aria-label={look.piece.title}>
      {#each lines as svg, i (i)}<div {@attach put(svg)}></div>{/each}
    </div>
    <h2>{ui.shelf.whoReads}</h2>
    <table class="rows sheet stack">
      <thead>
        <tr>
          <th scope="col">{ui.all.instrument}</th>
          <th scope="col">{ui.shelf.key}</th>
          <th scope="col">{ui.shelf.range}</th>
          <th scope="col">{ui.shelf.beyondStage}</th>
          <th scope="col">{ui.shelf.hardAlong}</th>
          <th scope="col">{ui.shelf.pageFrom}</th>
        </tr>
      </thead>
      <tbody>
        {#each look.rows as r (r.instrument)}
          <tr>
            <td
              ><button class="plain name" onclick={() => (chosen = r.instrument)}>{r.name}</button
              ></td
            >
            <td data-label={ui.shelf.key}>{r.key}</td>
            <td data-label={ui.shelf.range}>{r.range}</td>
            <td data-label={ui.shelf.beyondStage}
              >{r.beyond ? ui.shelf.beyondNotes(r.beyond) : ui.shelf.none}</td
            >
            <td class="small">
              <svg
                class="along"
                viewBox="0 0 {r.hard.length} 10"
                preserveAspectRatio="none"
                aria-hidden="true"
              >
                {#each r.hard as h, i (i)}
                  <rect
                    class:very={h >= HARD}
                    x={i + 0.1}
                    width="0.8"
                    y={10 - Math.max(0.4, 10 * h)}
                    height={Math.max(0.4, 10 * h)}
                  />
                {/each}
              </svg>
              {hardest(r)}
            </td>
            <td class="small" data-label={ui.shelf.pageFrom}>{r.remark || ui.shelf.onOwnPage}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="small quiet">{ui.shelf.hardHow}</p>
  {/if}
</div>

{#if giving && look && page.value}
  <Give
    pieces={[look.piece]}
    people={page.value[1]}
    onclose={() => (giving = false)}
    ongiven={([assignment]) => visit(`/parts/${assignment}`)}
  />
{/if}

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 1rem;
    margin-bottom: 1rem;
  }
  .files a {
    display: inline-block;
    padding-block: max(0.125rem, (var(--target) - 1lh) / 2);
  }
  .anew {
    margin-left: auto;
  }
  .page > :global(.bx--form-item) {
    max-width: 18rem;
  }
  .music {
    background: var(--paper);
    border: 1px solid var(--rule);
    padding: 0.75rem 0;
    margin: 1rem 0 1.5rem;
    min-height: 6rem;
  }
  h2 {
    margin-bottom: 0.5rem;
  }
  /* it stands on paper too, as the links do not */
  .name {
    color: var(--accent);
    text-decoration: underline;
  }
  .along {
    width: 9rem;
    height: 1.25rem;
    display: block;
    border-bottom: 1px solid var(--ink-2);
  }
  .along rect {
    fill: var(--ink-2);
    opacity: 0.6;
  }
  .along .very {
    fill: var(--hard);
    opacity: 1;
  }
</style>
