<!-- What there is to say of the whole part: where it is hard, what to teach next, how else it goes. -->
<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { short } from './lanes';
  import { ui } from '../words/ui';

  let {
    student,
    piece,
    plan,
    advice = $bindable(),
    against,
    onchoose,
    onagainst,
    ontake,
    onstyle
  }: {
    student: number;
    piece: number;
    /** asked anew whenever it changes */
    plan: Schemas['PlanView'];
    advice: Schemas['AdviceView'] | undefined;
    onchoose: (id: string) => void;
    /** what the page is compared with */
    against: Schemas['OtherView'] | undefined;
    onagainst: (other: Schemas['OtherView'] | undefined) => void;
    ontake: (changes: Schemas['ChangeView'][]) => void;
    /** a school of a style, for this student or for the house */
    onstyle: (name: string, school: string, house: boolean) => void;
  } = $props();

  let problem = $state('');

  $effect(() => {
    const path = { studentId: student, pieceId: piece };
    if (!plan.notes.length) return;
    let gone = false;
    asked(api.GET('/api/stand/{studentId}/{pieceId}/advice', { params: { path } }))
      .then((a) => {
        if (!gone) {
          advice = a;
          problem = '';
        }
      })
      .catch((e) => {
        if (!gone) problem = sentence(e);
      });
    return () => {
      gone = true;
    };
  });

  /** as many are named; the page shows all */
  const MOST = 5;
  const bars = (list: string[]) => ui.all.barsList(list.slice(0, 6));
  const more = (extra: number) =>
    extra <= -0.05
      ? ui.stand.easier
      : extra < 0.05
        ? ui.stand.justAsEasy
        : extra < 1
          ? ui.stand.littleMore
          : extra < 4
            ? ui.stand.moreEffort
            : ui.stand.muchMore;
</script>

{#snippet other(o: Schemas['OtherView'])}
  <p class="small quiet">{more(o.extra)}</p>
  {#each o.changes.slice(0, MOST) as c (c.noteId)}
    <p class="small">
      <button class="plain link" onclick={() => onchoose(c.noteId)}
        >{ui.stand.barAndNote(c.barNumber, c.shown)}</button
      >: {c.label} <span class="quiet">{ui.all.insteadOf(c.wasLabel)}</span>
    </p>
  {/each}
  {#if o.changes.length > MOST}
    <p class="small quiet">{ui.all.andMore(o.changes.length - MOST)}</p>
  {/if}
  {#if o.changes.length}
    <button
      class="plain link small"
      aria-pressed={against === o}
      onclick={() => onagainst(against === o ? undefined : o)}
      >{against === o ? ui.stand.leaveComparison : ui.stand.comparePage}</button
    >
  {/if}
{/snippet}

{#snippet votes(list: Schemas['OutvotedView'][])}
  {#if list.length}
    <p class="small">
      {ui.stand.givesWay(list.length)}
    </p>
    {#each list.slice(0, MOST) as o (o.noteId)}
      <p class="small">
        <button class="plain link" onclick={() => onchoose(o.noteId)}
          >{ui.stand.barAndNote(o.barNumber, o.shown)}</button
        >
        {ui.stand.stays(o.label)} <span class="quiet">{o.why}</span>
      </p>
    {/each}
    {#if list.length > MOST}<p class="small quiet">{ui.all.andMore(list.length - MOST)}</p>{/if}
  {/if}
{/snippet}

<section>
  {#if problem}<p class="small" role="alert">{problem}</p>{/if}
  {#if advice}
    {#if advice.hardest.length}
      <h3>{ui.stand.hardest}</h3>
      <ol>
        {#each advice.hardest as h (h.toId)}
          <li>
            <button class="plain" onclick={() => onchoose(h.toId)}>
              <b>{h.shown}</b> <span class="small quiet">{ui.all.bar(h.barNumber)}</span>
              <span class="how" style:--w="{Math.round(h.difficulty * 100)}%"></span>
            </button>
            <p class="small">{h.sentence}</p>
            <p class="small quiet">{h.practise}</p>
          </li>
        {/each}
      </ol>
    {/if}
    {#if advice.worth.length}
      <h3>{ui.all.worthTeaching}</h3>
      <ul>
        {#each advice.worth as w (w.shown + w.fingering)}
          <li>
            <button class="plain" onclick={() => onchoose(w.noteId)}>
              <b>{w.shown}</b>
              {w.label} <span class="small quiet">{short(w.fingering).join(' · ')}</span>
            </button>
            <p class="small">
              {(w.needed ? ui.stand.needsIt : ui.stand.makesEasier)(w.times, bars(w.bars))}
            </p>
          </li>
        {/each}
      </ul>
    {/if}
    {#if advice.learned.length}
      <h3>{ui.stand.allLearned}</h3>
      <ul>
        {#each advice.learned as o (o.title)}<li>{@render other(o)}</li>{/each}
      </ul>
    {/if}
    {#if advice.others.length}
      <h3>{ui.stand.otherWays}</h3>
      <ul>
        {#each advice.others as o, i (i)}
          <li>
            {@render other(o)}
            <Button size="small" kind="ghost" on:click={() => ontake(o.changes)}
              >{ui.stand.takeIt}</Button
            >
          </li>
        {/each}
      </ul>
    {/if}
    {#if advice.styles.length}
      <h3>{ui.stand.waysOfPlaying}</h3>
      <ul>
        {#each advice.styles as s (s.name)}
          <li>
            <p><b>{s.label}</b>: {s.chosen}</p>
            <p class="small quiet">{s.own ? ui.stand.ownWay : ui.stand.theHouse}</p>
            {@render votes(s.outvoted)}
            {#each s.others as school (school.value)}
              <details>
                <summary class="small"
                  >{school.other.changes.length
                    ? ui.stand.orSchool(school.other.title, school.other.changes.length)
                    : ui.stand.nothingChanges(school.other.title)}</summary
                >
                {@render votes(school.outvoted)}
                {#if school.other.changes.length}{@render other(school.other)}{/if}
                <Button
                  size="small"
                  kind="ghost"
                  on:click={() => onstyle(s.name, school.value, false)}
                  >{ui.stand.forStudent}</Button
                >
                <Button
                  size="small"
                  kind="ghost"
                  on:click={() => onstyle(s.name, school.value, true)}>{ui.stand.asHouse}</Button
                >
              </details>
            {/each}
          </li>
        {/each}
      </ul>
    {/if}
  {/if}
</section>

<style>
  section {
    margin-top: 1.5rem;
    border-top: 1px solid var(--rule);
    padding-top: 1rem;
  }
  h3 {
    margin-top: 1rem;
  }
  h3:first-child {
    margin-top: 0;
  }
  ol,
  ul {
    list-style: none;
    margin: 0.25rem 0 0;
    padding: 0;
  }
  li {
    padding: 0.5rem 0;
    border-bottom: 1px solid var(--rule);
  }
  li button.plain {
    width: 100%;
  }
  li p button.plain,
  li button.link {
    width: auto;
    font-size: 0.8125rem;
  }
  summary {
    cursor: pointer;
  }
  .how {
    display: block;
    height: 4px;
    margin: 0.25rem 0;
    background: linear-gradient(to right, var(--hard) var(--w), var(--rule) var(--w));
  }
</style>
