<!-- Stand and Ear before a part was opened; Ear also offers the check of a whole group. -->
<script lang="ts">
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import OpenCheck from '../parts/OpenCheck.svelte';
  import { last } from '../last.svelte';
  import { visit, route } from '../router';
  import { standOf } from '../drums/drums';
  import { ui } from '../words/ui';

  const ear = $derived(route.pathname.startsWith('/ear'));
  const place = $derived(ear ? 'ear' : 'stand');
  const page = loaded<[Schemas['Today'], Schemas['ClassCheckRef'][]]>();
  /** those who play today come first */
  const groups = $derived(
    [...(page.value?.[0].groups ?? [])].sort((a, b) => Number(b.today) - Number(a.today))
  );
  const open = $derived(page.value?.[1] ?? []);

  $effect(() => {
    const { student, piece } = last.value;
    if (piece) return (visit(`/${place}/${student}/${piece}`, { replace: true }), undefined);
    void page.ask(() =>
      Promise.all([asked(api.GET('/api/today')), asked(api.GET('/api/checks/open'))])
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
  {#each groups as g (g.id)}
    <section aria-label={g.name}>
      <h2>
        {g.name}
        {#if !g.today}<span class="quiet small">{g.when}</span>{/if}
      </h2>
      {#if ear && g.id && g.students}
        <div><a href="/ear/class/{g.id}">{ui.stand.wholeGroup}</a></div>
      {/if}
      {#each g.next as n (n.assignmentId)}
        <div class="given">
          <b>{n.piece.title}</b>
          <span class="quiet small">{n.dueWords}</span><br />
          {#each n.players.filter((p) => !ear || !p.student.drums) as p, i (p.student.id)}{i
              ? ' · '
              : ''}<a
              href={ear ? `/ear/${p.student.id}/${n.piece.id}` : standOf(p.student, n.piece.id)}
              >{p.student.name}</a
            >{/each}
        </div>
      {:else}
        <p class="quiet">{ui.today.nothingGiven} <a href="/shelf">{ui.today.choosePiece}</a>.</p>
      {/each}
    </section>
  {/each}
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
</div>

<style>
  p,
  .given {
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
  section a {
    white-space: nowrap;
  }
</style>
