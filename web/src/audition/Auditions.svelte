<!-- All auditions, the next first; another is set up here. -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { pageKeys } from '../lib/keys.svelte';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { visit } from '../router';
  import { capital, ui } from '../words/ui';
  import AuditionForm from './AuditionForm.svelte';

  const page = loaded<Schemas['AuditionRef'][]>();
  let adding = $state(false);
  onMount(() => void page.ask(() => asked(api.GET('/api/auditions'))));
  pageKeys(ui.audition.title, [
    { on: 'Escape', words: ui.app.people, act: () => visit('/people') }
  ]);
</script>

<svelte:head><title>{ui.audition.page('')}</title></svelte:head>

<div class="page">
  <h1>{ui.audition.title}</h1>
  <p class="told-first">{ui.audition.lead}</p>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if page.value}
    <ul>
      {#each page.value as a (a.id)}
        <li>
          <a href="/people/audition/{a.id}">{a.name}</a>
          <span>{capital(a.dayWords)}, {a.left}</span>
          <span class="quiet small">{ui.audition.goes(a.candidates)}</span>
        </li>
      {:else}<li class="quiet">{ui.audition.none}</li>{/each}
    </ul>
    {#if adding}
      <AuditionForm ondone={(id) => void visit(`/people/audition/${id}`)} />
    {:else}
      <Button size="small" on:click={() => (adding = true)}>{ui.audition.add}</Button>
    {/if}
  {:else if !page.problem}
    <SkeletonText paragraph lines={4} />
  {/if}
</div>

<style>
  ul {
    list-style: none;
    padding: 0;
    margin-bottom: 1rem;
    max-width: 46rem;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1.25rem;
    align-items: baseline;
    padding: 0.375rem 0;
    border-top: 1px solid var(--rule);
  }
  li a {
    min-height: var(--target);
    font-weight: 600;
  }
</style>
