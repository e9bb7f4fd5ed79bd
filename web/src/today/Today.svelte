<!-- What do we play, who can't yet, and what do I tell them? -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import { onMount } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import { warmUp } from '../engrave/engrave';
  import Trouble from '../parts/Trouble.svelte';
  import { navigate, preload } from '../router';
  import GroupNow from './GroupNow.svelte';
  import { capital, day, ui } from '../words/ui';

  const page = loaded<Schemas['Today']>();
  const today = $derived(page.value);
  /** the group that the keys are for */
  let at = $state(0);
  const groups = $derived(today?.groups ?? []);
  const none = $derived(!groups.some((g) => g.today));

  onMount(() => {
    void page.ask(() => asked(api.GET('/api/today')));
    // the engraver starts while the teacher reads, so that a part opens at once
    warmUp();
    void preload('/stand/:student/:piece');
  });

  const date = $derived(today ? capital(day(today.date)) : '');

  const move = (by: 1 | -1) => {
    at = Math.max(0, Math.min(groups.length - 1, at + by));
    document.getElementById(`group-${groups[at]!.id}`)?.scrollIntoView({ block: 'nearest' });
  };
  pageKeys(ui.app.today, [
    {
      on: ['ArrowUp', 'ArrowDown'],
      words: ui.keys.groups,
      when: () => groups.length > 0,
      act: (key) => move(key === 'ArrowDown' ? 1 : -1)
    },
    {
      on: ['c', 'n'],
      words: ui.keys.groupActs,
      when: () => !!groups[at]?.id,
      act: (key) =>
        navigate(
          (key === 'c'
            ? `/ear/class/${groups[at]!.id}`
            : `/people/group/${groups[at]!.id}/note/next`) as '/'
        )
    },
    {
      on: ['a', 'w'],
      words: ui.keys.groupParts,
      when: () => !!groups[at],
      act: (key) => {
        const { id, next } = groups[at]!;
        if (key === 'w' && id) return navigate(`/people/group/${id}/pieces` as '/');
        if (key === 'a' && next[0]) return navigate(`/parts/${next[0].assignmentId}` as '/');
        return false;
      }
    }
  ]);
</script>

<svelte:head><title>{ui.today.title}</title></svelte:head>

<div class="page">
  {#if page.problem}
    <Trouble text={page.problem} again={page.again} />
  {:else if !today}
    <SkeletonText heading /><SkeletonText paragraph lines={10} />
  {:else}
    <header>
      <h1>{date}</h1>
      {#if groups.length}
        <p class="small quiet keys">
          {#if groups.length > 1}<kbd>↑</kbd> <kbd>↓</kbd> {ui.today.keysGroup}{/if}
          <kbd>c</kbd>
          {ui.today.keysCheck} <kbd>n</kbd>
          {ui.today.keysNote} <kbd>a</kbd>
          {ui.today.keysParts}
          <kbd>w</kbd>
          {ui.today.keysWho}
        </p>
      {/if}
    </header>
    {#each today.notices as notice (notice)}
      <p class="notice" role="status">{notice}</p>
    {/each}
    {#if groups.length && none}
      <p class="quiet">{ui.today.noneToday}</p>
    {/if}
    {#each groups as group, i (group.id)}
      <GroupNow {group} chosen={i === at} open={group.today || none} onchoose={() => (at = i)} />
    {:else}
      <div class="empty first">
        <p>{ui.today.empty}</p>
        <div class="row">
          <Button size="small" href="/people">{ui.today.setUpGroup}</Button>
          <Button size="small" kind="tertiary" href="/shelf">{ui.today.bringIn}</Button>
        </div>
      </div>
    {/each}
  {/if}
</div>

<style>
  .notice {
    border-inline-start: 3px solid var(--cds-interactive-01);
    padding: 0.25rem 0.75rem;
    margin: 0.5rem 0 1rem;
  }
  header {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 1rem 2rem;
    flex-wrap: wrap;
  }
  .first {
    margin-top: 2rem;
    max-width: 34rem;
  }
  .row {
    display: flex;
    gap: 0.5rem;
    margin-top: 1rem;
  }
</style>
