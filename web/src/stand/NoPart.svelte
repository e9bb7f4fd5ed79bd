<!-- Stand and Ear before a part was opened; Ear also offers the check of a whole group. -->
<script lang="ts">
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { route } from '../router';

  const ear = $derived(route.pathname.startsWith('/ear'));
  let groups = $state.raw<Schemas['GroupView'][]>([]);
  let problem = $state('');

  $effect(() => {
    if (!ear) return;
    asked(api.GET('/api/people'))
      .then((p) => (groups = p.groups))
      .catch((e) => (problem = sentence(e)));
  });
</script>

<div class="page">
  <h1>{ear ? 'What is heard' : 'No part is on the stand'}</h1>
  <p>
    Choose a student and a piece on <a href="/">Today</a>, or press <kbd>/</kbd> and type a name.
  </p>
  {#if ear && groups.length}
    <h2>A whole group</h2>
    <ul>
      {#each groups as g (g.id)}<li><a href="/ear/class/{g.id}">{g.name}</a></li>{/each}
    </ul>
  {/if}
  {#if problem}<p role="alert">{problem}</p>{/if}
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
