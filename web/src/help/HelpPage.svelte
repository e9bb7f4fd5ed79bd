<!-- What each place is for and how it goes, with a picture of the demo; and the terms. -->
<script lang="ts">
  import { SkeletonText } from 'carbon-components-svelte';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { language } from '../words/language';
  import { ui } from '../words/ui';
  import type { Help } from './help';

  const TERMS = 'terms';
  const pictures = import.meta.glob<string>('./pictures/*.jpg', {
    query: '?url',
    import: 'default',
    eager: true
  });
  const page = loaded<Help>();
  const help = $derived(page.value);
  const at = $derived(route.params.place ?? 'today');
  const place = $derived(help?.places.find((p) => p.id === at));

  $effect(() => {
    void page.ask(async () => {
      const words =
        language === 'es' ? await import('../words/help.es') : await import('../words/help.en');
      return words.help;
    });
  });
</script>

<svelte:head><title>{ui.app.helpTitle(place?.name ?? help?.terms ?? '')}</title></svelte:head>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if !help}
    {#if !page.problem}<SkeletonText heading /><SkeletonText paragraph lines={8} />{/if}
  {:else}
    <div class="two">
      <nav aria-label={help.title}>
        {#each help.places as p (p.id)}
          <a href="/help/{p.id}" aria-current={p.id === at ? 'page' : undefined}>{p.name}</a>
        {/each}
        <a href="/help/{TERMS}" aria-current={at === TERMS ? 'page' : undefined}>{help.terms}</a>
      </nav>
      <div>
        {#if place}
          <h1>{place.name}</h1>
          <p class="lead">{place.lead}</p>
          <figure>
            <img
              src={pictures[`./pictures/${place.id}-${language}.jpg`]}
              alt={place.caption}
              width="1280"
              height="800"
            />
            <figcaption class="small quiet">{place.caption}</figcaption>
          </figure>
          <h2>{help.steps}</h2>
          <ol>
            {#each place.steps as s (s)}<li>{s}</li>{/each}
          </ol>
          <h2>{help.questions}</h2>
          <dl>
            {#each place.questions as q (q.ask)}
              <dt>{q.ask}</dt>
              <dd>{q.answer}</dd>
            {/each}
          </dl>
        {:else}
          <h1>{help.terms}</h1>
          <dl>
            {#each help.glossary as [term, means] (term)}
              <dt>{term}</dt>
              <dd>{means}</dd>
            {/each}
          </dl>
        {/if}
      </div>
    </div>
  {/if}
</div>

<style>
  .two {
    display: grid;
    grid-template-columns: 9rem minmax(0, 46rem);
    gap: 2.5rem;
  }
  nav {
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
  }
  nav a {
    color: var(--ink-2);
    text-decoration: none;
  }
  nav a:hover {
    text-decoration: underline;
  }
  [aria-current='page'] {
    font-weight: 600;
    color: var(--ink);
  }
  .lead {
    font-size: 1.0625rem;
    margin: 0.5rem 0 1rem;
  }
  figure {
    margin: 0 0 1.5rem;
  }
  img {
    display: block;
    width: 100%;
    height: auto;
    border: 1px solid var(--rule);
  }
  figcaption {
    margin-top: 0.375rem;
  }
  h2 {
    margin: 1.5rem 0 0.5rem;
  }
  ol {
    list-style: decimal;
    margin: 0;
    padding-left: 1.5rem;
  }
  li {
    padding: 0.25rem 0;
  }
  dt {
    font-weight: 600;
    margin-top: 0.875rem;
  }
  dd {
    margin: 0.125rem 0 0;
  }
  @media (max-width: 900px) {
    .two {
      grid-template-columns: 1fr;
      gap: 1rem;
    }
    nav {
      flex-flow: row wrap;
      gap: 0 1.25rem;
    }
  }
  @media print {
    nav {
      display: none;
    }
    .two {
      display: block;
    }
  }
</style>
