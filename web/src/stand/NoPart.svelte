<!-- Stand and Ear before a part was opened; Ear also offers the check of a whole group. -->
<script lang="ts">
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import OpenCheck from '../parts/OpenCheck.svelte';
  import { route } from '../router';
  import { ui } from '../words/ui';

  const ear = $derived(route.pathname.startsWith('/ear'));
  const page = loaded<[Schemas['PeopleView'], Schemas['ClassCheckRef'][]]>();
  const groups = $derived(page.value?.[0].groups ?? []);
  const open = $derived(page.value?.[1] ?? []);

  $effect(() => {
    if (!ear) return;
    void page.ask(() =>
      Promise.all([asked(api.GET('/api/people')), asked(api.GET('/api/checks/open'))])
    );
  });
</script>

<svelte:head><title>{ui.stand.noPartTitle(ear ? ui.app.ear : ui.app.stand)}</title></svelte:head>

<div class="page">
  <h1>{ear ? ui.stand.whatIsHeard : ui.stand.noPart}</h1>
  <p>
    {ui.stand.chooseOn} <a href="/">{ui.app.today}</a>{ui.all.orPress} <kbd>/</kbd>
    {ui.all.typeName}
  </p>
  {#if ear && open.length}
    <h2>{ui.stand.begunNot}</h2>
    <ul>
      {#each open as c (c.id)}<li><OpenCheck check={c} group /></li>{/each}
    </ul>
  {/if}
  {#if ear && groups.length}
    <h2>{ui.stand.wholeGroup}</h2>
    <ul>
      {#each groups as g (g.id)}<li><a href="/ear/class/{g.id}">{g.name}</a></li>{/each}
    </ul>
  {/if}
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
</div>

<style>
  p {
    margin-top: 1rem;
  }
  h2 {
    margin: 1.5rem 0 0.5rem;
  }
  ul {
    list-style: none;
    padding: 0;
    margin: 0;
  }
  li {
    padding: 0.2rem 0;
  }
</style>
