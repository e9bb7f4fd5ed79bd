<!-- What do we play, who can't yet, and what do I tell them? -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import { onMount } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import { warmUp } from '../engrave/engrave';
  import Mark from '../parts/Mark.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { visit, preload } from '../router';
  import GroupNow from './GroupNow.svelte';
  import PracticeToday from './PracticeToday.svelte';
  import { capital, day, ui } from '../words/ui';

  const page = loaded<Schemas['Today']>();
  const today = $derived(page.value);
  /** the group that the keys are for */
  let at = $state(0);
  const groups = $derived(today?.groups ?? []);
  const none = $derived(!groups.some((g) => g.today));

  /** until the page stands there and is read */
  const READING_MS = 1000;

  onMount(() => {
    void page.ask(() => asked(api.GET('/api/today')));
    void preload('/stand/:student/:piece');
    // the engraver starts while the teacher reads, so that a part opens at once
    const later = setTimeout(warmUp, READING_MS);
    return () => clearTimeout(later);
  });

  /** What a school needs before there is a today; each leads to where it is done. */
  const steps = $derived([
    { text: ui.today.setUpGroup, href: '/people', done: groups.some((g) => g.students > 0) },
    { text: ui.today.bringIn, href: '/shelf', done: (today?.pieces ?? 0) > 0 },
    {
      text: ui.today.giveOne,
      href: '/shelf',
      done: groups.some((g) => g.next.length > 0)
    },
    {
      text: ui.today.sayWhatTheyPlay,
      href: groups[0]?.id ? `/people/group/${groups[0].id}/plays` : '/people',
      done: today?.heard ?? false
    }
  ]);
  /** the sample school: whether it is asked about, what came of it */
  let leaving = $state(false);
  let done = $state('');
  const changes = door();
  function sampled(answer: Schemas['Done']) {
    done = answer.done;
    leaving = false;
    return page.ask(() => asked(api.GET('/api/today')));
  }
  const bringSample = () => changes.once(() => asked(api.POST('/api/sample')), sampled);
  const removeSample = () => changes.once(() => asked(api.DELETE('/api/sample')), sampled);
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
        visit(
          key === 'c' ? `/ear/class/${groups[at]!.id}` : `/people/group/${groups[at]!.id}/note/next`
        )
    },
    {
      on: ['a', 'w'],
      words: ui.keys.groupParts,
      when: () => !!groups[at],
      act: (key) => {
        const { id, next } = groups[at]!;
        if (key === 'w' && id) return visit(`/people/group/${id}/pieces`);
        if (key === 'a' && next[0]) return visit(`/parts/${next[0].assignmentId}`);
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
        <p class="small quiet keys hints">
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
    {#if done}<p class="done" role="status">{done}</p>{/if}
    {#if today.sample === 'THERE'}
      <p class="notice">
        {ui.today.sampleThere}
        <button class="plain link" onclick={() => (leaving = true)}>{ui.today.sampleAway}</button>
      </p>
    {/if}
    {#if groups.length && none}
      <p class="quiet">{ui.today.noneToday}</p>
    {/if}
    {#each groups as group, i (group.id)}
      <GroupNow {group} chosen={i === at} open={group.today || none} onchoose={() => (at = i)} />
    {:else}
      <p class="empty">{ui.today.empty}</p>
    {/each}
    <PracticeToday />
    {#if steps.some((s) => !s.done)}
      <ol class="steps" aria-label={ui.today.steps}>
        {#each steps as s, i (s.text)}
          {@const now = !s.done && steps.slice(0, i).every((x) => x.done)}
          <li class:done={s.done} aria-current={now ? 'step' : undefined}>
            {#if now}<Button size="small" href={s.href}>{s.text}</Button>{:else}<a href={s.href}
                >{s.text}</a
              >{/if}
            {#if s.done}<Mark state="SECURE" label={false} /> {ui.today.stepDone}{/if}
          </li>
        {/each}
      </ol>
    {/if}
    {#if today.sample === 'OFFERED'}
      <p class="sample">
        {ui.today.sampleOffered}
        <button class="plain link" disabled={changes.busy} onclick={bringSample}
          >{ui.today.sampleBring}</button
        >
      </p>
    {/if}
    {#if changes.problem && !leaving}<Trouble text={changes.problem} />{/if}
  {/if}
</div>

{#if leaving}
  <Dialog
    danger
    size="sm"
    heading={ui.today.sampleAway}
    send={ui.today.sampleTake}
    disabled={changes.busy}
    onclose={() => (leaving = false)}
    onsend={removeSample}
  >
    <p>{ui.today.sampleGoes}</p>
    {#if changes.problem}<Trouble text={changes.problem} />{/if}
  </Dialog>
{/if}

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
  .empty {
    margin-top: 2rem;
    max-width: 34rem;
  }
  .done {
    margin: 0.5rem 0;
    font-weight: 600;
  }
  .sample {
    margin-top: 1.5rem;
    max-width: 34rem;
  }
  .steps {
    list-style: decimal inside;
    margin-top: 1.5rem;
    padding: 0;
  }
  .steps li {
    padding: 0.375rem 0;
  }
  .steps .done {
    color: var(--ink-2);
  }
</style>
